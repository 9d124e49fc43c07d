"""What one person does in an hour, and how long work takes by it."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Literal

from nolbet_core.plan.works import GroundKind, RateName, WorkKind, Works
from nolbet_core.quantities.units import System
from nolbet_core.quantities.writing import show_area, show_bulk_volume
from nolbet_core.record import record
from nolbet_core.works.shovelling import SHOVELLED_M3_AN_HOUR

ESTIMATE = "estimate"

RateUnit = Literal["m3", "m2", "count"]
"""What is counted in an hour."""


@record
class Rate:
    """What is done in an hour: its usual value, the unit it counts, the kind of work it belongs to, its source."""

    name: str
    usual: float
    unit: RateUnit
    work: WorkKind
    source: str = ESTIMATE


RATES: dict[RateName, Rate] = {
    "dig_loam_m3_h": Rate("Digging in loam", 0.5, "m3", "digging"),
    "dig_clay_m3_h": Rate("Digging in clay or stony ground", 0.3, "m3", "digging"),
    "dig_rooty_m3_h": Rate("Digging among roots", 0.15, "m3", "digging"),
    "machine_dig_m3_h": Rate("Digging with a small hired digger", 4.0, "m3", "digging"),
    "shovel_m3_h": Rate("Shovelling", SHOVELLED_M3_AN_HOUR, "m3", "moving"),
    "cuts_h": Rate("Pieces cut", 10.0, "count", "cutting"),
    "screws_h": Rate("Screws, pre-drilled and driven", 20.0, "count", "fastening"),
    "sheet_m2_h": Rate("Laying sheets", 15.0, "m2", "sheets"),
    "bricks_glued_h": Rate("Bricks laid in adhesive", 25.0, "count", "walling"),
    "bricks_mortar_h": Rate("Bricks laid in mortar", 12.0, "count", "walling"),
    "dry_stone_m2_h": Rate("Building dry stone", 0.4, "m2", "walling"),
    "mix_m3_h": Rate("Mixing", 0.5, "m3", "mixing"),
}
"""By the plan file's names; all of them start as estimates and can be given anew."""

DUG_AT: dict[GroundKind, RateName] = {
    "loam": "dig_loam_m3_h", "clay": "dig_clay_m3_h", "stony": "dig_clay_m3_h", "rooty": "dig_rooty_m3_h",
}  # fmt: skip


@dataclass(frozen=True)
class Paces:
    """How fast a gardener works. given: rates that aren't usual. ground: what is dug in. machine: whether a
    digger digs.

    factors: how many times as long as those rates say a kind of work takes the gardener.
    """

    given: Mapping[RateName, float] = field(default_factory=dict)
    ground: GroundKind = "loam"
    machine: bool = False
    factors: Mapping[WorkKind, float] = field(default_factory=dict)

    def rate(self, name: RateName) -> float:
        """What is done in an hour, in the rate's unit."""
        return self.given.get(name, RATES[name].usual)

    def hours(self, name: RateName, amount: float) -> float:
        """Hours of one person for an amount, in the rate's unit, at that rate."""
        return amount / self.rate(name)

    def digging(self, placed_m3: float, *, ground: GroundKind | None = None) -> float:
        """Hours of digging a volume as it lies [m3]. ground: what is dug in, where it isn't as elsewhere."""
        return self.hours("machine_dig_m3_h" if self.machine else DUG_AT[ground or self.ground], placed_m3)

    @property
    def harder_ground(self) -> float:
        """How many times as long digging by hand takes as in usual loam."""
        return RATES["dig_loam_m3_h"].usual / self.rate(DUG_AT[self.ground])

    def factor(self, work: WorkKind) -> float:
        """How many times as long as usual a kind of work takes the gardener."""
        return self.factors.get(work, 1.0)


def paces_of(works: Works, factors: Mapping[WorkKind, float]) -> Paces:
    """How fast the gardener of some works goes. factors: on kinds of work, as logged or given."""
    return Paces(works.rates, works.ground, works.machine, factors)


def show_rate(name: RateName, value: float, system: System) -> str:
    """What is done in an hour, with its unit."""
    unit = RATES[name].unit
    if unit == "m3":
        return show_bulk_volume(value, system)
    return show_area(value, system) if unit == "m2" else f"{value:g}"
