"""Everything that is bought by the piece: the shelf's wares, and seed and young plants of its crops."""

from __future__ import annotations

from collections.abc import Mapping
from functools import cache

from nolbet_core.planting.crops import Crop, standard_crops
from nolbet_core.shelf.wares import WARES, Ware


@cache
def all_wares() -> Mapping[str, Ware]:
    """By key. Seed weighs nothing that a load minds; a young plant in its pot about 0.2 kg (estimate)."""
    return {**WARES, **{ware_key(each): _ware(each) for each in standard_crops().values()}}


def ware_key(crop: Crop) -> str:
    """What a crop is bought as."""
    return f"{'seed' if crop.start == 'sown' else 'plants'}_{crop.sold_as}"


def crop_ware(crop: Crop) -> Ware:
    """A crop's seed or its young plants."""
    return all_wares()[ware_key(crop)]


def _ware(crop: Crop) -> Ware:
    if crop.start == "sown":
        return Ware(ware_key(crop), f"{crop.name} seed")
    return Ware(ware_key(crop), f"{crop.name} plants", mass_each_kg=0.2)


CROP_WARES = tuple(ware_key(each) for each in standard_crops().values())
"""Keys of seed and young plants."""
