"""The tests: a database of their own and quick passwords, everything else as it runs."""

from __future__ import annotations

import os

from nolbet.settings.base import *  # noqa: F403 - settings build on one another
from nolbet.settings.base import DATABASES, PROJECT

SECRET_KEY = "only for tests, never for a garden"  # noqa: S105 - no secret: it guards nothing
PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]
DATABASES["default"]["TEST"] = {"NAME": PROJECT / "var" / "test.sqlite3"}

FIXED_DAY = "2026-10-20"
STAND_INS = True
# a test's own rows are seen by its own connection alone; servers that are started for a test have theirs for everybody
HEAVY_ELSEWHERE = os.environ.get("NOLBET_HEAVY_ELSEWHERE") == "1"
TRUSTED_PROXIES = ["127.0.0.1"]
