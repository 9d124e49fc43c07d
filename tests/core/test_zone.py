"""Where roots live: mulch, the zone under it, and how much each layer counts."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.shapes.vessel import Vessel
from nolbet_core.stack.fill import Filled
from nolbet_core.stack.zone import contacts, mulch_begins, root_surface, zone_shares
from tests.core import zoo
from tests.core.ask import worked_of
from tests.core.shapes import EVERY_SHAPE, layers, shape


def laid(*stack: dict[str, Any], **changes: Any) -> Any:
    """A bed's vessel and fill."""
    worked = worked_of(zoo.bed(layers=list(stack), **changes))
    return worked.vessel, worked.filled


def counted(filled: Filled, vessel: Vessel) -> list[float]:
    """How much each layer counts."""
    return contacts(filled, vessel.hollow, zone_shares(filled, vessel.hollow))


def thick(material: str, thickness_m: float = 0.1) -> dict[str, Any]:
    """A layer of a material."""
    return {"material": material, "thickness_m": thickness_m}


MULCHES: list[tuple[list[dict[str, Any]], int]] = [
    ([thick("topsoil"), thick("straw")], 1),
    ([thick("topsoil"), {"material": "cardboard"}, thick("wood_chips")], 1),
    ([thick("straw"), thick("topsoil")], 2),
    ([thick("topsoil"), thick("grit", 0.02)], 1),
    ([thick("wood_chips"), thick("leaves")], 2),
    ([thick("topsoil"), thick("poultry_pellets", 0.01), thick("straw")], 2),
    ([thick("straw"), thick("compost"), thick("straw")], 2),
    ([], 0),
]


@pytest.mark.parametrize(("stack", "begins"), MULCHES)
def test_mulch_is_what_lies_loose_on_the_topmost_soil(stack: list[dict[str, Any]], begins: int) -> None:
    _, filled = laid(*stack)
    assert mulch_begins(filled.layers) == begins


def test_the_zone_is_thirty_centimetres_under_the_mulch() -> None:
    vessel, filled = laid(thick("wood_chips", 0.2), thick("compost", 0.15), thick("topsoil", 0.1), thick("straw", 0.05))
    assert root_surface(filled.layers) == pytest.approx(0.45)
    assert zone_shares(filled, vessel.hollow) == pytest.approx([0.25, 1.0, 1.0, 0.0])
    # of the chips 5 cm count 1 and the 15 cm under them 0.5
    assert counted(filled, vessel) == pytest.approx([0.25 + 0.75 * 0.5, 1.0, 1.0, 0.1])


@given(st.floats(0.05, 0.4), st.floats(0.05, 0.6), st.floats(0.1, 0.9))
def test_splitting_a_layer_changes_nothing_that_counts(wood_m: float, soil_m: float, where: float) -> None:
    whole_vessel, whole = laid(thick("wood_chips", wood_m), thick("topsoil", soil_m))
    split = [thick("wood_chips", wood_m * where), thick("wood_chips", wood_m * (1 - where)), thick("topsoil", soil_m)]
    split_vessel, parts = laid(*split)
    one = counted(whole, whole_vessel)[0] * wood_m
    low, high, _ = counted(parts, split_vessel)
    assert low * wood_m * where + high * wood_m * (1 - where) == pytest.approx(one, abs=1e-9)


@given(st.floats(0.02, 1.2))
def test_the_deeper_it_lies_the_less_it_counts(soil_m: float) -> None:
    near_vessel, near = laid(thick("branches", 0.1), thick("topsoil", soil_m))
    deep_vessel, deep = laid(thick("branches", 0.1), thick("topsoil", soil_m + 0.1))
    assert counted(deep, deep_vessel)[0] <= counted(near, near_vessel)[0] + 1e-12
    assert counted(deep, deep_vessel)[0] >= 0.15 - 1e-12


@pytest.mark.parametrize("kind", EVERY_SHAPE)
def test_in_every_shape_a_layer_counts_between_a_tenth_and_all(kind: str) -> None:
    worked = worked_of({"key": kind, "shape": shape(kind), "layers": layers(kind)})
    vessel, filled = worked.vessel, worked.filled
    assert all(0.1 <= weight <= 1.0 + 1e-12 for weight in counted(filled, vessel))
    assert all(0.0 <= share <= 1.0 for share in zone_shares(filled, vessel.hollow))


ROLLS: list[tuple[dict[str, Any], float | None]] = [
    # a bed of 2 x 1 m: strips of 1.2 m need one of 2 m, strips of 0.6 m two (laps 15 cm) or four of 1 m
    ({"roll_width_m": 1.2}, 2.0),
    ({"roll_width_m": 0.6}, 4.0),
    ({"roll_width_m": 2.2}, 1.0),
    ({"roll_width_m": 0.6, "plies": 3}, 12.0),
    ({"roll_width_m": 1.2, "up_sides_m": 0.2}, 4.2),
    ({"roll_width_m": 0.1}, None),
    ({}, None),
]


@pytest.mark.parametrize(("sheet", "wanted"), ROLLS)
def test_strips_come_off_a_roll_the_way_that_takes_less(sheet: dict[str, Any], wanted: float | None) -> None:
    _, filled = laid({"material": "cardboard", **sheet}, thick("topsoil"))
    card = filled.layers[0]
    assert card.roll_m == (None if wanted is None else pytest.approx(wanted))
    if wanted is not None:
        assert card.sheet_area_m2 == pytest.approx(wanted * sheet["roll_width_m"])


BARE: list[tuple[dict[str, Any], float]] = [
    # pieces of 1.1 x 1.15 m: two cover the bed in one ply
    ({"on_hand": 2}, 0.0),
    # one covers 1.15 of the 2 m
    ({"on_hand": 1}, 0.85),
    ({"on_hand": 0}, 2.0),
    ({"on_hand": 1, "plies": 2}, 0.85),
    # five of six: a row of three to 0.6 m, two beside it reach 1.4 m of 2 over the other 0.4 m
    ({"on_hand": 5, "piece_m": [0.75, 0.6], "lap_m": 0.1}, 0.24),
    ({"on_hand": 7}, 0.0),
    ({}, 0.0),
]


@pytest.mark.parametrize(("there", "bare_m2"), BARE)
def test_what_pieces_leave_bare(there: dict[str, Any], bare_m2: float) -> None:
    _, filled = laid({"material": "cardboard", "piece_m": [1.1, 1.15], **there}, thick("topsoil"))
    assert filled.layers[0].bare_m2 == pytest.approx(bare_m2)
