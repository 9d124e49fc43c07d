"""Needs and haul of a plan, in figures."""

from __future__ import annotations

from collections import Counter
from collections.abc import Mapping, Sequence
from dataclasses import replace
from datetime import date
from decimal import Decimal

from nolbet_core.built.names import name_of
from nolbet_core.figure.buying_figures import (
    BagFigures,
    By,
    HaulFigures,
    HaulLine,
    LengthFigures,
    NeedFigures,
    RollFigures,
    ShareFigures,
    StripFigures,
    SupplierFigures,
)
from nolbet_core.haul.bags import USUAL_BAGS_M3, is_bagged, usual_bags
from nolbet_core.haul.choose import Chosen, choose
from nolbet_core.haul.cut import cut_rolls
from nolbet_core.haul.needs import Need
from nolbet_core.haul.needs import Share as NeedShare
from nolbet_core.haul.offers import (
    BagOffer,
    BulkOffer,
    Form,
    Line,
    Offer,
    PieceOffer,
    RollOffer,
    Supplier,
    bags_for,
    delivery_for,
)
from nolbet_core.haul.set_down import footprint
from nolbet_core.haul.wanted import Wanted
from nolbet_core.shelf.material import Material
from nolbet_core.shelf.timber import TIMBER

PATHS_NAME = "The paths"


def need_figures(
    need: Need,
    materials: Mapping[str, Material],
    titles: Mapping[str, str],
    coming: Sequence[tuple[date, float]] = (),
) -> NeedFigures:
    """A need in figures. titles: what the beds are called. coming: heaps that are ready later, the first first [m3]."""
    material = materials.get(need.material)
    loose = not (need.covers or need.stretches or need.boxes or need.boards)
    left = need.to_buy_m3 / need.loose_m3 if need.loose_m3 > 0 else 1.0
    return NeedFigures(
        material=need.material,
        name=name_of(need.material, materials),
        placed_m3=need.placed_m3,
        loose_m3=need.loose_m3,
        stock_m3=need.stock_m3,
        to_buy_m3=need.to_buy_m3,
        area_m2=need.area_m2,
        mass_kg=need.mass_kg,
        by=_by(need, material),
        to_buy_kg=need.mass_kg * left,
        bagged=loose and material is not None and is_bagged(material),
        bags=[BagFigures(each.volume_m3, each.count) for each in usual_bags(need.to_buy_m3)] if loose else [],
        lengths=_lengths(need),
        units=sum(box.count for box in need.boxes),
        coming_m3=sum(volume for _, volume in coming),
        coming_on=coming[0][0] if coming else None,
        beds=[_share(each, titles, loose) for each in need.shares],
    )


def _lengths(need: Need) -> list[LengthFigures]:
    pipes = [LengthFigures(each.length_m, each.count, each.diameter_m) for each in need.stretches]
    counts: Counter[tuple[float, float, float]] = Counter()
    for each in need.boards:
        counts[each.thickness_m, each.width_m, each.length_m] += each.count
    boards = [
        LengthFigures(length_m, count, None, thick_m, wide_m) for (thick_m, wide_m, length_m), count in counts.items()
    ]
    return [*pipes, *boards]


def _by(need: Need, material: Material | None) -> By:
    if need.stretches or need.boards:
        return "length"
    if need.boxes:
        return "units"
    if need.covers:
        return "area"
    return "mass" if material is not None and material.group == "meal" else "volume"


def _share(share: NeedShare, titles: Mapping[str, str], loose: bool) -> ShareFigures:
    sizes = [size for sizes in USUAL_BAGS_M3.values() for size in sizes] if loose else []
    return ShareFigures(
        bed=share.bed,
        name=titles.get(share.bed, PATHS_NAME),
        placed_m3=share.placed_m3,
        loose_m3=share.loose_m3,
        area_m2=share.area_m2,
        mass_kg=share.mass_kg,
        bags=[bags_for(share.loose_m3, size) for size in sizes],
    )


def chosen_haul(
    needs: Sequence[Need],
    suppliers: Sequence[Supplier],
    boards: Sequence[Line] = (),
    unpriced: Sequence[str] = (),
    short: Sequence[str] = (),
) -> Chosen | None:
    """What to buy where for the needs; None where the garden knows no supplier.

    boards: lines of boards to cut. unpriced: woods that nobody offers. short: woods that suppliers have too little of.
    """
    if not suppliers:
        return None
    return with_woods(choose(all_wanted(needs), suppliers, beside=boards), unpriced, short)


def with_woods(chosen: Chosen, unpriced: Sequence[str], short: Sequence[str]) -> Chosen:
    """A choice that also names woods that nobody offers, and woods that suppliers have too little of."""
    return replace(
        chosen,
        unpriced=tuple(dict.fromkeys((*chosen.unpriced, *unpriced))),
        unmet=tuple(dict.fromkeys((*chosen.unmet, *short))),
    )


def all_wanted(needs: Sequence[Need]) -> list[Wanted]:
    """What is to be bought of all needs."""
    return [wanted for need in needs for wanted in need.wanted()]


def haul_figures(
    chosen: Chosen, needs: Sequence[Need], suppliers: Sequence[Supplier], materials: Mapping[str, Material]
) -> HaulFigures:
    """A chosen haul in figures, beside all in bags and all loose."""
    wants = all_wanted(needs)
    boards = [line for line in chosen.lines if line.material in TIMBER]
    return HaulFigures(
        lines=[line_figures(line, materials) for line in chosen.lines],
        suppliers=_supplier_sums(chosen, suppliers),
        delivery=chosen.delivery,
        total=chosen.total,
        proven_optimal=False,
        all_bags_total=_total_in(wants, suppliers, "bag", boards),
        all_bulk_total=_total_in(wants, suppliers, "bulk", boards),
        lower_bound=None,
        quick_total=None,
        seconds=None,
        one_supplier_totals={},
        break_even_m3={},
        unkept=[],
        holding_costs=None,
        certainty=None,
        enough={},
        enough_together=None,
        narrows={},
        batches=[],
        trips=[],
        least_trips=None,
        spent=[],
        spent_total=Decimal(0),
        budget=None,
        over_budget=None,
        unmet=list(chosen.unmet),
        unpriced=list(chosen.unpriced),
    )


def _total_in(
    wants: Sequence[Wanted], suppliers: Sequence[Supplier], form: Form, boards: Sequence[Line]
) -> Decimal | None:
    chosen = choose(wants, suppliers, (form,), boards)
    return None if chosen.unmet else chosen.total


def _supplier_sums(chosen: Chosen, suppliers: Sequence[Supplier]) -> list[SupplierFigures]:
    sums = []
    for supplier in suppliers:
        own = [line for line in chosen.lines if line.supplier.key == supplier.key]
        if not own:
            continue
        delivery = delivery_for(own)
        sums.append(
            SupplierFigures(
                supplier=supplier.key,
                name=supplier.name,
                drops=chosen.drops(supplier.key),
                delivery=delivery,
                total=sum((line.price for line in own), delivery),
                footprint_m2=_footprint(own),
            )
        )
    return sums


def _footprint(lines: Sequence[Line]) -> float:
    """What of a supplier's delivered lines lies on the drive [m2]; what is fetched doesn't."""
    brought = [line for line in lines if not line.offer.fetched]
    loose = [line.volume_m3 for line in brought if isinstance(line.offer, BulkOffer)]
    return footprint(loose, sum(line.count or 0 for line in brought if isinstance(line.offer, BagOffer)))


def line_figures(line: Line, materials: Mapping[str, Material]) -> HaulLine:
    """One line of a haul in figures."""
    offer = line.offer
    bag = offer if isinstance(offer, BagOffer) else None
    piece = offer if isinstance(offer, PieceOffer) else None
    return HaulLine(
        supplier=line.supplier.key,
        supplier_name=line.supplier.name,
        material=line.material,
        name=name_of(line.material, materials),
        form="pack" if piece and piece.count > 1 else line.form,
        count=line.count,
        volume_m3=line.volume_m3,
        bag_m3=bag.volume_m3 if bag else None,
        bag_kg=bag.mass_kg if bag else None,
        size_m=_size(offer),
        diameter_m=piece.diameter_m if piece else None,
        in_pack=piece.count if piece and piece.count > 1 else None,
        unit_price=offer.price_per_m3 if isinstance(offer, BulkOffer) else offer.price,
        fetch=offer.fetched,
        left_over_m3=line.left_over_m3,
        price=line.price,
        rolls=_cut(offer, line),
        offer=offer.key,
    )


def _cut(offer: Offer, line: Line) -> list[RollFigures]:
    if not isinstance(offer, RollOffer):
        return []
    rolls = cut_rolls(line.covers, offer.width_m, offer.length_m) or []
    return [
        RollFigures([StripFigures(each.bed, each.length_m, each.width_m) for each in roll.strips], roll.left_m)
        for roll in rolls
    ]


def _size(offer: Offer) -> list[float]:
    """Length, width and height, of a board its thickness, as far as they are known [m]."""
    if isinstance(offer, RollOffer):
        return [offer.length_m, offer.width_m]
    if isinstance(offer, PieceOffer):
        sides = (offer.length_m, offer.width_m, offer.height_m, offer.thickness_m)
        return [each for each in sides if each is not None]
    return []
