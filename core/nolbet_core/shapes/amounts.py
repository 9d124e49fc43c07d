"""Sizing the other way round: what a number of bags does over an area."""

from __future__ import annotations


def depth_for_volume(placed_m3: float, area_m2: float) -> float:
    """Depth [m] at which a placed volume [m3] lies over an area [m2]. Raises ValueError where there is no area."""
    if area_m2 <= 0:
        raise ValueError("there is no area to cover")
    return placed_m3 / area_m2


def area_for_volume(placed_m3: float, depth_m: float) -> float:
    """Area [m2] that a placed volume [m3] covers at a depth [m]. Raises ValueError where there is no depth."""
    if depth_m <= 0:
        raise ValueError("nothing can be spread at no depth")
    return placed_m3 / depth_m


def placed_from_bags(bags: int, bag_m3: float, loose_factor: float) -> float:
    """Placed volume [m3] of so many bags of a loose volume [m3]: loose shrinks by its loose factor when trodden in."""
    return bags * bag_m3 / loose_factor
