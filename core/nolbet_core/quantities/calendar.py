"""Days that can be used: those that gardens see."""

from __future__ import annotations

from datetime import date

FIRST_YEAR, LAST_YEAR = 1900, 2199


def check_year(day: date) -> None:
    """Raises ValueError for a day that no garden sees: years are counted on and back from it."""
    if not FIRST_YEAR <= day.year <= LAST_YEAR:
        raise ValueError(f"{day.isoformat()} is no day that can be used: years from {FIRST_YEAR} to {LAST_YEAR} can be")
