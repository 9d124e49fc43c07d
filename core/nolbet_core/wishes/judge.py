"""A candidate judged by the same rules as any bed: what it costs now and over ten years, and what comes of it."""

from __future__ import annotations

from collections import Counter
from dataclasses import replace
from datetime import date
from decimal import Decimal

from nolbet_core.built.bed import build_bed
from nolbet_core.built.buying import stock_of, suppliers_of
from nolbet_core.built.names import name_of
from nolbet_core.built.sources import boards_in, sources_of
from nolbet_core.built.supplies import Supplies
from nolbet_core.built.surroundings import surroundings_of
from nolbet_core.built.worked import WorkedBed, worked_bed
from nolbet_core.cuts.on_hand import fits_on_hand
from nolbet_core.cuts.stock import SAME_M, CutWish, Length, Saw
from nolbet_core.figure.buying import chosen_haul, haul_figures
from nolbet_core.figure.cuts import board_lines, cuts_figures
from nolbet_core.figure.forecast import top_ups_total
from nolbet_core.figure.garden_works import GardenWorks, WorksAsked
from nolbet_core.figure.spring import add_bed
from nolbet_core.haul.choose import Chosen
from nolbet_core.haul.lengths import BoardSection, lengths_offered
from nolbet_core.haul.needs import Need, NeedSums
from nolbet_core.haul.offers import Line
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.garden import Plan
from nolbet_core.plan.planting import BedCrop
from nolbet_core.plan.wishes import Wishes
from nolbet_core.plan.works import Works
from nolbet_core.record import record
from nolbet_core.wishes.candidates import Candidate
from nolbet_core.wishes.limits import Short
from nolbet_core.works.rates import paces_of

SAW_SECONDS = 0.05
"""As long as a candidate's boards may be fitted on those there are [s]; its works are counted by what that finds."""

THIRD_YEAR = 36


@record
class Judged:
    """A candidate as it would be. money: for all beds, what nobody offers left out; money_ten_years: with its top-ups.
    hours: of one person. sinks_m: in three years. first_sowing: None where that isn't known. short: what stands in its
    way, nothing where it can be built.
    """

    candidate: Candidate
    bed: Bed
    money: Decimal
    money_ten_years: Decimal
    hours: float
    sinks_m: float
    first_sowing: date | None
    area_m2: float
    short: tuple[Short, ...]

    @property
    def costs(self) -> tuple[float, ...]:
        """What it is held against others by: money now, over ten years, hours, sinking, first sowing, area; less is
        better of each.
        """
        money, later = float(self.money), float(self.money_ten_years)
        return money, later, self.hours, self.sinks_m, _sown(self.first_sowing), -self.area_m2


@record
class Begun:
    """A candidate as far as what it costs now, how it sinks and when it is sown; its hours and top-ups not yet.

    woods: those of its boards that nobody offers, though some offer other things, and too few lie there.
    """

    candidate: Candidate
    bed: Bed
    worked: WorkedBed
    needs: tuple[Need, ...]
    chosen: Chosen | None
    woods: tuple[str, ...]
    sinks_m: float
    first_sowing: date | None

    @property
    def money(self) -> Decimal:
        """What all of it costs now, what nobody offers left out."""
        return self.chosen.total if self.chosen else Decimal(0)

    def least_costs(self, hours: float) -> tuple[float, ...]:
        """What it is held against others by, at least: without top-ups. hours: that it takes at least."""
        money = float(self.money)
        area_m2 = self.worked.vessel.top_area_m2 * self.bed.count
        return money, money, hours, self.sinks_m, _sown(self.first_sowing), -area_m2


class Judge:
    """Judges candidates for a garden. plan: of it, whose beds, plot and stock take no part. today: the day it is."""

    def __init__(self, plan: Plan, wishes: Wishes, supplies: Supplies, today: date | None) -> None:
        helpers = wishes.have.helpers
        works = (plan.garden.works or Works()).model_copy(update={"helpers": helpers, "steps": [], "own": []})
        head = plan.garden.model_copy(update={"plot": None, "works": works})
        self.plan = plan.model_copy(
            update={"garden": head, "beds": [], "stock": wishes.have.stock, "fixed": [], "log": [], "weather": []}
        )
        self._wishes, self._supplies, self._today = wishes, supplies, today
        self._materials = supplies.materials
        self.around = surroundings_of(head, today, sources=sources_of(self.plan, self._materials), crops=supplies.crops)
        self.suppliers = suppliers_of(self.plan, self._materials)
        self._cut: dict[tuple[object, ...], tuple[list[Line], list[str]]] = {}
        self.paces = paces_of(works, {})
        self._hours_a_day = works.worked_hours * (1 + helpers)

    def judged(self, candidate: Candidate, bed: Bed) -> Judged | None:
        """A candidate as it would be; None where it doesn't hold together as a bed."""
        begun = self.begun(candidate, bed)
        return None if begun is None else self.finished(begun)

    def begun(self, candidate: Candidate, bed: Bed) -> Begun | None:
        """A candidate as far as what it costs now; None where it doesn't hold together as a bed."""
        bed = bed.model_copy(update={"crops": [_crop(key) for key in self._wishes.want.crops]})
        built = build_bed(bed, self._materials)
        if built.value is None:
            return None
        worked = worked_bed(built.value, self.around, self._materials)
        sums = NeedSums()
        add_bed(sums, worked)
        needs = sums.less_stock(stock_of(self.plan.stock, self._today), self._supplies.mixes, self._materials)
        lines, unpriced = self._boards(candidate, worked)
        surface = worked.settling.surface_m
        return Begun(
            candidate=candidate,
            bed=bed,
            worked=worked,
            needs=needs,
            chosen=chosen_haul(needs, self.suppliers, lines, unpriced),
            woods=tuple(unpriced) if self.suppliers else (),
            sinks_m=surface[0] - surface[THIRD_YEAR] if surface else 0.0,
            first_sowing=min((each.from_day for each in worked.sowing.ready.sowings if each.from_day), default=None),
        )

    def finished(self, begun: Begun) -> Judged:
        """The same with its hours, its top-ups, and what stands in its way."""
        chosen, needs, worked = begun.chosen, begun.needs, begun.worked
        haul = haul_figures(chosen, needs, self.suppliers, self._materials) if chosen else None
        works = GardenWorks(WorksAsked(self.plan, self.around, self._materials, [worked], None, needs, haul, {}), None)
        later = top_ups_total(worked, self.suppliers, self._supplies) or Decimal(0)
        lacking = (*begun.woods, *(chosen.unmet if chosen else ()))
        unmet = tuple(name_of(key, self._materials) for key in lacking)
        found = Judged(
            candidate=begun.candidate,
            bed=begun.bed,
            money=begun.money,
            money_ten_years=begun.money + later,
            hours=sum(each.usual_hours for each in works.made),
            sinks_m=begun.sinks_m,
            first_sowing=begun.first_sowing,
            area_m2=worked.vessel.top_area_m2 * begun.bed.count,
            short=(),
        )
        return replace(found, short=tuple(self._short(found, worked, unmet)))

    def _boards(self, candidate: Candidate, worked: WorkedBed) -> tuple[list[Line], list[str]]:
        """Boards to buy for its frames, and woods that nobody offers; those alike outside are cut once."""
        told = candidate.section, candidate.length_m, candidate.width_m, candidate.courses, candidate.count
        if told not in self._cut:
            self._cut[told] = self._cut_for(worked)
        return self._cut[told]

    def _cut_for(self, worked: WorkedBed) -> tuple[list[Line], list[str]]:
        asked = _pieces_of(worked)
        if all(self._lie_there(section, pieces) for section, pieces in asked.items()):
            return [], []
        if not any(lengths_offered(section, self.suppliers) for section in asked):
            lacking = [section[0] for section, pieces in asked.items() if self._are_too_few(section, pieces)]
            if lacking:
                return [], lacking
        cuts = cuts_figures([worked], self.plan, self.suppliers, SAW_SECONDS)
        return (board_lines(cuts, self.suppliers), [each.material for each in cuts.unpriced]) if cuts else ([], [])

    def _lie_there(self, section: BoardSection, pieces: Counter[float]) -> bool:
        """Whether all pieces come out of the boards on hand, so that none is bought."""
        cutting = self.plan.cutting
        lying = [
            Length(each.length_m or 0.0, count=each.count or 1, usable_m=each.usable_m)
            for each in boards_in(section, self.plan.stock)
        ]
        wishes = [CutWish(length_m, count) for length_m, count in pieces.items()]
        return fits_on_hand(wishes, lying, Saw(cutting.kerf_m, cutting.give_m))

    def _are_too_few(self, section: BoardSection, pieces: Counter[float]) -> bool:
        """Whether the boards on hand are shorter together than the pieces, however they are cut."""
        lying_m = sum((each.length_m or 0.0) * (each.count or 1) for each in boards_in(section, self.plan.stock))
        return sum(length_m * count for length_m, count in pieces.items()) > lying_m + SAME_M

    def _short(self, found: Judged, worked: WorkedBed, unmet: tuple[str, ...]) -> list[Short]:
        have, want, may = self._wishes.have, self._wishes.want, self._wishes.may
        short: list[Short] = []
        if have.money is not None and found.money > have.money:
            short.append(Short("money", float(have.money), float(found.money)))
        if have.days is not None and found.hours > have.days * self._hours_a_day:
            short.append(Short("days", have.days, found.hours / self._hours_a_day))
        pressure = worked.standing_kg / worked.vessel.footprint_m2
        if may.limit_kg_m2 is not None and pressure > may.limit_kg_m2:
            short.append(Short("load", may.limit_kg_m2, pressure))
        rim_m = worked.vessel.hollow.rim_m
        if may.height_m is not None and worked.bed.frame is not None and rim_m > may.height_m + 1e-9:
            short.append(Short("height", may.height_m, rim_m))
        if want.sow_on is not None and found.first_sowing is not None:
            wanted = date.fromisoformat(want.sow_on)
            if found.first_sowing > wanted:
                short.append(Short("sow_on", wanted.toordinal(), found.first_sowing.toordinal()))
        wrong = tuple(each.grown.crop.name for each in worked.suits if each.stops)
        if wrong:
            short.append(Short("crops", 0.0, len(wrong), wrong))
        if unmet:
            short.append(Short("offered", 0.0, len(unmet), unmet))
        return short


def _pieces_of(worked: WorkedBed) -> dict[BoardSection, Counter[float]]:
    """What the frames of a bed and those alike are cut into: lengths [m] with how many of each, by section."""
    asked: dict[BoardSection, Counter[float]] = {}
    for piece in worked.framed.pieces if worked.framed else ():
        section = (piece.material, piece.thickness_m, piece.width_m)
        asked.setdefault(section, Counter())[piece.length_m] += piece.count * worked.bed.count
    return asked


def _sown(first_sowing: date | None) -> float:
    """The first sowing as a number of the calendar, the last there is where it isn't known."""
    return float((first_sowing or date.max).toordinal())


def _crop(key: str) -> BedCrop:
    return BedCrop(crop=key)
