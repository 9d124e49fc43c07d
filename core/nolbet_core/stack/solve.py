"""Heights of the layers in a hollow: by thickness, by volume, by share of what is left, and one that fills the rest."""

from __future__ import annotations

from collections.abc import Sequence

from nolbet_core.record import record
from nolbet_core.shapes.hollow import Hollow
from nolbet_core.shapes.invert import invert_rising
from nolbet_core.stack.layers import Asked, Bulk

TOLERANCE_M = 1e-9


@record
class Heights:
    """Bottom and top of every layer above the floor [m], and how far the stack passes the line it may fill to.

    over_m, over_m3: depth [m] and volume [m3] above the headspace line; 0 where everything fits. to_fill_m: depth that
    is still empty below that line [m].
    """

    spans: tuple[tuple[float, float], ...]
    over_m: float
    over_m3: float
    to_fill_m: float


def solve_heights(hollow: Hollow, headspace_m: float, layers: Sequence[Asked], base_m: float = 0.0) -> Heights:
    """Where each layer lies, bottom to top.

    hollow: the inside of the bed. headspace_m: what stays empty below the rim [m]. layers: as asked for, bottom to
    top; at most one fills the rest. base_m: where the lowest begins [m], on a reservoir.

    Shares and the filling layer mean the finished stack: what is left for them is the depth at which its top meets the
    headspace line, with what no share takes left empty over it. Where the other layers alone pass the line, shares and
    the filling layer become nothing, every other layer keeps what was asked, and what is over is told.
    """
    line_m = max(hollow.rim_m - headspace_m, 0.0)
    spans = _walk(hollow, layers, _left_for_shares(hollow, line_m, layers, base_m), base_m)
    top_m = spans[-1][1] if spans else base_m
    over_m = top_m - line_m
    if over_m <= TOLERANCE_M:
        return Heights(spans, 0.0, 0.0, max(-over_m, 0.0))
    return Heights(spans, over_m, hollow.volume_between(line_m, top_m), 0.0)


def _left_for_shares(hollow: Hollow, line_m: float, layers: Sequence[Asked], base_m: float) -> float:
    """Depth [m] that shares and the filling layer have between them.

    What lies over them with a volume of its own gets thinner or thicker as they lift it, so that the depth is a root.
    """
    straight_m = line_m - _top(hollow, layers, 0.0, base_m)
    if straight_m <= 0 or not _volume_over_a_share(layers):
        return max(straight_m, 0.0)
    taken = 1.0 if any(_by(layer) == "fill" for layer in layers) else min(_shared(layers), 1.0)
    return invert_rising(
        lambda left_m: _top(hollow, layers, left_m, base_m) + (1 - taken) * left_m, 0.0, line_m - base_m, line_m
    )


def _volume_over_a_share(layers: Sequence[Asked]) -> bool:
    amounts = [_by(layer) for layer in layers]
    lowest = next((index for index, by in enumerate(amounts) if by in {"share", "fill"}), len(amounts))
    return "volume" in amounts[lowest:]


def _by(layer: Asked) -> str | None:
    return layer.by if isinstance(layer, Bulk) else None


def _shared(layers: Sequence[Asked]) -> float:
    return sum(layer.amount for layer in layers if isinstance(layer, Bulk) and layer.by == "share")


def _top(hollow: Hollow, layers: Sequence[Asked], left_m: float, base_m: float) -> float:
    spans = _walk(hollow, layers, left_m, base_m)
    return spans[-1][1] if spans else base_m


def _walk(hollow: Hollow, layers: Sequence[Asked], left_m: float, base_m: float) -> tuple[tuple[float, float], ...]:
    shared = _shared(layers)
    height = base_m
    spans = []
    for layer in layers:
        bottom, height = height, _next_height(hollow, layer, height, left_m, shared)
        spans.append((bottom, height))
    return tuple(spans)


def _next_height(hollow: Hollow, layer: Asked, bottom_m: float, left_m: float, shared: float) -> float:
    if not isinstance(layer, Bulk):
        return bottom_m
    if layer.by == "thickness":
        return bottom_m + layer.amount
    if layer.by == "volume":
        return hollow.height_for_volume(bottom_m, layer.amount)
    if layer.by == "share":
        return bottom_m + layer.amount * left_m
    return bottom_m + max(1 - shared, 0.0) * left_m
