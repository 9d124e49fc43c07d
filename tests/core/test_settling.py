"""How far fill sinks: each material by hand, the surface in every vessel, the band, the top-ups."""

from __future__ import annotations

import math
from dataclasses import replace
from datetime import date
from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.built.plan_file import read_plan
from nolbet_core.built.surroundings import latitude_of, surroundings_of
from nolbet_core.climate.year import Year, first_spring, garden_year, next_day, spring_months
from nolbet_core.draws.inputs import Inputs
from nolbet_core.figure.water import weather_for
from nolbet_core.settling.clock import MONTHS, clock_of, decay_factor, rotted_years, steady
from nolbet_core.settling.curve import log_volume, remaining_by_month, remaining_shares
from nolbet_core.settling.spread import (
    band_edges,
    drawn_amounts,
    drawn_figures,
    drawn_pace,
    drawn_remaining,
    plain_materials,
)
from nolbet_core.settling.topping import top_ups
from nolbet_core.shelf.library import standard_shelf
from tests.core import zoo
from tests.core.ask import bed_of, figures_of
from tests.core.shapes import EVERY_SHAPE, layers, shape

SHELF = standard_shelf()
EVEN = steady(1.0)

# V/V0 at 0, 3, 12, 36 and 120 months, worked out by hand: [1 - s (1 - e^(-t/0.15))] [r + (1 - r) e^(-kt)] at 12 degrees
BY_HAND: list[tuple[str, tuple[float, float, float, float, float]]] = [
    ("topsoil", (1.0, 0.935110, 0.920102, 0.920000, 0.920000)),
    ("compost", (1.0, 0.891051, 0.800574, 0.662565, 0.486938)),
    ("aged_manure", (1.0, 0.774842, 0.545877, 0.347622, 0.297685)),
    ("leaves", (1.0, 0.549065, 0.241364, 0.080984, 0.065004)),
    ("wood_chips", (1.0, 0.874631, 0.740145, 0.508650, 0.179751)),
    # volume 0.9 + 0.1 e^-kt until half the mass is left, where that is 0.947368; at ten years mass is 0.436241
    ("broadleaf_logs", (1.0, 0.981589, 0.971590, 0.956811, 0.810031)),
]
AT = (0, 3, 12, 36, 120)
STUFF = ["topsoil", "compost", "leaves", "branches", "broadleaf_logs", "wood_chips", "gravel_20"]


@pytest.mark.parametrize(("key", "wanted"), BY_HAND)
def test_materials_by_hand(key: str, wanted: tuple[float, ...]) -> None:
    left = remaining_shares(SHELF[key], EVEN)
    assert [float(left[month]) for month in AT] == pytest.approx(wanted, abs=2e-6)


def test_warm_and_wet_fill_rots_faster_and_a_soaked_one_slower() -> None:
    assert decay_factor(12) == 1
    assert decay_factor(22) == pytest.approx(2)
    assert decay_factor(2, "dry") == pytest.approx(0.25)
    assert decay_factor(12, "waterlogged") == 0.3


@given(st.floats(0, 0.6), st.floats(0, 1), st.floats(0, 5), st.floats(0.1, 4))
def test_nothing_grows_and_what_stays_stays(settles: float, stays: float, decay: float, factor: float) -> None:
    left = remaining_by_month(settles, stays, decay, steady(factor))
    assert left[0] == 1
    assert np.all(np.diff(left) <= 1e-12)
    assert float(left[-1]) >= stays * (1 - settles) - 1e-12


def test_a_mix_sinks_as_its_parts_do() -> None:
    mix = {"key": "half", "parts": [{"material": "topsoil", "parts": 1}, {"material": "leaf_mould", "parts": 1}]}
    figures = figures_of(zoo.plan(zoo.bed(layers=[{"material": "half", "fill": True}]), mixes=[mix]))
    soil, mould = (remaining_shares(SHELF[key], EVEN) for key in ("topsoil", "leaf_mould"))
    assert figures.beds[0].surface_m == pytest.approx((0.5 * (soil + mould) / 2).tolist())


def surface_of(**changes: Any) -> list[float]:
    """A bed's surface by month."""
    return bed_of(zoo.bed(**changes)).surface_m


def test_a_box_sinks_by_its_layers() -> None:
    stack = [{"material": "wood_chips", "thickness_m": 0.2}, {"material": "topsoil", "fill": True}]
    surface = surface_of(layers=[stack[0], {"material": "geotextile"}, stack[1]])
    chips, soil = (remaining_shares(SHELF[key], EVEN) for key in ("wood_chips", "topsoil"))
    assert len(surface) == MONTHS + 1
    assert surface == pytest.approx((0.2 * chips + 0.3 * soil).tolist())

    # without the fabric half of what the gaps hold (0.2 x 0.55) runs down into them, the first winter most
    ran = 0.5 * (1 - np.exp(-np.arange(MONTHS + 1) / 12 / 0.15))
    lost = 0.11 * ran * soil
    frame = np.maximum(0.2 * chips, 0.45 * 0.2 * chips + lost)
    assert surface_of(layers=stack) == pytest.approx((frame + 0.3 * soil - lost).tolist())


def test_packed_branches_never_sink_below_their_packing() -> None:
    infill = {"material": "topsoil", "share": 1.0}
    bed = zoo.bed(shape=zoo.shape(2, 1, 0.3), layers=[{"material": "branches", "fill": True, "infill": infill}])
    surface = bed_of(bed).surface_m
    # 0.21 m of topsoil less 8 %, and what is left of the wood: 0.3 x 0.3 x 0.75 x (0.05 + 0.95 e^-3)
    assert surface[0] == pytest.approx(0.3)
    assert surface[120] == pytest.approx(0.1932 + 0.0675 * 0.097297, abs=2e-5)


@given(st.lists(st.tuples(st.sampled_from(STUFF), st.floats(0.02, 0.3), st.floats(0, 1)), min_size=1, max_size=6))
def test_solids_and_packing_hold_the_surface_up_for_ten_years(stack: list[tuple[str, float, float]]) -> None:
    layers = [
        {"material": key, "thickness_m": thick_m, "infill": {"material": "topsoil", "share": share}}
        if SHELF[key].takes_fines
        else {"material": key, "thickness_m": thick_m}
        for key, thick_m, share in stack
    ]
    surface = bed_of(zoo.bed(shape=zoo.shape(2, 1, 2.0), layers=layers)).surface_m
    held = np.zeros(MONTHS + 1)
    for key, thick_m, share in stack:
        voids = SHELF[key].void_share if SHELF[key].takes_fines else 0.0
        held += thick_m * (1 - voids) * remaining_shares(SHELF[key], EVEN)
        held += thick_m * voids * share * remaining_shares(SHELF["topsoil"], EVEN)
    assert np.all(np.array(surface) >= held - 1e-9)
    assert np.all(np.diff(surface) <= 1e-9)


def test_the_gardens_year_and_the_beds_wetness_count() -> None:
    peat = [{"material": "leaves", "fill": True}]
    cold = figures_of(zoo.plan(zoo.bed(layers=peat), garden={"name": "Cold", "mean_temp_c": 2.0})).beds[0].surface_m
    warm = surface_of(layers=peat)
    dry = surface_of(layers=peat, dampness="dry")
    assert cold == pytest.approx(dry)
    assert cold[24] > warm[24]


def test_a_tapered_tub_sinks_by_volume() -> None:
    tub = {"kind": "round_tub", "base_diameter_m": 0.25, "rim_diameter_m": 0.35, "depth_m": 0.3}
    figures = bed_of(zoo.bed(shape=tub, layers=[{"material": "compost", "fill": True}]))
    left_m3 = figures.fill_volume_m3 * float(remaining_shares(SHELF["compost"], EVEN)[36])
    height, base, rise = figures.surface_m[36], 0.125, 0.05 / 0.3
    top = base + rise * height
    assert math.pi * height / 3 * (base**2 + base * top + top**2) == pytest.approx(left_m3, rel=1e-9)


def test_a_mound_sinks_straight_down() -> None:
    mound = {"kind": "hipped_mound", "length_m": 4.0, "width_m": 1.8, "height_m": 0.7, "slope_deg": 50.0}
    figures = bed_of({"key": "m", "shape": mound, "layers": [{"material": "compost", "fill": True}]})
    left = float(remaining_shares(SHELF["compost"], EVEN)[60])
    assert figures.surface_m[60] == pytest.approx(0.7 * left)


@pytest.mark.parametrize("kind", EVERY_SHAPE)
def test_every_shape_starts_at_its_top_and_never_rises(kind: str) -> None:
    figures = bed_of({"key": kind, "shape": shape(kind), "layers": layers(kind)})
    tops = [layer.top_m for layer in figures.layers]
    assert figures.surface_m[0] == pytest.approx(max(tops), abs=1e-6)
    assert all(after <= before + 1e-9 for before, after in zip(figures.surface_m, figures.surface_m[1:], strict=False))


def slow_remaining(settles: float, stays: float, decay: float, factor: float, month: int) -> float:
    """One share in plain arithmetic."""
    years = month / 12
    return (1 - settles * (1 - math.exp(-years / 0.15))) * (stays + (1 - stays) * math.exp(-decay * factor * years))


def slow_logs(settles: float, stays: float, decay: float, factor: float, month: int) -> float:
    """The same for logs: density goes first, volume follows from half the mass on."""
    years = month / 12
    left = math.exp(-decay * factor * years)
    mass = stays + (1 - stays) * left
    volume = 0.9 + 0.1 * left if mass >= 0.5 else (0.9 + 0.1 * (0.5 - stays) / (1 - stays)) * mass / 0.5
    return (1 - settles * (1 - math.exp(-years / 0.15))) * volume


def test_draws_by_a_running_product_are_those_of_a_plain_loop() -> None:
    materials = [SHELF[key] for key in ("compost", "leaves", "broadleaf_logs", "gravel_20")]
    drawn = drawn_figures(materials, Inputs(20))
    fast = drawn_remaining(drawn, steady(1.3), np.ones(20))
    for i in range(len(materials)):
        for j in range(20):
            figures = float(drawn.settles[i, j]), float(drawn.stays[i, j]), float(drawn.decay_per_year[i, j])
            slow = slow_logs if SHELF["broadleaf_logs"] is materials[i] else slow_remaining
            wanted = [slow(*figures, 1.3, month) for month in range(MONTHS + 1)]
            assert fast[:, i, j].tolist() == pytest.approx(wanted, abs=1e-9)


def test_logs_keep_their_volume_until_half_their_mass_is_gone() -> None:
    rotting = np.array([1.0, 0.6, (0.5 - 0.05) / 0.95, 0.3, 0.0])
    volume = log_volume(rotting, np.array(0.05))
    assert volume[:3].tolist() == pytest.approx([1.0, 0.96, 0.9 + 0.1 * 0.45 / 0.95])
    assert volume[3:].tolist() == pytest.approx([volume[2] * (0.05 + 0.95 * 0.3) / 0.5, volume[2] * 0.1])
    assert log_volume(rotting, np.array(0.6)).tolist() == pytest.approx((0.9 + 0.1 * rotting).tolist())


NORMALS = [
    {"tmin_c": 12.0 - 14 * math.cos(math.pi * each / 6) - 5, "tmax_c": 12.0 - 14 * math.cos(math.pi * each / 6) + 5,
     "rain_mm": 50, "rain_days": 8}
    for each in range(12)
]  # fmt: skip


def sunk(built_on: str, **garden: Any) -> list[float]:
    """The surface of a bed of leaves filled on a day, in a garden whose months are known."""
    bed = zoo.bed(layers=[{"material": "leaves", "fill": True}], built_on=built_on)
    return figures_of(zoo.plan(bed, garden={"name": "Here", "normals": NORMALS, **garden})).beds[0].surface_m


def test_fill_rots_month_by_month_as_warm_as_it_is() -> None:
    spring, autumn = sunk("2027-04-01"), sunk("2027-10-01")
    factors = [2 ** (-14 * math.cos(math.pi * each / 6) / 10) for each in range(12)]
    lost = 1 - 0.35 * (1 - math.exp(-0.5 / 0.15))
    for surface, first in ((spring, 3), (autumn, 9)):
        clocked = sum((factors[(first + each) % 12]) for each in range(6)) / 12
        assert surface[6] == pytest.approx(0.5 * lost * (0.1 + 0.9 * math.exp(-1.2 * clocked)))
    assert spring[6] < autumn[6] - 0.05
    assert spring[12] == pytest.approx(autumn[12])


def test_a_year_mirrored_to_the_south_rots_alike() -> None:
    turned = [NORMALS[(each + 6) % 12] for each in range(12)]
    assert sunk("2027-10-01") == pytest.approx(sunk("2027-04-01", normals=turned, latitude_deg=-44.0))


def test_a_mean_beside_the_months_moves_them_and_none_is_warmer_than_warmest() -> None:
    plain, moved = sunk("2027-04-01"), sunk("2027-04-01", mean_temp_c=22.0)
    assert moved[12] < plain[12]
    assert decay_factor(40) == decay_factor(35) == pytest.approx(2**2.3)


def test_what_has_rotted_by_when_reads_back() -> None:
    clock = clock_of([2, 4, 8, 12, 16, 20, 22, 21, 16, 11, 6, 3], "moist")
    for years in (0.2, 1.0, 7.3):
        assert clock.years_until(float(np.interp(years, np.arange(121) / 12, rotted_years(clock)))) == pytest.approx(
            years
        )
    assert clock.years_until(20 * clock.mean) == pytest.approx(20)


def test_a_rake_moves_boundaries_and_keeps_the_sum() -> None:
    amounts = np.array([0.4, 0.0, 0.3, 0.3])
    drawn = drawn_amounts(amounts, [0.2, 0.0, 0.15, 0.15], Inputs(4000), "box")
    assert drawn.sum(axis=0) == pytest.approx(np.ones(4000))
    assert np.all(drawn[1] == 0)
    # 10 mm on one boundary of 0.2 m; both of 0.15 m share half their variance, so the difference keeps half of twice it
    assert drawn[0].std() == pytest.approx(0.4 * 0.01 / 0.2, rel=0.05)
    assert drawn[2].std() == pytest.approx(0.3 * 0.01 * math.sqrt(2 * (1 - 0.5)) / 0.15, rel=0.05)
    assert drawn_amounts(np.array([2.0]), [0.5], Inputs(3), "box").tolist() == [[2.0, 2.0, 2.0]]


def test_warmth_and_damp_spread_the_pace_by_about_a_tenth() -> None:
    pace = drawn_pace(Inputs(4000))
    assert np.median(pace) == pytest.approx(0.97, abs=0.02)
    # a degree is 7 %, damp 8 %
    assert np.std(np.log(pace)) == pytest.approx(0.11, abs=0.015)


def test_draws_stay_in_their_ranges_and_come_back() -> None:
    materials = [SHELF["compost"], SHELF["gravel_20"]]
    one, two = drawn_figures(materials, Inputs(500)), drawn_figures(materials, Inputs(500))
    decay = SHELF["compost"].properties["decay_per_year"]
    assert np.array_equal(one.decay_per_year, two.decay_per_year)
    assert decay.low <= one.decay_per_year[0].min() < decay.value < one.decay_per_year[0].max() <= decay.high
    assert np.all(one.settles[1] <= 0.02)
    assert np.all(one.stays[1] == 1)


def test_the_band_holds_four_draws_of_five() -> None:
    materials = [SHELF["compost"], SHELF["leaves"]]
    plain, shares = plain_materials(materials)
    remaining = drawn_remaining(drawn_figures(plain, Inputs(500)), EVEN, np.ones(500))
    amounts = np.array([0.3, 0.2]) @ shares
    sums = amounts @ remaining
    low, high = band_edges(sums)
    inside = np.mean((sums[60] >= low[60]) & (sums[60] <= high[60]))
    assert inside == pytest.approx(0.8, abs=0.01)
    assert low[0] == high[0] == pytest.approx(0.5)


def test_top_ups_bring_it_back_and_settle_again() -> None:
    compost = remaining_shares(SHELF["compost"], EVEN)
    sunken = 2.0 * remaining_shares(SHELF["leaves"], EVEN)
    months = [6, 18, 30]
    laid = top_ups(2.0, sunken, months, compost)
    for at, month in enumerate(months):
        held = float(sunken[month]) + sum(laid[i] * float(compost[month - months[i]]) for i in range(at + 1))
        assert held == pytest.approx(2.0)
    assert top_ups(1.0, np.full(121, 1.5), months, compost) == [0.0, 0.0, 0.0]


YEAR = Year(9.5, (5, 12), (10, 3))


@pytest.mark.parametrize(
    ("built", "spring"),
    [
        (date(2026, 10, 20), date(2027, 5, 12)),
        (date(2027, 2, 1), date(2027, 5, 12)),
        (date(2027, 4, 20), date(2028, 5, 12)),
        (date(2027, 5, 12), date(2028, 5, 12)),
    ],
)
def test_a_winter_lies_before_the_first_spring(built: date, spring: date) -> None:
    assert first_spring(built, YEAR) == spring


def test_springs_are_a_year_apart_and_end_after_ten_years() -> None:
    assert spring_months(date(2026, 10, 20), YEAR)[:3] == [7, 19, 31]
    assert spring_months(None, YEAR) == [6 + 12 * year for year in range(10)]
    assert spring_months(date(2027, 4, 20), YEAR)[-1] <= MONTHS


def test_a_garden_that_says_nothing_has_a_usual_year_of_its_half() -> None:
    south = garden_year(None, None, None, -33.0, None)
    assert (south.mean_temp_c, south.last_frost) == (12.0, (10, 15))
    assert garden_year(9.0, "02-30", None, 44.0, None).season_temp_c == 14.5
    assert next_day(date(2027, 3, 1), (2, 30)) == date(2028, 2, 29)


def test_frosts_alone_tell_a_garden_of_the_south() -> None:
    frosts = {"last_frost": "10-05", "first_frost": "05-10"}
    south, north, said = (
        read_plan(zoo.plan(garden={"name": "Here", **garden})).plan.garden
        for garden in (frosts, {"last_frost": "05-10", "first_frost": "10-05"}, frosts | {"latitude_deg": -20.0})
    )
    assert [latitude_of(each) for each in (south, north, said)] == [-45.0, None, -20.0]
    warmest = [int(np.argmax(weather_for(each, [])[0].et0_mm.mean(axis=0))) for each in (south, north)]
    assert min(warmest[0], 365 - warmest[0]) < 40
    assert 120 < warmest[1] < 240


def test_normals_without_a_mean_tell_how_warm_the_year_is() -> None:
    months = [{"tmin_c": 10.0 + each, "tmax_c": 20.0 + each, "rain_mm": 50, "rain_days": 8} for each in range(12)]
    garden = read_plan(zoo.plan(garden={"name": "Here", "normals": months})).plan.garden
    assert surroundings_of(garden).year.mean_temp_c == pytest.approx(15 + 5.526027, abs=1e-5)
    given = garden.model_copy(update={"mean_temp_c": 9.0})
    assert surroundings_of(given).year.mean_temp_c == 9.0


def test_three_kinds_of_logs_sink_each_by_its_own_draws() -> None:
    kinds = [SHELF[key] for key in ("conifer_logs", "broadleaf_logs", "durable_logs")]
    drawn = drawn_figures(kinds, Inputs(40))
    left = drawn_remaining(drawn, clock_of([12.0] * 12, "moist"), np.ones(40))
    alone = drawn_remaining(
        replace(drawn, settles=drawn.settles[1:2], stays=drawn.stays[1:2], decay_per_year=drawn.decay_per_year[1:2],
                logs=(0,)),
        clock_of([12.0] * 12, "moist"), np.ones(40),
    )  # fmt: skip
    assert left[:, 1] == pytest.approx(alone[:, 0])
