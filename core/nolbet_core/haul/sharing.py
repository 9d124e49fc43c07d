"""Sharing what lies on hand over beds: by what each needs, equally, or as deep in each."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Literal

from nolbet_core.record import record

SharedBy = Literal["need", "equal", "depth"]


@record
class Taker:
    """Beds alike that a heap is shared over: how many, what they all need loose [m3], and the area of one [m2]."""

    key: str
    count: int
    need_m3: float
    area_m2: float


def shared(volume_m3: float, takers: Sequence[Taker], by: SharedBy) -> list[float]:
    """What each taker gets of a loose volume, all alike together [m3].

    By need nobody gets more than it needs, and what is over stays on the heap; equally and by depth all of it goes.
    """
    weights = [_weight(taker, by) for taker in takers]
    whole = sum(weights)
    if whole <= 0:
        return [0.0] * len(takers)
    given = min(volume_m3, whole) if by == "need" else volume_m3
    return [given * weight / whole for weight in weights]


def _weight(taker: Taker, by: SharedBy) -> float:
    if by == "need":
        return taker.need_m3
    return taker.count * (taker.area_m2 if by == "depth" else 1.0)
