"""A bed over a trench or pit: one space from the pit's floor to the bed's rim."""

from __future__ import annotations

from dataclasses import dataclass

from nolbet_core.shapes.hollow import Hollow, Point, Ring
from nolbet_core.shapes.outline import Outline, Span
from nolbet_core.shapes.vessel import Form, Vessel


@dataclass(frozen=True, slots=True)
class Stacked:
    """Two hollows, one on the other: what is poured in fills the pit first, then the bed over it.

    Heights count from the pit's floor; over the ground they are the bed's own, in a mound square to its surface.
    """

    pit: Hollow
    bed: Hollow

    @property
    def rim_m(self) -> float:
        """Height of the bed's rim above the pit's floor [m]."""
        return self.pit.rim_m + self.bed.rim_m

    def area_at(self, height_m: float) -> float:
        """Area on which fill lies at a height [m2]."""
        ground_m = self.pit.rim_m
        return self.pit.area_at(height_m) if height_m < ground_m else self.bed.area_at(height_m - ground_m)

    def perimeter_at(self, height_m: float) -> float:
        """Length round that area [m]."""
        ground_m = self.pit.rim_m
        return self.pit.perimeter_at(height_m) if height_m < ground_m else self.bed.perimeter_at(height_m - ground_m)

    def volume_between(self, lower_m: float, upper_m: float) -> float:
        """Volume between two heights [m3]."""
        ground_m = self.pit.rim_m
        under = self.pit.volume_between(min(lower_m, ground_m), min(upper_m, ground_m))
        return under + self.bed.volume_between(max(lower_m - ground_m, 0.0), max(upper_m - ground_m, 0.0))

    def height_for_volume(self, base_m: float, volume_m3: float) -> float:
        """Height [m] at which a volume [m3] poured in from a base height [m] stands."""
        ground_m = self.pit.rim_m
        if base_m < ground_m:
            room_m3 = self.pit.volume_between(base_m, ground_m)
            if volume_m3 <= room_m3:
                return self.pit.height_for_volume(base_m, volume_m3)
            return ground_m + self.bed.height_for_volume(0.0, volume_m3 - room_m3)
        return ground_m + self.bed.height_for_volume(base_m - ground_m, volume_m3)


@dataclass(frozen=True, slots=True)
class Profile(Vessel):
    """A bed and the pit that it lies over, as one vessel. Heights count from the pit's floor [m]."""

    pit: Vessel
    bed: Vessel
    hollow: Stacked

    @property
    def form(self) -> Form:  # type: ignore[override]
        """That of the bed over the ground."""
        return self.bed.form

    @property
    def ground_m(self) -> float:
        """Height of the ground above the pit's floor [m]."""
        return self.pit.hollow.rim_m

    @property
    def inside(self) -> Outline:
        """The bed's."""
        return self.bed.inside

    @property
    def outside(self) -> Outline:
        """The bed's."""
        return self.bed.outside

    @property
    def top_area_m2(self) -> float:
        """The bed's [m2]."""
        return self.bed.top_area_m2

    def height_of(self, level_m: float) -> float:
        """Height above the pit's floor [m] of the highest point that a layer up to a level [m] has."""
        ground_m = self.ground_m
        return level_m if level_m <= ground_m else ground_m + self.bed.height_of(level_m - ground_m)

    def section(self, lower_m: float, upper_m: float) -> tuple[Ring, ...]:
        """Outlines of the fill between two levels, in the pit and over it [m]."""
        ground_m = self.ground_m
        rings: tuple[Ring, ...] = ()
        if lower_m < ground_m:
            rings += self.pit.section(lower_m, min(upper_m, ground_m))
        if upper_m > ground_m or lower_m >= ground_m:
            over = self.bed.section(max(lower_m - ground_m, 0.0), upper_m - ground_m)
            rings += tuple(tuple((x, y + ground_m) for x, y in ring) for ring in over)
        return rings

    def section_spans(self, level_m: float) -> tuple[Span, ...]:
        """Where the fill lies in the cut at a level [m]."""
        ground_m = self.ground_m
        return self.pit.section_spans(level_m) if level_m < ground_m else self.bed.section_spans(level_m - ground_m)

    def anchor(self, lower_m: float, upper_m: float) -> Point:
        """A point on the right of a layer in the cut [m]."""
        ground_m = self.ground_m
        if upper_m <= ground_m:
            return self.pit.anchor(lower_m, upper_m)
        x, y = self.bed.anchor(max(lower_m - ground_m, 0.0), upper_m - ground_m)
        return x, y + ground_m


def profile(pit: Vessel, bed: Vessel) -> Profile:
    """A bed and the pit it lies over as one vessel."""
    return Profile(pit, bed, Stacked(pit.hollow, bed.hollow))
