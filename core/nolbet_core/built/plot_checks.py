"""What a plot must hold together: its ground, its fixed things, its courses."""

from __future__ import annotations

from collections.abc import Iterator, Mapping

from nolbet_core.built.names import unknown_names
from nolbet_core.plan.plot import Course, Fixed, Plot, PlotPath
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.shapes.freeform import free_polygon
from nolbet_core.shapes.hollow import ShapeProblem
from nolbet_core.shelf.material import Material

LINES = frozenset({"house", "wall", "fence", "service"})


def wrong_with_plot(plot: Plot, materials: Mapping[str, Material], path: str) -> tuple[PlanProblem, ...]:
    """Everything of a plot that doesn't hold together. path: how it is called."""
    return tuple(_wrong_with_plot(plot, materials, path))


def _wrong_with_plot(plot: Plot, materials: Mapping[str, Material], path: str) -> Iterator[PlanProblem]:
    try:
        free_polygon([(x, y) for x, y in plot.corners_m])
    except ShapeProblem as problem:
        yield PlanProblem(f"{path}.{problem.key}", str(problem))
    for index, fixed in enumerate(plot.fixed):
        yield from _wrong_with_fixed(fixed, f"{path}.fixed[{index}]")
    yield from unknown_names(plot, materials, path)
    for index, each in enumerate(plot.paths or []):
        yield from _wrong_with_path(each, materials, f"{path}.paths[{index}]")
    filling = materials.get(plot.fill_with) if plot.fill_with else None
    if filling is not None and filling.is_sheet:
        yield PlanProblem(f"{path}.fill_with", f"{plot.fill_with} is a sheet; name soil or the like")
    for index, course in enumerate(plot.courses):
        if course.material in materials:
            yield from _wrong_with_course(course, materials[course.material], f"{path}.courses[{index}]")


def _wrong_with_path(each: PlotPath, materials: Mapping[str, Material], path: str) -> Iterator[PlanProblem]:
    if (each.outline_m is None) == (each.line_m is None):
        yield PlanProblem(path, "takes one of outline_m and line_m")
    elif each.outline_m is not None:
        if each.width_m is not None:
            yield PlanProblem(f"{path}.width_m", "belongs to a path along a line")
        try:
            free_polygon([(x, y) for x, y in each.outline_m])
        except ShapeProblem as problem:
            yield PlanProblem(f"{path}.outline_m", str(problem))
    elif each.width_m is None:
        yield PlanProblem(f"{path}.width_m", "has to be there: a line alone covers no ground")
    for index, course in enumerate(each.courses or []):
        if course.material in materials:
            yield from _wrong_with_course(course, materials[course.material], f"{path}.courses[{index}]")


def _wrong_with_fixed(fixed: Fixed, path: str) -> Iterator[PlanProblem]:
    if (fixed.at_m is None) == (fixed.line_m is None):
        yield PlanProblem(path, "takes one of at_m and line_m")
    elif fixed.kind in LINES and fixed.line_m is None:
        yield PlanProblem(f"{path}.line_m", f"a {fixed.kind} is a line from corner to corner")


def _wrong_with_course(course: Course, material: Material, path: str) -> Iterator[PlanProblem]:
    if material.is_sheet and course.thickness_m is not None:
        yield PlanProblem(f"{path}.thickness_m", f"{course.material} is a sheet and has no thickness")
    if not material.is_sheet and course.thickness_m is None:
        yield PlanProblem(f"{path}.thickness_m", "has to be there")
