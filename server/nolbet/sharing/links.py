"""Making, finding and ending links. A secret is told once and kept as its digest alone."""

from __future__ import annotations

import hashlib
import secrets
from datetime import datetime, timedelta
from typing import Literal

from django.db import transaction

from nolbet.gardens.errors import Missing
from nolbet.gardens.models import Garden
from nolbet.sharing.models import SharedLink
from nolbet_core.plan.problems import PlanProblem

Shows = Literal["garden", "works", "list"]

SECRET_BYTES = 24
MOST_LINKS = 20


def digest_of(secret: str) -> str:
    """What is kept of a link's secret."""
    return hashlib.sha256(secret.encode()).hexdigest()


@transaction.atomic
def make_link(
    garden: Garden, label: str, shows: Shows, of: str, may_tick: bool, days: int, now: datetime
) -> tuple[SharedLink, str]:
    """A new link to a garden that runs out after so many days, and its secret, which nobody can tell again.

    Raises PlanProblem where the garden has as many links as it may.
    """
    drop_run_out(garden, now)
    if garden.shared_links.count() >= MOST_LINKS:
        raise PlanProblem("link", f"a garden has up to {MOST_LINKS} links; end one first")
    secret = secrets.token_urlsafe(SECRET_BYTES)
    link = garden.shared_links.create(
        digest=digest_of(secret),
        label=label,
        shows=shows,
        of=of,
        may_tick=may_tick,
        ends_at=now + timedelta(days=days),
    )
    return link, secret


def drop_run_out(garden: Garden, now: datetime) -> None:
    """Forget a garden's links that ran out."""
    garden.shared_links.filter(ends_at__lte=now).delete()


def forget_run_out(now: datetime) -> None:
    """Forget all links that ran out."""
    SharedLink.objects.filter(ends_at__lte=now).delete()


def link_with(secret: str, now: datetime) -> SharedLink:
    """The link that a secret opens. Raises Missing where it was ended, ran out, or never was."""
    found = (
        SharedLink.objects.select_related("garden__works")
        .filter(digest=digest_of(secret), ends_at__gt=now, garden__deleted_at=None)
        .first()
    )
    if found is None:
        raise Missing
    return found
