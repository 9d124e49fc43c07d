"""The demo: one machine, one invented household, signed in on loopback without a password."""

from __future__ import annotations

import os

from nolbet.settings.base import *  # noqa: F403 - settings build on one another
from nolbet.settings.base import DATA, MIDDLEWARE
from nolbet.settings.reading import kept_secret

SECRET_KEY = kept_secret(DATA)
DEMO = True
# pictures are taken as of one day, so that they can be taken again
FIXED_DAY = os.environ.get("NOLBET_DAY")
MIDDLEWARE = [*MIDDLEWARE, "nolbet.demo.sign_in.DemoSignIn"]
STAND_INS = True
