"""What all beds of a garden share: its units, its year, its ground."""

from __future__ import annotations

from calendar import monthrange
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from datetime import date
from functools import cached_property, lru_cache
from typing import TYPE_CHECKING

from nolbet_core.built.ground import ground_of, path_ground_of
from nolbet_core.built.seen import SeenOfBed
from nolbet_core.built.sources import Sources
from nolbet_core.climate.typical import CLIMATES
from nolbet_core.climate.weather import (
    USUAL_LATITUDE_DEG,
    MonthNormals,
    Weather,
    drawn_weather,
    hot_day_evaporation,
    monthly_evaporation,
    usual_normals,
)
from nolbet_core.climate.year import COMMON_YEAR, Year, ends_in_second_half, garden_year
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.garden import Garden, Normals
from nolbet_core.plan.plot import Plot
from nolbet_core.planting.crops import Crop, standard_crops
from nolbet_core.plot.ground import Ground
from nolbet_core.quantities.units import System
from nolbet_core.quantities.writing import show_temperature
from nolbet_core.settling.clock import REFERENCE_C

if TYPE_CHECKING:
    from shapely.geometry.base import BaseGeometry


@dataclass(frozen=True)
class Surroundings:
    """What a bed stands in. system: units that judgements are told in. handful_kg: the gardener's handful of meal.

    plot: the measured ground in the plan's words, where it was measured. normals: of the twelve months, nothing where
    none are known. latitude_deg: where it is known [degrees]. climate_said: what the climate is guessed from, where it
    is. garden: in the plan's words, with what else is known of the place. beside: beds of the garden that lie over
    others or under them, by key. sources: where boards and bricks come from. seen: what the log says of
    each bed's surface, by key. crops: that beds may name, by key. paths_of: the plot whose paths lead through a bed
    where the plot itself takes no part.
    """

    system: System
    year: Year = field(default_factory=Year)
    handful_kg: float | None = None
    plot: Plot | None = None
    normals: tuple[MonthNormals, ...] = ()
    latitude_deg: float | None = None
    climate_said: str | None = None
    garden: Garden | None = None
    beside: Mapping[str, Bed] = field(default_factory=dict)
    sources: Sources = field(default_factory=Sources)
    seen: Mapping[str, SeenOfBed] = field(default_factory=dict)
    crops: Mapping[str, Crop] = field(default_factory=standard_crops)
    paths_of: Plot | None = None

    @cached_property
    def hot_day_mm(self) -> float:
        """Reference evapotranspiration of a hot day there [mm]."""
        return hot_day_evaporation(self.usual_months, self.latitude_deg)

    @cached_property
    def usual_months(self) -> tuple[MonthNormals, ...]:
        """The garden's months, or usual ones round its mean temperature where it gave none."""
        return self.normals or usual_normals(self.year.mean_temp_c, self.latitude_deg)

    @cached_property
    def weather(self) -> Weather:
        """Some years of the garden's weather, drawn from its months."""
        return _drawn(self.usual_months, self.latitude_deg)

    @cached_property
    def et0_mm(self) -> list[float]:
        """Reference evapotranspiration of a usual day of each month [mm]."""
        return monthly_evaporation(self.usual_months, self.latitude_deg)

    @cached_property
    def ground(self) -> Ground | None:
        """The measured ground as the rules take it, made when it is first looked at; None where there is none."""
        return None if self.plot is None else ground_of(self.plot)

    @cached_property
    def path_ground(self) -> BaseGeometry | None:
        """The ground that the plot's own paths take; None where it has none."""
        plot = self.plot or self.paths_of
        return path_ground_of(plot) if plot is not None and plot.paths else None

    def without_plot(self) -> Surroundings:
        """The surroundings of a bed figured alone: no plot, but its paths still lead through the bed."""
        return replace(self, plot=None, paths_of=self.plot)


SOME_YEARS = 30


@lru_cache(maxsize=16)
def _drawn(months: tuple[MonthNormals, ...], latitude_deg: float | None) -> Weather:
    return drawn_weather(months, latitude_deg, SOME_YEARS)


def latitude_of(garden: Garden) -> float | None:
    """A garden's latitude [degrees] as given; where only its half of the earth is known, or its frosts
    tell of the south, a usual one there.
    """
    if garden.latitude_deg is not None:
        return garden.latitude_deg
    if garden.hemisphere is not None:
        return -USUAL_LATITUDE_DEG if garden.hemisphere == "south" else USUAL_LATITUDE_DEG
    if garden.last_frost is None:
        return None
    return -USUAL_LATITUDE_DEG if ends_in_second_half(garden.last_frost) else None


def mean_temp_of(garden: Garden) -> float | None:
    """Mean temperature of a garden's year [degrees C] as given, else of its months; None where neither is known."""
    if garden.mean_temp_c is not None or garden.normals is None:
        return garden.mean_temp_c
    return _mean_of_year(_means_of(garden.normals))


def monthly_temps_of(garden: Garden) -> tuple[float, ...]:
    """Mean temperatures of a garden's months [degrees C], nothing where none are known.

    Where a mean of the year is given beside normals that come to another, the months are moved to it.
    """
    if garden.normals is None:
        return ()
    means = _means_of(garden.normals)
    off = 0.0 if garden.mean_temp_c is None else garden.mean_temp_c - _mean_of_year(means)
    return tuple(each + off for each in means)


def _means_of(normals: Sequence[Normals]) -> list[float]:
    return [(each.tmin_c + each.tmax_c) / 2 for each in normals]


def _mean_of_year(temps_c: Sequence[float]) -> float:
    days = [monthrange(COMMON_YEAR, month)[1] for month in range(1, 13)]
    return sum(n * each for n, each in zip(days, temps_c, strict=True)) / sum(days)


def climate_basis(garden: Garden) -> str | None:
    """What a garden's warmth and rain are guessed from; None where its own normals are known."""
    if garden.normals is not None and garden.typical_climate is None:
        return None
    if garden.normals is not None and garden.typical_climate is not None:
        typical = CLIMATES[garden.typical_climate]
        return (
            f"Warmth and rain are those of a typical climate, {typical.name.lower()} ({typical.koppen}), not measured."
        )
    system = System(garden.units)
    if garden.mean_temp_c is not None:
        said = show_temperature(garden.mean_temp_c, system)
        return f"The seasons and the rain are guessed round a mean of {said}: choose a climate or enter your own."
    usual = show_temperature(REFERENCE_C, system)
    return f"No climate is entered: {usual} in the mean and even rain are taken, which may be far off."


def surroundings_of(
    garden: Garden,
    today: date | None = None,
    beside: Mapping[str, Bed] | None = None,
    sources: Sources | None = None,
    seen: Mapping[str, SeenOfBed] | None = None,
    crops: Mapping[str, Crop] | None = None,
) -> Surroundings:
    """What a garden's beds share. today: stands in for a day of filling that isn't given. beside: beds that lie over
    others or under them, by key. sources: where boards come from. crops: that beds may name, those of the shelf where
    none are given.
    """
    year = garden_year(
        mean_temp_of(garden),
        garden.last_frost,
        garden.first_frost,
        latitude_of(garden),
        today,
        monthly_temps_of(garden),
    )
    normals = tuple(MonthNormals(**each.model_dump()) for each in garden.normals or ())
    return Surroundings(
        System(garden.units),
        year,
        garden.handful_kg,
        garden.plot,
        normals,
        latitude_of(garden),
        climate_basis(garden),
        garden,
        beside or {},
        sources or Sources(),
        seen or {},
        crops or standard_crops(),
    )
