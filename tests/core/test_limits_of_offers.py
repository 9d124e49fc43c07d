"""Offers at, under and over their limits, for every form, in the quick choice and in the programme."""

from __future__ import annotations

from dataclasses import replace
from decimal import Decimal

import pytest

from nolbet_core.haul.best import best_haul
from nolbet_core.haul.choose import Chosen, choose
from nolbet_core.haul.offers import BagOffer, BulkOffer, Offer, PieceOffer, RollOffer, Supplier, line_for
from nolbet_core.haul.wanted import Box, Cover, Stretch, Wanted

SOIL = Wanted("soil", 0.47)
SHEET = Wanted("sheet", covers=(Cover(7.2, (3.6, 2.0), 0.1, 1),))
PIPE = Wanted("pipe", stretches=(Stretch(0.05, 1.4, 3),))
BRICK = Wanted("brick", boxes=(Box(0.2, 0.1, 0.06, 26),))

EVERY_FORM: dict[str, tuple[Wanted, Offer, float]] = {
    # 0.47 m3 in bags of 0.05 m3: ten
    "bag": (SOIL, BagOffer("soil", 0.05, Decimal("4.10")), 10),
    # 0.47 m3 in steps of 0.25 m3: 0.5 m3
    "bulk": (SOIL, BulkOffer("soil", Decimal("38.00"), 0.25), 0.5),
    # 3.6 x 2.0 m from a roll of 1.05 m: two strips of 3.6 m, one to a roll of 5 m
    "roll": (SHEET, RollOffer("sheet", 1.05, 5.0, Decimal("12.00")), 2),
    # 3 x 1.4 m of pipe from lengths of 2.0 m, joined: 4.2 / 2.0
    "piece": (PIPE, PieceOffer("pipe", Decimal("7.00"), length_m=2.0, diameter_m=0.05), 3),
    # 26 bricks in packs of 12
    "pack": (BRICK, PieceOffer("brick", Decimal("9.00"), 0.2, 0.1, 0.06, count=12), 3),
}


def chosen(want: Wanted, *offers: Offer) -> tuple[Chosen, Chosen]:
    """The quick choice and the programme's, at one shop."""
    shop = Supplier("shop", "Shop", Decimal("6.00"), offers)
    return choose([want], [shop]), best_haul([want], [shop]).chosen


@pytest.mark.parametrize("form", EVERY_FORM)
@pytest.mark.parametrize(("more", "reaches"), [(-1, False), (0, True), (1, True), (7, True)])
def test_no_more_is_bought_than_a_shop_has(form: str, more: int, reaches: bool) -> None:
    want, offer, by_hand = EVERY_FORM[form]
    step = 0.25 if form == "bulk" else 1
    limited = replace(offer, at_most=by_hand + more * step)
    line = line_for(Supplier("shop", "Shop", Decimal(0), (limited,)), limited, want)
    assert (line is not None) == reaches
    for found in chosen(want, limited):
        if not reaches:
            assert found.lines == ()
            assert {*found.unmet, *found.unpriced} == {want.material}
            assert found.total == 0
            continue
        (line,) = found.lines
        assert (line.count or line.volume_m3) == pytest.approx(by_hand)
        assert found.unmet == found.unpriced == ()


@pytest.mark.parametrize("form", EVERY_FORM)
def test_a_limited_offer_gives_way_to_a_dearer_one_or_is_bought_with_it(form: str) -> None:
    """The dearer offer has plenty. What is bought never passes the limit, and the need is met."""
    want, offer, by_hand = EVERY_FORM[form]
    step = 0.25 if form == "bulk" else 1
    limited = replace(offer, at_most=by_hand - step, key="cheap")
    if isinstance(offer, BulkOffer):
        dear: Offer = replace(offer, price_per_m3=offer.price_per_m3 * 3, key="dear")
    else:
        dear = replace(offer, price=offer.price * 3, key="dear")
    for found in chosen(want, limited, dear):
        amounts = {line.offer.key: line.count or line.volume_m3 for line in found.lines}
        assert amounts.get("cheap", 0) <= by_hand - step + 1e-9
        assert sum(amounts.values()) == pytest.approx(by_hand)
        assert found.unmet == found.unpriced == ()


BOX = PieceOffer("brick", Decimal("0.80"), 0.2, 0.1, 0.06)


@pytest.mark.parametrize(
    ("offer", "fits"),
    [
        (BOX, True),
        # written the other way round it is the same brick
        (replace(BOX, length_m=0.06, width_m=0.2, height_m=0.1), True),
        # without a size it fits any
        (replace(BOX, length_m=None, width_m=None, height_m=None), True),
        # one side a centimetre off, or a side not said
        (replace(BOX, height_m=0.07), False),
        (replace(BOX, width_m=0.11), False),
        (replace(BOX, length_m=0.19), False),
        (replace(BOX, height_m=None), False),
    ],
)
def test_a_brick_of_another_size_is_another_brick(offer: PieceOffer, fits: bool) -> None:
    for found in chosen(BRICK, offer):
        assert bool(found.lines) == fits
        assert (found.unpriced == ("brick",)) == (not fits)


@pytest.mark.parametrize(
    ("offered_m", "fits"), [(0.05, True), (0.0504, True), (0.0506, False), (0.032, False), (None, False)]
)
def test_a_pipe_of_another_width_is_another_pipe(offered_m: float | None, fits: bool) -> None:
    pipe = PieceOffer("pipe", Decimal("7.00"), length_m=2.0, diameter_m=offered_m)
    for found in chosen(PIPE, pipe):
        assert bool(found.lines) == fits


@pytest.mark.parametrize(("offered_m", "fits"), [(0.1, True), (0.11, False), (None, True)])
def test_a_cap_fits_the_pipe_it_is_for(offered_m: float | None, fits: bool) -> None:
    caps = Wanted("cap", boxes=(Box(0.0, 0.0, 0.0, 4, diameter_m=0.1),))
    for found in chosen(caps, PieceOffer("cap", Decimal("2.50"), diameter_m=offered_m)):
        assert bool(found.lines) == fits
