"""What all beds together need of each thing, less what is on hand."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field, replace

from nolbet_core.blend.mix import Mix, outermost_first
from nolbet_core.haul.wanted import Board, Box, Cover, Stretch, Wanted
from nolbet_core.record import record
from nolbet_core.shelf.material import Material
from nolbet_core.shelf.wares import Ware
from nolbet_core.stack.layers import Bulk, Scattered, Sheet, Standing

PATHS = ""
"""Stands for the paths where needs are told by bed."""


@record
class Share:
    """What one bed with all alike takes of a need (the paths, where `bed` is empty). Masses as delivered [kg]."""

    bed: str
    placed_m3: float
    loose_m3: float
    area_m2: float
    mass_kg: float


@record
class Need:
    """A material's need: placed and loose volume [m3], stock on hand and what is left to buy (loose) [m3].

    stock_m3 is all that lies on hand, used or not. area_m2: sheets [m2]. mass_kg: as delivered, before stock [kg].
    shares: what each bed takes of it. covers, stretches, boxes: of sheets, pipes and crates. boards: of timber, as it
    is cut.
    """

    material: str
    placed_m3: float
    loose_m3: float
    stock_m3: float
    to_buy_m3: float
    area_m2: float
    mass_kg: float
    shares: tuple[Share, ...] = ()
    covers: tuple[Cover, ...] = ()
    stretches: tuple[Stretch, ...] = ()
    boxes: tuple[Box, ...] = ()
    boards: tuple[Board, ...] = ()

    def wanted(self) -> list[Wanted]:
        """What is to be bought of it, in its measure; other diameters or sizes stand apart. Boards are cut first."""
        if self.boards:
            return []
        if self.covers:
            return [Wanted(self.material, covers=self.covers)]
        if self.stretches:
            sizes = sorted({each.diameter_m for each in self.stretches})
            return [
                Wanted(self.material, stretches=tuple(each for each in self.stretches if each.diameter_m == size))
                for size in sizes
            ]
        if self.boxes:
            sizes_of: dict[object, Box] = {}
            for each in self.boxes:
                there = sizes_of.get(each.size)
                sizes_of[each.size] = replace(each, count=each.count + (there.count if there else 0))
            return [Wanted(self.material, boxes=(each,)) for each in sizes_of.values()]
        return [Wanted(self.material, self.to_buy_m3)]


@dataclass(slots=True)
class _Sum:
    placed_m3: float = 0.0
    loose_m3: float = 0.0
    area_m2: float = 0.0
    mass_kg: float = 0.0
    covers: list[Cover] = field(default_factory=list)
    stretches: list[Stretch] = field(default_factory=list)
    boxes: list[Box] = field(default_factory=list)
    boards: list[Board] = field(default_factory=list)


Sums = dict[str, _Sum]


class NeedSums:
    """Adds up what beds need, one after the other, so that a large garden's layers needn't be held all at once."""

    __slots__ = ("_beds",)

    def __init__(self) -> None:
        self._beds: dict[str, Sums] = {}

    def add(self, count: int, layers: Iterable[Standing], bed: str = PATHS, left: Iterable[float] = ()) -> None:
        """Add so many beds alike with these layers.

        bed: whose they are, nothing for the paths. left: share of each layer that is still to be laid [0-1], all of
        those that it doesn't reach.
        """
        sums = self._beds.setdefault(bed, {})
        shares = iter(left)
        for layer in layers:
            share = next(shares, 1.0)
            if share > 0:
                _add_layer(sums, count, layer, share, bed)

    def add_ware(self, count: int, ware: Ware, part: Stretch | Box, bed: str) -> None:
        """Add a pipe or crates of so many beds alike."""
        own = self._beds.setdefault(bed, {}).setdefault(ware.key, _Sum())
        many = replace(part, count=count * part.count)
        own.mass_kg += many.mass_kg(ware)
        if isinstance(many, Stretch):
            own.stretches.append(many)
        else:
            own.boxes.append(many)

    def add_board(self, count: int, board: Board, mass_kg: float, bed: str) -> None:
        """Add timber of so many beds alike. mass_kg: of one bed's [kg]."""
        own = self._beds.setdefault(bed, {}).setdefault(board.material, _Sum())
        own.mass_kg += count * mass_kg
        own.boards.append(replace(board, count=count * board.count))

    def less_stock(
        self, stock_m3: Mapping[str, float], mixes: Mapping[str, Mix], materials: Mapping[str, Material]
    ) -> tuple[Need, ...]:
        """The needs less what is on hand.

        stock_m3: loose volume on hand by material or mix [m3]. mixes: by key; a mix's stock is used first, by the beds
        in proportion to what they take, and the rest breaks down to its parts, through mixes of mixes. materials: by
        key.
        """
        beds = {bed: {key: replace(each) for key, each in sums.items()} for bed, sums in self._beds.items()}
        for key in outermost_first(mixes):
            whole_m3 = sum(sums[key].loose_m3 for sums in beds.values() if key in sums)
            to_make = max(whole_m3 - stock_m3.get(key, 0.0), 0.0) / whole_m3 if whole_m3 > 0 else 0.0
            for sums in beds.values():
                if key in sums:
                    _break_down(sums, mixes[key], to_make, materials)
        keys = dict.fromkeys(key for sums in beds.values() for key in sums)
        return tuple(
            _need(key, {bed: sums[key] for bed, sums in beds.items() if key in sums}, stock_m3.get(key, 0.0))
            for key in keys
        )


def _add_layer(sums: Sums, count: int, layer: Standing, share: float, bed: str) -> None:
    own = sums.setdefault(layer.material.key, _Sum())
    own.placed_m3 += count * share * layer.placed_m3
    own.loose_m3 += count * share * layer.loose_m3
    own.area_m2 += count * share * layer.sheet_area_m2
    own.mass_kg += count * share * layer.mass_moist_kg
    if isinstance(layer.asked, Sheet):
        own.covers.append(replace(_cover(layer, layer.asked, count, share), bed=bed))
    if isinstance(layer.asked, Bulk) and layer.asked.infill:
        fines = sums.setdefault(layer.asked.infill.material.key, _Sum())
        fines.placed_m3 += count * share * layer.infill_m3
        fines.loose_m3 += count * share * layer.infill_loose_m3
        fines.mass_kg += count * share * layer.infill_mass_moist_kg
    for scattered in layer.asked.scattered:
        _add_scattered(sums, count * share, scattered)


def _cover(layer: Standing, sheet: Sheet, count: int, share: float) -> Cover:
    """What is still to be covered of a sheet: its whole rectangle, or so much of its area where part of it lies."""
    whole = sheet.is_one_piece
    lap_m = 0.0 if whole else sheet.lap_m
    if share < 1 or layer.spread_m is None:
        return Cover(share * layer.covered_m2, None, lap_m, sheet.plies, count)
    return Cover(layer.covered_m2, layer.spread_m, lap_m, sheet.plies, count, whole)


def _add_scattered(sums: Sums, count: float, scattered: Scattered) -> None:
    material = scattered.material
    each = sums.setdefault(material.key, _Sum())
    placed_m3 = count * scattered.mass_kg / material.bulk_density_kg_m3
    each.placed_m3 += placed_m3
    each.loose_m3 += placed_m3 * material.loose_factor
    each.mass_kg += count * scattered.mass_kg


def _break_down(sums: Sums, mix: Mix, to_make: float, materials: Mapping[str, Material]) -> None:
    """A bed's mix as its parts. to_make: share of it that doesn't lie ready [0-1]."""
    loose_m3 = sums.pop(mix.material.key).loose_m3 * to_make
    for key, share in mix.recipe.items():
        part = materials[key]
        each = sums.setdefault(key, _Sum())
        loose = loose_m3 * share
        placed = loose / part.loose_factor
        each.loose_m3 += loose
        each.placed_m3 += placed
        each.mass_kg += placed * part.bulk_density_kg_m3


def _need(key: str, beds: Mapping[str, _Sum], stock_m3: float) -> Need:
    sums = list(beds.values())
    loose_m3 = sum(each.loose_m3 for each in sums)
    return Need(
        key,
        sum(each.placed_m3 for each in sums),
        loose_m3,
        stock_m3,
        max(loose_m3 - stock_m3, 0.0),
        sum(each.area_m2 for each in sums),
        sum(each.mass_kg for each in sums),
        tuple(Share(bed, each.placed_m3, each.loose_m3, each.area_m2, each.mass_kg) for bed, each in beds.items()),
        tuple(cover for each in sums for cover in each.covers),
        tuple(stretch for each in sums for stretch in each.stretches),
        tuple(box for each in sums for box in each.boxes),
        tuple(board for each in sums for board in each.boards),
    )
