"""A plan's suppliers and heaps as the haul takes them, with what is wrong with what they offer."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping, Sequence
from datetime import date
from decimal import Decimal

from nolbet_core.built.names import unknown_names
from nolbet_core.built.wares import CROP_WARES, all_wares
from nolbet_core.haul.best import HeldLine
from nolbet_core.haul.offers import BagOffer, BulkOffer, Deal, Offer, PieceOffer, RollOffer, Supplier, Tier
from nolbet_core.plan.garden import Plan, Stock
from nolbet_core.plan.log import Purchase
from nolbet_core.plan.offers import (
    BagOfferModel,
    BulkOfferModel,
    DealModel,
    FixedLine,
    OfferModel,
    PackOfferModel,
    PieceOfferModel,
    PlanSupplier,
    RollOfferModel,
)
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.shelf.material import Material
from nolbet_core.shelf.timber import TIMBER
from nolbet_core.shelf.walling import LOG, ROD, STAKE, WALLING
from nolbet_core.shelf.wares import (
    ADHESIVE,
    BY_COUNT,
    BY_LENGTH,
    CONCRETE_BAG,
    CRATE,
    DRAIN_PIPE,
    MORTAR_BAG,
    PIPE_CAP,
    SCREW,
    SPIKE,
    TAP,
    TUBE,
    WALL_FITTING,
)

KG_PER_T = 1000


def suppliers_of(plan: Plan, materials: Mapping[str, Material]) -> Sequence[Supplier]:
    """A plan's suppliers as the haul takes them. materials: by key, for bags whose label says a mass."""
    return [supplier_of(entry, materials) for entry in plan.suppliers]


def supplier_of(entry: PlanSupplier, materials: Mapping[str, Material]) -> Supplier:
    """One supplier as the haul takes it. materials: as in suppliers_of."""
    name = entry.name or entry.key.replace("_", " ").capitalize()
    offers = tuple(_offer(offer, materials) for offer in entry.offers)
    return Supplier(entry.key, name, entry.delivery or Decimal(0), offers, entry.free_over, entry.minimum_order)


def _offer(entry: OfferModel, materials: Mapping[str, Material]) -> Offer:
    if isinstance(entry, BagOfferModel):
        volume_m3 = bag_volume(entry, materials)
        return BagOffer(
            entry.material,
            volume_m3,
            entry.price,
            entry.fetch,
            entry.mass_kg,
            _deal(entry.deal),
            entry.at_most,
            entry.key,
            entry.checked_m3 is not None,
        )
    if isinstance(entry, BulkOfferModel):
        return _bulk(entry, materials)
    if isinstance(entry, RollOfferModel):
        return RollOffer(
            entry.material, entry.width_m, entry.length_m, entry.price, entry.fetch, _deal(entry.deal), entry.at_most,
            entry.key,
        )  # fmt: skip
    count = entry.count if isinstance(entry, PackOfferModel) else 1
    size = (entry.length_m, entry.width_m, entry.height_m, entry.diameter_m)
    return PieceOffer(
        entry.material,
        entry.price,
        *size,
        count=count,
        fetched=entry.fetch,
        thickness_m=entry.thickness_m,
        deal=_deal(entry.deal),
        at_most=entry.at_most,
        key=entry.key,
    )


def _deal(entry: DealModel | None) -> Deal | None:
    return None if entry is None else Deal(entry.count, entry.price)


def _bulk(entry: BulkOfferModel, materials: Mapping[str, Material]) -> BulkOffer:
    """A loose load; one sold by weight as what it comes to by volume."""
    tiers = tuple(Tier(each.from_m3, each.price_per_m3) for each in entry.tiers or ())
    if entry.price_per_t is None:
        return BulkOffer(
            entry.material, entry.price_per_m3 or Decimal(0), entry.step_m3, entry.minimum_m3 or 0.0, entry.load_m3,
            entry.fetch, tiers, entry.at_most, None, entry.key,
        )  # fmt: skip
    kg_per_m3 = loose_density(materials[entry.material])
    price_per_m3 = entry.price_per_t * Decimal(repr(kg_per_m3)) / KG_PER_T
    step_m3 = None if entry.step_kg is None else entry.step_kg / kg_per_m3
    return BulkOffer(
        entry.material, price_per_m3, step_m3, (entry.minimum_kg or 0.0) / kg_per_m3, entry.load_m3, entry.fetch, (),
        entry.at_most, kg_per_m3, entry.key,
    )  # fmt: skip


def loose_density(material: Material) -> float:
    """How heavy a material lies loose and moist [kg/m3]."""
    return material.bulk_density_kg_m3 / material.loose_factor


def fixed_of(plan: Plan) -> tuple[HeldLine, ...]:
    """Lines of a plan's haul that are held by hand."""
    return tuple(
        HeldLine(each.supplier, each.material, each.form, each.count, each.volume_m3, each.offer) for each in plan.fixed
    )


def wrong_with_fixed(lines: Sequence[FixedLine], suppliers: Sequence[PlanSupplier]) -> Iterator[PlanProblem]:
    """Lines held by hand that nobody offers so. suppliers: of the plan."""
    offered = {
        (supplier.key, offer.material, offer.form): {
            each.key for each in supplier.offers if each.material == offer.material
        }
        for supplier in suppliers
        for offer in supplier.offers
    }
    keys = [supplier.key for supplier in suppliers]
    for index, each in enumerate(lines):
        here = f"fixed[{index}]"
        found = offered.get((each.supplier, each.material, each.form))
        if each.supplier not in keys:
            yield PlanProblem(f"{here}.supplier", f"'{each.supplier}' is none of {', '.join(keys) or 'no suppliers'}")
        elif found is None:
            yield PlanProblem(f"{here}.material", f"{each.supplier} offers no {each.material} by the {each.form}")
        elif each.offer is not None and each.offer not in found:
            yield PlanProblem(f"{here}.offer", f"'{each.offer}' is the key of no offer of {each.material} there")


def bag_volume(entry: BagOfferModel, materials: Mapping[str, Material]) -> float:
    """Loose volume of a bag [m3]: as it was measured, else what it swells to, as its label says or what its mass comes
    to, moist.
    """
    if entry.checked_m3 is not None:
        return entry.checked_m3
    if entry.expands_to_m3 is not None:
        return entry.expands_to_m3
    if entry.volume_m3 is not None:
        return entry.volume_m3
    material = materials[entry.material]
    return (entry.mass_kg or 0.0) / loose_density(material)


def stock_of(lying: Iterable[Stock], today: date | None = None) -> dict[str, float]:
    """What lies on hand by material [m3]; heaps of one material add up.

    lying: everything on hand. today: heaps that are ready later are left out; all count where it isn't known.
    """
    stock: dict[str, float] = {}
    for entry in lying:
        if not entry.is_boards and _is_ready(entry, today):
            stock[entry.material] = stock.get(entry.material, 0.0) + entry.volume_m3
    return stock


def coming_of(plan: Plan, today: date | None) -> dict[str, list[tuple[date, float]]]:
    """Heaps that are ready later, by material: the day, and how much [m3]."""
    coming: dict[str, list[tuple[date, float]]] = {}
    for entry in plan.stock:
        if entry.ready_on is not None and not _is_ready(entry, today):
            coming.setdefault(entry.material, []).append((date.fromisoformat(entry.ready_on), entry.volume_m3))
    return {key: sorted(heaps) for key, heaps in coming.items()}


def _is_ready(entry: Stock, today: date | None) -> bool:
    return today is None or entry.ready_on is None or date.fromisoformat(entry.ready_on) <= today


def wrong_with_heap(entry: Stock, materials: Mapping[str, Material], path: str) -> Iterator[PlanProblem]:
    """What is wrong with what is on hand: a name that isn't there, boards of what is no timber, timber without a size.

    materials: by key. path: how the heap is called.
    """
    if entry.is_boards and entry.material in materials:
        yield PlanProblem(f"{path}.thickness_m", f"{entry.material} is no timber; boards are {', '.join(TIMBER)}")
    elif not entry.is_boards and entry.material in TIMBER:
        yield PlanProblem(f"{path}.thickness_m", f"has to be given: {entry.material} is on hand in boards")
    else:
        yield from unknown_names(entry, {**materials, **TIMBER}, path)


def wrong_with_purchase(entry: Purchase, materials: Mapping[str, Material], path: str) -> Iterator[PlanProblem]:
    """What is wrong with something that was bought: a name that isn't there. materials: by key. path: its own."""
    yield from unknown_names(entry, {**materials, **all_wares(), **TIMBER}, path)


def wrong_with_supplier(entry: PlanSupplier, materials: Mapping[str, Material], path: str) -> Iterator[PlanProblem]:
    """What is wrong with a supplier's offers: names that aren't there, sizes that are missing or don't belong.

    materials: by key. path: how the supplier is called.
    """
    unknown = list(unknown_names(entry, {**materials, **all_wares(), **TIMBER}, path))
    yield from unknown
    if unknown:
        return
    for index, offer in enumerate(entry.offers):
        yield from _wrong_with_offer(offer, materials, f"{path}.offers[{index}]")


def _wrong_with_offer(offer: OfferModel, materials: Mapping[str, Material], path: str) -> Iterator[PlanProblem]:
    material = materials.get(offer.material)
    if isinstance(offer, BagOfferModel | BulkOfferModel):
        if material is None:
            yield PlanProblem(f"{path}.material", f"{offer.material} isn't loose; it is sold by the piece or the pack")
        elif isinstance(offer, BagOfferModel):
            yield from _wrong_with_bag(offer, material, path)
        elif offer.price_per_t is not None and material.bulk_density_kg_m3 <= 0:
            yield PlanProblem(f"{path}.price_per_t", f"{offer.material} has no density to be sold by")
        return
    if material is not None and not material.is_sheet:
        yield PlanProblem(f"{path}.material", f"{offer.material} is loose; it is sold by the bag or in bulk")
    elif isinstance(offer, RollOfferModel):
        if material is None:
            yield PlanProblem(f"{path}.form", f"{offer.material} comes by the piece or the pack, not off the roll")
    else:
        yield from _wrong_with_piece(offer, path)


def _wrong_with_bag(offer: BagOfferModel, material: Material, path: str) -> Iterator[PlanProblem]:
    if offer.expands_to_m3 is not None:
        return
    if offer.volume_m3 is None and offer.mass_kg is None:
        yield PlanProblem(f"{path}.volume_m3", "has to be there, or mass_kg where the label says a mass")
    elif offer.volume_m3 is not None and offer.mass_kg is not None:
        yield PlanProblem(f"{path}.mass_kg", "stands beside volume_m3; a bag is sold by one of them")
    elif offer.mass_kg is not None and material.bulk_density_kg_m3 <= 0:
        yield PlanProblem(f"{path}.mass_kg", f"{offer.material} has no density that a bag's volume could follow from")


ROUND = ("diameter_m",)
SIZES = {
    DRAIN_PIPE: ("length_m", "diameter_m"),
    TUBE: ("length_m", "diameter_m"),
    CRATE: ("length_m", "width_m", "height_m"),
    WALL_FITTING: ROUND,
    TAP: ROUND,
    PIPE_CAP: ROUND,
    SCREW: ("length_m",),
    SPIKE: ("length_m",),
    LOG: ("length_m", "width_m", "height_m"),
    **dict.fromkeys(BY_LENGTH, ("length_m", "diameter_m")),
    **dict.fromkeys((ADHESIVE, MORTAR_BAG, CONCRETE_BAG, ROD, STAKE, *BY_COUNT, *CROP_WARES), ()),
    **dict.fromkeys(TIMBER, ("thickness_m", "width_m", "length_m")),
    **dict.fromkeys(WALLING, ("length_m", "width_m", "height_m")),
}
"""What says how large a ware is."""

FIT_ANY = frozenset(
    {
        CRATE, WALL_FITTING, TAP, PIPE_CAP, ADHESIVE, MORTAR_BAG, CONCRETE_BAG, ROD, STAKE, LOG, SCREW, SPIKE,
        *WALLING, *BY_COUNT, *CROP_WARES,
    }
)  # fmt: skip
"""What may be offered without a size; it fits whatever is wanted."""

SHEET_SIZES = ("length_m", "width_m")
ALL_SIZES = ("length_m", "width_m", "height_m", "diameter_m", "thickness_m")


def _wrong_with_piece(offer: PieceOfferModel | PackOfferModel, path: str) -> Iterator[PlanProblem]:
    own = SIZES.get(offer.material, SHEET_SIZES)
    given = [key for key in ALL_SIZES if getattr(offer, key) is not None]
    for key in given:
        if key not in own:
            yield PlanProblem(f"{path}.{key}", f"doesn't belong to {offer.material}, which has {', '.join(own)}")
    if offer.material in FIT_ANY and not given:
        return
    for key in own:
        if key not in given:
            yield PlanProblem(f"{path}.{key}", f"has to be given: {offer.material} is sold by {' and '.join(own)}")
