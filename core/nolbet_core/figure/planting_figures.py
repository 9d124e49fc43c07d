"""What grows in a bed, in figures."""

from __future__ import annotations

from datetime import date
from typing import Literal

from nolbet_core.figure.finding_figures import Line
from nolbet_core.planting.crops import Zone
from nolbet_core.record import record


@record
class SunFigures:
    """Hours of sun on the longest day and when day and night are alike, where there are fewest."""

    longest_h: float
    equinox_h: float


@record
class ZoneGroundFigures:
    """Ground of a bed that is drier or moister than the rest, from above. anchor: where its name stands."""

    zone: Zone
    outlines: list[Line]
    anchor: tuple[float, float]


@record
class CropInBed:
    """A crop in a bed. count: plants, as said or as many as go in; pattern: how they stand. fits: whether the bed suits
    it; because: why not, or what to mind, one sentence each; would: what would do instead. sow_from, sow_until: days it
    can be sown or planted on, null where none is known. sowings: days of sowing again and again. stands_from,
    stands_until: days it goes in and is cleared; null of one that stays for years. harvests: from when each sowing
    gives. spread_m: across one plant. points: where each stands. seeds, plants: to be had over all sowings. yield_kg:
    what it may give in a season, from and to. sun: null where the bed lies nowhere, or no latitude is known.
    in_pockets: in the sides, where nothing of it is seen from above.
    """

    crop: str
    name: str
    count: int
    pattern: Literal["square", "offset", "rows"]
    fits: bool
    because: list[str]
    would: list[str]
    sow_from: date | None
    sow_until: date | None
    sowings: list[date]
    stands_from: date | None
    stands_until: date | None
    harvests: list[date]
    spread_m: float
    height_m: float
    points: Line
    start: Literal["sown", "planted"]
    seeds: int | None
    plants: int | None
    yield_kg: tuple[float, float]
    sun: SunFigures | None
    in_pockets: bool


@record
class CoverFigures:
    """A cover over a bed: rods, their length, the line along the top, what lies over it, so many sheets of a material.
    stakes: of what stands. leaves_m3: of a winter blanket.

    weeks_spring, weeks_autumn: gained at either end: middle, least and most; null where frost never matters, or it
    doesn't warm. vent_days: of each month on which it has to be opened. told: what is to be minded.
    """

    hoops: int
    apart_m: float
    hoop_m: float
    ridge_m: float
    sheet_m: tuple[float, float]
    sheets: int
    material: str
    height_m: float
    stakes: int
    leaves_m3: float
    weeks_spring: tuple[float, float, float] | None
    weeks_autumn: tuple[float, float, float] | None
    vent_days: list[float]
    told: list[str]


@record
class LinesFigures:
    """A bed's drip lines. emitter_m, emitter_l_h: how far apart emitters are, and what one gives, as said or as is
    usual. row_m: length of one. header_m, riser_m: pipe across the bed, and up to it. lost_share: of
    the head along one row; is_even: whether that is little enough.
    """

    rows: int
    emitters: int
    emitter_m: float
    emitter_l_h: float
    row_m: float
    header_m: float
    riser_m: float
    flow_l_min: float
    lost_share: float
    is_even: bool


@record
class LeavesFigures:
    """How a bed is planted in full leaf, as its water reckons it. by_crops: whether its own crops say so, and neither
    the gardener nor what is usual.
    """

    crop_factor: float
    canopy: float
    by_crops: bool


@record
class HandFigures:
    """What watering a bed by hand takes a week, by month: cans, minutes with them, and minutes with a hose."""

    can_l: float
    cans_week: list[float]
    can_minutes_week: list[float]
    hose_minutes_week: list[float]


@record
class LineRun:
    """A run of supply pipe on the plot, from the tap or a bed to a bed. under_path_m: what of it wants a sleeve,
    nothing where it only touches a path.
    """

    starts: str
    ends: str
    line: Line
    length_m: float
    under_path_m: float


@record
class LedZone:
    """Beds that are watered together. minutes_week: by month, so that the thirstiest of them has enough. too_much:
    whether it takes more than three quarters of what the tap gives. runs: of pipe that lead to them.
    """

    key: str
    beds: list[str]
    flow_l_min: float
    minutes_week: list[float]
    too_much: bool
    runs: list[LineRun]
