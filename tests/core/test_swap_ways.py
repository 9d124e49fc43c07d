"""Every way to pay less, each by itself: what of the plan it changes, by how much, and where it is none."""

from __future__ import annotations

from datetime import date
from typing import Any

import pytest

from nolbet_core.built.plan_file import read_plan
from nolbet_core.figure.needed import needed_by
from nolbet_core.figure.swap_ways import SwapWay, swap_ways
from nolbet_core.figure.walk import around_of
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.garden import Plan
from nolbet_core.plan.mix import PlanMix
from nolbet_core.plan.plot import Plot
from nolbet_core.shelf.library import standard_shelf
from tests.core import zoo

TODAY = date(2026, 10, 20)
LARCH = {"kind": "boards", "material": "larch", "thickness_m": 0.038, "width_m": 0.19}
LOGS = "broadleaf_logs"


def ways_of(*beds: dict[str, Any], today: date | None = TODAY, head: dict[str, Any] | None = None, **words: Any) -> Any:
    """A plan and every way to pay less for it, by its key."""
    built = read_plan(zoo.plan(*beds, garden={"name": "Test ground", "units": "metric"} | (head or {}), **words))
    needs = needed_by(built, around_of(built, today)).needs
    return built.plan, {way.key: way for way in swap_ways(built, needs, today)}


def bed_as(way: SwapWay) -> Bed:
    """A bed as it would be."""
    assert isinstance(way.part, Bed)
    return way.part


def box(depth_m: float, **words: Any) -> dict[str, Any]:
    """A box of 2 x 1.2 m."""
    return zoo.bed(shape=zoo.shape(2.0, 1.2, depth_m)) | words


@pytest.mark.parametrize(
    ("depth_m", "words", "less_m"),
    [
        (0.5, {}, 0.45),
        (0.2, {}, 0.15),
        # less deep than 15 cm holds too little
        (0.19, {}, None),
        # three courses of 190 mm become two; so do two and a half that were rounded
        (0.57, {"frame": LARCH, "measured": "inside"}, 0.38),
        (0.57, {"frame": LARCH | {"courses": 3}, "measured": "inside"}, 0.38),
        (0.19, {"frame": LARCH, "measured": "inside"}, None),
        # stone walls aren't made lower by a board's width
        (0.5, {"frame": {"kind": "dry_stone", "thickness_m": 0.3}, "measured": "inside"}, None),
        # corners of different depths follow the ground
        (0.5, {"corner_depths_m": [0.5, 0.5, 0.4, 0.4]}, None),
    ],
)
def test_less_deep_is_by_a_course_or_five_centimetres(
    depth_m: float, words: dict[str, Any], less_m: float | None
) -> None:
    way = ways_of(box(depth_m, **words))[1].get("less_deep plain")
    assert (way is None) == (less_m is None)
    if way is None:
        return
    changed = bed_as(way)
    assert getattr(changed.shape, "depth_m", None) == pytest.approx(less_m)
    if "courses" in words.get("frame", {}):
        assert changed.frame is not None
        assert changed.frame.courses == 2


def test_a_mound_has_no_depth_to_take_from() -> None:
    mound = zoo.bed(shape={"kind": "round_mound", "length_m": 4.0, "width_m": 1.6, "height_m": 0.8})
    assert not any(key.startswith("less_deep") for key in ways_of(mound)[1])


def test_a_bed_is_put_off_by_a_year_where_the_day_is_known() -> None:
    way = ways_of(box(0.5))[1]["put_off plain"]
    assert bed_as(way).put_off_until == "2027-10-20"
    assert not any(key.startswith("put_off") for key in ways_of(box(0.5), today=None)[1])


@pytest.mark.parametrize("state", [{"state": "filling", "laid": [0.5]}, {"put_off_until": "2027-04-01"}])
def test_a_bed_begun_or_put_off_is_left_alone(state: dict[str, Any]) -> None:
    assert ways_of(box(0.5, **state))[1] == {}


def test_a_way_that_was_set_aside_keeps_what_lies_there_aside_in_its_turn() -> None:
    aside = {
        "name": "Half straw",
        "layers": [{"material": "straw", "thickness_m": 0.2}, {"material": "topsoil", "fill": True}],
    }
    way = ways_of(box(0.5, set_aside=[aside]))[1]["aside plain 0"]
    assert "filled as “Half straw”" in way.title
    assert [layer.material for layer in bed_as(way).layers] == ["straw", "topsoil"]


@pytest.mark.parametrize(("lying_m3", "by_hand_m"), [(0.2, 0.2 / (2.0 * 1.2)), (5.0, 0.6 / 3)])
def test_wood_on_hand_goes_below_as_far_as_it_reaches_or_a_third(lying_m3: float, by_hand_m: float) -> None:
    factor = standard_shelf()[LOGS].loose_factor
    layers = [{"material": "cardboard"}, {"material": "topsoil", "fill": True}]
    stock = [{"material": LOGS, "volume_m3": lying_m3}]
    way = ways_of(box(0.6, layers=layers), stock=stock)[1][f"own plain {LOGS}"]
    card, wood, soil = bed_as(way).layers
    assert (card.material, wood.material, soil.material) == ("cardboard", LOGS, "topsoil")
    assert wood.thickness_m == pytest.approx(min(by_hand_m / factor, 0.2), abs=0.0006)


def test_of_beds_alike_each_gets_its_share_of_the_wood() -> None:
    one, three = (
        bed_as(ways_of(box(0.9, count=count), stock=[{"material": LOGS, "volume_m3": 0.3}])[1][f"own plain {LOGS}"])
        for count in (2, 6)
    )
    assert one.layers[0].thickness_m == pytest.approx(3 * (three.layers[0].thickness_m or 0), abs=0.002)


@pytest.mark.parametrize(
    ("words", "stock"),
    [
        # too little to be worth it
        ({}, [{"material": LOGS, "volume_m3": 0.04}]),
        # no wood
        ({}, [{"material": "compost", "volume_m3": 2.0}]),
        # it lies in the bed already
        ({"layers": [{"material": LOGS, "thickness_m": 0.1}, {"material": "topsoil", "fill": True}]},
         [{"material": LOGS, "volume_m3": 3.0}]),
        # nothing gives way to it
        ({"layers": [{"material": "topsoil", "thickness_m": 0.3}]}, [{"material": LOGS, "volume_m3": 3.0}]),
        # over water
        ({"reservoir": {"height_m": 0.12, "medium": "gravel_20"}}, [{"material": LOGS, "volume_m3": 3.0}]),
    ],
)  # fmt: skip
def test_wood_goes_nowhere_it_does_not_belong(words: dict[str, Any], stock: list[dict[str, Any]]) -> None:
    assert not any(key.startswith("own") for key in ways_of(box(0.6, **words), stock=stock)[1])


def test_paths_are_a_quarter_thinner_as_long_as_they_carry() -> None:
    plot = {
        "corners_m": [[0, 0], [9, 0], [9, 6], [0, 6]],
        "courses": [
            {"material": "geotextile"},
            {"material": "gravel_20", "thickness_m": 0.08},
            {"material": "wood_chips", "thickness_m": 0.06},
        ],
        "paths": [
            {"line_m": [[0, 3], [9, 3]], "width_m": 0.8, "courses": [{"material": "gravel_20", "thickness_m": 0.12}]},
            {"line_m": [[4, 0], [4, 6]], "width_m": 0.8},
        ],
    }
    plan, ways = ways_of(box(0.5), head={"plot": plot})
    changed = ways["thin_paths"].part
    assert isinstance(changed, Plot)
    # 45 mm of chips would be too thin: they stay
    assert [course.thickness_m for course in changed.courses] == [None, pytest.approx(0.06), pytest.approx(0.06)]
    assert changed.paths is not None
    assert [[course.thickness_m for course in path.courses or ()] for path in changed.paths] == [
        [pytest.approx(0.09)],
        [],
    ]
    assert ways["thin_paths"].done_to(plan).garden.plot == changed
    thin = plot | {"courses": [{"material": "wood_chips", "thickness_m": 0.05}], "paths": []}
    assert "thin_paths" not in ways_of(box(0.5), head={"plot": thin})[1]
    assert "thin_paths" not in ways_of(box(0.5))[1]


def test_a_mix_with_bands_is_offered_by_its_cheapest_recipe() -> None:
    mixes = [
        {"key": "own", "name": "Own mix", "target": {"use": "raised_bed"}, "parts": [
            {"material": "topsoil", "parts": 2}, {"material": "compost", "parts": 2},
            {"material": "coarse_sand", "parts": 2},
        ]},
        {"key": "free", "name": "Free mix", "parts": [
            {"material": "topsoil", "parts": 2}, {"material": "compost", "parts": 3},
        ]},
    ]  # fmt: skip
    offers = [
        {"material": key, "form": "bulk", "price_per_m3": price}
        for key, price in (("topsoil", "30.00"), ("compost", "60.00"), ("coarse_sand", "45.00"))
    ]
    yard = [{"key": "yard", "name": "Tide yard", "offers": offers}]
    layers = [{"material": "own", "fill": True}]
    plan, ways = ways_of(box(0.5, layers=layers), mixes=mixes, suppliers=yard)
    assert [key for key in ways if key.startswith("mix")] == ["mix own"]
    way = ways["mix own"]
    assert isinstance(way.part, PlanMix)
    assert sum(part.parts for part in way.part.parts) > 0
    assert [mix == before for mix, before in zip(way.done_to(plan).mixes, plan.mixes, strict=True)] == [False, True]


def test_ways_that_change_the_same_have_one_place_and_change_that_alone() -> None:
    beds = [box(0.5), box(0.6, key="other")]
    plan, ways = ways_of(*beds)
    assert ways["less_deep plain"].place == ways["put_off plain"].place != ways["put_off other"].place

    def depths(changed: Plan) -> list[float]:
        return [getattr(bed.shape, "depth_m", 0.0) for bed in changed.beds]

    assert depths(ways["less_deep other"].done_to(plan)) == [pytest.approx(0.5), pytest.approx(0.55)]
    assert depths(plan) == [0.5, 0.6]
