"""The inputs that aren't known well, each by its name, drawn once for everything that rests on it."""

from __future__ import annotations

import zlib
from collections.abc import Mapping
from functools import lru_cache

import numpy as np

from nolbet_core.draws.shapes import Drawn, standard_normal, triangular

DRAWS = 2_000
SEED = 1811
"""The same draws every time, so that a band doesn't flicker while a bed is drawn."""


@lru_cache(maxsize=4096)
def _column(seed: int, name: str, draws: int) -> Drawn:
    """One number from each of so many equal slices of 0 to 1, in an order that belongs to the name."""
    chance = np.random.default_rng([seed, zlib.crc32(name.encode())])
    column: Drawn = (chance.permutation(draws) + chance.random(draws)) / draws
    column.flags.writeable = False
    return column


class Inputs:
    """Draws of inputs by name. What is drawn of a name is the same wherever it is asked for, so that all figures of a
    garden rest on one set of draws, and doesn't depend on what else is asked for.

    Each is drawn once from each of as many equal slices of its spread (Latin hypercube, McKay, Beckman and Conover
    1979). draws: how many gardens are drawn.
    """

    def __init__(self, draws: int = DRAWS, seed: int = SEED) -> None:
        self.draws = draws
        self._seed = seed
        self._asked: dict[str, Drawn] = {}

    @property
    def asked(self) -> Mapping[str, Drawn]:
        """What was drawn so far of inputs that have a spread: the share of their values that lies below [0-1]."""
        return self._asked

    def normal(self, name: str, sd: float) -> Drawn:
        """Draws round nothing. sd: standard deviation."""
        if sd <= 0:
            return np.zeros(self.draws)
        return sd * standard_normal(self._shares(name))

    def triangular(self, name: str, least: float, likely: float, most: float) -> Drawn:
        """Draws between least and most, most often near what is likely."""
        if most <= least:
            return np.full(self.draws, likely)
        return triangular(self._shares(name), least, likely, most)

    def uniform(self, name: str, least: float, most: float) -> Drawn:
        """Draws between least and most, all alike often."""
        return least + (most - least) * self._shares(name)

    def pick(self, name: str, count: int) -> NDArrayInt:
        """One of so many, all alike often: their places."""
        return np.minimum((self._shares(name) * count).astype(np.int64), count - 1)

    def _shares(self, name: str) -> Drawn:
        if name not in self._asked:
            self._asked[name] = self._drawn(name)
        return self._asked[name]

    def _drawn(self, name: str) -> Drawn:
        return _column(self._seed, name, self.draws)


NDArrayInt = np.ndarray[tuple[int, ...], np.dtype[np.int64]]


class OneOf(Inputs):
    """A single garden of those that are drawn: what a plain loop over them takes one after the other."""

    def __init__(self, inputs: Inputs, at: int) -> None:
        super().__init__(1)
        self._of, self._at = inputs, at

    def _drawn(self, name: str) -> Drawn:
        return self._of._shares(name)[self._at : self._at + 1]
