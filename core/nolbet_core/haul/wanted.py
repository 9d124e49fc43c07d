"""What is left to buy of one thing, in the measure it is bought by: loose volume, sheets, lengths or pieces."""

from __future__ import annotations

from nolbet_core.record import record
from nolbet_core.shelf.wares import Ware


@record
class Cover:
    """What a sheet is laid over: a rectangle [m, m] with its laps [m] and plies, so many times.

    size_m: None where it isn't a rectangle, as paths are; area_m2 then counts alone. whole: cut in one piece, as a
    liner is. bed: whose it is, nothing for the paths.
    """

    area_m2: float
    size_m: tuple[float, float] | None = None
    lap_m: float = 0.0
    plies: int = 1
    count: int = 1
    whole: bool = False
    bed: str = ""


@record
class Stretch:
    """So many pieces of one length [m] of something with a section: a pipe by its diameter [m]."""

    diameter_m: float
    length_m: float
    count: int

    def mass_kg(self, ware: Ware) -> float:
        """Mass of all of them [kg]."""
        return ware.mass_of_length(self.diameter_m, self.length_m * self.count)


@record
class Box:
    """So many pieces of one size [m]: crates; or round ones by their diameter [m], as fittings are."""

    length_m: float
    width_m: float
    height_m: float
    count: int
    diameter_m: float | None = None

    def mass_kg(self, ware: Ware) -> float:
        """Mass of all of them [kg]."""
        room_m3 = self.length_m * self.width_m * self.height_m
        return (ware.mass_of_room(room_m3) + ware.mass_each_kg) * self.count

    @property
    def size(self) -> tuple[float, float, float, float | None]:
        """What tells it from others."""
        return self.length_m, self.width_m, self.height_m, self.diameter_m


@record
class Board:
    """So many boards of a section and length [m], or timbers with it. material: key of the wood."""

    material: str
    thickness_m: float
    width_m: float
    length_m: float
    count: int


@record
class Wanted:
    """What is left to buy of a thing. volume_m3: loose [m3]. A thing has one measure; the others are empty.

    bag_share: what a bag counts for of its label [0-1].
    """

    material: str
    volume_m3: float = 0.0
    covers: tuple[Cover, ...] = ()
    stretches: tuple[Stretch, ...] = ()
    boxes: tuple[Box, ...] = ()
    bag_share: float = 1.0


def loose_wanted(needs_m3: dict[str, float]) -> list[Wanted]:
    """What is wanted of loose materials [m3], by key."""
    return [Wanted(material, volume) for material, volume in needs_m3.items()]
