"""What a plot must hold together: its ground, its fixed things, its courses."""

from __future__ import annotations

from collections.abc import Mapping

from nolbet_core.plan.plot import Plot
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.shapes.freeform import free_polygon
from nolbet_core.shapes.hollow import ShapeProblem
from nolbet_core.shelf.material import Material

LINES = frozenset({"house", "wall", "fence", "service"})


def check_plot(plot: Plot, materials: Mapping[str, Material], path: str) -> None:
    """Raise PlanProblem for the first thing of a plot that doesn't hold together."""
    try:
        free_polygon([(x, y) for x, y in plot.corners_m])
    except ShapeProblem as problem:
        raise PlanProblem(f"{path}.{problem.key}", str(problem)) from problem
    for index, fixed in enumerate(plot.fixed):
        here = f"{path}.fixed[{index}]"
        if (fixed.at_m is None) == (fixed.line_m is None):
            raise PlanProblem(here, "takes one of at_m and line_m")
        if fixed.kind in LINES and fixed.line_m is None:
            raise PlanProblem(f"{here}.line_m", f"a {fixed.kind} is a line from corner to corner")
    for index, course in enumerate(plot.courses):
        here = f"{path}.courses[{index}]"
        material = materials.get(course.material)
        if material is None:
            raise PlanProblem(f"{here}.material", f"'{course.material}' isn't on the shelf")
        if material.is_sheet and course.thickness_m is not None:
            raise PlanProblem(f"{here}.thickness_m", f"{course.material} is a sheet and has no thickness")
        if not material.is_sheet and course.thickness_m is None:
            raise PlanProblem(f"{here}.thickness_m", "has to be there")
