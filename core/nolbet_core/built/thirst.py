"""What a bed drinks, and what its fill takes when it is soaked."""

from __future__ import annotations

from nolbet_core.built.planted import planted_of
from nolbet_core.built.water import available_share
from nolbet_core.built.worked import WorkedBed
from nolbet_core.planting.roots import LEAST_DEPTH_M
from nolbet_core.reservoir.thirst import MonthThirst, thirst_by_month
from nolbet_core.shelf.library import standard_shelf
from nolbet_core.stack.layers import Standing
from nolbet_core.stack.zone import ROOT_ZONE_M, mulch_begins, root_surface, shares_between

GROUND = "garden_soil"


def root_depth(worked: WorkedBed) -> float:
    """How deep plants draw water [m]: the root zone, or as deep as the planned crop roots."""
    roots = worked.bed.roots
    return max(LEAST_DEPTH_M[roots], ROOT_ZONE_M) if roots else ROOT_ZONE_M


def available_water(worked: WorkedBed) -> float:
    """Water that plants can take from the root zone, full [m3], the ground below with it where roots go on into it."""
    whole = worked.whole
    layers, hollow = whole.filled.layers, whole.vessel.hollow
    surface_m, depth_m = root_surface(layers), root_depth(worked)
    fill_m3 = sum(
        layer.placed_m3
        * shares_between(layer, hollow, surface_m - depth_m, surface_m)
        * available_share(layer.material)
        for layer in layers[: mulch_begins(layers)]
        if layer.thickness_m > 0
    )
    ground_m = min(max(depth_m - surface_m, 0.0), whole.below_m)
    return fill_m3 + ground_m * worked.vessel.top_area_m2 * available_share(standard_shelf()[GROUND])


def thirst_of(worked: WorkedBed) -> tuple[MonthThirst, ...]:
    """A bed's thirst in each month; a reservoir's bed drinks the same."""
    around = worked.around
    rain_mm = [each.rain_mm for each in around.usual_months]
    area_m2 = worked.vessel.top_area_m2
    return thirst_by_month(planted_of(worked), around.et0_mm, rain_mm, area_m2, available_water(worked))


def soaking_water(layer: Standing) -> float:
    """Water that a layer takes when it is wet through [L]: its wet mass less its mass as delivered, its packing's too.

    A kilogram of water is a litre.
    """
    wet_kg = layer.mass_saturated_kg + layer.infill_mass_saturated_kg
    return max(wet_kg - layer.mass_moist_kg - layer.infill_mass_moist_kg, 0.0)
