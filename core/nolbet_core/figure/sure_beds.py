"""A bed's figures drawn, beside what they are told as elsewhere."""

from __future__ import annotations

from functools import cached_property

import numpy as np

from nolbet_core.climate.weather import Weather
from nolbet_core.draws.inputs import Inputs
from nolbet_core.draws.shapes import Drawn
from nolbet_core.figure.sure_figures import SureBed, SureName
from nolbet_core.figure.sure_told import ToldSure, Usual
from nolbet_core.sure.drawn_bed import DrawnBed
from nolbet_core.sure.drawn_surface import drawn_heights
from nolbet_core.sure.drawn_water import drawn_lasting_days

SPRINGS: tuple[tuple[SureName, int], ...] = (("first_spring_m", 0), ("third_spring_m", 2))
"""Springs after winters that the surface is told of."""


class BedDrawn:
    """One bed with everything of it that is told with a band. weather: of its garden. dips: read of its reservoir."""

    def __init__(self, bed: DrawnBed, weather: Weather, inputs: Inputs, dips: int = 0) -> None:
        self.bed, self._weather, self._inputs, self._dips = bed, weather, inputs, dips

    @cached_property
    def lasting(self) -> tuple[int, Drawn] | None:
        """The month in which its water lasts shortest, 0 to 11, and how long [days]; None without a reservoir."""
        return drawn_lasting_days(self.bed.worked, self._weather, self._inputs, self._dips)

    @cached_property
    def figures(self) -> dict[SureName, Usual]:
        """Its figures as they are told elsewhere, and drawn; none of one that nothing lies in."""
        bed, worked, filled = self.bed, self.bed.worked, self.bed.worked.filled
        if not filled.layers:
            return {}
        found: dict[SureName, Usual] = {
            "placed_m3": (sum(each.placed_m3 for each in filled.layers), bed.placed_m3),
            "loose_m3": (sum(each.loose_m3 + each.infill_loose_m3 for each in filled.layers), bed.loose_m3),
            "mass_moist_kg": (worked.mass_moist_kg, bed.mass_moist_kg),
            "mass_saturated_kg": (worked.mass_saturated_kg, bed.mass_saturated_kg),
            **self._surfaces(),
            "nitrogen_short_kg": (worked.feeding.season.short_kg, bed.nitrogen_short_kg),
        }
        if self.lasting is not None:
            found["lasting_days"] = float(np.median(self.lasting[1])), self.lasting[1]
        return found

    def _surfaces(self) -> dict[SureName, Usual]:
        worked = self.bed.worked
        months = worked.spring_months
        told = [(name, months[at]) for name, at in SPRINGS if at < len(months)]
        if not told:
            return {}
        heights = drawn_heights(worked, self._inputs, [month for _, month in told])
        return {name: (worked.settling.surface_m[at], row) for (name, at), row in zip(told, heights, strict=True)}

    def told(self, told: ToldSure) -> SureBed:
        """It in figures."""
        bed = self.bed.worked.bed
        month = None if self.lasting is None else self.lasting[0] + 1
        return SureBed(bed.key, bed.title, told.all(self.figures, bed=bed.key), month)
