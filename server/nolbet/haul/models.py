"""Suppliers with their offers, and what lies on hand."""

from __future__ import annotations

from django.db import models

from nolbet.gardens.models import Garden


class Supplier(models.Model):
    """Somebody who sells by the bag or the load. more: from when delivery is free and the like, in the plan's words."""

    garden = models.ForeignKey(Garden, on_delete=models.CASCADE, related_name="suppliers")
    key = models.CharField(max_length=60)
    name = models.CharField(max_length=80)
    delivery = models.DecimalField(max_digits=9, decimal_places=2, default=0)
    more = models.JSONField(default=dict, blank=True)
    position = models.PositiveIntegerField(default=0)

    class Meta:
        ordering = ["position", "id"]
        constraints = [models.UniqueConstraint(fields=["garden", "key"], name="supplier_key_once_in_a_garden")]

    def __str__(self) -> str:
        return self.name


class Offer(models.Model):
    """One thing a supplier sells: in bags, loose, off the roll, by the piece or the pack, in the plan file's words.

    more: deals, tiers, what the shop has, and what is sold by weight.
    """

    supplier = models.ForeignKey(Supplier, on_delete=models.CASCADE, related_name="offers")
    form = models.CharField(max_length=8)
    material = models.CharField(max_length=60)
    volume_m3 = models.FloatField(null=True, blank=True)
    mass_kg = models.FloatField(null=True, blank=True)
    length_m = models.FloatField(null=True, blank=True)
    width_m = models.FloatField(null=True, blank=True)
    height_m = models.FloatField(null=True, blank=True)
    diameter_m = models.FloatField(null=True, blank=True)
    thickness_m = models.FloatField(null=True, blank=True)
    count = models.PositiveIntegerField(null=True, blank=True)
    price = models.DecimalField(max_digits=9, decimal_places=2, null=True, blank=True)
    price_per_m3 = models.DecimalField(max_digits=13, decimal_places=6, null=True, blank=True)
    step_m3 = models.FloatField(null=True, blank=True)
    minimum_m3 = models.FloatField(null=True, blank=True)
    load_m3 = models.FloatField(null=True, blank=True)
    fetch = models.BooleanField(default=False)
    more = models.JSONField(default=dict, blank=True)
    position = models.PositiveIntegerField(default=0)

    class Meta:
        ordering = ["position", "id"]

    def __str__(self) -> str:
        return f"{self.material} by the {self.form}"


class Stock(models.Model):
    """A heap on hand, loose as it lies. more: how it was counted, and from when it can be used, in the plan's words."""

    garden = models.ForeignKey(Garden, on_delete=models.CASCADE, related_name="stock")
    material = models.CharField(max_length=60)
    volume_m3 = models.FloatField()
    more = models.JSONField(default=dict, blank=True)
    position = models.PositiveIntegerField(default=0)

    class Meta:
        ordering = ["position", "id"]

    def __str__(self) -> str:
        return self.material
