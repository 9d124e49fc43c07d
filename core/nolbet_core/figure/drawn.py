"""What there is to draw of a bed: its cut, and its plan from above, to a hundredth of a millimetre."""

from __future__ import annotations

from collections.abc import Iterable, Sequence

from nolbet_core.figure.figures import PitFigures, PlanFigures, SectionFigures, WallLook
from nolbet_core.plan.bed import Bed
from nolbet_core.shapes.hollow import Point, Ring
from nolbet_core.shapes.ribbon import Ribbon
from nolbet_core.shapes.vessel import Vessel

DRAWN_DIGITS = 5
Drawn = tuple[tuple[float, float], ...]


def drawn_ring(ring: Iterable[Point]) -> Drawn:
    """An outline [m, m] as it is drawn."""
    return tuple([(round(x, DRAWN_DIGITS), round(y, DRAWN_DIGITS)) for x, y in ring])


def drawn_rings(rings: Sequence[Ring]) -> list[Drawn]:
    """Outlines [m, m] as they are drawn."""
    return [drawn_ring(ring) for ring in rings]


def outer_edges(vessel: Vessel) -> tuple[float, float]:
    """Where a cut bed begins and ends from the left to the right, walls with it [m]."""
    across = [x for ring in (*vessel.section(0.0, vessel.hollow.rim_m), *vessel.section_walls()) for x, _ in ring]
    return min(across), max(across)


def skirt_line(vessel: Vessel, skirt_m: float, height_m: float) -> Ring:
    """A sheet that runs out past the outermost edge on either side by so much, where it is cut [m]."""
    left_m, right_m = outer_edges(vessel)
    return ((left_m - skirt_m, height_m), (right_m + skirt_m, height_m))


def section_figures(
    bed: Bed, vessel: Vessel, top_m: float, ground_m: float, skirt_m: float = 0.0, pit: PitFigures | None = None
) -> SectionFigures:
    """A bed cut open. top_m: height of what stands highest, rim or fill [m]. ground_m: of the ground outside [m].

    skirt_m: how far a sheet runs out past its outermost edge [m]. pit: what it lies over.
    """
    rim_m = vessel.hollow.rim_m
    hollow = vessel.section(0.0, rim_m)
    walls = vessel.section_walls()
    left_m, right_m = outer_edges(vessel)
    below = [x for ring in pit.hollow for x, _ in ring] if pit else []
    left_m, right_m = min([left_m, *below]), max([right_m, *below])
    return SectionFigures(
        form=vessel.form,
        left_m=round(left_m - skirt_m, DRAWN_DIGITS),
        right_m=round(right_m + skirt_m, DRAWN_DIGITS),
        top_m=max(vessel.height_of(rim_m), top_m),
        ground_m=ground_m,
        hollow=drawn_rings(hollow),
        walls=drawn_rings(walls),
        solids=[drawn_ring(ring) for ring in _solids(bed, hollow)],
        pit=pit,
        wall=_look(bed),
        legs=_legs(bed),
    )


LOOKS: dict[str, WallLook] = {"units": "brick", "dry_stone": "stone", "sheet": "metal"}
"""What walls of no wood look like, by the kind of frame."""


def _look(bed: Bed) -> WallLook:
    frame = bed.frame
    if frame is None:
        return "timber"
    return "stone" if frame.material in ("block", "stone") else LOOKS.get(frame.kind, "timber")


def _legs(bed: Bed) -> int:
    if bed.frame is not None and bed.frame.legs is not None:
        return bed.frame.legs.count
    return bed.stand.legs or 0 if bed.stand else 0


def _solids(bed: Bed, hollow: Sequence[Ring]) -> Iterable[Ring]:
    """What is buried, side by side across the cut."""
    edges = [x for x, _ in hollow[0]]
    left, right = min(edges), max(edges)
    count = sum(min(each.count, 6) for each in bed.buried)
    place = 0
    for each in bed.buried:
        wide_m = each.width_m or each.diameter_m or 0.0
        tall_m = each.diameter_m if each.kind == "pipe" else each.height_m
        for _ in range(min(each.count, 6)):
            place += 1
            x = left + (right - left) * place / (count + 1)
            low, high = each.bottom_m, each.bottom_m + (tall_m or 0.0)
            yield ((x - wide_m / 2, low), (x + wide_m / 2, low), (x + wide_m / 2, high), (x - wide_m / 2, high))


def plan_figures(bed: Bed, vessel: Vessel) -> PlanFigures:
    """A bed from above, from the lower left of the rectangle round its outermost edge.

    Worked from one side it is within reach as far as a band of half the reach along all its edge, since nobody has said
    which side that is.
    """
    outside, inside = vessel.outside, vessel.inside
    reach_m = bed.reach_m / 2 if bed.worked_from == "one_side" else bed.reach_m
    if isinstance(outside, Ribbon):
        return _band_from_above(outside, reach_m)
    right = (outside.length_m - inside.length_m) / 2
    up = (outside.width_m - inside.width_m) / 2
    return PlanFigures(
        length_m=outside.length_m,
        width_m=outside.width_m,
        outside=drawn_rings(outside.rings()),
        inside=[drawn_ring((x + right, y + up) for x, y in ring) for ring in inside.rings()],
        reach_m=reach_m,
    )


def _band_from_above(band: Ribbon, reach_m: float) -> PlanFigures:
    """A bed along a line, from the lower left of the rectangle round it."""
    ring = band.rings()[0]
    left, low = min(x for x, _ in ring), min(y for _, y in ring)
    moved = [drawn_ring((x - left, y - low) for x, y in ring)]
    length_m, width_m = max(x for x, _ in ring) - left, max(y for _, y in ring) - low
    return PlanFigures(length_m=length_m, width_m=width_m, outside=moved, inside=moved, reach_m=reach_m)
