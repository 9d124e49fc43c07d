"""The cheapest haul of a garden in figures, beside all in bags, all loose, one supplier alone and where bags end."""

from __future__ import annotations

from collections.abc import Callable, Container, Mapping, Sequence
from dataclasses import replace
from decimal import Decimal
from typing import Protocol

import numpy as np

from nolbet_core.draws.bands import Ranked
from nolbet_core.figure.buying import all_wanted, haul_figures, with_woods
from nolbet_core.figure.buying_figures import HaulFigures, NarrowFigures
from nolbet_core.haul.best import Best, HeldLine, best_haul
from nolbet_core.haul.break_even import break_even
from nolbet_core.haul.certainty import DrawnNeed, Flags, share_of_each
from nolbet_core.haul.choose import choose, is_loose
from nolbet_core.haul.needs import Need
from nolbet_core.haul.offers import LOOSE_FORMS, Form, Line, Supplier
from nolbet_core.haul.wanted import Wanted
from nolbet_core.record import record
from nolbet_core.shelf.material import Material
from nolbet_core.sure.drawn_needs import DrawnForHaul
from nolbet_core.sure.sources import spreads_by_source

SHARE_OF_TIME = 0.5
"""Of the time there is, what the haul itself may take; the rest is for what stands beside it [0-1]."""


@record
class Asked:
    """What the cheapest haul is looked for with.

    needs, suppliers: what is wanted, and who offers what. boards: lines of boards that are bought anyway. unpriced:
    woods that nobody offers. short: woods that suppliers have too little of. fixed: lines held by hand. drawn: the
    needs as they may turn out. certainty: share of gardens in which it is to be enough.
    """

    needs: Sequence[Need]
    suppliers: Sequence[Supplier]
    boards: Sequence[Line]
    unpriced: Sequence[str]
    short: Sequence[str]
    fixed: Sequence[HeldLine]
    drawn: Callable[[], DrawnForHaul]
    certainty: float | None


class FiguresWatch(Protocol):
    """Looks on while the cheapest haul is looked for, in figures."""

    def bound(self, lower_bound: Decimal) -> None:
        """Told of what no haul costs less."""

    def better(self, haul: HaulFigures) -> None:
        """Told of a better haul than any before."""

    def ends(self) -> bool:
        """Whether to leave off and take the best so far."""


@record
class _InFigures:
    """Passes on to who looks on what is found, in figures."""

    asked: Asked
    materials: Mapping[str, Material]
    watch: FiguresWatch

    def bound(self, lower_bound: Decimal) -> None:
        """As it is found."""
        self.watch.bound(lower_bound)

    def better(self, best: Best) -> None:
        """As it is found, without what is worked out at the end."""
        self.watch.better(_figured(best, self.asked, self.materials))

    def ends(self) -> bool:
        """As who looks on says."""
        return self.watch.ends()


def best_figures(
    asked: Asked, materials: Mapping[str, Material], seconds: float, watch: FiguresWatch | None = None
) -> HaulFigures | None:
    """The cheapest haul; None where the garden knows no supplier.

    seconds: as long as it may take in all [s]. watch: looks on, and may end it sooner.
    """
    if not asked.suppliers:
        return None
    all_drawn = asked.drawn()
    drawn = all_drawn.needs
    wants = _for_certainty(all_wanted(asked.needs), drawn, asked)
    looked = _InFigures(asked, materials, watch) if watch else None
    best = best_haul(wants, asked.suppliers, SHARE_OF_TIME * seconds, LOOSE_FORMS, asked.boards, asked.fixed, looked)
    figured = _figured(best, asked, materials)
    if watch and watch.ends():
        return figured
    chosen = best.chosen
    lacking = {*figured.unmet, *figured.unpriced}
    met = [want for want in wants if want.material not in lacking]
    each_s = (1 - SHARE_OF_TIME) * seconds / (len(asked.suppliers) + 2)
    bought = dict.fromkeys(line.material for line in chosen.lines)
    enough = {key: _enough(need, chosen.lines, key) for key, need in drawn.items() if key in bought}
    return replace(
        figured,
        quick_total=choose(wants, asked.suppliers, LOOSE_FORMS, asked.boards).total,
        all_bags_total=_total(wants, asked, asked.suppliers, ("bag",), each_s),
        all_bulk_total=_total(wants, asked, asked.suppliers, ("bulk",), each_s),
        one_supplier_totals={
            each.key: _total(met, asked, [each], LOOSE_FORMS, each_s, alone=True) for each in asked.suppliers
        },
        holding_costs=_holding(figured, wants, asked, each_s),
        break_even_m3={key: break_even(key, asked.suppliers) for key in bought},
        narrows=_narrows(all_drawn, bought),
        enough={key: float(np.mean(flags)) for key, flags in enough.items()},
        enough_together=float(np.mean(np.logical_and.reduce(list(enough.values())))) if enough else None,
    )


def cheapest_figures(asked: Asked, materials: Mapping[str, Material], seconds: float) -> HaulFigures | None:
    """The cheapest haul as best_figures tells it, without what it is held against."""
    if not asked.suppliers:
        return None
    wants = all_wanted(asked.needs)
    if asked.certainty is not None:
        wants = _for_certainty(wants, asked.drawn().needs, asked)
    best = best_haul(wants, asked.suppliers, seconds, LOOSE_FORMS, asked.boards, asked.fixed)
    return _figured(best, asked, materials)


def _figured(best: Best, asked: Asked, materials: Mapping[str, Material]) -> HaulFigures:
    """A haul that was found, in figures, without what stands beside it."""
    chosen = with_woods(best.chosen, asked.unpriced, asked.short)
    return replace(
        haul_figures(chosen, asked.needs, asked.suppliers, materials),
        proven_optimal=best.proven_optimal,
        lower_bound=best.lower_bound,
        seconds=best.seconds,
        unkept=[f"{each.supplier} {each.material}" for each in best.unkept],
        certainty=asked.certainty,
    )


def _holding(figured: HaulFigures, wants: Sequence[Wanted], asked: Asked, seconds: float) -> Decimal | None:
    """What lines held by hand cost beside the haul that nothing holds; None where none are held."""
    if not asked.fixed:
        return None
    free = best_haul(wants, asked.suppliers, seconds, LOOSE_FORMS, asked.boards)
    return max(figured.total - free.chosen.total, Decimal(0))


def _for_certainty(wants: Sequence[Wanted], drawn: Mapping[str, DrawnNeed], asked: Asked) -> list[Wanted]:
    """Wants as large as it takes for all of them to be enough at once; as they are where no certainty is chosen."""
    loose = {want.material: drawn[want.material] for want in wants if is_loose(want) and want.material in drawn}
    if asked.certainty is None or not loose:
        return list(wants)
    offered = [(offer.material, offer.form) for supplier in asked.suppliers for offer in supplier.offers]
    forms = {key: sorted({form for material, form in offered if material == key}) for key in loose}
    share = share_of_each(loose, forms, asked.certainty)
    return [
        _for_share(want, loose[want.material], share) if want.material in loose and is_loose(want) else want
        for want in wants
    ]


def _for_share(want: Wanted, need: DrawnNeed, share: float) -> Wanted:
    """A loose want as it is enough in a share of gardens."""
    loose_m3, bags_m3 = need.for_share(share), need.bags_for_share(share)
    return replace(want, volume_m3=loose_m3, bag_share=loose_m3 / bags_m3 if bags_m3 > 0 else 1.0)


def _narrows(drawn: DrawnForHaul, bought: Container[str]) -> dict[str, NarrowFigures]:
    """What takes most of the spread of each need that is bought, of those that have any."""
    ranked = Ranked(drawn.inputs.asked)
    found = {}
    for key, need in drawn.needs.items():
        spreads = spreads_by_source(ranked.shares(need.in_bags_m3)) if key in bought else []
        if spreads:
            found[key] = NarrowFigures(spreads[0].source, min(spreads[0].share, 1.0))
    return found


def _enough(need: DrawnNeed, lines: Sequence[Line], material: str) -> Flags:
    """True in each garden where what is bought of a material is enough."""
    own = [line for line in lines if line.material == material]
    in_bags = sum(line.volume_m3 for line in own if line.form == "bag")
    return need.is_enough(sum(line.volume_m3 for line in own) - in_bags, in_bags)


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
