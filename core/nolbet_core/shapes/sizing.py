"""Sizing the other way round: the bed that boards or a liner allow, and pots sold by their class."""

from __future__ import annotations

from dataclasses import dataclass

from nolbet_core.shapes.hollow import LEAST_INSIDE_M

CUBIC_INCH_M3 = 0.0254**3


@dataclass(frozen=True, slots=True)
class BoardedBox:
    """Outer length and width of a box [m]."""

    length_m: float
    width_m: float


def box_from_boards(boards: int, board_m: float, wall_m: float, width_m: float) -> BoardedBox:
    """The longest box of an outer width that so many boards make, for one course; sides run past the ends (butt).

    boards: for one course. board_m: length of one [m]. wall_m: their thickness [m]. width_m: wanted outside [m]. A side
    may be joined of several boards; each cut is taken as without loss.

    Raises ValueError where the boards don't go round.
    """
    end_m = width_m - 2 * wall_m
    if end_m < LEAST_INSIDE_M:
        raise ValueError("the width leaves nothing between two boards")
    length_m = boards * board_m / 2 - end_m
    if length_m <= 2 * wall_m:
        raise ValueError(f"{boards} boards of {board_m:g} m don't go round a bed {width_m:g} m wide")
    return BoardedBox(length_m, width_m)


def boxes_without_waste(boards: int, board_m: float, wall_m: float) -> tuple[BoardedBox, ...]:
    """Boxes that use so many whole boards in each course with nothing left, every piece cut evenly from one board.

    Sides and ends are each a board, several boards, or an even part of one: whole, half, third. Sides run past ends.
    """
    found: dict[tuple[float, float], BoardedBox] = {}
    for side in (1, 2, 3, 4, 1 / 2, 1 / 3, 2 / 3):
        for end in (1, 2, 3, 4, 1 / 2, 1 / 3, 2 / 3):
            if abs(2 * (side + end) - boards) > 1e-9 or side < end:
                continue
            box = BoardedBox(side * board_m, end * board_m + 2 * wall_m)
            found[box.length_m, box.width_m] = box
    return tuple(sorted(found.values(), key=lambda box: -box.length_m))


def largest_in_liner(liner_length_m: float, liner_width_m: float, up_m: float, lap_m: float) -> tuple[float, float]:
    """Inside length and width [m] of the largest box that a liner lines: L = liner - 2 d - 2 lap, each way.

    up_m: how far it runs up the inside [m]. lap_m: turned over the edge [m].

    Raises ValueError where nothing is left.
    """
    length_m, width_m = (size - 2 * up_m - 2 * lap_m for size in (liner_length_m, liner_width_m))
    if min(length_m, width_m) < LEAST_INSIDE_M:
        raise ValueError("the liner doesn't run up the sides that far")
    return length_m, width_m


@dataclass(frozen=True, slots=True)
class PotClass:
    """A class that nursery pots are sold by: its name, and what pots of it may hold [m3]."""

    name: str
    least_m3: float
    most_m3: float

    @property
    def middle_m3(self) -> float:
        """What a pot of the class holds in the middle of its range [m3]."""
        return (self.least_m3 + self.most_m3) / 2


_CUBIC_INCHES = {
    "#1": (152, 251), "#2": (320, 474), "#3": (628, 742), "#5": (785, 1242), "#7": (1337, 1790), "#10": (2080, 2646),
    "#15": (2768, 3696), "#20": (4520, 5152), "#25": (5775, 6861),
}  # fmt: skip

POT_CLASSES: tuple[PotClass, ...] = tuple(
    PotClass(name, low * CUBIC_INCH_M3, high * CUBIC_INCH_M3) for name, (low, high) in _CUBIC_INCHES.items()
)
"""Container classes and their volumes in cubic inches (ANSI Z60.1): a "5 gallon" pot is no 5 gallons."""
