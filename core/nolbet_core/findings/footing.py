"""What follows from what a bed stands on: grass that creeps in, hard ground, stone that is wanted again."""

from __future__ import annotations

from collections.abc import Iterator

from nolbet_core.built.footing import PAVED
from nolbet_core.built.worked import CLOSED_BELOW, WorkedBed
from nolbet_core.findings.finding import BedFinding, Found
from nolbet_core.findings.mend import Mend, MendStep, change_layer, set_keys
from nolbet_core.planting.roots import LEAST_DEPTH_M
from nolbet_core.quantities.writing import show_length
from nolbet_core.stack.layers import Sheet, Standing

SKIRT_M = 0.15
"""How far a sheet over grass runs out past the edge [m] (estimate)."""

LOOSENED_M = 0.20
"""How deep compacted ground is loosened under a bed [m]."""

BLENDED_M = 0.075
"""How much of the lowest fill is mixed with the ground [m]: 50 to 100 mm."""

FLOOR_M = 1e-6


def _floor_sheets(worked: WorkedBed) -> list[tuple[int, Standing, Sheet]]:
    """Sheets that lie on the floor, with their places."""
    return [
        (index, layer, layer.asked)
        for index, layer in enumerate(worked.filled.layers)
        if isinstance(layer.asked, Sheet) and layer.bottom_m <= FLOOR_M
    ]


def _on(worked: WorkedBed) -> str | None:
    return worked.bed.stand.on if worked.bed.stand else None


class GrassUnder(BedFinding):
    """Grass grows up through a bed that nothing keeps it from."""

    code = "grass_under"
    level = ("note", "advice")
    topic = "ground"
    when = "a bed on a lawn whose turf is left, without a sheet over it; with one that ends at the edge"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Beds on grass: no sheet on the floor, or none that runs out past the edge."""
        if _on(worked) != "lawn" or not worked.open_below or worked.bed.turf in ("stripped", "turned"):
            return
        if not worked.filled.layers or worked.vessel.form not in ("vessel", "flat", "mound"):
            return
        sheets = [(index, sheet) for index, _, sheet in _floor_sheets(worked) if sheet.material.key != "wire_mesh"]
        skirt = show_length(SKIRT_M, worked.system)
        if not sheets:
            card = {"material": "cardboard", "plies": 2, "skirt_m": SKIRT_M}
            yield Found(
                "advice",
                "The bed stands on grass, and no sheet lies over it.",
                "Couch and other creeping grass come up through half a metre of fill, and in from the edge for years.",
                f"Lay cardboard in two plies on the cut grass, {skirt} out past the edge, or strip the turf.",
                mend=Mend("Lay cardboard", (MendStep("add", "layers[0]", card),)),
            )
            return
        if any(sheet.skirt_m > 0 for _, sheet in sheets):
            return
        index, sheet = sheets[0]
        yield Found(
            "advice" if worked.vessel.form == "flat" else "note",
            f"{sheet.material.name} ends at the edge of the bed, and grass grows there.",
            "Grass creeps in under the edge within a season.",
            f"Let it run out {skirt} past the edge, or keep the edge cut with a spade.",
            layer=index,
            mend=Mend(f"Run it out {skirt}", change_layer(index, skirt_m=SKIRT_M)),
        )


class GroundCompacted(BedFinding):
    """Roots and water stop at trodden or heavy ground."""

    code = "ground_compacted"
    level = ("advice",)
    topic = "ground"
    when = "compacted ground or clay under the bed, loosened less than 200 mm deep"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Open beds on compacted ground that isn't loosened."""
        dug_m = worked.bed.dug_m or 0.0
        if _on(worked) != "compacted" or not worked.open_below or dug_m >= LOOSENED_M - FLOOR_M:
            return
        deep, wanted = show_length(dug_m, worked.system), show_length(LOOSENED_M, worked.system)
        yield Found(
            "advice",
            f"The ground below is compacted and loosened {deep} deep.",
            "Roots turn aside on it and water stands on it: the bed is no deeper than its fill.",
            f"Loosen it {wanted} deep with a fork before filling, when it is neither wet nor bone dry.",
            mend=Mend(f"Loosen it {wanted}", set_keys("", dug_m=LOOSENED_M)),
        )


class PlaneBelow(BedFinding):
    """Soil laid flat on other soil drains badly and roots follow the seam."""

    code = "plane_below"
    level = ("note",)
    topic = "ground"
    when = "soil laid straight on bare or compacted ground, the two not blended"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Open beds on bare ground whose lowest layer is soil."""
        if _on(worked) not in ("bare_soil", "compacted") or not worked.open_below or worked.bed.blended_m:
            return
        layers = worked.filled.layers
        if not layers or layers[0].material.group != "soil" or layers[0].thickness_m <= 0:
            return
        blended = show_length(BLENDED_M, worked.system)
        yield Found(
            "note",
            f"{layers[0].material.name} lies flat on the ground.",
            "Where two soils meet in a plane, water hangs above it and roots run along it.",
            f"Fork the lowest {blended} half and half into the ground, then lay the rest.",
            layer=0,
            mend=Mend(f"Blend {blended} of it in", set_keys("", blended_m=BLENDED_M)),
            sides=(
                "Diggers: the seam has to go, or the ground below is never rooted.",
                "No-diggers: worms and roots blend it within two years, and digging wakes weed seed.",
            ),
        )


class StoneSoiled(BedFinding):
    """Soil washes into gravel and paving that may be wanted again."""

    code = "stone_soiled"
    level = ("note",)
    topic = "ground"
    when = "a bed open below on gravel or paving, without a sheet that lasts"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Beds on stone that nothing lasting closes below."""
        if _on(worked) not in PAVED or worked.bed.shape.kind in CLOSED_BELOW or worked.water is not None:
            return
        if not worked.filled.layers or any("rots" not in each.material.traits for _, _, each in _floor_sheets(worked)):
            return
        on = _on(worked)
        yield Found(
            "note",
            f"The bed stands on {on}, and nothing keeps its soil off it.",
            "Soil washes down between stones, weeds root there, and the stain stays; clogged joints no longer drain.",
            "Lay geotextile under it: it lets water out and keeps the soil in.",
            mend=Mend("Lay geotextile", (MendStep("add", "layers[0]", {"material": "geotextile", "up_sides_m": 0.1}),)),
        )


class ShallowOnHard(BedFinding):
    """Roots can't go on below, and the fill is shallow."""

    code = "shallow_on_hard"
    level = ("advice", "caution")
    topic = "ground"
    when = "less fill on stone, blocks or boards than medium roots want; than the planned crop's"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Beds that roots end under, with less fill than roots want."""
        if worked.bed.stand is None or worked.below_m > 0 or worked.water is not None or not worked.filled.layers:
            return
        roots = worked.bed.roots
        wanted_m, deep_m = LEAST_DEPTH_M[roots or "medium"], worked.filled.top_m
        if deep_m >= wanted_m - FLOOR_M or worked.bed.stand.on == "compacted":
            return
        wanted, deep = show_length(wanted_m, worked.system), show_length(deep_m, worked.system)
        yield Found(
            "caution" if roots else "advice",
            f"There is {deep} of fill, and roots end on what it stands on.",
            "Shallow soil over stone or boards dries out within a day in summer, and tall plants fall over.",
            f"Fill it {wanted} deep for {roots or 'most'} roots, or keep to salads and herbs.",
        )
