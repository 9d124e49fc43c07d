"""The cheapest haul of a garden in figures, beside all in bags, all loose, one supplier alone and where bags end."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace
from decimal import Decimal

from nolbet_core.figure.buying import all_wanted, haul_figures
from nolbet_core.figure.buying_figures import HaulFigures
from nolbet_core.haul.best import Best, HeldLine, best_haul
from nolbet_core.haul.break_even import break_even
from nolbet_core.haul.choose import choose
from nolbet_core.haul.needs import Need
from nolbet_core.haul.offers import LOOSE_FORMS, Form, Line, Supplier
from nolbet_core.haul.wanted import Wanted
from nolbet_core.record import record
from nolbet_core.shelf.material import Material

SHARE_OF_TIME = 0.5
"""Of the time there is, what the haul itself may take; the rest is for what stands beside it [0-1]."""


@record
class Asked:
    """What the cheapest haul is looked for with: needs, who offers what, boards that are bought anyway, woods that
    nobody offers, and lines held by hand.
    """

    needs: Sequence[Need]
    suppliers: Sequence[Supplier]
    boards: Sequence[Line]
    unpriced: Sequence[str]
    fixed: Sequence[HeldLine]


def best_figures(asked: Asked, materials: Mapping[str, Material], seconds: float) -> HaulFigures | None:
    """The cheapest haul; None where the garden knows no supplier. seconds: as long as it may take in all [s]."""
    if not asked.suppliers:
        return None
    wants = all_wanted(asked.needs)
    best = best_haul(wants, asked.suppliers, SHARE_OF_TIME * seconds, LOOSE_FORMS, asked.boards, asked.fixed)
    chosen = replace(best.chosen, unpriced=tuple(dict.fromkeys((*best.chosen.unpriced, *asked.unpriced))))
    lacking = {*chosen.unmet, *chosen.unpriced}
    met = [want for want in wants if want.material not in lacking]
    each_s = (1 - SHARE_OF_TIME) * seconds / (len(asked.suppliers) + 2)
    bought = dict.fromkeys(line.material for line in chosen.lines)
    return replace(
        haul_figures(chosen, asked.needs, asked.suppliers, materials),
        proven_optimal=best.proven_optimal,
        lower_bound=best.lower_bound,
        quick_total=choose(wants, asked.suppliers, LOOSE_FORMS, asked.boards).total,
        seconds=best.seconds,
        all_bags_total=_total(wants, asked, asked.suppliers, ("bag",), each_s),
        all_bulk_total=_total(wants, asked, asked.suppliers, ("bulk",), each_s),
        one_supplier_totals={
            each.key: _total(met, asked, [each], LOOSE_FORMS, each_s, alone=True) for each in asked.suppliers
        },
        break_even_m3={key: break_even(key, asked.suppliers) for key in bought},
        unkept=[f"{each.supplier} {each.material}" for each in best.unkept],
    )


def _total(
    wants: Sequence[Wanted], asked: Asked, suppliers: Sequence[Supplier], forms: Sequence[Form], seconds: float,
    *, alone: bool = False,
) -> Decimal | None:  # fmt: skip
    """What all costs in some forms or from some suppliers; None where something can't be had so."""
    if alone and any(line.supplier.key != suppliers[0].key for line in asked.boards):
        return None
    found: Best = best_haul(wants, suppliers, seconds, forms, asked.boards)
    lacking = found.chosen.unmet or (alone and found.chosen.unpriced)
    return None if lacking else found.chosen.total
