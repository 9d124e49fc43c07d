"""A mix as a material of its own: what its parts yield together and what the yield weighs."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from nolbet_core.shelf.material import Grain, Material, Property

FALL_IN = 0.5
"""Share of the room between coarse grains that fines fall into on mixing (estimate; a bucket test replaces it)."""

SOURCE = "worked out from its parts"


@dataclass(frozen=True, slots=True)
class Part:
    """So many parts by loose volume of a material."""

    material: Material
    parts: float


@dataclass(frozen=True, slots=True)
class Mix:
    """A mix with the material it makes and its recipe: loose volume of each part for one loose m3 of mix [m3/m3]."""

    material: Material
    recipe: Mapping[str, float]


def yield_volume(parts: Sequence[Part]) -> float:
    """Loose volume that parts make together, in parts: sum v - e x min(v_fine, void_coarse x v_coarse).

    e is FALL_IN; the voids of several coarse parts add up.
    """
    total = sum(part.parts for part in parts)
    fine = sum(part.parts for part in parts if part.material.grain == "fine")
    room = sum(part.parts * part.material.void_share for part in parts if part.material.grain == "coarse")
    return total - FALL_IN * min(fine, room)


def blend(key: str, name: str, parts: Sequence[Part]) -> Mix:
    """The mix of parts given by loose volume.

    Mass is kept: a part weighs its placed density over its loose factor for each loose m3. The mix's loose factor is
    the volume-weighted mean of its parts' (estimate).

    Raises ValueError where the parts add up to nothing.
    """
    total = sum(part.parts for part in parts)
    if total <= 0:
        raise ValueError("the parts of a mix add up to nothing")
    made = yield_volume(parts)
    loose_factor = sum(part.parts * part.material.loose_factor for part in parts) / total
    moist = sum(part.parts * part.material.bulk_density_kg_m3 / part.material.loose_factor for part in parts)
    dry = sum(part.parts * part.material.dry_density_kg_m3 / part.material.loose_factor for part in parts)
    wet = sum(part.parts * part.material.saturated_density_kg_m3 / part.material.loose_factor for part in parts)
    fine = sum(part.parts for part in parts if part.material.grain == "fine")
    grain: Grain = "fine" if fine >= total / 2 else "coarse"
    figures = {
        "bulk_density_kg_m3": (moist / made * loose_factor, "kg/m3"),
        "saturated_density_kg_m3": (wet / made * loose_factor, "kg/m3"),
        "moisture": (1 - dry / moist if moist else 0.0, "share of moist mass"),
        "loose_factor": (loose_factor, "loose volume per placed volume"),
    }
    traits = frozenset[str]().union(*(part.material.traits for part in parts))
    material = Material(
        key,
        name,
        "soil",
        grain,
        (),
        traits,
        {figure: Property(value, unit, value, value, SOURCE) for figure, (value, unit) in figures.items()},
    )
    recipe: dict[str, float] = {}
    for part in parts:
        recipe[part.material.key] = recipe.get(part.material.key, 0.0) + part.parts / made
    return Mix(material, recipe)
