"""Errors of the API, mapped once to problem details (RFC 9457)."""

from __future__ import annotations

from typing import Any

from django.http import HttpRequest, HttpResponse, JsonResponse
from ninja import NinjaAPI, Schema
from ninja.errors import AuthenticationError, HttpError, ValidationError
from pydantic import Field

from nolbet_core.plan.problems import PlanProblem, path_of

MEDIA_TYPE = "application/problem+json"


class ProblemPlace(Schema):
    """One thing that is wrong: where, and what would do."""

    path: str
    message: str


class Problem(Schema):
    """An error as the page receives it."""

    type: str = "about:blank"
    title: str
    status: int
    detail: str
    errors: list[ProblemPlace] = Field(default_factory=list)


class StaleSave(Exception):  # noqa: N818 - it says what happened
    """A save that rests on an older revision; `current` is what is kept now."""

    def __init__(self, current: Any) -> None:
        super().__init__("changed elsewhere")
        self.current = current


class Missing(Exception):  # noqa: N818 - it says what happened
    """Something that isn't there, or isn't this gardener's."""


def problem_response(status: int, title: str, detail: str, **more: Any) -> JsonResponse:
    """An error response in the one form there is."""
    body = {"type": "about:blank", "title": title, "status": status, "detail": detail, "errors": [], **more}
    return JsonResponse(body, status=status, content_type=MEDIA_TYPE)


def csrf_failure(request: HttpRequest, reason: str = "") -> JsonResponse:
    """A request without this page's token."""
    del request
    return problem_response(403, "Not from this page", f"Reload the page and try again. {reason}".strip())


def map_errors(api: NinjaAPI) -> None:
    """Teach the API how each error is told."""

    def on_plan(request: HttpRequest, error: PlanProblem) -> HttpResponse:
        place = {"path": error.path, "message": error.message}
        return problem_response(422, "The plan doesn't hold together", str(error), errors=[place])

    def on_validation(request: HttpRequest, error: ValidationError) -> HttpResponse:
        places = [
            {"path": path_of([part for part in entry["loc"] if part not in ("body", "query", "path")]), "message": entry["msg"]}
            for entry in error.errors
        ]
        first = places[0] if places else {"path": "", "message": "can't be read"}
        return problem_response(422, "Can't be read", f"{first['path']}: {first['message']}", errors=places)

    def on_stale(request: HttpRequest, error: StaleSave) -> HttpResponse:
        return problem_response(409, "Changed elsewhere", "A newer version is kept.", current=error.current)

    def on_missing(request: HttpRequest, error: Missing) -> HttpResponse:
        return problem_response(404, "Not here", "There is no such thing in your gardens.")

    def on_nobody(request: HttpRequest, error: AuthenticationError) -> HttpResponse:
        return problem_response(401, "Nobody is signed in", "Sign in to see your gardens.")

    def on_http(request: HttpRequest, error: HttpError) -> HttpResponse:
        return problem_response(error.status_code, "Can't be done", str(error))

    api.add_exception_handler(PlanProblem, on_plan)
    api.add_exception_handler(ValidationError, on_validation)
    api.add_exception_handler(StaleSave, on_stale)
    api.add_exception_handler(Missing, on_missing)
    api.add_exception_handler(AuthenticationError, on_nobody)
    api.add_exception_handler(HttpError, on_http)
