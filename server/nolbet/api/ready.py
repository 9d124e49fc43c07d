"""Imported by the process that others are forked from: Django and the whole API are there once it is."""

from __future__ import annotations

import django

django.setup()

from nolbet.api import api  # noqa: E402, F401 - its models are known once Django is set up
