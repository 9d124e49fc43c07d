"""How sure a count is: needs drawn over what nobody measured to the litre, and what is enough in a share of gardens."""

from __future__ import annotations

import numpy as np

from nolbet_core.draws.shapes import Drawn
from nolbet_core.haul.needs import Need
from nolbet_core.record import record

LABEL = (0.95, 1.0)
"""What a bag holds of what its label says: EN 12580 allows less than labelled."""


@record
class DrawnNeed:
    """A loose need in many gardens: what is to buy [m3], and what a bag of it holds of what its label says there."""

    need: Need
    to_buy_m3: Drawn
    label: Drawn

    @property
    def in_bags_m3(self) -> Drawn:
        """What is to buy by the labels of bags [m3]."""
        by_label: Drawn = self.to_buy_m3 / self.label
        return by_label

    def enough(self, loose_m3: float, bags_m3: float) -> float:
        """Share of gardens in which so much loose and in bags, by their labels, is enough [0-1]."""
        return float(np.mean(loose_m3 + bags_m3 * self.label >= self.to_buy_m3 - 1e-9))

    def for_share(self, share: float) -> float:
        """What is enough loose in a share of gardens [m3]."""
        return float(np.quantile(self.to_buy_m3, share, method="inverted_cdf"))

    def bags_for_share(self, share: float) -> float:
        """What is enough by the labels of bags in a share of gardens [m3]."""
        return float(np.quantile(self.in_bags_m3, share, method="inverted_cdf"))
