"""A leak told from thirst: what a probe's level loses steadily, at night and on cool days too.

The thirst of a day is free: it scatters about what the forecast has, with a memory from day to day, so that errors are
those of days, not of single readings; it may drift over the weeks, and spread over the day otherwise than usual. A
second witness looks at nights alone, when plants take nothing. A leak is told where both agree.
"""

from __future__ import annotations

import itertools
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from nolbet_core.reservoir.nights import Nights, lost_at_night
from nolbet_core.reservoir.readings import Readings, drunk_within, good_readings, ready_readings, shapes_of_day

Values = NDArray[np.float64]

SURE = 1.6
SURE_EARLY = 3.0
SURE_AT_NIGHT = 0.1
"""How many times its own error a leak has to be before it is told: by all readings, by them before two weeks are in,
and by nights alone."""

NINE_IN_TEN = 1.645
"""The error that is said holds the truth nine times in ten: so many standard errors."""

CLEARLY = 5.0
"""By how much likelier a loss that began has to be than one that was always there (of a logarithm)."""

TWO_WEEKS_DAYS = 13.5

LEAST_M3_DAY = 0.0005
"""A smaller loss isn't told: no liner is known that well [m3/day]."""

SCATTERS = (0.02, 0.05, 0.08, 0.12, 0.17, 0.24, 0.35)
"""How far the thirst of a day may stray from that of the whole, to choose from [share of it]."""

MEMORIES = (0.0, 0.4, 0.7)
"""How much of one day's straying the next day keeps, to choose from [0-1]."""

DRIFT_SD = 0.3
"""Drift of thirst in a month, standard deviation as a share of its mean."""
MONTH_DAYS = 30.0

SHAPE_SDS = (0.02, 0.12)
"""Share of a day's thirst that a part of the day may take more or less, standard deviations to choose from [0-1]."""

FOUND_IN_EIGHT_OF_TEN = 0.84
"""Standard errors over the least loss told, at which a leak is found in eight cases of ten."""

NO_TELLING = 1e6
"""Error of what readings say nothing of, as thirst where nothing is asked."""

LEAST_DAYS = 5.0
LEAST_READINGS = 100


@dataclass(frozen=True, slots=True)
class Told:
    """What readings say: a steady loss and its error [m3/day], and how thirsty plants are against the forecast.

    leaks: whether the loss is told as a leak. error_m3_day: within which the truth lies nine times in ten.
    thirst_error: of the thirst, one standard error. readings: how many it rests on, over how many days. least_m3_day:
    the smallest leak that would be found in eight cases of ten after so many days [m3/day].
    """

    leaks: bool
    loss_m3_day: float
    error_m3_day: float
    thirst: float
    thirst_error: float
    readings: int
    days: float
    least_m3_day: float = float("inf")

    @property
    def finds_some(self) -> bool:
        """True if a leak of some size would be found after so many days."""
        return self.least_m3_day < NO_TELLING


@dataclass(frozen=True, slots=True)
class Fit:
    """A steady loss [m3/day] and a thirst with a standard error each. likelihood: of the readings, to compare fits."""

    loss_m3_day: float
    loss_error: float
    thirst: float
    thirst_error: float
    likelihood: float


@dataclass(frozen=True, slots=True)
class Try:
    """Unknowns, the inverse they come from, the variance of a reading [m6], and the restricted likelihood."""

    found: Values
    inverse: Values
    spread: float
    likelihood: float


def told_from(
    times_days: Values, water_m3: Values, wanted_m3: Values, rain_m3: Values, jumps_days: Values, held_m3: float
) -> Told:
    """What readings say of a leak.

    times_days: of the readings, since a midnight [days]. water_m3: that each stands for; NaN where one is missing.
    wanted_m3, rain_m3: what the forecast says plants ask and what rain brings in, of each day [m3]. jumps_days: when it
    was filled up [days]. held_m3: what it holds up to the overflow [m3].

    Between fillings the water falls by what plants ask, times a thirst that strays from day to day, and by a steady
    loss that was there from the start or began two weeks ago, whichever fits better. Where none is told, the thirst is
    that of a liner that holds.
    """
    good = good_readings(water_m3, held_m3)
    times, water = times_days[good], water_m3[good]
    days = float(times[-1] - times[0]) if len(times) else 0.0
    if len(times) < LEAST_READINGS or days < LEAST_DAYS:
        return Told(False, 0.0, float("inf"), 1.0, float("inf"), len(times), days)
    readings = ready_readings(times, water, wanted_m3, rain_m3, jumps_days, held_m3)
    fit, since = _best(readings, wanted_m3, float(times[0]), float(times[-1]))
    nights = lost_at_night(readings, since)
    sure = SURE if days >= TWO_WEEKS_DAYS else SURE_EARLY
    error = NINE_IN_TEN * fit.loss_error
    least = max((sure + FOUND_IN_EIGHT_OF_TEN) * fit.loss_error, LEAST_M3_DAY)
    if _tells(fit, sure) and _agrees(nights):
        return Told(True, fit.loss_m3_day, error, fit.thirst, fit.thirst_error, len(times), days, least)
    tight = fitted(readings, wanted_m3, None)
    return Told(False, fit.loss_m3_day, error, tight.thirst, tight.thirst_error, len(times), days, least)


def _tells(fit: Fit, sure: float) -> bool:
    return fit.loss_m3_day > max(sure * fit.loss_error, LEAST_M3_DAY)


def _agrees(nights: Nights) -> bool:
    return nights.loss_m3_day > SURE_AT_NIGHT * nights.error_m3_day


def _best(readings: Readings, wanted_m3: Values, first_days: float, last_days: float) -> tuple[Fit, float]:
    """The loss that was there from the start, or that began two weeks ago where that fits better; and since when."""
    lasting = fitted(readings, wanted_m3, first_days)
    since = last_days - TWO_WEEKS_DAYS
    if since - first_days < LEAST_DAYS:
        return lasting, first_days
    begun = fitted(readings, wanted_m3, since)
    return (begun, since) if begun.likelihood > lasting.likelihood + CLEARLY else (lasting, first_days)


def fitted(readings: Readings, wanted_m3: Values, since_days: float | None) -> Fit:
    """Thirst and loss by least squares, the thirst of each day free within a scatter that the readings choose.

    wanted_m3: what plants ask, of each day [m3]. since_days: when the loss began; None where nothing is lost.

    By restricted likelihood over a few scatters and memories: a day's own thirst, its drift over the weeks and its
    spread over the day are random effects (Henderson's equations).
    """
    fixed = [readings.drunk_m3]
    if since_days is not None:
        fixed.append(np.maximum(readings.times_days - since_days, 0.0))
    own = drunk_within(readings.times_days, wanted_m3)
    days = own.shape[1]
    drift = own @ ((np.arange(days) - (days - 1) / 2) / MONTH_DAYS)
    shapes = shapes_of_day(readings.times_days, wanted_m3)
    columns = -np.column_stack([*fixed, own, drift, shapes])
    unknowns = readings.centred(columns)
    of_water = readings.centred(readings.water_m3[:, np.newaxis])[:, 0]
    free = len(of_water) - readings.stretches - len(fixed)
    square, with_water, whole = unknowns.T @ unknowns, unknowns.T @ of_water, float(of_water @ of_water)
    noise = _noise(square, with_water, whole, free - days)
    tries = [
        _solved(
            square, with_water, whole, len(fixed), free, noise * _pull(days, shapes.shape[1], scatter, memory, shape)
        )
        for scatter, memory, shape in itertools.product(SCATTERS, MEMORIES, SHAPE_SDS)
    ]
    found, errors, likelihood = _averaged(tries, len(fixed))
    silent = np.diag(square)[: len(fixed)] <= 0
    errors = np.where(silent, NO_TELLING, errors)
    if since_days is None:
        return Fit(0.0, NO_TELLING, float(found[0]), float(errors[0]), likelihood)
    return Fit(float(found[1]), float(errors[1]), float(found[0]), float(errors[0]), likelihood)


def _averaged(tries: Sequence[Try], fixed: int) -> tuple[Values, Values, float]:
    """Unknowns and their errors over all scatters, each by how likely it is: which holds is itself not sure."""
    chances = np.array([each.likelihood for each in tries])
    best = float(chances.max())
    weight = np.exp(chances - best)
    weight /= weight.sum()
    values = np.array([each.found[:fixed] for each in tries])
    variances = np.array([each.spread * np.diag(each.inverse)[:fixed] for each in tries])
    found = weight @ values
    errors = np.sqrt(np.maximum(weight @ (variances + (values - found) ** 2), 0.0))
    return found, errors, best


def _pull(days: int, parts: int, scatter: float, memory: float, shape_sd: float) -> Values:
    """Inverse covariance of the random effects: a thirst for each day, its drift, and parts of the day.

    Days follow each other with a memory (first-order autoregression), whose inverse has three diagonals.
    """
    beside = np.array([DRIFT_SD, *([shape_sd] * parts)]) ** -2.0
    inner = np.full(days, 1 + memory**2)
    inner[0] = inner[-1] = 1.0
    own = np.diag(inner) - memory * (np.eye(days, k=1) + np.eye(days, k=-1))
    size = days + len(beside)
    pull = np.zeros((size, size))
    pull[:days, :days] = own / ((1 - memory**2) * scatter**2)
    pull[range(days, size), range(days, size)] = beside
    return pull


def _noise(square: Values, with_water: Values, whole: float, free: int) -> float:
    """Variance of a reading where every day's thirst is its own [m6]."""
    found = np.linalg.pinv(square) @ with_water
    return max((whole - float(found @ with_water)) / max(free, 1), 1e-12)


def _solved(square: Values, with_water: Values, whole: float, fixed: int, free: int, pull: Values) -> Try:
    """What fits where random effects are pulled to nothing."""
    pulled = square + 1e-12 * np.eye(len(square))
    pulled[fixed:, fixed:] += pull
    inverse: Values = np.asarray(np.linalg.inv(pulled), dtype=float)
    found = inverse @ with_water
    spread = max((whole - float(found @ with_water)) / max(free, 1), 1e-12)
    _, size = np.linalg.slogdet(pulled)
    _, prior_size = np.linalg.slogdet(pull)
    likelihood = -0.5 * (free * np.log(spread) + size - prior_size)
    return Try(found, inverse, spread, float(likelihood))
