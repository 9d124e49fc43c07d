"""Shape keys of the plan file. A kind that is not listed here can't be worked out by this version."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from nolbet_core.plan.fields import DepthM, LengthM, Model


class BoxShape(Model):
    """A rectangular bed: length, width and depth from floor to rim."""

    kind: Literal["box"]
    length_m: LengthM
    width_m: LengthM
    depth_m: DepthM


Shape = Annotated[BoxShape, Field()]

KINDS_TO_COME = (
    "l_box", "polygon", "circle", "ellipse", "stadium", "regular_polygon", "keyhole", "round_tub", "trough",
    "lying_barrel", "crates", "trench", "hipped_mound", "round_mound", "herb_spiral", "flat_area",
)  # fmt: skip
"""Kinds that the format names and this version can't work out yet."""
