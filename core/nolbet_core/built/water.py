"""The water under a bed's soil: its store, what it is made of, how its water rises."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from nolbet_core.built.bed import BuiltBed
from nolbet_core.built.fittings import fitting_wares
from nolbet_core.built.wraps import wraps_of
from nolbet_core.haul.wanted import Box, Stretch
from nolbet_core.plan.bed import Reservoir
from nolbet_core.reservoir.store import Store, liner_sheet
from nolbet_core.reservoir.wicking import Fabric, Wicking, capillary_rise, lifts_of, way_to_roots
from nolbet_core.shapes.vessel import Vessel
from nolbet_core.shelf.material import Material
from nolbet_core.shelf.wares import CRATE, DRAIN_PIPE, WARES, Ware
from nolbet_core.stack.fill import Filled, bulk_standing, sheet_standing
from nolbet_core.stack.layers import Bulk, Sheet, Standing
from nolbet_core.stack.zone import ROOT_ZONE_M, mulch_begins, root_surface

LINER = "pond_liner"
"""What lines a reservoir."""

FABRIC = "wicking_fabric"
"""What wicks of cloth are cut from."""

WATER_KG_M3 = 1000.0

USUAL_AVAILABLE = 0.18
"""Water that plants can take from soil whose figures aren't known, of its volume [0-1] (estimate, 0.12 to 0.25)."""


@dataclass(frozen=True)
class BedWater:
    """A reservoir as built under a filled bed.

    medium, liner, under, fabric: what fills it, lines it, lies under its liner, and what wicks of cloth are cut from.
    wraps: sheets that its pipes are wrapped in. underlay: the sheet that its liner lies on.
    """

    reservoir: Reservoir
    store: Store
    vessel: Vessel
    filled: Filled
    medium: Material | None
    liner: Material
    under: Material | None
    fabric: Material
    wraps: tuple[Standing, ...] = ()
    underlay: Material | None = None

    @cached_property
    def parts(self) -> tuple[Standing, ...]:
        """What it is made of that lies in it: what is under it, its medium, its liner where it has one, its wicks."""
        parts = []
        if self.under is not None:
            volume_m3 = self.vessel.hollow.volume_between(0.0, self.store.under_m)
            parts.append(bulk_standing(Bulk(self.under, "volume", volume_m3), (0.0, 0.0), volume_m3, 0.0))
        if self.medium is not None:
            volume_m3 = self.store.medium_below(self.store.height_m)
            parts.append(bulk_standing(Bulk(self.medium, "volume", volume_m3), (0.0, 0.0), volume_m3, 0.0))
        if self.liner_m is not None:
            area_m2 = self.liner_m[0] * self.liner_m[1]
            parts.append(sheet_standing(Sheet(self.liner), 0.0, area_m2, 1, self.liner_m))
            if self.underlay is not None:
                parts.append(sheet_standing(Sheet(self.underlay), 0.0, area_m2, None, self.liner_m))
        return (*parts, *self.wraps, *self._wicks())

    def _wicks(self) -> Iterator[Standing]:
        """Soil that stands in wick columns, and fabric, in strips or under all of the soil."""
        kinds = {each.kind for each in self.reservoir.wicks}
        soil = next((each.material for each in self.filled.layers if not each.material.is_sheet), None)
        if "soil_column" in kinds and soil is not None:
            volume_m3 = self.store.columns_m3
            yield bulk_standing(Bulk(soil, "volume", volume_m3), (0.0, 0.0), volume_m3, 0.0)
        usual_m = self.store.height_m + ROOT_ZONE_M
        strips = [each for each in self.reservoir.wicks if each.kind == "strip"]
        area_m2 = sum((each.width_m or 0.0) * (each.length_m or usual_m) * each.count for each in strips)
        if area_m2 > 0:
            yield sheet_standing(Sheet(self.fabric, lap_m=0.0), 0.0, area_m2, None)
        if "fabric" in kinds:
            inside, area_m2 = self.vessel.inside, self.vessel.hollow.area_at(self.filled.base_m)
            yield sheet_standing(Sheet(self.fabric), 0.0, area_m2, None, (inside.length_m, inside.width_m))

    @cached_property
    def wares(self) -> tuple[tuple[Ware, Stretch | Box], ...]:
        """Its pipes and crates, as they are bought."""
        pipes = [
            (WARES[DRAIN_PIPE], Stretch(each.diameter_m, each.length_m, each.count)) for each in self.reservoir.pipes
        ]
        crates = [
            (WARES[CRATE], Box(each.length_m, each.width_m, each.height_m, each.count))
            for each in self.reservoir.crates
        ]
        return (*pipes, *crates, *fitting_wares(self.reservoir, self.vessel.hollow.rim_m))

    @property
    def water_kg(self) -> float:
        """Mass of the water it holds [kg]."""
        return WATER_KG_M3 * self.store.held_m3

    @cached_property
    def parts_kg(self) -> float:
        """Mass of what it is made of, as delivered [kg]."""
        return sum(part.mass_moist_kg for part in self.parts) + self._wares_kg

    @property
    def parts_dry_kg(self) -> float:
        """Mass of what it is made of without its water [kg]."""
        return sum(part.mass_dry_kg for part in self.parts) + self._wares_kg

    @property
    def _wares_kg(self) -> float:
        return sum(part.mass_kg(ware) for ware, part in self.wares)

    @cached_property
    def liner_m(self) -> tuple[float, float] | None:
        """Length and width of the sheet that lines it [m, m]; None where none does."""
        inside = self.vessel.inside
        if self.reservoir.liner_lap_m is None:
            return None
        return liner_sheet(inside.length_m, inside.width_m, self.store.height_m, self.reservoir.liner_lap_m)

    @cached_property
    def soil_rise_m(self) -> float:
        """How high the soil over it wicks [m]."""
        layers = self.filled.layers[: mulch_begins(self.filled.layers)]
        return capillary_rise([(each.material, each.placed_m3) for each in layers if not each.material.is_sheet])

    @cached_property
    def soil_over_m(self) -> float:
        """Soil between the full water and the surface that is sown, under the mulch [m]."""
        layers = self.filled.layers
        return max(root_surface(layers) - self.store.full_m, 0.0) if layers else 0.0

    @cached_property
    def lowest_roots_m(self) -> float:
        """Where the root zone begins, above the soil's base [m]; nothing where roots reach it."""
        return max(root_surface(self.filled.layers) - self.filled.base_m - ROOT_ZONE_M, 0.0)

    @cached_property
    def wicking(self) -> Wicking:
        """What lifts its water to the roots."""
        wicks, base_m = self.reservoir.wicks, self.filled.base_m
        fabrics = [each for each in wicks if each.kind == "fabric"]
        fabric: Fabric = "none" if not fabrics else "dips" if any(each.dips for each in fabrics) else "flat"
        lifts = lifts_of(
            [
                (each.diameter_m or 0.0, each.count, self._hangs(each.height_m))
                for each in wicks
                if each.kind == "soil_column"
            ],
            [
                (each.width_m or 0.0, each.count, self._hangs(each.length_m and each.length_m - ROOT_ZONE_M))
                for each in wicks
                if each.kind == "strip"
            ],
            fabric,
            self.vessel.hollow.area_at(base_m),
            self.soil_rise_m,
            self.medium,
        )
        layers = [
            (each.bottom_m - base_m, each.top_m - base_m, each.material.capillary_rise_m)
            for each in self.filled.layers[: mulch_begins(self.filled.layers)]
            if not each.material.is_sheet
        ]
        return Wicking(lifts, way_to_roots(layers, self.lowest_roots_m))

    def _hangs(self, down_m: float | None) -> float | None:
        """How far a wick hangs down from the soil [m]; None where it stands on the floor."""
        return None if down_m is None or down_m >= self.store.height_m else max(down_m, 0.0)

    @cached_property
    def lifted_full_m3_day(self) -> float:
        """What reaches the roots in a day from the full reservoir [m3/day]."""
        return float(self.wicking.lifted(np.array(self.store.height_m - self.store.overflow_m)))

    @cached_property
    def lifted_half_m3_day(self) -> float:
        """The same once half of the water is gone [m3/day]."""
        level_m = self.store.level_of(np.array(self.store.held_m3 / 2))
        return float(self.wicking.lifted(self.store.height_m - level_m))

    @cached_property
    def available_m3(self) -> float:
        """Water that plants can take from the soil over it, full [m3]."""
        layers = self.filled.layers[: mulch_begins(self.filled.layers)]
        return sum(each.placed_m3 * available_share(each.material) for each in layers)

    @property
    def is_mulched(self) -> bool:
        """Whether mulch lies on the soil over it."""
        return is_mulched(self.filled.layers)


def is_mulched(layers: tuple[Standing, ...]) -> bool:
    """Whether mulch lies on the topmost soil of some layers."""
    return any(each.thickness_m > 0 or each.material.is_sheet for each in layers[mulch_begins(layers) :])


def available_share(material: Material) -> float:
    """Water that plants can take from a material [share of its volume]: capacity less wilting; soil whose figures
    aren't known has a usual share, anything else none.
    """
    held, wilting = material.soil_figure("container_capacity"), material.soil_figure("wilting_point")
    if held is None or wilting is None:
        return USUAL_AVAILABLE if material.group == "soil" else 0.0
    return max(held - wilting, 0.0)


def bed_water(built: BuiltBed, filled: Filled, materials: Mapping[str, Material]) -> BedWater | None:
    """The water under a built bed; None where it has no reservoir."""
    reservoir, store = built.bed.reservoir, built.store
    if reservoir is None or store is None:
        return None
    medium = materials[reservoir.medium] if reservoir.medium else None
    under = materials[reservoir.under.material] if reservoir.under else None
    underlay = materials[reservoir.underlay] if reservoir.underlay else None
    wraps = wraps_of(reservoir.pipes, materials)
    liner, fabric = materials[LINER], materials[FABRIC]
    return BedWater(reservoir, store, built.vessel, filled, medium, liner, under, fabric, wraps, underlay)
