"""Figures told with their bands: what these rest on, and what would narrow them."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable, Mapping

from nolbet_core.draws.bands import Ranked, band_of, is_spread
from nolbet_core.draws.inputs import Inputs
from nolbet_core.draws.shapes import Drawn
from nolbet_core.figure.sure_figures import NarrowWay, RestsOn, SureFigure, SureName, WorthMeasuring
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.log import Dip, LogEntry
from nolbet_core.sure.drawn_water import DIPPED_TWICE
from nolbet_core.sure.sources import Narrowing, Spread, Way, narrowings, spreads_by_source

TOLD = 0.03
"""Sources that take less of the variance aren't told [0-1]: chance alone makes as much of some."""

MOST_WAYS = 3
"""How many ways to narrow a figure are told."""

MOST_WORTH = 6
"""So many things worth measuring are told of a garden."""

FROM_BELOW: frozenset[SureName] = frozenset({"bags", "total"})
"""Figures that count a bag as full as its label says, which it is at most: their bands begin at the figure at least."""

Usual = tuple[float, Drawn]
"""A figure as it is told elsewhere, and drawn."""


class ToldSure:
    """Tells figures once all that they rest on is drawn. names: of beds, materials and suppliers, by key. done: how
    often what can be measured again was measured.
    """

    def __init__(self, inputs: Inputs, names: Mapping[str, str], done: Mapping[tuple[Way, str], int]) -> None:
        self._ranked = Ranked(inputs.asked)
        self._names, self._done = names, done

    def all(
        self, drawn: Mapping[SureName, Usual], each_m3: float | None = None, bed: str | None = None
    ) -> list[SureFigure]:
        """Every figure that has a spread. each_m3: volume of a bag, where bags are among them [m3].

        bed: key of the only bed that the figures are of, where there is only one.
        """
        found = drawn.items()
        return [self.one(name, usual, draws, each_m3, bed) for name, (usual, draws) in found if is_spread(draws)]

    def one(
        self, name: SureName, usual: float, drawn: Drawn, each_m3: float | None = None, bed: str | None = None
    ) -> SureFigure:
        """One figure. each_m3, bed: as in all."""
        band = band_of(drawn)
        spreads = spreads_by_source(self._ranked.shares(drawn), bed)
        ways = narrowings(name, spreads, self._done)
        return SureFigure(
            figure=name,
            usual=usual,
            low=min(band.low, usual) if name in FROM_BELOW else band.low,
            high=band.high,
            rests_on=[self._rests_on(each) for each in spreads if each.share >= TOLD],
            narrows=[self._narrows(each) for each in ways[:MOST_WAYS] if each.share >= TOLD],
            each_m3=each_m3 if name == "bags" else None,
        )

    def _rests_on(self, spread: Spread) -> RestsOn:
        name = self._names.get(spread.of, "")
        return RestsOn(spread.source, spread.belongs, spread.of, name, min(spread.share, 1.0))

    def _narrows(self, narrowing: Narrowing) -> NarrowWay:
        return NarrowWay(narrowing.way, narrowing.of, self._names.get(narrowing.of, ""), narrowing.leaves)


def dips_in(log: Iterable[LogEntry]) -> Counter[str]:
    """How many dips a log holds of each bed, by its key."""
    return Counter(each.bed for each in log if isinstance(each, Dip))


def done_in(beds: Iterable[Bed], dips: Mapping[str, int]) -> Mapping[tuple[Way, str], int]:
    """How often the measures of beds were taken, at how many places their depth, and whether dips tell their thirst."""
    done: dict[tuple[Way, str], int] = {}
    for bed in beds:
        done["tape_again", bed.key] = bed.taped
        done["depth_places", bed.key] = bed.depth_places
        done["dip_twice", bed.key] = int(dips.get(bed.key, 0) >= DIPPED_TWICE)
    return done


def worth_measuring(told: Iterable[tuple[str, SureFigure]]) -> list[WorthMeasuring]:
    """What is worth measuring, each thing once with the figure that it makes surest of, what makes surest first.

    told: every figure with the bed or material that it is of.
    """
    ways = [WorthMeasuring(way, where, figure) for where, figure in told for way in figure.narrows]
    best: dict[tuple[Way, str], WorthMeasuring] = {}
    for each in sorted(ways, key=_made_sure, reverse=True):
        best.setdefault((each.narrows.way, each.narrows.of), each)
    return list(best.values())[:MOST_WORTH]


def _made_sure(measured: WorthMeasuring) -> float:
    """How much of a figure a measurement makes sure of: how wide its band is, and how much of that goes [0-1]."""
    figure = measured.figure
    scale = abs(figure.usual) or abs(figure.high) or 1.0
    return min((figure.high - figure.low) / scale, 1.0) * (1 - measured.narrows.leaves)
