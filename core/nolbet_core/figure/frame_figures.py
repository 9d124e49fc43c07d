"""Figures of frames and of how their boards are cut, in the names of the plan file."""

from __future__ import annotations

from decimal import Decimal
from typing import Annotated, Literal

from pydantic import Field

from nolbet_core.figure.finding_figures import Line
from nolbet_core.record import record


@record
class PieceFigures:
    """So many pieces alike: what they are for, of which wood, their section and length."""

    part: str
    material: str
    thickness_m: float
    width_m: float
    length_m: float
    count: int


@record
class ScrewFigures:
    """So many screws of a length; of thick beams spikes."""

    length_m: float
    count: int


FrontPart = Literal["board", "end", "post", "unit"]
"""What is seen of a frame from in front: a board's face, the end of one that runs past, a post, a brick or block."""


@record
class FrontPiece:
    """Something of a frame's long side from in front: from where to where along it, and how high."""

    part: FrontPart
    course: int
    left_m: float
    right_m: float
    low_m: float
    high_m: float


@record
class CoursesMade:
    """What so many courses make, and what their boards cost by the metre; null where nobody offers them."""

    courses: int
    height_m: float
    price: Decimal | None


@record
class NearSize:
    """A size near the bed's own that wastes no board, measured as the bed is. whole: no board is cut at all."""

    length_m: float
    width_m: float
    whole: bool


@record
class HeightFigures:
    """How the box gets to a working height: courses, the depth they make, and legs, null on the ground.

    rim_m: over the path then. fits: within what that posture wants.
    """

    posture: str
    name: str
    courses: int
    depth_m: float
    leg_m: float | None
    rim_m: float
    fits: bool


@record
class FloorFigures:
    """Spans of a floor's slats and bearers [m], and the longest that sag and strength allow [m]."""

    slat_m: float
    slat_most_m: float
    bearer_m: float
    bearer_most_m: float


@record
class FixingFigures:
    """What holds a frame together and keeps it. brackets: instead of posts. stain_m3: two coats, outside and on top.

    pilot_m: how wide holes are drilled for its screws, null where none are.
    """

    brackets: int
    stakes: int
    adhesive_tubes: int
    mortar_bags: int
    concrete_bags: int
    post_gravel_m3: float
    stone_kg: float
    stain_m3: float
    pilot_m: float | None


@record
class FrameFigures:
    """A bed's frame. fewer_m, more_m: how high one course less and one more would stand; rip_to_m: how wide the topmost
    had to be ripped for the bed's depth. board_m: how wide a board is. span_m: the longest side that nothing holds;
    brace_spacing_m: the longest that sag and strength allow; ties: how many supports that takes, a mend and not bought.
    leg_load_kg: of the heaviest leg, wet through; foot_pressure_pa: of that leg on the ground. life_years: how long it
    lasts, the least and the most; off_ground: whether it stands clear of soil. price: at the cheapest offers, boards by
    the metre, null where nobody offers them; price_a_year: over its life, the least and the most; unpriced: what has
    no offer. choices: other courses. sizes: near its own, that waste no board. heights: to work at. front, above: to
    draw, the long side (a spiral's wall unrolled) and the lowest course; front_m: how long that is, front_heights_m:
    how high at its left and right.
    """

    courses: int
    height_m: float
    fewer_m: float | None
    more_m: float | None
    rip_to_m: float | None
    thickness_m: float | None
    board_m: float | None
    outside_length_m: float
    outside_width_m: float
    pieces: list[PieceFigures]
    units: dict[str, int]
    mortar_m3: float
    diagonal_m: float | None
    span_m: float | None
    brace_spacing_m: float | None
    ties: int
    screws: list[ScrewFigures]
    posts: int
    post_depth_m: float
    concrete_m3: float
    mass_kg: float
    leg_load_kg: float | None
    foot_pressure_pa: float | None
    life_years: tuple[float, float]
    off_ground: bool
    price: Decimal | None
    price_a_year: tuple[Decimal, Decimal] | None
    unpriced: list[str]
    choices: list[CoursesMade]
    sizes: list[NearSize]
    heights: list[HeightFigures]
    floor: FloorFigures | None
    fixings: FixingFigures
    front_m: float
    front_heights_m: tuple[float, float]
    front: list[FrontPiece]
    above: list[Line]


@record
class CutBoard:
    """So many boards cut alike. source ("from" in the file): bought, or on hand.

    pieces_m: what comes out of each; offcut_m: what is left of it.
    """

    material: str
    thickness_m: float
    width_m: float
    length_m: float
    source: Annotated[Literal["bought", "stock"], Field(serialization_alias="from")]
    supplier: str | None
    price: Decimal | None
    pieces_m: list[float]
    offcut_m: float
    count: int


@record
class UnpricedBoards:
    """Boards of a wood and section that nobody offers."""

    material: str
    thickness_m: float
    width_m: float


@record
class UncutFigures:
    """Pieces that no board is long enough for, or that the boards on hand don't reach for."""

    material: str
    thickness_m: float
    width_m: float
    length_m: float
    count: int


@record
class LyingBoards:
    """Boards on hand, as the plan file writes them."""

    material: str
    thickness_m: float
    width_m: float
    length_m: float
    count: int
    usable_m: float | None


@record
class CutsFigures:
    """How a garden's boards are cut together.

    price: of those bought that somebody offers, null where none are; lower_bound: no plan costs less. unpriced: boards
    that nobody offers: usual lengths are taken for them. uncut: what can't be cut. lying_after: boards on
    hand once all is sawn, offcuts of 0.3 m and more with them.
    """

    boards: list[CutBoard]
    price: Decimal | None
    lower_bound: Decimal | None
    proven_optimal: bool
    unpriced: list[UnpricedBoards]
    uncut: list[UncutFigures]
    kerf_m: float
    give_m: float
    cuts: int
    offcuts_m: float
    lying_after: list[LyingBoards]
