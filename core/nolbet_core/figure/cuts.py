"""A garden's boards cut together: from lengths on sale and boards on hand."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from decimal import Decimal

from nolbet_core.built.state import is_begun
from nolbet_core.built.worked import WorkedBed
from nolbet_core.cuts.programme import SECONDS, CutPlan, cut_plan
from nolbet_core.cuts.stock import CutWish, Length, Pattern, Saw, used
from nolbet_core.figure.frame_figures import CutBoard, CutsFigures, UncutFigures, UnpricedBoards
from nolbet_core.frame.corners import joined
from nolbet_core.haul.offers import PieceOffer, Supplier
from nolbet_core.plan.garden import Plan
from nolbet_core.record import record

USUAL_LENGTHS_M = (1.8, 2.4, 3.0, 3.6, 4.2, 4.8)
"""What boards are sold in where nobody has said."""

SAME_M = 0.0005

Section = tuple[str, float, float]
"""A wood's key, and a board's thickness and width [m]."""


@record
class _Source:
    """A length that boards come in: where from, and at which price."""

    board: Length
    supplier: str | None
    is_stock: bool


@record
class _CutSection:
    section: Section
    wishes: list[CutWish]
    sources: list[_Source]
    plan: CutPlan
    unpriced: bool


def cuts_figures(
    beds: Sequence[WorkedBed], plan: Plan, suppliers: Sequence[Supplier], seconds: float = SECONDS
) -> CutsFigures | None:
    """How the boards of all frames that don't stand yet are cut; None where there are none.

    seconds: as long as it may take [s], over all sections together. Frames of filled beds stand already.
    """
    pieces = _asked(beds)
    if not pieces:
        return None
    saw = Saw(plan.cutting.kerf_m, plan.cutting.give_m)
    each_s = seconds / len(pieces)
    done = [_cut(section, lengths, plan, suppliers, saw, each_s) for section, lengths in pieces.items()]
    boards = [board for each in done for board in _boards_of(each, saw)]
    unpriced = [UnpricedBoards(*each.section) for each in done if each.unpriced]
    priced = [each.plan for each in done if not each.unpriced]
    return CutsFigures(
        boards=boards,
        price=sum((each.price for each in priced), Decimal(0)) if priced else None,
        lower_bound=sum((each.lower_bound for each in priced), Decimal(0)) if priced else None,
        proven_optimal=all(each.plan.proven_optimal for each in done),
        unpriced=unpriced,
        uncut=[UncutFigures(*each.section, wish.length_m, wish.count) for each in done for wish in each.plan.unmet],
        kerf_m=saw.kerf_m,
        give_m=saw.give_m,
        cuts=sum(_cuts_in(board, saw) * board.count for board in boards),
        offcuts_m=sum(board.offcut_m * board.count for board in boards),
    )


def _asked(beds: Sequence[WorkedBed]) -> dict[Section, Counter[tuple[float, int]]]:
    """Pieces by section: lengths [m] with the course they lie in, and how many."""
    asked: dict[Section, Counter[tuple[float, int]]] = {}
    for worked in beds:
        if worked.framed is None or is_begun(worked.bed, worked.state):
            continue
        for piece in worked.framed.pieces:
            section = (piece.material, piece.thickness_m, piece.width_m)
            asked.setdefault(section, Counter())[piece.length_m, 0] += piece.count * worked.bed.count
    return asked


def _cut(
    section: Section, lengths: Counter[tuple[float, int]], plan: Plan, suppliers: Sequence[Supplier], saw: Saw,
    seconds: float,
) -> _CutSection:  # fmt: skip
    offered = _on_sale(section, suppliers)
    unpriced = not offered
    if unpriced:
        offered = [_Source(Length(each, Decimal(str(each))), None, is_stock=False) for each in USUAL_LENGTHS_M]
    sources = [*offered, *_on_hand(section, plan)]
    longest_m = max(each.board.length_m for each in sources)
    counts: Counter[float] = Counter()
    for (length_m, _), count in lengths.items():
        for number in range(count):
            for part in joined(length_m, longest_m, number % 2):
                counts[round(part, 9)] += 1
    wishes = [CutWish(length_m, count) for length_m, count in counts.items()]
    wishes.sort(key=lambda wish: -wish.length_m)
    cut = cut_plan(wishes, [each.board for each in sources], saw, seconds)
    return _CutSection(section, wishes, sources, cut, unpriced)


def _on_sale(section: Section, suppliers: Sequence[Supplier]) -> list[_Source]:
    """The cheapest offer of each length."""
    best: dict[float, _Source] = {}
    for supplier in suppliers:
        for offer in supplier.offers:
            if not isinstance(offer, PieceOffer) or offer.length_m is None or not _is_of(offer, section):
                continue
            price = offer.price / offer.count
            known = best.get(offer.length_m)
            if known is None or price < known.board.price:
                best[offer.length_m] = _Source(Length(offer.length_m, price), supplier.name, is_stock=False)
    return list(best.values())


def _is_of(offer: PieceOffer, section: Section) -> bool:
    material, thick_m, wide_m = section
    return (
        offer.material == material
        and abs((offer.thickness_m or 0.0) - thick_m) < SAME_M
        and abs((offer.width_m or 0.0) - wide_m) < SAME_M
    )


def _on_hand(section: Section, plan: Plan) -> list[_Source]:
    material, thick_m, wide_m = section
    return [
        _Source(Length(entry.length_m or 0.0, Decimal(0), entry.count or 1, entry.usable_m), None, is_stock=True)
        for entry in plan.stock
        if entry.is_boards
        and entry.material == material
        and abs((entry.thickness_m or 0.0) - thick_m) < SAME_M
        and abs((entry.width_m or 0.0) - wide_m) < SAME_M
    ]


def _boards_of(cut: _CutSection, saw: Saw) -> list[CutBoard]:
    boards = []
    for pattern, count in sorted(cut.plan.cut, key=lambda each: each[0].source):
        source = cut.sources[pattern.source]
        wishes = _those_cut(cut)
        left_m = max(saw.room(source.board.length_m) - used(pattern, wishes, saw), 0.0)
        priced = not source.is_stock and not cut.unpriced
        boards.append(
            CutBoard(
                *cut.section,
                length_m=source.board.length_m,
                source="stock" if source.is_stock else "bought",
                supplier=source.supplier,
                price=source.board.price if priced else None,
                pieces_m=_pieces(pattern, wishes),
                offcut_m=left_m if left_m > SAME_M else 0.0,
                count=count,
            )
        )
    return boards


def _those_cut(cut: _CutSection) -> list[CutWish]:
    """Wishes in the order that the plan's patterns count them: the longest first, those that can't be cut left out."""
    unmet = {wish.length_m for wish in cut.plan.unmet}
    return [wish for wish in cut.wishes if wish.length_m not in unmet]


def _pieces(pattern: Pattern, wishes: Sequence[CutWish]) -> list[float]:
    return [wish.length_m for wish, count in zip(wishes, pattern.counts, strict=True) for _ in range(count)]


def _cuts_in(board: CutBoard, saw: Saw) -> int:
    """Cuts that one board takes: after every piece but the last where they fill it."""
    return len(board.pieces_m) - (0 if board.offcut_m > saw.kerf_m else 1)
