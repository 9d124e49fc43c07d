"""How many rectangles of a size lie on a rectangular floor, turned or not: crates, blocks, pavers."""

from __future__ import annotations

import math
from collections.abc import Iterator
from functools import lru_cache

from nolbet_core.record import record

GRAIN_M = 0.001
"""Sizes are held to a whole millimetre."""

MOST_MARKS = 9
"""Up to so many places where an edge may lie each way pinwheels are tried too."""

MOST_PLACES = 400
"""Beyond so many places for a corner a floor is split once, and its parts are filled in plain rows."""

MOST_PIECES = 5000
"""Beyond so many the rows of a plain grid are told."""


@record
class Lying:
    """A piece as it lies: its lower left corner, and its sides along and up [m]."""

    x_m: float
    y_m: float
    along_m: float
    up_m: float


def lay_pieces(length_m: float, width_m: float, piece_long_m: float, piece_wide_m: float) -> list[Lying]:
    """Pieces of a size on a floor of a length and width [m], as many as were found to fit, straight or turned.

    The floor is split into two parts again and again, or into five round a middle, as a pinwheel is; each part is
    filled the best way found. That is the most there is for nearly all sizes, though it isn't proven (Morabito and
    Morales 1998 use the same splits for pallets).
    """
    floor = (_grains(length_m), _grains(width_m))
    piece = (max(round(piece_long_m / GRAIN_M), 1), max(round(piece_wide_m / GRAIN_M), 1))
    if floor[0] * floor[1] > MOST_PIECES * piece[0] * piece[1]:
        return [_lying(each) for each in _grid(floor, piece)]
    return [_lying(each) for each in _Packing(piece).layout(*floor)]


def _grains(measure_m: float) -> int:
    return math.floor(measure_m / GRAIN_M + 1e-6)


Laid = tuple[int, int, int, int]


def _lying(each: Laid) -> Lying:
    x, y, along, up = (value * GRAIN_M for value in each)
    return Lying(x, y, along, up)


def _grid(floor: tuple[int, int], piece: tuple[int, int]) -> list[Laid]:
    ways = [_straight(*floor, *piece), _straight(*floor, *piece[::-1])]
    return max(ways, key=len)


def _straight(length: int, width: int, along: int, up: int) -> list[Laid]:
    return [(x * along, y * up, along, up) for y in range(width // up) for x in range(length // along)]


class _Packing:
    """Layouts of one size of piece on parts of a floor, each worked out once."""

    def __init__(self, piece: tuple[int, int]) -> None:
        self.piece = piece
        self.layout = lru_cache(maxsize=None)(self._layout)
        self.marks = lru_cache(maxsize=None)(self._marks)

    def _marks(self, span: int) -> tuple[int, ...]:
        """Where an edge may lie over a span: sums of the piece's sides."""
        long, wide = self.piece
        sums = {
            i * long + j * wide
            for i in range(span // long + 1)
            for j in range((span - i * long) // wide + 1)
        }  # fmt: skip
        return tuple(sorted(sums))

    def _layout(self, length: int, width: int) -> list[Laid]:
        length, width = self.marks(length)[-1], self.marks(width)[-1]
        long, wide = self.piece
        most = length * width // (long * wide)
        best = _grid((length, width), self.piece)
        if len(best) >= most or min(length, width) < min(self.piece):
            return best
        fine = len(self.marks(length)) * len(self.marks(width)) > MOST_PLACES
        for parts in self._splits(length, width):
            if len(best) >= most:
                break
            room = sum(along * up // (long * wide) for *_, along, up in parts)
            if room <= len(best):
                continue
            laid = [
                (x + dx, y + dy, along, up)
                for dx, dy, part_long, part_wide in parts
                for x, y, along, up in (
                    _grid((part_long, part_wide), self.piece) if fine else self.layout(part_long, part_wide)
                )
            ]
            if len(laid) > len(best):
                best = laid
        return best

    def _splits(self, length: int, width: int) -> Iterator[tuple[Laid, ...]]:
        xs = [x for x in self.marks(length) if 0 < x < length]
        ys = [y for y in self.marks(width) if 0 < y < width]
        yield from (((0, 0, x, width), (x, 0, length - x, width)) for x in xs)
        yield from (((0, 0, length, y), (0, y, length, width - y)) for y in ys)
        if len(xs) > MOST_MARKS or len(ys) > MOST_MARKS:
            return
        for x1 in xs:
            for x2 in (x for x in xs if x > x1):
                for y1 in ys:
                    for y2 in (y for y in ys if y > y1):
                        yield (
                            (0, 0, x2, y1),
                            (x2, 0, length - x2, y2),
                            (x1, y2, length - x1, width - y2),
                            (0, y1, x1, width - y1),
                            (x1, y1, x2 - x1, y2 - y1),
                        )
