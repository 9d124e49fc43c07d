"""A fill whose materials settle and rot by other factors than usual."""

from __future__ import annotations

import math
from dataclasses import replace

from nolbet_core.record import record
from nolbet_core.shelf.material import Material
from nolbet_core.stack.fill import Filled
from nolbet_core.stack.layers import Bulk, Standing

MOST_SETTLED = 0.95
"""No material loses more of its volume by settling alone [0-1]."""


@record
class Factors:
    """How many times as much a bed settles, and how many times as fast it rots, as its materials' figures say."""

    settling: float = 1.0
    decay: float = 1.0


def with_factors(filled: Filled, factors: Factors) -> Filled:
    """A fill of materials that settle and rot by factors; it lies as it was laid."""
    return replace(filled, layers=tuple(_layer(each, factors) for each in filled.layers))


def _layer(layer: Standing, factors: Factors) -> Standing:
    asked = layer.asked
    changed = replace(asked, material=scaled(asked.material, factors))
    if isinstance(changed, Bulk) and changed.infill is not None:
        packing = replace(changed.infill, material=scaled(changed.infill.material, factors))
        changed = replace(changed, infill=packing)
    return replace(layer, asked=changed)


def scaled(material: Material, factors: Factors) -> Material:
    """A material that settles and rots by factors: its own figures, and those of what it is mixed of."""
    figures = dict(material.properties)
    for name, factor, most in (
        ("settles_share", factors.settling, MOST_SETTLED),
        ("decay_per_year", factors.decay, math.inf),
    ):
        known = figures.get(name)
        if known is not None:
            figures[name] = replace(known, value=min(known.value * factor, most))
    parts = tuple(replace(part, material=scaled(part.material, factors)) for part in material.parts)
    return replace(material, properties=figures, parts=parts)
