"""A step of the works: what is done, where and why, how it is judged done, what it takes, what comes before it."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, replace
from datetime import date
from typing import Literal

from nolbet_core.plan.works import Answer, WorkKind
from nolbet_core.works.job import Release

Stage = Literal["ground", "frame", "water", "fill", "after"]
STAGES: tuple[Stage, ...] = ("ground", "frame", "water", "fill", "after")
"""What a bed goes through, in its order."""

Gate = Literal["frost", "frozen", "wet", "wind"]
"""Weather that a step can't be done in: concrete and water in frost, digging in frozen ground, adhesive in the wet,
card in wind."""

StepKind = Literal[
    "services", "ground_test", "gather", "order", "load", "level_plot", "set_out", "turf", "water_ground", "dig",
    "loosen", "buried", "path_dig", "path_base", "level", "posts", "cut", "assemble", "set", "wall", "line", "place",
    "underlay", "liner", "leak_test", "reservoir", "mix", "layer", "sheet", "filled", "settle", "rest", "winter",
    "top_up", "plant", "mulch", "watering", "label", "own",
]  # fmt: skip

GARDEN = "garden"
"""What steps of no single bed are called after."""

SOON: frozenset[StepKind] = frozenset({"services", "ground_test", "order", "gather"})
"""Kinds of step after which others are waited for: they go first."""


def step_key(bed: str, kind: str, which: str | int | None = None) -> str:
    """Key of a step, the same whenever the works are made anew: bed or "garden", kind, and which."""
    return f"{bed or GARDEN}.{kind}" if which is None else f"{bed or GARDEN}.{kind}.{which}"


@dataclass(frozen=True, slots=True)
class Step:
    """A step. bed: whose, empty for the garden's. title: what is done. done_when: how it is judged done.

    hold: what has to be answered before going on, nothing where nothing has. usual_hours: of one person at usual rates;
    hours: as the gardener takes. people: how many it takes at least. lines: at the pile, one after the other. after:
    keys of what comes before. wait_days: after it; wait_for: what for. layer: which of the bed's it lays;
    layer_after: which it makes ready for; mark: where its top comes to lie on the wall, in words. not_before, due,
    release: as of a job. gates: weather it can't be done in. done: whether it is; done_on: when, where that is
    known. left_out: why it isn't done at all. answers: at its hold point. uses: keys of materials it takes.
    """

    key: str
    bed: str
    kind: StepKind
    stage: Stage
    title: str
    why: str
    done_when: str
    work: WorkKind
    usual_hours: float
    hours: float = 0.0
    hold: str = ""
    people: int = 1
    barrows: int = 0
    tools: tuple[str, ...] = ()
    gear: tuple[str, ...] = ()
    materials: tuple[str, ...] = ()
    cautions: tuple[str, ...] = ()
    lines: tuple[str, ...] = ()
    after: tuple[str, ...] = ()
    wait_days: int = 0
    wait_for: str = ""
    layer: int | None = None
    mark: str = ""
    layer_after: int | None = None
    not_before: date | None = None
    due: date | None = None
    release: Release | None = None
    gates: tuple[Gate, ...] = ()
    done: bool = False
    done_on: date | None = None
    left_out: str = ""
    answers: tuple[Answer, ...] = ()
    uses: frozenset[str] = frozenset()

    @property
    def passed(self) -> bool | None:
        """Whether its hold point was passed: None where it hasn't been answered or has none."""
        return self.answers[-1].passed if self.hold and self.answers else None

    def moved_to(self, day: date) -> Step:
        """The step not begun before a day."""
        return replace(self, not_before=day if self.not_before is None else max(self.not_before, day))

    @property
    def is_open(self) -> bool:
        """Whether it is still to be done."""
        return not self.done and not self.left_out


def following(steps: Iterable[Step], before: Iterable[str] = ()) -> list[Step]:
    """Steps one after the other: each waits for the one before it, the first for some keys, beside their own."""
    row: list[Step] = []
    last = tuple(before)
    for step in steps:
        row.append(replace(step, after=tuple(dict.fromkeys((*step.after, *last)))))
        last = (step.key,)
    return row
