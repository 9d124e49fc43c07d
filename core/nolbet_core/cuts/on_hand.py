"""Whether pieces come out of the boards that lie there, by laying the longest first."""

from __future__ import annotations

from collections.abc import Sequence

from nolbet_core.cuts.stock import SAME_M, CutWish, Length, Saw


def fits_on_hand(wishes: Sequence[CutWish], boards: Sequence[Length], saw: Saw) -> bool:
    """Whether pieces are found room for on boards at hand, each laid on the first board that takes it, the longest
    first. Where they aren't so, another way of laying them may still do.
    """
    lying = [each for each in boards for _ in range(each.count or 0)]
    left_m = [saw.room(each.length_m) for each in lying]
    for wish in sorted(wishes, key=lambda each: -each.length_m):
        taken_m = saw.taken(wish.length_m)
        able = [at for at, each in enumerate(lying) if each.allows(wish.length_m, saw)]
        for _ in range(wish.count):
            found = next((at for at in able if taken_m <= left_m[at] + SAME_M), None)
            if found is None:
                return False
            left_m[found] -= taken_m
    return True
