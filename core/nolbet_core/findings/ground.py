"""What the ground has to say: slopes, trenches, and what the bed stands near."""

from __future__ import annotations

import math
from collections.abc import Iterator

from nolbet_core.built.worked import WorkedBed
from nolbet_core.findings.finding import DEFER, BedFinding, Found, Level
from nolbet_core.findings.mend import Mend, set_keys
from nolbet_core.plan.shapes import HippedMoundShape, RoundMoundShape
from nolbet_core.plot.fixed import FixedThing
from nolbet_core.plot.levels import Surface, packing_under
from nolbet_core.quantities.writing import show_length, show_volume

SLOPE_ADVISED_DEG = 40.0
SLOPE_MOST_DEG = 50.0
WAY_OUT_M = 1.2
PROTECTED_M = 1.5
SERVICE_NEAR_M = 1.0
HOUSE_NEAR_M = 0.15
WOOD_NEAR_HOUSE_M = 1.0
RESERVOIR_LEVEL_M = 0.010
LEVEL_M = 0.025
LINE_M = 0.05
TOLERANCE = 1e-9


class SteepSlope(BedFinding):
    """A mound's sides are steeper than soil lies."""

    code = "steep_slope"
    level = ("advice", "caution")
    topic = "ground"
    when = "a mound's sides rise at over 40 degrees; over 50 (a rounded mound at its foot)"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Sides over 40 degrees, over 50 graver; of a rounded mound those at its foot, the steepest."""
        shape = worked.bed.shape
        if worked.bed.faced is not None:
            return
        if isinstance(shape, HippedMoundShape):
            slope_deg, where = shape.slope_deg, "The sides rise"
        elif isinstance(shape, RoundMoundShape):
            slope_deg, where = math.degrees(math.atan(4 * shape.height_m / shape.width_m)), "At the foot the sides rise"
        else:
            return
        if slope_deg <= SLOPE_ADVISED_DEG + TOLERANCE:
            return
        yield Found(
            "advice" if slope_deg <= SLOPE_MOST_DEG + TOLERANCE else "caution",
            f"{where} at {slope_deg:.0f}°; loose moist soil lies at 35 to 40°.",
            "Steeper than that soil slides and washes down with the first hard rain.",
            "Face the sides with turf or logs (they hold 45 to 60°), make the mound wider, or lower.",
        )


class Trench(BedFinding):
    """Digging can bury whoever kneels in it."""

    code = "trench"
    level = ("note", "caution", "stop")
    topic = "ground"
    when = "every trench; from 1.2 m deep; from 1.5 m deep"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Every trench; from 1.2 m a way out, from 1.5 m protection always."""
        if not worked.is_dug:
            return
        depth_m = worked.vessel.hollow.rim_m
        said = show_length(depth_m, worked.system)
        level: Level = "note"
        advice = "Keep the spoil back from the edge, slope or shore the sides, don't dig alone. "
        if depth_m >= WAY_OUT_M - TOLERANCE:
            level, advice = "caution", f"{advice}From {show_length(WAY_OUT_M, worked.system)} keep a way out at hand. "
        if depth_m >= PROTECTED_M - TOLERANCE:
            level, advice = "stop", "Nobody goes in without shored or sloped-back sides. "
        yield Found(
            level,
            f"The trench is {said} deep: no depth is safe of itself.",
            "Sides fall in without warning, and a shallow trench can bury someone kneeling.",
            advice + DEFER,
        )


class BuriedServices(BedFinding):
    """Pipes and cables lie where nobody remembers."""

    code = "buried_services"
    level = ("caution", "stop")
    topic = "place"
    when = "every trench; one within a metre of a known pipe or cable"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Every trench; graver where a known service runs within a metre of it."""
        if not worked.is_dug:
            return
        near = nearest(worked, "service")
        if near is not None and near[0] < SERVICE_NEAR_M:
            yield Found(
                "stop",
                f"{near[1].name} runs {_away(near[0], worked)} the trench.",
                "A spade through a cable or gas pipe kills; through a drain it floods.",
                "Move the trench, or have the service marked and dig there by hand. " + DEFER,
            )
            return
        yield Found(
            "caution",
            f"{show_length(worked.vessel.hollow.rim_m, worked.system)} down there may be pipes and cables.",
            "Services often lie 30 to 60 cm deep, and not where old drawings show them.",
            "Have buried services marked before any digging. " + DEFER,
        )


def nearest(worked: WorkedBed, kind: str) -> tuple[float, FixedThing] | None:
    """The nearest fixed thing of a kind to any of the beds alike, with its distance [m]; None where none is known."""
    if worked.ground is None:
        return None
    found = [
        (bed.outline.distance(thing.outline), thing) for bed in worked.placed for thing in worked.ground.of_kind(kind)
    ]
    return min(found, key=lambda pair: pair[0]) if found else None


def _away(distance_m: float, worked: WorkedBed) -> str:
    return f"{show_length(distance_m, worked.system)} from" if distance_m > TOLERANCE else "across"


class NearHouse(BedFinding):
    """Fill against a house wall keeps it damp; wood near it feeds what eats wood."""

    code = "near_house"
    level = ("caution",)
    topic = "place"
    when = "a bed within 15 cm of a house wall, or with wood in its fill within a metre of one"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """A bed nearer than 15 cm to a house wall, or one with wood in it nearer than a metre."""
        near = nearest(worked, "house")
        if near is None:
            return
        distance_m, house = near
        where = f"{_gap(distance_m, worked)} {house.name}"
        if distance_m < HOUSE_NEAR_M:
            yield Found(
                "caution",
                f"The bed stands {where}.",
                "Fill against a wall bridges its damp course, rots timber and hides termites.",
                f"Leave {show_length(HOUSE_NEAR_M, worked.system)} of air, and the fill well under the damp course. "
                + DEFER,
            )
        under_mulch = worked.filled.layers[:-1] or worked.filled.layers
        wood = any("raw_wood" in layer.material.traits for layer in under_mulch)
        if wood and distance_m < WOOD_NEAR_HOUSE_M:
            off = show_length(WOOD_NEAR_HOUSE_M, worked.system)
            yield Found(
                "caution",
                f"Wood in the fill lies {where}.",
                "Wood that rots draws ants, beetles and where they live termites, and the next wood is the house.",
                f"Keep buried wood {off} from the house, or leave it out here.",
            )


def _gap(distance_m: float, worked: WorkedBed) -> str:
    return f"{show_length(distance_m, worked.system)} from" if distance_m > TOLERANCE else "against"


class NearTree(BedFinding):
    """Soil heaped over a tree's roots smothers them."""

    code = "near_tree"
    level = ("advice", "caution")
    topic = "place"
    when = "a bed within 12 trunk diameters of a tree (BS 5837:2012); a trench or mound there"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """A bed within 12 trunk diameters of a tree (BS 5837:2012, root protection area)."""
        if worked.ground is None:
            return
        for tree in worked.ground.of_kind("tree"):
            distance_m = min((bed.outline.distance(tree.outline.centroid) for bed in worked.placed), default=math.inf)
            if distance_m >= tree.root_circle_m:
                continue
            yield Found(
                "caution" if worked.vessel.form in ("trench", "mound") else "advice",
                f"{tree.name} stands {show_length(distance_m, worked.system)} away; its roots reach "
                f"{show_length(tree.root_circle_m, worked.system)}.",
                "Roots lie shallow: digging cuts them, fill over them smothers them, and they drink the bed dry.",
                "Move the bed out of the root circle, or keep fill off the trunk and dig nothing there.",
            )


class NotLevel(BedFinding):
    """The ground under a bed falls from corner to corner."""

    code = "not_level"
    level = ("advice", "caution")
    topic = "level"
    when = (
        "the ground falls by over 25 mm under a bed's corners; by over 10 mm under a reservoir; a mound off the contour"
    )

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """A rigid bed whose ground falls by more than 25 mm, 10 mm with a reservoir; a mound across the contour."""
        surface = worked.ground.surface if worked.ground else None
        if surface is None:
            return
        for place in worked.placed:
            packing = packing_under(place.corners, surface)
            if packing is None:
                continue
            fall_m = max(packing)
            if worked.bed.along_m is not None:
                yield from self._along(worked, surface)
            elif worked.vessel.form == "mound":
                yield from self._mound(worked, place.index, fall_m)
            elif worked.vessel.form == "vessel":
                yield from self._box(worked, fall_m)

    def _box(self, worked: WorkedBed, fall_m: float) -> Iterator[Found]:
        wet = worked.bed.reservoir is not None
        if fall_m <= (RESERVOIR_LEVEL_M if wet else LEVEL_M):
            return
        yield Found(
            "caution" if wet else "advice",
            f"The ground under its corners falls by {show_length(fall_m, worked.system)}.",
            "Water runs to the low end, and a box that isn't level twists and bows."
            if not wet
            else "A reservoir out of level holds less, and floods its low end.",
            "Dig the high side down, or pack the low corners: the plot says how much under each."
            + _ripped(worked, fall_m),
        )

    def _along(self, worked: WorkedBed, surface: Surface) -> Iterator[Found]:
        """A trench or mound along a line, which no contour may be."""
        if worked.bed.places or worked.bed.along_m is None:
            return
        heights = [surface.height_at(x, y) for x, y in worked.bed.along_m]
        known = [height for height in heights if height is not None]
        if not known or max(known) - min(known) <= LINE_M:
            return
        yield Found(
            "advice",
            f"Along its line the ground falls by {show_length(max(known) - min(known), worked.system)}.",
            "Water runs along it to its low end instead of soaking in all along.",
            "Lay it along a contour line.",
        )

    def _mound(self, worked: WorkedBed, index: int, fall_m: float) -> Iterator[Found]:
        place = worked.placed[index]
        surface = worked.ground.surface if worked.ground else None
        turn_deg = surface.contour_turn_deg(place.x_m, place.y_m) if surface else None
        if turn_deg is None:
            return
        off_deg = abs((place.turn_deg - turn_deg + 90) % 180 - 90)
        along_m = fall_m * math.sin(math.radians(off_deg))
        if off_deg < 10 or along_m <= LEVEL_M:
            return
        yield Found(
            "advice",
            f"It lies {off_deg:.0f}° off the contour, on ground that falls by {show_length(fall_m, worked.system)}.",
            "Water runs along a mound that lies down the slope; across it, the mound catches it.",
            "Lay it along a contour line.",
            mend=Mend("Turn it along the contour", set_keys(f"places[{index}]", turn_deg=round(turn_deg, 1))),
        )


def _ripped(worked: WorkedBed, fall_m: float) -> str:
    """What a box of boards wants on its low side instead of packing: a ripped board, and its wedge filled."""
    framed = worked.framed
    if framed is None or not framed.is_boards:
        return ""
    boards = math.ceil(fall_m / framed.section[1] - 1e-9)
    ripped = show_length(fall_m, worked.system)
    more = "a board" if boards == 1 else f"{boards} boards, together"
    wedge_m3 = worked.vessel.inside.area_m2 * fall_m / 2
    return (
        f" Or let its boards follow the ground: {more} ripped to {ripped} under the low side, tapered to nothing along "
        "the sides that fall (one ripped from corner to corner gives both), and up to "
        f"{show_volume(wedge_m3, worked.system)} more fill."
    )
