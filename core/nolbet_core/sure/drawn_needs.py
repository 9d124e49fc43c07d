"""What a garden needs and what that costs, many times over."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from datetime import date
from typing import Protocol

import numpy as np

from nolbet_core.built.worked import WorkedBed
from nolbet_core.draws.each import as_draws
from nolbet_core.draws.inputs import Inputs
from nolbet_core.draws.shapes import Drawn
from nolbet_core.haul.certainty import LABEL, LOAD_SD, DrawnNeed
from nolbet_core.haul.needs import Need
from nolbet_core.haul.offers import TOLERANCE_M3, BagOffer, BulkOffer, Line, Supplier, drops_for, goods_of
from nolbet_core.record import record
from nolbet_core.shelf.material import Material
from nolbet_core.stack.layers import Bulk, Standing
from nolbet_core.sure.drawn_bed import DrawnBed
from nolbet_core.sure.drawn_shelf import DrawnShelf

PRICE_SD_A_YEAR = 0.06
"""How far a price has moved after a year, standard deviation as a share of it (estimate)."""

UNKNOWN_AGE_YEARS = 1.0
"""How old a price is taken to be that doesn't say of which day it is [years]."""

DAYS_A_YEAR = 365.25


@record
class DrawnGarden:
    """What all draws of a garden rest on. checked: materials all of whose bags on sale were measured.

    weighed: materials that are sold loose by weight alone, so that a load brings what was ordered.
    """

    inputs: Inputs
    shelf: DrawnShelf
    materials: Mapping[str, Material]
    checked: frozenset[str]
    weighed: frozenset[str]


@record
class DrawnForHaul:
    """Needs by material as they may turn out, and all inputs that they rest on."""

    needs: Mapping[str, DrawnNeed]
    inputs: Inputs


def drawn_for_haul(
    needs: Sequence[Need],
    beds: Sequence[WorkedBed],
    materials: Mapping[str, Material],
    suppliers: Sequence[Supplier],
    inputs: Inputs,
) -> DrawnForHaul:
    """Needs of a garden's beds as they may turn out. suppliers: whose bags may have been measured."""
    shelf = DrawnShelf(inputs)
    garden = DrawnGarden(inputs, shelf, materials, checked_in(suppliers), weighed_in(suppliers))
    drawn = [DrawnBed(each, shelf, inputs, materials) for each in beds]
    return DrawnForHaul({each.need.material: each for each in drawn_needs(needs, drawn, garden)}, inputs)


def checked_in(suppliers: Sequence[Supplier]) -> frozenset[str]:
    """Materials all of whose bags on sale were measured."""
    bags = [offer for supplier in suppliers for offer in supplier.offers if isinstance(offer, BagOffer)]
    return frozenset(each.material for each in bags) - frozenset(each.material for each in bags if not each.checked)


def weighed_in(suppliers: Sequence[Supplier]) -> frozenset[str]:
    """Materials that all who sell them loose sell by weight."""
    loose = [offer for supplier in suppliers for offer in supplier.offers if isinstance(offer, BulkOffer)]
    by_volume = frozenset(each.material for each in loose if each.kg_per_m3 is None)
    return frozenset(each.material for each in loose) - by_volume


def drawn_needs(needs: Sequence[Need], beds: Sequence[DrawnBed], garden: DrawnGarden) -> list[DrawnNeed]:
    """Every loose need as it may turn out."""
    by_key = {each.worked.bed.key: each for each in beds}
    loose = [need for need in needs if not (need.covers or need.stretches or need.boxes or need.boards)]
    return [_drawn_need(need, by_key, garden) for need in loose]


def _drawn_need(need: Need, beds: Mapping[str, DrawnBed], garden: DrawnGarden) -> DrawnNeed:
    material, draws = garden.materials[need.material], garden.inputs.draws
    looser = garden.shelf.of(material).loose_factor / material.loose_factor
    loose_m3 = np.zeros(draws)
    for share in need.shares:
        bed = beds.get(share.bed)
        loose_m3 = loose_m3 + share.loose_m3 * (times_of(bed, material, draws) if bed else 1.0)
    to_buy_m3 = np.maximum(loose_m3 * looser - need.stock_m3, 0.0)
    unsure = need.material not in garden.checked
    label = garden.inputs.uniform(f"label {need.material}", *LABEL) if unsure else np.ones(draws)
    load = np.exp(garden.inputs.normal(f"load {need.material}", 0.0 if need.material in garden.weighed else LOAD_SD))
    return DrawnNeed(need, to_buy_m3, label, load)


def times_of(bed: DrawnBed, material: Material, draws: int) -> Drawn:
    """How many times as much as planned a bed takes of a material: as its layers that hold it come to."""
    usual, drawn = 0.0, np.zeros(draws)
    for before, after in zip(bed.worked.filled.layers, bed.layers, strict=True):
        was, now = _held(before, material.key), _held(after, material.key)
        usual += was
        drawn = drawn + now
    return as_draws(1.0, draws) if usual <= 0 else drawn / usual


def _held(layer: Standing, key: str) -> float:
    """What a layer holds of a material, placed [m3]: all of it, what packs it, or its share of a mix."""
    if not isinstance(layer.asked, Bulk):
        return 0.0
    held = 0.0
    asked = [(layer.material, layer.placed_m3)]
    if layer.asked.infill:
        asked.append((layer.asked.infill.material, layer.infill_m3))
    for material, placed_m3 in asked:
        if material.key == key:
            held = held + placed_m3
        held = held + placed_m3 * sum(each.volume_share for each in material.parts if each.material.key == key)
    return held


class PricedOn(Protocol):
    """Says of which day a line's price is; None where that isn't known."""

    def __call__(self, line: Line) -> date | None: ...


def drawn_total(
    lines: Sequence[Line], needed: Sequence[DrawnNeed], priced_on: PricedOn, today: date | None, inputs: Inputs
) -> Drawn:
    """What a haul costs with its deliveries where so much of it is bought as each garden takes [currency].

    lines: of the haul. needed: what gardens take. priced_on: as it says. today: prices grow old until then; all are of
    an age where it isn't known.
    """
    by_material = {each.need.material: each for each in needed}
    bought: dict[str, float] = {}
    for line in lines:
        bought[line.material] = bought.get(line.material, 0.0) + line.volume_m3
    total = np.zeros(inputs.draws)
    for supplier in {line.supplier.key: line.supplier for line in lines}.values():
        own = [line for line in lines if line.supplier.key == supplier.key]
        aged = inputs.normal(f"price {supplier.key}", _age_sd(own, priced_on, today))
        goods = np.zeros(inputs.draws)
        for line in own:
            part = line.volume_m3 / bought[line.material] if bought[line.material] else 1.0
            goods = goods + _price(line, by_material.get(line.material), part) * (1 + aged)
        total = total + goods + float(_delivery(own))
    return total


def _age_sd(lines: Sequence[Line], priced_on: PricedOn, today: date | None) -> float:
    """How far a supplier's prices may have moved: with the root of the years, as steps of chance do."""
    return PRICE_SD_A_YEAR * float(np.sqrt(max(_age_years(priced_on(line), today) for line in lines)))


def _age_years(of: date | None, today: date | None) -> float:
    if of is None or today is None:
        return UNKNOWN_AGE_YEARS
    return max((today - of).days / DAYS_A_YEAR, 0.0)


def _delivery(lines: Sequence[Line]) -> float:
    supplier = lines[0].supplier
    if supplier.free_over is not None and goods_of(lines) >= supplier.free_over:
        return 0.0
    return float(supplier.delivery * drops_for(lines))


def _price(line: Line, needed: DrawnNeed | None, part: float) -> Drawn | float:
    """What a line costs where a garden takes more or less of it. part: of all that is bought of its material [0-1]."""
    offer = line.offer
    if needed is None:
        return float(line.price)
    if isinstance(offer, BagOffer):
        counts = np.ceil((part * needed.in_bags_m3 - TOLERANCE_M3) / offer.volume_m3)
        return np.maximum(counts, 0.0) * float(line.price) / max(line.count or 1, 1)
    if isinstance(offer, BulkOffer):
        wanted = np.maximum(part * needed.to_buy_m3, offer.minimum_m3)
        if offer.step_m3 is not None:
            wanted = np.ceil((wanted - TOLERANCE_M3) / offer.step_m3) * offer.step_m3
        return wanted * (float(line.price) / line.volume_m3 if line.volume_m3 else float(offer.price_per_m3))
    return float(line.price)
