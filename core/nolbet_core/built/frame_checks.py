"""What is wrong with a bed's frame: names that aren't there, sizes that contradict each other or can't be cut."""

from __future__ import annotations

from collections.abc import Iterator, Mapping

from nolbet_core.built.walls import frame_wall_m
from nolbet_core.frame.sizes import nominal_size
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.frame import Cutting, Frame
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.plan.shapes import BOARDED
from nolbet_core.shelf.timber import TIMBER
from nolbet_core.shelf.walling import WALLING

AGREES_M = 1e-6


def wrong_with_frame(bed: Bed, materials: Mapping[str, object], path: str) -> Iterator[PlanProblem]:
    """What is wrong with a bed's frame. materials: own ones, which it may be of. path: how the bed is called."""
    frame = bed.frame
    if frame is None:
        return
    here = f"{path}.frame"
    try:
        made_m = frame_wall_m(frame)
    except PlanProblem as problem:
        yield PlanProblem(f"{here}.{problem.path}", problem.message)
        return
    if made_m is not None and bed.wall_m and abs(bed.wall_m - made_m) > AGREES_M:
        yield PlanProblem(f"{path}.wall_m", f"is {bed.wall_m:g}, and its frame is {made_m:g} thick; leave wall_m out")
    yield from _wrong_with_names(frame, materials, here)
    yield from _wrong_with_boards(bed, frame, here)
    yield from too_thin(bed, Cutting().kerf_m, path)
    legs, stand = frame.legs, bed.stand
    if legs is not None and legs.section_m is None and frame.kind != "boards":
        yield PlanProblem(f"{here}.legs.section_m", "has to be given where the frame has no boards to make legs of")
    if legs is not None and stand is not None and stand.legs is not None and stand.legs != legs.count:
        yield PlanProblem(f"{here}.legs.count", f"is {legs.count}, and stand.legs says {stand.legs}; leave one out")


def _wrong_with_boards(bed: Bed, frame: Frame, here: str) -> Iterator[PlanProblem]:
    """Boards round what has no straight sides, sizes that contradict the name, posts and slots that don't fit."""
    if frame.kind == "boards" and not isinstance(bed.shape, BOARDED):
        said = bed.shape.kind.replace("_", " ")
        yield PlanProblem(f"{here}.kind", f"boards go round straight sides, and this is a {said}")
    if frame.nominal is not None:
        for key, true_m in zip(("thickness_m", "width_m"), nominal_size(frame.nominal), strict=True):
            given = getattr(frame, key)
            if given is not None and abs(given - true_m) > AGREES_M:
                yield PlanProblem(
                    f"{here}.{key}", f"is {given:g}, and a {frame.nominal} is {true_m:g}; leave one of them out"
                )
    for key, wanted in (("post_m", ("corner_post", "slotted_post")), ("slot_m", ("slotted_post",))):
        if frame.kind == "boards" and frame.corner in wanted and getattr(frame, key) is None:
            yield PlanProblem(f"{here}.{key}", f"has to be given for a {frame.corner.replace('_', ' ')}")
    if frame.slot_m is not None and frame.post_m is not None and 2 * frame.slot_m > frame.post_m:
        yield PlanProblem(f"{here}.slot_m", f"is {frame.slot_m:g}, more than half of a post of {frame.post_m:g}")


def too_thin(bed: Bed, kerf_m: float, path: str) -> Iterator[PlanProblem]:
    """Boards no thicker than what the saw takes, of which nothing is left. kerf_m: what it takes [m]."""
    frame = bed.frame
    if frame is None or frame.kind != "boards" or frame.nominal is not None:
        return
    for key, each_m in (("thickness_m", frame.thickness_m), ("width_m", frame.width_m)):
        if each_m is not None and each_m <= kerf_m:
            yield PlanProblem(
                f"{path}.frame.{key}",
                f"is {each_m:g}, and the saw takes {kerf_m:g}: no board is so thin; give its true size in metres",
            )


def _wrong_with_names(frame: Frame, materials: Mapping[str, object], here: str) -> Iterator[PlanProblem]:
    known = TIMBER if frame.kind == "boards" else WALLING
    if frame.material is not None and frame.material not in known and frame.material not in materials:
        yield PlanProblem(f"{here}.material", f"'{frame.material}' is none of {', '.join(known)}")
    if frame.lowest is not None and frame.lowest not in TIMBER:
        yield PlanProblem(f"{here}.lowest", f"'{frame.lowest}' is no timber; it is one of {', '.join(TIMBER)}")
    if frame.lining is not None and frame.lining not in materials:
        yield PlanProblem(f"{here}.lining", f"'{frame.lining}' isn't on the shelf")
