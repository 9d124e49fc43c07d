"""Mean and spread of the two factors of sinking over all that their readings leave possible.

The factors go into the surface by exponentials, so that the most likely pair is not the mean one, and its curvature
makes bands that are too narrow. Both are taken by Gauss-Hermite quadrature round the most likely pair instead. The
error of a reading is integrated out: with an inverse gamma prior the readings follow Student's t (Bishop 2006, 2.3.7).
"""

from __future__ import annotations

from collections.abc import Callable

import numpy as np
from numpy.typing import NDArray

from nolbet_core.record import record

Values = NDArray[np.float64]

NODES = 9
WIDER = 1.25
"""The nodes lie so many times as wide as the curvature says, to reach into the tails."""


@record
class ErrorPrior:
    """What is known of the error of a reading beforehand: readings that it counts for, and its size [m]."""

    readings: float
    sd_m: float


def mean_and_spread(
    at: Values, curvature_spread: Values, prior_sd: Values, misfits_of: Callable[[Values], Values], error: ErrorPrior
) -> tuple[Values, Values]:
    """Mean and covariance of unknowns with normal priors round 0.

    at, curvature_spread: the most likely unknowns and their covariance by the curvature there. prior_sd: standard
    deviations of the priors. misfits_of: readings less what pairs of unknowns say [m], a row for each pair.
    """
    along, weights = np.polynomial.hermite_e.hermegauss(NODES)
    nodes = np.array([(one, other) for one in along for other in along])
    by_rule = np.array([np.log(one * other) for one in weights for other in weights])
    tried = at + nodes @ np.linalg.cholesky(curvature_spread * WIDER**2).T
    misfits = misfits_of(tried)
    squares = error.readings * error.sd_m**2 + np.sum(misfits**2, axis=1)
    freedom = error.readings + misfits.shape[1]
    log_weight = by_rule - freedom / 2 * np.log(squares) - np.sum((tried / prior_sd) ** 2 - nodes**2, axis=1) / 2
    weight = np.exp(log_weight - log_weight.max())
    weight /= weight.sum()
    mean: Values = weight @ tried
    off = tried - mean
    return mean, (off * weight[:, np.newaxis]).T @ off
