"""How far a side bows out, and how near its supports have to stand."""

from __future__ import annotations

import math
from collections.abc import Sequence

from nolbet_core.frame.strength import plate_span
from nolbet_core.record import record
from nolbet_core.shelf.timber import StrengthClass

REST_PRESSURE = 0.5
"""K0: share of the weight above that pushes sideways [0-1]."""

GRAVITY_M_S2 = 9.81
SOIL_KG_M3 = 1800.0
"""What wet soil weighs where nothing is known [kg/m3]."""
WATER_KG_M3 = 1000.0

CREEP = 2.0
"""k_def: how many times what bends at once is added by and by in wet timber (EN 1995-1-1, service class 3)."""

BENDS_AT_MOST = 1 / 150
"""Of the span: more is seen, and opens corners."""


@record
class Fill:
    """What pushes against a wall: layers from above, each how thick [m] and how heavy wet through [kg/m3].

    water_m: how deep below the top the water stands that is kept in by a liner [m]; None where none is.
    """

    layers: Sequence[tuple[float, float]]
    water_m: float | None = None


def weight_above(fill: Fill, depth_m: float) -> float:
    """Mass that lies over a square metre at a depth [kg/m2]; wet soil where the layers don't reach."""
    above, left_m = 0.0, depth_m
    for thick_m, density_kg_m3 in fill.layers:
        taken_m = min(thick_m, left_m)
        above += taken_m * density_kg_m3
        left_m -= taken_m
    return above + left_m * SOIL_KG_M3


def side_pressure(fill: Fill, depth_m: float) -> float:
    """Pressure on a wall at a depth below the top [Pa]: K0 rho g z; under water the water in full beside the soil's
    buoyant share.
    """
    above_kg_m2 = weight_above(fill, depth_m)
    if fill.water_m is None or depth_m <= fill.water_m:
        return REST_PRESSURE * above_kg_m2 * GRAVITY_M_S2
    wet_m = depth_m - fill.water_m
    water_kg_m2 = wet_m * WATER_KG_M3
    return (REST_PRESSURE * max(above_kg_m2 - water_kg_m2, 0.0) + water_kg_m2) * GRAVITY_M_S2


def brace_spacing(pressure_pa: float, thick_m: float, elasticity_pa: float) -> float:
    """How far apart supports of a board may stand [m], so that it bends by no more than a 150th of the span.

    5 w L^4 / (384 E I) (1 + k_def) = L / 150, with w and I for the same width of board, which cancels out.
    pressure_pa: on its middle [Pa]. thick_m: of the board [m]. elasticity_pa: E [Pa]. Infinite where nothing pushes.
    """
    if pressure_pa <= 0:
        return math.inf
    inertia_m3 = thick_m**3 / 12
    return float((384 * elasticity_pa * inertia_m3 * BENDS_AT_MOST / (5 * pressure_pa * (1 + CREEP))) ** (1 / 3))


def wall_spacing(pressure_pa: float, thick_m: float, strength: StrengthClass) -> float:
    """Longest distance between supports of a wall's board [m], by sag and by strength.

    pressure_pa: on the middle of the lowest board [Pa]. thick_m: of the board [m]. Infinite without pressure.
    """
    if pressure_pa <= 0:
        return math.inf
    sag_m = brace_spacing(pressure_pa, thick_m, strength.elasticity_pa)
    return min(sag_m, plate_span(pressure_pa, thick_m, strength))


def post_moment(fill: Fill, height_m: float, apart_m: float) -> float:
    """Moment of the wall's pressure about the foot of a post [N m], by Simpson's rule over twenty strips.

    height_m: of the wall [m]. apart_m: width of wall that leans on the post [m].
    """
    strips = 20
    step_m = height_m / strips
    total = 0.0
    for index in range(strips + 1):
        depth_m = index * step_m
        weight = 1 if index in (0, strips) else 4 if index % 2 else 2
        total += weight * side_pressure(fill, depth_m) * (height_m - depth_m)
    return total * step_m / 3 * apart_m


def ties_for(span_m: float, spacing_m: float) -> int:
    """How many supports between its ends a span [m] wants. spacing_m: as far apart as they may stand [m]."""
    if math.isinf(spacing_m):
        return 0
    return max(math.ceil(span_m / spacing_m - 1e-9) - 1, 0)
