"""A bed's reservoir and what it stands on, in figures."""

from __future__ import annotations

from collections.abc import Iterator

from nolbet_core.built.fittings import THROUGH_THE_WALL, across_of
from nolbet_core.built.footing import TURF_M
from nolbet_core.built.walls import wall_of
from nolbet_core.built.water import BedWater
from nolbet_core.built.worked import WorkedBed
from nolbet_core.figure.drawn import drawn_ring, drawn_rings
from nolbet_core.figure.figures import PartKind, ReservoirFigures, ReservoirPart, StandFigures
from nolbet_core.plan.bed import Fitting
from nolbet_core.reservoir.store import Store
from nolbet_core.shapes.hollow import Ring
from nolbet_core.shapes.sizing import largest_in_liner
from nolbet_core.shelf.library import standard_shelf

MOST_DRAWN = 3
SPOUT_M = 0.02
"""How far a spout stands out of the wall, each side, and how wide it is drawn where nothing is said [m]."""

ROUND = ((1.0, 0.0), (0.707, 0.707), (0.0, 1.0), (-0.707, 0.707), (-1.0, 0.0), (-0.707, -0.707), (0.0, -1.0),
         (0.707, -0.707))  # fmt: skip


def reservoir_figures(worked: WorkedBed, water: BedWater) -> ReservoirFigures:
    """A bed's reservoir in figures."""
    store, vessel, reservoir = water.store, worked.vessel, water.reservoir
    liner_m = water.liner_m
    return ReservoirFigures(
        height_m=store.height_m,
        overflow_m=store.overflow_m,
        water_m3=store.held_m3,
        lost_to_tilt_m3=store.lost_to_tilt_m3,
        shallow_m=store.depths_m[1],
        soil_m=water.soil_over_m,
        rise_m=water.soil_rise_m,
        wick=water.wicking.kind,
        lift_m3_day=water.lifted_full_m3_day,
        medium_m3=store.medium_below(store.height_m) if water.medium else 0.0,
        medium_name=water.medium.name if water.medium else None,
        medium_material=reservoir.medium,
        under_material=reservoir.under.material if reservoir.under else None,
        liner_m=liner_m,
        liner_m2=liner_m[0] * liner_m[1] if liner_m else 0.0,
        largest_m=largest_lined(water),
        medium=drawn_rings(vessel.section(store.under_m, store.top_m)),
        water=drawn_rings(vessel.section(store.under_m, store.full_m)),
        under=drawn_rings(vessel.section(0.0, store.under_m)) if store.under_m else [],
        full_m=store.full_m,
        parts=list(_parts(worked, water)),
    )


def largest_lined(water: BedWater) -> tuple[float, float] | None:
    """The largest bed that the liner there is can line [m, m]; None where its size isn't known, or it lines nothing."""
    reservoir = water.reservoir
    if reservoir.liner_m is None:
        return None
    length_m, width_m = sorted(reservoir.liner_m, reverse=True)
    try:
        return largest_in_liner(length_m, width_m, water.store.height_m, reservoir.liner_lap_m or 0.0)
    except ValueError:
        return None


def stand_figures(worked: WorkedBed) -> StandFigures:
    """A bed's weight on what it stands on."""
    legs = worked.legs
    mass_kg = worked.standing_kg
    stand = worked.bed.stand
    turf_m3 = TURF_M * worked.vessel.footprint_m2 if worked.bed.turf == "stripped" else 0.0
    return StandFigures(
        pressure_kg_m2=mass_kg / worked.vessel.footprint_m2,
        leg_kg=mass_kg / legs if legs else None,
        rim_high_m=stand.height_m + worked.vessel.hollow.rim_m if stand and stand.height_m is not None else None,
        turf_m3=turf_m3,
        turf_loose_m3=turf_m3 * standard_shelf()["turf"].loose_factor,
    )


def _parts(worked: WorkedBed, water: BedWater) -> Iterator[ReservoirPart]:
    """Pipes, crates and wicks side by side across the cut."""
    reservoir, store = water.reservoir, water.store
    left, right = worked.vessel.section_spans(store.under_m + store.height_m / 2)[0]
    yield from _tubes(worked, store)
    wanted: list[tuple[PartKind, float, float]] = []
    for pipe in reservoir.pipes:
        wanted += [("pipe", pipe.diameter_m, pipe.diameter_m)] * min(pipe.count, MOST_DRAWN)
    for crate in reservoir.crates:
        wanted += [("crate", crate.width_m, crate.height_m)] * min(crate.count, MOST_DRAWN)
    for wick in reservoir.wicks:
        if wick.kind == "fabric":
            low = store.top_m
            fabric = ((left, low), (right, low))
            yield ReservoirPart("fabric", drawn_ring(fabric))
            continue
        across = wick.diameter_m if wick.kind == "soil_column" else wick.width_m
        wide = across or 0.02
        wanted += [(wick.kind, wide if wick.kind == "soil_column" else 0.012, store.height_m)] * min(
            wick.count, MOST_DRAWN
        )
    for index, (kind, wide_m, tall_m) in enumerate(wanted):
        middle = left + (right - left) * (index + 1) / (len(wanted) + 1)
        yield ReservoirPart(kind, drawn_ring(_raised(_outline(kind, middle, wide_m, tall_m), store.under_m)))


def _tubes(worked: WorkedBed, store: Store) -> Iterator[ReservoirPart]:
    """The tubes by which it is filled and dipped beside one wall, and what goes through the walls."""
    reservoir = worked.bed.reservoir
    if reservoir is None:
        return
    rim_m = worked.vessel.hollow.rim_m
    left = max(worked.vessel.section_spans(level)[0][0] for level in (0.0, rim_m))
    tubes = [each for each in reservoir.fittings if each.kind in ("filler", "dip_tube")] or [Fitting(kind="filler")]
    x_m = left
    for tube in tubes:
        across_m = across_of(tube)
        kind: PartKind = "dip_tube" if tube.kind == "dip_tube" else "filler"
        outline = _outline(kind, x_m + across_m, across_m, rim_m - store.under_m)
        yield ReservoirPart(kind, drawn_ring(_raised(outline, store.under_m)))
        x_m += 1.5 * across_m
    openings = [each for each in reservoir.fittings if each.kind in THROUGH_THE_WALL]
    if reservoir.overflow_m is not None and not any(each.kind == "overflow" for each in openings):
        openings.append(Fitting(kind="overflow", height_m=max(reservoir.overflow_m - SPOUT_M, 0.0), diameter_m=SPOUT_M))
    for opening in openings:
        yield _spout(worked, store, opening)


def _spout(worked: WorkedBed, store: Store, opening: Fitting) -> ReservoirPart:
    """An opening through a wall: the inlet on the left, what lets water out on the right."""
    usual_m = store.overflow_m if opening.kind == "overflow" else 0.0
    low = store.under_m + (usual_m if opening.height_m is None else opening.height_m)
    high = low + across_of(opening)
    start, end = worked.vessel.section_spans(store.full_m)[0]
    reach_m = wall_of(worked.bed) + 2 * SPOUT_M
    inner, outer = (start + SPOUT_M, start - reach_m) if opening.kind == "inlet" else (end - SPOUT_M, end + reach_m)
    ring = ((inner, low), (outer, low), (outer, high), (inner, high))
    kind: PartKind = "inlet" if opening.kind == "inlet" else "drain" if opening.kind == "drain" else "overflow"
    return ReservoirPart(kind, drawn_ring(ring))


def _raised(ring: Ring, by_m: float) -> Ring:
    return tuple((x, y + by_m) for x, y in ring)


def _outline(kind: PartKind, middle: float, wide_m: float, tall_m: float) -> Ring:
    if kind == "pipe":
        radius = wide_m / 2
        return tuple((middle + radius * x, radius + radius * y) for x, y in ROUND)
    left, right = middle - wide_m / 2, middle + wide_m / 2
    return ((left, 0.0), (right, 0.0), (right, tall_m), (left, tall_m))
