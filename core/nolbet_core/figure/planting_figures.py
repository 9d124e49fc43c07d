"""What grows in a bed, in figures."""

from __future__ import annotations

from datetime import date
from typing import Literal

from nolbet_core.figure.finding_figures import Line
from nolbet_core.record import record


@record
class CropInBed:
    """A crop in a bed. count: plants, as said or as many as go in; pattern: how they stand. fits: whether the bed suits
    it; because: why not, or what to mind, one sentence each. sow_from, sow_until: days it can be sown or planted on,
    null where none is known. sowings: days of sowing again and again. spread_m: across one plant. points: where each
    stands. seeds: to sow for so many; null of what is planted. yield_kg: what it may give in a season, from and to.
    """

    crop: str
    name: str
    count: int
    pattern: Literal["square", "offset", "rows"]
    fits: bool
    because: list[str]
    sow_from: date | None
    sow_until: date | None
    sowings: list[date]
    spread_m: float
    points: Line
    seeds: int | None
    yield_kg: tuple[float, float]


@record
class CoverFigures:
    """A cover over a bed and those alike: rods, their length, the line along the top, what lies over it, from one bed.

    weeks_spring, weeks_autumn: gained at either end: middle, least and most; null where frost never matters. vent_days:
    of each month on which it has to be opened.
    """

    hoops: int
    apart_m: float
    hoop_m: float
    ridge_m: float
    sheet_m: tuple[float, float]
    weeks_spring: tuple[float, float, float] | None
    weeks_autumn: tuple[float, float, float] | None
    vent_days: list[float]


@record
class LinesFigures:
    """A bed's drip lines. lost_share: of the head along one; is_even: whether that is little enough."""

    rows: int
    emitters: int
    flow_l_min: float
    lost_share: float
    is_even: bool


@record
class LedZone:
    """Beds that are watered together. minutes_week: by month, so that the thirstiest of them has enough. too_much:
    whether it takes more than three quarters of what the tap gives.
    """

    key: str
    beds: list[str]
    flow_l_min: float
    minutes_week: list[float]
    too_much: bool
