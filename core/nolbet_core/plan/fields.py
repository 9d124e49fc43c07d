"""Field types of the plan file: SI floats within the limits of the job, keys, dates and money."""

from __future__ import annotations

import re
from datetime import date
from decimal import Decimal
from typing import Annotated, Any

from pydantic import (
    AfterValidator,
    BaseModel,
    BeforeValidator,
    ConfigDict,
    Field,
    PlainSerializer,
    WithJsonSchema,
)

from nolbet_core.quantities import limits
from nolbet_core.quantities.calendar import check_year

CENTS = 2
UNIT_PRICE_DECIMALS = 6


class Model(BaseModel):
    """A frozen part of a plan: unknown keys are refused, numbers are numbers and never text.

    What reads one is made when the first is read, so that a whole plan's reader is made once and not with every part.
    """

    model_config = ConfigDict(extra="forbid", frozen=True, strict=True, allow_inf_nan=False, defer_build=True)


def _read_money(value: Any) -> Any:
    return _read_decimal(value, CENTS, "to the cent")


def _read_unit_price(value: Any) -> Any:
    return _read_decimal(value, UNIT_PRICE_DECIMALS, f"with at most {UNIT_PRICE_DECIMALS} decimals")


def _read_decimal(value: Any, decimals: int, said: str) -> Any:
    if isinstance(value, Decimal):
        return value
    if not isinstance(value, str) or not re.fullmatch(rf"\d{{1,7}}(\.\d{{1,{decimals}}})?", value):
        raise ValueError(f'money is a decimal string {said}, as in "6.20"')
    return Decimal(value)


def written_unit_price(value: Decimal) -> str:
    """A price of a m3 as the plan file writes it: to the cent, further only where it has more."""
    whole, _, decimals = f"{value:.{UNIT_PRICE_DECIMALS}f}".partition(".")
    return f"{whole}.{decimals[:CENTS]}{decimals[CENTS:].rstrip('0')}"


def _check_price(value: Decimal) -> Decimal:
    if value > Decimal(int(limits.PRICE.most)):
        raise ValueError(f"more than the {int(limits.PRICE.most):,} that a price may be")
    return value


Money = Annotated[
    Decimal,
    BeforeValidator(_read_money),
    AfterValidator(_check_price),
    PlainSerializer(lambda value: f"{value:.2f}", return_type=str),
    WithJsonSchema({"type": "string", "pattern": r"^\d{1,7}(\.\d{1,2})?$", "examples": ["6.20"]}),
]

UnitPrice = Annotated[
    Decimal,
    BeforeValidator(_read_unit_price),
    AfterValidator(_check_price),
    PlainSerializer(written_unit_price, return_type=str),
    WithJsonSchema({"type": "string", "pattern": r"^\d{1,7}(\.\d{1,6})?$", "examples": ["62.80"]}),
]


class NamesMaterial:
    """Marks a key that names a material or a mix, so that every place which does is found by its type."""


KEY_PATTERN = r"^[a-z][a-z0-9_]{0,59}$"

Key = Annotated[str, Field(pattern=KEY_PATTERN, description="lower-case letters, digits and _")]
MaterialKey = Annotated[str, Field(pattern=KEY_PATTERN, description="key of a material or a mix"), NamesMaterial()]
Name = Annotated[str, Field(min_length=1, max_length=80)]
LengthM = Annotated[float, Field(ge=limits.LENGTH_M.least, le=limits.LENGTH_M.most)]
DepthM = Annotated[float, Field(ge=limits.BED_DEPTH_M.least, le=limits.BED_DEPTH_M.most)]
LayerM = Annotated[float, Field(ge=0, le=limits.LAYER_M.most)]
WallM = Annotated[float, Field(ge=0, le=limits.WALL_M.most)]
OffsetM = Annotated[float, Field(ge=0, le=limits.OFFSET_M.most)]
ReachM = Annotated[float, Field(ge=limits.REACH_M.least, le=limits.REACH_M.most)]
BagM3 = Annotated[float, Field(ge=limits.BAG_M3.least, le=limits.BAG_M3.most)]
BulkM3 = Annotated[float, Field(ge=limits.BULK_M3.least, le=limits.BULK_M3.most)]
HeapM3 = Annotated[float, Field(ge=0, le=limits.STOCK_M3.most)]
Share = Annotated[float, Field(ge=0, le=1)]
Count = Annotated[int, Field(ge=1, le=int(limits.COUNT.most))]


def _check_day(value: str) -> str:
    try:
        day = date.fromisoformat(value)
    except ValueError as problem:
        raise ValueError(f'{value} is no day; write it as in "2026-10-17"') from problem
    check_year(day)
    return value


Day = Annotated[str, Field(pattern=r"^\d{4}-\d{2}-\d{2}$", description="YYYY-MM-DD"), AfterValidator(_check_day)]
MonthDay = Annotated[str, Field(pattern=r"^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$", description="MM-DD")]
