"""Wood that is the wrong kind to bury."""

from __future__ import annotations

import math
from collections.abc import Iterator

from nolbet_core.built.worked import WorkedBed
from nolbet_core.findings.finding import DEFER, BedFinding, Found
from nolbet_core.findings.ground import nearest
from nolbet_core.findings.mend import Mend, change_layer
from nolbet_core.quantities.writing import show_length, show_mass
from nolbet_core.stack.layers import Standing
from nolbet_core.stack.zone import mulch_begins

BETTER_WOOD = "broadleaf_logs"
ANTS_NEAR_M = 3.0
HEAVY_KG = 20.0
LOG_ACROSS_M = 0.20
LOG_LONG_M = 1.0


def _buried(worked: WorkedBed, trait: str) -> Iterator[tuple[int, Standing]]:
    layers = worked.filled.layers
    for index, layer in enumerate(layers[: mulch_begins(layers)]):
        if trait in layer.material.traits and layer.thickness_m > 0:
            yield index, layer


def _swap(index: int) -> Mend:
    return Mend("Swap for ash and birch", change_layer(index, material=BETTER_WOOD))


class AllelopathicWood(BedFinding):
    """Walnut holds other plants back."""

    code = "allelopathic_wood"
    level = ("caution",)
    topic = "wood"
    when = "walnut anywhere in the fill"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Any such wood anywhere in the fill."""
        for index, layer in enumerate(worked.filled.layers):
            if "allelopathic" not in layer.material.traits:
                continue
            yield Found(
                "caution",
                f"Layer {index + 1}, {layer.material.name.lower()}, holds juglone.",
                "Wood, roots and leaves of walnut hold back tomatoes, peppers, potatoes and apples for years.",
                "Use another wood, or keep to crops that bear it: beans, onions, carrots, squash.",
                layer=index,
                mend=_swap(index),
            )


class RotproofWoodFill(BedFinding):
    """Wood that hardly rots is wasted as fill."""

    code = "rotproof_wood_fill"
    level = ("advice",)
    topic = "wood"
    when = "buried cedar, oak or robinia"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Buried wood that lasts in the ground."""
        for index, layer in _buried(worked, "rotproof"):
            decay = layer.material.decay_per_year
            yield Found(
                "advice",
                f"{layer.material.name} rots by only {decay * 100:.0f} % a year.",
                "It keeps its height but gives no sponge and no feed, and its oils and tannins slow what grows near.",
                "Keep it for walls and posts; bury wood that rots.",
                layer=index,
                mend=_swap(index),
                sides=(
                    "Some bury it on purpose, so that the bed sinks less.",
                    "Others say that a log which doesn't rot is a stone with resin in it.",
                ),
            )


class SoftWoodAndAnts(BedFinding):
    """Softwood in the ground houses ants and termites."""

    code = "soft_wood_and_ants"
    level = ("note", "caution")
    topic = "wood"
    when = "buried softwood logs; within 3 m of a house wall, or where the garden has wood-nesting ants or termites"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Buried softwood logs; a caution within 3 m of a house wall."""
        garden = worked.around.garden
        lives = garden.ants if garden is not None else None
        for index, layer in _buried(worked, "softwood"):
            house = nearest(worked, "house")
            near = house is not None and house[0] < ANTS_NEAR_M
            if lives is False and not near:
                continue
            where = f" {show_length(house[0], worked.system)} from {house[1].name}" if house and near else ""
            yield Found(
                "caution" if near or lives else "note",
                f"{show_length(layer.thickness_m, worked.system)} of {layer.material.name.lower()} lie buried{where}.",
                "Where wood-nesting ants or termites live, they settle in softwood logs first and then go on.",
                "Leave softwood out near a house and where they live; elsewhere it serves. " + DEFER,
                layer=index,
                mend=_swap(index),
            )


class HeavyLogs(BedFinding):
    """Logs weigh more than they look."""

    code = "heavy_logs"
    level = ("note",)
    topic = "wood"
    when = "a log of usual size (20 cm across, 1 m long) of the heaviest kind weighs over 20 kg"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """One note for the heaviest logs, where a log of usual size is over 20 kg."""
        masses = [(log_mass(layer), layer) for layer in worked.filled.layers if "logs" in layer.material.traits]
        if not masses:
            return
        mass_kg, layer = max(masses, key=lambda pair: pair[0])
        if mass_kg <= HEAVY_KG:
            return
        across = show_length(LOG_ACROSS_M, worked.system)
        size = f"{across} across and {show_length(LOG_LONG_M, worked.system)} long"
        yield Found(
            "note",
            f"{layer.material.name}: one {size} weighs about {show_mass(mass_kg, worked.system)}.",
            f"Over {show_mass(HEAVY_KG, worked.system)} is too much for one back, above all when wet.",
            "Roll it or lift it with two, from the knees, and keep fingers clear. " + DEFER,
        )


def log_mass(layer: Standing) -> float:
    """Mass of one moist log of usual size [kg]: its volume times the density of the wood without voids."""
    material = layer.material
    solid_kg_m3 = material.bulk_density_kg_m3 / (1 - material.void_share)
    return math.pi / 4 * LOG_ACROSS_M**2 * LOG_LONG_M * solid_kg_m3
