"""Voids of coarse layers: what packs them, and what runs down into them when nothing does."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from nolbet_core.record import record
from nolbet_core.stack.layers import Asked, Bulk

STOPS_FINES = "stops_fines"


def void_volume(layer: Bulk, placed_m3: float) -> float:
    """Volume of a placed layer's voids [m3]: placed volume x void share."""
    return placed_m3 * layer.material.void_share


def packed_volume(layer: Bulk, placed_m3: float) -> float:
    """Placed volume of the fines packed into a layer's voids [m3]: volume x void share x share packed."""
    return void_volume(layer, placed_m3) * layer.infill.share if layer.infill else 0.0


@record
class RunDown:
    """Fines that may run down: from which layer into which, counted from the floor, and how much [m3]."""

    donor: int
    receiver: int
    volume_m3: float


def received(runs: Sequence[RunDown], count: int) -> list[float]:
    """What each of so many layers takes of the fines that may run down [m3], bottom to top."""
    volumes = [0.0] * count
    for run in runs:
        volumes[run.receiver] += run.volume_m3
    return volumes


def fines_running(layers: Sequence[Asked], placed_m3: Sequence[float]) -> list[RunDown]:
    """Which fines may run down where, at most.

    layers: as asked for, bottom to top. placed_m3: the placed volume of each [m3].

    Fines run into the nearest open voids below them until those are full or the fines are used up: the lesser of the
    two. A fabric or liner between them stops them; card and paper rot and do not. What lies in mats takes none.
    """
    runs: list[RunDown] = []
    open_m3: list[tuple[int, float]] = []
    for index, (layer, volume_m3) in enumerate(zip(layers, placed_m3, strict=True)):
        if not isinstance(layer, Bulk):
            if STOPS_FINES in layer.material.traits and not layer.is_strip:
                open_m3.clear()
            continue
        if layer.material.runs_into_voids:
            runs += _trickle(index, volume_m3, open_m3)
        left = void_volume(layer, volume_m3) - packed_volume(layer, volume_m3)
        if left > 0 and layer.material.takes_fines:
            open_m3.append((index, left))
    return runs


def _trickle(donor: int, fines_m3: float, open_m3: list[tuple[int, float]]) -> Iterator[RunDown]:
    while open_m3 and fines_m3 > 0:
        index, room = open_m3.pop()
        taken = min(room, fines_m3)
        fines_m3 -= taken
        if room > taken:
            open_m3.append((index, room - taken))
        yield RunDown(donor, index, taken)
