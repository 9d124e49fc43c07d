"""The ledger of a fill: the matter of each layer on any later day, what has rotted away and where fines have run.

Nothing appears, and nothing vanishes but what rots: mineral solids stay, organic ones go by their own rates, and the
nitrogen of what rots is set free. Fines that run down take their matter with them from one layer into another.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import replace

from nolbet_core.record import record
from nolbet_core.settling.accounts import RAN_BY_MONTH, RUNS_DOWN
from nolbet_core.settling.clock import Clock, rotted_years
from nolbet_core.shelf.densities import rotting_share
from nolbet_core.shelf.material import Material
from nolbet_core.stack.contents import Held, held_in
from nolbet_core.stack.fill import Filled


@record
class Matter:
    """Dry matter of one plain material in a layer by then [kg].

    mineral_kg, organic_kg: its solids, by what can rot. carbon_kg, nitrogen_kg: that are left in it. freed_kg: nitrogen
    set free so far by what has rotted.
    """

    material: Material
    mineral_kg: float
    organic_kg: float
    carbon_kg: float
    nitrogen_kg: float
    freed_kg: float

    @property
    def solids_kg(self) -> float:
        """All its dry matter [kg]."""
        return self.mineral_kg + self.organic_kg


def matter_after(held: Held, rotted_years: float) -> Matter:
    """What is left of a dry mass after so long, told in years moist at 12 degrees C.

    Organic solids, carbon and nitrogen all go by exp(-k t) down to the share that stays; minerals do not.
    """
    material = held.material
    stays = material.settling[1]
    left = stays + (1 - stays) * math.exp(-material.decay_per_year * rotted_years)
    organic = rotting_share(material.carbon) * held.dry_kg
    nitrogen = held.dry_kg * material.nitrogen
    return Matter(
        material=material,
        mineral_kg=held.dry_kg - organic,
        organic_kg=organic * left,
        carbon_kg=held.dry_kg * material.carbon * left,
        nitrogen_kg=nitrogen * left,
        freed_kg=nitrogen * (1 - left),
    )


def matter_by_layer(filled: Filled, clock: Clock, month: int) -> list[tuple[Matter, ...]]:
    """The matter of each layer after some months (0 to 120), bottom to top, with what packs it and has run into it.

    clock: how fast things rot there. Of the fines that could run down the usual share does.
    """
    rotted = float(rotted_years(clock)[month])
    now = [[matter_after(held, rotted) for held in held_in(layer)] for layer in filled.layers]
    ran = RUNS_DOWN[1] * float(RAN_BY_MONTH[month])
    gone = [1.0] * len(now)
    moved: list[list[Matter]] = [[] for _ in now]
    for run in filled.runs:
        share = ran * run.volume_m3 / filled.layers[run.donor].placed_m3
        gone[run.donor] -= share
        moved[run.receiver] += [_part(each, share) for each in now[run.donor][: _own_count(filled, run.donor)]]
    return [(*_less(filled, index, now[index], gone[index]), *moved[index]) for index in range(len(now))]


def _own_count(filled: Filled, index: int) -> int:
    """How many of a layer's plain materials are its own; what packs it and what is scattered on it come after."""
    return len(filled.layers[index].material.parts) or 1


def _less(filled: Filled, index: int, matter: Sequence[Matter], share: float) -> Iterator[Matter]:
    own = _own_count(filled, index)
    yield from (_part(each, share) for each in matter[:own])
    yield from matter[own:]


def _part(matter: Matter, share: float) -> Matter:
    return replace(
        matter,
        mineral_kg=matter.mineral_kg * share,
        organic_kg=matter.organic_kg * share,
        carbon_kg=matter.carbon_kg * share,
        nitrogen_kg=matter.nitrogen_kg * share,
        freed_kg=matter.freed_kg * share,
    )
