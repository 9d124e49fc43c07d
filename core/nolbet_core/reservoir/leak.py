"""A leak told from thirst: what a probe's level loses steadily, at night and on cool days too."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from nolbet_core.reservoir.readings import Readings, good_readings, ready_readings

Values = NDArray[np.float64]

SURE = 2.0
SURE_EARLY = 4.5
SURE_LASTING = 2.5
"""How many times its own error a leak has to be before it is told: looked at every day, it has to be surer before two
weeks of readings are in; looked at a second time over all of them, a little surer too."""

TWO_WEEKS_DAYS = 13.5

LEAST_M3_DAY = 0.0005
"""A smaller loss isn't told: no liner is known that well [m3/day]."""

THIRST_KEEPS = 0.05
"""How much the thirst of two weeks strays from that of the weeks before, of itself, apart from what the forecast
foresees (estimate)."""

CHANGED = 1.5
"""By how many times its error a thirst has to differ to be another one."""

NO_TELLING = 1e6
"""Error of what readings say nothing of, as thirst where nothing is asked."""

LEAST_DAYS = 5.0
LEAST_READINGS = 100


@dataclass(frozen=True, slots=True)
class Told:
    """What readings say: a steady loss and its error [m3/day], and how thirsty plants are against the forecast.

    leaks: whether the loss is told as a leak. thirst_error: of the thirst. readings: how many it rests on, over how
    many days.
    """

    leaks: bool
    loss_m3_day: float
    error_m3_day: float
    thirst: float
    thirst_error: float
    readings: int
    days: float


@dataclass(frozen=True, slots=True)
class Fit:
    """A steady loss [m3/day] and a thirst, each with its error, and what a reading strays from them [m3]."""

    loss_m3_day: float
    loss_error: float
    thirst: float
    thirst_error: float
    spread_m3: float


def told_from(
    times_days: Values, water_m3: Values, wanted_m3: Values, rain_m3: Values, jumps_days: Values, held_m3: float
) -> Told:
    """What readings say of a leak.

    times_days: of the readings, since a midnight [days]. water_m3: that each stands for; NaN where one is missing.
    wanted_m3, rain_m3: what the forecast says plants ask and what rain brings in, of each day [m3]. jumps_days: when it
    was filled up [days]. held_m3: what it holds up to the overflow [m3].

    Between fillings the water falls by k x what plants ask and by a steady loss, and rises by a share of the rain. All
    are fitted by least squares over all stretches at once, each with a beginning of its own. Where more than two weeks
    are read, the last two are also held against the thirst that those before them show: a leak that began is told
    from thirst much sooner so. Where none is told, the thirst is that of a liner that holds.
    """
    good = good_readings(water_m3, held_m3)
    times, water = times_days[good], water_m3[good]
    days = float(times[-1] - times[0]) if len(times) else 0.0
    if len(times) < LEAST_READINGS or days < LEAST_DAYS:
        return Told(False, 0.0, float("inf"), 1.0, float("inf"), len(times), days)
    readings = ready_readings(times, water, wanted_m3, rain_m3, jumps_days, held_m3)
    sure = SURE if days >= TWO_WEEKS_DAYS else SURE_EARLY
    now, lasting = _now_and_lasting(readings, float(times[-1]))
    if lasting is not None and not _tells(now, sure) and _tells(lasting, SURE_LASTING):
        now = lasting
    if _tells(now, sure):
        return Told(True, now.loss_m3_day, now.loss_error, now.thirst, now.thirst_error, len(times), days)
    thirst = thirst_alone(readings.within(float(times[-1]) - TWO_WEEKS_DAYS, days + float(times[0]) + 1))
    return Told(False, now.loss_m3_day, now.loss_error, thirst.thirst, thirst.error, len(times), days)


def _tells(fit: Fit, sure: float) -> bool:
    return fit.loss_m3_day > max(sure * fit.loss_error, LEAST_M3_DAY)


def _now_and_lasting(readings: Readings, last_days: float) -> tuple[Fit, Fit | None]:
    """What the last two weeks lose, and what they lose together with the days before them, where those suffice.

    The thirst of the days before counts for the last two weeks as well, unless they look leaky themselves, or plants
    have plainly grown thirstier or less so since.
    """
    since = last_days - TWO_WEEKS_DAYS
    before, now = readings.within(0.0, since), readings.within(since, last_days + 1)
    if min(len(before.times_days), len(now.times_days)) < LEAST_READINGS or np.ptp(before.times_days) < LEAST_DAYS:
        return fitted(readings), None
    early, late = fitted(before), fitted(now)
    lasting = _mean(early, late)
    if early.loss_m3_day > SURE * early.loss_error:
        return late, lasting
    known = thirst_alone(before)
    error = float(np.hypot(known.error, THIRST_KEEPS * known.thirst))
    if abs(late.thirst - known.thirst) > CHANGED * float(np.hypot(late.thirst_error, error)):
        return late, lasting
    return fitted(now, Known(known.thirst, error, late.spread_m3)), lasting


def _mean(one: Fit, other: Fit) -> Fit:
    """Two fits together, each by how sure it is."""
    loss, loss_error = _weighed(one.loss_m3_day, one.loss_error, other.loss_m3_day, other.loss_error)
    thirst, thirst_error = _weighed(one.thirst, one.thirst_error, other.thirst, other.thirst_error)
    return Fit(loss, loss_error, thirst, thirst_error, max(one.spread_m3, other.spread_m3))


def _weighed(one: float, one_error: float, other: float, other_error: float) -> tuple[float, float]:
    share = other_error**2 / max(one_error**2 + other_error**2, 1e-30)
    error = one_error * other_error / max(float(np.hypot(one_error, other_error)), 1e-30)
    return share * one + (1 - share) * other, error


@dataclass(frozen=True, slots=True)
class Known:
    """A thirst known from before, how sure [same unit], and what a reading strays [m3]."""

    thirst: float
    error: float
    spread_m3: float


def fitted(readings: Readings, known: Known | None = None) -> Fit:
    """Thirst and loss by least squares. known: a thirst that counts as one more thing read."""
    columns = np.column_stack([-readings.drunk_m3, -readings.times_days])
    unknowns = _centred(columns, readings.stretch, readings.weight)
    of_water = _centred(readings.water_m3[:, np.newaxis], readings.stretch, readings.weight)[:, 0]
    if known is not None and known.error > 0:
        pull = known.spread_m3 / known.error
        unknowns = np.vstack([unknowns, [pull, 0.0]])
        of_water = np.append(of_water, pull * known.thirst)
    found, errors, spread = _least_squares(unknowns, of_water, len(np.unique(readings.stretch)))
    return Fit(float(found[1]), float(errors[1]), float(found[0]), float(errors[0]), spread)


def thirst_alone(readings: Readings) -> Known:
    """The thirst of readings that nothing leaks from."""
    unknowns = _centred(-readings.drunk_m3[:, np.newaxis], readings.stretch, readings.weight)
    of_water = _centred(readings.water_m3[:, np.newaxis], readings.stretch, readings.weight)[:, 0]
    found, errors, spread = _least_squares(unknowns, of_water, len(np.unique(readings.stretch)))
    return Known(float(found[0]), float(errors[0]), spread)


def _least_squares(unknowns: Values, of_water: Values, stretches: int) -> tuple[Values, Values, float]:
    """What fits best, its errors, and what a reading strays from it."""
    found, *_ = np.linalg.lstsq(unknowns, of_water, rcond=None)
    left = of_water - unknowns @ found
    spread = float(np.sqrt(left @ left / max(len(of_water) - stretches - unknowns.shape[1], 1)))
    errors = spread * np.sqrt(np.maximum(np.diag(np.linalg.pinv(unknowns.T @ unknowns)), 0.0))
    silent = (unknowns**2).sum(axis=0) <= 0
    return np.asarray(found, dtype=float), np.where(silent, NO_TELLING, errors), spread


def _centred(columns: Values, stretch: NDArray[np.int64], weight: Values) -> Values:
    """Columns less their weighted mean in each stretch, times the root of the weight."""
    _, index = np.unique(stretch, return_inverse=True)
    whole = np.bincount(index, weights=weight)
    means = np.column_stack([np.bincount(index, weights=weight * column) / whole for column in columns.T])
    centred: Values = (columns - means[index]) * np.sqrt(weight)[:, np.newaxis]
    return centred
