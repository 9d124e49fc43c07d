"""How deep roots can go, now and once what lies below has rotted."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from typing import Literal

from nolbet_core.record import record
from nolbet_core.settling.clock import Clock
from nolbet_core.stack.layers import Bulk, Standing
from nolbet_core.stack.zone import mulch_begins

Roots = Literal["shallow", "medium", "deep"]

ROOTS: tuple[Roots, ...] = ("shallow", "medium", "deep")

LEAST_DEPTH_M: dict[Roots, float] = {"shallow": 0.10, "medium": 0.30, "deep": 0.45}
"""Rootable depth that a class of crops wants at least [m]: shallow roots go to 300 mm, medium to 450, deep further."""

BOTTOMLESS_M = 1.0
"""Depth counted where the bed is open to the ground [m]."""

ROTTEN_SHARE = 0.5
"""Roots go through wood and litter once so much of it has rotted (estimate)."""


def opens_after(layer: Standing, clock: Clock) -> float:
    """Years until roots can go through a layer: at once in soil, once half rotted in wood and litter, never in liners.

    clock: how fast things rot there.
    """
    material = layer.material
    if material.is_sheet and not layer.keeps_apart:
        return 0.0
    if material.is_sheet:
        if "rots" in material.traits:
            return _half_rotted(material.decay_per_year, clock)
        return 0.0 if not material.traits else math.inf
    if material.group in ("soil", "meal"):
        return 0.0
    return _half_rotted(material.decay_per_year, clock)


def _half_rotted(decay_per_year: float, clock: Clock) -> float:
    return clock.years_until(-math.log(1 - ROTTEN_SHARE) / decay_per_year) if decay_per_year else math.inf


@record
class RootPath:
    """What roots go through from the surface under the mulch down: of each layer after how many years, and how thick.

    steps: years and thickness [m], the topmost first. below_m: soil under the floor [m].
    """

    steps: tuple[tuple[float, float], ...]
    below_m: float

    def depth_after(self, years: float) -> float:
        """Depth that roots can use some years after filling [m]: down to the first layer that is not open yet."""
        depth_m = 0.0
        for opens, thick_m in self.steps:
            if opens > years:
                return depth_m
            depth_m += thick_m
        return depth_m + self.below_m

    def years_to(self, wanted_m: float) -> float | None:
        """Years after filling when roots first find a depth [m]; None where they never do."""
        for years in sorted({0.0, *(opens for opens, _ in self.steps)}):
            if math.isinf(years):
                return None
            if self.depth_after(years) >= wanted_m - 1e-9:
                return years
        return None


def _steps(layer: Standing, clock: Clock) -> Iterator[tuple[float, float]]:
    """A layer's own steps, its upper part first: packed with soil, it lets roots through as far as that reaches."""
    opens = opens_after(layer, clock)
    infill = layer.asked.infill if isinstance(layer.asked, Bulk) else None
    if opens > 0 and infill and infill.material.group == "soil":
        packed_m = layer.thickness_m * infill.share
        yield 0.0, packed_m
        yield opens, layer.thickness_m - packed_m
    else:
        yield opens, layer.thickness_m


def root_path(layers: Sequence[Standing], below_m: float, clock: Clock) -> RootPath:
    """The way that roots go through layers, bottom to top.

    below_m: soil under them that roots can go on into [m]. clock: how fast things rot there.
    """
    standing = tuple(layers)
    below = standing[: mulch_begins(standing)]
    return RootPath(tuple(step for layer in reversed(below) for step in _steps(layer, clock)), below_m)
