"""The bin: deleted gardens and beds lie in it for 30 days and come back whole."""

from __future__ import annotations

from datetime import datetime

from django.db import transaction

from nolbet.gardens.errors import Missing
from nolbet.gardens.models import Bed, Garden

KEPT_DAYS = 30


def empty_what_is_older(before: datetime) -> None:
    """Forget what was put into the bin before some time, of all gardeners."""
    Garden.objects.filter(deleted_at__lt=before).delete()
    Bed.objects.filter(deleted_at__lt=before).delete()


def bin_garden(garden: Garden, now: datetime) -> None:
    """Put a garden into the bin."""
    Garden.objects.filter(pk=garden.pk).update(deleted_at=now)


@transaction.atomic
def bin_bed(bed: Bed, now: datetime) -> None:
    """Put a bed into the bin."""
    Bed.objects.filter(pk=bed.pk).update(deleted_at=now)
    bed.garden.changed()


@transaction.atomic
def take_garden_back(owner_id: int, garden_id: int) -> Garden:
    """Take a garden out of its owner's bin. Raises Missing where it doesn't lie there."""
    lying = Garden.objects.filter(owner_id=owner_id, id=garden_id).exclude(deleted_at=None)
    if not lying.update(deleted_at=None):
        raise Missing
    return Garden.objects.get(id=garden_id)


@transaction.atomic
def take_bed_back(garden: Garden, key: str) -> Bed:
    """Take a bed out of a garden's bin. Raises Missing where it doesn't lie there."""
    if not garden.beds.filter(key=key).exclude(deleted_at=None).update(deleted_at=None):
        raise Missing
    garden.changed()
    return garden.beds.get(key=key)
