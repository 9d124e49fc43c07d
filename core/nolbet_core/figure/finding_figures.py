"""Findings in figures."""

from __future__ import annotations

from typing import Any, Literal

from nolbet_core.findings.finding import Level, Subject, Topic, ViewName
from nolbet_core.record import record

Line = tuple[tuple[float, float], ...]
"""Points to draw [m, m]."""


@record
class StepFigures:
    """One step on a bed's words: set the key at a path (null takes it away), add to a list there, or remove from it."""

    do: Literal["set", "add", "remove"]
    path: str
    value: Any


@record
class MendFigures:
    """The one click that mends a finding: steps on the bed that was judged."""

    label: str
    steps: list[StepFigures]


@record
class FindingFigures:
    """A judgement: what is so, with the figure that shows it, why it matters, and what to do.

    rank: where it is told, the gravest first and those that were seen last, 0 before all.
    subject: what was looked at; one on the haul rests on what is bought, so that a bed's figures alone don't have it.
    views: where it is shown. sides: what each school says, where they differ.
    """

    code: str
    level: Level
    rank: int
    topic: Topic
    subject: Subject
    views: list[ViewName]
    message: str
    why: str
    advice: str
    layer: int | None
    mend: MendFigures | None
    seen: str | None
    sides: list[str]
