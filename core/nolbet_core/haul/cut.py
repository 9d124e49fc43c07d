"""Sheets cut from rolls and pieces: how many of them lie over what has to be covered."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence

from nolbet_core.haul.wanted import Cover
from nolbet_core.record import record
from nolbet_core.stack.sheets import in_a_row

SLACK_M = 1e-9


@record
class Strip:
    """A length cut off a roll for a bed [m], and how much of the roll's width it covers [m]."""

    bed: str
    length_m: float
    width_m: float


@record
class CutRoll:
    """A roll with the strips that are cut off it, and what is left at its end [m]."""

    strips: tuple[Strip, ...]
    left_m: float


def rolls_for(covers: Sequence[Cover], width_m: float, length_m: float) -> int | None:
    """Rolls of a width and length [m] that all the covers are cut from; None where they can't be."""
    rolls = cut_rolls(covers, width_m, length_m)
    return len(rolls) if rolls else None


def cut_rolls(covers: Sequence[Cover], width_m: float, length_m: float) -> list[CutRoll] | None:
    """How all the covers are cut from rolls of a width and length [m]; None where a strip is longer than a roll.

    Strips lie beside one another with their laps and have no joints. They are put onto rolls the longest first, each
    onto the first that still has room for it.
    """
    strips: list[Strip] = []
    for cover in covers:
        own = _strips(cover, width_m, length_m)
        if own is None:
            return None
        strips += own
    rolls: list[list[Strip]] = []
    left: list[float] = []
    for strip in sorted(strips, key=lambda each: each.length_m, reverse=True):
        at = next((index for index, room in enumerate(left) if room >= strip.length_m - SLACK_M), None)
        if at is None:
            rolls.append([strip])
            left.append(length_m - strip.length_m)
        else:
            rolls[at].append(strip)
            left[at] -= strip.length_m
    return [CutRoll(tuple(own), max(room, 0.0)) for own, room in zip(rolls, left, strict=True)]


def _strips(cover: Cover, width_m: float, length_m: float) -> list[Strip] | None:
    """The strips that a cover takes, laid the way that takes less; None where it can't be laid."""
    times = cover.count * cover.plies
    if cover.size_m is None:
        net_m = width_m - cover.lap_m
        if net_m <= 0:
            return None
        whole, rest = divmod(times * cover.area_m2 / net_m, length_m)
        lengths = [length_m] * int(whole) + ([rest] if rest > SLACK_M else [])
        return [Strip(cover.bed, each, net_m) for each in lengths]
    ways = []
    for along, across in (cover.size_m, cover.size_m[::-1]):
        beside = _beside(across, width_m, cover)
        if beside and along <= length_m + SLACK_M:
            ways.append((beside * along, beside, along, across))
    if not ways:
        return None
    _, beside, along, across = min(ways)
    return [Strip(cover.bed, along, across / beside)] * (beside * times)


def pieces_for(covers: Sequence[Cover], width_m: float, length_m: float) -> int | None:
    """Pieces of a width and length [m] that lie over all the covers, in rows with their laps."""
    counts = [_pieces(cover, width_m, length_m) for cover in covers]
    if not counts or any(count == 0 for count in counts):
        return None
    return sum(counts)


def _pieces(cover: Cover, width_m: float, length_m: float) -> int:
    """Pieces over one cover in all its plies and times; 0 where they can't be laid."""
    times = cover.count * cover.plies
    if cover.size_m is None:
        net_m2 = max(width_m - cover.lap_m, 0.0) * max(length_m - cover.lap_m, 0.0)
        return math.ceil(times * cover.area_m2 / net_m2 - SLACK_M) if net_m2 > 0 else 0
    return min(_laid_ways(cover, width_m, length_m), default=0) * times


def _laid_ways(cover: Cover, width_m: float, length_m: float) -> Iterator[int]:
    length, width = cover.size_m or (0.0, 0.0)
    for along, across in ((length_m, width_m), (width_m, length_m)):
        rows, columns = _beside(width, across, cover), _beside(length, along, cover)
        if rows and columns:
            yield rows * columns


def _beside(span_m: float, piece_m: float, cover: Cover) -> int:
    """Strips or pieces beside one another over a span; what is cut whole takes one or none."""
    count = in_a_row(span_m, piece_m, cover.lap_m)
    return 0 if cover.whole and count > 1 else count
