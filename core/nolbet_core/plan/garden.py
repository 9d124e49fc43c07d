"""A whole garden in the plan file."""

from __future__ import annotations

import math
from typing import Annotated, Any, Final, Literal, Self

from pydantic import ConfigDict, Field, ValidationInfo, field_validator, model_validator

from nolbet_core.plan.bed import Bed
from nolbet_core.plan.fields import (
    BagM3,
    Count,
    Day,
    HeapM3,
    Key,
    LengthM,
    MaterialKey,
    Model,
    Money,
    MonthDay,
    Name,
    Share,
)
from nolbet_core.plan.frame import Cutting
from nolbet_core.plan.log import LogEntry, Probe, WeatherRun
from nolbet_core.plan.mix import PlanMix
from nolbet_core.plan.offers import FixedLine, PlanSupplier
from nolbet_core.plan.planting import Neighbours, OwnCrop
from nolbet_core.plan.plot import Plot
from nolbet_core.plan.shapes import At
from nolbet_core.plan.works import Factor, WorkKind, Works
from nolbet_core.quantities import limits
from nolbet_core.quantities.units import USUAL_BARROW_M3

FORMAT: Final = "nolbet-plan/1"

MOST_BEDS = 1000
"""So many beds a garden may have: a large allotment's, ten times over."""

MOST_KINDS = 500
"""So many own materials, and so many mixes."""

MOST_SOURCES = 200
"""So many suppliers, and so many heaps."""


Typical = Literal[
    "oceanic", "cool_oceanic", "warm_summer_dry", "hot_summer_dry", "humid_subtropical", "summer_rain",
    "hot_continental", "cool_continental", "boreal", "cold_steppe", "hot_steppe", "desert", "wet_tropics",
    "dry_and_wet_tropics",
]  # fmt: skip
"""Typical climates by their keys."""


class Normals(Model):
    """A month's usual weather: mean daily extremes, rain of the month, and days with rain."""

    tmin_c: Annotated[float, Field(ge=-70, le=60)]
    tmax_c: Annotated[float, Field(ge=-70, le=60)]
    rain_mm: Annotated[float, Field(ge=0, le=5000)]
    rain_days: Annotated[float, Field(ge=0, le=31)]


class Vehicle(Model):
    """What fetches from suppliers: how much it carries, and how much room it has."""

    payload_kg: Annotated[float, Field(gt=0, le=40_000)]
    space_m3: Annotated[float, Field(gt=0, le=100)]


class Sinking(Model):
    """How beds sink in this garden against what is usual, as readings of one taught. settling_factor: how many times as
    much as usual they settle. decay_factor: how many times as fast they rot. bed, readings: it was taken over from.
    """

    settling_factor: Annotated[float, Field(ge=0.1, le=10)] = 1.0
    decay_factor: Annotated[float, Field(ge=0.1, le=10)] = 1.0
    bed: Key | None = None
    readings: Annotated[int, Field(ge=0, le=20_000)] = 0


class Garden(Model):
    """The garden: its name, money, units, climate and plot. handful_kg: what the gardener's handful of meal weighs.

    hemisphere: where the latitude isn't known. normals: usual weather of the twelve months; typical_climate: which one
    they were taken from, where they weren't measured. tap_l_min: what the tap gives. ants: whether ants or termites
    that nest in wood live there; burrowers: animals that dig. water_table_m: how deep water stands in the ground.
    drop: where on the plot loads are dropped. vehicle: what fetches. budget: what all is to cost at most. works: when
    it is worked, and how. pace: how many times as long as usual the gardener takes for a kind of work. sinking: how
    beds that nothing was read of sink against what is usual. neighbours: what the gardener thinks of crops side by
    side.
    """

    name: Name
    currency: Annotated[str, Field(pattern=r"^[A-Z]{3}$", description="ISO 4217 code")] = "USD"
    units: Literal["ft_in", "metric"] = "metric"
    latitude_deg: Annotated[float, Field(ge=-90, le=90)] | None = None
    mean_temp_c: Annotated[float, Field(ge=-30, le=45)] | None = None
    last_frost: MonthDay | None = None
    first_frost: MonthDay | None = None
    hemisphere: Literal["north", "south"] | None = None
    normals: Annotated[list[Normals], Field(min_length=12, max_length=12)] | None = None
    typical_climate: Typical | None = None
    wettest_day_mm: Annotated[float, Field(gt=0, le=1900)] | None = None
    handful_kg: Annotated[float, Field(ge=0.005, le=0.5)] | None = None
    tap_l_min: Annotated[float, Field(gt=0, le=limits.TAP_L_MIN.most)] | None = None
    ants: bool | None = None
    burrowers: bool | None = None
    water_table_m: Annotated[float, Field(ge=0, le=50)] | None = None
    drop: At | None = None
    vehicle: Vehicle | None = None
    budget: Money | None = None
    works: Works | None = None
    pace: dict[WorkKind, Factor] | None = None
    sinking: Sinking | None = None
    neighbours: Annotated[list[Neighbours], Field(max_length=500)] | None = None
    plot: Plot | None = None

    @field_validator("hemisphere")
    @classmethod
    def _on_its_side(cls, value: str | None, info: ValidationInfo) -> str | None:
        latitude = info.data.get("latitude_deg")
        if value is not None and latitude and (latitude < 0) != (value == "south"):
            raise ValueError(f"is {value}, and latitude_deg is {latitude:g}; leave one of them out")
        return value


Density = Annotated[float, Field(gt=0, le=5000)]


class OwnMaterial(Model):
    """A gardener's own material, like one of the shelf save for the figures given here."""

    key: Key
    like: Key
    name: Name | None = None
    bulk_density_kg_m3: Density | None = None
    dry_density_kg_m3: Density | None = None
    saturated_density_kg_m3: Density | None = None
    moisture: Annotated[float, Field(ge=0, lt=1)] | None = None
    loose_factor: Annotated[float, Field(ge=1, le=5)] | None = None
    void_share: Share | None = None
    carbon: Share | None = None
    nitrogen: Share | None = None
    settles_share: Share | None = None
    stays_share: Share | None = None
    decay_per_year: Annotated[float, Field(ge=0, le=20)] | None = None
    water_share: Share | None = None
    capillary_rise_m: Annotated[float, Field(ge=0, le=1)] | None = None
    loose_dry_kg_m3: Density | None = None
    porosity: Share | None = None
    container_capacity: Share | None = None
    wilting_point: Share | None = None
    ph: Annotated[float, Field(ge=2, le=11)] | None = None
    label_n: Share | None = None
    label_p2o5: Share | None = None
    label_k2o: Share | None = None
    grain: Literal["fine", "coarse"] | None = None
    mass_per_area_kg_m2: Annotated[float, Field(gt=0, le=50)] | None = None


HeapUnit = Literal["bag", "barrow", "bucket", "bale"]

USUAL_HEAP_M3: dict[HeapUnit, float] = {"barrow": USUAL_BARROW_M3, "bucket": 0.010}
"""What a heaped barrow and a bucket hold, loose [m3]; bags and bales say so themselves."""

COMPOST_YIELD = 0.4
"""What a compost heap comes to, of the loose volume that was put in [0-1] (estimate, a third to a half)."""

AGREES = 0.01


class CountedAs(Model):
    """How a heap was counted: so many bags, barrows, buckets or bales of a loose volume each."""

    unit: HeapUnit
    count: Annotated[float, Field(gt=0, le=10_000)]
    each_m3: BagM3 | None = None

    @property
    def volume_m3(self) -> float | None:
        """All of them together [m3]; None where the size of a bag or bale isn't said."""
        each = self.each_m3 or USUAL_HEAP_M3.get(self.unit)
        return None if each is None else self.count * each


class Stock(Model):
    """What is on hand: loose material as it lies in the heap, by its volume or as it was counted, or boards.

    counted: as bags, barrows, buckets or bales ("as" in the file). put_in_m3: what a compost heap was made of; it
    yields less than half of it. ready_on: from when it can be used. thickness_m, width_m, length_m, count: of boards;
    their volume is that of the wood. usable_m: crooked ones are good only for pieces up to that.
    """

    model_config = ConfigDict(serialize_by_alias=True, validate_by_name=True, validate_by_alias=True)

    material: MaterialKey
    volume_m3: HeapM3
    counted: Annotated[CountedAs | None, Field(alias="as")] = None
    put_in_m3: HeapM3 | None = None
    ready_on: Day | None = None
    thickness_m: LengthM | None = None
    width_m: LengthM | None = None
    length_m: LengthM | None = None
    count: Count | None = None
    usable_m: LengthM | None = None

    @property
    def is_boards(self) -> bool:
        """Whether it is boards, which no bed is filled with."""
        return self.thickness_m is not None

    @model_validator(mode="before")
    @classmethod
    def _with_volume(cls, given: Any) -> Any:
        if not isinstance(given, dict):
            return given
        boards_m3 = _volume_of_boards(given)
        if boards_m3 is not None:
            return {"volume_m3": boards_m3, **given}
        counted = given.get("as") or given.get("counted")
        known = _volume_of(counted, given.get("put_in_m3"))
        if given.get("volume_m3") is None:
            if isinstance(counted, dict) and known is None and not counted.get("each_m3"):
                raise ValueError(f"a {counted.get('unit')} has no usual size: give as.each_m3, or volume_m3")
            return given if known is None else {**given, "volume_m3": known}
        return given

    @model_validator(mode="after")
    def _agree(self) -> Self:
        counted_m3 = self.counted.volume_m3 if self.counted else None
        if counted_m3 is not None and abs(self.volume_m3 - counted_m3) > AGREES * counted_m3:
            raise ValueError(f"volume_m3 is {self.volume_m3:g}, and counted it comes to {counted_m3:g}; leave one out")
        if self.is_boards:
            self._check_boards()
        elif self.usable_m is not None or self.count is not None:
            raise ValueError("count and usable_m belong to boards; give thickness_m, width_m and length_m with them")
        return self

    def _check_boards(self) -> None:
        others = [key for key in ("counted", "put_in_m3", "ready_on") if getattr(self, key) is not None]
        if others:
            raise ValueError(f"boards have a count and a size, and no {others[0].replace('counted', 'as')}")
        if self.length_m is not None and self.usable_m is not None and self.usable_m > self.length_m:
            raise ValueError(f"usable_m is {self.usable_m:g}, and the boards are {self.length_m:g} long")
        wood_m3 = _volume_of_boards({key: getattr(self, key) for key in (*BOARD_SIZES, "count")}) or 0.0
        if abs(self.volume_m3 - wood_m3) > AGREES * wood_m3:
            raise ValueError(f"volume_m3 is {self.volume_m3:g}, and the boards come to {wood_m3:g}; leave it out")


BOARD_SIZES = ("thickness_m", "width_m", "length_m")


def _volume_of_boards(given: dict[str, Any]) -> float | None:
    """The wood of boards [m3]; None of what is none. Raises ValueError where one of their sizes lacks."""
    sizes = [given.get(key) for key in BOARD_SIZES]
    if all(each is None for each in sizes):
        return None
    for key, size in zip(BOARD_SIZES, sizes, strict=True):
        if size is None:
            raise ValueError(f"boards want thickness_m, width_m and length_m, and {key} isn't given")
    count = 1 if given.get("count") is None else given["count"]
    numbers = [each for each in (*sizes, count) if isinstance(each, float | int)]
    return math.prod(numbers) if len(numbers) == len(sizes) + 1 else 0.0


def _volume_of(counted: Any, put_in_m3: Any) -> float | None:
    """What a heap comes to that says it another way [m3]; None where that can't be read."""
    if isinstance(counted, CountedAs):
        return counted.volume_m3
    if isinstance(counted, dict):
        each, count = counted.get("each_m3") or USUAL_HEAP_M3.get(counted.get("unit", "bag")), counted.get("count")
        return each * count if isinstance(each, float | int) and isinstance(count, float | int) else None
    return COMPOST_YIELD * put_in_m3 if isinstance(put_in_m3, float | int) else None


Certainty = Annotated[float, Field(ge=0.5, le=0.999)] | None
"""In which share of gardens what is bought is to be enough [0-1]."""


class Plan(Model):
    """A whole garden. edition: of the words it is written in (see `upgrade`).

    cutting: how its boards are cut. fixed: lines of the haul held by hand. certainty: in which share of
    gardens what is bought is to be enough; the needs as they stand where it isn't said. weather, log, probes: what was
    seen there by day, what was read of its beds, and what reads by itself.
    """

    format: Literal["nolbet-plan/1"]
    edition: Annotated[int, Field(ge=1)] = 1
    garden: Garden
    materials: Annotated[list[OwnMaterial], Field(max_length=MOST_KINDS)] = Field(default_factory=list)
    mixes: Annotated[list[PlanMix], Field(max_length=MOST_KINDS)] = Field(default_factory=list)
    crops: Annotated[list[OwnCrop], Field(max_length=500)] = Field(default_factory=list)
    beds: Annotated[list[Bed], Field(max_length=MOST_BEDS)] = Field(default_factory=list)
    stock: Annotated[list[Stock], Field(max_length=MOST_SOURCES)] = Field(default_factory=list)
    cutting: Cutting = Field(default_factory=Cutting)
    fixed: Annotated[list[FixedLine], Field(max_length=500)] = Field(default_factory=list)
    certainty: Certainty = None
    suppliers: Annotated[list[PlanSupplier], Field(max_length=MOST_SOURCES)] = Field(default_factory=list)
    weather: Annotated[list[WeatherRun], Field(max_length=5000)] = Field(default_factory=list)
    log: Annotated[list[LogEntry], Field(max_length=20_000)] = Field(default_factory=list)
    probes: Annotated[list[Probe], Field(max_length=1000)] = Field(default_factory=list)
