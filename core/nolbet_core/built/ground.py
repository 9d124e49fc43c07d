"""A plan's plot as the rules take it, and its beds where they lie on it."""

from __future__ import annotations

from nolbet_core.plan.bed import Bed
from nolbet_core.plan.plot import Plot
from nolbet_core.plot.fixed import fixed_thing
from nolbet_core.plot.ground import Ground
from nolbet_core.plot.placed import PlacedBed
from nolbet_core.shapes.vessel import Vessel


def ground_of(plot: Plot) -> Ground:
    """A plan's plot as the rules take it."""
    return Ground(
        corners_m=tuple((x, y) for x, y in plot.corners_m),
        fixed=tuple(
            fixed_thing(each.kind, each.name, [(x, y) for x, y in each.line_m or [each.at_m or [0, 0]]], each.across_m)
            for each in plot.fixed
        ),
        spots=tuple((spot.at_m[0], spot.at_m[1], spot.height_m) for spot in plot.spots),
        aisle_m=plot.aisle_m,
    )


def placed_beds(bed: Bed, vessel: Vessel) -> tuple[PlacedBed, ...]:
    """A bed and those alike where they lie on the plot."""
    numbered = len(bed.places) > 1
    return tuple(
        PlacedBed(
            bed.key,
            f"{bed.title} {index + 1}" if numbered else bed.title,
            index,
            vessel,
            place.x_m,
            place.y_m,
            place.turn_deg,
        )
        for index, place in enumerate(bed.places)
    )
