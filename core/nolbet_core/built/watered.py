"""Drip lines of beds, the zones they are watered in, and the pipe that leads to them."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from typing import TYPE_CHECKING

from nolbet_core.built.surroundings import Surroundings
from nolbet_core.built.worked import WorkedBed
from nolbet_core.haul.wanted import Box, Stretch
from nolbet_core.lazy import lazily
from nolbet_core.lines.drip import DripLines, drip_lines
from nolbet_core.lines.routes import shortest_runs
from nolbet_core.lines.zones import USUAL_TAP_L_MIN, Zone, zoned
from nolbet_core.record import record
from nolbet_core.shelf.wares import (
    DRIP_LINE,
    LINE_ELBOW,
    LINE_END,
    LINE_HEAD,
    LINE_SHUT_OFF,
    LINE_TEE,
    PIPE_SLEEVE,
    SUPPLY_PIPE,
    WARES,
    Ware,
)

if TYPE_CHECKING:
    import shapely
    from shapely.geometry.base import BaseGeometry
else:
    shapely = lazily("shapely")

DRIP_ACROSS_M, SUPPLY_ACROSS_M, SLEEVE_ACROSS_M = 0.016, 0.020, 0.050
OVER_RIM_M = 0.10
"""A riser comes up so far over the rim."""
OUTSIDE_M = 0.30
"""A riser outside a wall needs so much more, over the rim and down again."""
SLEEVE_OVER_M = 0.30
"""A sleeve looks out on either side of a path by so much."""
LEAST_SLEEVED_M = 0.05
RISER_ELBOWS = 2

Part = tuple[Ware, Stretch | Box]


@record
class LedRun:
    """A run of supply pipe of a zone, between things by their names. under_path_m: what of it lies under paths."""

    starts: str
    ends: str
    line: BaseGeometry
    under_path_m: float


@record
class NamedZone:
    """A zone by its key. runs: of pipe that lead to its beds; none where the tap or the beds lie nowhere."""

    key: str
    zone: Zone
    runs: tuple[LedRun, ...]


def lines_of(worked: WorkedBed) -> DripLines | None:
    """The drip lines of a bed; None where it has none."""
    said = worked.bed.lines
    if said is None:
        return None
    inside = worked.vessel.inside
    longer, shorter = max(inside.length_m, inside.width_m), min(inside.length_m, inside.width_m)
    return drip_lines(longer, shorter, said.rows, said.spacing_m, said.flow_l_h)


def header_m(worked: WorkedBed) -> float:
    """Pipe across a bed that its rows branch off from [m]."""
    inside = worked.vessel.inside
    return min(inside.length_m, inside.width_m)


def riser_m(worked: WorkedBed) -> float:
    """Pipe from the ground up to a bed's surface [m]."""
    high_m = 0.0 if worked.is_dug else worked.vessel.height_of(worked.vessel.hollow.rim_m)
    outside = worked.bed.lines is not None and worked.bed.lines.riser == "outside"
    return high_m + OVER_RIM_M + (OUTSIDE_M if outside else 0.0)


def line_wares(worked: WorkedBed) -> Iterator[Part]:
    """What is bought for a bed's drip lines: its rows, the pipe up to them and across, and its fittings."""
    lines = lines_of(worked)
    if lines is None:
        return
    yield WARES[DRIP_LINE], Stretch(DRIP_ACROSS_M, lines.length_m, lines.rows)
    yield WARES[SUPPLY_PIPE], Stretch(SUPPLY_ACROSS_M, header_m(worked) + riser_m(worked), 1)
    counts = {LINE_SHUT_OFF: 1, LINE_TEE: lines.rows, LINE_END: lines.rows, LINE_ELBOW: RISER_ELBOWS}
    for key, count in counts.items():
        yield WARES[key], Box(0.0, 0.0, 0.0, count)


def zones_of(beds: Sequence[WorkedBed], around: Surroundings) -> list[NamedZone]:
    """Zones of all beds with drip lines: those that the gardener chose, and as few others as the tap can feed."""
    tap_l_min = tap_flow(around)
    flows = {worked.bed.key: lines.flow_l_min * worked.bed.count for worked in beds if (lines := lines_of(worked))}
    chosen: dict[str, list[str]] = {}
    for worked in beds:
        if worked.bed.key in flows and worked.bed.lines is not None and worked.bed.lines.zone is not None:
            chosen.setdefault(worked.bed.lines.zone, []).append(worked.bed.key)
    own = [(key, Zone(tuple(keys), sum(flows[each] for each in keys))) for key, keys in chosen.items()]
    taken = {each for keys in chosen.values() for each in keys}
    found = zoned({key: flow for key, flow in flows.items() if key not in taken}, tap_l_min)
    free = (f"zone_{number}" for number in range(1, len(found.zones) + len(own) + 1) if f"zone_{number}" not in chosen)
    zones = [*own, *((next(free), zone) for zone in found.zones)]
    by_key = {worked.bed.key: worked for worked in beds}
    return [NamedZone(key, zone, tuple(_runs(zone, by_key, around))) for key, zone in zones]


def tap_flow(around: Surroundings) -> float:
    """What the garden's tap gives, as measured or as is usual [L/min]."""
    return (around.garden.tap_l_min if around.garden else None) or USUAL_TAP_L_MIN


def _runs(zone: Zone, beds: Mapping[str, WorkedBed], around: Surroundings) -> Iterator[LedRun]:
    taps = [each for each in around.ground.fixed if each.kind == "tap"] if around.ground is not None else []
    placed = [each for key in zone.beds for each in beds[key].placed]
    if not taps or not placed:
        return
    names = [taps[0].name, *(each.name for each in placed)]
    for run in shortest_runs([shapely.Point(taps[0].points_m[0]), *(each.outline for each in placed)]):
        under = around.path_ground.intersection(run.line).length if around.path_ground is not None else 0.0
        sleeved_m = float(under) if under > LEAST_SLEEVED_M else 0.0
        yield LedRun(names[run.start], names[run.end], run.line, sleeved_m)


def supply_wares(zones: Sequence[NamedZone]) -> Iterator[Part]:
    """What is bought for all zones: pipe from the tap to the beds, sleeves under paths, what sits at the tap."""
    if not zones:
        return
    yield WARES[LINE_HEAD], Box(0.0, 0.0, 0.0, 1)
    yield WARES[LINE_SHUT_OFF], Box(0.0, 0.0, 0.0, len(zones))
    for zone in zones:
        for run in zone.runs:
            if run.line.length > 0:
                yield WARES[SUPPLY_PIPE], Stretch(SUPPLY_ACROSS_M, float(run.line.length), 1)
                yield WARES[LINE_TEE], Box(0.0, 0.0, 0.0, 1)
            if run.under_path_m > 0:
                yield WARES[PIPE_SLEEVE], Stretch(SLEEVE_ACROSS_M, run.under_path_m + 2 * SLEEVE_OVER_M, 1)
