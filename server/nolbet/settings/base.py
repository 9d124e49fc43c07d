"""What every setting shares."""

from __future__ import annotations

import os
from pathlib import Path

from csp.constants import NONCE, NONE, SELF

PROJECT = Path(__file__).resolve().parents[3]
DATA = Path(os.environ.get("NOLBET_DATA", PROJECT / "var"))
DATABASE = DATA / "nolbet.sqlite3"
WEB_DIST = Path(os.environ.get("NOLBET_WEB_DIST", PROJECT / "web" / "dist"))

DEBUG = False
ALLOWED_HOSTS = ["127.0.0.1", "localhost"]
ROOT_URLCONF = "nolbet.urls"
WSGI_APPLICATION = "nolbet.wsgi.application"
DEFAULT_AUTO_FIELD = "django.db.models.BigAutoField"

INSTALLED_APPS = [
    "django.contrib.auth",
    "django.contrib.contenttypes",
    "axes",
    "csp",
    "nolbet.account",
    "nolbet.daily",
    "nolbet.demo",
    "nolbet.gardens",
    "nolbet.haul",
    "nolbet.keeping",
    "nolbet.page",
    "nolbet.sharing",
    "nolbet.shelf",
    "nolbet.water",
    "nolbet.works",
    "nolbet.season",
]

MIDDLEWARE = [
    "nolbet.heads.answers_heads",
    "nolbet.watching.views.answers_watchers",
    "nolbet.watching.counts.counts_requests",
    "django.middleware.security.SecurityMiddleware",
    "whitenoise.middleware.WhiteNoiseMiddleware",
    "csp.middleware.CSPMiddleware",
    "django.contrib.sessions.middleware.SessionMiddleware",
    "django.middleware.common.CommonMiddleware",
    "django.middleware.csrf.CsrfViewMiddleware",
    "django.contrib.auth.middleware.AuthenticationMiddleware",
    "django.middleware.clickjacking.XFrameOptionsMiddleware",
    "axes.middleware.AxesMiddleware",
    "nolbet.api.problems.tells_methods",
]

DATABASES = {
    "default": {
        "ENGINE": "django.db.backends.sqlite3",
        "NAME": DATABASE,
        # opening the file and setting it up costs more than most requests ask of it
        "CONN_MAX_AGE": None,
        "OPTIONS": {
            "transaction_mode": "IMMEDIATE",
            "timeout": 20,
            "init_command": "PRAGMA journal_mode=WAL; PRAGMA synchronous=FULL;",
        },
    }
}

AUTHENTICATION_BACKENDS = [
    "axes.backends.AxesStandaloneBackend",
    "django.contrib.auth.backends.ModelBackend",
]
TRUSTED_PROXIES: list[str] = []
"""Addresses and networks of proxies whose word on where a request comes from is believed."""

# an account is locked for one address alone: nobody locks out others, be it behind the same proxy
AXES_LOCKOUT_PARAMETERS = [["username", "ip_address"]]
AXES_FAILURE_LIMIT = 8
AXES_COOLOFF_TIME = 1  # hours
AXES_RESET_COOL_OFF_ON_FAILURE_DURING_LOCKOUT = False
AXES_RESET_ON_SUCCESS = True
AXES_CLIENT_IP_CALLABLE = "nolbet.account.address.client_address"
AXES_LOCKOUT_CALLABLE = "nolbet.api.problems.locked_out"
AXES_ENABLE_ADMIN = False
AXES_VERBOSE = False

PASSWORD_HASHERS = ["nolbet.account.hashing.BoundedArgon2"]
AUTH_PASSWORD_VALIDATORS = [
    {"NAME": "django.contrib.auth.password_validation.UserAttributeSimilarityValidator"},
    {"NAME": "django.contrib.auth.password_validation.MinimumLengthValidator", "OPTIONS": {"min_length": 12}},
    {"NAME": "nolbet.account.passwords.NotCommonInDisguise"},
]

SESSION_ENGINE = "nolbet.account.sessions"
EMAIL_BACKEND = "django.core.mail.backends.console.EmailBackend"

LANGUAGE_CODE = "en"
USE_I18N = False
USE_TZ = True
TIME_ZONE = "UTC"

STATIC_URL = "/static/"
STATIC_ROOT = WEB_DIST
WHITENOISE_MAX_AGE = 0


def _immutable(path: str, url: str) -> bool:
    del path
    return url.startswith("/static/assets/")


WHITENOISE_IMMUTABLE_FILE_TEST = _immutable

CONTENT_SECURITY_POLICY = {
    "DIRECTIVES": {
        "default-src": [NONE],
        "script-src": [SELF],
        "style-src": [SELF, NONCE],
        "img-src": [SELF, "data:"],
        "font-src": [SELF],
        "connect-src": [SELF],
        "manifest-src": [SELF],
        "worker-src": [SELF],
        "base-uri": [NONE],
        "form-action": [SELF],
        "frame-ancestors": [NONE],
    }
}
SECURE_CONTENT_TYPE_NOSNIFF = True
SECURE_REFERRER_POLICY = "same-origin"
SESSION_COOKIE_HTTPONLY = True
SESSION_COOKIE_SAMESITE = "Lax"
SESSION_COOKIE_NAME = "nolbet_session"
CSRF_COOKIE_NAME = "nolbet_csrf"
CSRF_COOKIE_SAMESITE = "Lax"
CSRF_FAILURE_VIEW = "nolbet.api.problems.csrf_failure"
DATA_UPLOAD_MAX_MEMORY_SIZE = 2 * 1024 * 1024

LOGGING = {
    "version": 1,
    "disable_existing_loggers": False,
    "filters": {
        "no_secrets": {"()": "nolbet.keeping.logs.WithoutSecrets"},
        "unforeseen": {"()": "nolbet.keeping.logs.Unforeseen"},
    },
    "formatters": {"line": {"format": "%(asctime)s %(levelname)s %(name)s %(message)s"}},
    "handlers": {"console": {"class": "logging.StreamHandler", "filters": ["no_secrets"], "formatter": "line"}},
    "loggers": {
        "django": {"handlers": ["console"], "level": "WARNING"},
        # what was refused or put off is told to who asked; here are failures of the server's own
        "django.request": {"level": "ERROR", "filters": ["unforeseen"]},
        "django.security.DisallowedHost": {"level": "CRITICAL"},
        # its lines name accounts and addresses; what matters of them is told by nolbet.security
        "axes": {"level": "CRITICAL"},
        "nolbet": {"handlers": ["console"], "level": "INFO"},
    },
}

HEAVY_ELSEWHERE = True
"""Whether heavy figures are worked out in processes of their own."""

DEMO = False
STAND_INS = False
"""Whether the simulated probe and weather feed are there to be set; in production nothing of them is."""
