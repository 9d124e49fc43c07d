"""What lets water into a reservoir and out of it: what is bought for it, and which openings lie under water."""

from __future__ import annotations

from collections.abc import Iterator

from nolbet_core.haul.wanted import Box, Stretch
from nolbet_core.plan.bed import Fitting, Reservoir
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.shapes.vessel import Vessel
from nolbet_core.shelf.wares import PIPE_CAP, TAP, TUBE, WALL_FITTING, WARES, Ware

THROUGH_THE_WALL = frozenset({"inlet", "drain", "overflow"})
"""Kinds that go through the wall; tubes come down from above."""

USUAL_ACROSS_M = {"inlet": 0.020, "drain": 0.020, "overflow": 0.025, "filler": 0.050, "dip_tube": 0.032}
"""How wide each is where nothing is said [m]."""

OVER_RIM_M = 0.05
"""How far tubes stand out over the rim [m]."""

SLACK_M = 1e-9

Part = tuple[Ware, Stretch | Box]


def across_of(fitting: Fitting) -> float:
    """How wide a fitting is [m]."""
    return USUAL_ACROSS_M[fitting.kind] if fitting.diameter_m is None else fitting.diameter_m


def fitting_wares(reservoir: Reservoir, rim_m: float) -> tuple[Part, ...]:
    """What is bought for a reservoir's fittings and the caps of its pipes. rim_m: of the bed, above its floor [m].

    A drain has a tap on its fitting; a tube reaches from the reservoir's floor to above the rim.
    """
    parts: list[Part] = []
    under_m = reservoir.under.height_m if reservoir.under else 0.0
    for each in reservoir.fittings:
        across_m = across_of(each)
        if each.kind in THROUGH_THE_WALL:
            parts.append((WARES[WALL_FITTING], _round(across_m, 1)))
            if each.kind == "drain":
                parts.append((WARES[TAP], _round(across_m, 1)))
        else:
            parts.append((WARES[TUBE], Stretch(across_m, rim_m - under_m + OVER_RIM_M, 1)))
    for pipe in reservoir.pipes:
        if pipe.caps:
            parts.append((WARES[PIPE_CAP], _round(pipe.diameter_m, pipe.caps * pipe.count)))
    return tuple(parts)


def _round(diameter_m: float, count: int) -> Box:
    return Box(0.0, 0.0, 0.0, count, diameter_m)


def open_under_water(reservoir: Reservoir, full_m: float) -> list[int]:
    """Places of the fittings whose openings lie under the full water [m above the reservoir's floor] and aren't sealed.

    An overflow's own opening begins at the water line, and what is fastened there has to be tight too.
    """
    return [
        index
        for index, each in enumerate(reservoir.fittings)
        if each.kind in THROUGH_THE_WALL and not each.sealed and _lower_edge(each, full_m) <= full_m + SLACK_M
    ]


def _lower_edge(fitting: Fitting, full_m: float) -> float:
    if fitting.height_m is not None:
        return fitting.height_m
    return full_m if fitting.kind == "overflow" else 0.0


def wrong_with_fittings(reservoir: Reservoir, vessel: Vessel, path: str) -> Iterator[PlanProblem]:
    """What is wrong with a reservoir's fittings. path: how the reservoir is called in a problem."""
    under_m = reservoir.under.height_m if reservoir.under else 0.0
    for index, each in enumerate(reservoir.fittings):
        here = f"{path}.fittings[{index}]"
        if each.height_m is None:
            continue
        if each.kind not in THROUGH_THE_WALL:
            yield PlanProblem(f"{here}.height_m", f"belongs to an opening; a {each.kind.replace('_', ' ')} stands up")
        elif under_m + each.height_m > vessel.hollow.rim_m:
            yield PlanProblem(f"{here}.height_m", f"{each.height_m:g} m is over the rim")
        elif each.kind == "overflow" and each.height_m < (reservoir.overflow_m or 0.0) - OVERFLOWS_APART_M:
            said = f"{each.height_m:g} m is under overflow_m, which is {reservoir.overflow_m:g}; leave one out"
            yield PlanProblem(f"{here}.height_m", said)


OVERFLOWS_APART_M = 0.001
"""Nobody sets an overflow finer than this [m]."""
