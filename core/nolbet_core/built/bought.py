"""What was bought and lies on hand: as heaps and boards, and what is left to buy of what comes otherwise."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import replace

from nolbet_core.built.buying import bag_volume
from nolbet_core.haul.needs import Need
from nolbet_core.haul.wanted import Box, Cover, Stretch
from nolbet_core.plan.garden import Plan, Stock
from nolbet_core.plan.log import Purchase
from nolbet_core.plan.offers import BagOfferModel, OfferModel, PackOfferModel, PieceOfferModel, RollOfferModel
from nolbet_core.record import record
from nolbet_core.shelf.material import Material

NOTHING = 1e-9
SAME_M = 1e-6
BoughtSize = tuple[float | None, float | None, float | None, float | None]
"""Length, width, height and diameter of a piece, as far as its offer says them [m]."""


@record
class BoughtParts:
    """What was bought of something that isn't loose: sheets by their area, pieces by their number, pipes by length.

    sheets: width and length [m] of each roll or sheet, and how many. pieces: size [m] of one, None where it fits
    whatever is wanted, and how many. pipes: diameter, length of one [m], and how many.
    """

    sheets: tuple[tuple[float, float, int], ...] = ()
    pieces: tuple[tuple[BoughtSize, int], ...] = ()
    pipes: tuple[tuple[float, float, int], ...] = ()


def purchases(plan: Plan) -> list[Purchase]:
    """What was bought and isn't used up."""
    return [entry for entry in plan.log if isinstance(entry, Purchase) and not entry.used]


def offer_bought(entry: Purchase, plan: Plan) -> OfferModel | None:
    """The offer that something was bought by; None where nobody has it any more."""
    offers = [
        offer
        for supplier in plan.suppliers
        if supplier.key == entry.supplier
        for offer in supplier.offers
        if offer.material == entry.material and offer.form == entry.form
    ]
    named = [offer for offer in offers if entry.offer is not None and offer.key == entry.offer]
    sized = [offer for offer in offers if entry.size_m and _same_size(offer, entry.size_m)]
    return next(iter(named or sized or offers), None)


def _same_size(offer: OfferModel, size_m: Sequence[float]) -> bool:
    """Whether one of an offer is of a size as the haul tells it: length, width, height, thickness, as far as known."""
    sides = [getattr(offer, key, None) for key in ("length_m", "width_m", "height_m", "thickness_m")]
    own = [each for each in sides if each is not None]
    return len(own) == len(size_m) and all(abs(one - two) < SAME_M for one, two in zip(own, size_m, strict=True))


def on_hand(plan: Plan, materials: Mapping[str, Material]) -> list[Stock]:
    """Everything that lies on hand: own heaps and boards, and what was bought of both. materials: by key."""
    return [*plan.stock, *_bought_loose(plan, materials), *bought_boards(plan)]


def _bought_loose(plan: Plan, materials: Mapping[str, Material]) -> Iterator[Stock]:
    """Bags and loads that were bought, as heaps of their loose volume."""
    for entry in purchases(plan):
        volume_m3 = _loose_volume(entry, plan, materials)
        if volume_m3:
            yield Stock(material=entry.material, volume_m3=volume_m3)


def _loose_volume(entry: Purchase, plan: Plan, materials: Mapping[str, Material]) -> float | None:
    """Loose volume of bags or a load that were bought [m3]; None where it isn't known."""
    offer = offer_bought(entry, plan)
    if not entry.volume_m3 and isinstance(offer, BagOfferModel) and entry.count and entry.material in materials:
        return entry.count * bag_volume(offer, materials)
    return entry.volume_m3


def used_up(plan: Plan, materials: Mapping[str, Material]) -> dict[str, tuple[float, int]]:
    """Loose volume [m3] of what was bought and is used up, and in how many purchases it came, by material."""
    found: dict[str, tuple[float, int]] = {}
    for entry in plan.log:
        if not isinstance(entry, Purchase) or not entry.used or entry.material not in materials:
            continue
        volume_m3 = _loose_volume(entry, plan, materials)
        if volume_m3:
            whole_m3, count = found.get(entry.material, (0.0, 0))
            found[entry.material] = (whole_m3 + volume_m3, count + 1)
    return found


def boards_on_hand(plan: Plan) -> list[Stock]:
    """Boards that lie on hand, own and bought ones."""
    return [*(entry for entry in plan.stock if entry.is_boards), *bought_boards(plan)]


def bought_boards(plan: Plan) -> Iterator[Stock]:
    """Boards that were bought."""
    for entry in purchases(plan):
        offer = offer_bought(entry, plan)
        if isinstance(offer, PieceOfferModel | PackOfferModel) and offer.thickness_m is not None and entry.count:
            many = entry.count * (offer.count if isinstance(offer, PackOfferModel) else 1)
            yield Stock.model_validate(
                {
                    "material": entry.material,
                    "thickness_m": offer.thickness_m,
                    "width_m": offer.width_m,
                    "length_m": offer.length_m,
                    "count": many,
                }
            )


def parts_bought(plan: Plan) -> dict[str, BoughtParts]:
    """What was bought of sheets, pipes and pieces, by material."""
    found: dict[str, BoughtParts] = {}
    for entry in purchases(plan):
        offer = offer_bought(entry, plan)
        if offer is None or not entry.count:
            continue
        there = found.get(entry.material, BoughtParts())
        if isinstance(offer, RollOfferModel):
            found[entry.material] = replace(there, sheets=(*there.sheets, (offer.width_m, offer.length_m, entry.count)))
        elif isinstance(offer, PieceOfferModel | PackOfferModel) and offer.thickness_m is None:
            many = entry.count * (offer.count if isinstance(offer, PackOfferModel) else 1)
            found[entry.material] = _with_pieces(there, offer, many)
    return found


def _with_pieces(there: BoughtParts, offer: PieceOfferModel | PackOfferModel, many: int) -> BoughtParts:
    """With so many pieces more; those with two sides alone may be sheets as well."""
    size = (offer.length_m, offer.width_m, offer.height_m, offer.diameter_m)
    pieces = (*there.pieces, (size, many))
    if offer.diameter_m is not None and offer.length_m is not None:
        return replace(there, pieces=pieces, pipes=(*there.pipes, (offer.diameter_m, offer.length_m, many)))
    if offer.length_m is not None and offer.width_m is not None and offer.height_m is None:
        return replace(there, pieces=pieces, sheets=(*there.sheets, (offer.width_m, offer.length_m, many)))
    return replace(there, pieces=pieces)


def less_bought(needs: Sequence[Need], bought: Mapping[str, BoughtParts]) -> tuple[Need, ...]:
    """Needs less the sheets, pipes and pieces that were bought. bought: by material."""
    return tuple(_less(need, bought[need.material]) if need.material in bought else need for need in needs)


def _less(need: Need, parts: BoughtParts) -> Need:
    if need.covers:
        return replace(need, covers=_uncovered(need.covers, parts))
    if need.stretches:
        return replace(need, stretches=tuple(_unreached(need.stretches, parts)))
    return replace(need, boxes=tuple(_without(need.boxes, parts)))


def _uncovered(covers: Sequence[Cover], parts: BoughtParts) -> tuple[Cover, ...]:
    """What is still to be covered once so much sheet lies there, told by its area: the first of it is covered first."""
    lying_m2 = sum(width_m * length_m * count for width_m, length_m, count in parts.sheets)
    left = []
    for cover in covers:
        each_m2 = cover.area_m2 * cover.plies
        whole = min(int(lying_m2 / each_m2 + NOTHING) if each_m2 > 0 else cover.count, cover.count)
        lying_m2 -= whole * each_m2
        if whole == cover.count:
            continue
        if lying_m2 > NOTHING and not cover.whole:
            part = cover.area_m2 * (1 - lying_m2 / each_m2)
            left.append(replace(cover, area_m2=part, size_m=None, count=1))
            whole += 1
            lying_m2 = 0.0
        if cover.count > whole:
            left.append(replace(cover, count=cover.count - whole))
    return tuple(left)


def _unreached(stretches: Sequence[Stretch], parts: BoughtParts) -> Iterator[Stretch]:
    """Pipes that what was bought of their diameter doesn't reach for; pieces are joined where they are short."""
    lying_m: defaultdict[float, float] = defaultdict(float)
    for diameter_m, length_m, count in parts.pipes:
        lying_m[round(diameter_m, 6)] += length_m * count
    for stretch in stretches:
        own = round(stretch.diameter_m, 6)
        whole = min(int(lying_m[own] / stretch.length_m + NOTHING), stretch.count)
        lying_m[own] -= whole * stretch.length_m
        left = stretch.count - whole
        if left and lying_m[own] > NOTHING:
            yield replace(stretch, length_m=stretch.length_m - lying_m[own], count=1)
            lying_m[own] = 0.0
            left -= 1
        if left:
            yield replace(stretch, count=left)


def _without(boxes: Sequence[Box], parts: BoughtParts) -> Iterator[Box]:
    """Pieces still to be had once so many of their size, or of one that fits any, lie there."""
    lying = list(parts.pieces)
    for box in boxes:
        wanted = box.count
        for index, (size, count) in enumerate(lying):
            taken = min(count, wanted) if _fits(size, box) else 0
            lying[index] = (size, count - taken)
            wanted -= taken
        if wanted:
            yield replace(box, count=wanted)


def _fits(size: BoughtSize, box: Box) -> bool:
    """Whether a piece is of a box's size, whichever way it is written; one without a size fits any."""
    *sides, diameter_m = size
    if box.diameter_m is not None:
        return diameter_m is None or abs(diameter_m - box.diameter_m) < SAME_M
    given = sorted(each for each in sides if each is not None)
    own = sorted(each for each in (box.length_m, box.width_m, box.height_m) if each > 0)
    return not given or (
        len(given) == len(own) and all(abs(one - two) < SAME_M for one, two in zip(given, own, strict=True))
    )
