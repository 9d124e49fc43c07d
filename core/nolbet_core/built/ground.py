"""A plan's plot as the rules take it, and its beds where they lie on it."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import TYPE_CHECKING

from nolbet_core.built.lined import places_of
from nolbet_core.lazy import lazily
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.plot import Course, Plot
from nolbet_core.plot.fixed import fixed_thing
from nolbet_core.plot.ground import Ground
from nolbet_core.plot.paths import PathBand, PathCourse, path_outline, path_within
from nolbet_core.plot.placed import PlacedBed
from nolbet_core.shapes.flat import FlatArea
from nolbet_core.shapes.hollow import Point
from nolbet_core.shapes.vessel import Vessel
from nolbet_core.shelf.material import Material

if TYPE_CHECKING:
    import shapely
    from shapely.geometry.base import BaseGeometry
else:
    shapely = lazily("shapely")


def ground_of(plot: Plot) -> Ground:
    """A plan's plot as the rules take it."""
    return Ground(
        corners_m=tuple((x, y) for x, y in plot.corners_m),
        fixed=tuple(
            fixed_thing(
                each.kind, each.name, _points(each.line_m or [each.at_m or [0, 0]]), each.across_m, each.height_m
            )
            for each in plot.fixed
        ),
        spots=tuple((spot.at_m[0], spot.at_m[1], spot.height_m) for spot in plot.spots),
        aisle_m=plot.aisle_m,
    )


def _points(places: Sequence[Sequence[float]]) -> tuple[Point, ...]:
    return tuple((x, y) for x, y in places)


def path_bands(plot: Plot, materials: Mapping[str, Material]) -> list[PathBand]:
    """A plot's own paths as the rules take them. materials: by key."""
    return [
        PathBand(
            each.name or f"Path {number}",
            _points(each.outline_m or []),
            _points(each.line_m or []),
            each.width_m or 0.0,
            each.dug_m or 0.0,
            courses_of(plot.courses if each.courses is None else each.courses, materials),
        )
        for number, each in enumerate(plot.paths or [], start=1)
    ]


def courses_of(courses: Sequence[Course], materials: Mapping[str, Material]) -> tuple[PathCourse, ...]:
    """Courses as the rules take them. materials: by key."""
    return tuple(PathCourse(materials[each.material], each.thickness_m or 0.0) for each in courses)


def path_ground_of(plot: Plot) -> BaseGeometry:
    """The ground that a plot's own paths ask for."""
    return shapely.union_all(
        [
            path_outline(_points(each.outline_m or []), _points(each.line_m or []), each.width_m or 0.0)
            for each in plot.paths or []
        ]
    )


def less_paths(vessel: Vessel, bed: Bed, path_ground: BaseGeometry | None) -> Vessel:
    """A patch less what the plot's own paths take of it; any other bed as it is."""
    if not isinstance(vessel, FlatArea) or path_ground is None:
        return vessel
    path_m2 = path_within(path_ground, [each.outline for each in placed_beds(bed, vessel)])
    return vessel.less_paths(path_m2) if path_m2 > 0 else vessel


def placed_beds(bed: Bed, vessel: Vessel) -> tuple[PlacedBed, ...]:
    """A bed and those alike where they lie on the plot."""
    places = places_of(bed, vessel)
    numbered = len(places) > 1
    return tuple(
        PlacedBed(
            bed.key,
            f"{bed.title} {index + 1}" if numbered else bed.title,
            index,
            vessel,
            place.x_m,
            place.y_m,
            place.turn_deg,
            bed.over,
        )
        for index, place in enumerate(places)
    )
