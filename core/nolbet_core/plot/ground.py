"""The ground with what stays on it, as findings and figures look at it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import TYPE_CHECKING

from nolbet_core.lazy import lazily
from nolbet_core.plot.fixed import FixedThing
from nolbet_core.plot.levels import Corner, Surface, surface_of
from nolbet_core.shapes.hollow import Point

if TYPE_CHECKING:
    import shapely
else:
    shapely = lazily("shapely")


@dataclass(frozen=True)
class Ground:
    """The measured ground: its corners [m], fixed things, spot heights [m], and the aisle that is wanted [m]."""

    corners_m: tuple[Point, ...]
    fixed: tuple[FixedThing, ...]
    spots: tuple[Corner, ...]
    aisle_m: float

    @cached_property
    def polygon(self) -> shapely.Polygon:
        """The ground as a polygon."""
        return shapely.Polygon(self.corners_m)

    @cached_property
    def surface(self) -> Surface | None:
        """The ground's surface between its spot heights, where there are enough."""
        return surface_of(self.spots, self.corners_m)

    def of_kind(self, kind: str) -> Sequence[FixedThing]:
        """Fixed things of a kind."""
        return [thing for thing in self.fixed if thing.kind == kind]
