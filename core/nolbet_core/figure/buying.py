"""Needs and haul of a plan, in figures."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from decimal import Decimal

from nolbet_core.figure.figures import HaulFigures, HaulLine, NeedFigures, SupplierFigures
from nolbet_core.haul.choose import Chosen, choose
from nolbet_core.haul.needs import Need
from nolbet_core.haul.offers import (
    TOLERANCE_M3,
    BagOffer,
    Form,
    Line,
    Supplier,
    delivery_for,
)
from nolbet_core.shelf.material import Material


def need_figures(need: Need, materials: Mapping[str, Material]) -> NeedFigures:
    """A need in figures."""
    return NeedFigures(
        material=need.material,
        name=materials[need.material].name,
        placed_m3=need.placed_m3,
        loose_m3=need.loose_m3,
        stock_m3=need.stock_m3,
        to_buy_m3=need.to_buy_m3,
        area_m2=need.area_m2,
        mass_kg=need.mass_kg,
    )


def chosen_haul(needs: Sequence[Need], suppliers: Sequence[Supplier]) -> Chosen | None:
    """What to buy where for the needs; None where the garden knows no supplier."""
    return choose(_to_buy(needs), suppliers) if suppliers else None


def _to_buy(needs: Sequence[Need]) -> dict[str, float]:
    return {need.material: need.to_buy_m3 for need in needs if need.to_buy_m3 > TOLERANCE_M3}


def haul_figures(
    chosen: Chosen, needs: Sequence[Need], suppliers: Sequence[Supplier], materials: Mapping[str, Material]
) -> HaulFigures:
    """A chosen haul in figures, beside all in bags and all loose."""
    to_buy = _to_buy(needs)
    return HaulFigures(
        lines=[line_figures(line, materials) for line in chosen.lines],
        suppliers=_supplier_sums(chosen, suppliers),
        delivery=chosen.delivery,
        total=chosen.total,
        proven_optimal=False,
        all_bags_total=_total_in(to_buy, suppliers, "bag"),
        all_bulk_total=_total_in(to_buy, suppliers, "bulk"),
        unmet=list(chosen.unmet),
    )


def _total_in(to_buy: Mapping[str, float], suppliers: Sequence[Supplier], form: Form) -> Decimal | None:
    chosen = choose(to_buy, suppliers, (form,))
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
            )
        )
    return sums


def line_figures(line: Line, materials: Mapping[str, Material]) -> HaulLine:
    """One line of a haul in figures."""
    offer = line.offer
    return HaulLine(
        supplier=line.supplier.key,
        supplier_name=line.supplier.name,
        material=line.material,
        name=materials[line.material].name,
        form=line.form,
        count=line.count,
        volume_m3=line.volume_m3,
        bag_m3=offer.volume_m3 if isinstance(offer, BagOffer) else None,
        unit_price=offer.price if isinstance(offer, BagOffer) else offer.price_per_m3,
        fetch=offer.fetched,
        left_over_m3=line.left_over_m3,
        price=line.price,
    )
