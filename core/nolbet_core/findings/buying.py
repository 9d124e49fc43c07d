"""Judgement that needs the haul: what nobody sells, and bags that are too heavy for one."""

from __future__ import annotations

from collections.abc import Iterator, Mapping

from nolbet_core.findings.finding import DEFER, Finding, Found
from nolbet_core.haul.choose import Chosen
from nolbet_core.haul.offers import BagOffer
from nolbet_core.quantities.units import System
from nolbet_core.quantities.writing import show_mass
from nolbet_core.record import record
from nolbet_core.shelf.material import Material

HEAVY_KG = 20.0
TOLERANCE_KG = 1e-9


@record
class BoughtForBed:
    """What is bought for one bed. wanted: keys of what the bed takes, mixes broken down. materials: by key.

    chosen: the haul. system: the units it is told in.
    """

    wanted: frozenset[str]
    chosen: Chosen
    materials: Mapping[str, Material]
    system: System


class BuyingFinding(Finding[BoughtForBed]):
    """A finding on what is bought for a bed."""

    subject = "haul"
    topic = "buying"


def bag_mass(offer: BagOffer, material: Material) -> float:
    """Mass of one bag as delivered [kg]: its loose volume at the moist density of the loose material."""
    return offer.volume_m3 * material.bulk_density_kg_m3 / material.loose_factor


class NoOffer(BuyingFinding):
    """Something that nobody sells."""

    code = "no_offer"
    level = ("advice",)
    when = "nobody entered offers something that has to be bought"

    def look(self, bought: BoughtForBed) -> Iterator[Found]:
        """One for all that nobody offers."""
        unmet = [key for key in bought.chosen.unmet if key in bought.wanted]
        if not unmet:
            return
        names = ", ".join(bought.materials[key].name.lower() for key in unmet)
        yield Found(
            "advice",
            f"Nobody you entered offers {names}.",
            "The sum leaves it out, so the bed will cost more than it says.",
            "Enter an offer, or what you have on hand.",
        )


class HeavyLift(BuyingFinding):
    """Bags that are too heavy for one."""

    code = "heavy_lift"
    level = ("note",)
    when = "a bag to be bought weighs over 20 kg"

    def look(self, bought: BoughtForBed) -> Iterator[Found]:
        """Each line of the haul in bags over 20 kg."""
        for line in bought.chosen.lines:
            if line.material not in bought.wanted or not isinstance(line.offer, BagOffer):
                continue
            material = bought.materials[line.material]
            mass_kg = bag_mass(line.offer, material)
            if mass_kg <= HEAVY_KG + TOLERANCE_KG:
                continue
            yield Found(
                "note",
                f"A bag of {material.name.lower()} weighs about {show_mass(mass_kg, bought.system)}.",
                f"Over {show_mass(HEAVY_KG, bought.system)} is too much for one back, above all when wet.",
                "Lift it with two, use a barrow, or buy smaller bags. " + DEFER,
            )
