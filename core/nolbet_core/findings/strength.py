"""Stops for wood that is too weak for what it bears: floors, legs and posts."""

from __future__ import annotations

import math
from collections.abc import Iterator

from nolbet_core.built.frame import BuiltFrame, floor_wood
from nolbet_core.built.worked import WorkedBed
from nolbet_core.findings.finding import DEFER, BedFinding, Found
from nolbet_core.findings.mend import Mend, set_keys
from nolbet_core.frame.floors import FloorSpan, bearers_for
from nolbet_core.frame.strength import heaviest_leg_share
from nolbet_core.quantities.writing import show_length, show_mass

ESTIMATE = "This is an estimate, not a design. " + DEFER
"""The end of every finding on strength."""

MOST_LEGS = 20


class FloorWeak(BedFinding):
    """A floor on legs is too weak for what it bears."""

    code = "floor_weak"
    level = ("stop",)
    topic = "frame"
    when = "slats or bearers of a floor on legs are stressed beyond their design strength (EN 1995-1-1), wet through"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Floors whose slats or bearers could break."""
        framed = worked.framed
        spans = framed.floor_spans if framed else None
        if framed is None or spans is None or spans.is_strong:
            return
        what, span = ("slats", spans.slats) if not spans.slats.is_strong else ("bearers", spans.bearers)
        reservoir = ", with the reservoir and its water" if worked.water else ""
        yield Found(
            "stop",
            f"The floor's {what} are too weak: {_spans(span, span.strength_m, worked)}.",
            f"The floor bears {show_mass(worked.standing_kg, worked.system)} wet through{reservoir}, and wood under a "
            "load for years takes half of what it takes for a moment.",
            floor_advice(framed) + ESTIMATE,
            mend=floor_mend(framed),
        )


class FloorSags(BedFinding):
    """A floor on legs is strong enough, and bends under wet soil."""

    code = "floor_sags"
    level = ("caution",)
    topic = "frame"
    when = "slats or bearers of a floor on legs bend by over a 150th of their span"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Floors whose slats or bearers span too far."""
        framed = worked.framed
        spans = framed.floor_spans if framed else None
        if framed is None or spans is None or spans.holds or not spans.is_strong:
            return
        what, span = ("slats", spans.slats) if not spans.slats.holds else ("bearers", spans.bearers)
        yield Found(
            "caution",
            f"The floor's {what} will sag: {_spans(span, span.sag_m, worked)}.",
            "A floor that sags opens its joints, lets the liner hang, and goes on sagging as the wood creeps.",
            floor_advice(framed) + ESTIMATE,
            mend=floor_mend(framed),
        )


def _spans(span: FloorSpan, most_m: float, worked: WorkedBed) -> str:
    return f"{show_length(span.is_m, worked.system)} span, {show_length(most_m, worked.system)} at most"


def floor_mend(framed: BuiltFrame) -> Mend | None:
    """More bearers where they hold the floor; None where none do."""
    wanted = _bearers(framed)
    return Mend(f"Put in {wanted} bearers", set_keys("frame.floor", bearers=wanted)) if wanted else None


def floor_advice(framed: BuiltFrame) -> str:
    """A sentence on what makes a floor hold."""
    wanted = _bearers(framed)
    if not wanted:
        return "Use thicker wood or more legs. "
    cross = "; bearers inside rest on a cross rail from leg to leg" if wanted > 2 else ""
    return f"Put in {wanted} bearers{cross}. Thicker wood or more legs help too. "


def _bearers(framed: BuiltFrame) -> int | None:
    floor = framed.frame.floor
    if floor is None or framed.frame.legs is None:
        return None
    return bearers_for(framed.floor_load_pa, *framed.floor_m, framed.leg_bays, floor_wood(framed, floor))


class LegWeak(BedFinding):
    """A leg is too weak for what it bears."""

    code = "leg_weak"
    level = ("stop",)
    topic = "frame"
    when = "the heaviest leg bears over a third of the load at which it buckles, or more than its wood can take"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Boxes whose heaviest leg could buckle."""
        framed = worked.framed
        legs, load_kg = (framed.frame.legs, worked.heaviest_leg_kg) if framed else (None, None)
        capacity_kg = framed.leg_capacity_kg if framed else None
        if framed is None or legs is None or load_kg is None or capacity_kg is None or load_kg <= capacity_kg:
            return
        bears, most = (show_mass(each, worked.system) for each in (load_kg, capacity_kg))
        more = _legs_for(worked.standing_kg, capacity_kg, legs.count)
        yield Found(
            "stop",
            f"The heaviest leg bears {bears}; {most} at most.",
            f"A leg of {show_length(legs.length_m, worked.system)} that is too slender bends out sideways and folds.",
            f"Use thicker legs{f', or {more} legs' if more else ''}. " + ESTIMATE,
            mend=Mend(f"Use {more} legs", set_keys("frame.legs", count=more)) if more else None,
        )


def _legs_for(standing_kg: float, capacity_kg: float, legs: int) -> int | None:
    """The fewest legs, in pairs, that bear a box; None where twenty do not."""
    for count in range(legs + 2 - legs % 2, MOST_LEGS + 1, 2):
        if standing_kg * heaviest_leg_share(count) <= capacity_kg:
            return count
    return None


class PostWeak(BedFinding):
    """A post between the corners is too weak for the soil behind its wall."""

    code = "post_weak"
    level = ("stop",)
    topic = "frame"
    when = "a post between the corners, without a tie, is bent beyond its design strength (EN 1995-1-1)"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Middle posts that the wet fill could break off at the ground."""
        framed = worked.framed
        share = framed.post_stress_share if framed else None
        if framed is None or share is None or share <= 1:
            return
        thick_m = math.ceil((framed.frame.post_m or 0.0) * share ** (1 / 3) * 200) / 200
        yield Found(
            "stop",
            f"Middle posts are bent to {share:.0%} of their strength.",
            "Wet fill pushes the wall out, and such a post holds it by its foot alone.",
            f"Put a tie across from post to post, or use posts {show_length(thick_m, worked.system)} thick. "
            + ESTIMATE,
            mend=Mend("Put ties across", set_keys("frame", ties=framed.frame.middle_posts)),
        )
