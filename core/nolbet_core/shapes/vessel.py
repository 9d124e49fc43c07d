"""A bed as built: where its layers lie, what it covers, and its cuts to draw."""

from __future__ import annotations

from abc import ABC, abstractmethod
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Literal

from nolbet_core.shapes.angular import CrateGrid
from nolbet_core.shapes.hollow import Hollow, Point, Ring, ShapeProblem
from nolbet_core.shapes.outline import Outline, Span
from nolbet_core.shapes.prismatoid import Prismatoid

Measured = Literal["inside", "outside"]
Form = Literal["vessel", "trench", "mound", "spiral", "flat"]


class Vessel(ABC):
    """What a bed of any shape answers. Sections lie across it, from its middle line, heights from its floor [m].

    form: a vessel with walls, a trench below the ground, a mound on it, a spiral drawn unrolled, or a flat patch.
    hollow: the space that layers fill. solid: the same by true heights; it differs for mounds, where layers are shells.
    """

    form: Form = "vessel"
    hollow: Hollow

    @property
    def sinks_in_place(self) -> bool:
        """Whether layers sink straight down where they lie: in mounds, spirals and patches."""
        return self.form in ("mound", "flat", "spiral")

    @property
    def solid(self) -> Hollow:
        """The space by height above the floor."""
        return self.hollow

    @property
    @abstractmethod
    def inside(self) -> Outline:
        """The plan of the inside at its widest."""

    @property
    @abstractmethod
    def outside(self) -> Outline:
        """The plan of the outermost edge, walls with it."""

    @property
    def top_area_m2(self) -> float:
        """Plan area at the rim [m2]; of what stands on the ground, its base."""
        return self.hollow.area_at(self.hollow.rim_m)

    @property
    def footprint_m2(self) -> float:
        """Ground inside the outermost outline [m2]."""
        return self.outside.area_m2

    @property
    def wall_loss_share(self) -> float:
        """Share of the footprint that the walls take from growing [0-1]."""
        return max(1 - self.inside.area_m2 / self.footprint_m2, 0.0)

    def height_of(self, level_m: float) -> float:
        """Height above the floor [m] of the highest point that a layer reaching up to a level [m] has."""
        return level_m

    def sheet_area_at(self, level_m: float) -> float:
        """Area that a sheet at a level covers [m2], without laps and runs."""
        return self.hollow.area_at(level_m)

    def sheet_perimeter_at(self, level_m: float) -> float:
        """Length round that area [m]."""
        return self.hollow.perimeter_at(level_m)

    def sheet_size_at(self, level_m: float) -> tuple[float, float]:
        """Length and width of the rectangle that a sheet at a level covers [m, m]."""
        del level_m
        return self.inside.length_m, self.inside.width_m

    def skirt_area(self, skirt_m: float) -> float:
        """Area of the ring that runs out past the outermost edge by a width [m], corners mitred [m2]."""
        if not skirt_m:
            return 0.0
        outside = self.outside
        edge = outside.surrounding if isinstance(outside, CrateGrid) else outside
        return edge.moved(skirt_m).area_m2 - edge.area_m2

    def grip(self, level_m: float) -> Point:
        """A point on a layer's top in the cut by which it can be drawn up or down [m]."""
        start, end = self.section_spans(level_m)[-1]
        return (start + end) / 2, self.height_of(level_m)

    @abstractmethod
    def section(self, lower_m: float, upper_m: float) -> tuple[Ring, ...]:
        """Outlines of the fill between two levels, cut across."""

    def section_walls(self) -> tuple[Ring, ...]:
        """Outlines of the walls, cut across; a wall without thickness is a line."""
        return ()

    def section_spans(self, level_m: float) -> tuple[Span, ...]:
        """Where the fill between two edges lies in the cut at a level [m]."""
        rings = self.section(level_m, level_m)
        return tuple((min(x for x, _ in ring), max(x for x, _ in ring)) for ring in rings)

    def anchor(self, lower_m: float, upper_m: float) -> Point:
        """A point on the right of a layer in the cut, from which a line can lead to what is said of it [m]."""
        middle = (lower_m + upper_m) / 2
        return self.section_spans(middle)[-1][1], self.height_of(middle)

    def plan_zone(self, lower_m: float, upper_m: float) -> tuple[Ring, ...]:
        """Where a layer lies at the surface, seen from above, where that differs from layer to layer."""
        del lower_m, upper_m
        return ()


@dataclass(frozen=True, slots=True)
class WalledVessel(Vessel):
    """Straight or evenly tapering walls between a floor and a rim of one kind of outline.

    floor, rim: inside outlines. outer_floor, outer_rim: with walls. depth_m: floor to rim [m]. form: vessel or trench.
    """

    floor: Outline
    rim: Outline
    outer_floor: Outline
    outer_rim: Outline
    depth_m: float
    hollow: Hollow
    form: Form = "vessel"

    @property
    def inside(self) -> Outline:
        """The wider of floor and rim."""
        return self.rim if self.rim.area_m2 >= self.floor.area_m2 else self.floor

    @property
    def outside(self) -> Outline:
        """The wider of floor and rim with walls."""
        return self.outer_rim if self.outer_rim.area_m2 >= self.outer_floor.area_m2 else self.outer_floor

    def section(self, lower_m: float, upper_m: float) -> tuple[Ring, ...]:
        """A four-cornered outline for each span of the cut [m]."""
        return tuple(
            ((low[0], lower_m), (low[1], lower_m), (high[1], upper_m), (high[0], upper_m))
            for low, high in zip(self.section_spans(lower_m), self.section_spans(upper_m), strict=True)
        )

    def section_spans(self, level_m: float) -> tuple[Span, ...]:
        """Spans at a level [m], between those of floor and rim."""
        if self.floor is self.rim:
            return self.floor.spans()
        share = min(max(level_m / self.depth_m, 0.0), 1.0)
        return tuple(_between(low, high, share) for low, high in zip(self.floor.spans(), self.rim.spans(), strict=True))

    def section_walls(self) -> tuple[Ring, ...]:
        """A wall on each side of every span [m]."""
        if self.form == "trench":
            return ()
        return tuple(self._walls())

    def _walls(self) -> Iterator[Ring]:
        sides = zip(self.floor.spans(), self.rim.spans(), self.outer_floor.spans(), self.outer_rim.spans(), strict=True)
        for low, high, outer_low, outer_high in sides:
            for side in (0, 1):
                yield (
                    (low[side], 0.0),
                    (outer_low[side], 0.0),
                    (outer_high[side], self.depth_m),
                    (high[side], self.depth_m),
                )


def _between(low: Span, high: Span, share: float) -> Span:
    return low[0] + share * (high[0] - low[0]), low[1] + share * (high[1] - low[1])


def straight_vessel(outline: Outline, depth_m: float, measured: Measured, wall_m: float) -> WalledVessel:
    """A vessel with upright walls.

    outline: as measured, inside or outside the walls as `measured` says. depth_m: floor to rim [m]. wall_m: thickness
    of the wall [m]; it works sideways only.

    Raises ShapeProblem where the walls leave no inside.
    """
    inside, outside = _both_sides(outline, measured, wall_m)
    area_m2, perimeter_m = inside.area_m2, inside.perimeter_m
    hollow = Prismatoid(depth_m, area_m2, area_m2, area_m2, perimeter_m, perimeter_m)
    return WalledVessel(inside, inside, outside, outside, depth_m, hollow)


def tapered_vessel(
    floor: Outline, middle: Outline, rim: Outline, depth_m: float, measured: Measured, wall_m: float, form: Form
) -> WalledVessel:
    """A vessel whose walls run straight from a floor to a rim of another size.

    floor, middle, rim: as measured, at the floor, half-way up and at the rim. depth_m [m]. wall_m: thickness of the
    wall, measured level [m]. form: vessel or trench.

    Raises ShapeProblem where the walls leave no inside.
    """
    inner_floor, outer_floor = _both_sides(floor, measured, wall_m)
    inner_middle, _ = _both_sides(middle, measured, wall_m)
    inner_rim, outer_rim = _both_sides(rim, measured, wall_m)
    hollow = Prismatoid(
        depth_m,
        inner_floor.area_m2,
        inner_middle.area_m2,
        inner_rim.area_m2,
        inner_floor.perimeter_m,
        inner_rim.perimeter_m,
    )
    return WalledVessel(inner_floor, inner_rim, outer_floor, outer_rim, depth_m, hollow, form)


def _both_sides(outline: Outline, measured: Measured, wall_m: float) -> tuple[Outline, Outline]:
    if wall_m == 0:
        return outline, outline
    if measured == "inside":
        return outline, outline.moved(wall_m)
    return outline.moved(-wall_m), outline


def depth_under_corners(outline: Outline, corner_depths_m: tuple[float, float, float, float]) -> float:
    """Depth of upright walls that holds the volume under the plane through four corners [m].

    outline: the inside. corner_depths_m: depth at the corners of its surrounding rectangle [m], going round from the
    lower left; where the four share no plane, the best fitting one. The volume is the area times the plane's height
    over the centre of the area, so that this height is the depth asked for.

    Raises ShapeProblem where the plane lies under the floor there.
    """
    d0, d1, d2, d3 = corner_depths_m
    x, y = outline.centroid_m
    along = ((d1 + d2) - (d0 + d3)) / 2 * (x / outline.length_m - 0.5)
    across = ((d2 + d3) - (d0 + d1)) / 2 * (y / outline.width_m - 0.5)
    depth_m = (d0 + d1 + d2 + d3) / 4 + along + across
    if depth_m <= 0:
        raise ShapeProblem("corner_depths_m", "the plane through these corners leaves no depth over the bed's middle")
    return depth_m
