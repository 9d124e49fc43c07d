"""What is amiss with the works: sown too late, concrete in frost, heavy things alone, hold points nobody answered."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from datetime import date

from nolbet_core.built.worked import WorkedBed
from nolbet_core.climate.weather import MonthNormals
from nolbet_core.findings.finding import DEFER, BedFinding, Finding, Found
from nolbet_core.plan.bed import Bed
from nolbet_core.quantities.units import System
from nolbet_core.quantities.writing import show_day, show_temperature
from nolbet_core.record import record
from nolbet_core.works.garden_works import Planned
from nolbet_core.works.gates import KnownDay, first_warm_day, weather_on
from nolbet_core.works.step import Step

MOST_NAMED = 3


@record
class WorksLooked:
    """A garden's works as they are planned. months, known: its weather. sow_on: when each bed is to be sown.

    by_frost: whether that is the last frost, since the gardener said no other day.
    """

    planned: Planned
    beds: Sequence[WorkedBed]
    months: Sequence[MonthNormals]
    known: Mapping[date, KnownDay]
    system: System
    sow_on: Mapping[str, date]
    by_frost: bool


class WorksFinding(Finding[WorksLooked]):
    """A finding on a garden's works."""

    subject = "works"
    topic = "works"


class LateForSowing(WorksFinding):
    """A bed that isn't ready on the day it should be sown."""

    code = "late_for_sowing"
    level = ("caution",)
    when = "a bed is sown later than on the day it should be, with the hours and people there are"

    def look(self, looked: WorksLooked) -> Iterator[Found]:
        """Each bed that is."""
        titles = {each.bed.key: each.bed.title for each in looked.beds}
        for step in looked.planned.steps:
            booked = looked.planned.booked.get(step.key)
            if booked is None or not booked.late_days or step.due is None:
                continue
            days = "1 day" if booked.late_days == 1 else f"{booked.late_days} days"
            wanted = "the first working day after the last frost" if looked.by_frost else "the day you want"
            yield Found(
                "caution",
                f"{titles.get(step.bed, step.bed)} is sown on {show_day(booked.until)}, {days} after "
                f"{show_day(step.due)}, {wanted}.",
                _why_late(step, looked),
                "Another helper, a day more each week, a digger, another way of filling, or sowing in autumn: "
                "what mends it says what each brings.",
                beds=(step.bed,),
                steps=(step.key,),
            )


def _why_late(step: Step, looked: WorksLooked) -> str:
    steps = {each.key: each for each in looked.planned.steps}
    waits = [steps[key] for key in step.after if key in steps and not steps[key].usual_hours and steps[key].wait_for]
    hours = sum(each.hours for each in looked.planned.steps if each.is_open)
    if waits:
        days = f"{waits[0].wait_days} days" if waits[0].wait_days else "over the winter"
        return f"After filling it waits {days}: {waits[0].wait_for}."
    return f"{hours:.0f} h of work are left, and a working day has {looked.planned.day_h:g} h."


class ConcreteInFrost(WorksFinding):
    """Concrete or mortar on a cold day."""

    code = "concrete_in_frost"
    level = ("caution",)
    when = "concrete or mortar is planned for a day with a mean under 5 degrees C, or frost in over one of ten"

    def look(self, looked: WorksLooked) -> Iterator[Found]:
        """Each step with concrete or mortar on such a day."""
        for step in looked.planned.steps:
            booked = looked.planned.booked.get(step.key)
            if booked is None or step.kind not in ("posts", "wall") or "frost" not in step.gates:
                continue
            weather = weather_on(booked.on, looked.months, looked.known)
            if not weather.too_cold:
                continue
            warm = first_warm_day(booked.on, looked.months, looked.known)
            until = f"Wait until about {show_day(warm)}" if warm else "Choose another way of standing it up"
            mean = show_temperature(weather.mean_c, looked.system)
            yield Found(
                "caution",
                f"{step.title} falls on {show_day(booked.on)}: {mean} in the mean, a "
                f"chance of frost of {100 * weather.frost:.0f} %.",
                f"Under {show_temperature(5.0, looked.system)} cement hardly sets, and frost bursts it before it has.",
                f"{until}, or tamp the posts in with gravel, or cover and warm it. {DEFER}",
                beds=(step.bed,),
                steps=(step.key,),
            )


class AloneWithHeavy(WorksFinding):
    """Something that takes two, planned for one."""

    code = "alone_with_heavy"
    level = ("caution",)
    when = "nobody helps, and a step takes two people: over 20 kg at once, a trench, a large liner"

    def look(self, looked: WorksLooked) -> Iterator[Found]:
        """One for all such steps."""
        if looked.planned.people > 1:
            return
        steps = [each for each in looked.planned.steps if each.is_open and each.people > 1]
        if not steps:
            return
        named = "; ".join(each.title for each in steps[:MOST_NAMED])
        more = f"; and {len(steps) - MOST_NAMED} more" if len(steps) > MOST_NAMED else ""
        yield Found(
            "caution",
            f"You work alone, and {len(steps)} {'step takes' if len(steps) == 1 else 'steps take'} two: {named}{more}.",
            "Backs, fingers and trenches don't wait for help to come.",
            f"Enter a helper, put these steps on a day when somebody is there, or carry less at once. {DEFER}",
            beds=tuple(dict.fromkeys(each.bed for each in steps if each.bed)),
            steps=tuple(each.key for each in steps),
        )


class NoHoldAnswered(WorksFinding):
    """Work went on past a hold point that nobody answered, or that was answered with not yet."""

    code = "no_hold_answered"
    level = ("advice", "caution")
    when = "a step is done although a hold point before it isn't answered; although it was answered with not yet"

    def look(self, looked: WorksLooked) -> Iterator[Found]:
        """Each hold point that later steps went past."""
        steps = {each.key: each for each in looked.planned.steps}
        past = {key for each in steps.values() if _went_on(each) for key in each.after}
        past |= {key for each in steps.values() if each.key in past for key in each.after}
        for step in steps.values():
            if not step.hold or step.passed or step.left_out or step.key not in past or step.kind == "leak_test":
                continue
            refused = step.passed is False
            yield Found(
                "caution" if refused else "advice",
                f"{step.title}: work went on"
                + (" although it wasn't right yet." if refused else ", and nobody said it was right."),
                f"{step.hold} {step.why}",
                "Measure it now, while it can still be mended, and answer it.",
                beds=(step.bed,) if step.bed else (),
                steps=(step.key,),
            )


def _went_on(step: Step) -> bool:
    """Whether a step shows that work went on: said to be done, or something lies there."""
    return step.done and (step.done_on is not None or step.kind in ("layer", "sheet", "filled"))


class LinerUntestedBeforeFill(BedFinding):
    """A reservoir is being filled before its liner was tested."""

    code = "liner_untested_before_fill"
    level = ("caution",)
    topic = "water"
    when = "layers lie in a bed whose reservoir wasn't tested for 24 h"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Something laid over a reservoir that wasn't tested."""
        if worked.state != "filling" or worked.water is None or _is_tested(worked.bed) or not any(worked.bed.laid):
            return
        laid = sum(1 for share in worked.bed.laid if share > 0)
        many = "1 layer lies" if laid == 1 else f"{laid} layers lie"
        yield Found(
            "caution",
            f"{many} in it already, and nobody has seen its water hold for 24 h.",
            "A leak found after planting is the whole bed out again.",
            "Stop here: fill it to the overflow, mark, cover, look after 24 h. A dip through the filler does.",
        )


def _is_tested(bed: Bed) -> bool:
    return bed.reservoir is not None and bool(bed.reservoir.tested)
