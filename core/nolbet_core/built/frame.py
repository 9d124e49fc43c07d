"""A bed's frame as built: its boards or units, what holds them, what bows, what it weighs."""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Iterator, Mapping
from functools import cached_property

from nolbet_core.frame.bowing import Fill, brace_spacing, side_pressure, ties_for
from nolbet_core.frame.corners import Corner, Piece, outline_course, rectangle_course
from nolbet_core.frame.fasteners import (
    BEAM_M,
    SPIKE_PER_HEIGHT,
    concrete_for,
    post_depth,
    post_length,
    screw_length,
    screws_a_joint,
    spikes_for,
)
from nolbet_core.frame.sizes import Courses, SizeProblem, courses_for, courses_of, nominal_size
from nolbet_core.frame.units import BREAKAGE, UnitWall, unit_wall
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.frame import Frame
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.plan.shapes import ON_THE_GROUND, BoxShape, LBoxShape, PolygonShape, RegularPolygonShape
from nolbet_core.record import record
from nolbet_core.shapes.angular import Rectangle
from nolbet_core.shapes.outline import Outline, ring_area
from nolbet_core.shapes.spiral import HerbSpiral
from nolbet_core.shapes.vessel import Vessel
from nolbet_core.shelf.material import Material
from nolbet_core.shelf.timber import TIMBER, Timber
from nolbet_core.shelf.walling import WALLING, Walling
from nolbet_core.stack.fill import sheet_standing
from nolbet_core.stack.layers import Sheet, Standing

BOARDED = (BoxShape, LBoxShape, PolygonShape, RegularPolygonShape)
"""Shapes whose sides are straight, so that boards go round them."""

AGREES_M = 1e-6
USUAL_TIMBER = "softwood"
USUAL_WALLING = {"units": "brick", "dry_stone": "stone", "sheet": "sheet_metal", "pallets": "pallet"}


@record
class CutPiece:
    """So many pieces alike: what they are for, of which wood, their section and length [m]."""

    part: str
    material: str
    thickness_m: float
    width_m: float
    length_m: float
    count: int

    @property
    def volume_m3(self) -> float:
        """Wood in all of them [m3]."""
        return self.thickness_m * self.width_m * self.length_m * self.count


@record
class Screws:
    """So many screws, or spikes, of a length [m]."""

    length_m: float
    count: int


def section_of(frame: Frame) -> tuple[float, float]:
    """Thickness and width of a frame's boards [m]. Raises PlanProblem where they aren't given."""
    if frame.nominal is not None:
        try:
            return nominal_size(frame.nominal)
        except SizeProblem as problem:
            raise PlanProblem("nominal", str(problem)) from problem
    if frame.thickness_m is None:
        raise PlanProblem("thickness_m", "has to be given, or the size timber is sold as, in nominal")
    if frame.width_m is None:
        raise PlanProblem("width_m", "has to be given beside thickness_m: how high one board stands")
    return frame.thickness_m, frame.width_m


def frame_wall_m(frame: Frame) -> float | None:
    """How thick a frame makes the wall [m]; None where it doesn't say. Raises PlanProblem as section_of."""
    if frame.kind == "boards":
        return section_of(frame)[0]
    if frame.thickness_m is not None:
        return frame.thickness_m
    unit_m = unit_of(frame)
    return unit_m[1] if unit_m else None


def unit_of(frame: Frame) -> tuple[float, float, float] | None:
    """Length, width and height of one brick, block, panel or pallet [m]; None where nothing says."""
    if frame.unit_m is not None:
        return frame.unit_m[0], frame.unit_m[1], frame.unit_m[2]
    walling = walling_of(frame)
    return walling.unit_m if walling else None


def walling_of(frame: Frame) -> Walling | None:
    """What a frame of no boards is made of."""
    key = frame.material or USUAL_WALLING.get(frame.kind)
    return WALLING.get(key) if key else None


def wall_of(bed: Bed) -> float:
    """How thick a bed's wall is [m]: as its frame makes it, else as it is said."""
    if bed.frame is None or bed.shape.kind in ON_THE_GROUND:
        return bed.wall_m
    try:
        made_m = frame_wall_m(bed.frame)
    except PlanProblem:
        return bed.wall_m
    return bed.wall_m if made_m is None else made_m


class BuiltFrame:
    """A bed's frame. bed, vessel: as built. fill: what pushes against it. lined_with: the sheet inside its walls.

    What follows is worked out when it is first asked for.
    """

    def __init__(self, bed: Bed, frame: Frame, vessel: Vessel, fill: Fill, lined_with: Material | None = None) -> None:
        self.bed, self.frame, self.vessel, self.fill = bed, frame, vessel, fill
        self._lined_with = lined_with

    @cached_property
    def lining(self) -> Standing | None:
        """The sheet inside its walls, from the floor to the rim; None where none is said."""
        sheet = self._lined_with
        if sheet is None or not sheet.is_sheet:
            return None
        area_m2 = self.vessel.inside.perimeter_m * self.vessel.hollow.rim_m
        return sheet_standing(Sheet(sheet), 0.0, area_m2, None)

    @cached_property
    def section(self) -> tuple[float, float]:
        """Thickness and width of its boards [m]."""
        return section_of(self.frame)

    @property
    def is_boards(self) -> bool:
        """Whether it is made of boards."""
        return self.frame.kind == "boards"

    @property
    def timber(self) -> Timber:
        """What its boards are of."""
        return TIMBER.get(self.frame.material or USUAL_TIMBER, TIMBER[USUAL_TIMBER])

    @property
    def lowest(self) -> Timber:
        """What its first course is of."""
        return TIMBER.get(self.frame.lowest or "", self.timber)

    @property
    def depth_m(self) -> float:
        """How high the wall is asked to be [m]: as deep as the bed."""
        return self.vessel.hollow.rim_m

    @cached_property
    def courses(self) -> Courses:
        """Its courses of boards."""
        width_m = self.section[1]
        if self.frame.courses is not None:
            return courses_of(self.frame.courses, width_m, self.depth_m)
        return courses_for(self.depth_m, width_m)

    @cached_property
    def unit_wall(self) -> UnitWall | None:
        """Its courses of units; None where it is of none. A spiral's follow the wall's face, which rises."""
        unit_m = unit_of(self.frame)
        if self.frame.kind != "units" or unit_m is None:
            return None
        walling = walling_of(self.frame)
        joint_m = self.frame.joint_m if self.frame.joint_m is not None else (walling.joint_m if walling else 0.0)
        breakage = BREAKAGE if self.frame.breakage is None else self.frame.breakage
        if isinstance(self.vessel, HerbSpiral):
            run_m = self.vessel.hollow.run.length_m
            return _rising_wall(run_m, self.vessel.wall_face_m2 / run_m, unit_m, joint_m, breakage)
        middle_m = self.vessel.outside.moved(-unit_m[1] / 2).perimeter_m
        return unit_wall(middle_m, self.depth_m, unit_m, joint_m, self.frame.courses, breakage)

    @property
    def height_m(self) -> float:
        """How high the wall stands [m]."""
        if self.is_boards:
            return self.courses.height_m
        return self.unit_wall.height_m if self.unit_wall else self.depth_m

    @property
    def course_count(self) -> int:
        """How many courses it has."""
        if self.is_boards:
            return self.courses.count
        return self.unit_wall.courses if self.unit_wall else 1

    @cached_property
    def corner_count(self) -> int:
        """Corners of its outline."""
        return 4 if isinstance(self.vessel.outside, Rectangle) else len(self.vessel.outside.rings()[0])

    @cached_property
    def posts(self) -> int:
        """Posts at corners and between."""
        at_corners = self.corner_count if self.frame.corner in ("corner_post", "slotted_post") else 0
        return (at_corners if self.is_boards else 0) + self.frame.middle_posts

    @property
    def stands_in_ground(self) -> bool:
        """Whether its posts can be set into the ground."""
        on_ground = self.bed.stand is None or self.bed.stand.on in ("lawn", "bare_soil", "compacted", "gravel")
        return on_ground and self.frame.legs is None

    @property
    def post_depth_m(self) -> float:
        """How deep they stand in the ground [m]."""
        return post_depth(self.height_m, self.frame.in_ground_m) if self.stands_in_ground else 0.0

    @property
    def concrete_m3(self) -> float:
        """Concrete round them [m3]."""
        if self.frame.posts_in == "tamped" or not self.posts:
            return 0.0
        return concrete_for(self.posts, self.frame.post_m or 0.0, self.post_depth_m)

    @cached_property
    def boards(self) -> tuple[Piece, ...]:
        """Its boards, course by course."""
        if not self.is_boards:
            return ()
        thick_m = self.section[0]
        outside = self.vessel.outside
        corner: Corner = self.frame.corner
        post_m, slot_m = self.frame.post_m or 0.0, self.frame.slot_m or 0.0
        pieces: list[Piece] = []
        for course in range(self.courses.count):
            if isinstance(outside, Rectangle):
                pieces += rectangle_course(corner, outside.length_m, outside.width_m, thick_m, course, post_m, slot_m)
                continue
            ring = outside.rings()[0]
            ring = ring if ring_area(ring) > 0 else tuple(reversed(ring))
            pieces += outline_course(corner, ring, thick_m, course, post_m, slot_m)
        return tuple(pieces)

    @cached_property
    def pieces(self) -> tuple[CutPiece, ...]:
        """All that is cut, alike ones together."""
        counted: Counter[tuple[str, str, float, float, float]] = Counter()
        if self.is_boards:
            thick_m, width_m = self.section
            for each in self.boards:
                wood = (self.lowest if each.course == 0 else self.timber).key
                counted[each.part, wood, thick_m, width_m, round(each.length_m, 9)] += 1
        post_m = self.frame.post_m
        if self.posts and post_m is not None:
            long_m = post_length(self.height_m, self.frame.in_ground_m) if self.stands_in_ground else self.height_m
            counted["post", self.lowest.key, post_m, post_m, long_m] += self.posts
        for part, section, long_m, many in self._below():
            counted[part, self.timber.key, section[0], section[1], long_m] += many
        return tuple(CutPiece(*key, count) for key, count in counted.items())

    def _below(self) -> Iterator[tuple[str, tuple[float, float], float, int]]:
        """Legs, slats and bearers: what each is, its section and length [m], and how many."""
        inside = self.vessel.inside
        long_m, wide_m = max(inside.length_m, inside.width_m), min(inside.length_m, inside.width_m)
        legs, floor = self.frame.legs, self.frame.floor
        if legs is not None:
            yield "leg", (legs.section_m[0], legs.section_m[1]), legs.length_m, legs.count
        if floor is not None:
            slats = math.ceil((long_m + floor.gap_m) / (floor.width_m + floor.gap_m) - 1e-9)
            yield "slat", (floor.thickness_m, floor.width_m), wide_m, slats
            yield "bearer", (floor.thickness_m, floor.width_m), long_m, floor.bearers or 2

    @cached_property
    def units(self) -> dict[str, int]:
        """Bricks, blocks, panels or pallets by key, with what breaks."""
        walling = walling_of(self.frame)
        key = self.frame.material or (walling.key if walling else None)
        if self.unit_wall is not None and key:
            return {key: self.unit_wall.count}
        unit_m = unit_of(self.frame)
        if self.frame.kind not in ("sheet", "pallets") or unit_m is None or key is None:
            return {}
        round_m = self.vessel.outside.perimeter_m
        lap_m = WAVE_LAP_M if self.frame.kind == "sheet" else 0.0
        return {key: math.ceil(round_m / (unit_m[0] - lap_m) - 1e-9)}

    @property
    def span_m(self) -> float:
        """The longest side that nothing holds between its ends [m]: inside, less what posts and ties part it into."""
        return self._longest_m / (self.frame.ties + self.frame.middle_posts + 1)

    @cached_property
    def _longest_m(self) -> float:
        inside: Outline = self.vessel.inside
        if isinstance(inside, Rectangle):
            return max(inside.length_m, inside.width_m)
        ring = inside.rings()[0]
        return max(math.dist(one, two) for one, two in zip(ring, (*ring[1:], ring[0]), strict=True))

    @cached_property
    def brace_spacing_m(self) -> float | None:
        """How far apart supports of the lowest board may stand [m]; None of what is no board or isn't pushed."""
        if not self.is_boards:
            return None
        thick_m, width_m = self.section
        pressure = side_pressure(self.fill, max(self.height_m - width_m / 2, 0.0))
        spacing = brace_spacing(pressure, thick_m, self.lowest.elasticity_pa)
        return None if math.isinf(spacing) else spacing

    @property
    def ties(self) -> int:
        """How many supports the longest side wants between its ends."""
        return 0 if self.brace_spacing_m is None else ties_for(self._longest_m, self.brace_spacing_m)

    @cached_property
    def screws(self) -> tuple[Screws, ...]:
        """Screws by length; of thick beams the spikes."""
        if not self.is_boards:
            return ()
        thick_m, width_m = self.section
        long_m = screw_length(thick_m)
        if thick_m >= BEAM_M - 1e-9 or long_m is None:
            return (Screws(SPIKE_PER_HEIGHT * width_m, sum(spikes_for(each.length_m) for each in self.boards)),)
        ends = {"slotted_post": 0, "corner_post": 2 * self.corner_count}.get(self.frame.corner, self.corner_count)
        joints = (ends + self.frame.middle_posts + 2 * self.frame.ties) * self.courses.count
        return (Screws(long_m, joints * screws_a_joint(width_m)),) if joints else ()

    @cached_property
    def mass_kg(self) -> float:
        """What it weighs [kg]."""
        wood_kg = sum(each.volume_m3 * TIMBER[each.material].density_kg_m3 for each in self.pieces)
        return wood_kg + self._units_kg

    @property
    def _units_kg(self) -> float:
        walling, unit_m = walling_of(self.frame), unit_of(self.frame)
        if walling is None or unit_m is None or self.is_boards:
            return 0.0
        if self.units:
            return sum(self.units.values()) * math.prod(unit_m) * walling.density_kg_m3
        return (
            self.vessel.outside.perimeter_m
            * self.height_m
            * (self.frame.thickness_m or unit_m[1])
            * (walling.density_kg_m3)
        )

    @property
    def diagonal_m(self) -> float | None:
        """Between opposite corners outside [m]; None of what has no four."""
        outside = self.vessel.outside
        return math.hypot(outside.length_m, outside.width_m) if isinstance(outside, Rectangle) else None

    def life_years(self) -> tuple[float, float]:
        """How long it lasts, the least and the most [years]."""
        walling = walling_of(self.frame)
        return walling.life_years if walling and not self.is_boards else self.lowest.life_years


WAVE_LAP_M = 0.076


def _rising_wall(
    run_m: float, mean_m: float, unit_m: tuple[float, float, float], joint_m: float, breakage: float
) -> UnitWall:
    """A spiral's wall: as many units as its face takes. run_m: length of it [m]. mean_m: its mean height [m]."""
    long_m, _, high_m = unit_m
    laid = math.ceil(run_m * mean_m / ((long_m + joint_m) * (high_m + joint_m)) - 1e-9)
    courses = max(math.ceil(mean_m / (high_m + joint_m) - 1e-9), 1)
    mortar_m3 = max(run_m * mean_m * unit_m[1] - laid * math.prod(unit_m), 0.0) if joint_m else 0.0
    return UnitWall(courses, mean_m, math.ceil(laid / courses), math.ceil(laid * (1 + breakage) - 1e-9), mortar_m3)


def wrong_with_frame(bed: Bed, materials: Mapping[str, object], path: str) -> Iterator[PlanProblem]:
    """What is wrong with a bed's frame. materials: own ones, which it may be of. path: how the bed is called."""
    frame = bed.frame
    if frame is None:
        return
    here = f"{path}.frame"
    try:
        made_m = frame_wall_m(frame)
    except PlanProblem as problem:
        yield PlanProblem(f"{here}.{problem.path}", problem.message)
        return
    if made_m is not None and bed.wall_m and abs(bed.wall_m - made_m) > AGREES_M:
        yield PlanProblem(f"{path}.wall_m", f"is {bed.wall_m:g}, and its frame is {made_m:g} thick; leave wall_m out")
    yield from _wrong_with_names(frame, materials, here)
    if frame.kind == "boards" and not isinstance(bed.shape, BOARDED):
        said = bed.shape.kind.replace("_", " ")
        yield PlanProblem(f"{here}.kind", f"boards go round straight sides, and this is a {said}")
    for key, wanted in (("post_m", ("corner_post", "slotted_post")), ("slot_m", ("slotted_post",))):
        if frame.kind == "boards" and frame.corner in wanted and getattr(frame, key) is None:
            yield PlanProblem(f"{here}.{key}", f"has to be given for a {frame.corner.replace('_', ' ')}")
    if frame.slot_m is not None and frame.post_m is not None and 2 * frame.slot_m > frame.post_m:
        yield PlanProblem(f"{here}.slot_m", f"is {frame.slot_m:g}, more than half of a post of {frame.post_m:g}")


def _wrong_with_names(frame: Frame, materials: Mapping[str, object], here: str) -> Iterator[PlanProblem]:
    known = TIMBER if frame.kind == "boards" else WALLING
    if frame.material is not None and frame.material not in known and frame.material not in materials:
        yield PlanProblem(f"{here}.material", f"'{frame.material}' is none of {', '.join(known)}")
    if frame.lowest is not None and frame.lowest not in TIMBER:
        yield PlanProblem(f"{here}.lowest", f"'{frame.lowest}' is no timber; it is one of {', '.join(TIMBER)}")
    if frame.lining is not None and frame.lining not in materials:
        yield PlanProblem(f"{here}.lining", f"'{frame.lining}' isn't on the shelf")
