"""What happens to accounts, written to the log: which account by its number, from where as a sign good for a day."""

from __future__ import annotations

import logging

from django.http import HttpRequest
from django.utils import timezone
from django.utils.crypto import salted_hmac

from nolbet.account.address import client_address

log = logging.getLogger("nolbet.security")


def tell(request: HttpRequest, event: str) -> None:
    """Write down an event, with the number of who is signed in."""
    whose = request.user.pk if hasattr(request, "user") else None
    log.info("event=%r account=%s from=%s", event, "-" if whose is None else whose, sign_of(request))


def sign_of(request: HttpRequest) -> str:
    """A sign for an address that tells requests of one day apart, and doesn't tell the address."""
    return salted_hmac(f"nolbet.security {timezone.now():%Y-%m-%d}", client_address(request)).hexdigest()[:12]
