"""Does the fill fit the bed, and the bed the gardener?"""

from __future__ import annotations

from collections.abc import Iterator

from nolbet_core.built.walls import wall_of
from nolbet_core.built.worked import WorkedBed
from nolbet_core.findings.finding import BedFinding, Found, Level
from nolbet_core.findings.mend import Mend, set_keys, thickness_of
from nolbet_core.quantities.writing import show_length, show_volume
from nolbet_core.stack.layers import Bulk

CLOSE_TO_RIM_M = 0.010
REACHED = 1.05
"""Nobody's reach is known closer than that."""

LITTLE_TOO_WIDE = 1.1
TOLERANCE_M = 1e-9


class OverRim(BedFinding):
    """The layers stand above the headspace line, or above the rim itself."""

    code = "over_rim"
    level = ("caution", "stop")
    topic = "fit"
    when = "the layers stand over the headspace line; over the rim itself"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Any overfill, told in depth and volume."""
        filled = worked.filled
        if filled.over_m <= 0:
            return
        over = f"{show_length(filled.over_m, worked.system)}, {show_volume(filled.over_m3, worked.system)}"
        rises = filled.top_m > worked.vessel.hollow.rim_m + TOLERANCE_M
        line = "rim" if rises and worked.bed.kept_empty_m == 0 else "headspace line"
        yield Found(
            "stop" if rises else "caution",
            f"The layers stand {over} over the {line}.",
            "What stands over the edge washes off with the first hard rain.",
            "Thin a layer, leave one out, or let one fill the rest.",
            mend=_thinner(worked),
        )


def _thinner(worked: WorkedBed) -> Mend | None:
    """The thickest layer with a thickness or volume of its own, thinned until all fits."""
    own = [
        (layer.thickness_m, index)
        for index, layer in enumerate(worked.filled.layers)
        if isinstance(layer.asked, Bulk) and layer.asked.by in {"thickness", "volume"}
    ]
    if not own:
        return None
    thick_m, index = max(own)
    if thick_m <= worked.filled.over_m:
        return None
    wanted_m = thick_m - worked.filled.over_m
    name = worked.filled.layers[index].material.name.lower()
    return Mend(f"Thin the {name} to {show_length(wanted_m, worked.system)}", thickness_of(worked, index, wanted_m))


class HeadspaceSmall(BedFinding):
    """The surface stands so close under the rim that watering runs over."""

    code = "headspace_small"
    level = ("advice",)
    topic = "fit"
    when = "the surface ends within 10 mm of the rim"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """A surface within 10 mm of the rim, not over it."""
        left_m = worked.vessel.hollow.rim_m - worked.filled.top_m
        if worked.vessel.form != "vessel":
            return
        if worked.filled.over_m > 0 or not worked.filled.layers or left_m >= CLOSE_TO_RIM_M - TOLERANCE_M:
            return
        left = show_length(left_m if left_m > TOLERANCE_M else 0.0, worked.system)
        yield Found(
            "advice",
            f"The surface ends {left} below the rim.",
            "Water and mulch need an edge to stay in, until the fill has settled.",
            f"Leave about {show_length(0.025, worked.system)} of headspace.",
            mend=Mend(f"Leave {show_length(0.025, worked.system)}", set_keys("", headspace_m=0.025)),
        )


class TooWide(BedFinding):
    """The middle of the bed lies beyond the gardener's reach."""

    code = "too_wide"
    level = ("advice", "caution")
    topic = "fit"
    when = "half the inside width (all of it when worked from one side) is over the reach by over 5 %; by over a tenth"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Half the width, or all of it when worked from one side, over the reach by more than 5 %."""
        bed = worked.bed
        sides = 1 if bed.worked_from == "one_side" else 2
        to_reach_m = worked.width_to_reach_m / sides
        if to_reach_m <= bed.reach_m * REACHED + TOLERANCE_M:
            return
        level: Level = "advice" if to_reach_m <= bed.reach_m * LITTLE_TOO_WIDE else "caution"
        said = show_length(to_reach_m, worked.system)
        reach = show_length(bed.reach_m, worked.system)
        most = show_length(bed.reach_m * sides, worked.system)
        from_where = "one side" if sides == 1 else "both sides"
        yield Found(
            level,
            f"Worked from {from_where}, the far soil is {said} away and the reach is {reach}.",
            "What can't be reached is trodden on, and trodden soil settles and drains badly.",
            f"Make it at most {most} wide inside, or lay a board to kneel on.",
            mend=_narrower(worked, sides),
        )


NARROWED_BY = ("width_m", "length_m")
"""Measures of which the shorter says how wide a bed is."""

SIMPLY_WIDE = frozenset({"box", "ellipse", "stadium", "flat_area"})


def _narrower(worked: WorkedBed, sides: int) -> Mend | None:
    bed = worked.bed
    if sides == 1 and worked.width_to_reach_m <= 2 * bed.reach_m + TOLERANCE_M:
        return Mend("Work it from both sides", set_keys("", worked_from="both_sides"))
    if bed.shape.kind == "circle":
        key = "diameter_m"
    elif bed.shape.kind in SIMPLY_WIDE:
        key = min(NARROWED_BY, key=lambda each: getattr(bed.shape, each))
    else:
        return None
    inside_m = bed.reach_m * sides
    wanted_m = inside_m + (2 * wall_of(bed) if bed.measured == "outside" else 0.0)
    return Mend(f"Make it {show_length(inside_m, worked.system)} wide inside", set_keys("shape", **{key: wanted_m}))
