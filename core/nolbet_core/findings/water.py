"""What is amiss with a reservoir, and what it asks of the gardener."""

from __future__ import annotations

from collections.abc import Iterator

from nolbet_core.built.footing import is_rigid_tub
from nolbet_core.built.planted import hot_day_thirst
from nolbet_core.built.stores import known_overflow
from nolbet_core.built.water import BedWater
from nolbet_core.built.worked import WorkedBed
from nolbet_core.findings.finding import DEFER, BedFinding, Found
from nolbet_core.findings.mend import Mend, MendStep, set_keys
from nolbet_core.plan.defaults import LINER_LAP_M
from nolbet_core.quantities.units import System
from nolbet_core.quantities.writing import show_fall, show_length, show_water
from nolbet_core.reservoir.store import liner_sheet
from nolbet_core.shapes.sizing import largest_in_liner

OUT_OF_LEVEL_M = 0.010
SEEDLING_WEEKS = 3
TOLERANCE_M = 1e-9
TENTH = 0.1


class SoilDeepOverWater(BedFinding):
    """Water doesn't wick up to the seeds."""

    code = "soil_deep_over_water"
    level = ("caution",)
    topic = "water"
    when = "more soil over the full water than the soil wicks"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """More soil over the full water than the soil wicks."""
        water = worked.water
        if water is None or water.soil_over_m <= water.soil_rise_m + TOLERANCE_M:
            return
        rise = show_length(water.soil_rise_m, worked.system)
        yield Found(
            "caution",
            f"{show_length(water.soil_over_m, worked.system)} of soil stand over the water, and it wicks about {rise}.",
            "Above that the soil stays dry however full the reservoir is.",
            f"Keep to {rise} of soil over the water; in a tall bed put inert fill under the liner.",
        )


class WickWeak(BedFinding):
    """Less water comes up than plants ask on a hot day."""

    code = "wick_weak"
    level = ("advice", "caution")
    topic = "water"
    when = "on a hot day less reaches the roots from the full reservoir than plants ask; under half of it"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """What is lifted when full against what is asked on a hot day in full leaf."""
        water = worked.water
        if water is None or not worked.filled.layers:
            return
        asked, lifted = hot_day_thirst(worked), water.lifted_full_m3_day
        if lifted >= asked * (1 - TENTH):
            return
        broken = lifted <= 0
        what = "nothing" if broken else f"up to {show_water(lifted, worked.system)}"
        half = "" if broken else f", {show_water(water.lifted_half_m3_day, worked.system)} once it is half empty"
        yield Found(
            "caution" if lifted < asked / 2 else "advice",
            f"Plants ask about {show_water(asked, worked.system)} on a hot day, and {what} reaches their roots "
            f"from the full reservoir{half}.",
            _why_weak(water),
            "Set soil columns or strips down to the floor, tuck the fabric down to it, or lay the soil thinner; "
            "water from the top on hot days.",
        )


def _why_weak(water: BedWater) -> str:
    flat = any(each.kind == "fabric" and not each.dips for each in water.reservoir.wicks)
    if flat and water.wicking.kind == "fabric":
        return "A flat fabric lifts only while water touches it: over stones that is over within days."
    if not water.wicking.lifts:
        return "Nothing stands in the water that lifts it."
    return "What lifts the water decides, not how much there is of it."


class ReservoirTilted(BedFinding):
    """A reservoir that isn't level holds less."""

    code = "reservoir_tilted"
    level = ("caution",)
    topic = "water"
    when = "a reservoir lies over 10 mm out of level from end to end"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Over 10 mm from end to end."""
        store = worked.water.store if worked.water else None
        if store is None or store.tilt_m <= OUT_OF_LEVEL_M + TOLERANCE_M:
            return
        deep, shallow = (show_length(each, worked.system) for each in store.depths_m)
        yield Found(
            "caution",
            f"The reservoir lies {show_length(store.tilt_m, worked.system)} out of level and holds "
            f"{show_water(store.lost_to_tilt_m3, worked.system)} less.",
            f"It is {deep} deep at the overflow and {shallow} at the high end, where roots go dry first.",
            "Level the ground under it before the liner goes in.",
            mend=Mend("It is level now", set_keys("reservoir", tilt_m=None)),
        )


class NoOverflow(BedFinding):
    """Nothing lets water out before roots drown."""

    code = "no_overflow"
    level = ("caution",)
    topic = "water"
    when = "a reservoir without an overflow"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """No overflow named."""
        water = worked.water
        if water is None or known_overflow(water.reservoir) is not None:
            return
        top = show_length(water.store.height_m, worked.system)
        yield Found(
            "caution",
            f"No overflow is planned; water may stand over the reservoir, {top} up.",
            "After a week of rain a bed without an overflow is a pond, and roots rot.",
            "Put the overflow at the top of the reservoir.",
            mend=Mend(f"Overflow at {top}", set_keys("reservoir", overflow_m=water.store.height_m)),
        )


class NoLiner(BedFinding):
    """Boards and blocks don't hold water."""

    code = "no_liner"
    level = ("stop",)
    topic = "water"
    when = "a reservoir without a liner, in a bed that holds no water of itself"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """A reservoir whose bed is built of boards or the like, with no liner in it or in the stack."""
        water = worked.water
        if water is None or water.liner_m is not None or is_rigid_tub(worked.bed):
            return
        if any(layer.holds_water for layer in worked.filled.layers):
            return
        length_m, width_m = liner_sheet(
            worked.vessel.inside.length_m, worked.vessel.inside.width_m, water.store.height_m, LINER_LAP_M
        )
        sheet = f"{show_length(length_m, worked.system)} x {show_length(width_m, worked.system)}"
        yield Found(
            "stop",
            f"The reservoir has no liner: this bed wants one sheet of {sheet}.",
            "Boards, blocks and stone hold no water: it is gone before the soil is on.",
            "Line it in one piece, up the sides to above the overflow.",
            mend=Mend("Line it", set_keys("reservoir", liner_lap_m=LINER_LAP_M)),
        )


class SoilIntoReservoir(BedFinding):
    """Fine soil washes down between the stones of a reservoir."""

    code = "soil_into_reservoir"
    level = ("caution",)
    topic = "water"
    when = "fine soil next above a reservoir's stones, with no fabric between"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """The lowest layer is fine, the medium has gaps, and neither a sheet nor a wicking fabric parts them."""
        water, layers = worked.water, worked.filled.layers
        if water is None or not layers or water.medium is None or not water.medium.takes_fines:
            return
        lowest = layers[0]
        if lowest.material.is_sheet or not lowest.material.runs_into_voids:
            return
        if any(each.kind == "fabric" for each in water.reservoir.wicks):
            return
        gaps_m3 = water.store.medium_below(water.store.height_m) * water.medium.void_share
        lost_m3 = min(gaps_m3, lowest.placed_m3)
        yield Found(
            "caution",
            f"{lowest.material.name} lies straight on {water.medium.name.lower()}: up to "
            f"{show_water(lost_m3, worked.system)} of it wash into the gaps that the water should have.",
            "Stones full of soil hold little water, and the soil in them stays airless.",
            "Lay a geotextile over the stones, and leave holes for soil columns.",
            layer=0,
            mend=Mend("Lay a geotextile", (MendStep("add", "layers[0]", {"material": "geotextile"}),)),
            sides=(
                "Some fill the whole box with soil and let its foot stand in water: it wicks well and wants no fabric.",
                "Others keep soil out: under water it turns airless and sour, and holds less than stones do.",
            ),
        )


LEAK_M3 = 0.002
"""A leak that a day's test should find [m3 a day]."""


class LeakTestDue(BedFinding):
    """A liner is tested before anything goes on top."""

    code = "leak_test_due"
    level = ("caution",)
    topic = "water"
    when = "a reservoir that isn't tested yet, and that nothing lies on"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Not tested yet."""
        water = worked.water
        if water is None or water.reservoir.tested or (worked.state == "filling" and any(worked.bed.laid)):
            return
        store = water.store
        area_m2 = worked.vessel.hollow.area_at(store.full_m)
        share = store.held_m3 / max(worked.vessel.hollow.volume_between(store.under_m, store.full_m), 1e-9)
        fall = show_fall(LEAK_M3 / max(area_m2 * share, 1e-9), worked.system)
        yield Found(
            "caution",
            f"The reservoir isn't tested: a leak of {show_water(LEAK_M3, worked.system)} a day lowers it by {fall}.",
            "A leak found after planting means digging it all out again.",
            "Fill it to the overflow, mark the level, cover it, and read it after 24 hours; then build on.",
            mend=Mend("It held", set_keys("reservoir", tested=True)),
        )


class LinerTooSmall(BedFinding):
    """The liner there is doesn't line this bed."""

    code = "liner_too_small"
    level = ("stop",)
    topic = "water"
    when = "the liner there is is shorter or narrower than what lines the bed"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """A liner whose size is given and that is shorter or narrower than what lines the bed."""
        water = worked.water
        if water is None or water.reservoir.liner_m is None or water.liner_m is None:
            return
        there, wanted = sorted(water.reservoir.liner_m), sorted(water.liner_m)
        if there[0] >= wanted[0] - TOLERANCE_M and there[1] >= wanted[1] - TOLERANCE_M:
            return
        said = " x ".join(show_length(each, worked.system) for each in reversed(wanted))
        yield Found(
            "stop",
            f"The bed wants a liner of {said}.",
            _largest(water, (there[1], there[0]), worked.system),
            "Get a larger one, make the bed smaller, or the reservoir shallower.",
        )


def _largest(water: BedWater, liner: tuple[float, float], system: System) -> str:
    try:
        length_m, width_m = largest_in_liner(*liner, water.store.height_m, water.reservoir.liner_lap_m or 0.0)
    except ValueError:
        return "The one there is doesn't even run up the sides."
    size = f"{show_length(length_m, system)} x {show_length(width_m, system)}"
    return f"The largest bed that the one there is lines is {size} inside."


class LinerPierced(BedFinding):
    """Something goes through the liner under the water line."""

    code = "liner_pierced"
    level = ("stop",)
    topic = "water"
    when = "posts stand in the water"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Posts that stand in the reservoir."""
        if worked.water is None:
            return
        full_m = worked.water.store.full_m
        posts = sum(each.count for each in worked.bed.buried if each.kind == "post" and each.bottom_m < full_m)
        if worked.framed is not None and worked.framed.posts_inside_m2 > 0:
            posts += worked.framed.posts
        if not posts:
            return
        yield Found(
            "stop",
            f"{posts} post{'s' if posts > 1 else ''} stand{'' if posts > 1 else 's'} in the water.",
            "Every staple, screw and post under the water line is a leak.",
            "Fasten above the water line, and set posts outside the liner.",
        )


class StandingWater(BedFinding):
    """Open water breeds mosquitoes and drowns children."""

    code = "standing_water"
    level = ("note",)
    topic = "water"
    when = "every reservoir, while it is open"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Every reservoir, as long as it lies open."""
        if worked.water is None:
            return
        held = show_water(worked.water.store.held_m3, worked.system)
        yield Found(
            "note",
            f"{held} of water stand in it, open until it is filled over.",
            "A child can drown in a hand's depth, and mosquitoes breed in a week.",
            "Cover it while it is open, and keep a net over filler and overflow. " + DEFER,
        )


class WaterFromTop(BedFinding):
    """Seedlings don't reach the water yet."""

    code = "water_from_top"
    level = ("note",)
    topic = "water"
    when = "every reservoir: seedlings, and the start of each season"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Every reservoir."""
        if worked.water is None:
            return
        yield Found(
            "note",
            f"Water from the top for about {SEEDLING_WEEKS} weeks, and once at the start of each season.",
            "Seeds and seedlings stand above what wicks, and dry soil has to be wetted before it wicks at all.",
            "Then leave the top dry.",
        )


class FlushYearly(BedFinding):
    """Salts stay behind when water only goes up."""

    code = "flush_yearly"
    level = ("note",)
    topic = "water"
    when = "every reservoir: salts"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Every reservoir."""
        if worked.water is None:
            return
        flush_m3 = 2 * worked.water.store.held_m3
        yield Found(
            "note",
            f"Once a year pour {show_water(flush_m3, worked.system)} through from the top, out at the overflow.",
            "Water that only rises leaves its salts at the surface.",
            "Do it in autumn, before the reservoir is drained for the frost.",
        )
