"""How sure a count is: needs drawn over what nobody measured to the litre, and what is enough in a share of gardens."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import field
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from nolbet_core.record import record

DRAWS = 20_000
SEED = 1811
LABEL = (0.95, 1.0)
"""What a bag holds of what its label says: EN 12580 allows less than labelled."""

SLICES = 50
NO_SPREAD = 1e-12

Drawn = NDArray[np.float64]
Source = Literal["tape", "raking", "loose_factor", "label"]
"""Where the spread of a need comes from."""


@record
class BedSpread:
    """What one bed and those alike take of a material [m3], and how far that may be off as a share (sd).

    tape: by the tape, for all its materials alike; raked: by how level its boundaries are raked.
    """

    bed: str
    loose_m3: float
    tape: float
    raked: float


@record
class NeedSpread:
    """A need, bed by bed, how far its loose factor may lie from the usual one (least, likely, most), and what lies on
    hand [m3].
    """

    material: str
    beds: tuple[BedSpread, ...]
    loose: tuple[float, float, float]
    stock_m3: float


@record
class DrawnNeed:
    """What is to buy of a material in many gardens [m3], and what a bag of it holds of what its label says there.

    inputs: what was drawn of each source of its spread, of the tape that of the bed where it counts most.
    """

    to_buy_m3: Drawn
    label: Drawn
    inputs: Mapping[Source, Drawn] = field(default_factory=dict)

    def shares_of_variance(self) -> dict[Source, float]:
        """What each source takes of how far what is to buy in bags is spread [0-1].

        First-order indices by conditional means of the draws (Sobol 1993): each source's draws are sorted into slices
        of equal number, and the variance of the slices' means is held against that of all.
        """
        bags_m3 = self.to_buy_m3 / self.label
        whole = float(np.var(bags_m3))
        if whole <= NO_SPREAD * float(np.mean(bags_m3)) ** 2:
            return {}
        return {source: _first_order(bags_m3, drawn) / whole for source, drawn in self.inputs.items()}

    def enough(self, loose_m3: float, bags_m3: float) -> float:
        """Share of gardens in which so much loose and in bags, by their labels, is enough [0-1]."""
        return float(np.mean(loose_m3 + bags_m3 * self.label >= self.to_buy_m3 - 1e-9))

    def for_share(self, share: float) -> float:
        """What is enough loose in a share of gardens [m3]."""
        return float(np.quantile(self.to_buy_m3, share, method="inverted_cdf"))

    def bags_for_share(self, share: float) -> float:
        """What is enough by the labels of bags in a share of gardens [m3]."""
        return float(np.quantile(self.to_buy_m3 / self.label, share, method="inverted_cdf"))


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


def drawn_needs(spreads: Sequence[NeedSpread], draws: int = DRAWS, seed: int = SEED) -> Mapping[str, DrawnNeed]:
    """Every need in as many gardens as are drawn; one seed gives the same ones every time.

    A bed's tape is off for all its materials alike, a material's loose factor for all beds alike, raking for each bed
    and material by itself. Each input is drawn once from each of as many equal slices of its spread (Latin hypercube,
    McKay, Beckman and Conover 1979), so that shares come out as they would of many times the draws.
    """
    chance = np.random.default_rng(seed)
    tapes: dict[str, Drawn] = {}
    found = {}
    for spread in spreads:
        loose_m3, rakings = np.zeros(draws), np.zeros(draws)
        for bed in spread.beds:
            if bed.bed not in tapes:
                tapes[bed.bed] = _normal(chance, draws)
            raked = _normal(chance, draws)
            rakings += bed.loose_m3 * bed.raked * raked
            loose_m3 += bed.loose_m3 * np.maximum(1 + bed.tape * tapes[bed.bed] + bed.raked * raked, 0.0)
        factor = _triangular(_slices(chance, draws), *spread.loose)
        label = LABEL[0] + (LABEL[1] - LABEL[0]) * _slices(chance, draws)
        needed_m3 = np.maximum(loose_m3 * factor - spread.stock_m3, 0.0)
        inputs: dict[Source, Drawn] = {"raking": rakings, "loose_factor": factor, "label": label}
        widest = max(spread.beds, key=lambda bed: bed.tape * bed.loose_m3, default=None)
        if widest is not None:
            inputs["tape"] = tapes[widest.bed]
        found[spread.material] = DrawnNeed(needed_m3, label, inputs)
    return found


def _first_order(output: Drawn, drawn: Drawn) -> float:
    """Variance of an output's means over slices of an input."""
    order = np.argsort(drawn, kind="stable")
    means = [float(np.mean(each)) for each in np.array_split(output[order], SLICES)]
    return float(np.var(means))


def _slices(chance: np.random.Generator, draws: int) -> Drawn:
    """One number from each of so many equal slices of 0 to 1, in any order."""
    return (chance.permutation(draws) + chance.random(draws)) / draws


def _normal(chance: np.random.Generator, draws: int) -> Drawn:
    return standard_normal(_slices(chance, draws))


def _triangular(shares: Drawn, least: float, likely: float, most: float) -> Drawn:
    """Values of a triangular spread below which so many lie."""
    if most <= least:
        return np.full(len(shares), likely)
    rise = (likely - least) / (most - least)
    up = least + np.sqrt(shares * (most - least) * (likely - least))
    down = most - np.sqrt((1 - shares) * (most - least) * (most - likely))
    return np.where(shares < rise, up, down)
