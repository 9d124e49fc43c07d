"""Ways of cutting one board: all of them where they are few, else the one that is worth most."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from nolbet_core.cuts.stock import SAME_M, CutWish, Length, Pattern, Saw


def all_patterns(source: int, board: Length, wishes: Sequence[CutWish], saw: Saw, most: int) -> list[Pattern] | None:
    """Every way of cutting a board to which no further piece could be added; None where there are more than so many.

    source: the board's number. wishes: the longest first.
    """
    fits = [board.takes(wish.length_m, saw) for wish in wishes]
    found: list[Pattern] = []
    for counts in _fillings(wishes, fits, saw, saw.room(board.length_m)):
        if len(found) >= most:
            return None
        found.append(Pattern(source, counts))
    return found


def _fillings(wishes: Sequence[CutWish], fits: Sequence[bool], saw: Saw, room_m: float) -> Iterator[tuple[int, ...]]:
    """Counts of pieces that fill a board as far as they can."""
    takes = [saw.taken(wish.length_m) for wish in wishes]
    counts = [0] * len(wishes)

    def fill(at: int, left_m: float) -> Iterator[tuple[int, ...]]:
        if at == len(wishes):
            if any(counts) and not _more_fits(wishes, fits, takes, counts, left_m):
                yield tuple(counts)
            return
        most = min(wishes[at].count, int(left_m / takes[at] + SAME_M)) if fits[at] else 0
        for number in range(most, -1, -1):
            counts[at] = number
            yield from fill(at + 1, left_m - number * takes[at])
        counts[at] = 0

    yield from fill(0, room_m)


def _more_fits(
    wishes: Sequence[CutWish], fits: Sequence[bool], takes: Sequence[float], counts: Sequence[int], left_m: float
) -> bool:
    return any(
        fit and count < wish.count and take <= left_m + SAME_M
        for wish, fit, take, count in zip(wishes, fits, takes, counts, strict=True)
    )


def best_pattern(board: Length, wishes: Sequence[CutWish], saw: Saw, worth: Sequence[float]) -> tuple[int, ...]:
    """The pieces out of a board that are worth most (branch and bound by worth a metre). worth: of one of each wish."""
    takes = [saw.taken(wish.length_m) for wish in wishes]
    usable = [i for i in range(len(wishes)) if worth[i] > 1e-12 and board.takes(wishes[i].length_m, saw)]
    order = sorted(usable, key=lambda i: worth[i] / takes[i], reverse=True)
    best, best_counts = 0.0, [0] * len(wishes)
    counts = [0] * len(wishes)

    def look(place: int, left_m: float, value: float) -> None:
        nonlocal best, best_counts
        if value > best + 1e-12:
            best, best_counts = value, list(counts)
        if place == len(order):
            return
        i = order[place]
        if value + left_m * worth[i] / takes[i] <= best + 1e-12:
            return
        most = min(wishes[i].count, int(left_m / takes[i] + SAME_M))
        for number in range(most, -1, -1):
            counts[i] = number
            look(place + 1, left_m - number * takes[i], value + number * worth[i])
        counts[i] = 0

    look(0, saw.room(board.length_m), 0.0)
    return tuple(best_counts)
