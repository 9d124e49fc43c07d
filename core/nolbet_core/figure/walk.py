"""The one door to the rules: a plan in, its figures out. Pure, and quick enough to think with."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from datetime import date

from nolbet_core.built.bed import build_bed
from nolbet_core.built.bought import less_bought, parts_bought
from nolbet_core.built.buying import coming_of, fixed_of, suppliers_of
from nolbet_core.built.ground import placed_beds
from nolbet_core.built.lined import lies_somewhere
from nolbet_core.built.plan import BuiltPlan
from nolbet_core.built.profiles import beside_draft, in_profiles
from nolbet_core.built.seen import seen_in
from nolbet_core.built.sources import sources_of
from nolbet_core.built.supplies import Supplies
from nolbet_core.built.surroundings import Surroundings, surroundings_of
from nolbet_core.built.worked import WorkedBed, work_bed, worked_bed
from nolbet_core.cuts.programme import SECONDS
from nolbet_core.draws.inputs import Inputs
from nolbet_core.figure.beds import bed_figures
from nolbet_core.figure.beside_haul import told_beside
from nolbet_core.figure.best_haul import Asked, FiguresWatch, best_figures, cheapest_figures
from nolbet_core.figure.buying import chosen_haul, haul_figures, need_figures
from nolbet_core.figure.buying_figures import HaulFigures
from nolbet_core.figure.cover_and_lines import zone_figures
from nolbet_core.figure.cuts import board_lines, cuts_figures, short_sections
from nolbet_core.figure.figures import BedFigures, Figures
from nolbet_core.figure.finding_figures import FindingFigures
from nolbet_core.figure.findings import bought_keys, gravest_first, judged_buying
from nolbet_core.figure.frame_figures import CutsFigures
from nolbet_core.figure.garden_works import GardenWorks, WorksAsked
from nolbet_core.figure.needed import needed_by
from nolbet_core.figure.planting_figures import LedZone
from nolbet_core.figure.plot import (
    Laid,
    findings_of_bed,
    found_in_place,
    laid_plot,
    place_findings,
    plot_figures,
)
from nolbet_core.figure.plot_align import AlignWish, aligned_figures
from nolbet_core.figure.plot_figures import PlotFigures, RoomFigures, RowsFigures, SpotFigures
from nolbet_core.figure.plot_room import room_figures, rows_figures
from nolbet_core.figure.setting_out import SettingOut, setting_out_figures
from nolbet_core.figure.sowing_calendar import SowingDay, sowing_calendar
from nolbet_core.figure.spring import spring_order
from nolbet_core.figure.ways import Ways, straight_from_drop, ways_figures
from nolbet_core.figure.works import works_figures
from nolbet_core.figure.works_figures import WorksFigures
from nolbet_core.findings.buying import BoughtForBed
from nolbet_core.haul.choose import Chosen
from nolbet_core.haul.needs import Need
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.garden import Plan
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.record import record
from nolbet_core.shapes.hollow import Point
from nolbet_core.sure.drawn_needs import drawn_for_haul


@record
class _Figured:
    worked: WorkedBed
    figures: BedFigures
    bought_keys: frozenset[str]


@record
class _ToGet:
    """What a plan's beds are and need. asked: what of that is still to be got."""

    figured: list[_Figured]
    laid: Laid | None
    needs: tuple[Need, ...]
    cuts: CutsFigures | None
    asked: Asked
    zones: list[LedZone]


def figure_bed(bed: Bed, around: Surroundings, supplies: Supplies, path: str = "bed") -> BedFigures:
    """Figures of one bed, needs and buying left out: what a draft asks for while a boundary is dragged.

    around: what the beds of its garden share. supplies: what layers may name. path: how the bed is called in an error.

    Raises PlanProblem where the bed doesn't hold together.
    """
    return bed_figures(work_bed(bed, around, supplies, path))


def figure_plan(
    built: BuiltPlan,
    today: date | None = None,
    seconds: float | None = None,
    haul_seconds: float | None = None,
    watch: FiguresWatch | None = None,
) -> Figures:
    """Figures of a whole plan as built: every bed, the plot, the needs of all, and the haul.

    today: stands in for days of filling that aren't given. seconds: as long as cutting the frames' boards may take [s];
    where it isn't given they are neither cut nor bought. haul_seconds: as long as the cheapest haul may be looked for
    [s]; else each thing comes from its cheapest offer. watch: looks on at that, and may end it sooner.
    """
    return _figured(_to_get(built, around_of(built, today), seconds), built, today, haul_seconds, watch)


def figure_whole(
    built: BuiltPlan, today: date | None = None, seconds: float | None = None, haul_seconds: float | None = None
) -> Figures:
    """Figures of a whole plan with its works. today, seconds, haul_seconds: as in figure_plan.

    Raises PlanProblem where steps of its works wait for each other.
    """
    got = _to_get(built, around_of(built, today), seconds)
    figures = _figured(got, built, today, haul_seconds)
    works = _works(got, built, today, figures.haul)
    told = works_figures(works)
    beds = [replace(bed, findings=_with_works(bed, told)) for bed in figures.beds]
    return replace(figures, beds=beds, works=told)


def _chosen(asked: Asked) -> Chosen | None:
    return chosen_haul(asked.needs, asked.suppliers, asked.boards, asked.unpriced, asked.short)


def figure_works(built: BuiltPlan, today: date | None = None) -> WorksFigures:
    """The works of a plan: its steps on days. today: as in figure_plan.

    Raises PlanProblem where steps wait for each other.
    """
    return works_figures(garden_works(built, today))


def garden_works(built: BuiltPlan, today: date | None = None) -> GardenWorks:
    """The works of a plan, each part worked out when it is asked for. today: as in figure_plan."""
    got = _to_get(built, around_of(built, today), None)
    chosen = _chosen(got.asked)
    haul = haul_figures(chosen, got.asked.needs, got.asked.suppliers, built.supplies.materials) if chosen else None
    return _works(got, built, today, haul)


def _works(got: _ToGet, built: BuiltPlan, today: date | None, haul: HaulFigures | None) -> GardenWorks:
    around = got.figured[0].worked.around if got.figured else surroundings_of(built.plan.garden, today)
    ways = straight_from_drop(around, built.beds)
    worked = [each.worked for each in got.figured]
    asked = WorksAsked(built.plan, around, built.supplies.materials, worked, got.laid, got.asked.needs, haul, ways)
    return GardenWorks(asked, today)


def _with_works(bed: BedFigures, works: WorksFigures) -> list[FindingFigures]:
    """A bed's findings with those of the works that are about it."""
    return gravest_first([*bed.findings, *(each.finding for each in works.findings if bed.key in each.beds)])


def _figured(
    got: _ToGet, built: BuiltPlan, today: date | None, haul_seconds: float | None, watch: FiguresWatch | None = None
) -> Figures:
    plan, supplies = built.plan, built.supplies
    chosen = _chosen(got.asked)
    if haul_seconds is not None:
        haul = best_figures(got.asked, supplies.materials, haul_seconds, watch)
    else:
        haul = haul_figures(chosen, got.asked.needs, got.asked.suppliers, supplies.materials) if chosen else None
    titles, coming = _titles(plan), coming_of(plan, today)
    return Figures(
        beds=[_with_others(each, got.laid, chosen, supplies) for each in got.figured],
        plot=_plot(got.laid, got.figured),
        needs=[need_figures(need, supplies.materials, titles, coming.get(need.material, ())) for need in got.needs],
        haul=told_beside(haul, plan, supplies.materials) if haul else None,
        spring=spring_order([each.worked for each in got.figured], got.needs, plan, supplies),
        cuts=got.cuts,
        zones=got.zones,
    )


def figure_cheapest_haul(
    built: BuiltPlan, today: date | None, saw_seconds: float, haul_seconds: float
) -> tuple[list[BedFigures], HaulFigures | None]:
    """Beds and the cheapest haul alone, without what stands beside either: what a change of the plan is held against.

    today, saw_seconds, haul_seconds: as in figure_plan.
    """
    got = _to_get(built, around_of(built, today), saw_seconds)
    haul = cheapest_figures(got.asked, built.supplies.materials, haul_seconds)
    told = told_beside(haul, built.plan, built.supplies.materials) if haul else None
    return [each.figures for each in got.figured], told


def needs_of(built: BuiltPlan, today: date | None) -> tuple[Need, ...]:
    """What a plan's beds and paths need. today: as in figure_plan."""
    return _to_get(built, around_of(built, today), None).needs


def _to_get(built: BuiltPlan, around: Surroundings, saw_seconds: float | None) -> _ToGet:
    """What a plan's beds are, what they need, and what of that is still to be got.

    around: what the beds share. saw_seconds: as in figure_plan.
    """
    plan, supplies = built.plan, built.supplies
    figured, laid, needs, zones = _beds_and_needs(built, around)
    suppliers = suppliers_of(plan, supplies.materials)
    worked = [each.worked for each in figured]
    cuts = cuts_figures(worked, plan, suppliers, saw_seconds) if saw_seconds else None
    asked = Asked(
        needs=less_bought(needs, parts_bought(plan)),
        suppliers=suppliers,
        boards=board_lines(cuts, suppliers) if cuts else [],
        unpriced=[each.material for each in cuts.unpriced] if cuts else [],
        short=[material for material, _, _ in short_sections(cuts, suppliers)] if cuts else [],
        fixed=fixed_of(plan),
        drawn=lambda: drawn_for_haul(needs, worked, supplies.materials, suppliers, Inputs()),
        certainty=plan.certainty,
    )
    return _ToGet(figured, laid, needs, cuts, asked, zones)


def figure_sowing(built: BuiltPlan, today: date | None = None) -> list[SowingDay]:
    """The whole garden's sowing calendar. today: as in figure_plan."""
    around = around_of(built, today)
    return sowing_calendar(worked_bed(each, around, built.supplies.materials) for each in built.beds)


def around_of(built: BuiltPlan, today: date | None) -> Surroundings:
    """What the beds of a whole plan share, its log read."""
    plan, supplies = built.plan, built.supplies
    return surroundings_of(
        plan.garden,
        today,
        in_profiles(plan.beds),
        sources_of(plan, supplies.materials),
        seen_in(plan.log, supplies.materials),
        supplies.crops,
    )


def figure_cuts(built: BuiltPlan, today: date | None = None, seconds: float = SECONDS) -> CutsFigures | None:
    """How the boards of a plan's frames are cut; None where there are none. today: as in figure_plan. seconds: as long
    as it may take [s].
    """
    plan, supplies = built.plan, built.supplies
    around = surroundings_of(plan.garden, today, in_profiles(plan.beds), sources_of(plan, supplies.materials))
    framed = [worked_bed(each, around, supplies.materials) for each in built.beds if each.bed.frame is not None]
    return cuts_figures(framed, plan, suppliers_of(plan, supplies.materials), seconds)


def figure_alone(bed: Bed, plan: Plan, supplies: Supplies, today: date | None = None) -> Figures:
    """Figures of one bed with its needs and haul, as if the garden bought for no other bed and no path.

    Its amounts are those of the whole garden's figures: paths that lead through it and a pit below it count.
    plan: of its garden. today: as in figure_plan. Raises PlanProblem where the bed doesn't hold together.
    """
    built = build_bed(bed, supplies.materials).holding()
    garden = BuiltPlan(plan, supplies, ())
    around = replace(around_of(garden, today).without_plot(), beside=beside_draft(bed, plan.beds))
    alone = BuiltPlan(plan.model_copy(update={"beds": [bed]}), supplies, (built,))
    return _figured(_to_get(alone, around, None), alone, today, None)


def figure_beds(built: BuiltPlan) -> Figures:
    """Figures of every bed, the plot and the needs, without the haul."""
    plan = built.plan
    around = surroundings_of(
        plan.garden, beside=in_profiles(plan.beds), sources=sources_of(plan, built.supplies.materials)
    )
    figured, laid, needs, zones = _beds_and_needs(built, around)
    return Figures(
        beds=[each.figures for each in figured],
        plot=_plot(laid, figured),
        needs=[need_figures(need, built.supplies.materials, _titles(built.plan)) for need in needs],
        haul=None,
        spring=None,
        zones=zones,
    )


def figure_plot(built: BuiltPlan) -> PlotFigures:
    """Figures of a plan's plot alone: what a bed that is dragged over it asks for.

    Raises PlanProblem where the plan has no plot.
    """
    around = surroundings_of(built.plan.garden, beside=in_profiles(built.plan.beds))
    _measured(around)
    materials = built.supplies.materials
    worked = [worked_bed(each, around, materials) for each in built.beds if lies_somewhere(each.bed)]
    laid = laid_plot(around, worked, materials)
    return plot_figures(laid, [each for bed in worked for each in found_in_place(bed)])


def figure_room(built: BuiltPlan, length_m: float, width_m: float) -> RoomFigures:
    """How many more beds of an outer size [m] the plot takes beside those that lie on it.

    Raises PlanProblem where the plan has no plot.
    """
    around = surroundings_of(built.plan.garden)
    _measured(around)
    placed = [place for each in built.beds for place in placed_beds(each.bed, each.vessel)]
    return room_figures(around, placed, length_m, width_m)


def figure_rows(
    built: BuiltPlan,
    keys: Sequence[str],
    in_a_row: int | None,
    aisle_m: float | None,
    within_m: tuple[Point, Point] | None = None,
) -> RowsFigures:
    """Beds that lie nowhere yet, laid out in rows. keys: which. in_a_row, aisle_m [m], within_m [m]: as in
    `rows_figures`.

    Raises PlanProblem where the plan has no plot.
    """
    around = surroundings_of(built.plan.garden)
    _measured(around)
    return rows_figures(around, built.beds, keys, in_a_row, aisle_m, within_m)


def figure_setting_out(built: BuiltPlan) -> SettingOut:
    """How a garden's plot is set out with two tapes; nothing where the ground isn't measured."""
    return setting_out_figures(surroundings_of(built.plan.garden), built.beds)


def figure_ways(built: BuiltPlan) -> Ways:
    """How far it is to each bed from the gates and from where loads are dropped."""
    return ways_figures(surroundings_of(built.plan.garden), built.beds)


def figure_aligned(built: BuiltPlan, wish: AlignWish) -> SpotFigures:
    """Where a bed comes to lie in line with another, along a line, or mirrored.

    Raises PlanProblem where what is wished isn't there, or doesn't go together.
    """
    return aligned_figures(surroundings_of(built.plan.garden), built.beds, wish)


def _measured(around: Surroundings) -> None:
    if around.plot is None:
        raise PlanProblem("garden.plot", "the ground has to be measured first")


def _beds_and_needs(
    built: BuiltPlan, around: Surroundings
) -> tuple[list[_Figured], Laid | None, tuple[Need, ...], list[LedZone]]:
    needed = needed_by(built, around)
    figured = [_figured_bed(each, built.supplies) for each in needed.beds]
    given = [each.figures.given_l_week for each in figured]
    return figured, needed.laid, needed.needs, zone_figures(needed.zones, needed.beds, given)


def _figured_bed(worked: WorkedBed, supplies: Supplies) -> _Figured:
    layers = (*worked.filled.layers, *(worked.water.parts if worked.water else ()))
    return _Figured(worked, bed_figures(worked), bought_keys(layers, supplies.mixes))


def _titles(plan: Plan) -> dict[str, str]:
    return {bed.key: bed.title for bed in plan.beds}


def _plot(laid: Laid | None, figured: Sequence[_Figured]) -> PlotFigures | None:
    if laid is None:
        return None
    placed = [each for each in figured if lies_somewhere(each.worked.bed)]
    own = [found for each in placed for found in place_findings(each.worked.bed.key, each.figures.findings)]
    return plot_figures(laid, own)


def _with_others(each: _Figured, laid: Laid | None, chosen: Chosen | None, supplies: Supplies) -> BedFigures:
    """A bed's figures with the findings that rest on other beds and on what is bought."""
    bed = each.worked.bed
    others: list[FindingFigures] = []
    if laid is not None:
        others += findings_of_bed(laid, bed)
    if chosen is not None:
        bought = BoughtForBed(each.bought_keys, chosen, supplies.materials, each.worked.system)
        others += judged_buying(bed, bought)
    if not others:
        return each.figures
    return replace(each.figures, findings=gravest_first([*each.figures.findings, *others]))
