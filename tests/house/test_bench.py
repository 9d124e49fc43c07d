"""The bench's own arithmetic, on made-up runs; how fast anything is, is shown by bin/bench."""

from __future__ import annotations

import pytest

from bench import measure


@pytest.fixture
def clock() -> list[float]:
    """A clock that runs move forward by hand."""
    return [0.0]


def test_a_ratio_is_the_median_of_rounds_timed_in_turn(clock: list[float]) -> None:
    pace = iter([1.0, 1.0, 1.0, 2.0, 2.0, 3.0, 3.0, 1.0, 1.0])

    def slow() -> None:
        clock[0] += 6.0 * next(pace)

    def quick() -> None:
        clock[0] += 3.0 * next(pace)

    found = measure.compare("pace", 2.5, slow, quick, rounds=3, clock=lambda: clock[0])
    assert found.holds
    assert found.name == "pace"
    # after one run of each to warm up: 6 to 6, 12 to 9, 18 to 3; the median of 1, 4/3 and 6
    assert found.ratio == pytest.approx(4 / 3)


@pytest.mark.parametrize(("ratio", "holds"), [(1.0, True), (2.0, True), (2.01, False)])
def test_a_limit_holds_up_to_itself(ratio: float, holds: bool) -> None:
    assert measure.Measure("any", ratio, 2.0, "").holds is holds


def test_a_slow_moment_meets_both_alike(clock: list[float]) -> None:
    """The machine is half as fast for a while: with repeats the ratio stays what it is."""
    runs = [0]

    def speed() -> float:
        runs[0] += 1
        return 2.0 if (runs[0] // 12) % 2 else 1.0

    def long() -> None:
        clock[0] += 10 * speed()

    def short() -> None:
        clock[0] += 1 * speed()

    found = measure.compare("steady", 11, long, short, rounds=7, repeats=10, clock=lambda: clock[0])
    assert found.ratio == pytest.approx(10, rel=0.5)
