"""Walls of units: bricks, blocks and stones laid in courses, dry stone, panels, pallets, logs, hurdles."""

from __future__ import annotations

import math

from nolbet_core.record import record

BREAKAGE = 0.05
"""What breaks or is cut away of units, unless it is said [0-1]."""
STONE_VOIDS = 0.25
STONE_KG_M3 = 2500.0
STONE_SPARE = 1.1
WAVE_LAP_M = 0.076
"""One wave of corrugated metal [m]."""
LONGEST_LOG_M = 2.4
"""What two people carry and roll into place [m] (estimate)."""
ROD_ACROSS_M = 0.020
ROD_LONG_M = 2.0
"""Rods that hurdles are woven of: how thick and long in the mean [m] (estimate)."""
HURDLE_STAKES_M = 0.35
"""From stake to stake of a woven wall [m] (estimate, 0.3 to 0.45)."""


@record
class UnitWall:
    """A wall of units: courses, what they make [m], units a course and in all with what breaks, and its mortar [m3]."""

    courses: int
    height_m: float
    a_course: int
    count: int
    mortar_m3: float


def unit_wall(
    middle_m: float, depth_m: float, unit_m: tuple[float, float, float], joint_m: float,
    courses: int | None, breakage: float = BREAKAGE,
) -> UnitWall:  # fmt: skip
    """A wall along its centre line.

    middle_m: length of that line [m]. depth_m: how high it is to be [m]. unit_m: length, width and height of one [m].
    joint_m: between units and under each course [m]. courses: how many, else those nearest to the depth. breakage:
    share more that is bought [0-1].
    """
    long_m, wide_m, high_m = unit_m
    step_m = high_m + joint_m
    number = max(round(depth_m / step_m), 1) if courses is None else courses
    a_course = math.ceil(middle_m / (long_m + joint_m) - 1e-9)
    laid = a_course * number
    height_m = number * step_m
    mortar_m3 = max(middle_m * wide_m * height_m - laid * long_m * wide_m * high_m, 0.0) if joint_m > 0 else 0.0
    return UnitWall(number, height_m, a_course, math.ceil(laid * (1 + breakage) - 1e-9), mortar_m3)


def dry_stone_kg(face_m2: float, thick_m: float, density_kg_m3: float = STONE_KG_M3) -> float:
    """Stone for a dry wall [kg]: its face [m2] times its thickness [m], less gaps, and a tenth more.

    density_kg_m3: of the stone itself [kg/m3].
    """
    return face_m2 * thick_m * (1 - STONE_VOIDS) * density_kg_m3 * STONE_SPARE


def panels_for(round_m: float, panel_m: float, rows: int = 1) -> int:
    """Sheets of corrugated metal round a bed [m], each overlapping the next by a wave.

    panel_m: width of one [m]. rows: how many times its height goes into a sheet, so many pieces each one gives.
    """
    return math.ceil(math.ceil(round_m / (panel_m - WAVE_LAP_M) - 1e-9) / rows)


def pallets_for(round_m: float, pallet_m: float, height_m: float, pallet_high_m: float) -> int:
    """Pallets round a bed [m], row on row up to its height [m].

    pallet_m, pallet_high_m: length of one, and its height as it stands on edge or lies [m].
    """
    rows = max(math.ceil(height_m / pallet_high_m - NEARLY_A_ROW), 1)
    return math.ceil(round_m / pallet_m - 1e-9) * rows


NEARLY_A_ROW = 0.1
"""Part of a row that a wall may be higher than its pallets."""


def logs_for(side_m: float, height_m: float, across_m: float) -> int:
    """Logs of a thickness [m] laid on each other along a side [m] to a height [m], none longer than one can carry."""
    return math.ceil(side_m / LONGEST_LOG_M - 1e-9) * max(round(height_m / across_m), 1)


def hurdle_rods(round_m: float, height_m: float) -> tuple[int, int]:
    """Rods and stakes of a woven wall round a bed [m] to a height [m]."""
    rods = math.ceil(round_m * height_m / (ROD_ACROSS_M * ROD_LONG_M) - 1e-9)
    return rods, math.ceil(round_m / HURDLE_STAKES_M - 1e-9)


def rising_wall(
    run_m: float, mean_m: float, unit_m: tuple[float, float, float], joint_m: float, breakage: float
) -> UnitWall:
    """A spiral's wall: as many units as its face takes. run_m: length of it [m]. mean_m: its mean height [m].

    Others as in unit_wall.
    """
    long_m, _, high_m = unit_m
    laid = math.ceil(run_m * mean_m / ((long_m + joint_m) * (high_m + joint_m)) - 1e-9)
    courses = max(math.ceil(mean_m / (high_m + joint_m) - 1e-9), 1)
    mortar_m3 = max(run_m * mean_m * unit_m[1] - laid * math.prod(unit_m), 0.0) if joint_m else 0.0
    return UnitWall(courses, mean_m, math.ceil(laid / courses), math.ceil(laid * (1 + breakage) - 1e-9), mortar_m3)
