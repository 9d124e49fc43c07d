"""How a bed really sinks, from readings of its surface: the two factors that fit, and how sure they are.

ln m_s ~ N(0, 0.3^2) and ln m_k ~ N(0, 0.4^2) before anything was read. The error of a reading is learned: its variance
has an inverse gamma prior at 8 mm (both ends of a ruler). The most likely pair by Gauss-Newton from (1, 1); mean and
spread of the factors by quadrature round it.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence

import numpy as np
from numpy.typing import NDArray

from nolbet_core.record import record
from nolbet_core.season.posterior import ErrorPrior, mean_and_spread
from nolbet_core.settling.factors import Factors

Values = NDArray[np.float64]

SETTLING_SD, DECAY_SD = 0.3, 0.4
"""How far ln of either factor lies off 0 before anything was read."""
PRIOR_SD = np.array([SETTLING_SD, DECAY_SD])
READING_SD_M = 0.008
ERROR_READINGS, LEAST_ERROR_READINGS = 6.0, 0.3
"""Readings that the usual error counts for, one less for each that was read, and at the least.

A few misfits say little of the error; eight say so much that the usual one has to give way, else bands of 80 % held the
truth in 69 % of beds read 16 mm wrong and in 87 % of those read 4 mm wrong (simulated).
"""
SD_OF_MEDIAN = 1.0
"""Standard deviation that misfits are given, over their median size, to find wild ones among them.

Of normal errors it is 1.48; less, so that a wild reading among few does not hide behind the misfits it makes itself.
"""
LEARNED = 0.02
"""Change of the error, as a share of it, at which it is learned."""
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
    off by more than four standard deviations. reading_sd_m: error of a reading as learned [m].
    """

    settling_factor: float
    decay_factor: float
    sd: tuple[float, float]
    covariance: tuple[tuple[float, float], tuple[float, float]]
    readings: int
    misfits_m: tuple[float, ...]
    wild: tuple[int, ...]
    reading_sd_m: float = READING_SD_M

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
    sd_m = READING_SD_M
    at, heights, spread, freedom = _most_likely(read, counts, surface, sd_m, huber_sds, np.zeros(2), nearly)
    for _ in range(MOST_ROUNDS if told_apart else 0):
        off_m = np.abs(read - heights)
        near = off_m <= WILD_SDS * max(READING_SD_M, SD_OF_MEDIAN * float(np.median(off_m)))
        at, heights, spread, freedom = _most_likely(read, near, surface, sd_m, np.inf, at, NEARLY)
        before_m, sd_m = sd_m, _learned_sd((read - heights)[near], freedom)
        if bool(np.all(near == counts)) and abs(sd_m / before_m - 1) < LEARNED:
            break
        counts = near
    error = _error_prior(int(counts.sum()))
    at, spread = mean_and_spread(at, spread, PRIOR_SD, lambda tried: (read - surface(_pairs(tried)))[:, counts], error)
    misfits = read - surface(_pairs(at[np.newaxis]))[0]
    wild = tuple(index for index, near_by in enumerate(counts) if not near_by)
    return SinkingFit(
        math.exp(at[0]),
        math.exp(at[1]),
        (math.sqrt(spread[0, 0]), math.sqrt(spread[1, 1])),
        ((float(spread[0, 0]), float(spread[0, 1])), (float(spread[1, 0]), float(spread[1, 1]))),
        len(readings),
        tuple(float(each) for each in misfits),
        wild,
        sd_m,
    )


def _learned_sd(misfits_m: Values, freedom: float) -> float:
    """Error of a reading [m]: the mean of its variance after the misfits [m] were seen, freedom of them taken up."""
    prior = _error_prior(len(misfits_m))
    squares = prior.readings * prior.sd_m**2 + float(misfits_m @ misfits_m)
    return math.sqrt(squares / (prior.readings + max(len(misfits_m) - freedom, 0.0)))


def _error_prior(readings: int) -> ErrorPrior:
    return ErrorPrior(max(ERROR_READINGS - readings, LEAST_ERROR_READINGS), READING_SD_M)


def _pairs(logs: Values) -> Factors:
    """Factors by their ln: a row for each pair."""
    tried = np.exp(logs)
    return Factors(tried[:, :1], tried[:, 1:])


def _most_likely(
    read: Values,
    counts: NDArray[np.bool_],
    surface: Surface,
    sd_m: float,
    huber_sds: float,
    start: Values,
    nearly: float,
) -> tuple[Values, Values, Values, float]:
    """ln of the most likely factors, the heights with them [m], their covariance, and the readings that they take up.

    counts: which readings do. sd_m: error of a reading [m]. huber_sds: from how many standard deviations on a reading
    pulls no harder (Huber 1964). start: where it is looked for from. nearly: how small a step ends it.
    """
    precision = np.diag(PRIOR_SD**-2.0)
    at = start
    for _ in range(MOST_STEPS):
        heights, slopes = _heights_and_slopes(at, surface)
        weights = _weights(read - heights, sd_m, huber_sds) * counts
        curvature = slopes.T @ (weights[:, None] * slopes) + precision
        step: Values = np.asarray(
            np.linalg.solve(curvature, slopes.T @ (weights * (read - heights)) - precision @ at), dtype=np.float64
        )
        step *= min(1.0, LONGEST_STEP / max(float(np.abs(step).max()), 1e-12))
        at = at + step
        if float(np.abs(step).max()) < nearly:
            break
    spread = np.asarray(np.linalg.inv(curvature), dtype=np.float64)
    freedom = float(np.trace(spread @ (curvature - precision)))
    # the last step is short, and the heights go straight that far
    return at, heights + slopes @ step, spread, freedom


def drawn_factors(draws: int, seed: int) -> tuple[Values, Values]:
    """What both factors may be before anything was read, by draw."""
    chance = np.random.default_rng(seed)
    return np.exp(chance.normal(0.0, SETTLING_SD, draws)), np.exp(chance.normal(0.0, DECAY_SD, draws))


def _weights(off: Values, sd_m: float, huber_sds: float) -> Values:
    """What each reading counts for, by how far it is off [1/m2]. sd_m: error of a reading [m]."""
    far = np.abs(off) / sd_m
    weights: Values = np.where(far > huber_sds, huber_sds / np.maximum(far, 1e-12), 1.0) / sd_m**2
    return weights


def _heights_and_slopes(at: Values, surface: Surface) -> tuple[Values, Values]:
    """The heights [m], and how they change with ln of either factor [m]: readings x 2."""
    rows = surface(_pairs(np.vstack([at, at + STEP * np.eye(2)])))
    return rows[0], (rows[1:] - rows[0]).T / STEP
