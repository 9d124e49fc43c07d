"""The whole garden's sowing calendar: what goes in where, on which day, and what is cleared."""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from datetime import date
from typing import Literal

from nolbet_core.built.planted_wares import pieces_of, sowing_days
from nolbet_core.built.suits import Suited
from nolbet_core.built.worked import WorkedBed
from nolbet_core.record import record


@record
class SowingDay:
    """Something to do in a bed with a crop: sow or plant so many, or clear it. until: the last day for it, where one is
    known. fits: whether the bed suits it; because: why not.
    """

    on: date
    until: date | None
    do: Literal["sow", "plant", "clear"]
    bed: str
    bed_name: str
    crop: str
    count: int | None
    fits: bool
    because: str | None


def sowing_calendar(beds: Iterable[WorkedBed]) -> list[SowingDay]:
    """What all beds ask for, by its day; crops without a day are left out."""
    days = [each for worked in beds if worked.state != "emptied" for each in _of_bed(worked)]
    return sorted(days, key=lambda each: (each.on, each.bed_name, each.crop))


def _of_bed(worked: WorkedBed) -> Iterator[SowingDay]:
    for suited in worked.suits:
        if suited.begins is not None and suited.grown.placed.count:
            yield from _of_crop(suited, suited.begins, worked)


def _of_crop(suited: Suited, begins: date, worked: WorkedBed) -> Iterator[SowingDay]:
    bed, crop = worked.bed, suited.grown.crop
    because = suited.stops[0].said if suited.stops else None
    sowings = sowing_days(suited) or [begins]
    many = round(pieces_of(suited) * bed.count / len(sowings))
    do: Literal["sow", "plant"] = "sow" if crop.start == "sown" else "plant"
    last = suited.window.closes if suited.window else None
    for day in sowings:
        yield SowingDay(day, last, do, bed.key, bed.title, crop.name, many, not suited.stops, because)
    if suited.ends is not None and not suited.stops:
        yield SowingDay(suited.ends, None, "clear", bed.key, bed.title, crop.name, None, True, None)
