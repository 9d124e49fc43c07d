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

    wood: what of wood stands or lies there, where ants or termites that nest in it live. barrow_m: how wide an aisle
    the gardener's barrow wants; mower_m: how wide the mower is that has to pass between beds, where there is one [m].
    gravel: paths of gravel, and whether fabric lies under each. bases: paths with a base that lead under a bed, by
    their names, and how much of it they take [m2].
    """

    aisles: Sequence[Aisle]
    clashes: Sequence[Clash]
    system: System
    wood: Sequence[str] = ()
    barrow_m: float = BARROW_M
    mower_m: float | None = None
    gravel: Sequence[tuple[str, bool]] = ()
    bases: Sequence[tuple[str, PlacedBed, float]] = ()


class BetweenFinding(Finding[BedsBeside]):
    """A finding on beds beside each other."""

    subject = "plot"
    topic = "between"


def aisle_level(width_m: float, barrow_m: float = BARROW_M) -> Literal["caution", "advice", "good"]:
    """How an aisle of a width [m] is judged: caution for a walker, advice for a barrow, else good. barrow_m: what a
    barrow wants [m].
    """
    if width_m < WALKER_M - TOLERANCE_M:
        return "caution"
    return "advice" if width_m < barrow_m - TOLERANCE_M else "good"


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
    when = "two are nearer than a barrow wants, 0.9 m unless its width is known; under 0.45 m, too near for a walker"

    def look(self, beside: BedsBeside) -> Iterator[Found]:
        """Aisles that are too narrow, those between pots left out: one finding for a walker, one for a barrow."""
        by_level: dict[Literal["caution", "advice"], list[Aisle]] = {}
        for aisle in beside.aisles:
            level = aisle_level(aisle.width_m, beside.barrow_m)
            if level != "good" and not aisle.between_pots:
                by_level.setdefault(level, []).append(aisle)
        for level, narrow in by_level.items():
            least = min(narrow, key=lambda aisle: aisle.width_m)
            needs_m = WALKER_M if level == "caution" else beside.barrow_m
            said, needs = (show_length(each, beside.system) for each in (least.width_m, needs_m))
            more = len(narrow) - 1
            others = f" {more} more {'aisle is' if more == 1 else 'aisles are'} too narrow." if more else ""
            why = (
                f"A walker needs {needs}, someone kneeling more." if level == "caution" else f"A barrow needs {needs}."
            )
            yield Found(
                level,
                f"Between {least.bed.name} and {least.other.name} there are {said}.{others}",
                why,
                f"Move one of them until there are {needs}.",
                beds=tuple(dict.fromkeys(key for aisle in narrow for key in _keys(aisle.bed, aisle.other))),
            )


class MowerStuck(BetweenFinding):
    """Grass between beds that the mower doesn't get into."""

    code = "mower_stuck"
    level = ("advice",)
    when = "two stand nearer than the mower is wide, with grass between them"

    def look(self, beside: BedsBeside) -> Iterator[Found]:
        """Each aisle that the mower doesn't get into."""
        for aisle in beside.aisles if beside.mower_m is not None else ():
            if aisle.between_pots or beside.mower_m is None or aisle.width_m >= beside.mower_m - TOLERANCE_M:
                continue
            said, mower = show_length(aisle.width_m, beside.system), show_length(beside.mower_m, beside.system)
            yield Found(
                "advice",
                f"Between {aisle.bed.name} and {aisle.other.name} there are {said}, and the mower is {mower} wide.",
                "What isn't mown there is cut by hand, or seeds into the beds.",
                f"Leave {mower} and a hand's width, or lay a path there.",
                beds=_keys(aisle.bed, aisle.other),
            )


class PathBaseUnderBed(BetweenFinding):
    """A tamped base under a bed stops roots and water."""

    code = "path_base_under_bed"
    level = ("caution",)
    when = "a path with a base, or dug out, leads under a bed that is no patch"

    def look(self, beside: BedsBeside) -> Iterator[Found]:
        """Each path under each bed."""
        for name, bed, area_m2 in beside.bases:
            yield Found(
                "caution",
                f"{name} leads under {bed.name}, on {show_area(area_m2, beside.system)}.",
                "Nothing roots or drains through a tamped base, and under a filled bed it stays for good.",
                "End the path at the bed's edge, and lay its base once the bed is pegged out.",
                beds=(bed.key,),
            )


class FabricUnderGravel(BetweenFinding):
    """Whether fabric belongs under a gravel path is argued about."""

    code = "fabric_under_gravel"
    level = ("note",)
    when = "a path of gravel"

    def look(self, beside: BedsBeside) -> Iterator[Found]:
        """One for all gravel paths."""
        if not beside.gravel:
            return
        names = ", ".join(name for name, _ in beside.gravel)
        bare = [name for name, fabric in beside.gravel if not fabric]
        yield Found(
            "note",
            f"{names}: gravel {'without fabric below it' if bare else 'over fabric'}.",
            "Stones sink into wet ground, and weeds root in the dust that settles among them.",
            "On soft or clayey ground lay geotextile under the base; on firm, drained ground it can be left out.",
            sides=(
                "Path builders: fabric keeps stone and soil apart, so that the path needs no topping up.",
                "Gardeners who lift it later: weeds root on top of it all the same, and torn plastic stays for ever.",
            ),
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
