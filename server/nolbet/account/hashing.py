"""Passwords are hashed a few at a time: each takes 100 MB for a moment, and that is meant to be dear."""

from __future__ import annotations

import threading
from collections.abc import Iterator
from contextlib import contextmanager

from django.contrib.auth.hashers import Argon2PasswordHasher

from nolbet.account.errors import HashingBusy

MOST_AT_ONCE = 2
WAIT_S = 5.0
"""Somebody waits so long for a turn at most; who has to wait longer is asked to come again."""

_turns = threading.BoundedSemaphore(MOST_AT_ONCE)


@contextmanager
def turn(turns: threading.Semaphore, wait_s: float) -> Iterator[None]:
    """Within a turn. Raises HashingBusy where none comes free in time. wait_s: how long to wait [s]."""
    if not turns.acquire(timeout=wait_s):
        raise HashingBusy
    try:
        yield
    finally:
        turns.release()


class BoundedArgon2(Argon2PasswordHasher):
    """Argon2id as Django sets it, a few at a time."""

    def encode(self, password: str, salt: str) -> str:
        """The hash of a password. Raises HashingBusy where no turn comes free."""
        with turn(_turns, WAIT_S):
            return str(super().encode(password, salt))

    def verify(self, password: str, encoded: str) -> bool:
        """Whether a password is the hashed one. Raises HashingBusy where no turn comes free."""
        with turn(_turns, WAIT_S):
            return bool(super().verify(password, encoded))
