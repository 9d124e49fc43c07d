"""What suppliers offer, in the plan file: by the bag, loose, off the roll, by the piece and the pack."""

from __future__ import annotations

from typing import Annotated, Literal, Self

from pydantic import Field, model_validator

from nolbet_core.plan.fields import (
    BagM3,
    BulkM3,
    Count,
    Day,
    HeapM3,
    Key,
    LengthM,
    MaterialKey,
    Model,
    Money,
    Name,
    UnitPrice,
)
from nolbet_core.quantities import limits


class DealModel(Model):
    """So many together at a price; every full number of them costs it."""

    count: Annotated[int, Field(ge=2, le=10_000)]
    price: Money


class TierModel(Model):
    """From a volume on all of a load costs so much a m3."""

    from_m3: Annotated[float, Field(gt=0, le=1000)]
    price_per_m3: UnitPrice


AtMost = Annotated[int, Field(ge=0, le=100_000)]
OfferKey = Key


class _Offered(Model):
    """What every offer says. key: what the offer is called by. priced_on: the day its price is of."""

    material: MaterialKey
    fetch: bool = False
    key: OfferKey | None = None
    priced_on: Day | None = None


class _Counted(_Offered):
    """Sold by the number. deal: so many together. at_most: what the shop has."""

    price: Money
    deal: DealModel | None = None
    at_most: AtMost | None = None


class BagOfferModel(_Counted):
    """Whole bags of one size: by the loose volume on the label, or by the mass, as meals are.

    expands_to_m3: what a pressed bale swells to. checked_m3: what one was measured to hold, whatever its label says.
    """

    form: Literal["bag"]
    volume_m3: BagM3 | None = None
    mass_kg: Annotated[float, Field(gt=0, le=2000)] | None = None
    expands_to_m3: BagM3 | None = None
    checked_m3: BagM3 | None = None


class BulkOfferModel(_Offered):
    """Sold loose: by volume, or by weight as it lies moist (price_per_t, step_kg, minimum_kg).

    tiers: other prices from a volume on. at_most: what the yard has [m3].
    """

    form: Literal["bulk"]
    price_per_m3: UnitPrice | None = None
    price_per_t: UnitPrice | None = None
    step_m3: BulkM3 | None = None
    step_kg: Annotated[float, Field(gt=0, le=100_000)] | None = None
    minimum_m3: HeapM3 | None = None
    minimum_kg: Annotated[float, Field(ge=0, le=1_000_000)] | None = None
    load_m3: BulkM3 | None = None
    tiers: Annotated[list[TierModel], Field(max_length=20)] | None = None
    at_most: Annotated[float, Field(ge=0, le=10_000)] | None = None

    @model_validator(mode="after")
    def _priced_once(self) -> Self:
        if (self.price_per_m3 is None) == (self.price_per_t is None):
            raise ValueError(
                "has to be priced by the m3 (price_per_m3) or by the tonne (price_per_t), and by one of them"
            )
        by_mass = [key for key in ("step_kg", "minimum_kg") if getattr(self, key) is not None]
        by_volume = [key for key in ("step_m3", "minimum_m3", "tiers") if getattr(self, key)]
        wrong = by_volume if self.price_per_t is not None else by_mass
        if wrong:
            raise ValueError(f"{wrong[0]} doesn't go with {'price_per_t' if self.price_per_t else 'price_per_m3'}")
        starts = [each.from_m3 for each in self.tiers or ()]
        if starts != sorted(set(starts)):
            raise ValueError("tiers have to rise: each from_m3 over the one before")
        return self


class RollOfferModel(_Counted):
    """A sheet off the roll."""

    form: Literal["roll"]
    width_m: LengthM
    length_m: Annotated[float, Field(ge=limits.LENGTH_M.least, le=1000)]


class _Sized(_Counted):
    """Things of a size, as far as they have one."""

    length_m: LengthM | None = None
    width_m: LengthM | None = None
    height_m: LengthM | None = None
    diameter_m: LengthM | None = None
    thickness_m: LengthM | None = None


class PieceOfferModel(_Sized):
    """By the piece: a sheet of a length and width, a pipe of a length and diameter, a crate, a board."""

    form: Literal["piece"]


class PackOfferModel(_Sized):
    """Pieces by the pack."""

    form: Literal["pack"]
    count: Count


OfferModel = Annotated[
    BagOfferModel | BulkOfferModel | RollOfferModel | PieceOfferModel | PackOfferModel, Field(discriminator="form")
]


class FixedLine(Model):
    """A line of the haul held by hand: so many, or so much loose. offer: the key of the offer that is meant."""

    supplier: Key
    material: MaterialKey
    form: Literal["bag", "bulk", "roll", "piece", "pack"]
    count: Annotated[int, Field(ge=0, le=100_000)] | None = None
    volume_m3: Annotated[float, Field(ge=0, le=10_000)] | None = None
    offer: OfferKey | None = None

    @model_validator(mode="after")
    def _said_once(self) -> Self:
        wanted, other = ("volume_m3", "count") if self.form == "bulk" else ("count", "volume_m3")
        if getattr(self, wanted) is None or getattr(self, other) is not None:
            raise ValueError(f"{self.form} is held by its {wanted}, and nothing else")
        return self


class PlanSupplier(Model):
    """A supplier with what one delivery costs.

    free_over: goods from which delivery is free. minimum_order: less isn't delivered. distance_m: how far away.
    """

    key: Key
    name: Name | None = None
    delivery: Money | None = None
    free_over: Money | None = None
    minimum_order: Money | None = None
    distance_m: Annotated[float, Field(ge=0, le=1_000_000)] | None = None
    offers: Annotated[list[OfferModel], Field(max_length=500)] = Field(default_factory=list)
