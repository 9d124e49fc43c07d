"""The frames that can go round a bed's shape, each as it starts: as thick as the bed's own wall."""

from __future__ import annotations

from typing import Any

from nolbet_core.frame.sizes import USUAL_SIZES, nominal_size
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.frame import FrameKind
from nolbet_core.plan.shapes import BOARDED
from nolbet_core.shelf.walling import WALLING

ALL_KINDS: tuple[FrameKind, ...] = (
    "boards", "units", "dry_stone", "sheet", "logs", "pallets", "hurdle", "bought",
)  # fmt: skip
ROUND_KINDS: tuple[FrameKind, ...] = ("units", "dry_stone", "sheet", "hurdle", "bought")
SPIRAL_KINDS: tuple[FrameKind, ...] = ("dry_stone", "units")

ROUND_SHAPES = frozenset({"circle", "ellipse", "stadium", "keyhole"})
SPIRAL_SHAPES = frozenset({"herb_spiral", "ring_spiral"})

USUAL_M: dict[FrameKind, float] = {"dry_stone": 0.3, "logs": 0.15, "hurdle": 0.05, "bought": 0.03}
"""Thickness of a wall where the bed has none yet [m]."""
THIN_WALL_M, THICK_WALL_M = 0.06, 0.4
"""Thickness between which bricks or blocks make a wall [m]."""
USUAL_NOMINAL = "2x10"
SAME_M = 0.001


def frame_kinds(bed: Bed) -> tuple[FrameKind, ...]:
    """The kinds of frame that can go round a bed's shape; none round a mound, a trench or a vessel of its own."""
    if isinstance(bed.shape, BOARDED):
        return ALL_KINDS
    if bed.shape.kind in ROUND_SHAPES:
        return ROUND_KINDS
    return SPIRAL_KINDS if bed.shape.kind in SPIRAL_SHAPES else ()


def first_frames(bed: Bed) -> list[dict[str, Any]]:
    """A frame of each kind that can go round a bed, in the plan file's words, as thick as the bed's own wall."""
    wall_m = own_wall_m(bed)
    return [{"kind": kind, **_sized(kind, wall_m)} for kind in frame_kinds(bed)]


def own_wall_m(bed: Bed) -> float:
    """Thickness of a bed's wall as entered with its measures [m]; a spiral's is part of its shape."""
    own: float = getattr(bed.shape, "wall_m", 0.0)
    return own or bed.wall_m


def _sized(kind: FrameKind, wall_m: float) -> dict[str, Any]:
    if kind == "boards":
        return _boards(wall_m)
    if kind == "units":
        brick = WALLING["brick"]
        if not THIN_WALL_M <= wall_m <= THICK_WALL_M:
            return {"material": brick.key}
        return {"material": brick.key, "unit_m": [brick.unit_m[0], wall_m, brick.unit_m[2]]}
    if kind == "sheet":
        return {"material": "sheet_metal"}
    if kind == "pallets":
        return {"material": "pallet"}
    made: dict[str, Any] = {"thickness_m": wall_m or USUAL_M[kind]}
    return made | ({"material": "stone"} if kind == "dry_stone" else {})


def _boards(wall_m: float) -> dict[str, Any]:
    """Boards of the wall's thickness: by their name where one is that thick, the usual one first."""
    if not wall_m:
        return {"material": "larch", "nominal": USUAL_NOMINAL}
    for name in (USUAL_NOMINAL, *reversed(USUAL_SIZES)):
        if abs(nominal_size(name)[0] - wall_m) <= SAME_M:
            return {"material": "larch", "nominal": name}
    return {"material": "larch", "thickness_m": wall_m, "width_m": nominal_size(USUAL_NOMINAL)[1]}
