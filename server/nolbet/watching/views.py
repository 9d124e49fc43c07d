"""Addresses for whoever looks after the server; they are answered on the machine itself alone."""

from __future__ import annotations

import ipaddress
from collections.abc import Callable

from django.conf import settings
from django.db import DatabaseError, connection, transaction
from django.db.migrations.executor import MigrationExecutor
from django.http import HttpRequest, HttpResponse, JsonResponse
from prometheus_client import CONTENT_TYPE_LATEST

from nolbet.keeping.folder import room_left
from nolbet.watching.counts import written_counts

LEAST_ROOM_BYTES = 200_000_000
Answer = Callable[[HttpRequest], HttpResponse]


def answers_watchers(get_response: Answer) -> Answer:
    """Answer /health to everybody, /ready and /metrics to the machine itself, by whatever name they ask."""
    views: dict[str, Answer] = {"/health": health, "/ready": ready, "/metrics": metrics}

    def answer(request: HttpRequest) -> HttpResponse:
        view = views.get(request.path)
        if view is None or request.method not in {"GET", "HEAD"}:
            return get_response(request)
        answered = view(request)
        answered["Cache-Control"] = "no-store"
        return answered

    return answer


def health(request: HttpRequest) -> HttpResponse:
    """That the server lives."""
    del request
    return JsonResponse({"lives": True})


def ready(request: HttpRequest) -> HttpResponse:
    """Whether the server can keep what it is sent: 200 where it can, 503 with what stands in the way."""
    if not _is_on_this_machine(request):
        return _nothing()
    stands = [each for each in (_database(), _room()) if each]
    return JsonResponse({"ready": not stands, "stands_in_the_way": stands}, status=503 if stands else 200)


def metrics(request: HttpRequest) -> HttpResponse:
    """How requests were answered, as counts."""
    if not _is_on_this_machine(request):
        return _nothing()
    return HttpResponse(written_counts(), content_type=CONTENT_TYPE_LATEST)


def _nothing() -> HttpResponse:
    return HttpResponse("There is nothing here.\n", status=404, content_type="text/plain; charset=utf-8")


def _is_on_this_machine(request: HttpRequest) -> bool:
    """Whether a request comes from the machine itself, and no proxy passed it on."""
    peer = request.META.get("REMOTE_ADDR", "")
    return "HTTP_X_FORWARDED_FOR" not in request.META and (not peer or ipaddress.ip_address(peer).is_loopback)


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
