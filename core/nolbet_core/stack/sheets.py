"""Areas, pieces and rolls of sheets: over the floor, up the walls, in a band along the edge, or what that leaves."""

from __future__ import annotations

import math

from nolbet_core.shapes.hollow import ShapeProblem
from nolbet_core.shapes.vessel import Vessel
from nolbet_core.stack.layers import Sheet

SLACK_M = 1e-9


def liner_area(length_m: float, width_m: float, up_sides_m: float, lap_m: float) -> float:
    """Area of a liner cut as one piece [m2]: (L + 2 d + 2 lap)(W + 2 d + 2 lap), all [m]."""
    grown = 2 * up_sides_m + 2 * lap_m
    return (length_m + grown) * (width_m + grown)


def covered_area(sheet: Sheet, level_m: float, vessel: Vessel) -> float:
    """What one ply of a sheet has to cover [m2], without laps. level_m: where it lies among the layers [m].

    Of the floor: the area at the level, of an edge the ring of the band's width inside it, of a rest what the band
    leaves; with them the perimeter times the run up the sides, and the ring out past the outer edge. Of walls alone the
    run up the sides, to the rim where none is said.
    """
    floor_m2 = vessel.sheet_area_at(level_m)
    if sheet.cover == "rest":
        return floor_m2 - band_area(sheet.band_m, level_m, vessel)
    run_up = vessel.sheet_perimeter_at(level_m) * run_up_of(sheet, level_m, vessel)
    if sheet.cover == "walls":
        return run_up
    flat_m2 = band_area(sheet.band_m, level_m, vessel) if sheet.cover == "edge" else floor_m2
    return flat_m2 + run_up + vessel.skirt_area(sheet.skirt_m)


def run_up_of(sheet: Sheet, level_m: float, vessel: Vessel) -> float:
    """How far a sheet runs up the walls [m]; one on the walls alone goes to the rim unless it says how far."""
    if sheet.cover == "walls" and not sheet.up_sides_m:
        return max(vessel.hollow.rim_m - level_m, 0.0)
    return sheet.up_sides_m


def band_area(band_m: float, level_m: float, vessel: Vessel) -> float:
    """Area of a band of a width [m] along the inside of the edge at a level [m2]; all of it where it meets itself.

    The corners take as much from it as in the plan at its widest, since a vessel keeps its angles as it tapers.
    """
    whole_m2, inside = vessel.sheet_area_at(level_m), vessel.inside
    try:
        left_m2 = inside.moved(-band_m).area_m2
    except ShapeProblem:
        return whole_m2
    if band_m >= inside.inradius_m:
        return whole_m2
    corners_m2 = inside.perimeter_m * band_m - (inside.area_m2 - left_m2)
    return min(max(vessel.sheet_perimeter_at(level_m) * band_m - corners_m2, 0.0), whole_m2)


def sheet_area(sheet: Sheet, level_m: float, vessel: Vessel) -> float:
    """Area of a sheet in a bed in all its plies [m2], its laps with it. level_m: where it lies among the layers [m].

    A liner on the floor is one piece. Where the size of a piece or a roll is known, cut-offs count too: it is the area
    of all the pieces. Off a roll of the usual width laps count alone, since what is cut off goes elsewhere.
    """
    if sheet.is_one_piece:
        inside = vessel.inside
        return sheet.plies * liner_area(inside.length_m, inside.width_m, sheet.up_sides_m, sheet.lap_m)
    pieces = piece_count(sheet, level_m, vessel)
    if pieces is not None and sheet.piece_m is not None:
        return pieces * sheet.piece_m[0] * sheet.piece_m[1]
    roll_m = roll_length(sheet, level_m, vessel)
    if roll_m is not None and sheet.roll_width_m is not None:
        return roll_m * sheet.roll_width_m
    return sheet.plies * (covered_area(sheet, level_m, vessel) + _laps(sheet, level_m, vessel))


def _laps(sheet: Sheet, level_m: float, vessel: Vessel) -> float:
    """What the laps between strips of the usual roll come to over a rectangle [m2], strips running the cheaper way."""
    if sheet.usual_roll_m is None or sheet.is_strip:
        return 0.0
    length, width = spread_size(sheet, level_m, vessel)
    ways = [
        (strips - 1) * sheet.lap_m * along
        for along, across in ((length, width), (width, length))
        if (strips := in_a_row(across, sheet.usual_roll_m, sheet.lap_m))
    ]
    return min(ways, default=0.0)


def piece_count(sheet: Sheet, level_m: float, vessel: Vessel) -> int | None:
    """Pieces that cover what a sheet covers in all its plies, neighbours overlapping by the lap.

    None where no piece size is known, for liners, or where a piece is no wider than its lap. Both ways of laying them
    are tried, the fewer counts. Bands and walls take strips, of which a wide piece gives several.
    """
    if sheet.piece_m is None or sheet.is_one_piece:
        return None
    length, width = spread_size(sheet, level_m, vessel)
    ways = []
    for along, across in (sheet.piece_m, sheet.piece_m[::-1]):
        if sheet.is_strip:
            columns, side_by_side = in_a_row(length, along, sheet.lap_m), _strips_in(across, width, sheet.lap_m)
            if columns and side_by_side:
                ways.append(math.ceil(sheet.plies * columns / side_by_side - SLACK_M))
            continue
        rows, columns = in_a_row(length, along, sheet.lap_m), in_a_row(width, across, sheet.lap_m)
        if rows and columns:
            ways.append(rows * columns * sheet.plies)
    return min(ways) if ways else None


def _strips_in(across_m: float, width_m: float, lap_m: float) -> float:
    """How many strips of a width lie side by side in a piece; under one where several pieces make one strip."""
    if width_m <= 0:
        return 0.0
    if width_m <= across_m + SLACK_M:
        return float(math.floor(across_m / width_m + SLACK_M))
    beside = in_a_row(width_m, across_m, lap_m)
    return 1 / beside if beside else 0.0


def spread_size(sheet: Sheet, level_m: float, vessel: Vessel) -> tuple[float, float]:
    """Length and width of the rectangle that a sheet covers with its runs [m, m]; a liner's with its laps.

    Of a band or walls: its length round the bed, and its width with what goes up and out.
    """
    if sheet.is_one_piece:
        grown = 2 * sheet.up_sides_m + 2 * sheet.lap_m
        return vessel.inside.length_m + grown, vessel.inside.width_m + grown
    if sheet.is_strip:
        run_up = run_up_of(sheet, level_m, vessel)
        band_m = sheet.band_m if sheet.cover == "edge" else 0.0
        return vessel.sheet_perimeter_at(level_m), band_m + run_up + sheet.skirt_m
    if sheet.skirt_m:
        return vessel.outside.length_m + 2 * sheet.skirt_m, vessel.outside.width_m + 2 * sheet.skirt_m
    length, width = vessel.sheet_size_at(level_m)
    less_m = sheet.band_m if sheet.cover == "rest" else 0.0
    grown = 2 * (sheet.up_sides_m - less_m)
    return max(length + grown, 0.0), max(width + grown, 0.0)


def roll_length(sheet: Sheet, level_m: float, vessel: Vessel) -> float | None:
    """Length cut from a roll [m] to cover what a sheet covers in all its plies, strips overlapping by the lap.

    None where no roll is named, for liners, and where a roll is no wider than its lap. Strips run the way that takes
    less; those of bands and walls lie beside one another on the roll.
    """
    if sheet.roll_width_m is None or sheet.is_one_piece:
        return None
    length, width = spread_size(sheet, level_m, vessel)
    if sheet.is_strip:
        side_by_side = _strips_in(sheet.roll_width_m, width, sheet.lap_m)
        return sheet.plies * length / side_by_side if side_by_side else None
    ways = [
        strips * along
        for along, across in ((length, width), (width, length))
        if (strips := in_a_row(across, sheet.roll_width_m, sheet.lap_m))
    ]
    return min(ways) * sheet.plies if ways else None


def bare_area(sheet: Sheet, level_m: float, vessel: Vessel) -> float:
    """Ground that the pieces on hand leave uncovered [m2], laid as one ply with laps; 0 where they do."""
    pieces = piece_count(sheet, level_m, vessel)
    if sheet.piece_m is None or sheet.on_hand is None or pieces is None:
        return 0.0
    if sheet.is_strip:
        return covered_area(sheet, level_m, vessel) * max(1 - sheet.on_hand * sheet.plies / pieces, 0.0)
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


def wrap_size(diameter_m: float, length_m: float, lap_m: float) -> tuple[float, float]:
    """Length and width of the sheet that wraps a pipe once round with a lap [m, m]: pi d + lap wide."""
    return length_m, math.pi * diameter_m + lap_m
