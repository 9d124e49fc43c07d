"""Beds that lie over a trench or pit: which lies over which, and the two as one profile."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import replace

from nolbet_core.built.bed import BuiltBed, build_bed
from nolbet_core.built.footing import on_open_ground
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.plan.shapes import WITH_CORNER_DEPTHS
from nolbet_core.record import record
from nolbet_core.shapes.profile import Profile, profile
from nolbet_core.shelf.material import Material
from nolbet_core.stack.fill import Filled, fill_bed
from nolbet_core.stack.layers import Asked, Bulk, Standing

PITS = frozenset({"trench", *WITH_CORNER_DEPTHS})
"""Kinds of shape that a bed can lie over: with that over it, its rim is the ground."""


@record
class OneProfile:
    """A bed with the pit below it as one. bed: in the plan file's words, the pit's layers under its own.

    pit_title: what the pit is called. pit_layers: how many of the layers are the pit's. empty_m: how much of it is left
    empty at its top [m].
    """

    bed: Bed
    vessel: Profile
    filled: Filled
    pit_title: str
    pit_layers: int
    empty_m: float


def pit_under(bed: Bed, beside: Mapping[str, Bed]) -> Bed | None:
    """The pit that a bed is one profile with; None where it lies over none, or over something that can't be one.

    beside: other beds of its garden by key. Over a reservoir's liner nothing below counts.
    """
    pit = beside.get(bed.over) if bed.over not in (None, bed.key) else None
    if pit is None or bed.reservoir is not None or not on_open_ground(bed):
        return None
    return None if _why_no_pit(pit) else pit


def bed_over(bed: Bed, beside: Mapping[str, Bed]) -> Bed | None:
    """The bed that lies over this one; None where none does."""
    return next((each for each in beside.values() if each.over == bed.key and each.key != bed.key), None)


def in_profiles(beds: Iterable[Bed]) -> dict[str, Bed]:
    """Beds that lie over others, and those that others lie over, by key."""
    beds = list(beds)
    over = {bed.over for bed in beds if bed.over is not None}
    return {bed.key: bed for bed in beds if bed.over is not None or bed.key in over} if over else {}


def beside_draft(bed: Bed, beds: Iterable[Bed]) -> dict[str, Bed]:
    """Beds that lie over others, and those under them, where one of them is a draft. beds: as they are kept."""
    return in_profiles([*(each for each in beds if each.key != bed.key), bed])


def one_profile(built: BuiltBed, filled: Filled, pit: Bed, materials: Mapping[str, Material]) -> OneProfile | None:
    """A filled bed and the pit below it as one; None where the pit doesn't hold together.

    What lies in the bed stands on what lies in the pit, and sinks into it where that isn't full.
    """
    under = build_bed(pit, materials).value
    if under is None:
        return None
    pit_filled = fill_bed(under.vessel, 0.0, under.layers)
    bed = built.bed
    words = bed.model_copy(
        update={
            "layers": [*pit.layers, *bed.layers],
            "dug_m": pit.dug_m,
            "blended_m": pit.blended_m,
            "turf": None,
            "over": None,
        }
    )
    vessel = profile(under.vessel, built.vessel)
    asked = [*_as_placed(pit_filled.layers), *_as_placed(filled.layers)]
    whole = fill_bed(vessel, bed.kept_empty_m, asked)
    return OneProfile(words, vessel, whole, pit.title, len(pit_filled.layers), pit_filled.to_fill_m)


def _as_placed(layers: Sequence[Standing]) -> Iterator[Asked]:
    for layer in layers:
        asked = layer.asked
        yield replace(asked, by="volume", amount=layer.placed_m3) if isinstance(asked, Bulk) else asked


def wrong_with_profiles(beds: Sequence[Bed]) -> Iterator[PlanProblem]:
    """What is wrong with which bed lies over which."""
    by_key = {bed.key: bed for bed in beds}
    taken: dict[str, Bed] = {}
    for index, bed in enumerate(beds):
        if bed.over is None:
            continue
        path, pit = f"beds[{index}].over", by_key.get(bed.over)
        if pit is None:
            yield PlanProblem(path, f"'{bed.over}' is no bed of this plan")
            continue
        why = _why_no_pit(pit)
        if pit is bed:
            yield PlanProblem(path, "is the bed itself; name the trench or pit below it")
        elif why:
            yield PlanProblem(path, f"'{bed.over}' {why}")
        elif bed.over in taken:
            yield PlanProblem(path, f"'{taken[bed.over].key}' lies over '{bed.over}' already")
        elif bed.count != pit.count:
            yield PlanProblem(path, f"there are {bed.count} of this bed and {pit.count} of '{bed.over}'")
        taken.setdefault(bed.over, bed)


def _why_no_pit(pit: Bed) -> str | None:
    if pit.over is not None:
        return f"lies over '{pit.over}' itself; one pit under a bed is all there can be"
    if pit.shape.kind not in PITS:
        return f"is a {pit.shape.kind.replace('_', ' ')}; a bed lies over a trench, or a pit with upright sides"
    if pit.reservoir is not None:
        return "holds a reservoir, and nothing below that counts"
    return None if on_open_ground(pit) else "doesn't lie in open ground"
