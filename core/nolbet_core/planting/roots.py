"""How deep roots can go, now and once what lies below has rotted."""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import Literal

from nolbet_core.stack.layers import Standing
from nolbet_core.stack.zone import mulch_begins

Roots = Literal["shallow", "medium", "deep"]

ROOTS: tuple[Roots, ...] = ("shallow", "medium", "deep")

LEAST_DEPTH_M: dict[Roots, float] = {"shallow": 0.10, "medium": 0.30, "deep": 0.45}
"""Rootable depth that a class of crops wants at least [m]: shallow roots go to 300 mm, medium to 450, deep further."""

BOTTOMLESS_M = 1.0
"""Depth counted where the bed is open to the ground [m]."""

ROTTEN_SHARE = 0.5
"""Roots go through wood and litter once so much of it has rotted (estimate)."""


def opens_after(layer: Standing, factor: float) -> float:
    """Years until roots can go through a layer: at once in soil, once half rotted in wood and litter, never in liners.

    factor: on decay rates, as decay_factor gives it.
    """
    material = layer.material
    if material.is_sheet:
        if "rots" in material.traits:
            return _half_rotted(material.decay_per_year, factor)
        return 0.0 if not material.traits else math.inf
    if material.group in ("soil", "meal"):
        return 0.0
    return _half_rotted(material.decay_per_year, factor)


def _half_rotted(decay_per_year: float, factor: float) -> float:
    return -math.log(1 - ROTTEN_SHARE) / (decay_per_year * factor) if decay_per_year else math.inf


def rootable_depth(layers: Sequence[Standing], open_below: bool, factor: float, years: float) -> float:
    """Depth that roots can use some years after filling [m], from the surface under the mulch down.

    open_below: whether the bed stands on open ground. factor: on decay rates. It ends at the first layer that is not
    open yet.
    """
    standing = tuple(layers)
    depth_m = 0.0
    for layer in reversed(standing[: mulch_begins(standing)]):
        if opens_after(layer, factor) > years:
            return depth_m
        depth_m += layer.thickness_m
    return depth_m + BOTTOMLESS_M if open_below else depth_m


def years_to_depth(layers: Sequence[Standing], open_below: bool, factor: float, wanted_m: float) -> float | None:
    """Years after filling when roots first find a depth [m]; None where they never do."""
    waits = sorted({0.0, *(opens_after(layer, factor) for layer in layers)})
    for years in waits:
        if math.isinf(years):
            return None
        if rootable_depth(layers, open_below, factor, years) >= wanted_m - 1e-9:
            return years
    return None
