"""What pieces are cut from: lengths on sale at a price, and boards at hand."""

from __future__ import annotations

from decimal import Decimal
from typing import NamedTuple

from nolbet_core.record import record

SAME_M = 1e-9


@record
class Saw:
    """How boards are cut: what the saw takes between two pieces, and how much shorter one may come out [m]."""

    kerf_m: float = 0.003
    give_m: float = 0.003

    def taken(self, length_m: float) -> float:
        """What a piece takes of a board with the cut beside it [m]."""
        return length_m - self.give_m + self.kerf_m

    def room(self, board_m: float) -> float:
        """What a board has for pieces that each bring their cut [m]: none is made after the last."""
        return board_m + self.kerf_m


@record
class CutWish:
    """So many pieces of a length [m]."""

    length_m: float
    count: int


@record
class Length:
    """Boards of one length [m]: on sale at a price, any number of them, or so many at hand.

    price: nothing for those at hand. count: None where as many can be had as are wanted. usable_m: pieces up to so
    long can be cut from one that is crooked [m].
    """

    length_m: float
    price: Decimal = Decimal(0)
    count: int | None = None
    usable_m: float | None = None
    key: int = 0

    def takes(self, piece_m: float, saw: Saw) -> bool:
        """Whether a piece of a length [m] can come out of it."""
        return self.allows(piece_m, saw) and saw.taken(piece_m) <= saw.room(self.length_m) + SAME_M

    def allows(self, piece_m: float, saw: Saw) -> bool:
        """Whether it is straight for so long [m]."""
        return self.usable_m is None or piece_m - saw.give_m <= self.usable_m + SAME_M


class Pattern(NamedTuple):
    """How one board is cut: from which length, and how many of each wish come out of it."""

    source: int
    counts: tuple[int, ...]

    @property
    def pieces(self) -> int:
        """Pieces that come out of it."""
        return sum(self.counts)
