"""Answers that are worked out in a process of their own: an operation, who asks, and what they sent go there."""

from __future__ import annotations

import importlib
import select
import socket
from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from django.contrib.auth import get_user_model
from django.http import HttpRequest

from nolbet.account.address import client_address
from nolbet.plans.workers import Workers

DEADLINE_S = 30.0


@dataclass(frozen=True, slots=True)
class Operation:
    """An operation of the API and what it is given: by name, since functions stay where they are."""

    module: str
    name: str
    method: str
    path: str
    address: str
    gardener_id: int
    given: tuple[Any, ...]
    named: dict[str, Any]


def answered_elsewhere(answers: Callable[..., Any], request: HttpRequest, *given: Any, **named: Any) -> Any:
    """What an operation answers, worked out in another process; it is ended when who asked goes away.

    Raises as Workers.ask does.
    """
    operation = Operation(
        answers.__module__,
        answers.__name__,
        request.method or "GET",
        request.path,
        client_address(request),
        int(request.user.pk or 0),
        given,
        named,
    )
    return WORKERS.ask(operation, lambda: has_left(request))


def has_left(request: HttpRequest) -> bool:
    """Whether the line that a request came by is closed at its other end."""
    line = getattr(request, "environ", {}).get("gunicorn.socket")
    if not isinstance(line, socket.socket):
        return False
    try:
        readable, _, _ = select.select([line], [], [], 0)
        return bool(readable) and line.recv(1, socket.MSG_PEEK) == b""
    except (OSError, ValueError):
        return True


def answer(operation: Operation) -> Any:
    """Answer an operation here; what goes wrong is told as the API tells it. Called in the other process."""
    from nolbet.api.api import api  # noqa: PLC0415 - it lists the operations that come here

    request = HttpRequest()
    request.method, request.path = operation.method, operation.path
    request.META["REMOTE_ADDR"] = operation.address
    request.user = get_user_model()(pk=operation.gardener_id)
    answers = getattr(importlib.import_module(operation.module), operation.name).__wrapped__
    try:
        return answers(request, *operation.given, **operation.named)
    except MemoryError:
        raise
    except Exception as error:
        return api.on_exception(request, error)


WORKERS = Workers(answer, DEADLINE_S)
