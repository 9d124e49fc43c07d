"""What is amiss with a reservoir, and what it asks of the gardener."""

from __future__ import annotations

from collections.abc import Iterator

from nolbet_core.findings.pattern import DEFER, Finding, Found, Mend, View
from nolbet_core.quantities.show import show_fall, show_length, show_water
from nolbet_core.shapes.sizing import largest_in_liner
from nolbet_core.stack.zone import root_surface

OUT_OF_LEVEL_M = 0.010
SEEDLING_WEEKS = 3
TOLERANCE_M = 1e-9


def reservoir_with(view: View, **changes: object) -> dict[str, object]:
    """The bed's reservoir with keys changed, as a mend writes it."""
    reservoir = view.bed.reservoir
    if reservoir is None:
        return {}
    return {"reservoir": reservoir.model_copy(update=changes).model_dump(mode="json", exclude_none=True)}


class SoilDeepOverWater(Finding):
    """Water doesn't wick up to the seeds."""

    code = "soil_deep_over_water"

    def look(self, view: View) -> Iterator[Found]:
        """More soil over the full water than the soil wicks."""
        if view.store is None or not view.filled.layers:
            return
        soil_m = root_surface(view.filled.layers) - view.store.full_m
        if soil_m <= view.soil_rise_m + TOLERANCE_M:
            return
        rise = show_length(view.soil_rise_m, view.system)
        yield Found(
            "caution",
            f"{show_length(soil_m, view.system)} of soil stand over the water, and it wicks about {rise}.",
            "Above that the soil stays dry however full the reservoir is.",
            f"Keep to {rise} of soil over the water; in a tall bed put inert fill under the liner.",
        )


class OutOfLevel(Finding):
    """A reservoir that isn't level holds less."""

    code = "not_level"

    def look(self, view: View) -> Iterator[Found]:
        """Over 10 mm from end to end."""
        store = view.store
        if store is None or store.tilt_m <= OUT_OF_LEVEL_M + TOLERANCE_M:
            return
        deep, shallow = store.depths_m
        yield Found(
            "caution",
            f"The reservoir lies {show_length(store.tilt_m, view.system)} out of level and holds "
            f"{show_water(store.lost_to_tilt_m3, view.system)} less.",
            f"It is {show_length(deep, view.system)} deep at the overflow and {show_length(shallow, view.system)} at "
            "the high end, where roots go dry first.",
            "Level the ground under it before the liner goes in.",
            mend=Mend("It is level now", reservoir_with(view, tilt_m=None)),
        )


class NoOverflow(Finding):
    """Nothing lets water out before roots drown."""

    code = "no_overflow"

    def look(self, view: View) -> Iterator[Found]:
        """No overflow named."""
        if view.store is None or view.bed.reservoir is None or view.bed.reservoir.overflow_m is not None:
            return
        top = show_length(view.store.height_m, view.system)
        yield Found(
            "caution",
            f"No overflow is planned; water may stand over the reservoir, {top} up.",
            "After a week of rain a bed without an overflow is a pond, and roots rot.",
            "Put the overflow at the top of the reservoir.",
            mend=Mend(f"Overflow at {top}", reservoir_with(view, overflow_m=view.store.height_m)),
        )


LEAK_M3 = 0.002
"""A leak that a day's test should find [m3 a day]."""


class LeakTestDue(Finding):
    """A liner is tested before anything goes on top."""

    code = "leak_test_due"

    def look(self, view: View) -> Iterator[Found]:
        """Not tested yet."""
        store = view.store
        if store is None or view.bed.reservoir is None or view.bed.reservoir.tested:
            return
        area_m2 = view.vessel.hollow.area_at(store.full_m)
        share = store.held_m3 / max(view.vessel.hollow.volume_between(store.under_m, store.full_m), 1e-9)
        fall = show_fall(LEAK_M3 / max(area_m2 * share, 1e-9), view.system)
        yield Found(
            "caution",
            f"The reservoir isn't tested: a leak of {show_water(LEAK_M3, view.system)} a day lowers it by {fall}.",
            "A leak found after planting means digging it all out again.",
            "Fill it to the overflow, mark the level, cover it, and read it after 24 hours; then build on.",
            mend=Mend("It held", reservoir_with(view, tested=True)),
        )


class LinerTooSmall(Finding):
    """The liner there is doesn't line this bed."""

    code = "liner_too_small"

    def look(self, view: View) -> Iterator[Found]:
        """A liner whose size is given and that is shorter or narrower than what lines the bed."""
        reservoir = view.bed.reservoir
        if view.store is None or reservoir is None or reservoir.liner_m is None or view.liner_m is None:
            return
        there, wanted = sorted(reservoir.liner_m), sorted(view.liner_m)
        if there[0] >= wanted[0] - TOLERANCE_M and there[1] >= wanted[1] - TOLERANCE_M:
            return
        said = " x ".join(show_length(each, view.system) for each in reversed(wanted))
        yield Found(
            "stop",
            f"The bed wants a liner of {said}.",
            _largest(view, (there[1], there[0])),
            "Get a larger one, make the bed smaller, or the reservoir shallower.",
        )


def _largest(view: View, liner: tuple[float, float]) -> str:
    reservoir, store = view.bed.reservoir, view.store
    if reservoir is None or store is None:
        return ""
    try:
        length_m, width_m = largest_in_liner(*liner, store.height_m, reservoir.liner_lap_m or 0.0)
    except ValueError:
        return "The one there is doesn't even run up the sides."
    size = f"{show_length(length_m, view.system)} x {show_length(width_m, view.system)}"
    return f"The largest bed that the one there is lines is {size} inside."


class LinerPierced(Finding):
    """Something goes through the liner under the water line."""

    code = "liner_pierced"

    def look(self, view: View) -> Iterator[Found]:
        """Posts that stand in the reservoir."""
        store = view.store
        if store is None:
            return
        posts = sum(each.count for each in view.bed.buried if each.kind == "post" and each.bottom_m < store.full_m)
        if not posts:
            return
        yield Found(
            "stop",
            f"{posts} post{'s' if posts > 1 else ''} stand{'' if posts > 1 else 's'} in the water.",
            "Every staple, screw and post under the water line is a leak.",
            "Fasten above the water line, and set posts outside the liner.",
        )


class StandingWater(Finding):
    """Open water breeds mosquitoes and drowns children."""

    code = "standing_water"

    def look(self, view: View) -> Iterator[Found]:
        """Every reservoir, as long as it lies open."""
        if view.store is None:
            return
        yield Found(
            "note",
            f"{show_water(view.store.held_m3, view.system)} of water stand in it, open until it is filled over.",
            "A child can drown in a hand's depth, and mosquitoes breed in a week.",
            "Cover it while it is open, and keep a net over filler and overflow. " + DEFER,
        )


class WaterFromTop(Finding):
    """Seedlings don't reach the water yet."""

    code = "water_from_top"

    def look(self, view: View) -> Iterator[Found]:
        """Every reservoir."""
        if view.store is None:
            return
        yield Found(
            "note",
            f"Water from the top for about {SEEDLING_WEEKS} weeks, and once at the start of each season.",
            "Seeds and seedlings stand above what wicks, and dry soil has to be wetted before it wicks at all.",
            "Then leave the top dry.",
        )


class FlushYearly(Finding):
    """Salts stay behind when water only goes up."""

    code = "flush_yearly"

    def look(self, view: View) -> Iterator[Found]:
        """Every reservoir."""
        if view.store is None:
            return
        flush_m3 = 2 * view.store.held_m3
        yield Found(
            "note",
            f"Once a year pour {show_water(flush_m3, view.system)} through from the top, out at the overflow.",
            "Water that only rises leaves its salts at the surface.",
            "Do it in autumn, before the reservoir is drained for the frost.",
        )
