"""A step's tick is the bed's state: what a tick, or taking it back, changes in the bed's own words."""

from __future__ import annotations

from nolbet_core.built.bed import BuiltBed
from nolbet_core.plan.bed import Bed
from nolbet_core.record import record
from nolbet_core.stack.layers import Bulk
from nolbet_core.stack.zone import mulch_from


@record
class StepName:
    """A step's key taken apart: whose it is ("" for the garden's), of which kind, and which of them."""

    bed: str
    kind: str
    which: str


def step_name(key: str) -> StepName:
    """A step's key taken apart."""
    bed, kind, *which = key.split(".")
    return StepName("" if bed == "garden" else bed, kind, which[0] if which else "")


OF_THE_BED = ("layer", "filled", "leak_test", "assemble", "wall", "set")
"""Kinds of step whose tick is kept with the bed."""


def ticks_bed(name: StepName, bed: Bed) -> bool:
    """Whether a step's tick is kept with its bed, and nowhere else."""
    if name.kind in ("layer", "filled"):
        return True
    if name.kind == "leak_test":
        return bed.reservoir is not None
    return bed.frame is not None and name.kind == stands_by(bed)


def lowest_mulch(built: BuiltBed) -> int:
    """The place of a built bed's lowest layer of mulch, as many as it has layers where it has none."""
    return mulch_from([(each.material.group, isinstance(each, Bulk)) for each in built.layers])


def stands_by(bed: Bed) -> str:
    """The kind of step after which a bed's frame stands."""
    return "set" if bed.frame is not None and bed.frame.kind in ("boards", "bought") else "wall"


def ticked(bed: Bed, name: StepName, done: bool, on: str, mulch: int) -> Bed:
    """The bed once one of its steps is done, or no longer is. on: the day.

    mulch: the place of its lowest layer of mulch, as many as it has layers where it has none.

    Raises IndexError where it has no such layer.
    """
    if name.kind == "leak_test" and bed.reservoir is not None:
        return _with(bed, reservoir=bed.reservoir.model_copy(update={"tested": done or None}))
    if name.kind == "layer":
        return _layer(bed, int(name.which), done, mulch)
    if name.kind == "filled":
        return _filled(bed, done, on, mulch)
    if bed.frame is not None:
        return _with(bed, frame=bed.frame.model_copy(update={"built": done}))
    return bed


def _with(bed: Bed, **changed: object) -> Bed:
    return bed.model_copy(update=changed)


def _layer(bed: Bed, index: int, done: bool, mulch: int) -> Bed:
    count = len(bed.layers)
    if not 0 <= index < count:
        raise IndexError(index)
    laid = [1.0] * count if bed.state == "filled" else [*bed.laid, *[0.0] * (count - len(bed.laid))]
    laid[index] = 1.0 if done else 0.0
    if done and bed.built_on is not None and all(share >= 1.0 for share in laid):
        return _with(bed, state="filled", laid=[])
    if not any(laid):
        return _with(bed, state=None, laid=[], built_on=None)
    built_on = bed.built_on if done or index >= mulch else None
    return _with(bed, state="filling", laid=laid, built_on=built_on)


def _filled(bed: Bed, done: bool, on: str, mulch: int) -> Bed:
    count = len(bed.layers)
    if not done:
        laid = bed.laid or [1.0] * count
        return _with(bed, state="filling", laid=laid, built_on=None)
    later = [
        share if index >= mulch else 1.0 for index, share in enumerate([*bed.laid, *[0.0] * (count - len(bed.laid))])
    ]
    if mulch < count and not all(share >= 1.0 for share in later):
        return _with(bed, state="filling", laid=later, built_on=on)
    return _with(bed, state="filled", laid=[], built_on=on)
