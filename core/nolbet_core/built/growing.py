"""Crops where they stand in a bed: side by side or after one another, each on ground that is as moist as it likes."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from functools import cached_property
from typing import TYPE_CHECKING

import numpy as np
from numpy.typing import NDArray

from nolbet_core.built.outlined import ZoneGround, band_of, plantable, zones_in
from nolbet_core.built.sunlit import EQUINOX, LEAST_HIGHER_M, Hours, Tall, hours_of_sun, longest_day, towards_pole
from nolbet_core.built.surroundings import Surroundings
from nolbet_core.climate.year import Year
from nolbet_core.lazy import lazily
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.planting import BedCrop
from nolbet_core.planting.along import files_in, parted_along, placed_along
from nolbet_core.planting.crops import Crop, Zone
from nolbet_core.planting.parting import Want, is_long, parted, parted_in_order
from nolbet_core.planting.placing import Placed, in_grid, placed_in, placed_in_rows
from nolbet_core.planting.windows import WINTER_REST_DAYS, goes_in_autumn
from nolbet_core.plot.placed import PlacedBed
from nolbet_core.record import record
from nolbet_core.shapes.vessel import Vessel

if TYPE_CHECKING:
    import shapely
    from shapely.geometry.base import BaseGeometry
else:
    shapely = lazily("shapely")

IN_ROWS = 1.5
"""A crop whose rows stand so many times further apart than its plants is sown in rows."""
TALLER_M = 0.5
"""Crops that differ by so much in height are put in order, the tall ones towards the pole."""
LONG_DAYS = 200
"""What takes longer to its first harvest is reckoned from autumn on, its winter with it."""
MOST_LOOKED_AT = 12
"""Plants of one crop whose hours of sun are looked at, spread over all of them."""
THICKET = 40
"""More plants than this of one crop shade as one."""
LEAVES_SHARE = 0.7
"""Share of its spacing that a tall plant's leaves take each way (estimate)."""
CROWDED = (1.0, 0.95, 0.9, 0.8, 0.7)
NOWHERE = np.empty((0, 2))


@record
class Grown:
    """A crop of a bed where it stands. index: its place in the bed's list. ground: what it was given, from above [m].
    room: how many would go in by themselves, None where no count is said.
    """

    index: int
    asked: BedCrop
    crop: Crop
    placed: Placed
    ground: BaseGeometry
    room: int | None

    @property
    def area_m2(self) -> float:
        """Ground that its plants take [m2]."""
        return self.placed.count * cell_m2(self.crop)

    @property
    def covers(self) -> BaseGeometry:
        """What its plants cover from above, each as wide as it is spaced."""
        return shapely.union_all(
            shapely.buffer(shapely.points(self.placed.points), self.crop.spacing_m / 2, quad_segs=2)
        )


def ends_of(asked: BedCrop, crop: Crop, begins: date, year: Year) -> date | None:
    """The day a crop is cleared: as said, else once it has given; None of one that stays for years."""
    if asked.ends is not None:
        return date.fromisoformat(asked.ends)
    if "perennial" in crop.traits:
        return None
    whole_days = max(crop.days, round(sum(crop.stage_days)))
    return begins + timedelta(days=whole_days + rest_days(crop, begins, year))


def rest_days(crop: Crop, begins: date, year: Year) -> int:
    """How long a crop rests over winter beside the days that it takes in spring [days]."""
    counts_winter = crop.days > LONG_DAYS
    return WINTER_REST_DAYS if goes_in_autumn(crop, begins, year) and not counts_winter else 0


def sown_in_rows(crop: Crop) -> bool:
    """Whether its rows stand much further apart than its plants."""
    return crop.row_m > IN_ROWS * crop.spacing_m


def cell_m2(crop: Crop) -> float:
    """Ground that one plant takes [m2]."""
    return crop.spacing_m * (crop.row_m if sown_in_rows(crop) else crop.spacing_m)


def all_in(crop: Crop, ground: BaseGeometry) -> Placed:
    """As many plants as a piece of ground takes."""
    if sown_in_rows(crop):
        return placed_in_rows(ground, crop.spacing_m, crop.row_m)
    return placed_in(ground, crop.spacing_m)


@dataclass(frozen=True)
class BedGrowing:
    """What grows in a bed. place: where it lies on the plot, where it does. pockets: in its sides, to plant in."""

    bed: Bed
    vessel: Vessel
    around: Surroundings
    place: PlacedBed | None
    pockets: int

    @cached_property
    def outline(self) -> BaseGeometry:
        """What of the bed can be planted, from above [m]."""
        return plantable(self.vessel)

    @cached_property
    def zones(self) -> tuple[ZoneGround, ...]:
        """Where it is drier and moister; nothing where it is alike all over."""
        return zones_in(self.bed, self.vessel, self.outline)

    @cached_property
    def grown(self) -> tuple[Grown, ...]:
        """The bed's crops; those that the garden doesn't have are left out."""
        known = [
            (index, each, self.around.crops[each.crop])
            for index, each in enumerate(self.bed.crops)
            if each.crop in self.around.crops
        ]
        if not known:
            return ()
        loose = [each for each in known if each[1].at_m is None and each[1].within_m is None and not each[1].pockets]
        strips = self._along_the_band(loose) if self.band is not None else self._side_by_side(loose)
        return tuple(self._grown(index, asked, crop, strips.get(index, self.outline)) for index, asked, crop in known)

    def zone_ground(self, zone: Zone) -> BaseGeometry:
        """Ground that is as moist as that; all of the bed where it is alike all over, or has no such ground."""
        return next((each.ground for each in self.zones if each.zone == zone), self.outline)

    @cached_property
    def band(self) -> tuple[shapely.LineString, float] | None:
        """The middle of its bed and how wide that is [m], where it is a spiral's; plants stand in file along it."""
        return band_of(self.vessel)

    def _all_over(self, crop: Crop) -> Placed:
        """As many plants of a crop as the bed takes by itself."""
        return all_in(crop, self.outline) if self.band is None else self._within(crop, self.band[0])

    def _within(self, crop: Crop, ground: BaseGeometry) -> Placed:
        """As many as go onto a piece of ground, or along a piece of the band."""
        if self.band is None:
            return all_in(crop, ground)
        line, width_m = self.band
        if isinstance(ground, shapely.LineString):
            return placed_along(ground, width_m, crop.spacing_m)
        points = placed_along(line, width_m, crop.spacing_m).points
        return Placed("rows", points[shapely.intersects_xy(ground, points[:, 0], points[:, 1])])

    def _along_the_band(self, loose: Sequence[tuple[int, BedCrop, Crop]]) -> dict[int, BaseGeometry]:
        """Pieces of the band for crops that nobody gave a place, each where it is as moist as it likes."""
        line, width_m = self.band or (shapely.LineString(), 0.0)
        pieces: dict[int, BaseGeometry] = {}
        for zone in ("moist", "plain", "dry"):
            crops = [each for each in loose if each[2].zone == zone]
            middle = next((each.middle for each in self.zones if each.zone == zone), None) or line
            lengths = [_length_asked(asked, crop, width_m) for _, asked, crop in crops]
            pieces |= {each[0]: piece for each, piece in zip(crops, parted_along(middle, lengths), strict=True)}
        return pieces

    def _side_by_side(self, loose: Sequence[tuple[int, BedCrop, Crop]]) -> dict[int, BaseGeometry]:
        """Ground for crops that nobody gave a place, by their places in the bed's list."""
        grounds: dict[int, BaseGeometry] = {}
        zones: dict[Zone, list[tuple[int, BedCrop, Crop]]] = {}
        for each in loose:
            zones.setdefault(each[2].zone if len(self.zones) > 1 else "plain", []).append(each)
        for zone, crops in zones.items():
            ground = self.zone_ground(zone) if len(self.zones) > 1 else self.outline
            slots = _after_one_another(crops, self.around.year)
            wants = [self._want(slot) for slot in slots]
            for slot, strip in zip(slots, self._in_order(ground, slots, wants), strict=True):
                grounds |= {index: strip for index, _, _ in slot}
        return grounds

    def _in_order(
        self, ground: BaseGeometry, slots: Sequence[Sequence[tuple[int, BedCrop, Crop]]], wants: Sequence[Want]
    ) -> list[BaseGeometry]:
        """Strips, the tall crops' towards the pole where they differ much and it is known where that is."""
        heights = [max(crop.value("height_m") for _, _, crop in slot) for slot in slots]
        pole = towards_pole(self.around, self.place)
        if pole is None or max(heights) - min(heights) < TALLER_M:
            return parted(ground, wants)
        for lengthwise in sorted((True, False), key=lambda each: abs(pole[0] if each else pole[1]), reverse=True):
            up = pole[0 if lengthwise else 1] > 0
            order = sorted(range(len(slots)), key=lambda each: heights[each], reverse=not up)
            if (strips := parted_in_order(ground, wants, order, lengthwise)) is not None:
                return strips
            if lengthwise == is_long(ground):
                break
        return parted(ground, wants)

    def _want(self, slot: Sequence[tuple[int, BedCrop, Crop]]) -> Want:
        areas = [_area_asked(asked, crop) for _, asked, crop in slot]
        known = [each for each in areas if each is not None]
        return Want(
            max(known) if len(known) == len(areas) else None,
            lambda strip: all(all_in(crop, strip).count >= (asked.count or 1) for _, asked, crop in slot),
            max(min(crop.spacing_m, crop.row_m) for _, _, crop in slot),
        )

    def _grown(self, index: int, asked: BedCrop, crop: Crop, ground: BaseGeometry) -> Grown:
        if asked.pockets:
            many = min(asked.count or self.pockets, self.pockets)
            return Grown(index, asked, crop, Placed("rows", NOWHERE, many), ground, self.pockets)
        if asked.within_m is not None:
            ground = self.outline.intersection(shapely.Polygon(asked.within_m).buffer(0))
        return Grown(index, asked, crop, self._placed(asked, crop, ground), ground, self._room(asked, crop, ground))

    def _room(self, asked: BedCrop, crop: Crop, ground: BaseGeometry) -> int | None:
        """How many would go in by themselves, or onto the ground that was drawn for them; not asked where no count is
        said.
        """
        if asked.count is None:
            return None
        return (self._all_over(crop) if asked.within_m is None else self._within(crop, ground)).count

    def _placed(self, asked: BedCrop, crop: Crop, ground: BaseGeometry) -> Placed:
        """Where its plants stand on its ground, or nearest to the middle that is said; as many as are said, or as go
        onto its area.
        """
        if self.outline.is_empty:
            return Placed("square", NOWHERE)
        whole = self._within(crop, ground)
        wanted = asked.count
        if wanted is None:
            share = min((asked.area_m2 or self.outline.area) / self.outline.area, 1.0)
            wanted = whole.count if asked.at_m is None else round(whole.count * share)
        if whole.unseen:
            return Placed(whole.pattern, NOWHERE, min(wanted, whole.count))
        if wanted > whole.count:
            all_over = self._all_over(crop)
            whole = all_over if wanted <= all_over.count else _crowded(whole, self.outline, wanted)
            if whole.unseen:
                return whole
            middle = (self.outline if ground.is_empty else ground).centroid
            return Placed(whole.pattern, _nearest(whole.points, asked.at_m or (middle.x, middle.y), wanted))
        if asked.at_m is None:
            return Placed(whole.pattern, whole.points[:wanted])
        return Placed(whole.pattern, _nearest(whole.points, asked.at_m, wanted))

    def wanted_nitrogen(self, usual_kg_m2: float) -> float:
        """Nitrogen that its crops want in a season [kg/m2]. usual_kg_m2: where nothing is planned [kg/m2]."""
        grown = [each for each in self.grown if each.placed.count and not each.asked.pockets]
        if not grown:
            return usual_kg_m2
        wanted_kg = sum(each.area_m2 * each.crop.value("nitrogen_kg_m2") for each in grown)
        bare_m2 = max(self.outline.area - sum(each.area_m2 for each in grown), 0.0)
        return (wanted_kg + bare_m2 * usual_kg_m2) / max(self.outline.area, sum(each.area_m2 for each in grown))

    @cached_property
    def sun(self) -> dict[int, Hours]:
        """Hours of sun where each crop has the fewest, by its place in the list; nothing where that can't be known."""
        if self.place is None or self.around.latitude_deg is None:
            return {}
        days = (longest_day(self.around.latitude_deg), EQUINOX)
        found = {}
        for each in self.grown:
            points = each.placed.points[:: max(each.placed.count // MOST_LOOKED_AT, 1)]
            if len(points) == 0:
                continue
            top_m = self.rim_m + each.crop.value("height_m") / 2
            hours = hours_of_sun(self.around, self.place, points, days, top_m, self._tall_beside(each))
            if hours is not None:
                longest, equinox = hours.min(axis=0)
                found[each.index] = Hours(float(longest), float(equinox))
        return found

    @property
    def rim_m(self) -> float:
        """How high its rim stands over the ground [m]."""
        return 0.0 if self.vessel.form == "trench" else self.vessel.height_of(self.vessel.hollow.rim_m)

    def _tall_beside(self, low: Grown) -> list[Tall]:
        """Crops that stand over another's head while it stands there."""
        own = self._stands(low)
        others = [each for each in self.grown if each is not low and at_one_time(own, self._stands(each))]
        return _tall_among(others, low.crop.value("height_m") / 2)

    def tall_on(self, day: date | None) -> list[Tall]:
        """Crops that shade the bare soil on a day; all of them where none is said."""
        return _tall_among(
            [each for each in self.grown if day is None or at_one_time((day, day + ONE_DAY), self._stands(each))], 0.0
        )

    def _stands(self, grown: Grown) -> tuple[date | None, date | None]:
        """From when until when a crop stands, as far as its own days tell."""
        begins = date.fromisoformat(grown.asked.begins) if grown.asked.begins else None
        return begins, ends_of(grown.asked, grown.crop, begins, self.around.year) if begins is not None else None


ONE_DAY = timedelta(days=1)
Span = tuple[date | None, date | None]


def at_one_time(one: Span, other: Span) -> bool:
    """Whether two crops may stand there at one time: from when until when each does, as far as that is known."""
    (begins, ends), (other_begins, other_ends) = one, other
    if begins is None or other_begins is None:
        return True
    return (ends is None or other_begins < ends) and (other_ends is None or begins < other_ends)


def _tall_among(crops: Sequence[Grown], under_m: float) -> list[Tall]:
    """What of some crops stands over a height [m]: each plant by itself, a thicket of many as one."""
    found = []
    for each in crops:
        over_m = each.crop.value("height_m") - under_m
        if over_m <= LEAST_HIGHER_M or not len(each.placed.points):
            continue
        if each.placed.count > THICKET:
            found.append(Tall(each.covers.convex_hull, over_m))
        else:
            half_m = each.crop.spacing_m * LEAVES_SHARE / 2
            found += [
                Tall(shapely.box(x - half_m, y - half_m, x + half_m, y + half_m), over_m)
                for x, y in each.placed.points.tolist()
            ]
    return found


def _area_asked(asked: BedCrop, crop: Crop) -> float | None:
    """Ground that a crop is to have [m2]; None where neither that nor a count is said."""
    return asked.count * cell_m2(crop) if asked.count is not None else asked.area_m2


def _length_asked(asked: BedCrop, crop: Crop, width_m: float) -> float | None:
    """Length of a band so wide that a crop is to have [m]; None where neither a count nor an area is said."""
    if asked.count is not None:
        return math.ceil(asked.count / files_in(width_m, crop.spacing_m)) * crop.spacing_m
    return None if asked.area_m2 is None else asked.area_m2 / width_m


def _after_one_another(crops: Sequence[tuple[int, BedCrop, Crop]], year: Year) -> list[list[tuple[int, BedCrop, Crop]]]:
    """Crops that share their ground, one once another is cleared; a crop without a day of its own stands beside."""
    slots: list[list[tuple[int, BedCrop, Crop]]] = []
    ends: list[date | None] = []
    dated = sorted((each for each in crops if each[1].begins), key=lambda each: (each[1].begins or "", each[0]))
    for each in [*dated, *(each for each in crops if each[1].begins is None)]:
        _, asked, crop = each
        begins = date.fromisoformat(asked.begins) if asked.begins else None
        free = (place for place, end in enumerate(ends) if begins is not None and end is not None and end <= begins)
        place = next(free, None)
        ended = ends_of(asked, crop, begins, year) if begins is not None else None
        if place is None:
            slots.append([each])
            ends.append(ended)
        else:
            slots[place].append(each)
            ends[place] = ended
    return sorted(slots, key=lambda slot: slot[0][0])


def _nearest(points: NDArray[np.float64], middle: Sequence[float], count: int) -> NDArray[np.float64]:
    order = np.argsort(np.hypot(*(points - np.asarray(middle)).T), kind="stable")
    return points[order[:count]]


def _crowded(whole: Placed, outline: BaseGeometry, wanted: int) -> Placed:
    """More plants than go in by their spacing, as they would have to stand: closer by as much."""
    close_m = (outline.area / wanted) ** 0.5
    for tighter in CROWDED:
        tried = in_grid(outline, close_m * tighter, close_m * tighter, "square")
        if tried.unseen:
            return Placed("square", NOWHERE, wanted)
        if tried.count >= wanted:
            return Placed("square", tried.points[:wanted])
    return whole
