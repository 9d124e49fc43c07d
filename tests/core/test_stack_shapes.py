"""Layers by depth in vessels of every shape: amounts, sharing, overfill, packing, sheets, scale."""

from __future__ import annotations

import math
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from nolbet_core.figure.figures import BedFigures
from tests.core import zoo
from tests.core.ask import bed_of, figures_of
from tests.core.shapes import EVERY_SHAPE, WALLED, layers, shape

KINDS = [kind for kind in EVERY_SHAPE if kind != "flat_area"]
GROUND = [kind for kind in KINDS if kind not in WALLED]


def filled(kind: str, stack: list[dict[str, Any]], **bed: Any) -> BedFigures:
    """A bed of a kind with a stack, to its rim."""
    given = {"headspace_m": 0.0} if kind in WALLED else {}
    return bed_of({"key": kind, "shape": shape(kind), "layers": stack, **given, **bed})


@pytest.mark.parametrize("kind", KINDS)
def test_two_halves_fill_a_bed_by_depth_not_by_volume(kind: str) -> None:
    bed = filled(kind, [{"material": "compost", "share": 0.5}, {"material": "topsoil", "share": 0.5}])
    low, high = bed.layers
    assert low.thickness_m == pytest.approx(high.thickness_m)
    assert low.placed_m3 + high.placed_m3 == pytest.approx(bed.inside_volume_m3)
    assert (bed.over_m, bed.to_fill_m) == (0.0, pytest.approx(0, abs=1e-9))


@pytest.mark.parametrize("kind", KINDS)
def test_a_volume_lies_as_high_as_it_comes_to_and_the_rest_is_filled(kind: str) -> None:
    whole = filled(kind, []).inside_volume_m3
    bed = filled(kind, [{"material": "compost", "volume_m3": whole / 3}, {"material": "topsoil", "fill": True}])
    compost, soil = bed.layers
    assert compost.placed_m3 == pytest.approx(whole / 3, rel=1e-8)
    assert soil.placed_m3 == pytest.approx(whole * 2 / 3, rel=1e-8)
    assert compost.top_m == pytest.approx(soil.bottom_m)


@pytest.mark.parametrize("kind", WALLED)
def test_an_overfull_vessel_stands_over_its_rim_on_the_rims_area(kind: str) -> None:
    empty = filled(kind, [])
    deep = empty.rim_m + 0.1
    bed = filled(kind, [{"material": "topsoil", "thickness_m": deep}, {"material": "compost", "fill": True}])
    soil, compost = bed.layers
    assert bed.over_m == pytest.approx(0.1)
    assert bed.over_m3 == pytest.approx(0.1 * empty.top_area_m2)
    assert soil.placed_m3 == pytest.approx(empty.inside_volume_m3 + bed.over_m3)
    assert compost.placed_m3 == 0
    assert "over_rim" in {finding.code for finding in bed.findings}


@pytest.mark.parametrize("kind", ["hipped_mound", "round_mound"])
def test_a_mound_given_more_than_it_holds_grows_outwards(kind: str) -> None:
    empty = filled(kind, [])
    stack = [
        {"material": "broadleaf_logs", "volume_m3": empty.inside_volume_m3},
        {"material": "topsoil", "thickness_m": 0.1},
    ]
    bed = filled(kind, stack)
    assert bed.over_m == pytest.approx(0.1, abs=1e-9)
    soil = bed.layers[1]
    # a coat of 10 cm over the whole mound: more than its surface times that, since it grows outwards
    assert soil.placed_m3 > 0.1 * empty.top_area_m2
    assert bed.over_m3 == pytest.approx(soil.placed_m3, rel=1e-6)


@pytest.mark.parametrize("kind", KINDS)
def test_packing_takes_its_share_of_the_voids_wherever_the_layer_lies(kind: str) -> None:
    packed = {"material": "branches", "thickness_m": 0.1, "infill": {"material": "compost", "share": 0.5}}
    bed = filled(kind, [{"material": "topsoil", "thickness_m": 0.05}, packed, {"material": "topsoil", "fill": True}])
    branches = bed.layers[1]
    assert branches.infill_m3 == pytest.approx(branches.placed_m3 * branches.void_share * 0.5)
    assert branches.vanishing_m3 <= branches.void_m3 - branches.infill_m3 + 1e-12


@pytest.mark.parametrize("kind", WALLED)
def test_a_sheet_covers_the_floor_it_lies_on_and_runs_up_the_sides(kind: str) -> None:
    flat, up = (
        filled(kind, [{"material": "geotextile", "up_sides_m": run}, {"material": "topsoil", "fill": True}]).layers[0]
        for run in (0.0, 0.1)
    )
    assert up.sheet_area_m2 > flat.sheet_area_m2
    double = filled(kind, [{"material": "geotextile", "plies": 2}, {"material": "topsoil", "fill": True}]).layers[0]
    assert double.sheet_area_m2 == pytest.approx(2 * flat.sheet_area_m2)


def test_a_sheet_high_in_a_tub_is_larger_than_one_at_its_floor() -> None:
    stack = [{"material": "geotextile"}, {"material": "topsoil", "fill": True}, {"material": "geotextile"}]
    floor, _, top = filled("round_tub", stack).layers
    assert floor.sheet_area_m2 == pytest.approx(math.pi * 0.04)
    assert top.sheet_area_m2 == pytest.approx(math.pi * 0.275**2)


def test_a_liner_in_a_round_tank_is_cut_from_a_square() -> None:
    liner = filled("circle", [{"material": "pond_liner", "up_sides_m": 0.3, "lap_m": 0.15}]).layers[0]
    assert liner.sheet_area_m2 == pytest.approx((1.2 + 0.6 + 0.3) ** 2)


@pytest.mark.parametrize("kind", list(EVERY_SHAPE))
def test_a_bed_k_times_as_large_holds_k_cubed_times_as_much(kind: str) -> None:
    k = 1.5

    def grown(measures: dict[str, Any]) -> dict[str, Any]:
        return {
            key: [[x * k, y * k] for x, y in at] if key == "corners_m" else at * k if key.endswith("_m") else at
            for key, at in measures.items()
        }

    def stack(scale: float) -> list[dict[str, Any]]:
        return [
            {**layer, "thickness_m": layer["thickness_m"] * scale} if "thickness_m" in layer else layer
            for layer in layers(kind)
        ]

    room = {"headspace_m": 0.02} if kind in WALLED else {}
    one = bed_of({"key": "a", "shape": shape(kind), "layers": stack(1), **room})
    large = bed_of(
        {"key": "a", "shape": grown(shape(kind)), "layers": stack(k), **{key: k * at for key, at in room.items()}}
    )
    for small, big in zip(one.layers, large.layers, strict=True):
        assert big.placed_m3 == pytest.approx(k**3 * small.placed_m3, rel=1e-7, abs=1e-12)
        assert big.cover_m2 == pytest.approx(k**2 * small.cover_m2, rel=1e-7)
    assert large.mass_saturated_kg == pytest.approx(
        k**3 * one.mass_saturated_kg,
        rel=0.02,  # the sheets weigh by their area
    )


amounts = st.lists(st.sampled_from(["topsoil", "compost", "branches", "leaves"]), min_size=1, max_size=5)


@pytest.mark.parametrize("kind", KINDS)
@settings(max_examples=12, deadline=None)
@given(names=amounts, shares=st.lists(st.floats(0.02, 0.2), min_size=5, max_size=5), at=st.integers(0, 5))
def test_any_stack_with_one_that_fills_adds_up_to_the_bed(
    kind: str, names: list[str], shares: list[float], at: int
) -> None:
    stack: list[dict[str, Any]] = [
        {"material": name, "share": share} for name, share in zip(names, shares, strict=False)
    ]
    stack.insert(min(at, len(stack)), {"material": "raised_bed_mix", "fill": True})
    bed = filled(kind, stack)
    assert sum(layer.placed_m3 for layer in bed.layers) == pytest.approx(bed.fill_volume_m3, rel=1e-8)
    tops = [layer.top_m for layer in bed.layers]
    assert tops == sorted(tops)
    assert bed.over_m == 0


@pytest.mark.parametrize("kind", list(EVERY_SHAPE))
def test_needs_are_those_of_all_alike(kind: str) -> None:
    one = {"key": kind, "shape": shape(kind), "layers": layers(kind)}
    needs = figures_of(zoo.plan(one | {"count": 4})).needs
    single = figures_of(zoo.plan(one)).needs
    for four, each in zip(needs, single, strict=True):
        assert four.loose_m3 == pytest.approx(4 * each.loose_m3)
        assert four.area_m2 == pytest.approx(4 * each.area_m2)


@pytest.mark.parametrize("kind", GROUND)
def test_what_lies_on_or_in_the_ground_keeps_no_headspace(kind: str) -> None:
    bed = bed_of({"key": kind, "shape": shape(kind), "layers": [{"material": "topsoil", "fill": True}]})
    assert bed.fill_volume_m3 == pytest.approx(bed.inside_volume_m3)
    assert bed.layers[0].top_m == pytest.approx(bed.rim_m)
    assert "headspace_small" not in {finding.code for finding in bed.findings}


@pytest.mark.parametrize("kind", WALLED)
def test_vessels_keep_25_mm_of_headspace_unless_they_say_otherwise(kind: str) -> None:
    bed = bed_of({"key": kind, "shape": shape(kind), "layers": [{"material": "topsoil", "fill": True}]})
    assert bed.rim_m - bed.line_m == pytest.approx(0.025)
    assert bed.layers[0].top_m == pytest.approx(bed.line_m)
    assert bed.inside_volume_m3 - bed.fill_volume_m3 == pytest.approx(0.025 * bed.top_area_m2, rel=0.05)
