"""Saving beds: each save rests on the revision it was made from, and stays in the bed's history."""

from __future__ import annotations

from django.db import transaction

from nolbet.gardens.errors import Missing, StalePlot, StaleSave
from nolbet.gardens.keys import key_for
from nolbet.gardens.models import Bed, Garden
from nolbet.gardens.plans import cut_of, plot_document
from nolbet_core.plan import bed as plan_bed
from nolbet_core.plan.plot import Plot


@transaction.atomic
def add_bed(garden: Garden, bed: plan_bed.Bed, key: str | None = None) -> Bed:
    """Keep a new bed at the end of the garden's list, under a key of its own unless one is given."""
    beds = list(garden.beds.all())
    position = max((each.position for each in beds), default=-1) + 1
    kept = Bed.objects.create(
        garden=garden,
        key=key or key_for(bed.title, {each.key for each in beds}),
        name=bed.title,
        count=bed.count,
        position=position,
        cut=cut_of(bed),
    )
    kept.remember()
    return kept


@transaction.atomic
def save_bed(bed_id: int, revision: int, bed: plan_bed.Bed, restores: int | None = None) -> Bed:
    """Keep a changed bed.

    restores: the earlier revision that the change brings back, where it does.

    Raises StaleSave with the kept bed where it was changed since `revision`, Missing where it is gone.
    """
    kept = Bed.objects.select_for_update().filter(id=bed_id, deleted_at=None).first()
    if kept is None:
        raise Missing
    if kept.revision != revision:
        raise StaleSave(kept)
    kept.name, kept.count, kept.cut = bed.title, bed.count, cut_of(bed)
    kept.revision += 1
    kept.save()
    kept.remember(restores)
    return kept


@transaction.atomic
def save_plot(garden_id: int, revision: int, plot: Plot | None) -> Garden:
    """Keep a changed plot. Raises StalePlot where it was changed since `revision`."""
    garden = Garden.objects.select_for_update().get(id=garden_id)
    if garden.plot_revision != revision:
        raise StalePlot
    garden.plot = plot_document(plot)
    garden.plot_revision += 1
    garden.save(update_fields=["plot", "plot_revision"])
    return garden
