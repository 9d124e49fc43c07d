"""The plan of days: what has to hold of every one, and how near it comes to the best there is."""

from __future__ import annotations

import math
import random
from collections.abc import Sequence
from datetime import date, timedelta

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.optimize import Bounds, LinearConstraint, milp
from scipy.sparse import lil_matrix

from nolbet_core.works.job import Job, UnorderedError, in_order
from nolbet_core.works.levelled import levelled
from nolbet_core.works.path import spans
from nolbet_core.works.working_days import WorkingDays

START = date(2026, 10, 20)
WEEKEND = (5, 6)
HOURS = 6.0
NEARLY = 1e-6


def weekends(off: Sequence[date] = (), hours: float = HOURS) -> WorkingDays:
    """Weekends from a Tuesday in October on."""
    return WorkingDays(START, WEEKEND, off, hours)


@st.composite
def gardens(draw: st.DrawFn) -> list[Job]:
    """Up to 25 jobs that follow each other any way, some not before a day, some due, one let go by the season."""
    jobs: list[Job] = []
    for index in range(draw(st.integers(1, 25))):
        after = draw(st.lists(st.integers(0, index - 1), max_size=3, unique=True)) if index else []
        not_before = draw(st.none() | st.integers(0, 200))
        due = draw(st.none() | st.integers(0, 300))
        jobs.append(
            Job(
                f"j{index}",
                draw(st.sampled_from([0.0, 0.25, 0.7, 2.0, 5.5, 13.0])),
                tuple(f"j{each}" for each in after),
                draw(st.sampled_from([0, 0, 1, 7, 40])),
                None if not_before is None else START + timedelta(days=not_before),
                None if due is None else START + timedelta(days=due),
                next_spring if draw(st.booleans()) and index % 5 == 4 else None,
            )
        )
    return jobs


def next_spring(day: date) -> date:
    """The next 20 March on or after a day, summers excepted."""
    if date(day.year, 3, 20) <= day <= date(day.year, 8, 20):
        return day
    return date(day.year + (day > date(day.year, 3, 20)), 3, 20)


@settings(max_examples=80, deadline=None)
@given(gardens(), st.booleans())
def test_no_plan_breaks_its_own_rules(jobs: list[Job], all_week: bool) -> None:
    days = WorkingDays(START, range(7) if all_week else WEEKEND, [date(2026, 10, 25)], HOURS)
    booked = {each.key: each for each in levelled(jobs, days).booked}
    assert booked.keys() == {job.key for job in jobs}
    on_day: dict[date, float] = {}
    for job in jobs:
        own = booked[job.key]
        assert sum(hours for _, hours in own.by_day) == pytest.approx(job.hours)
        assert own.earliest <= own.latest
        assert own.slack_days >= 0
        assert own.earliest <= own.on <= own.until
        for before in job.after:
            wait = next(each.wait_days for each in jobs if each.key == before)
            assert own.on >= booked[before].until + timedelta(days=wait)
        if job.not_before is not None:
            assert own.on >= job.not_before
        if job.release is not None:
            assert job.release(own.on) == own.on
        assert own.late_days == (max((own.until - job.due).days, 0) if job.due else 0)
        for day, hours in own.by_day:
            assert day.weekday() in (range(7) if all_week else WEEKEND)
            assert day != date(2026, 10, 25)
            on_day[day] = on_day.get(day, 0.0) + hours
    assert all(hours <= HOURS + NEARLY for hours in on_day.values())


def small_garden(seed: int) -> list[Job]:
    """5 to 14 jobs, as a garden of a bed or two has."""
    chance = random.Random(seed)  # noqa: S311 - the same gardens every time
    jobs = []
    for index in range(chance.randint(5, 14)):
        near = range(max(0, index - 5), index)
        after = tuple(f"j{each}" for each in {chance.choice(near) for _ in range(chance.randrange(3))}) if index else ()
        hours = chance.choice([0.5, 1, 1.5, 2, 3, 4, 5, 7, 9])
        jobs.append(Job(f"j{index}", hours, after, chance.choice([0, 0, 0, 0, 1, 2, 7, 14])))
    return jobs


def can_end_by(jobs: Sequence[Job], days: WorkingDays, last: int) -> bool:
    """Whether jobs, parted as one likes, can all be done by the working day of an index: a programme in whole numbers.

    x: hours of a job on a day; y: whether it is done by that evening.
    """
    count, many = last + 1, len(jobs)
    place = {job.key: index for index, job in enumerate(jobs)}
    rows: list[tuple[dict[int, float], float, float]] = []

    def x(job: int, day: int) -> int:
        return job * count + day

    def y(job: int, day: int) -> int:
        return many * count + job * count + day

    rows += [({x(job, day): 1.0 for job in range(many)}, -np.inf, days.hours) for day in range(count)]
    for index, job in enumerate(jobs):
        rows.append(({x(index, day): 1.0 for day in range(count)}, job.hours, job.hours))
        for day in range(count):
            done = {x(index, each): -1.0 for each in range(day + 1)} | {y(index, day): job.hours}
            rows.append((done, -np.inf, 0.0))
            for before in job.after:
                wait = jobs[place[before]].wait_days
                by = days.until_day(days.day(day) - timedelta(days=wait)) if wait else day
                row = {x(index, day): 1.0} | ({y(place[before], by): -job.hours} if by >= 0 else {})
                rows.append((row, -np.inf, 0.0))
    matrix = lil_matrix((len(rows), 2 * many * count))
    for number, (row, _, _) in enumerate(rows):
        for column, value in row.items():
            matrix[number, column] = value
    whole = np.r_[np.zeros(many * count), np.ones(many * count)]
    found = milp(
        np.zeros(2 * many * count),
        constraints=LinearConstraint(matrix.tocsr(), [low for _, low, _ in rows], [high for _, _, high in rows]),
        integrality=whole,
        bounds=Bounds(0, np.where(whole == 1, 1.0, np.inf)),
    )
    assert found.status in {0, 2}
    return bool(found.status == 0)


def test_no_garden_of_two_hundred_could_end_a_tenth_sooner() -> None:
    looked = 0
    for seed in range(200):
        jobs = small_garden(seed)
        days = WorkingDays(START, WEEKEND if seed % 2 else range(5), (), HOURS)
        end = max(each.until for each in levelled(jobs, days).booked)
        length = (end - START).days + 1
        last = days.until_day(START + timedelta(days=math.ceil(length / 1.1) - 2))
        if last >= 0:
            looked += 1
            assert not can_end_by(jobs, days, last), f"garden {seed} could end a tenth sooner"
    assert looked > 150


def test_a_plan_worked_out_by_hand() -> None:
    jobs = [
        Job("level", 4.0),
        Job("posts", 3.0, ("level",), wait_days=2),
        Job("boards", 2.0, ("posts",)),
        Job("path", 5.0, due=date(2026, 11, 8)),
    ]
    booked = {each.key: each for each in levelled(jobs, weekends()).booked}
    # level and part of the posts on Saturday 24 October, the rest on Sunday; two days for concrete; then Saturday
    assert [booked["level"].on, booked["posts"].until] == [date(2026, 10, 24), date(2026, 10, 25)]
    assert booked["boards"].on == date(2026, 10, 31)
    assert booked["level"].slack_days == 0
    assert booked["path"].latest == date(2026, 11, 8)
    assert booked["path"].slack_days == 15
    assert max(each.until for each in booked.values()) == date(2026, 10, 31)


def test_what_others_are_waited_for_after_goes_first() -> None:
    jobs = [Job("dig", 5.0), Job("ask", 0.5, wait_days=14, soon=True), Job("plant", 1.0, ("ask", "dig"))]
    assert next(each.key for each in levelled(jobs, weekends()).booked) == "ask"


def test_a_short_job_is_never_parted_and_a_long_one_is() -> None:
    booked = {each.key: each for each in levelled([Job("long", 11.0), Job("short", 1.25)], weekends()).booked}
    assert len(booked["long"].by_day) == 2
    assert len(booked["short"].by_day) == 1


def test_the_latest_day_is_counted_back_from_what_is_due_through_waits_and_season() -> None:
    jobs = [
        Job("fill", 3.0, wait_days=165),
        Job("sow", 1.0, ("fill",), due=date(2027, 5, 15), release=next_spring),
    ]
    found = {each.key: each for each in levelled(jobs, weekends()).booked}
    assert found["sow"].on == date(2027, 4, 10)
    assert found["fill"].latest == date(2026, 11, 29)
    assert (found["sow"].latest - found["fill"].latest).days >= 165


def test_jobs_that_wait_for_each_other_are_named() -> None:
    ring = [Job("a", 1.5, ("c",)), Job("b", 1.5, ("a",)), Job("c", 1.5, ("b",)), Job("d", 1.5)]
    with pytest.raises(UnorderedError, match="a, b, c") as told:
        in_order(ring)
    assert told.value.keys == ("a", "b", "c")


def test_no_day_left_is_an_error_and_no_endless_search() -> None:
    days = WorkingDays(START, (), (), HOURS)
    with pytest.raises(ValueError, match="no working day is left"):
        days.day(0)


def test_spans_share_a_day_by_its_hours() -> None:
    jobs = in_order([Job("one", 2.0), Job("two", 3.0, ("one",)), Job("three", 2.0, ("two",))])
    found = spans(jobs, weekends())
    assert (found["two"].starts, found["two"].ends) == pytest.approx((2.0, 5.0))
    assert found["three"].ends == pytest.approx(7.0)
    assert all(each.slack >= -NEARLY for each in found.values())


def test_a_quarter_of_an_hour_a_day_gets_there_too() -> None:
    jobs = [Job("dig", 1.0), Job("level", 0.3, ("dig",)), Job("path", 0.7)]
    booked = levelled(jobs, weekends(hours=0.25)).booked
    # 2.0 h in quarters are eight days, and one more: what the 0.3 h leave of a quarter is too short to begin in
    assert max(each.until for each in booked) == date(2026, 11, 21)
    assert {each.key for each in booked} == {"dig", "level", "path"}
