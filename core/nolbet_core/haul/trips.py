"""Bringing home what is fetched: whole bags and loose loads packed into as few trips as first-fit decreasing finds."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, field

from nolbet_core.record import record

NEARLY = 1e-9
LOOSE_STEP_M3 = 0.1
"""Loose stuff is shovelled in by so much at once [m3]."""


@record
class Carrier:
    """What fetches: how much it carries [kg], and how much room it has [m3]."""

    payload_kg: float
    space_m3: float


@record
class Carried:
    """One thing that is fetched whole: of which material, a bag or loose, its mass [kg] and room [m3]."""

    material: str
    bag: bool
    mass_kg: float
    space_m3: float


@dataclass(slots=True)
class Trip:
    """One trip from a supplier: what it brings, by material how many bags and how much loose [m3]."""

    supplier: str
    mass_kg: float = 0.0
    space_m3: float = 0.0
    bags: int = 0
    bags_of: dict[str, int] = field(default_factory=dict)
    loose_m3_of: dict[str, float] = field(default_factory=dict)

    def takes(self, piece: Carried, vehicle: Carrier) -> bool:
        """Whether a piece still goes in."""
        return (
            self.mass_kg + piece.mass_kg <= vehicle.payload_kg + NEARLY
            and self.space_m3 + piece.space_m3 <= vehicle.space_m3 + NEARLY
        )

    def load(self, piece: Carried) -> None:
        """Put a piece in."""
        self.mass_kg += piece.mass_kg
        self.space_m3 += piece.space_m3
        if piece.bag:
            self.bags += 1
            self.bags_of[piece.material] = self.bags_of.get(piece.material, 0) + 1
        else:
            self.loose_m3_of[piece.material] = self.loose_m3_of.get(piece.material, 0.0) + piece.space_m3


def loose_pieces(material: str, volume_m3: float, density_kg_m3: float) -> list[Carried]:
    """A loose load [m3] as it is shovelled in. density_kg_m3: loose and moist."""
    parts = max(math.ceil(volume_m3 / LOOSE_STEP_M3 - NEARLY), 1)
    each_m3 = volume_m3 / parts
    return [Carried(material, False, each_m3 * density_kg_m3, each_m3)] * parts


def trips_for(supplier: str, pieces: Sequence[Carried], vehicle: Carrier) -> list[Trip]:
    """Trips that bring everything home, each piece into the first that still takes it, the largest first.

    What is heavier or larger than the vehicle takes goes alone.
    """
    trips: list[Trip] = []
    for piece in sorted(pieces, key=lambda each: -_share(each, vehicle)):
        trip = next((each for each in trips if each.takes(piece, vehicle)), None)
        if trip is None:
            trip = Trip(supplier)
            trips.append(trip)
        trip.load(piece)
    return trips


def least_trips(pieces: Sequence[Carried], vehicle: Carrier) -> int:
    """No packing takes fewer: by mass and by room alone, whichever asks for more."""
    by_mass = sum(each.mass_kg for each in pieces) / vehicle.payload_kg
    by_space = sum(each.space_m3 for each in pieces) / vehicle.space_m3
    return max(math.ceil(by_mass - NEARLY), math.ceil(by_space - NEARLY))


def _share(piece: Carried, vehicle: Carrier) -> float:
    return max(piece.mass_kg / vehicle.payload_kg, piece.space_m3 / vehicle.space_m3)
