"""How a mound settles: its layers are shells, and at every place across it what lies there sinks by its own share."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from nolbet_core.shapes.mound import Mound

ACROSS = 61
"""Points across a settled mound; an odd number, so that one lies over the middle."""

MIDDLE = ACROSS // 2

Heights = NDArray[np.float64]


@dataclass(frozen=True, slots=True)
class SettledShell:
    """A layer of a mound by then: its lower and upper line [m], at places across the cut [m]."""

    across_m: Heights
    lower_m: Heights
    upper_m: Heights


def places_across(mound: Mound) -> Heights:
    """Places across a mound at which it settles [m]."""
    half_m = mound.inside.width_m / 2
    return np.linspace(-half_m, half_m, ACROSS)


def settled_shells(
    mound: Mound, tops_m: Sequence[float], shares: Sequence[float], let_down_m: Heights | None = None
) -> list[SettledShell]:
    """Layers of a mound once each has come to a share of what was laid [0-1].

    tops_m: their tops along which they were laid, bottom to top [m]. let_down_m: how far the ground below has sunk, at
    the places across [m].
    """
    across = places_across(mound)
    lower = np.zeros(ACROSS)
    sunken_lower = lower if let_down_m is None else -let_down_m
    shells = []
    for top_m, share in zip(tops_m, shares, strict=True):
        upper = _profile_at(mound, top_m, across)
        sunken = sunken_lower + (upper - lower) * share
        shells.append(SettledShell(across, sunken_lower, sunken))
        lower, sunken_lower = upper, sunken
    return shells


def _profile_at(mound: Mound, level_m: float, across: Heights) -> Heights:
    if level_m <= 0:
        return np.zeros(len(across))
    profile = mound.profile(mound.hollow.cover_at(level_m))
    heights: Heights = np.interp(across, [x for x, _ in profile], [y for _, y in profile], left=0.0, right=0.0)
    return heights
