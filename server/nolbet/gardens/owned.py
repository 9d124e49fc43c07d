"""The only way from a request to a garden: through its owner."""

from __future__ import annotations

from django.http import HttpRequest

from nolbet.gardens.errors import Missing
from nolbet.gardens.models import Bed, Garden


def signed_in_id(request: HttpRequest) -> int:
    """Who is asking; the API lets nobody else this far."""
    gardener_id = request.user.pk
    if gardener_id is None:
        raise Missing
    return int(gardener_id)


def own_garden(request: HttpRequest, garden_id: int) -> Garden:
    """The signed-in gardener's garden. Raises Missing where it isn't theirs or isn't there."""
    try:
        return Garden.objects.get(id=garden_id, owner_id=request.user.pk, deleted_at=None)
    except Garden.DoesNotExist as error:
        raise Missing from error


def own_bed(request: HttpRequest, garden_id: int, key: str) -> Bed:
    """A bed of the signed-in gardener's garden. Raises Missing where it isn't theirs or isn't there."""
    try:
        return Bed.objects.select_related("garden").get(
            garden_id=garden_id,
            garden__owner_id=request.user.pk,
            garden__deleted_at=None,
            key=key,
            deleted_at=None,
        )
    except Bed.DoesNotExist as error:
        raise Missing from error
