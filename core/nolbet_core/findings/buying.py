"""Judgement that needs the haul: what nobody sells, and bags that are too heavy for one."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping, Sequence

from nolbet_core.findings.pattern import DEFER, Found
from nolbet_core.haul.choose import Chosen
from nolbet_core.haul.offers import BagOffer
from nolbet_core.quantities.show import show_mass
from nolbet_core.quantities.units import System
from nolbet_core.shelf.material import Material

HEAVY_KG = 20.0
TOLERANCE_KG = 1e-9

NO_OFFER = "no_offer"
HEAVY_LIFT = "heavy_lift"
BUYING_CODES = (NO_OFFER, HEAVY_LIFT)


def bag_mass(offer: BagOffer, material: Material) -> float:
    """Mass of one bag as delivered [kg]: its loose volume at the moist density of the loose material."""
    return offer.volume_m3 * material.bulk_density_kg_m3 / material.loose_factor


def look_at_haul(
    bed_materials: Iterable[str], chosen: Chosen, materials: Mapping[str, Material], system: System
) -> list[tuple[str, Found]]:
    """Findings on what is bought for one bed.

    bed_materials: keys of what the bed takes, mixes broken down. chosen: the haul. materials: by key. system: the units
    they are told in.
    """
    wanted = set(bed_materials)
    unmet = [key for key in chosen.unmet if key in wanted]
    return [*_no_offer(unmet, materials), *_heavy(wanted, chosen, materials, system)]


def _no_offer(unmet: Sequence[str], materials: Mapping[str, Material]) -> Iterator[tuple[str, Found]]:
    if not unmet:
        return
    names = ", ".join(materials[key].name.lower() for key in unmet)
    yield (
        NO_OFFER,
        Found(
            "advice",
            f"Nobody you entered offers {names}.",
            "The sum leaves it out, so the bed will cost more than it says.",
            "Enter an offer, or what you have on hand.",
        ),
    )


def _heavy(
    wanted: set[str], chosen: Chosen, materials: Mapping[str, Material], system: System
) -> Iterator[tuple[str, Found]]:
    for line in chosen.lines:
        if line.material not in wanted or not isinstance(line.offer, BagOffer):
            continue
        mass_kg = bag_mass(line.offer, materials[line.material])
        if mass_kg <= HEAVY_KG + TOLERANCE_KG:
            continue
        yield (
            HEAVY_LIFT,
            Found(
                "note",
                f"A bag of {materials[line.material].name.lower()} weighs about {show_mass(mass_kg, system)}.",
                f"Over {show_mass(HEAVY_KG, system)} is too much for one back, above all when wet.",
                "Lift it with two, use a barrow, or buy smaller bags. " + DEFER,
            ),
        )
