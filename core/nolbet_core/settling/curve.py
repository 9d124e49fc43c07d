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

SETTLED_BY_MONTH: Shares = 1 - np.exp(-np.arange(MONTHS + 1) / 12 / SETTLING_YEARS)
SETTLED_BY_MONTH.flags.writeable = False
"""How much of what settles has, for months 0 to 120 [0-1]: 1 - exp(-t / tau), most in the first winter."""

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
    left = np.exp(-decay_per_year * rotted_years(clock))
    return _settled(settles, stays + (1 - stays) * left)


@lru_cache(maxsize=1024)
def logs_by_month(settles: float, stays: float, decay_per_year: float, clock: Clock) -> Shares:
    """The same for logs, whose volume follows their mass late. Figures as in remaining_by_month."""
    left = np.exp(-decay_per_year * rotted_years(clock))
    return _settled(settles, log_volume(left, np.array(stays)))


def _settled(settles: float, rotted: Shares) -> Shares:
    shares: Shares = (1 - settles * SETTLED_BY_MONTH) * rotted
    shares.flags.writeable = False
    return shares


def _plain(material: Material, clock: Clock, factors: Factors) -> Shares:
    by_month = logs_by_month if material.keeps_volume else remaining_by_month
    if factors is AS_USUAL:
        return by_month(*material.settling, clock)
    # a fit tries factors that never come again: kept they would only push out what is asked for all the time
    return by_month.__wrapped__(*factors.of(material.settling), clock)


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
