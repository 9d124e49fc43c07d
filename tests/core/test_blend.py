"""Mixes: volumes with what is lost on mixing, and every figure as soil, against values worked by hand."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from nolbet_core.blend.amounts import amounts_for, most_from_stock
from nolbet_core.blend.mix import Mix, MixProblem, Part, blend, yield_volume
from nolbet_core.blend.soil import KEPT, soil_of
from nolbet_core.shelf.library import standard_shelf
from nolbet_core.shelf.material import Material, own_material

SHELF = standard_shelf()
Recipe = Sequence[tuple[str, float]]


def parts(recipe: Recipe) -> list[Part]:
    """Parts of shelf materials."""
    return [Part(SHELF[key], count) for key, count in recipe]


def mixed(*recipe: tuple[str, float], **more: Any) -> Mix:
    """A mix of shelf materials."""
    return blend("mix", "Mix", parts(recipe), **more)


WORKED: list[tuple[Recipe, float, float, float, float, float, float, float]] = [
    # volume; dry; porosity; water; pH; C:N; rise
    # nothing coarse: 3.0; C:N (23 + 96) / (1.955 + 6.4); pH weighs 1150 x 1.690, 400 x 9.275, 1500
    ([("topsoil", 1), ("compost", 1), ("coarse_sand", 1)], 3.0, 1016.667, 0.55667, 0.36, 6.9679, 14.243, 0.21667),
    # 4 - 0.5 x min(3, 0.4); pores 1 - (0.96 + 0.23 + 0.25) / 3.8; water 1.64 / 3.8
    ([("topsoil", 2), ("perlite", 1), ("compost", 1)], 3.8, 736.842, 0.62105, 0.43158, 6.8439, 13.774, 0.25),
    # 2 - 0.5 x min(1, 0.4); pores 1 - 0.30 / 1.8; water 1.00 / 1.8
    ([("peat", 1), ("perlite", 1)], 1.8, 111.111, 0.83333, 0.55556, 4.1559, 50.0, 0.25),
    # 4 - 0.5 x min(2, 0.66); pores 1 - 2.24 / 3.67; water 0.66 / 3.67
    ([("topsoil", 1), ("grit", 2), ("coarse_sand", 1)], 3.67, 1539.510, 0.38965, 0.17984, 6.8492, 11.765, 0.11),
    # fine alone; C (2 x 36.8 + 112), N (2 x 0.4 + 8); pH weighs coir 1349, worm compost 4262
    ([("coir", 2), ("worm_compost", 1), ("vermiculite", 1)], 4.0, 167.5, 0.8825, 0.615, 6.6262, 21.091, 0.3375),
]


@pytest.mark.parametrize(("recipe", "volume", "dry", "porosity", "water", "ph", "c_to_n", "rise"), WORKED)
def test_five_recipes_come_to_what_is_worked_by_hand(
    recipe: Recipe, volume: float, dry: float, porosity: float, water: float, ph: float, c_to_n: float, rise: float
) -> None:
    soil = soil_of(mixed(*recipe).material)
    assert yield_volume(parts(recipe)) == pytest.approx(volume)
    assert soil.loose_dry_kg_m3 == pytest.approx(dry, abs=0.001)
    assert soil.porosity == pytest.approx(porosity, abs=1e-5)
    assert soil.water_held == pytest.approx(water, abs=1e-5)
    assert soil.air_filled == pytest.approx(porosity - water, abs=1e-5)
    assert soil.ph == pytest.approx(ph, abs=1e-4)
    assert soil.c_to_n == pytest.approx(c_to_n, abs=1e-3)
    assert soil.rise_m == pytest.approx(rise, abs=1e-5)


def test_what_plants_can_take_and_what_is_organic() -> None:
    soil = soil_of(mixed(("topsoil", 1), ("compost", 1)).material)
    assert soil.available == pytest.approx((0.42 + 0.52 - 0.12 - 0.20) / 2)
    # carbon 23 + 96 of 1550 kg dry, times 1.724
    assert soil.organic_matter == pytest.approx(1.724 * 119 / 1550, abs=1e-4)
    assert soil.compost_share == pytest.approx(0.5)


def test_the_voids_of_coarse_parts_add_up_and_full_voids_take_no_more() -> None:
    assert yield_volume(parts([("topsoil", 3), ("perlite", 1), ("grit", 1)])) == pytest.approx(5 - 0.5 * 0.73)
    assert yield_volume(parts([("topsoil", 0.2), ("perlite", 1), ("grit", 1)])) == pytest.approx(2.2 - 0.5 * 0.2)


def test_a_bucket_test_takes_the_place_of_the_voids() -> None:
    plain, tested = mixed(("topsoil", 1), ("perlite", 1)), mixed(("topsoil", 1), ("perlite", 1), measured_yield=0.8)
    assert sum(plain.recipe.values()) == pytest.approx(2 / 1.8)
    assert sum(tested.recipe.values()) == pytest.approx(1 / 0.8)
    dry, soil = tested.material.soil_figure("loose_dry_kg_m3"), soil_of(tested.material)
    assert dry == pytest.approx((1150 + 100) / 1.6)
    assert soil.porosity == pytest.approx(1 - (0.48 + 0.23) / 1.6)
    assert tested.material.bulk_density_kg_m3 == pytest.approx(plain.material.bulk_density_kg_m3 * 1.8 / 1.6)


@pytest.mark.parametrize(("measured", "said"), [(0.3, "less room than the solids"), (1.4, "more than went in")])
def test_a_bucket_test_that_cannot_be_is_refused(measured: float, said: str) -> None:
    with pytest.raises(MixProblem, match=said) as problem:
        mixed(("coarse_sand", 1), ("grit", 1), measured_yield=measured)
    assert problem.value.key == "bucket_test"


def test_parts_of_nothing_are_refused() -> None:
    with pytest.raises(MixProblem, match="add up to nothing"):
        mixed(("topsoil", 0), ("compost", 0))


def test_stones_on_the_sieve_lower_the_yield_and_raise_what_is_dug() -> None:
    sifted = blend("m", "M", [Part(SHELF["garden_soil"], 4, 0.25), Part(SHELF["compost"], 1)])
    plain = mixed(("garden_soil", 3), ("compost", 1))
    assert sifted.recipe == pytest.approx({"garden_soil": 1.0, "compost": 0.25})
    assert soil_of(sifted.material) == soil_of(plain.material)


def test_a_figure_that_a_part_lacks_is_not_guessed() -> None:
    soil = soil_of(mixed(("topsoil", 1), ("leaves", 1)).material)
    assert soil.water_held is soil.air_filled is soil.ph is None
    assert soil.c_to_n is not None
    assert soil_of(mixed(("topsoil", 1), ("leaves", 0)).material).ph == pytest.approx(6.5)


def test_own_figures_go_into_mixes() -> None:
    acid = own_material("acid", "Acid loam", SHELF["topsoil"], {"ph": 5.0, "container_capacity": 0.5}, None)
    soil = soil_of(blend("m", "M", [Part(acid, 1)]).material)
    assert (soil.ph, soil.water_held) == (pytest.approx(5.0), pytest.approx(0.5))


RECIPES = st.lists(
    st.tuples(
        st.sampled_from(["topsoil", "compost", "peat", "coir", "perlite", "coarse_sand", "grit", "composted_bark"]),
        st.floats(0.05, 10),
    ),
    min_size=1,
    max_size=6,
    unique_by=lambda pair: pair[0],
)


def alike(one: Material, other: Material) -> None:
    """Both have the same figures."""
    for name in (*KEPT,):
        assert one.soil_figure(name) == pytest.approx(other.soil_figure(name), rel=1e-9)
    for name in ("bulk_density_kg_m3", "saturated_density_kg_m3", "loose_factor", "carbon", "nitrogen"):
        assert getattr(one, name) == pytest.approx(getattr(other, name), rel=1e-9)
    assert one.capillary_rise_m == pytest.approx(other.capillary_rise_m)


@given(RECIPES, st.floats(0.1, 50))
def test_parts_scaled_alike_give_the_same_mix(recipe: list[tuple[str, float]], times: float) -> None:
    one, other = mixed(*recipe), mixed(*[(key, count * times) for key, count in recipe])
    alike(one.material, other.material)
    assert one.recipe == pytest.approx(other.recipe)


FINE = st.lists(
    st.tuples(st.sampled_from(["topsoil", "compost", "peat", "coir", "coarse_sand"]), st.floats(0.05, 10)),
    min_size=2,
    max_size=5,
    unique_by=lambda pair: pair[0],
)


@given(FINE, st.integers(1, 4), st.floats(0.1, 5))
def test_a_mix_of_mixes_without_loss_equals_the_flat_mix(
    recipe: list[tuple[str, float]], cut: int, more: float
) -> None:
    inner = recipe[: min(cut, len(recipe) - 1)]
    outer = recipe[len(inner) :]
    within = blend("inner", "Inner", parts(inner))
    whole = sum(count for _, count in inner)
    nested = blend("m", "M", [Part(within.material, more * whole), *(Part(SHELF[k], c * more) for k, c in outer)])
    alike(nested.material, mixed(*recipe).material)


@given(RECIPES)
def test_solids_and_water_are_kept_and_only_air_is_lost(recipe: list[tuple[str, float]]) -> None:
    soil, made = soil_of(mixed(*recipe).material), yield_volume(parts(recipe))
    assert soil.porosity is not None and soil.water_held is not None and soil.air_filled is not None
    assume(soil.air_filled > 1e-9)
    solids = sum(count * (1 - (SHELF[key].soil_figure("porosity") or 0)) for key, count in recipe)
    water = sum(count * (SHELF[key].soil_figure("container_capacity") or 0) for key, count in recipe)
    assert (1 - soil.porosity) * made == pytest.approx(solids)
    assert soil.water_held * made == pytest.approx(water)


def test_a_volume_takes_its_parts_through_mixes_of_mixes_less_what_is_on_hand() -> None:
    inner = blend("inner", "Inner", parts([("topsoil", 1), ("perlite", 1)]))
    outer = blend("outer", "Outer", [Part(inner.material, 1), Part(SHELF["compost"], 1)])
    mixes = {"inner": inner, "outer": outer}
    taken = amounts_for(outer, 1.0, mixes, {"inner": 0.1, "topsoil": 0.05})
    # nothing is lost between the two fine halves; 0.4 m3 of inner are made of 2 / 1.8 each
    assert taken["inner"].from_stock_m3 == pytest.approx(0.1)
    assert taken["inner"].to_buy_m3 == 0
    assert taken["topsoil"].loose_m3 == pytest.approx(0.4 / 1.8)
    assert taken["topsoil"].to_buy_m3 == pytest.approx(0.4 / 1.8 - 0.05)
    assert taken["compost"].to_buy_m3 == pytest.approx(0.5)


def test_the_most_that_a_stock_makes_runs_out_of_one_part_first() -> None:
    mix = mixed(("topsoil", 2), ("compost", 1))
    assert most_from_stock(mix, {}, {"topsoil": 0.4, "compost": 0.5}) == pytest.approx(0.6)
    assert most_from_stock(mix, {}, {"topsoil": 0.4}) == 0.0
    inner = blend("inner", "Inner", parts([("compost", 1), ("coir", 1)]))
    outer = blend("outer", "Outer", [Part(inner.material, 1), Part(SHELF["topsoil"], 1)])
    heaps = {"inner": 0.1, "compost": 0.05, "coir": 0.2, "topsoil": 5.0}
    # 0.1 of inner lies ready and 0.1 more is made of 0.05 compost: 0.2 in all, half of 0.4
    assert most_from_stock(outer, {"inner": inner, "outer": outer}, heaps) == pytest.approx(0.4)
