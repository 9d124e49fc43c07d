"""The cheapest haul: the programme against a search through everything, with every kind of offer."""

from __future__ import annotations

import itertools
import math
from collections.abc import Iterator, Sequence
from decimal import Decimal
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from nolbet_core.haul.best import Best, HeldLine, best_haul
from nolbet_core.haul.choose import choose
from nolbet_core.haul.offers import (
    BagOffer,
    BulkOffer,
    Deal,
    Line,
    Offer,
    PieceOffer,
    Supplier,
    Tier,
    bulk_line,
    counted_line,
    delivery_for,
    goods_of,
    price_at,
    price_of,
)
from nolbet_core.haul.wanted import Box, Wanted

MOST = 6


def money(cents: int) -> Decimal:
    """So many cents."""
    return Decimal(cents) / 100


prices = st.integers(100, 3000).map(money)


@st.composite
def offers(draw: Any, material: str) -> Offer:
    """A bag, with or without a deal, or a load in steps, with or without a tier."""
    fetched = draw(st.booleans())
    at_most = draw(st.none() | st.integers(1, 5))
    if draw(st.booleans()):
        price = draw(prices)
        deal = Deal(3, price * 2) if draw(st.booleans()) else None
        return BagOffer(material, draw(st.sampled_from([0.25, 0.4, 0.5])), price, fetched, None, deal, at_most)
    per_m3 = draw(prices)
    tiers = (Tier(1.0, per_m3 / 2),) if draw(st.booleans()) else ()
    load_m3 = draw(st.none() | st.just(1.0))
    most_m3 = None if at_most is None else at_most * 0.5
    return BulkOffer(material, per_m3, 0.5, draw(st.sampled_from([0.0, 0.5, 1.0])), load_m3, fetched, tiers, most_m3)


@st.composite
def markets(draw: Any) -> tuple[list[Wanted], list[Supplier]]:
    """Two things from two suppliers, up to four offers."""
    wants = [Wanted("a", draw(st.sampled_from([0.3, 0.7, 1.0]))), Wanted("b", draw(st.sampled_from([0.4, 0.9])))]
    suppliers = []
    for key in ("one", "two"):
        free_over = draw(st.none() | st.integers(500, 4000).map(money))
        least = draw(st.none() | st.integers(500, 2500).map(money))
        own = (draw(offers("a")), draw(offers("b")))
        suppliers.append(Supplier(key, key, draw(st.integers(0, 2500).map(money)), own, free_over, least))
    return wants, suppliers


def amounts(offer: Offer) -> Sequence[float]:
    """How many or how much of an offer may be bought in a search."""
    if isinstance(offer, BulkOffer):
        steps = [step * 0.5 for step in range(MOST + 1)]
        held = [each for each in steps if each == 0 or each >= offer.minimum_m3]
        return [each for each in held if offer.at_most is None or each <= offer.at_most]
    most = MOST if offer.at_most is None else min(offer.at_most, MOST)
    return list(range(most + 1))


def plans(wants: list[Wanted], suppliers: list[Supplier]) -> Iterator[tuple[Decimal, list[Line]]]:
    """Every haul that meets what is wanted, with its cost."""
    asked = {want.material for want in wants}
    sold = [(supplier, offer) for supplier in suppliers for offer in supplier.offers if offer.material in asked]
    for chosen in itertools.product(*(amounts(offer) for _, offer in sold)):
        lines = []
        for (supplier, offer), amount in zip(sold, chosen, strict=True):
            if not amount:
                continue
            want = next(each for each in wants if each.material == offer.material)
            lines.append(
                bulk_line(supplier, offer, amount, 0.0) if isinstance(offer, BulkOffer)
                else counted_line(supplier, offer, int(amount), want)
            )  # fmt: skip
        if any(
            sum(line.volume_m3 for line in lines if line.material == want.material) < want.volume_m3 for want in wants
        ):
            continue
        own = [[line for line in lines if line.supplier is supplier] for supplier in suppliers]
        if any(too_little(supplier, each) for supplier, each in zip(suppliers, own, strict=True)):
            continue
        yield sum((line.price for line in lines), delivery_for(lines)), lines


def too_little(supplier: Supplier, lines: list[Line]) -> bool:
    """Whether something is to be delivered for less than the supplier delivers."""
    brought = [line for line in lines if not line.offer.fetched]
    return bool(brought) and supplier.minimum_order is not None and goods_of(brought) < supplier.minimum_order


@settings(max_examples=120, deadline=None)
@given(markets())
def test_the_programme_costs_what_a_search_through_everything_finds(
    market: tuple[list[Wanted], list[Supplier]],
) -> None:
    wants, suppliers = market
    found = best_haul(wants, suppliers)
    reach = {
        want.material: sum(max((each * getattr(offer, "volume_m3", 1.0) for each in amounts(offer)), default=0.0)
                           for supplier in suppliers for offer in supplier.offers if offer.material == want.material)
        for want in wants
    }  # fmt: skip
    able = [want for want in wants if reach[want.material] >= want.volume_m3 - 1e-9]
    costs = [cost for cost, _ in plans(able, suppliers)]
    if not costs:
        # a least order that more than six of each would have to reach
        return
    assert set(found.chosen.unmet) == {want.material for want in wants if want not in able}
    assert found.chosen.total <= min(costs) + Decimal("0.01")
    assert found.proven_optimal
    bought = [line for line in found.chosen.lines if (line.count or 0) > MOST or line.volume_m3 > MOST * 0.5]
    assert bought or found.chosen.total >= min(costs) - Decimal("0.01")
    for want in able:
        volume_m3 = sum(line.volume_m3 for line in found.chosen.lines if line.material == want.material)
        assert volume_m3 >= want.volume_m3 - 1e-6


@settings(max_examples=30, deadline=None)
@given(markets(), st.randoms())
def test_the_order_of_suppliers_and_things_changes_nothing(
    market: tuple[list[Wanted], list[Supplier]], chance: Any
) -> None:
    wants, suppliers = market
    turned = [
        Supplier(each.key, each.name, each.delivery, tuple(reversed(each.offers)), each.free_over, each.minimum_order)
        for each in reversed(suppliers)
    ]
    chance.shuffle(turned)
    assert best_haul(wants, suppliers).chosen.total == best_haul(list(reversed(wants)), turned).chosen.total


def test_the_programme_is_never_dearer_than_the_quick_way() -> None:
    yard = Supplier("yard", "Yard", Decimal("45.00"), (BulkOffer("compost", Decimal("48.00"), 0.25, 0.5),))
    shop = Supplier("shop", "Shop", Decimal(0), (BagOffer("compost", 0.04, Decimal("6.20"), fetched=True),))
    wants = [Wanted("compost", 1.30)]
    best, quick = best_haul(wants, [yard, shop]), choose(wants, [yard, shop])
    # 1.25 m3 loose and two bags: 60.00 + 45.00 + 12.40, against 1.5 m3 for 72.00 + 45.00
    assert quick.total == Decimal("117.00")
    assert best.chosen.total == Decimal("117.00")
    dear = Supplier("yard", "Yard", Decimal("45.00"), (BulkOffer("compost", Decimal("80.00"), 0.5, 0.5),))
    both = best_haul([Wanted("compost", 2.04)], [dear, shop])
    # 2 m3 loose and one bag for the rest, instead of another half a metre
    assert both.chosen.total == Decimal("160.00") + Decimal("45.00") + Decimal("6.20")
    assert sorted(line.form for line in both.chosen.lines) == ["bag", "bulk"]
    assert sum(line.need_m3 for line in both.chosen.lines) == pytest.approx(2.04)


def test_more_is_bought_where_that_makes_the_delivery_free() -> None:
    bag = BagOffer("compost", 0.05, Decimal("5.00"))
    shop = Supplier("shop", "Shop", Decimal("45.00"), (bag,), free_over=Decimal("30.00"))
    found = best_haul([Wanted("compost", 0.10)], [shop])
    assert [line.count for line in found.chosen.lines] == [6]
    assert found.chosen.total == Decimal("30.00")
    least = Supplier("shop", "Shop", Decimal("2.00"), (bag,), minimum_order=Decimal("20.00"))
    assert best_haul([Wanted("compost", 0.10)], [least]).chosen.total == Decimal("22.00")


def test_lines_held_by_hand_stay_and_cost_their_difference() -> None:
    cheap, dear = (
        BagOffer("soil", 0.05, Decimal("4.00"), key="cheap"),
        BagOffer("soil", 0.05, Decimal("6.00"), key="dear"),
    )
    shop = Supplier("shop", "Shop", Decimal(0), (cheap, dear))
    free = best_haul([Wanted("soil", 0.5)], [shop])
    held = best_haul([Wanted("soil", 0.5)], [shop], fixed=[HeldLine("shop", "soil", "bag", 4, None, "dear")])
    assert free.chosen.total == Decimal("40.00")
    assert held.chosen.total == Decimal("48.00")
    assert {line.offer.key: line.count for line in held.chosen.lines} == {"cheap": 6, "dear": 4}
    lost = HeldLine("shop", "soil", "bulk", None, 1.0)
    assert best_haul([Wanted("soil", 0.5)], [shop], fixed=[lost]).unkept == (lost,)


@pytest.mark.parametrize(
    ("held", "total", "kept"),
    [
        # far more than is needed, and then nothing else
        (HeldLine("yard", "soil", "bulk", None, 9.0), Decimal("380.00"), True),
        (HeldLine("yard", "soil", "bag", 200), Decimal("802.00"), True),
        # in no step that is sold: let go, and the rest is as cheap as it can be
        (HeldLine("yard", "soil", "bulk", None, 0.3), Decimal("70.00"), False),
    ],
)
def test_a_line_held_by_hand_is_kept_or_named_and_never_empties_the_haul(
    held: HeldLine, total: Decimal, kept: bool
) -> None:
    load = BulkOffer("soil", Decimal("40.00"), 0.25)
    bag = BagOffer("soil", 0.04, Decimal("5.00"), fetched=True, deal=Deal(3, Decimal("12.00")))
    yard = Supplier("yard", "Yard", Decimal("20.00"), (load, bag))
    found = best_haul([Wanted("soil", 1.15)], [yard], fixed=[held])
    assert (found.chosen.total, found.unkept) == (total, () if kept else (held,))
    assert found.chosen.unmet == ()
    assert found.proven_optimal


def test_nothing_is_bought_for_nothing_and_what_lacks_is_named() -> None:
    few = BagOffer("soil", 0.05, Decimal("4.00"), at_most=3)
    shop = Supplier("shop", "Shop", Decimal("9.00"), (few, PieceOffer("brick", Decimal("0.85"))))
    nothing = best_haul([Wanted("soil", 0.0)], [shop])
    assert (nothing.chosen.total, nothing.chosen.lines, nothing.proven_optimal) == (Decimal(0), (), True)
    short: Best = best_haul(
        [Wanted("soil", 0.5), Wanted("brick", boxes=(Box(0.2, 0.1, 0.06, 12),)), Wanted("straw", 1.0)], [shop]
    )
    assert short.chosen.unmet == ("soil", "straw")
    # twelve bricks are bought all the same, and brought
    assert short.chosen.total == Decimal("9.00") + 12 * Decimal("0.85")


def test_a_least_order_out_of_reach_leaves_out_as_little_as_can_be() -> None:
    far = Supplier(
        "far", "Far", Decimal(0), (BagOffer("soil", 0.05, Decimal("4.00"), at_most=2),), None, Decimal("50.00")
    )
    near = Supplier("near", "Near", Decimal(0), (BagOffer("straw", 0.1, Decimal("3.00")),))
    found = best_haul([Wanted("soil", 0.1), Wanted("straw", 0.35)], [far, near])
    assert found.chosen.unmet == ("soil",)
    assert (found.chosen.total, found.proven_optimal) == (Decimal("12.00"), True)


def test_deals_and_tiers_by_hand() -> None:
    bag = BagOffer("soil", 0.05, Decimal("4.00"), deal=Deal(3, Decimal("10.00")))
    assert [price_of(bag, count) for count in (2, 3, 7)] == [Decimal("8.00"), Decimal("10.00"), Decimal("24.00")]
    load = BulkOffer("soil", Decimal("50.00"), 0.5, tiers=(Tier(2.0, Decimal("40.00")), Tier(4.0, Decimal("30.00"))))
    assert [price_at(load, volume) for volume in (1.5, 2.0, 3.5, 4.0)] == [
        Decimal("50.00"), Decimal("40.00"), Decimal("40.00"), Decimal("30.00")]  # fmt: skip
    yard = Supplier("yard", "Yard", Decimal(0), (load,))
    # 2.0 m3 at the next price cost less than 1.7 m3 in steps at the first: 80 against 100
    assert best_haul([Wanted("soil", 1.7)], [yard]).chosen.total == Decimal("80.00")
    assert math.isclose(best_haul([Wanted("soil", 3.2)], [yard]).chosen.lines[0].volume_m3, 4.0)
