"""What beds do to each other on the plot: aisles too narrow, ground taken twice."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from typing import Literal

from nolbet_core.findings.pattern import Found
from nolbet_core.plot.aisles import BARROW_M, WALKER_M, Aisle, Clash
from nolbet_core.plot.placed import PlacedBed
from nolbet_core.quantities.show import show_area, show_length
from nolbet_core.quantities.units import System

PLOT_CODES = ("aisle_narrow", "clash")
"""Findings that rest on more than one bed."""

TOLERANCE_M = 1e-6


@dataclass(frozen=True, slots=True)
class OnPlot:
    """A finding on the plot: its code, what was found, and the keys of the beds it is about."""

    code: str
    found: Found
    beds: tuple[str, ...]


def look_at_plot(aisles: Sequence[Aisle], clashes: Sequence[Clash], system: System) -> list[OnPlot]:
    """Every finding on aisles and clashes, told in a system of units."""
    return [*_clashes(clashes, system), *_aisles(aisles, system)]


def aisle_level(width_m: float) -> Literal["caution", "advice", "good"]:
    """How an aisle of a width [m] is judged: caution for a walker, advice for a barrow, else good."""
    if width_m < WALKER_M - TOLERANCE_M:
        return "caution"
    return "advice" if width_m < BARROW_M - TOLERANCE_M else "good"


def _aisles(aisles: Iterable[Aisle], system: System) -> Iterator[OnPlot]:
    for aisle in aisles:
        level = aisle_level(aisle.width_m)
        if level == "good" or aisle.between_pots:
            continue
        between = f"{aisle.bed.name} and {aisle.other.name}"
        said = show_length(aisle.width_m, system)
        walker, barrow = show_length(WALKER_M, system), show_length(BARROW_M, system)
        found = Found(
            "caution" if level == "caution" else "advice",
            f"Between {between} there are {said}.",
            f"A walker needs {walker}, someone kneeling more." if level == "caution" else f"A barrow needs {barrow}.",
            f"Move one of them until there are {walker if level == 'caution' else barrow}.",
        )
        yield OnPlot("aisle_narrow", found, _keys(aisle.bed, aisle.other))


def _clashes(clashes: Iterable[Clash], system: System) -> Iterator[OnPlot]:
    for clash in clashes:
        area = show_area(clash.area_m2, system)
        if clash.other is None:
            said, why = f"{clash.bed.name} lies {area} beyond the plot's edge.", "Nobody can build there."
        else:
            said, why = (
                f"{clash.bed.name} and {clash.other.name} take the same {area}.",
                "Two can't stand in one place.",
            )
        found = Found("stop", said, why, "Drag one of them away, turn it, or type another place.")
        yield OnPlot("clash", found, _keys(clash.bed, clash.other))


def _keys(bed: PlacedBed, other: object) -> tuple[str, ...]:
    keys = (bed.key, other.key) if isinstance(other, PlacedBed) else (bed.key,)
    return tuple(dict.fromkeys(keys))
