"""A gate before heavy figures: a few at once of one gardener and in all, so that nobody else has to wait for them."""

from __future__ import annotations

import inspect
import threading
from collections import Counter
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from functools import wraps
from time import monotonic
from typing import ParamSpec, TypeVar

from django.conf import settings
from django.http import HttpRequest

from nolbet.api.elsewhere import answered_elsewhere
from nolbet.gardens.owned import signed_in_id

Given = ParamSpec("Given")
Answer = TypeVar("Answer")

MOST_EACH = 3
"""So many heavy figures of one gardener are worked out at once."""

MOST_IN_ALL = 4
"""And so many of all: half of the threads that answer."""

MOST_WAITING = 2
"""So many more wait for a moment; who comes then is asked to come again, and no thread is held for them."""

WAIT_S = 2.0


class TooMany(Exception):  # noqa: N818 - it says what happened
    """One gardener asks for too many heavy figures at once."""


class Crowded(Exception):  # noqa: N818 - it says what happened
    """All gardeners together do."""


class Gate:
    """Lets so many in at once of one who asks, and in all; the next wait for a moment, as many as may.

    wait_s: how long somebody waits at most [s].
    """

    def __init__(self, each: int, in_all: int, waiting: int, wait_s: float) -> None:
        self._each, self._in_all, self._most_waiting, self._wait_s = each, in_all, waiting, wait_s
        self._within: Counter[int] = Counter()
        self._waiting = 0
        self._changed = threading.Condition()

    @contextmanager
    def entered(self, who: int) -> Iterator[None]:
        """Within the gate. Raises TooMany or Crowded where nobody more is let in for now."""
        with self._changed:
            self._wait_for_room(who)
            self._within[who] += 1
        try:
            yield
        finally:
            with self._changed:
                self._within[who] -= 1
                self._within += Counter()
                self._changed.notify_all()

    def _wait_for_room(self, who: int) -> None:
        if self._has_room(who):
            return
        if self._waiting >= self._most_waiting:
            self._refuse(who)
        self._waiting += 1
        until = monotonic() + self._wait_s
        try:
            while not self._has_room(who):
                left_s = until - monotonic()
                if left_s <= 0:
                    self._refuse(who)
                self._changed.wait(left_s)
        finally:
            self._waiting -= 1

    def _has_room(self, who: int) -> bool:
        return self._within[who] < self._each and self._within.total() < self._in_all

    def _refuse(self, who: int) -> None:
        raise TooMany if self._within[who] >= self._each else Crowded


GATE = Gate(MOST_EACH, MOST_IN_ALL, MOST_WAITING, WAIT_S)


def heavy(answers: Callable[Given, Answer]) -> Callable[Given, Answer]:
    """An operation that takes long to work out: it passes the gate, and a process of its own works it out.

    Its first argument is the request.
    """

    @wraps(answers)
    def within(*given: Given.args, **named: Given.kwargs) -> Answer:
        request = given[0]
        if not isinstance(request, HttpRequest):
            raise TypeError("the first argument of an operation is its request")
        with GATE.entered(signed_in_id(request)):
            if settings.HEAVY_ELSEWHERE:
                answered: Answer = answered_elsewhere(answers, request, *given[1:], **named)
                return answered
            return answers(*given, **named)

    # what is asked for is named in the operation's own module, where the names mean something
    within.__dict__["__signature__"] = inspect.signature(answers, eval_str=True)
    return within
