"""A thousand steps put on days against a hundred: beds of boards, each with its own chain of steps."""

from __future__ import annotations

from datetime import date

from bench.api import EIGHT_LAYERS
from bench.measure import Measure, compare
from nolbet_core.built.plan_file import read_plan
from nolbet_core.figure.garden_works import GardenWorks
from nolbet_core.figure.walk import garden_works
from nolbet_core.plan.works import Works
from nolbet_core.works.garden_works import planned, said_steps
from nolbet_core.works.rates import Paces
from nolbet_core.works.step import Step

LIMIT = 12.0
TODAY = date(2026, 10, 20)
FEW, MANY = 100, 1000
FRAME = {"kind": "boards", "nominal": "2x10"}


def measure_works() -> list[Measure]:
    """One ratio."""
    few, many = _steps(FEW), _steps(MANY)
    works = Works()
    return [
        compare(
            "works_1000_steps_to_100",
            LIMIT,
            lambda: planned(many, works, TODAY),
            lambda: planned(few, works, TODAY),
            rounds=15,
            repeats=10,
        )
    ]


def _steps(count: int) -> list[Step]:
    """So many steps of beds alike, built one after the other."""
    bed = {key: value for key, value in EIGHT_LAYERS.items() if key not in ("wall_m", "measured")}
    beds = [bed | {"key": f"bed_{index}", "frame": FRAME} for index in range(count // 15 + 1)]
    document = {"format": "nolbet-plan/1", "garden": {"name": "Bench", "last_frost": "05-12"}, "beds": beds}
    made: GardenWorks = garden_works(read_plan(document), TODAY)
    steps = said_steps(made.made, Works(), Paces())
    if len(steps) < count:
        raise RuntimeError(f"only {len(steps)} steps")
    return steps[:count]
