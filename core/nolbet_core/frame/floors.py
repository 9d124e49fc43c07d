"""The floor of a box on legs: how far its slats and bearers may span under what stands on them wet through."""

from __future__ import annotations

import math

from nolbet_core.frame.bowing import BENDS_AT_MOST, CREEP, brace_spacing
from nolbet_core.record import record

MOST_BEARERS = 20


@record
class FloorSpans:
    """How far slats and bearers span, and how far they may [m]."""

    slat_m: float
    slat_most_m: float
    bearer_m: float
    bearer_most_m: float

    @property
    def holds(self) -> bool:
        """Whether both bend by no more than a 150th of what they span."""
        return self.slat_m <= self.slat_most_m + 1e-9 and self.bearer_m <= self.bearer_most_m + 1e-9


@record
class FloorWood:
    """What a floor is made of: thickness and width of a slat [m], which a bearer has too, standing on edge.

    elasticity_pa: of the wood along the grain [Pa].
    """

    thickness_m: float
    width_m: float
    elasticity_pa: float


def bearer_most(load_pa: float, apart_m: float, wood: FloorWood) -> float:
    """How far a bearer on edge may span [m] so that it bends by no more than a 150th of it.

    5 w L^4 / (384 E I) (1 + k_def) = L / 150, w the load on a strip as wide as bearers stand apart. load_pa: on the
    floor [Pa]. apart_m: from bearer to bearer [m]. Infinite where nothing loads it.
    """
    load_n_m = load_pa * apart_m
    if load_n_m <= 0:
        return math.inf
    inertia_m4 = wood.thickness_m * wood.width_m**3 / 12
    return float((384 * wood.elasticity_pa * inertia_m4 * BENDS_AT_MOST / (5 * load_n_m * (1 + CREEP))) ** (1 / 3))


def floor_spans(load_pa: float, long_m: float, wide_m: float, bearers: int, bays: int, wood: FloorWood) -> FloorSpans:
    """The spans of a floor. load_pa: of all that stands on it wet through [Pa]. long_m, wide_m: of the floor [m].

    bearers: along the long side, the outer ones at its edges. bays: from leg to leg along it.
    """
    apart_m = wide_m / (bearers - 1)
    carried_m = apart_m if bearers > 2 else apart_m / 2
    return FloorSpans(
        slat_m=apart_m,
        slat_most_m=brace_spacing(load_pa, wood.thickness_m, wood.elasticity_pa),
        bearer_m=long_m / bays,
        bearer_most_m=bearer_most(load_pa, carried_m, wood),
    )


def bearers_for(load_pa: float, long_m: float, wide_m: float, bays: int, wood: FloorWood) -> int | None:
    """The fewest bearers that hold a floor, up to twenty; None where none do. As floor_spans."""
    for bearers in range(2, MOST_BEARERS + 1):
        if floor_spans(load_pa, long_m, wide_m, bearers, bays, wood).holds:
            return bearers
    return None
