"""Processes that stand by: each job has its time and its memory, ends when nobody waits, and leaves the next one be."""

from __future__ import annotations

import os
import socket
from collections.abc import Callable, Iterator
from typing import Any

import pytest
from django.test import RequestFactory

from nolbet.api.elsewhere import has_left
from nolbet.plans.workers import NobodyWaits, TookTooLong, WorkerEndedError, Workers
from tests.server.working_apart import double, fall_over, hoard, sit

Made = Callable[..., Workers]


def still_there() -> bool:
    """Nobody has left."""
    return False


@pytest.fixture
def made() -> Iterator[Made]:
    """Makes processes that stand by, and ends them."""
    found: list[Workers] = []

    def make(does: Callable[[Any], Any], seconds: float = 60.0) -> Workers:
        found.append(Workers(does, seconds))
        return found[-1]

    yield make
    for each in found:
        each.end_all()


def test_jobs_go_to_a_process_that_stands_by(made: Made) -> None:
    workers = made(sit)
    first = workers.ask(0.0, still_there)
    assert first != os.getpid()
    assert workers.ask(0.0, still_there) == first


def test_a_job_that_fails_says_why_and_the_process_goes_on(made: Made) -> None:
    workers = made(double)
    assert workers.ask(21, still_there) == 42
    with pytest.raises(WorkerEndedError, match="ValueError: -3 is below nothing"):
        workers.ask(-3, still_there)
    assert workers.ask(4, still_there) == 8


def test_a_job_that_takes_too_long_is_ended_and_the_next_one_isnt(made: Made) -> None:
    workers = made(sit, seconds=0.3)
    with pytest.raises(TookTooLong):
        workers.ask(600.0, still_there)
    assert workers.ask(0.0, still_there) > 0


def test_a_job_that_nobody_waits_for_is_ended(made: Made) -> None:
    asked: list[int] = []

    def goes_after_a_look() -> bool:
        asked.append(1)
        return len(asked) > 1

    with pytest.raises(NobodyWaits):
        made(sit).ask(600.0, goes_after_a_look)
    assert len(asked) == 2


def test_a_job_that_wants_too_much_memory_gets_none_of_it(made: Made) -> None:
    workers = made(hoard)
    assert workers.ask(200, still_there) == 200_000_000
    with pytest.raises(MemoryError):
        workers.ask(4000, still_there)
    assert workers.ask(30, still_there) == 30_000_000


def test_a_process_that_falls_over_is_told_and_replaced(made: Made) -> None:
    workers = made(fall_over)
    for _ in range(2):
        with pytest.raises(WorkerEndedError, match="before its job was done"):
            workers.ask(7, still_there)


def test_who_asked_has_gone_once_their_line_is_closed() -> None:
    request = RequestFactory().get("/")
    assert not has_left(request)
    here, there = socket.socketpair()
    with here:
        request.environ["gunicorn.socket"] = here
        assert not has_left(request)
        there.send(b"GET")
        assert not has_left(request)
        here.recv(3)
        there.close()
        assert has_left(request)
