"""What fills the rest, and what takes a share of it, mean the finished stack: its top meets the line in every shape."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from nolbet_core.shelf.library import standard_shelf
from nolbet_core.stack.fill import fill_bed
from nolbet_core.stack.layers import Bulk
from tests.core import zoo
from tests.core.ask import bed_of
from tests.core.shapes import EVERY_SHAPE, built

RIMMED = [kind for kind in EVERY_SHAPE if kind != "flat_area"]
TOPSOIL = standard_shelf()["topsoil"]


def test_a_pot_is_filled_to_its_line_with_sand_of_a_volume_over_the_compost() -> None:
    pot = zoo.bed(
        shape={"kind": "round_tub", "base_diameter_m": 0.31, "rim_diameter_m": 0.47, "depth_m": 0.44},
        measured="inside",
        headspace_m=0.03,
        layers=[
            {"material": "coarse_sand", "thickness_m": 0.04},
            {"material": "topsoil", "volume_m3": 0.012},
            {"material": "compost", "fill": True},
            {"material": "coarse_sand", "volume_m3": 0.002},
            {"material": "topsoil", "thickness_m": 0.015},
        ],
    )
    figures = bed_of(pot)
    assert figures.layers[2].placed_m3 == pytest.approx(0.028598, abs=1e-6)
    assert figures.layers[-1].top_m == pytest.approx(0.41, abs=1e-9)


def bulk(draw: Any, by: Any, whole_m3: float, rim_m: float, count: int) -> Bulk:
    """A layer of a kind that leaves room for the others."""
    if by == "fill":
        return Bulk(TOPSOIL, "fill")
    most = {"thickness": rim_m, "volume": whole_m3, "share": 1.0}[by] / (count + 1)
    return Bulk(TOPSOIL, by, draw(st.floats(most / 50, most)))


@st.composite
def stacks(draw: Any, kind: str) -> list[Bulk]:
    """Layers of which one fills the rest, anywhere, among others by thickness, volume and share."""
    hollow = built(kind).hollow
    whole_m3 = hollow.volume_between(0.0, hollow.rim_m)
    kinds = draw(st.lists(st.sampled_from(["thickness", "volume", "share"]), min_size=1, max_size=5))
    kinds.insert(draw(st.integers(0, len(kinds))), "fill")
    return [bulk(draw, by, whole_m3 * 0.5, hollow.rim_m * 0.5, len(kinds)) for by in kinds]


@pytest.mark.parametrize("kind", RIMMED)
@settings(max_examples=80, deadline=None)
@given(data=st.data())
def test_the_top_meets_the_line_wherever_fill_and_shares_stand(kind: str, data: Any) -> None:
    vessel = built(kind)
    layers = data.draw(stacks(kind))
    filled = fill_bed(vessel, 0.02, layers)
    line_m = vessel.hollow.rim_m - 0.02
    if filled.over_m > 0:  # what has an amount of its own is over by itself, and the rest is nothing
        assert all(each.thickness_m == 0 for each in filled.layers if each.asked in layers and each.asked.by == "fill")
        return
    assert filled.top_m == pytest.approx(line_m, abs=1e-6)
    assert filled.to_fill_m == pytest.approx(0.0, abs=1e-6)
    volumes = [layer.asked.amount for layer in filled.layers if layer.asked.by == "volume"]
    assert [each.placed_m3 for each in filled.layers if each.asked.by == "volume"] == pytest.approx(volumes, rel=1e-6)


@pytest.mark.parametrize("kind", ["round_tub", "trench", "hipped_mound", "herb_spiral"])
def test_what_no_share_takes_stays_empty_over_the_stack(kind: str) -> None:
    vessel = built(kind)
    hollow = vessel.hollow
    over_m3 = hollow.volume_between(0.0, hollow.rim_m) / 5
    filled = fill_bed(vessel, 0.0, [Bulk(TOPSOIL, "share", 0.4), Bulk(TOPSOIL, "volume", over_m3)])
    left_m = filled.layers[0].thickness_m / 0.4
    assert filled.top_m + 0.6 * left_m == pytest.approx(hollow.rim_m, abs=1e-9)
