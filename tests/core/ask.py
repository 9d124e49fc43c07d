"""Short ways to ask the core in tests."""

from __future__ import annotations

from datetime import date
from typing import Any

from nolbet_core.figure.figures import BedFigures, Figures
from nolbet_core.figure.walk import figure_plan
from nolbet_core.built.plan_file import read_plan
from tests.core import zoo


def figures_of(document: dict[str, Any], today: date | None = None) -> Figures:
    """Figures of a plan document. today: where the day that is now is to count."""
    return figure_plan(*read_plan(document), today)


def bed_of(document: dict[str, Any]) -> BedFigures:
    """Figures of one bed's document."""
    return figures_of(zoo.plan(document)).beds[0]
