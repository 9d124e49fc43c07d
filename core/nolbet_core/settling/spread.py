"""How sure a forecast is: many draws of each material's figures over their ranges, and the band they lie in."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from nolbet_core.draws.bands import HIGH, LOW
from nolbet_core.draws.inputs import Inputs
from nolbet_core.draws.raking import raking_error
from nolbet_core.settling.accounts import RAN_BY_MONTH, RUNS_DOWN, accounts_of, left_of_layer
from nolbet_core.settling.clock import MONTHS, Clock
from nolbet_core.settling.curve import SETTLED_BY_MONTH, Shares, log_volume
from nolbet_core.shelf.material import Material
from nolbet_core.stack.fill import Filled

Figures = NDArray[np.float64]

DRAWS = 500
"""How many the band of a surface by month rests on."""

WARMTH_SPREAD_C = 1.0
"""How far a place's mean warmth lies off what is known of it, standard deviation [degrees C]."""

DAMPNESS = (0.75, 1.0, 1.15)
"""Factor on decay by how damp a fill turns out, over what was said: the least, the usual and the most (estimate)."""


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


NAMES = ("settles_share", "stays_share", "decay_per_year")


def drawn_figures(materials: Sequence[Material], inputs: Inputs) -> Drawn:
    """Draw each material's figures over their ranges, most often near their value (triangular)."""
    settles, stays, decay = (_drawn_property(materials, name, inputs) for name in NAMES)
    logs = tuple(index for index, material in enumerate(materials) if material.keeps_volume)
    return Drawn(settles, stays, decay, logs)


def _drawn_property(materials: Sequence[Material], name: str, inputs: Inputs) -> Figures:
    rows = [inputs.triangular(f"{name} {material.key}", *_range(material, name)) for material in materials]
    return np.array(rows).reshape(len(materials), inputs.draws)


def _range(material: Material, name: str) -> tuple[float, float, float]:
    found = material.properties.get(name)
    if found is None:
        return (1.0, 1.0, 1.0) if name == "stays_share" else (0.0, 0.0, 0.0)
    return min(found.low, found.value), found.value, max(found.high, found.value)


def drawn_pace(inputs: Inputs) -> Figures:
    """How much faster or slower all rots than the clock says, by draw: by a year's warmth, and by how damp it is."""
    warmth_c = inputs.normal("warmth", WARMTH_SPREAD_C)
    pace: Figures = 2.0 ** (warmth_c / 10) * inputs.triangular("dampness", *DAMPNESS)
    return pace


def drawn_amounts(amounts: Figures, thickness_m: Sequence[float], inputs: Inputs, bed: str) -> Figures:
    """What of each layer may have been laid, by draw, as a rake leaves it: layers x draws, in the unit of amounts.

    amounts: of each layer as asked for [m3, or m], bottom to top. thickness_m: how thick each lies, sheets 0 [m]. Every
    boundary between two layers is off as it is raked; floor and surface are known, so that the sum holds.
    bed: its key, that its boundaries are drawn by.
    """
    thick = np.asarray(thickness_m, dtype=float)
    laid = np.flatnonzero(thick > 0)
    drawn = np.repeat(np.asarray(amounts, dtype=float)[:, None], inputs.draws, axis=1)
    if len(laid) < 2:
        return drawn
    off = [raking_error(inputs, bed, boundary) for boundary in range(len(laid) - 1)]
    edges = np.vstack([np.zeros(inputs.draws), *off, np.zeros(inputs.draws)])
    share = np.maximum(1 + np.diff(edges, axis=0) / thick[laid][:, None], 0.0)
    drawn[laid] *= share
    whole = drawn.sum(axis=0)
    held: Figures = drawn * np.where(whole > 0, float(np.sum(amounts)) / np.maximum(whole, 1e-300), 1.0)
    return held


ALL_MONTHS = tuple(range(MONTHS + 1))


def drawn_remaining(drawn: Drawn, clock: Clock, pace: Figures, months: Sequence[int] = ALL_MONTHS) -> Shares:
    """What is left of each material by month and draw: months x materials x draws.

    clock: how fast things rot there. pace: over that, by draw. months: which, from 0 to 120.
    """
    factors = [clock.factors[month % len(clock.factors)] for month in range(max(months, default=0))]
    rotted_years = np.concatenate([[0.0], np.cumsum(factors)])[list(months)] / 12
    by_draw = -drawn.decay_per_year * pace
    remaining: Shares = rotted_years[:, None, None] * by_draw
    np.exp(remaining, out=remaining)
    remaining *= 1 - drawn.stays
    if len(drawn.logs):
        kinds = list(drawn.logs)
        stays = drawn.stays[kinds]
        volume = log_volume(remaining[:, kinds] / np.maximum(1 - stays, 1e-12), stays)
        remaining[:, kinds] = volume - stays
    for row, month in enumerate(months):
        remaining[row] += drawn.stays
        remaining[row] *= 1 - drawn.settles * SETTLED_BY_MONTH[month]
    return remaining


def drawn_sums(
    filled: Filled,
    amounts: Figures,
    clock: Clock,
    inputs: Inputs,
    factors: tuple[Figures, Figures] | None = None,
    months: Sequence[int] = ALL_MONTHS,
) -> Figures:
    """What a stack comes to by month and draw, its packing and what runs down into its voids with it.

    amounts: of each layer as it may have been laid [m3, or m], layers x draws. clock: how fast things rot there.
    factors: how many times as much all settles, and as fast all rots, by draw, where that is asked too. months: which.
    """
    accounts = accounts_of(filled)
    packings = [account.packing[0] for account in accounts if account.packing]
    plain, shares = plain_materials([account.frame for account in accounts] + packings)
    drawn, pace = drawn_figures(plain, inputs), drawn_pace(inputs)
    if factors is not None:
        drawn, pace = replace(drawn, settles=np.minimum(drawn.settles * factors[0], 1.0)), pace * factors[1]
    remaining = drawn_remaining(drawn, clock, pace, months)
    by_itself = [index for index, account in enumerate(accounts) if account.is_plain]
    of_plain = shares[by_itself].T @ amounts[by_itself]
    sums: Figures = np.einsum("pd,mpd->md", of_plain, remaining)
    ran = RAN_BY_MONTH[list(months), None] * inputs.triangular("running_down", *RUNS_DOWN)
    packed = iter(shares[len(accounts) :])
    for index, account in enumerate(accounts):
        if account.is_plain:
            continue
        packing = next(packed) @ remaining if account.packing else ran
        donors = [shares[donor] @ remaining for donor, _ in account.taken]
        sums += amounts[index] * left_of_layer(account, shares[index] @ remaining, packing, donors, ran)
    return sums


def band_edges(sums: Figures) -> tuple[Figures, Figures]:
    """The lower and upper edge of what draws come to, by month, for one bed.

    sums: by month and draw [m3, or m]. A band's edge is one of the draws, so that it can be turned from volume into
    height afterwards.
    """
    sums = np.sort(sums, axis=-1)
    draws = sums.shape[-1]
    return sums[:, int(LOW * (draws - 1))], sums[:, int(np.ceil(HIGH * (draws - 1)))]
