"""The list of all that is needed: by bed and in all, in bags of the usual sizes, with sheets, pipes and crates."""

from __future__ import annotations

import math
from decimal import Decimal
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.figure.buying_figures import NeedFigures
from nolbet_core.haul.bags import USUAL_BAGS_M3
from nolbet_core.haul.cut import pieces_for, rolls_for
from nolbet_core.haul.wanted import Cover
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.quantities.units import CU_FT_M3, System
from nolbet_core.shelf.library import standard_shelf
from tests.core import zoo
from tests.core.ask import figures_of

WICKS = [
    {"kind": "soil_column", "diameter_m": 0.2, "count": 3},
    {"kind": "strip", "width_m": 0.1, "count": 4},
]
WET = {
    "height_m": 0.2,
    "medium": "gravel_20",
    "pipes": [{"diameter_m": 0.1, "length_m": 1.8, "count": 2}, {"diameter_m": 0.05, "length_m": 0.6, "count": 3}],
    "crates": [{"length_m": 0.4, "width_m": 0.3, "height_m": 0.2, "count": 2}],
    "wicks": WICKS,
    "liner_lap_m": 0.1,
}


def needs_of(*beds: dict[str, Any], **changes: Any) -> dict[str, NeedFigures]:
    return {need.material: need for need in figures_of(zoo.plan(*beds, **changes)).needs}


def wet_bed(**changes: Any) -> dict[str, Any]:
    layers = [{"material": "topsoil", "thickness_m": 0.25}]
    return zoo.bed(shape=zoo.shape(2.4, 1.2, 0.6), layers=layers, reservoir=WET, **changes)


def test_a_bed_of_3_by_7_ft_is_told_in_bags_before_any_price_is_known() -> None:
    feet = 0.3048
    bed = zoo.bed(
        shape=zoo.shape(7 * feet, 3 * feet, 1 * feet), headspace_m=0.0, layers=[{"material": "topsoil", "fill": True}]
    )
    need = needs_of(bed, garden={"name": "Test ground", "units": "ft_in"})["topsoil"]
    # 21 cu ft placed, 24.15 loose: 33 bags of 0.75, 25 of 1, 17 of 1.5, 13 of 2 and 9 of 3 cu ft
    feet_bags = {round(each.volume_m3 / CU_FT_M3, 2): each.count for each in need.bags}
    assert {size: feet_bags[size] for size in (0.75, 1.0, 1.5, 2.0, 3.0)} == {
        0.75: 33,
        1.0: 25,
        1.5: 17,
        2.0: 13,
        3.0: 9,
    }
    assert (need.by, need.bagged) == ("volume", True)


@given(st.floats(0.05, 2.5), st.integers(1, 3))
def test_bags_of_every_usual_size_hold_what_is_to_buy_and_one_less_would_not(volume_m3: float, count: int) -> None:
    bed = zoo.bed(count=count, shape=zoo.shape(4, 2, 2), layers=[{"material": "compost", "volume_m3": volume_m3}])
    need = needs_of(bed, stock=[{"material": "compost", "volume_m3": 0.02}])["compost"]
    assert {each.volume_m3 for each in need.bags} == {size for sizes in USUAL_BAGS_M3.values() for size in sizes}
    for each in need.bags:
        assert each.count * each.volume_m3 >= need.to_buy_m3 - 1.1e-6
        assert (each.count - 1) * each.volume_m3 < need.to_buy_m3
    (share,) = need.beds
    assert share.bags == [math.ceil((need.loose_m3 - 1e-6) / each.volume_m3) for each in need.bags]


def test_what_each_bed_takes_adds_up_to_the_need_mixes_broken_down() -> None:
    mixes = [
        {"key": "rich", "parts": [{"material": "topsoil", "parts": 2}, {"material": "compost", "parts": 1}]},
    ]
    beds = [
        zoo.bed(key="one", name="One", count=2, layers=[{"material": "rich", "fill": True}]),
        zoo.bed(key="two", layers=[{"material": "compost", "thickness_m": 0.1}, {"material": "rich", "fill": True}]),
    ]
    needs = needs_of(*beds, mixes=mixes, stock=[{"material": "rich", "volume_m3": 0.6}])
    for need in needs.values():
        assert sum(each.loose_m3 for each in need.beds) == pytest.approx(need.loose_m3)
        assert sum(each.mass_kg for each in need.beds) == pytest.approx(need.mass_kg)
    assert [each.name for each in needs["topsoil"].beds] == ["One", "Two"]


def test_a_reservoirs_parts_are_all_on_the_list() -> None:
    bed = wet_bed()
    needs = needs_of(bed)
    shelf = standard_shelf()
    columns_m3 = 3 * math.pi * 0.1**2 * 0.2
    assert needs["topsoil"].placed_m3 == pytest.approx(2.4 * 1.2 * 0.25 + columns_m3)
    assert needs["pond_liner"].area_m2 == pytest.approx((2.4 + 0.4 + 0.2) * (1.2 + 0.4 + 0.2))
    # strips down to the floor and 0.30 m up among the roots
    assert needs["wicking_fabric"].area_m2 == pytest.approx(4 * 0.1 * 0.5)
    pipes = needs["drain_pipe"]
    assert [(each.diameter_m, each.length_m, each.count) for each in pipes.lengths] == [(0.1, 1.8, 2), (0.05, 0.6, 3)]
    assert pipes.mass_kg == pytest.approx(4.5 * (0.1 * 3.6 + 0.05 * 1.8))
    crates = needs["void_crate"]
    assert (crates.by, crates.units) == ("units", 2)
    assert crates.mass_kg == pytest.approx(45 * 2 * 0.4 * 0.3 * 0.2)
    (figures,) = figures_of(zoo.plan(bed)).beds
    assert figures.mass_moist_kg == pytest.approx(sum(need.mass_kg for need in needs.values()))
    assert needs["gravel_20"].mass_kg == pytest.approx(
        needs["gravel_20"].placed_m3 * shelf["gravel_20"].bulk_density_kg_m3
    )


def test_meals_go_by_weight() -> None:
    layers = [{"material": "compost", "fill": True, "amendment": {"material": "feather_meal", "mass_kg": 0.45}}]
    need = needs_of(zoo.bed(count=3, layers=layers))["feather_meal"]
    assert (need.by, need.bagged) == ("mass", False)
    assert need.to_buy_kg == pytest.approx(1.35)


OFFERS = [
    {"material": "cardboard", "form": "piece", "width_m": 0.7, "length_m": 1.0, "price": "0.40"},
    {"material": "pond_liner", "form": "roll", "width_m": 2.0, "length_m": 10.0, "price": "118.00"},
    {"material": "drain_pipe", "form": "piece", "diameter_m": 0.1, "length_m": 2.5, "price": "7.20"},
    {"material": "void_crate", "form": "pack", "count": 3, "price": "24.00"},
    {"material": "feather_meal", "form": "bag", "mass_kg": 2.0, "price": "9.50"},
]


def test_sheets_pipes_packs_and_meals_are_bought_beside_soil() -> None:
    fed = {"material": "feather_meal", "mass_kg": 1.1}
    layers = [
        {"material": "cardboard", "plies": 2, "lap_m": 0.1},
        {"material": "topsoil", "thickness_m": 0.25, "amendment": fed},
    ]
    bed = wet_bed(count=2) | {"layers": layers}
    figures = figures_of(zoo.plan(bed, suppliers=[{"key": "yard", "delivery": "45.00", "offers": OFFERS}]))
    assert figures.haul
    lines = {line.material: line for line in figures.haul.lines}
    # 2.4 x 1.2 m in pieces of 1.0 x 0.7 with laps of 0.1: 3 x 2 a ply; 2 plies, 2 beds
    assert (lines["cardboard"].count, lines["cardboard"].price) == (24, Decimal("9.60"))
    # two liners of 3.0 x 1.8 m off one roll
    assert (lines["pond_liner"].count, lines["pond_liner"].price) == (1, Decimal("118.00"))
    # of pipes of 0.1 m 7.2 m in pieces of 2.5; nobody has those of 0.05
    assert (lines["drain_pipe"].count, lines["drain_pipe"].price) == (3, Decimal("21.60"))
    assert (lines["void_crate"].form, lines["void_crate"].count) == ("pack", 2)
    assert (lines["feather_meal"].count, lines["feather_meal"].bag_kg) == (2, 2.0)
    assert set(figures.haul.unpriced) == {"drain_pipe", "wicking_fabric"}
    assert set(figures.haul.unmet) == {"topsoil", "gravel_20"}


def test_a_strip_has_no_joint_and_a_liner_none_at_all() -> None:
    liner = Cover(5.4, (3.0, 1.8), count=3, whole=True)
    assert rolls_for([liner], 2.0, 7.0) == 2
    assert rolls_for([liner], 1.7, 7.0) is None
    mat = Cover(2.88, (2.4, 1.2), lap_m=0.1, plies=2, count=2)
    # 0.7 m wide: two strips of 2.4 m a ply, eight in all, two of them to a roll of 5 m
    assert rolls_for([mat], 0.7, 5.0) == 4
    # a roll of 2 m isn't as long as the bed; across it five strips of 1.2 m lie, one to a roll
    assert rolls_for([mat], 0.6, 2.0) == 20


@given(st.floats(0.5, 6), st.floats(0.5, 3), st.floats(0.3, 2), st.floats(0.3, 2), st.integers(1, 3))
def test_pieces_cover_what_they_are_counted_for(
    length: float, width: float, along: float, across: float, plies: int
) -> None:
    lap = 0.15
    count = pieces_for([Cover(length * width, (length, width), lap, plies)], across, along)
    assert count is not None
    assert count * along * across >= plies * length * width - 1e-6
    assert count % plies == 0


BAD: list[tuple[dict[str, Any], str, str]] = [
    ({"material": "topsoil", "form": "roll", "width_m": 1, "length_m": 5, "price": "9.00"}, "material", "is loose"),
    ({"material": "drain_pipe", "form": "bag", "volume_m3": 0.04, "price": "9.00"}, "material", "isn't loose"),
    ({"material": "drain_pipe", "form": "piece", "length_m": 2.5, "price": "9.00"}, "diameter_m", "has to be given"),
    ({"material": "cardboard", "form": "piece", "length_m": 1.0, "price": "9.00"}, "width_m", "has to be given"),
    (
        {
            "material": "cardboard",
            "form": "pack",
            "count": 9,
            "length_m": 1,
            "width_m": 1,
            "diameter_m": 1,
            "price": "9",
        },
        "diameter_m",
        "doesn't belong",
    ),
    ({"material": "blood_meal", "form": "bag", "volume_m3": 0.01, "mass_kg": 2, "price": "9.00"}, "mass_kg", "beside"),
    ({"material": "drainpipe", "form": "piece", "length_m": 2.5, "price": "9.00"}, "material", "drain_pipe"),
]


@pytest.mark.parametrize(("offer", "key", "said"), BAD)
def test_an_offer_that_makes_no_sense_is_named_by_its_path(offer: dict[str, Any], key: str, said: str) -> None:
    with pytest.raises(PlanProblem) as problem:
        figures_of(zoo.plan(suppliers=[{"key": "yard", "offers": [offer]}]))
    assert problem.value.path == f"suppliers[0].offers[0].{key}"
    assert said in str(problem.value)


def test_systems_have_their_own_sizes() -> None:
    assert USUAL_BAGS_M3[System.METRIC] == (0.020, 0.025, 0.040, 0.050, 0.060, 0.070)
    assert [each / CU_FT_M3 for each in USUAL_BAGS_M3[System.FT_IN]] == pytest.approx([0.75, 1, 1.5, 2, 3])


def test_one_roll_is_cut_over_several_beds() -> None:
    mat = [{"material": "weed_mat"}, {"material": "topsoil", "fill": True}]
    long_bed = zoo.bed(key="long", layers=mat, shape={"kind": "box", "length_m": 4.0, "width_m": 0.9, "depth_m": 0.3})
    short_bed = zoo.bed(key="short", count=2, layers=mat)
    roll = {"material": "weed_mat", "form": "roll", "width_m": 1.0, "length_m": 10.0, "price": "24.00", "fetch": True}
    stores = [{"key": "stores", "name": "Saltgrass stores", "offers": [roll]}]
    haul = figures_of(zoo.plan(long_bed, short_bed, suppliers=stores)).haul
    assert haul is not None
    (line,) = haul.lines
    (cut,) = line.rolls
    # 4 m and twice 2 m off 10 m
    assert [(strip.bed, strip.length_m, strip.width_m) for strip in cut.strips] == [
        ("long", 4.0, 0.9), ("short", 2.0, 1.0), ("short", 2.0, 1.0),
    ]  # fmt: skip
    assert (line.count, cut.left_m) == (1, pytest.approx(2.0))
