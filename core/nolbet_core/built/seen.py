"""What the log says of one bed's surface: heights that were read, and what was laid on since it was filled."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping, Sequence
from datetime import date

import numpy as np
from numpy.typing import NDArray

from nolbet_core.built.names import unknown_names
from nolbet_core.climate.year import months_between
from nolbet_core.plan.log import LogEntry, SownEntry, SurfaceEntry, TopUpEntry, day_of
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.record import record
from nolbet_core.season.fit import SurfaceReading
from nolbet_core.settling.clock import Clock, rotted_after
from nolbet_core.settling.curve import left_after, settled_after
from nolbet_core.settling.factors import Factors
from nolbet_core.shelf.material import Material

Values = NDArray[np.float64]


@record
class LaidOn:
    """Something laid on a bed on a day: of which material, and how much once it lies [m3]."""

    on: date
    material: Material
    placed_m3: float

    def left_m3(self, months: Values, built: date, clock: Clock, factors: Factors) -> Values:
        """What is left of it after months since the bed was filled [m3]; nothing before its day.

        It rots in the months of its own time. factors: the bed's, which hold for its top-ups too.
        """
        on = months_between(built, self.on)
        since = np.maximum(months - on, 0.0)
        rotted = rotted_after(clock, months) - rotted_after(clock, np.minimum(months, on))
        left: Values = np.where(
            months > on, self.placed_m3 * left_after(self.material, settled_after(since), rotted, factors), 0.0
        )
        return left


@record
class SeenOfBed:
    """What was seen of one bed: when its surface stood how high [m], what was laid on it, and what was sown in it."""

    surfaces: tuple[tuple[date, float], ...] = ()
    laid_on: tuple[LaidOn, ...] = ()
    sown: tuple[tuple[date, str], ...] = ()

    def readings_since(self, built: date) -> list[SurfaceReading]:
        """Readings of the surface since a bed was filled, oldest first."""
        return [
            SurfaceReading(months_between(built, on), height_m) for on, height_m in sorted(self.surfaces) if on >= built
        ]

    def laid_since(self, built: date) -> list[LaidOn]:
        """What was laid on since a bed was filled."""
        return [each for each in self.laid_on if each.on >= built]


NOTHING_SEEN = SeenOfBed()


def seen_in(log: Iterable[LogEntry], materials: Mapping[str, Material]) -> dict[str, SeenOfBed]:
    """What a log says of its beds' surfaces and of what grew in them, by bed.

    materials: by key; what was laid on of one that is there no more isn't reckoned with.
    """
    surfaces: dict[str, list[tuple[date, float]]] = {}
    laid: dict[str, list[LaidOn]] = {}
    sown: dict[str, list[tuple[date, str]]] = {}
    for entry in log:
        if isinstance(entry, SurfaceEntry):
            surfaces.setdefault(entry.bed, []).append((day_of(entry.on), entry.height_m))
        elif isinstance(entry, SownEntry):
            sown.setdefault(entry.bed, []).append((day_of(entry.on), entry.crop))
        elif isinstance(entry, TopUpEntry):
            material = materials.get(entry.material)
            if material is None:
                continue
            placed_m3 = entry.volume_m3 / (material.loose_factor or 1.0)
            laid.setdefault(entry.bed, []).append(LaidOn(day_of(entry.on), material, placed_m3))
    return {
        bed: SeenOfBed(tuple(surfaces.get(bed, ())), tuple(laid.get(bed, ())), tuple(sown.get(bed, ())))
        for bed in {*surfaces, *laid, *sown}
    }


def wrong_with_top_up(entry: TopUpEntry, materials: Mapping[str, Material], path: str) -> Iterator[PlanProblem]:
    """What of something laid on isn't there, or can't be laid. path: how it is called in a problem."""
    yield from unknown_names(entry, materials, path)
    material = materials.get(entry.material)
    if material is not None and material.is_sheet:
        yield PlanProblem(f"{path}.material", f"{entry.material} is a sheet; name what was laid on, as compost")


def all_left(laid: Sequence[LaidOn], months: Values, built: date, clock: Clock, factors: Factors) -> Values:
    """What is left of all top-ups, after months since the bed was filled [m3]. factors: of the bed."""
    return sum((each.left_m3(months, built, clock, factors) for each in laid), np.zeros_like(months))
