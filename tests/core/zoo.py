"""Named beds and plans, odd ones included, for every test that needs one."""

from __future__ import annotations

from typing import Any

from nolbet_core.climate.weather import MonthNormals

FT = 0.3048
IN = 0.0254


def bed(**changes: Any) -> dict[str, Any]:
    """A plain box bed of 2 x 1 m, 0.5 m deep, filled with topsoil to the rim."""
    plain: dict[str, Any] = {
        "key": "plain",
        "shape": {"kind": "box", "length_m": 2.0, "width_m": 1.0, "depth_m": 0.5},
        "headspace_m": 0.0,
        "layers": [{"material": "topsoil", "fill": True}],
    }
    return plain | changes


def plan(*beds: dict[str, Any], **changes: Any) -> dict[str, Any]:
    """A plan of beds, one plain one if none are given."""
    document: dict[str, Any] = {
        "format": "nolbet-plan/1",
        "garden": {"name": "Test ground"},
        "beds": list(beds) or [bed()],
    }
    return document | changes


def shape(length_m: float, width_m: float, depth_m: float) -> dict[str, Any]:
    """The shape of a box."""
    return {"kind": "box", "length_m": length_m, "width_m": width_m, "depth_m": depth_m}


FOUR_BY_EIGHT = bed(key="four_by_eight", shape=shape(8 * FT, 4 * FT, 10 * IN))

MIXED_AMOUNTS = bed(
    key="mixed",
    layers=[
        {"material": "cardboard", "plies": 2},
        {"material": "branches", "thickness_m": 0.1, "infill": {"material": "compost", "share": 0.6}},
        {"material": "compost", "volume_m3": 0.1},
        {"material": "leaves", "share": 0.25},
        {"material": "topsoil", "fill": True},
    ],
)

OVERFULL = bed(
    key="overfull",
    layers=[
        {"material": "topsoil", "thickness_m": 0.4},
        {"material": "compost", "fill": True},
        {"material": "bark_mulch", "thickness_m": 0.2},
    ],
)

WOODY = bed(
    key="woody",
    layers=[{"material": "broadleaf_logs", "thickness_m": 0.2}, {"material": "topsoil", "fill": True}],
)

EMPTY = bed(key="empty", layers=[])

SUPPLIERS = [
    {
        "key": "yard",
        "name": "Pennyfold yard",
        "delivery": "45.00",
        "offers": [
            {"material": "compost", "form": "bag", "volume_m3": 0.04, "price": "6.20"},
            {
                "material": "compost",
                "form": "bulk",
                "step_m3": 0.382277,
                "minimum_m3": 0.764554,
                "price_per_m3": "48.00",
                "load_m3": 4.0,
            },
        ],
    }
]

NORMALS = tuple(
    MonthNormals(tmin, tmin + 9.0, rain, days)
    for tmin, rain, days in zip(
        (-8, -7, -2, 3, 8, 13, 16, 15, 11, 5, 0, -6),
        (70, 60, 80, 85, 95, 100, 90, 95, 90, 95, 85, 75),
        (11, 9, 11, 11, 12, 11, 10, 10, 9, 10, 11, 11),
        strict=True,
    )
)
"""A year of cold winters and even rain, by month."""
