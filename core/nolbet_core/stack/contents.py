"""What a layer holds: dry mass of each plain material in it, its packing and what is scattered on it with it.

Weight, carbon, nitrogen and what is left in later years are all read from here.
"""

from __future__ import annotations

from collections.abc import Iterator

from nolbet_core.record import record
from nolbet_core.shelf.material import Material
from nolbet_core.stack.layers import Bulk, Standing


@record
class Held:
    """Dry mass [kg] of a plain material in a layer. scattered: fed onto it, not part of it."""

    material: Material
    dry_kg: float
    scattered: bool = False


def held_in(layer: Standing) -> Iterator[Held]:
    """The plain materials of a layer: its own, what packs its voids and what is scattered on it, mixes broken down."""
    if layer.material.is_sheet:
        yield Held(layer.material, layer.mass_dry_kg)
    else:
        yield from plain_held(layer.material, layer.placed_m3)
    if isinstance(layer.asked, Bulk) and layer.asked.infill:
        yield from plain_held(layer.asked.infill.material, layer.infill_m3)
    for fed in layer.asked.scattered:
        yield Held(fed.material, fed.mass_kg * (1 - fed.material.moisture), scattered=True)


def plain_held(material: Material, placed_m3: float) -> Iterator[Held]:
    """The plain materials in a placed volume [m3]."""
    if not material.parts:
        yield Held(material, placed_m3 * material.dry_density_kg_m3)
    for each in material.parts:
        yield Held(each.material, placed_m3 * each.dry_density_kg_m3)
