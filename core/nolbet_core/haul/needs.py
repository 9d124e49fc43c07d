"""What all beds together need of each material, less what is on hand."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, replace

from nolbet_core.blend.mix import Mix, outermost_first
from nolbet_core.record import record
from nolbet_core.shelf.material import Material
from nolbet_core.stack.layers import Bulk, Scattered, Standing


@record
class Need:
    """A material's need: placed and loose volume [m3], stock on hand and what is left to buy (loose) [m3].

    stock_m3 is all that lies on hand, used or not. area_m2: sheets [m2]. mass_kg: as delivered, before stock [kg].
    """

    material: str
    placed_m3: float
    loose_m3: float
    stock_m3: float
    to_buy_m3: float
    area_m2: float
    mass_kg: float


@dataclass(slots=True)
class _Sum:
    placed_m3: float = 0.0
    loose_m3: float = 0.0
    area_m2: float = 0.0
    mass_kg: float = 0.0


class NeedSums:
    """Adds up what beds need, one after the other, so that a large garden's layers needn't be held all at once."""

    __slots__ = ("_sums",)

    def __init__(self) -> None:
        self._sums: dict[str, _Sum] = {}

    def add(self, count: int, layers: Iterable[Standing]) -> None:
        """Add so many beds alike with these layers."""
        for layer in layers:
            _add_layer(self._sums, count, layer)

    def less_stock(
        self, stock_m3: Mapping[str, float], mixes: Mapping[str, Mix], materials: Mapping[str, Material]
    ) -> tuple[Need, ...]:
        """The needs less what is on hand.

        stock_m3: loose volume on hand by material or mix [m3]. mixes: by key; a mix's stock is used first, the rest
        breaks down to its parts, through mixes of mixes. materials: by key.
        """
        sums = {key: replace(each) for key, each in self._sums.items()}
        for key in outermost_first(mixes):
            if key in sums:
                _break_down(sums, stock_m3, mixes[key], materials)
        return tuple(_need(key, each, stock_m3.get(key, 0.0)) for key, each in sums.items())


def _add_layer(sums: dict[str, _Sum], count: int, layer: Standing) -> None:
    own = sums.setdefault(layer.material.key, _Sum())
    own.placed_m3 += count * layer.placed_m3
    own.loose_m3 += count * layer.loose_m3
    own.area_m2 += count * layer.sheet_area_m2
    own.mass_kg += count * layer.mass_moist_kg
    if isinstance(layer.asked, Bulk) and layer.asked.infill:
        fines = sums.setdefault(layer.asked.infill.material.key, _Sum())
        fines.placed_m3 += count * layer.infill_m3
        fines.loose_m3 += count * layer.infill_loose_m3
        fines.mass_kg += count * layer.infill_mass_moist_kg
    if layer.asked.amendment is not None:
        _add_scattered(sums, count, layer.asked.amendment)


def _add_scattered(sums: dict[str, _Sum], count: int, scattered: Scattered) -> None:
    material = scattered.material
    each = sums.setdefault(material.key, _Sum())
    placed_m3 = count * scattered.mass_kg / material.bulk_density_kg_m3
    each.placed_m3 += placed_m3
    each.loose_m3 += placed_m3 * material.loose_factor
    each.mass_kg += count * scattered.mass_kg


def _break_down(sums: dict[str, _Sum], stock: Mapping[str, float], mix: Mix, materials: Mapping[str, Material]) -> None:
    own = sums.pop(mix.material.key)
    to_make = max(own.loose_m3 - stock.get(mix.material.key, 0.0), 0.0)
    for key, share in mix.recipe.items():
        part = materials[key]
        each = sums.setdefault(key, _Sum())
        loose = to_make * share
        placed = loose / part.loose_factor
        each.loose_m3 += loose
        each.placed_m3 += placed
        each.mass_kg += placed * part.bulk_density_kg_m3


def _need(key: str, each: _Sum, stock_m3: float) -> Need:
    to_buy = max(each.loose_m3 - stock_m3, 0.0)
    return Need(key, each.placed_m3, each.loose_m3, stock_m3, to_buy, each.area_m2, each.mass_kg)
