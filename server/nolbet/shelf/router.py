"""The shelf of a garden: the core's materials, the gardener's own and the mixes."""

from __future__ import annotations

from django.http import HttpRequest
from ninja import Router, Schema, Status

from nolbet.gardens.owned import own_garden
from nolbet.gardens.plans import garden_supplies, material_plan
from nolbet.shelf.storing import add_material, change_material, remove_material
from nolbet_core.plan.garden import OwnMaterial as PlanMaterial
from nolbet_core.shelf.library import search
from nolbet_core.shelf.material import Material

router = Router(tags=["shelf"])


class PropertyOut(Schema):
    """A figure of a material with its unit, range and source."""

    name: str
    value: float
    unit: str
    low: float
    high: float
    source: str
    is_default: bool


class MaterialOut(Schema):
    """A material as the page shows it."""

    key: str
    name: str
    group: str
    grain: str
    synonyms: list[str]
    is_sheet: bool
    is_liner: bool
    is_mix: bool
    like: str | None
    void_share: float
    loose_factor: float
    properties: list[PropertyOut]


@router.get("/{garden_id}/shelf", response=list[MaterialOut])
def garden_shelf(request: HttpRequest, garden_id: int, words: str = "") -> list[MaterialOut]:
    """Everything a layer of this garden may name, or what the words may mean, best first."""
    supplies = garden_supplies(own_garden(request, garden_id))
    found = search(supplies.materials.values(), words[:80])
    return [_out(material, material.key in supplies.mixes) for material in found]


@router.post("/{garden_id}/materials", response={201: PlanMaterial}, exclude_none=True)
def create_material(request: HttpRequest, garden_id: int, own: PlanMaterial) -> Status[PlanMaterial]:
    """Keep a new own material; its key is made from its name."""
    return Status(201, material_plan(add_material(own_garden(request, garden_id), own)))


@router.put("/{garden_id}/materials/{key}", response=PlanMaterial, exclude_none=True)
def save_material(request: HttpRequest, garden_id: int, key: str, own: PlanMaterial) -> PlanMaterial:
    """Keep a changed own material."""
    return material_plan(change_material(own_garden(request, garden_id), key, own))


@router.delete("/{garden_id}/materials/{key}", response={204: None})
def delete_material(request: HttpRequest, garden_id: int, key: str) -> Status[None]:
    """Forget an own material that nothing is made of."""
    remove_material(own_garden(request, garden_id), key)
    return Status(204, None)


def _out(material: Material, is_mix: bool) -> MaterialOut:
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
        void_share=material.void_share,
        loose_factor=material.loose_factor,
        properties=[
            PropertyOut(
                name=name,
                value=each.value,
                unit=each.unit,
                low=each.low,
                high=each.high,
                source=each.source,
                is_default=each.is_default,
            )
            for name, each in material.properties.items()
        ],
    )
