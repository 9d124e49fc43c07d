"""What grows in a bed, judged by what the bed is; its cover and its drip lines."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from datetime import date, timedelta

import numpy as np
from numpy.typing import NDArray
from shapely import Polygon
from shapely.geometry.base import BaseGeometry

from nolbet_core.built.worked import WorkedBed
from nolbet_core.figure.drawn import plan_figures
from nolbet_core.figure.planting_figures import CoverFigures, CropInBed, LedZone, LinesFigures
from nolbet_core.lines.drip import DripLines, drip_lines
from nolbet_core.lines.zones import TAP_SHARE, USUAL_TAP_L_MIN, Zone, zoned
from nolbet_core.plan.planting import BedCrop
from nolbet_core.planting.cover import USUAL_HEIGHT_M, cover_parts, vent_days, weeks_gained
from nolbet_core.planting.crops import Crop
from nolbet_core.planting.parting import Want, parted
from nolbet_core.planting.placing import Placed, in_grid, placed_in, placed_in_rows
from nolbet_core.planting.ready import Sowing
from nolbet_core.planting.windows import SowingWindow, sowing_window, successions
from nolbet_core.quantities.writing import show_length
from nolbet_core.record import record

IN_ROWS = 1.5
"""A crop whose rows stand so many times further apart than its plants is sown in rows."""
FIRST_YEAR = timedelta(days=365)
SHORT_KG_M2 = 0.010
"""Nitrogen that a hungry crop minds going short of [kg/m2]."""
FEEDS_ITSELF = "legumes"
POINT_DIGITS = 3


@record
class _Suits:
    """Whether a bed suits a crop, and from when. stops: why not; minds: what to mind."""

    stops: tuple[str, ...]
    minds: tuple[str, ...]
    window: SowingWindow | None


def planting_figures(worked: WorkedBed) -> list[CropInBed]:
    """The crops of a bed. Those that the garden doesn't have are left out."""
    known = [each for each in worked.bed.crops if each.crop in worked.around.crops]
    if not known:
        return []
    outline = _outline(worked)
    loose = [place for place, each in enumerate(known) if each.at_m is None]
    strips = dict(zip(loose, parted(outline, [_want(known[place], worked) for place in loose]), strict=True))
    return [_crop(each, worked, outline, strips.get(place, outline)) for place, each in enumerate(known)]


def _want(asked: BedCrop, worked: WorkedBed) -> Want:
    crop = worked.around.crops[asked.crop]
    return Want(_area_asked(asked, crop), lambda strip: _all_in(crop, strip).count >= (asked.count or 0))


def _area_asked(asked: BedCrop, crop: Crop) -> float | None:
    """Ground that a crop is to have [m2]; None where neither that nor a count is said."""
    return asked.count * _cell_m2(crop) if asked.count is not None else asked.area_m2


def _crop(asked: BedCrop, worked: WorkedBed, outline: BaseGeometry, strip: BaseGeometry) -> CropInBed:
    crop = worked.around.crops[asked.crop]
    placed = _placed(asked, crop, outline, strip)
    judged = _judged(asked, crop, worked)
    stops = judged.stops
    if not placed.count:
        wants = show_length(crop.spacing_m, worked.system)
        stops = (f"{crop.name} wants {wants} to itself, and there is no such room left beside the others.", *stops)
    window = judged.window
    low, high = crop.properties["yield_kg_m2"].low, crop.properties["yield_kg_m2"].high
    grown_m2 = min(placed.count * _cell_m2(crop), outline.area)
    return CropInBed(
        crop=crop.key,
        name=crop.name,
        count=placed.count,
        pattern=placed.pattern,
        fits=not stops,
        because=[*stops, *judged.minds],
        sow_from=window.opens if window else None,
        sow_until=window.closes if window else None,
        sowings=_sowings(asked, window),
        spread_m=crop.spacing_m,
        points=tuple((round(float(x), POINT_DIGITS), round(float(y), POINT_DIGITS)) for x, y in placed.points),
        seeds=round(placed.count / crop.value("germination")) if crop.start == "sown" else None,
        yield_kg=(low * grown_m2, high * grown_m2),
    )


def _sowings(asked: BedCrop, window: SowingWindow | None) -> list[date]:
    """Days on which a crop is sown again and again; none where it isn't, or no day is known."""
    if window is None or asked.every_weeks is None:
        return []
    begins = date.fromisoformat(asked.begins) if asked.begins else window.opens
    return successions(begins, asked.every_weeks, window.closes)


def _sown_in_rows(crop: Crop) -> bool:
    return crop.row_m > IN_ROWS * crop.spacing_m


def _cell_m2(crop: Crop) -> float:
    """Ground that one plant takes [m2]."""
    return crop.spacing_m * (crop.row_m if _sown_in_rows(crop) else crop.spacing_m)


def _placed(asked: BedCrop, crop: Crop, outline: BaseGeometry, strip: BaseGeometry) -> Placed:
    """Where a crop's plants stand: in its strip, or nearest to the middle that is said; as many as are said, or as go
    onto its area.
    """
    here = strip if asked.at_m is None else outline
    whole = _all_in(crop, here)
    wanted = asked.count
    if wanted is None:
        share = min((asked.area_m2 or outline.area) / outline.area, 1.0)
        wanted = whole.count if asked.at_m is None else round(whole.count * share)
    if wanted > whole.count:
        whole = _all_in(crop, outline) if wanted <= _all_in(crop, outline).count else _crowded(whole, outline, wanted)
        return Placed(whole.pattern, _nearest(whole.points, here.centroid.coords[0], wanted))
    if asked.at_m is None:
        return Placed(whole.pattern, whole.points[:wanted])
    return Placed(whole.pattern, _nearest(whole.points, asked.at_m, wanted))


def _all_in(crop: Crop, outline: BaseGeometry) -> Placed:
    if _sown_in_rows(crop):
        return placed_in_rows(outline, crop.spacing_m, crop.row_m)
    return placed_in(outline, crop.spacing_m)


def _nearest(points: NDArray[np.float64], middle: Sequence[float], count: int) -> NDArray[np.float64]:
    order = np.argsort(np.hypot(*(points - np.asarray(middle)).T), kind="stable")
    return points[order[:count]]


def _crowded(whole: Placed, outline: BaseGeometry, wanted: int) -> Placed:
    """More plants than go in by their spacing, as they would have to stand: closer by as much."""
    close_m = (outline.area / wanted) ** 0.5
    for tighter in (1.0, 0.95, 0.9, 0.8, 0.7):
        tried = in_grid(outline, close_m * tighter, close_m * tighter, "square")
        if tried.count >= wanted:
            return Placed("square", tried.points[:wanted])
    return whole


def _judged(asked: BedCrop, crop: Crop, worked: WorkedBed) -> _Suits:
    sowing = next((each for each in worked.sowing.ready.sowings if each.roots == crop.roots), None)
    stops, minds = list(_stops(asked, crop, worked, sowing)), list(_minds(asked, crop, worked))
    ready = _ready(crop, worked, sowing)
    window = sowing_window(crop, ready, worked.year) if ready and sowing and sowing.years is not None else None
    if window is None and ready is not None and not stops:
        stops.append(f"{crop.name} takes {crop.days} days, and the season here is shorter.")
    stops += _too_soon_or_late(asked, crop, window, sowing)
    if not stops and window is not None:
        stops += _not_this_season(crop, worked, window, sowing)
    return _Suits(tuple(stops), tuple(minds), window)


def _ready(crop: Crop, worked: WorkedBed, sowing: Sowing | None) -> date | None:
    """From when a bed can take a crop, where a day is known."""
    today = worked.year.today
    built = worked.built_on
    if sowing is None or built is None:
        return today
    ready = sowing.from_day or built
    if "root" in crop.traits and _raw_below(worked):
        ready = max(ready, built + FIRST_YEAR)
    return max(ready, today) if today else ready


def _not_this_season(crop: Crop, worked: WorkedBed, window: SowingWindow, sowing: Sowing | None) -> Iterator[str]:
    """What the bed still lacks where this season's sowing goes by without it."""
    now = worked.year.today or worked.built_on
    season = sowing_window(crop, now, worked.year) if now else None
    if season is None or window.opens <= season.closes:
        return
    first_roots = "root" in crop.traits and _raw_below(worked)
    fallback = "roots fork and starve over a raw fill in its first year" if first_roots else "the fill isn't ready"
    because = sowing.because if sowing and (sowing.years or not first_roots) else fallback
    yield f"{crop.name} can go in from {window.opens:%-d %b %Y}: {because}."


def _raw_below(worked: WorkedBed) -> bool:
    """Whether raw wood or litter that has hardly rotted lies in the bed."""
    return any(
        "raw_wood" in layer.material.traits or layer.material.group == "organic" for layer in worked.filled.layers
    )


def _stops(asked: BedCrop, crop: Crop, worked: WorkedBed, sowing: Sowing | None) -> Iterator[str]:
    system = worked.system
    if sowing is None or sowing.years is None:
        depth_m = worked.sowing.ready.depth_m
        wants = show_length(crop.properties["root_depth_m"].low, system)
        yield f"{crop.name} roots {wants} deep, and finds {show_length(depth_m, system)} here."
    limit_m = worked.bed.height_limit_m
    if limit_m is not None and crop.value("height_m") > limit_m:
        yield (
            f"{crop.name} grows {show_length(crop.value('height_m'), system)} high, over the "
            f"{show_length(limit_m, system)} that are kept open."
        )
    if crop.zone == "dry" and worked.water is not None:
        yield f"{crop.name} likes it dry, and stands over a reservoir here."
    if asked.count is not None:
        most = _all_in(crop, _outline(worked)).count
        if asked.count > most:
            yield f"{asked.count} are too many: {most} go in {show_length(crop.spacing_m, system)} apart."


def _outline(worked: WorkedBed) -> BaseGeometry:
    """What can be planted of a bed, from above: its inside less what is cut out of that."""
    rings = [Polygon(ring) for ring in plan_figures(worked.bed, worked.vessel).inside if len(ring) > 2]
    outline: BaseGeometry = Polygon()
    for ring in rings:
        outline = outline.symmetric_difference(ring)
    return outline


def _minds(asked: BedCrop, crop: Crop, worked: WorkedBed) -> Iterator[str]:
    short_kg_m2 = worked.feeding.season.short_kg / worked.vessel.top_area_m2
    if short_kg_m2 > SHORT_KG_M2 and crop.family != FEEDS_ITSELF:
        yield f"It goes short of {short_kg_m2 * 1000:.0f} g of nitrogen a m² this season: feed it."
    if worked.water is not None and crop.start == "sown":
        yield "Water the seedlings from the top until their roots reach the damp."
    if "spreads" in crop.traits:
        yield "It spreads: set it in a sunk pot."
    if "support" in crop.traits:
        yield "It wants stakes or a net, set when it is planted."
    if "perennial" in crop.traits:
        yield f"It stays for years, and first gives in {round(crop.days / 30)} months."


def _too_soon_or_late(asked: BedCrop, crop: Crop, window: SowingWindow | None, sowing: Sowing | None) -> Iterator[str]:
    if asked.begins is None or window is None:
        return
    begins = date.fromisoformat(asked.begins)
    if begins < window.opens:
        why = f": {sowing.because}" if sowing and sowing.years else ""
        yield f"{crop.name} can go in from {window.opens:%-d %b %Y}{why}."
    elif begins > window.closes:
        yield f"{crop.name} no longer ripens when it goes in after {window.closes:%-d %b %Y}."


def cover_figures(worked: WorkedBed) -> CoverFigures | None:
    """The cover over a bed; None where it has none."""
    cover = worked.bed.cover
    if cover is None:
        return None
    outside = worked.vessel.outside
    parts = cover_parts(outside.length_m, outside.width_m, cover.height_m or USUAL_HEIGHT_M, cover.spacing_m)
    months = worked.around.usual_months
    gained = weeks_gained(months, cover.kind)
    vents = vent_days(months) if cover.kind in ("film", "double_film") else [0.0] * len(months)
    return CoverFigures(
        parts.hoops, parts.apart_m, parts.hoop_m, parts.ridge_m, parts.sheet_m, gained.spring, gained.autumn, vents
    )


def lines_of(worked: WorkedBed) -> DripLines | None:
    """The drip lines of a bed; None where it has none."""
    said = worked.bed.lines
    if said is None:
        return None
    inside = worked.vessel.inside
    longer, shorter = max(inside.length_m, inside.width_m), min(inside.length_m, inside.width_m)
    return drip_lines(longer, shorter, said.rows, said.spacing_m, said.flow_l_h)


def lines_figures(worked: WorkedBed) -> LinesFigures | None:
    """The same in figures."""
    lines = lines_of(worked)
    if lines is None:
        return None
    return LinesFigures(lines.rows, lines.emitters, lines.flow_l_min, lines.lost_share, lines.is_even)


def zone_figures(
    beds: Sequence[WorkedBed], given_l_week: Sequence[Sequence[float]], tap_l_min: float | None
) -> list[LedZone]:
    """Zones that the tap can feed, of all beds with drip lines: those the gardener chose, and as few others as can be.

    given_l_week: what each bed is to be given, by month [L]. tap_l_min: what the tap gives, where that is known.
    """
    tap = tap_l_min or USUAL_TAP_L_MIN
    flows = {worked.bed.key: lines.flow_l_min * worked.bed.count for worked in beds if (lines := lines_of(worked))}
    chosen: dict[str, list[str]] = {}
    for worked in beds:
        if worked.bed.key in flows and worked.bed.lines is not None and worked.bed.lines.zone is not None:
            chosen.setdefault(worked.bed.lines.zone, []).append(worked.bed.key)
    own = [(key, Zone(tuple(keys), sum(flows[each] for each in keys))) for key, keys in chosen.items()]
    taken = {each for keys in chosen.values() for each in keys}
    found = zoned({key: flow for key, flow in flows.items() if key not in taken}, tap)
    free = (f"zone_{number}" for number in range(1, len(found.zones) + len(own) + 1) if f"zone_{number}" not in chosen)
    zones = [*own, *((next(free), zone) for zone in found.zones)]
    wanted = {worked.bed.key: (worked.bed.count, weeks) for worked, weeks in zip(beds, given_l_week, strict=True)}
    return [_zone(key, zone, flows, wanted, tap) for key, zone in zones]


def _zone(
    key: str, zone: Zone, flows: dict[str, float], wanted: dict[str, tuple[int, Sequence[float]]], tap_l_min: float
) -> LedZone:
    minutes = [max(wanted[bed][0] * wanted[bed][1][month] / flows[bed] for bed in zone.beds) for month in range(12)]
    too_much = zone.flow_l_min > TAP_SHARE * tap_l_min + 1e-9
    return LedZone(key, list(zone.beds), zone.flow_l_min, minutes, too_much)
