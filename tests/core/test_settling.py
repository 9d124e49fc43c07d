"""How far fill sinks: each material by hand, the surface in every vessel, the band, the top-ups."""

from __future__ import annotations

import math
from datetime import date
from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.built.plan_file import read_plan
from nolbet_core.built.surroundings import latitude_of, surroundings_of
from nolbet_core.climate.year import Year, first_spring, garden_year, next_day, spring_months
from nolbet_core.figure.water import weather_for
from nolbet_core.settling.curve import MONTHS, decay_factor, remaining_by_month, remaining_shares
from nolbet_core.settling.spread import band_of, drawn_figures, drawn_remaining, plain_materials
from nolbet_core.settling.topping import top_ups
from nolbet_core.shelf.library import standard_shelf
from tests.core import zoo
from tests.core.ask import bed_of, figures_of
from tests.core.shapes import EVERY_SHAPE, layers, shape

SHELF = standard_shelf()

# V/V0 at 0, 3, 12, 36 and 120 months, worked out by hand: [1 - s (1 - e^(-t/0.15))] [r + (1 - r) e^(-kt)] at 12 degrees
BY_HAND: list[tuple[str, tuple[float, float, float, float, float]]] = [
    ("topsoil", (1.0, 0.935110, 0.920102, 0.920000, 0.920000)),
    ("compost", (1.0, 0.891051, 0.800574, 0.662565, 0.486938)),
    ("aged_manure", (1.0, 0.774842, 0.545877, 0.347622, 0.297685)),
    ("leaves", (1.0, 0.549065, 0.241364, 0.080984, 0.065004)),
    ("wood_chips", (1.0, 0.874631, 0.740145, 0.508650, 0.179751)),
    ("broadleaf_logs", (1.0, 0.962984, 0.899893, 0.759706, 0.427516)),
]
AT = (0, 3, 12, 36, 120)
STUFF = ["topsoil", "compost", "leaves", "branches", "broadleaf_logs", "wood_chips", "gravel_20"]


@pytest.mark.parametrize(("key", "wanted"), BY_HAND)
def test_materials_by_hand(key: str, wanted: tuple[float, ...]) -> None:
    left = remaining_shares(SHELF[key], 1.0)
    assert [float(left[month]) for month in AT] == pytest.approx(wanted, abs=2e-6)


def test_warm_and_wet_fill_rots_faster_and_a_soaked_one_slower() -> None:
    assert decay_factor(12) == 1
    assert decay_factor(22) == pytest.approx(2)
    assert decay_factor(2, "dry") == pytest.approx(0.25)
    assert decay_factor(12, "waterlogged") == 0.3


@given(st.floats(0, 0.6), st.floats(0, 1), st.floats(0, 5), st.floats(0.1, 4))
def test_nothing_grows_and_what_stays_stays(settles: float, stays: float, decay: float, factor: float) -> None:
    left = remaining_by_month(settles, stays, decay, factor)
    assert left[0] == 1
    assert np.all(np.diff(left) <= 1e-12)
    assert float(left[-1]) >= stays * (1 - settles) - 1e-12


def test_a_mix_sinks_as_its_parts_do() -> None:
    mix = {"key": "half", "parts": [{"material": "topsoil", "parts": 1}, {"material": "leaf_mould", "parts": 1}]}
    figures = figures_of(zoo.plan(zoo.bed(layers=[{"material": "half", "fill": True}]), mixes=[mix]))
    soil, mould = (remaining_shares(SHELF[key], 1.0) for key in ("topsoil", "leaf_mould"))
    assert figures.beds[0].surface_m == pytest.approx((0.5 * (soil + mould) / 2).tolist())


def surface_of(**changes: Any) -> list[float]:
    """A bed's surface by month."""
    return bed_of(zoo.bed(**changes)).surface_m


def test_a_box_sinks_by_its_layers() -> None:
    stack = [{"material": "wood_chips", "thickness_m": 0.2}, {"material": "topsoil", "fill": True}]
    surface = surface_of(layers=[stack[0], {"material": "geotextile"}, stack[1]])
    chips, soil = (remaining_shares(SHELF[key], 1.0) for key in ("wood_chips", "topsoil"))
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
        held += thick_m * (1 - voids) * remaining_shares(SHELF[key], 1.0)
        held += thick_m * voids * share * remaining_shares(SHELF["topsoil"], 1.0)
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
    left_m3 = figures.fill_volume_m3 * float(remaining_shares(SHELF["compost"], 1.0)[36])
    height, base, rise = figures.surface_m[36], 0.125, 0.05 / 0.3
    top = base + rise * height
    assert math.pi * height / 3 * (base**2 + base * top + top**2) == pytest.approx(left_m3, rel=1e-9)


def test_a_mound_sinks_straight_down() -> None:
    mound = {"kind": "hipped_mound", "length_m": 4.0, "width_m": 1.8, "height_m": 0.7, "slope_deg": 50.0}
    figures = bed_of({"key": "m", "shape": mound, "layers": [{"material": "compost", "fill": True}]})
    left = float(remaining_shares(SHELF["compost"], 1.0)[60])
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


def test_draws_by_a_running_product_are_those_of_a_plain_loop() -> None:
    materials = [SHELF[key] for key in ("compost", "leaves", "broadleaf_logs", "gravel_20")]
    drawn = drawn_figures(materials, draws=20)
    fast = drawn_remaining(drawn, 1.3)
    for i in range(len(materials)):
        for j in range(20):
            figures = float(drawn.settles[i, j]), float(drawn.stays[i, j]), float(drawn.decay_per_year[i, j])
            wanted = [slow_remaining(*figures, 1.3, month) for month in range(MONTHS + 1)]
            assert fast[:, i, j].tolist() == pytest.approx(wanted, abs=1e-9)


def test_draws_stay_in_their_ranges_and_come_back() -> None:
    materials = [SHELF["compost"], SHELF["gravel_20"]]
    one, two = drawn_figures(materials), drawn_figures(materials)
    decay = SHELF["compost"].properties["decay_per_year"]
    assert np.array_equal(one.decay_per_year, two.decay_per_year)
    assert decay.low <= one.decay_per_year[0].min() < decay.value < one.decay_per_year[0].max() <= decay.high
    assert np.all(one.settles[1] <= 0.02)
    assert np.all(one.stays[1] == 1)


def test_the_band_holds_four_draws_of_five() -> None:
    materials = [SHELF["compost"], SHELF["leaves"]]
    plain, shares = plain_materials(materials)
    remaining = drawn_remaining(drawn_figures(plain), 1.0)
    amounts = np.array([0.3, 0.2]) @ shares
    sums = amounts @ remaining
    low, high = band_of(sums)
    inside = np.mean((sums[60] >= low[60]) & (sums[60] <= high[60]))
    assert inside == pytest.approx(0.8, abs=0.01)
    assert low[0] == high[0] == pytest.approx(0.5)


def test_top_ups_bring_it_back_and_settle_again() -> None:
    compost = remaining_shares(SHELF["compost"], 1.0)
    sunken = 2.0 * remaining_shares(SHELF["leaves"], 1.0)
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
