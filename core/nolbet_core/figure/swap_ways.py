"""What could be done otherwise in a garden to pay less: each way as the part of the plan that it changes."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from datetime import date, timedelta

from nolbet_core.built.bed import BuiltBed
from nolbet_core.built.bought import on_hand
from nolbet_core.built.buying import stock_of
from nolbet_core.built.plan import BuiltPlan
from nolbet_core.built.state import as_planned, is_put_off, state_of
from nolbet_core.built.walls import section_of
from nolbet_core.figure.cheapest_mix import OF_A_HUNDRED, Wish, figure_cheapest, with_parts
from nolbet_core.haul.needs import Need
from nolbet_core.plan.bed import Bed, Layer, filled_with
from nolbet_core.plan.garden import Plan
from nolbet_core.plan.mix import PlanMix
from nolbet_core.plan.plot import Course, Plot
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.quantities.units import System
from nolbet_core.quantities.writing import show_length
from nolbet_core.record import record

STEP_M = 0.05
"""By how much less deep a bed is made that has no courses [m]."""
LEAST_DEPTH_M = 0.15
THINNER_SHARE = 0.75
LEAST_PATH_M = 0.05
WOOD_SHARE = 1 / 3
"""How much of a bed's depth own wood below may take [0-1]."""
WORTH_M3 = 0.05
YEAR_DAYS = 365
OWN_BELOW = ("wood",)


@record
class SwapWay:
    """One way to pay less. key: of the way. title: what is done. bed: whose it is, empty for the paths and mixes.

    part: the bed, mix or plot as it would be; of two ways that change the same only one is taken.
    """

    key: str
    title: str
    bed: str
    part: Bed | PlanMix | Plot

    @property
    def place(self) -> str:
        """What it changes; two ways that change the same don't go together."""
        if isinstance(self.part, Plot):
            return "plot"
        return f"{type(self.part).__name__} {self.part.key}"

    def done_to(self, plan: Plan) -> Plan:
        """The plan with it."""
        part = self.part
        if isinstance(part, Plot):
            return plan.model_copy(update={"garden": plan.garden.model_copy(update={"plot": part})})
        if isinstance(part, Bed):
            return plan.model_copy(update={"beds": [part if each.key == part.key else each for each in plan.beds]})
        return plan.model_copy(update={"mixes": [part if each.key == part.key else each for each in plan.mixes]})


def swap_ways(built: BuiltPlan, needs: Sequence[Need], today: date | None) -> Iterator[SwapWay]:
    """Every way to pay less for a plan's haul, whether it does or not. needs: of the plan. today: where it is known."""
    plan = built.plan
    for each in built.beds:
        if state_of(each.bed, today) == "planned" and not is_put_off(each.bed, today):
            yield from _of_bed(each, plan, today)
            yield from _own_below(each, built, needs, today)
    yield from _thinner_paths(plan)
    yield from _cheaper_mixes(built, needs)


def _of_bed(each: BuiltBed, plan: Plan, today: date | None) -> Iterator[SwapWay]:
    """A bed less deep, filled in a way that was set aside, or put off."""
    bed = each.bed
    shallower = _shallower(bed)
    if shallower is not None:
        depth = show_length(getattr(shallower.shape, "depth_m", 0.0), System(plan.garden.units))
        yield SwapWay(f"less_deep {bed.key}", f"{bed.title} {depth} deep", bed.key, shallower)
    for index, aside in enumerate(bed.set_aside):
        title = f"{bed.title} filled as “{aside.name}”"
        yield SwapWay(f"aside {bed.key} {index}", title, bed.key, filled_with(as_planned(bed), aside))
    if today is not None:
        until = today + timedelta(days=YEAR_DAYS)
        later = bed.model_copy(update={"put_off_until": until.isoformat()})
        yield SwapWay(f"put_off {bed.key}", f"{bed.title} put off to next year", bed.key, later)


def _shallower(bed: Bed) -> Bed | None:
    """A bed less deep by a course of its boards, or by 5 cm; None of what has no depth or little."""
    depth_m = getattr(bed.shape, "depth_m", None)
    if not isinstance(depth_m, float) or bed.corner_depths_m is not None:
        return None
    frame = bed.frame
    if frame is None:
        less_m = depth_m - STEP_M
    elif frame.kind == "boards":
        width_m = section_of(frame)[1]
        courses = (frame.courses or round(depth_m / width_m)) - 1
        less_m = courses * width_m
        frame = frame.model_copy(update={"courses": courses}) if frame.courses is not None else frame
    else:
        return None
    if less_m < LEAST_DEPTH_M:
        return None
    shape = bed.shape.model_copy(update={"depth_m": round(less_m, 6)})
    return bed.model_copy(update={"shape": shape, "frame": frame})


def _own_below(each: BuiltBed, built: BuiltPlan, needs: Sequence[Need], today: date | None) -> Iterator[SwapWay]:
    """Wood that lies on hand and nothing asks for, below what a bed is filled with."""
    bed = each.bed
    deep_m = each.vessel.hollow.rim_m - bed.kept_empty_m
    if each.vessel.form != "vessel" or bed.reservoir is not None or not any(layer.fill for layer in bed.layers):
        return
    asked = {need.material: need.loose_m3 for need in needs}
    materials = built.supplies.materials
    for key, lying_m3 in stock_of(on_hand(built.plan, materials), today).items():
        material = materials.get(key)
        spare_m3 = lying_m3 - asked.get(key, 0.0)
        there = any(layer.material == key for layer in bed.layers)
        if material is None or material.group not in OWN_BELOW or spare_m3 < WORTH_M3 or there:
            continue
        thick_m = min(spare_m3 / material.loose_factor / bed.count / each.vessel.top_area_m2, WOOD_SHARE * deep_m)
        wood = Layer(material=key, thickness_m=round(thick_m, 3))
        sheets = next((index for index, layer in enumerate(bed.layers) if layer.fill), 0)
        layers = [*bed.layers[:sheets], wood, *bed.layers[sheets:]]
        title = f"{bed.title} with {material.name.lower()} of your own below"
        yield SwapWay(f"own {bed.key} {key}", title, bed.key, bed.model_copy(update={"layers": layers}))


def _thinner_paths(plan: Plan) -> Iterator[SwapWay]:
    """Paths a quarter thinner."""
    plot = plan.garden.plot
    if plot is None:
        return
    paths = plot.paths and [
        path if path.courses is None else path.model_copy(update={"courses": _thinner(path.courses)})
        for path in plot.paths
    ]
    thinner = plot.model_copy(update={"courses": _thinner(plot.courses), "paths": paths})
    if thinner != plot:
        yield SwapWay("thin_paths", "The paths a quarter thinner", "", thinner)


def _thinner(courses: Sequence[Course]) -> list[Course]:
    made = []
    for course in courses:
        thick_m = course.thickness_m
        if thick_m is None or thick_m * THINNER_SHARE < LEAST_PATH_M:
            made.append(course)
        else:
            made.append(course.model_copy(update={"thickness_m": round(thick_m * THINNER_SHARE, 3)}))
    return made


def _cheaper_mixes(built: BuiltPlan, needs: Sequence[Need]) -> Iterator[SwapWay]:
    """Mixes with bands by the cheapest recipe that keeps them."""
    loose_m3 = sum(need.loose_m3 for need in needs)
    for mix in built.plan.mixes:
        if mix.target is None or loose_m3 <= 0:
            continue
        try:
            found = figure_cheapest(built.plan, Wish(mix, None, loose_m3), built.supplies)
        except PlanProblem:
            continue
        if not found.fits or not found.parts:
            continue
        shares = {part.material: part.parts / OF_A_HUNDRED for part in found.parts}
        cheaper = with_parts(mix, shares)
        title = f"{mix.name or mix.key} by its cheapest recipe"
        yield SwapWay(f"mix {mix.key}", title, "", cheaper)
