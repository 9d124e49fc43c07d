"""Properties of what is to come: sinking, feeding and topping up hold over random beds."""

from __future__ import annotations

from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.built.plan_file import read_plan
from nolbet_core.figure.forecast import figure_forecast, figure_sunken
from nolbet_core.settling.clock import steady
from nolbet_core.settling.curve import remaining_shares
from nolbet_core.settling.spread import plain_materials
from nolbet_core.shelf.library import standard_shelf
from tests.core import zoo
from tests.core.ask import bed_of, figures_of, planned
from tests.core.shapes import EVERY_SHAPE, layers, shape

SHELF = standard_shelf()
EVEN = steady(1.0)
ROTS = sorted(key for key, material in SHELF.items() if material.decay_per_year > 0 and not material.is_sheet)
STACKS = st.lists(st.tuples(st.sampled_from(ROTS), st.floats(0.02, 0.25)), min_size=1, max_size=5)

Stack = list[tuple[str, float]]


def stacked(stack: Stack, **changes: Any) -> dict[str, Any]:
    """A deep bed of layers."""
    laid = [{"material": key, "thickness_m": thick_m} for key, thick_m in stack]
    return zoo.bed(shape=zoo.shape(2, 1, 1.5), layers=laid, **changes)


def parted(stack: Stack) -> dict[str, Any]:
    """The same with fabric between the layers, so that nothing runs down from one into another."""
    bed = stacked(stack)
    fabric = {"material": "geotextile"}
    return bed | {"layers": [part for layer in bed["layers"] for part in (layer, fabric)]}


@given(STACKS, st.floats(-5, 30), st.floats(0.5, 10))
def test_a_warmer_bed_never_lies_higher(stack: Stack, temp_c: float, warmer: float) -> None:
    def surface(mean_temp_c: float) -> list[float]:
        garden = {"name": "Ground", "mean_temp_c": mean_temp_c}
        return figures_of(zoo.plan(stacked(stack), garden=garden)).beds[0].surface_m

    cool, warm = surface(temp_c), surface(temp_c + warmer)
    assert all(late <= early + 1e-12 for early, late in zip(cool, warm, strict=True))


@given(STACKS)
def test_the_surface_is_the_sum_of_its_layers(stack: Stack) -> None:
    surface = np.array(bed_of(parted(stack)).surface_m)
    apart = sum(np.array(bed_of(stacked([layer])).surface_m) for layer in stack)
    assert surface.tolist() == pytest.approx(np.array(apart).tolist())


@given(STACKS)
def test_the_order_of_layers_moves_contact_and_not_carbon(stack: Stack) -> None:
    one, other = bed_of(parted(stack)), bed_of(parted(stack[::-1]))
    assert one.c_to_n == pytest.approx(other.c_to_n)
    assert one.surface_m == pytest.approx(other.surface_m)
    assert sum(layer.nitrogen_kg for layer in one.layers) == pytest.approx(
        sum(layer.nitrogen_kg for layer in other.layers)
    )


@given(STACKS)
def test_compost_on_top_never_widens_the_gap(stack: Stack) -> None:
    under = stacked([*stack, ("topsoil", 0.3)])
    richer = under | {"layers": [*under["layers"][:-1], {"material": "compost", "thickness_m": 0.3}]}
    assert bed_of(richer).nitrogen_gap_kg <= bed_of(under).nitrogen_gap_kg + 1e-12


@given(STACKS, st.floats(0.01, 2.0))
def test_a_meal_gives_what_it_says(stack: Stack, mass_kg: float) -> None:
    bed = stacked(stack)
    fed = [bed["layers"][0] | {"amendment": {"material": "blood_meal", "mass_kg": mass_kg}}, *bed["layers"][1:]]
    bare_bed, fed_bed = bed_of(bed), bed_of(bed | {"layers": fed})
    more = fed_bed.layers[0].nitrogen_kg - bare_bed.layers[0].nitrogen_kg
    assert 0.08 * mass_kg < more < 0.12 * mass_kg
    assert fed_bed.nitrogen_gap_kg == pytest.approx(
        max(bare_bed.nitrogen_gap_kg - more, 0.0), abs=2e-3 + 0.12 * mass_kg
    )
    assert fed_bed.nitrogen_gap_kg <= bare_bed.nitrogen_gap_kg


@pytest.mark.parametrize("kind", EVERY_SHAPE)
def test_layers_stay_on_one_another_and_sink_month_by_month(kind: str) -> None:
    plan, supplies = planned(zoo.plan({"key": kind, "shape": shape(kind), "layers": layers(kind)}))
    before = None
    for month in (0, 1, 6, 24, 120):
        sunken = figure_sunken(plan, plan.beds[0], supplies, month)
        for low, high in zip(sunken.layers, sunken.layers[1:], strict=False):
            assert high.bottom_m == pytest.approx(low.top_m, abs=1e-6)
        tops = [layer.top_m for layer in sunken.layers]
        assert before is None or all(now <= then + 1e-9 for now, then in zip(tops, before, strict=True))
        before = tops


@given(STACKS)
def test_a_top_up_each_spring_makes_up_for_what_went(stack: Stack) -> None:
    plan, supplies = planned(zoo.plan(parted(stack)))
    coming = figure_forecast(plan, plan.beds[0], supplies)
    total = sum(spring.top_up_m3 for spring in coming.springs)
    sunk_m3 = 2.0 * (bed_of(parted(stack)).surface_m[0] - coming.springs[-1].surface_m)
    assert total >= sunk_m3 - 1e-9
    assert coming.springs[0].top_up_m3 == pytest.approx(
        2.0 * sum(thick * (1 - float(remaining_shares(SHELF[key], EVEN)[6])) for key, thick in stack)
    )


def test_mixes_are_drawn_by_their_parts() -> None:
    mix = {"key": "half", "parts": [{"material": "topsoil", "parts": 1}, {"material": "compost", "parts": 3}]}
    _, supplies = planned(zoo.plan(zoo.bed(layers=[{"material": "half", "fill": True}]), mixes=[mix]))
    plain, shares = plain_materials([supplies.materials["half"], SHELF["compost"]])
    assert [material.key for material in plain] == ["topsoil", "compost"]
    assert shares.tolist() == [pytest.approx([0.25, 0.75]), [0.0, 1.0]]


NEW_KEYS: list[tuple[dict[str, Any], str]] = [
    ({"built_on": "17 October"}, "built_on"),
    ({"built_on": "2026-13-01"}, "built_on"),
    ({"dampness": "soggy"}, "dampness"),
    ({"roots": "tap"}, "roots"),
    ({"set_aside": [{"layers": []}]}, "set_aside[0].name"),
    ({"set_aside": [{"name": "Way", "layers": [], "depth": 1}]}, "set_aside[0].depth"),
    ({"layers": [{"material": "topsoil", "fill": True, "roll_width_m": 1.0}]}, "layers[0].roll_width_m"),
    ({"layers": [{"material": "cardboard", "on_hand": -1, "piece_m": [1, 1]}]}, "layers[0].on_hand"),
    ({"layers": [{"material": "topsoil", "fill": True, "amendment": {"material": "compost"}}]}, "mass_kg"),
    (
        {"layers": [{"material": "topsoil", "fill": True, "amendment": {"material": "compost", "mass_kg": 0}}]},
        "mass_kg",
    ),
]


@pytest.mark.parametrize(("change", "path"), NEW_KEYS)
def test_what_breaks_the_format_is_named(change: dict[str, Any], path: str) -> None:
    with pytest.raises(ValueError, match=path.replace("[", r"\[").replace("]", r"\]")):
        read_plan(zoo.plan(zoo.bed(**change)))
