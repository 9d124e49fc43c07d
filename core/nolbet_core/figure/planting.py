"""What grows in a bed in figures; its cover and its drip lines are told in figure.cover_and_lines."""

from __future__ import annotations

from datetime import date, timedelta

from nolbet_core.built.growing import cell_m2, rest_days
from nolbet_core.built.outlined import ZoneGround
from nolbet_core.built.planted import planted_of
from nolbet_core.built.planted_wares import pieces_of, sowing_days
from nolbet_core.built.suits import Suited
from nolbet_core.built.worked import WorkedBed
from nolbet_core.climate.year import Year
from nolbet_core.figure.drawn import drawn_rings
from nolbet_core.figure.planting_figures import CropInBed, LeavesFigures, SunFigures, ZoneGroundFigures
from nolbet_core.plot.placed import every_ring

POINT_DIGITS = 3
SIZES_APART = timedelta(weeks=2)
"""Plants of several sizes are so much older one than the next."""


def planting_figures(worked: WorkedBed) -> list[CropInBed]:
    """The crops of a bed. Those that the garden doesn't have are left out."""
    return [_crop(each, worked) for each in worked.suits]


def leaves_figures(worked: WorkedBed) -> LeavesFigures:
    """How a bed is planted in full leaf, as its water reckons it."""
    planted = planted_of(worked)
    return LeavesFigures(planted.crop_factor, planted.canopy, planted.by_day is not None)


def zone_ground_figures(worked: WorkedBed) -> list[ZoneGroundFigures]:
    """Where a bed is drier and moister, where that differs."""
    water_zones = worked.growing.zones
    if len(water_zones) < 2:
        return []
    return [_zone(each) for each in water_zones]


def _zone(each: ZoneGround) -> ZoneGroundFigures:
    middle = each.middle.interpolate(0.5, normalized=True) if each.middle else each.ground.representative_point()
    anchor = (round(float(middle.x), POINT_DIGITS), round(float(middle.y), POINT_DIGITS))
    return ZoneGroundFigures(each.zone, drawn_rings(every_ring(each.ground)), anchor)


def _crop(suited: Suited, worked: WorkedBed) -> CropInBed:
    grown, window = suited.grown, suited.window
    asked, crop, placed = grown.asked, grown.crop, grown.placed
    sowings = sowing_days(suited)
    yields = crop.properties["yield_kg_m2"]
    grown_m2 = min(placed.count * cell_m2(crop), worked.growing.outline.area)
    hours = worked.growing.sun.get(grown.index)
    return CropInBed(
        crop=crop.key,
        name=crop.name,
        count=placed.count,
        pattern=placed.pattern,
        fits=not suited.stops,
        because=[each.said for each in (*suited.stops, *suited.minds)],
        would=[each.advice for each in suited.stops if each.advice],
        sow_from=window.opens if window else None,
        sow_until=window.closes if window else None,
        sowings=sowings,
        stands_from=suited.begins,
        stands_until=suited.ends,
        harvests=_harvests(suited, sowings, worked.year),
        spread_m=crop.spacing_m,
        height_m=crop.value("height_m"),
        points=tuple((round(float(x), POINT_DIGITS), round(float(y), POINT_DIGITS)) for x, y in placed.points),
        start=crop.start,
        seeds=pieces_of(suited) if crop.start == "sown" else None,
        plants=pieces_of(suited) if crop.start == "planted" else None,
        yield_kg=(yields.low * grown_m2, yields.high * grown_m2),
        sun=SunFigures(hours.longest, hours.equinox) if hours else None,
        in_pockets=asked.pockets,
    )


def _harvests(suited: Suited, sowings: list[date], year: Year) -> list[date]:
    """From when each sowing gives, or each size of what is planted at once."""
    if suited.begins is None:
        return []
    crop = suited.grown.crop
    ready = timedelta(days=crop.days + rest_days(crop, suited.begins, year))
    if sowings:
        return [each + ready for each in sowings]
    first = suited.begins + ready
    return sorted(max(first - SIZES_APART * size, suited.begins) for size in range(suited.grown.asked.sizes or 1))
