"""Taking a bed apart: what is left of its layers today, on the gardener's heaps and in the bed."""

from __future__ import annotations

import itertools
from collections import Counter
from collections.abc import Callable, Collection, Iterable, Mapping, Sequence
from dataclasses import replace
from typing import TypeVar

import numpy as np

from nolbet_core.built.worked import WorkedBed
from nolbet_core.plan.bed import Bed, Layer
from nolbet_core.plan.garden import OwnMaterial, Stock
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.record import record
from nolbet_core.settling.matter import Matter, matter_by_layer
from nolbet_core.settling.surface import sunken_spans
from nolbet_core.shelf.library import standard_shelf
from nolbet_core.stack.fill import Filled
from nolbet_core.stack.layers import Standing

LEAST_M3 = 1e-6
"""What is left of a layer below this is nothing [m3]."""

LONGEST_NAME = 80
LONGEST_KEY = 60


@record
class Left:
    """What is left of a bulk layer today in one bed.

    index: of the layer. volume_m3: as it lies there [m3]. material: what it has become, in the plan's words. span_m:
    where it lies, above the floor [m]. loose_factor: loose volume for each m3 as it lies.
    """

    index: int
    volume_m3: float
    material: OwnMaterial
    span_m: tuple[float, float]
    loose_factor: float


@record
class Emptied:
    """A bed taken apart, in whole or in part: the bed as it is then, what its fill has become, and the heaps of it.

    materials: new own ones. heaps: loose, of all beds alike.
    """

    bed: Bed
    materials: tuple[OwnMaterial, ...]
    heaps: tuple[Stock, ...]

    def renamed(self, key_of: Callable[[str, Collection[str]], str]) -> Emptied:
        """The same with its materials under other keys. key_of: gives one for a name, beside those given already."""
        keys: dict[str, str] = {}
        for each in self.materials:
            keys[each.key] = key_of(each.name or each.key, keys.values())
        layers = [_under(layer, keys) for layer in self.bed.layers]
        return Emptied(
            self.bed.model_copy(update={"layers": layers}),
            tuple(_under_key(each, keys) for each in self.materials),
            tuple(_under(each, keys) for each in self.heaps),
        )


Named = TypeVar("Named", Layer, Stock)


def _under(part: Named, keys: Mapping[str, str]) -> Named:
    return part.model_copy(update={"material": keys.get(part.material, part.material)})


def _under_key(own: OwnMaterial, keys: Mapping[str, str]) -> OwnMaterial:
    return own.model_copy(update={"key": keys[own.key]})


def left_today(worked: WorkedBed) -> list[Left]:
    """What is left of each bulk layer of a begun bed today, bottom to top.

    Solids, carbon and nitrogen are as the ledger has them, volumes as it has sunk; what packs a layer stays in it.
    Raises PlanProblem of a bed in which nothing lies.
    """
    filled, month = _lying(worked)
    shares = worked.settling.remaining[:, month] if month else np.ones(len(filled.layers))
    volumes = [layer.placed_m3 * float(share) for layer, share in zip(filled.layers, shares, strict=True)]
    matter = matter_by_layer(filled, worked.settling.clock, month)
    spans = _spans(worked, filled, volumes)
    return _told_apart(
        Left(index, volume, _became(layer, volume, own, worked), spans[index], layer.material.loose_factor)
        for index, (layer, volume, own) in enumerate(zip(filled.layers, volumes, matter, strict=True))
        if volume > LEAST_M3
    )


def _told_apart(layers: Iterable[Left]) -> list[Left]:
    """Layers of one material have rotted each in its own way, and become materials of their own."""
    met: Counter[str] = Counter()
    apart = []
    for each in layers:
        key = each.material.key
        met[key] += 1
        again = {"key": f"{key[: LONGEST_KEY - 3]}_{met[key]}"} if met[key] > 1 else {}
        apart.append(replace(each, material=each.material.model_copy(update=again)))
    return apart


def empty_bed(worked: WorkedBed, today: str, down_to_m: float = 0.0) -> Emptied:
    """Take a bed apart onto the heaps. today: the day of it. down_to_m: height above the floor it is dug out to [m].

    What stays in it is laid already, and the bed is being filled anew; where nothing stays it is taken apart. Raises
    PlanProblem of a bed in which nothing lies.
    """
    bed, layers = worked.bed, left_today(worked)
    out = [(each, each.volume_m3 * _share_above(worked, each, down_to_m)) for each in layers]
    stays = [(each, each.volume_m3 - gone) for each, gone in out if each.volume_m3 - gone > LEAST_M3]
    heaps = [
        Stock(material=each.material.key, volume_m3=gone * each.loose_factor * bed.count)
        for each, gone in out
        if gone > LEAST_M3
    ]
    if stays:
        changed = _with_left(bed, stays)
    else:
        changed = bed.model_copy(update={"state": "emptied", "emptied_on": today, "laid": []})
    used = {heap.material for heap in heaps} | {each.material.key for each, _ in stays}
    return Emptied(changed, tuple(each.material for each in layers if each.material.key in used), tuple(heaps))


def build_on(worked: WorkedBed) -> Emptied:
    """A begun bed with what is left of it today as its lowest layers, laid, so that more can be laid on.

    Raises PlanProblem of a bed in which nothing lies.
    """
    layers = left_today(worked)
    changed = _with_left(worked.bed, [(each, each.volume_m3) for each in layers])
    return Emptied(changed, tuple(each.material for each in layers), ())


def _with_left(bed: Bed, stays: Sequence[tuple[Left, float]]) -> Bed:
    layers = [Layer(material=each.material.key, volume_m3=volume) for each, volume in stays]
    changed = {"layers": layers, "laid": [1.0] * len(layers), "state": "filling", "built_on": None, "school": None}
    return bed.model_copy(update=changed)


def _lying(worked: WorkedBed) -> tuple[Filled, int]:
    """The bed as it was laid, and for how many months it has lain."""
    if worked.state == "filling" and worked.laid.layers:
        return worked.laid, 0
    if worked.state != "filled":
        raise PlanProblem("state", f"is {worked.state}: there is nothing in the bed to take out")
    return worked.filled, round(worked.age_months or 0.0)


def _spans(worked: WorkedBed, filled: Filled, volumes: Sequence[float]) -> list[tuple[float, float]]:
    """Where the layers lie by now [m]."""
    if not worked.vessel.sinks_in_place:
        return sunken_spans(worked.vessel.hollow, volumes, filled.base_m)
    thick = [
        layer.thickness_m * (volume / layer.placed_m3 if layer.placed_m3 else 0.0)
        for layer, volume in zip(filled.layers, volumes, strict=True)
    ]
    tops = np.cumsum([filled.base_m, *thick]).tolist()
    return list(itertools.pairwise(tops))


def _share_above(worked: WorkedBed, layer: Left, height_m: float) -> float:
    """Share of a layer's volume that lies above a height [0-1]."""
    bottom_m, top_m = layer.span_m
    if height_m <= bottom_m:
        return 1.0
    if height_m >= top_m:
        return 0.0
    if worked.vessel.sinks_in_place:
        return (top_m - height_m) / (top_m - bottom_m)
    return worked.vessel.hollow.volume_between(height_m, top_m) / layer.volume_m3


def _became(layer: Standing, volume_m3: float, matter: Sequence[Matter], worked: WorkedBed) -> OwnMaterial:
    """What a layer's fill has become: like its material, as heavy, rich and rotten as it is by now."""
    material, bed = layer.material, worked.bed
    solids_kg = sum(each.solids_kg for each in matter)
    laid_kg = layer.mass_dry_kg + layer.infill_mass_dry_kg
    rotten = 1 - solids_kg / laid_kg if laid_kg > 0 else 0.0
    stays = material.settling[1]
    figures = {
        "dry_density_kg_m3": solids_kg / volume_m3,
        "carbon": sum(each.carbon_kg for each in matter) / solids_kg,
        "nitrogen": sum(each.nitrogen_kg for each in matter) / solids_kg,
        "stays_share": min(stays / (1 - rotten), 1.0) if rotten < 1 else stays,
        "void_share": max(layer.void_m3 - layer.infill_m3, 0.0) / layer.placed_m3,
    }
    like = material.like or _like(layer)
    if not material.parts and material.settling != standard_shelf()[like].settling:
        figures |= {"settles_share": material.settling[0], "decay_per_year": material.decay_per_year}
    name = f"Used {material.name.split(',')[0].lower()}, {bed.title}"[:LONGEST_NAME]
    key = f"used_{bed.key}_{material.key}"[:LONGEST_KEY]
    return OwnMaterial.model_validate({"key": key, "like": like, "name": name, **figures})


def _like(layer: Standing) -> str:
    """The shelf's material that a layer's fill is most like: of a mix, the part there is most of."""
    parts = layer.material.parts
    if not parts:
        return layer.material.key
    most = max(parts, key=lambda part: part.volume_share).material
    return most.like or most.key
