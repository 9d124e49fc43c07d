"""From when what may be sown, and how deep roots can go."""

from __future__ import annotations

from datetime import date
from typing import Any

import pytest

from nolbet_core.climate.year import Year
from nolbet_core.figure.figures import BedFigures
from nolbet_core.planting.ready import sowing_day
from tests.core import zoo
from tests.core.ask import figures_of

GARDEN = {"name": "Cool ground", "mean_temp_c": 12.0, "last_frost": "05-12", "first_frost": "10-03"}
SOIL = {"material": "topsoil", "fill": True}
CHIPS = {"material": "wood_chips", "thickness_m": 0.15}
MEAL = {"material": "blood_meal", "mass_kg": 2.0}
PACKED = {"material": "topsoil"}


def bed(*layers: dict[str, Any], depth_m: float = 0.4, built: str | None = "2026-10-20", **changes: Any) -> BedFigures:
    """A bed filled on a day."""
    document = zoo.bed(shape=zoo.shape(2, 1, depth_m), layers=list(layers), built_on=built, **changes)
    return figures_of(zoo.plan(document, garden=GARDEN)).beds[0]


def sown(figures: BedFigures, roots: str = "shallow") -> date | None:
    """The first day for a class of crops."""
    return next(each.from_day for each in figures.ready.sowings if each.roots == roots)


YEAR = Year(12.0, (5, 12), (10, 3))


@pytest.mark.parametrize(
    ("ready", "day"),
    [
        (date(2026, 11, 25), date(2027, 3, 17)),
        (date(2027, 3, 16), date(2027, 3, 17)),
        (date(2027, 4, 1), date(2027, 4, 1)),
        (date(2027, 7, 1), date(2027, 7, 1)),
        (date(2027, 8, 22), date(2027, 8, 22)),
        (date(2027, 8, 23), date(2028, 3, 17)),
        (date(2027, 10, 3), date(2028, 3, 17)),
    ],
)
def test_the_season_opens_and_closes(ready: date, day: date) -> None:
    assert sowing_day(ready, YEAR) == day


def test_plain_soil_is_sown_when_winter_is_over() -> None:
    assert sown(bed(SOIL)) == date(2027, 3, 17)
    assert sown(bed(SOIL, built="2027-06-01")) == date(2027, 6, 1)


def test_fresh_wood_waits_unless_it_is_fed() -> None:
    hungry = bed(CHIPS, SOIL, built="2027-04-01", depth_m=0.35)
    fed = bed(CHIPS | {"amendment": MEAL}, SOIL, built="2027-04-01", depth_m=0.35)
    assert sown(hungry) == date(2028, 3, 17)
    assert sown(fed) == date(2027, 4, 1)
    assert "fed" in hungry.ready.waits[0]
    assert fed.ready.waits == []


def test_finished_compost_over_litter_can_be_sown_at_once() -> None:
    litter = {"material": "leaves", "thickness_m": 0.2}
    thick = bed(litter, {"material": "compost", "thickness_m": 0.1}, built="2027-05-20")
    thin = bed(litter, {"material": "compost", "thickness_m": 0.06}, built="2027-05-20")
    assert sown(thick) == date(2027, 5, 20)
    assert sown(thin) == date(2028, 3, 17)


@pytest.mark.parametrize("school", ["wood_mound", "dug_bed"])
def test_some_schools_wait_for_spring(school: str) -> None:
    mound = {"kind": "hipped_mound", "length_m": 4.0, "width_m": 1.8, "height_m": 0.7, "slope_deg": 45.0}
    logs = {"material": "broadleaf_logs", "fill": True, "infill": PACKED}
    document = {
        "key": "m", "shape": mound, "school": school, "built_on": "2026-10-20",
        "layers": [logs, {"material": "topsoil", "thickness_m": 0.2}],
    }  # fmt: skip
    figures = figures_of(zoo.plan(document, garden=GARDEN)).beds[0]
    assert sown(figures) == date(2027, 5, 12)


def test_roots_stop_at_wood_until_it_has_rotted() -> None:
    figures = bed(CHIPS, SOIL, depth_m=0.40)
    # the chips are half rotted after ln 2 / 0.22 = 3.15 years; then the ground below is open too
    assert figures.ready.depth_m == pytest.approx(0.25)
    assert [each.years for each in figures.ready.sowings] == pytest.approx([0.0, 3.1507, 3.1507], abs=1e-3)


def test_a_liner_ends_roots_for_good() -> None:
    figures = bed({"material": "pond_liner"}, SOIL, depth_m=0.35)
    assert [each.years for each in figures.ready.sowings] == [0.0, 0.0, None]
    assert figures.ready.sowings[2].from_day is None


def test_card_opens_once_it_has_rotted() -> None:
    figures = bed({"material": "cardboard"}, {"material": "compost", "fill": True}, depth_m=0.13)
    assert figures.ready.sowings[0].years == 0.0
    assert figures.ready.sowings[1].years == pytest.approx(0.4621, abs=1e-3)


def test_without_a_day_there_is_a_wait_and_no_date() -> None:
    figures = bed(CHIPS, SOIL, built=None)
    assert figures.ready.built_on is None
    assert figures.ready.sowings[0].from_day is None
    assert figures.ready.sowings[0].years == pytest.approx(165 / 365.25)


def test_raw_manure_holds_back_the_harvest() -> None:
    packed = {"material": "branches", "thickness_m": 0.1, "infill": {"material": "coop_litter"}}
    assert bed(packed, SOIL).ready.harvest_days == 120
    assert bed(packed, SOIL).ready.harvest_days_above == 90
    assert bed(SOIL).ready.harvest_days is None


def test_a_bed_without_soil_has_nothing_to_sow_in() -> None:
    assert bed(CHIPS).ready.sowings == []


@pytest.mark.parametrize(("share", "depth_m"), [(1.0, 0.5), (0.5, 0.35), (0.0, 0.2)])
def test_roots_go_as_deep_as_soil_packs_the_wood(share: float, depth_m: float) -> None:
    logs = {"material": "broadleaf_logs", "thickness_m": 0.3, "infill": {"material": "topsoil", "share": share}}
    packed = bed({"material": "pond_liner"}, logs, SOIL, depth_m=0.5)
    assert packed.ready.depth_m == pytest.approx(depth_m)
    deep = next(each for each in packed.ready.sowings if each.roots == "deep")
    assert (deep.years == 0) == (share == 1.0)
