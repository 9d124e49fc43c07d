"""How far the boundaries between layers are off as they are raked: partly by one hand in all beds, partly by chance."""

from __future__ import annotations

import math

from nolbet_core.draws.inputs import Inputs
from nolbet_core.draws.shapes import Drawn

RAKED_SD_M = 0.010
"""Error of a boundary between two layers, standard deviation [m]."""

ONE_HAND = 0.5
"""Share of that variance that all boundaries of all beds have in common [0-1]."""

HAND = "hand"
"""Name of the input that all of them share."""


def raking_error(inputs: Inputs, bed: str, boundary: int, places: int = 1, alike: int = 1) -> Drawn:
    """Error of a boundary by draw [m].

    bed: its key. places: places at which its depth was measured, which shows both parts of the error. alike: beds of
    that key, each raked by itself but by the same hand.
    """
    sd_m = RAKED_SD_M / math.sqrt(places)
    shared = inputs.normal(HAND, sd_m * math.sqrt(ONE_HAND))
    own = inputs.normal(f"raking {bed} {boundary}", sd_m * math.sqrt((1 - ONE_HAND) / alike))
    return shared + own
