"""Passwords that are too common, also where dressed up: a digit behind, a letter as a digit, said twice."""

from __future__ import annotations

import re

from django.contrib.auth.password_validation import CommonPasswordValidator
from django.core.exceptions import ValidationError

PLAIN_LETTERS = str.maketrans("013457@$!", "oleastasi")
"""The digits and signs that stand for letters in passwords."""

OF_THIS_PLACE = frozenset({"nolbet", "garden", "gardener", "gardening", "raisedbed", "compost", "hugelkultur"})
"""Words that everybody here thinks of first (OWASP ASVS 5, 6.1.2)."""

FEWEST_KINDS = 5
"""A password of fewer different signs is one that is told by its length alone."""

KEYS_IN_ORDER = (
    "abcdefghijklmnopqrstuvwxyz",
    "12345678901234567890",
    "qwertyuiopasdfghjklzxcvbnm",
    "qwertzuiopasdfghjklyxcvbnm",
)
RUN = 4


class NotCommonInDisguise(CommonPasswordValidator):
    """Refuses a password that is a common one once what it is dressed up with is taken off."""

    def validate(self, password: str, user: object = None) -> None:
        """Raises ValidationError, in words, where a password is too easy to guess."""
        del user
        if len(set(password.lower())) < FEWEST_KINDS:
            raise ValidationError(f"This password has fewer than {FEWEST_KINDS} different signs.")
        if any(not bare or bare in self.passwords or bare in OF_THIS_PLACE for bare in _bared(password.lower())):
            raise ValidationError("This password is too common: it is a common one with something added.")

    def get_help_text(self) -> str:
        """What is refused, in words."""
        return "Your password can't be a common one with something added."


def _bared(password: str) -> set[str]:
    """What a password may be a dressed-up form of; nothing where it is keys in a row."""
    found = {password, re.sub(r"[^a-z0-9]", "", password)}
    found |= {each.translate(PLAIN_LETTERS) for each in found}
    found |= {re.sub(r"^[\d\W_]+|[\d\W_]+$", "", each) for each in found}
    found |= {re.sub(r"^(.+?)\1+$", r"\1", each) for each in found}
    found |= {_without_runs(each) for each in found}
    return found


def _without_runs(password: str) -> str:
    """A password without keys in a row: what is left of qwertyuiop12 is nothing."""
    left, at = "", 0
    while at < len(password):
        length = _run_length(password[at:])
        if length >= RUN:
            at += length
            continue
        left += password[at]
        at += 1
    return left


def _run_length(text: str) -> int:
    """How many keys in a row a text begins with, forwards or backwards on any of the rows."""
    rows = [row for forwards in KEYS_IN_ORDER for row in (forwards, forwards[::-1])]
    return max(max((n for n in range(1, len(text) + 1) if text[:n] in row), default=0) for row in rows)
