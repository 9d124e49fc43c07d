"""What covers a bed: its pieces, and what of them is bought."""

from __future__ import annotations

from collections.abc import Iterator

from nolbet_core.built.worked import WorkedBed
from nolbet_core.haul.wanted import Box, Stretch
from nolbet_core.plan.planting import BedCover
from nolbet_core.planting.cover import (
    ON_HOOPS,
    STANDING_M,
    USUAL_HEIGHT_M,
    USUAL_LEAVES_M,
    WALKED_UNDER_M,
    CoverParts,
    arch_sheet,
    cover_parts,
    flat_parts,
    leaves_parts,
    standing_parts,
)
from nolbet_core.planting.keeping_out import KEPT_OUT
from nolbet_core.shelf.library import standard_shelf
from nolbet_core.shelf.wares import HOOP_ROD, PLANT_STAKE, RIDGE_LINE, WARES, Ware
from nolbet_core.stack.fill import bulk_standing, sheet_standing
from nolbet_core.stack.layers import Bulk, Sheet, Standing

SHEETS = {
    "fleece": "fleece",
    "film": "cover_film",
    "double_film": "cover_film",
    "net": "garden_net",
    "mesh_flat": "garden_net",
    "mesh_standing": "wire_mesh",
}
"""What each kind is cut from."""
MESH = "wire_mesh"
FINE_NET = "insect_net"
LEAVES = "leaves"
ROD_ACROSS_M = 0.020
LINE_ACROSS_M = 0.004
USUAL_GAP_M = 0.6
"""Width of the path under an arch where no plot is measured."""


def height_of(cover: BedCover) -> float:
    """How high a cover stands over the rim, or how deep leaves lie [m]: as said, else as is usual."""
    if cover.height_m is not None:
        return cover.height_m
    if cover.arch_to is not None:
        return WALKED_UNDER_M
    if cover.kind == "leaves":
        return USUAL_LEAVES_M
    if cover.kind == "mesh_standing":
        return KEPT_OUT[cover.against].stands_m if cover.against else STANDING_M
    return USUAL_HEIGHT_M


def parts_of(worked: WorkedBed) -> CoverParts | None:
    """What a bed's cover is made of; None where it has none."""
    cover, outside = worked.bed.cover, worked.vessel.outside
    if cover is None:
        return None
    length_m, width_m = max(outside.length_m, outside.width_m), min(outside.length_m, outside.width_m)
    height_m = height_of(cover)
    if cover.arch_to is not None:
        gap_m = worked.around.plot.aisle_m if worked.around.plot else USUAL_GAP_M
        return CoverParts(0, 0.0, 0.0, 0.0, arch_sheet(gap_m, height_m, length_m))
    if cover.kind in ON_HOOPS:
        parts = cover_parts(length_m, width_m, height_m, cover.spacing_m)
        two = cover.kind == "double_film"
        return CoverParts(parts.hoops, parts.apart_m, parts.hoop_m, parts.ridge_m, parts.sheet_m, 2 if two else 1)
    if cover.kind == "leaves":
        return leaves_parts(worked.vessel.top_area_m2, height_m)
    if cover.kind == "mesh_flat":
        return flat_parts(length_m, width_m)
    buried_m = KEPT_OUT[cover.against].buried_m if cover.against else 0.0
    return standing_parts(outside.perimeter_m, height_m, buried_m, cover.spacing_m)


def sheet_key(cover: BedCover) -> str:
    """What a cover is cut from."""
    if cover.arch_to is not None:
        return MESH
    return FINE_NET if cover.against == "insects" else SHEETS[cover.kind]


def cover_layers(worked: WorkedBed) -> Iterator[Standing]:
    """Sheets and leaves that a bed's cover takes, as they are bought."""
    cover, parts = worked.bed.cover, parts_of(worked)
    if cover is None or parts is None:
        return
    shelf = standard_shelf()
    if parts.leaves_m3 > 0:
        leaves = shelf[LEAVES]
        yield bulk_standing(Bulk(leaves, "volume", parts.leaves_m3), (0.0, 0.0), parts.leaves_m3, 0.0)
        return
    wide_m, long_m = parts.sheet_m
    for _ in range(parts.sheets):
        yield sheet_standing(Sheet(shelf[sheet_key(cover)], lap_m=0.0), 0.0, wide_m * long_m, 1, (long_m, wide_m))


def cover_wares(worked: WorkedBed) -> Iterator[tuple[Ware, Stretch | Box]]:
    """Rods, lines and stakes that it takes."""
    parts = parts_of(worked)
    if parts is None:
        return
    if parts.hoops:
        yield WARES[HOOP_ROD], Stretch(ROD_ACROSS_M, parts.hoop_m, parts.hoops)
        yield WARES[RIDGE_LINE], Stretch(LINE_ACROSS_M, parts.ridge_m, 1)
    if parts.stakes:
        yield WARES[PLANT_STAKE], Box(0.0, 0.0, 0.0, parts.stakes)
