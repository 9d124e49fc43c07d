"""Addresses for whoever looks after the server; they are answered on the machine itself alone."""

from __future__ import annotations

import ipaddress
from collections.abc import Callable
from functools import wraps

from django.conf import settings
from django.db import DatabaseError, connection, transaction
from django.db.migrations.executor import MigrationExecutor
from django.http import Http404, HttpRequest, HttpResponse, JsonResponse
from django.views.decorators.cache import never_cache
from django.views.decorators.http import require_GET
from prometheus_client import CONTENT_TYPE_LATEST

from nolbet.keeping.folder import room_left
from nolbet.watching.counts import written_counts

LEAST_ROOM_BYTES = 200_000_000
View = Callable[[HttpRequest], HttpResponse]


def on_this_machine(view: View) -> View:
    """Answer requests from the machine itself, that no proxy passed on; everybody else finds nothing here."""

    @wraps(view)
    def within(request: HttpRequest) -> HttpResponse:
        peer = request.META.get("REMOTE_ADDR", "")
        if "HTTP_X_FORWARDED_FOR" in request.META or (peer and not ipaddress.ip_address(peer).is_loopback):
            raise Http404
        return view(request)

    return within


@require_GET
@never_cache
def health(request: HttpRequest) -> HttpResponse:
    """That the server lives."""
    del request
    return JsonResponse({"lives": True})


@require_GET
@never_cache
@on_this_machine
def ready(request: HttpRequest) -> HttpResponse:
    """Whether the server can keep what it is sent: 200 where it can, 503 with what stands in the way."""
    del request
    stands = [each for each in (_database(), _room()) if each]
    return JsonResponse({"ready": not stands, "stands_in_the_way": stands}, status=503 if stands else 200)


@require_GET
@never_cache
@on_this_machine
def metrics(request: HttpRequest) -> HttpResponse:
    """How requests were answered, as counts."""
    del request
    return HttpResponse(written_counts(), content_type=CONTENT_TYPE_LATEST)


def _database() -> str | None:
    try:
        executor = MigrationExecutor(connection)
        waiting = executor.migration_plan(executor.loader.graph.leaf_nodes())
        # takes the lock that a save takes, and gives it back
        with transaction.atomic():
            pass
    except DatabaseError as error:
        return f"the database: {error}"
    return f"{len(waiting)} steps of an upgrade wait: run migrate" if waiting else None


def _room() -> str | None:
    left = room_left(settings.DATA)
    return f"{left // 1_000_000} MB are left on the disk" if left < LEAST_ROOM_BYTES else None
