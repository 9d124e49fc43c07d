"""What is left of a material's volume over the months: it settles at first, and rots for years."""

from __future__ import annotations

from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from nolbet_core.settling.clock import MONTHS, Clock, rotted_years
from nolbet_core.settling.factors import AS_USUAL, Factors
from nolbet_core.shelf.material import Material

Shares = NDArray[np.float64]

SETTLING_YEARS = 0.15
"""Time constant of physical settling [years] (estimate)."""


def settled_after(months: Shares) -> Shares:
    """How much of what settles has, after months [0-1]: 1 - exp(-t / tau), most in the first winter."""
    settled: Shares = 1 - np.exp(-months / 12 / SETTLING_YEARS)
    return settled


SETTLED_BY_MONTH: Shares = settled_after(np.arange(MONTHS + 1, dtype=float))
SETTLED_BY_MONTH.flags.writeable = False
"""The same for months 0 to 120."""

HOLLOW_FROM = 0.5
"""Logs keep their volume until so much of their mass is left (Harmon et al. 1986)."""

SOUND_STAYS = 0.9
"""Share of their volume that stays until then, however much they rot."""


def log_volume(left: Shares, stays: Shares) -> Shares:
    """Volume of logs over that laid, settling left out, where so much of what can rot is left.

    left: of the part that rots [0-1]. stays: share of the mass that does not [0-1]. Until half their mass is gone they
    lose density, not volume (r 0.9); from there on the volume follows the mass.

    Source: Harmon et al. 1986.
    """
    mass = stays + (1 - stays) * left
    left_at_half = np.clip((HOLLOW_FROM - stays) / np.maximum(1 - stays, 1e-12), 0.0, 1.0)
    at_half = SOUND_STAYS + (1 - SOUND_STAYS) * left_at_half
    sound = SOUND_STAYS + (1 - SOUND_STAYS) * left
    volume: Shares = np.where(mass >= HOLLOW_FROM, sound, at_half * mass / HOLLOW_FROM)
    return volume


@lru_cache(maxsize=4096)
def remaining_by_month(settles: float, stays: float, decay_per_year: float, clock: Clock) -> Shares:
    """Volume over the volume as laid, for months 0 to 120.

    V(t)/V0 = [1 - s (1 - exp(-t / tau))] x [r + (1 - r) exp(-k f t)]. settles, stays: s and r [0-1]. decay_per_year: k
    at 12 degrees C [1/year]. clock: f t.
    """
    return _fixed(_left(settles, stays, decay_per_year, SETTLED_BY_MONTH, rotted_years(clock)))


@lru_cache(maxsize=1024)
def logs_by_month(settles: float, stays: float, decay_per_year: float, clock: Clock) -> Shares:
    """The same for logs, whose volume follows their mass late. Figures as in remaining_by_month."""
    return _fixed(_left_of_logs(settles, stays, decay_per_year, SETTLED_BY_MONTH, rotted_years(clock)))


Figure = float | Shares


def _left(settles: Figure, stays: Figure, decay_per_year: Figure, settled: Shares, rotted: Shares) -> Shares:
    left: Shares = (1 - settles * settled) * (stays + (1 - stays) * np.exp(-decay_per_year * rotted))
    return left


def _left_of_logs(settles: Figure, stays: Figure, decay_per_year: Figure, settled: Shares, rotted: Shares) -> Shares:
    left: Shares = (1 - settles * settled) * log_volume(np.exp(-decay_per_year * rotted), np.array(stays))
    return left


def _fixed(shares: Shares) -> Shares:
    shares.flags.writeable = False
    return shares


def _plain(material: Material, clock: Clock, factors: Factors) -> Shares:
    by_month = logs_by_month if material.keeps_volume else remaining_by_month
    if factors is AS_USUAL:
        return by_month(*material.settling, clock)
    # a fit tries factors that never come again: kept they would only push out what is asked for all the time
    return by_month.__wrapped__(*factors.of(material.settling), clock)


def left_after(material: Material, settled: Shares, rotted: Shares, factors: Factors = AS_USUAL) -> Shares:
    """Volume over the volume as laid of a material, at any times; a mix sinks as its parts do, each by itself.

    settled: how much of what settles has by then [0-1]. rotted: for how long it has rotted, in years moist at 12
    degrees C. factors: multipliers of its figures, of several pairs a row each.
    """
    of = _left_of_logs if material.keeps_volume else _left
    if not material.parts:
        return of(*factors.of(material.settling), settled, rotted)
    return sum(
        (each.volume_share * left_after(each.material, settled, rotted, factors) for each in material.parts),
        np.zeros_like(settled),
    )


def remaining_shares(material: Material, clock: Clock, factors: Factors = AS_USUAL) -> Shares:
    """Volume over the volume as laid of a material, for months 0 to 120; a mix sinks as its parts do, each by itself.

    clock: how fast things rot there. factors: how it settles and rots otherwise than its figures say.
    """
    if not material.parts:
        return _plain(material, clock, factors)
    return sum(
        (each.volume_share * _plain(each.material, clock, factors) for each in material.parts),
        np.zeros(MONTHS + 1),
    )
