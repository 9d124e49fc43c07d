"""A bed left halfway: what is done, what comes next, and what has to be made safe till then."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from nolbet_core.built.worked import WorkedBed
from nolbet_core.quantities.writing import show_length
from nolbet_core.record import record
from nolbet_core.works.step import Step, step_key
from nolbet_core.works.texts import DEFER


@record
class BrokenOff:
    """A bed left halfway. done: its last step that is; next: the first that isn't. safe: what to see to till then."""

    worked: WorkedBed
    done: Step
    next: Step
    safe: tuple[str, ...]


PHYSICAL = frozenset(
    {"turf", "dig", "loosen", "level", "posts", "cut", "assemble", "set", "wall", "line", "place", "underlay", "liner",
     "leak_test", "reservoir", "layer", "sheet"}
)  # fmt: skip
"""Steps that leave something standing, open or lying."""


def broken_off(steps: Sequence[Step], beds: Sequence[WorkedBed]) -> Iterator[BrokenOff]:
    """Beds of which something is done and something is not, filled ones left out. steps: of the garden."""
    of_bed: dict[str, list[Step]] = {}
    for step in steps:
        of_bed.setdefault(step.bed, []).append(step)
    for worked in beds:
        row = of_bed.get(worked.bed.key, [])
        done = [each for each in row if each.done and each.kind in PHYSICAL]
        undone = [each for each in row if each.is_open]
        if not done or not undone or any(each.kind == "filled" and each.done for each in row):
            continue
        yield BrokenOff(worked, done[-1], undone[0], tuple(_safe(worked, {each.key for each in row if each.done})))


def _safe(worked: WorkedBed, done: set[str]) -> Iterator[str]:
    bed, system = worked.bed, worked.system

    def over(kind: str) -> bool:
        return step_key(bed.key, kind) in done

    if over("dig"):
        deep = show_length(worked.vessel.hollow.rim_m, system)
        yield f"Fence or board over the open ground, {deep} deep; keep children, pets and the edge clear. {DEFER}"
    if (over("liner") or over("leak_test")) and not over("reservoir"):
        yield f"Cover the lined box: rain fills it, a child or an animal can drown in it. {DEFER}"
        yield "Keep sun off the bare liner, and leaves and grit out of it."
        if not over("leak_test"):
            yield "It isn't tested yet: nothing goes in before its level has held for 24 h."
    if over("posts") and not over("set"):
        yield "Brace the posts; nobody leans on them till the boards are on."
    if over("wall") and not any(key.startswith(f"{bed.key}.layer") for key in done):
        yield f"Nobody steps or sits on a wall that nothing holds from behind yet. {DEFER}"
    laid = [layer for layer in worked.filled.layers if layer.material.is_sheet]
    if laid and any(key.startswith(f"{bed.key}.layer") for key in done):
        yield "Weigh down what is laid loose, and keep it wet."
    elif any(key.startswith(f"{bed.key}.layer") for key in done):
        yield "Cover what is laid against heavy rain and cats; wet it again before you go on."
