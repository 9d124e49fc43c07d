"""Paths and their courses: a compacted base, then a loose top."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from typing import TYPE_CHECKING

from nolbet_core.lazy import lazily
from nolbet_core.record import record
from nolbet_core.shapes.hollow import Point
from nolbet_core.shelf.material import Material
from nolbet_core.stack.fill import bulk_standing, sheet_standing
from nolbet_core.stack.layers import USUAL_ROLL_M, Bulk, Sheet, Standing
from nolbet_core.stack.spoil import spoil_volume

if TYPE_CHECKING:
    import shapely
    from shapely.geometry.base import BaseGeometry
else:
    shapely = lazily("shapely")


@record
class PathCourse:
    """A course as asked for: a material, and how thick [m]; a sheet has no thickness."""

    material: Material
    thickness_m: float


@record
class PathBand:
    """A path as asked for: its corners, or a line with a width [m]; how deep it is dug [m], and its courses."""

    name: str
    corners_m: tuple[Point, ...]
    line_m: tuple[Point, ...]
    width_m: float
    dug_m: float
    courses: tuple[PathCourse, ...]


@record
class LaidPath:
    """A path as it lies: the ground it takes, its courses, and what digging gives, loose [m3].

    raised_m: how high its surface stands over the ground [m], under it where negative.
    """

    band: PathBand
    ground: BaseGeometry
    courses: tuple[Standing, ...]
    spoil_m3: float
    raised_m: float


def laid_paths(bands: Sequence[PathBand], free: BaseGeometry) -> tuple[LaidPath, ...]:
    """Paths where they lie. Ground that two paths cross on is the first one's.

    free: the plot less its beds, patches left in, which paths may lead through.
    """
    left, laid = free, []
    for band in bands:
        ground = left.intersection(path_outline(band.corners_m, band.line_m, band.width_m))
        left = left.difference(ground)
        thick_m = sum(each.thickness_m for each in band.courses)
        laid.append(
            LaidPath(
                band,
                ground,
                laid_courses(ground.area, band.courses),
                spoil_volume(band.dug_m * ground.area),
                thick_m - band.dug_m,
            )
        )
    return tuple(laid)


def path_within(taken: BaseGeometry, patches: Sequence[BaseGeometry]) -> float:
    """Ground that paths take of a patch [m2]: of several alike, what they take on average. taken: by all paths."""
    if not patches:
        return 0.0
    return float(sum(patch.intersection(taken).area for patch in patches) / len(patches))


def widest_between(taken: BaseGeometry, patches: Sequence[BaseGeometry]) -> float:
    """Width of the widest ground that paths leave of patches, by the largest circle that lies in it [m]."""
    left = [part for patch in patches for part in shapely.get_parts(patch.difference(taken))]
    return max((2 * shapely.maximum_inscribed_circle(part, tolerance=CIRCLE_M).length for part in left), default=0.0)


CIRCLE_M = 0.01
"""How closely the largest circle is looked for [m]."""


def path_outline(corners_m: Sequence[Point], line_m: Sequence[Point], width_m: float) -> BaseGeometry:
    """The ground that a path takes: within its corners, or along its line [m]."""
    if corners_m:
        return shapely.Polygon(corners_m)
    return shapely.LineString(line_m).buffer(width_m / 2, cap_style="flat", join_style="mitre")


def laid_courses(area_m2: float, courses: Sequence[PathCourse]) -> tuple[Standing, ...]:
    """Courses laid over an area [m2], from the ground up: volumes, masses and sheets as of any layer."""
    laid: list[Standing] = []
    height_m = 0.0
    for course in courses:
        top_m = height_m + course.thickness_m
        if course.material.is_sheet:
            sheet = Sheet(course.material)
            laps = 1 + sheet.lap_m / (USUAL_ROLL_M - sheet.lap_m)
            standing = sheet_standing(sheet, height_m, area_m2 * laps, None)
            laid.append(replace(standing, covered_m2=area_m2))
        else:
            bulk = Bulk(course.material, "thickness", course.thickness_m)
            laid.append(bulk_standing(bulk, (height_m, top_m), area_m2 * course.thickness_m, 0.0))
        height_m = top_m
    return tuple(laid)
