"""Outlines without corners: disc, ellipse, stadium, and the keyhole cut out of a disc."""

from __future__ import annotations

import math
from dataclasses import dataclass

from nolbet_core.shapes.hollow import LEAST_INSIDE_M, Point, Ring, ShapeProblem
from nolbet_core.shapes.outline import ARC_STEPS, Span, arc, left_between, middle_span


@dataclass(frozen=True, slots=True)
class Disc:
    """A disc of a diameter [m]. key: what the plan file calls it."""

    diameter_m: float
    key: str = "diameter_m"

    @property
    def area_m2(self) -> float:
        """Plan area [m2]."""
        return math.pi * self.diameter_m**2 / 4

    @property
    def perimeter_m(self) -> float:
        """Length round it [m]."""
        return math.pi * self.diameter_m

    @property
    def length_m(self) -> float:
        """Its diameter [m]."""
        return self.diameter_m

    @property
    def width_m(self) -> float:
        """Its diameter [m]."""
        return self.diameter_m

    @property
    def inradius_m(self) -> float:
        """Its radius [m]."""
        return self.diameter_m / 2

    @property
    def centroid_m(self) -> Point:
        """Its middle [m, m]."""
        return self.diameter_m / 2, self.diameter_m / 2

    def moved(self, out_m: float) -> Disc:
        """The disc with its edge moved outwards [m]. Raises ShapeProblem where nothing is left."""
        return Disc(left_between(self.key, self.diameter_m, out_m), self.key)

    def rings(self) -> tuple[Ring, ...]:
        """Corners that stand for it [m]."""
        return (tuple(arc(self.centroid_m, self.diameter_m / 2, 0.0, 2 * math.pi)[:-1]),)

    def spans(self) -> tuple[Span, ...]:
        """One span through the middle [m]."""
        return middle_span(self.diameter_m)


@dataclass(frozen=True, slots=True)
class Ellipse:
    """An ellipse by both its axes, length and width [m]."""

    length_m: float
    width_m: float

    @property
    def area_m2(self) -> float:
        """Plan area [m2]."""
        return math.pi * self.length_m * self.width_m / 4

    @property
    def perimeter_m(self) -> float:
        """Length round it [m], by the arithmetic-geometric mean (DLMF 19.8.6), to the last digit."""
        return ellipse_perimeter(self.length_m / 2, self.width_m / 2)

    @property
    def inradius_m(self) -> float:
        """Half the shorter axis [m]."""
        return min(self.length_m, self.width_m) / 2

    @property
    def centroid_m(self) -> Point:
        """Its middle [m, m]."""
        return self.length_m / 2, self.width_m / 2

    def moved(self, out_m: float) -> Ellipse:
        """The ellipse with both axes longer by twice as much [m]. Raises ShapeProblem where nothing is left."""
        length_m = left_between("length_m", self.length_m, out_m)
        return Ellipse(length_m, left_between("width_m", self.width_m, out_m))

    def rings(self) -> tuple[Ring, ...]:
        """Corners that stand for it [m]."""
        (x, y), steps = self.centroid_m, range(ARC_STEPS)
        turns = [2 * math.pi * i / ARC_STEPS for i in steps]
        return (tuple((x + x * math.cos(turn), y + y * math.sin(turn)) for turn in turns),)

    def spans(self) -> tuple[Span, ...]:
        """One span through the middle [m]."""
        return middle_span(self.width_m)


def ellipse_perimeter(a_m: float, b_m: float) -> float:
    """Length round an ellipse of two half axes [m], by the arithmetic-geometric mean (DLMF 19.8.6)."""
    mean, other = max(a_m, b_m), min(a_m, b_m)
    largest, power, subtracted = mean, 1.0, 1 - (other / mean) ** 2
    total = subtracted / 2
    while mean - other > 1e-12 * mean:
        gap = (mean - other) / 2
        mean, other = (mean + other) / 2, math.sqrt(mean * other)
        total += power * (gap / largest) ** 2
        power *= 2
    return 2 * math.pi * largest**2 * (1 - total) / mean


@dataclass(frozen=True, slots=True)
class Stadium:
    """A rectangle with half a disc at each end: length over all and width [m].

    Raises ShapeProblem where it is shorter than wide.
    """

    length_m: float
    width_m: float

    def __post_init__(self) -> None:
        if self.length_m < self.width_m:
            raise ShapeProblem("length_m", f"{self.length_m:g} m is shorter than the width of {self.width_m:g} m")

    @property
    def area_m2(self) -> float:
        """Plan area [m2]: the middle and both ends."""
        return (self.length_m - self.width_m) * self.width_m + math.pi * self.width_m**2 / 4

    @property
    def perimeter_m(self) -> float:
        """Length round it [m]."""
        return 2 * (self.length_m - self.width_m) + math.pi * self.width_m

    @property
    def inradius_m(self) -> float:
        """Half the width [m]."""
        return self.width_m / 2

    @property
    def centroid_m(self) -> Point:
        """Its middle [m, m]."""
        return self.length_m / 2, self.width_m / 2

    def moved(self, out_m: float) -> Stadium:
        """The stadium with its edge moved outwards [m]. Raises ShapeProblem where nothing is left."""
        width_m = left_between("width_m", self.width_m, out_m)
        return Stadium(left_between("length_m", self.length_m, out_m), width_m)

    def rings(self) -> tuple[Ring, ...]:
        """Corners that stand for it [m]."""
        radius = self.width_m / 2
        right = arc((self.length_m - radius, radius), radius, -math.pi / 2, math.pi / 2)
        left = arc((radius, radius), radius, math.pi / 2, 3 * math.pi / 2)
        return ((*right, *left),)

    def spans(self) -> tuple[Span, ...]:
        """One span across the middle [m]."""
        return middle_span(self.width_m)


@dataclass(frozen=True, slots=True)
class Keyhole:
    """A disc less a path from its edge to the middle and a basket there: diameter, path width, basket diameter [m].

    Raises ShapeProblem where the path is wider than the basket, or the basket leaves no bed.
    """

    diameter_m: float
    path_width_m: float
    basket_diameter_m: float

    def __post_init__(self) -> None:
        if self.path_width_m > self.basket_diameter_m:
            said = f"{self.path_width_m:g} m is wider than the basket of {self.basket_diameter_m:g} m"
            raise ShapeProblem("path_width_m", said)
        if self.basket_diameter_m >= self.diameter_m:
            said = f"a basket of {self.basket_diameter_m:g} m leaves nothing of {self.diameter_m:g} m"
            raise ShapeProblem("basket_diameter_m", said)

    @property
    def area_m2(self) -> float:
        """Plan area [m2]: the disc less the union of path and basket."""
        path = self._strip(self.diameter_m / 2) - self._strip(self.basket_diameter_m / 2)
        return math.pi * (self.diameter_m**2 - self.basket_diameter_m**2) / 4 - path

    @property
    def path_m2(self) -> float:
        """What path and basket take of the disc [m2]."""
        return math.pi * self.diameter_m**2 / 4 - self.area_m2

    def _strip(self, radius_m: float) -> float:
        """Area of the path from the middle of a disc to its edge [m2]."""
        half = self.path_width_m / 2
        return half * math.sqrt(radius_m**2 - half**2) + radius_m**2 * math.asin(half / radius_m)

    @property
    def perimeter_m(self) -> float:
        """Length round it [m]: outer arc, both sides of the path, and the arc at the basket."""
        half, outer, inner = self.path_width_m / 2, self.diameter_m / 2, self.basket_diameter_m / 2
        sides = 2 * (math.sqrt(outer**2 - half**2) - math.sqrt(inner**2 - half**2))
        arcs = sum(2 * radius * (math.pi - math.asin(half / radius)) for radius in (outer, inner))
        return sides + arcs

    @property
    def length_m(self) -> float:
        """Its diameter [m]."""
        return self.diameter_m

    @property
    def width_m(self) -> float:
        """Its diameter [m]."""
        return self.diameter_m

    @property
    def inradius_m(self) -> float:
        """Half of what lies between the basket and the edge [m]."""
        return (self.diameter_m - self.basket_diameter_m) / 4

    @property
    def centroid_m(self) -> Point:
        """Centre of its area [m, m]: the path moves it away from the disc's own."""
        half, outer, inner = self.path_width_m / 2, self.diameter_m / 2, self.basket_diameter_m / 2
        return outer - half * (outer**2 - inner**2) / self.area_m2, outer

    def moved(self, out_m: float) -> Keyhole:
        """The keyhole with its edges moved outwards [m], into path and basket too. Raises ShapeProblem."""
        diameter_m = left_between("diameter_m", self.diameter_m, out_m)
        path_m, basket_m = self.path_width_m - 2 * out_m, self.basket_diameter_m - 2 * out_m
        if path_m < LEAST_INSIDE_M:
            said = f"a path of {self.path_width_m:g} m leaves nothing between two walls of {out_m:g} m"
            raise ShapeProblem("path_width_m", said)
        return Keyhole(diameter_m, path_m, basket_m)

    def rings(self) -> tuple[Ring, ...]:
        """Corners that stand for it [m], the path coming in from the right."""
        half, outer, inner = self.path_width_m / 2, self.diameter_m / 2, self.basket_diameter_m / 2
        centre, wide, tight = (outer, outer), math.asin(half / outer), math.asin(half / inner)
        round_the_edge = arc(centre, outer, wide, 2 * math.pi - wide)
        round_the_basket = arc(centre, inner, 2 * math.pi - tight, tight)
        return ((*round_the_edge, *round_the_basket),)

    def spans(self) -> tuple[Span, ...]:
        """One span on each side of the basket [m]."""
        outer, inner = self.diameter_m / 2, self.basket_diameter_m / 2
        return (-outer, -inner), (inner, outer)
