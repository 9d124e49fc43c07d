"""A garden's daily weather, and what was read of its reservoirs."""

from __future__ import annotations

from django.db import models

from nolbet.gardens.models import Bed, Garden


class WeatherDay(models.Model):
    """A day's weather in a garden."""

    garden = models.ForeignKey(Garden, on_delete=models.CASCADE, related_name="weather_days")
    day = models.DateField()
    tmin_c = models.FloatField()
    tmax_c = models.FloatField()
    rain_mm = models.FloatField()

    class Meta:
        ordering = ["day"]
        constraints = [models.UniqueConstraint(fields=["garden", "day"], name="weather_day_once_in_a_garden")]

    def __str__(self) -> str:
        return self.day.isoformat()


class Dip(models.Model):
    """The level of a reservoir as a stick read it once."""

    bed = models.ForeignKey(Bed, on_delete=models.CASCADE, related_name="dips")
    at = models.DateTimeField()
    level_m = models.FloatField()

    class Meta:
        ordering = ["-at", "-id"]

    def __str__(self) -> str:
        return f"{self.bed}, {self.at:%Y-%m-%d %H:%M}"


class Probe(models.Model):
    """The simulated level probe of a bed, and how it behaves."""

    bed = models.OneToOneField(Bed, on_delete=models.CASCADE, related_name="probe")
    seed = models.PositiveIntegerField(default=1)
    missing = models.FloatField(default=0.05)
    absurd = models.FloatField(default=0.0)
    late_days = models.FloatField(default=0.0)
    leak_m3_day = models.FloatField(default=0.0)
    thirst = models.FloatField(default=1.0)

    def __str__(self) -> str:
        return f"probe of {self.bed}"
