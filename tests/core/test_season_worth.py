"""What a log comes to: yields and worth, when a bed pays, trials by week, what is taught; against sums by hand."""

from __future__ import annotations

from datetime import date, timedelta
from decimal import Decimal
from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.built.plan_file import read_plan
from nolbet_core.figure.season import figure_season
from nolbet_core.figure.season_figures import SeasonFigures
from nolbet_core.figure.walk import figure_plan
from nolbet_core.season.harvests import Picked, crop_prices, crop_yields, season_of
from nolbet_core.season.pay_back import pay_back
from nolbet_core.season.trial import PLACE_SD, SAME_PLACE_SD, trial_of
from tests.core import zoo
from tests.core.test_season import BED, FIVE

TODAY = date(2027, 12, 1)
GARDEN = {"name": "Test ground", "units": "metric", "currency": "EUR", "last_frost": "05-10", "first_frost": "10-05"}
OTHER = {**BED, "key": "other", "built_on": "2026-04-01"}
MONDAYS = [date(2027, 6, 7) + timedelta(weeks=week) for week in range(10)]


def harvest(bed: str, on: date | str, mass_kg: float, **more: Any) -> dict[str, Any]:
    """A harvest of beans as the log has it."""
    return {"kind": "harvest", "bed": bed, "on": str(on), "crop": "Beans", "mass_kg": mass_kg, **more}


def told(*log: dict[str, Any], **more: Any) -> SeasonFigures:
    """What a log of two filled beds comes to."""
    return figure_season(read_plan(zoo.plan(BED, OTHER, garden=GARDEN, log=list(log), **more)), TODAY)


def picked(on: str, mass_kg: float | None, worth: str | None = None, count: int | None = None) -> Picked:
    """A harvest of beans."""
    return Picked(date.fromisoformat(on), "Beans", mass_kg, count, None if worth is None else Decimal(worth))


def test_yields_are_added_up_by_crop_and_season_and_priced_by_what_was_said() -> None:
    harvests = [
        picked("2026-07-04", 2.0, "9.00"),
        picked("2026-08-01", 3.0, "11.00"),
        picked("2027-07-03", 2.5),
        picked("2027-07-10", None, count=30),
    ]
    last, first = crop_yields(harvests, crop_prices(harvests), southern=False)
    assert (first.season, first.mass_kg, first.worth, first.unpriced) == (2026, 5.0, Decimal("20.00"), 0)
    # 20.00 for 5 kg is 4.00 a kg; of a count nothing is known
    assert (last.season, last.worth, last.unpriced, last.count) == (2027, Decimal("10.00"), 1, 30)


def test_a_season_in_the_south_begins_in_july() -> None:
    assert season_of(date(2026, 12, 20), southern=True) == season_of(date(2027, 3, 1), southern=True) == 2026
    assert season_of(date(2027, 3, 1), southern=False) == 2027


def test_nothing_is_promised_from_one_season_and_two_give_a_band() -> None:
    cost = Decimal(400)
    assert pay_back(cost, [Decimal(90)], 2026) is None
    even = pay_back(cost, [Decimal(80), Decimal(80)], 2027)
    assert even is not None
    # 240 are missing at 80 a season, with nothing between the seasons to tell them apart
    assert (even.earliest, even.latest, even.is_over) == (2030, 2030, False)
    # mean 90, sd 14.14, t(1) 6.314: after one season more 90 + 89.3 * sqrt(1 + 1/2) = 199.3 at the most, after two
    # 180 + 89.3 * sqrt(2 + 4/2) = 358.6, and 220 are missing; at the least after eleven, 990 - 89.3 * sqrt(11 + 121/2)
    # = 234.9 (after ten 208.3)
    apart = pay_back(cost, [Decimal(80), Decimal(100)], 2027)
    assert apart is not None
    assert (apart.earliest, apart.latest) == (2029, 2038)
    over = pay_back(cost, [Decimal(300), Decimal(150), Decimal(50)], 2027)
    assert over is not None
    assert (over.earliest, over.latest, over.is_over) == (2026, 2026, True)


@given(st.lists(st.decimals(20, 200, places=2), min_size=2, max_size=6), st.integers(500, 4000))
def test_a_dearer_bed_never_pays_sooner(worths: list[Decimal], cost: int) -> None:
    cheap, dear = pay_back(Decimal(cost), worths, 2030), pay_back(Decimal(cost) + 300, worths, 2030)
    assert cheap is not None
    assert dear is not None
    for one, other in ((cheap.earliest, dear.earliest), (cheap.latest, dear.latest)):
        assert other is None or (one is not None and one <= other)


def test_a_trial_by_hand() -> None:
    first = zip(MONDAYS, (1.2, 1.4, 1.0, 1.6), strict=False)
    second = zip(MONDAYS, (0.9, 1.2, 0.9, 1.2), strict=False)
    first, second = list(first), list(second)
    trial = trial_of(first, second, SAME_PLACE_SD)
    # differences 0.3, 0.2, 0.1, 0.4: mean 0.25, sd 0.1291, t(3) at 90 % 2.3534, half 0.1519
    assert trial.yield_gap == pytest.approx(0.25)
    assert (trial.gap_low, trial.gap_high) == pytest.approx((0.0981, 0.4019), abs=1e-4)
    assert (trial.weeks, trial.more) == (4, "first")
    # two beds: 15 % of the mean of 1.30 and 1.05 is 0.17625, times 1.645 is 0.2899; with 0.1519 by the weeks 0.3273
    apart = trial_of(first, second)
    assert (apart.gap_low, apart.gap_high) == pytest.approx((0.25 - 0.3273, 0.25 + 0.3273), abs=1e-4)
    assert apart.more == "open"


@pytest.mark.parametrize(("effect", "place", "least", "most"), [
    (0.0, SAME_PLACE_SD, 0.0, 0.10), (0.3, SAME_PLACE_SD, 0.8, 1.0),
    (0.0, PLACE_SD, 0.0, 0.10), (0.7, PLACE_SD, 0.8, 1.0),
])  # fmt: skip
def test_chance_and_place_are_not_taken_for_a_difference_and_a_large_one_is_seen(
    effect: float, place: float, least: float, most: float
) -> None:
    chance = np.random.default_rng(11)
    reps = 3000
    right = 0
    for _ in range(reps):
        weeks = np.exp(chance.normal(0.0, 0.3, len(MONDAYS)))
        one, other = weeks * (1 + chance.normal(0.0, 0.18, (2, len(MONDAYS))))
        one = one * (1 + effect) * (1 + chance.normal(0.0, place))
        trial = trial_of(zip(MONDAYS, one, strict=True), zip(MONDAYS, other, strict=True), place)
        right += trial.more == "first" if effect else trial.more != "open"
    assert least <= right / reps <= most


def test_beds_of_the_same_crop_are_a_trial_and_halves_too() -> None:
    beds = [harvest("plain", day, 2.0 + 0.2 * (each % 3)) for each, day in enumerate(MONDAYS)]
    others = [harvest("other", day, 1.2 + 0.1 * (each % 2), crop="beans ") for each, day in enumerate(MONDAYS)]
    (trial,) = told(*beds, *others).trials
    assert (trial.more, trial.first.bed, trial.weeks) == ("first", "plain", 10)
    assert "Plain and in Other: these two differed by" in trial.told
    assert "To judge what was done, compare two such pairs" in trial.told
    halves = [harvest("plain", day, 1.0, half=half) for day in MONDAYS[:3] for half in ("left", "right")]
    (even,) = told(*halves).trials
    # half of a bed of 2.4 x 1.2 m gave 1 kg each time
    assert even.first.weekly_yield == pytest.approx(1.0 / told(*halves).beds[0].area_m2 * 2)
    assert (even.more, even.yield_gap) == ("open", 0.0)
    assert "do not show which gives more" in even.told


def supplier(price: str) -> dict[str, Any]:
    """One who sells compost by the bag."""
    offers = [{"material": material, "form": "bag", "volume_m3": 0.04, "price": price, "key": material}
              for material in ("compost", "topsoil", "broadleaf_logs")]  # fmt: skip
    return {"key": "yard", "name": "Yard", "offers": offers}


def test_what_was_paid_is_what_a_bed_cost_and_may_become_the_offer() -> None:
    bought = {"kind": "purchase", "on": "2026-03-20", "supplier": "yard", "material": "topsoil", "form": "bag"}
    dear = told(suppliers=[supplier("8.00")])
    paid = told({**bought, "count": 10, "price": "40.00"}, suppliers=[supplier("8.00")])
    cost, as_paid = dear.beds[0].cost, paid.beds[0].cost
    assert cost is not None
    assert as_paid is not None
    assert as_paid < cost
    (lesson,) = [each for each in paid.lessons if each.kind == "price"]
    assert lesson.price is not None
    assert (lesson.price.supplier, lesson.price.place, lesson.price.price) == ("yard", 1, Decimal("4.00"))
    assert paid.paid == Decimal("40.00")


def test_two_seasons_say_when_a_bed_pays_and_none_that_nobody_sells_to_says_so() -> None:
    log = [harvest("plain", "2026-08-01", 5.0, worth="40.00"), harvest("plain", "2027-08-01", 5.0)]
    sold = told(*log, suppliers=[supplier("2.00")]).beds[0]
    assert sold.worth == Decimal("80.00")
    assert sold.pay_back is not None
    assert sold.pay_back.seasons == 2
    assert sold.pay_back.earliest == sold.pay_back.latest
    unsold = told(*log).beds[0]
    assert unsold.cost is None
    assert "nobody offers" in unsold.pay_back_said


def test_readings_teach_how_it_sinks_and_the_garden_takes_that_over() -> None:
    taught = told(*FIVE)
    (lesson,) = [each for each in taught.lessons if each.kind == "sinking"]
    assert lesson.sinking is not None
    assert lesson.readings == 5
    assert "Next spring it stands" in lesson.told
    said = {"settling_factor": lesson.sinking.settling_factor, "decay_factor": lesson.sinking.decay_factor,
            "bed": "plain", "readings": 5}  # fmt: skip
    garden = {**GARDEN, "sinking": said}
    after = figure_season(read_plan(zoo.plan(BED, OTHER, garden=garden, log=FIVE)), TODAY)
    assert [each.taken for each in after.lessons if each.kind == "sinking"] == [True]


def test_a_season_is_shown_beside_the_usual_weather() -> None:
    days = 60
    run = {"from_day": "2027-06-01", "tmin_c": [12.0] * days, "tmax_c": [24.0] * days, "rain_mm": [4.0] * days}
    normals = [{"tmin_c": 10.0, "tmax_c": 20.0, "rain_mm": 62.0, "rain_days": 10.0}] * 12
    garden = {**GARDEN, "normals": normals}
    document = zoo.plan(BED, garden=garden, weather=[run], log=[harvest("plain", "2027-07-05", 2.0)])
    (weather,) = figure_season(read_plan(document), TODAY).weather
    # 30 days of June at 62/30 mm a day and 30 of July at 62/31
    assert weather.usual_rain_mm == pytest.approx(62.0 + 60.0)
    assert (weather.rain_mm, weather.mean_c, weather.usual_mean_c) == pytest.approx((240.0, 18.0, 15.0))
    assert weather.days == days


def test_what_was_used_up_tells_how_loose_it_came() -> None:
    used = {"kind": "purchase", "on": "2026-03-20", "supplier": "yard", "material": "topsoil", "form": "bag",
            "count": 40, "used": True}  # fmt: skip
    plain = told(used, suppliers=[supplier("8.00")])
    (lesson,) = [each for each in plain.lessons if each.kind == "loose_factor"]
    laid_m3 = sum(
        layer.placed_m3
        for bed in figure_plan(read_plan(zoo.plan(BED, OTHER, garden=GARDEN)), TODAY).beds
        for layer in bed.layers
        if layer.material == "topsoil"
    )
    # 40 bags of 40 L
    assert f"{1.6 / laid_m3:.2f} to one" in lesson.told
