"""A mix as a material of its own: what its parts yield together and what the yield weighs."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from nolbet_core.blend.dosing import Weighed, lime_in, limed
from nolbet_core.blend.soil import KEPT, mixed_figure
from nolbet_core.shelf.densities import densities, grain_density_of_loose
from nolbet_core.shelf.material import UNITS, Grain, Material, PartShare, Property

FALL_IN = 0.5
"""Share of the room between coarse grains that fines fall into on mixing (estimate; a bucket test replaces it)."""

MOST_YIELD = 1.1
"""A mix measured to be a little more than its parts was fluffed up; more than this is a slip."""

SOURCE = "worked out from its parts"


class MixProblem(ValueError):  # noqa: N818 - told to the gardener as such
    """What keeps parts from making a mix. key: what is wrong, in the plan file's words."""

    def __init__(self, key: str, said: str) -> None:
        super().__init__(said)
        self.key = key


@dataclass(frozen=True, slots=True)
class Part:
    """So many parts by loose volume of a material. rejected: share of them that the sieve keeps back [0-1]."""

    material: Material
    parts: float
    rejected: float = 0.0

    @property
    def volume(self) -> float:
        """What goes into the mix, in parts."""
        return self.parts * (1 - self.rejected)


@dataclass(frozen=True, slots=True)
class Mix:
    """A mix with the material it makes and its recipe: loose volume of each part for one loose m3 of mix, before it is
    sieved, with what is mixed in by weight [m3/m3]. deep: how many mixes lie in one another in it, itself the first.
    doses: what is mixed in by weight.
    """

    material: Material
    recipe: Mapping[str, float]
    deep: int = 1
    doses: tuple[Weighed, ...] = ()


def yield_volume(parts: Sequence[Part]) -> float:
    """Loose volume that parts make together, in parts: sum v - e x min(v_fine, void_coarse x v_coarse).

    e is FALL_IN; the voids of several coarse parts add up.
    """
    total = sum(part.volume for part in parts)
    return total - FALL_IN * min(_fine_volume(parts), _room(parts))


def _fine_volume(parts: Sequence[Part]) -> float:
    return sum(part.volume for part in parts if part.material.grain == "fine")


def _room(parts: Sequence[Part]) -> float:
    """Room between coarse grains, in parts."""
    return sum(part.volume * part.material.void_share for part in parts if part.material.grain == "coarse")


def blend(
    key: str,
    name: str,
    parts: Sequence[Part],
    measured_yield: float | None = None,
    deep: int = 1,
    doses: Sequence[Weighed] = (),
) -> Mix:
    """The mix of parts given by loose volume. deep: how many mixes lie in one another in it.

    doses: what is mixed in by weight: it adds its mass, carbon and nitrogen and takes no room; lime lifts the pH.

    measured_yield: loose volume of mix for each loose volume of parts, sieved, from a bucket test [0-1]; replaces what
    the voids say.

    Mass is kept: a part weighs its placed density over its loose factor for each loose m3. The mix's loose factor is
    the volume-weighted mean of its parts' (estimate). What it weighs wet follows from its pores. A coarse mix has the
    gaps of its coarse parts, less what fines lie in.

    Raises MixProblem where the parts add up to nothing, or what was measured is less than their solids.
    """
    total = sum(part.volume for part in parts)
    if total <= 0:
        raise MixProblem("parts", "the parts of a mix add up to nothing")
    if measured_yield is not None and measured_yield > MOST_YIELD:
        raise MixProblem("bucket_test", f"a mix of {measured_yield:.2f} for each part is more than went in")
    made = yield_volume(parts) if measured_yield is None else measured_yield * total
    loose_factor = sum(part.volume * part.material.loose_factor for part in parts) / total
    moist = sum(part.volume * part.material.bulk_density_kg_m3 / part.material.loose_factor for part in parts)
    dry = sum(part.volume * part.material.dry_density_kg_m3 / part.material.loose_factor for part in parts)
    weighed = [dose.material for dose in doses]
    moist += made * sum(dose.dose_kg_m3 for dose in doses)
    dry += made * sum(dose.dry_kg_m3 for dose in doses)
    fine = _fine_volume(parts)
    grain: Grain = "fine" if fine >= total / 2 else "coarse"
    figures = {
        "bulk_density_kg_m3": (moist / made * loose_factor, "kg/m3"),
        "moisture": (1 - dry / moist if moist else 0.0, "share of moist mass"),
        "loose_factor": (loose_factor, "loose volume per placed volume"),
    }
    held = _held(parts, total, made / loose_factor, doses, loose_factor)
    for element in ("carbon", "nitrogen"):
        mass = sum(each.dry_density_kg_m3 * getattr(each.material, element) for each in held)
        figures[element] = (mass * made / loose_factor / dry if dry else 0.0, "share of dry mass")
    volumes = [(part.material, part.volume) for part in parts]
    for soil_figure in KEPT:
        value = mixed_figure(soil_figure, volumes, made)
        if value is not None:
            figures[soil_figure] = (value, UNITS[soil_figure])
    if "ph" in figures:
        figures["ph"] = (limed(figures["ph"][0], lime_in(doses)), UNITS["ph"])
    porosity = figures["porosity"][0]
    if porosity <= 0:
        raise MixProblem("bucket_test", "it leaves less room than the solids of the parts take; measure again")
    gaps = max(_room(parts) - fine, 0.0) / made if grain == "coarse" else 0.0
    if gaps > 0:
        figures["void_share"] = (gaps, UNITS["void_share"])
    grain_kg_m3 = grain_density_of_loose(dry / made, porosity)
    moisture = figures["moisture"][0]
    wet = densities(dry / made * loose_factor, moisture, loose_factor, gaps, grain_kg_m3).saturated_density_kg_m3
    figures["saturated_density_kg_m3"] = (wet, "kg/m3")
    traits = frozenset[str]().union(*(each.traits for each in (*(part.material for part in parts), *weighed)))
    material = Material(
        key,
        name,
        "soil",
        grain,
        (),
        traits,
        {figure: Property(value, unit, value, value, SOURCE) for figure, (value, unit) in figures.items()},
        parts=held,
    )
    recipe: dict[str, float] = {}
    for part in parts:
        recipe[part.material.key] = recipe.get(part.material.key, 0.0) + part.parts / made
    for dose in doses:
        recipe[dose.material.key] = recipe.get(dose.material.key, 0.0) + dose.loose_m3
    return Mix(material, recipe, deep, tuple(doses))


def _held(
    parts: Sequence[Part], total: float, placed: float, doses: Sequence[Weighed], loose_factor: float
) -> tuple[PartShare, ...]:
    """The plain materials in a placed volume that parts (loose, `total` in all) make, each once, mixes broken down.

    doses: what is mixed in by weight. loose_factor: of the mix.
    """
    volumes: dict[str, float] = {}
    densities: dict[str, float] = {}
    plain: dict[str, Material] = {}
    for part in parts:
        material, share = part.material, part.volume / total
        in_part = part.volume / material.loose_factor / placed
        for each in material.parts or (PartShare(material, 1.0, material.dry_density_kg_m3),):
            key = each.material.key
            plain[key] = each.material
            volumes[key] = volumes.get(key, 0.0) + share * each.volume_share
            densities[key] = densities.get(key, 0.0) + in_part * each.dry_density_kg_m3
    for dose in doses:
        key = dose.material.key
        plain[key] = dose.material
        volumes[key] = volumes.get(key, 0.0) + dose.loose_m3
        densities[key] = densities.get(key, 0.0) + dose.dry_kg_m3 * loose_factor
    whole = 1 + sum(dose.loose_m3 for dose in doses)
    volumes = {key: share / whole for key, share in volumes.items()}
    return tuple(PartShare(material, volumes[key], densities[key]) for key, material in plain.items())


def outermost_first(mixes: Mapping[str, Mix]) -> list[str]:
    """Keys of mixes in an order in which each stands before the mixes it is made of."""
    within: dict[str, list[str]] = {}
    for key, mix in mixes.items():
        for part in mix.recipe.keys() & mixes.keys():
            within.setdefault(part, []).append(key)
    ordered: dict[str, None] = {}

    def visit(key: str) -> None:
        if key in ordered:
            return
        for other in within.get(key, ()):
            visit(other)
        ordered[key] = None

    for key in mixes:
        visit(key)
    return list(ordered)
