"""A bed in the plan file: its shape, its layers and its reservoir."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import ConfigDict, Field

from nolbet_core.plan.fields import (
    BagM3,
    Count,
    Day,
    DepthM,
    HeapM3,
    Key,
    LayerM,
    LengthM,
    MaterialKey,
    Model,
    Name,
    OffsetM,
    ReachM,
    Share,
    WallM,
)
from nolbet_core.plan.frame import Frame
from nolbet_core.plan.planting import BedCover, BedCrop, BedLines
from nolbet_core.plan.plot import Place
from nolbet_core.plan.shapes import ON_THE_GROUND, At, Shape
from nolbet_core.quantities import limits
from nolbet_core.shelf.material import Ripeness

HEADSPACE_M = 0.025
"""What a bed with walls keeps empty below its rim unless it says otherwise [m]."""

SheetCover = Literal["floor", "walls", "edge", "rest"]
"""What a sheet lies over: the floor, the walls alone, a band along the edge, or what such a band leaves."""

School = Literal[
    "straight_fill", "wood_in_a_box", "wood_in_a_trench", "wood_mound", "sheet_layers", "no_dig_compost",
    "no_dig_straw", "shredded_wood", "dug_bed", "stone_drained", "wicking", "soaked_chips", "buried_pipe",
    "spiral_zones",
]  # fmt: skip


class Infill(Model):
    """Fine material packed into a coarse layer's voids, as a share of those voids."""

    material: MaterialKey
    share: Share = 1.0


class Amendment(Model):
    """A meal or the like scattered on a layer, over all its lifts together."""

    material: MaterialKey
    mass_kg: Annotated[float, Field(gt=limits.MEAL_KG.least, le=limits.MEAL_KG.most)]


class Layer(Model):
    """A layer. One of thickness, volume, share and fill says how much; a sheet has plies, laps and runs instead.

    ripeness: how far it has rotted, where that is other than usual. cover: what a sheet lies over, the floor unless
    said; band_m: how wide, where that is a band along the edge.
    """

    material: MaterialKey
    thickness_m: LayerM | None = None
    volume_m3: HeapM3 | None = None
    share: Share | None = None
    fill: Literal[True] | None = None
    infill: Infill | None = None
    lifts: Annotated[int, Field(ge=1, le=50)] | None = None
    plies: Annotated[int, Field(ge=1, le=20)] | None = None
    lap_m: OffsetM | None = None
    up_sides_m: OffsetM | None = None
    skirt_m: OffsetM | None = None
    piece_m: Annotated[list[LengthM], Field(min_length=2, max_length=2)] | None = None
    roll_width_m: LengthM | None = None
    cover: SheetCover | None = None
    band_m: OffsetM | None = None
    on_hand: Annotated[int, Field(ge=0, le=1000)] | None = None
    amendment: Amendment | None = None
    amendments: Annotated[list[Amendment], Field(max_length=8)] | None = None
    ripeness: Ripeness | None = None

    @property
    def scattered(self) -> list[Amendment]:
        """All that is scattered on it: the one it was first written with, then the others."""
        return [*([self.amendment] if self.amendment else []), *(self.amendments or [])]


class Pipe(Model):
    """Drain pipe lying in a reservoir. wrap: the sheet it is wrapped in. caps: how many of its ends are closed."""

    diameter_m: LengthM
    length_m: LengthM
    count: Count = 1
    wrap: MaterialKey | None = None
    caps: Annotated[int, Field(ge=0, le=2)] = 0


class Crate(Model):
    """Crates standing in a reservoir."""

    length_m: LengthM
    width_m: LengthM
    height_m: LengthM
    count: Count = 1
    void_share: Share | None = None


class Wick(Model):
    """What lifts the water into the soil. dips: whether a fabric is tucked down to the floor, not laid flat.

    height_m: of a soil column, from the soil down; to the floor unless said. length_m: of a strip, from its end in the
    water to its end among the roots.
    """

    kind: Literal["soil_column", "strip", "fabric"]
    diameter_m: LengthM | None = None
    width_m: LengthM | None = None
    height_m: LengthM | None = None
    length_m: LengthM | None = None
    count: Count = 1
    dips: bool = False


class Fitting(Model):
    """What lets water into a reservoir or out of it.

    height_m: of an opening's lower edge above the reservoir's floor. sealed: whether what goes through the wall is.
    """

    kind: Literal["inlet", "drain", "overflow", "filler", "dip_tube"]
    height_m: OffsetM | None = None
    diameter_m: LengthM | None = None
    sealed: bool = False


class Under(Model):
    """Inert fill under a reservoir's liner, so that a tall bed needs no deeper soil."""

    material: MaterialKey
    height_m: DepthM


class Reservoir(Model):
    """A wicking bed's reservoir; the layers begin on it.

    overflow_m: where water runs off, the top of it unless given. under: what lies under its liner. medium: what it is
    filled with. liner_m: length and width of the liner there is. catchment_m2: roof or
    ground whose rain is led in. underlay: the sheet that the liner lies on.
    tested: whether it held water over a day.
    """

    height_m: DepthM
    overflow_m: OffsetM | None = None
    medium: MaterialKey | None = None
    pipes: Annotated[list[Pipe], Field(max_length=100)] = Field(default_factory=list)
    crates: Annotated[list[Crate], Field(max_length=100)] = Field(default_factory=list)
    wicks: Annotated[list[Wick], Field(max_length=100)] = Field(default_factory=list)
    fittings: Annotated[list[Fitting], Field(max_length=30)] = Field(default_factory=list)
    tilt_m: OffsetM | None = None
    liner_lap_m: OffsetM | None = None
    under: Under | None = None
    liner_m: Annotated[list[LengthM], Field(min_length=2, max_length=2)] | None = None
    underlay: MaterialKey | None = None
    catchment_m2: Annotated[float, Field(ge=0, le=1000)] = 0.0
    tested: bool | None = None


class Watering(Model):
    """How a bed is planted and watered.

    threshold: filled up when under so much of what it holds. every_days: or on rounds. crop_factor: evapotranspiration
    of the crop in full leaf over the reference. canopy: ground that leaves cover in full leaf, over 1
    where they hang over. mulch: share of the bare
    soil's evaporation that gets through the mulch.
    """

    threshold: Share = 0.25
    every_days: Annotated[int, Field(ge=1, le=60)] | None = None
    crop_factor: Annotated[float, Field(ge=0.1, le=2.0)] = 1.05
    canopy: Annotated[float, Field(ge=0, le=1.5)] = 0.8
    mulch: Share = 0.5


StandsOn = Literal[
    "lawn", "bare_soil", "compacted", "gravel", "paving", "blocks", "legs", "deck", "balcony", "roof"
]  # fmt: skip
"""What a bed may stand on."""


class Stand(Model):
    """What a bed stands on. limit_kg_m2: what it may bear; legs: how many it has; height_m: of blocks or legs."""

    on: StandsOn
    height_m: OffsetM | None = None
    legs: Annotated[int, Field(ge=1, le=100)] | None = None
    limit_kg_m2: Annotated[float, Field(gt=0, le=20_000)] | None = None


RunoffFrom = Literal["roof", "paving", "drive", "ground"]
"""Where rain runs off that is led into a bed."""


class Buried(Model):
    """What takes room in the fill: square posts, round pots and baskets standing, pipes lying level.

    wrap: the sheet that a pipe is wrapped in. inlet_m: length of the tube that leads water into a soak pipe.
    runoff_m2: ground or roof whose rain runs into it; runoff_from: what that is.
    """

    kind: Literal["post", "pot", "basket", "pipe"]
    width_m: LengthM | None = None
    diameter_m: LengthM | None = None
    height_m: LengthM | None = None
    length_m: LengthM | None = None
    bottom_m: OffsetM = 0.0
    count: Count = 1
    wrap: MaterialKey | None = None
    inlet_m: LengthM | None = None
    runoff_m2: Annotated[float, Field(gt=0, le=1000)] | None = None
    runoff_from: RunoffFrom | None = None

    @property
    def soaks(self) -> bool:
        """Whether it is a pipe that leads water into the ground."""
        return self.inlet_m is not None or self.runoff_m2 is not None


FacedWith = Literal["pallets", "boards", "posts", "stone"]
"""What may face the sides of a mound."""


class Faced(Model):
    """What holds a mound's sides: they stand at its angle. pocket_m3: of soil in each of its pockets to plant in."""

    model_config = ConfigDict(serialize_by_alias=True, validate_by_name=True, validate_by_alias=True)

    material: Annotated[FacedWith, Field(alias="with")]
    slope_deg: Annotated[float, Field(ge=limits.FACING_DEG.least, le=limits.FACING_DEG.most)] | None = None
    pocket_m3: BagM3 | None = None
    pockets: Count | None = None


class Holes(Model):
    """Planting holes that get a scoop of a mix or a material each, loose, beside what fills the bed. count: as many as
    are planted, where nothing is said.
    """

    material: MaterialKey
    count: Count | None = None
    each_m3: BagM3


class Seen(Model):
    """A finding the gardener has looked at and leaves, with the reason."""

    code: Key
    reason: Annotated[str, Field(min_length=1, max_length=500)]


State = Literal["planned", "filling", "filled", "emptied"]
"""How far a bed has come."""

Layers = Annotated[list[Layer], Field(max_length=60)]

MOST_SET_ASIDE = 3
"""How many other ways of filling a bed can be kept beside its own."""


class SetAside(Model):
    """Another way of filling the same bed, kept to compare: its layers, and the reservoir they lie on."""

    name: Name
    school: School | None = None
    layers: Layers
    reservoir: Reservoir | None = None


class Bed(Model):
    """A bed. Measures are inside ones unless said; headspace is what stays empty below the rim (25 mm unless given).

    taped: how many times each of its measures was taken. depth_places: at how many places the depth of its layers
    was measured. places: where it lies on the plot, one for each of those that are alike. built_on: the day it is
    filled. state: how far it has come, where that doesn't follow from its days. laid: of one being filled, how much
    of each layer lies there, bottom to top. spoil_on_heap: whether what its hole gives lies on the gardener's heap
    already. dampness: how wet the fill is kept. roots: how deep the deepest crop planned for it roots. top_up: what
    is laid on each spring. set_aside: other ways of filling it. holes: planting holes with a mix of their own.
    stand: what it stands on; open ground where nothing is said. turf: what becomes of the grass under it;
    turf_on_heap: whether what was stripped lies on the gardener's heap already. dug_m: how deep the ground below is
    loosened. blended_m: how much of the lowest fill is mixed with the ground, half and half. over: the trench or
    pit that it lies over, one profile with it. along_m: the line on the plot that a trench or mound follows, from
    end to end; its length is measured there, and a place beside it moves the middle of that line. faced: what holds
    the sides of a mound. frame: what its wall is made of, which says how thick that is. put_off_until: nothing is
    bought for it before that day. sinks: as its readings say (as the garden's do, where there are none), or as is
    usual. height_limit_m: nothing in it may stand higher. crops, cover, lines: what grows in it, lies over it,
    waters it.
    """

    key: Key
    name: Name | None = None
    count: Count = 1
    school: School | None = None
    shape: Shape
    measured: Literal["inside", "outside"] = "inside"
    wall_m: WallM = 0.0
    headspace_m: WallM | None = None
    taped: Annotated[int, Field(ge=1, le=20)] = 1
    depth_places: Annotated[int, Field(ge=1, le=50)] = 1
    corner_depths_m: Annotated[list[DepthM], Field(min_length=4, max_length=4)] | None = None
    reach_m: ReachM = 0.6
    worked_from: Literal["one_side", "both_sides"] = "both_sides"
    layers: Layers
    buried: Annotated[list[Buried], Field(max_length=30)] = Field(default_factory=list)
    places: Annotated[list[Place], Field(max_length=100)] = Field(default_factory=list)
    reservoir: Reservoir | None = None
    watering: Watering = Field(default_factory=Watering)
    stand: Stand | None = None
    turf: Literal["left", "stripped", "turned"] | None = None
    turf_on_heap: bool = False
    dug_m: LayerM | None = None
    blended_m: LayerM | None = None
    over: Key | None = None
    along_m: Annotated[list[At], Field(min_length=2, max_length=60)] | None = None
    faced: Faced | None = None
    frame: Frame | None = None
    seen: Annotated[list[Seen], Field(max_length=200)] = Field(default_factory=list)
    built_on: Day | None = None
    state: State | None = None
    emptied_on: Day | None = None
    laid: Annotated[list[Share], Field(max_length=60)] = Field(default_factory=list)
    put_off_until: Day | None = None
    spoil_on_heap: bool = False
    dampness: Literal["dry", "moist", "waterlogged"] = "moist"
    roots: Literal["shallow", "medium", "deep"] | None = None
    top_up: MaterialKey = "compost"
    sinks: Literal["as_read", "as_usual"] = "as_read"
    height_limit_m: LengthM | None = None
    crops: Annotated[list[BedCrop], Field(max_length=60)] = Field(default_factory=list)
    cover: BedCover | None = None
    lines: BedLines | None = None
    holes: Holes | None = None
    set_aside: Annotated[list[SetAside], Field(max_length=MOST_SET_ASIDE)] = Field(default_factory=list)

    @property
    def title(self) -> str:
        """What the bed is called on the screen."""
        return self.name or self.key.replace("_", " ").capitalize()

    @property
    def kept_empty_m(self) -> float:
        """Headspace below the rim [m]; what lies on or in the ground has none."""
        if self.headspace_m is not None:
            return self.headspace_m
        return 0.0 if self.shape.kind in ON_THE_GROUND else HEADSPACE_M


def filled_with(bed: Bed, aside: SetAside) -> Bed:
    """The bed filled in a way that was set aside."""
    return bed.model_copy(update={"school": aside.school, "layers": aside.layers, "reservoir": aside.reservoir})
