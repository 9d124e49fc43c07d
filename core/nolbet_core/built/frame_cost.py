"""What a frame costs, what other courses would, which sizes waste no board, and the cheapest way to hold a side."""

from __future__ import annotations

from collections.abc import Sequence
from decimal import ROUND_HALF_UP, Decimal
from functools import lru_cache
from typing import Any, Literal

from nolbet_core.built.fixings import Fixings, bought_fixings, bought_units
from nolbet_core.built.frame import BuiltFrame
from nolbet_core.built.sources import Sources, lengths_known
from nolbet_core.frame.bowing import side_pressure, ties_for, wall_spacing
from nolbet_core.frame.corners import Corner, rectangle_course
from nolbet_core.frame.fasteners import post_length
from nolbet_core.frame.sizes import USUAL_SIZES, nominal_size
from nolbet_core.frame.whole import Boarded, BoxSize, box_sizes, wastes_nothing
from nolbet_core.haul.lengths import BoardSection, price_of_metre, price_of_one
from nolbet_core.haul.offers import CENT
from nolbet_core.record import record
from nolbet_core.shapes.angular import Rectangle

USUAL_POST_M = 0.075
POSTS_M = (0.075, 0.089, 0.1, 0.14, 0.15, 0.2)
"""Square posts as sold [m]."""
SAME_WIDTH_M = 0.001
THIN_FIRST = sorted(USUAL_SIZES, key=nominal_size)


@record
class FrameCost:
    """What a frame costs at the cheapest offers, boards by the metre. unpriced: keys of what nobody offers."""

    price: Decimal | None
    unpriced: tuple[str, ...]


def frame_cost(framed: BuiltFrame, held: Fixings, sources: Sources) -> FrameCost:
    """What one frame costs. held: what holds it; what nobody offers is left out and named."""
    total, unpriced = Decimal(0), []
    counted = [*bought_units(framed), *bought_fixings(held)]
    asked: list[tuple[str, Decimal | None, float]] = [
        (each.material, price_of_metre((each.material, each.thickness_m, each.width_m), sources.suppliers),
         each.length_m * each.count)
        for each in framed.pieces
    ] + [(ware.key, price_of_one(ware.key, sources.suppliers), box.count) for ware, box in counted]  # fmt: skip
    for key, one, many in asked:
        if one is None:
            unpriced.append(key)
            continue
        total += one * Decimal(repr(many))
    return FrameCost(to_the_cent(total) if total else None, tuple(dict.fromkeys(unpriced)))


def to_the_cent(price: Decimal) -> Decimal:
    """A price as it is paid."""
    return price.quantize(CENT, rounding=ROUND_HALF_UP)


@record
class CourseChoice:
    """What so many courses of its boards make [m], and what those boards cost by the metre where they are offered."""

    courses: int
    height_m: float
    price: Decimal | None


def course_choices(framed: BuiltFrame, sources: Sources) -> list[CourseChoice]:
    """From one course to two more than it has: what depth three boards make, and what a budget buys."""
    outside = framed.vessel.outside
    if not framed.is_boards or not isinstance(outside, Rectangle):
        return []
    thick_m, width_m = framed.section
    corner: Corner = framed.frame.corner
    post_m, slot_m = framed.frame.post_m or 0.0, framed.frame.slot_m or 0.0
    metres = [
        price_of_metre((each.key, thick_m, width_m), sources.suppliers) for each in (framed.lowest, framed.timber)
    ]
    choices: list[CourseChoice] = []
    price: Decimal | None = Decimal(0)
    for course in range(framed.courses.count + 2):
        if None in metres:
            choices.append(CourseChoice(course + 1, (course + 1) * width_m, None))
            continue
        pieces = rectangle_course(corner, outside.length_m, outside.width_m, thick_m, course, post_m, slot_m)
        metre = metres[0 if course == 0 else 1]
        run_m = Decimal(repr(sum(each.length_m for each in pieces)))
        price = None if price is None or metre is None else price + metre * run_m
        paid = None if price is None else to_the_cent(price)
        choices.append(CourseChoice(course + 1, (course + 1) * width_m, paid))
    return choices


def boarded(framed: BuiltFrame, sources: Sources) -> Boarded | None:
    """How a box is boarded, from the lengths that are known, else the usual ones; None of what is no box of boards."""
    if not framed.is_boards or not isinstance(framed.vessel.outside, Rectangle):
        return None
    thick_m, width_m = framed.section
    known = lengths_known((framed.timber.key, thick_m, width_m), sources) or sources.usual_lengths_m
    frame, cutting = framed.frame, sources.cutting
    return Boarded(
        frame.corner, thick_m, frame.post_m or 0.0, frame.slot_m or 0.0, framed.courses.count, known, cutting.kerf_m,
        cutting.give_m,
    )  # fmt: skip


def sizes_without_waste(framed: BuiltFrame, sources: Sources) -> Sequence[BoxSize]:
    """Inside sizes near the one it has that waste no board; nothing where its own wastes none."""
    made = boarded(framed, sources)
    if made is None:
        return ()
    inside = framed.vessel.inside
    words = (
        made.corner,
        made.thick_m,
        made.post_m,
        made.slot_m,
        made.courses,
        made.lengths_m,
        made.kerf_m,
        made.give_m,
    )
    return _found_sizes(words, inside.length_m, inside.width_m)


@lru_cache(maxsize=256)
def _found_sizes(words: tuple[Any, ...], length_m: float, width_m: float) -> tuple[BoxSize, ...]:
    """As sizes_without_waste, looked for once while a bed's layers are dragged. words: what Boarded takes."""
    made = Boarded(*words)
    if wastes_nothing(made, (length_m, width_m)):
        return ()
    return tuple(box_sizes(made, (length_m, width_m)))


Way = Literal["tie", "thicker", "post"]


@record
class BraceWay:
    """One way to hold a long side: ties across, thicker boards or posts outside; how many, and their price.

    nominal: of thicker boards. section_m: thickness and width of what is added or taken instead [m].
    """

    way: Way
    count: int
    section_m: tuple[float, float]
    price: Decimal | None
    nominal: str | None = None


def brace_ways(framed: BuiltFrame, sources: Sources) -> list[BraceWay]:
    """The ways to hold a side that bows, those with a price first and the cheapest of them before the others."""
    wanted = framed.ties
    if not wanted:
        return []
    thick_m, width_m = framed.section
    inside = framed.vessel.inside
    across_m = min(inside.length_m, inside.width_m)
    wood = framed.timber.key
    tie = _priced((wood, thick_m, width_m), across_m * wanted, sources)
    ways = [
        BraceWay("tie", wanted, (thick_m, width_m), tie),
        *_posts(framed, wanted, sources),
        *_thicker(framed, sources),
    ]
    return sorted(ways, key=lambda each: (each.price is None, each.price or Decimal(0)))


def _posts(framed: BuiltFrame, a_side: int, sources: Sources) -> list[BraceWay]:
    """The thinnest usual posts outside that are strong enough, so many on each long side."""
    if not framed.stands_in_ground:
        return []
    for post_m in sorted({framed.frame.post_m or USUAL_POST_M, *POSTS_M}):
        if framed.stress_of_post(post_m, a_side) > 1:
            continue
        count = 2 * a_side
        price = _priced((framed.lowest.key, post_m, post_m), post_length(framed.height_m) * count, sources)
        return [BraceWay("post", count, (post_m, post_m), price)]
    return []


def _priced(section: BoardSection, length_m: float, sources: Sources) -> Decimal | None:
    metre = price_of_metre(section, sources.suppliers)
    return None if metre is None else to_the_cent(metre * Decimal(repr(length_m)))


def _thicker(framed: BuiltFrame, sources: Sources) -> list[BraceWay]:
    """The thinnest boards of the same width that need no support, and what they cost more."""
    thick_m, width_m = framed.section
    pressure = side_pressure(framed.fill, max(framed.height_m - width_m / 2, 0.0))
    run_m = sum(each.length_m for each in framed.boards)
    for name in THIN_FIRST:
        thicker_m, wide_m = nominal_size(name)
        if thicker_m <= thick_m or abs(wide_m - width_m) > SAME_WIDTH_M:
            continue
        if ties_for(framed.span_m, wall_spacing(pressure, thicker_m, framed.lowest.strength)):
            continue
        new = _priced((framed.timber.key, thicker_m, wide_m), run_m, sources)
        old = _priced((framed.timber.key, thick_m, width_m), run_m, sources)
        more = None if new is None or old is None else max(new - old, Decimal(0))
        return [BraceWay("thicker", len(framed.boards), (thicker_m, wide_m), more, name)]
    return []
