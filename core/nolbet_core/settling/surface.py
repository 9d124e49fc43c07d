"""The surface of a bed as it sinks, and its layers where they lie by then."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from nolbet_core.settling.accounts import remaining_of_layers
from nolbet_core.settling.clock import Clock
from nolbet_core.shapes.hollow import Hollow
from nolbet_core.shapes.prismatoid import Prismatoid
from nolbet_core.shapes.vessel import Vessel
from nolbet_core.stack.fill import Filled

Amounts = NDArray[np.float64]


def sinking_amounts(vessel: Vessel, filled: Filled) -> Amounts:
    """What of each layer sinks: its volume [m3], or where layers sink in place its thickness over the middle [m]."""
    if not vessel.sinks_in_place:
        return np.array([layer.placed_m3 for layer in filled.layers])
    heights = [vessel.height_of(layer.top_m) - vessel.height_of(layer.bottom_m) for layer in filled.layers]
    return np.array(heights)


def surface_heights(vessel: Vessel, amounts: Amounts, base_m: float = 0.0) -> Amounts:
    """Height of the surface above the floor [m] where all layers come to amounts, as sinking_amounts gives them.

    base_m: where the lowest layer begins [m].
    """
    if vessel.sinks_in_place:
        return amounts
    hollow = vessel.hollow
    if isinstance(hollow, Prismatoid):
        heights = hollow.heights_for_volumes(base_m, amounts)
        return heights if hollow.is_straight else np.array([vessel.height_of(each) for each in heights.tolist()])
    return np.array([vessel.height_of(hollow.height_for_volume(base_m, amount)) for amount in amounts.tolist()])


def surface_by_month(vessel: Vessel, filled: Filled, clock: Clock) -> Amounts:
    """Height of the surface above the floor [m] for months 0 to 120.

    In vessels the layers settle by volume, in mounds, spirals and patches straight down where they lie. clock: how
    fast things rot there.
    """
    amounts = sinking_amounts(vessel, filled)
    sums: Amounts = amounts @ remaining_of_layers(filled, clock)
    return surface_heights(vessel, sums, filled.base_m)


def sunken_spans(hollow: Hollow, volumes_m3: Sequence[float], base_m: float = 0.0) -> list[tuple[float, float]]:
    """Bottom and top of layers of volumes [m3] that stand on one another in a hollow, from a height up [m]."""
    height_m = base_m
    spans = []
    for volume_m3 in volumes_m3:
        bottom_m, height_m = height_m, hollow.height_for_volume(height_m, volume_m3)
        spans.append((bottom_m, height_m))
    return spans
