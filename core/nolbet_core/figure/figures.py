"""What is worked out from a plan, in the names of the plan file. Figures whose rule isn't built yet are null.

Plain dataclasses: the core makes them by their types, so nothing has to be checked again on every step of a drag.
`nolbet_core.figure.written` writes them as JSON.
"""

from __future__ import annotations

from datetime import date
from typing import Any, Literal

from nolbet_core.figure.buying_figures import HaulFigures, NeedFigures, SpringOrder
from nolbet_core.figure.finding_figures import FindingFigures, Line
from nolbet_core.figure.frame_figures import CutsFigures, FrameFigures
from nolbet_core.figure.planting_figures import (
    CoverFigures,
    CropInBed,
    HandFigures,
    LeavesFigures,
    LedZone,
    LinesFigures,
    ZoneGroundFigures,
)
from nolbet_core.figure.plot_figures import PlotFigures
from nolbet_core.figure.works_figures import WorksFigures
from nolbet_core.plan.bed import State
from nolbet_core.planting.roots import Roots
from nolbet_core.record import record


@record
class ScatteredFigures:
    """A meal scattered on a layer: all of it, and for each lift, by weight, by the gardener's hand and by the cup."""

    material: str
    name: str
    mass_kg: float
    lift_kg: float
    lift_handfuls: float
    lift_cups: float


@record
class SplitFigures:
    """How much the lower and the upper half of a layer would be, in the plan file's words."""

    lower: dict[str, float | bool]
    upper: dict[str, float | bool]


@record
class LayerFigures:
    """A layer where it stands. Masses and loose volume are its own; those of what packs its voids stand beside.

    bottom_m, top_m: heights above the floor, in a mound those of its highest point. thickness_m: as laid, in a mound
    square to its surface. outlines: its cut to draw; anchor: where a line to its caption starts; grip: where its top
    is drawn by. zones, run_m: where it is the surface of a spiral, from above and along the run. roll_m: length off a
    roll. bare_m2: what the pieces on hand leave open. scattered: meal on it. nitrogen_kg: what it gives (or takes,
    negative) in the first season where it lies; contact: how much of that counts for plants. thick_per_m: how much
    thicker it gets for a metre that its top is drawn up; in a mound, where it lies square to the slope, less than one.
    cover_m2: what a sheet covers, laps and plies left out; piece_m: the piece counted, the usual one where usual_piece.
    soak_l, soak_minutes: water that wets it through, and how long the tap runs for it, where its flow is known.
    split: its halves, null for sheets. laid: share of it that lies there; left_loose_m3: what is still to come of it.
    """

    material: str
    name: str
    sheet: bool
    bottom_m: float
    top_m: float
    thickness_m: float
    placed_m3: float
    infill_m3: float
    loose_m3: float
    infill_loose_m3: float
    solid_m3: float
    void_share: float
    takes_fines: bool
    void_m3: float
    vanishing_m3: float
    mass_dry_kg: float
    mass_moist_kg: float
    mass_saturated_kg: float
    infill_mass_moist_kg: float
    sheet_area_m2: float
    cover_m2: float
    pieces: int | None
    piece_m: tuple[float, float] | None
    usual_piece: bool
    soak_l: float
    soak_minutes: float | None
    lifts: int
    lift_m: float
    lift_loose_m3: float
    outlines: list[Line]
    anchor: tuple[float, float]
    grip: tuple[float, float]
    zones: list[Line]
    run_m: tuple[float, float] | None
    roll_m: float | None
    bare_m2: float
    scattered: list[ScatteredFigures]
    nitrogen_kg: float
    contact: float
    thick_per_m: float
    split: SplitFigures | None
    laid: float
    left_loose_m3: float


Form = Literal["vessel", "trench", "mound", "spiral", "flat"]


@record
class PitLayerFigures:
    """A layer of the pit that a bed lies over, to draw."""

    material: str
    name: str
    outlines: list[Line]


@record
class PitFigures:
    """The pit that a bed lies over, to draw with it: heights count from the bed's floor, down into the ground."""

    key: str
    name: str
    depth_m: float
    hollow: list[Line]
    layers: list[PitLayerFigures]


@record
class MoundFigures:
    """A mound's sides: how steep they stand and how large they are; how far its foot creeps out on each side where
    nothing holds it. pockets_m3: soil in the pockets of its facing. length_m: on its middle line.
    """

    length_m: float
    slope_deg: float
    face_m2: float
    foot_spread_m: float
    pockets: int
    pockets_m3: float


@record
class RunoffFigures:
    """Rain that soak pipes bring, by month and in a hard rain of rain_mm, and what the gaps in the fill hold."""

    month_l: list[float]
    rain_mm: float
    rain_l: float
    held_l: float


WallLook = Literal["timber", "brick", "stone", "metal"]
"""What a wall looks like."""


@record
class SectionFigures:
    """A bed cut open, to draw: across from its middle line (a spiral along its run), heights above its floor.

    ground_m: height of the ground outside. hollow: the inside up to the rim. solids: what is buried. pit: what it lies
    over, where it lies over one. wall: what its wall looks like. legs: how many it stands on, 0 where on none.
    """

    form: Form
    left_m: float
    right_m: float
    top_m: float
    ground_m: float
    hollow: list[Line]
    walls: list[Line]
    solids: list[Line]
    wall: WallLook
    legs: int
    pit: PitFigures | None = None


@record
class CutLayer:
    """A layer of a bed cut open, to draw."""

    material: str
    sheet: bool
    outlines: list[Line]


@record
class CutOpen:
    """A bed cut open, to draw small."""

    section: SectionFigures
    layers: list[CutLayer]
    reservoir: ReservoirFigures | None


@record
class PlanFigures:
    """A bed from above, to draw, from the lower left of the rectangle round it. reach_m: how wide a band along its edge
    is within reach.
    """

    length_m: float
    width_m: float
    outside: list[Line]
    inside: list[Line]
    reach_m: float


@record
class SpiralFigures:
    """What a spiral's wall and bed come to along the run. across_m: what a tape across its widest shows."""

    across_m: float
    run_length_m: float
    turns: float
    wall_face_m2: float


PartKind = Literal[
    "pipe", "crate", "soil_column", "strip", "fabric", "filler", "dip_tube", "overflow", "inlet", "drain"
]  # fmt: skip


@record
class ReservoirPart:
    """A pipe, crate, wick or tube of a reservoir, cut across. filler: the tube it is filled and dipped by."""

    kind: PartKind
    outline: Line


@record
class ReservoirFigures:
    """A reservoir: what it holds, how high its water has to wick, how much wicks lift, and what lines it.

    water_m3: held as it lies; lost_to_tilt_m3: that a level one would hold more. shallow_m: depth at its high end.
    soil_m: soil over the water when full, under the mulch; rise_m: how high that soil wicks. lift_m3_day: the most that
    wicks lift. medium_m3: of the medium, placed. liner_m: length and width of the sheet that lines it, null where none
    does; largest_m: the largest bed that the liner there is can line. medium_material, under_material: keys of what
    fills it and lies under its liner. medium, water, under: outlines to draw; full_m: where the full water stands above
    the floor.
    """

    height_m: float
    overflow_m: float
    water_m3: float
    lost_to_tilt_m3: float
    shallow_m: float
    soil_m: float
    rise_m: float
    wick: str
    lift_m3_day: float
    medium_m3: float
    medium_name: str | None
    medium_material: str | None
    under_material: str | None
    liner_m: tuple[float, float] | None
    liner_m2: float
    largest_m: tuple[float, float] | None
    medium: list[Line]
    water: list[Line]
    under: list[Line]
    full_m: float
    parts: list[ReservoirPart]


@record
class StandFigures:
    """A bed's weight on what it stands on, wet through, with water and plants: on a m2 [kg/m2], on each leg [kg].

    rim_high_m: how high its rim stands over the ground, where blocks or legs lift it. turf_m3: what is stripped of the
    grass under it, as it lies; turf_loose_m3: as a heap; nothing where none is stripped.
    """

    pressure_kg_m2: float
    leg_kg: float | None
    rim_high_m: float | None
    turf_m3: float
    turf_loose_m3: float


@record
class SowingFigures:
    """From when a class of crops can be sown: the day where it is known, and years until roots find their depth."""

    roots: Roots
    least_m: float
    years: float | None
    from_day: date | None
    because: str


@record
class ReadyFigures:
    """From when what may be sown. depth_m: rootable at once. waits: why not sooner. built_on: the day reckoned from.

    harvest_days, harvest_days_above: to the first harvest after raw manure, of what touches soil and what doesn't.
    """

    depth_m: float
    built_on: date | None
    waits: list[str]
    sowings: list[SowingFigures]
    harvest_days: int | None
    harvest_days_above: int | None


@record
class HolesFigures:
    """What the planting holes of one bed take of a mix or a material, loose, and what that weighs."""

    material: str
    name: str
    count: int
    loose_m3: float
    mass_kg: float


@record
class FactorSpread:
    """How far ln of each factor may be off: standard deviations."""

    settling_factor: float
    decay_factor: float


@record
class FittedFigures:
    """How a bed really sinks, by so many readings of its surface: how many times as much it settles, and as fast it
    rots, as its materials' figures say. misfits_m: of each reading over the fit, oldest first. wild: places of those
    that are off by more than four standard deviations. read_months, heights_m: when it was read, in months since
    filling, and how high. usual_m: its surface by month by its materials' figures alone. told: in a sentence.
    """

    settling_factor: float
    decay_factor: float
    sd: FactorSpread
    readings: int
    misfits_m: list[float]
    wild: list[int]
    read_months: list[float]
    heights_m: list[float]
    usual_m: list[float]
    told: str


@record
class BedFigures:
    """Figures of one bed (one, however many are alike). spoil_m3: what a trench gives, loose.

    path_saves_m3: fill that a path and a basket inside the bed save. c_to_n: of all the fill, root_zone_c_to_n of its
    top 0.30 m. surface_m: by month. spring_months: months from filling to each spring after a winter. state: how far it
    has come; age_months: since it was filled, where that is known; today_m: its surface today, null of one that isn't
    begun, or whose day of filling isn't known; by the fit where there are readings. fitted: to those, null without.
    ready: from when what may be sown. first_reservoir: what a reservoir would start as, null where there is one or
    can't be. first_frames: frames that can go round it, each as it starts, in the plan file's words. soak_l: water that
    wets the fill through, and soak_minutes at the tap, where its flow is known. By month: thirst_l_week: what plants
    and soil take; given_l_week: what of it rain leaves to be given; between_days: dry days that the soil lasts. leaves:
    how it is planted in full leaf. hand: what giving it by hand takes. water_zones: where it is drier and moister,
    nothing where it is alike all over.
    """

    key: str
    name: str
    count: int
    inside_length_m: float
    inside_width_m: float
    outer_length_m: float
    outer_width_m: float
    rim_m: float
    line_m: float
    inside_volume_m3: float
    fill_volume_m3: float
    top_area_m2: float
    footprint_m2: float
    wall_loss_share: float
    section: SectionFigures
    plan: PlanFigures
    spiral: SpiralFigures | None
    spoil_m3: float
    path_saves_m3: float
    layers: list[LayerFigures]
    over_m: float
    over_m3: float
    to_fill_m: float
    vanishing_m3: float
    void_drop_m: float
    placed_m3: float
    loose_m3: float
    mass_dry_kg: float
    mass_moist_kg: float
    mass_saturated_kg: float
    c_to_n: float | None
    nitrogen_gap_kg: float
    nitrogen_bind_kg: float
    nitrogen_supply_kg: float
    nitrogen_short_kg: float
    plants_need_kg: float
    root_zone_c_to_n: float | None
    surface_m: list[float]
    spring_months: list[int]
    state: State
    age_months: float | None
    today_m: float | None
    fitted: FittedFigures | None
    ready: ReadyFigures
    reservoir: ReservoirFigures | None
    first_reservoir: dict[str, Any] | None
    stand: StandFigures
    holes: HolesFigures | None
    mound: MoundFigures | None
    runoff: RunoffFigures | None
    first_frames: list[dict[str, Any]]
    frame: FrameFigures | None
    soak_l: float
    soak_minutes: float | None
    thirst_l_week: list[float]
    given_l_week: list[float]
    between_days: list[float | None]
    leaves: LeavesFigures
    hand: HandFigures
    planting: list[CropInBed]
    water_zones: list[ZoneGroundFigures]
    cover: CoverFigures | None
    lines: LinesFigures | None
    findings: list[FindingFigures]


@record
class Figures:
    """Everything worked out from a plan. needs, haul: of what isn't laid yet; spring: of the coming top-ups. cuts: of
    the frames' boards, null where there are none or they weren't asked for.
    works: steps and days, where they were asked for. zones: drip lines that are watered together.
    """

    beds: list[BedFigures]
    plot: PlotFigures | None
    needs: list[NeedFigures]
    haul: HaulFigures | None
    spring: SpringOrder | None
    zones: list[LedZone]
    cuts: CutsFigures | None = None
    works: WorksFigures | None = None
