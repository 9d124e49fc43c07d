"""What a bed stands on, and what follows: how deep roots go on below, what of its turf is stripped."""

from __future__ import annotations

from collections.abc import Iterator

from nolbet_core.plan.bed import Bed
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.planting.roots import BOTTOMLESS_M

OPEN = frozenset({"lawn", "bare_soil", "compacted"})
"""Ground that roots can go on into."""

PAVED = frozenset({"gravel", "paving"})
"""Stone on the ground: it drains, and roots end on it."""

HIGH = frozenset({"blocks", "legs"})
"""What lifts a bed off the ground."""

BEARS_SO_MUCH = frozenset({"legs", "deck", "balcony", "roof"})
"""What may give way under a bed."""

TURF_M = 0.05
"""How thick turf is stripped [m]."""


RIGID_SHAPES = frozenset({"round_tub", "trough", "lying_barrel", "stadium"})
"""Shapes that tubs, troughs, barrels and stock tanks come in."""


def is_rigid_tub(bed: Bed) -> bool:
    """True if a bed holds water without a liner: a tub, trough, barrel or tank as bought, with no frame built round it.

    A crate has holes, and a box of boards or bricks has joints.
    """
    return bed.shape.kind in RIGID_SHAPES and (bed.frame is None or bed.frame.kind == "bought")


def on_open_ground(bed: Bed) -> bool:
    """Whether a bed stands on ground that roots can go on into; so it does where nothing is said."""
    return bed.stand is None or bed.stand.on in OPEN


def on_the_ground(bed: Bed) -> bool:
    """Whether a bed stands on the ground, stone on it included, and not on anything that is built."""
    return on_open_ground(bed) or (bed.stand is not None and bed.stand.on in PAVED)


def below_of(bed: Bed) -> float:
    """How deep roots find soil under the floor of an open bed [m]; in compacted ground as deep as it was dug."""
    if not on_open_ground(bed):
        return 0.0
    if bed.stand is not None and bed.stand.on == "compacted":
        return min(bed.dug_m or 0.0, BOTTOMLESS_M)
    return BOTTOMLESS_M


def wrong_with_footing(bed: Bed, path: str) -> Iterator[PlanProblem]:
    """What a bed says of what it stands on that can't be. path: how the bed is called in a problem."""
    on = bed.stand.on if bed.stand else None
    if bed.turf is not None and on != "lawn":
        yield PlanProblem(f"{path}.turf", f"is {bed.turf}, and only a bed whose stand.on is lawn has turf")
    for key in ("dug_m", "blended_m"):
        if getattr(bed, key) and not on_open_ground(bed):
            yield PlanProblem(f"{path}.{key}", f"belongs to a bed on open ground, and this one stands on {on}")
    if bed.stand is not None and bed.stand.height_m is not None and on not in HIGH:
        yield PlanProblem(f"{path}.stand.height_m", f"belongs to blocks or legs, and this one stands on {on}")
