"""What the log teaches against what was reckoned with: how beds sink, what plants drink, the own pace, prices."""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from datetime import UTC, date, datetime
from decimal import Decimal

import numpy as np

from nolbet_core.built.bought import used_up
from nolbet_core.built.names import name_of
from nolbet_core.built.paid import paid_offers
from nolbet_core.built.plan import BuiltPlan
from nolbet_core.built.profiles import in_profiles
from nolbet_core.built.seen import seen_in
from nolbet_core.built.surroundings import surroundings_of
from nolbet_core.built.worked import LAST_MONTH, WorkedBed, worked_bed
from nolbet_core.climate.year import day_after_months
from nolbet_core.figure.fitted import fitted_figures
from nolbet_core.figure.forecast import surface_band
from nolbet_core.figure.garden_works import GardenWorks
from nolbet_core.figure.reservoir_readings import dips_figures
from nolbet_core.figure.season_figures import Lesson, PriceLesson, SinkingLesson, SurfaceSeen
from nolbet_core.figure.season_weather import known_weather
from nolbet_core.plan.garden import Plan
from nolbet_core.plan.log import Dip
from nolbet_core.plan.offers import OfferModel
from nolbet_core.plan.works import WorkKind
from nolbet_core.quantities.units import System
from nolbet_core.quantities.writing import show_length, show_money, show_unit_price, show_volume
from nolbet_core.season.harvests import season_of

SAME = Decimal("0.01")
"""Prices nearer than this share are the same."""
SAME_PACE = 0.05
SAME_LOOSE = 0.02
LEAST_LOOSE, MOST_LOOSE = 0.8, 4.0
"""Outside of these something else was filled in, or not all of it was."""
WORK_SAID: dict[WorkKind, str] = {
    "care": "Checking and caring",
    "digging": "Digging",
    "moving": "Shovelling and barrowing",
    "cutting": "Cutting",
    "fastening": "Putting together",
    "sheets": "Laying sheets",
    "walling": "Walling",
    "mixing": "Mixing",
    "planting": "Planting",
}


def lessons_of(built: BuiltPlan, works: GardenWorks, today: date) -> list[Lesson]:
    """What a garden's log teaches, by what it is about. works: of the garden."""
    return [
        *_sinking(built, today),
        *_thirst(built),
        *_pace(works),
        *_prices(built),
        *_looseness(built, works.asked.beds),
    ]


def _sinking(built: BuiltPlan, today: date) -> Iterator[Lesson]:
    plan, materials = built.plan, built.supplies.materials
    seen = seen_in(plan.log, materials)
    around = surroundings_of(plan.garden, today, in_profiles(plan.beds), seen=seen)
    unread = surroundings_of(plan.garden, today, in_profiles(plan.beds))
    said = plan.garden.sinking
    for each in built.beds:
        if each.bed.key not in seen:
            continue
        worked = worked_bed(each, around, materials)
        fitted = fitted_figures(worked)
        if fitted is None:
            continue
        told = f"{each.bed.title}. {fitted.told} {_next_spring(worked, worked_bed(each, unread, materials))}"
        taken = said is not None and said.bed == each.bed.key and said.readings == fitted.readings
        yield Lesson(
            f"sinking.{each.bed.key}", "sinking", each.bed.key, told.rstrip(), fitted.readings,
            SinkingLesson(fitted.settling_factor, fitted.decay_factor), None, taken,
        )  # fmt: skip


def surfaces_seen(beds: Iterable[WorkedBed], southern: bool) -> list[SurfaceSeen]:
    """The last reading of each bed's surface in each season, the last season first. beds: with their readings."""
    seen: dict[tuple[int, str], SurfaceSeen] = {}
    for worked in beds:
        forecast_m = worked.forecast_alone.surface_m
        for reading in worked.read_surfaces:
            if worked.built_on is None or reading.months > LAST_MONTH:
                continue
            on = day_after_months(worked.built_on, reading.months)
            season = season_of(on, southern)
            usual_m = float(np.interp(reading.months, range(LAST_MONTH + 1), forecast_m))
            seen[season, worked.bed.key] = SurfaceSeen(
                worked.bed.key, worked.bed.title, season, on, reading.height_m, usual_m, forecast_m[0]
            )
    return sorted(seen.values(), key=lambda each: (-each.season, each.name))


def _next_spring(worked: WorkedBed, unread: WorkedBed) -> str:
    """How high a bed stands next spring, with its readings and without."""
    if not worked.spring_months:
        return ""
    month = worked.spring_months[0]
    bands = [tuple(edge[month] for edge in surface_band(each)) for each in (worked, unread)]
    read, usual = (f"{show_length(low, worked.system)} to {show_length(high, worked.system)}" for low, high in bands)
    return f"Next spring it stands {read} over its floor; without readings it was {usual}."


def _thirst(built: BuiltPlan) -> Iterator[Lesson]:
    dips: dict[str, list[tuple[datetime, float]]] = {}
    for entry in built.plan.log:
        if isinstance(entry, Dip):
            at = datetime.fromisoformat(entry.on)
            dips.setdefault(entry.bed, []).append((at if at.tzinfo else at.replace(tzinfo=UTC), entry.level_m))
    known = known_weather(built.plan)
    for bed in built.plan.beds:
        if bed.reservoir is None or len(dips.get(bed.key, ())) < 2:
            continue
        told = dips_figures(bed, built.plan.garden, built.supplies, known, dips[bed.key])
        yield Lesson(
            f"thirst.{bed.key}", "thirst", bed.key, f"{bed.title}. {told.message}", told.stretches, None, None, False
        )  # fmt: skip


def _pace(works: GardenWorks) -> Iterator[Lesson]:
    for pace in works.paces.values():
        if pace.steps and abs(pace.factor - 1) >= SAME_PACE:
            steps = "1 step" if pace.steps == 1 else f"{pace.steps} steps"
            told = f"{WORK_SAID[pace.work]} takes {pace.factor:.1f} times as long as usual, by {steps}."
            yield Lesson(f"pace.{pace.work}", "pace", "", told, pace.steps, None, None, True)


def _prices(built: BuiltPlan) -> Iterator[Lesson]:
    plan = built.plan
    names = {each.key: each.name or each.key for each in plan.suppliers}
    for each in paid_offers(plan):
        if abs(each.paid - each.said) <= abs(each.said) * SAME:
            continue
        what = name_of(each.offer.material, built.supplies.materials)
        paid, said = (_price_said(each.offer, amount, plan) for amount in (each.paid, each.said))
        told = f"{what} from {names[each.supplier]} came to {paid} when it was bought last; its offer says {said}."
        yield Lesson(
            f"price.{each.supplier}.{each.place}", "price", "", told, each.purchases, None,
            PriceLesson(each.supplier, each.place, each.paid, each.on), False,
        )  # fmt: skip


def _looseness(built: BuiltPlan, beds: Iterable[WorkedBed]) -> Iterator[Lesson]:
    """How much more room things take as bought than laid: what was used up against the layers that it filled."""
    materials, said = built.supplies.materials, System(built.plan.garden.units)
    laid_m3: dict[str, float] = {}
    for worked in beds:
        if worked.state == "filled":
            for layer in worked.filled.layers:
                laid_m3[layer.material.key] = laid_m3.get(layer.material.key, 0.0) + layer.placed_m3 * worked.bed.count
    own_heaps = {heap.material for heap in built.plan.stock}
    for key, (loose_m3, purchases) in used_up(built.plan, materials).items():
        placed_m3 = laid_m3.get(key, 0.0)
        if placed_m3 <= 0 or key in own_heaps:
            continue
        factor, usual = loose_m3 / placed_m3, materials[key].loose_factor
        if not LEAST_LOOSE <= factor <= MOST_LOOSE or abs(factor / usual - 1) < SAME_LOOSE:
            continue
        told = (
            f"{materials[key].name}: {show_volume(loose_m3, said)} as bought came to {show_volume(placed_m3, said)} "
            f"once laid, {factor:.2f} to one; {usual:.2f} is reckoned with. If all of it went in, change that on the "
            f"Shelf."
        )
        yield Lesson(f"loose_factor.{key}", "loose_factor", "", told, purchases, None, None, False)


def _price_said(offer: OfferModel, price: Decimal, plan: Plan) -> str:
    if offer.form == "bulk":
        return show_unit_price(price, System(plan.garden.units), plan.garden.currency)
    return f"{show_money(price, plan.garden.currency)} a {offer.form}"
