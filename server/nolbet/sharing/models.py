"""Links that show a garden, or one list of it, to whoever holds them."""

from __future__ import annotations

from django.db import models

from nolbet.gardens.models import Garden


class SharedLink(models.Model):
    """A link to look at a garden or one list of it. digest: of the secret in its address, which is kept nowhere.

    shows: "garden", "works" or "list"; of: the supplier whose list it is. may_tick: whether steps may be ticked there.
    """

    garden = models.ForeignKey(Garden, on_delete=models.CASCADE, related_name="shared_links")
    digest = models.CharField(max_length=64, unique=True)
    label = models.CharField(max_length=80)
    shows = models.CharField(max_length=12)
    of = models.CharField(max_length=60, blank=True, default="")
    may_tick = models.BooleanField(default=False)
    made_at = models.DateTimeField(auto_now_add=True)
    ends_at = models.DateTimeField()

    class Meta:
        ordering = ["id"]

    def __str__(self) -> str:
        return self.label
