"""Log ends as they are drawn: inside the walls, touching, never overlapping, steady while the layer grows."""

from __future__ import annotations

import math
from itertools import combinations
from typing import Any

import pytest

from tests.page.asking import ask_page

BOXES = [
    (width, height, largest, seed)
    for width in (60, 145, 320)
    for height in (24, 60, 165)
    for largest in (10, 28, 46)
    for seed in (1, 104)
]
SLACK = 0.11


@pytest.fixture(scope="module")
def packed() -> dict[tuple[int, int, int, int], list[dict[str, float]]]:
    """Every box packed, in one go."""
    answers = ask_page("drawing/logs.ts", [("packLogs", *box) for box in BOXES])
    return dict(zip(BOXES, answers, strict=True))


@pytest.mark.parametrize("box", BOXES)
def test_log_ends_lie_inside_the_walls(
    packed: dict[Any, list[dict[str, float]]], box: tuple[int, int, int, int]
) -> None:
    width, height, *_ = box
    for log in packed[box]:
        assert log["r"] - SLACK <= log["x"] <= width - log["r"] + SLACK
        assert log["r"] - SLACK <= log["y"] <= height - log["r"] + SLACK


@pytest.mark.parametrize("box", BOXES)
def test_log_ends_never_overlap(packed: dict[Any, list[dict[str, float]]], box: tuple[int, int, int, int]) -> None:
    for one, two in combinations(packed[box], 2):
        assert math.hypot(one["x"] - two["x"], one["y"] - two["y"]) >= one["r"] + two["r"] - SLACK


@pytest.mark.parametrize("box", BOXES)
def test_every_log_lies_on_something(packed: dict[Any, list[dict[str, float]]], box: tuple[int, int, int, int]) -> None:
    for log in packed[box]:
        on_floor = log["y"] <= log["r"] + SLACK
        touches = [
            other
            for other in packed[box]
            if other is not log
            and math.hypot(log["x"] - other["x"], log["y"] - other["y"]) <= log["r"] + other["r"] + SLACK
        ]
        assert on_floor or touches


@pytest.mark.parametrize("box", [box for box in BOXES if box[1] >= 60])
def test_a_layer_is_filled_with_logs_and_not_a_few(
    packed: dict[Any, list[dict[str, float]]], box: tuple[int, int, int, int]
) -> None:
    width, height, largest, _ = box
    if largest * 2 > min(width, height):
        return
    share = sum(math.pi * log["r"] ** 2 for log in packed[box]) / (width * height)
    assert share > 0.4


def test_a_layer_that_grows_keeps_the_logs_it_has() -> None:
    low, high = ask_page("drawing/logs.ts", [("packLogs", 300, 120, 20, 7), ("packLogs", 300, 160, 20, 7)])
    bottom = [log for log in low if log["y"] < 40 and log["r"] > 8]
    assert len(bottom) > 4
    kept = [log for log in bottom if log in high]
    assert len(kept) >= 0.9 * len(bottom)


def test_the_same_layer_is_drawn_alike_every_time() -> None:
    one, two = ask_page("drawing/logs.ts", [("packLogs", 200, 90, 24, 3), ("packLogs", 200, 90, 24, 3)])
    assert one == two


def test_a_sliver_holds_no_logs() -> None:
    assert ask_page("drawing/logs.ts", [("packLogs", 200, 2, 24, 3)]) == [[]]
