"""How sure a forecast is: many draws of each material's figures over their ranges, and the band they lie in."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from nolbet_core.settling.accounts import RAN_BY_MONTH, RUNS_DOWN, accounts_of, left_of_layer
from nolbet_core.settling.curve import MONTHS, Shares, settled_share
from nolbet_core.shelf.material import Material
from nolbet_core.stack.fill import Filled

Figures = NDArray[np.float64]

DRAWS = 500
SEED = 20260
"""The same draws every time, so that the band doesn't flicker while a bed is drawn."""

LOW, HIGH = 0.10, 0.90
"""The band holds four draws of five."""


@dataclass(frozen=True, slots=True)
class Drawn:
    """Figures drawn for materials: share lost by settling, share that stays, decay [1/year]; materials x draws."""

    settles: Figures
    stays: Figures
    decay_per_year: Figures


def plain_materials(materials: Sequence[Material]) -> tuple[list[Material], Figures]:
    """The plain materials among some, mixes broken down, and what share of each is which: materials x plain ones."""
    plain: dict[str, Material] = {}
    for material in materials:
        for each in material.parts:
            plain.setdefault(each.material.key, each.material)
        if not material.parts:
            plain.setdefault(material.key, material)
    keys = list(plain)
    shares = np.zeros((len(materials), len(keys)))
    for row, material in enumerate(materials):
        if not material.parts:
            shares[row, keys.index(material.key)] = 1.0
        for each in material.parts:
            shares[row, keys.index(each.material.key)] += each.volume_share
    return list(plain.values()), shares


def drawn_figures(materials: Sequence[Material], draws: int = DRAWS, seed: int = SEED) -> Drawn:
    """Draw each material's figures over their ranges, most often near their value (triangular), by a seed."""
    chance = np.random.default_rng(seed).random((3, len(materials), draws))
    names = ("settles_share", "stays_share", "decay_per_year")
    ranges = np.array([[_range(material, name) for material in materials] for name in names])
    return Drawn(*(_triangular(chance[i], ranges[i]) for i in range(3)))


def _range(material: Material, name: str) -> tuple[float, float, float]:
    found = material.properties.get(name)
    if found is None:
        return (1.0, 1.0, 1.0) if name == "stays_share" else (0.0, 0.0, 0.0)
    return min(found.low, found.value), found.value, max(found.high, found.value)


def _triangular(chance: Figures, ranges: Figures) -> Figures:
    """Values of triangular distributions by their cumulative chance [0-1]. ranges: rows of low, most likely, high."""
    low, mode, high = (ranges[:, i : i + 1] for i in range(3))
    wide = np.maximum(high - low, 1e-300)
    rising = low + np.sqrt(chance * wide * (mode - low))
    falling = high - np.sqrt((1 - chance) * wide * (high - mode))
    return np.where(chance * wide < mode - low, rising, falling)


def drawn_remaining(drawn: Drawn, factor: float, months: int = MONTHS) -> Shares:
    """What is left of each material by month and draw: months x materials x draws.

    The rotting part is a running product of one monthly factor. factor: on decay rates, as decay_factor gives it.
    """
    remaining = np.empty((months + 1, *drawn.decay_per_year.shape))
    a_month = np.exp(-drawn.decay_per_year * factor / 12)
    remaining[0] = 1 - drawn.stays
    for month in range(months):
        np.multiply(remaining[month], a_month, out=remaining[month + 1])
    lost = 1 - settled_share(1.0, np.arange(months + 1) / 12)
    for month in range(months + 1):
        remaining[month] += drawn.stays
        remaining[month] *= 1 - drawn.settles * lost[month]
    return remaining


def drawn_sums(filled: Filled, amounts: Figures, factor: float) -> Figures:
    """What a stack comes to by month and draw, its packing and what runs down into its voids with it.

    amounts: of each layer as laid [m3, or m]. factor: on decay rates, as decay_factor gives it.
    """
    accounts = accounts_of(filled)
    packings = [account.packing[0] for account in accounts if account.packing]
    plain, shares = plain_materials([account.frame for account in accounts] + packings)
    remaining = drawn_remaining(drawn_figures(plain), factor)
    by_itself = [index for index, account in enumerate(accounts) if account.is_plain]
    sums: Figures = (amounts[by_itself] @ shares[by_itself]) @ remaining
    ran = RAN_BY_MONTH[:, None] * _drawn_running(remaining.shape[-1])
    packed = iter(shares[len(accounts) :])
    for index, account in enumerate(accounts):
        if account.is_plain:
            continue
        packing = next(packed) @ remaining if account.packing else ran
        donors = [shares[donor] @ remaining for donor, _ in account.taken]
        sums += amounts[index] * left_of_layer(account, shares[index] @ remaining, packing, donors, ran)
    return sums


def _drawn_running(draws: int) -> Figures:
    """Shares of the fines that run down, drawn over their range."""
    chance = np.random.default_rng(SEED + 1).random((1, draws))
    shares: Figures = _triangular(chance, np.array([RUNS_DOWN]))[0]
    return shares


def band_of(sums: Figures) -> tuple[Figures, Figures]:
    """The lower and upper edge of what draws come to, by month, for one bed.

    sums: by month and draw [m3, or m]. A band's edge is one of the draws, so that it can be turned from volume into
    height afterwards.
    """
    sums = np.sort(sums, axis=-1)
    draws = sums.shape[-1]
    return sums[:, int(LOW * (draws - 1))], sums[:, int(np.ceil(HIGH * (draws - 1)))]
