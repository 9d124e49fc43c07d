"""What a bed drinks by month, what its soil holds, and what soaking its fill takes."""

from __future__ import annotations

import math
from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.built.thirst import available_water
from nolbet_core.climate.radiation import extraterrestrial_radiation, reference_evapotranspiration
from nolbet_core.climate.weather import Weather
from nolbet_core.plan.garden import Garden
from nolbet_core.reservoir.drowning import drowned_days
from nolbet_core.reservoir.season import Planted
from nolbet_core.reservoir.thirst import easy_water, staying_rain, thirst_by_month
from nolbet_core.shelf.library import standard_shelf
from tests.core import zoo
from tests.core.ask import bed_of, figures_of, worked_of

SHELF = standard_shelf()
JULY = 6
MONTHS = [
    {"tmin_c": t - 5.0, "tmax_c": t + 6.0, "rain_mm": rain, "rain_days": 9.0}
    for t, rain in zip((1, 2, 6, 9, 13, 17, 20, 19, 15, 10, 5, 2), (60, 50, 55, 50, 60, 55, 20, 40, 60, 80, 70, 65),
                       strict=True)
]  # fmt: skip
GARDEN = {"name": "Test ground", "latitude_deg": 48.0, "normals": MONTHS, "tap_l_min": 12.0}


def figured(**changes: Any) -> Any:
    return figures_of(zoo.plan(zoo.bed(**changes), garden=GARDEN)).beds[0]


def test_a_july_week_by_hand() -> None:
    bed = figured(watering={"crop_factor": 1.0, "canopy": 1.0})
    radiation = extraterrestrial_radiation(48.0, np.array([197.0]))
    et0 = float(reference_evapotranspiration(np.array([15.0]), np.array([26.0]), radiation)[0])
    # in full leaf with the whole ground covered the bed of 2 m2 takes the reference
    assert bed.thirst_l_week[JULY] == pytest.approx(7 * 2.0 * et0, rel=1e-6)
    # of 20 mm of rain 0.6 x 20 - 10 = 2 mm stay
    assert bed.given_l_week[JULY] == pytest.approx(7 * 2.0 * (et0 - 2.0 / 31), rel=1e-6)


def test_dry_days_that_half_of_the_available_water_lasts() -> None:
    bed = figured(layers=[{"material": "topsoil", "thickness_m": 0.3}], stand={"on": "paving"})
    topsoil = SHELF["topsoil"]
    held = 2.0 * 0.3 * (topsoil.properties["container_capacity"].value - topsoil.properties["wilting_point"].value)
    daily_m3 = bed.thirst_l_week[JULY] / 7000
    assert bed.between_days[JULY] == pytest.approx(0.5 * held / daily_m3)


def test_deeper_roots_and_open_ground_hold_more() -> None:
    thin = [{"material": "topsoil", "thickness_m": 0.1}]
    garden = Garden(name="Test ground")
    on_stone = available_water(worked_of(zoo.bed(layers=thin) | {"stand": {"on": "paving"}}, garden))
    on_soil = available_water(worked_of(zoo.bed(layers=thin), garden))
    deep = available_water(worked_of(zoo.bed(layers=thin, roots="deep"), garden))
    assert on_stone < on_soil < deep


def test_mulch_saves_water() -> None:
    soil = {"material": "topsoil", "thickness_m": 0.3}
    bare = figured(layers=[soil])
    mulched = figured(layers=[soil, {"material": "straw", "thickness_m": 0.05}])
    assert sum(mulched.thirst_l_week) < sum(bare.thirst_l_week)


@given(st.floats(0, 400))
def test_no_more_rain_stays_than_falls(rain_mm: float) -> None:
    assert 0 <= staying_rain(rain_mm) <= rain_mm


@given(st.floats(0.1, 1.5), st.floats(0, 1), st.floats(0.5, 10), st.floats(0.01, 1))
def test_what_is_given_is_never_more_than_what_is_asked(
    canopy: float, mulch: float, area_m2: float, available_m3: float
) -> None:
    planted = Planted(1.05, canopy, mulch, 100, 290)
    rain = [each["rain_mm"] for each in MONTHS]
    for month in thirst_by_month(planted, [2.0] * 12, rain, area_m2, available_m3):
        assert 0 <= month.given_l_week <= month.asked_l_week + 1e-9
        assert month.between_days is None or month.between_days > 0


def test_soaking_is_the_wet_mass_less_the_delivered_one() -> None:
    bed = figured(layers=[{"material": "leaves", "thickness_m": 0.2}, {"material": "topsoil", "thickness_m": 0.2}])
    leaves, topsoil = SHELF["leaves"], SHELF["topsoil"]
    asked = [0.4 * (each.saturated_density_kg_m3 - each.bulk_density_kg_m3) for each in (leaves, topsoil)]
    assert [layer.soak_l for layer in bed.layers] == pytest.approx(asked)
    assert bed.soak_l == pytest.approx(sum(asked))
    assert bed.soak_minutes == pytest.approx(sum(asked) / 12)
    assert bed_of(zoo.bed()).soak_minutes is None


def test_both_sides_are_heard_on_wetting_it_until_it_is_filled() -> None:
    dry = zoo.bed(layers=[{"material": "leaves", "thickness_m": 0.3}, {"material": "topsoil", "fill": True}])
    found = next(each for each in bed_of(dry).findings if each.code == "dry_fill")
    assert len(found.sides) == 2
    assert "dry_fill" not in {each.code for each in bed_of(dry | {"state": "filled"}).findings}


def test_a_tub_drowns_by_hand_and_longer_where_its_holes_are_blocked() -> None:
    rain = np.zeros((1, 365))
    rain[0, 180:190] = 30.0
    dry = Weather(np.full((1, 365), 10.0), np.full((1, 365), 20.0), rain, np.zeros((1, 365)))
    season, demand = np.ones(365, dtype=np.bool_), np.ones(365)
    # 50 L of air in 1 m2: full on the second of ten days of 30 L, and as nothing leaves to the end of the year
    blocked = drowned_days(dry, 0.05, 1.0, demand, 0.0, season)
    assert blocked[0] == 365 - 181
    assert drowned_days(dry, 0.05, 1.0, demand, 0.9, season)[0] == 0


def test_a_wet_year_is_told_of_a_tub() -> None:
    soaked = [{**each, "rain_mm": 160.0} for each in MONTHS]
    tub = {"kind": "round_tub", "base_diameter_m": 0.4, "rim_diameter_m": 0.5, "depth_m": 0.35}
    layers = [{"material": "potting_mix", "fill": True}]
    document = zoo.plan(zoo.bed(shape=tub, layers=layers), garden=GARDEN | {"normals": soaked})
    found = next(each for each in figures_of(document).beds[0].findings if each.code == "tub_drowns")
    assert "if its holes are blocked" in found.message


@pytest.mark.parametrize(
    ("roots_m", "easy_share", "printed_mm"),
    [(0.4, 0.30, (11, 20, 14)), (0.8, 0.40, (29, 54, 38)), (1.2, 0.55, (59, 112, 79))],
)
def test_easy_water_is_that_of_fao_56_example_36(
    roots_m: float, easy_share: float, printed_mm: tuple[int, int, int]
) -> None:
    # onion, tomato and maize on loamy sand, silt and silty clay: 90, 170 and 120 mm to a metre of depth
    told = [easy_water(mm_per_m * roots_m, easy_share) for mm_per_m in (90, 170, 120)]
    assert [math.floor(each + 0.5) for each in told] == list(printed_mm)
