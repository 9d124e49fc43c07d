"""How a bed sinks, month by month."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date
from functools import cached_property

import numpy as np

from nolbet_core.built.seen import LaidOn, Values, all_left
from nolbet_core.climate.year import Year
from nolbet_core.settling.accounts import remaining_after, remaining_of_layers
from nolbet_core.settling.clock import MONTHS, Clock, Dampness, clock_of
from nolbet_core.settling.curve import Shares
from nolbet_core.settling.factors import AS_USUAL, Factors
from nolbet_core.settling.surface import sinking_amounts, surface_heights
from nolbet_core.shapes.vessel import Vessel
from nolbet_core.stack.fill import Filled

ALL_MONTHS: Values = np.arange(MONTHS + 1, dtype=float)


@dataclass(frozen=True)
class BedSettling:
    """A filled bed over the coming years, with the pit below it where it lies over one.

    built_on: the day of filling, where it is known. pit_layers: how many of its layers are the pit's. ground_m: height
    of the ground above the pit's floor [m]. factors: how many times as much it settles and as fast it rots as usual.
    laid_on: what was laid on since it was filled.
    """

    vessel: Vessel
    filled: Filled
    year: Year
    dampness: Dampness
    built_on: date | None
    pit_layers: int = 0
    ground_m: float = 0.0
    factors: Factors = AS_USUAL
    laid_on: tuple[LaidOn, ...] = ()

    @cached_property
    def clock(self) -> Clock:
        """How fast things rot in it, month by month."""
        return clock_of(self.year.temps_from(self.built_on), self.dampness)

    @cached_property
    def remaining(self) -> Shares:
        """What is left of the volume of each of the bed's own layers [0-1]: one row a layer, months 0 to 120."""
        return self.remaining_with_pit[self.pit_layers :]

    @cached_property
    def remaining_with_pit(self) -> Shares:
        """The same with the layers of the pit below."""
        return remaining_of_layers(self.filled, self.clock, self.factors)

    @cached_property
    def volume_m3(self) -> Shares:
        """What the bed's fill and the pit's below it come to by month [m3], with what was laid on since."""
        volumes: Shares = np.array([layer.placed_m3 for layer in self.filled.layers]) @ self.remaining_with_pit
        return volumes + self._laid_on_m3(ALL_MONTHS)

    @cached_property
    def surface_m(self) -> list[float]:
        """Height of the surface above the floor by month [m]."""
        surface: list[float] = self.heights_at(ALL_MONTHS).tolist()
        return surface

    def heights_at(self, months: Values) -> Values:
        """Height of the surface above the floor after months since it was filled, whole or not [m]."""
        heights: Values = self.heights_by(_one_pair(self.factors), months)[0]
        return heights

    def heights_by(self, factors: Factors, months: Values) -> Values:
        """The same for several pairs of factors at once: a row for each [m]."""
        remaining = remaining_after(self.filled, self.clock, factors, months)
        amounts = np.tensordot(sinking_amounts(self.vessel, self.filled), remaining, axes=1)
        if self.laid_on:
            amounts = amounts + self.laid_on_amounts(months, factors)
        heights = surface_heights(self.vessel, amounts.ravel(), self.filled.base_m).reshape(amounts.shape)
        return np.asarray(heights - self.ground_m, dtype=np.float64)

    def laid_on_amounts(self, months: Values, factors: Factors | None = None) -> Values:
        """Top-ups after months, as the layers sink: by volume [m3], or in place by thickness [m].

        factors: multipliers of settling and decay, the bed's own where none are given.
        """
        over = self._laid_on_m3(months, factors)
        return over / self.vessel.top_area_m2 if self.vessel.sinks_in_place else over

    def _laid_on_m3(self, months: Values, factors: Factors | None = None) -> Values:
        """What is left of all top-ups, after months since it was filled [m3]."""
        if self.built_on is None:
            return np.zeros_like(months)
        return all_left(self.laid_on, months, self.built_on, self.clock, factors or self.factors)


def _one_pair(factors: Factors) -> Factors:
    """A pair of factors as the first of several."""
    return Factors(np.atleast_2d(factors.settling), np.atleast_2d(factors.decay))
