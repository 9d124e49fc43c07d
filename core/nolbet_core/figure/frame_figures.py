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


FrontPart = Literal["board", "end", "post"]
"""What is seen of a frame from in front: a board's face, the end of one that runs past, or a post."""


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
class FrameFigures:
    """A bed's frame. fewer_m, more_m: how high one course less and one more would stand; rip_to_m: how wide the topmost
    had to be ripped for the bed's depth. board_m: how wide a board is. span_m: the longest side that nothing holds;
    brace_spacing_m: as far as it may be; ties: how many supports that takes, a mend and not bought. leg_load_kg: of all
    that stands on its legs. life_years: how long it lasts, the least and the most. front, above: to draw, the long side
    and the lowest course.
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
    life_years: tuple[float, float]
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
class CutsFigures:
    """How a garden's boards are cut together.

    price: of those bought that somebody offers, null where none are; lower_bound: no plan costs less. unpriced: boards
    that nobody offers: usual lengths are taken for them. uncut: what can't be cut.
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
