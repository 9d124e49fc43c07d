"""From a wish to a recipe, in figures: the cheapest mix that fits, and one batch of it in whole bags."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from decimal import Decimal

from nolbet_core.blend.amounts import Amount, amounts_for
from nolbet_core.blend.batch import Bag, Batch, Heap, batch
from nolbet_core.blend.cheapest import Recipe, cheapest
from nolbet_core.blend.programme import FILL_ONLY, BandName, Component
from nolbet_core.blend.target import Target
from nolbet_core.built.bought import on_hand
from nolbet_core.built.buying import bag_volume, stock_of, suppliers_of
from nolbet_core.built.mixes import draft_mix, target_of
from nolbet_core.built.supplies import Supplies
from nolbet_core.figure.blend_figures import (
    BatchFigures,
    BoughtBag,
    ChangeFigures,
    CheapestFigures,
    MixFigures,
    WishedPart,
)
from nolbet_core.figure.mix_amounts import CENT, taken_figures
from nolbet_core.figure.mixing import figure_mix, unknown_soils
from nolbet_core.haul.unit_prices import unit_prices
from nolbet_core.plan.garden import Plan
from nolbet_core.plan.mix import MixPart, PlanMix, ShareLimit
from nolbet_core.plan.offers import BagOfferModel
from nolbet_core.plan.problems import PlanProblem, unknown_key
from nolbet_core.quantities.units import System
from nolbet_core.quantities.writing import show_money, show_unit_price
from nolbet_core.record import record
from nolbet_core.shelf.material import Material

MIXED = frozenset({"soil", "mineral", "organic"})
"""Groups of materials that soil is mixed from where the gardener names none, as far as their figures are known."""

OF_A_HUNDRED = 100.0
SLIVER = 1e-6

BAND_NAMES: Mapping[BandName, str] = {
    "air_filled": "air",
    "water_held": "water held",
    "ph": "pH",
    "c_to_n": "carbon to nitrogen",
    "rise_m": "how high it wicks",
    "compost_share": "the share of compost",
    "organic_matter": "organic matter",
    "limit": "a limit of a single material",
}


@record
class Wish:
    """What is asked for. entry: a mix with its target, whose recipe is what it is held against. materials: keys that
    may go in, None for all that are offered or on hand. volume_m3: loose, to be made. soil_over_water_m: of the bed.
    """

    entry: PlanMix
    materials: Sequence[str] | None
    volume_m3: float
    soil_over_water_m: float | None = None

    @property
    def target(self) -> Target:
        """Its bands."""
        return target_of(self.entry, self.soil_over_water_m)


def _check_volume(wish: Wish) -> None:
    if wish.volume_m3 <= 0:
        raise PlanProblem("volume_m3", "is nothing; say how much is to be mixed")


def figure_cheapest(plan: Plan, wish: Wish, supplies: Supplies) -> CheapestFigures:
    """The cheapest mix of what is offered and on hand that fits, by loose volume; the nearest miss where none does.

    What is on hand costs nothing, as far as it goes. Raises PlanProblem where a material isn't on the shelf.
    """
    _check_volume(wish)
    prices, stock = unit_prices(suppliers_of(plan, supplies.materials)), stock_of(on_hand(plan, supplies.materials))
    keys = _candidates(wish, supplies, prices, stock)
    components, aside = _components(keys, wish, supplies, prices, stock)
    found = cheapest(components, wish.target, wish.volume_m3)
    units, currency = System(plan.garden.units), plan.garden.currency
    before = _price_before(wish, supplies, prices, stock)
    if found is None:
        said = "Nothing of this can be mixed: choose materials whose figures are known."
        return CheapestFigures(False, said, [], None, before, [], [], [], aside, None)
    shares = _shares(found)
    entry = with_parts(wish.entry, shares)
    price = _cents(found.price_per_m3)
    return CheapestFigures(
        fits=not found.missed,
        message=_said(found, price, units, currency),
        parts=_wished(shares, supplies.materials),
        price_per_m3=price,
        before_per_m3=before,
        changes=_changes(wish.entry, shares, supplies),
        held_by=list(found.held_by),
        missed=list(found.missed),
        left_aside=aside,
        mix=_figured(entry, supplies, units, wish),
    )


def figure_batch(plan: Plan, wish: Wish, supplies: Supplies) -> BatchFigures:
    """One batch in whole bags, with what is on hand, for the least money before delivery.

    Raises PlanProblem where a material isn't on the shelf, or nothing is to be made.
    """
    _check_volume(wish)
    stock = stock_of(on_hand(plan, supplies.materials))
    offers = [(each, offer) for each in plan.suppliers for offer in each.offers if isinstance(offer, BagOfferModel)]
    keys = _candidates(wish, supplies, {offer.material: Decimal(0) for _, offer in offers}, stock)
    bags = [
        Bag(supplies.materials[offer.material], bag_volume(offer, supplies.materials), float(offer.price), index)
        for index, (_, offer) in enumerate(offers)
        if offer.material in keys
    ]
    heaps = [Heap(supplies.materials[key], stock[key]) for key in keys if key in stock]
    target, limits = wish.target, {each.material: (each.least, each.most) for each in _limits(wish.entry)}
    made = batch(bags, heaps, target, wish.volume_m3, limits)
    if made is None:
        said = (
            "No batch of these bags and heaps meets the bands: ask for the cheapest mix to see which stand in its way."
        )
        return BatchFigures(False, said, [], [], [], 0.0, 0.0, Decimal(0), False, None)
    bought = [
        BoughtBag(
            supplier.key, supplier.name or supplier.key, offer.material, supplies.materials[offer.material].name, count,
            bag_volume(offer, supplies.materials), offer.price * count,
        )
        for bag, count in zip(bags, made.counts, strict=True)
        if count
        for supplier, offer in (offers[bag.offer],)
    ]  # fmt: skip
    return _batch_figures(plan, wish, supplies, made, bought)


def _batch_figures(plan: Plan, wish: Wish, supplies: Supplies, made: Batch, bought: list[BoughtBag]) -> BatchFigures:
    stock, whole = stock_of(on_hand(plan, supplies.materials)), sum(made.volumes.values())
    taken = {key: Amount(volume, min(volume, stock.get(key, 0.0))) for key, volume in made.volumes.items()}
    shares = {key: volume / whole for key, volume in made.volumes.items()}
    total = sum((each.price for each in bought), Decimal(0))
    count = sum(each.count for each in bought)
    said = f"{count} {'bag' if count == 1 else 'bags'} for {show_money(total, plan.garden.currency)}."
    if count == 0:
        said = "What is on hand makes it: nothing has to be bought."
    if not made.proven:
        said += " Time ran out: there may be a cheaper one."
    return BatchFigures(
        fits=True,
        message=said,
        bags=bought,
        parts=_wished(shares, supplies.materials),
        taken=taken_figures(taken, supplies.materials, {}),
        made_m3=made.made_m3,
        left_m3=sum(made.left_m3.values()),
        total=total,
        proven=made.proven,
        mix=_figured(with_parts(wish.entry, shares), supplies, System(plan.garden.units), wish),
    )


def _candidates(wish: Wish, supplies: Supplies, prices: Iterable[str], stock: Mapping[str, float]) -> list[str]:
    """Keys of what may go in, each once; never the mix itself or what it is in."""
    if wish.materials is not None:
        for index, key in enumerate(wish.materials):
            if key not in supplies.materials:
                raise unknown_key(f"materials[{index}]", key, supplies.materials)
        return [key for key in dict.fromkeys(wish.materials) if not supplies.materials[key].is_sheet]
    there = {key: supplies.materials[key] for key in dict.fromkeys([*prices, *stock])}
    return [
        key
        for key, material in there.items()
        if material.group in MIXED
        and FILL_ONLY not in material.traits
        and key not in supplies.mixes
        and not unknown_soils([material])
    ]


def _components(
    keys: Sequence[str], wish: Wish, supplies: Supplies, prices: Mapping[str, Decimal], stock: Mapping[str, float]
) -> tuple[list[Component], list[str]]:
    """What may go in at which price, and names of what has to be left aside."""
    limits = {each.material: (each.least, each.most) for each in _limits(wish.entry)}
    components, aside = [], []
    for key in keys:
        material = supplies.materials[key]
        least, most = limits.get(key, (0.0, 1.0))
        if unknown_soils([material]) or FILL_ONLY in material.traits or (key not in prices and key not in stock):
            aside.append(material.name)
            continue
        if stock.get(key, 0.0) > 0:
            components.append(Component(material, 0.0, stock[key], least, most))
        if key in prices:
            components.append(Component(material, float(prices[key]), None, least, most))
    return components, aside


def _limits(entry: PlanMix) -> Sequence[ShareLimit]:
    return entry.target.limits if entry.target else []


def _shares(found: Recipe) -> dict[str, float]:
    """Share of each material in what goes in [0-1]; what comes from a heap and from bags counts together."""
    whole = sum(found.volumes)
    shares: dict[str, float] = {}
    for component, volume in zip(found.components, found.volumes, strict=True):
        if volume > SLIVER * whole:
            shares[component.material.key] = shares.get(component.material.key, 0.0) + volume / whole
    return shares


def with_parts(entry: PlanMix, shares: Mapping[str, float]) -> PlanMix:
    """A mix by another recipe. shares: of each material in what goes in [0-1]."""
    parts = [MixPart(material=key, parts=round(share * OF_A_HUNDRED, 4)) for key, share in shares.items()]
    return entry.model_copy(update={"parts": parts, "bucket_test": None})


def _wished(shares: Mapping[str, float], materials: Mapping[str, Material]) -> list[WishedPart]:
    ordered = sorted(shares.items(), key=lambda pair: -pair[1])
    return [WishedPart(key, materials[key].name, round(share * OF_A_HUNDRED, 4)) for key, share in ordered]


def _figured(entry: PlanMix, supplies: Supplies, units: System, wish: Wish) -> MixFigures:
    return figure_mix(entry, supplies, units, wish.soil_over_water_m)


def _price_before(
    wish: Wish, supplies: Supplies, prices: Mapping[str, Decimal], stock: Mapping[str, float]
) -> Decimal | None:
    """What the recipe as it is costs a loose m3, less what is on hand; None where it can't be mixed or has no offer."""
    try:
        mix = draft_mix(wish.entry, supplies.materials, supplies.mixes, "mix")
    except PlanProblem:
        return None
    taken = amounts_for(mix, wish.volume_m3, supplies.mixes, stock)
    to_buy = {key: each.to_buy_m3 / wish.volume_m3 for key, each in taken.items() if each.to_buy_m3 > 0}
    if any(key not in prices for key in to_buy):
        return None
    return sum((prices[key] * Decimal(repr(volume)) for key, volume in to_buy.items()), Decimal(0)).quantize(CENT)


def _changes(entry: PlanMix, shares: Mapping[str, float], supplies: Supplies) -> list[ChangeFigures]:
    before: dict[str, float] = {}
    volumes = [(part.material, part.parts * (1 - (part.rejected or 0.0))) for part in entry.parts]
    whole = sum(volume for _, volume in volumes)
    for key, volume in volumes:
        before[key] = before.get(key, 0.0) + (volume / whole if whole > 0 else 0.0)
    changes = [
        ChangeFigures(key, supplies.materials[key].name, before.get(key, 0.0), shares.get(key, 0.0))
        for key in dict.fromkeys([*before, *shares])
        if key in supplies.materials
    ]
    return sorted(changes, key=lambda each: -abs(each.after - each.before))


def _said(found: Recipe, price: Decimal, units: System, currency: str) -> str:
    if found.missed:
        names = " and ".join(BAND_NAMES[each] for each in found.missed)
        return f"No mix of these can: {names} stands in the way. This is the nearest."
    if price == 0:
        return "What is on hand makes it: nothing has to be bought."
    said = f"The cheapest that fits comes to {show_unit_price(price, units, currency)}"
    if not found.held_by:
        return said + ": nothing cheaper is left out by a band."
    names = ", ".join(BAND_NAMES[each] for each in found.held_by)
    return f"{said}; a cheaper one would leave the band of {names}."


def _cents(amount: float) -> Decimal:
    return Decimal(repr(amount)).quantize(CENT)
