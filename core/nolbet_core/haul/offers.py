"""What suppliers offer, and what meeting a need from one offer takes."""

from __future__ import annotations

import math
from collections.abc import Sequence
from decimal import ROUND_HALF_UP, Decimal
from typing import ClassVar, Literal

from nolbet_core.haul.cut import pieces_for, rolls_for
from nolbet_core.haul.wanted import Cover, Wanted
from nolbet_core.record import record

TOLERANCE_M3 = 1e-6
"""Volumes closer than this are the same: a heap is not measured to the millilitre."""

SAME_M = 0.0005
"""Sections closer than this are the same [m]."""

CENT = Decimal("0.01")
Form = Literal["bag", "bulk", "roll", "piece", "pack"]

LOOSE_FORMS: tuple[Form, ...] = ("bag", "bulk")
"""How loose material is sold; everything else comes in pieces of one kind or another."""


@record
class Deal:
    """So many together at a price: every full number of them costs it, the rest the single price."""

    count: int
    price: Decimal


@record
class Tier:
    """From a volume on [m3] all of it costs so much a m3."""

    from_m3: float
    price_per_m3: Decimal


@record
class BagOffer:
    """Whole bags: loose volume of one [m3] and its price. fetched: brought home by the gardener, without delivery.

    mass_kg: where the label says a mass instead of a volume [kg]. deal: so many together. at_most: what the shop has.
    key: what the offer is called by. checked: whether what one holds was measured.
    """

    material: str
    volume_m3: float
    price: Decimal
    fetched: bool = False
    mass_kg: float | None = None
    deal: Deal | None = None
    at_most: int | None = None
    key: str | None = None
    checked: bool = False

    form: ClassVar[Form] = "bag"


@record
class BulkOffer:
    """Loose by the load: price for a m3, the step it is sold in, the least sold and what one drop brings [m3].

    step_m3: None where any amount is sold. load_m3: None where all fits one drop. tiers: other prices from a volume on,
    the lowest first; the highest that is reached holds for all of it. at_most: what the yard has [m3]. kg_per_m3: sold
    by weight, so heavy [kg/m3]; its prices and steps are then those of a m3. key: what the offer is called by.
    """

    material: str
    price_per_m3: Decimal
    step_m3: float | None = None
    minimum_m3: float = 0.0
    load_m3: float | None = None
    fetched: bool = False
    tiers: tuple[Tier, ...] = ()
    at_most: float | None = None
    kg_per_m3: float | None = None
    key: str | None = None

    form: ClassVar[Form] = "bulk"


@record
class RollOffer:
    """A sheet off the roll: its width and length [m]. deal, at_most, key: as of bags."""

    material: str
    width_m: float
    length_m: float
    price: Decimal
    fetched: bool = False
    deal: Deal | None = None
    at_most: int | None = None
    key: str | None = None

    form: ClassVar[Form] = "roll"


@record
class PieceOffer:
    """By the piece: of a sheet its length and width [m], of a pipe its length and diameter [m], of a crate its sides.

    Of a board its thickness too. count: how many come in one pack; 1 where each is sold by itself. deal, at_most, key:
    as of bags.
    """

    material: str
    price: Decimal
    length_m: float | None = None
    width_m: float | None = None
    height_m: float | None = None
    diameter_m: float | None = None
    count: int = 1
    fetched: bool = False
    thickness_m: float | None = None
    deal: Deal | None = None
    at_most: int | None = None
    key: str | None = None

    form: ClassVar[Form] = "piece"


Offer = BagOffer | BulkOffer | RollOffer | PieceOffer


@record
class Supplier:
    """A supplier: what one delivery costs, and the offers.

    free_over: from goods of so much on, delivery costs nothing. minimum_order: less than that isn't delivered.
    """

    key: str
    name: str
    delivery: Decimal
    offers: tuple[Offer, ...]
    free_over: Decimal | None = None
    minimum_order: Decimal | None = None


@record
class Line:
    """One line of a haul: what is bought of a material, where, and its price before delivery.

    count: whole bags, rolls, pieces or packs, None for bulk. volume_m3: loose volume bought [m3], nothing for what
    isn't loose. need_m3: loose volume that it is bought for [m3]. covers: what rolls are bought for.
    """

    supplier: Supplier
    offer: Offer
    need_m3: float
    count: int | None
    volume_m3: float
    price: Decimal
    covers: tuple[Cover, ...] = ()

    @property
    def form(self) -> Form:
        """How it comes."""
        return self.offer.form

    @property
    def material(self) -> str:
        """Key of what is bought."""
        return self.offer.material

    @property
    def left_over_m3(self) -> float:
        """What is bought beyond the need [m3]."""
        return max(self.volume_m3 - self.need_m3, 0.0)


def bags_for(need_m3: float, bag_m3: float) -> int:
    """Whole bags of a volume [m3] that meet a loose need [m3]."""
    return max(math.ceil((need_m3 - TOLERANCE_M3) / bag_m3), 0)


def bulk_for(need_m3: float, offer: BulkOffer) -> float:
    """Loose volume [m3] to order in bulk for a need [m3]: in whole steps, not below the least sold."""
    wanted = max(need_m3, offer.minimum_m3)
    if offer.step_m3 is None:
        return wanted
    return math.ceil((wanted - TOLERANCE_M3) / offer.step_m3) * offer.step_m3


def line_for(supplier: Supplier, offer: Offer, wanted: Wanted) -> Line | None:
    """The line that meets what is wanted from one offer; None where it can't."""
    need_m3 = wanted.volume_m3
    if isinstance(offer, BulkOffer):
        if need_m3 <= TOLERANCE_M3:
            return None
        volume_m3 = bulk_for(need_m3, offer)
        if offer.at_most is not None and volume_m3 > offer.at_most + TOLERANCE_M3:
            return None
        return bulk_line(supplier, offer, volume_m3, need_m3)
    count = count_for(offer, wanted)
    if not count or (offer.at_most is not None and count > offer.at_most):
        return None
    return counted_line(supplier, offer, count, wanted)


def bulk_line(supplier: Supplier, offer: BulkOffer, volume_m3: float, need_m3: float) -> Line:
    """The line that brings a loose volume [m3]. need_m3: what it is bought for [m3]."""
    price = (Decimal(repr(volume_m3)) * price_at(offer, volume_m3)).quantize(CENT, rounding=ROUND_HALF_UP)
    return Line(supplier, offer, need_m3, None, volume_m3, price)


def counted_line(supplier: Supplier, offer: BagOffer | RollOffer | PieceOffer, count: int, wanted: Wanted) -> Line:
    """The line that brings so many bags, rolls, pieces or packs. wanted: what they are bought for."""
    volume_m3 = count * offer.volume_m3 if isinstance(offer, BagOffer) else 0.0
    covers = wanted.covers if isinstance(offer, RollOffer) else ()
    return Line(supplier, offer, wanted.volume_m3, count, volume_m3, price_of(offer, count), covers)


def price_of(offer: BagOffer | RollOffer | PieceOffer, count: int) -> Decimal:
    """What so many cost: as many full deals as go in, the rest at the single price."""
    if offer.deal is None:
        return offer.price * count
    full, rest = divmod(count, offer.deal.count)
    return offer.deal.price * full + offer.price * rest


def price_at(offer: BulkOffer, volume_m3: float) -> Decimal:
    """What a m3 costs when so much is bought [m3]: the highest tier that is reached."""
    reached = [tier.price_per_m3 for tier in offer.tiers if volume_m3 >= tier.from_m3 - TOLERANCE_M3]
    return reached[-1] if reached else offer.price_per_m3


def count_for(offer: BagOffer | RollOffer | PieceOffer, wanted: Wanted) -> int | None:
    """Whole bags, rolls, pieces or packs that meet what is wanted; None where the offer is too small or another."""
    if isinstance(offer, BagOffer):
        return bags_for(wanted.volume_m3, offer.volume_m3 * wanted.bag_share) or None
    if isinstance(offer, RollOffer):
        return rolls_for(wanted.covers, offer.width_m, offer.length_m)
    pieces = _pieces(offer, wanted)
    return None if pieces is None else math.ceil(pieces / offer.count)


def _pieces(offer: PieceOffer, wanted: Wanted) -> int | None:
    """Single pieces of an offer that meet what is wanted."""
    if wanted.covers:
        sized = offer.length_m is not None and offer.width_m is not None
        return pieces_for(wanted.covers, offer.width_m or 0.0, offer.length_m or 0.0) if sized else None
    if wanted.stretches:
        return _pipes(offer, wanted)
    return _boxes(offer, wanted)


def _pipes(offer: PieceOffer, wanted: Wanted) -> int | None:
    """Pieces of pipe that make the lengths, joined where one isn't long enough."""
    if offer.length_m is None or offer.diameter_m is None:
        return None
    if any(abs(each.diameter_m - offer.diameter_m) > SAME_M for each in wanted.stretches):
        return None
    total_m = sum(each.length_m * each.count for each in wanted.stretches)
    return math.ceil(total_m / offer.length_m - SAME_M)


def _boxes(offer: PieceOffer, wanted: Wanted) -> int | None:
    """Boxes of the size wanted, whichever way it is written; an offer without a size fits any."""
    size = sorted(each for each in (offer.length_m, offer.width_m, offer.height_m) if each is not None)
    for box in wanted.boxes:
        if box.diameter_m is not None:
            if offer.diameter_m is not None and abs(offer.diameter_m - box.diameter_m) > SAME_M:
                return None
            continue
        own = sorted(each for each in (box.length_m, box.width_m, box.height_m) if each > 0)
        if size and (len(size) != len(own) or any(abs(a - b) > SAME_M for a, b in zip(size, own, strict=True))):
            return None
    return sum(box.count for box in wanted.boxes) or None


def drops_for(lines: Sequence[Line]) -> int:
    """Deliveries one supplier makes for its lines: bulk volume over the load, added up and rounded up once.

    All else rides along; fetched lines need none.
    """
    brought = [line for line in lines if not line.offer.fetched]
    if not brought:
        return 0
    loads = sum(
        line.volume_m3 / line.offer.load_m3
        for line in brought
        if isinstance(line.offer, BulkOffer) and line.offer.load_m3
    )
    return max(math.ceil(loads - TOLERANCE_M3), 1)


def delivery_for(lines: Sequence[Line]) -> Decimal:
    """What delivering lines costs, each supplier's drops paid once each."""
    by_supplier: dict[str, list[Line]] = {}
    for line in lines:
        by_supplier.setdefault(line.supplier.key, []).append(line)
    return sum((_delivery_of(own) for own in by_supplier.values()), Decimal(0))


def _delivery_of(lines: Sequence[Line]) -> Decimal:
    """What one supplier takes for bringing its lines: nothing where what is brought costs enough."""
    supplier = lines[0].supplier
    if supplier.free_over is not None and goods_of(lines) >= supplier.free_over:
        return Decimal(0)
    return supplier.delivery * drops_for(lines)


def goods_of(lines: Sequence[Line]) -> Decimal:
    """What the delivered lines of one supplier cost; fetched ones count for nothing."""
    return sum((line.price for line in lines if not line.offer.fetched), Decimal(0))
