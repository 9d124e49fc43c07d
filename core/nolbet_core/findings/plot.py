"""What beds do to each other on the plot: aisles too narrow, ground taken twice."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from typing import Literal

from nolbet_core.findings.finding import DEFER, Finding, Found
from nolbet_core.plot.aisles import BARROW_M, WALKER_M, Aisle, Clash
from nolbet_core.plot.placed import PlacedBed
from nolbet_core.quantities.units import System
from nolbet_core.quantities.writing import show_area, show_length
from nolbet_core.record import record

TOLERANCE_M = 1e-6


@record
class BedsBeside:
    """Beds beside each other on the plot: what lies between them, what they take twice, and the units it is told in.

    wood: what of wood stands or lies there, where ants or termites that nest in it live.
    """

    aisles: Sequence[Aisle]
    clashes: Sequence[Clash]
    system: System
    wood: Sequence[str] = ()


class BetweenFinding(Finding[BedsBeside]):
    """A finding on beds beside each other."""

    subject = "plot"
    topic = "between"


def aisle_level(width_m: float) -> Literal["caution", "advice", "good"]:
    """How an aisle of a width [m] is judged: caution for a walker, advice for a barrow, else good."""
    if width_m < WALKER_M - TOLERANCE_M:
        return "caution"
    return "advice" if width_m < BARROW_M - TOLERANCE_M else "good"


class ClashOfBeds(BetweenFinding):
    """Two can't stand in one place."""

    code = "clash"
    level = ("stop",)
    when = "two take the same ground, or a bed lies beyond the plot's edge; a mound may lie over a trench"

    def look(self, beside: BedsBeside) -> Iterator[Found]:
        """Each clash."""
        for clash in beside.clashes:
            area = show_area(clash.area_m2, beside.system)
            if clash.other is None:
                said, why = f"{clash.bed.name} lies {area} beyond the plot's edge.", "Nobody can build there."
            else:
                said, why = (
                    f"{clash.bed.name} and {clash.other.name} take the same {area}.",
                    "Two can't stand in one place.",
                )
            advice = "Drag one of them away, turn it, or type another place."
            yield Found("stop", said, why, advice, beds=_keys(clash.bed, clash.other))


class AisleNarrow(BetweenFinding):
    """An aisle that a barrow, or a walker, can't pass."""

    code = "aisle_narrow"
    level = ("advice", "caution")
    when = "two are under 0.9 m apart, too narrow for a barrow; under 0.45 m, for a walker"

    def look(self, beside: BedsBeside) -> Iterator[Found]:
        """Each aisle that is too narrow, those between pots left out."""
        for aisle in beside.aisles:
            level = aisle_level(aisle.width_m)
            if level == "good" or aisle.between_pots:
                continue
            said = show_length(aisle.width_m, beside.system)
            walker, barrow = show_length(WALKER_M, beside.system), show_length(BARROW_M, beside.system)
            needs_a_walker = f"A walker needs {walker}, someone kneeling more."
            yield Found(
                level,
                f"Between {aisle.bed.name} and {aisle.other.name} there are {said}.",
                needs_a_walker if level == "caution" else f"A barrow needs {barrow}.",
                f"Move one of them until there are {walker if level == 'caution' else barrow}.",
                beds=_keys(aisle.bed, aisle.other),
            )


def _keys(bed: PlacedBed, other: object) -> tuple[str, ...]:
    keys = (bed.key, other.key) if isinstance(other, PlacedBed) else (bed.key,)
    return tuple(dict.fromkeys(keys))


class WoodRoundAnts(BetweenFinding):
    """Fences and chips lead ants and termites on."""

    code = "wood_round_ants"
    level = ("caution",)
    when = "wooden fences or wood on the paths of a garden where wood-nesting ants or termites live"

    def look(self, beside: BedsBeside) -> Iterator[Found]:
        """One for all of it."""
        if not beside.wood:
            return
        yield Found(
            "caution",
            f"Where wood-nesting ants or termites live there are {', '.join(beside.wood)}.",
            "They follow wood that touches the ground from one piece to the next, and on to the house.",
            "Stand posts on stone or metal, keep chips a hand's width off walls, or take gravel. " + DEFER,
        )
