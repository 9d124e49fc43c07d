"""All findings on a bed, in one list, and how they are looked for."""

from __future__ import annotations

from nolbet_core.findings.between import AbruptInterface, FabricUnderMound, SheetBare
from nolbet_core.findings.feeding import CompostShare, NitrogenShort, Overfed, PetsAndMeals, RootZoneCarbon
from nolbet_core.findings.fit import HeadspaceSmall, OverRim, TooWide
from nolbet_core.findings.ground import BuriedServices, NearHouse, NearTree, NotLevel, SteepSlope, Trench
from nolbet_core.findings.health import (
    GroundUntested,
    HerbicideCarryover,
    NotFoodGrade,
    RawManure,
    TapeAndPrint,
)
from nolbet_core.findings.layers import LapSmall, NoGrowingLayer, SoilThinOverWood, VoidsOpen
from nolbet_core.findings.pattern import LEVELS, Finding, Found, View
from nolbet_core.findings.safety import Dust
from nolbet_core.findings.sinking import SinksMuch
from nolbet_core.findings.water import (
    FlushYearly,
    LeakTestDue,
    LinerPierced,
    LinerTooSmall,
    NoOverflow,
    OutOfLevel,
    SoilDeepOverWater,
    StandingWater,
    WaterFromTop,
)
from nolbet_core.findings.weight import WeightOver, WeightUnknown
from nolbet_core.findings.wood import AllelopathicWood, HeavyLogs, RotproofWoodFill, SoftWoodAndAnts

PLACE_FINDINGS: tuple[Finding, ...] = (BuriedServices(), NearHouse(), NearTree(), NotLevel())
"""Those that look at where the bed lies."""

BED_FINDINGS: tuple[Finding, ...] = (
    OverRim(),
    WeightOver(),
    WeightUnknown(),
    LinerTooSmall(),
    LinerPierced(),
    NoOverflow(),
    LeakTestDue(),
    SoilDeepOverWater(),
    OutOfLevel(),
    NoGrowingLayer(),
    VoidsOpen(),
    SoilThinOverWood(),
    TooWide(),
    NitrogenShort(),
    Overfed(),
    RootZoneCarbon(),
    CompostShare(),
    AllelopathicWood(),
    RotproofWoodFill(),
    SoftWoodAndAnts(),
    RawManure(),
    LapSmall(),
    SheetBare(),
    FabricUnderMound(),
    NotFoodGrade(),
    SinksMuch(),
    HeadspaceSmall(),
    SteepSlope(),
    Trench(),
    *PLACE_FINDINGS,
    StandingWater(),
    WaterFromTop(),
    FlushYearly(),
    AbruptInterface(),
    TapeAndPrint(),
    HeavyLogs(),
    HerbicideCarryover(),
    GroundUntested(),
    PetsAndMeals(),
    Dust(),
)


def look_at_bed(view: View) -> list[tuple[str, Found]]:
    """Every finding that holds for a filled bed, with its code, the gravest first."""
    found = [(finding.code, each) for finding in BED_FINDINGS for each in finding.look(view)]
    return sorted(found, key=lambda pair: LEVELS.index(pair[1].level))
