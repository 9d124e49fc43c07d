"""A garden's boards cut together: from lengths on sale and boards on hand."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from decimal import Decimal
from functools import lru_cache

from nolbet_core.built.bought import boards_on_hand
from nolbet_core.built.sources import USUAL_LENGTHS_M, WORTH_KEEPING_M, boards_in
from nolbet_core.built.state import frame_stands, is_put_off
from nolbet_core.built.worked import WorkedBed
from nolbet_core.cuts.programme import SECONDS, CutPlan, cut_plan
from nolbet_core.cuts.stock import CutWish, Length, Pattern, Saw
from nolbet_core.figure.frame_figures import CutBoard, CutsFigures, LyingBoards, UncutFigures, UnpricedBoards
from nolbet_core.frame.corners import joined
from nolbet_core.haul.lengths import BoardSection, board_line, lengths_offered
from nolbet_core.haul.offers import SAME_M, Line, Supplier
from nolbet_core.plan.garden import Plan
from nolbet_core.quantities.units import System
from nolbet_core.record import record

Stick = tuple[str, float, float, float]
"""A wood's key, and a board's thickness, width and length [m]."""

JOINED = ("long side", "short side", "side")
"""Pieces that may be made of several boards where none is long enough; posts, legs and bearers never are."""


@record
class _Source:
    """A length that boards come in: where from, and at which price."""

    board: Length
    supplier: str | None
    is_stock: bool


@record
class _CutSection:
    section: BoardSection
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
        cuts=sum(_cuts_in(board) * board.count for board in boards),
        offcuts_m=sum(board.offcut_m * board.count for board in boards),
        lying_after=_left_lying(boards, plan),
    )


def board_lines(cuts: CutsFigures, suppliers: Sequence[Supplier]) -> list[Line]:
    """The boards that are bought, as lines of a haul; none of a section of which the suppliers have too few."""
    counts: Counter[tuple[Stick, str, Decimal | None]] = Counter()
    short = set(short_sections(cuts, suppliers))
    for board in cuts.boards:
        section = (board.material, board.thickness_m, board.width_m)
        if board.source == "bought" and board.supplier is not None and section not in short:
            counts[(*section, board.length_m), board.supplier, board.price] += board.count
    lines = []
    for ((material, thick_m, wide_m, length_m), supplier, price), count in counts.items():
        for each in lengths_offered((material, thick_m, wide_m), suppliers):
            if (each.length_m, each.supplier.name, each.price) == (length_m, supplier, price):
                lines.append(board_line(each, count))
                break
    return lines


def short_sections(cuts: CutsFigures, suppliers: Sequence[Supplier]) -> list[BoardSection]:
    """Sections of which pieces can't be cut because the suppliers have too few boards."""
    uncut = dict.fromkeys((each.material, each.thickness_m, each.width_m) for each in cuts.uncut)
    return [each for each in uncut if any(one.count is not None for one in lengths_offered(each, suppliers))]


def _left_lying(boards: Sequence[CutBoard], plan: Plan) -> list[LyingBoards]:
    """Boards on hand once all is sawn: those there were less those that were cut, and the offcuts worth keeping."""
    used: Counter[Stick] = Counter()
    offcuts: Counter[Stick] = Counter()
    for board in boards:
        if board.source == "stock":
            used[board.material, board.thickness_m, board.width_m, board.length_m] += board.count
        if board.offcut_m >= WORTH_KEEPING_M[System(plan.garden.units)]:
            left_m = int(board.offcut_m * 1000) / 1000
            offcuts[board.material, board.thickness_m, board.width_m, left_m] += board.count
    lying = []
    for entry in boards_on_hand(plan):
        stick = (entry.material, entry.thickness_m or 0.0, entry.width_m or 0.0, entry.length_m or 0.0)
        taken = min(used[stick], entry.count or 1)
        used[stick] -= taken
        if (entry.count or 1) > taken:
            lying.append(LyingBoards(*stick, (entry.count or 1) - taken, entry.usable_m))
    return lying + [LyingBoards(*stick, count, None) for stick, count in offcuts.items()]


def _asked(beds: Sequence[WorkedBed]) -> dict[BoardSection, Counter[tuple[float, bool]]]:
    """Pieces by section: lengths [m], whether they may be joined, and how many."""
    asked: dict[BoardSection, Counter[tuple[float, bool]]] = {}
    for worked in beds:
        if worked.framed is None or frame_stands(worked.bed, worked.state):
            continue
        if is_put_off(worked.bed, worked.year.today):
            continue
        for piece in worked.framed.pieces:
            section = (piece.material, piece.thickness_m, piece.width_m)
            joinable = piece.part.startswith(JOINED)
            asked.setdefault(section, Counter())[piece.length_m, joinable] += piece.count * worked.bed.count
    return asked


def _cut(
    section: BoardSection, lengths: Counter[tuple[float, bool]], plan: Plan, suppliers: Sequence[Supplier], saw: Saw,
    seconds: float,
) -> _CutSection:  # fmt: skip
    offered = [
        _Source(Length(each.length_m, each.price, each.count), each.supplier.name, is_stock=False)
        for each in lengths_offered(section, suppliers)
    ]
    nobody_offers = not offered
    if nobody_offers:
        usual_m = USUAL_LENGTHS_M[System(plan.garden.units)]
        offered = [_Source(Length(each, Decimal(str(each))), None, is_stock=False) for each in usual_m]
    sources = [*offered, *_on_hand(section, plan)]
    longest_m = max(each.board.length_m for each in sources)
    counts: Counter[float] = Counter()
    for (length_m, joinable), count in lengths.items():
        for number in range(count):
            for part in joined(length_m, longest_m, number % 2) if joinable else [length_m]:
                counts[round(part, 9)] += 1
    wishes = [CutWish(length_m, count) for length_m, count in counts.items()]
    wishes.sort(key=lambda wish: -wish.length_m)
    asked = tuple((wish.length_m, wish.count) for wish in wishes)
    boards = tuple((each.board.length_m, each.board.price, each.board.count, each.board.usable_m) for each in sources)
    cut = _kept_cut(asked, boards, (saw.kerf_m, saw.give_m), seconds)
    bought = any(not sources[pattern.source].is_stock for pattern, _ in cut.cut)
    return _CutSection(section, wishes, sources, cut, nobody_offers and bought)


@lru_cache(maxsize=64)
def _kept_cut(
    asked: tuple[tuple[float, int], ...],
    boards: tuple[tuple[float, Decimal, int | None, float | None], ...],
    saw: tuple[float, float],
    seconds: float,
) -> CutPlan:
    """The cheapest cuts, kept while nothing of what they rest on changes."""
    lengths = [Length(*each) for each in boards]
    return cut_plan([CutWish(*each) for each in asked], lengths, Saw(*saw), seconds)


def _on_hand(section: BoardSection, plan: Plan) -> list[_Source]:
    return [
        _Source(Length(entry.length_m or 0.0, Decimal(0), entry.count or 1, entry.usable_m), None, is_stock=True)
        for entry in boards_in(section, boards_on_hand(plan))
    ]


def _boards_of(cut: _CutSection, saw: Saw) -> list[CutBoard]:
    boards = []
    for pattern, count in sorted(cut.plan.cut, key=lambda each: each[0].source):
        source = cut.sources[pattern.source]
        wishes = _those_cut(cut, saw)
        pieces = _pieces(pattern, wishes)
        # pieces come out short only where a board doesn't reach for all of them whole
        left_m = max(source.board.length_m - sum(pieces) - saw.kerf_m * len(pieces), 0.0)
        priced = not source.is_stock and not cut.unpriced
        boards.append(
            CutBoard(
                *cut.section,
                length_m=source.board.length_m,
                source="stock" if source.is_stock else "bought",
                supplier=source.supplier,
                price=source.board.price if priced else None,
                pieces_m=pieces,
                offcut_m=left_m if left_m > SAME_M else 0.0,
                count=count,
            )
        )
    return boards


def _those_cut(cut: _CutSection, saw: Saw) -> list[CutWish]:
    """Wishes in the order that the plan's patterns count them: the longest first, without those too long for any board.

    A wish that the boards reach for in part stays among them.
    """
    return [wish for wish in cut.wishes if any(source.board.takes(wish.length_m, saw) for source in cut.sources)]


def _pieces(pattern: Pattern, wishes: Sequence[CutWish]) -> list[float]:
    return [wish.length_m for wish, count in zip(wishes, pattern.counts, strict=True) for _ in range(count)]


def _cuts_in(board: CutBoard) -> int:
    """Cuts that one board takes: after every piece but the last where they fill it."""
    return len(board.pieces_m) - (0 if board.offcut_m > 0 else 1)
