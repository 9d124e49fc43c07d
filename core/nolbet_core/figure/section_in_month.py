"""A bed as it will lie after so many months, to draw: its layers settled, and the line of its surface."""

from __future__ import annotations

import math
from collections.abc import Sequence

import numpy as np

from nolbet_core.built.worked import WorkedBed
from nolbet_core.figure.drawn import drawn_ring, drawn_rings
from nolbet_core.figure.forecast_figures import GhostFigures, SunkenFigures, SunkenLayer
from nolbet_core.findings.profile import REPOSE_DEG
from nolbet_core.settling.matter import matter_by_layer
from nolbet_core.settling.mound import ACROSS, MIDDLE, Heights, places_across, settled_shells
from nolbet_core.settling.surface import sunken_spans
from nolbet_core.shapes.hollow import Point, Ring
from nolbet_core.shapes.mound import ANCHOR_SHARE, Mound
from nolbet_core.shapes.spiral import HerbSpiral
from nolbet_core.shapes.vessel import Vessel


def sunken_figures(worked: WorkedBed, month: int) -> SunkenFigures:
    """A bed as it lies after some months (0 to 120)."""
    filled, vessel = worked.filled, worked.vessel
    shares = [float(each[month]) for each in worked.settling.remaining]
    if isinstance(vessel, Mound):
        layers = _of_mound(vessel, worked, shares, month)
    elif vessel.sinks_in_place:
        layers = _straight_down(vessel, worked, shares)
    else:
        layers = _level(worked, month)
    laid, left = (
        [each for layer in matter_by_layer(filled, worked.settling.clock, then) for each in layer]
        for then in (0, month)
    )
    return SunkenFigures(
        month=month,
        layers=layers,
        surface_m=worked.settling.surface_m[month],
        laid_kg=sum(each.solids_kg for each in laid),
        solids_kg=sum(each.solids_kg for each in left),
        freed_kg=sum(each.freed_kg for each in left),
    )


def ghost_figures(worked: WorkedBed, month: int) -> GhostFigures:
    """The line of a bed's surface after some months (0 to 120)."""
    surface_m = worked.settling.surface_m[month]
    return GhostFigures(month=month, surface_m=surface_m, lines=drawn_rings(_surface_lines(worked, month, surface_m)))


def _surface_lines(worked: WorkedBed, month: int, surface_m: float) -> list[Ring]:
    vessel = worked.vessel
    if not worked.filled.layers:
        return []
    if not vessel.sinks_in_place:
        return [((left, surface_m), (right, surface_m)) for left, right in vessel.section_spans(surface_m)]
    if isinstance(vessel, HerbSpiral):
        return [_along_the_run(vessel, worked, month)]
    highest = max(sunken_figures(worked, month).layers, key=lambda layer: layer.top_m)
    over = highest.outlines[0]
    if isinstance(vessel, Mound):
        return [over[: len(over) // 2]]
    return [_over_a_patch(over, (highest.bottom_m + highest.top_m) / 2)]


def _over_a_patch(ring: Ring, middle_m: float) -> Ring:
    """The line over the uppermost layer of a patch, from edge to edge, with the slopes it runs out in.

    middle_m: height over which only the points of that line lie [m].
    """
    top = sorted(point for point in ring if point[1] > middle_m)
    if not top:
        return ring
    first, last = min(ring), max(ring)
    left = [first] if first[0] < top[0][0] else []
    right = [last] if last[0] > top[-1][0] else []
    return (*left, *top, *right)


def _along_the_run(vessel: HerbSpiral, worked: WorkedBed, month: int) -> Ring:
    """The settled surface of a spiral from its outer end to its middle."""
    hollow, length_m = vessel.hollow, vessel.hollow.run.length_m
    runs = [length_m * step / (ACROSS - 1) for step in range(ACROSS)]
    tops = [0.0, *(layer.top_m for layer in worked.filled.layers)]
    sunken = [0.0, *(layer.top_m for layer in sunken_figures(worked, month).layers)]
    heights = np.interp([hollow.surface_at(run) for run in runs], tops, sunken)
    return tuple(zip(runs, heights.tolist(), strict=True))


def _layer(bottom_m: float, top_m: float, rings: Sequence[Ring], anchor: Point) -> SunkenLayer:
    return SunkenLayer(bottom_m=bottom_m, top_m=top_m, outlines=drawn_rings(rings), anchor=drawn_ring([anchor])[0])


def _level(worked: WorkedBed, month: int) -> list[SunkenLayer]:
    """Layers of a vessel, each level; those over a pit sink with what lies in that."""
    whole, ground_m = worked.whole, worked.ground_m
    shares = worked.settling.remaining_with_pit[:, month].tolist()
    volumes = [layer.placed_m3 * share for layer, share in zip(whole.filled.layers, shares, strict=True)]
    spans = sunken_spans(whole.vessel.hollow, volumes, whole.filled.base_m)[worked.pit_layers :]
    drawn = []
    for low, high in spans:
        rings = [tuple((x, y - ground_m) for x, y in ring) for ring in whole.vessel.section(low, high)]
        x, y = whole.vessel.anchor(low, high)
        drawn.append(_layer(low - ground_m, high - ground_m, rings, (x, y - ground_m)))
    return drawn


def _let_down(worked: WorkedBed, month: int, across: Heights) -> Heights:
    """How far the ground below a mound has sunk by then, at places across it [m]: where it lies over a pit.

    At the pit's edges the fill slides in at its angle of repose, half of the slope on either side of the edge.
    """
    one = worked.profile
    if one is None:
        return np.zeros(len(across))
    shares = worked.settling.remaining_with_pit[: one.pit_layers, month]
    deep_m = float(
        sum(layer.thickness_m * (1 - share) for layer, share in zip(one.filled.layers, shares, strict=False))
    )
    left, right = one.vessel.pit.section_spans(one.vessel.ground_m)[0]
    half_slope_m = min(deep_m / math.tan(math.radians(REPOSE_DEG)), right - left) / 2
    from_middle, half_m = np.abs(across - (left + right) / 2), (right - left) / 2
    let_down: Heights = np.interp(from_middle, [half_m - half_slope_m, half_m + half_slope_m], [deep_m, 0.0])
    return let_down


def _straight_down(vessel: Vessel, worked: WorkedBed, shares: Sequence[float]) -> list[SunkenLayer]:
    """Layers of a spiral or a patch: every point sinks by what lies below it."""
    layers = worked.filled.layers
    tops = [0.0, *(layer.top_m for layer in layers)]
    sunken = np.cumsum([0.0, *(layer.thickness_m * share for layer, share in zip(layers, shares, strict=True))])
    drawn = []
    for index, layer in enumerate(layers):
        rings = [
            tuple((x, float(y)) for (x, _), y in zip(ring, _sunken_to(ring, tops, sunken), strict=True))
            for ring in vessel.section(layer.bottom_m, layer.top_m)
        ]
        bottom_m, top_m = float(sunken[index]), float(sunken[index + 1])
        right = vessel.anchor(layer.bottom_m, layer.top_m)[0]
        drawn.append(_layer(bottom_m, top_m, rings, (right, (bottom_m + top_m) / 2)))
    return drawn


def _sunken_to(ring: Ring, tops: Sequence[float], sunken: Heights) -> Heights:
    heights: Heights = np.interp([y for _, y in ring], tops, sunken)
    return heights


def _of_mound(vessel: Mound, worked: WorkedBed, shares: Sequence[float], month: int) -> list[SunkenLayer]:
    """Shells of a mound, to draw."""
    drawn = []
    let_down = _let_down(worked, month, places_across(vessel))
    for shell in settled_shells(vessel, [layer.top_m for layer in worked.filled.layers], shares, let_down):
        ring = _shell(shell.across_m, shell.lower_m, shell.upper_m)
        flank = _flank(shell.across_m, (shell.lower_m + shell.upper_m) / 2)
        drawn.append(_layer(float(shell.lower_m[MIDDLE]), float(shell.upper_m[MIDDLE]), [ring], flank))
    return drawn


def _flank(across: Heights, middle: Heights) -> Point:
    """A point on the right flank of a shell's middle, some way up."""
    right = across >= 0
    at = int(np.argmin(np.where(right, np.abs(middle - middle.max() * ANCHOR_SHARE), np.inf)))
    return float(across[at]), float(middle[at])


def _shell(across: Heights, lower: Heights, upper: Heights) -> Ring:
    """The ring between two lines, cut to where the upper one stands off the ground."""
    stands = np.flatnonzero(upper > 0)
    if not len(stands):
        return ((float(across[0]), 0.0), (float(across[-1]), 0.0))
    part = slice(max(int(stands[0]) - 1, 0), int(stands[-1]) + 2)
    over = zip(across[part].tolist(), upper[part].tolist(), strict=True)
    back = zip(across[part][::-1].tolist(), lower[part][::-1].tolist(), strict=True)
    return (*over, *back)
