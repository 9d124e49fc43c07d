"""The frame of a bed in the plan file: what its wall is made of, how it is joined, and what it stands on."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from nolbet_core.plan.fields import Count, Key, LengthM, MaterialKey, Model, OffsetM, Share, WallM

FrameKind = Literal["boards", "units", "dry_stone", "sheet", "logs", "pallets", "hurdle", "bought"]
"""What a wall may be."""

CornerKind = Literal["butt", "butt_short", "alternate", "pinwheel", "mitre", "slotted_post", "corner_post"]
"""How boards are joined at the corners."""

ThickM = Annotated[float, Field(gt=0, le=1)]
UnitM = Annotated[float, Field(gt=0, le=3)]
Courses = Annotated[int, Field(ge=1, le=60)]
Size = Annotated[list[ThickM], Field(min_length=2, max_length=2)]


class Legs(Model):
    """What a box stands on. length_m: of one, from the ground to the floor.

    section_m: thickness and width of one post; without it a leg is two of the frame's boards as an angle.
    """

    count: Annotated[int, Field(ge=3, le=60)]
    length_m: LengthM
    section_m: Size | None = None


class Floor(Model):
    """The floor of a box on legs: slats across with gaps, on bearers."""

    thickness_m: ThickM
    width_m: ThickM
    gap_m: WallM = 0.0
    bearers: Annotated[int, Field(ge=2, le=20)] | None = None


class Frame(Model):
    """A bed's frame. nominal: the size timber is sold as, or thickness_m and width_m: the true one of a board.

    courses: those nearest to the bed's depth unless said. post_m, slot_m: of square posts, and of their slots.
    posts_in: what they stand in. in_ground_m: how deep. lowest: another timber for the first course. unit_m: length,
    width and height of a brick, block or panel; joint_m: between them; breakage: share more that is bought. ties: how
    many hold the long sides together; middle_posts: along each long side, between its ends. cleats_m: square battens
    inside each corner. behind: what lies or stands higher behind the wall. lining: the sheet inside.
    built: whether it stands already.
    """

    kind: FrameKind
    material: Key | None = None
    nominal: Annotated[str, Field(min_length=3, max_length=12)] | None = None
    thickness_m: ThickM | None = None
    width_m: ThickM | None = None
    courses: Courses | None = None
    corner: CornerKind = "butt"
    post_m: ThickM | None = None
    slot_m: ThickM | None = None
    posts_in: Literal["concrete", "tamped"] = "concrete"
    in_ground_m: OffsetM | None = None
    lowest: Key | None = None
    unit_m: Annotated[list[UnitM], Field(min_length=3, max_length=3)] | None = None
    joint_m: WallM | None = None
    breakage: Share | None = None
    ties: Annotated[int, Field(ge=0, le=60)] = 0
    middle_posts: Annotated[int, Field(ge=0, le=60)] = 0
    cleats_m: ThickM | None = None
    behind: Literal["slope", "load"] | None = None
    legs: Legs | None = None
    floor: Floor | None = None
    lining: MaterialKey | None = None
    count: Count | None = None
    built: bool = False


class Cutting(Model):
    """How boards are cut. kerf_m: what the saw takes. give_m: how much shorter a piece may come out."""

    kerf_m: Annotated[float, Field(ge=0, le=0.02)] = 0.003
    give_m: Annotated[float, Field(ge=0, le=0.02)] = 0.003
