"""Gardens and beds. A bed's cut (shape, layers, reservoir) is one validated document, saved whole."""

from __future__ import annotations

import uuid

from django.conf import settings
from django.db import models
from django.db.models import F

from nolbet_core.plan.upgrade import EDITION

FIRST_EDITION = 1
"""Of documents that were kept before they said so."""


class Garden(models.Model):
    """A gardener's garden: its name, money, units and place.

    head_revision, plot_revision, sources_revision: of the head, of the plot, and of suppliers with heaps, each saved by
    itself. head_stamp: another one with every save of either. cutting: how its boards are cut, where that is said;
    fixed: lines of its haul held by hand; certainty: how sure it is to be; bought: what was bought; looks_ended: counts
    how often looking for a cheaper haul was ended by hand. changes: counts every save of anything in the garden, so
    that what was checked against it is known to rest on it still.
    """

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="gardens")
    name = models.CharField(max_length=80)
    currency = models.CharField(max_length=3, default="USD")
    units = models.CharField(max_length=8, default="ft_in")
    latitude_deg = models.FloatField(null=True, blank=True)
    mean_temp_c = models.FloatField(null=True, blank=True)
    last_frost = models.CharField(max_length=5, null=True, blank=True)
    first_frost = models.CharField(max_length=5, null=True, blank=True)
    handful_kg = models.FloatField(null=True, blank=True)
    normals = models.JSONField(null=True, blank=True)
    facts = models.JSONField(default=dict, blank=True)
    plot = models.JSONField(null=True, blank=True)
    cutting = models.JSONField(default=dict, blank=True)
    fixed = models.JSONField(default=list, blank=True)
    certainty = models.FloatField(null=True, blank=True)
    bought = models.JSONField(default=list, blank=True)
    crops = models.JSONField(default=list, blank=True)
    looks_ended = models.PositiveIntegerField(default=0)
    plot_revision = models.PositiveIntegerField(default=0)
    plot_edition = models.PositiveIntegerField(default=FIRST_EDITION)
    head_revision = models.PositiveIntegerField(default=0)
    sources_revision = models.PositiveIntegerField(default=1)
    head_stamp = models.UUIDField(default=uuid.uuid4, editable=False)
    changes = models.PositiveBigIntegerField(default=0)
    created_at = models.DateTimeField(auto_now_add=True)
    shelf_stamp = models.UUIDField(default=uuid.uuid4, editable=False)
    deleted_at = models.DateTimeField(null=True, blank=True)

    class Meta:
        ordering = ["id"]

    def __str__(self) -> str:
        return self.name

    def shelf_changed(self) -> None:
        """Give the shelf a new stamp: what was gathered under the old one is out of date."""
        self.shelf_stamp = uuid.uuid4()
        Garden.objects.filter(pk=self.pk).update(shelf_stamp=self.shelf_stamp, changes=F("changes") + 1)

    def changed(self) -> None:
        """Count a save of something in the garden."""
        Garden.objects.filter(pk=self.pk).update(changes=F("changes") + 1)


class Bed(models.Model):
    """A bed: what is listed and added up in columns, its cut as a document with a version."""

    garden = models.ForeignKey(Garden, on_delete=models.CASCADE, related_name="beds")
    key = models.CharField(max_length=60)
    name = models.CharField(max_length=80)
    count = models.PositiveIntegerField(default=1)
    position = models.PositiveIntegerField(default=0)
    cut = models.JSONField()
    cut_version = models.PositiveIntegerField(default=EDITION)
    revision = models.PositiveIntegerField(default=1)
    saved_at = models.DateTimeField(auto_now=True)
    deleted_at = models.DateTimeField(null=True, blank=True)

    class Meta:
        ordering = ["position", "id"]
        constraints = [models.UniqueConstraint(fields=["garden", "key"], name="bed_key_once_in_a_garden")]

    def __str__(self) -> str:
        return self.name

    def as_version(self, restores: int | None = None) -> BedVersion:
        """The bed as it is now, as its history keeps it. restores: the revision that it brings back, where it does."""
        return BedVersion(
            bed=self,
            revision=self.revision,
            restores=restores,
            name=self.name,
            count=self.count,
            cut=self.cut,
            cut_version=self.cut_version,
            saved_at=self.saved_at,
        )

    def remember(self, restores: int | None = None) -> None:
        """Put the bed as it is now into its history. restores: see `as_version`."""
        self.as_version(restores).save()


class BedVersion(models.Model):
    """A bed as it was saved once. Nothing that was saved is ever written over.

    restores: the revision whose content came back by undo, redo or from the history, where it did.
    """

    bed = models.ForeignKey(Bed, on_delete=models.CASCADE, related_name="versions")
    revision = models.PositiveIntegerField()
    restores = models.PositiveIntegerField(null=True, blank=True)
    name = models.CharField(max_length=80)
    count = models.PositiveIntegerField(default=1)
    cut = models.JSONField()
    cut_version = models.PositiveIntegerField(default=EDITION)
    saved_at = models.DateTimeField()

    class Meta:
        ordering = ["-revision"]
        constraints = [models.UniqueConstraint(fields=["bed", "revision"], name="bed_revision_once")]

    def __str__(self) -> str:
        return f"{self.name}, revision {self.revision}"


class PartVersion(models.Model):
    """A part of a garden (its plot, a mix, what it is fed from) as it was saved once. Nothing is ever written over.

    kind: which part; key: which of them, where there are several. document: in the plan file's words.
    """

    garden = models.ForeignKey(Garden, on_delete=models.CASCADE, related_name="part_versions")
    kind = models.CharField(max_length=10)
    key = models.CharField(max_length=60)
    revision = models.PositiveIntegerField()
    restores = models.PositiveIntegerField(null=True, blank=True)
    document = models.JSONField(null=True)
    edition = models.PositiveIntegerField(default=EDITION)
    saved_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ["-revision"]
        constraints = [models.UniqueConstraint(fields=["garden", "kind", "key", "revision"], name="part_revision_once")]

    def __str__(self) -> str:
        return f"{self.kind} {self.key}, revision {self.revision}"
