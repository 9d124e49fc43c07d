"""The days on which the server was there."""

from __future__ import annotations

from django.db import models


class ServedDay(models.Model):
    """A day on which the server ran. What is kept for some days is kept for so many of these."""

    day = models.DateField(unique=True)
