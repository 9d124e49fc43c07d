"""Integrals of smooth functions by Gauss and Legendre's rule."""

from __future__ import annotations

from collections.abc import Callable
from functools import cache

import numpy as np
from numpy.typing import NDArray

Floats = NDArray[np.float64]
POINTS = 48


@cache
def _rule() -> tuple[Floats, Floats]:
    return np.polynomial.legendre.leggauss(POINTS)


def integral(function: Callable[[Floats], Floats], start: float, end: float) -> float:
    """Integral of a function from start to end with 48 Gauss-Legendre points.

    function: takes and gives an array. For functions without kinks between the ends, as those of the shapes are, the
    relative error is below 1e-9.
    """
    nodes, weights = _rule()
    half = (end - start) / 2
    return float(half * np.dot(weights, function((start + end) / 2 + half * nodes)))
