"""What grows in a bed, by the plan: fit with its reason and date, counts, succession, covers and zones."""

from __future__ import annotations

from datetime import date
from typing import Any

import pytest

from nolbet_core.built.plan_file import read_plan
from nolbet_core.figure.figures import Figures
from nolbet_core.figure.planting_figures import CropInBed
from nolbet_core.figure.walk import figure_plan
from nolbet_core.plan.problems import PlanProblem
from tests.core import zoo
from tests.core.test_works import WICKING

GARDEN = {"name": "Test ground", "units": "metric", "last_frost": "05-10", "first_frost": "10-05", "tap_l_min": 4.0}
TODAY = date(2026, 3, 10)
SOIL = [{"material": "topsoil", "fill": True}]
LOGS = [{"material": "broadleaf_logs", "thickness_m": 0.25}, {"material": "topsoil", "fill": True}]


def figured(*beds: dict[str, Any], **more: Any) -> Figures:
    """Figures of beds in a garden with its frosts."""
    return figure_plan(read_plan(zoo.plan(*beds, garden=GARDEN, **more)), TODAY)


def grown(crops: list[dict[str, Any]], layers: list[dict[str, Any]] = SOIL, **more: Any) -> list[CropInBed]:
    """What crops come to in a bed of 2.4 x 1.2 x 0.6 m that was just filled."""
    document = zoo.bed(shape=zoo.shape(2.4, 1.2, 0.6), layers=layers, built_on="2026-03-01", crops=crops, **more)
    return figured(document).beds[0].planting


def test_a_first_year_log_bed_refuses_carrots_with_reason_and_date() -> None:
    (carrot,) = grown([{"crop": "carrot"}], LOGS)
    assert not carrot.fits
    assert carrot.sow_from is not None
    assert carrot.sow_from >= date(2027, 3, 1)
    assert carrot.because[0].startswith(f"Carrot can go in from {carrot.sow_from:%-d %b %Y}: ")
    (in_soil,) = grown([{"crop": "carrot"}])
    assert in_soil.fits
    # eight weeks before the last frost; 80 days before four weeks past the first
    assert (in_soil.sow_from, in_soil.sow_until) == (date(2026, 3, 15), date(2026, 8, 14))


def test_counts_are_the_beds_own_or_those_said() -> None:
    (whole,) = grown([{"crop": "lettuce"}])
    # 2.15 x 0.95 m are left at 25 cm: 9 by 4, or five rows of 9 in an offset grid
    assert (whole.count, whole.pattern, whole.seeds) == (45, "offset", round(45 / 0.8))
    assert len(whole.points) == 45
    some, near = grown([{"crop": "kale", "count": 3}, {"crop": "cabbage", "area_m2": 0.9}])
    assert some.count == 3
    # 0.9 m2 of a bed 1.2 m wide are 0.75 m: one by two at 45 cm
    assert near.count == 2


def test_crops_stand_side_by_side_and_not_in_each_other() -> None:
    # what is counted comes first, the others share what is left
    crops = grown([{"crop": "lettuce", "count": 8}, {"crop": "carrot"}, {"crop": "chard"}])
    assert crops[0].count == 8
    ends = [(min(x for x, _ in each.points), max(x for x, _ in each.points)) for each in crops]
    for (_, before), (after, _), left, right in zip(ends, ends[1:], crops, crops[1:], strict=False):
        assert after - before >= (left.spread_m + right.spread_m) / 2 - 1e-3


def test_one_that_finds_no_room_beside_the_others_says_so() -> None:
    crops = grown([{"crop": "carrot"}, {"crop": "chard"}, {"crop": "courgette"}, {"crop": "kale"}])
    assert (crops[2].count, crops[2].fits) == (0, False)
    assert "90 cm to itself" in crops[2].because[0]


def test_a_crop_stands_where_its_middle_is_said() -> None:
    (corner,) = grown([{"crop": "kale", "count": 2, "at_m": [0.2, 0.2]}])
    assert max(x for x, _ in corner.points) < 0.8


@pytest.mark.parametrize(
    ("crop", "more", "said"),
    [
        ({"crop": "cherry_tomato"}, {"height_limit_m": 1.0}, "grows 1.6 m high, over the 1 m"),
        ({"crop": "kale", "count": 60}, {}, "60 are too many: 12 go in"),
        ({"crop": "tomato", "from": "2026-04-20"}, {}, "can go in from 17 May 2026"),
        ({"crop": "courgette", "from": "2026-09-20"}, {}, "no longer ripens"),
    ],
)
def test_what_does_not_suit_says_why(crop: dict[str, Any], more: dict[str, Any], said: str) -> None:
    (told,) = grown([crop], **more)
    assert not told.fits
    assert any(said in each for each in told.because), told.because


def test_a_herb_that_likes_it_dry_does_not_stand_over_water() -> None:
    wet = zoo.bed(shape=zoo.shape(2.4, 1.2, 0.6), layers=SOIL, reservoir=WICKING, built_on="2026-03-01",
                  crops=[{"crop": "thyme"}, {"crop": "lettuce"}])  # fmt: skip
    thyme, lettuce = figured(wet).beds[0].planting
    assert "over a reservoir" in thyme.because[0]
    assert lettuce.fits
    assert any("from the top" in each for each in lettuce.because)


def test_lettuce_every_two_weeks_ends_with_the_last_that_ripens() -> None:
    (lettuce,) = grown([{"crop": "lettuce", "every_weeks": 2}])
    # three weeks before the last frost, then each fortnight; 60 days before the first frost is 6 August
    assert lettuce.sowings[:2] == [date(2026, 4, 19), date(2026, 5, 3)]
    assert lettuce.sowings[-1] == date(2026, 7, 26)
    assert lettuce.sow_until == date(2026, 8, 6)


def test_own_crops_are_like_others_and_unknown_ones_are_refused() -> None:
    own = [{"key": "giant_kale", "like": "kale", "spacing_m": 0.9}]
    bed = zoo.bed(shape=zoo.shape(2.4, 1.2, 0.6), layers=SOIL, crops=[{"crop": "giant_kale"}])
    (kale,) = figured(bed, crops=own).beds[0].planting
    assert (kale.name, kale.spread_m) == ("Giant kale", 0.9)
    with pytest.raises(PlanProblem, match="did you mean kale"):
        figured(zoo.bed(layers=SOIL, crops=[{"crop": "kal"}]))
    with pytest.raises(PlanProblem, match="is taken already"):
        figured(zoo.bed(layers=SOIL), crops=[{"key": "kale", "like": "kale"}])


def test_covers_and_zones_of_a_garden() -> None:
    beds = [
        zoo.bed(key=f"bed_{each}", shape=zoo.shape(2.4, 1.2, 0.6), layers=SOIL, lines={}, cover={"kind": "fleece"})
        for each in range(4)
    ]
    figures = figured(*beds)
    cover, lines = figures.beds[0].cover, figures.beds[0].lines
    assert cover is not None
    assert lines is not None
    assert cover.hoops == 4
    assert cover.weeks_spring is not None
    assert cover.weeks_spring[1] < cover.weeks_spring[0] < cover.weeks_spring[2]
    # 64 L/h each; three quarters of 4 L/min take two beds at once
    assert lines.flow_l_min == pytest.approx(64 / 60)
    assert sorted(len(zone.beds) for zone in figures.zones) == [2, 2]
    july = figures.beds[0].given_l_week[6]
    assert july > 0
    assert figures.zones[0].minutes_week[6] == pytest.approx(july / (64 / 60))


def test_a_zone_that_was_chosen_stays() -> None:
    beds = [zoo.bed(key=f"bed_{each}", layers=SOIL, lines={"zone": "by_the_gate"}) for each in range(5)]
    (zone,) = figured(*beds).zones
    assert (zone.key, len(zone.beds)) == ("by_the_gate", 5)
    assert zone.too_much == (zone.flow_l_min > 3.0)
