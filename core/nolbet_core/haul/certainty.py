"""Certainty of amounts: sampled needs, and the amounts of a list that are enough all at once in a share of gardens."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

import numpy as np
from numpy.typing import NDArray

from nolbet_core.draws.shapes import Drawn
from nolbet_core.haul.needs import Need
from nolbet_core.record import record

Flags = NDArray[np.bool_]

SAME_M3 = 1e-9

LABEL = (0.95, 1.0)
"""What a bag holds of what its label says: EN 12580 allows less than labelled."""


LOAD_SD = 0.06
"""Error of a loose load as the loader makes it, standard deviation as a share of it (estimate)."""

STEPS = 30
"""Halvings of the share that each material of a list is bought for."""


@record
class DrawnNeed:
    """A loose need in many gardens: what is to buy [m3].

    label: what a bag holds of what its label says. load: what a loose load brings of what was ordered.
    """

    need: Need
    to_buy_m3: Drawn
    label: Drawn
    load: Drawn

    @property
    def in_bags_m3(self) -> Drawn:
        """What is to buy by the labels of bags [m3]."""
        by_label: Drawn = self.to_buy_m3 / self.label
        return by_label

    @property
    def in_loads_m3(self) -> Drawn:
        """What has to be ordered loose so that enough comes [m3]."""
        ordered: Drawn = self.to_buy_m3 / self.load
        return ordered

    def is_enough(self, loose_m3: float, bags_m3: float) -> Flags:
        """True in each garden where so much ordered loose and in bags, by their labels [m3], is enough."""
        found: Flags = loose_m3 * self.load + bags_m3 * self.label >= self.to_buy_m3 - SAME_M3
        return found

    def enough(self, loose_m3: float, bags_m3: float) -> float:
        """Share of gardens in which so much ordered loose and in bags, by their labels [m3], is enough [0-1]."""
        return float(np.mean(self.is_enough(loose_m3, bags_m3)))

    def for_share(self, share: float) -> float:
        """Loose order that is enough in a share of gardens [m3]."""
        return float(np.quantile(self.in_loads_m3, share, method="inverted_cdf"))

    def bags_for_share(self, share: float) -> float:
        """Bags by their labels that are enough in a share of gardens [m3]."""
        return float(np.quantile(self.in_bags_m3, share, method="inverted_cdf"))

    def enough_for_share(self, share: float, forms: Sequence[str]) -> Flags:
        """True in each garden where what is bought for a share is enough, whichever of the forms it is bought in."""
        both = np.ones(len(self.to_buy_m3), dtype=bool)
        if "bag" in forms:
            both &= self.is_enough(0.0, self.bags_for_share(share))
        if "bulk" in forms:
            both &= self.is_enough(self.for_share(share), 0.0)
        return both


def share_of_each(needs: Mapping[str, DrawnNeed], forms: Mapping[str, Sequence[str]], certainty: float) -> float:
    """Share of gardens that each material is bought for, so that all are enough at once in a share of gardens [0-1].

    The same share for each material, the least that does, found by halving. needs, forms: by material; materials that
    nobody offers in bags or loose count for nothing. certainty: share of gardens asked for [0-1].
    """
    asked = [(need, forms[key]) for key, need in needs.items() if forms.get(key)]
    low, high = certainty, 1.0
    if not asked or _together(asked, low) >= certainty:
        return certainty
    for _ in range(STEPS):
        middle = (low + high) / 2
        if _together(asked, middle) >= certainty:
            high = middle
        else:
            low = middle
    return high


def _together(asked: Sequence[tuple[DrawnNeed, Sequence[str]]], share: float) -> float:
    return float(np.mean(np.logical_and.reduce([need.enough_for_share(share, forms) for need, forms in asked])))
