"""The real thing: behind TLS, configured by environment variables (docs/running.md)."""

from __future__ import annotations

import os

from nolbet.settings.base import *  # noqa: F403 - settings build on one another

SECRET_KEY = os.environ["NOLBET_SECRET_KEY"]
ALLOWED_HOSTS = os.environ["NOLBET_HOSTS"].split(",")

SECURE_SSL_REDIRECT = True
SECURE_PROXY_SSL_HEADER = ("HTTP_X_FORWARDED_PROTO", "https")
SECURE_HSTS_SECONDS = 365 * 24 * 3600
SECURE_HSTS_INCLUDE_SUBDOMAINS = True
SECURE_HSTS_PRELOAD = True
SESSION_COOKIE_SECURE = True
CSRF_COOKIE_SECURE = True
