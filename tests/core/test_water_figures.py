"""A reservoir's year in figures, in every vessel; weather's source; what readings say in words."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import replace
from datetime import UTC, date, datetime, timedelta
from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.built.planted import hot_day_thirst, planted_of
from nolbet_core.built.water import available_share
from nolbet_core.climate.daily_file import WeatherDay
from nolbet_core.climate.weather import Weather, days_in_order
from nolbet_core.figure.forecast import figure_forecast, figure_sunken
from nolbet_core.figure.reservoir_readings import SURE_OF_THIRST, Span, dips_figures, span_of, thirstier, told_figures
from nolbet_core.figure.water import YEARS, figure_water, plot_of, saved_by, watered_bed, weather_for
from nolbet_core.figure.water_figures import WaterFigures
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.garden import Garden
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.reservoir.balance import Refills, run_balance, run_twin
from nolbet_core.reservoir.leak import Told
from nolbet_core.reservoir.season import season_days
from nolbet_core.shelf.library import standard_shelf
from tests.core import zoo
from tests.core.ask import bed_of, planned
from tests.core.shapes import WALLED, shape

GARDEN = Garden(name="Ground", mean_temp_c=9.5, latitude_deg=44.1, last_frost="05-12", first_frost="10-03")
_, SUPPLIES = planned(zoo.plan())


def bed(**changes: Any) -> Bed:
    """A wicking bed of 2.4 x 1.2 m."""
    reservoir = {"height_m": 0.2, "overflow_m": 0.2, "medium": "gravel_20", "wicks": [{"kind": "fabric", "dips": True}]}
    plain = zoo.bed(
        shape=zoo.shape(2.4, 1.2, 0.6),
        headspace_m=0.03,
        layers=[{"material": "topsoil", "thickness_m": 0.25}, {"material": "straw", "thickness_m": 0.03}],
        reservoir=reservoir | changes.pop("reservoir", {}),
    )
    return Bed.model_validate(plain | changes)


def year(**changes: Any) -> WaterFigures:
    """A year of the bed's water."""
    return figure_water(bed(**changes), GARDEN, SUPPLIES)


USUAL = year()


def test_a_year_has_its_days_months_and_years() -> None:
    assert len(USUAL.low_m) == len(USUAL.typical_m) == 365
    assert len(USUAL.lasts_days) == 12
    assert (USUAL.years, USUAL.weather, USUAL.season) == (YEARS, "usual", (132, 276))
    assert USUAL.water_m3 == pytest.approx(2.88 * 0.2 * 0.38)
    assert max(USUAL.high_m) <= 0.2 + 1e-9


def test_the_typical_years_refills_are_its_own() -> None:
    jumps = [day for day in range(1, 365) if USUAL.typical_m[day] - USUAL.typical_m[day - 1] > 0.1]
    assert [each.day - 1 for each in USUAL.refill_days] == jumps
    assert sum(each.volume_m3 for each in USUAL.refill_days) == pytest.approx(USUAL.refill_m3.middle, rel=0.3)


TRIED: list[tuple[dict[str, Any], str, int]] = [
    ({"watering": {"mulch": 1.0}}, "refill_m3", 1),
    ({"watering": {"mulch": 0.0}}, "refill_m3", -1),
    ({"watering": {"canopy": 0.2}}, "twin_m3", -1),
    ({"watering": {"crop_factor": 1.3}}, "twin_m3", 1),
    ({"reservoir": {"overflow_m": 0.1}}, "refills", 1),
    ({"reservoir": {"medium": "scoria"}}, "refills", -1),
    ({"reservoir": {"catchment_m2": 12.0}}, "overflow_m3", 1),
    ({"reservoir": {"wicks": []}}, "short_days", 1),
    ({"layers": [{"material": "topsoil", "thickness_m": 0.1}]}, "short_days", 0),
]


@pytest.mark.parametrize(("change", "figure", "way"), TRIED)
def test_what_is_tried_moves_the_figure_the_way_it_should(change: dict[str, Any], figure: str, way: int) -> None:
    before, after = getattr(USUAL, figure).middle, getattr(year(**change), figure).middle
    if way > 0:
        assert after > before
    elif way < 0:
        assert after < before
    else:
        assert after >= before


def test_a_saved_litre_is_one_the_twin_takes_more() -> None:
    assert USUAL.saved_m3.middle == pytest.approx(USUAL.twin_m3.middle - USUAL.refill_m3.middle, abs=0.1)
    assert USUAL.saved_m3.middle > 0


def test_water_that_plants_never_got_is_not_saved() -> None:
    flat = year(reservoir={"wicks": [{"kind": "fabric"}], "overflow_m": 0.18})
    assert flat.short_days.middle > USUAL.short_days.middle + 20
    assert flat.refill_m3.middle < USUAL.refill_m3.middle
    assert flat.saved_m3.middle < USUAL.saved_m3.middle


def test_a_hot_day_is_one_figure_wherever_it_is_told() -> None:
    worked, _ = watered_bed(bed(), GARDEN, SUPPLIES)
    hot_m3 = worked.around.hot_day_mm * 1e-3 * 2.88 * (1.05 * 0.8 + 0.6 * 0.5 * 0.2)
    assert USUAL.hot_day_m3 == pytest.approx(hot_m3) == pytest.approx(hot_day_thirst(worked))


def test_a_bed_without_mulch_evaporates_as_if_bare() -> None:
    bare = year(layers=[{"material": "topsoil", "thickness_m": 0.25}])
    all_through = year(watering={"mulch": 1.0})
    assert bare.twin_m3.middle == pytest.approx(all_through.twin_m3.middle)
    assert bare.twin_m3.middle > USUAL.twin_m3.middle


def test_soil_gives_what_its_own_figures_say() -> None:
    worked, water = watered_bed(bed(), GARDEN, SUPPLIES)
    assert plot_of(worked, planted_of(worked)).soil_m3 == pytest.approx(2.88 * 0.25 * (0.42 - 0.12))
    assert available_share(standard_shelf()["turf"]) == 0.18
    assert available_share(standard_shelf()["straw"]) == 0.0
    assert water.lowest_roots_m == 0.0


def turned(months: list[dict[str, float]]) -> list[dict[str, float]]:
    """Months half a year on."""
    return [months[(each + 6) % 12] for each in range(12)]


def test_a_year_begins_at_the_end_of_the_season_on_either_half() -> None:
    months = [
        {"tmin_c": 8.0 - 9 * math.cos(math.pi * each / 6), "tmax_c": 16.0 - 10 * math.cos(math.pi * each / 6),
         "rain_mm": 55.0, "rain_days": 9.0}
        for each in range(12)
    ]  # fmt: skip
    north = Garden.model_validate(
        {"name": "N", "latitude_deg": 44.0, "last_frost": "05-01", "first_frost": "10-10", "normals": months}
    )
    south = Garden.model_validate(
        {"name": "S", "latitude_deg": -44.0, "last_frost": "10-31", "first_frost": "04-11", "normals": turned(months)}
    )
    one, other = (figure_water(bed(), each, SUPPLIES) for each in (north, south))
    assert (one.begins, other.begins) == (305, 121)
    # the earth is nearer to the sun in the southern summer: up to 7 % more evaporates, and about so much more is asked
    assert other.twin_m3.middle == pytest.approx(one.twin_m3.middle * 1.05, rel=0.06)
    assert other.refill_m3.middle == pytest.approx(one.refill_m3.middle * 1.05, rel=0.08)


def test_the_same_weather_mirrored_gives_the_same_water() -> None:
    worked, water = watered_bed(bed(), GARDEN, SUPPLIES)
    weather, _ = weather_for(GARDEN, ())
    planted = planted_of(worked)
    half = days_in_order(44.1)
    other_half = days_in_order(-44.1)
    mirrored = {}
    for name in ("tmin_c", "tmax_c", "rain_mm", "et0_mm"):
        turned_days = np.empty_like(getattr(weather, name))
        turned_days[:, other_half] = getattr(weather, name)[:, half]
        mirrored[name] = turned_days
    at = {int(day): int(turn) for day, turn in zip(half, other_half, strict=True)}
    southern = replace(planted, starts=at[planted.starts], ends=at[planted.ends])
    found = []
    for each, sky, order in ((planted, weather, half), (southern, Weather(**mirrored), other_half)):
        refills = Refills(0.25, None, season_days(each))
        run = run_balance(water.store, water.wicking, plot_of(worked, each), sky, refills, order)
        twin = run_twin(plot_of(worked, each), sky, season_days(each), order)
        rain = run_twin(plot_of(worked, each), sky, np.zeros(365, dtype=bool), order)
        saved = saved_by(run, twin, rain).sum()
        found.append((run.refill_m3.sum(), run.taken_m3.sum(), twin.given_m3.sum(), saved))
    assert found[0] == pytest.approx(found[1], rel=0.02)


def test_weather_is_the_gardeners_own_where_it_can_be() -> None:
    normals = [{"tmin_c": 5.0, "tmax_c": 15.0, "rain_mm": 60.0, "rain_days": 10.0}] * 12
    with_normals = Garden.model_validate({"name": "Ground", "normals": normals})
    days = [WeatherDay(date(2025, 1, 1) + timedelta(days=day), 8.0, 18.0, 1.0) for day in range(365)]
    assert weather_for(GARDEN, ())[1] == "usual"
    assert weather_for(with_normals, ())[1] == "normals"
    own, source = weather_for(with_normals, days)
    assert (own.years, source) == (1, "daily")
    assert weather_for(GARDEN, days[:300])[1] == "usual"


def test_a_bed_without_a_reservoir_has_no_year() -> None:
    with pytest.raises(PlanProblem, match="no reservoir"):
        figure_water(Bed.model_validate(zoo.bed()), GARDEN, SUPPLIES)
    with pytest.raises(PlanProblem, match="no reservoir"):
        watered_bed(Bed.model_validate(zoo.bed()), GARDEN, SUPPLIES)


def span(first: date, days: int, known: Sequence[WeatherDay] = (), **changes: Any) -> Span:
    """Some days of the bed's forecast."""
    return span_of(bed(**changes), GARDEN, SUPPLIES, known, first, days)


def test_days_asked_about_run_on_over_the_years_end() -> None:
    winter = span(date(2026, 12, 28), 10)
    weather, _ = weather_for(GARDEN, ())
    assert winter.asked_m3.shape == winter.rained_m3.shape == (YEARS, 10)
    assert winter.asked_m3[0, 4] == pytest.approx(weather.et0_mm[0, 0] * 1e-3 * 2.88 * 0.6 * 0.5)


def test_known_days_go_before_usual_ones() -> None:
    # FAO-56 example 20 reckons 5.0 mm from these extremes at 45.72 N
    hot = WeatherDay(date(2026, 7, 15), 14.8, 26.6, 7.0)
    with_it = span_of(bed(), GARDEN.model_copy(update={"latitude_deg": 45.72}), SUPPLIES, [hot], date(2026, 7, 14), 3)
    assert with_it.et0_mm[:, 1] == pytest.approx(np.full(YEARS, 5.0), abs=0.05)
    assert with_it.rained_m3[:, 1] == pytest.approx(np.full(YEARS, 7e-3 * 2.88))
    assert with_it.rain_mm[:, 0].std() > 0


@given(st.floats(0.5, 1.5))
def test_a_fitted_crop_factor_asks_what_was_seen(thirst: float) -> None:
    july = span(date(2026, 7, 1), 14)
    factor = july.crop_factor_for(thirst)
    assert factor is not None
    asked = thirstier(july, factor).asked_m3.mean(axis=0).sum()
    assert asked == pytest.approx(thirst * july.asked_m3.mean(axis=0).sum(), rel=0.01)


def test_no_crop_factor_is_given_where_none_would_do() -> None:
    assert span(date(2026, 7, 1), 14).crop_factor_for(9.0) is None
    assert span(date(2026, 7, 1), 14).crop_factor_for(0.01) is None
    assert span(date(2026, 7, 1), 14, watering={"canopy": 0.0}).crop_factor_for(1.0) is None


def weekly(thirst: float, refills: bool = False) -> tuple[list[WeatherDay], list[tuple[datetime, float]]]:
    """Four weeks of July whose weather is known, and a dip a week by plants of some thirst."""
    known = [WeatherDay(date(2026, 7, 1) + timedelta(days=day), 14.0, 24.0 + day % 3, 0.0) for day in range(28)]
    july = span(date(2026, 7, 1), 28, known)
    left = july.store.held_m3 * 0.98 - thirst * np.concatenate([[0.0], np.cumsum(july.asked_m3[0])])[[0, 4, 8, 12]]
    if refills:
        left[2] = july.store.held_m3
    levels = july.store.level_of(left)
    when = [datetime(2026, 7, 1, tzinfo=UTC) + timedelta(days=day) for day in (0, 4, 8, 12)]
    return known, list(zip(when, levels.tolist(), strict=True))


@pytest.mark.parametrize("thirst", [0.8, 1.0, 1.2])
def test_dips_tell_the_thirst_and_the_crop_factor(thirst: float) -> None:
    known, dips = weekly(thirst)
    said = dips_figures(bed(), GARDEN, SUPPLIES, known, dips)
    assert said.thirst == pytest.approx(thirst, abs=0.01)
    assert said.stretches == 3
    # leaves take all but what evaporates from a fifth of bare soil under half a mulch: 0.06 of 0.9
    assert said.crop_factor == pytest.approx((thirst * 0.9 - 0.06) / 0.84 * 1.05, abs=0.02)
    assert f"plants take {thirst * 100:.0f} % of what the forecast has" in said.message


def test_a_stretch_with_a_filling_says_nothing_of_thirst() -> None:
    known, dips = weekly(1.0, refills=True)
    said = dips_figures(bed(), GARDEN, SUPPLIES, known, dips)
    assert said.stretches == 2
    assert said.thirst is not None


def test_dips_too_few_or_too_rough_ask_for_more() -> None:
    known, dips = weekly(1.0)
    none = dips_figures(bed(), GARDEN, SUPPLIES, known, dips[:1])
    assert (none.thirst, none.stretches) == (None, 0)
    assert "log one a week" in none.message
    close = [dips[0], (dips[0][0] + timedelta(days=1), dips[0][1] - 0.004)]
    rough = dips_figures(bed(), GARDEN, SUPPLIES, known, close)
    assert rough.thirst is rough.crop_factor is None
    assert "too little of the thirst yet" in rough.message


def test_rain_that_is_not_known_makes_dips_count_for_less() -> None:
    known, dips = weekly(1.0)
    sure, guessed = (dips_figures(bed(), GARDEN, SUPPLIES, days, dips) for days in (known, ()))
    assert sure.thirst_error is not None and guessed.thirst_error is not None
    assert guessed.thirst_error > 2 * sure.thirst_error


def told(**changes: Any) -> Told:
    """What readings said."""
    plain = {
        "leaks": False, "loss_m3_day": 0.0002, "error_m3_day": 0.0006, "thirst": 1.1, "thirst_error": 0.05,
        "readings": 600, "days": 14.0,
    }  # fmt: skip
    return Told(**(plain | changes))


SAID: list[tuple[dict[str, Any], str]] = [
    ({}, "No leak over 0.8 L a day is to be seen in 14 days. Plants take 110 % of what the forecast has."),
    ({"thirst_error": 2.0}, "No leak over 0.8 L a day is to be seen in 14 days."),
    (
        {"thirst_error": 2.0, "least_m3_day": 0.0017},
        "No leak over 0.8 L a day is to be seen in 14 days. A leak under 1.7 L a day can't be told yet.",
    ),
    ({"days": 3.0, "readings": 90}, "90 readings so far: five days are wanted to tell a leak from thirst."),
    (
        {"leaks": True, "loss_m3_day": 0.0021},
        "It loses 2.1 L a day (give or take 0.6 L) that no plant takes, at night and in rain too: a leak. "
        "Plants take 110 % of what the forecast has.",
    ),
]


@pytest.mark.parametrize(("change", "said"), SAID)
def test_what_readings_say_is_said_in_litres(change: dict[str, Any], said: str) -> None:
    times, levels = np.arange(8) / 48, np.array([0.1, 0.2, np.nan, 0.1, 0.1, 0.1, 0.1, 0.1])
    metric = GARDEN.model_copy(update={"units": "metric"})
    days = span_of(bed(), metric, SUPPLIES, (), date(2026, 7, 1), 14)
    figures = told_figures(told(**change), times, levels, days)
    assert figures.message == said
    assert (figures.thirst is None) == (told(**change).thirst_error >= SURE_OF_THIRST)
    assert [each.level_m for each in figures.series] == [0.1, 0.1]


def wet(kind: str, height_m: float = 0.12) -> dict[str, Any]:
    """A vessel of a kind with a reservoir."""
    reservoir = {"height_m": height_m, "overflow_m": height_m, "medium": "scoria", "liner_lap_m": 0.1}
    return {
        "key": kind,
        "shape": shape(kind),
        "layers": [{"material": "topsoil", "fill": True}],
        "reservoir": reservoir,
    }


@pytest.mark.parametrize("kind", WALLED)
def test_every_vessel_can_hold_water_under_its_soil(kind: str) -> None:
    figures, dry = bed_of(wet(kind)), bed_of(wet(kind) | {"reservoir": None})
    reservoir = figures.reservoir
    assert reservoir is not None
    share = standard_shelf()["scoria"].water_share
    assert reservoir.water_m3 == pytest.approx(share * reservoir.medium_m3, rel=1e-6)
    assert figures.layers[0].bottom_m == pytest.approx(0.12)
    assert figures.placed_m3 + reservoir.medium_m3 == pytest.approx(dry.placed_m3, rel=1e-6)
    assert figures.surface_m[0] == pytest.approx(dry.surface_m[0])
    assert figures.surface_m[120] >= dry.surface_m[120] - 1e-9
    assert reservoir.water and reservoir.medium
    assert [part.kind for part in reservoir.parts] == ["filler", "overflow"]


@pytest.mark.parametrize("kind", WALLED)
def test_soil_over_water_sinks_and_is_drawn(kind: str) -> None:
    plan, supplies = planned(zoo.plan(wet(kind)))
    sunken = figure_sunken(plan, plan.beds[0], supplies, 60)
    assert sunken.layers[0].bottom_m == pytest.approx(0.12)
    coming = figure_forecast(plan, plan.beds[0], supplies)
    assert coming.low_m[60] - 1e-6 <= sunken.surface_m <= coming.high_m[60] + 0.02


@given(st.sampled_from(WALLED), st.floats(0.02, 0.2), st.floats(0.1, 1.0))
def test_more_height_holds_more_water(kind: str, height_m: float, share: float) -> None:
    low = bed_of(wet(kind, height_m * share)).reservoir
    high = bed_of(wet(kind, height_m)).reservoir
    assert low is not None
    assert high is not None
    assert low.water_m3 <= high.water_m3 + 1e-12
