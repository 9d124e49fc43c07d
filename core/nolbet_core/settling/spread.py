"""How sure a forecast is: many draws of each material's figures over their ranges, and the band they lie in."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from nolbet_core.settling.accounts import RAN_BY_MONTH, RUNS_DOWN, accounts_of, left_of_layer
from nolbet_core.settling.clock import MONTHS, Clock
from nolbet_core.settling.curve import SETTLED_BY_MONTH, Shares, log_volume
from nolbet_core.shelf.material import Material
from nolbet_core.stack.fill import Filled

Figures = NDArray[np.float64]

DRAWS = 500
SEED = 20260
"""The same draws every time, so that the band doesn't flicker while a bed is drawn."""

WARMTH_SPREAD_C = 1.0
"""How far a place's mean warmth lies off what is known of it, standard deviation [degrees C]."""

DAMPNESS = (0.75, 1.0, 1.15)
"""Factor on decay by how damp a fill turns out, over what was said: the least, the usual and the most (estimate)."""

RAKED_M = 0.010
"""How far a boundary between layers lies off as raked, standard deviation [m]."""

LOW, HIGH = 0.10, 0.90
"""The band holds four draws of five."""


@dataclass(frozen=True, slots=True)
class Drawn:
    """Figures drawn for materials: share lost by settling, share that stays, decay [1/year]; materials x draws.

    logs: which of the materials lose density before volume.
    """

    settles: Figures
    stays: Figures
    decay_per_year: Figures
    logs: tuple[int, ...] = ()


def plain_materials(materials: Sequence[Material]) -> tuple[list[Material], Figures]:
    """The plain materials among some, mixes broken down, and what share of each is which: materials x plain ones."""
    plain: dict[tuple[str, str], Material] = {}
    for material in materials:
        for each in material.parts:
            plain.setdefault(_told(each.material), each.material)
        if not material.parts:
            plain.setdefault(_told(material), material)
    keys = list(plain)
    shares = np.zeros((len(materials), len(keys)))
    for row, material in enumerate(materials):
        if not material.parts:
            shares[row, keys.index(_told(material))] = 1.0
        for each in material.parts:
            shares[row, keys.index(_told(each.material))] += each.volume_share
    return list(plain.values()), shares


def _told(material: Material) -> tuple[str, str]:
    """What tells a plain material from others: its name too, since one may lie there in several states of rot."""
    return material.key, material.name


def drawn_figures(materials: Sequence[Material], draws: int = DRAWS, seed: int = SEED) -> Drawn:
    """Draw each material's figures over their ranges, most often near their value (triangular), by a seed."""
    chance = np.random.default_rng(seed).random((3, len(materials), draws))
    names = ("settles_share", "stays_share", "decay_per_year")
    ranges = np.array([[_range(material, name) for material in materials] for name in names])
    logs = tuple(index for index, material in enumerate(materials) if material.keeps_volume)
    settles, stays, decay = (_triangular(chance[i], ranges[i]) for i in range(3))
    return Drawn(settles, stays, decay, logs)


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


def drawn_pace(draws: int = DRAWS, seed: int = SEED + 2) -> Figures:
    """How much faster or slower all rots than the clock says, by draw: by a year's warmth, and by how damp it is."""
    chance = np.random.default_rng(seed)
    warmth_c = chance.normal(0.0, WARMTH_SPREAD_C, draws)
    damp: Figures = _triangular(chance.random((1, draws)), np.array([DAMPNESS]))[0]
    pace: Figures = 2.0 ** (warmth_c / 10) * damp
    return pace


def drawn_amounts(amounts: Figures, thickness_m: Sequence[float], draws: int = DRAWS, seed: int = SEED + 3) -> Figures:
    """What of each layer may have been laid, by draw, as a rake leaves it: layers x draws, in the unit of amounts.

    amounts: of each layer as asked for [m3, or m], bottom to top. thickness_m: how thick each lies, sheets 0 [m]. Every
    boundary between two layers lies off by itself; where the floor and the surface lie is known, so that the sum holds.
    """
    thick = np.asarray(thickness_m, dtype=float)
    laid = np.flatnonzero(thick > 0)
    drawn = np.repeat(np.asarray(amounts, dtype=float)[:, None], draws, axis=1)
    if len(laid) < 2:
        return drawn
    off = np.random.default_rng(seed).normal(0.0, RAKED_M, (len(laid) - 1, draws))
    edges = np.vstack([np.zeros(draws), off, np.zeros(draws)])
    share = np.maximum(1 + np.diff(edges, axis=0) / thick[laid][:, None], 0.0)
    drawn[laid] *= share
    whole = drawn.sum(axis=0)
    held: Figures = drawn * np.where(whole > 0, float(np.sum(amounts)) / np.maximum(whole, 1e-300), 1.0)
    return held


def drawn_remaining(drawn: Drawn, clock: Clock, pace: Figures, months: int = MONTHS) -> Shares:
    """What is left of each material by month and draw: months x materials x draws.

    The rotting part is a running product of monthly factors. clock: how fast things rot there. pace: over that, by
    draw.
    """
    remaining = np.empty((months + 1, *drawn.decay_per_year.shape))
    by_draw = drawn.decay_per_year * pace / -12
    a_month = {factor: np.exp(by_draw * factor) for factor in set(clock.factors)}
    remaining[0] = 1 - drawn.stays
    for month in range(months):
        factor = clock.factors[month % len(clock.factors)]
        np.multiply(remaining[month], a_month[factor], out=remaining[month + 1])
    lost = SETTLED_BY_MONTH[: months + 1]
    if len(drawn.logs):
        kinds = list(drawn.logs)
        stays = drawn.stays[kinds]
        volume = log_volume(remaining[:, kinds] / np.maximum(1 - stays, 1e-12), stays)
        remaining[:, kinds] = volume - stays
    for month in range(months + 1):
        remaining[month] += drawn.stays
        remaining[month] *= 1 - drawn.settles * lost[month]
    return remaining


def drawn_sums(
    filled: Filled, amounts: Figures, clock: Clock, factors: tuple[Figures, Figures] | None = None
) -> Figures:
    """What a stack comes to by month and draw, its packing and what runs down into its voids with it.

    amounts: of each layer as it may have been laid [m3, or m], layers x draws. clock: how fast things rot there.
    factors: how many times as much all settles, and as fast all rots, by draw, where that is asked too.
    """
    accounts = accounts_of(filled)
    packings = [account.packing[0] for account in accounts if account.packing]
    plain, shares = plain_materials([account.frame for account in accounts] + packings)
    draws = amounts.shape[-1]
    drawn, pace = drawn_figures(plain, draws), drawn_pace(draws)
    if factors is not None:
        drawn, pace = replace(drawn, settles=np.minimum(drawn.settles * factors[0], 1.0)), pace * factors[1]
    remaining = drawn_remaining(drawn, clock, pace)
    by_itself = [index for index, account in enumerate(accounts) if account.is_plain]
    of_plain = shares[by_itself].T @ amounts[by_itself]
    sums: Figures = np.einsum("pd,mpd->md", of_plain, remaining)
    ran = RAN_BY_MONTH[:, None] * _drawn_running(draws)
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
