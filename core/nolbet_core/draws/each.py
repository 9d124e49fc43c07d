"""Sums that hold for one figure and for one drawn many times over, so that both go by the same rules.

Where a rule's figure is drawn, an array of its draws stands in the place of the number; sums, products and powers of it
need nothing more, and what does stands here.
"""

from __future__ import annotations

import math
from typing import cast

import numpy as np

from nolbet_core.draws.shapes import Drawn


def as_figure(drawn: Drawn) -> float:
    """Draws in the place of a figure: what rules take for it."""
    return cast(float, drawn)


def as_draws(figure: float, draws: int) -> Drawn:
    """A figure's draws; of one that isn't drawn as often the same."""
    found: Drawn = np.broadcast_to(np.asarray(figure, dtype=float), (draws,))
    return found


def larger(one: float, other: float) -> float:
    """The larger of two figures, draw by draw."""
    if isinstance(one, float | int) and isinstance(other, float | int):
        return max(one, other)
    return as_figure(np.maximum(one, other))


def smaller(one: float, other: float) -> float:
    """The smaller of two figures, draw by draw."""
    if isinstance(one, float | int) and isinstance(other, float | int):
        return min(one, other)
    return as_figure(np.minimum(one, other))


def is_nothing(figure: float) -> bool:
    """Whether a figure is nothing in every draw."""
    return figure == 0 if isinstance(figure, float | int) else not np.any(figure)


def exponential(figure: float) -> float:
    """e to a figure, draw by draw."""
    return math.exp(figure) if isinstance(figure, float | int) else as_figure(np.exp(figure))
