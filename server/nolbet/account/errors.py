"""What can go wrong with an account."""

from __future__ import annotations


class Refusal(Exception):  # noqa: N818 - it says what happened
    """A name or password that can't be taken: which field, and what would do."""

    def __init__(self, path: str, message: str) -> None:
        super().__init__(message)
        self.path = path
        self.message = message


class WrongPassword(Exception):  # noqa: N818 - it says what happened
    """A name and a password that don't go together."""


class Locked(Exception):  # noqa: N818 - it says what happened
    """Too many wrong passwords from this address or for this account."""
