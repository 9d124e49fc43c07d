"""The shelf of a garden: the core's materials, the gardener's own and the mixes."""

from __future__ import annotations

from typing import Any

from django.http import HttpRequest
from ninja import Router, Schema, Status

from nolbet.api.revisions import Revision
from nolbet.gardens.models import Garden
from nolbet.gardens.owned import own_garden
from nolbet.plans.shelf import add_material, change_material, remove_material
from nolbet.plans.supplies import garden_supplies
from nolbet.shelf.rows import material_plan
from nolbet_core.built.first import first_layer
from nolbet_core.plan.garden import OwnMaterial as PlanMaterial
from nolbet_core.shelf.library import search
from nolbet_core.shelf.material import FOLLOWS, Material, Ripeness
from nolbet_core.shelf.ripeness import states_of, usual_state

router = Router(tags=["shelf"])


class ChangedMaterial(Schema):
    """An own material to save, with the revision that the change was made from, where it is known."""

    material: PlanMaterial
    revision: Revision | None = None


class PropertyOut(Schema):
    """A figure of a material with its unit, range and source, and whether it is a default or follows from others."""

    name: str
    value: float
    unit: str
    low: float
    high: float
    source: str
    is_default: bool
    is_worked_out: bool


class MaterialOut(Schema):
    """A material as the page shows it. first_layer: what a new layer of it starts as, in the plan file's words.

    states: of rot that it can be said to be in. placed_kg_m3, loose_kg_m3: how heavy it lies, moist, in a bed and as it
    is bought; sheets have neither.
    """

    key: str
    name: str
    group: str
    grain: str
    synonyms: list[str]
    is_sheet: bool
    is_liner: bool
    is_mix: bool
    like: str | None
    revision: int | None
    void_share: float
    takes_fines: bool
    states: list[Ripeness]
    usual_state: Ripeness
    loose_factor: float
    placed_kg_m3: float | None
    loose_kg_m3: float | None
    first_layer: dict[str, Any]


@router.get("/{garden_id}/shelf", response=list[MaterialOut])
def garden_shelf(request: HttpRequest, garden_id: int, words: str = "") -> list[MaterialOut]:
    """Everything a layer of this garden may name, or what the words may mean, best first."""
    garden = own_garden(request, garden_id)
    supplies, revisions = garden_supplies(garden), _revisions(garden)
    found = search(supplies.materials.values(), words[:80])
    return [_out(each, each.key in supplies.mixes, revisions.get(each.key)) for each in found]


@router.get("/{garden_id}/shelf/{key}", response=list[PropertyOut])
def material_figures(request: HttpRequest, garden_id: int, key: str) -> list[PropertyOut]:
    """Every figure of one material with its unit, range and source; of one that isn't there, nothing."""
    found = garden_supplies(own_garden(request, garden_id)).materials.get(key)
    return _figures(found) if found else []


@router.post("/{garden_id}/materials", response={201: PlanMaterial}, exclude_none=True)
def create_material(request: HttpRequest, garden_id: int, own: PlanMaterial) -> Status[PlanMaterial]:
    """Keep a new own material; its key is made from its name."""
    return Status(201, material_plan(add_material(own_garden(request, garden_id).pk, own)))


@router.put("/{garden_id}/materials/{key}", response=PlanMaterial, exclude_none=True)
def save_material(request: HttpRequest, garden_id: int, key: str, changed: ChangedMaterial) -> PlanMaterial:
    """Keep a changed own material, if nobody changed it since and all that is made of it still holds together."""
    garden = own_garden(request, garden_id)
    return material_plan(change_material(garden.pk, key, changed.material, changed.revision))


@router.delete("/{garden_id}/materials/{key}", response={204: None})
def delete_material(request: HttpRequest, garden_id: int, key: str) -> Status[None]:
    """Forget an own material that nothing is made of."""
    remove_material(own_garden(request, garden_id).pk, key)
    return Status(204, None)


def _revisions(garden: Garden) -> dict[str, int]:
    return dict(garden.materials.values_list("key", "revision"))


def _out(material: Material, is_mix: bool, revision: int | None) -> MaterialOut:
    dense = None if material.is_sheet else material.bulk_density_kg_m3
    return MaterialOut(
        key=material.key,
        name=material.name,
        group=material.group,
        grain=material.grain,
        synonyms=list(material.synonyms),
        is_sheet=material.is_sheet,
        is_liner=material.is_liner,
        is_mix=is_mix,
        like=material.like,
        revision=revision,
        void_share=material.void_share,
        takes_fines=material.takes_fines,
        states=list(states_of(material)),
        usual_state=usual_state(material),
        loose_factor=material.loose_factor,
        placed_kg_m3=dense,
        loose_kg_m3=dense / material.loose_factor if dense else None,
        first_layer=first_layer(material),
    )


def _figures(material: Material) -> list[PropertyOut]:
    return [
        PropertyOut(
            name=name,
            value=each.value,
            unit=each.unit,
            low=each.low,
            high=each.high,
            source=each.source,
            is_default=each.is_default,
            is_worked_out=each.source == FOLLOWS,
        )
        for name, each in material.properties.items()
    ]
