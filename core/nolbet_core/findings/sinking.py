"""How far the bed will sink."""

from __future__ import annotations

from collections.abc import Iterator

from nolbet_core.built.worked import WorkedBed
from nolbet_core.findings.finding import BedFinding, Found
from nolbet_core.quantities.writing import show_length

FIRST_YEAR_M = 0.050
TEN_YEARS_SHARE = 0.25
YEAR = 12


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
