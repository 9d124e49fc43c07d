"""All that is kept of an account in one archive: an archive of each garden, and what is known of the account."""

from __future__ import annotations

import json
import tempfile
import zipfile
from datetime import datetime
from typing import IO, Any

from axes.models import AccessLog
from django.contrib.auth.models import User

from nolbet.account.sessions import open_sessions
from nolbet.gardens.keys import key_for
from nolbet.gardens.models import Garden
from nolbet.plans.archive import archive_of

IN_MEMORY_BYTES = 8_000_000
ACCOUNT = "account.json"


def account_archive(account: User, now: datetime) -> IO[bytes]:
    """An account's archive as an open file: one garden at a time is held in memory."""
    out = tempfile.SpooledTemporaryFile(IN_MEMORY_BYTES)  # noqa: SIM115 - who sends it closes it
    with zipfile.ZipFile(out, "w", zipfile.ZIP_STORED) as archive:
        archive.writestr(ACCOUNT, json.dumps(_known(account, now), indent=1, ensure_ascii=False) + "\n")
        for garden in Garden.objects.filter(owner_id=account.pk).order_by("pk"):
            folder = "bin" if garden.deleted_at else "gardens"
            archive.writestr(f"{folder}/{garden.pk}-{key_for(garden.name, ())}.nolbet.zip", archive_of(garden))
    out.seek(0)
    return out


def _known(account: User, now: datetime) -> dict[str, Any]:
    """What is kept of an account beside its gardens."""
    sign_ins = AccessLog.objects.filter(username=account.username).order_by("-attempt_time")
    links = [
        {"garden": garden.name, "label": link.label, "shows": link.shows, "ends_at": link.ends_at.isoformat()}
        for garden in Garden.objects.filter(owner_id=account.pk).prefetch_related("shared_links")
        for link in garden.shared_links.all()
    ]
    return {
        "name": account.username,
        "mail": account.email or None,
        "opened_at": account.date_joined.isoformat(),
        "taken_out_at": now.isoformat(),
        "sessions": [
            {"begun_at": each.begun_at.isoformat() if each.begun_at else None, "ends_at": each.ends_at.isoformat()}
            for each in open_sessions(account.pk, None)
        ],
        "sign_ins": [{"at": each.attempt_time.isoformat(), "address": each.ip_address} for each in sign_ins],
        "links": links,
    }
