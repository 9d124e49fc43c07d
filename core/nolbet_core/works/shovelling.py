"""How long fill takes to move by hand."""

from __future__ import annotations

SHOVELLED_M3_AN_HOUR = 1.0
"""What one person shovels [m3/h] (estimate)."""


def shovelling_hours(loose_m3: float) -> float:
    """Hours that one person shovels a loose volume [m3] in."""
    return loose_m3 / SHOVELLED_M3_AN_HOUR
