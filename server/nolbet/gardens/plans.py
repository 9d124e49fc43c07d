"""Between the database and the plan: what is kept becomes a plan for the core, and a plan becomes what is kept."""

from __future__ import annotations

from typing import Any

from nolbet_core.plan import bed as plan_bed
from nolbet_core.plan.check import Supplies, gather_supplies
from nolbet_core.plan.garden import FORMAT, Plan, PlanMix, PlanSupplier
from nolbet_core.plan.garden import Garden as PlanGarden
from nolbet_core.plan.garden import OwnMaterial as PlanMaterial
from nolbet_core.plan.garden import Stock as PlanStock

from nolbet.gardens.models import Bed, Garden
from nolbet.haul.models import Offer, Stock, Supplier
from nolbet.shelf.models import Mix, OwnMaterial

GARDEN_KEYS = ("name", "currency", "units", "latitude_deg", "mean_temp_c", "last_frost", "first_frost")
OFFER_KEYS = ("form", "material", "volume_m3", "price", "price_per_m3", "step_m3", "minimum_m3", "load_m3")
COLUMNS = {"key", "name", "count"}


def garden_plan(garden: Garden) -> PlanGarden:
    """A kept garden as the plan's head."""
    return PlanGarden(**{key: getattr(garden, key) for key in GARDEN_KEYS})


def bed_plan(bed: Bed) -> plan_bed.Bed:
    """A kept bed as the plan writes it."""
    return plan_bed.Bed.model_validate({**bed.cut, "key": bed.key, "name": bed.name, "count": bed.count})


def cut_of(bed: plan_bed.Bed) -> dict[str, Any]:
    """A bed's document: all of it that isn't a column."""
    return bed.model_dump(mode="json", exclude_none=True, exclude=COLUMNS)


def garden_supplies(garden: Garden) -> Supplies:
    """What a garden's layers may name: the shelf with its own materials and mixes."""
    return gather_supplies(_materials(garden), _mixes(garden))


def whole_plan(garden: Garden) -> Plan:
    """A kept garden as a whole plan."""
    return Plan(
        format=FORMAT,
        garden=garden_plan(garden),
        materials=_materials(garden),
        mixes=_mixes(garden),
        beds=[bed_plan(bed) for bed in garden.beds.all()],
        stock=[PlanStock(material=heap.material, volume_m3=heap.volume_m3) for heap in garden.stock.all()],
        suppliers=[_supplier(supplier) for supplier in garden.suppliers.prefetch_related("offers")],
    )


def store_plan(owner_id: int, plan: Plan) -> Garden:
    """Keep a checked plan as a new garden of an owner."""
    garden = Garden.objects.create(owner_id=owner_id, **{key: getattr(plan.garden, key) for key in GARDEN_KEYS})
    for own in plan.materials:
        figures = own.model_dump(exclude={"key", "name", "like"}, exclude_none=True)
        OwnMaterial.objects.create(garden=garden, key=own.key, name=own.name or own.key, like=own.like, figures=figures)
    for mix in plan.mixes:
        parts = [part.model_dump() for part in mix.parts]
        Mix.objects.create(garden=garden, key=mix.key, name=mix.name or mix.key, parts=parts)
    for position, bed in enumerate(plan.beds):
        Bed.objects.create(
            garden=garden, key=bed.key, name=bed.title, count=bed.count, position=position, cut=cut_of(bed)
        )
    for position, heap in enumerate(plan.stock):
        Stock.objects.create(garden=garden, material=heap.material, volume_m3=heap.volume_m3, position=position)
    for position, entry in enumerate(plan.suppliers):
        supplier = Supplier.objects.create(
            garden=garden,
            key=entry.key,
            name=entry.name or entry.key,
            delivery=entry.delivery or 0,
            position=position,
        )
        for place, offer in enumerate(entry.offers):
            Offer.objects.create(supplier=supplier, position=place, **offer.model_dump(exclude_none=True))
    return garden


def _materials(garden: Garden) -> list[PlanMaterial]:
    return [PlanMaterial(key=own.key, name=own.name, like=own.like, **own.figures) for own in garden.materials.all()]


def _mixes(garden: Garden) -> list[PlanMix]:
    return [PlanMix(key=mix.key, name=mix.name, parts=mix.parts) for mix in garden.mixes.all()]


def _supplier(supplier: Supplier) -> PlanSupplier:
    return PlanSupplier.model_validate(
        {
            "key": supplier.key,
            "name": supplier.name,
            "delivery": supplier.delivery,
            "offers": [_offer(offer) for offer in supplier.offers.all()],
        }
    )


def _offer(offer: Offer) -> dict[str, Any]:
    given = {key: getattr(offer, key) for key in OFFER_KEYS if getattr(offer, key) is not None}
    return given | ({"fetch": True} if offer.fetch else {})
