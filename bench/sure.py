"""Two thousand draws of a ten-bed garden: at array speed, against a plain loop over single ones."""

from __future__ import annotations

import json
import time
from copy import deepcopy
from datetime import date
from importlib.resources import files
from typing import Any

from bench.measure import Measure, compare
from nolbet_core.built.plan import BuiltPlan
from nolbet_core.built.plan_file import read_plan
from nolbet_core.built.worked import WorkedBed
from nolbet_core.climate.weather import Weather
from nolbet_core.draws.inputs import Inputs, OneOf
from nolbet_core.figure.needed import needed_by
from nolbet_core.figure.sure import figure_sure
from nolbet_core.figure.sure_beds import BedDrawn
from nolbet_core.figure.walk import around_of
from nolbet_core.figure.water import weather_for
from nolbet_core.sure.drawn_bed import DrawnBed
from nolbet_core.sure.drawn_shelf import DrawnShelf

LEAST_GAIN = 100
IN_A_LOOP = 20
"""Draws that the loop takes for each time of all: 2,000 of them would take a hundred times as long."""
MOST_SECONDS = 1.5
BEDS = 10
TODAY = date(2026, 10, 20)


def measure_sure() -> list[Measure]:
    """Drawing all at once over so many single draws as make a hundredth of them; and how long a garden's bands take."""
    built = ten_beds()
    worked, weather = needed_by(built, around_of(built, TODAY)).beds, weather_for(built.plan.garden, ())[0]
    inputs = Inputs()
    _draw(worked, weather, built, inputs)
    limit = inputs.draws / LEAST_GAIN / IN_A_LOOP
    ratio = compare(
        "sure_draws_to_plain_loop",
        limit,
        lambda: _draw(worked, weather, built, Inputs()),
        lambda: [_draw(worked, weather, built, OneOf(inputs, at)) for at in range(IN_A_LOOP)],
        rounds=3,
    )
    began = time.perf_counter()
    figure_sure(built, TODAY)
    seconds = time.perf_counter() - began
    return [ratio, Measure("sure_ten_beds_s", seconds, MOST_SECONDS, f"{seconds:.2f} s for {inputs.draws} gardens")]


def ten_beds() -> BuiltPlan:
    """The demo's garden, one of its beds once more to make ten."""
    document: dict[str, Any] = json.loads(
        files("nolbet.demo").joinpath("brackwater.nolbet.json").read_text(encoding="utf-8")
    )
    beds = document["beds"]
    twins = [deepcopy(bed) | {"key": f"twin_{bed['key']}", "places": []} for bed in beds if "over" not in bed]
    # a single draw can't be held against readings
    return read_plan(document | {"beds": [*beds, *twins][:BEDS], "log": []})


def _draw(worked: list[WorkedBed], weather: Weather, built: BuiltPlan, inputs: Inputs) -> None:
    shelf = DrawnShelf(inputs)
    for each in worked:
        _ = BedDrawn(DrawnBed(each, shelf, inputs, built.supplies.materials), weather, inputs).figures
