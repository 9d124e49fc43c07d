"""How a bed really sinks: the factors against beds whose truth is known, readings that are off, what was laid on."""

from __future__ import annotations

import itertools
import math
from dataclasses import replace
from datetime import date
from typing import Any

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as some

from nolbet_core.built.plan_file import read_plan
from nolbet_core.built.worked import WorkedBed
from nolbet_core.figure.forecast import figure_forecast
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.season.fit import DECAY_SD, READING_SD_M, SETTLING_SD, SinkingFit, SurfaceReading, fit_factors
from nolbet_core.settling.factors import Factors
from tests.core import zoo
from tests.core.ask import figures_of, worked_of

LAYERS = [
    {"material": "broadleaf_logs", "thickness_m": 0.15},
    {"material": "branches", "thickness_m": 0.1},
    {"material": "leaves", "thickness_m": 0.12},
    {"material": "compost", "thickness_m": 0.1},
    {"material": "topsoil", "fill": True},
]
BED = zoo.bed(shape=zoo.shape(2.4, 1.2, 0.7), built_on="2025-10-15", state="filled", layers=LAYERS)
TODAY = date(2027, 10, 20)
BEDS = 200
Z80 = 1.2816
MONTHS = np.arange(121)


@pytest.fixture(scope="module")
def logs() -> WorkedBed:
    """A bed on logs that nothing was read of."""
    return worked_of(BED)


def by_month(worked: WorkedBed, factors: Factors) -> Any:
    """Its surface by month with such factors [m]."""
    return replace(worked.forecast_alone, factors=factors).heights_at(MONTHS.astype(float))


def fitted(worked: WorkedBed, readings: list[SurfaceReading]) -> SinkingFit:
    """The fit of readings of a bed."""
    months = [each.months for each in readings]
    return fit_factors(readings, lambda factors: worked.forecast_alone.heights_by(factors, np.array(months)))


@pytest.mark.parametrize("count", [5, 10])
def test_the_band_covers_the_truth_as_often_as_it_says(logs: WorkedBed, count: int) -> None:
    chance = np.random.default_rng(count)
    covered = np.zeros(2)
    for _ in range(BEDS):
        truth = np.array([chance.normal(0, SETTLING_SD), chance.normal(0, DECAY_SD)])
        surface = by_month(logs, Factors(*np.exp(truth)))
        months = np.sort(chance.uniform(0.5, 24, count))
        read = np.interp(months, MONTHS, surface) + chance.normal(0, READING_SD_M, count)
        fit = fitted(logs, [SurfaceReading(*each) for each in zip(months, read, strict=True)])
        found = np.log([fit.settling_factor, fit.decay_factor])
        covered += np.abs(found - truth) <= Z80 * np.array(fit.sd)
    assert np.all(covered / BEDS >= 0.74)
    assert np.all(covered / BEDS <= 0.86)


@settings(max_examples=25, deadline=None)
@given(
    settling=some.floats(0.6, 1.6),
    decay=some.floats(0.5, 2.0),
    months=some.lists(some.floats(1, 36), min_size=2, max_size=6, unique=True),
)
def test_each_reading_makes_it_surer(logs: WorkedBed, settling: float, decay: float, months: list[float]) -> None:
    exact = replace(logs.forecast_alone, factors=Factors(settling, decay)).heights_at(np.array(months))
    readings = [SurfaceReading(each, float(height_m)) for each, height_m in zip(months, exact, strict=True)]
    spreads = [np.prod(fitted(logs, readings[:count]).sd) for count in range(1, len(readings) + 1)]
    # the error is learned: a reading that contradicts what was believed may blur a little before more of them agree
    assert all(after < before * 1.15 for before, after in itertools.pairwise(spreads))
    assert spreads[-1] < spreads[0] < SETTLING_SD * DECAY_SD


def test_a_factor_scales_what_a_material_loses() -> None:
    leaves = read_plan(zoo.plan(BED)).supplies.materials["leaves"]
    settles, stays, decay_per_year = leaves.settling
    assert Factors(1.5, 2.0).of(leaves.settling) == pytest.approx((settles * 1.5, stays, decay_per_year * 2.0))
    # nothing settles away whole
    assert Factors(50.0, 2.0).of(leaves.settling)[0] == pytest.approx(0.95)


def surfaces(*read: tuple[str, float]) -> list[dict[str, Any]]:
    """Readings of the bed as the log has them."""
    return [{"kind": "surface", "bed": "plain", "on": on, "height_m": height_m} for on, height_m in read]


FIVE = surfaces(
    ("2026-03-15", 0.60), ("2026-06-15", 0.585), ("2026-09-15", 0.578), ("2027-03-15", 0.57), ("2027-09-15", 0.563)
)


def test_readings_over_two_years_narrow_the_third_spring() -> None:
    wide = []
    for count in (0, 1, 3, 5):
        held = read_plan(zoo.plan(BED, log=FIVE[:count]))
        figures = figure_forecast(held.plan, held.plan.beds[0], held.supplies, TODAY)
        wide.append(figures.high_m[30] - figures.low_m[30])
    assert wide == sorted(wide, reverse=True)
    assert wide[3] < 0.6 * wide[0]


def test_what_was_read_is_told_and_a_reading_that_is_off_is_named() -> None:
    honest = figures_of(zoo.plan(BED, log=FIVE), TODAY).beds[0].fitted
    assert honest is not None
    assert (honest.readings, honest.wild) == (5, [])
    assert honest.told.startswith("By 5 readings it settles")
    off = figures_of(zoo.plan(BED, log=[*FIVE, *surfaces(("2026-12-15", 0.47))]), TODAY).beds[0].fitted
    assert off is not None
    # readings are told oldest first, so that the one of December is the fourth
    assert off.wild == [3]
    bed = figures_of(zoo.plan(BED, log=[*FIVE, *surfaces(("2026-12-15", 0.47))]), TODAY).beds[0]
    told = [each for each in bed.findings if each.code == "reading_off"]
    assert len(told) == 1
    assert "15 December 2026" in told[0].message and "lower than the others say" in told[0].message
    assert off.misfits_m[3] < -0.09
    # it is left out of the fit
    assert off.settling_factor == pytest.approx(honest.settling_factor, rel=0.01)
    assert off.decay_factor == pytest.approx(honest.decay_factor, rel=0.01)


def test_what_was_laid_on_lies_on_top_from_its_day() -> None:
    laid = {"kind": "top_up", "bed": "plain", "on": "2026-10-15", "material": "compost", "volume_m3": 0.144}
    before = figures_of(zoo.plan(BED), TODAY).beds[0].surface_m
    after = figures_of(zoo.plan(BED, log=[laid]), TODAY).beds[0].surface_m
    assert after[:12] == pytest.approx(before[:12])
    compost = read_plan(zoo.plan(BED)).supplies.materials["compost"]
    # 0.144 m3 loose on 2.88 m2; a month later it has settled and rotted a little
    most_m = 0.05 / (compost.loose_factor or 1)
    assert 0.6 * most_m < after[13] - before[13] < most_m


def test_a_reading_after_a_top_up_is_not_taken_for_swelling() -> None:
    laid = {"kind": "top_up", "bed": "plain", "on": "2027-03-20", "material": "compost", "volume_m3": 0.144}
    fit = figures_of(zoo.plan(BED, log=FIVE[:4]), TODAY).beds[0].fitted
    surface = figures_of(zoo.plan(BED, log=[*FIVE[:4], laid]), TODAY).beds[0].surface_m
    topped = [*FIVE[:4], laid, *surfaces(("2027-09-15", surface[23]))]
    again = figures_of(zoo.plan(BED, log=topped), TODAY).beds[0].fitted
    assert fit is not None
    assert again is not None
    assert again.wild == []
    assert again.settling_factor == pytest.approx(fit.settling_factor, rel=0.1)


def test_a_bed_that_is_not_filled_has_nothing_to_fit() -> None:
    planned = {name: value for name, value in BED.items() if name != "built_on"} | {"state": "planned"}
    assert figures_of(zoo.plan(planned, log=FIVE), TODAY).beds[0].fitted is None


@pytest.mark.parametrize(
    ("entry", "path"),
    [
        ({"kind": "surface", "bed": "gone", "on": "2026-03-01", "height_m": 0.5}, "log[0].bed"),
        (
            {"kind": "top_up", "bed": "plain", "on": "2026-03-01", "material": "gold", "volume_m3": 0.2},
            "log[0].material",
        ),
        (
            {"kind": "top_up", "bed": "plain", "on": "2026-03-01", "material": "cardboard", "volume_m3": 0.2},
            "log[0].material",
        ),
        ({"kind": "harvest", "bed": "plain", "on": "2026-03-01", "crop": "Beans"}, "log[0]"),
        ({"kind": "soil_test", "on": "2026-03-01", "ph": 14}, "log[0].ph"),
    ],
)
def test_an_entry_that_can_not_be_is_told(entry: dict[str, Any], path: str) -> None:
    with pytest.raises(PlanProblem) as told:
        read_plan(zoo.plan(BED, log=[entry]))
    assert told.value.path == path


def test_two_entries_of_one_key_are_told() -> None:
    twice = [{**each, "key": "one"} for each in FIVE[:2]]
    with pytest.raises(PlanProblem, match="stands twice"):
        read_plan(zoo.plan(BED, log=twice))


def test_a_beds_factors_hold_for_its_top_ups_too() -> None:
    """A box of topsoil, read to settle twice as much as usual; 50 mm of compost on it a year later.

    At 12 degrees C half a year leaves of the compost (1 - 0.10 m_s (1 - exp(-0.5 / 0.15))) (0.5 + 0.5 exp(-0.125 m_k)):
    by the bed's factors, not by those of a bed that nothing was read of.
    """
    soil = zoo.bed(shape=zoo.shape(2.4, 1.2, 0.7), built_on="2025-10-15", state="filled",
                   layers=[{"material": "topsoil", "thickness_m": 0.5}])  # fmt: skip
    read = [{"kind": "surface", "bed": "plain", "on": on, "height_m": height_m} for on, height_m in (
        ("2026-02-15", 0.5 * (1 - 0.16 * (1 - math.exp(-0.337 / 0.15)))),
        ("2026-06-15", 0.5 * (1 - 0.16 * (1 - math.exp(-0.665 / 0.15)))),
        ("2026-10-01", 0.5 * (1 - 0.16 * (1 - math.exp(-0.961 / 0.15)))),
    )]  # fmt: skip
    laid = {"kind": "top_up", "bed": "plain", "on": "2026-10-15", "material": "compost", "volume_m3": 0.1728}
    garden = {"name": "Test ground", "mean_temp_c": 12.0}
    topped = figures_of(zoo.plan(soil, garden=garden, log=[*read, laid]), TODAY).beds[0]
    plain = figures_of(zoo.plan(soil, garden=garden, log=read), TODAY).beds[0]
    fit = topped.fitted
    assert fit is not None
    assert fit.settling_factor > 1.5
    settled = 1 - 0.10 * fit.settling_factor * (1 - math.exp(-0.5 / 0.15))
    by_hand = 0.1728 / 1.15 / 2.88 * settled * (0.5 + 0.5 * math.exp(-0.25 * fit.decay_factor * 0.5))
    assert topped.surface_m[18] - plain.surface_m[18] == pytest.approx(by_hand, rel=0.01)


def test_a_surface_is_read_at_its_own_time() -> None:
    """Ten days on soil has settled by 8 % x (1 - exp(-10 / 365.25 / 0.15)) = 1.34 %, not by a third of a month's."""
    soil = worked_of(zoo.bed(shape=zoo.shape(2.4, 1.2, 0.7), built_on="2025-10-15",
                             layers=[{"material": "topsoil", "thickness_m": 0.5}]))  # fmt: skip
    months = 12 * 10 / 365.25
    by_hand = 0.5 * (1 - 0.08 * (1 - math.exp(-months / 12 / 0.15)))
    assert soil.forecast_alone.heights_at(np.array([months]))[0] == pytest.approx(by_hand, abs=1e-9)
    assert soil.forecast_alone.heights_at(np.array([1.0]))[0] == pytest.approx(soil.settling.surface_m[1])
