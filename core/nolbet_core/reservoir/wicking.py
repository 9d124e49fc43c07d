"""How high water wicks, and how much of it in a day."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from nolbet_core.reservoir.store import column_area
from nolbet_core.shelf.material import Material

Values = NDArray[np.float64]
WickKind = Literal["soil_column", "strip", "fabric", "medium"]
Fabric = Literal["none", "flat", "dips"]

COLUMN_M_DAY = 0.030
"""Water that a soil column lifts a day, standing in water, for its level area [m/day] (estimate, 0.01 to 0.05)."""

FABRIC_M_DAY = 0.012
"""Water that a wicking fabric under all of the soil lifts a day [m/day] (estimate, 0.006 to 0.02)."""

STRIP_M3_DAY_M = 0.004
"""Water that a strip of wicking fabric lifts a day for each metre of its width [m3/day/m] (estimate)."""

MEDIUM_M_DAY = 0.010
"""Water that a medium lifts itself a day, where it wicks at all [m/day] (estimate)."""

TOUCHES_M = 0.005
"""A flat fabric over stones lifts from no deeper than it is thick [m]."""

STRIP_RISE_M = 0.25
FABRIC_RISE_M = 0.20
"""How high strips and fabrics lift water [m] (estimates)."""


@dataclass(frozen=True, slots=True)
class Lift:
    """One way in which water is lifted to the soil's base: how much at the most [m3/day], from how far below [m].

    hangs_m: how far it hangs down, below which it touches no water [m]; it stands on the floor where that is None.
    """

    kind: WickKind
    most_m3_day: float
    rise_m: float
    hangs_m: float | None = None


@dataclass(frozen=True, slots=True)
class Wicking:
    """What lifts water to the roots. lifts: each way, the strongest first.

    way: what the water goes through from the soil's base up to the lowest roots: how high over the base the way through
    each layer ends, and how high that layer wicks [m, m]; roots that reach the base need none of it.
    """

    lifts: tuple[Lift, ...]
    way: tuple[tuple[float, float], ...] = ()

    @property
    def kind(self) -> WickKind:
        """The strongest way."""
        return self.lifts[0].kind if self.lifts else "medium"

    @property
    def most_m3_day(self) -> float:
        """What all lift together at the most [m3/day]."""
        return sum(each.most_m3_day for each in self.lifts)

    def lifted(self, below_m: Values, rise_factor: float | Values = 1.0) -> Values:
        """What reaches the roots in a day from water so far below the soil's base [m3/day].

        rise_factor: on how high everything wicks. Each way falls evenly to nothing at its own rise; so does what goes
        on through the soil, by the height over the water, and the layer that wicks least decides: one that wicks less
        high than it stands over the water breaks the column.
        """
        below = np.asarray(below_m, dtype=float)
        total = np.zeros(np.broadcast(below, np.asarray(rise_factor)).shape)
        for each in self.lifts:
            own = each.most_m3_day * _falling(below, each.rise_m * rise_factor)
            total = total + (own if each.hangs_m is None else np.where(below <= each.hangs_m, own, 0.0))
        for over_m, rise_m in self.way:
            total = total * _falling(below + over_m, rise_m * rise_factor)
        return total


def _falling(height_m: Values, rise_m: float | Values) -> Values:
    """Share that is still lifted at a height over the water [0-1]: all at none, none from the rise on."""
    rise = np.asarray(rise_m, dtype=float)
    share: Values = np.where(rise > 0, np.clip(1 - height_m / np.maximum(rise, 1e-9), 0.0, 1.0), 0.0)
    return share


def capillary_rise(materials: Sequence[tuple[Material, float]]) -> float:
    """How high soil wicks [m]: the mean of its parts by volume, an estimate. materials: each with its volume [m3]."""
    whole = sum(volume for _, volume in materials)
    if whole <= 0:
        return 0.0
    return sum(material.capillary_rise_m * volume for material, volume in materials) / whole


def lifts_of(
    columns: Sequence[tuple[float, int, float | None]],
    strips: Sequence[tuple[float, int, float | None]],
    fabric: Fabric,
    area_m2: float,
    soil_rise_m: float,
    medium: Material | None,
) -> tuple[Lift, ...]:
    """What lifts a reservoir's water to the soil's base, the strongest first.

    columns: diameters [m], counts, and how far they hang down [m], None to the floor. strips: widths [m], counts
    and the same. fabric: whether one lies under all of the soil, flat or dipping to the floor. area_m2: of the soil's
    base [m2]. soil_rise_m: how high the soil in columns wicks [m].
    medium: lifts by itself where nothing else does. A flat fabric lifts what touches it, or what the medium brings up.
    """
    own_rise_m = medium.capillary_rise_m if medium else 0.0
    lifts: list[Lift] = []
    for hangs_m in dict.fromkeys(hangs for *_, hangs in columns):
        area = sum(column_area(diameter, count) for diameter, count, hangs in columns if hangs == hangs_m)
        lifts.append(Lift("soil_column", area * COLUMN_M_DAY, soil_rise_m, hangs_m))
    for hangs_m in dict.fromkeys(hangs for *_, hangs in strips):
        wide_m = sum(width * count for width, count, hangs in strips if hangs == hangs_m)
        lifts.append(Lift("strip", wide_m * STRIP_M3_DAY_M, STRIP_RISE_M, hangs_m))
    if fabric != "none":
        rise_m = FABRIC_RISE_M if fabric == "dips" else max(own_rise_m, TOUCHES_M)
        lifts.append(Lift("fabric", area_m2 * FABRIC_M_DAY, rise_m))
    if not lifts and own_rise_m > 0:
        lifts.append(Lift("medium", area_m2 * MEDIUM_M_DAY, own_rise_m))
    return tuple(sorted(lifts, key=lambda each: -each.most_m3_day))


def way_to_roots(
    layers: Sequence[tuple[float, float, float]], lowest_roots_m: float
) -> tuple[tuple[float, float], ...]:
    """The layers that water goes through to the lowest roots: how high the way through each ends over the soil's base,
    and how high it wicks [m, m].

    layers: bottom and top over the soil's base, and rise [m], bottom to top. lowest_roots_m: over the soil's base [m].
    The lowest layer always counts, for the way into it.
    """
    way = []
    for index, (bottom_m, top_m, rise_m) in enumerate(layers):
        if index == 0 or bottom_m < lowest_roots_m - 1e-9:
            way.append((max(min(top_m, lowest_roots_m), 0.0), rise_m))
    return tuple(way)
