"""All steps of one bed and those alike, each with what comes before it, and which are done by the bed's state."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import replace
from datetime import date

from nolbet_core.built.state import is_begun, laid_shares
from nolbet_core.built.worked import WorkedBed
from nolbet_core.stack.zone import mulch_begins
from nolbet_core.works.after_steps import after_steps
from nolbet_core.works.fill_steps import fill_steps
from nolbet_core.works.frame_steps import frame_steps
from nolbet_core.works.ground_steps import ground_steps, opens_ground
from nolbet_core.works.site import Site
from nolbet_core.works.step import STAGES, Stage, Step, following, step_key
from nolbet_core.works.water_steps import water_steps

WHOLE = 1.0 - 1e-9
SHOWN_AFTER_MONTHS = 2.0
"""How long the steps of a filled bed are still shown [months]."""
WAITS = ("settle", "rest", "winter")
WATERTIGHT = ("underlay", "liner", "leak_test")


def is_worked_on(worked: WorkedBed) -> bool:
    """Whether a bed has steps: planned, being filled, or filled lately."""
    if worked.state in ("planned", "filling"):
        return True
    age = worked.age_months
    return worked.state == "filled" and age is not None and age < SHOWN_AFTER_MONTHS


def bed_steps(worked: WorkedBed, site: Site) -> list[Step]:
    """Steps of a bed and those alike, in their order. site: what all share."""
    bed = worked.bed
    first = [step_key("", "level_plot")]
    ground = following(
        ground_steps(worked, site), [step_key("", "services"), *first] if opens_ground(worked) else first
    )
    frame = _framed(frame_steps(worked, site), [each.key for each in ground[-1:]])
    before = [each.key for each in (frame or ground)[-1:]]
    water = following(water_steps(worked, site), before)
    below = [step_key(bed.over, "filled")] if bed.over else []
    fill = following(fill_steps(worked, site), [*(each.key for each in water[-1:]), *([] if water else before), *below])
    last = [each.key for each in (fill or water or frame or ground)[-1:]]
    after = _after(after_steps(worked, site), last)
    steps = [_supplied(each, site) for each in (*ground, *frame, *water, *fill, *after)]
    return [_as_it_stands(each, worked) for each in steps]


def _framed(steps: Iterable[Step], ground: Sequence[str]) -> list[Step]:
    """A frame's steps: cutting waits for nothing but the wood, all else for the ground."""
    row = list(steps)
    cut = [each for each in row if each.kind == "cut"]
    rest = following([each for each in row if each.kind != "cut"], ground)
    keys = tuple(each.key for each in cut)
    return [*cut, *(replace(each, after=(*each.after, *keys)) if each.kind == "assemble" else each for each in rest)]


def _after(steps: list[Step], last: Sequence[str]) -> list[Step]:
    if not steps:
        return []
    first = steps[0]
    return [replace(first, after=(*first.after, *last)), *steps[1:]]


def _supplied(step: Step, site: Site) -> Step:
    """A step that waits for the loads that bring what it takes, and for what has to be got together."""
    loads = [step_key("", "load", load.key) for load in site.loads_with(step.uses)]
    gathered = [step_key("", "gather", key) for key in sorted(step.uses & site.gathered)]
    return replace(step, after=tuple(dict.fromkeys((*step.after, *gathered, *loads))))


def _as_it_stands(step: Step, worked: WorkedBed) -> Step:
    if step.kind in WAITS and is_full(worked) and worked.bed.built_on is not None:
        return _waiting_since(step, date.fromisoformat(worked.bed.built_on))
    return replace(step, done=is_done(step, worked))


def _waiting_since(step: Step, filled_on: date) -> Step:
    """A wait that has begun: what follows it may begin so many days after it was filled, or once its winter is over."""
    if step.release is None:
        return replace(step, done=True, done_on=filled_on)
    over = step.release(filled_on)
    return replace(step, done=True, done_on=filled_on, wait_days=(over - filled_on).days)


def is_done(step: Step, worked: WorkedBed) -> bool:
    """Whether the state of its bed says that a step is done."""
    bed, state = worked.bed, worked.state
    if step.layer is not None:
        return state == "filled" or (state == "filling" and laid_shares(bed)[step.layer] >= WHOLE)
    if step.layer_after is not None:
        return state == "filled" or (state == "filling" and laid_shares(bed)[step.layer_after] > 0)
    if step.kind == "filled":
        return is_full(worked)
    if step.kind in WATERTIGHT and bed.reservoir is not None:
        tested = bool(bed.reservoir.tested)
        return tested if step.kind == "leak_test" else tested or is_begun(bed, state)
    return STAGES.index(step.stage) < STAGES.index(_reached(worked))


def is_full(worked: WorkedBed) -> bool:
    """Whether a bed is filled: said to be, or with a day and all under its mulch laid."""
    if worked.state == "filled":
        return True
    laid = laid_shares(worked.bed)[: mulch_begins(worked.filled.layers)]
    return worked.state == "filling" and worked.bed.built_on is not None and all(share >= WHOLE for share in laid)


def _reached(worked: WorkedBed) -> Stage:
    """What a bed has come to by its state: all before it is done."""
    bed, state = worked.bed, worked.state
    if is_begun(bed, state):
        return "fill"
    if bed.reservoir is not None and bed.reservoir.tested:
        return "water"
    return "water" if bed.frame is not None and bed.frame.built else "ground"
