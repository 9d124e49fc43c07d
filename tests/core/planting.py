"""Gardens that tests of planting start from, and what is looked at in them."""

from __future__ import annotations

from datetime import date
from typing import Any

from nolbet_core.built.plan_file import read_plan
from nolbet_core.built.surroundings import surroundings_of
from nolbet_core.built.worked import WorkedBed, work_bed
from nolbet_core.figure.figures import BedFigures, Figures
from nolbet_core.figure.walk import figure_plan
from tests.core import zoo

TODAY = date(2026, 3, 10)
SOIL = [{"material": "topsoil", "fill": True}]
PLOT = {"corners_m": [[0, 0], [12, 0], [12, 10], [0, 10]]}
GARDEN: dict[str, Any] = {
    "name": "Test ground", "units": "metric", "latitude_deg": 50.0, "last_frost": "05-10", "first_frost": "10-05",
}  # fmt: skip
SPIRAL = {
    "kind": "herb_spiral", "diameter_m": 2.4, "path_width_m": 0.4, "wall_m": 0.1, "outer_height_m": 0.2,
    "centre_height_m": 0.9,
}  # fmt: skip


def planted(crops: list[dict[str, Any]], plot: dict[str, Any] | None = None, **more: Any) -> dict[str, Any]:
    """A garden with one bed of 3 x 1.2 x 0.6 m that was just filled, on a plot where one is given."""
    bed: dict[str, Any] = {"shape": zoo.shape(3.0, 1.2, 0.6), "layers": SOIL, "built_on": "2026-03-01", "crops": crops}
    if plot is not None:
        bed["places"] = [{"x_m": 5.0, "y_m": 4.0}]
    log = more.pop("log", [])
    garden = {**GARDEN, **more.pop("garden", {}), "plot": plot}
    return zoo.plan(zoo.bed(**{**bed, **more}), garden=garden, log=log)


def figured(document: dict[str, Any], today: date = TODAY) -> BedFigures:
    """Figures of its one bed."""
    return whole(document, today).beds[0]


def whole(document: dict[str, Any], today: date = TODAY) -> Figures:
    """Figures of all of it."""
    return figure_plan(read_plan(document), today)


def at_work(document: dict[str, Any], today: date = TODAY) -> WorkedBed:
    """Its one bed at work."""
    built = read_plan(document)
    return work_bed(built.plan.beds[0], surroundings_of(built.plan.garden, today), built.supplies)


def codes(bed: BedFigures) -> set[str]:
    """Codes of what is told in Planting."""
    return {each.code for each in bed.findings if "planting" in each.views}


def ends_x(bed: BedFigures, place: int) -> tuple[float, float]:
    """From where to where a crop's plants stand along the bed [m]."""
    xs = [x for x, _ in bed.planting[place].points]
    return min(xs), max(xs)
