"""An account's end: a week in which its gardener may change their mind, then all of it goes."""

from __future__ import annotations

from datetime import datetime, timedelta

from axes.models import AccessAttempt, AccessLog
from django.contrib.auth import get_user_model
from django.contrib.auth.models import AbstractBaseUser
from django.db import transaction

from nolbet.account.models import Leaving, Session

GRACE_DAYS = 7


def leave(account_id: int, now: datetime) -> None:
    """Ask for an account to be deleted; asked again, the week goes on as it began."""
    Leaving.objects.get_or_create(account_id=account_id, defaults={"asked_at": now})


def stay(account_id: int) -> None:
    """Keep an account that was to be deleted."""
    Leaving.objects.filter(account_id=account_id).delete()


def leaves_at(account_id: int) -> datetime | None:
    """From when on an account may be gone; None where nobody asked for that."""
    found = Leaving.objects.filter(account_id=account_id).first()
    return found.asked_at + timedelta(days=GRACE_DAYS) if found else None


@transaction.atomic
def delete_accounts(asked_before: datetime) -> int:
    """Delete the accounts that were asked to be before some time, with all that is theirs; how many there were."""
    leaving = list(Leaving.objects.filter(asked_at__lt=asked_before).select_related("account"))
    for each in leaving:
        _delete(each.account)
    return len(leaving)


def _delete(account: AbstractBaseUser) -> None:
    name = account.get_username()
    Session.objects.filter(account_id=account.pk).delete()
    AccessAttempt.objects.filter(username=name).delete()
    AccessLog.objects.filter(username=name).delete()
    get_user_model().objects.filter(pk=account.pk).delete()
