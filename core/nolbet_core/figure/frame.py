"""A bed's frame in figures."""

from __future__ import annotations

from decimal import Decimal

from nolbet_core.built.fixings import Fixings, fixings_of
from nolbet_core.built.frame import BuiltFrame
from nolbet_core.built.frame_cost import FrameCost, course_choices, frame_cost, sizes_without_waste, to_the_cent
from nolbet_core.built.names import name_of
from nolbet_core.built.worked import WorkedBed
from nolbet_core.figure.frame_drawn import course_from_above, front_heights, front_length, front_of
from nolbet_core.figure.frame_figures import (
    CoursesMade,
    FixingFigures,
    FloorFigures,
    FrameFigures,
    HeightFigures,
    NearSize,
    PieceFigures,
    ScrewFigures,
)
from nolbet_core.frame.bowing import GRAVITY_M_S2
from nolbet_core.frame.reach import at_heights
from nolbet_core.plan.shapes import BoxShape
from nolbet_core.shapes.angular import Rectangle


def frame_figures(worked: WorkedBed) -> FrameFigures | None:
    """A bed's frame; None where none is said."""
    framed = worked.framed
    if framed is None:
        return None
    courses = framed.courses if framed.is_boards else None
    outside = framed.vessel.outside
    sources = worked.around.sources
    held, life = fixings_of(framed), framed.life_years()
    cost = frame_cost(framed, held, sources)
    leg_kg = worked.heaviest_leg_kg
    return FrameFigures(
        courses=framed.course_count,
        height_m=framed.height_m,
        fewer_m=courses.fewer_m if courses else None,
        more_m=courses.more_m if courses else None,
        rip_to_m=courses.rip_to_m if courses else None,
        thickness_m=framed.section[0] if framed.is_boards else None,
        board_m=framed.section[1] if framed.is_boards else None,
        outside_length_m=outside.length_m,
        outside_width_m=outside.width_m,
        pieces=[
            PieceFigures(each.part, each.material, each.thickness_m, each.width_m, each.length_m, each.count)
            for each in framed.pieces
        ],
        units=framed.units,
        mortar_m3=framed.unit_wall.mortar_m3 if framed.unit_wall else 0.0,
        diagonal_m=framed.diagonal_m,
        span_m=framed.span_m if framed.is_boards else None,
        brace_spacing_m=framed.brace_spacing_m,
        ties=framed.ties,
        screws=[ScrewFigures(each.length_m, each.count) for each in held.screws],
        posts=framed.posts,
        post_depth_m=framed.post_depth_m if framed.posts else 0.0,
        concrete_m3=framed.concrete_m3,
        mass_kg=framed.mass_kg,
        leg_load_kg=leg_kg,
        foot_pressure_pa=_foot_pressure(framed, leg_kg),
        life_years=life,
        off_ground=not framed.stands_in_ground,
        price=cost.price,
        price_a_year=_a_year(cost.price, life),
        unpriced=_names(cost),
        choices=[CoursesMade(each.courses, each.height_m, each.price) for each in course_choices(framed, sources)],
        sizes=_sizes(worked, framed),
        heights=_heights(framed),
        floor=_floor(framed),
        fixings=_fixings(framed, held),
        front_m=front_length(framed),
        front_heights_m=front_heights(framed),
        front=front_of(framed),
        above=course_from_above(framed),
    )


def _foot_pressure(framed: BuiltFrame, leg_kg: float | None) -> float | None:
    section = framed.leg_section
    return None if section is None or leg_kg is None else leg_kg * GRAVITY_M_S2 / section.area_m2


def _a_year(price: Decimal | None, life: tuple[float, float]) -> tuple[Decimal, Decimal] | None:
    if price is None:
        return None
    least, most = (Decimal(repr(each)) for each in life)
    return to_the_cent(price / most), to_the_cent(price / least)


def _names(cost: FrameCost) -> list[str]:
    return [name_of(key, {}) for key in cost.unpriced]


def _sizes(worked: WorkedBed, framed: BuiltFrame) -> list[NearSize]:
    """Sizes that waste no board, in the measures that the bed is given by."""
    if not isinstance(worked.bed.shape, BoxShape):
        return []
    more_m = 0.0 if worked.bed.measured == "inside" else 2 * framed.section[0] if framed.is_boards else 0.0
    return [
        NearSize(round(each.length_m + more_m, 6), round(each.width_m + more_m, 6), each.whole)
        for each in sizes_without_waste(framed, worked.around.sources)
    ]


def _heights(framed: BuiltFrame) -> list[HeightFigures]:
    if not framed.is_boards or not isinstance(framed.vessel.outside, Rectangle):
        return []
    return [
        HeightFigures(
            each.posture.key, each.posture.name, each.courses, each.depth_m, each.leg_m, each.rim_m, each.fits
        )
        for each in at_heights(framed.courses.count, framed.section[1], framed.frame.legs is not None)
    ]


def _floor(framed: BuiltFrame) -> FloorFigures | None:
    spans = framed.floor_spans
    if spans is None:
        return None
    return FloorFigures(spans.slats.is_m, spans.slats.most_m, spans.bearers.is_m, spans.bearers.most_m)


def _fixings(framed: BuiltFrame, held: Fixings) -> FixingFigures:
    return FixingFigures(
        brackets=held.brackets,
        stakes=held.stakes,
        adhesive_tubes=held.adhesive_tubes,
        mortar_bags=held.mortar_bags,
        concrete_bags=held.concrete_bags,
        post_gravel_m3=held.post_gravel_m3,
        stone_kg=framed.stone_kg,
        stain_m3=held.stain_m3,
        pilot_m=held.pilot_m,
    )
