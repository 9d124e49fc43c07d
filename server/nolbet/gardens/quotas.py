"""How much one gardener may keep, so that nobody fills the disk for all."""

from __future__ import annotations

from nolbet.gardens.errors import Full
from nolbet.gardens.models import Garden
from nolbet_core.plan.garden import MOST_BEDS

MOST_GARDENS = 200
"""Of one gardener, those in the bin with them."""


def check_room_for_garden(owner_id: int) -> None:
    """Raises Full where an owner has as many gardens as may be kept."""
    if Garden.objects.filter(owner_id=owner_id).count() >= MOST_GARDENS:
        most = f"Up to {MOST_GARDENS} gardens are kept, with those in the bin."
        raise Full(f"{most} Take one out as a file, then forget it.")


def check_room_for_bed(beds: int) -> None:
    """Raises Full where a garden has as many beds as may be kept. beds: those there are, in the bin too."""
    if beds >= MOST_BEDS:
        raise Full(f"Up to {MOST_BEDS} beds are kept in a garden, with those in the bin. Begin another garden.")
