"""What a gardener has, wants and may: what beds that could be built are looked for by."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from nolbet_core.plan.bed import StandsOn
from nolbet_core.plan.fields import Day, Key, LengthM, Model, Money, ReachM
from nolbet_core.plan.garden import Stock


class Having(Model):
    """What there is. money: to spend now. stock: boards and heaps, as the plan file writes them. days: to work on.
    helpers: beside the gardener.
    """

    money: Money | None = None
    stock: Annotated[list[Stock], Field(max_length=100)] = Field(default_factory=list)
    days: Annotated[float, Field(gt=0, le=400)] | None = None
    helpers: Annotated[int, Field(ge=0, le=20)] = 0


class Wanting(Model):
    """What is wanted. area_m2: to grow on, at least. crops: that the beds are to suit. sow_on: by when they are to be
    ready to sow.
    """

    area_m2: Annotated[float, Field(gt=0, le=500)] | None = None
    crops: Annotated[list[Key], Field(max_length=20)] = Field(default_factory=list)
    sow_on: Day | None = None


class Allowed(Model):
    """What is allowed. on: what it stands on. limit_kg_m2: what that bears. reach_m: of an arm. worked_from: how many
    long sides can be got to. height_m: no rim is to be higher.
    """

    on: StandsOn = "bare_soil"
    limit_kg_m2: Annotated[float, Field(gt=0, le=20_000)] | None = None
    reach_m: ReachM = 0.6
    worked_from: Literal["one_side", "both_sides"] = "both_sides"
    height_m: LengthM | None = None


class Wishes(Model):
    """All of them."""

    have: Having = Field(default_factory=Having)
    want: Wanting = Field(default_factory=Wanting)
    may: Allowed = Field(default_factory=Allowed)
