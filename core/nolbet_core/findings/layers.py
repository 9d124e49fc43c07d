"""What is amiss between layers: open voids, thin soil over wood, nothing to grow in, gaps between sheets."""

from __future__ import annotations

from collections.abc import Iterator

from nolbet_core.built.worked import WorkedBed, written_layer
from nolbet_core.findings.finding import BedFinding, Found, Level
from nolbet_core.findings.mend import Mend, MendStep, change_layer, thickness_of
from nolbet_core.plan.bed import Layer
from nolbet_core.planting.roots import LEAST_DEPTH_M
from nolbet_core.quantities.units import System
from nolbet_core.quantities.writing import show_length, show_volume
from nolbet_core.settling.accounts import RUNS_DOWN
from nolbet_core.stack.fill import surface_drop
from nolbet_core.stack.layers import Sheet, Standing

LOST_M3 = 0.010
DROP_M = 0.020
SOIL_ADVISED_M = 0.200
SOIL_LEAST_M = 0.100
LAP_ADVISED_M = 0.150
LAP_LEAST_M = 0.100
TOLERANCE = 1e-9
LAST_RESORT = "compost"


class VoidsOpen(BedFinding):
    """A coarse layer that isn't packed swallows the fines above it."""

    code = "voids_open"
    level = ("caution",)
    topic = "layers"
    of_profile = True
    when = "an unpacked layer swallows more than 10 L, or the surface drops by more than 20 mm"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Each layer that swallows more than 10 L, or any where the surface drops by more than 20 mm."""
        filled = worked.filled
        least, _, most = RUNS_DOWN
        for index, layer in enumerate(filled.layers):
            lost_m3 = layer.vanishing_m3
            if lost_m3 <= 0 or (lost_m3 <= LOST_M3 and filled.void_drop_m <= DROP_M):
                continue
            packed = layer.infill_m3 > 0
            name = layer.material.name
            own = [run for run in filled.runs if run.receiver == index]
            low_m, high_m = (surface_drop(worked.vessel, filled.layers, own, share) for share in (least, most))
            yield Found(
                "caution",
                f"{name}: its gaps will swallow up to {show_volume(most * lost_m3, worked.system)} of what lies above, "
                f"and the surface drops by {_from_to(low_m, high_m, worked.system)}.",
                "Rain and roots carry fines down between coarse pieces until the gaps are full.",
                "Pack the rest of the gaps while you lay it."
                if packed
                else "Pack the gaps with fines while you lay it.",
                layer=index,
                mend=_pack(worked, index),
            )


def _from_to(low_m: float, high_m: float, system: System) -> str:
    return f"{show_length(low_m, system)} to {show_length(high_m, system)}"


def _pack(worked: WorkedBed, index: int) -> Mend:
    layer = worked.bed.layers[index]
    fines = layer.infill.material if layer.infill else _fines_above(worked, index)
    return Mend("Pack it", change_layer(index, infill={"material": fines, "share": 1.0}))


def _fines_above(worked: WorkedBed, index: int) -> str:
    """What would run down anyway: the nearest fines above."""
    above = worked.filled.layers[index + 1 :]
    return next((layer.material.key for layer in above if layer.material.runs_into_voids), LAST_RESORT)


class SoilThinOverWood(BedFinding):
    """Roots meet raw wood before they have soil enough."""

    code = "soil_thin_over_wood"
    level = ("advice", "caution")
    topic = "layers"
    of_profile = True
    when = "under 200 mm of soil over raw wood; under 100 mm, or under what the planned crop roots"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Less soil than 200 mm, or than the crop's roots want, over the highest wood that has any soil over it.

        Under 100 mm, and under the crop's depth, it is graver.
        """
        layers = worked.filled.layers
        wood = next(
            (i for i in reversed(range(len(layers))) if _is_wood(layers[i]) and _soil_over(layers, i) > 0), None
        )
        if wood is None:
            return
        soil_m = _soil_over(layers, wood)
        wanted_m = wanted_soil(worked)
        if soil_m >= wanted_m - TOLERANCE:
            return
        grave = soil_m < SOIL_LEAST_M - TOLERANCE or wanted_m > SOIL_ADVISED_M
        level: Level = "caution" if grave else "advice"
        name = layers[wood].material.name.lower()
        wanted = show_length(wanted_m, worked.system)
        for_crop = f" for {worked.bed.roots}-rooted crops" if worked.bed.roots else ""
        yield Found(
            level,
            f"Only {show_length(soil_m, worked.system)} of soil lies over the {name}.",
            "Rotting wood takes nitrogen from the soil that touches it, and leaves little room for roots.",
            f"Lay at least {wanted} of soil over raw wood{for_crop}, or sow shallow-rooted crops first.",
            layer=wood,
            mend=_more_soil(worked, wood, wanted_m - soil_m),
        )


def wanted_soil(worked: WorkedBed) -> float:
    """Soil wanted over raw wood [m]: 200 mm, more where deeper roots are planned."""
    return max(SOIL_ADVISED_M, LEAST_DEPTH_M[worked.bed.roots]) if worked.bed.roots else SOIL_ADVISED_M


def _is_wood(layer: Standing) -> bool:
    return "raw_wood" in layer.material.traits and layer.thickness_m > 0


def _soil_over(layers: tuple[Standing, ...], index: int) -> float:
    above = layers[index + 1 :]
    return sum(layer.thickness_m for layer in above if layer.material.group == "soil")


def _more_soil(worked: WorkedBed, wood: int, short_m: float) -> Mend | None:
    """Thin the wood where something fills the rest; else thicken the soil on top."""
    fills = any(layer.fill for layer in worked.bed.layers[wood + 1 :])
    wood_m = worked.filled.layers[wood].thickness_m
    if fills:
        if wood_m <= short_m:
            return None
        left = show_length(wood_m - short_m, worked.system)
        return Mend(f"Thin the wood to {left}", thickness_of(worked, wood, wood_m - short_m))
    soil = [i for i, layer in enumerate(worked.filled.layers) if i > wood and layer.material.group == "soil"]
    if not soil:
        return None
    top = soil[-1]
    wanted_m = worked.filled.layers[top].thickness_m + short_m
    name = worked.filled.layers[top].material.name.lower()
    return Mend(f"Make the {name} {show_length(wanted_m, worked.system)}", thickness_of(worked, top, wanted_m))


class NoGrowingLayer(BedFinding):
    """Nothing in the bed is fit for roots."""

    code = "no_growing_layer"
    level = ("caution",)
    topic = "layers"
    of_profile = True
    when = "there are layers, and none is soil, compost or a mix with them"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """A bed with layers, none of them soil, compost or a mix with them."""
        layers = worked.filled.layers
        if not layers or any("growing" in layer.material.traits and layer.thickness_m > 0 for layer in layers):
            return
        yield Found(
            "caution",
            f"None of the {len(layers)} layers is soil, compost or a mix to grow in."
            if len(layers) > 1
            else "The one layer is no soil, compost or mix to grow in.",
            "Roots need fine, moist soil to start in; coarse or raw fill dries out and holds back nitrogen.",
            "Finish with soil or a bed mix.",
            mend=_topsoil(worked),
        )


def _topsoil(worked: WorkedBed) -> Mend:
    on_top = (
        Layer(material="raised_bed_mix", thickness_m=SOIL_ADVISED_M)
        if any(layer.fill for layer in worked.bed.layers)
        else Layer(material="raised_bed_mix", fill=True)
    )
    return Mend("Add bed mix on top", (MendStep("add", f"layers[{len(worked.bed.layers)}]", written_layer(on_top)),))


class LapSmall(BedFinding):
    """Sheets that overlap too little leave gaps when they shift or shrink."""

    code = "lap_small"
    level = ("advice", "caution")
    topic = "layers"
    when = "sheets lap by under 150 mm; under 100 mm"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Laps under 150 mm, under 100 mm graver; a liner is one piece, and one piece has no laps."""
        for index, layer in enumerate(worked.filled.layers):
            sheet = layer.asked
            if not isinstance(sheet, Sheet) or sheet.is_one_piece or layer.pieces == sheet.plies:
                continue
            if sheet.lap_m >= LAP_ADVISED_M - TOLERANCE:
                continue
            level: Level = "advice" if sheet.lap_m >= LAP_LEAST_M - TOLERANCE else "caution"
            wanted = show_length(LAP_ADVISED_M, worked.system)
            yield Found(
                level,
                f"{sheet.material.name}: the laps are {show_length(sheet.lap_m, worked.system)}.",
                "Pieces slip and shrink as they get wet, and grass and roots find every gap.",
                f"Overlap neighbouring pieces by {wanted}.",
                layer=index,
                mend=Mend(f"Lap {wanted}", change_layer(index, lap_m=LAP_ADVISED_M)),
            )
