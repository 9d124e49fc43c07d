"""Choosing where each need is met: the cheapest of what is offered per thing, deliveries counted once."""

from __future__ import annotations

from collections.abc import Sequence
from decimal import Decimal

from nolbet_core.haul.offers import (
    LOOSE_FORMS,
    TOLERANCE_M3,
    Form,
    Line,
    Supplier,
    delivery_for,
    drops_for,
    line_for,
)
from nolbet_core.haul.wanted import Wanted
from nolbet_core.record import record


@record
class Chosen:
    """A haul: its lines, their delivery, and what nobody offers to meet (keys).

    unpriced: sheets, pipes and crates that nobody offers; they are often at hand, and silence nothing.
    """

    lines: tuple[Line, ...]
    delivery: Decimal
    unmet: tuple[str, ...]
    unpriced: tuple[str, ...] = ()

    @property
    def total(self) -> Decimal:
        """All lines with their delivery."""
        return sum((line.price for line in self.lines), self.delivery)

    def drops(self, supplier_key: str) -> int:
        """Deliveries that one supplier makes."""
        return drops_for([line for line in self.lines if line.supplier.key == supplier_key])


def choose(
    wants: Sequence[Wanted], suppliers: Sequence[Supplier], forms: Sequence[Form] = LOOSE_FORMS,
    beside: Sequence[Line] = (),
) -> Chosen:  # fmt: skip
    """Meet everything wanted from one offer each, at the least cost found.

    wants: what is to be bought. suppliers: who offers what. forms: how loose material may come. beside: lines that are
    bought whatever is chosen, as boards are.

    Each thing starts with the offer that is cheapest with its own delivery; then each is moved where the whole becomes
    cheaper, until nothing moves. That is the least for each thing beside the others, not proven the least of all: an
    optimum over all at once is a programme of its own.
    """
    asked = [want for want in wants if not is_loose(want) or want.volume_m3 > TOLERANCE_M3]
    ways = [_ways(want, suppliers, forms) for want in asked]
    taken = {index: min(lines, key=_alone) for index, lines in enumerate(ways) if lines}
    # one thing alone is as cheap as it gets
    while (len(taken) > 1 or beside) and _improve(taken, ways, beside):
        pass
    lacking = [want for want, lines in zip(asked, ways, strict=True) if not lines]
    lines = (*beside, *taken.values())
    return Chosen(
        lines,
        delivery_for(lines),
        tuple(want.material for want in lacking if is_loose(want)),
        tuple(dict.fromkeys(want.material for want in lacking if not is_loose(want))),
    )


def is_loose(want: Wanted) -> bool:
    """Whether it is bought by its loose volume."""
    return not (want.covers or want.stretches or want.boxes)


def _ways(want: Wanted, suppliers: Sequence[Supplier], forms: Sequence[Form]) -> list[Line]:
    lines = [
        line_for(supplier, offer, want)
        for supplier in suppliers
        for offer in supplier.offers
        if offer.material == want.material
    ]
    return [line for line in lines if line is not None and (line.form in forms or line.form not in LOOSE_FORMS)]


def _alone(line: Line) -> tuple[Decimal, float]:
    return line.price + delivery_for([line]), line.left_over_m3


def _cost(lines: list[Line]) -> tuple[Decimal, float]:
    price = sum((line.price for line in lines), delivery_for(lines))
    return price, sum(line.left_over_m3 for line in lines)


def _improve(taken: dict[int, Line], ways: Sequence[list[Line]], beside: Sequence[Line]) -> bool:
    moved = False
    for index, current in list(taken.items()):
        others = [*beside, *(line for key, line in taken.items() if key != index)]
        best = _cheapest_beside(others, ways[index])
        if _cost([*others, best]) < _cost([*others, current]):
            taken[index] = best
            moved = True
    return moved


def _cheapest_beside(others: list[Line], lines: list[Line]) -> Line:
    return min(lines, key=lambda line: _cost([*others, line]))
