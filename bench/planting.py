"""Planting: a year of sun at array speed, counts in an outline, and a crop dragged over its bed in Chromium."""

from __future__ import annotations

import json
import math
import statistics
import time

import numpy as np

from bench.api import EIGHT_LAYERS
from bench.browsed import bring, browsing
from bench.hand import DEMO, FRAMES, dragged_ms
from bench.measure import Measure
from nolbet_core.built.plan_file import read_plan
from nolbet_core.built.surroundings import surroundings_of
from nolbet_core.built.worked import WorkedBed, work_bed
from nolbet_core.planting.sun import Blocker, sun_hours, sun_over_day

SUN_LIMIT = 1 / 50
COUNT_LIMIT = 2.0
DRAG_MS = 16.0
LATITUDE_DEG = 44.0
GRID_M = 0.1
DAYS = range(365)
LOOPED_POINTS, LOOPED_DAYS = 12, 4
ROUNDS = 3
BLOCKERS = (
    Blocker(((-3.0, -2.0), (5.0, -2.0), (5.0, -1.7), (-3.0, -1.7)), 2.0),
    Blocker(((4.0, 1.0), (4.5, 1.0), (4.5, 1.5), (4.0, 1.5)), 3.5),
)
CROPS = [
    {"crop": "tomato", "count": 3}, {"crop": "lettuce", "count": 8}, {"crop": "carrot", "area_m2": 0.3},
    {"crop": "chard"}, {"crop": "basil", "count": 4},
]  # fmt: skip


def measure_sun() -> list[Measure]:
    """Hours of sun of a bed on a grid of 10 cm over a year, a point and a day, against a plain loop over moments."""
    xs, ys = np.meshgrid(np.arange(0.05, 2.4, GRID_M), np.arange(0.05, 1.2, GRID_M))
    points = np.column_stack([xs.ravel(), ys.ravel()])
    sun_hours(points, BLOCKERS, [171], LATITUDE_DEG)
    ratios, told = [], ""
    for _ in range(ROUNDS):
        start = time.perf_counter()
        sun_hours(points, BLOCKERS, list(DAYS), LATITUDE_DEG)
        ours_s = (time.perf_counter() - start) / (len(points) * len(DAYS))
        start = time.perf_counter()
        for x, y in points[:LOOPED_POINTS].tolist():
            for day in range(0, LOOPED_DAYS * 90, 90):
                _looped_hours(x, y, day)
        loop_s = (time.perf_counter() - start) / (LOOPED_POINTS * LOOPED_DAYS)
        ratios.append(ours_s / loop_s)
        told = (
            f"{ours_s * 1e6:.2f} us a point and day against {loop_s * 1e6:.0f} us; {1 / ratios[-1]:.0f} times as fast"
        )
    return [Measure("sun_year_array_to_loop", statistics.median(ratios), SUN_LIMIT, told)]


def _looped_hours(x: float, y: float, day: int) -> float:
    """The same for one point and day, one moment and edge after the other."""
    elevations, azimuths = sun_over_day(day, LATITUDE_DEG)
    lit = 0
    for elevation, azimuth in zip(elevations.tolist(), azimuths.tolist(), strict=True):
        way = math.sin(azimuth), math.cos(azimuth)
        if not any(_hides(x, y, way, each.height_m / math.tan(elevation), each) for each in BLOCKERS):
            lit += 1
    return lit / 6


def _hides(x: float, y: float, way: tuple[float, float], reach_m: float, blocker: Blocker) -> bool:
    corners = blocker.corners
    for start, end in zip(corners, (*corners[1:], corners[0]), strict=True):
        along = end[0] - start[0], end[1] - start[1]
        across = way[0] * along[1] - way[1] * along[0]
        if not across:
            continue
        to_x, to_y = start[0] - x, start[1] - y
        far = (to_x * along[1] - to_y * along[0]) / across
        share = (to_x * way[1] - to_y * way[0]) / across
        if 0 <= far <= reach_m and 0 <= share <= 1:
            return True
    return False


def planted_bed() -> WorkedBed:
    """A bed with five crops, at work."""
    document = {"format": "nolbet-plan/1", "garden": {"name": "Bench"}, "beds": [EIGHT_LAYERS | {"crops": CROPS}]}
    built = read_plan(document)
    return work_bed(built.plan.beds[0], surroundings_of(built.plan.garden), built.supplies)


def counts_of(worked: WorkedBed) -> int:
    """How many plants of five crops a bed takes, worked out anew."""
    fresh = WorkedBed(worked.bed, worked.vessel, worked.filled, worked.around, None)
    return sum(each.placed.count for each in fresh.growing.grown)


def measure_dragged_crop() -> list[Measure]:
    """A step of dragging a crop over its bed [ms of scripting, median]."""
    with browsing() as (gardener, page, home):
        demo = bring(gardener, json.loads(DEMO.read_text(encoding="utf-8")))
        page.goto(f"{home}/garden/{demo}/planting/bed/brick_court")
        plant = page.locator("[data-part=planted-crop] circle").first
        plant.wait_for()
        frame_ms = dragged_ms(page, plant)
    return [Measure("drag_crop_ms", frame_ms, DRAG_MS, f"median scripting of {FRAMES} frames, five crops on the bed")]
