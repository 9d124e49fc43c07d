"""The band of a surface: 500 draws for ten beds by running products, against a plain loop over the same draws."""

from __future__ import annotations

import json
import math
from importlib.resources import files
from typing import Any

import numpy as np
from numpy.typing import NDArray

from bench.measure import Measure, compare
from nolbet_core.built.plan_file import read_plan
from nolbet_core.built.surroundings import surroundings_of
from nolbet_core.built.worked import WorkedBed, worked_bed
from nolbet_core.draws.inputs import Inputs
from nolbet_core.settling.clock import MONTHS, steady
from nolbet_core.settling.spread import DRAWS, Drawn, drawn_figures, drawn_remaining, plain_materials
from nolbet_core.settling.surface import sinking_amounts

LEAST_GAIN = 50.0
EQUAL = 1e-9

Sums = NDArray[np.float64]


def measure_settling() -> list[Measure]:
    """Time of the fast way over that of the plain loop: at most a fiftieth, and the same figures."""
    views = _ten_beds()
    materials = [layer.material for view in views for layer in view.filled.layers]
    plain, _ = plain_materials(materials)
    drawn, factor = drawn_figures(plain, Inputs(DRAWS)), views[0].settling.clock.mean
    index = {material.key: at for at, material in enumerate(plain)}
    amounts = np.array([_amounts(view, index) for view in views])
    fast, slow = _fast(amounts, drawn, factor), _slow(amounts, drawn, factor)
    worst = float(np.max(np.abs(fast - slow)))
    if worst > EQUAL:
        raise ArithmeticError(f"the two ways differ by {worst:g} m3")
    return [
        compare(
            "settling_draws_to_plain_loop",
            1 / LEAST_GAIN,
            lambda: _fast(amounts, drawn, factor),
            lambda: _slow(amounts, drawn, factor),
            rounds=3,
            repeats=1,
        )
    ]


def _ten_beds() -> list[WorkedBed]:
    """The demo's beds that have layers, and enough of them again to make ten."""
    document: dict[str, Any] = json.loads(
        files("nolbet.demo").joinpath("brackwater.nolbet.json").read_text(encoding="utf-8")
    )
    built = read_plan(document)
    around = surroundings_of(built.plan.garden)
    views = [worked_bed(each, around, built.supplies.materials) for each in built.beds]
    return (views * 2)[:10]


def _amounts(view: WorkedBed, index: dict[str, int]) -> Sums:
    plain, shares = plain_materials([layer.material for layer in view.filled.layers])
    amounts = np.zeros(len(index))
    for material, amount in zip(plain, sinking_amounts(view.vessel, view.filled) @ shares, strict=True):
        amounts[index[material.key]] = amount
    return amounts


def _fast(amounts: Sums, drawn: Drawn, factor: float) -> Sums:
    sums: Sums = amounts @ drawn_remaining(drawn, steady(factor), np.ones(DRAWS))
    return sums.transpose(1, 2, 0)


def _slow(amounts: Sums, drawn: Drawn, factor: float) -> Sums:
    """The formula as it stands, over beds, draws, months and layers."""
    settles, stays, decay = (each.tolist() for each in (drawn.settles, drawn.stays, drawn.decay_per_year))
    logs = set(drawn.logs)
    beds = [[(at, amount) for at, amount in enumerate(row) if amount] for row in amounts.tolist()]
    sums = np.empty((len(beds), DRAWS, MONTHS + 1))
    for bed, layers in enumerate(beds):
        for draw in range(DRAWS):
            for month in range(MONTHS + 1):
                years = month / 12
                settled = 1 - math.exp(-years / 0.15)
                total = 0.0
                for at, amount in layers:
                    left = math.exp(-decay[at][draw] * factor * years)
                    stayed = stays[at][draw]
                    rotted = _log_volume(left, stayed) if at in logs else stayed + (1 - stayed) * left
                    total += amount * (1 - settles[at][draw] * settled) * rotted
                sums[bed, draw, month] = total
    return sums


def _log_volume(left: float, stays: float) -> float:
    mass = stays + (1 - stays) * left
    if mass >= 0.5:
        return 0.9 + 0.1 * left
    return (0.9 + 0.1 * (0.5 - stays) / (1 - stays)) * mass / 0.5
