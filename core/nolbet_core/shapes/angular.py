"""Outlines with corners: rectangle, L, regular polygon, a grid of crates."""

from __future__ import annotations

import math
from dataclasses import dataclass

from nolbet_core.shapes.hollow import Point, Ring, ShapeProblem
from nolbet_core.shapes.outline import Span, left_between, middle_span, ring_centroid


@dataclass(frozen=True, slots=True)
class Rectangle:
    """A rectangle: length and width [m]. keys: what the plan file calls the two."""

    length_m: float
    width_m: float
    keys: tuple[str, str] = ("length_m", "width_m")

    @property
    def area_m2(self) -> float:
        """Plan area [m2]."""
        return self.length_m * self.width_m

    @property
    def perimeter_m(self) -> float:
        """Length round it [m]."""
        return 2 * (self.length_m + self.width_m)

    @property
    def inradius_m(self) -> float:
        """Half the shorter side [m]."""
        return min(self.length_m, self.width_m) / 2

    @property
    def centroid_m(self) -> Point:
        """Its middle [m, m]."""
        return self.length_m / 2, self.width_m / 2

    def moved(self, out_m: float) -> Rectangle:
        """The rectangle with its edges moved outwards [m]. Raises ShapeProblem where nothing is left."""
        length_m = left_between(self.keys[0], self.length_m, out_m)
        return Rectangle(length_m, left_between(self.keys[1], self.width_m, out_m), self.keys)

    def rings(self) -> tuple[Ring, ...]:
        """Its four corners [m]."""
        length, width = self.length_m, self.width_m
        return (((0.0, 0.0), (length, 0.0), (length, width), (0.0, width)),)

    def spans(self) -> tuple[Span, ...]:
        """One span as wide as it is [m]."""
        return middle_span(self.width_m)


@dataclass(frozen=True, slots=True)
class LShape:
    """A rectangle less a notch in one corner: lengths and widths [m].

    Raises ShapeProblem where the notch is no smaller than the rectangle.
    """

    length_m: float
    width_m: float
    notch_length_m: float
    notch_width_m: float

    def __post_init__(self) -> None:
        for side, notch in (("length_m", self.notch_length_m), ("width_m", self.notch_width_m)):
            whole_m = getattr(self, side)
            if notch >= whole_m:
                raise ShapeProblem(f"notch_{side}", f"a notch of {notch:g} m leaves nothing of {whole_m:g} m")

    @property
    def area_m2(self) -> float:
        """Plan area [m2]: rectangle less notch."""
        return self.length_m * self.width_m - self.notch_length_m * self.notch_width_m

    @property
    def perimeter_m(self) -> float:
        """Length round it [m]: a notch in a corner changes nothing."""
        return 2 * (self.length_m + self.width_m)

    @property
    def inradius_m(self) -> float:
        """Half the wider arm, or the circle that touches both outer walls and the notch's corner [m]."""
        upright_m, lying_m = self.length_m - self.notch_length_m, self.width_m - self.notch_width_m
        in_the_corner = upright_m + lying_m - math.sqrt(2 * upright_m * lying_m)
        arms = max(min(upright_m, self.width_m), min(lying_m, self.length_m)) / 2
        return max(arms, min(in_the_corner, min(self.length_m, self.width_m) / 2))

    @property
    def centroid_m(self) -> Point:
        """Centre of its area [m, m]."""
        return ring_centroid(self.rings()[0])

    def moved(self, out_m: float) -> LShape:
        """The L with its edges moved outwards [m]; the notch keeps its size. Raises ShapeProblem where it vanishes."""
        length_m = left_between("length_m", self.length_m, out_m)
        width_m = left_between("width_m", self.width_m, out_m)
        return LShape(length_m, width_m, self.notch_length_m, self.notch_width_m)

    def rings(self) -> tuple[Ring, ...]:
        """Its six corners [m], the notch at the upper right."""
        length, width = self.length_m, self.width_m
        x, y = length - self.notch_length_m, width - self.notch_width_m
        return (((0.0, 0.0), (length, 0.0), (length, y), (x, y), (x, width), (0.0, width)),)

    def spans(self) -> tuple[Span, ...]:
        """One span through the arm without the notch [m]."""
        return middle_span(self.width_m)


@dataclass(frozen=True, slots=True)
class RegularPolygon:
    """A regular polygon by its sides and twice its inradius [m] (across the flats, where sides face each other)."""

    sides: int
    across_flats_m: float

    @property
    def area_m2(self) -> float:
        """Plan area [m2]: n r2 tan(pi / n)."""
        return self.sides * self.inradius_m**2 * math.tan(math.pi / self.sides)

    @property
    def perimeter_m(self) -> float:
        """Length round it [m]."""
        return 2 * self.sides * self.inradius_m * math.tan(math.pi / self.sides)

    @property
    def length_m(self) -> float:
        """Length of the surrounding rectangle [m]."""
        return max(x for x, _ in self.rings()[0])

    @property
    def width_m(self) -> float:
        """Width of the surrounding rectangle [m]."""
        return max(y for _, y in self.rings()[0])

    @property
    def inradius_m(self) -> float:
        """Half across the flats [m]."""
        return self.across_flats_m / 2

    @property
    def centroid_m(self) -> Point:
        """Its middle [m, m]."""
        return ring_centroid(self.rings()[0])

    def moved(self, out_m: float) -> RegularPolygon:
        """The polygon with its edges moved outwards [m]. Raises ShapeProblem where nothing is left."""
        return RegularPolygon(self.sides, left_between("across_flats_m", self.across_flats_m, out_m))

    def rings(self) -> tuple[Ring, ...]:
        """Its corners [m], one flat at the bottom."""
        out_m = self.inradius_m / math.cos(math.pi / self.sides)
        start = -math.pi / 2 + math.pi / self.sides
        corners = [
            (
                out_m * math.cos(start + 2 * math.pi * i / self.sides),
                out_m * math.sin(start + 2 * math.pi * i / self.sides),
            )
            for i in range(self.sides)
        ]
        left, low = min(x for x, _ in corners), min(y for _, y in corners)
        return (tuple((x - left, y - low) for x, y in corners),)

    def spans(self) -> tuple[Span, ...]:
        """One span across the flats [m]."""
        return middle_span(self.across_flats_m)


@dataclass(frozen=True, slots=True)
class CrateGrid:
    """Crates side by side, each with its own walls: columns along the length, rows along the width, one crate [m].

    gap_m: from the inside of one crate to the inside of the next [m]: two walls where these are the insides, else 0.
    """

    columns: int
    rows: int
    crate_length_m: float
    crate_width_m: float
    gap_m: float = 0.0

    @property
    def area_m2(self) -> float:
        """Plan area of all crates [m2]."""
        return self.columns * self.rows * self.crate_length_m * self.crate_width_m

    @property
    def perimeter_m(self) -> float:
        """Length round every crate [m]."""
        return 2 * self.columns * self.rows * (self.crate_length_m + self.crate_width_m)

    @property
    def length_m(self) -> float:
        """Length of all columns [m]."""
        return self.columns * self.crate_length_m + (self.columns - 1) * self.gap_m

    @property
    def width_m(self) -> float:
        """Width of all rows [m]."""
        return self.rows * self.crate_width_m + (self.rows - 1) * self.gap_m

    @property
    def inradius_m(self) -> float:
        """Half the shorter side of the whole grid [m]: it is worked from outside."""
        return min(self.length_m, self.width_m) / 2

    @property
    def centroid_m(self) -> Point:
        """Its middle [m, m]."""
        return self.length_m / 2, self.width_m / 2

    def moved(self, out_m: float) -> CrateGrid:
        """Every crate with its own edges moved outwards [m]. Raises ShapeProblem where nothing is left."""
        length_m = left_between("length_m", self.crate_length_m, out_m)
        width_m = left_between("width_m", self.crate_width_m, out_m)
        return CrateGrid(self.columns, self.rows, length_m, width_m, self.gap_m - 2 * out_m)

    @property
    def surrounding(self) -> Rectangle:
        """The rectangle round all crates [m]."""
        return Rectangle(self.length_m, self.width_m)

    def rings(self) -> tuple[Ring, ...]:
        """The corners of each crate [m]."""
        along, across = self.crate_length_m + self.gap_m, self.crate_width_m + self.gap_m
        return tuple(
            tuple((x + column * along, y + row * across) for x, y in self._one())
            for row in range(self.rows)
            for column in range(self.columns)
        )

    def _one(self) -> Ring:
        return Rectangle(self.crate_length_m, self.crate_width_m).rings()[0]

    def spans(self) -> tuple[Span, ...]:
        """A span for each row [m]."""
        start, step = -self.width_m / 2, self.crate_width_m + self.gap_m
        return tuple((start + row * step, start + row * step + self.crate_width_m) for row in range(self.rows))
