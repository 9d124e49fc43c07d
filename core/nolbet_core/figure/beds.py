"""One bed of a plan: built, filled, judged, and put into figures."""

from __future__ import annotations

from collections.abc import Mapping

from nolbet_core.figure.figures import BedFigures, LayerFigures
from nolbet_core.figure.judged import judged_bed
from nolbet_core.plan.bed import Bed, Layer
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.quantities.units import System
from nolbet_core.shapes.box import Box, build_box
from nolbet_core.shapes.hollow import ShapeProblem
from nolbet_core.shelf.material import Material
from nolbet_core.stack.fill import Filled, fill_bed
from nolbet_core.stack.layers import Asked, Bulk, By, Infill, Sheet, Standing

DEFAULT_LAP_M = 0.15


def built_bed(bed: Bed, path: str) -> Box:
    """A bed's box as built. Raises PlanProblem where its measures leave no inside."""
    shape = bed.shape
    corners = bed.corner_depths_m
    try:
        return build_box(
            shape.length_m,
            shape.width_m,
            shape.depth_m,
            bed.measured,
            bed.wall_m,
            (corners[0], corners[1], corners[2], corners[3]) if corners else None,
        )
    except ShapeProblem as problem:
        raise PlanProblem(f"{path}.shape.{problem.key}", str(problem)) from problem


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
        )
    by, amount = _amount(layer)
    infill = Infill(materials[layer.infill.material], layer.infill.share) if layer.infill else None
    return Bulk(material, by, amount, infill, layer.lifts or 1)


def _amount(layer: Layer) -> tuple[By, float]:
    if layer.thickness_m is not None:
        return "thickness", layer.thickness_m
    if layer.volume_m3 is not None:
        return "volume", layer.volume_m3
    if layer.share is not None:
        return "share", layer.share
    return "fill", 0.0


def filled_bed(bed: Bed, box: Box, materials: Mapping[str, Material]) -> Filled:
    """A bed's box with its layers laid in."""
    return fill_bed(box, bed.headspace_m, asked_layers(bed, materials))


def bed_figures(bed: Bed, box: Box, filled: Filled, system: System) -> BedFigures:
    """A filled bed in figures, judged. system: the units that judgements are told in."""
    hollow = box.hollow
    line_m = max(hollow.rim_m - bed.headspace_m, 0.0)
    layers = [layer_figures(layer) for layer in filled.layers]
    return BedFigures(
        key=bed.key,
        name=bed.title,
        count=bed.count,
        inside_length_m=hollow.length_m,
        inside_width_m=hollow.width_m,
        outer_length_m=box.outer_length_m,
        outer_width_m=box.outer_width_m,
        rim_m=hollow.rim_m,
        line_m=line_m,
        inside_volume_m3=hollow.volume_between(0.0, hollow.rim_m),
        fill_volume_m3=hollow.volume_between(0.0, line_m),
        top_area_m2=hollow.area_at(hollow.rim_m),
        footprint_m2=box.footprint_m2,
        wall_loss_share=box.wall_loss_share,
        layers=layers,
        over_m=filled.over_m,
        over_m3=filled.over_m3,
        to_fill_m=filled.to_fill_m,
        vanishing_m3=filled.vanishing_m3,
        void_drop_m=filled.void_drop_m,
        placed_m3=sum(layer.placed_m3 for layer in layers),
        loose_m3=sum(layer.loose_m3 + layer.infill_loose_m3 for layer in layers),
        mass_dry_kg=filled.mass_dry_kg,
        mass_moist_kg=filled.mass_moist_kg,
        mass_saturated_kg=filled.mass_saturated_kg,
        c_to_n=None,
        nitrogen_gap_kg=None,
        surface_m=None,
        findings=judged_bed(bed, box, filled, system),
    )


def layer_figures(layer: Standing) -> LayerFigures:
    """A standing layer in figures."""
    lifts = layer.asked.lifts if isinstance(layer.asked, Bulk) else 1
    return LayerFigures(
        material=layer.material.key,
        name=layer.material.name,
        sheet=layer.material.is_sheet,
        bottom_m=layer.bottom_m,
        top_m=layer.top_m,
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
    )
