"""Errors of the API, mapped once to problem details (RFC 9457)."""

from __future__ import annotations

import sys
from collections.abc import Callable, Sequence
from http import HTTPStatus
from typing import Any

from django.conf import settings
from django.core.exceptions import DisallowedHost, RequestDataTooBig
from django.db import OperationalError
from django.http import HttpRequest, HttpResponse, JsonResponse
from django.http.multipartparser import MultiPartParserError
from django.http.request import RawPostDataException
from ninja import NinjaAPI, Schema
from ninja.errors import AuthenticationError, HttpError, ValidationError
from pydantic import Field

from nolbet.account.errors import HashingBusy, Locked, Refusal, TooSoon, WrongPassword
from nolbet.account.events import tell
from nolbet.api.elsewhere import DEADLINE_S
from nolbet.api.garden_schemas import kept_bed
from nolbet.api.gate import Crowded, TooMany
from nolbet.gardens.errors import Busy, Full, InUse, Missing, StaleChange, StaleSave, Unreadable
from nolbet.plans.workers import NobodyWaits, TookTooLong
from nolbet_core.plan.problems import PlanProblem, entry_path

MEDIA_TYPE = "application/problem+json"
UPGRADE = "The server's database isn't up to date: whoever keeps it runs `bin/keep` once more, or puts a copy back."
MEGABYTE = 1024 * 1024
MINUTE_S = 60
NOTHING_KEPT = "Nothing of this was kept; a bed or plot that was being changed stays in the page and is saved later."


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


def problem_response(status: int, title: str, detail: str, **more: Any) -> JsonResponse:
    """An error response in the one form there is."""
    body = {"type": "about:blank", "title": title, "status": status, "detail": detail, "errors": [], **more}
    return JsonResponse(body, status=status, content_type=MEDIA_TYPE)


def csrf_failure(request: HttpRequest, reason: str = "") -> JsonResponse:
    """A request without this page's token."""
    tell(request, "not from this page")
    return problem_response(403, "Not from this page", f"Reload the page and try again. {reason}".strip())


def _on_plan(request: HttpRequest, error: PlanProblem) -> HttpResponse:
    place = {"path": error.path, "message": error.message}
    return problem_response(422, "The plan doesn't hold together", str(error), errors=[place])


def _on_validation(request: HttpRequest, error: ValidationError) -> HttpResponse:
    places = [
        {
            "path": entry_path(_within(entry["loc"]), entry["type"]),
            "message": entry["msg"],
        }
        for entry in error.errors
    ]
    first = places[0] if places else {"path": "", "message": "can't be read"}
    said = f"{first['path']}: {first['message']}" if first["path"] else str(first["message"])
    return problem_response(422, "Can't be read", said, errors=places)


def _within(location: Sequence[str | int]) -> list[str | int]:
    """Where something is within what was sent, without what the server calls the whole of it."""
    whole, *rest = location
    return rest[1:] if whole == "body" else rest


def _on_stale(request: HttpRequest, error: StaleSave) -> HttpResponse:
    return problem_response(
        409,
        "Changed elsewhere",
        "A newer version is kept.",
        current=kept_bed(error.current).model_dump(mode="json", exclude_none=True),
    )


def _on_stale_change(request: HttpRequest, error: StaleChange) -> HttpResponse:
    return problem_response(409, "Changed elsewhere", str(error))


def _on_busy(request: HttpRequest, error: Busy) -> HttpResponse:
    answer = problem_response(503, "Busy", "Others are changing this garden right now; it is tried again.")
    answer["Retry-After"] = "1"
    return answer


def _on_too_many(request: HttpRequest, error: TooMany) -> HttpResponse:
    return _come_again(429, "You ask for much at once", "Some of your figures are still being worked out; come again.")


def _on_crowded(request: HttpRequest, error: Crowded) -> HttpResponse:
    return _come_again(503, "Busy", "Many figures are being worked out just now; come again in a moment.")


def _on_too_long(request: HttpRequest, error: TookTooLong) -> HttpResponse:
    said = f"This takes longer than the {DEADLINE_S:.0f} s it may; come again when less is going on, or ask for less."
    return _come_again(503, "Takes too long", said, 30)


def _on_memory(request: HttpRequest, error: MemoryError) -> HttpResponse:
    return _come_again(503, "Too much to work out", "This needs more memory than there is for it; ask for less.", 30)


def _on_nobody_waits(request: HttpRequest, error: NobodyWaits) -> HttpResponse:
    return _come_again(503, "Nobody waits", "Who asked for this has gone.")


def _come_again(status: int, title: str, detail: str, wait_s: int = 2) -> HttpResponse:
    answer = problem_response(status, title, detail)
    answer["Retry-After"] = str(wait_s)
    return answer


def _on_database(request: HttpRequest, error: OperationalError) -> HttpResponse:
    said = str(error)
    if "is full" in said:
        return problem_response(507, "No room on the disk", f"The server's disk is full. {NOTHING_KEPT}")
    if "readonly" in said or "unable to open" in said:
        answer = problem_response(503, "Nothing can be kept now", f"The server can only read just now. {NOTHING_KEPT}")
    elif "no such table" in said or "no such column" in said:
        answer = problem_response(503, "An upgrade isn't finished", f"{UPGRADE} {NOTHING_KEPT}")
    elif "locked" in said:
        answer = problem_response(503, "Busy", f"Others were being saved for too long. {NOTHING_KEPT}")
    else:
        raise error
    answer["Retry-After"] = "10"
    return answer


def _on_unreadable(request: HttpRequest, error: Unreadable) -> HttpResponse:
    return problem_response(422, "Can't be read", f"What is kept here can't be read: {error}")


def _on_missing(request: HttpRequest, error: Missing) -> HttpResponse:
    tell(request, "not theirs or not there")
    return problem_response(404, "Not here", "There is no such thing in your gardens.")


def _on_use(request: HttpRequest, error: InUse) -> HttpResponse:
    return problem_response(409, "Still in use", str(error))


def _on_full(request: HttpRequest, error: Full) -> HttpResponse:
    return problem_response(409, "No room", str(error))


def _on_nobody(request: HttpRequest, error: AuthenticationError) -> HttpResponse:
    tell(request, "nobody is signed in")
    return problem_response(401, "Nobody is signed in", "Sign in to see your gardens.")


def _on_http(request: HttpRequest, error: HttpError) -> HttpResponse:
    return problem_response(error.status_code, "Can't be done", str(error))


def _on_too_much(request: HttpRequest, error: RequestDataTooBig) -> HttpResponse:
    most = settings.DATA_UPLOAD_MAX_MEMORY_SIZE // MEGABYTE
    return problem_response(413, "Too much at once", f"Up to {most} MB can be sent at once; nothing of this was kept.")


def _on_parts(request: HttpRequest, error: MultiPartParserError) -> HttpResponse:
    return problem_response(400, "Can't be read", "The parts of what was sent can't be told from each other.")


def bad_request(request: HttpRequest, exception: Exception) -> HttpResponse:
    """The answer to what couldn't even be read as a request. Django gives the exception by this name."""
    if isinstance(exception, RequestDataTooBig):
        return _on_too_much(request, exception)
    if isinstance(exception, DisallowedHost):
        return problem_response(400, "Not at this address", "Nolbet isn't answered by this name: see NOLBET_HOSTS.")
    return problem_response(400, "Can't be read", "What was sent isn't a request that can be read.")


def server_error(request: HttpRequest) -> HttpResponse:
    """The answer where something went wrong that no operation caught, such as keeping a session on a full disk."""
    error = sys.exc_info()[1]
    if isinstance(error, OperationalError):
        try:
            return _on_database(request, error)
        except OperationalError:
            pass
    said = "Something went wrong in the server, and is in its log. What you typed stays in the page; try again."
    return problem_response(500, "Something went wrong", said)


def nothing_here(request: HttpRequest, exception: Exception) -> HttpResponse:
    """The answer to an address that there is none of. Django gives the exception by this name."""
    del exception
    return problem_response(404, "Not here", "There is nothing at this address.")


def tells_methods(get_response: Callable[[HttpRequest], HttpResponse]) -> Callable[[HttpRequest], HttpResponse]:
    """Say in the API's own form that an address isn't asked that way, and how it is; no answer lies in any cache."""

    def answer(request: HttpRequest) -> HttpResponse:
        response = get_response(request)
        response.headers.setdefault("Cache-Control", "no-store")
        if response.status_code != HTTPStatus.METHOD_NOT_ALLOWED:
            return response
        allowed = response.headers.get("Allow", "")
        told = problem_response(405, "Not asked that way", f"This address takes {allowed or 'other methods'}.")
        told["Allow"] = allowed
        return told

    return answer


def _on_sent_otherwise(request: HttpRequest, error: RawPostDataException) -> HttpResponse:
    return problem_response(415, "Can't be read", "This address takes JSON (Content-Type: application/json).")


class CsrfMissing(Exception):  # noqa: N818 - it says what happened
    """A request without this page's token."""


def _on_csrf(request: HttpRequest, error: CsrfMissing) -> HttpResponse:
    return csrf_failure(request)


def _on_refusal(request: HttpRequest, error: Refusal) -> HttpResponse:
    place = {"path": error.path, "message": error.message}
    is_sentence = error.message[:1].isupper()
    said = error.message if is_sentence else f"{error.path.capitalize()}: {error.message}"
    return problem_response(422, "Can't be taken", said, errors=[place])


def _on_wrong_password(request: HttpRequest, error: WrongPassword) -> HttpResponse:
    return problem_response(401, "Not signed in", "The name and the password don't go together.")


def _on_locked(request: HttpRequest, error: Locked) -> HttpResponse:
    said = "Too many wrong passwords for this name from here. Try again an hour after the last of them."
    return _come_again(429, "Locked for now", said, 3600)


def _on_too_soon(request: HttpRequest, error: TooSoon) -> HttpResponse:
    return _come_again(429, "Too soon", f"Tried too often. Try again in {_spoken(error.wait_s)}.", error.wait_s)


def _spoken(wait_s: int) -> str:
    return f"{wait_s} s" if wait_s < MINUTE_S else f"{-(-wait_s // MINUTE_S)} minutes"


def _on_hashing(request: HttpRequest, error: HashingBusy) -> HttpResponse:
    return _come_again(503, "Busy", "Many are signing in just now; try again in a moment.")


HANDLERS: dict[type[Exception], Callable[[HttpRequest, Any], HttpResponse]] = {
    PlanProblem: _on_plan,
    ValidationError: _on_validation,
    StaleSave: _on_stale,
    StaleChange: _on_stale_change,
    Busy: _on_busy,
    OperationalError: _on_database,
    TooMany: _on_too_many,
    Crowded: _on_crowded,
    TookTooLong: _on_too_long,
    NobodyWaits: _on_nobody_waits,
    MemoryError: _on_memory,
    Unreadable: _on_unreadable,
    Missing: _on_missing,
    InUse: _on_use,
    Full: _on_full,
    AuthenticationError: _on_nobody,
    HttpError: _on_http,
    CsrfMissing: _on_csrf,
    Refusal: _on_refusal,
    WrongPassword: _on_wrong_password,
    Locked: _on_locked,
    TooSoon: _on_too_soon,
    HashingBusy: _on_hashing,
    RequestDataTooBig: _on_too_much,
    MultiPartParserError: _on_parts,
    RawPostDataException: _on_sent_otherwise,
}


def locked_out(request: HttpRequest, *rest: object) -> HttpResponse:
    """The answer to somebody who is locked out, wherever they ask."""
    del rest
    return _on_locked(request, Locked())


def map_errors(api: NinjaAPI) -> None:
    """Teach the API how each error is told."""
    for kind, handler in HANDLERS.items():
        api.add_exception_handler(kind, handler)
