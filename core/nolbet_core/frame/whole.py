"""Which sizes of a box are cut from the boards there are without an offcut."""

from __future__ import annotations

import math
from collections.abc import Iterable, Iterator, Sequence

from nolbet_core.frame.corners import Corner, rectangle_course
from nolbet_core.record import record

LARGEST_OFFCUT_M = 0.050
"""An offcut up to so long is none [m]."""
NEAR_SHARE = 0.10
"""How far a size may lie from the one wished for [0-1]."""
APART_M = 0.01
"""Sizes closer to each other than this are one [m]."""
MOST_PARTS = 6
SAME_M = 1e-6


@record
class Boarded:
    """How a box is boarded: its corners, thickness of a board, square posts and their slots [m], and its courses.

    lengths_m: boards that can be had. kerf_m, give_m: what the saw takes, and how much shorter a piece may be.
    """

    corner: Corner
    thick_m: float
    post_m: float
    slot_m: float
    courses: int
    lengths_m: tuple[float, ...]
    kerf_m: float
    give_m: float

    def pieces(self, inside: tuple[float, float]) -> list[tuple[float, float]]:
        """The long and the short piece of each kind of course round an inside [m]."""
        length_m, width_m = (each + 2 * self.thick_m for each in inside)
        kinds = 2 if self.corner == "alternate" and self.courses > 1 else 1
        found = []
        for course in range(kinds):
            cut = rectangle_course(self.corner, length_m, width_m, self.thick_m, course, self.post_m, self.slot_m)
            found.append((cut[0].length_m, cut[-1].length_m))
        return found

    def offcut(self, parts_m: Sequence[float]) -> float | None:
        """The least that is left of a board when it gives these pieces [m]; None where none is long enough."""
        wanted = sum(parts_m) + self.kerf_m * (len(parts_m) - 1)
        give_m = self.give_m * len(parts_m)
        left = [each - wanted for each in self.lengths_m if each - wanted >= -give_m - SAME_M]
        return max(min(left), 0.0) if left else None

    def least_offcut(self, piece_m: float) -> float | None:
        """As offcut, of so many pieces of one length as leave least; None where no board is long enough."""
        left = [each for parts in range(1, MOST_PARTS + 1) if (each := self.offcut([piece_m] * parts)) is not None]
        return min(left) if left else None


@record
class BoxSize:
    """A box that is cut without an offcut: length and width inside, to the millimetre [m].

    whole: no board is cut at all.
    """

    length_m: float
    width_m: float
    whole: bool


def wastes_nothing(boarded: Boarded, inside: tuple[float, float]) -> bool:
    """Whether a box of an inside size [m] is cut without an offcut over 50 mm, each side or one of each together."""
    return all(
        _small(boarded.offcut([long_m, short_m]))
        or (_small(boarded.least_offcut(long_m)) and _small(boarded.least_offcut(short_m)))
        for long_m, short_m in boarded.pieces(inside)
    )


def _small(offcut_m: float | None) -> bool:
    return offcut_m is not None and offcut_m <= LARGEST_OFFCUT_M + SAME_M


def box_sizes(boarded: Boarded, inside: tuple[float, float], most: int = 3) -> list[BoxSize]:
    """Inside sizes within a tenth of the one wished for [m] that waste no board, the nearest first."""
    long_m, short_m = max(inside), min(inside)
    found: dict[tuple[float, float], BoxSize] = {}
    for one, two in _candidates(boarded, long_m, short_m):
        if one < two or not wastes_nothing(boarded, (one, two)):
            continue
        sides = {side for course in boarded.pieces((one, two)) for side in course}
        whole = all(_small(boarded.offcut([side])) for side in sides)
        size = (_to_the_mm(one), _to_the_mm(two))
        turned = size if inside[0] >= inside[1] else (size[1], size[0])
        found.setdefault(size, BoxSize(*turned, whole))
    chosen: list[tuple[float, float]] = []
    for size in sorted(found, key=lambda each: abs(each[0] / long_m - 1) + abs(each[1] / short_m - 1)):
        if all(math.dist(size, other) > APART_M for other in chosen):
            chosen.append(size)
    return [found[size] for size in chosen[:most]]


def _to_the_mm(length_m: float) -> float:
    return math.floor(length_m * 1000 + SAME_M) / 1000


def _candidates(boarded: Boarded, long_m: float, short_m: float) -> Iterator[tuple[float, float]]:
    """Insides near a wish [m] whose sides are whole boards, equal parts of them, or share one."""
    parts = _parts(boarded)
    for long_side, short_side in boarded.pieces((long_m, short_m)):
        long_more, short_more = long_side - long_m, short_side - short_m
        longs = [long_m, *_near((each - long_more for each in parts), long_m)]
        shorts = [short_m, *_near((each - short_more for each in parts), short_m)]
        yield from ((one, two) for one in longs for two in shorts)
        for board_m in boarded.lengths_m:
            room_m = board_m - boarded.kerf_m - long_more - short_more
            scale = room_m / (long_m + short_m)
            if abs(scale - 1) <= NEAR_SHARE:
                yield long_m * scale, short_m * scale


def _near(sizes_m: Iterable[float], wish_m: float) -> list[float]:
    return [each for each in sizes_m if abs(each / wish_m - 1) <= NEAR_SHARE]


def _parts(boarded: Boarded) -> list[float]:
    """Equal parts that boards are cut into [m]."""
    kerf_m = boarded.kerf_m
    return [(each - (count - 1) * kerf_m) / count for each in boarded.lengths_m for count in range(1, MOST_PARTS + 1)]
