"""A gardener's own materials and mixes, as the plan file writes them."""

from __future__ import annotations

from django.db import models

from nolbet.gardens.models import FIRST_EDITION, Garden


class OwnMaterial(models.Model):
    """A material like one of the shelf, save for the figures the gardener gave."""

    garden = models.ForeignKey(Garden, on_delete=models.CASCADE, related_name="materials")
    key = models.CharField(max_length=60)
    name = models.CharField(max_length=80)
    like = models.CharField(max_length=60)
    figures = models.JSONField(default=dict)
    revision = models.PositiveIntegerField(default=1)

    class Meta:
        ordering = ["name", "id"]
        constraints = [models.UniqueConstraint(fields=["garden", "key"], name="material_key_once_in_a_garden")]

    def __str__(self) -> str:
        return self.name


class Mix(models.Model):
    """A soil mix by parts. more: its bucket test and target in the plan file's words, where it has any."""

    garden = models.ForeignKey(Garden, on_delete=models.CASCADE, related_name="mixes")
    key = models.CharField(max_length=60)
    name = models.CharField(max_length=80)
    parts = models.JSONField()
    more = models.JSONField(default=dict)
    edition = models.PositiveIntegerField(default=FIRST_EDITION)
    revision = models.PositiveIntegerField(default=1)

    class Meta:
        ordering = ["name", "id"]
        constraints = [models.UniqueConstraint(fields=["garden", "key"], name="mix_key_once_in_a_garden")]

    def __str__(self) -> str:
        return self.name
