"""Settings as they are read from the environment, refused in words where they won't do."""

from __future__ import annotations

import ipaddress
import os
import secrets
from pathlib import Path

from django.core.exceptions import ImproperlyConfigured

from nolbet.settings.base import DATA

LEAST_SECRET = 50


def listed(name: str) -> list[str]:
    """A list with commas between. Raises ImproperlyConfigured where it isn't set."""
    found = [each.strip() for each in os.environ.get(name, "").split(",") if each.strip()]
    if not found:
        raise ImproperlyConfigured(f"Set {name} (docs/running.md): the names this is answered by, with commas between.")
    return found


def network_list(name: str) -> list[str]:
    """Addresses and networks with commas between; none where it isn't set.

    Raises ImproperlyConfigured where one can't be read.
    """
    found = [each.strip() for each in os.environ.get(name, "").split(",") if each.strip()]
    for each in found:
        try:
            ipaddress.ip_network(each)
        except ValueError as error:
            raise ImproperlyConfigured(f"{name}: {each!r} is neither an address nor a network: {error}") from error
    return found


def secret_key() -> str:
    """The secret key that is set, or one made once for this folder and kept beside its data.

    Raises ImproperlyConfigured where the one that is set is too short.
    """
    said = os.environ.get("NOLBET_SECRET_KEY")
    if said is None:
        return kept_secret(DATA)
    if len(said) < LEAST_SECRET:
        raise ImproperlyConfigured(f"NOLBET_SECRET_KEY has {len(said)} characters; give it {LEAST_SECRET} or more.")
    return said


def kept_secret(data: Path) -> str:
    """A secret key made once for a folder and kept in it."""
    file = data / "secret_key"
    data.mkdir(mode=0o700, parents=True, exist_ok=True)
    if not file.exists():
        descriptor = os.open(file, os.O_WRONLY | os.O_CREAT | os.O_EXCL, 0o600)
        with os.fdopen(descriptor, "w") as handle:
            handle.write(secrets.token_urlsafe(LEAST_SECRET))
    return file.read_text().strip()
