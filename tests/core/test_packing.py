"""How many crates, blocks or pavers lie on a floor: against trying every way, and within the floor."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.figure.fit import figure_fit
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.shapes.packing import lay_pieces
from tests.core import zoo
from tests.core.ask import worked_of


def most_by_trying(length: int, width: int, long: int, wide: int) -> int:
    """The most pieces on a floor of whole squares, every way of laying them tried."""
    best = 0

    def lay(square: int, taken: int, count: int, free: int) -> None:
        nonlocal best
        best = max(best, count)
        while square < length * width and taken >> square & 1:
            square += 1
        if square >= length * width or count + free // (long * wide) <= best:
            return
        x, y = square % length, square // length
        for along, up in {(long, wide), (wide, long)}:
            if x + along > length or y + up > width:
                continue
            piece = sum(((1 << along) - 1) << ((y + row) * length + x) for row in range(up))
            if not taken & piece:
                lay(square + 1, taken | piece, count + 1, free - long * wide)
        lay(square + 1, taken | 1 << square, count, free - 1)

    lay(0, 0, 0, length * width)
    return best


def test_as_many_as_every_way_of_trying_finds() -> None:
    dice = np.random.default_rng(7)
    for _ in range(200):
        length, width = int(dice.integers(2, 10)), int(dice.integers(2, 8))
        long, wide = int(dice.integers(2, 5)), int(dice.integers(1, 5))
        found = lay_pieces(length / 10, width / 10, long / 10, wide / 10)
        assert len(found) == most_by_trying(length, width, long, wide), (length, width, long, wide)


@given(st.floats(0.2, 3), st.floats(0.2, 2), st.floats(0.08, 0.7), st.floats(0.08, 0.7))
def test_pieces_lie_inside_and_never_on_one_another(length: float, width: float, long: float, wide: float) -> None:
    laid = lay_pieces(length, width, long, wide)
    for each in laid:
        assert each.x_m + each.along_m <= length + 1e-6
        assert each.y_m + each.up_m <= width + 1e-6
    for index, one in enumerate(laid[:40]):
        for other in laid[index + 1 : 60]:
            apart_x = one.x_m + one.along_m <= other.x_m + 1e-9 or other.x_m + other.along_m <= one.x_m + 1e-9
            apart_y = one.y_m + one.up_m <= other.y_m + 1e-9 or other.y_m + other.up_m <= one.y_m + 1e-9
            assert apart_x or apart_y


def test_a_bed_tells_its_floor_and_what_stays_free() -> None:
    figures = figure_fit(worked_of(zoo.bed()), 0.4, 0.3)
    # 2 x 1 m: three rows of five along and a row of turned ones over them, or the like
    assert figures.count == 16
    assert figures.free_m2 == pytest.approx(2.0 - 16 * 0.12)
    assert (figures.floor_length_m, figures.floor_width_m) == (2.0, 1.0)
    round_bed = worked_of(zoo.bed(shape={"kind": "circle", "diameter_m": 1.0, "depth_m": 0.4}))
    assert figure_fit(round_bed, 0.3, 0.2).count <= 8


def test_pieces_too_small_for_anybody_to_lay_are_refused_at_once() -> None:
    with pytest.raises(PlanProblem, match="more than 5,000"):
        figure_fit(worked_of(zoo.bed()), 0.011, 0.013)
