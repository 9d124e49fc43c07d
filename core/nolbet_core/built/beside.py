"""What a crop meets in its bed: what grew there before, what stands beside it, what stands in its place."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import date
from functools import cached_property
from itertools import combinations

from nolbet_core.built.growing import TALLER_M, BedGrowing, Grown, at_one_time
from nolbet_core.built.sunlit import towards_pole
from nolbet_core.planting.crops import Crop
from nolbet_core.planting.named import crop_called
from nolbet_core.planting.neighbours import MIXED, said_of
from nolbet_core.quantities.writing import show_length

ROTATION_YEARS = 3
"""So many years lie between two of one family in one bed."""
OUT_OF_ROTATION = frozenset({"perennial", "herb", "flower"})
HIGH_LATITUDE_DEG = 45.0
"""From there on tall crops stand at least their height off the next on the side of the sun."""
LIKES_SUN_HOURS = 5.0

TellIt = tuple[str, str, str]
"""What is said, the code of the finding, what to do."""
Dated = tuple[Grown, date | None, date | None]
"""A crop, the day it goes in, and the day it is cleared, as far as they are known."""


@dataclass(frozen=True)
class Beside:
    """A bed's crops with their days. sown: what grew in it before, with its day."""

    growing: BedGrowing
    crops: Sequence[Dated]
    sown: Sequence[tuple[date, str]]

    def told(self, grown: Grown) -> Iterator[TellIt]:
        """What is told of one of them."""
        yield from self._of_its_family(grown)
        for one, other in self._pairs:
            if grown is one[0]:
                yield from self._good_beside(grown.crop, other[0].crop)
                yield from self._of_height(grown, other[0])
            elif grown is other[0]:
                yield from self._bad_beside(grown.crop, one[0].crop)
                yield from self._of_height(grown, one[0])
                yield from _in_one_spot(grown, one[0])

    @cached_property
    def _pairs(self) -> list[tuple[Dated, Dated]]:
        """Crops of the bed that stand there at one time."""
        return [(one, other) for one, other in combinations(self.crops, 2) if at_one_time(one[1:], other[1:])]

    def _of_its_family(self, grown: Grown) -> Iterator[TellIt]:
        crop = grown.crop
        if not OUT_OF_ROTATION.isdisjoint(crop.traits):
            return
        begins = next((begins for each, begins, _ in self.crops if each is grown), None)
        if begins is None:
            return
        before = [*self.sown, *((day, each.crop.key) for each, day, _ in self.crops if day is not None)]
        there: dict[int, Crop] = {}
        for day, name in before:
            other = crop_called(name, self.growing.around.crops)
            if other is None or other.family != crop.family or not OUT_OF_ROTATION.isdisjoint(other.traits):
                continue
            if 0 < begins.year - day.year <= ROTATION_YEARS:
                there[day.year] = other
        if not there:
            return
        last = max(there)
        said = f"{there[last].name} of the same family ({crop.family}) grew here in {last}."
        again = last + ROTATION_YEARS + 1
        yield said, "family_again", f"Give it another bed, or wait until {again}; feed and watch it well if it must be."

    def _own_view(self, crop: Crop, other: Crop) -> str | None:
        """What the gardener thinks of two crops side by side; None where nothing is said."""
        garden = self.growing.around.garden
        own = [
            each.view
            for each in (garden.neighbours or () if garden else ())
            if {each.crop, each.beside} == {crop.key, other.key}
        ]
        return own[-1] if own else None

    def _good_beside(self, crop: Crop, other: Crop) -> Iterator[TellIt]:
        own = self._own_view(crop, other)
        if own == "good":
            yield f"Goes well beside {other.name.lower()}, by your own list.", "", ""
        for pair in said_of(crop, other) if own is None else ():
            if pair.view == "good":
                yield f"Beside {other.name.lower()}: {pair.because}. {MIXED}.", "", ""

    def _bad_beside(self, crop: Crop, other: Crop) -> Iterator[TellIt]:
        own = self._own_view(crop, other)
        if own == "bad":
            said = f"{crop.name} and {other.name.lower()} don't go together, by your own list."
            yield said, "bad_neighbours", "Put one of them into another bed."
        for pair in said_of(crop, other) if own is None else ():
            if pair.view == "bad":
                said = f"{crop.name} beside {other.name.lower()}: {pair.because}. {MIXED}."
                yield said, "bad_neighbours", "Part them where there is room, or enter your own view."

    def _of_height(self, low: Grown, tall: Grown) -> Iterator[TellIt]:
        """Where a tall crop stands too near on the side that the sun comes from."""
        latitude_deg = self.growing.around.latitude_deg
        pole = towards_pole(self.growing.around, self.growing.place)
        higher_m = tall.crop.value("height_m") - low.crop.value("height_m")
        if pole is None or latitude_deg is None or higher_m < TALLER_M or low.crop.sun_hours < LIKES_SUN_HOURS:
            return
        if not len(low.placed.points) or not len(tall.placed.points):
            return
        ahead = tall.placed.points.mean(axis=0) - low.placed.points.mean(axis=0)
        if ahead[0] * pole[0] + ahead[1] * pole[1] >= 0:
            return
        latitude = abs(latitude_deg)
        off_m = tall.crop.value("height_m")
        if latitude < HIGH_LATITUDE_DEG:
            off_m = higher_m * math.tan(math.radians(latitude))
        apart_m = low.covers.distance(tall.covers)
        if apart_m >= off_m:
            return
        far, there = (show_length(each, self.growing.around.system) for each in (off_m, apart_m))
        yield (
            f"{tall.crop.name} stands {there} off {low.crop.name.lower()} on the side of the sun; "
            f"{far} would let it in.",
            "tall_on_sun_side",
            "Put the tall ones on the side away from the midday sun.",
        )


def _in_one_spot(one: Grown, other: Grown) -> Iterator[TellIt]:
    """Told where plants of two crops stand in each other: nearer than half of what either is spaced."""
    if not len(one.placed.points) or not len(other.placed.points):
        return
    near_m = (one.crop.spacing_m + other.crop.spacing_m) / 4
    apart = one.placed.points[:, None, :] - other.placed.points[None, :, :]
    if (apart**2).sum(axis=2).min() < near_m**2:
        said = f"{one.crop.name} and {other.crop.name.lower()} stand in one spot at one time."
        yield said, "crops_in_one_spot", "Move one of them, or let one follow when the other is cleared."
