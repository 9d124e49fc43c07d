"""How thick a bed's frame makes its wall, and what it is made of."""

from __future__ import annotations

from nolbet_core.frame.sizes import SizeProblem, nominal_size
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.frame import Frame
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.plan.shapes import ON_THE_GROUND
from nolbet_core.shelf.walling import WALLING, Walling

USUAL_WALLING = {"units": "brick", "dry_stone": "stone", "sheet": "sheet_metal", "pallets": "pallet"}


def section_of(frame: Frame) -> tuple[float, float]:
    """Thickness and width of a frame's boards [m]. Raises PlanProblem where they aren't given."""
    if frame.nominal is not None:
        try:
            return nominal_size(frame.nominal)
        except SizeProblem as problem:
            raise PlanProblem("nominal", str(problem)) from problem
    if frame.thickness_m is None:
        raise PlanProblem("thickness_m", "has to be given, or the size timber is sold as, in nominal")
    if frame.width_m is None:
        raise PlanProblem("width_m", "has to be given beside thickness_m: how high one board stands")
    return frame.thickness_m, frame.width_m


def frame_wall_m(frame: Frame) -> float | None:
    """How thick a frame makes the wall [m]; None where it doesn't say. Raises PlanProblem as section_of."""
    if frame.kind == "boards":
        return section_of(frame)[0]
    if frame.thickness_m is not None:
        return frame.thickness_m
    unit_m = unit_of(frame)
    return unit_m[1] if unit_m else None


def unit_of(frame: Frame) -> tuple[float, float, float] | None:
    """Length, width and height of one brick, block, panel or pallet [m]; None where nothing says."""
    if frame.unit_m is not None:
        return frame.unit_m[0], frame.unit_m[1], frame.unit_m[2]
    walling = walling_of(frame)
    return walling.unit_m if walling else None


def walling_of(frame: Frame) -> Walling | None:
    """What a frame of no boards is made of."""
    key = frame.material or USUAL_WALLING.get(frame.kind)
    return WALLING.get(key) if key else None


def wall_of(bed: Bed) -> float:
    """How thick a bed's wall is [m]: as its frame makes it, else as it is said."""
    if bed.frame is None or bed.shape.kind in ON_THE_GROUND:
        return bed.wall_m
    try:
        made_m = frame_wall_m(bed.frame)
    except PlanProblem:
        return bed.wall_m
    return bed.wall_m if made_m is None else made_m
