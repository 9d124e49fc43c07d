"""A garden's works: what its gardener says of them, the time that steps took, and photographs of steps."""

from __future__ import annotations

from django.db import models

from nolbet.gardens.models import Garden
from nolbet.gardens.pictures import Picture
from nolbet_core.plan.upgrade import EDITION


class KeptWorks(models.Model):
    """A garden's works in the plan file's words. hours: time that steps took, as the log has it."""

    garden = models.OneToOneField(Garden, on_delete=models.CASCADE, related_name="works")
    words = models.JSONField(default=dict)
    pace = models.JSONField(default=dict)
    hours = models.JSONField(default=list)
    edition = models.PositiveIntegerField(default=EDITION)
    revision = models.PositiveIntegerField(default=1)

    def __str__(self) -> str:
        return f"works of {self.garden}"


class StepPhoto(Picture):
    """A photograph of a step."""

    garden = models.ForeignKey(Garden, on_delete=models.CASCADE, related_name="step_photos")
    step = models.CharField(max_length=180)

    class Meta(Picture.Meta):
        indexes = [models.Index(fields=["garden", "step"])]

    def __str__(self) -> str:
        return f"{self.step}, {self.taken_at:%Y-%m-%d}"
