"""How a bed really sinks, from readings of its surface: the two factors that fit, and how sure they are.

ln m_s ~ N(0, 0.3^2) and ln m_k ~ N(0, 0.4^2) before anything was read; readings are off by 8 mm (both ends of a ruler).
The most likely pair by Gauss-Newton from (1, 1), its spread by the inverse of the curvature there (Laplace's
approximation; Bishop 2006, 4.4).
"""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence

import numpy as np
from numpy.typing import NDArray

from nolbet_core.record import record
from nolbet_core.settling.factors import Factors

Values = NDArray[np.float64]

SETTLING_SD, DECAY_SD = 0.3, 0.4
"""How far ln of either factor lies off 0 before anything was read."""
READING_SD_M = 0.008
WILD_SDS = 4.0
"""A reading further off than so many standard deviations is named."""
STEP = 1e-4
HUBER_SDS = 1.5
LEAST_TOLD_APART = 3
MOST_ROUNDS = 4
MOST_STEPS = 25
LONGEST_STEP = 0.5
"""Of ln of a factor, so that no step leads into nowhere."""
NEARLY = 1e-3
"""So near the next step of ln of a factor is that none is taken."""
ROUGHLY = 0.02
"""The same for the start, which only has to tell wild readings."""

Surface = Callable[[Factors], Values]
"""Heights of the surface at the readings' times [m], a row for each pair of factors."""


@record
class SurfaceReading:
    """A height of a bed's surface above its floor [m], so many months after filling."""

    months: float
    height_m: float


@record
class SinkingFit:
    """The factors that fit a bed's readings best: on what settles, and on how fast it rots.

    sd: of ln of each. covariance: of both. misfits_m: of each reading, over the fit [m]. wild: places of those that are
    off by more than four standard deviations.
    """

    settling_factor: float
    decay_factor: float
    sd: tuple[float, float]
    covariance: tuple[tuple[float, float], tuple[float, float]]
    readings: int
    misfits_m: tuple[float, ...]
    wild: tuple[int, ...]

    @property
    def factors(self) -> Factors:
        """Both together."""
        return Factors(self.settling_factor, self.decay_factor)


def fit_factors(readings: Sequence[SurfaceReading], surface: Surface) -> SinkingFit:
    """The factors that fit readings of a bed's surface. surface: gives heights at their times.

    A reading that is off by more than four standard deviations where the others say the bed stands is named, and left
    out of the fit; of fewer than three none can be told from the others.
    """
    read = np.array([each.height_m for each in readings])
    counts = np.ones(len(read), dtype=bool)
    told_apart = len(read) >= LEAST_TOLD_APART
    huber_sds, nearly = (HUBER_SDS, ROUGHLY) if told_apart else (np.inf, NEARLY)
    at, heights, spread = _most_likely(read, counts, surface, huber_sds, np.zeros(2), nearly)
    for _ in range(MOST_ROUNDS if told_apart else 0):
        near = np.abs(read - heights) <= WILD_SDS * READING_SD_M
        at, heights, spread = _most_likely(read, near, surface, np.inf, at, NEARLY)
        if bool(np.all(near == counts)):
            break
        counts = near
    misfits = read - heights
    wild = tuple(index for index, off in enumerate(misfits) if abs(off) > WILD_SDS * READING_SD_M)
    return SinkingFit(
        math.exp(at[0]),
        math.exp(at[1]),
        (math.sqrt(spread[0, 0]), math.sqrt(spread[1, 1])),
        ((float(spread[0, 0]), float(spread[0, 1])), (float(spread[1, 0]), float(spread[1, 1]))),
        len(readings),
        tuple(float(each) for each in misfits),
        wild,
    )


def _most_likely(
    read: Values, counts: NDArray[np.bool_], surface: Surface, huber_sds: float, start: Values, nearly: float
) -> tuple[Values, Values, Values]:
    """ln of the most likely factors, the heights with them [m], and their covariance.

    counts: which readings do. huber_sds: from how many standard deviations on a reading pulls no harder (Huber 1964).
    start: where it is looked for from. nearly: how small a step ends it.
    """
    precision = np.diag([SETTLING_SD**-2, DECAY_SD**-2])
    at = start
    for _ in range(MOST_STEPS):
        heights, slopes = _heights_and_slopes(at, surface)
        weights = _weights(read - heights, huber_sds) * counts
        curvature = slopes.T @ (weights[:, None] * slopes) + precision
        step: Values = np.asarray(
            np.linalg.solve(curvature, slopes.T @ (weights * (read - heights)) - precision @ at), dtype=np.float64
        )
        step *= min(1.0, LONGEST_STEP / max(float(np.abs(step).max()), 1e-12))
        at = at + step
        if float(np.abs(step).max()) < nearly:
            break
    # the last step is short, and the heights go straight that far
    return at, heights + slopes @ step, np.asarray(np.linalg.inv(curvature), dtype=np.float64)


def drawn_factors(draws: int, seed: int) -> tuple[Values, Values]:
    """What both factors may be before anything was read, by draw."""
    chance = np.random.default_rng(seed)
    return np.exp(chance.normal(0.0, SETTLING_SD, draws)), np.exp(chance.normal(0.0, DECAY_SD, draws))


def _weights(off: Values, huber_sds: float) -> Values:
    """What each reading counts for, by how far it is off [1/m2]."""
    far = np.abs(off) / READING_SD_M
    weights: Values = np.where(far > huber_sds, huber_sds / np.maximum(far, 1e-12), 1.0) / READING_SD_M**2
    return weights


def _heights_and_slopes(at: Values, surface: Surface) -> tuple[Values, Values]:
    """The heights [m], and how they change with ln of either factor [m]: readings x 2."""
    tried = np.exp(np.vstack([at, at + STEP * np.eye(2)]))
    rows = surface(Factors(tried[:, :1], tried[:, 1:]))
    return rows[0], (rows[1:] - rows[0]).T / STEP
