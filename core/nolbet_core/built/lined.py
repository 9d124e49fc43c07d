"""Beds that follow a line drawn on the plot, and mounds whose sides are faced."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import replace

from nolbet_core.plan.bed import Bed, FacedWith
from nolbet_core.plan.plot import Place
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.plan.shapes import HippedMoundShape, RoundMoundShape, TrenchShape
from nolbet_core.shapes.mound import HippedMound, hipped_mound
from nolbet_core.shapes.ribbon import Ribbon, ribbon
from nolbet_core.shapes.round_mound import RoundMound, round_mound
from nolbet_core.shapes.vessel import Vessel, WalledVessel, tapered_vessel

FOLLOWS_A_LINE = frozenset({"trench", "hipped_mound", "round_mound"})
"""Kinds of shape that may follow a line."""

USUAL_FACING_DEG: dict[FacedWith, float] = {"pallets": 75.0, "boards": 80.0, "posts": 80.0, "stone": 75.0}
"""Angle at which a facing stands where nothing is said (estimate): leaning in, so that soil holds it."""


def along_line(bed: Bed, width_m: float, over_m: float = 0.0) -> Ribbon | None:
    """The band of a bed that follows a line; None where it follows none.

    width_m: across [m]. over_m: past both ends [m]. Raises ShapeProblem where the line makes no band.
    """
    return None if bed.along_m is None else ribbon([(x, y) for x, y in bed.along_m], width_m, over_m)


def trench_vessel(bed: Bed, shape: TrenchShape, line: Ribbon) -> WalledVessel:
    """A trench along a line, which is as long as the trench at its top."""
    short_m = (shape.bottom_length_m - shape.top_length_m) / 2
    floor = ribbon(line.line_m, shape.bottom_width_m, short_m)
    middle = ribbon(line.line_m, (shape.top_width_m + shape.bottom_width_m) / 2, short_m / 2)
    return tapered_vessel(floor, middle, line, shape.depth_m, bed.measured, 0.0, "trench")


def hipped_vessel(bed: Bed, shape: HippedMoundShape) -> HippedMound:
    """A hipped mound, faced or not, along a line or straight."""
    line = along_line(bed, shape.width_m)
    length_m = line.length_m if line else shape.length_m
    return hipped_mound(length_m, shape.width_m, shape.height_m, side_slope_deg(bed, shape), line)


def round_vessel(bed: Bed, shape: RoundMoundShape) -> RoundMound:
    """A rounded mound, along a line or straight."""
    line = along_line(bed, shape.width_m)
    length_m = line.length_m if line else shape.length_m
    return round_mound(length_m, shape.width_m, shape.height_m, replace(line, round_ends=True) if line else None)


def side_slope_deg(bed: Bed, shape: HippedMoundShape) -> float:
    """Angle at which a hipped mound's sides stand [degrees]: its facing's where it is faced."""
    if bed.faced is None:
        return shape.slope_deg
    return bed.faced.slope_deg or USUAL_FACING_DEG[bed.faced.material]


def pockets_m3(bed: Bed) -> float:
    """Soil in all pockets of a faced mound [m3]."""
    if bed.faced is None or bed.faced.pocket_m3 is None:
        return 0.0
    return bed.faced.pocket_m3 * (bed.faced.pockets or 1)


def lies_somewhere(bed: Bed) -> bool:
    """Whether a bed lies on the plot: it is placed, or follows a line drawn there."""
    return bool(bed.places) or bed.along_m is not None


def places_of(bed: Bed, vessel: Vessel) -> list[Place]:
    """Where a bed lies on the plot, one place for each of those alike: as placed, else along its line as drawn."""
    outside = vessel.outside
    if bed.places or not isinstance(outside, Ribbon):
        return bed.places
    x_m, y_m = outside.middle_m
    return [Place(x_m=x_m, y_m=y_m)]


def foot_spread_m(vessel: Vessel, repose_deg: float) -> float:
    """How far a mound's foot creeps out on each side until its slopes stand at an angle of repose [m].

    What slides off the upper half of a slope comes to lie at its foot: the slope turns about its middle. Nothing where
    the sides are no steeper. A rounded mound is taken by the slope from its foot to its crest.
    """
    if isinstance(vessel, HippedMound):
        height_m, run_m = vessel.hollow.height_m, vessel.hollow.height_m / math.tan(vessel.hollow.slope_rad)
    elif isinstance(vessel, RoundMound):
        height_m, run_m = vessel.hollow.height_m, vessel.hollow.width_m / 2
    else:
        return 0.0
    return max(height_m / math.tan(math.radians(repose_deg)) - run_m, 0.0) / 2


def wrong_with_line(bed: Bed, path: str) -> Iterator[PlanProblem]:
    """What is wrong with a bed's line or its facing. path: how the bed is called in a problem."""
    said = bed.shape.kind.replace("_", " ")
    if bed.along_m is not None and bed.shape.kind not in FOLLOWS_A_LINE:
        yield PlanProblem(f"{path}.along_m", f"belongs to a trench or a mound, and this is a {said}")
    if bed.faced is None:
        return
    if bed.shape.kind != "hipped_mound":
        yield PlanProblem(f"{path}.faced", f"belongs to a mound with straight sides, and this is a {said}")
    if bed.faced.pockets is not None and bed.faced.pocket_m3 is None:
        yield PlanProblem(f"{path}.faced.pocket_m3", f"has to be given for {bed.faced.pockets} pockets")
