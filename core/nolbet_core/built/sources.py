"""Where a garden's boards and bricks come from: what suppliers offer, the boards on hand, and how they are cut."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from nolbet_core.built.bought import boards_on_hand
from nolbet_core.built.buying import supplier_of
from nolbet_core.haul.lengths import BoardSection, lengths_offered
from nolbet_core.haul.offers import SAME_M, Supplier
from nolbet_core.plan.frame import Cutting
from nolbet_core.plan.garden import Plan, Stock
from nolbet_core.plan.offers import PlanSupplier
from nolbet_core.quantities.units import FOOT_M, System
from nolbet_core.record import record
from nolbet_core.shelf.material import Material

USUAL_LENGTHS_M: dict[System, tuple[float, ...]] = {
    System.FT_IN: tuple(round(feet * FOOT_M, 6) for feet in (8, 10, 12, 14, 16)),
    System.METRIC: (2.4, 3.0, 3.6, 4.2, 4.8),
}
"""Lengths that boards are sold in where no supplier says [m]."""

WORTH_KEEPING_M: dict[System, float] = {System.FT_IN: FOOT_M, System.METRIC: 0.3}
"""Length from which an offcut is kept as stock [m]."""


@record
class Sources:
    """Suppliers, the boards on hand, how boards are cut, and the units that say which lengths are usual."""

    suppliers: tuple[Supplier, ...] = ()
    boards: tuple[Stock, ...] = ()
    cutting: Cutting = Cutting()
    system: System = System.METRIC

    @property
    def usual_lengths_m(self) -> tuple[float, ...]:
        """Lengths that boards are sold in where no supplier says [m]."""
        return USUAL_LENGTHS_M[self.system]


def boards_in(section: BoardSection, stock: Sequence[Stock]) -> list[Stock]:
    """The boards on hand of a wood and section."""
    material, thick_m, wide_m = section
    return [
        entry
        for entry in stock
        if entry.is_boards
        and entry.material == material
        and abs((entry.thickness_m or 0.0) - thick_m) < SAME_M
        and abs((entry.width_m or 0.0) - wide_m) < SAME_M
    ]


def lengths_known(section: BoardSection, sources: Sources) -> tuple[float, ...]:
    """Lengths of a section that are on sale or lie on hand, straight from end to end [m]."""
    offered = {each.length_m for each in lengths_offered(section, sources.suppliers)}
    lying = {each.length_m for each in boards_in(section, sources.boards) if each.length_m and each.usable_m is None}
    return tuple(sorted(offered | lying))


def sources_of(plan: Plan, materials: Mapping[str, Material]) -> Sources:
    """Where a plan's boards come from. materials: by key."""
    system = System(plan.garden.units)
    return gather_sources(plan.suppliers, boards_on_hand(plan), plan.cutting, materials, system)


def gather_sources(
    suppliers: Sequence[PlanSupplier],
    stock: Sequence[Stock],
    cutting: Cutting,
    materials: Mapping[str, Material],
    system: System,
) -> Sources:
    """As sources_of, of what a plan is made of."""
    found = tuple(supplier_of(entry, materials) for entry in suppliers)
    return Sources(found, tuple(each for each in stock if each.is_boards), cutting, system)
