"""Beds put into as few zones as can be, each under what the tap gives: bin packing, proven."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence

import numpy as np

from nolbet_core.record import record

TAP_SHARE = 0.75
"""A zone takes no more than this of what the tap gives."""
USUAL_TAP_L_MIN = 15.0
"""What a garden's tap gives where nobody filled a bucket by the clock (estimate)."""
SECONDS = 10.0
NEARLY = 1e-9


@record
class Zone:
    """Beds that are watered together. flow_l_min: of all."""

    beds: tuple[str, ...]
    flow_l_min: float


@record
class Zoned:
    """Zones of a garden. too_much: beds whose lines alone take more than a zone may. proven: whether fewer zones can't
    be.
    """

    zones: tuple[Zone, ...]
    too_much: tuple[str, ...]
    proven: bool


def zoned(flows_l_min: Mapping[str, float], tap_l_min: float) -> Zoned:
    """Put beds into zones. flows_l_min: of each bed's lines. tap_l_min: what the tap gives."""
    most = TAP_SHARE * tap_l_min
    fits = {bed: flow for bed, flow in flows_l_min.items() if flow <= most + NEARLY}
    groups, proven = _packed(list(fits.values()), most)
    names = list(fits)
    zones = [Zone(tuple(names[each] for each in group), sum(fits[names[each]] for each in group)) for group in groups]
    alone = [Zone((bed,), flow) for bed, flow in flows_l_min.items() if bed not in fits]
    return Zoned((*zones, *alone), tuple(bed for bed in flows_l_min if bed not in fits), proven)


def _packed(sizes: Sequence[float], most: float) -> tuple[list[list[int]], bool]:
    """Groups of as few as can be whose sizes stay within the most, and whether that is proven."""
    if not sizes:
        return [], True
    quick = _first_fit(sizes, most)
    least = math.ceil(sum(sizes) / most - NEARLY)
    for bins in range(least, len(quick)):
        found, decided = _into(sizes, most, bins)
        if found is not None:
            return found, True
        if not decided:
            return quick, False
    return quick, True


def _first_fit(sizes: Sequence[float], most: float) -> list[list[int]]:
    """Largest first, each into the first group with room."""
    groups: list[list[int]] = []
    room: list[float] = []
    for index in sorted(range(len(sizes)), key=lambda each: (-sizes[each], each)):
        place = next((each for each, left in enumerate(room) if sizes[index] <= left + NEARLY), None)
        if place is None:
            groups.append([index])
            room.append(most - sizes[index])
        else:
            groups[place].append(index)
            room[place] -= sizes[index]
    return [sorted(group) for group in groups]


def _into(sizes: Sequence[float], most: float, bins: int) -> tuple[list[list[int]] | None, bool]:
    """Groups of sizes in so many bins, None where they don't go in; and whether that was decided in time."""
    from scipy.optimize import Bounds, LinearConstraint, milp  # noqa: PLC0415 -- slow to import, and seldom needed
    from scipy.sparse import block_array, eye_array, kron  # noqa: PLC0415

    items = len(sizes)
    once = kron(eye_array(items), np.ones((1, bins)))
    room = kron(np.asarray(sizes)[None, :], eye_array(bins))
    upper = np.ones(items * bins)
    for item in range(min(items, bins)):
        # bins are alike: the first thing lies in the first, the second in the first or second
        upper[item * bins + item + 1 : (item + 1) * bins] = 0
    rules = LinearConstraint(
        block_array([[once], [room]]).tocsr(),
        np.concatenate([np.ones(items), np.zeros(bins)]),
        np.concatenate([np.ones(items), np.full(bins, most + NEARLY)]),
    )
    answer = milp(
        np.zeros(items * bins),
        constraints=rules,
        bounds=Bounds(0, upper),
        integrality=np.ones(items * bins),
        options={"time_limit": SECONDS},
    )
    if answer.x is None:
        return None, answer.status == 2
    placed = answer.x.reshape(items, bins).argmax(axis=1)
    groups = [[item for item in range(items) if placed[item] == each] for each in range(bins)]
    return [group for group in groups if group], True
