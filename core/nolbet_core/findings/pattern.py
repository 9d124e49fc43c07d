"""What a finding is: metadata and one small pure method that looks at a filled bed."""

from __future__ import annotations

from abc import ABC, abstractmethod
from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field
from datetime import date
from functools import cached_property
from typing import Any, ClassVar, Literal

from nolbet_core.climate.year import Year
from nolbet_core.nutrients.dose import Dose, dose_for, fed_nitrogen
from nolbet_core.nutrients.ledger import (
    LayerNitrogen,
    nitrogen_gap,
    nitrogen_ledger,
    weighted_carbon_to_nitrogen,
)
from nolbet_core.plan.bed import Bed, Layer
from nolbet_core.planting.ready import Readiness, readiness
from nolbet_core.plot.placed import PlacedBed
from nolbet_core.plot.site import Site
from nolbet_core.quantities.units import System
from nolbet_core.reservoir.store import Store, liner_sheet
from nolbet_core.reservoir.wicking import Wicking, capillary_rise, wicking_of
from nolbet_core.settling.curve import decay_factor
from nolbet_core.settling.surface import surface_by_month
from nolbet_core.shapes.vessel import Vessel
from nolbet_core.shelf.material import Material
from nolbet_core.stack.fill import Filled, bulk_standing, sheet_standing
from nolbet_core.stack.layers import Bulk, Sheet, Standing
from nolbet_core.stack.zone import contacts, mulch_begins, zone_shares

Level = Literal["stop", "caution", "advice", "note"]
LEVELS: tuple[Level, ...] = ("stop", "caution", "advice", "note")

CLOSED_BELOW = frozenset({"round_tub", "trough", "lying_barrel", "crates"})
"""Shapes that have a bottom of their own."""

DEFER = "Local rules and licensed practice come first."
"""How every safety finding ends."""


@dataclass(frozen=True)
class View:
    """What a finding looks at: the bed as planned, as built and as filled, and the units it is told in.

    site, placed: the ground, and where on it the beds alike lie, where that is known. year: the garden's.
    """

    bed: Bed
    vessel: Vessel
    filled: Filled
    system: System
    site: Site | None = None
    placed: tuple[PlacedBed, ...] = ()
    year: Year = field(default_factory=Year)
    handful_kg: float | None = None
    store: Store | None = None
    medium: Material | None = None
    liner: Material | None = None
    under: Material | None = None

    @cached_property
    def water_parts(self) -> tuple[Standing, ...]:
        """What a reservoir is made of: its medium, and its liner where it has one."""
        reservoir = self.bed.reservoir
        if self.store is None or reservoir is None:
            return ()
        parts = []
        if self.under is not None:
            volume_m3 = self.vessel.hollow.volume_between(0.0, self.store.under_m)
            parts.append(bulk_standing(Bulk(self.under, "volume", volume_m3), (0.0, 0.0), volume_m3, 0.0))
        if self.medium is not None:
            volume_m3 = self.store.medium_below(self.store.height_m)
            parts.append(bulk_standing(Bulk(self.medium, "volume", volume_m3), (0.0, 0.0), volume_m3, 0.0))
        if self.liner is not None and self.liner_m is not None:
            parts.append(sheet_standing(Sheet(self.liner), 0.0, self.liner_m[0] * self.liner_m[1], 1))
        return tuple(parts)

    @cached_property
    def liner_m(self) -> tuple[float, float] | None:
        """Length and width of the sheet that lines the reservoir [m, m]; None where none does."""
        reservoir, inside = self.bed.reservoir, self.vessel.inside
        if self.store is None or reservoir is None or reservoir.liner_lap_m is None:
            return None
        return liner_sheet(inside.length_m, inside.width_m, self.store.height_m, reservoir.liner_lap_m)

    @cached_property
    def soil_rise_m(self) -> float:
        """How high the soil over the reservoir wicks [m]."""
        layers = self.filled.layers[: mulch_begins(self.filled.layers)]
        return capillary_rise([(each.material, each.placed_m3) for each in layers if not each.material.is_sheet])

    @cached_property
    def wicking(self) -> Wicking:
        """What lifts the reservoir's water."""
        wicks = self.bed.reservoir.wicks if self.bed.reservoir else []
        return wicking_of(
            [(each.diameter_m or 0.0, each.count) for each in wicks if each.kind == "soil_column"],
            [(each.width_m or 0.0, each.count) for each in wicks if each.kind == "strip"],
            any(each.kind == "fabric" for each in wicks),
            self.vessel.hollow.area_at(self.filled.base_m),
            self.soil_rise_m,
            self.medium,
        )

    @cached_property
    def mass_saturated_kg(self) -> float:
        """Mass of all that is in the bed wet through, its water with it [kg]."""
        water_kg = 1000.0 * self.store.held_m3 if self.store else 0.0
        return self.filled.mass_saturated_kg + water_kg + sum(part.mass_moist_kg for part in self.water_parts)

    @cached_property
    def decay_factor(self) -> float:
        """Factor on decay rates over the whole year."""
        return decay_factor(self.year.mean_temp_c, self.bed.dampness)

    @cached_property
    def season_factor(self) -> float:
        """Factor on decay rates in the growing season."""
        return decay_factor(self.year.season_temp_c, self.bed.dampness)

    @cached_property
    def ledger(self) -> tuple[LayerNitrogen, ...]:
        """The first season's nitrogen, layer by layer."""
        layers = self.filled.layers
        return nitrogen_ledger(layers, contacts(self.filled, self.vessel.hollow), self.season_factor)

    @cached_property
    def gap_kg(self) -> float:
        """Nitrogen that plants go short of in the first season [kg]."""
        return nitrogen_gap(self.ledger)

    @cached_property
    def fed_kg_m2(self) -> float:
        """Nitrogen scattered on all layers together [kg/m2]."""
        fed = [layer.asked.amendment for layer in self.filled.layers if layer.asked.amendment]
        return sum(fed_nitrogen(each.material, each.mass_kg) for each in fed) / self.vessel.top_area_m2

    def dose(self, material: Material) -> Dose | None:
        """The dose of a meal that closes the gap, None where there is none or it doesn't help."""
        area_m2 = self.vessel.top_area_m2
        return dose_for(material, self.ledger, area_m2, self.season_factor, self.fed_kg_m2, self.handful_kg)

    @cached_property
    def zone_shares(self) -> list[float]:
        """Share of each layer's volume in the root zone [0-1]."""
        return zone_shares(self.filled, self.vessel.hollow)

    @cached_property
    def root_zone_c_to_n(self) -> float | None:
        """C:N of the root zone."""
        return weighted_carbon_to_nitrogen(zip(self.filled.layers, self.zone_shares, strict=True))

    @cached_property
    def surface_m(self) -> list[float]:
        """Height of the surface above the floor by month [m]."""
        surface: list[float] = surface_by_month(self.vessel, self.filled, self.decay_factor).tolist()
        return surface

    @cached_property
    def built(self) -> date | None:
        """The day of filling: as given, else today where that is known."""
        return date.fromisoformat(self.bed.built_on) if self.bed.built_on else self.year.today

    @property
    def open_below(self) -> bool:
        """Whether the bed lies on open ground that roots can go into."""
        return self.store is None and self.bed.stand is None and self.bed.shape.kind not in CLOSED_BELOW

    @cached_property
    def ready(self) -> Readiness:
        """From when what may be sown."""
        gap_kg_m2 = self.gap_kg / self.vessel.top_area_m2
        layers, factor = self.filled.layers, self.decay_factor
        return readiness(layers, self.bed.school, gap_kg_m2, self.open_below, factor, self.built, self.year)

    @cached_property
    def written_layers(self) -> tuple[dict[str, Any], ...]:
        """The bed's layers in the plan file's words, written once for all its mends."""
        return tuple(written(layer) for layer in self.bed.layers)


@dataclass(frozen=True, slots=True)
class Mend:
    """One click that mends: what it says, and the bed's plan-file keys with their new values."""

    label: str
    changes: Mapping[str, Any]


@dataclass(frozen=True, slots=True)
class Found:
    """A judgement that holds: how grave, one sentence with its figure, why it matters, what to do, which layer.

    sides: what each school says, where they differ.
    """

    level: Level
    message: str
    why: str
    advice: str
    layer: int | None = None
    mend: Mend | None = None
    sides: tuple[str, ...] = ()


class Finding(ABC):
    """One kind of finding."""

    code: ClassVar[str]

    @abstractmethod
    def look(self, view: View) -> Iterator[Found]:
        """Each place in the bed where it holds."""


def written(layer: Layer) -> dict[str, Any]:
    """A layer in the plan file's words."""
    return layer.model_dump(mode="json", exclude_none=True)


def layers_with(view: View, index: int, **changes: Any) -> dict[str, Any]:
    """The bed's layers with one changed, as a mend writes them; a key changed to None is left out."""
    layers = list(view.written_layers)
    layers[index] = written(view.bed.layers[index].model_copy(update=changes))
    return {"layers": layers}


def with_thickness(view: View, index: int, thickness_m: float) -> dict[str, Any]:
    """The bed's layers with one of a thickness of its own, whatever it was given by before."""
    return layers_with(view, index, thickness_m=thickness_m, volume_m3=None, share=None, fill=None)
