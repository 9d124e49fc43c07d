"""A bed from above: what of it can be planted, and where it is drier and moister."""

from __future__ import annotations

import itertools
import math
from typing import TYPE_CHECKING

from nolbet_core.lazy import lazily
from nolbet_core.plan.bed import Bed
from nolbet_core.planting.crops import Zone
from nolbet_core.record import record
from nolbet_core.shapes.hollow import Ring
from nolbet_core.shapes.mound import HippedMound
from nolbet_core.shapes.ribbon import Ribbon
from nolbet_core.shapes.round_mound import RoundMound
from nolbet_core.shapes.spiral import HerbSpiral
from nolbet_core.shapes.vessel import Vessel

if TYPE_CHECKING:
    import shapely
    from shapely.geometry.base import BaseGeometry
else:
    shapely = lazily("shapely")

THIRD = 1 / 3


@record
class ZoneGround:
    """Ground of a bed from above [m] with how moist it lies. middle: of a band, where it is no wider than one."""

    zone: Zone
    ground: BaseGeometry
    middle: shapely.LineString | None = None


def inside_rings(vessel: Vessel) -> tuple[Ring, ...]:
    """A bed's inside from above [m], from the lower left of the rectangle round its outermost edge."""
    outside, inside = vessel.outside, vessel.inside
    if isinstance(outside, Ribbon):
        ring = outside.rings()[0]
        left, low = min(x for x, _ in ring), min(y for _, y in ring)
        return (tuple((x - left, y - low) for x, y in ring),)
    right, up = (outside.length_m - inside.length_m) / 2, (outside.width_m - inside.width_m) / 2
    return tuple(tuple((x + right, y + up) for x, y in ring) for ring in inside.rings())


def plantable(vessel: Vessel) -> BaseGeometry:
    """What can be planted of a bed, from above: its inside less what is cut out of that; of a spiral what lies between
    its walls.
    """
    if isinstance(vessel, HerbSpiral):
        return shapely.union_all([each.ground for each in _up_a_spiral(vessel)])
    outline: BaseGeometry = shapely.Polygon()
    for ring in inside_rings(vessel):
        if len(ring) > 2:
            outline = outline.symmetric_difference(shapely.Polygon(ring))
    return outline


def zones_in(bed: Bed, vessel: Vessel, outline: BaseGeometry) -> tuple[ZoneGround, ...]:
    """Where a bed is drier and moister, from above; nothing where it is alike all over.

    A spiral's and a mound's top third dries first, and water gathers at the foot; over a reservoir it is moist.
    """
    if bed.reservoir is not None:
        return (ZoneGround("moist", outline),)
    if isinstance(vessel, HerbSpiral):
        return _up_a_spiral(vessel)
    if isinstance(vessel, HippedMound | RoundMound):
        low, high = (_inset(vessel, share) for share in (THIRD, 2 * THIRD))
        return _rings(outline, low, high)
    return ()


def band_of(vessel: Vessel) -> tuple[shapely.LineString, float] | None:
    """The middle of a spiral's bed from its foot to its top, and how wide it is [m]; None of any other."""
    if not isinstance(vessel, HerbSpiral):
        return None
    run = vessel.hollow.run
    return _middle(vessel, 0.0, run.length_m), run.pitch_m - run.wall_m


def _middle(vessel: HerbSpiral, start_m: float, end_m: float) -> shapely.LineString:
    """The middle of a spiral's bed from one length of the run to another [m]."""
    run, (left, low) = vessel.hollow.run, vessel.corner_m
    line = run.curve((run.wall_m + run.pitch_m) / 2, run.radius_at(start_m), run.radius_at(end_m))
    return shapely.LineString([(x - left, y - low) for x, y in line])


def _up_a_spiral(vessel: HerbSpiral) -> tuple[ZoneGround, ...]:
    top_m = vessel.hollow.rim_m
    foot_m = min(vessel.hollow.outer_height_m, vessel.hollow.centre_height_m)
    zones: tuple[Zone, ...] = ("moist", "plain", "dry")
    levels = [0.0, *(foot_m + share * (top_m - foot_m) for share in (THIRD, 2 * THIRD)), top_m]
    found = []
    for zone, (lower, upper) in zip(zones, itertools.pairwise(levels), strict=True):
        ground = shapely.union_all([shapely.Polygon(ring).buffer(0) for ring in vessel.plan_zone(lower, upper)])
        if ground.area > 0:
            found.append(ZoneGround(zone, ground, _middle(vessel, *vessel.zone(lower, upper))))
    return tuple(found)


def _inset(vessel: HippedMound | RoundMound, share: float) -> float:
    """How far inside its foot a mound stands so much of its height over the ground [m]."""
    if isinstance(vessel, HippedMound):
        return share * vessel.hollow.crest_m(0.0) / math.tan(vessel.hollow.slope_rad)
    return vessel.hollow.width_m / 2 * (1 - math.sqrt(1 - share))


def _rings(outline: BaseGeometry, low_m: float, high_m: float) -> tuple[ZoneGround, ...]:
    foot, shoulder = outline.buffer(-low_m, join_style="mitre"), outline.buffer(-high_m, join_style="mitre")
    if shoulder.is_empty:
        return ()
    return (
        ZoneGround("moist", outline.difference(foot)),
        ZoneGround("plain", foot.difference(shoulder)),
        ZoneGround("dry", shoulder),
    )
