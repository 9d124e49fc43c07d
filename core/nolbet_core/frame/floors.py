"""The floor of a box on legs: spans of its slats and bearers, by sag and by strength, under all that is on it."""

from __future__ import annotations

import math

from nolbet_core.frame.bowing import BENDS_AT_MOST, CREEP, brace_spacing
from nolbet_core.frame.strength import PERSON_N, Section, plate_span, strong_span, support_shares
from nolbet_core.record import record
from nolbet_core.shelf.timber import StrengthClass

MOST_BEARERS = 20
SAME_M = 1e-9


@record
class FloorSpan:
    """A span [m], and the longest that sag and strength allow [m]."""

    is_m: float
    sag_m: float
    strength_m: float

    @property
    def most_m(self) -> float:
        """The longest span allowed [m]: the worse of sag and strength."""
        return min(self.sag_m, self.strength_m)

    @property
    def is_strong(self) -> bool:
        """True if the wood is strong enough."""
        return self.is_m <= self.strength_m + SAME_M

    @property
    def holds(self) -> bool:
        """True if the wood is strong enough, and bends by no more than a 150th of the span."""
        return self.is_m <= self.most_m + SAME_M


@record
class FloorSpans:
    """The spans of a floor's slats and bearers."""

    slats: FloorSpan
    bearers: FloorSpan

    @property
    def is_strong(self) -> bool:
        """True if slats and bearers are strong enough."""
        return self.slats.is_strong and self.bearers.is_strong

    @property
    def holds(self) -> bool:
        """True if slats and bearers are strong enough and stiff enough."""
        return self.slats.holds and self.bearers.holds


@record
class FloorWood:
    """The boards of a floor: thickness and width [m] of a slat, and of a bearer, which stands on edge."""

    thickness_m: float
    width_m: float
    strength: StrengthClass


def bearer_most(load_n_m: float, wood: FloorWood) -> float:
    """Longest span [m] at which a bearer on edge bends by no more than a 150th of it.

    5 w L^4 / (384 E I) (1 + k_def) = L / 150, on the safe side for continuous bearers. load_n_m: on the bearer [N/m].
    Infinite without a load.
    """
    if load_n_m <= 0:
        return math.inf
    inertia_m4 = wood.thickness_m * wood.width_m**3 / 12
    stiff = 384 * wood.strength.elasticity_pa * inertia_m4 * BENDS_AT_MOST
    return float((stiff / (5 * load_n_m * (1 + CREEP))) ** (1 / 3))


def floor_spans(load_pa: float, long_m: float, wide_m: float, bearers: int, bays: int, wood: FloorWood) -> FloorSpans:
    """The spans of a floor.

    load_pa: of all that is on it, wet through [Pa]. long_m, wide_m: length and width of the floor [m].
    bearers: number along the long side, the outer ones at its edges. bays: from leg to leg along it.
    A person on the rim rests on an outer bearer.
    """
    apart_m = wide_m / (bearers - 1)
    shares = support_shares(bearers - 1)
    outer_n_m = load_pa * apart_m / 2
    inner_n_m = load_pa * apart_m * max(shares[1:-1], default=0.0)
    bearer = Section(wood.thickness_m, wood.width_m)
    return FloorSpans(
        slats=FloorSpan(
            apart_m,
            brace_spacing(load_pa, wood.thickness_m, wood.strength.elasticity_pa),
            plate_span(load_pa, wood.thickness_m, wood.strength, bearers - 1),
        ),
        bearers=FloorSpan(
            long_m / bays,
            bearer_most(max(outer_n_m, inner_n_m), wood),
            min(
                strong_span(outer_n_m, bearer, wood.strength, bays, PERSON_N),
                strong_span(inner_n_m, bearer, wood.strength, bays),
            ),
        ),
    )


def bearers_for(load_pa: float, long_m: float, wide_m: float, bays: int, wood: FloorWood) -> int | None:
    """The fewest bearers that hold a floor, up to twenty; None if none do. Parameters as in floor_spans."""
    for bearers in range(2, MOST_BEARERS + 1):
        if floor_spans(load_pa, long_m, wide_m, bearers, bays, wood).holds:
            return bearers
    return None
