"""One bed of a plan: built, filled, judged, and put into figures."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import date

from nolbet_core.built.first import first_reservoir, halves_of
from nolbet_core.built.first_frames import first_frames
from nolbet_core.built.footing import is_rigid_tub
from nolbet_core.built.thirst import soaking_water, thirst_of
from nolbet_core.built.worked import WorkedBed
from nolbet_core.figure.cover_and_lines import cover_figures, hand_figures, lines_figures
from nolbet_core.figure.drawn import DRAWN_DIGITS, drawn_rings, plan_figures, section_figures, skirt_line
from nolbet_core.figure.figures import (
    BedFigures,
    CutLayer,
    CutOpen,
    HolesFigures,
    LayerFigures,
    ReadyFigures,
    ScatteredFigures,
    SowingFigures,
    SpiralFigures,
    SplitFigures,
)
from nolbet_core.figure.findings import judged_bed
from nolbet_core.figure.fitted import fitted_figures
from nolbet_core.figure.frame import frame_figures
from nolbet_core.figure.ground import mound_figures, pit_figures, runoff_figures
from nolbet_core.figure.planting import leaves_figures, planting_figures, zone_ground_figures
from nolbet_core.figure.reservoir import reservoir_figures, stand_figures
from nolbet_core.nutrients.ledger import LayerNitrogen, carbon_to_nitrogen
from nolbet_core.planting.roots import LEAST_DEPTH_M
from nolbet_core.quantities.units import CUP_M3, HANDFUL_M3
from nolbet_core.shapes.flat import FlatArea
from nolbet_core.shapes.hollow import Ring
from nolbet_core.shapes.round import Keyhole
from nolbet_core.shapes.spiral import HerbSpiral
from nolbet_core.shapes.vessel import Vessel
from nolbet_core.stack.fill import Filled
from nolbet_core.stack.layers import Bulk, Sheet, Standing
from nolbet_core.stack.spoil import spoil_volume

FLAT_M = 1e-9


def bed_figures(worked: WorkedBed) -> BedFigures:
    """A filled bed in figures, judged."""
    bed, vessel, filled = worked.bed, worked.vessel, worked.filled
    hollow, inside, outside = vessel.hollow, vessel.inside, vessel.outside
    line_m = max(hollow.rim_m - bed.kept_empty_m, 0.0)
    seasons = worked.feeding.ledger[worked.pit_layers :]
    layers = [layer_figures(worked, index, season) for index, season in enumerate(seasons)]
    thirst, soak_l = thirst_of(worked), sum(each.soak_l for each in layers)
    given_l_week = [each.given_l_week for each in thirst]
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
        section=section_figures(
            bed,
            vessel,
            max((layer.top_m for layer in layers), default=0.0),
            hollow.rim_m if worked.is_dug else 0.0,
            _skirt_of(filled),
            pit_figures(worked),
        ),
        plan=plan_figures(bed, vessel),
        spiral=_spiral(vessel),
        spoil_m3=spoil_volume(inside_m3) if worked.is_dug else 0.0,
        path_saves_m3=_path_saves(worked, line_m),
        layers=layers,
        over_m=filled.over_m,
        over_m3=filled.over_m3,
        to_fill_m=filled.to_fill_m,
        vanishing_m3=worked.whole.filled.vanishing_m3,
        void_drop_m=worked.whole.filled.void_drop_m,
        placed_m3=sum(layer.placed_m3 for layer in layers),
        loose_m3=sum(layer.loose_m3 + layer.infill_loose_m3 for layer in layers),
        mass_dry_kg=filled.mass_dry_kg + (worked.water.parts_dry_kg if worked.water else 0.0),
        mass_moist_kg=worked.mass_moist_kg,
        mass_saturated_kg=worked.mass_saturated_kg,
        c_to_n=carbon_to_nitrogen(filled.layers),
        nitrogen_gap_kg=worked.feeding.gap_kg,
        nitrogen_bind_kg=worked.feeding.season.bind_kg,
        nitrogen_supply_kg=worked.feeding.season.supply_kg,
        nitrogen_short_kg=worked.feeding.season.short_kg,
        plants_need_kg=worked.feeding.season.wanted_kg,
        root_zone_c_to_n=worked.feeding.root_zone_c_to_n,
        surface_m=worked.settling.surface_m,
        spring_months=worked.spring_months,
        state=worked.state,
        age_months=worked.age_months,
        today_m=worked.today_m,
        fitted=fitted_figures(worked),
        ready=ready_figures(worked),
        reservoir=reservoir_figures(worked, worked.water) if worked.water else None,
        first_reservoir=first_reservoir(vessel, is_rigid_tub(bed)) if bed.reservoir is None else None,
        stand=stand_figures(worked),
        holes=_holes_figures(worked),
        mound=mound_figures(worked),
        runoff=runoff_figures(worked),
        first_frames=first_frames(bed),
        frame=frame_figures(worked),
        soak_l=soak_l,
        soak_minutes=_tap_minutes(worked, soak_l),
        thirst_l_week=[each.asked_l_week for each in thirst],
        given_l_week=given_l_week,
        between_days=[each.between_days for each in thirst],
        leaves=leaves_figures(worked),
        hand=hand_figures(worked, given_l_week),
        planting=planting_figures(worked),
        water_zones=zone_ground_figures(worked),
        cover=cover_figures(worked),
        lines=lines_figures(worked),
        findings=judged_bed(worked),
    )


def cut_open(worked: WorkedBed) -> CutOpen:
    """A bed cut open, to draw small."""
    vessel, filled = worked.vessel, worked.filled
    ground_m = vessel.hollow.rim_m if worked.is_dug else 0.0
    return CutOpen(
        section_figures(worked.bed, vessel, vessel.height_of(filled.top_m), ground_m, _skirt_of(filled), None),
        [
            CutLayer(each.material.key, each.material.is_sheet, drawn_rings(_outlines(vessel, each)))
            for each in filled.layers
        ],
        reservoir_figures(worked, worked.water) if worked.water else None,
    )


def _path_saves(worked: WorkedBed, line_m: float) -> float:
    """Fill that a path inside a bed saves [m3]. line_m: how high it is filled [m]."""
    vessel = worked.vessel
    if isinstance(vessel, FlatArea):
        return vessel.path_m2 * worked.filled.top_m
    return vessel.inside.path_m2 * line_m if isinstance(vessel.inside, Keyhole) else 0.0


def _tap_minutes(worked: WorkedBed, water_l: float) -> float | None:
    """How long the tap runs for so much water [L], in minutes; None where its flow isn't known."""
    flow_l_min = worked.around.garden.tap_l_min if worked.around.garden else None
    return water_l / flow_l_min if flow_l_min else None


def _holes_figures(worked: WorkedBed) -> HolesFigures | None:
    holes, scooped = worked.bed.holes, worked.scooped
    if holes is None or scooped is None:
        return None
    material = scooped.material
    return HolesFigures(material.key, material.name, worked.hole_count, scooped.loose_m3, scooped.mass_moist_kg)


def _skirt_of(filled: Filled) -> float:
    """How far the sheets on the floor run out past the bed [m]."""
    return max((_own_skirt(layer) for layer in filled.layers), default=0.0)


def _own_skirt(layer: Standing) -> float:
    on_floor = isinstance(layer.asked, Sheet) and layer.bottom_m <= FLAT_M
    return layer.asked.skirt_m if on_floor and isinstance(layer.asked, Sheet) else 0.0


def _outlines(vessel: Vessel, layer: Standing) -> Sequence[Ring]:
    """A layer where it is cut; a sheet with a skirt runs out past the bed."""
    skirt_m = _own_skirt(layer)
    if skirt_m > 0 and vessel.form in ("vessel", "flat"):
        return (skirt_line(vessel, skirt_m, layer.bottom_m),)
    return vessel.section(layer.bottom_m, layer.top_m)


def _scattered_figures(layer: Standing, lifts: int, handful_kg: float | None) -> list[ScatteredFigures]:
    """What is scattered on a layer. handful_kg: what the gardener's handful weighs, where it was weighed [kg]."""
    return [
        ScatteredFigures(
            material=fed.material.key,
            name=fed.material.name,
            mass_kg=fed.mass_kg,
            lift_kg=fed.mass_kg / lifts,
            lift_handfuls=fed.mass_kg / lifts / (handful_kg or HANDFUL_M3 * fed.material.bulk_density_kg_m3),
            lift_cups=fed.mass_kg / lifts / (CUP_M3 * fed.material.bulk_density_kg_m3),
        )
        for fed in layer.asked.scattered
    ]


def _spiral(vessel: Vessel) -> SpiralFigures | None:
    if not isinstance(vessel, HerbSpiral):
        return None
    run = vessel.hollow.run
    return SpiralFigures(vessel.across_m, run.length_m, run.turns, vessel.wall_face_m2)


def ready_figures(worked: WorkedBed) -> ReadyFigures:
    """From when a bed can be sown, in figures."""
    ready = worked.sowing.ready
    return ReadyFigures(
        depth_m=ready.depth_m,
        built_on=worked.built_on,
        waits=[wait.because for wait in ready.waits],
        sowings=[
            SowingFigures(
                each.roots, LEAST_DEPTH_M[each.roots], each.years, _not_past(worked, each.from_day), each.because
            )
            for each in ready.sowings
        ],
        harvest_days=ready.harvest_days,
        harvest_days_above=ready.harvest_days_above,
    )


def _not_past(worked: WorkedBed, day: date | None) -> date | None:
    """A day from which something can be done: today where a filled bed's day has come already."""
    today = worked.year.today
    return today if day and today and worked.state == "filled" and day < today else day


def layer_figures(worked: WorkedBed, index: int, season: LayerNitrogen) -> LayerFigures:
    """One of a bed's layers in figures, as it lies there. season: its first season's nitrogen."""
    vessel, layer = worked.vessel, worked.filled.layers[index]
    lower_m, upper_m = layer.bottom_m, layer.top_m
    anchor, grip = vessel.anchor(lower_m, upper_m), vessel.grip(upper_m)
    lifts = layer.asked.lifts if isinstance(layer.asked, Bulk) else 1
    left = worked.still_to_lay[index]
    bottom_m, top_m, thick_m = vessel.height_of(lower_m), vessel.height_of(upper_m), layer.thickness_m
    return LayerFigures(
        material=layer.material.key,
        name=layer.material.name,
        sheet=layer.material.is_sheet,
        bottom_m=bottom_m,
        top_m=top_m,
        thickness_m=thick_m,
        placed_m3=layer.placed_m3,
        infill_m3=layer.infill_m3,
        loose_m3=layer.loose_m3,
        infill_loose_m3=layer.infill_loose_m3,
        solid_m3=layer.solid_m3,
        void_share=layer.material.void_share,
        takes_fines=layer.material.takes_fines,
        void_m3=layer.void_m3,
        vanishing_m3=layer.vanishing_m3,
        mass_dry_kg=layer.mass_dry_kg,
        mass_moist_kg=layer.mass_moist_kg,
        mass_saturated_kg=layer.mass_saturated_kg,
        infill_mass_moist_kg=layer.infill_mass_moist_kg,
        sheet_area_m2=layer.sheet_area_m2,
        cover_m2=layer.covered_m2,
        pieces=layer.pieces,
        piece_m=layer.asked.piece_m if isinstance(layer.asked, Sheet) else None,
        usual_piece=isinstance(layer.asked, Sheet) and layer.asked.usual_piece,
        soak_l=soaking_water(layer),
        soak_minutes=_tap_minutes(worked, soaking_water(layer)),
        lifts=lifts,
        lift_m=layer.thickness_m / lifts,
        lift_loose_m3=layer.loose_m3 / lifts,
        outlines=drawn_rings(_outlines(vessel, layer)),
        anchor=(round(anchor[0], DRAWN_DIGITS), round(anchor[1], DRAWN_DIGITS)),
        grip=(round(grip[0], DRAWN_DIGITS), round(grip[1], DRAWN_DIGITS)),
        zones=drawn_rings(vessel.plan_zone(lower_m, upper_m)),
        run_m=vessel.zone(lower_m, upper_m) if isinstance(vessel, HerbSpiral) else None,
        roll_m=layer.roll_m,
        bare_m2=layer.bare_m2,
        scattered=_scattered_figures(layer, lifts, worked.around.handful_kg),
        nitrogen_kg=season.net_kg + season.fed_kg,
        contact=season.contact,
        thick_per_m=thick_m / (top_m - bottom_m) if top_m - bottom_m > FLAT_M else 1.0,
        laid=1 - left,
        left_loose_m3=left * layer.loose_m3,
        split=None if layer.material.is_sheet else SplitFigures(*halves_of(worked.bed.layers, index, thick_m)),
    )
