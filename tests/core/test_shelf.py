"""The shelf: every material of the format is there, each figure is in its range and says where it comes from."""

from __future__ import annotations

import json
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_cli.main import main
from nolbet_core.blend.soil import soil_of
from nolbet_core.shelf.library import search, standard_shelf
from nolbet_core.shelf.material import FOLLOWS, UNITS, YOURS, Material, own_material
from tests.core import zoo
from tests.core.ask import bed_of, figures_of, planned

BULK_KEYS = [
    "topsoil",
    "garden_soil",
    "compost",
    "worm_compost",
    "mushroom_compost",
    "leaf_mould",
    "aged_manure",
    "poultry_pellets",
    "coop_litter",
    "peat",
    "coir",
    "potting_mix",
    "raised_bed_mix",
    "composted_bark",
    "perlite",
    "vermiculite",
    "pumice",
    "expanded_clay",
    "crushed_tile",
    "cork",
    "coarse_sand",
    "grit",
    "leaves",
    "straw",
    "hay",
    "grass_clippings",
    "green_trimmings",
    "kitchen_scraps",
    "coffee_grounds",
    "turf",
    "shredded_hardwood",
    "bark_mulch",
    "wood_chips",
    "sawdust",
    "conifer_logs",
    "broadleaf_logs",
    "durable_logs",
    "branches",
    "brush",
    "pea_gravel",
    "gravel_20",
    "scoria",
    "rubble",
    "path_base",
    "blood_meal",
    "bone_meal",
    "feather_meal",
]
SHEET_KEYS = [
    "cardboard",
    "newspaper",
    "geotextile",
    "weed_mat",
    "wicking_fabric",
    "pond_liner",
    "food_film",
    "wire_mesh",
]

SHELF = standard_shelf()


SOURCES = (
    "estimate",
    "NRAES-54, appendix A",
    "Weedon 2009; Herrmann, Kahl and Bauhus 2015",
    "by nature: stone",
    FOLLOWS,
)


def found(words: str) -> list[str]:
    """Keys that words may mean, best first."""
    return [material.key for material in search(SHELF.values(), words)]


def test_every_material_of_the_format_is_on_the_shelf() -> None:
    assert [key for key in BULK_KEYS if key not in SHELF or SHELF[key].is_sheet] == []
    assert [key for key in SHEET_KEYS if key not in SHELF or not SHELF[key].is_sheet] == []


@pytest.mark.parametrize("key", [*SHELF])
def test_each_figure_is_in_its_range_with_its_unit_and_source(key: str) -> None:
    for name, figure in SHELF[key].properties.items():
        assert figure.low <= figure.value <= figure.high, name
        assert figure.unit == UNITS[name]
        assert figure.source.startswith(SOURCES)
        assert figure.is_default


@pytest.mark.parametrize("key", BULK_KEYS)
def test_an_estimate_is_honest_about_its_width(key: str) -> None:
    for name, figure in SHELF[key].properties.items():
        if figure.source == "estimate" and figure.value and name != "loose_factor":
            assert figure.high - figure.low >= 0.1 * figure.value, name


BULK = [key for key, material in SHELF.items() if not material.is_sheet]


@pytest.mark.parametrize("key", BULK)
def test_its_densities_follow_from_grains_pores_and_water(key: str) -> None:
    material, figures = SHELF[key], {name: each.value for name, each in SHELF[key].properties.items()}
    dry, moist, wet = material.dry_density_kg_m3, material.bulk_density_kg_m3, material.saturated_density_kg_m3
    grain = figures["loose_dry_kg_m3"] / (1 - figures["porosity"])
    holds = 1 - dry / grain - material.void_share
    assert dry < moist < wet
    assert moist * (1 - material.moisture) == pytest.approx(dry)
    assert holds > 0
    assert wet == pytest.approx(dry + 1000 * holds)
    assert figures["loose_dry_kg_m3"] * material.loose_factor == pytest.approx(dry)
    assert dry >= figures["loose_dry_kg_m3"] * (1 - 1e-9)


CLOSED_PORES = {"perlite", "vermiculite", "pumice", "expanded_clay", "cork", "biochar", "composted_bark", "scoria"}


@pytest.mark.parametrize("key", BULK)
def test_its_grains_are_those_of_stone_or_of_what_was_alive(key: str) -> None:
    figures = SHELF[key].properties
    grain = figures["loose_dry_kg_m3"].value / (1 - figures["porosity"].value)
    assert 1300 <= grain <= 2650 + 1e-3 or key in CLOSED_PORES
    assert figures["carbon"].value <= 0.5
    assert SHELF[key].grain == "fine" or SHELF[key].void_share > 0


@pytest.mark.parametrize("key", [key for key in BULK if "container_capacity" in SHELF[key].properties])
def test_water_and_air_share_its_pores(key: str) -> None:
    material, figures = SHELF[key], {name: each.value for name, each in SHELF[key].properties.items()}
    soil = soil_of(material)
    assert soil.air_filled is not None and soil.air_filled > 0
    assert soil.air_filled + figures["container_capacity"] == pytest.approx(figures["porosity"])
    assert figures["wilting_point"] < figures["container_capacity"]
    if material.grain == "coarse":
        # what its grains hold once the gaps between them have drained
        grain = figures["loose_dry_kg_m3"] / (1 - figures["porosity"])
        holds = (1 - material.dry_density_kg_m3 / grain - material.void_share) / material.loose_factor
        assert figures["container_capacity"] <= holds + 0.001


def test_no_two_materials_share_all_their_figures() -> None:
    seen: dict[tuple[float, ...], str] = {}
    for key in BULK:
        figures = tuple(each.value for each in SHELF[key].properties.values())
        assert figures not in seen, (key, seen.get(figures))
        seen[figures] = key


@pytest.mark.parametrize(
    ("key", "measured"),
    [
        ("walnut_logs", False), ("cedar_logs", False), ("durable_logs", False), ("aged_manure", False),
        ("broadleaf_logs", True), ("cow_manure", True),
    ],
)  # fmt: skip
def test_a_source_names_a_kind_only_where_it_measured_it(key: str, measured: bool) -> None:
    published = [
        each.source for each in SHELF[key].properties.values() if "NRAES" in each.source or "20" in each.source
    ]
    assert bool(published) == measured


@pytest.mark.parametrize(
    ("key", "low", "high"),
    [
        ("broadleaf_logs", 0.30, 0.40),
        ("conifer_logs", 0.30, 0.40),
        ("branches", 0.6, 0.8),
        ("brush", 0.8, 0.9),
        ("wood_chips", 0.5, 0.6),
        ("gravel_20", 0.35, 0.40),
        ("pea_gravel", 0.35, 0.40),
        ("scoria", 0.45, 0.45),
    ],
)
def test_coarse_layers_have_the_voids_they_are_known_for(key: str, low: float, high: float) -> None:
    assert low <= SHELF[key].void_share <= high


@pytest.mark.parametrize(
    ("key", "low", "high"),
    [
        ("topsoil", 1.10, 1.20),
        ("compost", 1.10, 1.20),
        ("leaves", 2, 3),
        ("straw", 1.5, 2),
        ("wood_chips", 1.05, 1.10),
        ("gravel_20", 1.05, 1.05),
        ("path_base", 1.2, 1.3),
        ("broadleaf_logs", 1.0, 1.0),
    ],
)
def test_loose_is_more_than_placed_by_what_it_is_known_for(key: str, low: float, high: float) -> None:
    assert low <= SHELF[key].loose_factor <= high


@pytest.mark.parametrize(
    ("key", "nitrogen", "c_to_n"),
    [
        ("straw", 0.007, 80),
        ("cow_manure", 0.024, 19),
        ("leaves", 0.009, 54),
        ("grass_clippings", 0.034, 17),
        ("wood_chips", 0.0009, 560),
        ("bark_mulch", 0.0024, 223),
        ("cardboard", 0.0010, 563),
    ],
)
def test_carbon_and_nitrogen_are_those_of_the_table(key: str, nitrogen: float, c_to_n: float) -> None:
    properties = SHELF[key].properties
    # a table's nitrogen and C:N together can ask for more carbon than plants hold: each then gives way by up to 8 %
    assert properties["nitrogen"].value == pytest.approx(nitrogen, rel=0.08)
    assert properties["carbon"].value / properties["nitrogen"].value == pytest.approx(c_to_n, rel=0.08)


@pytest.mark.parametrize(
    ("words", "first"),
    [
        ("loam", "topsoil"),
        ("landscape fabric", "weed_mat"),
        ("weed block", "weed_mat"),
        ("filter fabric", "geotextile"),
        ("felt", "geotextile"),
        ("container mix", "potting_mix"),
        ("Compost", "compost"),
        ("COMPOST", "compost"),
        ("worm castings", "worm_compost"),
        ("black gold", "compost"),
        ("leaf mold", "leaf_mould"),
        ("vermiculte", "vermiculite"),
        ("sticks", "branches"),
        ("fresh horse manure", "horse_manure"),
        ("chicken manure", "poultry_manure"),
        ("cow manure", "cow_manure"),
        ("sheep manure", "sheep_manure"),
        ("rotted manure", "aged_manure"),
        ("greens", "green_trimmings"),
        ("leaves", "leaves"),
        ("pea straw", "legume_straw"),
        ("old straw", "old_straw"),
        ("pine needles", "conifer_needles"),
        ("lime", "lime"),
        ("stone dust", "screenings"),
        ("rice hulls", "husks"),
        ("old potting soil", "used_potting_soil"),
    ],
)
def test_any_of_its_names_finds_it(words: str, first: str) -> None:
    assert found(words)[0] == first


def test_nothing_typed_finds_everything_and_nonsense_nothing() -> None:
    assert found("") == list(SHELF)
    assert found("  ") == list(SHELF)
    assert found("zzzzqqqq") == []


@given(st.sampled_from(sorted(SHELF)))
def test_every_material_is_found_first_by_its_own_name(key: str) -> None:
    assert found(SHELF[key].name)[0] == key


def own(**figures: float) -> Material:
    """Heap compost with figures of its own."""
    return own_material("heap", "Heap", SHELF["compost"], figures, None)


def test_an_own_material_is_like_its_model_save_for_what_is_given() -> None:
    heap = own(bulk_density_kg_m3=700)
    assert heap.bulk_density_kg_m3 == 700
    assert heap.moisture == SHELF["compost"].moisture
    assert heap.properties["bulk_density_kg_m3"].source == YOURS
    assert not heap.properties["bulk_density_kg_m3"].is_default
    assert heap.properties["moisture"].is_default
    assert (heap.like, heap.grain, heap.traits) == ("compost", "fine", SHELF["compost"].traits)


def test_wet_weight_moves_with_the_moist_one_unless_it_is_given() -> None:
    # 420 kg of solids of 1600 kg/m3, and water in all that they leave
    assert own(bulk_density_kg_m3=700).saturated_density_kg_m3 == pytest.approx(420 + 1000 * (1 - 420 / 1600))
    assert own(bulk_density_kg_m3=700, saturated_density_kg_m3=1000).saturated_density_kg_m3 == 1000


def test_a_dry_density_gives_the_moist_one_with_its_water() -> None:
    assert own(dry_density_kg_m3=300, moisture=0.5).bulk_density_kg_m3 == pytest.approx(600)
    assert own(dry_density_kg_m3=300).dry_density_kg_m3 == pytest.approx(300)


def test_whichever_density_is_given_moves_the_others() -> None:
    assert own(loose_dry_kg_m3=300).bulk_density_kg_m3 == pytest.approx(300 * 1.15 / 0.6)
    assert own(bulk_density_kg_m3=800, dry_density_kg_m3=400).moisture == pytest.approx(0.5)
    fluffy = own(porosity=0.9)
    assert fluffy.saturated_density_kg_m3 == pytest.approx(460 + 1000 * (1 - 0.1 * 1.15))
    assert fluffy.properties["saturated_density_kg_m3"].source == FOLLOWS


def test_an_own_material_weighs_in_the_bed_as_it_says() -> None:
    document = zoo.plan(
        zoo.bed(layers=[{"material": "heap", "fill": True}]),
        materials=[{"key": "heap", "like": "compost", "bulk_density_kg_m3": 500}],
    )
    (bed,) = figures_of(document).beds
    assert bed.mass_moist_kg == pytest.approx(500)
    assert bed.layers[0].name == "Compost"


def mix_of(*parts: tuple[str, float]) -> Material:
    """The material that parts by loose volume make."""
    mixes = [{"key": "mix", "parts": [{"material": key, "parts": amount} for key, amount in parts]}]
    _, supplies = planned(zoo.plan(mixes=mixes))
    return supplies.materials["mix"]


def test_a_mix_weighs_what_its_parts_weigh() -> None:
    # a loose m3 of topsoil and one of compost, both fine, make two loose m3 of mix at factor 1.15
    mix = mix_of(("topsoil", 1), ("compost", 1))
    assert mix.bulk_density_kg_m3 == pytest.approx((1322.5 / 0.88 + 460 / 0.6) / 2)
    assert mix.dry_density_kg_m3 == pytest.approx((1322.5 + 460) / 2)
    assert mix.dry_density_kg_m3 < mix.bulk_density_kg_m3 < mix.saturated_density_kg_m3


def test_a_coarse_mix_keeps_its_gaps_in_another_mix() -> None:
    outer = {"key": "outer", "parts": [{"material": "mix", "parts": 2}, {"material": "topsoil", "parts": 2}]}
    inner = {"key": "mix", "parts": [{"material": "perlite", "parts": 1}, {"material": "pumice", "parts": 1}]}
    _, supplies = planned(zoo.plan(mixes=[inner, outer]))
    assert supplies.materials["mix"].grain == "coarse"
    assert supplies.materials["mix"].void_share == pytest.approx((0.4 + 0.28) / 2)
    # 4 parts less half of the lesser of 2 parts of fines and 2 x 0.34 of gaps
    assert supplies.mixes["outer"].recipe["topsoil"] == pytest.approx(2 / (4 - 0.34))
    half_full = mix_of(("gravel_20", 9), ("coarse_sand", 1))
    # 9 x 0.37 of gaps less the sand in them, in 10 - 0.5 parts
    assert half_full.void_share == pytest.approx((9 * 0.37 - 1) / 9.5)


def test_fines_fall_between_coarse_grains_and_the_mix_shrinks() -> None:
    _, supplies = planned(
        zoo.plan(
            mixes=[
                {"key": "mix", "parts": [{"material": "compost", "parts": 2}, {"material": "perlite", "parts": 1}]},
            ]
        )
    )
    # 3 parts less half of the lesser of 2 parts of fines and 0.4 parts of voids
    assert supplies.mixes["mix"].recipe == pytest.approx({"compost": 2 / 2.8, "perlite": 1 / 2.8})


@given(
    st.lists(
        st.tuples(st.sampled_from(["topsoil", "compost", "perlite", "grit"]), st.floats(0.1, 9)), min_size=1, max_size=8
    )
)
def test_parts_scaled_alike_make_the_same_mix(parts: list[tuple[str, float]]) -> None:
    one, other = mix_of(*parts), mix_of(*((key, amount * 3) for key, amount in parts))
    assert one.bulk_density_kg_m3 == pytest.approx(other.bulk_density_kg_m3)
    assert one.loose_factor == pytest.approx(other.loose_factor)


def test_a_mix_carries_what_its_parts_are_known_for() -> None:
    mix = mix_of(("topsoil", 1), ("perlite", 1))
    assert "dusty" in mix.traits
    document = zoo.plan(
        zoo.bed(layers=[{"material": "mix", "fill": True}]),
        mixes=[{"key": "mix", "parts": [{"material": "topsoil", "parts": 1}, {"material": "perlite", "parts": 1}]}],
    )
    assert "no_growing_layer" not in {finding.code for finding in figures_of(document).beds[0].findings}


def test_the_command_line_prints_the_shelf_with_units_ranges_and_sources(capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["shelf", "--json"]) == 0
    printed: dict[str, Any] = json.loads(capsys.readouterr().out)
    assert [row["key"] for row in printed["materials"]] == list(SHELF)
    for row in printed["materials"]:
        for figure in row["properties"].values():
            assert set(figure) == {"value", "unit", "range", "source"}
            assert figure["range"][0] <= figure["value"] <= figure["range"][1]


def test_the_command_line_finds_by_words(capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["shelf", "landscape", "fabric"]) == 0
    printed = capsys.readouterr().out
    assert printed.startswith("Weed mat: weed_mat")
    assert "kg/m2" in printed


def test_a_sheet_has_weight_and_no_volume() -> None:
    (card, _) = bed_of(zoo.bed(layers=[{"material": "cardboard"}, {"material": "topsoil", "fill": True}])).layers
    assert card.placed_m3 == card.loose_m3 == 0
    assert card.mass_moist_kg == pytest.approx(4 * 0.7 * SHELF["cardboard"].mass_per_area_kg_m2)
