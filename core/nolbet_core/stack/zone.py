"""Where roots live: under the mulch, the top 0.30 m of the fill, and what lies near it."""

from __future__ import annotations

from collections.abc import Sequence

from nolbet_core.shapes.hollow import Hollow
from nolbet_core.stack.fill import Filled
from nolbet_core.stack.layers import Standing

ROOT_ZONE_M = 0.30
NEAR_ZONE_M = 0.50
CONTACT_IN, CONTACT_NEAR, CONTACT_DEEP, CONTACT_MULCH = 1.0, 0.5, 0.15, 0.1
MULCHES = ("organic", "wood", "mineral", "sheet")
SLACK_M = 1e-9


def mulch_begins(layers: tuple[Standing, ...]) -> int:
    """Index of the lowest layer that is mulch: what lies loose on the topmost soil. As many as there are where none is.

    A stack without any soil has no mulch: what is on top is all there is.
    """
    return mulch_from([(layer.material.group, layer.thickness_m > 0) for layer in layers])


def mulch_from(groups: Sequence[tuple[str, bool]]) -> int:
    """The same by the group of each layer's material, and whether it has any thickness, bottom to top."""
    begins: int | None = None
    for i in range(len(groups) - 1, -1, -1):
        group, thick = groups[i]
        if group == "soil" and thick:
            return i + 1 if begins is None else begins
        if begins is None and group not in MULCHES:
            begins = i + 1
    return len(groups)


def root_surface(layers: tuple[Standing, ...]) -> float:
    """Height of the surface that is sown, under the mulch [m]."""
    below = layers[: mulch_begins(layers)]
    return below[-1].top_m if below else 0.0


def shares_between(layer: Standing, hollow: Hollow, lower_m: float, upper_m: float) -> float:
    """Share of a layer's volume that lies between two heights [0-1]; a sheet lies in it or doesn't."""
    if layer.thickness_m <= 0:
        return 1.0 if lower_m - SLACK_M <= layer.bottom_m <= upper_m + SLACK_M else 0.0
    low, high = max(layer.bottom_m, lower_m), min(layer.top_m, upper_m)
    if high <= low:
        return 0.0
    whole = hollow.volume_between(layer.bottom_m, layer.top_m)
    return min(hollow.volume_between(low, high) / whole, 1.0) if whole > 0 else 0.0


def zone_shares(filled: Filled, hollow: Hollow) -> list[float]:
    """Share of each layer's volume in the root zone [0-1]; mulch has none."""
    layers = filled.layers
    surface_m, mulch = root_surface(layers), mulch_begins(layers)
    return [
        shares_between(layer, hollow, surface_m - ROOT_ZONE_M, surface_m) if i < mulch else 0.0
        for i, layer in enumerate(layers)
    ]


def contacts(filled: Filled, hollow: Hollow, in_zone: Sequence[float]) -> list[float]:
    """How much each layer's give and take counts for plants [0-1]. in_zone: as zone_shares gives it.

    The part in the top 0.30 m under the mulch counts 1, within 0.20 m below that 0.5, deeper 0.15; mulch 0.1.
    """
    layers = filled.layers
    surface_m, mulch = root_surface(layers), mulch_begins(layers)
    weights = []
    for i, layer in enumerate(layers):
        if i >= mulch:
            weights.append(CONTACT_MULCH)
            continue
        within = in_zone[i]
        near = max(shares_between(layer, hollow, surface_m - NEAR_ZONE_M, surface_m) - within, 0.0)
        weights.append(CONTACT_IN * within + CONTACT_NEAR * near + CONTACT_DEEP * max(1 - within - near, 0.0))
    return weights
