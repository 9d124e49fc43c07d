"""Saving what a garden is: each save rests on what it was made from and was checked against, and is all or nothing.

Checking a bed or a recipe takes longer than writing it, so it is done before the database is locked for writing. Within
the lock only a stamp is looked at: where what was checked against has changed meanwhile, it is checked again.
"""

from __future__ import annotations

from collections.abc import Callable
from typing import Literal, TypeVar
from uuid import uuid4

from django.db import transaction
from django.db.models import F

from nolbet.gardens.errors import Busy, Missing, StaleChange, StaleSave
from nolbet.gardens.history import thin_versions
from nolbet.gardens.keys import key_for
from nolbet.gardens.models import Bed, Garden
from nolbet.gardens.parts import remember_part
from nolbet.gardens.quotas import check_room_for_bed
from nolbet.gardens.rows import bed_columns, head_columns, plot_columns
from nolbet.plans.supplies import garden_supplies
from nolbet_core.built.bed import build_bed
from nolbet_core.built.crops import wrong_with_crops
from nolbet_core.built.plot_checks import wrong_with_plot
from nolbet_core.plan import bed as plan_bed
from nolbet_core.plan.garden import Garden as PlanGarden
from nolbet_core.plan.plot import Plot

MOST_TRIES = 40
THINS_EVERY = 10
"""A history is thinned with every so many saves: what undo reaches is never among what goes."""

Stamp = Literal["shelf_stamp", "changes"]
Checked = TypeVar("Checked")
Saved = TypeVar("Saved")


def save_checked(
    garden_id: int, stamp: Stamp, check: Callable[[Garden], Checked], keep: Callable[[Garden, Checked], Saved]
) -> Saved:
    """Keep something that rests on a garden as it was checked.

    stamp: what tells that the garden is still so: its shelf's, or its count of all changes. check: raises what is wrong
    and gives what keep needs; keep: writes it, within one transaction.

    Raises Missing where the garden is gone, Busy where it kept changing.
    """
    for _ in range(MOST_TRIES):
        seen = Garden.objects.filter(pk=garden_id, deleted_at=None).first()
        if seen is None:
            raise Missing
        checked = check(seen)
        with transaction.atomic():
            now = Garden.objects.filter(pk=garden_id, deleted_at=None).values_list(stamp, flat=True).first()
            if now is None:
                raise Missing
            if now == getattr(seen, stamp):
                saved = keep(seen, checked)
                seen.changed()
                return saved
    raise Busy


def add_bed(garden_id: int, bed: plan_bed.Bed) -> Bed:
    """Keep a new bed under a key of its own. Raises PlanProblem where it doesn't hold together."""
    return save_checked(
        garden_id, "shelf_stamp", lambda seen: _check_bed(seen, bed), lambda seen, _: add_row(seen, bed)
    )


def save_bed(kept: Bed, revision: int, bed: plan_bed.Bed, restores: int | None = None) -> Bed:
    """Keep a changed bed. restores: the earlier revision that the change brings back, where it does.

    Raises StaleSave with the kept bed where it was changed since `revision`, Missing where it is gone, PlanProblem
    where it doesn't hold together.
    """
    return save_checked(
        kept.garden_id,
        "shelf_stamp",
        lambda seen: _check_bed(seen, bed),
        lambda _, __: change_row(kept.pk, revision, bed, restores),
    )


def _check_bed(garden: Garden, bed: plan_bed.Bed) -> None:
    supplies = garden_supplies(garden)
    build_bed(bed, supplies.materials).holding()
    for problem in wrong_with_crops(bed, supplies.crops, "bed"):
        raise problem


def add_row(garden: Garden, bed: plan_bed.Bed, key: str | None = None) -> Bed:
    """Keep a checked bed at the end of a garden's list, under a key of its own unless one is given.

    Raises Full where the garden has as many as may be kept.
    """
    if bed.over is not None and garden.beds.filter(deleted_at=None, cut__over=bed.over).exists():
        bed = bed.model_copy(update={"over": None})
    beds = list(garden.beds.values_list("key", "position"))
    check_room_for_bed(len(beds))
    position = max((place for _, place in beds), default=-1) + 1
    free = key or key_for(bed.title, {each for each, _ in beds})
    kept = Bed.objects.create(garden=garden, key=free, position=position, **bed_columns(bed))
    kept.remember()
    return kept


def change_row(bed_id: int, revision: int, bed: plan_bed.Bed, restores: int | None = None) -> Bed:
    """Keep a checked bed in its row. Raises as save_bed."""
    kept = Bed.objects.filter(pk=bed_id, deleted_at=None).first()
    if kept is None:
        raise Missing
    if kept.revision != revision:
        raise StaleSave(kept)
    return keep_in_row(kept, bed, restores)


def keep_in_row(kept: Bed, bed: plan_bed.Bed, restores: int | None = None) -> Bed:
    """Keep a checked bed in its row, which was read in the same transaction. restores: as save_bed."""
    columns = bed_columns(bed)
    for name, value in columns.items():
        setattr(kept, name, value)
    kept.revision += 1
    kept.save(update_fields=[*columns, "revision", "saved_at"])
    kept.remember(restores)
    if kept.revision % THINS_EVERY == 0:
        thin_versions(kept)
    return kept


def save_plot(garden_id: int, revision: int, plot: Plot | None, restores: int | None = None) -> Garden:
    """Keep a changed plot. restores: the earlier revision that the change brings back, where it does.

    Raises StaleChange where it was changed since `revision`, PlanProblem where it doesn't hold together.
    """
    return save_checked(
        garden_id,
        "shelf_stamp",
        lambda seen: _check_plot(seen, plot),
        lambda seen, _: change_plot_columns(seen, revision, plot, restores),
    )


def _check_plot(garden: Garden, plot: Plot | None) -> None:
    problems = wrong_with_plot(plot, garden_supplies(garden).materials, "plot") if plot else ()
    if problems:
        raise problems[0]


def change_plot_columns(garden: Garden, revision: int, plot: Plot | None, restores: int | None = None) -> Garden:
    """Keep a checked plot. Raises StaleChange where it was changed since `revision`."""
    columns = plot_columns(plot)
    before = Garden.objects.filter(pk=garden.pk, plot_revision=revision).values_list("plot", flat=True)
    if not before:
        raise StaleChange("The plot was")
    remember_part(garden, "plot", "plot", (revision, before[0]), (revision + 1, columns["plot"]), restores)
    Garden.objects.filter(pk=garden.pk).update(**columns, plot_revision=revision + 1, head_stamp=uuid4())
    return Garden.objects.get(pk=garden.pk)


@transaction.atomic
def save_head(garden_id: int, revision: int, head: PlanGarden) -> Garden:
    """Keep a garden's name, money, units and climate; its plot is kept by itself.

    Raises StaleChange where they were changed since `revision`, Missing where the garden is gone.
    """
    row = Garden.objects.filter(pk=garden_id, deleted_at=None)
    columns = head_columns(head)
    if not row.filter(head_revision=revision).update(
        **columns, head_revision=revision + 1, head_stamp=uuid4(), changes=F("changes") + 1
    ):
        if not row.exists():
            raise Missing
        raise StaleChange("The garden's name and climate were")
    return Garden.objects.get(pk=garden_id)


@transaction.atomic
def save_units(garden_id: int, units: str) -> Garden:
    """Keep the units that a garden is shown in. Raises Missing where it is gone."""
    row = Garden.objects.filter(pk=garden_id, deleted_at=None)
    stamps = {"head_revision": F("head_revision") + 1, "head_stamp": uuid4(), "changes": F("changes") + 1}
    if not row.update(units=units, **stamps):
        raise Missing
    return Garden.objects.get(pk=garden_id)
