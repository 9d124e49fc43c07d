"""Shape keys of the plan file: one model for each kind. All lengths are measured where the tape goes."""

from __future__ import annotations

from typing import Annotated, Literal, get_args

from pydantic import Field

from nolbet_core.plan.fields import DepthM, LengthM, Model, OffsetM, WallM

Sides = Annotated[int, Field(ge=3, le=60)]
SlopeDeg = Annotated[float, Field(ge=5, le=80, allow_inf_nan=False)]
Alike = Annotated[int, Field(ge=1, le=50)]
At = Annotated[list[Annotated[float, Field(ge=-100, le=100, allow_inf_nan=False)]], Field(min_length=2, max_length=2)]
"""A place on a plan: metres to the right, metres up the sheet."""
Corners = Annotated[list[At], Field(min_length=3, max_length=60)]


class BoxShape(Model):
    """A rectangular bed: length, width and depth from floor to rim."""

    kind: Literal["box"]
    length_m: LengthM
    width_m: LengthM
    depth_m: DepthM


class LBoxShape(Model):
    """A rectangular bed less a notch in one corner."""

    kind: Literal["l_box"]
    length_m: LengthM
    width_m: LengthM
    notch_length_m: LengthM
    notch_width_m: LengthM
    depth_m: DepthM


class PolygonShape(Model):
    """A bed by its corners in the order measured, either way round."""

    kind: Literal["polygon"]
    corners_m: Corners
    depth_m: DepthM


class CircleShape(Model):
    """A round bed."""

    kind: Literal["circle"]
    diameter_m: LengthM
    depth_m: DepthM


class EllipseShape(Model):
    """An oval bed by both axes."""

    kind: Literal["ellipse"]
    length_m: LengthM
    width_m: LengthM
    depth_m: DepthM


class StadiumShape(Model):
    """A tank with round ends: length over all."""

    kind: Literal["stadium"]
    length_m: LengthM
    width_m: LengthM
    depth_m: DepthM


class RegularPolygonShape(Model):
    """A bed of equal sides, measured across the flats (twice the inradius)."""

    kind: Literal["regular_polygon"]
    sides: Sides
    across_flats_m: LengthM
    depth_m: DepthM


class KeyholeShape(Model):
    """A round bed with a path to a basket in its middle."""

    kind: Literal["keyhole"]
    diameter_m: LengthM
    path_width_m: LengthM
    basket_diameter_m: LengthM
    depth_m: DepthM


class RoundTubShape(Model):
    """A round pot or tub, tapering."""

    kind: Literal["round_tub"]
    base_diameter_m: LengthM
    rim_diameter_m: LengthM
    depth_m: DepthM


class TroughShape(Model):
    """A four-sided trough whose base and rim differ in size."""

    kind: Literal["trough"]
    base_length_m: LengthM
    base_width_m: LengthM
    rim_length_m: LengthM
    rim_width_m: LengthM
    depth_m: DepthM


class LyingBarrelShape(Model):
    """A barrel on its side, cut open at the top."""

    kind: Literal["lying_barrel"]
    diameter_m: LengthM
    length_m: LengthM
    opening_width_m: LengthM


class CratesShape(Model):
    """Crates side by side: the size of one, times columns and rows."""

    kind: Literal["crates"]
    columns: Alike
    rows: Alike
    length_m: LengthM
    width_m: LengthM
    depth_m: DepthM


class TrenchShape(Model):
    """A trench with battered sides, its rim at the ground."""

    kind: Literal["trench"]
    top_length_m: LengthM
    top_width_m: LengthM
    bottom_length_m: LengthM
    bottom_width_m: LengthM
    depth_m: DepthM


class HippedMoundShape(Model):
    """A mound on a rectangle with all sides at one slope."""

    kind: Literal["hipped_mound"]
    length_m: LengthM
    width_m: LengthM
    height_m: DepthM
    slope_deg: SlopeDeg


class RoundMoundShape(Model):
    """A mound with a parabola for its cut and rounded ends."""

    kind: Literal["round_mound"]
    length_m: LengthM
    width_m: LengthM
    height_m: DepthM


class HerbSpiralShape(Model):
    """A bed that winds in and up between walls; the path is the bed's width.

    diameter_m: twice its largest radius; a tape across its widest shows a quarter of wall and path less on either side.
    """

    kind: Literal["herb_spiral"]
    diameter_m: LengthM
    path_width_m: LengthM
    wall_m: WallM
    outer_height_m: DepthM
    centre_height_m: DepthM


class RingSpiralShape(Model):
    """A full ring wall of level height, a low foot inside it, and a spiral that rises from there to the middle."""

    kind: Literal["ring_spiral"]
    diameter_m: LengthM
    path_width_m: LengthM
    wall_m: WallM
    ring_height_m: DepthM
    centre_height_m: DepthM


class FlatAreaShape(Model):
    """A patch of ground; the feather lies inside length and width."""

    kind: Literal["flat_area"]
    length_m: LengthM
    width_m: LengthM
    feather_m: OffsetM = 0.0


AnyShape = (
    BoxShape
    | LBoxShape
    | PolygonShape
    | CircleShape
    | EllipseShape
    | StadiumShape
    | RegularPolygonShape
    | KeyholeShape
    | RoundTubShape
    | TroughShape
    | LyingBarrelShape
    | CratesShape
    | TrenchShape
    | HippedMoundShape
    | RoundMoundShape
    | HerbSpiralShape
    | RingSpiralShape
    | FlatAreaShape
)

Shape = Annotated[AnyShape, Field(discriminator="kind")]

KINDS: tuple[str, ...] = tuple(get_args(each.model_fields["kind"].annotation)[0] for each in get_args(AnyShape))
"""Every kind of shape, by the name that the plan file gives it."""

BOARDED = (BoxShape, LBoxShape, PolygonShape, RegularPolygonShape, FlatAreaShape)
"""Shapes whose sides are straight, so that boards go round them; a flat patch is edged with them."""

ON_THE_GROUND = frozenset({"trench", "hipped_mound", "round_mound", "herb_spiral", "ring_spiral", "flat_area"})
"""Kinds without a bed wall and without headspace."""

WITH_CORNER_DEPTHS = frozenset({"box", "l_box", "polygon", "circle", "ellipse", "stadium", "regular_polygon"})
"""Kinds with upright walls, whose floor may slope."""
