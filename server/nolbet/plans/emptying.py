"""Taking a bed apart: what comes out of it goes to the gardener's shelf and heaps in one step with the bed itself."""

from __future__ import annotations

from typing import Literal

from django.db.models import F

from nolbet.clock import today
from nolbet.gardens.errors import StaleSave
from nolbet.gardens.keys import key_for
from nolbet.gardens.models import Bed, Garden
from nolbet.gardens.parts import remember_part
from nolbet.gardens.rows import bed_plan
from nolbet.haul.rows import replace_stock, stock_plan
from nolbet.plans.haul import sources_document
from nolbet.plans.saving import change_row, save_checked
from nolbet.plans.supplies import garden_around, garden_supplies
from nolbet.shelf.rows import keep_materials
from nolbet_core.built.emptying import Emptied, build_on, empty_bed
from nolbet_core.built.worked import work_bed

How = Literal["onto_heaps", "build_on"]


def empty_kept(kept: Bed, revision: int, how: How, down_to_m: float) -> Bed:
    """Take a kept bed apart as it lies today, or make what is left of it its lowest layers.

    revision: of the bed as it was looked at. down_to_m: height above the floor that it is dug out to [m].

    Raises StaleSave where the bed was changed since, PlanProblem where nothing lies in it.
    """

    def check(garden: Garden) -> Emptied:
        now = Bed.objects.get(pk=kept.pk)
        if now.revision != revision:
            raise StaleSave(now)
        supplies = garden_supplies(garden)
        worked = work_bed(bed_plan(now), garden_around(garden, today()), supplies)
        emptied = build_on(worked) if how == "build_on" else empty_bed(worked, today().isoformat(), down_to_m)
        return emptied.renamed(lambda name, taken: key_for(name, {*supplies.materials, *taken}))

    def keep(garden: Garden, emptied: Emptied) -> Bed:
        if emptied.materials:
            garden.shelf_changed()
            keep_materials(garden, list(emptied.materials))
        if emptied.heaps:
            _onto_heaps(garden, emptied)
        return change_row(kept.pk, revision, emptied.bed)

    return save_checked(kept.garden_id, "changes", check, keep)


def _onto_heaps(garden: Garden, emptied: Emptied) -> None:
    revision = Garden.objects.values_list("sources_revision", flat=True).get(pk=garden.pk)
    before = sources_document(garden)
    replace_stock(garden, [*stock_plan(garden), *emptied.heaps])
    Garden.objects.filter(pk=garden.pk).update(sources_revision=F("sources_revision") + 1)
    remember_part(garden, "sources", "sources", (revision, before), (revision + 1, sources_document(garden)))
