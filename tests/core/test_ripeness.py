"""A layer fresh, half rotted or rotted down: what it weighs, how it sinks and feeds, and what is said of it."""

from __future__ import annotations

import math
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.plan.problems import PlanProblem
from nolbet_core.shelf.library import standard_shelf
from nolbet_core.shelf.material import own_material
from nolbet_core.shelf.ripeness import StateProblem, ripened, states_of, usual_state
from tests.core import zoo
from tests.core.ask import bed_of, figures_of, mended_by

SHELF = standard_shelf()
RIPENS = [(key, state) for key, each in SHELF.items() for state in states_of(each)]
SOIL = {"material": "topsoil", "thickness_m": 0.15}


def codes(document: dict[str, Any]) -> set[str]:
    return {each.code for each in bed_of(document).findings}


def straw(ripeness: str | None = None, **changes: Any) -> dict[str, Any]:
    state = {} if ripeness is None else {"ripeness": ripeness}
    return zoo.bed(layers=[{"material": "straw", "thickness_m": 0.2, **state, **changes}, SOIL])


def test_half_rotted_straw_by_hand() -> None:
    half = ripened(SHELF["straw"], "half")
    assert (half.key, half.name) == ("straw", "Straw, half rotted")
    assert half.settling == pytest.approx((0.6 * 0.30, (0.1 + 0.5) / 2, 0.6 * 1.2))
    assert half.dry_density_kg_m3 == pytest.approx(math.sqrt(105.6 * 460))
    assert half.nitrogen == pytest.approx(math.sqrt(0.0065 * 0.016))


def test_half_rotted_logs_keep_their_place_and_have_lost_half_their_mass() -> None:
    logs, half = SHELF["broadleaf_logs"], ripened(SHELF["broadleaf_logs"], "half")
    assert half.dry_density_kg_m3 == pytest.approx(logs.dry_density_kg_m3 / 2)
    assert half.void_share == logs.void_share
    assert logs.keeps_volume and not half.keeps_volume


def test_what_has_rotted_down_is_like_compost_or_leaf_mould() -> None:
    for key, end in (("wood_chips", "compost"), ("horse_manure", "compost"), ("leaves", "leaf_mould")):
        done, like = ripened(SHELF[key], "finished"), SHELF[end]
        assert (done.key, done.group, done.grain) == (key, "soil", "fine")
        assert done.settling == like.settling
        assert done.bulk_density_kg_m3 == like.bulk_density_kg_m3
    assert "raw_manure" not in ripened(SHELF["horse_manure"], "finished").traits
    assert "herbicide" in ripened(SHELF["straw"], "finished").traits


@given(st.sampled_from(RIPENS))
def test_every_state_of_every_material_holds_together(known: tuple[str, Any]) -> None:
    key, state = known
    there = ripened(SHELF[key], state)
    assert there.dry_density_kg_m3 < there.bulk_density_kg_m3 <= there.saturated_density_kg_m3
    assert 0 < there.nitrogen < there.carbon < 0.6
    assert 1 <= there.loose_factor <= 2.5
    assert all(each.low <= each.value <= each.high for each in there.properties.values())
    assert (there == SHELF[key]) == (state == usual_state(SHELF[key]))


def test_a_figure_of_the_gardeners_own_stays_in_any_state() -> None:
    own = own_material("our_straw", "Our straw", SHELF["straw"], {"nitrogen": 0.012, "dry_density_kg_m3": 90.0}, None)
    for state in ("half", "finished"):
        there = ripened(own, state)
        assert (there.nitrogen, there.dry_density_kg_m3, there.key) == (0.012, 90.0, "our_straw")
        assert there.decay_per_year < SHELF["straw"].decay_per_year


@pytest.mark.parametrize(("key", "state"), [("aged_manure", "fresh"), ("coarse_sand", "half"), ("leaf_mould", "fresh")])
def test_a_state_that_a_material_is_never_in_is_refused(key: str, state: Any) -> None:
    with pytest.raises(StateProblem):
        ripened(SHELF[key], state)
    with pytest.raises(PlanProblem) as problem:
        bed_of(zoo.bed(layers=[{"material": key, "thickness_m": 0.1, "ripeness": state}]))
    assert problem.value.path == "beds[0].layers[0].ripeness"


def test_a_sheet_has_no_state() -> None:
    with pytest.raises(PlanProblem) as problem:
        bed_of(zoo.bed(layers=[{"material": "cardboard", "ripeness": "half"}, SOIL]))
    assert problem.value.path == "beds[0].layers[0].ripeness"


def test_riper_straw_sinks_less_weighs_more_and_takes_less_nitrogen() -> None:
    fresh, half, done = (bed_of(straw(state)) for state in (None, "half", "finished"))
    sunk = [each.surface_m[0] - each.surface_m[12] for each in (fresh, half, done)]
    assert sunk == sorted(sunk, reverse=True)
    assert fresh.mass_moist_kg < half.mass_moist_kg < done.mass_moist_kg
    assert fresh.nitrogen_gap_kg > half.nitrogen_gap_kg > done.nitrogen_gap_kg
    assert bed_of(straw("fresh")).surface_m == fresh.surface_m


def test_a_need_keeps_its_name_and_adds_up_over_states() -> None:
    layers = [
        {"material": "leaves", "thickness_m": 0.1},
        {"material": "leaves", "thickness_m": 0.1, "ripeness": "half"},
        SOIL,
    ]
    figured = figures_of(zoo.plan(zoo.bed(count=3, layers=layers)))
    need = next(each for each in figured.needs if each.material == "leaves")
    lower, upper = figured.beds[0].layers[:2]
    assert need.loose_m3 == pytest.approx(3 * (lower.loose_m3 + upper.loose_m3))
    assert lower.loose_m3 > upper.loose_m3
    assert upper.name == "Leaves, half rotted"


def test_unripe_compost_belongs_on_top() -> None:
    def laid(state: str, *above: dict[str, Any]) -> dict[str, Any]:
        return zoo.bed(layers=[{"material": "compost", "thickness_m": 0.12, "ripeness": state}, *above])

    buried = bed_of(laid("fresh", SOIL))
    found = next(each for each in buried.findings if each.code == "unripe_compost")
    assert found.level == "caution" and len(found.sides) == 2
    on_top = mended_by(laid("fresh", SOIL), found)["layers"]
    assert [layer["material"] for layer in on_top] == ["topsoil", "compost"]
    half = next(each for each in bed_of(laid("half", SOIL)).findings if each.code == "unripe_compost")
    assert half.level == "advice"
    assert "unripe_compost" not in codes(laid("fresh"))
    assert "unripe_compost" not in codes(laid("finished", SOIL))


def test_fresh_manure_is_raw_until_it_has_rotted_down() -> None:
    def laid(state: str) -> set[str]:
        return codes(zoo.bed(layers=[{"material": "cow_manure", "thickness_m": 0.12, "ripeness": state}, SOIL]))

    assert "raw_manure" in laid("fresh") & laid("half")
    assert "raw_manure" not in laid("finished")


@pytest.mark.parametrize(
    ("code", "layers"),
    [
        ("leaves_trodden", [{"material": "leaves", "thickness_m": 0.15}, SOIL]),
        ("plies_few", [{"material": "cardboard", "plies": 1}, SOIL]),
        ("tape_and_print", [{"material": "cardboard", "plies": 3}, SOIL]),
    ],
)
def test_where_schools_differ_both_sides_are_heard(code: str, layers: list[dict[str, Any]]) -> None:
    found = next(each for each in bed_of(zoo.bed(layers=layers)).findings if each.code == code)
    assert (found.level, len(found.sides)) == ("note", 2)
    assert code not in codes(zoo.bed(layers=[{"material": "compost", "thickness_m": 0.1}, SOIL]))
