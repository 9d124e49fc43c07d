"""Suppliers with their offers, and what lies on hand."""

from __future__ import annotations

from django.http import HttpRequest
from ninja import Router, Schema
from pydantic import Field

from nolbet.api.revisions import Restored, Revision
from nolbet.clock import today
from nolbet.gardens.models import Garden
from nolbet.gardens.owned import own_garden
from nolbet.plans.haul import HaulWords, haul_words, save_sources
from nolbet.plans.whole import whole_garden
from nolbet_core.figure.sharing import SharedHeap, figure_shared
from nolbet_core.haul.sharing import SharedBy
from nolbet_core.plan.fields import HeapM3, Key
from nolbet_core.plan.garden import MOST_SOURCES, Certainty, Stock
from nolbet_core.plan.log import Purchase
from nolbet_core.plan.offers import FixedLine, PlanSupplier

router = Router(tags=["haul"])


class Sources(Schema):
    """Where things come from: suppliers with their offers, the gardener's own heaps, and how the haul is chosen."""

    suppliers: list[PlanSupplier] = Field(max_length=MOST_SOURCES)
    stock: list[Stock] = Field(max_length=MOST_SOURCES)
    fixed: list[FixedLine] = Field(default_factory=list, max_length=500)
    certainty: Certainty = None
    bought: list[Purchase] = Field(default_factory=list, max_length=5000)


class KeptSources(Schema):
    """Where things come from, as kept."""

    revision: Revision
    sources: Sources


class ChangedSources(KeptSources):
    """Sources to save, with the revision that the change was made from, and the one it brings back where it does."""

    restores: Restored = None


@router.get("/{garden_id}/sources", response=KeptSources, exclude_none=True, by_alias=True)
def load_sources(request: HttpRequest, garden_id: int) -> KeptSources:
    """A garden's suppliers and heaps."""
    return _kept(own_garden(request, garden_id))


@router.put("/{garden_id}/sources", response=KeptSources, exclude_none=True, by_alias=True)
def change_sources(request: HttpRequest, garden_id: int, changed: ChangedSources) -> KeptSources:
    """Keep changed suppliers and heaps, if nobody changed them since."""
    garden, wanted = own_garden(request, garden_id), changed.sources
    words = HaulWords(wanted.suppliers, wanted.stock, wanted.fixed, wanted.certainty, wanted.bought)
    return _kept(save_sources(garden.pk, changed.revision, words, changed.restores))


class AskedShares(Schema):
    """A heap to be shared over beds: a material, its loose volume, which beds, and by what."""

    material: Key
    volume_m3: HeapM3
    beds: list[Key] = Field(max_length=1000)
    by: SharedBy = "need"


@router.post("/{garden_id}/figure/shares", response=SharedHeap)
def figure_shares(request: HttpRequest, garden_id: int, asked: AskedShares) -> SharedHeap:
    """What each bed gets of a heap."""
    built = whole_garden(own_garden(request, garden_id)).built
    return figure_shared(built, asked.material, asked.volume_m3, asked.beds, asked.by, today())


def _kept(garden: Garden) -> KeptSources:
    words = haul_words(garden)
    sources = Sources(
        suppliers=list(words.suppliers),
        stock=list(words.stock),
        fixed=list(words.fixed),
        certainty=words.certainty,
        bought=list(words.bought),
    )
    return KeptSources(revision=garden.sources_revision, sources=sources)
