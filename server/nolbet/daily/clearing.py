"""Forget what has lain long enough: run-out sessions, traces of sign-ins, the bin, accounts that are to go."""

from __future__ import annotations

import logging
from datetime import datetime, timedelta

from axes.models import AccessAttempt, AccessLog
from django.db import transaction
from django.utils import timezone

from nolbet.account.leaving import GRACE_DAYS, delete_accounts
from nolbet.account.models import Session
from nolbet.account.pace import forget_asked
from nolbet.account.reset import forget_codes
from nolbet.daily.days import days_ago, note_day
from nolbet.gardens.bin import KEPT_DAYS, empty_what_is_older
from nolbet.sharing.links import forget_run_out

WRONG_TRIES_FOR = timedelta(days=1)
SIGN_INS_FOR = timedelta(days=30)
"""So long it is known from which addresses an account was signed in from."""

log = logging.getLogger("nolbet.security")


def clear(now: datetime) -> None:
    """Note the day, and forget what has lain long enough."""
    note_day(now.date())
    Session.objects.filter(expire_date__lte=now).delete()
    AccessAttempt.objects.filter(attempt_time__lt=now - WRONG_TRIES_FOR).delete()
    AccessLog.objects.filter(attempt_time__lt=now - SIGN_INS_FOR).delete()
    forget_asked(now)
    forget_codes(now)
    forget_run_out(now)
    binned_before = days_ago(KEPT_DAYS, now.date())
    if binned_before is not None:
        empty_what_is_older(binned_before)
    asked_before = days_ago(GRACE_DAYS, now.date())
    gone = delete_accounts(asked_before) if asked_before is not None else 0
    log.info("event='cleared' accounts_deleted=%d", gone)


@transaction.atomic
def clear_on_a_new_day() -> bool:
    """Clear where that wasn't done today; whether it was done now. A day is noted with its clearing, or not at all."""
    now = timezone.now()
    if not note_day(now.date()):
        return False
    clear(now)
    return True
