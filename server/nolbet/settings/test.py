"""The tests: a database of their own and quick passwords, everything else as it runs."""

from __future__ import annotations

from nolbet.settings.base import *  # noqa: F403 - settings build on one another
from nolbet.settings.base import DATABASES, PROJECT

SECRET_KEY = "only for tests, never for a garden"  # noqa: S105 - no secret: it guards nothing
PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]
DATABASES["default"]["TEST"] = {"NAME": PROJECT / "var" / "test.sqlite3"}

FIXED_DAY = "2026-10-20"
STAND_INS = True
