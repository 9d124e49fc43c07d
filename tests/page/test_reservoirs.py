"""Reservoirs as the page begins and changes them: what comes out holds together."""

from __future__ import annotations

from typing import Any

import pytest

from tests.core import zoo
from tests.page.asking import ask_page

FILE = "water/reservoirs.ts"


def asked(name: str, *given: Any) -> Any:
    """What one of the page's functions answers."""
    (answer,) = ask_page(FILE, [(name, *given)])
    return answer


def with_reservoir(**changes: Any) -> dict[str, Any]:
    """A bed with a reservoir."""
    return zoo.bed(reservoir={"height_m": 0.2, "overflow_m": 0.2, "medium": "scoria"} | changes)


HEIGHTS: list[tuple[dict[str, Any], float, Any]] = [
    ({}, 0.3, 0.3),
    ({}, 0.1, 0.1),
    ({"overflow_m": 0.15}, 0.3, 0.15),
    ({"overflow_m": 0.15}, 0.1, 0.1),
    ({"overflow_m": None}, 0.3, None),
]


@pytest.mark.parametrize(("reservoir", "height_m", "overflow_m"), HEIGHTS)
def test_an_overflow_at_the_top_stays_there_and_one_below_stays_below(
    reservoir: dict[str, Any], height_m: float, overflow_m: float | None
) -> None:
    after = asked("withHeight", with_reservoir(**reservoir), height_m)["reservoir"]
    assert after["height_m"] == height_m
    assert after["overflow_m"] == overflow_m


def test_a_bed_without_a_reservoir_stays_without() -> None:
    assert asked("withHeight", zoo.bed(), 0.3) == zoo.bed()
    assert asked("withReservoir", zoo.bed(), {"tilt_m": 0.1}) == zoo.bed()
