"""How often each operation is asked, how it answers and how long that takes: sums of requests, never of a gardener."""

from __future__ import annotations

from collections.abc import Callable
from time import perf_counter

from django.http import HttpRequest, HttpResponse
from prometheus_client import CollectorRegistry, Histogram, generate_latest

Answer = Callable[[HttpRequest], HttpResponse]

BUCKETS_S = (0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1.0, 2.5, 5.0, 10.0, 30.0)
METHODS = frozenset({"GET", "HEAD", "POST", "PUT", "PATCH", "DELETE", "OPTIONS"})

registry = CollectorRegistry()
_took = Histogram(
    "nolbet_request_seconds",
    "How long requests took, by operation, method and the first digit of the status",
    ("operation", "method", "status"),
    buckets=BUCKETS_S,
    registry=registry,
)


def counts_requests(get_response: Answer) -> Answer:
    """Count each request under its operation's address as the code writes it: no numbers, keys or secrets in it."""

    def answer(request: HttpRequest) -> HttpResponse:
        began = perf_counter()
        response = get_response(request)
        asked = request.resolver_match
        operation = asked.route if asked is not None else "none"
        method = request.method if request.method in METHODS else "other"
        _took.labels(operation, method, f"{response.status_code // 100}xx").observe(perf_counter() - began)
        return response

    return answer


def written_counts() -> bytes:
    """All counts, as text that is read by common watchers."""
    return bytes(generate_latest(registry))
