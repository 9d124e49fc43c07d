"""The cheapest haul of a whole garden over all suppliers at once, as a mixed-integer programme."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, field
from decimal import Decimal
from time import monotonic
from typing import Protocol

from nolbet_core.haul.bringing import bring
from nolbet_core.haul.choose import Chosen, is_loose
from nolbet_core.haul.columns import CENTS, Bought, bought_columns, met_by_one, need_of, reach_of
from nolbet_core.haul.offers import (
    LOOSE_FORMS,
    TOLERANCE_M3,
    BulkOffer,
    Form,
    Line,
    Offer,
    PieceOffer,
    Supplier,
    bulk_line,
    counted_line,
    delivery_for,
    goods_of,
)
from nolbet_core.haul.rows import Rows, Solved, Values, solve
from nolbet_core.haul.wanted import Wanted
from nolbet_core.record import record

SECONDS = 5.0
NEAR_CENT = 1.0
"""Plans within a cent of the least are alike, and the one with least left over is taken."""
SHORT_OF_M3 = 1e-7
CHEAPER_OF_TWO = 1e-5
GAP_CENTS = 1e8
HALF = 0.5
CENT = Decimal("0.01")
LEAST_SECONDS = 0.1


@record
class HeldLine:
    """A line held by hand: so many, or so much [m3], of a material from a supplier. offer: the key of its offer."""

    supplier: str
    material: str
    form: Form
    count: int | None = None
    volume_m3: float | None = None
    offer: str | None = None

    def holds_for(self, supplier: Supplier, offer: Offer) -> bool:
        """Whether it is of that offer."""
        if self.supplier != supplier.key or self.material != offer.material:
            return False
        form = "pack" if isinstance(offer, PieceOffer) and offer.count > 1 else offer.form
        return self.form == form and (self.offer is None or self.offer == offer.key)


@record
class Best:
    """The cheapest haul found: what it is, what nothing costs less, whether that is proven, and how long it took [s].

    unkept: lines held by hand that no offer can keep.
    """

    chosen: Chosen
    lower_bound: Decimal
    proven_optimal: bool
    seconds: float
    unkept: tuple[HeldLine, ...] = ()


class HaulWatch(Protocol):
    """Looks on while the cheapest haul is looked for."""

    def bound(self, lower_bound: Decimal) -> None:
        """Told of what no haul costs less."""

    def better(self, best: Best) -> None:
        """Told of a better haul than any before."""

    def ends(self) -> bool:
        """Whether to leave off and take the best so far."""


@dataclass(slots=True)
class _Haul:
    """The programme and what its columns stand for."""

    rows: Rows
    bought: list[Bought] = field(default_factory=list)
    met: list[int] = field(default_factory=list)
    gaps: list[int] = field(default_factory=list)


def best_haul(
    wants: Sequence[Wanted],
    suppliers: Sequence[Supplier],
    seconds: float = SECONDS,
    forms: Sequence[Form] = LOOSE_FORMS,
    beside: Sequence[Line] = (),
    fixed: Sequence[HeldLine] = (),
    watch: HaulWatch | None = None,
) -> Best:
    """Meet everything wanted at least cost over all suppliers at once; of those plans the one with least left over.

    wants: what is to be bought. suppliers: who offers what. seconds: as long as it may take [s]. forms: how loose
    material may come. beside: lines that are bought whatever is chosen, as boards are. fixed: lines held by hand.
    watch: looks on, and may end it sooner.

    One thing may be met by several offers. What no offer reaches for is left out and named.
    """
    asked = [want for want in wants if not is_loose(want) or want.volume_m3 > TOLERANCE_M3]
    found = _best(_Market(asked, suppliers, forms, beside, HALF), fixed, seconds, watch)
    if all(_delivers(supplier, found.chosen) for supplier in suppliers):
        return found
    # what was rounded up to a sum on the bill fell short of it after all
    return _best(_Market(asked, suppliers, forms, beside, 0.0), fixed, seconds, watch)


def _delivers(supplier: Supplier, chosen: Chosen) -> bool:
    """Whether a supplier delivers what was chosen of it: for no less than its least order, as the bill is rounded."""
    brought = [line for line in chosen.lines if line.supplier.key == supplier.key and not line.offer.fetched]
    return not brought or supplier.minimum_order is None or goods_of(brought) >= supplier.minimum_order


def _best(market: _Market, fixed: Sequence[HeldLine], seconds: float, watch: HaulWatch | None) -> Best:
    """As best_haul."""
    began = monotonic()
    asked, beside = market.asked, market.beside
    haul, lacking, unkept = _programme(market, fixed)
    looked = _Watched(market, haul, tuple(lacking), watch, began) if watch else None
    solved = solve(haul.rows, seconds, watch=looked)
    if solved is None and fixed:
        # what can't be had beside the others, in no step that is sold or under a least order, is let go
        kept: list[HeldLine] = []
        for each in fixed:
            tried, _, refused = _programme(market, [*kept, each])
            if not refused and solve(tried.rows, _left(began, seconds)) is not None:
                kept.append(each)
        haul, lacking, _ = _programme(market, kept)
        unkept = tuple(each for each in fixed if each not in kept)
        solved = solve(haul.rows, _left(began, seconds))
    if solved is None:
        # least orders leave something out of reach: as few things as can be are left out
        able = [want for want in asked if want not in lacking]
        solved = solve(_with_gaps(haul), _left(began, seconds))
        if solved is None:
            return Best(_chosen([], beside, asked), Decimal(0), False, monotonic() - began, tuple(fixed))
        lacking += [want for want, gap in zip(able, haul.gaps, strict=True) if solved.values[gap] > HALF]
        solved = _without_gaps(haul, solved)
    left_s = 0.0 if watch and watch.ends() else seconds - (monotonic() - began)
    chosen = _chosen(_lines(haul, solved), beside, lacking)
    fuller = _chosen(_lines(haul, _least_left(haul, solved, left_s)), beside, lacking)
    if fuller.total - chosen.total <= CENT:
        chosen = fuller
    bound = market.in_money(solved.bound)
    proven = solved.cost - solved.bound <= NEAR_CENT and chosen.total - bound <= Decimal("0.02")
    return Best(chosen, chosen.total if proven else min(bound, chosen.total), proven, monotonic() - began, unkept)


@record
class _Market:
    """What is asked, who offers what in which forms, what is bought whatever is chosen, and how much less than a sum is
    enough for a delivery.
    """

    asked: Sequence[Wanted]
    suppliers: Sequence[Supplier]
    forms: Sequence[Form]
    beside: Sequence[Line]
    slack_cents: float

    def in_money(self, cents: float) -> Decimal:
        """What the programme counts in cents, with what is bought whatever is chosen."""
        base = Decimal(sum((line.price for line in self.beside), Decimal(0)))
        return (Decimal(str(round(max(cents, 0.0), 4))) / CENTS + base).quantize(Decimal("0.0001"))


@record
class _Watched:
    """Passes on to who looks on what the programme tells, in money and lines."""

    market: _Market
    haul: _Haul
    lacking: Sequence[Wanted]
    watch: HaulWatch
    began: float

    def seen(self, cost: float, bound: float, values: Values | None) -> None:
        """As the programme tells it."""
        if math.isfinite(bound):
            self.watch.bound(self.market.in_money(bound))
        if values is None:
            return
        lines = _lines(self.haul, Solved(values, cost, bound))
        chosen = _chosen(lines, self.market.beside, self.lacking)
        lower = self.market.in_money(bound) if math.isfinite(bound) else Decimal(0)
        self.watch.better(Best(chosen, min(lower, chosen.total), False, monotonic() - self.began))

    def ends(self) -> bool:
        """As who looks on says."""
        return self.watch.ends()


def _programme(market: _Market, fixed: Sequence[HeldLine]) -> tuple[_Haul, list[Wanted], tuple[HeldLine, ...]]:
    """The programme of a haul, what no offer reaches for, and lines held by hand that no offer can keep."""
    haul = _Haul(Rows())
    lacking = [want for want in market.asked if not _meet(haul, want, market, fixed)]
    unkept = _hold(haul, fixed)
    _deliver(haul, market)
    return haul, lacking, unkept


def _left(began: float, seconds: float) -> float:
    """What is left of the time there is [s]."""
    return max(seconds - (monotonic() - began), LEAST_SECONDS)


def _chosen(lines: Sequence[Line], beside: Sequence[Line], lacking: Sequence[Wanted]) -> Chosen:
    every = (*beside, *lines)
    return Chosen(
        every,
        delivery_for(every),
        tuple(want.material for want in lacking if is_loose(want)),
        tuple(dict.fromkeys(want.material for want in lacking if not is_loose(want))),
    )


def _meet(haul: _Haul, want: Wanted, market: _Market, fixed: Sequence[HeldLine]) -> bool:
    """Columns for the offers of a thing, and the row that they meet it; nothing where they can't."""
    offers = [
        (supplier, offer)
        for supplier in market.suppliers
        for offer in supplier.offers
        if offer.material == want.material and (offer.form in market.forms or offer.form not in LOOSE_FORMS)
    ]
    ways = [(supplier, offer, meets) for supplier, offer in offers if (meets := met_by_one(offer, want)) is not None]
    need = need_of(want)
    if sum(reach_of(offer, meets) for _, offer, meets in ways) < need - SHORT_OF_M3:
        return False
    found = [
        bought_columns(haul.rows, supplier, offer, want, meets, _held(supplier, offer, fixed))
        for supplier, offer, meets in ways
    ]
    haul.bought += found
    terms: dict[int, float] = {}
    for each in found:
        for column, many in each.amount.items():
            terms[column] = terms.get(column, 0.0) + many * each.meets
    haul.met.append(len(haul.rows.rows))
    haul.rows.row(terms, least=need - SHORT_OF_M3)
    return True


def _held(supplier: Supplier, offer: Offer, fixed: Sequence[HeldLine]) -> float:
    """The most that a line held by hand asks of an offer: so many, or so much [m3]."""
    return max((each.count or each.volume_m3 or 0.0 for each in fixed if each.holds_for(supplier, offer)), default=0.0)


def _with_gaps(haul: _Haul) -> Rows:
    """The programme with a way round each need, dearer than all else."""
    for place in haul.met:
        gap = haul.rows.column(GAP_CENTS, 1.0)
        haul.gaps.append(gap)
        terms, least, most = haul.rows.rows[place]
        haul.rows.rows[place] = ({**terms, gap: least}, least, most)
    return haul.rows


def _without_gaps(haul: _Haul, solved: Solved) -> Solved:
    """The same, what goes round needs held as it is and costing nothing."""
    gaps_cents = 0.0
    for gap in haul.gaps:
        taken = float(round(solved.values[gap]))
        gaps_cents += taken * GAP_CENTS
        haul.rows.costs[gap], haul.rows.least[gap], haul.rows.most[gap] = 0.0, taken, taken
    return Solved(solved.values, solved.cost - gaps_cents, solved.bound - gaps_cents)


def _hold(haul: _Haul, fixed: Sequence[HeldLine]) -> tuple[HeldLine, ...]:
    """Rows that hold lines fixed by hand; those that no offer can keep are given back."""
    unkept = []
    for each in fixed:
        own = [bought for bought in haul.bought if each.holds_for(bought.supplier, bought.offer)]
        loose = bool(own) and isinstance(own[0].offer, BulkOffer)
        exact = each.volume_m3 if loose else each.count
        if not own:
            unkept.append(each)
            continue
        most = sum(_most(bought) for bought in own)
        if exact is None or exact > most + TOLERANCE_M3:
            unkept.append(each)
            continue
        terms: dict[int, float] = {}
        for bought in own:
            for column, many in bought.amount.items():
                terms[column] = terms.get(column, 0.0) + many
        haul.rows.row(terms, exact - TOLERANCE_M3, exact + TOLERANCE_M3)
    return tuple(unkept)


def _most(bought: Bought) -> float:
    return math.inf if bought.offer.at_most is None else float(bought.offer.at_most)


def _deliver(haul: _Haul, market: _Market) -> None:
    """Costs of lines and of what brings them: drops once each, free over a sum, none below a least order."""
    for each in haul.bought:
        for column, cents in each.price.items():
            haul.rows.costs[column] += cents
    for supplier in market.suppliers:
        own = [each for each in haul.bought if each.supplier.key == supplier.key and not each.offer.fetched]
        there = [line for line in market.beside if line.supplier.key == supplier.key and not line.offer.fetched]
        bring(haul.rows, supplier, own, there, market.slack_cents)


def _least_left(haul: _Haul, solved: Solved, seconds: float) -> Solved:
    """Of the plans within a cent of the least the one with least left over, where there is time to look."""
    loose = [each for each in haul.bought if is_loose(each.wanted)]
    if seconds <= 0 or not loose:
        return solved
    # of those with as little left over the cheaper one
    left = {column: CHEAPER_OF_TWO * cents for column, cents in enumerate(haul.rows.costs) if cents}
    for each in loose:
        for column, many in each.amount.items():
            left[column] = left.get(column, 0.0) + many * each.meets
    held = Rows(haul.rows.costs, haul.rows.least, haul.rows.most, haul.rows.whole, list(haul.rows.rows))
    paid = {column: cents for column, cents in enumerate(haul.rows.costs) if cents}
    held.row(paid, most=solved.cost + NEAR_CENT)
    return solve(held, max(seconds, 0.1), left) or solved


def _lines(haul: _Haul, solved: Solved) -> list[Line]:
    """The lines that the columns stand for; what an offer brings is bought for its share of the need."""
    lines = []
    for each in haul.bought:
        amount = sum(many * solved.values[column] for column, many in each.amount.items())
        if amount <= TOLERANCE_M3:
            continue
        need_m3 = _share_of_need(haul, each, solved)
        if isinstance(each.offer, BulkOffer):
            step_m3 = each.offer.step_m3
            volume_m3 = float(amount) if step_m3 is None else round(float(amount) / step_m3) * step_m3
            lines.append(bulk_line(each.supplier, each.offer, volume_m3, need_m3))
            continue
        line = counted_line(each.supplier, each.offer, round(float(amount)), each.wanted)
        lines.append(_for_share(line, need_m3))
    return lines


def _share_of_need(haul: _Haul, each: Bought, solved: Solved) -> float:
    if not is_loose(each.wanted):
        return 0.0
    own = float(sum(many * solved.values[column] for column, many in each.amount.items())) * each.meets
    whole = sum(
        float(sum(many * solved.values[column] for column, many in other.amount.items())) * other.meets
        for other in haul.bought
        if other.wanted is each.wanted
    )
    return each.wanted.volume_m3 * own / whole if whole > 0 else 0.0


def _for_share(line: Line, need_m3: float) -> Line:
    return Line(line.supplier, line.offer, need_m3, line.count, line.volume_m3, line.price, line.covers)
