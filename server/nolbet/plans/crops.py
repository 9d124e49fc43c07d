"""Changing a garden's own crops, checked against the beds that name them."""

from __future__ import annotations

from collections.abc import Sequence
from contextlib import suppress

from nolbet.gardens.errors import InUse, Unreadable
from nolbet.gardens.models import Garden
from nolbet.gardens.rows import bed_plan, crops_column
from nolbet.plans.saving import save_checked
from nolbet_core.built.crops import gather_crops
from nolbet_core.plan.planting import OwnCrop


def save_crops(garden_id: int, crops: Sequence[OwnCrop]) -> Garden:
    """Keep a garden's own crops in place of those it had.

    Raises PlanProblem where one is like none of the shelf or its key stands twice, InUse where a bed still names one
    that would be gone.
    """

    def check(garden: Garden) -> None:
        there = gather_crops(crops).holding()
        for row in garden.beds.filter(deleted_at=None):
            with suppress(Unreadable):
                gone = [each.crop for each in bed_plan(row).crops if each.crop not in there]
                if gone:
                    raise InUse(f"{gone[0]} grows in {row.name}: take it out there first.")

    def keep(garden: Garden, _: None) -> Garden:
        garden.crops = crops_column(crops)
        garden.save(update_fields=["crops"])
        garden.shelf_changed()
        return garden

    return save_checked(garden_id, "changes", check, keep)
