"""What all beds of a garden share: its units, its year, its ground."""

from __future__ import annotations

from dataclasses import dataclass, field
from datetime import date
from functools import cached_property

from nolbet_core.built.ground import ground_of
from nolbet_core.climate.year import Year, garden_year
from nolbet_core.plan.garden import Garden
from nolbet_core.plan.plot import Plot
from nolbet_core.plot.ground import Ground
from nolbet_core.quantities.units import System


@dataclass(frozen=True)
class Surroundings:
    """What a bed stands in. system: units that judgements are told in. handful_kg: the gardener's handful of meal.

    plot: the measured ground in the plan's words, where it was measured.
    """

    system: System
    year: Year = field(default_factory=Year)
    handful_kg: float | None = None
    plot: Plot | None = None

    @cached_property
    def ground(self) -> Ground | None:
        """The measured ground as the rules take it, made when it is first looked at; None where there is none."""
        return None if self.plot is None else ground_of(self.plot)


def surroundings_of(garden: Garden, today: date | None = None) -> Surroundings:
    """What a garden's beds share. today: stands in for a day of filling that isn't given."""
    year = garden_year(garden.mean_temp_c, garden.last_frost, garden.first_frost, garden.latitude_deg, today)
    return Surroundings(System(garden.units), year, garden.handful_kg, garden.plot)
