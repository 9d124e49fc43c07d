"""From when a bed can be sown."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date
from functools import cached_property

from nolbet_core.climate.year import Year
from nolbet_core.planting.ready import Readiness, readiness
from nolbet_core.settling.clock import Clock
from nolbet_core.stack.fill import Filled


@dataclass(frozen=True)
class BedSowing:
    """A filled bed before its first crops. short_kg_m2: nitrogen the first season goes short of [kg/m2].

    below_m: how deep roots can go on into the ground [m]. clock: how fast things rot. built_on: day of filling.
    """

    filled: Filled
    school: str | None
    short_kg_m2: float
    below_m: float
    clock: Clock
    built_on: date | None
    year: Year

    @cached_property
    def ready(self) -> Readiness:
        """From when what may be sown."""
        return readiness(
            self.filled.layers,
            self.school,
            self.short_kg_m2,
            self.below_m,
            self.clock,
            self.built_on,
            self.year,
        )
