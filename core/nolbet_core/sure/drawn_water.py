"""How long a full reservoir lasts in the thirstiest month, many times over."""

from __future__ import annotations

import numpy as np

from nolbet_core.built.planted import planted_of, plot_of
from nolbet_core.built.worked import WorkedBed
from nolbet_core.climate.weather import MONTH_OF_DAY, Weather
from nolbet_core.draws.inputs import Inputs
from nolbet_core.draws.shapes import Drawn
from nolbet_core.reservoir.lasting import AVAILABLE, CROP_FACTOR, RISE, Unknowns, dry_spell_days

DIPPED_TWICE = 2
"""Dips from which on they tell how thirsty a bed's plants are."""

LEFT_BY_DIPS = 1 / 3
"""What dips leave of how far the crop factor may lie off (estimate)."""


def unknowns_of(bed: str, inputs: Inputs, dips: int) -> Unknowns:
    """What isn't well known of a bed's water, drawn. bed: its key. dips: how many were read of it."""
    left = LEFT_BY_DIPS if dips >= DIPPED_TWICE else 1.0
    return Unknowns(
        inputs.triangular(f"available {bed}", *AVAILABLE),
        inputs.triangular(f"rise {bed}", *RISE),
        1 + left * (inputs.triangular(f"crop_factor {bed}", *CROP_FACTOR) - 1),
    )


def drawn_lasting_days(worked: WorkedBed, weather: Weather, inputs: Inputs, dips: int) -> tuple[int, Drawn] | None:
    """The month in which a bed's plants ask most (0 to 11), and how long a full reservoir lasts in it without rain
    [days], draw by draw; None of a bed without one. dips: as in unknowns_of.
    """
    water = worked.water
    if water is None:
        return None
    plot = plot_of(worked, planted_of(worked))
    asked = np.bincount(MONTH_OF_DAY, weather.et0_mm.mean(axis=0) * plot.demand, minlength=12)
    month = int(np.argmax(asked))
    years = inputs.pick("weather", weather.years)
    unknowns = unknowns_of(worked.bed.key, inputs, dips)
    return month, dry_spell_days(water.store, water.wicking, plot, weather, unknowns, (month,), years)[:, 0]
