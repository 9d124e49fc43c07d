"""One bed of a plan: built, filled, judged, and put into figures."""

from __future__ import annotations

from collections.abc import Mapping

from nolbet_core.climate.year import spring_months
from nolbet_core.figure.drawn import DRAWN_DIGITS, drawn_rings, plan_figures, section_figures
from nolbet_core.figure.figures import (
    BedFigures,
    LayerFigures,
    ReadyFigures,
    ScatteredFigures,
    SowingFigures,
    SpiralFigures,
)
from nolbet_core.figure.judged import judged_bed
from nolbet_core.figure.watered import reservoir_figures, stand_figures
from nolbet_core.findings.pattern import View
from nolbet_core.nutrients.ledger import LayerNitrogen, carbon_to_nitrogen
from nolbet_core.plan.bed import Bed, Layer
from nolbet_core.plan.reservoir import base_of
from nolbet_core.planting.roots import LEAST_DEPTH_M
from nolbet_core.shapes.round import Keyhole
from nolbet_core.shapes.spiral import HerbSpiral
from nolbet_core.shapes.vessel import Vessel
from nolbet_core.shelf.material import Material
from nolbet_core.stack.fill import Filled, fill_bed
from nolbet_core.stack.layers import Amendment, Asked, Bulk, By, Infill, Sheet, Standing
from nolbet_core.stack.spoil import spoil_volume

DEFAULT_LAP_M = 0.15


def asked_layers(bed: Bed, materials: Mapping[str, Material]) -> list[Asked]:
    """A bed's layers as the stack takes them; the bed has been checked."""
    return [_asked(layer, materials) for layer in bed.layers]


def _asked(layer: Layer, materials: Mapping[str, Material]) -> Asked:
    material = materials[layer.material]
    if material.is_sheet:
        return Sheet(
            material,
            layer.plies or 1,
            DEFAULT_LAP_M if layer.lap_m is None else layer.lap_m,
            layer.up_sides_m or 0.0,
            layer.skirt_m or 0.0,
            (layer.piece_m[0], layer.piece_m[1]) if layer.piece_m else None,
            layer.roll_width_m,
            layer.on_hand,
            _scattered(layer, materials),
        )
    by, amount = _amount(layer)
    infill = Infill(materials[layer.infill.material], layer.infill.share) if layer.infill else None
    return Bulk(material, by, amount, infill, layer.lifts or 1, _scattered(layer, materials))


def _scattered(layer: Layer, materials: Mapping[str, Material]) -> Amendment | None:
    fed = layer.amendment
    return Amendment(materials[fed.material], fed.mass_kg) if fed else None


def _amount(layer: Layer) -> tuple[By, float]:
    if layer.thickness_m is not None:
        return "thickness", layer.thickness_m
    if layer.volume_m3 is not None:
        return "volume", layer.volume_m3
    if layer.share is not None:
        return "share", layer.share
    return "fill", 0.0


def filled_bed(bed: Bed, vessel: Vessel, materials: Mapping[str, Material]) -> Filled:
    """A bed with its layers laid in, on its reservoir where it has one."""
    return fill_bed(vessel, bed.kept_empty_m, asked_layers(bed, materials), base_of(bed))


def bed_figures(view: View) -> BedFigures:
    """A filled bed in figures, judged."""
    bed, vessel, filled = view.bed, view.vessel, view.filled
    hollow, inside, outside = vessel.hollow, vessel.inside, vessel.outside
    line_m = max(hollow.rim_m - bed.kept_empty_m, 0.0)
    layers = [layer_figures(layer, vessel, season) for layer, season in zip(filled.layers, view.ledger, strict=True)]
    inside_m3 = hollow.volume_between(0.0, hollow.rim_m)
    return BedFigures(
        key=bed.key,
        name=bed.title,
        count=bed.count,
        inside_length_m=inside.length_m,
        inside_width_m=inside.width_m,
        outer_length_m=outside.length_m,
        outer_width_m=outside.width_m,
        rim_m=vessel.height_of(hollow.rim_m),
        line_m=vessel.height_of(line_m),
        inside_volume_m3=inside_m3,
        fill_volume_m3=hollow.volume_between(filled.base_m, line_m) if bed.kept_empty_m or filled.base_m else inside_m3,
        top_area_m2=vessel.top_area_m2,
        footprint_m2=vessel.footprint_m2,
        wall_loss_share=vessel.wall_loss_share,
        section=section_figures(bed, vessel, max((layer.top_m for layer in layers), default=0.0)),
        plan=plan_figures(vessel),
        spiral=_spiral(vessel),
        spoil_m3=spoil_volume(inside_m3) if vessel.form == "trench" else 0.0,
        path_saves_m3=inside.path_m2 * line_m if isinstance(inside, Keyhole) else 0.0,
        layers=layers,
        over_m=filled.over_m,
        over_m3=filled.over_m3,
        to_fill_m=filled.to_fill_m,
        vanishing_m3=filled.vanishing_m3,
        void_drop_m=filled.void_drop_m,
        placed_m3=sum(layer.placed_m3 for layer in layers),
        loose_m3=sum(layer.loose_m3 + layer.infill_loose_m3 for layer in layers),
        mass_dry_kg=filled.mass_dry_kg + sum(part.mass_dry_kg for part in view.water_parts),
        mass_moist_kg=filled.mass_moist_kg + sum(part.mass_moist_kg for part in view.water_parts),
        mass_saturated_kg=view.mass_saturated_kg,
        c_to_n=carbon_to_nitrogen(filled.layers),
        nitrogen_gap_kg=view.gap_kg,
        root_zone_c_to_n=view.root_zone_c_to_n,
        surface_m=view.surface_m,
        spring_months=spring_months(view.built, view.year),
        ready=ready_figures(view),
        reservoir=reservoir_figures(view) if view.store else None,
        stand=stand_figures(view),
        findings=judged_bed(view),
    )


def _scattered_figures(layer: Standing, lifts: int) -> ScatteredFigures | None:
    fed = layer.asked.amendment
    if fed is None:
        return None
    return ScatteredFigures(fed.material.key, fed.material.name, fed.mass_kg, fed.mass_kg / lifts)


def _spiral(vessel: Vessel) -> SpiralFigures | None:
    if not isinstance(vessel, HerbSpiral):
        return None
    run = vessel.hollow.run
    return SpiralFigures(run_length_m=run.length_m, turns=run.turns, wall_face_m2=vessel.wall_face_m2)


def ready_figures(view: View) -> ReadyFigures:
    """From when a bed can be sown, in figures."""
    ready = view.ready
    return ReadyFigures(
        depth_m=ready.depth_m,
        built_on=view.built,
        waits=[wait.because for wait in ready.waits],
        sowings=[
            SowingFigures(each.roots, LEAST_DEPTH_M[each.roots], each.years, each.from_day, each.because)
            for each in ready.sowings
        ],
        harvest_days=ready.harvest_days,
        harvest_days_above=ready.harvest_days_above,
    )


def layer_figures(layer: Standing, vessel: Vessel, season: LayerNitrogen) -> LayerFigures:
    """A standing layer in figures, as it lies in the bed. season: its first season's nitrogen."""
    lower_m, upper_m = layer.bottom_m, layer.top_m
    anchor, grip = vessel.anchor(lower_m, upper_m), vessel.grip(upper_m)
    lifts = layer.asked.lifts if isinstance(layer.asked, Bulk) else 1
    return LayerFigures(
        material=layer.material.key,
        name=layer.material.name,
        sheet=layer.material.is_sheet,
        bottom_m=vessel.height_of(lower_m),
        top_m=vessel.height_of(upper_m),
        thickness_m=layer.thickness_m,
        placed_m3=layer.placed_m3,
        infill_m3=layer.infill_m3,
        loose_m3=layer.loose_m3,
        infill_loose_m3=layer.infill_loose_m3,
        solid_m3=layer.solid_m3,
        void_share=layer.material.void_share,
        void_m3=layer.void_m3,
        vanishing_m3=layer.vanishing_m3,
        mass_dry_kg=layer.mass_dry_kg,
        mass_moist_kg=layer.mass_moist_kg,
        mass_saturated_kg=layer.mass_saturated_kg,
        infill_mass_moist_kg=layer.infill_mass_moist_kg,
        sheet_area_m2=layer.sheet_area_m2,
        pieces=layer.pieces,
        lifts=lifts,
        lift_m=layer.thickness_m / lifts,
        lift_loose_m3=layer.loose_m3 / lifts,
        outlines=drawn_rings(vessel.section(lower_m, upper_m)),
        anchor=(round(anchor[0], DRAWN_DIGITS), round(anchor[1], DRAWN_DIGITS)),
        grip=(round(grip[0], DRAWN_DIGITS), round(grip[1], DRAWN_DIGITS)),
        zones=drawn_rings(vessel.plan_zone(lower_m, upper_m)),
        run_m=vessel.zone(lower_m, upper_m) if isinstance(vessel, HerbSpiral) else None,
        roll_m=layer.roll_m,
        bare_m2=layer.bare_m2,
        scattered=_scattered_figures(layer, lifts),
        nitrogen_kg=season.net_kg + season.fed_kg,
        contact=season.contact,
    )
