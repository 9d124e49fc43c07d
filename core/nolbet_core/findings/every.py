"""All findings on a bed, in one list, and how they are looked for."""

from __future__ import annotations

from nolbet_core.findings.fit import HeadspaceSmall, OverRim, TooWide
from nolbet_core.findings.ground import BuriedServices, NearHouse, NearTree, NotLevel, SteepSlope, Trench
from nolbet_core.findings.layers import LapSmall, NoGrowingLayer, SoilThinOverWood, VoidsOpen
from nolbet_core.findings.pattern import LEVELS, Finding, Found, View
from nolbet_core.findings.safety import Dust

PLACE_FINDINGS: tuple[Finding, ...] = (BuriedServices(), NearHouse(), NearTree(), NotLevel())
"""Those that look at where the bed lies."""

BED_FINDINGS: tuple[Finding, ...] = (
    OverRim(),
    NoGrowingLayer(),
    VoidsOpen(),
    SoilThinOverWood(),
    TooWide(),
    LapSmall(),
    HeadspaceSmall(),
    SteepSlope(),
    Trench(),
    *PLACE_FINDINGS,
    Dust(),
)


def look_at_bed(view: View) -> list[tuple[str, Found]]:
    """Every finding that holds for a filled bed, with its code, the gravest first."""
    found = [(finding.code, each) for finding in BED_FINDINGS for each in finding.look(view)]
    return sorted(found, key=lambda pair: LEVELS.index(pair[1].level))
