"""A filled bed: its layers where they stand, what vanishes, and what it weighs.

Heights here are those along which the layers lie: above the floor, and in a mound square to its surface.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from nolbet_core.record import record
from nolbet_core.shapes.vessel import Vessel
from nolbet_core.stack.layers import Asked, Bulk, Sheet, Standing
from nolbet_core.stack.sheets import bare_area, covered_area, piece_count, roll_length, sheet_area, spread_size
from nolbet_core.stack.solve import solve_heights
from nolbet_core.stack.voids import RunDown, fines_running, packed_volume, received, void_volume


@record
class Filled:
    """A bed as filled: its layers bottom to top, how far over the headspace line, how far voids let it drop.

    over_m [m], over_m3 [m3]: what does not fit. to_fill_m [m]: what is still empty. vanishing_m3 [m3]: fines that run
    down into open voids; void_drop_m [m]: how far the surface falls by it. base_m: where the lowest layer begins [m].
    runs: which fines those are, and where to.
    """

    layers: tuple[Standing, ...]
    over_m: float
    over_m3: float
    to_fill_m: float
    vanishing_m3: float
    void_drop_m: float
    base_m: float = 0.0
    runs: tuple[RunDown, ...] = ()

    @property
    def top_m(self) -> float:
        """Height of the surface above the floor [m]."""
        return self.layers[-1].top_m if self.layers else self.base_m

    @property
    def mass_dry_kg(self) -> float:
        """Dry mass of the fill with its infill, what is scattered on it left out [kg]."""
        return sum(layer.mass_dry_kg + layer.infill_mass_dry_kg for layer in self.layers)

    @property
    def mass_moist_kg(self) -> float:
        """Mass of the fill as delivered, with its infill and what is scattered on it [kg]."""
        return sum(layer.mass_moist_kg + layer.infill_mass_moist_kg + layer.amendment_kg for layer in self.layers)

    @property
    def mass_saturated_kg(self) -> float:
        """Mass of the fill wet through, with its infill and what is scattered on it [kg]."""
        return sum(
            layer.mass_saturated_kg + layer.infill_mass_saturated_kg + layer.amendment_kg for layer in self.layers
        )


def fill_bed(vessel: Vessel, headspace_m: float, layers: Sequence[Asked], base_m: float = 0.0) -> Filled:
    """Lay the layers into the bed.

    vessel: the bed as built. headspace_m: kept empty below the rim [m]. layers: as asked for, bottom to top.
    base_m: where the lowest begins [m], on a reservoir.
    """
    hollow = vessel.hollow
    heights = solve_heights(hollow, headspace_m, layers, base_m)
    placed = [
        hollow.volume_between(bottom, top) if isinstance(layer, Bulk) else 0.0
        for layer, (bottom, top) in zip(layers, heights.spans, strict=True)
    ]
    runs = fines_running(layers, placed)
    vanishing = received(runs, len(layers))
    standing = tuple(
        bulk_standing(layer, span, volume, vanishes) if isinstance(layer, Bulk) else _sheet(layer, span[0], vessel)
        for layer, span, volume, vanishes in zip(layers, heights.spans, placed, vanishing, strict=True)
    )
    drop_m = surface_drop(vessel, standing, runs)
    lost = sum(vanishing)
    return Filled(standing, heights.over_m, heights.over_m3, heights.to_fill_m, lost, drop_m, base_m, tuple(runs))


def surface_drop(vessel: Vessel, layers: Sequence[Standing], runs: Sequence[RunDown], share: float = 1.0) -> float:
    """How far the surface falls where fines run down into open voids [m].

    layers: as they stand, bottom to top. runs: the fines that may. share: of them that do [0-1]. Where layers sink in
    place, those that the fines come from get thinner; elsewhere the fill stands lower by the volume.
    """
    lost_m3 = share * sum(run.volume_m3 for run in runs)
    if lost_m3 <= 0:
        return 0.0
    if vessel.sinks_in_place:
        return share * sum(
            (vessel.height_of(layers[run.donor].top_m) - vessel.height_of(layers[run.donor].bottom_m))
            * (run.volume_m3 / layers[run.donor].placed_m3)
            for run in runs
        )
    hollow, top_m = vessel.hollow, layers[-1].top_m
    left_m3 = max(hollow.volume_between(0.0, top_m) - lost_m3, 0.0)
    return max(top_m - hollow.height_for_volume(0.0, left_m3), 0.0)


def bulk_standing(layer: Bulk, span: tuple[float, float], placed_m3: float, vanishing_m3: float) -> Standing:
    """A bulk layer as it stands. span: bottom and top [m]. placed_m3: its volume; vanishing_m3: what runs into it."""
    material = layer.material
    infill_m3 = packed_volume(layer, placed_m3)
    fines = layer.infill.material if layer.infill else None
    void_m3 = void_volume(layer, placed_m3)
    return Standing(
        asked=layer,
        bottom_m=span[0],
        top_m=span[1],
        placed_m3=placed_m3,
        infill_m3=infill_m3,
        loose_m3=placed_m3 * material.loose_factor,
        infill_loose_m3=infill_m3 * fines.loose_factor if fines else 0.0,
        solid_m3=placed_m3 - void_m3,
        void_m3=void_m3,
        vanishing_m3=vanishing_m3,
        mass_dry_kg=placed_m3 * material.dry_density_kg_m3,
        mass_moist_kg=placed_m3 * material.bulk_density_kg_m3,
        mass_saturated_kg=placed_m3 * material.saturated_density_kg_m3,
        infill_mass_dry_kg=infill_m3 * fines.dry_density_kg_m3 if fines else 0.0,
        infill_mass_moist_kg=infill_m3 * fines.bulk_density_kg_m3 if fines else 0.0,
        infill_mass_saturated_kg=infill_m3 * fines.saturated_density_kg_m3 if fines else 0.0,
    )


def _sheet(sheet: Sheet, height_m: float, vessel: Vessel) -> Standing:
    pieces = piece_count(sheet, height_m, vessel)
    standing = sheet_standing(sheet, height_m, sheet_area(sheet, height_m, vessel), pieces)
    return replace(
        standing,
        roll_m=roll_length(sheet, height_m, vessel),
        bare_m2=bare_area(sheet, height_m, vessel),
        spread_m=None if sheet.is_strip else spread_size(sheet, height_m, vessel),
        covered_m2=covered_area(sheet, height_m, vessel),
    )


def sheet_standing(
    sheet: Sheet, height_m: float, area_m2: float, pieces: int | None, spread_m: tuple[float, float] | None = None
) -> Standing:
    """A sheet as it lies at a height [m]: its area [m2], and how many pieces where their size is known.

    spread_m: the rectangle it covers [m, m], where it is one.
    """
    mass_kg = area_m2 * sheet.material.mass_per_area_kg_m2
    return Standing(
        asked=sheet,
        bottom_m=height_m,
        top_m=height_m,
        mass_dry_kg=mass_kg * (1 - sheet.material.moisture),
        mass_moist_kg=mass_kg,
        mass_saturated_kg=mass_kg,
        sheet_area_m2=area_m2,
        covered_m2=area_m2 / sheet.plies,
        pieces=pieces,
        spread_m=spread_m,
    )
