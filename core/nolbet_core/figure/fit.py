"""How many crates, blocks or pavers of a size fit on a bed's floor, and how they lie."""

from __future__ import annotations

from typing import TYPE_CHECKING

from nolbet_core.built.worked import WorkedBed
from nolbet_core.lazy import lazily
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.plot.room import room_for
from nolbet_core.record import record
from nolbet_core.shapes.outline import Outline
from nolbet_core.shapes.packing import lay_pieces

if TYPE_CHECKING:
    import shapely
else:
    shapely = lazily("shapely")

RIGHT_M2 = 1e-6

MOST_PIECES = 5_000
"""More than anybody lays on one floor."""


@record
class FitPiece:
    """A piece as it lies on the floor: its lower left corner, and its sides along and up."""

    x_m: float
    y_m: float
    along_m: float
    up_m: float


@record
class FitFigures:
    """Pieces on a bed's floor: how many, how they lie, and what of the floor stays free.

    outline: of the floor, from the lower left of its surrounding rectangle.
    """

    count: int
    pieces: list[FitPiece]
    free_m2: float
    floor_length_m: float
    floor_width_m: float
    outline: list[tuple[float, float]]


def figure_fit(worked: WorkedBed, piece_long_m: float, piece_wide_m: float) -> FitFigures:
    """Pieces of a size [m] on the inside of a bed's floor, straight or turned; on a round one in plain rows.

    Raises PlanProblem where they are so small that nobody would lay as many.
    """
    inside = worked.vessel.inside
    if inside.area_m2 > MOST_PIECES * piece_long_m * piece_wide_m:
        raise PlanProblem(
            "length_m", f"pieces of this size are more than {MOST_PIECES:,} on this floor; take larger ones"
        )
    outline = [(x, y) for x, y in inside.rings()[0]]
    pieces = _on_rectangle(inside, piece_long_m, piece_wide_m)
    if abs(inside.area_m2 - inside.length_m * inside.width_m) > RIGHT_M2:
        pieces = _on_outline(outline, piece_long_m, piece_wide_m)
    return FitFigures(
        count=len(pieces),
        pieces=pieces,
        free_m2=inside.area_m2 - len(pieces) * piece_long_m * piece_wide_m,
        floor_length_m=inside.length_m,
        floor_width_m=inside.width_m,
        outline=outline,
    )


def _on_rectangle(inside: Outline, long_m: float, wide_m: float) -> list[FitPiece]:
    laid = lay_pieces(inside.length_m, inside.width_m, long_m, wide_m)
    return [FitPiece(each.x_m, each.y_m, each.along_m, each.up_m) for each in laid]


def _on_outline(outline: list[tuple[float, float]], long_m: float, wide_m: float) -> list[FitPiece]:
    room = room_for(long_m, wide_m, 0.0, shapely.Polygon(outline), [])
    along_m, up_m = (wide_m, long_m) if room.turned else (long_m, wide_m)
    return [FitPiece(x - along_m / 2, y - up_m / 2, along_m, up_m) for x, y in room.middles_m]
