"""Choosing where each need is met: the cheaper of bags and bulk per material, deliveries counted once."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from decimal import Decimal

from nolbet_core.haul.offers import TOLERANCE_M3, Form, Line, Supplier, delivery_for, drops_for, line_for
from nolbet_core.record import record


@record
class Chosen:
    """A haul: its lines, their delivery, and the needs that nobody offers to meet (material keys)."""

    lines: tuple[Line, ...]
    delivery: Decimal
    unmet: tuple[str, ...]

    @property
    def total(self) -> Decimal:
        """All lines with their delivery."""
        return sum((line.price for line in self.lines), self.delivery)

    def drops(self, supplier_key: str) -> int:
        """Deliveries that one supplier makes."""
        return drops_for([line for line in self.lines if line.supplier.key == supplier_key])


def choose(
    needs_m3: Mapping[str, float], suppliers: Sequence[Supplier], forms: Sequence[Form] = ("bag", "bulk")
) -> Chosen:
    """Meet every need from one offer each, at the least cost found.

    needs_m3: loose volume to buy of each material [m3]. suppliers: who offers what. forms: which forms count.

    Each material starts with the offer that is cheapest with its own delivery; then each is moved where the whole
    becomes cheaper, until nothing moves. That is the least for each material beside the others, not proven the least of
    all: an optimum over all at once is a programme of its own.
    """
    ways = {
        material: [
            line_for(supplier, offer, need)
            for supplier in suppliers
            for offer in supplier.offers
            if offer.material == material
        ]
        for material, need in needs_m3.items()
        if need > TOLERANCE_M3
    }
    ways = {material: [line for line in lines if line.form in forms] for material, lines in ways.items()}
    unmet = tuple(material for material, lines in ways.items() if not lines)
    taken = {material: min(lines, key=_alone) for material, lines in ways.items() if lines}
    while _improve(taken, ways):
        pass
    lines = tuple(taken.values())
    return Chosen(lines, delivery_for(list(lines)), unmet)


def _alone(line: Line) -> tuple[Decimal, float]:
    return line.price + delivery_for([line]), line.left_over_m3


def _cost(lines: list[Line]) -> tuple[Decimal, float]:
    price = sum((line.price for line in lines), delivery_for(lines))
    return price, sum(line.left_over_m3 for line in lines)


def _improve(taken: dict[str, Line], ways: Mapping[str, list[Line]]) -> bool:
    moved = False
    for material, current in list(taken.items()):
        others = [line for key, line in taken.items() if key != material]
        best = _cheapest_beside(others, ways[material])
        if _cost([*others, best]) < _cost([*others, current]):
            taken[material] = best
            moved = True
    return moved


def _cheapest_beside(others: list[Line], lines: list[Line]) -> Line:
    return min(lines, key=lambda line: _cost([*others, line]))
