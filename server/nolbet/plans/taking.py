"""Taking a proposal into a garden: its beds where the plot has room, and what lies on hand to build them of."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from django.db import transaction

from nolbet.gardens.models import Bed, Garden
from nolbet.gardens.rows import bed_plan
from nolbet.plans.haul import haul_words, save_sources
from nolbet.plans.saving import add_bed, save_bed
from nolbet.plans.whole import whole_garden
from nolbet_core.figure.walk import figure_rows
from nolbet_core.plan import bed as plan_bed
from nolbet_core.plan.garden import Stock
from nolbet_core.plan.plot import Place


def take_proposal(garden: Garden, bed: plan_bed.Bed, stock: Sequence[Stock]) -> Bed:
    """Keep a proposal's beds, where the plot has room for them, and what there is in place of what lay on hand; all of
    it or nothing.

    Raises PlanProblem where the bed doesn't hold together, or a heap is of something that isn't on the shelf.
    """
    words = haul_words(garden)
    with transaction.atomic():
        kept = add_bed(garden.pk, bed)
        if list(stock) != list(words.stock):
            save_sources(garden.pk, garden.sources_revision, replace(words, stock=stock))
        return _placed(Garden.objects.get(pk=garden.pk), kept)


def _placed(garden: Garden, kept: Bed) -> Bed:
    """A bed with those alike laid out in rows on what is free of the plot, as many as there is room for."""
    built = whole_garden(garden).built
    if built.plan.garden.plot is None:
        return kept
    (laid,) = figure_rows(built, [kept.key], None, None).beds
    places = [Place(x_m=spot.x_m, y_m=spot.y_m, turn_deg=spot.turn_deg) for spot in laid.spots]
    if not places:
        return kept
    return save_bed(kept, kept.revision, bed_plan(kept).model_copy(update={"places": places}))
