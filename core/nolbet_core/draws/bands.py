"""How far a figure is spread over the draws of its inputs, and which of them spread it."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Generic, TypeVar

import numpy as np

from nolbet_core.draws.shapes import Drawn
from nolbet_core.record import record

LOW, HIGH = 0.10, 0.90
"""A band holds four draws of five."""

SLICES = 50

NO_SPREAD = 1e-12
"""Variance over the square of the mean below which nothing is spread."""


@record
class DrawnBand:
    """Where four of five gardens lie, in the figure's own unit."""

    low: float
    high: float


def band_of(drawn: Drawn) -> DrawnBand:
    """The band that a figure's draws lie in; each edge is one of the draws."""
    in_order = np.sort(drawn)
    last = len(in_order) - 1
    return DrawnBand(float(in_order[int(LOW * last)]), float(in_order[int(np.ceil(HIGH * last))]))


def is_spread(drawn: Drawn) -> bool:
    """Whether draws differ from each other."""
    return float(np.var(drawn)) > NO_SPREAD * max(float(np.mean(drawn)) ** 2, NO_SPREAD)


Name = TypeVar("Name", bound=str)


class Ranked(Generic[Name]):
    """Inputs put in order once, to be held against many figures. asked: draws by name, all alike long."""

    def __init__(self, asked: Mapping[Name, Drawn]) -> None:
        self.names = list(asked)
        draws = len(next(iter(asked.values()))) if asked else 0
        self._each = draws // SLICES
        orders = [np.argsort(column, kind="stable")[: self._each * SLICES] for column in asked.values()]
        self._order = np.array(orders, dtype=np.int64).reshape(len(orders), SLICES, self._each)

    def shares(self, drawn: Drawn) -> dict[Name, float]:
        """What share of a figure's variance each input takes by itself [0-1], of those that take any.

        First-order indices by conditional means of the draws (Sobol 1993): the variance of the means of slices of equal
        number, less what chance alone makes of them, over the variance of all. drawn: the figure, draw by draw.
        """
        if not self.names or not is_spread(drawn):
            return {}
        means = drawn[self._order].mean(axis=2)
        whole = float(np.var(drawn))
        by_slice = means.var(axis=1)
        # what is left within slices, freed of what their own means take
        within = (whole - by_slice) * self._each / (self._each - 1)
        shares = (by_slice * SLICES / (SLICES - 1) - within / self._each) / whole
        return {name: float(share) for name, share in zip(self.names, shares, strict=True) if share > 0}
