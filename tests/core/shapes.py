"""Every kind of shape: one of each, and strategies for random ones."""

from __future__ import annotations

from typing import Any

from hypothesis import strategies as st

from nolbet_core.built.vessels import build_vessel
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.shapes.vessel import Vessel

EVERY_SHAPE: dict[str, dict[str, Any]] = {
    "box": {"length_m": 2.0, "width_m": 1.0, "depth_m": 0.5},
    "l_box": {"length_m": 2.4, "width_m": 1.8, "notch_length_m": 1.2, "notch_width_m": 0.8, "depth_m": 0.5},
    "polygon": {"corners_m": [[0, 0], [2, 0], [2.2, 1.1], [0.2, 1.3]], "depth_m": 0.4},
    "circle": {"diameter_m": 1.2, "depth_m": 0.5},
    "ellipse": {"length_m": 2.0, "width_m": 1.1, "depth_m": 0.4},
    "stadium": {"length_m": 1.8, "width_m": 0.6, "depth_m": 0.6},
    "regular_polygon": {"sides": 6, "across_flats_m": 1.4, "depth_m": 0.4},
    "keyhole": {"diameter_m": 2.2, "path_width_m": 0.45, "basket_diameter_m": 0.5, "depth_m": 0.6},
    "round_tub": {"base_diameter_m": 0.4, "rim_diameter_m": 0.55, "depth_m": 0.45},
    "trough": {"base_length_m": 0.8, "base_width_m": 0.3, "rim_length_m": 1.0, "rim_width_m": 0.4, "depth_m": 0.35},
    "lying_barrel": {"diameter_m": 0.6, "length_m": 0.9, "opening_width_m": 0.5},
    "crates": {"columns": 3, "rows": 2, "length_m": 0.6, "width_m": 0.4, "depth_m": 0.3},
    "trench": {
        "top_length_m": 4.0, "top_width_m": 0.8, "bottom_length_m": 3.8, "bottom_width_m": 0.6, "depth_m": 0.5,
    },
    "hipped_mound": {"length_m": 4.0, "width_m": 1.8, "height_m": 0.7, "slope_deg": 50.0},
    "round_mound": {"length_m": 4.0, "width_m": 1.6, "height_m": 0.8},
    "herb_spiral": {
        "diameter_m": 1.8, "path_width_m": 0.35, "wall_m": 0.1, "outer_height_m": 0.2, "centre_height_m": 0.8,
    },
    "ring_spiral": {
        "diameter_m": 2.0, "path_width_m": 0.35, "wall_m": 0.1, "ring_height_m": 0.25, "centre_height_m": 0.8,
    },
    "flat_area": {"length_m": 5.0, "width_m": 3.0, "feather_m": 0.3},
}  # fmt: skip

WALLED = ("box", "l_box", "polygon", "circle", "ellipse", "stadium", "regular_polygon", "keyhole", "round_tub",
          "trough", "lying_barrel", "crates")  # fmt: skip


def shape(kind: str, **changes: Any) -> dict[str, Any]:
    """A shape of a kind, as the plan file writes it."""
    return {"kind": kind, **EVERY_SHAPE[kind], **changes}


def built(kind: str, bed: dict[str, Any] | None = None, **changes: Any) -> Vessel:
    """A bed of a kind as built. bed: keys beside the shape; changes: of the shape."""
    document = {"key": kind, "shape": shape(kind, **changes), "layers": [], **(bed or {})}
    return vessel_of(Bed.model_validate(document))


def vessel_of(bed: Bed) -> Vessel:
    """A bed's vessel. Raises its first problem."""
    problems: list[PlanProblem] = []
    vessel = build_vessel(bed, "bed", problems)
    if vessel is None or problems:
        raise problems[0]
    return vessel


def layers(kind: str) -> list[dict[str, Any]]:
    """Layers that suit a kind, a sheet under them."""
    if kind == "flat_area":
        return [{"material": "cardboard"}, {"material": "compost", "thickness_m": 0.1}]
    return [
        {"material": "cardboard"},
        {"material": "branches", "thickness_m": 0.08},
        {"material": "topsoil", "fill": True},
        {"material": "compost", "thickness_m": 0.05},
    ]


_depth = st.floats(0.1, 2)


def _scaled(kind: str, scale: float, stretch: float, depth_m: float) -> dict[str, Any]:
    """A sample made larger, stretched along, and of another depth."""
    wanted: dict[str, Any] = {}
    for key, value in EVERY_SHAPE[kind].items():
        if key == "corners_m":
            wanted[key] = [[x * scale * stretch, y * scale] for x, y in value]
        elif key in ("depth_m", "height_m", "outer_height_m"):
            wanted[key] = depth_m
        elif key == "centre_height_m":
            wanted[key] = depth_m * stretch
        elif key.endswith("length_m"):
            wanted[key] = value * scale * stretch
        elif key.endswith("_m"):
            wanted[key] = value * scale
        else:
            wanted[key] = value
    if kind == "hipped_mound":
        wanted["height_m"] = min(depth_m, 0.45 * wanted["width_m"])
    return wanted


def random_shapes(kind: str) -> st.SearchStrategy[dict[str, Any]]:
    """Random shapes of a kind that can be built."""
    return st.builds(
        lambda scale, stretch, depth: {"kind": kind, **_scaled(kind, scale, stretch, depth)},
        st.floats(0.3, 5),
        st.floats(1, 2.5),
        _depth,
    )
