"""A bed as it will lie after so many months, to draw: its layers settled, and the line of its surface."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from nolbet_core.figure.drawn import drawn_ring, drawn_rings
from nolbet_core.figure.forecast_figures import GhostFigures, SunkenFigures, SunkenLayer
from nolbet_core.findings.pattern import View
from nolbet_core.settling.surface import remaining_of_layers, sinks_in_place, sunken_spans
from nolbet_core.shapes.hollow import Point, Ring
from nolbet_core.shapes.mound import ANCHOR_SHARE, Mound
from nolbet_core.shapes.spiral import HerbSpiral
from nolbet_core.shapes.vessel import Vessel

ACROSS = 61
"""Points across a settled mound; an odd number, so that one lies over the middle."""

MIDDLE = ACROSS // 2

Heights = NDArray[np.float64]


def sunken_figures(view: View, month: int) -> SunkenFigures:
    """A bed as it lies after some months (0 to 120)."""
    filled, vessel = view.filled, view.vessel
    shares = [float(each[month]) for each in remaining_of_layers(filled, view.decay_factor)]
    if isinstance(vessel, Mound):
        layers = _of_mound(vessel, view, shares)
    elif sinks_in_place(vessel):
        layers = _straight_down(vessel, view, shares)
    else:
        volumes = [layer.placed_m3 * share for layer, share in zip(filled.layers, shares, strict=True)]
        spans = sunken_spans(vessel.hollow, volumes, filled.base_m)
        layers = [_layer(low, high, vessel.section(low, high), vessel.anchor(low, high)) for low, high in spans]
    return SunkenFigures(month=month, layers=layers, surface_m=view.surface_m[month])


def ghost_figures(view: View, month: int) -> GhostFigures:
    """The line of a bed's surface after some months (0 to 120)."""
    surface_m = view.surface_m[month]
    return GhostFigures(month=month, surface_m=surface_m, lines=drawn_rings(_surface_lines(view, month, surface_m)))


def _surface_lines(view: View, month: int, surface_m: float) -> list[Ring]:
    vessel = view.vessel
    if not view.filled.layers:
        return []
    if not sinks_in_place(vessel):
        return [((left, surface_m), (right, surface_m)) for left, right in vessel.section_spans(surface_m)]
    if isinstance(vessel, HerbSpiral):
        return [_along_the_run(vessel, view, month)]
    highest = max(sunken_figures(view, month).layers, key=lambda layer: layer.top_m)
    over = highest.outlines[0]
    if isinstance(vessel, Mound):
        return [over[: len(over) // 2]]
    return [tuple(point for point in over if point[1] > highest.bottom_m) or over]


def _along_the_run(vessel: HerbSpiral, view: View, month: int) -> Ring:
    """The settled surface of a spiral from its outer end to its middle."""
    hollow, length_m = vessel.hollow, vessel.hollow.run.length_m
    runs = [length_m * step / (ACROSS - 1) for step in range(ACROSS)]
    tops = [0.0, *(layer.top_m for layer in view.filled.layers)]
    sunken = [0.0, *(layer.top_m for layer in sunken_figures(view, month).layers)]
    heights = np.interp([hollow.surface_at(run) for run in runs], tops, sunken)
    return tuple(zip(runs, heights.tolist(), strict=True))


def _layer(bottom_m: float, top_m: float, rings: Sequence[Ring], anchor: Point) -> SunkenLayer:
    return SunkenLayer(bottom_m=bottom_m, top_m=top_m, outlines=drawn_rings(rings), anchor=drawn_ring([anchor])[0])


def _straight_down(vessel: Vessel, view: View, shares: Sequence[float]) -> list[SunkenLayer]:
    """Layers of a spiral or a patch: every point sinks by what lies below it."""
    layers = view.filled.layers
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


def _of_mound(vessel: Mound, view: View, shares: Sequence[float]) -> list[SunkenLayer]:
    """Shells of a mound: at every place across it, what lies there settles by its own share."""
    half_m = vessel.inside.width_m / 2
    across = np.linspace(-half_m, half_m, ACROSS)
    lower = sunken_lower = np.zeros(ACROSS)
    drawn = []
    for layer, share in zip(view.filled.layers, shares, strict=True):
        upper = _profile_at(vessel, layer.top_m, across)
        sunken = sunken_lower + (upper - lower) * share
        shell, flank = _shell(across, sunken_lower, sunken), _flank(across, (sunken_lower + sunken) / 2)
        drawn.append(_layer(float(sunken_lower[MIDDLE]), float(sunken[MIDDLE]), [shell], flank))
        lower, sunken_lower = upper, sunken
    return drawn


def _profile_at(vessel: Mound, level_m: float, across: Heights) -> Heights:
    if level_m <= 0:
        return np.zeros(len(across))
    profile = vessel.profile(vessel.hollow.cover_at(level_m))
    heights: Heights = np.interp(across, [x for x, _ in profile], [y for _, y in profile], left=0.0, right=0.0)
    return heights


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
