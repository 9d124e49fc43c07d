"""Findings in figures."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any, Literal

Level = Literal["stop", "caution", "advice", "note"]
Line = tuple[tuple[float, float], ...]
"""Points to draw [m, m]."""


@dataclass(frozen=True, slots=True)
class MendFigures:
    """The one click that mends a finding: the bed's keys with their new values."""

    label: str
    changes: dict[str, Any]


@dataclass(frozen=True, slots=True)
class FindingFigures:
    """A judgement: what is so, with the figure that shows it, why it matters, and what to do.

    bought: whether it rests on what is bought, so that a bed's figures alone don't have it. sides: what each school
    says, where they differ.
    """

    code: str
    level: Level
    message: str
    why: str
    advice: str
    layer: int | None
    mend: MendFigures | None
    seen: str | None
    bought: bool
    sides: list[str]
