"""What a candidate takes at least, by its layers' volumes alone: who goes over a limit by that, or is beaten even so,
needs no judging.
"""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Mapping, Sequence

from nolbet_core.built.buying import stock_of
from nolbet_core.built.frame import BuiltFrame
from nolbet_core.built.names import name_of
from nolbet_core.built.sources import boards_in
from nolbet_core.built.stores import base_of
from nolbet_core.built.vessels import build_vessel
from nolbet_core.cuts.stock import SAME_M
from nolbet_core.frame.bowing import Fill
from nolbet_core.haul.lengths import BoardSection, price_of_metre
from nolbet_core.haul.offers import TOLERANCE_M3, Supplier
from nolbet_core.haul.unit_prices import least_prices
from nolbet_core.plan.bed import HEADSPACE_M, Bed
from nolbet_core.plan.frame import Frame
from nolbet_core.plan.wishes import Wishes
from nolbet_core.record import record
from nolbet_core.shelf.material import Material
from nolbet_core.wishes.candidates import Candidate
from nolbet_core.wishes.limits import Short
from nolbet_core.works.frame_steps import cutting_hours, fastening_hours
from nolbet_core.works.rates import Paces


@record
class Least:
    """What a candidate takes at least: money [currency], and hours of one person. unmet: keys of materials and woods
    that nobody offers, and there isn't enough of.
    """

    money: float
    hours: float
    unmet: tuple[str, ...]


@record
class _Framing:
    """What a frame takes at least: hours of cutting it and putting it together, and lengths of its boards [m]."""

    hours: float
    lengths_m: Mapping[BoardSection, float]


@record
class _Boards:
    """Boards of a section: how long those on hand are together [m], and what a metre costs where any are sold."""

    lying_m: float
    price_a_metre: float | None


CENT = 0.01
"""Sums are rounded by so much at most."""


class QuickBounds:
    """Bounds by the cheapest prices of a loose m3 and of a metre of board, without deliveries, whole bags, boards and
    sheets, and by the time that moving its fill and making its frames take. paces: how long work takes.
    """

    def __init__(
        self, wishes: Wishes, materials: Mapping[str, Material], suppliers: Sequence[Supplier], paces: Paces
    ) -> None:
        self._wishes, self._materials, self._suppliers = wishes, materials, suppliers
        self._prices = {key: float(price) for key, price in least_prices(suppliers).items()}
        self._paces = paces
        self._stock = stock_of(wishes.have.stock)
        # a heap of a mix stands for parts that nobody offers
        self._mixes_lie = any(materials[key].parts for key in self._stock)
        self._framings: dict[tuple[object, ...], _Framing] = {}
        self._boards: dict[BoardSection, _Boards] = {}

    def least(self, candidate: Candidate, bed: Bed) -> Least:
        """What its fill takes at least; what nobody offers costs nothing."""
        loose: dict[str, float] = {}
        moved_m3 = 0.0
        for key, placed_m3 in self._placed(candidate, bed):
            material = self._materials[key]
            moved_m3 += placed_m3 * material.loose_factor
            # a mix takes at least its parts' share of its own volume
            for part, share in [(each.material, each.volume_share) for each in material.parts] or [(material, 1.0)]:
                loose[part.key] = loose.get(part.key, 0.0) + placed_m3 * share * material.loose_factor
        to_buy = {key: max(volume_m3 - self._stock.get(key, 0.0), 0.0) for key, volume_m3 in loose.items()}
        money = sum(volume_m3 * self._prices.get(key, 0.0) for key, volume_m3 in to_buy.items())
        unmet = [key for key, volume_m3 in to_buy.items() if volume_m3 > TOLERANCE_M3 and key not in self._prices]
        medium = bed.reservoir.medium if bed.reservoir else None
        if medium is not None and medium not in self._prices and not self._stock.get(medium):
            unmet.append(medium)
        framing = self._framing(candidate, bed)
        hours = self._paces.hours("shovel_m3_h", moved_m3) + framing.hours * bed.count
        lacking = tuple(unmet) if self._prices and not self._mixes_lie else ()
        for section, length_m in framing.lengths_m.items():
            boards = self._boards_of(section)
            short_m = max(length_m * bed.count - boards.lying_m, 0.0)
            money += short_m * (boards.price_a_metre or 0.0)
            if short_m > SAME_M and boards.price_a_metre is None and self._suppliers:
                lacking = (*lacking, section[0])
        return Least(money, hours, lacking)

    def short(self, candidate: Candidate, least: Least) -> list[Short]:
        """Limits that it goes over by its bounds alone."""
        found: list[Short] = []
        have, may = self._wishes.have, self._wishes.may
        if have.money is not None and least.money > float(have.money) + CENT:
            found.append(Short("money", float(have.money), least.money))
        if may.height_m is not None and candidate.section and candidate.depth_m > may.height_m + 1e-9:
            found.append(Short("height", may.height_m, candidate.depth_m))
        if least.unmet:
            names = tuple(name_of(key, self._materials) for key in least.unmet)
            found.append(Short("offered", 0.0, len(names), names))
        return found

    def _boards_of(self, section: BoardSection) -> _Boards:
        if section not in self._boards:
            lying = boards_in(section, self._wishes.have.stock)
            price = price_of_metre(section, self._suppliers)
            self._boards[section] = _Boards(
                sum((each.length_m or 0.0) * (each.count or 1) for each in lying),
                None if price is None else float(price),
            )
        return self._boards[section]

    def _framing(self, candidate: Candidate, bed: Bed) -> _Framing:
        """What one of its frames takes at least, as if nothing pushed against it."""
        if bed.frame is None:
            return _Framing(0.0, {})
        told = candidate.section, candidate.length_m, candidate.width_m, candidate.courses
        if told not in self._framings:
            self._framings[told] = self._framed(bed, bed.frame)
        return self._framings[told]

    def _framed(self, bed: Bed, frame: Frame) -> _Framing:
        vessel = build_vessel(bed, "bed", [])
        if vessel is None:
            return _Framing(0.0, {})
        framed = BuiltFrame(bed, frame, vessel, Fill(()))
        lengths_m: defaultdict[BoardSection, float] = defaultdict(float)
        for piece in framed.pieces:
            lengths_m[piece.material, piece.thickness_m, piece.width_m] += piece.length_m * piece.count
        hours = cutting_hours(framed, 1, self._paces) + fastening_hours(framed, 1, self._paces)
        return _Framing(hours, lengths_m)

    def _placed(self, candidate: Candidate, bed: Bed) -> list[tuple[str, float]]:
        """What lies in all beds by their layers' depths [m3]; sheets and what packs voids left out."""
        depth_m = candidate.depth_m - (HEADSPACE_M if candidate.section else 0.0)
        left_m = depth_m - sum(each.thickness_m or 0.0 for each in bed.layers)
        left_m -= base_of(bed)
        return [
            (each.material, candidate.area_m2 * (each.thickness_m or max(left_m, 0.0)))
            for each in bed.layers
            if each.thickness_m or each.fill
        ]
