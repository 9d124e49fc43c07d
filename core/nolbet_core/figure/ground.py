"""What a bed has to do with the ground, in figures: the pit below it, a mound's sides, rain that is led in."""

from __future__ import annotations

import math
from collections.abc import Sequence

from nolbet_core.built.lined import foot_spread_m, pockets_m3
from nolbet_core.built.runoff import DESIGN_RAIN_MM, pit_holds_l, runoff_l
from nolbet_core.built.worked import WorkedBed
from nolbet_core.figure.drawn import drawn_rings
from nolbet_core.figure.figures import MoundFigures, PitFigures, PitLayerFigures, RunoffFigures
from nolbet_core.findings.profile import REPOSE_DEG
from nolbet_core.shapes.hollow import Ring
from nolbet_core.shapes.mound import HippedMound
from nolbet_core.shapes.round_mound import RoundMound


def pit_figures(worked: WorkedBed) -> PitFigures | None:
    """The pit below a bed, to draw; None where it lies over none."""
    one = worked.profile
    if one is None or worked.bed.over is None:
        return None
    pit, ground_m = one.vessel.pit, one.vessel.ground_m
    return PitFigures(
        key=worked.bed.over,
        name=one.pit_title,
        depth_m=ground_m,
        hollow=drawn_rings(_down(pit.section(0.0, ground_m), ground_m)),
        layers=[
            PitLayerFigures(
                layer.material.key,
                layer.material.name,
                drawn_rings(_down(pit.section(layer.bottom_m, layer.top_m), ground_m)),
            )
            for layer in one.filled.layers[: one.pit_layers]
        ],
    )


def _down(rings: Sequence[Ring], by_m: float) -> list[Ring]:
    return [tuple((x, y - by_m) for x, y in ring) for ring in rings]


def mound_figures(worked: WorkedBed) -> MoundFigures | None:
    """A mound's sides; None of what is no mound. Of a rounded one the slope at its foot, and its whole surface."""
    vessel, faced = worked.vessel, worked.bed.faced
    if isinstance(vessel, HippedMound):
        slope_deg, face_m2 = math.degrees(vessel.hollow.slope_rad), vessel.face_m2
    elif isinstance(vessel, RoundMound):
        slope_deg = math.degrees(math.atan(4 * vessel.hollow.height_m / vessel.hollow.width_m))
        face_m2 = vessel.hollow.core_surface(0.0)
    else:
        return None
    return MoundFigures(
        length_m=vessel.inside.length_m,
        slope_deg=slope_deg,
        face_m2=face_m2,
        foot_spread_m=0.0 if faced else foot_spread_m(vessel, REPOSE_DEG),
        pockets=(faced.pockets or 1) if faced and faced.pocket_m3 else 0,
        pockets_m3=pockets_m3(worked.bed),
    )


def runoff_figures(worked: WorkedBed) -> RunoffFigures | None:
    """Rain that is led into a bed; None where none is."""
    hard_l = runoff_l(worked.bed, DESIGN_RAIN_MM)
    if hard_l <= 0:
        return None
    return RunoffFigures(
        month_l=[runoff_l(worked.bed, month.rain_mm) for month in worked.around.usual_months],
        rain_mm=DESIGN_RAIN_MM,
        rain_l=hard_l,
        held_l=pit_holds_l(worked.whole.filled.layers),
    )
