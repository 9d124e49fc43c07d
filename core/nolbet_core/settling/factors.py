"""How a bed settles and rots otherwise than its materials' figures say."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from nolbet_core.record import record

Values = NDArray[np.float64]

MOST_SETTLED = 0.95
"""No material loses more of its volume by settling alone [0-1]."""


@record
class Factors:
    """How many times as much a bed settles, and how many times as fast it rots, as its materials' figures say.

    Of several pairs at once each is a column, and what follows of them has a row for each.
    """

    settling: float | Values = 1.0
    decay: float | Values = 1.0

    def of(self, figures: tuple[float, float, float]) -> tuple[float | Values, float, float | Values]:
        """A material's share lost by settling and share that stays [0-1], and its decay [1/year], by the factors."""
        settles, stays, decay_per_year = figures
        most = max(MOST_SETTLED, settles)
        return np.minimum(settles * self.settling, most), stays, decay_per_year * self.decay


AS_USUAL = Factors()
