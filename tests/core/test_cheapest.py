"""The cheapest mix that fits: no grid point and no random recipe beats it; what cannot be is named."""

from __future__ import annotations

from itertools import product
from typing import Any

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from nolbet_core.blend.batch import Bag, Heap, batch
from nolbet_core.blend.cheapest import Recipe, cheapest
from nolbet_core.blend.mix import Part, blend, yield_volume
from nolbet_core.blend.programme import Component
from nolbet_core.blend.soil import Soil, soil_of
from nolbet_core.blend.target import USUAL_TARGETS, MixUse, Target
from nolbet_core.shelf.library import standard_shelf

SHELF = standard_shelf()
PRICES = {
    "topsoil": 42.0, "compost": 55.0, "coarse_sand": 52.0, "perlite": 270.0, "coir": 240.0, "peat": 130.0,
    "composted_bark": 120.0, "grit": 300.0, "leaf_mould": 90.0, "sawdust": 10.0,
}  # fmt: skip


def components(*keys: str) -> list[Component]:
    """What may go in, at its price."""
    return [Component(SHELF[key], PRICES[key]) for key in keys or PRICES]


def soil_from(found: Recipe) -> Soil:
    """What a recipe found is like, mixed."""
    parts = [Part(each.material, v) for each, v in zip(found.components, found.volumes, strict=True) if v > 1e-9]
    return soil_of(blend("found", "Found", parts).material)


def fits(soil: Soil, target: Target, slack: float = 1e-6) -> bool:
    """Whether a soil lies within all bands."""
    assert soil.air_filled is not None and soil.water_held is not None and soil.ph is not None
    return (
        target.air_filled[0] - slack <= soil.air_filled <= target.air_filled[1] + slack
        and target.water_held[0] - slack <= soil.water_held <= target.water_held[1] + slack
        and target.ph[0] - slack <= soil.ph <= target.ph[1] + slack
        and (target.c_to_n_most is None or (soil.c_to_n or 0.0) <= target.c_to_n_most + slack * 100)
        and (target.rise_least_m is None or soil.rise_m >= target.rise_least_m - slack)
        and soil.compost_share <= target.compost_most + slack
        and (
            target.organic_matter is None
            or target.organic_matter[0] - slack <= soil.organic_matter <= target.organic_matter[1] + slack
        )
    )


@pytest.mark.parametrize("use", sorted(USUAL_TARGETS))
def test_what_is_found_lies_within_all_bands_with_its_loss_on_mixing(use: MixUse) -> None:
    found = cheapest(components(), USUAL_TARGETS[use])
    assert found is not None
    assert found.missed == ()
    assert fits(soil_from(found), USUAL_TARGETS[use])
    made = yield_volume([Part(each.material, v) for each, v in zip(found.components, found.volumes, strict=True)])
    assert made == pytest.approx(1.0)


GRID: list[tuple[MixUse, tuple[str, ...]]] = [
    ("deep_container", ("topsoil", "compost", "perlite", "composted_bark")),
    ("moist_herb", ("topsoil", "compost", "coir", "perlite")),
    ("dry_herb", ("topsoil", "grit", "coarse_sand", "compost")),
]


@pytest.mark.parametrize(("use", "keys"), GRID)
def test_no_point_of_a_one_per_cent_grid_is_cheaper(use: MixUse, keys: tuple[str, ...]) -> None:
    target, found = USUAL_TARGETS[use], cheapest(components(*keys), USUAL_TARGETS[use])
    assert found is not None
    assert found.missed == ()
    whole = range(101)
    grid = np.array([(a, b, c, 100 - a - b - c) for a, b, c in product(whole, whole, whole) if a + b + c <= 100]) / 100
    column = {
        name: np.array([SHELF[key].soil_figure(name) for key in keys], dtype=float)
        for name in ("porosity", "container_capacity", "ph")
    }
    fine = np.array([SHELF[key].grain == "fine" for key in keys])
    voids = np.array([0.0 if SHELF[key].grain == "fine" else SHELF[key].void_share for key in keys])
    made = 1 - 0.5 * np.minimum(grid @ fine, grid @ voids)
    water = grid @ column["container_capacity"] / made
    air = 1 - grid @ (1 - column["porosity"]) / made - water
    dry = np.array([SHELF[key].soil_figure("loose_dry_kg_m3") for key in keys], dtype=float)
    organic = np.array([1.724 * SHELF[key].carbon for key in keys])
    buffers = dry * (1 + 20 * organic)
    ph = grid @ (buffers * column["ph"]) / (grid @ buffers)
    inside = (air >= target.air_filled[0]) & (air <= target.air_filled[1])
    inside &= (water >= target.water_held[0]) & (water <= target.water_held[1])
    inside &= (ph >= target.ph[0]) & (ph <= target.ph[1])
    if target.organic_matter:
        share = grid @ (dry * organic) / (grid @ dry)
        inside &= (share >= target.organic_matter[0]) & (share <= target.organic_matter[1])
    inside &= grid @ np.array([key == "compost" for key in keys]) <= target.compost_most
    prices = grid @ np.array([PRICES[key] for key in keys]) / made
    assert inside.any()
    assert prices[inside].min() >= found.price_per_m3 - 1e-6
    assert prices[inside].min() <= found.price_per_m3 * 1.05


@settings(max_examples=150, deadline=None)
@given(
    st.sampled_from(sorted(USUAL_TARGETS)),
    st.lists(st.floats(0, 1), min_size=len(PRICES) - 1, max_size=len(PRICES) - 1),
)
def test_no_random_recipe_that_fits_is_cheaper(use: MixUse, shares: list[float]) -> None:
    keys = [key for key in PRICES if key != "sawdust"]
    parts = [Part(SHELF[key], share) for key, share in zip(keys, shares, strict=True)]
    if sum(shares) < 1e-3 or not fits(soil_of(blend("r", "R", parts).material), USUAL_TARGETS[use], 0.0):
        return
    price = sum(PRICES[part.material.key] * part.parts for part in parts) / yield_volume(parts)
    found = cheapest(components(*keys), USUAL_TARGETS[use])
    assert found is not None
    assert found.price_per_m3 <= price + 1e-6


@pytest.mark.parametrize(
    ("change", "keys", "band"),
    [
        ({"water_held": (0.85, 0.95)}, ("topsoil", "compost", "perlite"), "water_held"),
        ({"air_filled": (0.6, 0.7)}, ("topsoil", "compost", "perlite"), "air_filled"),
        ({"ph": (9.0, 9.5)}, ("topsoil", "compost"), "ph"),
        ({"rise_least_m": 0.5}, ("topsoil", "compost", "coir"), "rise_m"),
        ({"c_to_n_most": 3.0}, ("topsoil", "compost"), "c_to_n"),
    ],
)
def test_a_target_that_cannot_be_met_names_its_band(change: dict[str, Any], keys: tuple[str, ...], band: str) -> None:
    wide: dict[str, Any] = {"air_filled": (0.0, 1.0), "water_held": (0.0, 1.0), "ph": (2.0, 11.0)}
    target = Target(**(wide | change))
    found = cheapest(components(*keys), target)
    assert found is not None
    assert found.missed == (band,)
    assert sum(found.volumes) > 0


def test_the_nearest_miss_is_as_near_as_can_be() -> None:
    target = Target((0.0, 1.0), (0.85, 0.95), (2.0, 11.0), compost_most=1.0)
    found = cheapest(components("topsoil", "compost", "perlite"), target)
    assert found is not None
    # of these compost holds the most by itself, and perlite fills up with it: 0.52 and 0.28 over 1 - 0.2
    assert soil_from(found).water_held == pytest.approx(0.52 / 1.0, abs=0.06)
    assert max(zip(found.volumes, found.components, strict=True))[1].material.key == "compost"


def test_fresh_wood_stays_out_of_what_seed_is_sown_in() -> None:
    found = cheapest(components(), USUAL_TARGETS["seed_sowing"])
    assert found is not None
    assert "sawdust" not in {each.material.key for each in found.components}


def test_limits_and_heaps_hold() -> None:
    held = [
        Component(SHELF["topsoil"], 42.0),
        Component(SHELF["compost"], 0.0, 0.2),
        Component(SHELF["compost"], 55.0),
        Component(SHELF["coir"], 240.0, None, 0.1, 0.3),
    ]
    found = cheapest(held, USUAL_TARGETS["raised_bed"], 2.0)
    assert found is not None
    whole = sum(found.volumes)
    assert found.volumes[1] == pytest.approx(0.1)
    assert 0.1 - 1e-9 <= found.volumes[3] / whole <= 0.3 + 1e-9


def test_nothing_to_mix_is_nothing() -> None:
    assert cheapest([Component(SHELF["leaves"], 1.0)], USUAL_TARGETS["raised_bed"]) is None
    assert batch([], [], USUAL_TARGETS["raised_bed"], 0.1) is None


BAGS = [
    Bag(SHELF["topsoil"], 0.02, 4.0), Bag(SHELF["compost"], 0.04, 6.0), Bag(SHELF["coir"], 0.07, 17.0),
    Bag(SHELF["perlite"], 0.1, 27.0),
]  # fmt: skip


def test_a_batch_in_whole_bags_is_the_cheapest_that_counting_finds() -> None:
    target = USUAL_TARGETS["moist_herb"]
    made = batch(BAGS, [], target, 0.12)
    assert made is not None
    assert made.proven
    assert made.made_m3 >= 0.12 - 1e-9
    parts = [Part(SHELF[key], volume) for key, volume in made.volumes.items()]
    assert fits(soil_of(blend("b", "B", parts).material), target, 1e-5)
    for key, volume in made.volumes.items():
        bought = sum(n * bag.volume_m3 for n, bag in zip(made.counts, BAGS, strict=True) if bag.material.key == key)
        assert volume <= bought + 1e-9
        assert made.left_m3.get(key, 0.0) == pytest.approx(bought - volume, abs=1e-8)
    prices = [bag.price for bag in BAGS]
    for counts in product(range(8), range(4), range(3), range(2)):
        price = sum(n * each for n, each in zip(counts, prices, strict=True))
        if price < made.price - 1e-6:
            assert not _can(counts, target, 0.12)


def _can(counts: tuple[int, ...], target: Target, volume_m3: float) -> bool:
    """Whether those bags make the volume: the linear programme with each material as far as its bags go."""
    there = [Component(bag.material, 0.0, n * bag.volume_m3) for n, bag in zip(counts, BAGS, strict=True) if n > 0]
    if not there:
        return False
    found = cheapest(there, target, volume_m3)
    return found is not None and not found.missed


def test_what_is_on_hand_goes_in_before_bags_are_bought() -> None:
    target = USUAL_TARGETS["raised_bed"]
    bought, helped = (
        batch(BAGS, [], target, 0.1),
        batch(BAGS, [Heap(SHELF["topsoil"], 0.5), Heap(SHELF["compost"], 0.5)], target, 0.1),
    )
    assert bought is not None and helped is not None
    assert helped.price < bought.price
    assert helped.counts == (0, 0, 0, 0)


@settings(max_examples=40, deadline=None)
@given(st.sampled_from(sorted(USUAL_TARGETS)), st.sampled_from(sorted(PRICES)), st.floats(0.2, 5.0))
def test_more_to_choose_from_and_lower_prices_never_cost_more(use: MixUse, key: str, times: float) -> None:
    target = USUAL_TARGETS[use]
    every = cheapest(components(), target)
    fewer = cheapest([each for each in components() if each.material.key != key], target)
    scaled = cheapest([Component(each.material, each.price_per_m3 * times) for each in components()], target)
    assert every is not None and fewer is not None and scaled is not None
    if not fewer.missed:
        assert every.price_per_m3 <= fewer.price_per_m3 + 1e-6
    assert scaled.price_per_m3 == pytest.approx(every.price_per_m3 * times, rel=1e-6)


def test_a_wider_band_never_costs_more_and_a_held_band_would_save() -> None:
    tight = USUAL_TARGETS["moist_herb"]
    wide = Target((0.05, 0.25), (0.4, 0.8), (5.5, 7.5))
    one, other = cheapest(components(), tight), cheapest(components(), wide)
    assert one is not None and other is not None
    assert other.price_per_m3 < one.price_per_m3
    assert "air_filled" in one.held_by


def test_a_larger_batch_never_costs_less() -> None:
    target = USUAL_TARGETS["raised_bed"]
    made = [batch(BAGS, [], target, volume) for volume in (0.03, 0.06, 0.12, 0.2)]
    prices = [each.price for each in made if each is not None]
    assert len(prices) == 4
    assert prices == sorted(prices)


def test_limits_hold_in_a_batch() -> None:
    made = batch(BAGS, [], USUAL_TARGETS["raised_bed"], 0.1, {"coir": (0.2, 0.4), "topsoil": (0.0, 0.5)})
    assert made is not None
    whole = sum(made.volumes.values())
    assert 0.2 - 1e-6 <= made.volumes["coir"] / whole <= 0.4 + 1e-6
    assert made.volumes.get("topsoil", 0.0) / whole <= 0.5 + 1e-6


def test_a_mix_may_be_a_component_of_another() -> None:
    half = blend("half", "Half", [Part(SHELF["topsoil"], 1), Part(SHELF["compost"], 1)])
    found = cheapest([Component(half.material, 48.0), Component(SHELF["coir"], 240.0)], USUAL_TARGETS["raised_bed"])
    assert found is not None
    assert found.missed == ()
    assert fits(soil_from(found), USUAL_TARGETS["raised_bed"])
