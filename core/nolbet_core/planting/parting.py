"""A bed parted over its crops: strips side by side, each as large as what is to stand there."""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np
import shapely
from numpy.typing import NDArray
from shapely import box
from shapely.geometry.base import BaseGeometry

from nolbet_core.record import record

WIDEST = 3.0
"""So many times its plain ground a crop is given at most, until its plants go in beside the edges."""
SLICES = 128
"""An outline that is no rectangle is measured in so many slices."""
NEARLY = 1e-9


@record
class Want:
    """Ground that a crop wants [m2], None for a share of what is left.

    is_enough: whether its plants go into a strip. step_m: by how much a strip is widened at a time until they do.
    """

    area_m2: float | None
    is_enough: Callable[[BaseGeometry], bool]
    step_m: float = 0.1


def parted(outline: BaseGeometry, wants: Sequence[Want]) -> list[BaseGeometry]:
    """Strips across the longer side of an outline [m], one beside the other.

    Those that want so much come first, each widened until it is enough; the others share what is left evenly. What is
    asked beyond the outline gets nothing.
    """
    return _strips(_Along(outline, is_long(outline)), wants)


def parted_in_order(
    outline: BaseGeometry, wants: Sequence[Want], order: Sequence[int], lengthwise: bool
) -> list[BaseGeometry] | None:
    """Strips in a certain order from the left to the right, or from below up; None where one then isn't enough.

    order: places in wants. lengthwise: whether they lie from left to right.
    """
    ground = _Along(outline, lengthwise)
    areas = [strip.area for strip in _strips(ground, wants)]
    begin = ground.begin
    strips: dict[int, BaseGeometry] = {}
    for place in order:
        until = ground.end if place == order[-1] else ground.until(begin, areas[place])
        strips[place] = ground.strip(begin, until)
        begin = until
    found = [strips[place] for place in range(len(wants))]
    return found if all(want.is_enough(strip) for want, strip in zip(wants, found, strict=True)) else None


def is_long(outline: BaseGeometry) -> bool:
    """Whether an outline is longer from left to right than it is high."""
    left, low, right, top = outline.bounds
    return bool(right - left >= top - low)


@dataclass(frozen=True)
class _Along:
    """An outline measured from one end to the other: from left to right where lengthwise, else from below up."""

    outline: BaseGeometry
    lengthwise: bool

    @property
    def begin(self) -> float:
        return float(self.outline.bounds[0 if self.lengthwise else 1])

    @property
    def end(self) -> float:
        return float(self.outline.bounds[2 if self.lengthwise else 3])

    def strip(self, begin: float, until: float) -> BaseGeometry:
        """What lies between two places along it."""
        left, low, right, top = self.outline.bounds
        band = box(begin, low, until, top) if self.lengthwise else box(left, begin, right, until)
        return self.outline.intersection(band)

    def until(self, begin: float, area_m2: float) -> float:
        """Where a strip ends that begins somewhere and is so large [m]."""
        places, areas = self._area_until
        before = float(np.interp(begin, places, areas))
        if before + area_m2 >= areas[-1] - NEARLY:
            return self.end
        return float(np.interp(before + area_m2, areas, places))

    @cached_property
    def _area_until(self) -> tuple[NDArray[np.float64], NDArray[np.float64]]:
        """Places along it, and how much of it lies before each [m2]; two are enough for a rectangle."""
        left, low, right, top = self.outline.bounds
        whole_m2 = self.outline.area
        if abs((right - left) * (top - low) - whole_m2) < NEARLY:
            return np.array([self.begin, self.end]), np.array([0.0, whole_m2])
        places = np.linspace(self.begin, self.end, SLICES + 1)
        lowest, highest = (np.full(SLICES, each) for each in ((low, top) if self.lengthwise else (left, right)))
        if self.lengthwise:
            bands = shapely.box(places[:-1], lowest, places[1:], highest)
        else:
            bands = shapely.box(lowest, places[:-1], highest, places[1:])
        slices = shapely.area(shapely.intersection(self.outline, bands))
        return places, np.concatenate([[0.0], np.cumsum(slices)])


def _strips(ground: _Along, wants: Sequence[Want]) -> list[BaseGeometry]:
    begin = ground.begin
    strips: dict[int, BaseGeometry] = {}
    for place, want in enumerate(wants):
        if want.area_m2 is not None:
            begin, strips[place] = _enough(ground, want, want.area_m2, begin)
    others = [place for place, want in enumerate(wants) if want.area_m2 is None]
    left_m2 = ground.strip(begin, ground.end).area
    for place in others:
        until = ground.until(begin, left_m2 / len(others))
        strips[place] = ground.strip(begin, until)
        begin = until
    return [strips[place] for place in range(len(wants))]


def _enough(ground: _Along, want: Want, area_m2: float, begin: float) -> tuple[float, BaseGeometry]:
    """Where a strip from somewhere on ends that is enough, and the strip: as wide as its area asks, and by steps wider;
    the widest where none is.
    """
    until, widest = ground.until(begin, area_m2), ground.until(begin, WIDEST * area_m2)
    strip = ground.strip(begin, until)
    steps = math.ceil((until - begin) / want.step_m - NEARLY)
    while until < widest - NEARLY and not want.is_enough(strip):
        until = min(begin + steps * want.step_m, widest)
        strip = ground.strip(begin, until)
        steps += 1
    return until, strip
