"""A bed fitted to two hundred readings of its surface, against the same bed that nothing was read of."""

from __future__ import annotations

from datetime import date, timedelta
from itertools import cycle

import numpy as np

from bench.api import EIGHT_LAYERS
from bench.measure import Measure, compare
from nolbet_core.built.plan import BuiltPlan
from nolbet_core.built.plan_file import read_plan
from nolbet_core.built.seen import seen_in
from nolbet_core.built.surroundings import Surroundings, surroundings_of
from nolbet_core.figure.walk import figure_bed
from nolbet_core.plan.log import SurfaceEntry

LIMIT = 3.0
FILLED = date(2022, 10, 15)
TODAY = date(2026, 10, 20)
READINGS = 200
EVERY_DAYS = 7
DAYS_A_MONTH = 31
ROUNDS = 15


def measure_refit() -> list[Measure]:
    """One ratio."""
    document = EIGHT_LAYERS | {"built_on": FILLED.isoformat(), "state": "filled"}
    plan = {"format": "nolbet-plan/1", "garden": {"name": "Bench"}, "beds": [document]}
    alone = read_plan(plan)
    bed, supplies = alone.plan.beds[0], alone.supplies
    unread = surroundings_of(alone.plan.garden, TODAY)
    surface_m = figure_bed(bed, unread, supplies).surface_m
    # other readings each time, so that nothing worked out before helps
    read_by_turns = cycle([_read(alone, surface_m, seed) for seed in range(1, 2 * ROUNDS)])
    return [
        compare(
            "draft_with_200_readings_to_draft",
            LIMIT,
            lambda: figure_bed(bed, next(read_by_turns), supplies),
            lambda: figure_bed(bed, unread, supplies),
            rounds=ROUNDS,
            repeats=3,
        )
    ]


def _read(alone: BuiltPlan, surface_m: list[float], seed: int) -> Surroundings:
    """What the bed's garden shares when it was read every week."""
    off_m = np.random.default_rng(seed).normal(0.0, 0.008, READINGS)
    days = [EVERY_DAYS * (index + 1) for index in range(READINGS)]
    log = [
        SurfaceEntry(
            kind="surface",
            bed=alone.plan.beds[0].key,
            on=(FILLED + timedelta(days=day)).isoformat(),
            height_m=float(surface_m[day // DAYS_A_MONTH] * 0.98 + off),
        )
        for day, off in zip(days, off_m, strict=True)
    ]
    seen = seen_in(log, alone.supplies.materials)
    return surroundings_of(alone.plan.garden, TODAY, seen=seen)
