"""Signs the demo gardener in, on this machine only."""

from __future__ import annotations

import ipaddress
from collections.abc import Callable

from django.conf import settings
from django.contrib.auth import get_user_model, login
from django.core.exceptions import PermissionDenied
from django.http import HttpRequest, HttpResponse

GARDENER = "ferrykeeper"
"""The invented household's account name."""


class DemoSignIn:
    """Middleware of the demo's settings: whoever asks from loopback is the demo gardener, everyone else is refused."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        if not getattr(settings, "DEMO", False):
            raise RuntimeError("the demo signs in without a password and runs with the demo's settings alone")
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """Sign in on the first request, then pass on."""
        if not _is_loopback(request.META.get("REMOTE_ADDR", "")) or "HTTP_X_FORWARDED_FOR" in request.META:
            raise PermissionDenied("the demo answers this machine only")
        if not request.user.is_authenticated:
            gardener = get_user_model().objects.filter(username=GARDENER).first()
            if gardener is not None:
                login(request, gardener, backend="django.contrib.auth.backends.ModelBackend")
        return self.get_response(request)


def _is_loopback(address: str) -> bool:
    try:
        return ipaddress.ip_address(address).is_loopback
    except ValueError:
        return False
