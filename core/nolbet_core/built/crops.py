"""The crops that a plan may name: the shelf's and the gardener's own, and what is wrong with those that beds name."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping, Sequence

from nolbet_core.built.checked import Checked
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.planting import OwnCrop
from nolbet_core.plan.problems import PlanProblem, unknown_key
from nolbet_core.planting.crops import Crop, own_crop, standard_crops


def gather_crops(own: Iterable[OwnCrop]) -> Checked[Mapping[str, Crop]]:
    """The shelf's crops with a garden's own, those left out that don't hold.

    Problems: a key that stands twice, a crop like none of the shelf.
    """
    crops: dict[str, Crop] = dict(standard_crops())
    problems: list[PlanProblem] = []
    for index, entry in enumerate(own):
        path = f"crops[{index}]"
        if entry.key in crops:
            problems.append(PlanProblem(f"{path}.key", f"'{entry.key}' is taken already"))
        elif entry.like not in standard_crops():
            problems.append(unknown_key(f"{path}.like", entry.like, standard_crops()))
        else:
            figures = entry.model_dump(exclude={"key", "like", "name"}, exclude_none=True)
            crops[entry.key] = own_crop(entry.key, entry.name, standard_crops()[entry.like], figures)
    return Checked(crops, tuple(problems))


def wrong_with_arches(beds: Sequence[Bed]) -> Iterator[PlanProblem]:
    """Mesh arches that lead to no other bed of a plan."""
    keys = {bed.key for bed in beds}
    for index, bed in enumerate(beds):
        to = bed.cover.arch_to if bed.cover is not None else None
        if to is None:
            continue
        path = f"beds[{index}].cover.arch_to"
        if to == bed.key:
            yield PlanProblem(path, "is the bed itself; name the one on the other side of the path")
        elif to not in keys:
            yield PlanProblem(path, f"'{to}' is no bed of this plan")


def wrong_with_crops(bed: Bed, crops: Mapping[str, Crop], path: str) -> Iterator[PlanProblem]:
    """Crops that a bed names and that aren't there. path: how the bed is called in a problem."""
    for index, each in enumerate(bed.crops):
        if each.crop not in crops:
            yield unknown_key(f"{path}.crops[{index}].crop", each.crop, crops)
