"""Courses of the paths: a compacted base, then a loose top."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from nolbet_core.record import record
from nolbet_core.shelf.material import Material
from nolbet_core.stack.fill import bulk_standing, sheet_standing
from nolbet_core.stack.layers import Bulk, Sheet, Standing

ROLL_M = 2.0
"""Width of the roll that sheets under paths come off [m]."""


@record
class PathCourse:
    """A course as asked for: a material, and how thick [m]; a sheet has no thickness."""

    material: Material
    thickness_m: float


def laid_courses(area_m2: float, courses: Sequence[PathCourse]) -> tuple[Standing, ...]:
    """Courses laid over an area [m2], from the ground up: volumes, masses and sheets as of any layer."""
    laid: list[Standing] = []
    height_m = 0.0
    for course in courses:
        top_m = height_m + course.thickness_m
        if course.material.is_sheet:
            sheet = Sheet(course.material)
            laps = 1 + sheet.lap_m / (ROLL_M - sheet.lap_m)
            standing = sheet_standing(sheet, height_m, area_m2 * laps, None)
            laid.append(replace(standing, covered_m2=area_m2))
        else:
            bulk = Bulk(course.material, "thickness", course.thickness_m)
            laid.append(bulk_standing(bulk, (height_m, top_m), area_m2 * course.thickness_m, 0.0))
        height_m = top_m
    return tuple(laid)
