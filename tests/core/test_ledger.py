"""One ledger of matter: in any stack, for ten years, nothing appears and nothing vanishes but what rots."""

from __future__ import annotations

import math
from collections import defaultdict
from collections.abc import Iterable
from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.built.plan_file import read_plan
from nolbet_core.built.surroundings import surroundings_of
from nolbet_core.built.worked import WorkedBed, worked_bed
from nolbet_core.nutrients.ledger import carbon_to_nitrogen
from nolbet_core.settling.accounts import RAN_BY_MONTH, RUNS_DOWN
from nolbet_core.settling.clock import MONTHS, steady
from nolbet_core.settling.curve import remaining_shares
from nolbet_core.settling.matter import Matter, matter_by_layer
from nolbet_core.shelf.library import standard_shelf
from nolbet_core.stack.contents import held_in
from nolbet_core.stack.layers import Bulk
from tests.core import zoo

SHELF = standard_shelf()
MIX = {
    "key": "blend",
    "parts": [
        {"material": "topsoil", "parts": 2},
        {"material": "compost", "parts": 1},
        {"material": "perlite", "parts": 1},
    ],
}
STUFF = ("topsoil", "compost", "leaves", "straw", "branches", "broadleaf_logs", "wood_chips", "gravel_20", "blend")


@st.composite
def layers(draw: st.DrawFn) -> dict[str, Any]:
    """A layer of anything: a bulk one packed or fed or neither, or a sheet."""
    key = draw(st.sampled_from((*STUFF, "cardboard", "geotextile")))
    if key in SHELF and SHELF[key].is_sheet:
        return {"material": key, "plies": draw(st.integers(1, 3))}
    layer: dict[str, Any] = {"material": key, "thickness_m": draw(st.floats(0.02, 0.3))}
    if key in SHELF and SHELF[key].takes_fines and draw(st.booleans()):
        layer["infill"] = {
            "material": draw(st.sampled_from(("topsoil", "compost", "blend"))),
            "share": draw(st.floats(0, 1)),
        }
    if draw(st.booleans()):
        layer["amendment"] = {"material": "blood_meal", "mass_kg": draw(st.floats(0.05, 2.0))}
    return layer


def worked(stack: list[dict[str, Any]]) -> WorkedBed:
    """A deep box with a stack in it, at 9.5 degrees."""
    bed = zoo.bed(shape=zoo.shape(2, 1.1, 3.0), layers=stack)
    built = read_plan(zoo.plan(bed, mixes=[MIX], garden={"name": "Here", "mean_temp_c": 9.5}))
    return worked_bed(built.beds[0], surroundings_of(built.plan.garden), built.supplies.materials)


def sums(matter: Iterable[tuple[Matter, ...]]) -> dict[str, Matter]:
    """All layers' matter by material."""
    by_key: dict[str, list[float]] = defaultdict(lambda: [0.0] * 5)
    kinds = {}
    for each in (each for layer in matter for each in layer):
        kinds[each.material.key] = each.material
        figures = (each.mineral_kg, each.organic_kg, each.carbon_kg, each.nitrogen_kg, each.freed_kg)
        by_key[each.material.key] = [one + other for one, other in zip(by_key[each.material.key], figures, strict=True)]
    return {key: Matter(kinds[key], *figures) for key, figures in by_key.items()}


STACKS = st.lists(layers(), min_size=1, max_size=6)


@given(STACKS, st.integers(1, MONTHS))
def test_minerals_stay_and_what_was_alive_goes_by_its_own_rate(stack: list[dict[str, Any]], month: int) -> None:
    bed = worked(stack)
    clock = bed.settling.clock
    before, after = (sums(matter_by_layer(bed.filled, clock, then)) for then in (0, month))
    for key, laid in before.items():
        _, stays, decay = laid.material.settling
        left = stays + (1 - stays) * math.exp(-decay * clock.mean * month / 12)
        now = after[key]
        assert now.mineral_kg == pytest.approx(laid.mineral_kg)
        assert now.organic_kg == pytest.approx(laid.organic_kg * left)
        assert now.carbon_kg == pytest.approx(laid.carbon_kg * left)
        assert now.nitrogen_kg + now.freed_kg == pytest.approx(laid.nitrogen_kg)


@given(STACKS)
def test_what_is_weighed_and_what_feeds_is_what_lies_there(stack: list[dict[str, Any]]) -> None:
    bed = worked(stack)
    matter = [each for layer in matter_by_layer(bed.filled, bed.settling.clock, 0) for each in layer]
    scattered = sum(held.dry_kg for layer in bed.filled.layers for held in held_in(layer) if held.scattered)
    assert sum(each.solids_kg for each in matter) == pytest.approx(bed.filled.mass_dry_kg + scattered)
    nitrogen = sum(each.nitrogen_kg for each in matter)
    ratio = carbon_to_nitrogen(bed.filled.layers)
    assert (ratio is None) == (nitrogen == 0)
    if ratio is not None:
        assert sum(each.carbon_kg for each in matter) / nitrogen == pytest.approx(ratio)


@given(STACKS)
def test_nitrogen_freed_in_a_season_is_what_rotting_gives(stack: list[dict[str, Any]]) -> None:
    bed = worked(stack)
    given_kg = sum(each.gives_kg for each in bed.feeding.ledger)
    held = [held for layer in bed.filled.layers for held in held_in(layer) if not held.scattered]
    # all carbon rots here, the staying share with it
    factor = bed.feeding.season_factor
    freed = sum(
        each.dry_kg * each.material.nitrogen * (1 - math.exp(-each.material.decay_per_year * factor * 0.5))
        for each in held
        if each.material.carbon
    )
    assert given_kg == pytest.approx(freed)
    season = bed.feeding.season
    assert 0 <= season.left_kg <= season.supply_kg + season.scattered_kg + 1e-12
    assert season.short_kg <= season.wanted_kg


@given(STACKS)
def test_water_fills_the_pores_that_hold_and_no_more(stack: list[dict[str, Any]]) -> None:
    for layer in worked(stack).filled.layers:
        if layer.material.is_sheet:
            continue
        water = layer.mass_saturated_kg - layer.mass_dry_kg
        solids = layer.mass_dry_kg / (
            layer.material.properties["loose_dry_kg_m3"].value if layer.material.key in SHELF else 1
        )
        assert layer.mass_dry_kg <= layer.mass_moist_kg <= layer.mass_saturated_kg + 1e-9
        assert 0 < water < layer.placed_m3 * 1000
        if layer.material.key in SHELF:
            porosity = layer.material.properties["porosity"].value
            pores = layer.placed_m3 - solids * (1 - porosity)
            assert water == pytest.approx(1000 * (pores - layer.void_m3))


@given(STACKS)
def test_the_surface_never_stands_below_what_is_left_of_solids_and_packing(stack: list[dict[str, Any]]) -> None:
    bed = worked(stack)
    clock, area_m2 = bed.settling.clock, 2 * 1.1
    least = np.zeros(MONTHS + 1)
    ran = RUNS_DOWN[1] * RAN_BY_MONTH
    gone = [sum(run.volume_m3 for run in bed.filled.runs if run.donor == i) for i in range(len(bed.filled.layers))]
    for index, layer in enumerate(bed.filled.layers):
        if layer.material.is_sheet:
            continue
        frame = remaining_shares(layer.material, clock)
        least += (layer.solid_m3 - gone[index] * ran * layer.solid_m3 / layer.placed_m3) * frame
        if isinstance(layer.asked, Bulk) and layer.asked.infill:
            least += layer.infill_m3 * remaining_shares(layer.asked.infill.material, clock)
    surface = np.array(bed.settling.surface_m) * area_m2
    assert np.all(surface >= least - 1e-9)
    assert surface[0] == pytest.approx(sum(layer.placed_m3 for layer in bed.filled.layers))


def test_fines_take_their_matter_with_them() -> None:
    bed = worked([{"material": "branches", "thickness_m": 0.2}, {"material": "topsoil", "thickness_m": 0.3}])
    (branches, soil) = matter_by_layer(bed.filled, steady(1.0), 12)
    # 0.44 m3 of branches have 0.308 m3 of gaps: half of it runs in, all but e^(-1 / 0.15) of that within a year
    ran_m3 = 0.5 * 0.308 * (1 - math.exp(-1 / 0.15))
    assert [each.material.key for each in branches] == ["branches", "topsoil"]
    assert branches[1].solids_kg == pytest.approx(ran_m3 * 1322.5)
    assert soil[0].solids_kg == pytest.approx((0.66 - ran_m3) * 1322.5)
