"""A band narrowed by what was read: draws that are moved as far as the readings say.

Each draw is what a bed may come to by month. Those that lie high where the bed was read to lie low are moved down,
there and in the months that go with it, by the ensemble's own covariance (the update of Evensen 2003's ensemble filter,
with noise on the readings for each draw).
"""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

Values = NDArray[np.float64]


def conditioned(sums: Values, months: Sequence[float], sd: float, seed: int) -> Values:
    """How far draws lie off their middle once they were held against readings: months x draws, as the sums.

    sums: what the draws come to by month. months: when it was read. sd: how far one reading is off, in the sums' unit.
    """
    off: Values = sums - sums.mean(axis=1, keepdims=True)
    if not len(months):
        return off
    at = np.clip(np.asarray(months, dtype=float), 0.0, len(sums) - 1)
    before = np.minimum(at.astype(int), len(sums) - 2)
    after = (at - before)[:, np.newaxis]
    read = (1 - after) * off[before] + after * off[before + 1]
    draws = sums.shape[1]
    both = read @ read.T / (draws - 1) + sd**2 * np.eye(len(months))
    gain = np.linalg.solve(both, read @ off.T / (draws - 1)).T
    noise = np.random.default_rng(seed).normal(0.0, sd, read.shape)
    moved: Values = off - gain @ (read + noise)
    return moved
