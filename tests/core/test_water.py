"""Reservoirs: figures worked by hand, water that is kept, findings, and what does not fit."""

from __future__ import annotations

import math
import re
from dataclasses import replace
from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.climate.weather import (
    DAYS,
    MONTH_DAYS,
    Weather,
    drawn_weather,
)
from nolbet_core.reservoir.balance import MM, PlantedArea, Refills, Run, run_balance, run_twin, taken_from
from nolbet_core.reservoir.lasting import LONGEST_DAYS, Unknowns, drawn_unknowns, dry_spell_days, most_telling
from nolbet_core.reservoir.season import Planted, demand_by_day, season_days
from nolbet_core.reservoir.store import Crates, Store, liner_sheet
from nolbet_core.reservoir.wicking import Lift, Wicking
from nolbet_core.shapes.angular import Rectangle
from nolbet_core.shapes.buried import LyingPipe
from nolbet_core.shapes.vessel import straight_vessel
from nolbet_core.shelf.library import standard_shelf
from tests.core import zoo
from tests.core.ask import bed_of, figures_of, mended_by

SHELF = standard_shelf()
BOX = straight_vessel(Rectangle(2.4, 1.2), 0.6, "inside", 0.0).hollow


def test_water_in_gravel_pipes_and_crates_by_hand() -> None:
    plain = Store(BOX, 0.2, 0.2, 0.38)
    assert plain.held_m3 == pytest.approx(2.88 * 0.2 * 0.38)
    piped = Store(BOX, 0.2, 0.2, 0.38, (LyingPipe(0.1, 2.0, 0.0),))
    pipe = math.pi * 0.01 / 4 * 2.0
    assert piped.held_m3 == pytest.approx(0.38 * (0.576 - pipe) + 0.925 * pipe)
    crates = Store(BOX, 0.2, 0.15, 0.38, crates=(Crates(1.0, 0.2, 0.95),))
    assert crates.held_m3 == pytest.approx(0.38 * 1.88 * 0.15 + 0.95 * 0.15)
    wicked = Store(BOX, 0.2, 0.2, 0.38, columns_m2=0.1)
    assert wicked.held_m3 == pytest.approx(0.38 * 2.78 * 0.2)


def test_a_tilt_takes_half_of_what_it_lifts() -> None:
    level, tilted = Store(BOX, 0.2, 0.2, 0.38), Store(BOX, 0.2, 0.2, 0.38, tilt_m=0.03)
    assert tilted.lost_to_tilt_m3 == pytest.approx(2.88 * 0.38 * 0.015)
    assert tilted.held_m3 == pytest.approx(level.held_m3 - tilted.lost_to_tilt_m3)
    assert tilted.depths_m == pytest.approx((0.2, 0.17))


@given(st.floats(0.05, 0.4), st.floats(0.1, 1.0), st.floats(0.0, 1.0))
def test_level_and_water_turn_into_one_another(height_m: float, share: float, full: float) -> None:
    store = Store(BOX, height_m, height_m, share)
    water = np.array([full * store.held_m3])
    assert float(store.water_of(store.level_of(water))[0]) == pytest.approx(float(water[0]), abs=1e-9)


def test_a_liner_is_as_long_as_what_it_lines_and_its_laps() -> None:
    assert liner_sheet(2.4, 1.2, 0.25, 0.15) == pytest.approx((3.2, 2.0))


def test_a_wick_too_weak_for_a_hot_day_is_told_with_both_figures() -> None:
    flat = bed_of(wicked({"overflow_m": 0.15}))
    (weak,) = [each for each in flat.findings if each.code == "wick_weak"]
    assert weak.level == "caution"
    assert "nothing reaches their roots" in weak.message
    strips = bed_of(wicked({"wicks": [{"kind": "strip", "width_m": 0.1, "count": 6}]}))
    (weak,) = [each for each in strips.findings if each.code == "wick_weak"]
    # 6 x 0.1 m x 4 L; 2.88 m2 of plants ask about 20
    assert "up to 2.4 L reaches" in weak.message
    assert re.search(r"ask about (1[5-9]|2[0-5])(\.\d)? L on a hot day", weak.message)
    tucked = bed_of(wicked({"wicks": [{"kind": "fabric", "dips": True}]}))
    assert [each for each in tucked.findings if each.code == "wick_weak"] == []
    assert tucked.reservoir is not None
    assert tucked.reservoir.lift_m3_day == pytest.approx(2.88 * 0.012)


FABRIC = Wicking((Lift("fabric", 0.034, 0.25),))
PLANTED = Planted(1.05, 0.8, 0.5, 131, 275)


def run(store: Store, weather: Weather, leak: float = 0.0, every: int | None = None) -> tuple[Run, PlantedArea]:
    """A balance with fabric under all of the soil."""
    plot = PlantedArea(0.15, 2.88, 1.0, demand_by_day(PLANTED), leak)
    refills = Refills(None if every else 0.25, every, season_days(PLANTED))
    return run_balance(store, FABRIC, plot, weather, refills), plot


@given(st.integers(0, 500), st.floats(0.02, 0.35), st.floats(0, 0.004), st.one_of(st.none(), st.integers(1, 20)))
def test_water_is_never_made_nor_lost(seed: int, height_m: float, leak: float, every: int | None) -> None:
    store = Store(BOX, height_m, height_m, 0.38)
    done, _plot = run(store, drawn_weather(zoo.NORMALS, 44.1, 2, seed), leak, every)
    came = done.began_m3 + done.rain_m3.sum(axis=1) + done.refill_m3.sum(axis=1)
    went = done.taken_m3.sum(axis=1) + done.overflow_m3.sum(axis=1) + done.leak_m3.sum(axis=1)
    left = done.water_m3[:, -1] + done.soil_m3[:, -1]
    assert (came - went - left).tolist() == pytest.approx([0.0] * 2, abs=1e-9)
    assert done.water_m3.min() >= -1e-12
    assert done.water_m3.max() <= store.held_m3 + 1e-12
    assert np.all(done.taken_m3 <= done.wanted_m3 + 1e-12)


def plain_day_by_day(store: Store, plot: PlantedArea, weather: Weather, days: Any) -> list[list[float]]:
    """The same balance in plain arithmetic, a year and a day at a time."""
    lifts = (0.034 * np.clip(1 - (store.height_m - store.heights) / 0.25, 0, 1)).tolist()
    waters, levels = store.waters.tolist(), []
    ends = [(store.held_m3, plot.soil_m3)] * weather.years
    for year in [*range(weather.years), *range(weather.years)]:
        # the second time each year begins as the one before it ended the first time
        water, soil = ends[year - 1] if len(levels) >= weather.years else (store.held_m3, plot.soil_m3)
        levels.append([])
        for day in range(DAYS):
            rain, asked = float(weather.rain_mm[year, day]) * MM, float(weather.et0_mm[year, day]) * MM
            wanted = asked * plot.area_m2 * float(plot.demand[day])
            soil += rain * plot.area_m2
            down = max(soil - plot.soil_m3, 0.0)
            soil, water = soil - down, min(water + down + rain * plot.catchment_m2, store.held_m3)
            lifted = min(float(np.interp(water, waters, lifts)), water, plot.soil_m3 - soil + wanted)
            water, soil = water - lifted, soil + lifted
            soil -= min(wanted * min(soil / (0.5 * plot.soil_m3), 1.0), soil)
            if days[day] and water < 0.25 * store.held_m3:
                water = store.held_m3
            levels[-1].append(water)
        if len(levels) <= weather.years:
            ends[year] = (water, soil)
    return levels[weather.years :]


def test_all_years_at_once_are_those_of_a_plain_loop() -> None:
    store, weather = Store(BOX, 0.2, 0.18, 0.38), drawn_weather(zoo.NORMALS, 44.1, 3, 3)
    done, plot = run(store, weather)
    slow = plain_day_by_day(store, plot, weather, season_days(PLANTED))
    assert np.abs(done.water_m3 - np.array(slow)).max() < 1e-9


def test_a_leak_and_a_dry_spell_shorten_how_long_it_lasts() -> None:
    store, weather = Store(BOX, 0.2, 0.2, 0.38), drawn_weather(zoo.NORMALS, 44.1, 20, 3)
    plot, unknowns = PlantedArea(0.15, 2.88, 0.0, demand_by_day(PLANTED)), drawn_unknowns(20)
    sound = dry_spell_days(store, FABRIC, plot, weather, unknowns)
    leaking = dry_spell_days(store, FABRIC, replace(plot, leak_m3_day=0.005), weather, unknowns)
    assert sound.shape == (20, 12)
    assert np.median(sound[:, 6]) < np.median(sound[:, 3])
    assert np.median(leaking[:, 6]) < np.median(sound[:, 6])
    assert sound[:, 11].max() == LONGEST_DAYS


def test_how_long_it_lasts_is_a_band_over_what_is_not_well_known() -> None:
    store, weather = Store(BOX, 0.2, 0.2, 0.38), drawn_weather(zoo.NORMALS, 44.1, 100, 3)
    plot = PlantedArea(0.15, 2.88, 0.0, demand_by_day(PLANTED))
    sure = Unknowns(*(np.ones(100) for _ in range(3)))
    known, band = (
        np.ptp(np.percentile(dry_spell_days(store, FABRIC, plot, weather, each)[:, 6], (10, 90)))
        for each in (sure, drawn_unknowns(100))
    )
    assert band > known
    for name, change in (("available", 0.7), ("rise", 0.6), ("crop_factor", 1.2)):
        more = replace(sure, **{name: np.full(100, change)})
        lasted = dry_spell_days(store, FABRIC, plot, weather, more)[:, 6]
        assert np.median(lasted) < np.median(dry_spell_days(store, FABRIC, plot, weather, sure)[:, 6]), name


def test_what_would_narrow_it_most_is_what_it_goes_with() -> None:
    unknowns = drawn_unknowns(60)
    for name in ("available", "rise", "crop_factor"):
        lasted = np.repeat(20 + 30 * getattr(unknowns, name)[:, np.newaxis], 12, axis=1)
        assert most_telling(lasted, unknowns) == name
    assert most_telling(np.full((60, 12), 150.0), unknowns) is None


def test_plants_take_less_once_the_easy_half_is_gone() -> None:
    soil, wanted = np.array([0.10, 0.05, 0.025, 0.0]), np.full(4, 0.02)
    assert taken_from(soil, 0.10, wanted).tolist() == pytest.approx([0.02, 0.02, 0.01, 0.0])


def test_the_twin_takes_more_for_what_runs_past_the_roots() -> None:
    weather = drawn_weather(zoo.NORMALS, 44.1, 30, 9)
    plot = PlantedArea(0.1, 2.88, 0.0, demand_by_day(PLANTED))
    given_m3 = run_twin(plot, weather, season_days(PLANTED)).given_m3
    dry = given_m3[given_m3 > 0]
    assert dry.min() >= 0.5 * 0.1 / 0.7 - 1e-9
    assert given_m3[:, :100].sum() == 0


def test_leaves_grow_and_fall_with_the_season() -> None:
    demand = demand_by_day(PLANTED)
    assert demand[200] == pytest.approx(1.05 * 0.8 + 0.6 * 0.5 * 0.2)
    assert demand[20] == pytest.approx(0.3)
    south = Planted(1.05, 0.8, 0.5, 287, 105)
    assert season_days(south)[[0, 200, 300]].tolist() == [True, False, True]
    assert sum(MONTH_DAYS) == DAYS


WICKING: dict[str, Any] = {
    "height_m": 0.2, "overflow_m": 0.2, "medium": "gravel_20", "liner_lap_m": 0.15, "tested": True,
    "wicks": [{"kind": "fabric"}],
}  # fmt: skip


def wicked(changes: dict[str, Any] | None = None, **beside: Any) -> dict[str, Any]:
    """A wicking bed of 2.4 x 1.2 m."""
    layers = [{"material": "topsoil", "thickness_m": 0.25}]
    reservoir = {key: value for key, value in (WICKING | (changes or {})).items() if value is not None}
    plain = zoo.bed(shape=zoo.shape(2.4, 1.2, 0.6), headspace_m=0.03, layers=layers, reservoir=reservoir)
    return plain | beside


TUB = {"kind": "round_tub", "base_diameter_m": 0.9, "rim_diameter_m": 1.0, "depth_m": 0.6}
FABRIC_FIRST = [{"material": "geotextile"}, {"material": "topsoil", "thickness_m": 0.25}]


def test_layers_begin_on_the_reservoir_and_its_parts_are_bought_and_weighed() -> None:
    figures = figures_of(zoo.plan(wicked()))
    (bed,) = figures.beds
    assert (bed.layers[0].bottom_m, bed.layers[0].top_m) == pytest.approx((0.2, 0.45))
    assert bed.surface_m[0] == pytest.approx(0.45)
    assert bed.reservoir is not None
    assert bed.reservoir.water_m3 == pytest.approx(2.88 * 0.2 * 0.38)
    assert bed.reservoir.liner_m == pytest.approx((3.1, 1.9))
    needs = {need.material: need for need in figures.needs}
    assert needs["gravel_20"].placed_m3 == pytest.approx(0.576)
    assert needs["pond_liner"].area_m2 == pytest.approx(3.1 * 1.9)
    soil, stone, water = 0.72 * SHELF["topsoil"].saturated_density_kg_m3, 0.576 * 1554 / 0.992, 218.88
    liner = 3.1 * 1.9 * SHELF["pond_liner"].mass_per_area_kg_m2
    fabric = 2.88 * SHELF["wicking_fabric"].mass_per_area_kg_m2
    assert needs["wicking_fabric"].area_m2 == pytest.approx(2.88)
    assert bed.mass_saturated_kg == pytest.approx(soil + stone + water + liner + fabric)
    assert bed.stand.pressure_kg_m2 == pytest.approx(bed.mass_saturated_kg / 2.88 + 5)


BROKEN: list[tuple[dict[str, Any], str, str]] = [
    ({"height_m": 0.7}, "height_m", "no room for soil"),
    ({"overflow_m": 0.3}, "overflow_m", "over the reservoir"),
    ({"medium": "cardboard"}, "medium", "holds no free water"),
    ({"medium": "gravell"}, "medium", "isn't on the shelf"),
    ({"pipes": [{"diameter_m": 0.3, "length_m": 1.0}]}, "pipes", "higher than the reservoir"),
    ({"crates": [{"length_m": 3.0, "width_m": 1.2, "height_m": 0.2}]}, "height_m", "more room"),
    ({"wicks": [{"kind": "strip", "diameter_m": 0.1}]}, r"wicks\[0\].diameter_m", "doesn't belong to a strip"),
    ({"wicks": [{"kind": "soil_column"}]}, r"wicks\[0\].diameter_m", "has to be given"),
]


@pytest.mark.parametrize(("change", "key", "said"), BROKEN)
def test_a_reservoir_that_does_not_fit_names_its_place(change: dict[str, Any], key: str, said: str) -> None:
    with pytest.raises(ValueError, match=rf"reservoir\.{key}.*{said}"):
        bed_of(wicked(change))


def test_what_has_no_walls_holds_no_water() -> None:
    mound = {"kind": "round_mound", "length_m": 4.0, "width_m": 1.6, "height_m": 0.8}
    with pytest.raises(ValueError, match="holds no water"):
        bed_of({"key": "m", "shape": mound, "layers": [], "reservoir": WICKING})


WATER_CASES: list[tuple[str, dict[str, Any], str | None]] = [
    ("soil_deep_over_water", wicked() | {"layers": [{"material": "topsoil", "fill": True}]}, "caution"),
    ("soil_deep_over_water", wicked(), None),
    ("reservoir_tilted", wicked({"tilt_m": 0.02}), "caution"),
    ("reservoir_tilted", wicked({"tilt_m": 0.01}), None),
    ("no_overflow", wicked({"overflow_m": None}), "caution"),
    ("no_overflow", wicked(), None),
    ("leak_test_due", wicked({"tested": False}), "caution"),
    ("leak_test_due", wicked(), None),
    ("no_liner", wicked({"liner_lap_m": None}), "stop"),
    ("no_liner", wicked(), None),
    ("no_liner", wicked({"liner_lap_m": None}, shape=TUB), None),
    ("soil_into_reservoir", wicked({"wicks": [{"kind": "strip", "width_m": 0.1}]}), "caution"),
    ("soil_into_reservoir", wicked(), None),
    ("soil_into_reservoir", wicked({"wicks": [{"kind": "strip", "width_m": 0.1}]}, layers=FABRIC_FIRST), None),
    ("liner_too_small", wicked({"liner_m": [3.0, 2.0]}), "stop"),
    ("liner_too_small", wicked({"liner_m": [0.4, 0.3]}), "stop"),
    ("liner_too_small", wicked({"liner_m": [2.0, 3.2]}), None),
    ("liner_pierced", wicked(buried=[{"kind": "post", "width_m": 0.05, "height_m": 0.6, "count": 2}]), "stop"),
    ("liner_pierced", wicked(buried=[{"kind": "post", "width_m": 0.05, "height_m": 0.3, "bottom_m": 0.2}]), None),
    ("standing_water", wicked(), "note"),
    ("standing_water", zoo.bed(), None),
    ("water_from_top", wicked(), "note"),
    ("water_from_top", zoo.bed(), None),
    ("flush_yearly", wicked(), "note"),
    ("flush_yearly", zoo.bed(), None),
    ("weight_over", wicked(stand={"on": "deck", "limit_kg_m2": 200.0}), "stop"),
    ("weight_over", wicked(stand={"on": "deck", "limit_kg_m2": 2000.0}), None),
    ("weight_unknown", wicked(stand={"on": "legs", "legs": 4}), "caution"),
    ("weight_unknown", zoo.bed(), None),
]


@pytest.mark.parametrize(("code", "document", "level"), WATER_CASES)
def test_findings_on_water_show_where_they_hold_alone(code: str, document: dict[str, Any], level: str | None) -> None:
    found = [finding for finding in bed_of(document).findings if finding.code == code]
    assert [finding.level for finding in found] == ([level] if level else [])
    for finding in found:
        assert any(sign.isdigit() for sign in finding.message)
        if finding.mend is not None:
            assert code not in {each.code for each in bed_of(mended_by(document, finding)).findings}


LIMITS_OF_KEYS: list[tuple[dict[str, Any], str]] = [
    ({"watering": {"threshold": 1.2}}, "watering.threshold"),
    ({"watering": {"every_days": 0}}, "watering.every_days"),
    ({"watering": {"crop_factor": 0}}, "watering.crop_factor"),
    ({"watering": {"shade": 0.5}}, "watering.shade"),
    ({"stand": {"on": "table"}}, "stand.on"),
    ({"stand": {"on": "deck", "limit_kg_m2": 0}}, "stand.limit_kg_m2"),
    ({"stand": {"on": "legs", "legs": 0}}, "stand.legs"),
    ({"reservoir": {"overflow_m": 0.1}}, "reservoir.height_m"),
    ({"reservoir": WICKING | {"liner_m": [3.0]}}, "reservoir.liner_m"),
    ({"reservoir": WICKING | {"catchment_m2": -1}}, "reservoir.catchment_m2"),
    ({"reservoir": WICKING | {"drain": True}}, "reservoir.drain"),
    ({"reservoir": WICKING | {"wicks": [{"kind": "rope"}]}}, "reservoir.wicks[0].kind"),
]


@pytest.mark.parametrize(("change", "path"), LIMITS_OF_KEYS)
def test_keys_of_water_keep_to_their_limits(change: dict[str, Any], path: str) -> None:
    with pytest.raises(ValueError, match=re.escape(path)):
        bed_of(zoo.bed(**change))


NORMALS_BROKEN: list[tuple[Any, str]] = [
    ([{"tmin_c": 1.0, "tmax_c": 2.0, "rain_mm": 3.0, "rain_days": 4.0}] * 11, "garden.normals"),
    ([{"tmin_c": 1.0, "tmax_c": 2.0, "rain_mm": -3.0, "rain_days": 4.0}] * 12, "garden.normals[0].rain_mm"),
    ([{"tmin_c": 1.0, "tmax_c": 2.0, "rain_mm": 3.0, "rain_days": 32.0}] * 12, "garden.normals[0].rain_days"),
]


@pytest.mark.parametrize(("normals", "path"), NORMALS_BROKEN)
def test_normals_are_twelve_and_possible(normals: Any, path: str) -> None:
    with pytest.raises(ValueError, match=re.escape(path)):
        figures_of(zoo.plan(garden={"name": "Ground", "normals": normals}))


@given(st.floats(0.03, 0.09), st.floats(0.5, 2.2), st.integers(1, 3), st.floats(0.1, 0.5))
def test_a_pipe_always_holds_more_than_the_stone_it_displaces(
    across_m: float, length_m: float, count: int, share: float
) -> None:
    plain = Store(BOX, 0.1, 0.1, share)
    piped = Store(BOX, 0.1, 0.1, share, (LyingPipe(across_m, length_m * count, 0.0),))
    piped.check()
    assert piped.held_m3 > plain.held_m3
    assert piped.held_m3 - plain.held_m3 == pytest.approx(
        (0.925 - share) * math.pi * across_m**2 / 4 * length_m * count, rel=1e-6
    )


def test_legs_share_the_weight() -> None:
    figures = bed_of(wicked(stand={"on": "legs", "legs": 4}))
    assert figures.stand.leg_kg == pytest.approx((figures.mass_saturated_kg + 5 * 2.88) / 4)
    assert bed_of(wicked()).stand.leg_kg is None


@pytest.mark.parametrize("beside", [{"stand": {"on": "deck"}}, {"reservoir": WICKING}])
def test_a_bed_off_the_ground_or_over_water_is_closed_below(beside: dict[str, Any]) -> None:
    soil = [{"material": "topsoil", "thickness_m": 0.2}]
    closed = bed_of(zoo.bed(layers=soil, **beside)).ready
    opened = bed_of(zoo.bed(layers=soil)).ready
    assert closed.depth_m == pytest.approx(0.2)
    assert opened.depth_m > 1.0
    assert [each.years is None for each in closed.sowings] == [False, True, True]
    assert [each.years is None for each in opened.sowings] == [False, False, False]


def test_nobody_asks_to_test_the_ground_under_a_deck() -> None:
    low = {"shape": zoo.shape(2, 1, 0.25)}
    on_ground = {finding.code for finding in bed_of(zoo.bed(**low)).findings}
    on_deck = {finding.code for finding in bed_of(zoo.bed(**low, stand={"on": "deck"})).findings}
    assert "ground_untested" in on_ground
    assert "ground_untested" not in on_deck
    assert "weight_unknown" in on_deck


def test_inert_fill_under_the_liner_lifts_the_water_and_not_the_soil_over_it() -> None:
    tall = wicked({"under": {"material": "rubble", "height_m": 0.1}})
    low, high = bed_of(wicked()), bed_of(tall)
    assert low.reservoir is not None
    assert high.reservoir is not None
    assert high.reservoir.water_m3 == pytest.approx(low.reservoir.water_m3)
    assert high.reservoir.soil_m == pytest.approx(low.reservoir.soil_m)
    assert high.reservoir.full_m == pytest.approx(0.3)
    assert high.layers[0].bottom_m == pytest.approx(0.3)
    assert max(y for ring in high.reservoir.under for _, y in ring) == pytest.approx(0.1)
    needs = {need.material: need.placed_m3 for need in figures_of(zoo.plan(tall)).needs}
    assert needs["rubble"] == pytest.approx(0.288)


@pytest.mark.parametrize(
    ("under", "said"),
    [
        ({"material": "leaves", "height_m": 0.1}, "rots or settles"),
        ({"material": "pond_liner", "height_m": 0.1}, "no fill on the shelf"),
        ({"material": "rubbel", "height_m": 0.1}, "isn't on the shelf; did you mean rubble"),
        ({"material": "rubble", "height_m": 0.45}, "no room for soil"),
    ],
)
def test_what_lies_under_a_liner_is_stone_and_leaves_room(under: dict[str, Any], said: str) -> None:
    with pytest.raises(ValueError, match=said):
        bed_of(wicked({"under": under}))


def test_gaps_over_a_liner_count_as_full_of_water() -> None:
    stones = [{"material": "gravel_20", "thickness_m": 0.2}, {"material": "topsoil", "fill": True}]
    open_below, lined = bed_of(zoo.bed(layers=stones)), bed_of(zoo.bed(layers=[{"material": "pond_liner"}, *stones]))
    liner = lined.layers[0].mass_moist_kg
    assert lined.mass_saturated_kg - open_below.mass_saturated_kg - liner == pytest.approx(1000 * 2.0 * 0.2 * 0.37)
    packed = [stones[0] | {"infill": {"material": "coarse_sand"}}, stones[1]]
    full = bed_of(zoo.bed(layers=[{"material": "pond_liner"}, *packed]))
    assert full.mass_saturated_kg - liner == pytest.approx(bed_of(zoo.bed(layers=packed)).mass_saturated_kg)
