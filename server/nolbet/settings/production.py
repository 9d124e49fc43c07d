"""The real thing: behind TLS, configured by environment variables (docs/running.md)."""

from __future__ import annotations

import os

from nolbet.settings.base import *  # noqa: F403 - settings build on one another
from nolbet.settings.reading import listed, network_list, secret_key

LOOPBACK = os.environ.get("NOLBET_LOOPBACK") == "1"
"""For this machine alone, without TLS: nobody else's browser is answered."""

SECRET_KEY = secret_key()
ALLOWED_HOSTS = ["127.0.0.1", "localhost"] if LOOPBACK else listed("NOLBET_HOSTS")
TRUSTED_PROXIES = [] if LOOPBACK else network_list("NOLBET_PROXIES")

SECURE_SSL_REDIRECT = not LOOPBACK
SECURE_PROXY_SSL_HEADER = None if LOOPBACK else ("HTTP_X_FORWARDED_PROTO", "https")
SECURE_HSTS_SECONDS = 0 if LOOPBACK else 365 * 24 * 3600
SECURE_HSTS_INCLUDE_SUBDOMAINS = not LOOPBACK
SECURE_HSTS_PRELOAD = not LOOPBACK
SESSION_COOKIE_SECURE = not LOOPBACK
CSRF_COOKIE_SECURE = not LOOPBACK
if not LOOPBACK:
    # the prefix keeps a cookie of another host under the same name from being taken for this one's
    SESSION_COOKIE_NAME = "__Host-nolbet_session"
if LOOPBACK:
    SILENCED_SYSTEM_CHECKS = ["security.W004", "security.W008", "security.W011", "security.W016"]

if "NOLBET_MAIL_HOST" in os.environ:
    EMAIL_BACKEND = "django.core.mail.backends.smtp.EmailBackend"
    EMAIL_HOST = os.environ["NOLBET_MAIL_HOST"]
    EMAIL_PORT = int(os.environ.get("NOLBET_MAIL_PORT", "587"))
    EMAIL_HOST_USER = os.environ.get("NOLBET_MAIL_USER", "")
    EMAIL_HOST_PASSWORD = os.environ.get("NOLBET_MAIL_PASSWORD", "")
    EMAIL_USE_TLS = True
    EMAIL_TIMEOUT = 20
    DEFAULT_FROM_EMAIL = os.environ["NOLBET_MAIL_FROM"]
