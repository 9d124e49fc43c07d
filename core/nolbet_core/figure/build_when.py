"""Whether a bed is better built in autumn or in spring, by its own waits, sinking and nitrogen."""

from __future__ import annotations

from datetime import date, timedelta
from typing import Literal

import numpy as np

from nolbet_core.built.plan import BuiltPlan
from nolbet_core.built.profiles import in_profiles
from nolbet_core.built.surroundings import surroundings_of
from nolbet_core.built.worked import LAST_MONTH, WorkedBed, worked_bed
from nolbet_core.climate.year import Year, months_between, next_day
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.planting.ready import HARDY_BEFORE_DAYS, SMALL_GAP_KG_M2
from nolbet_core.quantities.units import System
from nolbet_core.quantities.writing import show_day, show_dose, show_length
from nolbet_core.record import record

SeasonName = Literal["autumn", "spring"]
SINKS_M = 0.010
"""Sinking less than that makes no difference [m]."""


@record
class BuiltWhen:
    """A bed built in one season. filled_on: when. sow_from: the first day anything can be sown, null where nothing can.

    sunk_by_then_m: how far it has sunk by then; sinks_after_m: in the year after. short_kg: nitrogen that plants go
    short of in the season after filling, null where it is over before they are sown.
    """

    season: SeasonName
    filled_on: date
    sow_from: date | None
    days_waited: int | None
    sunk_by_then_m: float
    sinks_after_m: float
    short_kg: float | None
    said: str


@record
class AutumnOrSpring:
    """Both, and what speaks for which. better: null where it makes no difference. why: in sentences."""

    bed: str
    wanted_on: date
    built: list[BuiltWhen]
    better: SeasonName | None
    why: list[str]


def figure_autumn_or_spring(built: BuiltPlan, key: str, today: date) -> AutumnOrSpring:
    """A bed built in the coming autumn against the spring after it. key: of the bed. today: the day that is now.

    Raises PlanProblem where there is no such bed.
    """
    found = next((each for each in built.beds if each.bed.key == key), None)
    if found is None:
        raise PlanProblem("bed", f"there is no bed '{key}'")
    year = surroundings_of(built.plan.garden, today).year
    autumn, spring, wanted = _days(today, year)
    ways: list[tuple[SeasonName, date]] = [("autumn", autumn), ("spring", spring)]
    told = []
    for season, filled_on in ways:
        bed = found.bed.model_copy(
            update={"built_on": filled_on.isoformat(), "state": "planned", "laid": [], "emptied_on": None}
        )
        around = surroundings_of(built.plan.garden, filled_on, in_profiles(built.plan.beds))
        each = type(found)(bed, found.vessel, found.layers, found.store)
        told.append(_built(season, filled_on, worked_bed(each, around, built.supplies.materials)))
    better, why = _judged(told[0], told[1], wanted, System(built.plan.garden.units))
    return AutumnOrSpring(key, wanted, told, better, why)


def _days(today: date, year: Year) -> tuple[date, date, date]:
    """The day of filling in autumn (today in autumn and winter, else the next first frost), that of the next spring,
    when beds begin to be sown, and the last frost of that.
    """
    frost, spring = next_day(today, year.first_frost), next_day(today, year.last_frost)
    opens = spring - timedelta(days=HARDY_BEFORE_DAYS)
    autumn = today if spring < frost and today < opens else frost
    wanted = next_day(autumn, year.last_frost)
    return autumn, wanted - timedelta(days=HARDY_BEFORE_DAYS), wanted


def _built(season: SeasonName, filled_on: date, worked: WorkedBed) -> BuiltWhen:
    system = worked.system
    sowings = [each.from_day for each in worked.sowing.ready.sowings if each.from_day is not None]
    sow_from = min(sowings, default=None)
    months = months_between(filled_on, sow_from) if sow_from else 0.0
    surface = worked.settling.surface_m
    at = [
        float(np.interp(min(month, LAST_MONTH), range(LAST_MONTH + 1), surface)) for month in (0.0, months, months + 12)
    ]
    short_kg = worked.feeding.season.short_kg
    still_short = short_kg / worked.vessel.top_area_m2 > SMALL_GAP_KG_M2 and months < 5
    sunk, after = at[0] - at[1], at[1] - at[2]
    said = f"Filled on {show_day(filled_on)}, sown from {show_day(sow_from)}" if sow_from else "Nothing can be sown"
    said += f"; it sinks by {show_length(sunk, system)} before that and {show_length(after, system)} in the year after."
    days = (sow_from - filled_on).days if sow_from else None
    return BuiltWhen(season, filled_on, sow_from, days, sunk, after, short_kg if still_short else None, said)


def _judged(autumn: BuiltWhen, spring: BuiltWhen, wanted: date, system: System) -> tuple[SeasonName | None, list[str]]:
    why: list[str] = []
    sooner = 0
    if autumn.sow_from is not None and spring.sow_from is not None:
        sooner = (spring.sow_from - autumn.sow_from).days
        late = max((spring.sow_from - wanted).days, 0)
        if sooner > 0 and late:
            why.append(
                f"Built in spring it is sown {late} days after the last frost, {sooner} days later than from autumn."
            )
        elif sooner > 0:
            why.append(f"Built in autumn it can be sown {sooner} days sooner.")
    less_m = spring.sinks_after_m - autumn.sinks_after_m
    if less_m > SINKS_M:
        why.append(
            f"It does {show_length(less_m, system)} of its sinking over the winter, before anything grows in it."
        )
    if spring.short_kg is not None and autumn.short_kg is None:
        why.append(
            "Over the winter the hunger of its fresh fill is over; in spring it wants "
            f"{show_dose(spring.short_kg, system)} of nitrogen beside."
        )
    if not why:
        return None, [
            "Nothing in it has to rot or sink first: build it when you have the days; autumn spares the spring's."
        ]
    return "autumn", why
