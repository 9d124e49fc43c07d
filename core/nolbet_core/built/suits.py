"""Whether a bed suits its crops: what stops each, what is to be minded, and from when until when it can go in."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from datetime import date, timedelta
from functools import cached_property
from typing import Any

from nolbet_core.built.beside import Beside
from nolbet_core.built.growing import BedGrowing, Grown, ends_of
from nolbet_core.climate.year import Year
from nolbet_core.planting.crops import Crop
from nolbet_core.planting.ready import Readiness, Sowing
from nolbet_core.planting.windows import SowingWindow, sowing_window
from nolbet_core.quantities.units import System
from nolbet_core.quantities.writing import show_area, show_length
from nolbet_core.record import record

FIRST_YEAR = timedelta(days=365)
NEARLY_ALL = 1.001
HALF_A_YEAR = timedelta(days=180)
SHORT_KG_M2 = 0.010
"""Nitrogen that a hungry crop minds going short of [kg/m2]."""
FEEDS_ITSELF = "legumes"
MOST_NAMED = 3
"""So many crops that would fit are named."""
DAYS_A_MONTH = 30
CLOSED_COVERS = frozenset({"fleece", "film", "double_film"})
"""Covers that no bee gets through."""


@record
class CropTold:
    """Something told of a crop in a bed. code: of the finding that it makes, where it makes one. sets: keys of the crop
    that would mend it, with what the click says.
    """

    said: str
    code: str | None = None
    advice: str = ""
    sets: Mapping[str, Any] | None = None
    label: str = ""


@record
class Suited:
    """Whether a bed suits a crop, and from when. stops: why not; minds: what to mind. begins, ends: the days it goes in
    and is cleared, as far as they are known.
    """

    grown: Grown
    stops: tuple[CropTold, ...]
    minds: tuple[CropTold, ...]
    window: SowingWindow | None
    begins: date | None
    ends: date | None


@dataclass(frozen=True)
class BedSuits:
    """A bed before its crops. raw_below: whether raw wood or litter lies in it. short_kg_m2: nitrogen it goes short of
    in its first season [kg/m2]. sown: what grew in it before, with its day.
    """

    growing: BedGrowing
    ready: Readiness
    raw_below: bool
    short_kg_m2: float
    built_on: date | None
    year: Year
    system: System
    sown: tuple[tuple[date, str], ...] = ()

    @cached_property
    def suited(self) -> tuple[Suited, ...]:
        """Each of its crops, judged."""
        firsts = [self._first(each) for each in self.growing.grown]
        beside = Beside(self.growing, [(each.grown, each.begins, each.ends) for each in firsts], self.sown)
        return tuple(
            Suited(
                each.grown,
                each.stops,
                (*each.minds, *(CropTold(said, code or None, do) for said, code, do in beside.told(each.grown))),
                each.window,
                each.begins,
                each.ends,
            )
            for each in firsts
        )

    def _first(self, grown: Grown) -> Suited:
        asked, crop = grown.asked, grown.crop
        sowing = next((each for each in self.ready.sowings if each.roots == crop.roots), None)
        ready = self._for_its_season(asked.begins, self._ready(crop, sowing))
        window = sowing_window(crop, ready, self.year) if ready and sowing and sowing.years is not None else None
        stops = list(self._stops(grown, sowing))
        if window is None and ready is not None and not stops:
            said = f"{crop.name} takes {crop.days} days, and the season here is shorter."
            stops.append(CropTold(said, "crop_season_short", "Start it indoors, cover the bed, or grow a quicker one."))
        stops += self._too_soon_or_late(grown, window, sowing)
        if not stops and window is not None and asked.begins is None:
            stops += self._not_this_season(crop, window, sowing)
        begins = date.fromisoformat(asked.begins) if asked.begins else window.opens if window else None
        ends = ends_of(asked, crop, begins, self.year) if begins is not None else None
        return Suited(grown, tuple(stops), tuple(self._minds(grown)), window, begins, ends)

    def _for_its_season(self, begins: str | None, ready: date | None) -> date | None:
        """From when the season that is meant may open: the first, or a later one where a crop's day lies there."""
        if begins is None or ready is None:
            return ready
        return max(ready, date.fromisoformat(begins) - HALF_A_YEAR)

    def _ready(self, crop: Crop, sowing: Sowing | None) -> date | None:
        """From when the bed can take a crop, where a day is known."""
        today, built = self.year.today, self.built_on
        if sowing is None or built is None:
            return today
        ready = sowing.from_day or built
        if "root" in crop.traits and self.raw_below:
            ready = max(ready, built + FIRST_YEAR)
        return max(ready, today) if today else ready

    def _not_this_season(self, crop: Crop, window: SowingWindow, sowing: Sowing | None) -> Iterator[CropTold]:
        """What the bed still lacks where this season's sowing goes by without it."""
        now = self.year.today or self.built_on
        season = sowing_window(crop, now, self.year) if now else None
        if season is None or window.opens <= season.closes:
            return
        first_roots = "root" in crop.traits and self.raw_below
        fallback = "roots fork and starve over a raw fill in its first year" if first_roots else "the fill isn't ready"
        because = sowing.because if sowing and (sowing.years or not first_roots) else fallback
        yield CropTold(
            f"{crop.name} can go in from {window.opens:%-d %b %Y}: {because}.", "crop_waits", self._instead(crop)
        )

    def _stops(self, grown: Grown, sowing: Sowing | None) -> Iterator[CropTold]:
        asked, crop = grown.asked, grown.crop
        if not grown.placed.count:
            room = "there are no pockets to plant in" if asked.pockets else "there is no such room left"
            said = f"{crop.name} wants {self._show(crop.spacing_m)} to itself, and {room} beside the others."
            yield CropTold(said, "crop_no_room", "Take fewer of the others, or put it into another bed.")
        if sowing is None or sowing.years is None:
            wants = self._show(crop.properties["root_depth_m"].low)
            said = f"{crop.name} roots {wants} deep, and finds {self._show(self.ready.depth_m)} here."
            yield CropTold(said, "crop_roots_deep", f"Lay {wants} of soil. {self._instead(crop)}".strip())
        limit_m, high_m = self.growing.bed.height_limit_m, crop.value("height_m")
        if limit_m is not None and high_m > limit_m:
            said = f"{crop.name} grows {self._show(high_m)} high, over the {self._show(limit_m)} that are kept open."
            yield CropTold(said, "crop_too_high", self._instead(crop))
        if crop.zone == "dry" and self.growing.bed.reservoir is not None:
            said = f"{crop.name} likes it dry, and stands over a reservoir here."
            yield CropTold(said, "crop_wrong_zone", "Give it a spot that drains, or a pot of its own.")
        yield from self._crowded(grown)

    def _crowded(self, grown: Grown) -> Iterator[CropTold]:
        """Where more of a crop is asked for than goes in."""
        asked, bed_m2 = grown.asked, self.growing.outline.area
        if asked.area_m2 is not None and asked.area_m2 > bed_m2 * NEARLY_ALL:
            wanted, there = (show_area(each, self.system) for each in (asked.area_m2, bed_m2))
            said = f"{wanted} are more than the {there} of the bed."
            yield CropTold(said, "crop_crowded", "Plant less of it, or give it another bed too.")
        if asked.count is not None and grown.room is not None and asked.count > grown.room:
            go = "goes" if grown.room == 1 else "go"
            said = f"{asked.count} are too many: {grown.room} {go} in {self._show(grown.crop.spacing_m)} apart."
            if asked.pockets:
                said = f"{asked.count} are too many: there are pockets for {grown.room}."
            fewer = {"count": grown.room} if grown.room else None
            yield CropTold(said, "crop_crowded", "Plant fewer, or give them another bed.", fewer, f"Plant {grown.room}")

    def _show(self, length_m: float) -> str:
        return show_length(length_m, self.system)

    def _instead(self, crop: Crop) -> str:
        """Crops of the like that would fit."""
        names = [each.name.lower() for each in self.would_fit(crop)][:MOST_NAMED]
        return f"These would do here now: {', '.join(names)}." if names else ""

    def would_fit(self, crop: Crop) -> Iterator[Crop]:
        """Crops that would do in the bed now, those most like one of them first."""
        kinds = ("root", "fruiting", "herb", "flower", "perennial")
        own = {kind for kind in kinds if kind in crop.traits}
        fits = [each for each in self.growing.around.crops.values() if self._does_now(each)]
        return iter(sorted(fits, key=lambda each: len(own ^ {kind for kind in kinds if kind in each.traits})))

    def _does_now(self, crop: Crop) -> bool:
        sowing = next((each for each in self.ready.sowings if each.roots == crop.roots), None)
        limit_m = self.growing.bed.height_limit_m
        waits = "root" in crop.traits and self.raw_below and self._is_young
        return (
            sowing is not None
            and sowing.years == 0
            and not waits
            and (limit_m is None or crop.value("height_m") <= limit_m)
            and (crop.zone != "dry" or self.growing.bed.reservoir is None)
        )

    @property
    def _is_young(self) -> bool:
        now, built = self.year.today, self.built_on
        return now is None or built is None or now < built + FIRST_YEAR

    def _minds(self, grown: Grown) -> Iterator[CropTold]:
        asked, crop, bed = grown.asked, grown.crop, self.growing.bed
        if self.short_kg_m2 > SHORT_KG_M2 and crop.family != FEEDS_ITSELF:
            yield CropTold(f"It goes short of {self.short_kg_m2 * 1000:.0f} g of nitrogen a m² this season: feed it.")
        if bed.reservoir is not None and crop.start == "sown":
            yield CropTold("Water the seedlings from the top until their roots reach the damp.", "seedlings_over_water")
        if "spreads" in crop.traits and not asked.sunk_pot:
            yield CropTold(
                f"{crop.name} spreads: set it in a sunk pot.", "crop_spreads",
                sets={"sunk_pot": True}, label="Set it in a sunk pot",
            )  # fmt: skip
        if "support" in crop.traits and asked.support is None:
            yield CropTold(
                f"{crop.name} wants stakes or a net, set when it is planted.", "crop_unsupported",
                sets={"support": "stakes"}, label="Add stakes",
            )  # fmt: skip
        if "perennial" in crop.traits:
            yield CropTold(f"It stays for years, and first gives in {round(crop.days / DAYS_A_MONTH)} months.")
        if "winter" in crop.traits:
            yield CropTold("It stands through the winter: keep its ground free of it till spring.")
        yield from self._of_its_spot(grown)
        yield from self._of_sun(grown)
        shut = bed.cover is not None and (bed.cover.kind in CLOSED_COVERS or bed.cover.against == "insects")
        if shut and "bees" in crop.traits and "fruiting" in crop.traits:
            yield CropTold(
                f"{crop.name} needs bees, and none get under the cover.", "cover_shuts_out_bees",
                "Open it by day while they flower, or carry pollen from flower to flower with a brush.",
            )  # fmt: skip

    def _of_its_spot(self, grown: Grown) -> Iterator[CropTold]:
        """Where a crop stands on ground that is drier or moister than it likes."""
        crop = grown.crop
        if len(self.growing.zones) < 2 or not len(grown.placed.points):
            return
        middle = grown.covers.centroid
        there = min(self.growing.zones, key=lambda each: each.ground.distance(middle)).zone
        if "plain" in (there, crop.zone) or there == crop.zone:
            return
        said = f"{crop.name} likes it {crop.zone}, and stands where it is {there}."
        where = "top" if crop.zone == "dry" else "foot"
        yield CropTold(said, "crop_off_its_zone", f"Put it near the {where}, or leave its place to Nolbet.",
                   {"at_m": None, "within_m": None}, "Put it where it likes it")  # fmt: skip

    def _of_sun(self, grown: Grown) -> Iterator[CropTold]:
        crop, hours = grown.crop, self.growing.sun.get(grown.index)
        least = crop.sun_hours
        if hours is None or "fruiting" not in crop.traits or min(hours.longest, hours.equinox) >= least:
            return
        when = "on the longest day" if hours.longest < least else "when day and night are alike"
        found = hours.longest if hours.longest < least else hours.equinox
        yield CropTold(
            f"{crop.name} wants {least:g} hours of sun, and has {found:.1f} {when} where it is shadiest.",
            "crop_in_shade",
            "Move it to the sunniest end, or grow salads and herbs there.",
        )

    def _too_soon_or_late(self, grown: Grown, window: SowingWindow | None, sowing: Sowing | None) -> Iterator[CropTold]:
        asked, crop = grown.asked, grown.crop
        if asked.begins is None or window is None:
            return
        begins = date.fromisoformat(asked.begins)
        if begins < window.opens and not self._went_in(crop, begins):
            why = f": {sowing.because}" if sowing and sowing.years else ""
            opens = {"from": window.opens.isoformat()}
            yield CropTold(f"{crop.name} can go in from {window.opens:%-d %b %Y}{why}.", "crop_too_soon",
                       "Wait, or start it indoors.", opens, f"Put it off till {window.opens:%-d %b}")  # fmt: skip
        elif begins > window.closes:
            closes = {"from": window.closes.isoformat()}
            yield CropTold(f"{crop.name} no longer ripens when it goes in after {window.closes:%-d %b %Y}.",
                       "crop_too_late", "Put it in sooner, or grow a quicker one.", closes,
                       f"Put it in by {window.closes:%-d %b}")  # fmt: skip

    def _went_in(self, crop: Crop, begins: date) -> bool:
        """Whether a crop's day lies behind in a season of its own: what stands there needs no window any more."""
        today = self.year.today
        if today is None or begins >= today:
            return False
        then = sowing_window(crop, max(begins, self.built_on or begins), self.year)
        return then is not None and then.opens <= begins <= then.closes
