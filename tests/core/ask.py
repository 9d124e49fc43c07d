"""Short ways to ask the core in tests."""

from __future__ import annotations

from datetime import date
from typing import Any

from nolbet_core.built.plan_file import read_plan
from nolbet_core.built.supplies import Supplies, gather_supplies
from nolbet_core.built.surroundings import surroundings_of
from nolbet_core.built.worked import WorkedBed, work_bed
from nolbet_core.figure.figures import BedFigures, Figures
from nolbet_core.figure.finding_figures import FindingFigures
from nolbet_core.figure.walk import figure_plan
from nolbet_core.findings.mend import MendStep, mended
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.garden import Garden, Plan
from tests.core import zoo


def figures_of(document: dict[str, Any], today: date | None = None) -> Figures:
    """Figures of a plan document. today: where the day that is now is to count."""
    return figure_plan(read_plan(document), today)


def bed_of(document: dict[str, Any]) -> BedFigures:
    """Figures of one bed's document."""
    return figures_of(zoo.plan(document)).beds[0]


def planned(document: dict[str, Any]) -> tuple[Plan, Supplies]:
    """A plan document's plan, and what it may name."""
    built = read_plan(document)
    return built.plan, built.supplies


def worked_of(document: dict[str, Any], garden: Garden | None = None) -> WorkedBed:
    """A bed's document built and filled, in a garden of no name where none is given."""
    around = surroundings_of(garden or Garden(name="Test ground"))
    return work_bed(Bed.model_validate(document), around, gather_supplies([], []).holding())


def mended_by(document: dict[str, Any], finding: FindingFigures) -> dict[str, Any]:
    """A bed's document with a finding's mend taken."""
    assert finding.mend is not None
    return mended(document, [MendStep(step.do, step.path, step.value) for step in finding.mend.steps])
