"""A bed parted over its crops: strips side by side, each as large as what is to stand there."""

from __future__ import annotations

from collections.abc import Callable, Sequence

from shapely import box
from shapely.geometry.base import BaseGeometry

from nolbet_core.record import record

HALVINGS = 40
WIDER = (1.0, 1.25, 1.5, 2.0, 3.0)
"""So many times its plain ground a crop is given, until its plants go in beside the edges."""


@record
class Want:
    """Ground that a crop wants [m2], None for a share of what is left.

    is_enough: whether its plants go into a strip.
    """

    area_m2: float | None
    is_enough: Callable[[BaseGeometry], bool]


def parted(outline: BaseGeometry, wants: Sequence[Want]) -> list[BaseGeometry]:
    """Strips across the longer side of an outline [m], one beside the other.

    Those that want so much come first, each widened until it is enough; the others share what is left evenly. What is
    asked beyond the outline gets nothing.
    """
    left, low, right, top = outline.bounds
    lengthwise = right - left >= top - low
    begin, end = (left, right) if lengthwise else (low, top)
    strips: dict[int, BaseGeometry] = {}
    for place, want in enumerate(wants):
        if want.area_m2 is not None:
            for wider in WIDER:
                until = _cut(outline, begin, end, want.area_m2 * wider, lengthwise)
                strips[place] = outline.intersection(_band(outline, begin, until, lengthwise))
                if want.is_enough(strips[place]):
                    break
            begin = until
    others = [place for place, want in enumerate(wants) if want.area_m2 is None]
    left_m2 = outline.intersection(_band(outline, begin, end, lengthwise)).area
    for place in others:
        until = _cut(outline, begin, end, left_m2 / len(others), lengthwise)
        strips[place] = outline.intersection(_band(outline, begin, until, lengthwise))
        begin = until
    return [strips[place] for place in range(len(wants))]


def _band(outline: BaseGeometry, begin: float, until: float, lengthwise: bool) -> BaseGeometry:
    left, low, right, top = outline.bounds
    return box(begin, low, until, top) if lengthwise else box(left, begin, right, until)


def _cut(outline: BaseGeometry, begin: float, end: float, area_m2: float, lengthwise: bool) -> float:
    """Where a strip ends that begins somewhere and is so large [m]."""
    if outline.intersection(_band(outline, begin, end, lengthwise)).area <= area_m2:
        return end
    least, most = begin, end
    for _ in range(HALVINGS):
        middle = (least + most) / 2
        if outline.intersection(_band(outline, begin, middle, lengthwise)).area < area_m2:
            least = middle
        else:
            most = middle
    return most
