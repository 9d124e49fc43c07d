"""Every factor counts: figures worked by hand in which nothing is 1 that multiplies, and limits at, under and over."""

from __future__ import annotations

import math
from datetime import date
from decimal import Decimal
from typing import Any

import numpy as np
import pytest

from nolbet_core.built.plan_file import read_plan
from nolbet_core.climate.weather import drawn_weather
from nolbet_core.figure.forecast import figure_forecast
from nolbet_core.figure.mix_amounts import figure_mix_amounts
from nolbet_core.haul.offers import BulkOffer, bulk_for
from nolbet_core.nutrients.ledger import net_nitrogen
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.quantities.limits import LIMITS
from nolbet_core.quantities.reading import Context, read
from nolbet_core.quantities.units import System
from nolbet_core.schools.school import all_schools, starting_layers
from nolbet_core.shelf.library import standard_shelf
from nolbet_core.stack.contents import Held
from tests.core import zoo
from tests.core.ask import bed_of, figures_of, planned

SOIL = {"material": "topsoil", "fill": True}


def test_a_sheet_of_pieces_has_the_area_of_all_of_them() -> None:
    card = {"material": "cardboard", "piece_m": [0.7, 1.3], "lap_m": 0.15, "plies": 2}
    sheet = bed_of(zoo.bed(shape=zoo.shape(2.2, 1.4, 0.5), layers=[card, SOIL])).layers[0]
    # 1.3 m along and 0.7 m across: two by three, against four by two the other way
    assert sheet.pieces == 12
    assert sheet.sheet_area_m2 == pytest.approx(12 * 0.7 * 1.3)


def test_a_mix_is_taken_for_all_beds_alike() -> None:
    thirds = {"key": "thirds", "parts": [{"material": "topsoil", "parts": 2}, {"material": "compost", "parts": 3}]}
    bed = zoo.bed(key="box", count=4, layers=[{"material": "thirds", "fill": True}])
    built = read_plan(zoo.plan(bed, mixes=[thirds]))
    amount = figure_mix_amounts(built, built.plan.mixes[0]).amounts[-1]
    one = figures_of(zoo.plan(bed, mixes=[thirds])).beds[0].layers[0].loose_m3
    assert (amount.count, amount.loose_m3) == (4, pytest.approx(4 * one))
    taken = {each.material: each.loose_m3 for each in amount.taken}
    # both are fine, so that nothing is lost on mixing
    assert taken == {"topsoil": pytest.approx(4 * one * 0.4), "compost": pytest.approx(4 * one * 0.6)}


def test_a_springs_top_up_is_bought_for_all_beds_alike() -> None:
    bags = [{"key": "yard", "offers": [{"material": "compost", "form": "bag", "volume_m3": 0.04, "price": "6.20"}]}]
    bed = zoo.bed(count=3, layers=[{"material": "leaves", "thickness_m": 0.3}, SOIL])
    plan, supplies = planned(zoo.plan(bed, suppliers=bags))
    first = figure_forecast(plan, plan.beds[0], supplies, date(2026, 10, 20)).springs[0]
    loose_m3 = first.top_up_m3 * standard_shelf()["compost"].loose_factor * 3
    assert first.loose_m3 == pytest.approx(loose_m3)
    assert first.bags == math.ceil(loose_m3 / 0.04)
    assert first.price == Decimal("6.20") * first.bags


@pytest.mark.parametrize("turns", [2, 3, 5])
def test_a_school_lays_its_turns_as_often_as_there_is_room(turns: int) -> None:
    # a turn is 80 mm of leaves and 40 mm of trimmings, under at least 100 mm of compost
    for depth_m, laid in ((0.1 + 0.12 * turns, turns), (0.1 + 0.12 * turns - 0.002, turns - 1)):
        stack = starting_layers(all_schools()["sheet_layers"], "box", depth_m, 2.4)
        litter = ["leaves", "green_trimmings"] * laid
        assert [layer["material"] for layer in stack] == ["cardboard", *litter, "compost"]


@pytest.mark.parametrize("material", ["branches", "gravel_20", "geotextile", "cardboard"])
def test_what_can_not_be_scattered_is_refused_by_name(material: str) -> None:
    fed = zoo.bed(layers=[SOIL | {"amendment": {"material": material, "mass_kg": 0.4}}])
    with pytest.raises(PlanProblem, match=f"{material} can't be scattered") as problem:
        read_plan(zoo.plan(fed))
    assert problem.value.path == "beds[0].layers[0].amendment.material"


def test_drawn_temperatures_spread_and_keep_as_they_should() -> None:
    weather = drawn_weather(zoo.NORMALS, 44.0, 300)
    middle = (weather.tmin_c + weather.tmax_c) / 2
    off = middle - middle.mean(axis=0)
    # of days in summer, when no day's swing is cut off
    summer = off[:, 170:230]
    assert float(summer.std()) == pytest.approx(SPREAD_C, rel=0.05)
    kept = float(np.corrcoef(summer[:, 1:].ravel(), summer[:, :-1].ravel())[0, 1])
    assert kept == pytest.approx(KEEPS, abs=0.03)


SPREAD_C, KEEPS = 3.0, 0.7


@pytest.mark.parametrize(
    ("need_m3", "step_m3", "minimum_m3", "bought_m3"),
    [
        (0.3, None, 0.0, 0.3),
        (0.3, 0.25, 0.0, 0.5),
        (0.3, None, 0.75, 0.75),
        (0.3, 0.4, 0.75, 0.8),
        (0.9, None, 0.75, 0.9),
    ],
)
def test_bulk_is_bought_in_steps_and_not_below_the_least(
    need_m3: float, step_m3: float | None, minimum_m3: float, bought_m3: float
) -> None:
    offer = BulkOffer("compost", Decimal("48.00"), step_m3, minimum_m3)
    assert bulk_for(need_m3, offer) == pytest.approx(bought_m3)


def test_an_offer_that_names_no_least_sells_what_is_needed() -> None:
    yard = [
        {
            "key": "yard",
            "delivery": "5.00",
            "offers": [{"material": "topsoil", "form": "bulk", "price_per_m3": "40.00"}],
        }
    ]
    bed = zoo.bed(shape=zoo.shape(0.8, 0.6, 0.4))
    haul = figures_of(zoo.plan(bed, suppliers=yard)).haul
    assert haul is not None
    (line,) = haul.lines
    assert line.volume_m3 == pytest.approx(0.8 * 0.6 * 0.4 * standard_shelf()["topsoil"].loose_factor)


@pytest.mark.parametrize(
    ("typed", "value"),
    [("1.234,5 mm", 1.2345), ("1,234.5 mm", 1.2345), ("12.345,6 mm", 12.3456), ("0,5 m", 0.5), ("2.5 m", 2.5)],
)
def test_points_group_where_a_comma_is_the_decimal_sign(typed: str, value: float) -> None:
    (meaning,) = read(typed, LIMITS["length"], Context(System.METRIC)).meanings
    assert meaning.values == (pytest.approx(value),)


@pytest.mark.parametrize(
    ("lap_m", "level"),
    [(0.0999, "caution"), (0.1, "advice"), (0.1001, "advice"), (0.1499, "advice"), (0.15, None), (0.1501, None)],
)
def test_a_lap_is_judged_at_its_limits(lap_m: float, level: str | None) -> None:
    bed = zoo.bed(layers=[{"material": "cardboard", "lap_m": lap_m, "piece_m": [0.7, 1.2]}, SOIL])
    found = [finding.level for finding in bed_of(bed).findings if finding.code == "lap_small"]
    assert found == ([level] if level else [])


@pytest.mark.parametrize(
    ("tilt_m", "found"), [(0.0099, False), (0.01, False), (0.0101, True)], ids=["under", "at", "over"]
)
def test_a_tilt_is_judged_at_its_limit(tilt_m: float, found: bool) -> None:
    bed = zoo.bed(reservoir={"height_m": 0.2, "tilt_m": tilt_m}, layers=[{"material": "topsoil", "thickness_m": 0.2}])
    codes = {finding.code for finding in bed_of(bed).findings}
    assert ("reservoir_tilted" in codes) == found
    assert "not_level" not in codes


@pytest.mark.parametrize("sheet", ["wire_mesh", "pond_liner"])
def test_a_sheet_of_metal_or_rubber_brings_no_carbon(sheet: str) -> None:
    plain, over = (bed_of(zoo.bed(layers=[*under, SOIL])).c_to_n for under in ([], [{"material": sheet}]))
    assert over == pytest.approx(plain)


def test_gravel_brings_no_carbon() -> None:
    compost = {"material": "compost", "thickness_m": 0.2}
    plain, stony = (
        bed_of(zoo.bed(layers=[*under, compost])) for under in ([], [{"material": "gravel_20", "thickness_m": 0.15}])
    )
    assert plain.c_to_n is not None
    assert stony.c_to_n == pytest.approx(plain.c_to_n)
    assert net_nitrogen(Held(standard_shelf()["gravel_20"], 7.0), 0.3) == (0.0, pytest.approx(0.3 * 0.36 / 9))


def test_a_pipe_is_drawn_round_on_the_reservoirs_floor() -> None:
    under: dict[str, Any] = {"material": "rubble", "height_m": 0.05}
    reservoir = {"height_m": 0.2, "pipes": [{"diameter_m": 0.12, "length_m": 1.4, "count": 2}], "under": under}
    figures = bed_of(zoo.bed(reservoir=reservoir, layers=[{"material": "topsoil", "thickness_m": 0.15}])).reservoir
    assert figures is not None
    pipes = [part.outline for part in figures.parts if part.kind == "pipe"]
    assert len(pipes) == 2
    for outline in pipes:
        xs, ys = [x for x, _ in outline], [y for _, y in outline]
        assert max(xs) - min(xs) == pytest.approx(0.12)
        assert (min(ys), max(ys)) == (pytest.approx(0.05), pytest.approx(0.17))
        middle = ((max(xs) + min(xs)) / 2, (max(ys) + min(ys)) / 2)
        for x, y in outline:
            assert math.dist((x, y), middle) == pytest.approx(0.06, rel=1e-3)
