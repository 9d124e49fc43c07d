"""What a garden's log comes to: what its beds gave and cost, what was tried, and what that teaches."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from datetime import date
from decimal import Decimal
from typing import Any

from nolbet_core.built.names import name_of
from nolbet_core.built.paid import as_paid
from nolbet_core.built.plan import BuiltPlan
from nolbet_core.built.surroundings import latitude_of, surroundings_of
from nolbet_core.figure.buying_figures import NeedFigures
from nolbet_core.figure.figures import BedFigures, Figures
from nolbet_core.figure.lessons import lessons_of, surfaces_seen
from nolbet_core.figure.season_figures import (
    BedSeasons,
    CropFigures,
    PayBackFigures,
    SaidDifferently,
    SeasonFigures,
)
from nolbet_core.figure.season_line import week_marks
from nolbet_core.figure.season_weather import season_weather
from nolbet_core.figure.set_down import bed_prices, frame_a_year
from nolbet_core.figure.trials import trials_of
from nolbet_core.figure.upkeep_due import upkeep_due
from nolbet_core.figure.walk import figure_plan, garden_works
from nolbet_core.plan.garden import Plan
from nolbet_core.plan.log import HarvestEntry, NoteEntry, Purchase, day_of
from nolbet_core.record import record
from nolbet_core.season.harvests import CropPrice, CropYield, Picked, crop_prices, crop_yields, season_of
from nolbet_core.season.pay_back import PayBack, pay_back

SAW_SECONDS = 1.0
NOTHING = Decimal(0)


def picked_of(entry: HarvestEntry) -> Picked:
    """A harvest as yields are reckoned of it."""
    return Picked(day_of(entry.on), entry.crop, entry.mass_kg, entry.count, entry.worth)


@record
class _Costs:
    """What beds cost. figures: of the garden as if nothing of it stood yet. prices: of each bed."""

    figures: Figures
    prices: dict[str, Decimal]


def figure_season(built: BuiltPlan, today: date) -> SeasonFigures:
    """What a garden's log comes to, as of a day. built: with its weather and its whole log."""
    plan = built.plan
    around = surroundings_of(plan.garden, today)
    southern = (latitude_of(plan.garden) or 0.0) < 0
    harvests = [entry for entry in plan.log if isinstance(entry, HarvestEntry)]
    prices = crop_prices([picked_of(each) for each in harvests])
    costs = _costs(built, today)
    by_bed: dict[str, list[HarvestEntry]] = {}
    for each in harvests:
        by_bed.setdefault(each.bed, []).append(each)
    over = _last_over(today, around.year.first_frost, southern)
    beds = [
        _bed(figures, [picked_of(each) for each in by_bed.get(figures.key, ())], prices, costs, built, over, southern)
        for figures in costs.figures.beds
        if figures.key in by_bed or _is_filled(plan, figures.key, today)
    ]
    works = garden_works(built, today)
    areas = {each.key: each.top_area_m2 * each.count for each in costs.figures.beds}
    titles = {bed.key: bed.title for bed in plan.beds}
    seasons = sorted({season_of(day_of(entry.on), southern) for entry in plan.log}, reverse=True)
    return SeasonFigures(
        beds=beds,
        trials=trials_of(harvests, areas, titles, southern),
        weather=season_weather(plan, seasons, today),
        lessons=lessons_of(built, works, today),
        differently=_differently(plan, titles),
        paid=sum((entry.price for entry in plan.log if isinstance(entry, Purchase) and entry.price), NOTHING),
        worth=sum((each.worth for each in beds), NOTHING),
        seasons=seasons,
        southern=southern,
        marks=week_marks(plan),
        upkeep=upkeep_due(works.asked.beds, plan, today),
        surfaces=surfaces_seen(works.asked.beds, southern),
    )


def _is_filled(plan: Plan, key: str, today: date) -> bool:
    """Whether a bed was filled by a day."""
    bed = next(each for each in plan.beds if each.key == key)
    return bed.state == "filled" or (
        bed.state is None and bed.built_on is not None and date.fromisoformat(bed.built_on) < today
    )


def _costs(built: BuiltPlan, today: date) -> _Costs:
    """What all beds would cost, by what was paid for as much as is known."""
    unbuilt: dict[str, Any] = {"state": "planned", "put_off_until": None, "laid": []}
    beds = [each.bed.model_copy(update=unbuilt) for each in built.beds]
    plan = as_paid(built.plan).model_copy(update={"beds": beds, "log": []})
    anew = replace(
        built,
        plan=plan,
        beds=tuple(replace(each, bed=bed) for each, bed in zip(built.beds, beds, strict=True)),
    )
    figures = figure_plan(anew, today, SAW_SECONDS)
    return _Costs(figures, bed_prices(figures))


def _bed(
    figures: BedFigures, picked: Sequence[Picked], prices: dict[str, CropPrice], costs: _Costs, built: BuiltPlan,
    over: int, southern: bool,
) -> BedSeasons:  # fmt: skip
    area_m2 = figures.top_area_m2 * figures.count
    crops = crop_yields(picked, prices, southern)
    cost = costs.prices.get(figures.key)
    worths = _worths(crops, over)
    paid = pay_back(cost, worths, over) if cost else None
    return BedSeasons(
        bed=figures.key,
        name=figures.name,
        area_m2=area_m2,
        crops=[_crop(each, area_m2) for each in crops],
        worth=sum((each.worth for each in crops), NOTHING),
        cost=cost,
        without=_without(figures.key, costs.figures, built),
        cost_a_year=frame_a_year(cost, figures) if cost else None,
        pay_back=PayBackFigures(paid.earliest, paid.latest, paid.seasons, paid.is_over) if paid else None,
        pay_back_said=_pay_back_said(cost, paid, worths, southern),
    )


def _without(key: str, figures: Figures, built: BuiltPlan) -> list[str]:
    """What a bed needs that nobody offers, by name."""
    bought = {line.material for line in figures.haul.lines} if figures.haul else set()
    return [
        name_of(need.material, built.supplies.materials)
        for need in figures.needs
        if need.material not in bought and _is_bought(need) and any(each.bed == key for each in need.beds)
    ]


def _is_bought(need: NeedFigures) -> bool:
    """Whether something of it is to be bought."""
    return need.to_buy_m3 > 0 or need.area_m2 > 0 or bool(need.lengths) or need.units > 0


def _last_over(today: date, first_frost: tuple[int, int], southern: bool) -> int:
    """The last season that is over: the frost that ends it has come."""
    season = season_of(today, southern)
    ends = date(season + 1 if southern else season, *first_frost)
    return season if today >= ends else season - 1


def _worths(crops: Sequence[CropYield], over: int) -> list[Decimal]:
    """What each season that is over was worth, from the first that anything was picked in; one without, nothing.

    over: the last of them.
    """
    seasons = [each.season for each in crops if each.season <= over]
    if not seasons:
        return []
    return [
        sum((each.worth for each in crops if each.season == season), NOTHING)
        for season in range(min(seasons), over + 1)
    ]


def _crop(each: CropYield, area_m2: float) -> CropFigures:
    return CropFigures(
        each.crop,
        each.season,
        each.times,
        each.mass_kg,
        each.mass_kg / area_m2 if area_m2 > 0 else 0.0,
        each.count,
        each.worth,
        each.unpriced,
    )


def season_name(season: int, southern: bool) -> str:
    """What a season is called."""
    return f"{season}/{(season + 1) % 100:02d}" if southern else str(season)


def _pay_back_said(cost: Decimal | None, paid: PayBack | None, worths: Sequence[Decimal], southern: bool) -> str:
    if cost is None:
        return "What it cost isn't known: nobody offers what it takes."
    if paid is None:
        so_far = "No season is over yet" if not worths else "One season is over"
        return f"{so_far}; when it pays is told from the second on."
    if paid.is_over and paid.earliest is not None:
        return f"It paid in {season_name(paid.earliest, southern)}."
    return f"By {paid.seasons} seasons it {_in_sight(paid, southern)}."


def _in_sight(paid: PayBack, southern: bool) -> str:
    if paid.earliest is None:
        return "doesn't pay in sight"
    early = season_name(paid.earliest, southern)
    if paid.latest is None:
        return f"pays in {early} at the earliest; how late can't be told yet"
    if paid.latest == paid.earliest:
        return f"pays in {early}"
    return f"pays between {early} and {season_name(paid.latest, southern)}"


def _differently(plan: Plan, titles: dict[str, str]) -> list[SaidDifferently]:
    """Notes of what would be done differently, the last first."""
    notes = [entry for entry in plan.log if isinstance(entry, NoteEntry) and entry.differently]
    told = [
        SaidDifferently(each.bed or "", titles.get(each.bed or "", ""), day_of(each.on), each.text) for each in notes
    ]
    return sorted(told, key=lambda each: each.on, reverse=True)
