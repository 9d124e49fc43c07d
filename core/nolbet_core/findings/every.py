"""Every finding there is, in one list, and how those on one thing are looked for.

What is said of findings elsewhere (the documents, what a view shows, how they are sorted) follows from this list.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace
from typing import Any

from nolbet_core.built.profiles import OneProfile
from nolbet_core.built.worked import WorkedBed
from nolbet_core.findings.between import AbruptInterface, FabricUnderMound, SheetBare
from nolbet_core.findings.blend import (
    DrainsFast,
    DrainsSlow,
    MixCompostShare,
    MixDust,
    OrganicMatterOut,
    PeatShedsWater,
    PhOut,
    RawWoodInSeedMix,
    TooMuchCarbon,
    WeedSeed,
    WicksLittle,
)
from nolbet_core.findings.boards import BoardsCut, CornersByTurns, JointsInLine, SplintersAtLiner
from nolbet_core.findings.buying import HeavyLift, NoOffer
from nolbet_core.findings.feeding import CompostShare, NitrogenShort, Overfed, PetsAndMeals, RichLayer, RootZoneCarbon
from nolbet_core.findings.finding import VIEWS, BedFinding, Finding, Found, Subject, ViewName
from nolbet_core.findings.fit import HeadspaceSmall, OverRim, TooWide
from nolbet_core.findings.footing import GrassUnder, GroundCompacted, PlaneBelow, ShallowOnHard, StoneSoiled
from nolbet_core.findings.frame import (
    BraceFar,
    CutAndCement,
    DryWallLoose,
    EndGrain,
    FootSinks,
    FrameOffDepth,
    LegsUnbraced,
    MetalInSour,
    SlatsApart,
    TreatedTimber,
    WallDiffers,
    WallHigh,
)
from nolbet_core.findings.ground import BuriedServices, NearHouse, NearTree, NotLevel, SteepSlope, Trench
from nolbet_core.findings.health import (
    GroundUntested,
    HerbicideCarryover,
    NotFoodGrade,
    RawManure,
    TapeAndPrint,
)
from nolbet_core.findings.layers import LapSmall, NoGrowingLayer, SoilThinOverWood, VoidsOpen
from nolbet_core.findings.lining import LinerUnprotected, OpeningUnsealed
from nolbet_core.findings.mend import above_pit
from nolbet_core.findings.place import (
    BareSurface,
    FrostOnReservoir,
    HeavyTub,
    NoMesh,
    NoRootBarrier,
    TubDrowns,
    WaterInTrench,
    WeedSeedInFill,
    WoodAndAnts,
)
from nolbet_core.findings.planting import CROP_FINDINGS
from nolbet_core.findings.plot import (
    AisleNarrow,
    ClashOfBeds,
    FabricUnderGravel,
    MowerStuck,
    PathBaseUnderBed,
    WoodRoundAnts,
)
from nolbet_core.findings.profile import (
    FootSpreads,
    OilyRunoff,
    PalletsTreated,
    PitApart,
    PitNotFull,
    RunsOver,
    SoaksNearHouse,
)
from nolbet_core.findings.safety import Dust
from nolbet_core.findings.schooling import DryFill, LeavesTrodden, PliesFew, UnripeCompost
from nolbet_core.findings.sinking import ReadingOff, SinksMuch
from nolbet_core.findings.strength import FloorSags, FloorWeak, LegWeak, PostWeak
from nolbet_core.findings.water import (
    FlushYearly,
    LeakTestDue,
    LinerPierced,
    LinerTooSmall,
    NoLiner,
    NoOverflow,
    ReservoirTilted,
    SoilDeepOverWater,
    SoilIntoReservoir,
    StandingWater,
    WaterFromTop,
    WickWeak,
)
from nolbet_core.findings.weight import WeightOver, WeightUnknown
from nolbet_core.findings.wood import AllelopathicWood, HeavyLogs, RotproofWoodFill, SoftWoodAndAnts
from nolbet_core.findings.works import (
    AloneWithHeavy,
    ConcreteInFrost,
    LateForSowing,
    LinerUntestedBeforeFill,
    NoHoldAnswered,
)

FINDINGS: tuple[Finding[Any], ...] = (
    OverRim(),
    WeightOver(),
    WeightUnknown(),
    LinerTooSmall(),
    LinerPierced(),
    NoLiner(),
    LinerUnprotected(),
    NoOverflow(),
    OpeningUnsealed(),
    LinerUntestedBeforeFill(),
    LeakTestDue(),
    SoilIntoReservoir(),
    SoilDeepOverWater(),
    WickWeak(),
    ReservoirTilted(),
    NoGrowingLayer(),
    VoidsOpen(),
    SoilThinOverWood(),
    TooWide(),
    NitrogenShort(),
    RichLayer(),
    Overfed(),
    RootZoneCarbon(),
    CompostShare(),
    AllelopathicWood(),
    RotproofWoodFill(),
    SoftWoodAndAnts(),
    WoodAndAnts(),
    NoRootBarrier(),
    WaterInTrench(),
    RawManure(),
    UnripeCompost(),
    LapSmall(),
    SheetBare(),
    FabricUnderMound(),
    NotFoodGrade(),
    SinksMuch(),
    ReadingOff(),
    HeadspaceSmall(),
    PitNotFull(),
    PitApart(),
    FrameOffDepth(),
    CornersByTurns(),
    BoardsCut(),
    JointsInLine(),
    FloorWeak(),
    LegWeak(),
    WallDiffers(),
    PostWeak(),
    FloorSags(),
    BraceFar(),
    SplintersAtLiner(),
    WallHigh(),
    LegsUnbraced(),
    FootSinks(),
    SlatsApart(),
    TreatedTimber(),
    EndGrain(),
    MetalInSour(),
    DryWallLoose(),
    SteepSlope(),
    FootSpreads(),
    OilyRunoff(),
    SoaksNearHouse(),
    RunsOver(),
    PalletsTreated(),
    Trench(),
    BuriedServices(),
    NearHouse(),
    NearTree(),
    NotLevel(),
    StandingWater(),
    FrostOnReservoir(),
    NoMesh(),
    GrassUnder(),
    GroundCompacted(),
    ShallowOnHard(),
    StoneSoiled(),
    PlaneBelow(),
    WeedSeedInFill(),
    BareSurface(),
    WaterFromTop(),
    FlushYearly(),
    AbruptInterface(),
    TapeAndPrint(),
    PliesFew(),
    LeavesTrodden(),
    DryFill(),
    HeavyLogs(),
    HeavyTub(),
    TubDrowns(),
    HerbicideCarryover(),
    GroundUntested(),
    PetsAndMeals(),
    Dust(),
    CutAndCement(),
    *CROP_FINDINGS,
    ClashOfBeds(),
    AisleNarrow(),
    MowerStuck(),
    PathBaseUnderBed(),
    WoodRoundAnts(),
    FabricUnderGravel(),
    NoOffer(),
    HeavyLift(),
    MixCompostShare(),
    DrainsFast(),
    DrainsSlow(),
    WicksLittle(),
    PhOut(),
    OrganicMatterOut(),
    TooMuchCarbon(),
    PeatShedsWater(),
    RawWoodInSeedMix(),
    WeedSeed(),
    MixDust(),
    LateForSowing(),
    ConcreteInFrost(),
    NoHoldAnswered(),
    AloneWithHeavy(),
)
"""All of them; those of one level are told in this order."""


def findings_on(subject: Subject, view: ViewName | None = None) -> tuple[Finding[Any], ...]:
    """Findings that look at one kind of thing. view: only those that it shows."""
    return tuple(each for each in FINDINGS if each.subject == subject and (view is None or view in VIEWS[each.topic]))


OF_PROFILE = frozenset(each.code for each in FINDINGS if isinstance(each, BedFinding) and each.of_profile)
"""Codes of those that look at a bed and the pit below it as one."""

BY_SUBJECT: dict[Subject, tuple[Finding[Any], ...]] = {
    subject: findings_on(subject) for subject in ("bed", "plot", "haul", "mix", "works")
}


def look_at_bed(worked: WorkedBed, view: ViewName | None = None) -> Iterator[tuple[Finding[Any], Found]]:
    """Every finding that holds for a bed, what rests on its whole profile looked for in that.

    view: only what it shows. What is found in the pit below is told without a layer, and without a mend.
    """
    for finding in BY_SUBJECT["bed"] if view is None else findings_on("bed", view):
        if finding.code not in OF_PROFILE:
            yield from ((finding, found) for found in finding.look(worked))
        elif worked.lies_under is None:
            yield from ((finding, _on_own(found, worked.profile)) for found in finding.look(worked.whole))


def _on_own(found: Found, one: OneProfile | None) -> Found:
    """What was found in a bed and its pit as one, told of the bed's own layers."""
    if one is None:
        return found
    pit_layers = one.pit_layers
    steps = above_pit(found.mend.steps, pit_layers) if found.mend else None
    mend = replace(found.mend, steps=steps) if found.mend and steps else None
    if found.layer is not None and found.layer < pit_layers:
        return replace(found, message=f"{found.message} It lies in {one.pit_title}.", layer=None, mend=mend)
    layer = None if found.layer is None else found.layer - pit_layers
    return replace(found, layer=layer, mend=mend)


def look_for(subject: Subject, looked: Any, view: ViewName | None = None) -> Iterator[tuple[Finding[Any], Found]]:
    """Every finding that holds for a thing of one kind, with what was found.

    looked: a WorkedBed, BedsBeside, BoughtForBed, TriedMix or WorksLooked, as the subject says. view: only what it
    shows.
    """
    for finding in BY_SUBJECT[subject] if view is None else findings_on(subject, view):
        for found in finding.look(looked):
            yield finding, found
