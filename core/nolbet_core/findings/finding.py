"""What a finding is: what it is called and about, and one small pure method that looks for it."""

from __future__ import annotations

from abc import ABC, abstractmethod
from collections.abc import Iterator
from typing import Any, ClassVar, Generic, Literal, TypeVar

from nolbet_core.built.worked import WorkedBed
from nolbet_core.findings.mend import Mend
from nolbet_core.record import record

Level = Literal["stop", "caution", "advice", "note"]
LEVELS: tuple[Level, ...] = ("stop", "caution", "advice", "note")

Subject = Literal["bed", "plot", "haul", "mix", "works"]
"""What is looked at: one bed, beds beside each other, what is bought for a bed, a soil mix, or a garden's works."""

Topic = Literal[
    "fit", "layers", "feeding", "wood", "sinking", "health", "safety", "weight", "water", "ground", "level", "place",
    "between", "buying", "mix", "frame", "works", "planting",
]  # fmt: skip

ViewName = Literal["section", "water", "plot", "haul", "blend", "frame", "works", "planting"]

VIEWS: dict[Topic, tuple[ViewName, ...]] = {
    "fit": ("section",),
    "layers": ("section",),
    "feeding": ("section",),
    "wood": ("section",),
    "sinking": ("section",),
    "health": ("section",),
    "safety": ("section",),
    "weight": ("section", "water"),
    "water": ("section", "water"),
    "ground": ("section",),
    "level": ("section", "water", "plot"),
    "place": ("section", "plot"),
    "between": ("section", "plot"),
    "buying": ("section",),
    "mix": ("blend",),
    "frame": ("section", "frame"),
    "works": ("works",),
    "planting": ("planting",),
}
"""Where findings of a topic are shown."""

DEFER = "Local rules and licensed practice come first."
"""How every safety finding ends."""

Looked = TypeVar("Looked")


@record
class Found:
    """A judgement that holds: how grave, one sentence with its figure, why it matters, what to do, which layer.

    sides: what each school says, where they differ. beds: keys of those it is about, where it looks at several.
    steps: keys of those of the works.
    """

    level: Level
    message: str
    why: str
    advice: str
    layer: int | None = None
    mend: Mend | None = None
    sides: tuple[str, ...] = ()
    beds: tuple[str, ...] = ()
    steps: tuple[str, ...] = ()


class Finding(ABC, Generic[Looked]):
    """One kind of finding. level: those it may have, the mildest first. when: what has to be so, for the documents.

    A code belongs to one finding alone: a second class of the same code can't be made.
    """

    code: ClassVar[str]
    level: ClassVar[tuple[Level, ...]]
    topic: ClassVar[Topic]
    subject: ClassVar[Subject]
    when: ClassVar[str]

    by_code: ClassVar[dict[str, type[Finding[Any]]]] = {}

    def __init_subclass__(cls, **more: Any) -> None:
        """Enter the finding under its code. Raises TypeError where another has it."""
        super().__init_subclass__(**more)
        code = cls.__dict__.get("code")
        if code is None:
            return
        if code in Finding.by_code:
            raise TypeError(f"{cls.__name__} has the code of {Finding.by_code[code].__name__}, {code!r}")
        Finding.by_code[code] = cls

    @abstractmethod
    def look(self, looked: Looked) -> Iterator[Found]:
        """Each place where it holds."""


class BedFinding(Finding[WorkedBed]):
    """A finding on a bed by itself.

    of_profile: whether it looks at a bed and the trench or pit that it lies over as one, and not at the pit by itself.
    """

    subject = "bed"
    of_profile: ClassVar[bool] = False
