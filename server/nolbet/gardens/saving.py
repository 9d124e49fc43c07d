"""Saving beds: each save rests on the revision it was made from."""

from __future__ import annotations

from django.db import transaction
from nolbet_core.plan import bed as plan_bed

from nolbet.gardens.errors import Missing, StaleSave
from nolbet.gardens.keys import key_for
from nolbet.gardens.models import Bed, Garden
from nolbet.gardens.plans import cut_of


@transaction.atomic
def add_bed(garden: Garden, bed: plan_bed.Bed) -> Bed:
    """Keep a new bed at the end of the garden's list, under a key of its own."""
    beds = list(garden.beds.all())
    key = key_for(bed.title, {each.key for each in beds})
    position = max((each.position for each in beds), default=-1) + 1
    return Bed.objects.create(
        garden=garden, key=key, name=bed.title, count=bed.count, position=position, cut=cut_of(bed)
    )


@transaction.atomic
def save_bed(bed_id: int, revision: int, bed: plan_bed.Bed) -> Bed:
    """Keep a changed bed. Raises StaleSave with the kept one where it was changed since `revision`."""
    kept = Bed.objects.select_for_update().filter(id=bed_id).first()
    if kept is None:
        raise Missing
    if kept.revision != revision:
        raise StaleSave(kept)
    kept.name, kept.count, kept.cut = bed.title, bed.count, cut_of(bed)
    kept.revision += 1
    kept.save()
    return kept
