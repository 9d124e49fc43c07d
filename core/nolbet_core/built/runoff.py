"""Rain that runs off a roof or ground and is led into a bed by a soak pipe."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from nolbet_core.haul.wanted import Box, Stretch
from nolbet_core.plan.bed import Bed, Buried, RunoffFrom
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.shelf.wares import DRAIN_PIPE, TUBE, WARES, Ware
from nolbet_core.stack.layers import Standing

RUNS_OFF: dict[RunoffFrom, float] = {"roof": 0.9, "paving": 0.8, "drive": 0.8, "ground": 0.2}
"""Share of a rain that runs off (estimates, in the ranges usual for the rational method)."""

USUAL_RUNS_OFF = 0.8

DESIGN_RAIN_MM = 25.0
"""A hard rain to size a soak pit by [mm]: an inch."""

LITRES = 1000.0


def soak_pipes(bed: Bed) -> list[tuple[int, Buried]]:
    """A bed's soak pipes, with their places among what is buried."""
    return [(index, each) for index, each in enumerate(bed.buried) if each.soaks]


def runoff_l(bed: Bed, rain_mm: float) -> float:
    """What a rain brings to a bed's soak pipes [L]. rain_mm: how much falls [mm]."""
    return sum(
        pipe.runoff_m2 * rain_mm * (RUNS_OFF[pipe.runoff_from] if pipe.runoff_from else USUAL_RUNS_OFF)
        for _, pipe in soak_pipes(bed)
        if pipe.runoff_m2 is not None
    )


def pit_holds_l(layers: Sequence[Standing]) -> float:
    """Water that the open gaps in layers hold, none of it in their soil [L]."""
    return sum(layer.void_m3 - layer.infill_m3 for layer in layers) * LITRES


def soak_wares(bed: Bed) -> Iterator[tuple[Ware, Stretch | Box]]:
    """What is bought for a bed's soak pipes: the pipe itself, and the tube of its inlet."""
    for _, pipe in soak_pipes(bed):
        across_m, length_m = pipe.diameter_m or 0.0, pipe.length_m or 0.0
        yield WARES[DRAIN_PIPE], Stretch(across_m, length_m, pipe.count)
        if pipe.inlet_m is not None:
            yield WARES[TUBE], Stretch(across_m, pipe.inlet_m, pipe.count)


def wrong_with_runoff(bed: Bed, path: str) -> Iterator[PlanProblem]:
    """What is wrong with what leads water into a bed. path: how the bed is called in a problem."""
    for index, each in enumerate(bed.buried):
        here = f"{path}.buried[{index}]"
        for key in ("inlet_m", "runoff_m2", "runoff_from"):
            if getattr(each, key) is not None and each.kind != "pipe":
                yield PlanProblem(f"{here}.{key}", f"belongs to a pipe, and this is a {each.kind}")
        if each.runoff_from is not None and each.runoff_m2 is None:
            yield PlanProblem(f"{here}.runoff_m2", f"has to be given where rain from a {each.runoff_from} is led in")
