"""How a bed sinks, many times over."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from nolbet_core.built.settling import ALL_MONTHS
from nolbet_core.built.worked import WorkedBed
from nolbet_core.draws.inputs import Inputs
from nolbet_core.season.conditioned import conditioned
from nolbet_core.season.fit import READING_SD_M, drawn_factors
from nolbet_core.settling.spread import ALL_MONTHS as EACH_MONTH
from nolbet_core.settling.spread import drawn_amounts, drawn_sums
from nolbet_core.settling.surface import sinking_amounts, surface_heights

Sums = NDArray[np.float64]

FIT_SEED = 20261
"""The same draws of the factors every time."""

STEPS = 64
"""Heights are looked up between so many volumes; what lies between them is a straight line."""


def drawn_surface_sums(worked: WorkedBed, inputs: Inputs, months: Sequence[int] = EACH_MONTH) -> Sums:
    """What a bed and the pit below it come to by month and draw, as the layers sink [m3, or m]; held against its
    readings where there are any. months: which.
    """
    vessel, filled = worked.whole.vessel, worked.whole.filled
    amounts = sinking_amounts(vessel, filled)
    laid = drawn_amounts(amounts, [layer.thickness_m for layer in filled.layers], inputs, worked.bed.key)
    settling, rows = worked.settling, list(months)
    if worked.fitted is None:
        said = worked.sinks_as_garden
        times = None if said is None else (np.array([said.settling]), np.array([said.decay]))
        sums = drawn_sums(filled, laid, settling.clock, inputs, times, months)
    else:
        prior = drawn_sums(filled, laid, settling.clock, inputs, drawn_factors(inputs.draws, FIT_SEED))
        sd = READING_SD_M if vessel.sinks_in_place else READING_SD_M * vessel.top_area_m2
        read = [each.months for each in worked.read_surfaces]
        fitted = sinking_amounts(vessel, filled) @ settling.remaining_with_pit
        sums = np.maximum(fitted[:, None] + conditioned(prior, read, sd, FIT_SEED), 0.0)[rows]
    return sums + settling.laid_on_amounts(ALL_MONTHS)[rows, None] if settling.laid_on else sums


def drawn_heights(worked: WorkedBed, inputs: Inputs, months: Sequence[int]) -> Sums:
    """Height of a bed's surface above its floor by month and draw [m]. months: which, from 0 to 120."""
    sums = drawn_surface_sums(worked, inputs, months)
    steps = np.linspace(float(sums.min()), float(sums.max()), STEPS)
    heights = surface_heights(worked.whole.vessel, steps, worked.whole.filled.base_m)
    found: Sums = np.interp(sums, steps, heights) - worked.ground_m
    return found
