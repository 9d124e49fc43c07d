"""What a bed weighs on legs, decks, balconies and roofs."""

from __future__ import annotations

from collections.abc import Iterator

from nolbet_core.built.footing import BEARS_SO_MUCH
from nolbet_core.built.worked import WorkedBed
from nolbet_core.findings.finding import DEFER, BedFinding, Found
from nolbet_core.quantities.writing import show_area, show_load, show_mass

ENGINEER = "Ask a licensed engineer. " + DEFER


class WeightOver(BedFinding):
    """The bed is heavier than what it stands on may bear."""

    code = "weight_over"
    level = ("stop",)
    topic = "weight"
    when = "wet through and full it weighs more on a m² than the entered limit"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Its weight wet through, with its water, on a m2 over the limit that was entered."""
        stand = worked.bed.stand
        if stand is None or stand.limit_kg_m2 is None:
            return
        pressure = worked.standing_kg / worked.vessel.footprint_m2
        if pressure <= stand.limit_kg_m2 * (1 + 1e-9):
            return
        on = stand.on.replace("_", " ")
        puts, limit = (show_load(load, worked.system) for load in (pressure, stand.limit_kg_m2))
        yield Found(
            "stop",
            f"Wet through and in leaf it puts {puts} on the {on}, which may bear {limit}.",
            "Wet soil and water are heavy, and an overloaded deck or balcony gives way without warning.",
            "Make it shallower, fill it lighter, or set it on the ground. " + ENGINEER,
        )


class WeightUnknown(BedFinding):
    """Nobody has said what the deck or roof may bear."""

    code = "weight_unknown"
    level = ("caution",)
    topic = "weight"
    when = "it stands on legs, a deck, a balcony or a roof and no limit is entered"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """A bed off the ground without a limit."""
        stand = worked.bed.stand
        if stand is None or stand.limit_kg_m2 is not None or stand.on not in BEARS_SO_MUCH:
            return
        mass_kg = worked.standing_kg
        area = show_area(worked.vessel.footprint_m2, worked.system)
        said = f"{show_mass(mass_kg, worked.system)} on {area} of {stand.on}"
        leg_kg = worked.heaviest_leg_kg
        legs = f", {show_mass(leg_kg, worked.system)} on the heaviest leg" if leg_kg else ""
        yield Found(
            "caution",
            f"Wet through and in leaf it puts {said}{legs}.",
            "House decks are commonly designed for a live load of about 1.9 kPa (40 lb/ft²), ordinary roofs for about "
            "1 kPa (20 lb/ft²) beside snow; a wet bed 0.3 m deep is about 4 to 5 kPa.",
            "Find out what it may bear and enter it. " + ENGINEER,
        )
