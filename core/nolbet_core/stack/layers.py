"""A layer as asked for and as it stands."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Literal

from nolbet_core.record import record
from nolbet_core.shelf.material import Material

SheetCover = Literal["floor", "walls", "edge", "rest"]
"""What a sheet covers: the floor, the walls alone, a band along the edge, or what such a band leaves."""

By = Literal["thickness", "volume", "share", "fill"]


@record
class Packing:
    """Fine material packed into a coarse layer's voids: which, and what share of the voids [0-1]."""

    material: Material
    share: float = 1.0


@record
class Scattered:
    """A meal or the like scattered on a layer, over all its lifts together [kg as sold]."""

    material: Material
    mass_kg: float


@record
class Bulk:
    """A layer with a thickness, as asked for.

    by: what `amount` is: thickness [m], placed volume [m3], share of the remaining depth [0-1], or fill (no amount).
    lifts: in how many goes it is laid, each trodden and watered.
    """

    material: Material
    by: By
    amount: float = 0.0
    infill: Packing | None = None
    lifts: int = 1
    scattered: tuple[Scattered, ...] = ()


USUAL_ROLL_M = 2.0
"""Width of the roll that a sheet comes off where none is said [m]."""


@record
class Sheet:
    """A sheet in the stack, without thickness.

    plies: how many lie on one another. lap_m: overlap of neighbouring pieces [m]. up_sides_m: run up the inside of
    the walls [m]. skirt_m: run out past the outer edge [m]. piece_m: width and length of one piece [m, m].
    roll_width_m: width of the roll that it is cut from [m]. on_hand: pieces there are, where they may not do. cover:
    what of the bed it lies over. band_m: width of the band along the edge that it is, or that it leaves to others [m].
    usual_roll_m: width of the usual roll, where neither piece nor roll is said [m]. usual_piece: whether `piece_m` is
    the usual piece, since none is said.
    """

    material: Material
    plies: int = 1
    lap_m: float = 0.15
    up_sides_m: float = 0.0
    skirt_m: float = 0.0
    piece_m: tuple[float, float] | None = None
    roll_width_m: float | None = None
    on_hand: int | None = None
    scattered: tuple[Scattered, ...] = ()
    cover: SheetCover = "floor"
    band_m: float = 0.0
    usual_roll_m: float | None = None
    usual_piece: bool = False

    @property
    def is_one_piece(self) -> bool:
        """Whether it is cut as one piece that holds water."""
        return self.material.is_liner and self.cover == "floor"

    @property
    def is_strip(self) -> bool:
        """Whether it is laid in strips round the bed."""
        return self.cover in ("walls", "edge")


Asked = Bulk | Sheet


@record
class Standing:
    """A layer as it stands: heights above the floor [m], placed volume and infill [m3], masses [kg], sheets [m2].

    Masses are those of the layer's own material; the infill's stand beside them. roll_m: length cut from a roll [m].
    spread_m: length and width of the rectangle that a sheet covers with its runs [m, m], None where it is none.
    bare_m2: what the pieces on hand leave uncovered [m2]. covered_m2: what one ply of a sheet covers, laps left out.
    """

    asked: Asked
    bottom_m: float
    top_m: float
    placed_m3: float = 0.0
    infill_m3: float = 0.0
    loose_m3: float = 0.0
    infill_loose_m3: float = 0.0
    solid_m3: float = 0.0
    void_m3: float = 0.0
    vanishing_m3: float = 0.0
    mass_dry_kg: float = 0.0
    mass_moist_kg: float = 0.0
    mass_saturated_kg: float = 0.0
    infill_mass_dry_kg: float = 0.0
    infill_mass_moist_kg: float = 0.0
    infill_mass_saturated_kg: float = 0.0
    sheet_area_m2: float = 0.0
    pieces: int | None = None
    roll_m: float | None = None
    bare_m2: float = 0.0
    covered_m2: float = 0.0
    spread_m: tuple[float, float] | None = None

    @property
    def amendment_kg(self) -> float:
        """What is scattered on it [kg]."""
        return sum(each.mass_kg for each in self.asked.scattered)

    @property
    def holds_water(self) -> bool:
        """Whether it is a liner over the whole floor."""
        return isinstance(self.asked, Sheet) and self.asked.is_one_piece

    @property
    def keeps_apart(self) -> bool:
        """Whether it is a sheet between what is below and above it, over the whole floor or all but a band."""
        return isinstance(self.asked, Sheet) and not self.asked.is_strip

    @property
    def material(self) -> Material:
        """What the layer is made of."""
        return self.asked.material

    @property
    def thickness_m(self) -> float:
        """How thick the layer is [m]."""
        return self.top_m - self.bottom_m


def materials_in(layer: Standing) -> Iterator[Material]:
    """What a layer is made of: its own material, what packs its voids, and what is scattered on it."""
    yield layer.material
    if isinstance(layer.asked, Bulk) and layer.asked.infill:
        yield layer.asked.infill.material
    yield from (each.material for each in layer.asked.scattered)
