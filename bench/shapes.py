"""Every shape through the API against a box with the same layers."""

from __future__ import annotations

import json
from functools import partial
from typing import Any

from bench.api import EIGHT_LAYERS, kept_garden
from bench.measure import Measure, compare
from tests.core.shapes import EVERY_SHAPE, shape

ROUNDS = 60
LIMIT = 3.0
SLOW_LIMIT = 10.0
SLOW = frozenset({"hipped_mound", "round_mound", "herb_spiral", "keyhole"})
LAYERS: list[dict[str, Any]] = [
    {"material": "cardboard", "plies": 2},
    {"material": "broadleaf_logs", "thickness_m": 0.08, "infill": {"material": "compost", "share": 0.8}},
    {"material": "topsoil", "fill": True},
    {"material": "compost", "thickness_m": 0.05},
    {"material": "bark_mulch", "thickness_m": 0.04},
]


def measure_shapes() -> list[Measure]:
    """The median of each shape's draft against that of a box."""
    client, garden = kept_garden(EIGHT_LAYERS | {"key": "shapes"}, "shapes")
    token = client.cookies["nolbet_csrf"].value
    address = f"/api/gardens/{garden.pk}/figure/bed"

    def post(body: str) -> None:
        answer = client.post(address, body, content_type="application/json", headers={"X-CSRFToken": token})
        if answer.status_code != 200:
            raise RuntimeError(f"{address} answered {answer.status_code}: {answer.content[:200]!r}")

    bodies = {kind: json.dumps({"bed": _bed(kind)}) for kind in EVERY_SHAPE}
    return [
        compare(
            f"api_figure_{kind}_to_box",
            SLOW_LIMIT if kind in SLOW else LIMIT,
            partial(post, body),
            lambda: post(bodies["box"]),
            ROUNDS,
        )
        for kind, body in bodies.items()
        if kind != "box"
    ]


def _bed(kind: str) -> dict[str, Any]:
    layers = [layer for layer in LAYERS if "fill" not in layer] if kind == "flat_area" else LAYERS
    return {"key": kind, "shape": shape(kind), "layers": layers}
