"""Areas and piece counts of sheets."""

from __future__ import annotations

import math

from nolbet_core.shapes.vessel import Vessel
from nolbet_core.stack.layers import Sheet

SLACK_M = 1e-9


def liner_area(length_m: float, width_m: float, up_sides_m: float, lap_m: float) -> float:
    """Area of a liner cut as one piece [m2]: (L + 2 d + 2 lap)(W + 2 d + 2 lap), all [m]."""
    grown = 2 * up_sides_m + 2 * lap_m
    return (length_m + grown) * (width_m + grown)


def sheet_area(sheet: Sheet, level_m: float, vessel: Vessel) -> float:
    """Area of a sheet in a bed [m2]. level_m: where it lies among the layers [m].

    A liner is one piece. Other sheets: plies x (area at the level + perimeter x run up the sides + the ring beyond the
    outer edge). Where the size of a piece is known, laps and cut-offs count: it is the area of all the pieces.
    """
    if sheet.material.is_liner:
        inside = vessel.inside
        return sheet.plies * liner_area(inside.length_m, inside.width_m, sheet.up_sides_m, sheet.lap_m)
    pieces = piece_count(sheet, level_m, vessel)
    if pieces is not None and sheet.piece_m is not None:
        return pieces * sheet.piece_m[0] * sheet.piece_m[1]
    roll_m = roll_length(sheet, level_m, vessel)
    if roll_m is not None and sheet.roll_width_m is not None:
        return roll_m * sheet.roll_width_m
    run_up = vessel.sheet_perimeter_at(level_m) * sheet.up_sides_m
    return sheet.plies * (vessel.sheet_area_at(level_m) + run_up + vessel.skirt_area(sheet.skirt_m))


def piece_count(sheet: Sheet, level_m: float, vessel: Vessel) -> int | None:
    """Pieces that cover the sheet's rectangle in all its plies, neighbours overlapping by the lap.

    None where no piece size is known, for liners, or where a piece is no wider than its lap. Both ways of laying them
    are tried, the fewer counts.
    """
    if sheet.piece_m is None or sheet.material.is_liner:
        return None
    length, width = spread_size(sheet, level_m, vessel)
    ways = []
    for along, across in (sheet.piece_m, sheet.piece_m[::-1]):
        rows, columns = in_a_row(length, along, sheet.lap_m), in_a_row(width, across, sheet.lap_m)
        if rows and columns:
            ways.append(rows * columns)
    return min(ways) * sheet.plies if ways else None


def spread_size(sheet: Sheet, level_m: float, vessel: Vessel) -> tuple[float, float]:
    """Length and width of the rectangle that a sheet covers with its runs [m, m]; a liner's with its laps."""
    if sheet.material.is_liner:
        grown = 2 * sheet.up_sides_m + 2 * sheet.lap_m
        return vessel.inside.length_m + grown, vessel.inside.width_m + grown
    if sheet.skirt_m:
        return vessel.outside.length_m + 2 * sheet.skirt_m, vessel.outside.width_m + 2 * sheet.skirt_m
    length, width = vessel.sheet_size_at(level_m)
    return length + 2 * sheet.up_sides_m, width + 2 * sheet.up_sides_m


def roll_length(sheet: Sheet, level_m: float, vessel: Vessel) -> float | None:
    """Length cut from a roll [m] to cover the sheet's rectangle in all its plies, strips overlapping by the lap.

    None where no roll is named, for liners, and where a roll is no wider than its lap. Strips run the way that takes
    less.
    """
    if sheet.roll_width_m is None or sheet.material.is_liner:
        return None
    length, width = spread_size(sheet, level_m, vessel)
    ways = [
        strips * along
        for along, across in ((length, width), (width, length))
        if (strips := in_a_row(across, sheet.roll_width_m, sheet.lap_m))
    ]
    return min(ways) * sheet.plies if ways else None


def bare_area(sheet: Sheet, level_m: float, vessel: Vessel) -> float:
    """Ground that the pieces on hand leave uncovered [m2], laid as one ply with laps; 0 where they do."""
    if sheet.piece_m is None or sheet.on_hand is None or piece_count(sheet, level_m, vessel) is None:
        return 0.0
    length, width = spread_size(sheet, level_m, vessel)
    ways = [
        _least_bare(length, width, along, across, sheet.lap_m, sheet.on_hand)
        for along, across in (sheet.piece_m, sheet.piece_m[::-1])
        if along > sheet.lap_m and across > sheet.lap_m
    ]
    return min(ways, default=0.0)


def _least_bare(length_m: float, width_m: float, along_m: float, across_m: float, lap_m: float, count: int) -> float:
    """What so many pieces in rows with laps leave bare [m2], the rows laid whichever way leaves less.

    The last row, where they don't do, leaves bare only what no neighbour's lap covers.
    """
    return min(
        _bare_of_rows(length_m, width_m, along_m, across_m, lap_m, count),
        _bare_of_rows(width_m, length_m, across_m, along_m, lap_m, count),
    )


def _bare_of_rows(length_m: float, width_m: float, along_m: float, across_m: float, lap_m: float, count: int) -> float:
    """Pieces lie along the length in rows, row beside row over the width [all m]."""
    columns = in_a_row(length_m, along_m, lap_m)
    whole_rows, rest = divmod(count, columns)
    covered_m = _reach(whole_rows, across_m, lap_m, width_m)
    more_m = _reach(whole_rows + 1, across_m, lap_m, width_m) - covered_m
    return length_m * (width_m - covered_m) - more_m * _reach(rest, along_m, lap_m, length_m)


def _reach(count: int, piece_m: float, lap_m: float, most_m: float) -> float:
    """How far so many pieces in a row reach [m]."""
    return min(count * (piece_m - lap_m) + lap_m, most_m) if count else 0.0


def in_a_row(span_m: float, piece_m: float, lap_m: float) -> int:
    """Pieces that reach over a span, overlapping by the lap [all m]; 0 where one is no wider than the lap."""
    if piece_m + SLACK_M >= span_m:
        return 1
    if piece_m <= lap_m:
        return 0
    return math.ceil((span_m - lap_m) / (piece_m - lap_m) - SLACK_M)
