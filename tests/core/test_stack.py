"""Layers by depth: every way of saying how much, sheets, voids, and what it weighs."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.core import zoo
from tests.core.ask import bed_of

# The plain bed is 2 x 1 x 0.5 m with no headspace: one metre of depth is two cubic metres.


def test_thickness_volume_share_and_fill_stand_on_one_another() -> None:
    figures = bed_of(zoo.MIXED_AMOUNTS)
    spans = [(layer.bottom_m, layer.top_m) for layer in figures.layers]
    # 0.1 m of branches, 0.1 m3 = 0.05 m of compost leave 0.35 m: a quarter of it leaves, the rest topsoil
    assert spans == [
        (0.0, 0.0),
        (0.0, pytest.approx(0.1)),
        (pytest.approx(0.1), pytest.approx(0.15)),
        (pytest.approx(0.15), pytest.approx(0.2375)),
        (pytest.approx(0.2375), pytest.approx(0.5)),
    ]
    assert figures.over_m == 0
    assert figures.placed_m3 == pytest.approx(figures.fill_volume_m3)


def test_two_halves_fill_the_bed() -> None:
    figures = bed_of(zoo.bed(layers=[{"material": "topsoil", "share": 0.5}, {"material": "compost", "share": 0.5}]))
    assert [layer.top_m for layer in figures.layers] == pytest.approx([0.25, 0.5])
    assert figures.to_fill_m == pytest.approx(0)


def test_a_filling_layer_may_stand_anywhere() -> None:
    layers: list[dict[str, Any]] = [
        {"material": "topsoil", "fill": True},
        {"material": "compost", "thickness_m": 0.1},
        {"material": "bark_mulch", "thickness_m": 0.05},
    ]
    assert [layer.top_m for layer in bed_of(zoo.bed(layers=layers)).layers] == pytest.approx([0.35, 0.45, 0.5])


def test_too_much_keeps_what_was_asked_and_says_how_much_is_over() -> None:
    figures = bed_of(zoo.OVERFULL | {"headspace_m": 0.025})
    thick = [layer.top_m - layer.bottom_m for layer in figures.layers]
    assert thick == pytest.approx([0.4, 0.0, 0.2])
    assert figures.over_m == pytest.approx(0.6 - 0.475)
    assert figures.over_m3 == pytest.approx(2 * 0.125)


def test_packed_voids_add_need_and_weight_but_no_height() -> None:
    figures = bed_of(
        zoo.bed(layers=[{"material": "branches", "thickness_m": 0.2, "infill": {"material": "compost", "share": 0.6}}])
    )
    (branches,) = figures.layers
    # 0.4 m3 of branches, 70 % voids, 60 % of them packed
    assert branches.placed_m3 == pytest.approx(0.4)
    assert branches.infill_m3 == pytest.approx(0.4 * 0.7 * 0.6)
    assert branches.infill_loose_m3 == pytest.approx(0.4 * 0.7 * 0.6 * 1.15)
    assert branches.solid_m3 == pytest.approx(0.4 * 0.3)
    assert figures.mass_moist_kg == pytest.approx(0.4 * 110.5 / 0.65 + 0.168 * 460 / 0.6)


def test_open_voids_swallow_the_lesser_of_voids_and_fines() -> None:
    woody = bed_of(zoo.WOODY)
    # logs 0.4 m3 with 36 % voids under 0.6 m3 of topsoil: the voids are the lesser
    assert woody.vanishing_m3 == pytest.approx(0.4 * 0.36)
    assert woody.void_drop_m == pytest.approx(0.4 * 0.36 / 2)
    little = zoo.bed(layers=[{"material": "brush", "thickness_m": 0.4}, {"material": "topsoil", "thickness_m": 0.02}])
    assert bed_of(little).vanishing_m3 == pytest.approx(0.04)


@pytest.mark.parametrize(("sheet", "vanishing_m3"), [("geotextile", 0.0), ("pond_liner", 0.0), ("cardboard", 0.144)])
def test_fabric_stops_fines_and_card_rots(sheet: str, vanishing_m3: float) -> None:
    logs, soil = zoo.WOODY["layers"]
    figures = bed_of(zoo.bed(layers=[logs, {"material": sheet}, soil]))
    assert figures.vanishing_m3 == pytest.approx(vanishing_m3)


def test_sheets_run_up_the_sides_and_out_past_the_edge() -> None:
    layers = [{"material": "weed_mat", "plies": 2, "up_sides_m": 0.1, "skirt_m": 0.3}]
    (mat,) = bed_of(zoo.bed(layers=layers, wall_m=0.05)).layers
    # inside 2 x 1; outside 2.1 x 1.1; ring (2.7 x 1.7) - (2.1 x 1.1)
    assert mat.sheet_area_m2 == pytest.approx(2 * (2 + 6 * 0.1 + (2.7 * 1.7 - 2.1 * 1.1)))


def test_a_liner_is_one_piece() -> None:
    (liner,) = bed_of(zoo.bed(layers=[{"material": "pond_liner", "up_sides_m": 0.3, "lap_m": 0.15}])).layers
    assert liner.sheet_area_m2 == pytest.approx((2 + 0.6 + 0.3) * (1 + 0.6 + 0.3))


def test_pieces_are_counted_with_their_laps() -> None:
    layers = [{"material": "cardboard", "plies": 2, "lap_m": 0.15, "piece_m": [0.6, 1.0]}]
    (card,) = bed_of(zoo.bed(layers=layers)).layers
    # along 2 m: 0.6 each with laps: ceil(1.85 / 0.45) = 5 by 1 across; the other way 3 x 2 = 6: five, twice
    assert card.pieces == 10
    assert card.sheet_area_m2 == pytest.approx(10 * 0.6)


def test_lifts_share_a_layer_out_evenly() -> None:
    (layer,) = bed_of(zoo.bed(layers=[{"material": "shredded_hardwood", "thickness_m": 0.4, "lifts": 4}])).layers
    assert (layer.lifts, layer.lift_m) == (4, pytest.approx(0.1))
    assert layer.lift_loose_m3 == pytest.approx(0.8 * 1.1 / 4)


def test_mass_is_dry_moist_and_saturated() -> None:
    figures = bed_of(zoo.bed())
    assert figures.mass_moist_kg == pytest.approx(1322.5 / 0.88)
    assert figures.mass_dry_kg == pytest.approx(1322.5)
    # grains of 1150 / 0.48 kg/m3, and water in all that they leave
    assert figures.mass_saturated_kg == pytest.approx(1322.5 + 1000 * (1 - 1322.5 / (1150 / 0.48)))


def test_an_empty_bed_is_all_to_fill() -> None:
    figures = bed_of(zoo.EMPTY)
    assert (figures.placed_m3, figures.to_fill_m, figures.findings) == (0, 0.5, [])


amounts = st.one_of(
    st.floats(0.001, 0.3).map(lambda value: {"thickness_m": value}),
    st.floats(0.001, 0.4).map(lambda value: {"volume_m3": value}),
    st.floats(0, 0.3).map(lambda value: {"share": value}),
)
bulk = st.builds(
    lambda material, amount: {"material": material, **amount},
    st.sampled_from(["topsoil", "compost", "leaves", "branches", "gravel_20"]),
    amounts,
)


@given(st.lists(bulk, max_size=6), st.integers(0, 6))
def test_with_a_filling_layer_volumes_add_up_to_the_fill(layers: list[dict[str, Any]], place: int) -> None:
    layers.insert(min(place, len(layers)), {"material": "topsoil", "fill": True})
    figures = bed_of(zoo.bed(layers=layers))
    assert figures.placed_m3 == pytest.approx(figures.fill_volume_m3 + figures.over_m3, rel=1e-9)
    edges = [edge for layer in figures.layers for edge in (layer.bottom_m, layer.top_m)]
    assert edges == sorted(edges)


@given(st.lists(bulk, min_size=1, max_size=5), st.data())
def test_splitting_a_layer_changes_no_total(layers: list[dict[str, Any]], data: st.DataObject) -> None:
    index = data.draw(st.integers(0, len(layers) - 1))
    key = next(key for key in ("thickness_m", "volume_m3", "share") if key in layers[index])
    half = layers[index] | {key: layers[index][key] / 2}
    whole = bed_of(zoo.bed(layers=layers))
    split = bed_of(zoo.bed(layers=[*layers[:index], half, half, *layers[index + 1 :]]))
    for total in (
        "placed_m3",
        "loose_m3",
        "mass_dry_kg",
        "mass_moist_kg",
        "mass_saturated_kg",
        "vanishing_m3",
        "over_m3",
    ):
        assert getattr(split, total) == pytest.approx(getattr(whole, total), rel=1e-9, abs=1e-12)


@given(st.floats(0.3, 4), st.floats(0.02, 0.2))
def test_scaling_the_whole_bed_scales_every_volume_by_the_cube(k: float, thick: float) -> None:
    def sized(by: float) -> dict[str, Any]:
        layers = [{"material": "branches", "thickness_m": thick * by}, {"material": "topsoil", "fill": True}]
        return zoo.bed(shape=zoo.shape(2 * by, by, 0.5 * by), headspace_m=0.02 * by, layers=layers)

    one, other = bed_of(sized(1)), bed_of(sized(k))
    for total in ("placed_m3", "loose_m3", "mass_moist_kg", "vanishing_m3", "fill_volume_m3"):
        assert getattr(other, total) == pytest.approx(k**3 * getattr(one, total), rel=1e-9)
