"""Hours of sun over a bed, month by month, to shade it by."""

from __future__ import annotations

from datetime import date

import numpy as np
import shapely

from nolbet_core.built.sunlit import hours_of_sun
from nolbet_core.built.worked import WorkedBed
from nolbet_core.climate.weather import MONTH_DAYS
from nolbet_core.record import record

GRID_M = 0.10
MOST_POINTS = 3000
"""A large bed is looked at more coarsely, so that no more points are told."""
HOUR_DIGITS = 1


@record
class SunMap:
    """Hours of sun on points of a bed, on the middle day of each month. step_m: how far apart they lie. points: from
    the lower left of the rectangle round the bed. hours: a row of twelve for each point. why_not: why there is none.
    """

    step_m: float
    points: list[tuple[float, float]]
    hours: list[list[float]]
    why_not: str | None


def sun_map(worked: WorkedBed, on: date | None = None) -> SunMap:
    """Hours of sun over a bed and its own tall crops' shade in it. on: only those that stand on that day shade."""
    growing = worked.growing
    around, outline = worked.around, growing.outline
    if growing.place is None or around.plot is None:
        return SunMap(GRID_M, [], [], "Lay the bed on the plot, and measure what stands there, to see its sun.")
    if around.latitude_deg is None:
        return SunMap(GRID_M, [], [], "Enter the garden's latitude to see the sun of its beds.")
    step_m = max(GRID_M, (outline.area / MOST_POINTS) ** 0.5)
    left, low, right, top = outline.bounds
    xs, ys = np.meshgrid(np.arange(left + step_m / 2, right, step_m), np.arange(low + step_m / 2, top, step_m))
    points = np.column_stack([xs.ravel(), ys.ravel()])
    inside = points[shapely.contains_xy(outline, points[:, 0], points[:, 1])]
    if not len(inside):
        inside = np.array([[outline.centroid.x, outline.centroid.y]])
    hours = hours_of_sun(around, growing.place, inside, _middle_days(), growing.rim_m, growing.tall_on(on))
    if hours is None:
        return SunMap(step_m, [], [], "Enter the garden's latitude to see the sun of its beds.")
    return SunMap(
        step_m,
        [(round(float(x), 3), round(float(y), 3)) for x, y in inside],
        np.round(hours, HOUR_DIGITS).tolist(),
        None,
    )


def _middle_days() -> list[int]:
    """The middle day of each month, of a year without a leap day."""
    return [sum(MONTH_DAYS[:month]) + days // 2 for month, days in enumerate(MONTH_DAYS)]
