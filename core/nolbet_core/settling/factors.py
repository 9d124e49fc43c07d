"""How a bed settles and rots otherwise than its materials' figures say."""

from __future__ import annotations

from nolbet_core.record import record

MOST_SETTLED = 0.95
"""No material loses more of its volume by settling alone [0-1]."""


@record
class Factors:
    """How many times as much a bed settles, and how many times as fast it rots, as its materials' figures say."""

    settling: float = 1.0
    decay: float = 1.0

    def of(self, settling: tuple[float, float, float]) -> tuple[float, float, float]:
        """A material's share lost by settling and share that stays [0-1], and its decay [1/year], by the factors."""
        settles, stays, decay_per_year = settling
        return min(settles * self.settling, max(MOST_SETTLED, settles)), stays, decay_per_year * self.decay


AS_USUAL = Factors()
