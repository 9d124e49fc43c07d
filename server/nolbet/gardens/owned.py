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


def own_garden(request: HttpRequest, garden_id: int, *beside: str) -> Garden:
    """The signed-in gardener's garden. beside: rows of it that are read along.

    Raises Missing where it isn't theirs or isn't there.
    """
    gardens = Garden.objects.select_related(*beside) if beside else Garden.objects
    try:
        return gardens.get(id=garden_id, owner_id=request.user.pk, deleted_at=None)
    except Garden.DoesNotExist as error:
        raise Missing from error


def own_bed(request: HttpRequest, garden_id: int, key: str, *beside: str) -> Bed:
    """A bed of the signed-in gardener's garden. beside: rows that are read along with it and the garden.

    Raises Missing where it isn't theirs or isn't there.
    """
    try:
        return Bed.objects.select_related("garden", *beside).get(
            garden_id=garden_id,
            garden__owner_id=request.user.pk,
            garden__deleted_at=None,
            key=key,
            deleted_at=None,
        )
    except (Bed.DoesNotExist, OverflowError) as error:
        # a number larger than any that a database holds is nobody's
        raise Missing from error
