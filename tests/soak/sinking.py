"""Factors of sinking by a simulation of its own: `python -m tests.soak.sinking 2000` prints covers and biases.

A straight box of leaves, compost and soil at 12 degrees C sinks by the published curve written out here; readings fall
on any day, with errors of 4, 8 and 16 mm. The program fits them without knowing the error.
"""

from __future__ import annotations

import sys

import numpy as np
from numpy.typing import NDArray

from nolbet_core.plan.garden import Garden
from nolbet_core.season.fit import SinkingFit, SurfaceReading, fit_factors
from tests.core import zoo
from tests.core.ask import worked_of

Values = NDArray[np.float64]

LAYERS_M = {"leaves": 0.25, "compost": 0.15, "topsoil": 0.2}
CURVES = {"leaves": (0.35, 0.1, 1.2), "compost": (0.10, 0.5, 0.25), "topsoil": (0.08, 1.0, 0.0)}
"""Share that settles, share that stays, decay a year at 12 degrees C."""
Z80 = 1.2816


def surface(months: Values, settling: float, decay: float) -> Values:
    """Height of the surface after months [m]."""
    years, height = months / 12, np.zeros(len(months))
    for name, thick_m in LAYERS_M.items():
        settles, stays, per_year = CURVES[name]
        left = 1 - min(settles * settling, 0.95) * (1 - np.exp(-years / 0.15))
        height = height + thick_m * left * (stays + (1 - stays) * np.exp(-per_year * decay * years))
    return height


def fits(seeds: int, error_m: float, count: int = 8) -> tuple[Values, Values, Values]:
    """True ln of both factors, those fitted, and their spreads: seeds x 2 each."""
    layers = [{"material": name, "thickness_m": thick_m} for name, thick_m in LAYERS_M.items()]
    bed = zoo.bed(shape=zoo.shape(2.4, 1.2, 0.7), built_on="2025-10-15", state="filled", layers=layers)
    worked = worked_of(bed, Garden(name="Test ground", mean_temp_c=12.0))
    truth, found, spread = np.zeros((seeds, 2)), np.zeros((seeds, 2)), np.zeros((seeds, 2))
    for seed in range(seeds):
        chance = np.random.default_rng([seed, count])
        truth[seed] = chance.normal(0, 0.3), chance.normal(0, 0.4)
        months = np.sort(chance.uniform(0.5, 24, count))
        read = surface(months, *np.exp(truth[seed])) + chance.normal(0, error_m, count)
        readings = [SurfaceReading(*each) for each in zip(months, read, strict=True)]
        fit: SinkingFit = fit_factors(
            readings, lambda factors, at=months: worked.forecast_alone.heights_by(factors, at)
        )
        found[seed] = np.log([fit.settling_factor, fit.decay_factor])
        spread[seed] = fit.sd
    return truth, found, spread


def cover(truth: Values, found: Values, spread: Values) -> Values:
    """Share of the 80 % bands of both factors that hold the truth."""
    held: Values = np.mean(np.abs(found - truth) <= Z80 * spread, axis=0)
    return held


def main(seeds: int) -> None:
    """Print a row an error."""
    for error_mm in (4, 8, 16):
        truth, found, spread = fits(seeds, error_mm / 1000)
        settling, decay = cover(truth, found, spread)
        bias = np.mean(found - truth, axis=0)
        print(f"{error_mm} mm: settling {settling:.3f} (bias {bias[0]:+.3f}), decay {decay:.3f} (bias {bias[1]:+.3f})")


if __name__ == "__main__":
    main(int(sys.argv[1]))
