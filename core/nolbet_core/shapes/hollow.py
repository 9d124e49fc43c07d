"""What every shape answers, whatever its outline."""

from __future__ import annotations

from typing import Protocol

Point = tuple[float, float]
"""A corner of an outline [m, m]."""

Ring = tuple[Point, ...]
"""A closed outline [m, m], its last corner joined to its first."""

LEAST_INSIDE_M = 0.001
"""What walls must leave between them [m]: nothing in a garden is measured finer."""


class ShapeProblem(ValueError):  # noqa: N818 - told to the gardener as such
    """Measures that make no shape. `key` names the measure at fault."""

    def __init__(self, key: str, message: str) -> None:
        super().__init__(message)
        self.key = key


class Hollow(Protocol):
    """A space that layers fill from its floor (0) to its rim; heights are above the floor [m].

    In a mound the layers lie as shells: there a height is measured square to the surface, from the innermost core out.
    """

    @property
    def rim_m(self) -> float:
        """Height of the rim above the floor [m]."""
        ...

    def area_at(self, height_m: float) -> float:
        """Area on which fill lies at a height [m2]; above the rim, the rim's own."""
        ...

    def perimeter_at(self, height_m: float) -> float:
        """Length round that area [m]."""
        ...

    def volume_between(self, lower_m: float, upper_m: float) -> float:
        """Volume between two heights [m3]; above the rim it stands on the rim's area."""
        ...

    def height_for_volume(self, base_m: float, volume_m3: float) -> float:
        """Height [m] at which a volume [m3] poured in from a base height [m] stands."""
        ...
