"""Whether a bed suits its crops: families, neighbours, bees, sun, seasons, and what they ask of soil and water."""

from __future__ import annotations

from datetime import date

import pytest

from nolbet_core.built.plan_file import read_plan
from nolbet_core.built.surroundings import surroundings_of
from nolbet_core.figure.sun_map import sun_map
from nolbet_core.figure.walk import figure_plan
from nolbet_core.planting.crops import standard_crops
from nolbet_core.planting.named import crop_called
from nolbet_core.planting.windows import goes_in_autumn, sowing_window
from tests.core.planting import PLOT, TODAY, at_work, codes, figured, planted


def test_a_tall_crop_on_the_sun_side_is_told_with_the_room_it_wants() -> None:
    crops = [
        {"crop": "sweetcorn", "count": 4, "at_m": [0.5, 0.6]},
        {"crop": "strawberry", "count": 4, "at_m": [2.0, 0.6]},
    ]
    plot = {**PLOT, "north_deg": 90}
    bed = figured(planted(crops, plot))
    # sweetcorn grows 1.5 m high and has to stand as far off; there isn't as much between them
    (told,) = [each for each in bed.findings if each.code == "tall_on_sun_side"]
    assert "1.5 m would let it in" in told.message
    turned = [crops[0] | {"at_m": [2.5, 0.6]}, crops[1] | {"at_m": [0.8, 0.6]}]
    assert "tall_on_sun_side" not in codes(figured(planted(turned, plot)))


def test_fruit_in_shade_is_told_and_salad_is_not() -> None:
    shed = {"kind": "shed", "at_m": [5.0, 2.0], "across_m": 3.0, "height_m": 5.0}
    plot = {**PLOT, "fixed": [shed]}
    bed = figured(planted([{"crop": "pepper", "count": 3}, {"crop": "lettuce", "count": 6}], plot))
    (told,) = [each for each in bed.findings if each.code == "crop_in_shade"]
    pepper = bed.planting[0]
    assert pepper.sun is not None
    assert pepper.sun.equinox_h < 6
    assert "Sweet pepper wants 6 hours of sun" in told.message
    assert figured(planted([{"crop": "pepper"}])).planting[0].sun is None
    without = sun_map(at_work(planted([{"crop": "pepper"}])))
    assert without.points == []
    assert without.why_not is not None


@pytest.mark.parametrize(
    ("name", "key"),
    [("Courgettes", "courgette"), ("zucchini", "courgette"), ("Tomatoes", "tomato"), ("Beans", "french_bean"),
     ("swiss chard", "chard"), ("Quinces", None)],
)  # fmt: skip
def test_crops_are_known_by_any_of_their_names(name: str, key: str | None) -> None:
    found = crop_called(name, standard_crops())
    assert (found.key if found else None) == key


def test_a_family_waits_three_years() -> None:
    log = [{"kind": "sown", "bed": "plain", "on": "2024-05-01", "crop": "Kohlrabi"}]
    kale = [{"crop": "kale", "count": 4, "from": "2026-05-01"}]
    bed = figured(planted(kale, log=log))
    (told,) = [each for each in bed.findings if each.code == "family_again"]
    assert "Kohlrabi of the same family (cabbages) grew here in 2024" in told.message
    assert "until 2028" in told.advice
    long_ago = [log[0] | {"on": "2022-05-01"}]
    assert "family_again" not in codes(figured(planted(kale, log=long_ago)))
    assert "family_again" not in codes(figured(planted([{"crop": "lettuce", "from": "2026-05-01"}], log=log)))


def test_neighbours_are_lore_until_the_gardener_says_otherwise() -> None:
    crops = [{"crop": "onion", "count": 12}, {"crop": "pea", "count": 20}]
    bed = figured(planted(crops))
    (told,) = [each for each in bed.findings if each.code == "bad_neighbours"]
    assert told.level == "note"
    assert "Evidence is mixed" in told.message
    own = {"neighbours": [{"crop": "pea", "beside": "onion", "view": "indifferent"}]}
    assert "bad_neighbours" not in codes(figured(planted(crops, garden=own)))
    against = {"neighbours": [{"crop": "lettuce", "beside": "onion", "view": "bad"}]}
    two = [{"crop": "onion", "count": 12}, {"crop": "lettuce", "count": 8}]
    assert "bad_neighbours" not in codes(figured(planted(two)))
    assert "bad_neighbours" in codes(figured(planted(two, garden=against)))


def test_bees_must_get_to_what_they_carry_pollen_for() -> None:
    crops = [{"crop": "courgette", "count": 1}, {"crop": "lettuce", "count": 6}]
    assert "cover_shuts_out_bees" in codes(figured(planted(crops, cover={"kind": "fleece"})))
    assert "cover_shuts_out_bees" not in codes(figured(planted(crops, cover={"kind": "net", "against": "birds"})))
    assert "cover_shuts_out_bees" in codes(figured(planted(crops, cover={"kind": "net", "against": "insects"})))


def test_hungry_crops_want_more_and_legumes_less() -> None:
    usual = figured(planted([])).plants_need_kg
    assert usual == pytest.approx(3.6 * 0.012)
    beans = figured(planted([{"crop": "french_bean"}])).plants_need_kg
    cabbage = figured(planted([{"crop": "cabbage", "count": 6}])).plants_need_kg
    assert beans < usual < cabbage
    # six of 0.45 m take 1.215 m2 or more, at 20 g a m2; the rest is reckoned as usual
    cell_m2 = (cabbage - usual) / (0.020 - 0.012) / 6
    assert cell_m2 == pytest.approx(0.45**2, rel=0.3)


def test_thirst_follows_what_grows() -> None:
    lettuce = [{"crop": "lettuce", "from": "2026-05-01", "until": "2026-07-01"}]
    bare, spring = figured(planted([])), figured(planted(lettuce))
    assert spring.thirst_l_week[5] > 0.9 * bare.thirst_l_week[5]
    # once it is cleared the soil lies bare, where a usual bed stands in full leaf
    assert spring.thirst_l_week[7] < bare.thirst_l_week[7]
    assert spring.leaves.by_crops
    # all of it lettuce, whose factor in full leaf is 1 (FAO-56, table 12)
    assert spring.leaves.crop_factor == pytest.approx(1.0)
    assert not bare.leaves.by_crops
    own = {"watering": {"crop_factor": 1.3}}
    assert figured(planted(lettuce, **own)).thirst_l_week[5] > spring.thirst_l_week[5]


def test_garlic_goes_in_before_winter_and_stands_till_summer() -> None:
    garlic = standard_crops()["garlic"]
    year = surroundings_of(read_plan(planted([])).plan.garden, TODAY).year
    autumn = sowing_window(garlic, date(2026, 9, 20), year)
    assert autumn is not None
    assert (autumn.opens, autumn.closes) == (date(2026, 9, 20), date(2026, 11, 16))
    assert goes_in_autumn(garlic, date(2026, 10, 20), year)
    assert not goes_in_autumn(garlic, date(2026, 4, 20), year)
    (told,) = figured(planted([{"crop": "garlic", "from": "2026-10-20"}]), date(2026, 9, 20)).planting
    assert told.fits
    assert told.stands_until is not None
    assert date(2027, 6, 1) < told.stands_until < date(2027, 9, 1)


def test_sizes_at_once_ripen_a_fortnight_apart() -> None:
    (told,) = figured(planted([{"crop": "cabbage", "count": 6, "from": "2026-05-20", "sizes": 3}])).planting
    first, second, third = told.harvests
    assert (second - first).days == (third - second).days == 14
    assert (third - date(2026, 5, 20)).days == standard_crops()["cabbage"].days


def test_a_view_kept_open_names_what_would_do() -> None:
    bed = figured(planted([{"crop": "cherry_tomato"}], height_limit_m=0.9))
    (tomato,) = bed.planting
    assert not tomato.fits
    (would,) = tomato.would
    named = would.removeprefix("These would do here now: ").removesuffix(".").split(", ")
    crops = {each.name.lower(): each for each in standard_crops().values()}
    assert named
    assert all(crops[name].value("height_m") <= 0.9 for name in named)
    assert all("fruiting" in crops[name].traits for name in named)


@pytest.mark.parametrize(
    ("begins", "fits", "said"),
    [
        ("2029-05-25", True, ""),
        ("2029-04-20", False, "Tomato can go in from 17 May 2029."),
        ("2029-09-20", False, "Tomato no longer ripens when it goes in after 15 Jul 2029."),
    ],
)
def test_a_day_of_a_later_season_is_held_against_that_season(begins: str, fits: bool, said: str) -> None:
    (told,) = figured(planted([{"crop": "tomato", "count": 2, "from": begins}])).planting
    assert told.fits == fits
    assert not said or told.because[0] == said


def test_sowings_before_the_window_are_not_counted() -> None:
    crop = {"crop": "lettuce", "count": 7, "from": "2025-01-01", "every_weeks": 4}
    (told,) = figured(planted([crop], built_on="2026-03-01")).planting
    # three weeks before the last frost of 10 May
    assert told.sowings[0] == told.sow_from == date(2026, 4, 19)
    assert len(told.sowings) == 4


def test_thirst_without_any_day_is_that_of_a_usual_year() -> None:
    crops = [{"crop": "lettuce"}, {"crop": "kale"}]
    dated = figured(planted(crops)).thirst_l_week
    built = read_plan(planted(crops, built_on=None))
    undated = figure_plan(built).beds[0]
    assert undated.planting[0].sow_from is None
    assert undated.leaves.by_crops
    assert undated.thirst_l_week == pytest.approx(dated)
