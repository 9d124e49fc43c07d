"""A bed's frame as built: its boards or units, what holds them, what bows, what it weighs."""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Iterator
from functools import cached_property

from nolbet_core.built.first_frames import own_wall_m
from nolbet_core.built.walls import section_of, unit_of, walling_of
from nolbet_core.frame.bowing import GRAVITY_M_S2, Fill, post_moment, side_pressure, ties_for, wall_spacing
from nolbet_core.frame.corners import Corner, Piece, outline_course, rectangle_course
from nolbet_core.frame.fasteners import concrete_for, post_depth, post_length
from nolbet_core.frame.floors import FloorSpans, FloorWood, floor_spans
from nolbet_core.frame.sizes import Courses, courses_for, courses_of
from nolbet_core.frame.strength import (
    PERSON_N,
    LegSection,
    angle_leg,
    leg_capacity,
    plate_span,
    post_stress_share,
    solid_leg,
)
from nolbet_core.frame.units import (
    BREAKAGE,
    STONE_SPARE,
    UnitWall,
    dry_stone_kg,
    hurdle_rods,
    logs_for,
    pallets_for,
    panels_for,
    rising_wall,
    unit_wall,
)
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.frame import Floor, Frame
from nolbet_core.plan.shapes import BOARDED
from nolbet_core.record import record
from nolbet_core.shapes.angular import Rectangle
from nolbet_core.shapes.outline import Outline, ring_area
from nolbet_core.shapes.spiral import HerbSpiral
from nolbet_core.shapes.vessel import Vessel
from nolbet_core.shelf.material import Material
from nolbet_core.shelf.timber import OFF_GROUND, TIMBER, Timber
from nolbet_core.shelf.walling import LOG, ROD, STAKE
from nolbet_core.shelf.wares import WARES
from nolbet_core.stack.fill import sheet_standing
from nolbet_core.stack.layers import Sheet, Standing

USUAL_TIMBER = "softwood"
POSTED = ("corner_post", "slotted_post")
"""Corners that are joined by posts."""
ROUND_SHARE = math.pi / 4
"""What round logs take of the wall they make [0-1]."""
SOFT_GROUND = ("lawn", "bare_soil", "compacted", "gravel")
"""What posts can be set into."""


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


class BuiltFrame:
    """A bed's frame. bed, vessel: as built. fill: what pushes against its walls. lined_with: the sheet inside them.

    over_floor_kg: all that is on its floor but the frame, wet through: fill, plants, reservoir and its water [kg].
    Results are worked out when they are first needed.
    """

    def __init__(
        self,
        bed: Bed,
        frame: Frame,
        vessel: Vessel,
        fill: Fill,
        lined_with: Material | None = None,
        over_floor_kg: float = 0.0,
    ) -> None:
        self.bed, self.frame, self.vessel, self.fill = bed, frame, vessel, fill
        self._over_floor_kg = over_floor_kg
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
        joint_m = self.joint_m
        breakage = BREAKAGE if self.frame.breakage is None else self.frame.breakage
        if isinstance(self.vessel, HerbSpiral):
            run_m = self.vessel.hollow.run.length_m
            return rising_wall(run_m, self.vessel.wall_face_m2 / run_m, unit_m, joint_m, breakage)
        middle_m = self.vessel.outside.moved(-unit_m[1] / 2).perimeter_m
        return unit_wall(middle_m, self.depth_m, unit_m, joint_m, self.frame.courses, breakage)

    @property
    def joint_m(self) -> float:
        """Between bricks and under each course [m]: as said, else as is usual for them."""
        if self.frame.joint_m is not None:
            return self.frame.joint_m
        walling = walling_of(self.frame)
        return walling.joint_m if walling else 0.0

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
        at_corners = self.corner_count if self.frame.corner in POSTED else 0
        return (at_corners if self.is_boards else 0) + 2 * self.frame.middle_posts

    @property
    def cleats(self) -> int:
        """Battens its boards are screwed to, one in each corner that has no post."""
        if not self.is_boards or self.frame.cleats_m is None or self.frame.corner in POSTED:
            return 0
        return self.corner_count

    @property
    def stands_in_ground(self) -> bool:
        """Whether its posts can be set into the ground."""
        on_ground = self.bed.stand is None or self.bed.stand.on in SOFT_GROUND
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
            lowest, above = self.lowest.key, self.timber.key
            for each in self.boards:
                wood = above if each.course else lowest
                counted[each.part, wood, thick_m, width_m, round(each.length_m, 9)] += 1
        post_m = self.frame.post_m
        if self.posts and post_m is not None:
            long_m = post_length(self.height_m, self.frame.in_ground_m) if self.stands_in_ground else self.height_m
            counted["post", self.lowest.key, post_m, post_m, long_m] += self.posts
        if self.cleats and self.frame.cleats_m is not None:
            counted["cleat", self.timber.key, self.frame.cleats_m, self.frame.cleats_m, self.height_m] += self.cleats
        for part, section, long_m, many in self._below():
            counted[part, self.timber.key, section[0], section[1], long_m] += many
        return tuple(CutPiece(*key, count) for key, count in counted.items())

    def _below(self) -> Iterator[tuple[str, tuple[float, float], float, int]]:
        """Legs, slats and bearers: what each is, its section and length [m], and how many."""
        long_m, wide_m = self.floor_m
        legs, floor = self.frame.legs, self.frame.floor
        if legs is not None:
            yield "leg", self.leg_boards, legs.length_m, legs.count * (1 if legs.section_m else 2)
        if floor is not None:
            slats = math.ceil((long_m + floor.gap_m) / (floor.width_m + floor.gap_m) - 1e-9)
            yield "slat", (floor.thickness_m, floor.width_m), wide_m, slats
            yield "bearer", (floor.thickness_m, floor.width_m), long_m, floor.bearers or 2

    @cached_property
    def units(self) -> dict[str, int]:
        """Bricks, blocks, panels, pallets, logs or rods by key, with what breaks, and the stakes that hold them."""
        walling = walling_of(self.frame)
        key = self.frame.material or (walling.key if walling else None)
        if self.unit_wall is not None and key:
            return {key: self.unit_wall.count}
        round_m, unit_m = self.vessel.outside.perimeter_m, unit_of(self.frame)
        thick_m = self.frame.thickness_m or 0.0
        if self.frame.kind == "logs" and thick_m > 0:
            logs = sum(logs_for(each, self.height_m, thick_m) for each in self.sides_m)
            return {LOG: logs, STAKE: 2 * logs}
        if self.frame.kind == "hurdle":
            rods, stakes = hurdle_rods(round_m, self.height_m)
            return {ROD: rods, STAKE: stakes}
        if unit_m is None or key is None:
            return {}
        if self.frame.kind == "sheet":
            return {key: panels_for(round_m, unit_m[0], max(int(unit_m[2] / self.height_m + 1e-9), 1))}
        is_pallets = self.frame.kind == "pallets"
        return {key: pallets_for(round_m, unit_m[0], self.height_m, unit_m[2])} if is_pallets else {}

    @cached_property
    def sides_m(self) -> tuple[float, ...]:
        """The sides of its outline outside, or its whole way round where that has no corners [m]."""
        outside = self.vessel.outside
        if isinstance(outside, Rectangle):
            return (outside.length_m, outside.width_m) * 2
        if not isinstance(self.bed.shape, BOARDED):
            return (outside.perimeter_m,)
        ring = outside.rings()[0]
        return tuple(math.dist(one, two) for one, two in zip(ring, (*ring[1:], ring[0]), strict=True))

    @property
    def stone_kg(self) -> float:
        """Stone for a dry wall [kg]."""
        if self.frame.kind != "dry_stone":
            return 0.0
        return dry_stone_kg(self.stone_face_m2, self.stone_thick_m)

    @property
    def stone_face_m2(self) -> float:
        """Face of a dry wall along its middle line [m2]; a spiral's follows its run and rises with it."""
        if isinstance(self.vessel, HerbSpiral):
            return self.vessel.wall_face_m2
        return max(self.vessel.outside.perimeter_m - 4 * self.stone_thick_m, 0.0) * self.height_m

    @property
    def stone_thick_m(self) -> float:
        """Thickness of a dry wall [m]: a spiral's is entered with its shape."""
        return own_wall_m(self.bed) if isinstance(self.vessel, HerbSpiral) else self.frame.thickness_m or 0.0

    @property
    def posts_inside_m2(self) -> float:
        """What its posts take of the inside, from above [m2]."""
        return posts_inside(self.frame, self.corner_count)

    @cached_property
    def floor_spans(self) -> FloorSpans | None:
        """How far the floor's slats and bearers span; None where it has none, or stands on no legs."""
        floor, legs = self.frame.floor, self.frame.legs
        if floor is None or legs is None:
            return None
        return floor_spans(
            self.floor_load_pa, *self.floor_m, floor.bearers or 2, self.leg_bays, floor_wood(self, floor)
        )

    @property
    def leg_bays(self) -> int:
        """Number of bays from leg to leg along a long side."""
        legs = self.frame.legs
        return max(math.ceil(legs.count / 2) - 1, 1) if legs else 1

    @property
    def leg_boards(self) -> tuple[float, float]:
        """Thickness and width [m] of a leg's piece: as entered, else those of the frame's own boards."""
        legs = self.frame.legs
        return (legs.section_m[0], legs.section_m[1]) if legs and legs.section_m else self.section

    @property
    def leg_section(self) -> LegSection | None:
        """Section of one leg: the post entered, else two of the frame's boards as an angle; None without legs."""
        legs = self.frame.legs
        if legs is None:
            return None
        return solid_leg(*self.leg_boards) if legs.section_m else angle_leg(*self.leg_boards)

    @property
    def leg_capacity_kg(self) -> float | None:
        """Load that a leg may bear, less a person who leans on the rim over it [kg]; None without legs."""
        legs, section = self.frame.legs, self.leg_section
        if legs is None or section is None:
            return None
        bears_n = leg_capacity(section, legs.length_m, self.timber.strength) - PERSON_N
        return max(bears_n, 0.0) / GRAVITY_M_S2

    @cached_property
    def post_stress_share(self) -> float | None:
        """Bending of a middle post at the ground as a share of what it can take [1]; None where no such post is set.

        Posts at corners are held by both walls, and ties hold the tops of posts between them.
        """
        frame, post_m = self.frame, self.frame.post_m
        if not frame.middle_posts or post_m is None or frame.ties or not self.stands_in_ground:
            return None
        return self.stress_of_post(post_m, frame.middle_posts)

    def stress_of_post(self, post_m: float, posts_a_side: int) -> float:
        """Bending of a middle post at the ground as a share of what it can take [1].

        post_m: side of a square post [m]. posts_a_side: number of them along each long side, evenly spread.
        """
        moment_nm = post_moment(self.fill, self.height_m, self._longest_m / (posts_a_side + 1))
        return post_stress_share(moment_nm, post_m, self.lowest.strength)

    @property
    def floor_m(self) -> tuple[float, float]:
        """Length and width of its floor, the longer first [m]."""
        inside = self.vessel.inside
        return max(inside.length_m, inside.width_m), min(inside.length_m, inside.width_m)

    @property
    def floor_load_pa(self) -> float:
        """Pressure on the floor of all that is on it: fill, plants, frame, reservoir and its water [Pa]."""
        return (self._over_floor_kg + self.mass_kg) * GRAVITY_M_S2 / math.prod(self.floor_m)

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
        """Longest distance between supports of the lowest board, by sag and strength [m].

        None for walls that are not boards or that nothing pushes.
        """
        if not self.is_boards:
            return None
        thick_m, width_m = self.section
        pressure = side_pressure(self.fill, max(self.height_m - width_m / 2, 0.0))
        spacing = wall_spacing(pressure, thick_m, self.lowest.strength)
        return None if math.isinf(spacing) else spacing

    @cached_property
    def strong_spacing_m(self) -> float:
        """Longest distance between supports of the lowest board that its strength allows [m]."""
        thick_m, width_m = self.section
        pressure = side_pressure(self.fill, max(self.height_m - width_m / 2, 0.0))
        return plate_span(pressure, thick_m, self.lowest.strength)

    @property
    def ties(self) -> int:
        """How many supports the longest side wants between its ends."""
        return 0 if self.brace_spacing_m is None else ties_for(self._longest_m, self.brace_spacing_m)

    @cached_property
    def mass_kg(self) -> float:
        """What it weighs [kg]."""
        wood_kg = sum(each.volume_m3 * TIMBER[each.material].density_kg_m3 for each in self.pieces)
        return wood_kg + self._units_kg

    @property
    def _units_kg(self) -> float:
        walling, unit_m = walling_of(self.frame), unit_of(self.frame)
        round_m2 = self.vessel.outside.perimeter_m * self.height_m
        face_m2 = self.vessel.wall_face_m2 if isinstance(self.vessel, HerbSpiral) else round_m2
        if self.frame.kind == "dry_stone":
            return self.stone_kg / STONE_SPARE
        if self.frame.kind == "hurdle":
            return sum(WARES[key].mass_each_kg * count for key, count in self.units.items())
        if self.frame.kind == "logs":
            return face_m2 * (self.frame.thickness_m or 0.0) * ROUND_SHARE * WARES[LOG].mass_kg_m3
        if self.is_boards or walling is None or unit_m is None:
            return 0.0
        if self.units:
            return sum(self.units.values()) * math.prod(unit_m) * walling.density_kg_m3
        return face_m2 * (self.frame.thickness_m or unit_m[1]) * walling.density_kg_m3

    @property
    def diagonal_m(self) -> float | None:
        """Between opposite corners outside [m]; None of what has no four."""
        outside = self.vessel.outside
        return math.hypot(outside.length_m, outside.width_m) if isinstance(outside, Rectangle) else None

    def life_years(self) -> tuple[float, float]:
        """How long it lasts, the least and the most [years]: boards off the ground about twice as long."""
        walling = walling_of(self.frame)
        if walling and not self.is_boards:
            return walling.life_years
        longer = 1.0 if self.stands_in_ground else OFF_GROUND
        least, most = self.lowest.life_years
        return longer * least, longer * most


def floor_wood(framed: BuiltFrame, floor: Floor) -> FloorWood:
    """The boards of a frame's floor."""
    return FloorWood(floor.thickness_m, floor.width_m, framed.timber.strength)


def posts_inside(frame: Frame, corners: int) -> float:
    """What a frame's posts take of the inside, from above [m2]. corners: of its outline.

    Posts at the corners stand inside whole, slotted ones with what stands in over the boards; so do those between, and
    cleats where there are no posts.
    """
    post_m = frame.post_m or 0.0
    if frame.kind != "boards":
        return 0.0
    if frame.corner not in POSTED:
        return corners * (frame.cleats_m or 0.0) ** 2
    at_corner_m2 = post_m**2
    if frame.corner == "slotted_post":
        at_corner_m2 = max((post_m - section_of(frame)[0]) / 2, 0.0) ** 2
    return corners * at_corner_m2 + 2 * frame.middle_posts * post_m**2
