"""A bed's cover, its drip lines, and what watering it by hand takes, in figures; and the zones of a garden."""

from __future__ import annotations

from collections.abc import Sequence

from nolbet_core.built.covered import height_of, parts_of, sheet_key
from nolbet_core.built.watered import NamedZone, header_m, lines_of, riser_m, tap_flow
from nolbet_core.built.worked import WorkedBed
from nolbet_core.figure.drawn import DRAWN_DIGITS
from nolbet_core.figure.planting_figures import CoverFigures, HandFigures, LedZone, LineRun, LinesFigures
from nolbet_core.lines.zones import TAP_SHARE
from nolbet_core.planting.cover import vent_days, weeks_gained
from nolbet_core.planting.keeping_out import KEPT_OUT
from nolbet_core.quantities.writing import show_length

FILM = ("film", "double_film")
WARMING = ("fleece", *FILM)
CAN_L = 10.0
CAN_MINUTES = 1.5
"""To fill a can, carry it and pour it (estimate)."""


def cover_figures(worked: WorkedBed) -> CoverFigures | None:
    """The cover over a bed; None where it has none."""
    cover, parts = worked.bed.cover, parts_of(worked)
    if cover is None or parts is None:
        return None
    months = worked.around.usual_months
    gained = weeks_gained(months, cover.kind)
    warms = cover.kind in WARMING and cover.arch_to is None
    return CoverFigures(
        hoops=parts.hoops,
        apart_m=parts.apart_m,
        hoop_m=parts.hoop_m,
        ridge_m=parts.ridge_m,
        sheet_m=parts.sheet_m,
        sheets=parts.sheets,
        material=sheet_key(cover) if parts.sheets else "leaves",
        height_m=height_of(cover),
        stakes=parts.stakes,
        leaves_m3=parts.leaves_m3,
        weeks_spring=gained.spring if warms else None,
        weeks_autumn=gained.autumn if warms else None,
        vent_days=vent_days(months) if cover.kind in FILM and warms else [0.0] * len(months),
        told=_told(worked),
    )


def _told(worked: WorkedBed) -> list[str]:
    """What is to be minded of a cover, one sentence each."""
    cover = worked.bed.cover
    if cover is None:
        return []
    said = []
    if cover.against is not None:
        kept = KEPT_OUT[cover.against]
        hole, high, deep = (show_length(each, worked.system) for each in (kept.hole_m, kept.stands_m, kept.buried_m))
        buried = f", its foot {deep} deep or turned outwards" if kept.buried_m else ""
        stands = "closed all round" if kept.over else f"{high} high"
        said.append(f"Against {cover.against}: holes of {hole} at most, {stands}{buried} (estimates).")
    if cover.kind == "leaves":
        said.append("Lay them once the ground has cooled, hold them with a net, and take them off in spring.")
    if cover.kind in FILM:
        said.append("Film lasts about five years in the sun; open it before the day's heat, not after.")
    if cover.kind == "fleece":
        said.append("Fleece lasts about three seasons; take it off when it is warm and wet.")
    return said


def lines_figures(worked: WorkedBed) -> LinesFigures | None:
    """A bed's drip lines; None where it has none."""
    lines = lines_of(worked)
    if lines is None:
        return None
    return LinesFigures(
        rows=lines.rows,
        emitters=lines.emitters,
        emitter_m=lines.emitter_m,
        emitter_l_h=lines.emitter_l_h,
        row_m=lines.length_m,
        header_m=header_m(worked),
        riser_m=riser_m(worked),
        flow_l_min=lines.flow_l_min,
        lost_share=lines.lost_share,
        is_even=lines.is_even,
    )


def hand_figures(worked: WorkedBed, given_l_week: Sequence[float]) -> HandFigures:
    """What watering a bed by hand takes. given_l_week: what it is to be given, by month [L]."""
    flow = tap_flow(worked.around)
    return HandFigures(
        can_l=CAN_L,
        cans_week=[each / CAN_L for each in given_l_week],
        can_minutes_week=[each / CAN_L * CAN_MINUTES for each in given_l_week],
        hose_minutes_week=[each / flow for each in given_l_week],
    )


def zone_figures(
    zones: Sequence[NamedZone], beds: Sequence[WorkedBed], given_l_week: Sequence[Sequence[float]]
) -> list[LedZone]:
    """Zones that the tap feeds. given_l_week: what each bed is to be given, by month [L]."""
    wanted = {
        worked.bed.key: [worked.bed.count * each for each in weeks]
        for worked, weeks in zip(beds, given_l_week, strict=True)
    }
    flows = {worked.bed.key: lines.flow_l_min * worked.bed.count for worked in beds if (lines := lines_of(worked))}
    tap_l_min = tap_flow(beds[0].around) if beds else 0.0
    return [_zone(each, wanted, flows, tap_l_min) for each in zones]


def _zone(named: NamedZone, wanted: dict[str, list[float]], flows: dict[str, float], tap_l_min: float) -> LedZone:
    zone = named.zone
    return LedZone(
        key=named.key,
        beds=list(zone.beds),
        flow_l_min=zone.flow_l_min,
        minutes_week=[max(wanted[bed][month] / flows[bed] for bed in zone.beds) for month in range(12)],
        too_much=zone.flow_l_min > TAP_SHARE * tap_l_min + 1e-9,
        runs=[
            LineRun(
                each.starts,
                each.ends,
                tuple((round(x, DRAWN_DIGITS), round(y, DRAWN_DIGITS)) for x, y in each.line.coords),
                float(each.line.length),
                each.under_path_m,
            )
            for each in named.runs
        ],
    )
