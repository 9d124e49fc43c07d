"""One batch from whole bags: which to buy, and how much of each goes in, to meet the bands for the least money."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from nolbet_core.blend.programme import CASES, Case, Component, Programme
from nolbet_core.blend.target import Target
from nolbet_core.shelf.material import Material

Values = NDArray[np.float64]

LONGEST_S = 5.0
"""How long the integer programme may think [s]; what it has by then is told as not proven."""


@dataclass(frozen=True, slots=True)
class Bag:
    """A bag that can be bought: its material, loose volume [m3] and price [money]. offer: the caller's own mark."""

    material: Material
    volume_m3: float
    price: float
    offer: int = 0


@dataclass(frozen=True, slots=True)
class Heap:
    """What lies on hand of a material, loose [m3]."""

    material: Material
    volume_m3: float


@dataclass(frozen=True, slots=True)
class Batch:
    """A batch: how many of each bag to buy, the loose volume of each material that goes in [m3], what is left over in
    bags [m3], the loose volume made [m3], and the price. proven: whether nothing cheaper can be had.
    """

    counts: tuple[int, ...]
    volumes: dict[str, float]
    left_m3: dict[str, float]
    made_m3: float
    price: float
    proven: bool


def batch(
    bags: Sequence[Bag],
    heaps: Sequence[Heap],
    target: Target,
    volume_m3: float,
    limits: dict[str, tuple[float, float]] | None = None,
) -> Batch | None:
    """The cheapest whole bags from which, with what is on hand, at least a volume of mix that meets a target is made.

    volume_m3: loose volume wanted [m3], over 0. limits: least and most share of single materials [0-1]. None where no
    mix of these meets the bands. Solved as an integer programme (HiGHS) for each way fines can lie in coarse voids.
    """
    materials = {bag.material.key: bag.material for bag in bags} | {heap.material.key: heap.material for heap in heaps}
    held = limits or {}
    components = [Component(each, 0.0, None, *held.get(key, (0.0, 1.0))) for key, each in materials.items()]
    programme = Programme(components, target)
    if not programme.components:
        return None
    found = [_solved(programme, bags, heaps, volume_m3, case) for case in CASES]
    good = [each for each in found if each is not None]
    return min(good, key=lambda each: (round(each.price, 6), sum(each.left_m3.values()))) if good else None


def _solved(
    programme: Programme, bags: Sequence[Bag], heaps: Sequence[Heap], volume_m3: float, case: Case
) -> Batch | None:
    from scipy.optimize import Bounds, LinearConstraint, milp  # noqa: PLC0415 - takes a second to import

    keys = [each.material.key for each in programme.components]
    count, kinds = len(keys), len(bags)
    made = programme.made(case)
    rows = [programme.holding(case), *(row.coefficients for row in programme.rows(case))]
    bands = np.hstack([np.array(rows), np.zeros((len(rows), kinds))])
    there = np.zeros((count, count + kinds))
    on_hand = np.zeros(count)
    for index, key in enumerate(keys):
        there[index, index] = 1.0
        there[index, count:] = [-bag.volume_m3 * (bag.material.key == key) for bag in bags]
        on_hand[index] = sum(heap.volume_m3 for heap in heaps if heap.material.key == key)
    makes = np.concatenate([made, np.zeros(kinds)])
    most = volume_m3 / float(made.min())
    bag_bounds = [math.ceil(most / bag.volume_m3) + 1 if bag.material.key in keys else 0 for bag in bags]
    answer = milp(
        np.concatenate([np.full(count, TINY), [bag.price for bag in bags]]),
        constraints=[
            LinearConstraint(bands, -np.inf, 0.0),
            LinearConstraint(there, -np.inf, on_hand),
            LinearConstraint(makes[np.newaxis], volume_m3, np.inf),
        ],
        integrality=np.concatenate([np.zeros(count), np.ones(kinds)]),
        bounds=Bounds(np.zeros(count + kinds), np.concatenate([np.full(count, 2 * most), bag_bounds])),
        options={"time_limit": LONGEST_S, "mip_rel_gap": 1e-6},
    )
    if answer.x is None:
        return None
    counts = tuple(round(value) for value in answer.x[count:])
    volumes = {key: float(value) for key, value in zip(keys, answer.x[:count], strict=True) if value > 1e-9}
    left = {}
    for index, key in enumerate(keys):
        bought = sum(n * bag.volume_m3 for n, bag in zip(counts, bags, strict=True) if bag.material.key == key)
        over = bought - max(volumes.get(key, 0.0) - on_hand[index], 0.0)
        if over > 1e-9:
            left[key] = float(over)
    price = sum(n * bag.price for n, bag in zip(counts, bags, strict=True))
    return Batch(counts, volumes, left, float(made @ answer.x[:count]), price, answer.status == 0)


TINY = 1e-2
"""A grain of cost on what goes in, so that no more is mixed than is wanted [money/m3]."""
