"""What was seen in a garden, in the plan file: its weather by day, what was read of its reservoirs, their probes."""

from __future__ import annotations

from collections.abc import Iterable
from datetime import date, datetime
from typing import Annotated, Literal, Self

from pydantic import AfterValidator, Field, model_validator

from nolbet_core.plan.fields import Day, Key, LengthM, MaterialKey, Model, Money, Name, OffsetM, Share
from nolbet_core.plan.works import Hours, StepKey
from nolbet_core.quantities.calendar import check_year

MOST_DAYS = 40_000

TempC = Annotated[float, Field(ge=-70, le=60)]
RainMm = Annotated[float, Field(ge=0, le=2000)]
WaterM3 = Annotated[float, Field(gt=0, le=100)]
UPKEEP_KEY = r"^[a-z][a-z0-9_]{0,59}\.[a-z_]{1,40}\.\d{4}$"
MgKg = Annotated[float, Field(ge=0, le=1_000_000)]
EntryKey = Annotated[str, Field(pattern=r"^[A-Za-z0-9_-]{1,64}$", description="letters, digits, _ and -")]


def _check_moment(value: str) -> str:
    try:
        at = datetime.fromisoformat(value)
        aware = at.tzinfo is not None or len(value) == len("2026-10-17")
    except ValueError:
        aware = False
    if not aware:
        raise ValueError(f'{value} is no moment; write it as in "2026-10-17" or "2026-10-17T08:00:00+00:00"')
    check_year(at.date())
    return value


Moment = Annotated[
    str,
    Field(max_length=40, pattern=r"^\d{4}-\d{2}-\d{2}", description="YYYY-MM-DD, with or without an aware time"),
    AfterValidator(_check_moment),
]


class WeatherRun(Model):
    """Days of weather one after the other, from one on: lowest and highest temperature and rain of each."""

    from_day: Day
    tmin_c: Annotated[list[TempC], Field(min_length=1, max_length=MOST_DAYS)]
    tmax_c: Annotated[list[TempC], Field(min_length=1, max_length=MOST_DAYS)]
    rain_mm: Annotated[list[RainMm], Field(min_length=1, max_length=MOST_DAYS)]

    @model_validator(mode="after")
    def _alike_long(self) -> Self:
        days = {len(self.tmin_c), len(self.tmax_c), len(self.rain_mm)}
        if len(days) > 1:
            raise ValueError("tmin_c, tmax_c and rain_mm have to hold as many days each")
        return self


class Dip(Model):
    """A level read off a stick in a bed's reservoir."""

    kind: Literal["dip"]
    bed: Key
    on: Moment
    level_m: OffsetM


class Purchase(Model):
    """Something that was bought: so many, or so much loose, at a price in all.

    offer: the key of the offer it was bought by. size_m: of one roll or piece, as the haul tells it, where several are
    on sale. paid: whether it is paid. arrival: how it was when it came. used:
    whether it is used up, and no longer on hand.
    """

    kind: Literal["purchase"]
    on: Day
    supplier: Key
    material: MaterialKey
    form: Literal["bag", "bulk", "roll", "piece", "pack"]
    count: Annotated[int, Field(ge=1, le=100_000)] | None = None
    volume_m3: Annotated[float, Field(gt=0, le=10_000)] | None = None
    price: Money | None = None
    offer: Key | None = None
    size_m: Annotated[list[LengthM], Field(max_length=4)] | None = None
    paid: bool = False
    arrival: Annotated[str, Field(max_length=500)] | None = None
    used: bool = False

    @model_validator(mode="after")
    def _said_once(self) -> Self:
        if self.count is None and self.volume_m3 is None:
            raise ValueError("has to say how many were bought (count), or how much (volume_m3)")
        return self


class HoursSpent(Model):
    """Time that a step of the works took, of all who worked on it."""

    kind: Literal["hours"]
    on: Day
    step: StepKey
    hours: Hours
    bed: Key | None = None


class SeasonSeen(Model):
    """Something seen or done in a garden. key: it is known again by. on: when. who: saw it, where that is said."""

    key: EntryKey | None = None
    on: Moment
    who: Name | None = None


class SurfaceEntry(SeasonSeen):
    """How high a bed's surface stands above its floor."""

    kind: Literal["surface"]
    bed: Key
    height_m: OffsetM


class RefillEntry(SeasonSeen):
    """A reservoir filled up. volume_m3: with how much, where it was measured."""

    kind: Literal["refill"]
    bed: Key
    volume_m3: WaterM3 | None = None


class RainEntry(SeasonSeen):
    """Rain that fell by then."""

    kind: Literal["rain"]
    mm: RainMm
    bed: Key | None = None


class WateredEntry(SeasonSeen):
    """A bed watered from the top. volume_m3: with how much, where it was measured."""

    kind: Literal["watered"]
    bed: Key
    volume_m3: WaterM3 | None = None


class HarvestEntry(SeasonSeen):
    """What was harvested of a crop, by weight or by count. worth: all of it. half: of the bed, as it is drawn, where
    its halves are told apart.
    """

    kind: Literal["harvest"]
    bed: Key
    crop: Name
    mass_kg: Annotated[float, Field(gt=0, le=10_000)] | None = None
    count: Annotated[int, Field(ge=1, le=100_000)] | None = None
    worth: Money | None = None
    half: Literal["left", "right"] | None = None

    @model_validator(mode="after")
    def _much(self) -> Self:
        if self.mass_kg is None and self.count is None:
            raise ValueError("has to say how much (mass_kg) or how many (count)")
        return self


class SownEntry(SeasonSeen):
    """A crop sown or planted. count: of seeds or plants, where they were counted."""

    kind: Literal["sown"]
    bed: Key
    crop: Name
    count: Annotated[int, Field(ge=1, le=100_000)] | None = None


class SoilTestEntry(SeasonSeen):
    """What a laboratory or a kit found in soil. organic_share: of dry mass. Nutrients and lead in mg a kg, dry."""

    kind: Literal["soil_test"]
    bed: Key | None = None
    ph: Annotated[float, Field(ge=2, le=11)] | None = None
    organic_share: Share | None = None
    nitrogen_mg_kg: MgKg | None = None
    phosphorus_mg_kg: MgKg | None = None
    potassium_mg_kg: MgKg | None = None
    lead_mg_kg: MgKg | None = None


class SoilTemperatureEntry(SeasonSeen):
    """How warm the soil of a bed was."""

    kind: Literal["soil_temperature"]
    bed: Key
    temp_c: TempC


class NoteEntry(SeasonSeen):
    """Words of the gardener's. differently: whether it says what would be done otherwise next time. upkeep: the key of
    what fell due, where it says that this was done.
    """

    kind: Literal["note"]
    bed: Key | None = None
    text: Annotated[str, Field(min_length=1, max_length=4000)]
    differently: bool = False
    upkeep: Annotated[str, Field(pattern=UPKEEP_KEY, max_length=120)] | None = None


class TopUpEntry(SeasonSeen):
    """Something laid on a filled bed, loose as bought."""

    kind: Literal["top_up"]
    bed: Key
    material: MaterialKey
    volume_m3: Annotated[float, Field(gt=0, le=500)]


SeasonEntry = (
    SurfaceEntry
    | RefillEntry
    | RainEntry
    | WateredEntry
    | HarvestEntry
    | SownEntry
    | SoilTestEntry
    | SoilTemperatureEntry
    | NoteEntry
    | TopUpEntry
)
"""What is seen and done in a season, dips, purchases and hours apart."""

LogEntry = Annotated[Dip | Purchase | HoursSpent | SeasonEntry, Field(discriminator="kind")]
"""What a garden's log holds."""


DAY_LENGTH = len("2026-10-17")


def day_of(moment: str) -> date:
    """The day of a moment as the plan file writes it."""
    return date.fromisoformat(moment[:DAY_LENGTH])


def season_entries(log: Iterable[LogEntry]) -> list[SeasonEntry]:
    """Of a log what is seen and done in a season, dips, purchases and hours apart."""
    return [each for each in log if not isinstance(each, Dip | Purchase | HoursSpent)]


class Probe(Model):
    """The simulated level probe of a bed, whose readings follow from its seed and how it misbehaves.

    missing, absurd: shares of its readings. late_days: the last days that haven't come in. leak_m3_day: what the liner
    loses. thirst: how much more than the forecast the plants take.
    """

    bed: Key
    seed: Annotated[int, Field(ge=0, le=10_000)] = 1
    missing: Share = 0.05
    absurd: Share = 0.0
    late_days: Annotated[float, Field(ge=0, le=29)] = 0.0
    leak_m3_day: Annotated[float, Field(ge=0, le=1)] = 0.0
    thirst: Annotated[float, Field(ge=0.1, le=3)] = 1.0
