"""The plot in the plan file: the measured ground, what stands on it, its paths and its levels.

Places are metres from a corner of the sheet, to the right and up; north is an angle clockwise from straight up.
"""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from nolbet_core.plan.fields import LayerM, LengthM, MaterialKey, Model, Name, OffsetM
from nolbet_core.plan.shapes import At, Corners

LevelM = Annotated[float, Field(ge=-50, le=50)]
TurnDeg = Annotated[float, Field(ge=-360, le=360)]


class Place(Model):
    """Where a bed lies: the middle of its surrounding rectangle, and how far it is turned anticlockwise."""

    x_m: Annotated[float, Field(ge=-200, le=200)]
    y_m: Annotated[float, Field(ge=-200, le=200)]
    turn_deg: TurnDeg = 0.0


FixedKind = Literal[
    "house", "wall", "fence", "tree", "tap", "door", "drain", "service",
    "gate", "compost_heap", "shed", "patio", "pond", "stump",
]  # fmt: skip


class Fixed(Model):
    """Something that stays where it is: at a point, or along a line. across_m: its thickness, or a tree's trunk.

    height_m: how high it stands, where it may shade.
    """

    kind: FixedKind
    name: Name | None = None
    at_m: At | None = None
    line_m: Annotated[list[At], Field(min_length=2, max_length=60)] | None = None
    across_m: LengthM | None = None
    height_m: LengthM | None = None


class Course(Model):
    """A course of the paths, from the ground up: a material so thick, or a sheet."""

    material: MaterialKey
    thickness_m: LayerM | None = None


class PlotPath(Model):
    """A path: within an outline, or along a line with a width.

    dug_m: how deep its bed is dug out. courses: what is laid on it, those of the whole plot where none are said.
    spoil_on_heap: whether what digging gave lies on the gardener's heap already.
    """

    name: Name | None = None
    outline_m: Corners | None = None
    line_m: Annotated[list[At], Field(min_length=2, max_length=60)] | None = None
    width_m: LengthM | None = None
    dug_m: LayerM | None = None
    courses: Annotated[list[Course], Field(max_length=20)] | None = None
    spoil_on_heap: bool = False


class Spot(Model):
    """The ground's height at a place, over any level that all spots share."""

    at_m: At
    height_m: LevelM


class Plot(Model):
    """The ground by its corners, with everything on it but the beds; those say themselves where they lie.

    courses: of all that is no bed, or of the paths that name none. paths: where only some of it is path; rest: what the
    rest is. fill_with: what is brought in where levelling takes more than it gives. barrow_m, mower_m: how wide the
    gardener's own are, where they aren't usual.
    """

    corners_m: Corners
    north_deg: TurnDeg = 0.0
    aisle_m: OffsetM = 0.6
    fixed: Annotated[list[Fixed], Field(max_length=200)] = Field(default_factory=list)
    courses: Annotated[list[Course], Field(max_length=20)] = Field(default_factory=list)
    paths: Annotated[list[PlotPath], Field(max_length=100)] | None = None
    rest: Literal["lawn", "bare_soil", "gravel", "paving", "mulch"] = "lawn"
    fill_with: MaterialKey | None = None
    barrow_m: LengthM | None = None
    mower_m: LengthM | None = None
    spots: Annotated[list[Spot], Field(max_length=400)] = Field(default_factory=list)
    level_m: LevelM | None = None
