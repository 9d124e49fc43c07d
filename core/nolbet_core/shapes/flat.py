"""A flat patch on the ground, with or without feathered edges."""

from __future__ import annotations

from dataclasses import dataclass, replace

from nolbet_core.shapes.angular import Rectangle
from nolbet_core.shapes.hollow import Point, Ring, ShapeProblem
from nolbet_core.shapes.outline import Span, middle_span
from nolbet_core.shapes.vessel import Form, Vessel


@dataclass(frozen=True, slots=True)
class FlatHollow:
    """Room over a patch: each layer runs out evenly over the feather. perimeter_m [m].

    spread_m2: area over which a layer in its full thickness would hold as much. There is no rim: layers are laid as
    thick as asked.
    """

    spread_m2: float
    perimeter_m: float
    rim_m: float

    def area_at(self, height_m: float) -> float:
        """Area over which a layer in its full thickness would hold as much [m2], alike at every height."""
        del height_m
        return self.spread_m2

    def perimeter_at(self, height_m: float) -> float:
        """Length round the patch [m]."""
        del height_m
        return self.perimeter_m

    def volume_between(self, lower_m: float, upper_m: float) -> float:
        """Volume of a layer between two heights [m3]."""
        return self.spread_m2 * (upper_m - lower_m)

    def height_for_volume(self, base_m: float, volume_m3: float) -> float:
        """Height [m] up to which a volume [m3] spread over a base height [m] lies."""
        return base_m + volume_m3 / self.spread_m2


@dataclass(frozen=True, slots=True)
class FlatArea(Vessel):
    """A flat patch: its rectangle and the width over which each layer runs out to nothing [m].

    path_m2: ground within it that paths take, on which nothing is laid [m2].
    """

    rectangle: Rectangle
    feather_m: float
    hollow: FlatHollow
    form: Form = "flat"
    path_m2: float = 0.0

    @property
    def inside(self) -> Rectangle:
        """The patch [m]."""
        return self.rectangle

    @property
    def outside(self) -> Rectangle:
        """The patch [m]."""
        return self.rectangle

    @property
    def top_area_m2(self) -> float:
        """The patch less its paths [m2]."""
        return self.rectangle.area_m2 - self.path_m2

    def sheet_area_at(self, level_m: float) -> float:
        """The patch less its paths [m2]."""
        del level_m
        return self.top_area_m2

    def less_paths(self, path_m2: float) -> FlatArea:
        """The patch where paths take so much of it [m2]; a hundredth is always left."""
        taken_m2 = min(path_m2, 0.99 * self.hollow.spread_m2)
        hollow = replace(self.hollow, spread_m2=self.hollow.spread_m2 - taken_m2)
        return replace(self, hollow=hollow, path_m2=taken_m2)

    def section(self, lower_m: float, upper_m: float) -> tuple[Ring, ...]:
        """A layer that runs out at both edges [m]."""
        half, full = self.rectangle.width_m / 2, self.rectangle.width_m / 2 - self.feather_m
        if self.feather_m == 0:
            return (((-half, lower_m), (half, lower_m), (half, upper_m), (-half, upper_m)),)
        return (((-half, 0.0), (-full, lower_m), (full, lower_m), (half, 0.0), (full, upper_m), (-full, upper_m)),)

    def section_spans(self, level_m: float) -> tuple[Span, ...]:
        """The whole width [m]."""
        del level_m
        return middle_span(self.rectangle.width_m)

    def anchor(self, lower_m: float, upper_m: float) -> Point:
        """Where the layer ends in its full thickness, on the right [m]."""
        return self.rectangle.width_m / 2 - self.feather_m, (lower_m + upper_m) / 2


def flat_area(length_m: float, width_m: float, feather_m: float, laid_m: float) -> FlatArea:
    """A flat patch. length_m, width_m: all of it [m]. feather_m: width, inside it, over which layers run out [m].

    laid_m: thickness of all that is laid [m]. A layer of thickness t holds t (L W - (L + W) f + 4/3 f2).

    Raises ShapeProblem where the feathers meet before the middle.
    """
    if 2 * feather_m > min(length_m, width_m):
        said = f"feathers of {feather_m:g} m meet before the middle of {min(length_m, width_m):g} m"
        raise ShapeProblem("feather_m", said)
    rectangle = Rectangle(length_m, width_m)
    spread = rectangle.area_m2 - (length_m + width_m) * feather_m + 4 / 3 * feather_m**2
    hollow = FlatHollow(spread, rectangle.perimeter_m, laid_m)
    return FlatArea(rectangle, feather_m, hollow)
