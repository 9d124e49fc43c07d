"""What is kept as it lies in the database, to take out, whether it can be read or not."""

from __future__ import annotations

from django.http import HttpRequest, JsonResponse
from ninja import Router

from nolbet.gardens.errors import Missing
from nolbet.gardens.owned import own_bed, own_garden
from nolbet.gardens.rows import raw_bed, raw_head
from nolbet.shelf.rows import raw_material, raw_mix

router = Router(tags=["files"])


@router.get("/{garden_id}/raw")
def garden_as_it_lies(request: HttpRequest, garden_id: int) -> JsonResponse:
    """A garden's head and plot."""
    return _file(f"{garden_id}.garden", raw_head(own_garden(request, garden_id)))


@router.get("/{garden_id}/beds/{key}/raw")
def bed_as_it_lies(request: HttpRequest, garden_id: int, key: str) -> JsonResponse:
    """A bed."""
    return _file(f"{key}.bed", raw_bed(own_bed(request, garden_id, key)))


@router.get("/{garden_id}/materials/{key}/raw")
def material_as_it_lies(request: HttpRequest, garden_id: int, key: str) -> JsonResponse:
    """An own material."""
    own = own_garden(request, garden_id).materials.filter(key=key).first()
    if own is None:
        raise Missing
    return _file(f"{key}.material", raw_material(own))


@router.get("/{garden_id}/mixes/{key}/raw")
def mix_as_it_lies(request: HttpRequest, garden_id: int, key: str) -> JsonResponse:
    """A mix."""
    mix = own_garden(request, garden_id).mixes.filter(key=key).first()
    if mix is None:
        raise Missing
    return _file(f"{key}.mix", raw_mix(mix))


def _file(name: str, row: dict[str, object]) -> JsonResponse:
    answer = JsonResponse(row, json_dumps_params={"indent": 2, "ensure_ascii": False})
    answer["Content-Disposition"] = f'attachment; filename="{name}.json"'
    return answer
