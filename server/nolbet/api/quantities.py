"""Reading what a gardener types. The core parses; this only asks it."""

from __future__ import annotations

from decimal import Decimal
from typing import Literal

from django.http import HttpRequest
from ninja import Router, Schema
from pydantic import Field

from nolbet_core.quantities.limits import LIMITS, Kind
from nolbet_core.quantities.reading import Context, Reading, read
from nolbet_core.quantities.units import Contents, System

router = Router(tags=["quantities"])

LimitName = Literal[
    "length",
    "bed",
    "ground",
    "depth",
    "layer",
    "wall",
    "board",
    "offset",
    "reach",
    "place",
    "level",
    "slope",
    "facing",
    "turn",
    "bag",
    "bulk",
    "stock",
    "mass",
    "price",
    "unit_price",
    "count",
    "plants",
    "weeks_apart",
    "plant_sizes",
    "drip_rows",
    "tap",
    "emitter",
    "share",
    "ph",
    "density",
    "mixed_in",
    "factor",
    "sheet_mass",
    "decay",
    "temperature",
    "meal",
    "handful",
    "catchment",
    "bears",
    "parts",
    "carbon",
    "rise",
    "day_temperature",
    "rain",
    "latitude",
    "growing",
    "days",
    "hours",
    "day_hours",
    "rate_m3",
    "rate_m2",
    "rate",
    "pace",
    "mg_kg",
]


class Typed(Schema):
    """A typed text, what it is to be, and the garden's own units.

    density_kg_m3: how heavy what is measured lies, so that a volume may be weighed. handful_kg: the gardener's handful.
    """

    typed: str = Field(max_length=400)
    limit: LimitName
    dimensions: bool = False
    units: Literal["ft_in", "metric"]
    currency: str = Field(default="USD", pattern="^[A-Z]{3}$")
    contents: Literal["media", "liquid"] = "media"
    density_kg_m3: float | None = Field(default=None, gt=0, le=5000)
    handful_kg: float | None = Field(default=None, ge=0.005, le=0.5)


class MeaningOut(Schema):
    """One meaning: values in SI units, said in the units typed, in the garden's and in the other system's.

    assumed: more was taken for it than was typed, so that what was understood has to be told.
    """

    values: list[float]
    understood: str
    shown: str
    other: str
    assumed: bool = False
    money: Decimal | None


class ReadingOut(Schema):
    """One meaning: read. Two: either may be meant. None: the problem says what would do."""

    typed: str
    meanings: list[MeaningOut]
    problem: str | None


@router.post("/read", response=ReadingOut)
def read_typed(request: HttpRequest, typed: Typed) -> Reading:
    """What a typed text is understood as."""
    limit = LIMITS[typed.limit]
    context = Context(
        System(typed.units),
        typed.currency,
        Contents(typed.contents),
        density_kg_m3=typed.density_kg_m3,
        handful_kg=typed.handful_kg,
    )
    return read(typed.typed, limit, context, Kind.DIMENSIONS if typed.dimensions else None)
