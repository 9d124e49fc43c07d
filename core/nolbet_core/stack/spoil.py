"""What digging gives."""

from __future__ import annotations

SPOIL_SWELL = 1.25
"""Loose volume of dug soil over its volume in the ground: an estimate, 1.1 to 1.4 from sand to clay."""


def spoil_volume(dug_m3: float) -> float:
    """Loose volume [m3] of what a hole of a volume [m3] gives."""
    return dug_m3 * SPOIL_SWELL
