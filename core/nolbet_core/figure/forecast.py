"""A bed's coming years: the band of its surface, its springs with their top-ups, and doses of meals."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import date
from decimal import Decimal

import numpy as np
from numpy.typing import NDArray

from nolbet_core.built.buying import suppliers_of
from nolbet_core.built.profiles import beside_draft
from nolbet_core.built.seen import seen_in
from nolbet_core.built.supplies import Supplies
from nolbet_core.built.surroundings import surroundings_of
from nolbet_core.built.topping import top_up_volumes
from nolbet_core.built.worked import WorkedBed, work_bed
from nolbet_core.climate.year import day_after_months
from nolbet_core.draws.inputs import Inputs
from nolbet_core.figure.buying import all_wanted
from nolbet_core.figure.findings import step_figures
from nolbet_core.figure.forecast_figures import DoseFigures, ForecastFigures, SpringFigures, SunkenFigures
from nolbet_core.figure.section_in_month import ghost_figures, sunken_figures
from nolbet_core.findings.feeding import scatter
from nolbet_core.findings.mend import above_pit
from nolbet_core.haul.choose import Chosen, choose
from nolbet_core.haul.needs import NeedSums
from nolbet_core.haul.offers import Supplier
from nolbet_core.nutrients.dose import Dose
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.garden import Plan
from nolbet_core.settling.spread import DRAWS, band_edges
from nolbet_core.settling.surface import surface_heights
from nolbet_core.stack.fill import bulk_standing
from nolbet_core.stack.layers import Bulk
from nolbet_core.sure.drawn_surface import drawn_surface_sums

Sums = NDArray[np.float64]

THIRD_SPRING = 2
FIT_SEED = 20261
"""The same draws of the factors every time."""
MEAL = "meal"


def figure_forecast(plan: Plan, bed: Bed, supplies: Supplies, today: date | None = None) -> ForecastFigures:
    """A bed's coming years. plan: for what its top-ups cost. today: stands in for a day of filling that isn't given.

    Raises PlanProblem where the bed doesn't hold together.
    """
    seen = seen_in(plan.log, supplies.materials)
    around = surroundings_of(plan.garden, today, beside_draft(bed, plan.beds), seen=seen)
    return forecast_of(work_bed(bed, around, supplies), plan, supplies)


def forecast_of(worked: WorkedBed, plan: Plan, supplies: Supplies) -> ForecastFigures:
    """Coming years of a bed that is built and filled. plan: for what its top-ups cost."""
    low, high = surface_band(worked)
    months = worked.spring_months
    springs = _springs(worked, plan, supplies, months, low, high)
    prices = [spring.price for spring in springs]
    whole = None if None in prices else sum((price for price in prices if price is not None), Decimal(0))
    return ForecastFigures(
        low_m=low,
        high_m=high,
        draws=DRAWS,
        springs=springs,
        ghosts=[ghost_figures(worked, months[at]) for at in (0, THIRD_SPRING) if at < len(months)],
        top_up=supplies.materials[worked.bed.top_up].name,
        top_up_loose_m3=sum(spring.loose_m3 for spring in springs),
        top_up_total=whole,
        doses=_doses(worked, supplies),
        climate_said=worked.around.climate_said,
    )


def figure_sunken(plan: Plan, bed: Bed, supplies: Supplies, month: int) -> SunkenFigures:
    """A bed as it lies after some months (0 to 120), to draw. Raises PlanProblem where it doesn't hold together."""
    around = surroundings_of(plan.garden, beside=beside_draft(bed, plan.beds))
    return sunken_figures(work_bed(bed, around, supplies), month)


def surface_band(worked: WorkedBed) -> tuple[list[float], list[float]]:
    """Lower and upper edge of the surface by month [m], from draws over the ranges of the materials' figures."""
    if not worked.filled.layers:
        return worked.settling.surface_m, worked.settling.surface_m
    vessel, filled = worked.whole.vessel, worked.whole.filled
    edges = band_edges(drawn_surface_sums(worked, Inputs(DRAWS)))
    low, high = ((surface_heights(vessel, edge, filled.base_m) - worked.ground_m).tolist() for edge in edges)
    return low, high


def _springs(
    worked: WorkedBed,
    plan: Plan,
    supplies: Supplies,
    months: Sequence[int],
    low: Sequence[float],
    high: Sequence[float],
) -> list[SpringFigures]:
    laid = top_up_volumes(worked, supplies, months)
    suppliers = suppliers_of(plan, supplies.materials)
    springs = []
    for month, volume_m3 in zip(months, laid, strict=True):
        chosen, loose_m3 = _bought(worked, suppliers, supplies, volume_m3)
        springs.append(
            SpringFigures(
                month=month,
                day=day_after_months(worked.built_on, month) if worked.built_on else None,
                surface_m=worked.settling.surface_m[month],
                low_m=low[month],
                high_m=high[month],
                top_up_m3=volume_m3,
                loose_m3=loose_m3,
                bags=sum(line.count or 0 for line in chosen.lines if line.form == "bag") if chosen else 0,
                price=chosen.total if chosen and not chosen.unmet else None,
            )
        )
    return springs


def top_ups_total(worked: WorkedBed, suppliers: Sequence[Supplier], supplies: Supplies) -> Decimal | None:
    """What the top-ups of ten years cost for all beds alike; None where nobody offers them."""
    bought = [
        _bought(worked, suppliers, supplies, volume_m3)[0]
        for volume_m3 in top_up_volumes(worked, supplies, worked.spring_months)
    ]
    if any(each is None or each.unmet for each in bought):
        return None
    return sum((each.total for each in bought if each is not None), Decimal(0))


def _bought(
    worked: WorkedBed, suppliers: Sequence[Supplier], supplies: Supplies, volume_m3: float
) -> tuple[Chosen | None, float]:
    """What one top-up of all beds alike is bought as, and its loose volume [m3]."""
    material = supplies.materials[worked.bed.top_up]
    sums = NeedSums()
    sums.add(worked.bed.count, [bulk_standing(Bulk(material, "volume", volume_m3), (0.0, 0.0), volume_m3, 0.0)])
    needs = sums.less_stock({}, supplies.mixes, supplies.materials)
    loose_m3 = volume_m3 * material.loose_factor * worked.bed.count
    if not suppliers:
        return None, loose_m3
    return choose(all_wanted(needs), suppliers), loose_m3


def _doses(worked: WorkedBed, supplies: Supplies) -> list[DoseFigures]:
    meals = [each for each in supplies.materials.values() if MEAL in each.traits and not each.parts]
    doses = [dose for meal in meals if (dose := worked.feeding.dose(meal)) is not None]
    return [_dose_figures(worked, dose) for dose in doses]


def _dose_figures(worked: WorkedBed, dose: Dose) -> DoseFigures:
    label = dose.material.label or (0.0, 0.0, 0.0)
    mend, pit_layers = scatter(worked.whole, dose), worked.pit_layers
    steps = above_pit(mend.steps, pit_layers) if mend else None
    return DoseFigures(
        material=dose.material.key,
        name=dose.material.name,
        mass_kg=dose.mass_kg,
        cups=dose.cups,
        handfuls=dose.handfuls,
        handful_kg=dose.handful_kg,
        n_kg_m2=dose.n_kg_m2,
        p2o5_kg_m2=dose.p2o5_kg_m2,
        k2o_kg_m2=dose.k2o_kg_m2,
        p_kg_m2=dose.p_kg_m2,
        k_kg_m2=dose.k_kg_m2,
        waits_kg=dose.waits_kg,
        label="-".join(f"{share * 100:g}" for share in label),
        layers=[(index, mass) for index, mass in enumerate(dose.split_kg[pit_layers:]) if mass > 0],
        steps=step_figures(steps or ()),
    )
