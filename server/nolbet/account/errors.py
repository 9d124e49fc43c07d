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
    """Too many wrong passwords for this account from this address."""


class TooSoon(Exception):  # noqa: N818 - it says what happened
    """Asked again too soon after wrong passwords, or too often from this address. wait_s: how long to wait [s]."""

    def __init__(self, wait_s: int) -> None:
        super().__init__(f"come again in {wait_s} s")
        self.wait_s = wait_s


class HashingBusy(Exception):  # noqa: N818 - it says what happened
    """More passwords are being checked just now than there is memory for."""
