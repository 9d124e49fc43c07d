"""The core on a large garden: its time grows with the beds and no faster."""

from __future__ import annotations

import gc
from typing import Any

from bench.api import EIGHT_LAYERS
from bench.measure import Measure, compare
from nolbet_core.built.plan_file import read_plan
from nolbet_core.figure.walk import figure_beds

LIMIT = 11.0
ROUNDS = 9


def _garden(beds: int) -> dict[str, Any]:
    return {
        "format": "nolbet-plan/1",
        "garden": {"name": "Large"},
        "beds": [EIGHT_LAYERS | {"key": f"bed_{index}"} for index in range(beds)],
    }


def measure_core() -> list[Measure]:
    """A garden of 1,000 beds against one of 100, read already, without haul."""
    large, small = read_plan(_garden(1000)), read_plan(_garden(100))
    gc.collect()
    gc.freeze()  # what the server had loaded is no part of the core's time
    return [
        compare(
            "core_figure_1000_beds_to_100",
            LIMIT,
            lambda: figure_beds(large),
            lambda: figure_beds(small),
            rounds=ROUNDS,
            repeats=10,
        )
    ]
