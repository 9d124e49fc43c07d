"""Between the database and the plan: what is kept becomes a plan for the core, and a plan becomes what is kept."""

from __future__ import annotations

from typing import Any
from uuid import UUID

from nolbet.gardens.models import Bed, BedVersion, Garden
from nolbet.haul.storing import keep_supplier, replace_stock, stock_plan, suppliers_plan
from nolbet.shelf.models import Mix, OwnMaterial
from nolbet_core.plan import bed as plan_bed
from nolbet_core.built.checks import Supplies, gather_supplies
from nolbet_core.plan.garden import FORMAT, Plan
from nolbet_core.plan.garden import Garden as PlanGarden
from nolbet_core.plan.garden import OwnMaterial as PlanMaterial
from nolbet_core.plan.mix import PlanMix
from nolbet_core.built.mixes import title_of
from nolbet_core.plan.plot import Plot

GARDEN_KEYS = (
    "name",
    "currency",
    "units",
    "latitude_deg",
    "mean_temp_c",
    "last_frost",
    "first_frost",
    "handful_kg",
    "normals",
)
COLUMNS = {"key", "name", "count"}


def garden_plan(garden: Garden) -> PlanGarden:
    """A kept garden as the plan's head."""
    plot = None if garden.plot is None else Plot.model_validate(garden.plot)
    return PlanGarden(**{key: getattr(garden, key) for key in GARDEN_KEYS}, plot=plot)


def plot_document(plot: Plot | None) -> dict[str, Any] | None:
    """A plot as it is kept."""
    return None if plot is None else plot.model_dump(mode="json", exclude_none=True)


def bed_plan(bed: Bed | BedVersion) -> plan_bed.Bed:
    """A kept bed, or a version of one, as the plan writes it."""
    key = bed.key if isinstance(bed, Bed) else bed.bed.key
    return plan_bed.Bed.model_validate({**bed.cut, "key": key, "name": bed.name, "count": bed.count})


def cut_of(bed: plan_bed.Bed) -> dict[str, Any]:
    """A bed's document: all of it that isn't a column."""
    return bed.model_dump(mode="json", exclude_none=True, exclude=COLUMNS)


def garden_supplies(garden: Garden) -> Supplies:
    """What a garden's layers may name: the shelf with its own materials and mixes.

    It is gathered once for each stamp of the garden's shelf, since every step of a drag asks for it.
    """
    found = _gathered.get(garden.shelf_stamp)
    if found is None:
        if len(_gathered) >= MOST_GATHERED:
            _gathered.clear()
        found = _gathered[garden.shelf_stamp] = _gather(garden)
    return found


MOST_GATHERED = 500
_gathered: dict[UUID, Supplies] = {}


def _gather(garden: Garden) -> Supplies:
    return gather_supplies(materials_plan(garden), mixes_plan(garden))


def whole_plan(garden: Garden) -> Plan:
    """A kept garden as a whole plan."""
    return Plan(
        format=FORMAT,
        garden=garden_plan(garden),
        materials=materials_plan(garden),
        mixes=mixes_plan(garden),
        beds=[bed_plan(bed) for bed in garden.beds.filter(deleted_at=None)],
        stock=stock_plan(garden),
        suppliers=suppliers_plan(garden),
    )


def store_plan(owner_id: int, plan: Plan) -> Garden:
    """Keep a checked plan as a new garden of an owner."""
    head = plan.garden.model_dump(include=set(GARDEN_KEYS))
    garden = Garden.objects.create(owner_id=owner_id, plot=plot_document(plan.garden.plot), **head)
    for own in plan.materials:
        figures = figures_of(own)
        OwnMaterial.objects.create(garden=garden, key=own.key, name=own.name or own.key, like=own.like, figures=figures)
    for mix in plan.mixes:
        Mix.objects.create(garden=garden, key=mix.key, **mix_columns(mix))
    for position, bed in enumerate(plan.beds):
        kept = Bed.objects.create(
            garden=garden, key=bed.key, name=bed.title, count=bed.count, position=position, cut=cut_of(bed)
        )
        kept.remember()
    replace_stock(garden, plan.stock)
    for supplier in plan.suppliers:
        keep_supplier(garden, supplier.key, supplier)
    return garden


def material_plan(own: OwnMaterial) -> PlanMaterial:
    """A kept own material as the plan writes it."""
    return PlanMaterial(key=own.key, name=own.name, like=own.like, **own.figures)


def figures_of(own: PlanMaterial) -> dict[str, Any]:
    """The figures that an own material gives itself."""
    return own.model_dump(exclude={"key", "name", "like"}, exclude_none=True)


def materials_plan(garden: Garden) -> list[PlanMaterial]:
    """A garden's own materials."""
    return [material_plan(own) for own in garden.materials.all()]


def mixes_plan(garden: Garden) -> list[PlanMix]:
    """A garden's mixes."""
    return [mix_plan(mix) for mix in garden.mixes.all()]


def mix_plan(mix: Mix) -> PlanMix:
    """A kept mix as the plan writes it."""
    return PlanMix(key=mix.key, name=mix.name, parts=mix.parts, **mix.more)


def mix_columns(mix: PlanMix) -> dict[str, Any]:
    """What is kept of a mix, beside its key."""
    more = mix.model_dump(mode="json", exclude_none=True, include={"bucket_test", "target"})
    return {"name": title_of(mix), "parts": [part.model_dump(exclude_none=True) for part in mix.parts], "more": more}
