"""Weather, dips and probes read as the plan writes them, and kept."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from datetime import UTC, date, datetime, time, timedelta

from nolbet.gardens.errors import Full
from nolbet.gardens.models import Bed, Garden
from nolbet.water.models import Dip, Probe
from nolbet.water.models import WeatherDay as WeatherRow
from nolbet.water.probe import Faults, Series, probe_series
from nolbet_core.climate.daily_file import WeatherDay
from nolbet_core.figure.reservoir_readings import Span, thirstier
from nolbet_core.plan.bed import Watering
from nolbet_core.plan.log import MOST_DAYS, WeatherRun
from nolbet_core.plan.log import Dip as PlanDip
from nolbet_core.plan.log import Probe as PlanProbe

MOST_DIPS = 10_000
"""Of a bed: three a day for nine years."""

PROBE_FIGURES = ("seed", "missing", "absurd", "late_days", "leak_m3_day", "thirst")


def keep_days(garden: Garden, days: Sequence[WeatherDay]) -> None:
    """Keep days of weather; a day that is there already takes the new figures.

    Raises Full where that are more days than a garden keeps.
    """
    there = set(garden.weather_days.values_list("day", flat=True))
    if len(there | {each.day for each in days}) > MOST_DAYS:
        raise Full(f"Up to {MOST_DAYS:,} days of weather are kept of a garden; there are {len(there):,} already.")
    rows = [
        WeatherRow(garden=garden, day=each.day, tmin_c=each.tmin_c, tmax_c=each.tmax_c, rain_mm=each.rain_mm)
        for each in days
    ]
    WeatherRow.objects.bulk_create(
        rows,
        update_conflicts=True,
        unique_fields=["garden", "day"],
        update_fields=["tmin_c", "tmax_c", "rain_mm"],
        batch_size=500,
    )


FIGURES = ("day", "tmin_c", "tmax_c", "rain_mm")


def kept_days(garden: Garden) -> list[WeatherDay]:
    """A garden's days of weather, in order."""
    return [WeatherDay(*row) for row in garden.weather_days.values_list(*FIGURES)]


def first_and_last(garden: Garden) -> tuple[date | None, date | None]:
    """The first and the last day of weather that a garden keeps."""
    days = garden.weather_days.all()
    first, last = days.first(), days.last()
    return (first.day if first else None), (last.day if last else None)


def probe_of(bed: Bed) -> Probe | None:
    """The probe in a bed's reservoir, None where there is none."""
    return Probe.objects.filter(bed=bed).first()


def series_of(probe: Probe, span: Span, threshold: float, leak_from_day: float) -> Series:
    """What a simulated probe read over a span of days. Its plants take what is usual, whatever the plan says."""
    faults = Faults(
        missing=probe.missing,
        absurd=probe.absurd,
        late_days=probe.late_days,
        leak_m3_day=probe.leak_m3_day,
        leak_from_day=leak_from_day,
        thirst=probe.thirst,
    )
    usual = thirstier(span, Watering().crop_factor)
    return probe_series(span.store, usual.asked_m3[0], span.rained_m3[0], threshold, faults, probe.seed)


def check_room_for_dip(bed: Bed) -> None:
    """Raises Full where a bed has as many dips as are kept of one."""
    if bed.dips.count() >= MOST_DIPS:
        raise Full(f"Up to {MOST_DIPS:,} dips are kept of a bed; take some away first.")


def dipped(bed: Bed, until: date, days: int) -> list[tuple[datetime, float]]:
    """What a stick read in some days up to one."""
    rows = bed.dips.filter(at__date__gt=until - timedelta(days=days), at__date__lte=until)
    return list(rows.values_list("at", "level_m"))


def weather_plan(garden: Garden) -> list[WeatherRun]:
    """A garden's weather in runs of days without a gap."""
    return _in_runs(kept_days(garden))


def weather_from(garden: Garden, first: date) -> list[WeatherRun]:
    """A garden's weather from a day on, as far as it is known."""
    return _in_runs(WeatherDay(*row) for row in garden.weather_days.filter(day__gte=first).values_list(*FIGURES))


def _in_runs(days: Iterable[WeatherDay]) -> list[WeatherRun]:
    runs: list[list[WeatherDay]] = []
    for each in days:
        if runs and each.day - runs[-1][-1].day == timedelta(days=1) and len(runs[-1]) < MOST_DAYS:
            runs[-1].append(each)
        else:
            runs.append([each])
    return [
        WeatherRun(
            from_day=run[0].day.isoformat(),
            tmin_c=[each.tmin_c for each in run],
            tmax_c=[each.tmax_c for each in run],
            rain_mm=[each.rain_mm for each in run],
        )
        for run in runs
    ]


def keep_weather(garden: Garden, runs: Iterable[WeatherRun]) -> None:
    """Keep runs of weather."""
    keep_days(
        garden,
        [
            WeatherDay(date.fromisoformat(run.from_day) + timedelta(days=index), *figures)
            for run in runs
            for index, figures in enumerate(zip(run.tmin_c, run.tmax_c, run.rain_mm, strict=True))
        ],
    )


def log_plan(garden: Garden) -> list[PlanDip]:
    """What was read of a garden's beds, those in the bin left out, in order."""
    rows = Dip.objects.filter(bed__garden=garden, bed__deleted_at=None).order_by("at", "id")
    read = rows.values_list("bed__key", "at", "level_m")
    return [PlanDip(kind="dip", bed=key, on=at.isoformat(), level_m=level_m) for key, at, level_m in read]


def keep_log(beds: Mapping[str, Bed], entries: Iterable[PlanDip]) -> None:
    """Keep what was read of beds, but for what is kept already. beds: by key."""
    there = set(Dip.objects.filter(bed__in=beds.values()).values_list("bed_id", "at", "level_m"))
    new = [Dip(bed=beds[entry.bed], at=_moment(entry.on), level_m=entry.level_m) for entry in entries]
    Dip.objects.bulk_create(dip for dip in new if (dip.bed_id, dip.at, dip.level_m) not in there)


def _moment(on: str) -> datetime:
    """When something was read; at noon where only its day is told."""
    if len(on) > len("2026-10-17"):
        return datetime.fromisoformat(on)
    return datetime.combine(date.fromisoformat(on), time(12), tzinfo=UTC)


def probes_plan(garden: Garden) -> list[PlanProbe]:
    """The probes in a garden's beds."""
    rows = Probe.objects.filter(bed__garden=garden, bed__deleted_at=None).select_related("bed").order_by("id")
    return [PlanProbe(bed=each.bed.key, **{name: getattr(each, name) for name in PROBE_FIGURES}) for each in rows]


def keep_probes(beds: Mapping[str, Bed], probes: Iterable[PlanProbe]) -> None:
    """Put probes into beds, by key."""
    for probe in probes:
        figures = probe.model_dump(include=set(PROBE_FIGURES))
        Probe.objects.update_or_create(bed=beds[probe.bed], defaults=figures)
