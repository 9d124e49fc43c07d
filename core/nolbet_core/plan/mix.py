"""A soil mix in the plan file."""

from __future__ import annotations

from typing import Annotated, Self

from pydantic import Field, field_validator, model_validator

from nolbet_core.blend.target import MixUse
from nolbet_core.plan.fields import Key, MaterialKey, Model, Name, Share
from nolbet_core.quantities import limits

Parts = Annotated[float, Field(ge=0, le=1000)]


class MixPart(Model):
    """So many parts by loose volume of a material or another mix. rejected: share of them that stays on the sieve."""

    material: MaterialKey
    parts: Parts
    rejected: Annotated[float, Field(ge=0, lt=1)] | None = None


class MixedIn(Model):
    """What is mixed in by weight, as lime and fertilisers are: so much for each loose m3 of the mix, as sold."""

    material: MaterialKey
    dose_kg_m3: Annotated[float, Field(gt=limits.MIXED_IN_KG_M3.least, le=limits.MIXED_IN_KG_M3.most)]


class BucketTest(Model):
    """A mix tried out: so many buckets of parts in, and how many the mix then fills."""

    parts_in: Annotated[float, Field(gt=0, le=1000)]
    level_out: Annotated[float, Field(gt=0, le=1000)]


ShareBand = Annotated[list[Share], Field(min_length=2, max_length=2)]


class ShareLimit(Model):
    """How much of a material a mix may hold, of its parts by volume."""

    material: MaterialKey
    least: Share = 0.0
    most: Share = 1.0

    @model_validator(mode="after")
    def _in_order(self) -> Self:
        if self.least > self.most:
            raise ValueError(f"the least, {self.least:g}, is over the most, {self.most:g}")
        return self


class MixTarget(Model):
    """What a mix is for, and bands that differ from what is usual for that.

    air_filled, water_held: least and most of its volume. ph: least and most. c_to_n_most: carbon to nitrogen.
    rise_least_m: how high it has to wick. compost_most: of its parts by volume. organic_matter: least and
    most of its dry mass. limits: of single materials.
    """

    use: MixUse = "raised_bed"
    air_filled: ShareBand | None = None
    water_held: ShareBand | None = None
    ph: Annotated[list[Annotated[float, Field(ge=2, le=11)]], Field(min_length=2, max_length=2)] | None = None
    c_to_n_most: Annotated[float, Field(gt=0, le=1000)] | None = None
    rise_least_m: Annotated[float, Field(ge=0, le=1)] | None = None
    compost_most: Share | None = None
    organic_matter: ShareBand | None = None
    limits: Annotated[list[ShareLimit], Field(max_length=30)] = Field(default_factory=list)

    @field_validator("air_filled", "water_held", "ph", "organic_matter")
    @classmethod
    def _in_order(cls, band: list[float] | None) -> list[float] | None:
        if band is not None and band[0] > band[1]:
            raise ValueError(f"the least, {band[0]:g}, is over the most, {band[1]:g}")
        return band


class PlanMix(Model):
    """A soil mix by parts. bucket_test: replaces what the voids say of its yield. target: what it is to be good for.

    doses: lime, meals and fertilisers mixed in by weight.
    """

    key: Key
    name: Name | None = None
    parts: Annotated[list[MixPart], Field(min_length=1, max_length=30)]
    doses: Annotated[list[MixedIn], Field(max_length=8)] = Field(default_factory=list)
    bucket_test: BucketTest | None = None
    target: MixTarget | None = None
