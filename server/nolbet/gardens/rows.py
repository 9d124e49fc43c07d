"""A garden's own rows (its head, its plot, its beds) read as the plan writes them, and kept."""

from __future__ import annotations

from collections.abc import Iterable
from typing import Any

from pydantic import ValidationError

from nolbet.gardens.errors import Unreadable
from nolbet.gardens.models import Bed, BedVersion, Garden
from nolbet_core.plan import bed as plan_bed
from nolbet_core.plan.garden import Garden as PlanGarden
from nolbet_core.plan.planting import OwnCrop
from nolbet_core.plan.plot import Plot
from nolbet_core.plan.problems import from_validation
from nolbet_core.plan.upgrade import EDITION, TooNew, upgraded

HEAD_KEYS = (
    "name",
    "currency",
    "units",
    "latitude_deg",
    "mean_temp_c",
    "last_frost",
    "first_frost",
    "handful_kg",
    "normals",
)
FACT_KEYS = (
    "hemisphere",
    "typical_climate",
    "wettest_day_mm",
    "tap_l_min",
    "ants",
    "burrowers",
    "water_table_m",
    "drop",
    "vehicle",
    "budget",
    "sinking",
    "neighbours",
)
"""What is known of a garden's place beside its columns, kept as one document."""

COLUMNS = {"key", "name", "count"}


def head_columns(garden: PlanGarden) -> dict[str, Any]:
    """What is kept of a garden's head."""
    facts = garden.model_dump(mode="json", include=set(FACT_KEYS), exclude_none=True)
    return garden.model_dump(include=set(HEAD_KEYS)) | {"facts": facts}


def head_plan(garden: Garden) -> PlanGarden:
    """A kept garden's head as the plan writes it, its plot left out. Raises Unreadable."""
    try:
        return PlanGarden(**{key: getattr(garden, key) for key in HEAD_KEYS}, **garden.facts)
    except (ValidationError, TypeError) as error:
        raise Unreadable(_why(error)) from error


def crops_plan(garden: Garden) -> list[OwnCrop]:
    """A garden's own crops as the plan writes them. Raises Unreadable."""
    try:
        return [OwnCrop.model_validate(each) for each in garden.crops]
    except ValidationError as error:
        raise Unreadable(_why(error)) from error


def crops_column(crops: Iterable[OwnCrop]) -> list[dict[str, Any]]:
    """What is kept of own crops."""
    return [each.model_dump(mode="json", exclude_none=True) for each in crops]


def plot_plan(garden: Garden) -> Plot | None:
    """A kept garden's plot as the plan writes it; None where it isn't measured. Raises Unreadable."""
    if garden.plot is None:
        return None
    try:
        return Plot.model_validate(upgraded("plot", garden.plot, garden.plot_edition))
    except TooNew as problem:
        raise Unreadable(str(problem)) from problem
    except ValidationError as error:
        raise Unreadable(_why(error)) from error


def plot_columns(plot: Plot | None) -> dict[str, Any]:
    """What is kept of a plot."""
    document = None if plot is None else plot.model_dump(mode="json", exclude_none=True)
    return {"plot": document, "plot_edition": EDITION}


def garden_plan(garden: Garden) -> PlanGarden:
    """A kept garden's head and plot as the plan writes them; what can't be read of it is left out."""
    try:
        head = head_plan(garden)
    except Unreadable:
        head = PlanGarden(name=garden.name)
    try:
        return head.model_copy(update={"plot": plot_plan(garden)})
    except Unreadable:
        return head


def bed_plan(bed: Bed | BedVersion) -> plan_bed.Bed:
    """A kept bed, or a version of one, as the plan writes it. Raises Unreadable."""
    key = bed.key if isinstance(bed, Bed) else bed.bed.key
    try:
        cut = upgraded("bed", dict(bed.cut), bed.cut_version)
        return plan_bed.Bed.model_validate({**cut, "key": key, "name": bed.name, "count": bed.count})
    except TooNew as problem:
        raise Unreadable(str(problem)) from problem
    except ValidationError as error:
        raise Unreadable(_why(error)) from error
    except (TypeError, ValueError, AttributeError) as error:
        raise Unreadable("its document isn't what a bed is written as") from error


def bed_columns(bed: plan_bed.Bed) -> dict[str, Any]:
    """What is kept of a bed, beside its key: what is listed in columns, all else in its document."""
    cut = bed.model_dump(mode="json", exclude_none=True, exclude=COLUMNS)
    return {"name": bed.title, "count": bed.count, "cut": cut, "cut_version": EDITION}


def raw_bed(bed: Bed) -> dict[str, Any]:
    """A bed's row as it lies in the database, readable or not."""
    return {"key": bed.key, "name": bed.name, "count": bed.count, "edition": bed.cut_version, "document": bed.cut}


def raw_head(garden: Garden) -> dict[str, Any]:
    """A garden's head and plot as they lie in the database, readable or not."""
    kept = ("name", "currency", "units", "latitude_deg", "mean_temp_c", "last_frost", "first_frost", "handful_kg")
    return {name: getattr(garden, name) for name in (*kept, "normals", "facts", "plot", "plot_edition")}


def _why(error: ValidationError | TypeError) -> str:
    if isinstance(error, TypeError):
        return "its document isn't what a garden is written as"
    return "; ".join(str(problem) for problem in from_validation(error)[:3])
