"""A bed's frame in figures."""

from __future__ import annotations

from nolbet_core.built.worked import WorkedBed
from nolbet_core.figure.frame_drawn import course_from_above, front_of
from nolbet_core.figure.frame_figures import FrameFigures, PieceFigures, ScrewFigures


def frame_figures(worked: WorkedBed) -> FrameFigures | None:
    """A bed's frame; None where none is said."""
    framed = worked.framed
    if framed is None:
        return None
    courses = framed.courses if framed.is_boards else None
    outside = framed.vessel.outside
    least, most = framed.life_years()
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
        screws=[ScrewFigures(each.length_m, each.count) for each in framed.screws],
        posts=framed.posts,
        post_depth_m=framed.post_depth_m if framed.posts else 0.0,
        concrete_m3=framed.concrete_m3,
        mass_kg=framed.mass_kg,
        leg_load_kg=worked.standing_kg / worked.legs if worked.legs else None,
        life_years=(least, most),
        front=front_of(framed),
        above=course_from_above(framed),
    )
