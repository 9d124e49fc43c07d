"""How far a garden's needs may be off: the tape, boundaries as they are raked, and each material's loose factor."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence

from nolbet_core.built.worked import WorkedBed
from nolbet_core.haul.certainty import BedSpread, NeedSpread
from nolbet_core.haul.needs import Need, Share
from nolbet_core.shelf.material import Material

TAPE_SD_M = 0.005
RAKED_SD_M = 0.010


def spreads_of(needs: Sequence[Need], beds: Sequence[WorkedBed], materials: Mapping[str, Material]) -> list[NeedSpread]:
    """How far every loose need may be off. beds: of the plan. materials: by key."""
    by_key = {worked.bed.key: worked for worked in beds}
    loose = [need for need in needs if not (need.covers or need.stretches or need.boxes or need.boards)]
    return [
        NeedSpread(
            need.material,
            tuple(_bed_spread(share, by_key.get(share.bed)) for share in need.shares),
            _loose_spread(materials[need.material]),
            need.stock_m3,
        )
        for need in loose
    ]


def _bed_spread(share: Share, worked: WorkedBed | None) -> BedSpread:
    if worked is None or share.placed_m3 <= 0:
        return BedSpread(share.bed, share.loose_m3, 0.0, 0.0)
    inside, count = worked.vessel.inside, worked.bed.count
    tape = math.hypot(TAPE_SD_M / inside.length_m, TAPE_SD_M / inside.width_m)
    # two boundaries of each of those alike, raked by itself
    raked = RAKED_SD_M * math.sqrt(2 * count) * worked.vessel.top_area_m2 / share.placed_m3
    return BedSpread(share.bed, share.loose_m3, tape, raked)


def _loose_spread(material: Material) -> tuple[float, float, float]:
    """The loose factor's least, likely and most beside the usual one."""
    known = material.properties.get("loose_factor")
    if known is None or not known.value:
        return (1.0, 1.0, 1.0)
    least, most = min(known.low, known.value), max(known.high, known.value)
    return least / known.value, 1.0, most / known.value
