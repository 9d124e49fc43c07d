"""Beds and halves of beds that the same crop grew in side by side, compared."""

from __future__ import annotations

import itertools
from collections.abc import Iterable, Mapping, Sequence
from datetime import date

from nolbet_core.figure.season_figures import PlaceFigures, TrialFigures
from nolbet_core.plan.log import HarvestEntry, day_of
from nolbet_core.record import record
from nolbet_core.season.harvests import same_crop, season_of
from nolbet_core.season.trial import PLACE_SD, SAME_PLACE_SD, Trial, trial_of

MOST_PAIRS = 40
"""Comparisons that are told; the latest seasons go before."""
HALF = 0.5


@record
class _Place:
    """Where a crop grew: a bed, or one half of it. area_m2: growing area."""

    bed: str
    half: str | None
    area_m2: float
    harvests: list[HarvestEntry]

    def per_m2(self, by_count: bool) -> list[tuple[date, float]]:
        """Day and yield of each harvest on a m2 [kg or pieces]."""
        amounts = [(day_of(each.on), (each.count if by_count else each.mass_kg) or 0.0) for each in self.harvests]
        return [(on, amount / self.area_m2) for on, amount in amounts]


def trials_of(
    harvests: Iterable[HarvestEntry], areas_m2: Mapping[str, float], titles: Mapping[str, str], southern: bool
) -> list[TrialFigures]:
    """Each two places that the same crop was picked from in the same season, the last season first.

    areas_m2: growing area of each bed and those alike. titles: of beds.
    """
    grown: dict[tuple[int, str], list[HarvestEntry]] = {}
    for each in harvests:
        if areas_m2.get(each.bed, 0.0) > 0:
            grown.setdefault((season_of(day_of(each.on), southern), same_crop(each.crop)), []).append(each)
    found: list[TrialFigures] = []
    for (season, _), picked in sorted(grown.items(), key=lambda each: (-each[0][0], each[0][1])):
        by_count = not all(each.mass_kg is not None for each in picked)
        if by_count and not all(each.count is not None for each in picked):
            continue
        for first, second in itertools.combinations(_places(picked, areas_m2), 2):
            if len(found) >= MOST_PAIRS:
                return found
            place_sd = SAME_PLACE_SD if first.bed == second.bed else PLACE_SD
            trial = trial_of(first.per_m2(by_count), second.per_m2(by_count), place_sd)
            found.append(_figures(picked[0].crop, season, by_count, (first, second), trial, titles))
    return found


def _places(picked: Sequence[HarvestEntry], areas_m2: Mapping[str, float]) -> list[_Place]:
    """Places of a crop, the one with most first: a bed's halves where they are told apart, else the bed."""
    places: dict[tuple[str, str | None], _Place] = {}
    halved = {each.bed for each in picked if each.half is not None}
    for each in picked:
        if each.bed in halved and each.half is None:
            continue
        share = HALF if each.half else 1.0
        place = _Place(each.bed, each.half, areas_m2[each.bed] * share, [])
        places.setdefault((each.bed, each.half), place).harvests.append(each)
    return sorted(places.values(), key=lambda each: -len(each.harvests))


def _figures(
    crop: str, season: int, by_count: bool, places: tuple[_Place, _Place], trial: Trial, titles: Mapping[str, str]
) -> TrialFigures:
    names = [titles.get(each.bed, each.bed) + (f", {each.half} half" if each.half else "") for each in places]
    return TrialFigures(
        crop=crop,
        season=season,
        by_count=by_count,
        first=PlaceFigures(places[0].bed, names[0], places[0].half, trial.first_yield),
        second=PlaceFigures(places[1].bed, names[1], places[1].half, trial.second_yield),
        weeks=trial.weeks,
        yield_gap=trial.yield_gap,
        gap_low=trial.gap_low,
        gap_high=trial.gap_high,
        more=trial.more,
        told=_told(crop, names, trial),
    )


def _told(crop: str, names: Sequence[str], trial: Trial) -> str:
    weeks = "1 week" if trial.weeks == 1 else f"{trial.weeks} weeks"
    pair = f"{crop} in {names[0]} and in {names[1]}"
    if trial.more == "open":
        return f"{pair}: {weeks} of harvests do not show which gives more."
    winner = names[0] if trial.more == "first" else names[1]
    less = min(trial.first_yield, trial.second_yield)
    share = f" by {abs(trial.yield_gap) / less * 100:.0f} %" if less > 0 else ""
    return f"{pair}: these two differed{share} over {weeks}; {winner} gave more. {WHAT_IT_TAKES}"


WHAT_IT_TAKES = "To judge what was done, compare two such pairs, or swap the sides next season."
