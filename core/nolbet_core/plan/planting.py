"""What grows in a bed, what covers it, and what waters it, in the plan file."""

from __future__ import annotations

from typing import Annotated, Literal, Self

from pydantic import ConfigDict, Field, model_validator

from nolbet_core.plan.fields import Day, Key, LengthM, Model, Name, Share
from nolbet_core.plan.shapes import At, Corners
from nolbet_core.quantities import limits

PlantCount = Annotated[int, Field(ge=1, le=int(limits.PLANTS.most))]
SpacingM = Annotated[float, Field(ge=0.01, le=10)]
Days = Annotated[float, Field(ge=1, le=2000)]
CropFactor = Annotated[float, Field(ge=0, le=2)]


class BedCrop(Model):
    """A crop in a bed: so many, or on so much of it; all of the bed where neither is said.

    at_m: the middle of where it stands, from the lower left of the bed; within_m: or the corners of where it stands.
    begins, ends: the days it is sown or planted, and cleared ("from" and "until" in the file). every_weeks: sown again
    so often. sizes: planted at once in so many sizes, a fortnight apart. support: what it is tied to. sunk_pot: set in
    a pot, so that it can't spread. pockets: planted in the pockets of a faced mound's sides.
    """

    model_config = ConfigDict(serialize_by_alias=True, validate_by_name=True, validate_by_alias=True)

    crop: Key
    count: PlantCount | None = None
    area_m2: Annotated[float, Field(gt=0, le=10_000)] | None = None
    at_m: At | None = None
    within_m: Corners | None = None
    begins: Annotated[Day | None, Field(alias="from")] = None
    ends: Annotated[Day | None, Field(alias="until")] = None
    every_weeks: Annotated[int, Field(ge=1, le=int(limits.WEEKS_APART.most))] | None = None
    sizes: Annotated[int, Field(ge=2, le=int(limits.PLANT_SIZES.most))] | None = None
    support: Literal["stakes", "net"] | None = None
    sunk_pot: bool = False
    pockets: bool = False

    @model_validator(mode="after")
    def _in_order(self) -> Self:
        if self.count is not None and self.area_m2 is not None:
            raise ValueError("say how many (count) or on how much (area_m2), and not both")
        if self.at_m is not None and self.within_m is not None:
            raise ValueError("say its middle (at_m) or its corners (within_m), and not both")
        if self.begins is not None and self.ends is not None and self.ends < self.begins:
            raise ValueError(f"until {self.ends} lies before from {self.begins}")
        return self


class OwnCrop(Model):
    """A gardener's own crop, like one of the shelf save for the figures given here."""

    key: Key
    like: Key
    name: Name | None = None
    root_depth_m: Annotated[float, Field(gt=0, le=5)] | None = None
    height_m: LengthM | None = None
    kc_initial: CropFactor | None = None
    kc_mid: CropFactor | None = None
    kc_end: CropFactor | None = None
    spacing_m: SpacingM | None = None
    row_m: SpacingM | None = None
    days_to_harvest: Days | None = None
    germination: Share | None = None
    yield_kg_m2: Annotated[float, Field(gt=0, le=100)] | None = None
    nitrogen_kg_m2: Annotated[float, Field(ge=0, le=0.1)] | None = None


class Neighbours(Model):
    """What the gardener thinks of two crops side by side."""

    crop: Key
    beside: Key
    view: Literal["good", "bad", "indifferent"]


CoverKind = Literal["fleece", "film", "double_film", "net", "mesh_flat", "mesh_standing", "leaves"]
Animal = Literal["birds", "insects", "cats", "rabbits", "deer", "voles"]


class BedCover(Model):
    """What lies over a bed: on hoops, flat on it, or standing round it. height_m: of the bow over the rim, of what
    stands, or of leaves as they are laid. spacing_m: from hoop to hoop, or from stake to stake. against: the animal
    that a net or mesh keeps out. arch_to: the bed that a mesh arch goes over to. there: whether it is had already.
    """

    kind: CoverKind
    height_m: LengthM | None = None
    spacing_m: LengthM | None = None
    against: Animal | None = None
    arch_to: Key | None = None
    there: bool = False


class BedLines(Model):
    """A bed's drip lines. zone: the key of the one it is watered in, where the gardener chose. spacing_m: from emitter
    to emitter; flow_l_h: of each. riser: whether the pipe comes up inside its wall or outside. there: whether they are
    laid already.
    """

    zone: Key | None = None
    rows: Annotated[int, Field(ge=1, le=int(limits.DRIP_ROWS.most))] | None = None
    spacing_m: SpacingM | None = None
    flow_l_h: Annotated[float, Field(gt=0, le=limits.EMITTER_L_H.most)] | None = None
    riser: Literal["inside", "outside"] = "inside"
    there: bool = False
