"""The demo: one machine, one invented household, signed in on loopback without a password."""

from __future__ import annotations

import os
import secrets

from nolbet.settings.base import *  # noqa: F403 - settings build on one another
from nolbet.settings.base import DATA, MIDDLEWARE


def _own_secret() -> str:
    """A secret key made once for this machine and kept beside its data."""
    file = DATA / "secret_key"
    DATA.mkdir(mode=0o700, parents=True, exist_ok=True)
    if not file.exists():
        descriptor = os.open(file, os.O_WRONLY | os.O_CREAT | os.O_EXCL, 0o600)
        with os.fdopen(descriptor, "w") as handle:
            handle.write(secrets.token_urlsafe(50))
    return file.read_text().strip()


SECRET_KEY = _own_secret()
DEMO = True
# pictures are taken as of one day, so that they can be taken again
FIXED_DAY = os.environ.get("NOLBET_DAY")
MIDDLEWARE = [*MIDDLEWARE, "nolbet.demo.sign_in.DemoSignIn"]
STAND_INS = True
