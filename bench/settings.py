"""The demo's settings with the bench's own addresses beside the product's."""

from __future__ import annotations

from nolbet.settings.demo import *  # noqa: F403 - settings are taken over whole

ROOT_URLCONF = "bench.api"
