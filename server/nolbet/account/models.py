"""What is kept of accounts beside their names and passwords."""

from __future__ import annotations

from django.conf import settings
from django.contrib.sessions.backends.base import SessionBase
from django.contrib.sessions.base_session import AbstractBaseSession
from django.db import models


class Session(AbstractBaseSession):
    """A session that knows whose it is, so that a gardener can list and end their own. account_id: null for nobody."""

    account_id = models.IntegerField(null=True, db_index=True)

    @classmethod
    def get_session_store_class(cls) -> type[SessionBase]:
        """What reads and writes them."""
        from nolbet.account.sessions import SessionStore  # noqa: PLC0415 - the store itself is written over this model

        return SessionStore


class Leaving(models.Model):
    """An account that is to be deleted; until then its gardener may change their mind."""

    account = models.OneToOneField(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="leaving")
    asked_at = models.DateTimeField()


class ResetCode(models.Model):
    """A code that sets a new password once. hashed: as a password is; the code itself is kept nowhere."""

    account = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="reset_codes")
    hashed = models.CharField(max_length=128)
    made_at = models.DateTimeField()
    ends_at = models.DateTimeField()


class Asked(models.Model):
    """That something was asked for from an address which isn't given out without end. what: "sign-up" or "code"."""

    what = models.CharField(max_length=12)
    address = models.GenericIPAddressField()
    at = models.DateTimeField()

    class Meta:
        indexes = [models.Index(fields=["what", "address", "at"])]
