"""Addresses that requests are measured by: the product's, one of the API that returns {}, and a bare view."""

from __future__ import annotations

from typing import Any

from django.contrib.auth.models import User
from django.http import HttpRequest, HttpResponse
from django.test import Client
from django.urls import path
from django.views.decorators.csrf import csrf_exempt
from ninja import NinjaAPI, Schema
from ninja.security import SessionAuth

from nolbet.gardens.models import Garden
from nolbet.gardens.owned import own_garden
from nolbet.plans.storing import store_plan
from nolbet.urls import urlpatterns as nolbet_urls
from nolbet_core.built.plan_file import read_plan

EIGHT_LAYERS: dict[str, Any] = {
    "key": "eight",
    "name": "Eight layers",
    "shape": {"kind": "box", "length_m": 2.4, "width_m": 1.2, "depth_m": 0.7},
    "measured": "outside",
    "wall_m": 0.038,
    "layers": [
        {"material": "cardboard", "plies": 2, "piece_m": [0.9, 1.2]},
        {"material": "broadleaf_logs", "thickness_m": 0.15, "infill": {"material": "compost", "share": 0.8}},
        {"material": "branches", "thickness_m": 0.08},
        {"material": "leaves", "share": 0.2},
        {"material": "aged_manure", "volume_m3": 0.1},
        {"material": "compost", "thickness_m": 0.06, "lifts": 2},
        {"material": "topsoil", "fill": True},
        {"material": "bark_mulch", "thickness_m": 0.04},
    ],
}

nothing_api = NinjaAPI(title="Nothing", urls_namespace="nothing", auth=SessionAuth(csrf=True), docs_url=None)


class Anything(Schema):
    """A body that is read and not looked at."""

    bed: dict[str, Any]


@nothing_api.post("/{garden_id}")
def nothing(request: HttpRequest, garden_id: int, body: Anything) -> dict[str, Any]:
    """The same session, token and owner checks, and nothing else."""
    own_garden(request, garden_id)
    return {}


@csrf_exempt
def bare(request: HttpRequest) -> HttpResponse:
    """A view of Django's alone, behind the same middleware."""
    return HttpResponse("{}", content_type="application/json")


urlpatterns = [path("bare", bare), path("nothing/", nothing_api.urls), *nolbet_urls]


def kept_garden(bed: dict[str, Any], name: str) -> tuple[Client, Garden]:
    """A signed-in client of a name and its garden of a bed, with an own material and a mix to look up."""
    user = User.objects.create_user(name)
    document = {
        "format": "nolbet-plan/1",
        "garden": {"name": "Bench"},
        "materials": [{"key": "own_compost", "like": "compost", "bulk_density_kg_m3": 640}],
        "mixes": [{"key": "half", "parts": [{"material": "topsoil", "parts": 1}, {"material": "compost", "parts": 1}]}],
        "beds": [bed],
    }
    plan = read_plan(document).plan
    client = Client(enforce_csrf_checks=True)
    client.force_login(user)
    client.get("/")
    return client, store_plan(user.pk, plan)
