"""What brings a sunken bed back to the surface it was laid to."""

from __future__ import annotations

from collections.abc import Sequence

from nolbet_core.built.supplies import Supplies
from nolbet_core.built.worked import WorkedBed
from nolbet_core.settling.curve import remaining_shares
from nolbet_core.settling.topping import top_ups


def top_up_volumes(worked: WorkedBed, supplies: Supplies, months: Sequence[int]) -> list[float]:
    """Placed volume [m3] that brings the surface back in each of some months: as it was laid, at most to the line."""
    filled = worked.filled
    sunken = worked.settling.volume_m3
    target_m3 = max(float(sunken[0]) - filled.over_m3, 0.0) if filled.layers else 0.0
    return top_ups(
        target_m3, sunken, months, remaining_shares(supplies.materials[worked.bed.top_up], worked.settling.clock)
    )
