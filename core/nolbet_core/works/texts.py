"""Words that several steps share: tools, gear, and the cautions that end by deferring to local rules."""

from __future__ import annotations

from collections.abc import Iterable

from nolbet_core.quantities.units import System
from nolbet_core.quantities.writing import show_length, show_mass
from nolbet_core.shelf.material import Material

HEAVY_KG = 20.0
"""What one person lifts at most [kg]."""

DEFER = "Local rules and licensed practice come first."

SPADE, FORK, RAKE, SHOVEL, BARROW = "spade", "fork", "rake", "shovel", "barrow"
TAPE, LEVEL, STRAIGHTEDGE, PEGS = "tape", "spirit level", "straight board", "pegs and line"
SAW, DRILL, CLAMPS, SQUARE = "saw", "drill and bits", "clamps", "square"
HOSE, CAN, KNIFE, TROWEL, MARKER = "hose", "watering can", "knife", "trowel", "marker"
GLOVES, MASK, GLASSES, BOOTS, EARS = "gloves", "dust mask", "eye protection", "strong shoes", "ear protection"

WAY_OUT_M, PROTECTED_M = 1.2, 1.5
SAWING = f"Clamp what you saw, keep hands behind the blade, and mind the lead. {DEFER}"
WET_CEMENT = f"Wet cement burns skin and eyes: gloves, long sleeves, rinse at once. {DEFER}"
STANDING_WATER = f"Cover standing water against children and mosquitoes. {DEFER}"


def trench_caution(system: System) -> str:
    """How not to be buried in what is dug."""
    return (
        "No depth is safe of itself: keep the spoil back from the edge, slope or shore the sides, don't dig alone; "
        f"from {show_length(WAY_OUT_M, system)} keep a way out, from {show_length(PROTECTED_M, system)} nobody goes in "
        f"unprotected. {DEFER}"
    )


def lifting_caution(mass_kg: float, what: str, system: System) -> str:
    """That something is too heavy for one [kg]."""
    return (
        f"{what} weighs about {show_mass(mass_kg, system)}: over {show_mass(HEAVY_KG, system)} takes two people, "
        f"or a smaller load. Lift from the knees. {DEFER}"
    )


def gear_for(materials: Iterable[Material]) -> tuple[str, ...]:
    """What is worn to lay some materials."""
    traits = frozenset(trait for each in materials for trait in each.traits)
    gear = [GLOVES]
    if traits & {"dusty", "legionella", "spores"}:
        gear.append(MASK)
    if "dusty" in traits:
        gear.append(GLASSES)
    if "logs" in traits:
        gear.append(BOOTS)
    return tuple(gear)


def cautions_for(materials: Iterable[Material]) -> tuple[str, ...]:
    """What to beware of in laying some materials."""
    traits = frozenset(trait for each in materials for trait in each.traits)
    said = []
    if traits & {"legionella", "spores"}:
        said.append(f"Open bags away from the face, damp it down, wash hands. {DEFER}")
    elif "dusty" in traits:
        said.append(f"Damp it down before it is tipped. {DEFER}")
    if "raw_manure" in traits:
        said.append(
            f"Raw manure: gloves, wash hands; harvest only 90 days on, 120 where the crop touches soil. {DEFER}"
        )
    return tuple(said)
