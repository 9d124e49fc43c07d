"""What a bed over a pit, a soak pipe and a faced mound ask for."""

from __future__ import annotations

from collections.abc import Iterator

from nolbet_core.built.ground import placed_beds
from nolbet_core.built.lined import foot_spread_m
from nolbet_core.built.profiles import pit_under
from nolbet_core.built.runoff import DESIGN_RAIN_MM, pit_holds_l, runoff_l, soak_pipes
from nolbet_core.built.vessels import build_vessel
from nolbet_core.built.worked import WorkedBed
from nolbet_core.findings.finding import DEFER, BedFinding, Found
from nolbet_core.findings.ground import nearest
from nolbet_core.findings.mend import Mend, set_keys
from nolbet_core.plan.bed import Bed
from nolbet_core.quantities.units import System
from nolbet_core.quantities.writing import show_area, show_length, show_volume

EMPTY_M = 0.02
APART_M = 0.05
HOUSE_OFF_M = 5.0
"""How far water is kept from a house where it is led into the ground [m] (usual in building rules)."""
REPOSE_DEG = 38.0
"""Slope at which loose moist soil comes to rest [degrees]: the middle of 35 to 40."""
SPREAD_TOLD_M = 0.02
LITRE_M3 = 1e-3


class PitNotFull(BedFinding):
    """What lies in a bed falls into the pit below it as far as that is empty."""

    code = "pit_not_full"
    level = ("caution",)
    topic = "fit"
    when = "the trench or pit that a bed lies over is empty in its top 2 cm or more"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """An empty pit below."""
        one = worked.profile
        if one is None or one.empty_m < EMPTY_M:
            return
        yield Found(
            "caution",
            f"{one.pit_title} below it is empty in its top {show_length(one.empty_m, worked.system)}.",
            "What is tipped into the bed falls in, and the bed stands lower by as much.",
            f"Let a layer of {one.pit_title} fill the rest, or reckon with more fill in the bed.",
        )


class PitApart(BedFinding):
    """A bed is said to lie over a pit that is somewhere else, or that is no pit."""

    code = "pit_apart"
    level = ("caution",)
    topic = "fit"
    when = "a bed's place on the plot is not over the pit it is said to lie over, or that pit stands in a frame"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Beds whose pit lies elsewhere on the plot, or has walls above the ground."""
        pit = pit_under(worked.bed, worked.around.beside) if worked.profile else None
        if pit is None:
            return
        if pit.frame is not None:
            yield Found(
                "caution",
                f"The pit, {pit.title}, has a frame.",
                "A pit lies in the ground. A box with walls stands on it, and nothing can lie over its walls.",
                "Lay it over a trench, or take the frame of the box away.",
            )
            return
        off_m = _apart_m(worked, pit)
        if off_m <= APART_M:
            return
        yield Found(
            "caution",
            f"{pit.title} below it is {show_length(off_m, worked.system)} away on the plot.",
            "Fill, sinking and roots are worked out as if one lay over the other.",
            "Move one over the other on the plot, or choose another pit.",
        )


def _apart_m(worked: WorkedBed, pit: Bed) -> float:
    """Distance on the plot from a bed to its pit [m]; nothing where one of them lies nowhere on it."""
    built = build_vessel(pit, "pit", [])
    if built is None or not worked.placed or not placed_beds(pit, built):
        return 0.0
    return max(min(own.outline.distance(other.outline) for other in placed_beds(pit, built)) for own in worked.placed)


class OilyRunoff(BedFinding):
    """What runs off a drive brings oil, tyre wear and salt to the roots."""

    code = "oily_runoff"
    level = ("advice", "caution")
    topic = "health"
    when = "rain that runs off paving, or somewhere unsaid, is led into the fill; off a drive"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Every soak pipe that takes water from where cars stand, or from who knows where."""
        for index, pipe in soak_pipes(worked.bed):
            if pipe.runoff_m2 is None or pipe.runoff_from in ("roof", "ground"):
                continue
            area = show_area(pipe.runoff_m2, worked.system)
            if pipe.runoff_from is None:
                yield Found(
                    "advice",
                    f"Rain from {area} runs into it, and nobody has said of what.",
                    "A roof gives clean water; where cars stand it carries oil, tyre wear and salt.",
                    "Say what it runs off.",
                    mend=Mend("It is a roof", set_keys(f"buried[{index}]", runoff_from="roof")),
                )
                continue
            drive = pipe.runoff_from == "drive"
            yield Found(
                "caution" if drive else "advice",
                f"Rain from {area} of {'drive' if drive else 'paving'} is led under what is grown.",
                "Where cars stand it carries oil, tyre wear and road salt; moss killer and cleaners wash off paving.",
                "Lead it to shrubs or grass, and roof water here; or grow nothing to eat over it. " + DEFER,
            )


class RunsOver(BedFinding):
    """A hard rain brings more than the pit's gaps take."""

    code = "runs_over"
    level = ("note",)
    topic = "water"
    when = f"a rain of {DESIGN_RAIN_MM:.0f} mm brings a soak pipe more than the gaps round it hold"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """A soak pipe that brings more than is held."""
        brought_l, held_l = runoff_l(worked.bed, DESIGN_RAIN_MM), pit_holds_l(worked.whole.filled.layers)
        if brought_l <= held_l:
            return
        brought, held = (show_volume(each * LITRE_M3, worked.system) for each in (brought_l, held_l))
        rain = "an inch" if worked.system is System.FT_IN else f"{DESIGN_RAIN_MM:.0f} mm"
        yield Found(
            "note",
            f"A rain of {rain} brings {brought}; the gaps in the fill hold up to {held}.",
            "What soaks away in the meantime depends on the ground: in clay it is next to nothing.",
            "Give the inlet an overflow to grass or a drain, lead less in, or dig the pit larger.",
        )


class SoaksNearHouse(BedFinding):
    """Water led into the ground near a house wets its footings."""

    code = "soaks_near_house"
    level = ("caution",)
    topic = "place"
    when = "a soak pipe within 5 m of a house"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """A soak pipe near a house."""
        near = nearest(worked, "house") if soak_pipes(worked.bed) else None
        if near is None or near[0] >= HOUSE_OFF_M:
            return
        off, wanted = (show_length(each, worked.system) for each in (near[0], HOUSE_OFF_M))
        yield Found(
            "caution",
            f"Water is led into the ground {off} from {near[1].name}.",
            "Wet ground under footings moves, and cellars weep.",
            f"Keep it {wanted} away, or where local rules say so, and lower than the house. " + DEFER,
        )


class FootSpreads(BedFinding):
    """A mound steeper than soil lies creeps out at its foot."""

    code = "foot_spreads"
    level = ("note",)
    topic = "ground"
    when = (
        "a mound's sides are steeper than soil lies and nothing faces them, so that its foot creeps out by 2 cm or more"
    )

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """An unfaced mound over its repose."""
        if worked.bed.faced is not None:
            return
        out_m = foot_spread_m(worked.vessel, REPOSE_DEG)
        if out_m < SPREAD_TOLD_M:
            return
        wide_m = worked.vessel.inside.width_m + 2 * out_m
        yield Found(
            "note",
            f"Its foot will creep out by about {show_length(out_m, worked.system)} on each side, "
            f"to {show_length(wide_m, worked.system)} across.",
            "What slides off the upper half of a slope comes to lie at its foot, until it stands at about "
            f"{REPOSE_DEG:.0f}°. What rots inside lets the top down; the foot stays.",
            "Keep paths and mower that far off, or face the sides.",
        )


class PalletsTreated(BedFinding):
    """Pallets may have been fumigated, or have carried anything."""

    code = "pallets_treated"
    level = ("advice",)
    topic = "health"
    when = "a mound is faced with pallets, or a frame is made of them"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Every mound faced with pallets, and every frame of them."""
        faced, frame = worked.bed.faced, worked.bed.frame
        of_pallets = faced is not None and faced.material == "pallets"
        if not of_pallets and (frame is None or frame.kind != "pallets"):
            return
        yield Found(
            "advice",
            "The sides are faced with pallets." if of_pallets else "The wall is made of pallets.",
            "Some were fumigated with methyl bromide, and nobody knows what was spilt on them.",
            "Take those stamped HT (heat treated, ISPM 15), none stamped MB, none stained or painted. " + DEFER,
        )
