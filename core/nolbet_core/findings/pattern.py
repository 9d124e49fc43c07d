"""What a finding is: metadata and one small pure method that looks at a filled bed."""

from __future__ import annotations

from abc import ABC, abstractmethod
from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from functools import cached_property
from typing import Any, ClassVar, Literal

from nolbet_core.plan.bed import Bed, Layer
from nolbet_core.plot.placed import PlacedBed
from nolbet_core.plot.site import Site
from nolbet_core.quantities.units import System
from nolbet_core.shapes.vessel import Vessel
from nolbet_core.stack.fill import Filled

Level = Literal["stop", "caution", "advice", "note"]
LEVELS: tuple[Level, ...] = ("stop", "caution", "advice", "note")

DEFER = "Local rules and licensed practice come first."
"""How every safety finding ends."""


@dataclass(frozen=True)
class View:
    """What a finding looks at: the bed as planned, as built and as filled, and the units it is told in.

    site, placed: the ground, and where on it the beds alike lie, where that is known.
    """

    bed: Bed
    vessel: Vessel
    filled: Filled
    system: System
    site: Site | None = None
    placed: tuple[PlacedBed, ...] = ()

    @cached_property
    def written_layers(self) -> tuple[dict[str, Any], ...]:
        """The bed's layers in the plan file's words, written once for all its mends."""
        return tuple(written(layer) for layer in self.bed.layers)


@dataclass(frozen=True, slots=True)
class Mend:
    """One click that mends: what it says, and the bed's plan-file keys with their new values."""

    label: str
    changes: Mapping[str, Any]


@dataclass(frozen=True, slots=True)
class Found:
    """A judgement that holds: how grave, one sentence with its figure, why it matters, what to do, which layer."""

    level: Level
    message: str
    why: str
    advice: str
    layer: int | None = None
    mend: Mend | None = None


class Finding(ABC):
    """One kind of finding."""

    code: ClassVar[str]

    @abstractmethod
    def look(self, view: View) -> Iterator[Found]:
        """Each place in the bed where it holds."""


def written(layer: Layer) -> dict[str, Any]:
    """A layer in the plan file's words."""
    return layer.model_dump(mode="json", exclude_none=True)


def layers_with(view: View, index: int, **changes: Any) -> dict[str, Any]:
    """The bed's layers with one changed, as a mend writes them; a key changed to None is left out."""
    layers = list(view.written_layers)
    layers[index] = written(view.bed.layers[index].model_copy(update=changes))
    return {"layers": layers}


def with_thickness(view: View, index: int, thickness_m: float) -> dict[str, Any]:
    """The bed's layers with one of a thickness of its own, whatever it was given by before."""
    return layers_with(view, index, thickness_m=thickness_m, volume_m3=None, share=None, fill=None)
