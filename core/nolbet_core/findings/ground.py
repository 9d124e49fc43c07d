"""What the ground has to say: slopes, trenches, and what the bed stands near."""

from __future__ import annotations

import math
from collections.abc import Iterator

from nolbet_core.findings.pattern import DEFER, Finding, Found, Level, Mend, View
from nolbet_core.plan.shapes import HippedMoundShape, RoundMoundShape
from nolbet_core.plot.fixed import FixedThing
from nolbet_core.plot.levels import packing_under
from nolbet_core.quantities.show import show_length

SLOPE_ADVISED_DEG = 40.0
SLOPE_MOST_DEG = 50.0
WAY_OUT_M = 1.2
PROTECTED_M = 1.5
SERVICE_NEAR_M = 1.0
HOUSE_NEAR_M = 0.15
WOOD_NEAR_HOUSE_M = 1.0
RESERVOIR_LEVEL_M = 0.010
LEVEL_M = 0.025
TOLERANCE = 1e-9


class SteepSlope(Finding):
    """A mound's sides are steeper than soil lies."""

    code = "steep_slope"

    def look(self, view: View) -> Iterator[Found]:
        """Sides over 40 degrees, over 50 graver; of a rounded mound those at its foot, the steepest."""
        shape = view.bed.shape
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


class Trench(Finding):
    """Digging can bury whoever kneels in it."""

    code = "trench"

    def look(self, view: View) -> Iterator[Found]:
        """Every trench; from 1.2 m a way out, from 1.5 m protection always."""
        if view.vessel.form != "trench":
            return
        depth_m = view.vessel.hollow.rim_m
        said = show_length(depth_m, view.system)
        level: Level = "note"
        advice = "Keep the spoil back from the edge, slope or shore the sides, don't dig alone. "
        if depth_m >= WAY_OUT_M - TOLERANCE:
            level, advice = "caution", f"{advice}From {show_length(WAY_OUT_M, view.system)} keep a way out at hand. "
        if depth_m >= PROTECTED_M - TOLERANCE:
            level, advice = "stop", "Nobody goes in without shored or sloped-back sides. "
        yield Found(
            level,
            f"The trench is {said} deep: no depth is safe of itself.",
            "Sides fall in without warning, and a shallow trench can bury someone kneeling.",
            advice + DEFER,
        )


class BuriedServices(Finding):
    """Pipes and cables lie where nobody remembers."""

    code = "buried_services"

    def look(self, view: View) -> Iterator[Found]:
        """Every trench; graver where a known service runs within a metre of it."""
        if view.vessel.form != "trench":
            return
        near = nearest(view, "service")
        if near is not None and near[0] < SERVICE_NEAR_M:
            yield Found(
                "stop",
                f"{near[1].name} runs {_away(near[0], view)} the trench.",
                "A spade through a cable or gas pipe kills; through a drain it floods.",
                "Move the trench, or have the service marked and dig there by hand. " + DEFER,
            )
            return
        yield Found(
            "caution",
            f"{show_length(view.vessel.hollow.rim_m, view.system)} down there may be pipes and cables.",
            "Services often lie 30 to 60 cm deep, and not where old drawings show them.",
            "Have buried services marked before any digging. " + DEFER,
        )


def nearest(view: View, kind: str) -> tuple[float, FixedThing] | None:
    """The nearest fixed thing of a kind to any of the beds alike, with its distance [m]; None where none is known."""
    if view.site is None:
        return None
    found = [(bed.outline.distance(thing.outline), thing) for bed in view.placed for thing in view.site.of_kind(kind)]
    return min(found, key=lambda pair: pair[0]) if found else None


def _away(distance_m: float, view: View) -> str:
    return f"{show_length(distance_m, view.system)} from" if distance_m > TOLERANCE else "across"


class NearHouse(Finding):
    """Fill against a house wall keeps it damp; wood near it feeds what eats wood."""

    code = "near_house"

    def look(self, view: View) -> Iterator[Found]:
        """A bed nearer than 15 cm to a house wall, or one with wood in it nearer than a metre."""
        near = nearest(view, "house")
        if near is None:
            return
        distance_m, house = near
        where = f"{_gap(distance_m, view)} {house.name}"
        if distance_m < HOUSE_NEAR_M:
            yield Found(
                "caution",
                f"The bed stands {where}.",
                "Fill against a wall bridges its damp course, rots timber and hides termites.",
                f"Leave {show_length(HOUSE_NEAR_M, view.system)} of air, and the fill well under the damp course. "
                + DEFER,
            )
        under_mulch = view.filled.layers[:-1] or view.filled.layers
        wood = any("raw_wood" in layer.material.traits for layer in under_mulch)
        if wood and distance_m < WOOD_NEAR_HOUSE_M:
            yield Found(
                "caution",
                f"Wood in the fill lies {where}.",
                "Wood that rots draws ants, beetles and where they live termites, and the next wood is the house.",
                f"Keep buried wood {show_length(WOOD_NEAR_HOUSE_M, view.system)} from the house, or leave it out here.",
            )


def _gap(distance_m: float, view: View) -> str:
    return f"{show_length(distance_m, view.system)} from" if distance_m > TOLERANCE else "against"


class NearTree(Finding):
    """Soil heaped over a tree's roots smothers them."""

    code = "near_tree"

    def look(self, view: View) -> Iterator[Found]:
        """A bed within 12 trunk diameters of a tree (BS 5837:2012, root protection area)."""
        if view.site is None:
            return
        for tree in view.site.of_kind("tree"):
            distance_m = min((bed.outline.distance(tree.outline.centroid) for bed in view.placed), default=math.inf)
            if distance_m >= tree.root_circle_m:
                continue
            yield Found(
                "caution" if view.vessel.form in ("trench", "mound") else "advice",
                f"{tree.name} stands {show_length(distance_m, view.system)} away; its roots reach "
                f"{show_length(tree.root_circle_m, view.system)}.",
                "Roots lie shallow: digging cuts them, fill over them smothers them, and they drink the bed dry.",
                "Move the bed out of the root circle, or keep fill off the trunk and dig nothing there.",
            )


class NotLevel(Finding):
    """The ground under a bed falls from corner to corner."""

    code = "not_level"

    def look(self, view: View) -> Iterator[Found]:
        """A rigid bed whose ground falls by more than 25 mm, 10 mm with a reservoir; a mound across the contour."""
        surface = view.site.surface if view.site else None
        if surface is None:
            return
        for place in view.placed:
            packing = packing_under(place.corners, surface)
            if packing is None:
                continue
            fall_m = max(packing)
            if view.vessel.form == "mound":
                yield from self._mound(view, place.index, fall_m)
            elif view.vessel.form == "vessel":
                yield from self._box(view, fall_m)

    def _box(self, view: View, fall_m: float) -> Iterator[Found]:
        wet = view.bed.reservoir is not None
        if fall_m <= (RESERVOIR_LEVEL_M if wet else LEVEL_M):
            return
        yield Found(
            "caution" if wet else "advice",
            f"The ground under its corners falls by {show_length(fall_m, view.system)}.",
            "Water runs to the low end, and a box that isn't level twists and bows."
            if not wet
            else "A reservoir out of level holds less, and floods its low end.",
            "Dig the high side down, or pack the low corners: the plot says how much under each.",
        )

    def _mound(self, view: View, index: int, fall_m: float) -> Iterator[Found]:
        place = view.placed[index]
        surface = view.site.surface if view.site else None
        turn_deg = surface.contour_turn_deg(place.x_m, place.y_m) if surface else None
        if turn_deg is None:
            return
        off_deg = abs((place.turn_deg - turn_deg + 90) % 180 - 90)
        along_m = fall_m * math.sin(math.radians(off_deg))
        if off_deg < 10 or along_m <= LEVEL_M:
            return
        places = [each.model_dump(mode="json") for each in view.bed.places]
        places[index]["turn_deg"] = round(turn_deg, 1)
        yield Found(
            "advice",
            f"It lies {off_deg:.0f}° off the contour, on ground that falls by {show_length(fall_m, view.system)}.",
            "Water runs along a mound that lies down the slope; across it, the mound catches it.",
            "Lay it along a contour line.",
            mend=Mend("Turn it along the contour", {"places": places}),
        )
