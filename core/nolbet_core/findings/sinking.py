"""How far the bed will sink."""

from __future__ import annotations

from collections.abc import Iterator

from nolbet_core.built.worked import WorkedBed
from nolbet_core.climate.year import day_after_months
from nolbet_core.findings.finding import BedFinding, Found
from nolbet_core.quantities.writing import show_day, show_length

FIRST_YEAR_M = 0.050
TEN_YEARS_SHARE = 0.25
YEAR = 12


class ReadingOff(BedFinding):
    """A reading of the surface is far from where the others say it is."""

    code = "reading_off"
    level = ("note",)
    topic = "sinking"
    when = "a reading of the surface is over four standard deviations from the others"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Each reading that is left out of the fit."""
        fit, seen = worked.fitted, worked.read_surfaces
        if fit is None:
            return
        for index in fit.wild:
            reading = seen[index]
            off = show_length(abs(fit.misfits_m[index]), worked.system)
            higher = "higher" if fit.misfits_m[index] > 0 else "lower"
            day = day_after_months(worked.built_on, reading.months) if worked.built_on else None
            when = f" of {show_day(day)}" if day else ""
            yield Found(
                "note",
                f"The surface reading{when} is {off} {higher} than the others say.",
                "It is left out of the forecast: a slip of the ruler, a top-up that was not written down, or a heap.",
                "Measure again. Correct the entry in the diary, or add the top-up that is missing.",
            )


class SinksMuch(BedFinding):
    """The surface falls so far that topping up has to be reckoned with."""

    code = "sinks_much"
    level = ("note", "advice")
    topic = "sinking"
    of_profile = True
    when = "the surface sinks by over 50 mm in the first year; by over a quarter of the depth in ten"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Over 50 mm in the first year, a note; over a quarter of the depth in ten years, advice."""
        surface = worked.settling.surface_m
        first_m, ten_m = surface[0] - surface[YEAR], surface[0] - surface[-1]
        much = surface[0] > 0 and ten_m > TEN_YEARS_SHARE * surface[0]
        if not much and first_m <= FIRST_YEAR_M:
            return
        said = f"{show_length(first_m, worked.system)} in the first year and {show_length(ten_m, worked.system)} in ten"
        yield Found(
            "advice" if much else "note",
            f"The surface will sink by about {said}.",
            "Litter shrinks within weeks and wood for years; roots and walls stay where they are.",
            "Reckon with topping up each spring, or lay more soil and less that rots.",
            sides=(
                "Those who fill with wood: the sinking is the feeding, and a barrow of compost each spring is no loss.",
                "Those who fill with soil: a bed should keep its height, so what rots belongs on the heap first.",
            ),
        )
