"""Shapes that inputs are spread in: values below which so many lie."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

Drawn = NDArray[np.float64]

MIDDLE = 0.425
MIDDLE_OVER = (2509.0809287301226727, 33430.575583588128105, 67265.770927008700853, 45921.953931549871457,
               13731.693765509461125, 1971.5909503065514427, 133.14166789178437745, 3.3871328727963666080)  # fmt: skip
MIDDLE_UNDER = (5226.4952788528545610, 28729.085735721942674, 39307.895800092710610, 21213.794301586595867,
                5394.1960214247511077, 687.18700749205790830, 42.313330701600911252, 1.0)  # fmt: skip
TAIL_OVER = (7.7454501427834140764e-4, 2.27238449892691845833e-2, 0.24178072517745061177, 1.27045825245236838258,
             3.64784832476320460504, 5.7694972214606914055, 4.6303378461565452959, 1.42343711074968357734)  # fmt: skip
TAIL_UNDER = (1.05075007164441684324e-9, 5.475938084995344946e-4, 1.51986665636164571966e-2, 0.14810397642748007459,
              0.68976733498510000455, 1.6763848301838038494, 2.05319162663775882187, 1.0)  # fmt: skip


def standard_normal(shares: Drawn) -> Drawn:
    """Values of the standard normal below which so many lie [0-1], from 1e-10 to 1 less that.

    Algorithm AS 241 (Wichura 1988), without its outermost tails; scipy's takes longer to load than all draws take.
    """
    off = shares - 0.5
    near = MIDDLE**2 - off**2
    middle = off * np.polyval(MIDDLE_OVER, near) / np.polyval(MIDDLE_UNDER, near)
    out = np.sqrt(-np.log(np.clip(np.minimum(shares, 1 - shares), 1e-10, 0.5))) - 1.6
    tail = np.sign(off) * np.polyval(TAIL_OVER, out) / np.polyval(TAIL_UNDER, out)
    return np.where(np.abs(off) <= MIDDLE, middle, tail)


def triangular(shares: Drawn, least: float, likely: float, most: float) -> Drawn:
    """Values of a triangular spread below which so many lie [0-1]. least, likely, most: its corners, least first."""
    if most <= least:
        return np.full(len(shares), likely)
    rise = (likely - least) / (most - least)
    up = least + np.sqrt(shares * (most - least) * (likely - least))
    down = most - np.sqrt((1 - shares) * (most - least) * (most - likely))
    return np.where(shares < rise, up, down)
