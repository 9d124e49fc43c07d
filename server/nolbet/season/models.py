"""What was seen and done in a garden's seasons. Nothing that was said once is ever written over."""

from __future__ import annotations

from django.db import models

from nolbet.gardens.models import Bed, Garden
from nolbet.gardens.pictures import Picture


class Entry(models.Model):
    """An entry of a garden's log.

    said: in the plan file's words, without its key and its bed. deleted_at: when it was taken out, where it was.
    """

    garden = models.ForeignKey(Garden, on_delete=models.CASCADE, related_name="entries")
    bed = models.ForeignKey(Bed, on_delete=models.CASCADE, null=True, related_name="entries")
    key = models.CharField(max_length=64)
    kind = models.CharField(max_length=20)
    on = models.CharField(max_length=40)
    said = models.JSONField()
    revision = models.PositiveIntegerField(default=1)
    saved_at = models.DateTimeField(auto_now=True)
    deleted_at = models.DateTimeField(null=True, blank=True)

    class Meta:
        ordering = ["-on", "-id"]
        constraints = [models.UniqueConstraint(fields=["garden", "key"], name="entry_key_once_in_a_garden")]
        indexes = [models.Index(fields=["garden", "-on", "-id"]), models.Index(fields=["garden", "kind"])]

    def __str__(self) -> str:
        return f"{self.kind}, {self.on}"


class EntryVersion(models.Model):
    """An entry as it was before it was changed."""

    entry = models.ForeignKey(Entry, on_delete=models.CASCADE, related_name="versions")
    revision = models.PositiveIntegerField()
    bed_key = models.CharField(max_length=60, blank=True)
    said = models.JSONField()
    saved_at = models.DateTimeField()

    class Meta:
        ordering = ["-revision"]
        constraints = [models.UniqueConstraint(fields=["entry", "revision"], name="entry_revision_once")]

    def __str__(self) -> str:
        return f"{self.entry}, revision {self.revision}"


class EntryPhoto(Picture):
    """A photograph with an entry. key: the sender's, so that one sent twice is kept once."""

    garden = models.ForeignKey(Garden, on_delete=models.CASCADE, related_name="entry_photos")
    entry = models.ForeignKey(Entry, on_delete=models.CASCADE, related_name="photos")
    key = models.CharField(max_length=64)

    class Meta(Picture.Meta):
        constraints = [models.UniqueConstraint(fields=["entry", "key"], name="photo_key_once_with_an_entry")]

    def __str__(self) -> str:
        return f"{self.entry}, {self.key}"
