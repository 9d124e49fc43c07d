"""Carbon to nitrogen, the first season's ledger, and the dose that closes a gap: by hand and by property."""

from __future__ import annotations

import math
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.nutrients.dose import Dose, dose_for
from nolbet_core.nutrients.ledger import LayerNitrogen, net_nitrogen, rotted_carbon
from nolbet_core.nutrients.season import SeasonNitrogen, soil_gives
from nolbet_core.shelf.library import standard_shelf
from nolbet_core.shelf.material import Material, own_material
from nolbet_core.stack.contents import Held
from tests.core import zoo
from tests.core.ask import bed_of, figures_of

SHELF = standard_shelf()
TWELVE = {"name": "Test ground", "mean_temp_c": 6.5}  # a growing season of 12 degrees, so that the factor is 1


def figures(*layers: dict[str, Any], depth_m: float = 0.5, **changes: Any) -> Any:
    """A bed of layers in a garden whose growing season has 12 degrees."""
    bed = zoo.bed(shape=zoo.shape(2, 1, depth_m), layers=list(layers), **changes)
    own = [{"key": "wood", "like": "shredded_hardwood", "dry_density_kg_m3": 250.0, "carbon": 0.48, "nitrogen": 0.0022}]
    return figures_of(zoo.plan(bed, garden=TWELVE, materials=own)).beds[0]


def test_half_a_cubic_metre_of_shredded_hardwood() -> None:
    wood = own_material("wood", None, SHELF["shredded_hardwood"], {"dry_density_kg_m3": 250.0}, None)
    carbon = rotted_carbon(Held(wood, 125.0), 1.0)
    gives, takes = net_nitrogen(Held(wood, 125.0), carbon)
    assert carbon == pytest.approx(60 * (1 - math.exp(-0.225)))
    assert gives - takes == pytest.approx(-0.4282, abs=5e-5)


def test_contact_falls_with_depth() -> None:
    # 0.6 m of one stuff over 2 m2: 0.30 m count 1, 0.20 m 0.5, 0.10 m 0.15
    bed = figures({"material": "wood", "fill": True}, depth_m=0.6)
    assert bed.layers[0].contact == pytest.approx((0.30 + 0.20 * 0.5 + 0.10 * 0.15) / 0.6)


def test_a_gap_by_hand() -> None:
    # a root zone of soil over wood: soil gives nothing (k 0), wood counts where it lies
    bed = figures({"material": "wood", "thickness_m": 0.2}, {"material": "topsoil", "fill": True}, depth_m=0.5)
    net = 0.4 * 250 * (1 - math.exp(-0.225)) * (0.48 * 0.04 - 0.0022)
    assert bed.layers[0].nitrogen_kg == pytest.approx(-net)
    assert bed.layers[0].contact == pytest.approx(0.5)
    assert bed.nitrogen_gap_kg == pytest.approx(0.5 * net)


def test_what_a_crop_finds_by_hand() -> None:
    # 2 m2: 0.2 m of wood under 0.3 m of topsoil, at 6.5 degrees over the year (soil gives 2.5 % x 2^-0.55 of its own)
    bed = figures({"material": "wood", "thickness_m": 0.2}, {"material": "topsoil", "fill": True}, depth_m=0.5)
    bound = 0.5 * 0.4 * 250 * (1 - math.exp(-0.225)) * (0.48 * 0.04 - 0.0022)
    given = 0.3 * 2 * 1322.5 * 0.0017 * 0.025 * 2**-0.55
    assert bed.nitrogen_bind_kg == pytest.approx(bound) == pytest.approx(bed.nitrogen_gap_kg)
    assert bed.nitrogen_supply_kg == pytest.approx(given)
    assert bed.plants_need_kg == pytest.approx(2 * 0.012)
    assert bed.nitrogen_short_kg == pytest.approx(0.024)
    (short,) = [each for each in bed.findings if each.code == "nitrogen_short"]
    assert short.level == "caution"
    assert "may be short by 24 g this season, 12 g/m²" in short.message
    assert "decomposers could bind up to" in short.message


@pytest.mark.parametrize(
    ("supply", "scattered", "bind", "left", "short"),
    [
        (0.03, 0.0, 0.0, 0.03, 0.0),
        (0.03, 0.0, 0.02, 0.01, 0.01),
        (0.01, 0.02, 0.05, 0.0, 0.02),
        (0.01, 0.03, 0.015, 0.025, 0.0),
    ],
)
def test_nothing_less_than_nothing_is_left(
    supply: float, scattered: float, bind: float, left: float, short: float
) -> None:
    season = SeasonNitrogen(supply, scattered, bind, 0.02)
    assert (season.left_kg, season.short_kg) == (pytest.approx(left), pytest.approx(short))
    fed = SeasonNitrogen(supply, scattered + season.unfed_kg, bind, 0.02)
    assert fed.short_kg == pytest.approx(0.0, abs=1e-12)


def test_a_warm_soil_gives_more_and_a_cold_one_less_within_what_is_known() -> None:
    assert [soil_gives(each) for each in (0.1, 1.0, 1.2, 3.0)] == pytest.approx([0.015, 0.025, 0.03, 0.035])


def test_compost_gives_by_its_own_rotting_and_soil_alone_is_enough() -> None:
    soil = figures({"material": "topsoil", "fill": True}, depth_m=0.3)
    assert soil.nitrogen_short_kg == pytest.approx(max(0.024 - 0.6 * 1322.5 * 0.0017 * 0.025 * 2**-0.55, 0))
    rich = figures({"material": "compost", "fill": True}, depth_m=0.3)
    # 0.6 m3 of compost: carbon x (1 - e^-0.125) x (1 / 15 - 0.04)
    net = 0.6 * 460 * 0.24 * (1 - math.exp(-0.125)) * (1 / 15 - 0.04)
    assert rich.nitrogen_supply_kg == pytest.approx(net)
    assert (rich.nitrogen_bind_kg, rich.nitrogen_short_kg) == (0.0, 0.0)


def test_a_thin_fill_is_helped_by_open_ground_and_stone_wants_nothing() -> None:
    thin = figures({"material": "topsoil", "fill": True}, depth_m=0.1)
    own, ground = 0.1 * 1322.5 * 0.0017, 0.2 * 1322.5 * 0.002
    assert thin.nitrogen_supply_kg == pytest.approx(2 * (own + ground) * 0.025 * 2**-0.55)
    decked = figures({"material": "topsoil", "fill": True}, depth_m=0.1, stand={"on": "deck"})
    assert decked.nitrogen_supply_kg == pytest.approx(2 * own * 0.025 * 2**-0.55)
    assert figures({"material": "gravel_20", "fill": True}).plants_need_kg == 0.0


def test_a_mineral_fertiliser_gives_all_at_once() -> None:
    fed = {"material": "topsoil", "fill": True, "amendment": {"material": "granular_fertiliser", "mass_kg": 0.1}}
    bare, bed = figures({"material": "topsoil", "fill": True}, depth_m=0.1), figures(fed, depth_m=0.1)
    assert bed.layers[0].nitrogen_kg - bare.layers[0].nitrogen_kg == pytest.approx(0.1 * 0.99 * 0.101)


def test_mulch_on_top_counts_a_tenth_and_the_zone_begins_under_it() -> None:
    bed = figures({"material": "topsoil", "fill": True}, {"material": "wood", "thickness_m": 0.1}, depth_m=0.4)
    assert [layer.contact for layer in bed.layers] == [pytest.approx(1.0), 0.1]


def test_a_sheet_counts_where_it_lies() -> None:
    bed = figures({"material": "cardboard"}, {"material": "topsoil", "fill": True}, depth_m=0.45)
    # four boxes of 1.0 x 0.7 m lie over 2 x 1 m with their laps
    card_kg = SHELF["cardboard"].mass_per_area_kg_m2 * 2.8 * 0.92
    net = card_kg * (1 - math.exp(-0.75)) * (0.5 * 0.04 - 0.00094)
    assert bed.layers[0].contact == 0.5
    assert bed.nitrogen_gap_kg == pytest.approx(0.5 * net)


@given(st.lists(st.tuples(st.floats(0.02, 0.3), st.floats(0.05, 2.0)), min_size=1, max_size=4))
def test_layers_of_c_to_n_25_neither_give_nor_take(parts: list[tuple[float, float]]) -> None:
    own = [
        {"key": f"even_{i}", "like": "compost", "carbon": 0.4, "nitrogen": 0.016, "decay_per_year": decay}
        for i, (_, decay) in enumerate(parts)
    ]
    layers = [{"material": f"even_{i}", "thickness_m": thick_m} for i, (thick_m, _) in enumerate(parts)]
    bed = figures_of(zoo.plan(zoo.bed(layers=layers), materials=own)).beds[0]
    assert [layer.nitrogen_kg for layer in bed.layers] == pytest.approx([0.0] * len(parts), abs=1e-12)
    assert bed.nitrogen_gap_kg == pytest.approx(0.0, abs=1e-12)
    assert bed.c_to_n == pytest.approx(25)


def dry(key: str, volume_m3: float) -> tuple[float, float]:
    """Carbon and nitrogen of a volume of a material [kg]."""
    material: Material = SHELF[key]
    mass = volume_m3 * material.bulk_density_kg_m3 * (1 - material.moisture)
    return mass * material.carbon, mass * material.nitrogen


STACKS: list[tuple[list[tuple[str, float]], float]] = [
    ([("compost", 0.5)], 15.0),
    ([("straw", 0.2), ("grass_clippings", 0.1)], 36.7),
    ([("leaves", 0.2), ("aged_manure", 0.1), ("topsoil", 0.2)], 22.0),
    ([("broadleaf_logs", 0.3), ("compost", 0.2)], 43.3),
    ([("wood_chips", 0.25), ("raised_bed_mix", 0.25)], 35.7),
]


@pytest.mark.parametrize(("stack", "about"), STACKS)
def test_c_to_n_of_a_stack_is_of_sums(stack: list[tuple[str, float]], about: float) -> None:
    bed = figures(*({"material": key, "thickness_m": thick_m} for key, thick_m in stack), depth_m=0.6)
    sums = [dry(key, thick_m * 2.0) for key, thick_m in stack]
    assert bed.c_to_n == pytest.approx(sum(c for c, _ in sums) / sum(n for _, n in sums))
    assert bed.c_to_n == pytest.approx(about, abs=0.05)


def test_what_packs_voids_and_lies_as_sheet_counts_in_c_to_n() -> None:
    packed = {"material": "branches", "fill": True, "infill": {"material": "compost", "share": 1.0}}
    bare = {"material": "branches", "fill": True}
    assert figures(packed).c_to_n < figures(bare).c_to_n
    assert figures({"material": "cardboard"}, {"material": "compost", "fill": True}).c_to_n > 15.0
    assert figures({"material": "gravel_20", "fill": True}).c_to_n is None


def test_a_mix_feeds_by_its_parts() -> None:
    mix = {"key": "half", "parts": [{"material": "topsoil", "parts": 1}, {"material": "sawdust", "parts": 1}]}
    document = zoo.plan(zoo.bed(layers=[{"material": "half", "fill": True}]), mixes=[mix], garden=TWELVE)
    bed = figures_of(document).beds[0]
    loose = 1.0 * bed.layers[0].loose_m3
    sawdust = SHELF["sawdust"]
    mass = loose / 2 / sawdust.loose_factor * sawdust.dry_density_kg_m3
    rotted = mass * sawdust.carbon * (1 - math.exp(-sawdust.decay_per_year / 2))
    net = rotted * (0.04 - sawdust.nitrogen / sawdust.carbon)
    assert bed.layers[0].nitrogen_kg == pytest.approx(-net, rel=1e-6)


def hungry(*net_kg: float, contact: float = 1.0) -> list[LayerNitrogen]:
    """A ledger of layers with a net each."""
    return [LayerNitrogen(1.0, max(net, 0.0), max(-net, 0.0), contact) for net in net_kg]


def blood(*net_kg: float, area_m2: float = 10.0, **changes: Any) -> Dose:
    """The dose of blood meal for a ledger."""
    dose = dose_for(SHELF["blood_meal"], hungry(*net_kg), max(-sum(net_kg), 0.0), area_m2, 1.0, **changes)
    assert dose is not None
    return dose


def test_a_dose_closes_the_gap_and_is_split_by_hunger() -> None:
    dose = blood(-0.06, -0.02, 0.01)
    meal = SHELF["blood_meal"]
    rotted = 0.92 * 0.45 * (1 - math.exp(-4 * 0.5))
    net = rotted * (meal.nitrogen / 0.45 - 0.04)
    assert dose.mass_kg == pytest.approx(0.07 / net)
    assert dose.waits_kg == 0
    assert dose.split_kg == pytest.approx((dose.mass_kg * 0.75, dose.mass_kg * 0.25, 0.0))
    assert dose.cups == pytest.approx(dose.mass_kg / 600 / 2.365882365e-4)
    assert dose.handfuls == pytest.approx(dose.mass_kg / 0.036)
    assert blood(-0.07, handful_kg=0.05).handfuls == pytest.approx(blood(-0.07).mass_kg / 0.05)


def test_never_more_than_twenty_grams_at_once() -> None:
    dose = blood(-1.5)
    assert dose.n_kg_m2 == pytest.approx(0.020)
    assert dose.mass_kg == pytest.approx(0.2 / 0.12)
    assert dose.waits_kg > 1.2
    assert blood(-1.5, fed_kg_m2=0.015).n_kg_m2 == pytest.approx(0.005)
    assert dose_for(SHELF["blood_meal"], hungry(-1.5), 1.5, 10.0, 1.0, 0.020) is None


def test_crumbs_of_a_dose_go_to_the_hungriest_layer() -> None:
    dose = blood(-0.001, -0.099)
    assert dose.split_kg == pytest.approx((0.0, dose.mass_kg))


def test_labels_and_elements() -> None:
    dose = dose_for(SHELF["poultry_pellets"], hungry(-0.02), 0.02, 10.0, 1.0)
    assert dose is not None
    assert dose.p2o5_kg_m2 == pytest.approx(dose.mass_kg * 0.03 / 10)
    assert dose.p_kg_m2 == pytest.approx(0.4364 * dose.p2o5_kg_m2)
    assert dose.k_kg_m2 == pytest.approx(0.8302 * dose.k2o_kg_m2)


@pytest.mark.parametrize(("key", "net_kg"), [("bone_meal", -0.05), ("compost", -0.05), ("blood_meal", 0.05)])
def test_what_is_no_help_is_not_offered(key: str, net_kg: float) -> None:
    assert dose_for(SHELF[key], hungry(net_kg), max(-net_kg, 0.0), 10.0, 1.0) is None


def test_scattered_meal_is_bought_weighed_and_counted() -> None:
    fed = {"material": "wood", "fill": True, "lifts": 3, "amendment": {"material": "blood_meal", "mass_kg": 0.3}}
    bed = zoo.bed(layers=[fed])
    own = [{"key": "wood", "like": "shredded_hardwood"}]
    with_meal = figures_of(zoo.plan(bed | {"count": 2}, materials=own))
    without = bed_of(zoo.bed(layers=[{"material": "shredded_hardwood", "fill": True}]))
    (own_figures,) = with_meal.beds
    assert own_figures.nitrogen_gap_kg < without.nitrogen_gap_kg
    assert own_figures.mass_moist_kg == pytest.approx(without.mass_moist_kg + 0.3)
    scattered = own_figures.layers[0].scattered
    assert scattered is not None
    assert scattered[0].lift_kg == pytest.approx(0.1)
    need = next(each for each in with_meal.needs if each.material == "blood_meal")
    assert need.mass_kg == pytest.approx(0.6)
    assert need.placed_m3 == pytest.approx(0.6 / 600)
