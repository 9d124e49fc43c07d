"""How far a material has rotted: the same material fresh, half rotted or finished, with all figures that move."""

from __future__ import annotations

import math
from collections.abc import Iterable, Mapping
from dataclasses import replace

from nolbet_core.shelf.densities import FOLLOWING
from nolbet_core.shelf.library import standard_shelf, with_densities
from nolbet_core.shelf.material import UNITS, YOURS, Material, Property, Ripeness, own_material

RIPENESS: tuple[Ripeness, ...] = ("fresh", "half", "finished")

HALF_PACE = 0.6
"""What half rotted matter still sinks and rots at, of what it did when fresh."""

HALF_GONE = 0.5
"""Of what keeps its volume as it rots, the mass that is left by then (Harmon et al. 1986)."""

HALF = "half rotted: between fresh and finished"

FRESH = frozenset({"leaves", "conifer_needles", "straw", "legume_straw", "hay"})
WOOD = frozenset({
    "shredded_hardwood", "bark_mulch", "wood_chips", "sawdust", "conifer_logs", "broadleaf_logs", "durable_logs",
    "walnut_logs", "cedar_logs", "branches", "brush",
})  # fmt: skip
MANURE = frozenset({"horse_manure", "cow_manure", "sheep_manure", "poultry_manure", "coop_litter"})
HALF_ROTTED = frozenset({"aged_manure", "aged_bedding"})

TO_LEAF_MOULD = frozenset({"leaves", "conifer_needles"})
"""What becomes leaf mould; all else becomes compost."""

MOST = {"moisture": 0.85, "void_share": 0.9, "carbon": 0.55, "nitrogen": 0.15, "settles_share": 0.6, "stays_share": 1.0}
"""Where the range of a moved figure ends."""

RAW_HEAP: Mapping[str, float] = {
    "dry_density_kg_m3": 150.0,
    "moisture": 0.55,
    "loose_factor": 1.3,
    "void_share": 0.3,
    "carbon": 0.45,
    "nitrogen": 0.016,
    "settles_share": 0.35,
    "stays_share": 0.1,
    "decay_per_year": 1.5,
}
"""A compost heap as it is built, of greens and browns at a C:N of 28 (estimate)."""

STILL_RAW = frozenset({
    "raw_manure", "raw_wood", "herbicide", "pets", "spores", "weed_seed", "softwood", "rotproof", "allelopathic",
    "heavy", "logs", "mats", "unbagged", "fill_only", "compost", "legionella",
})  # fmt: skip
"""Traits that matter has while it is half rotted, as it had them fresh; dust is gone."""

LASTING = frozenset({"herbicide"})
"""Traits that outlast the rotting."""


class StateProblem(ValueError):  # noqa: N818 - told to the gardener as such
    """A ripeness that a material can't have, with what would do."""


def states_of(material: Material) -> tuple[Ripeness, ...]:
    """The states that a material can be said to be in, from fresh to finished; none where it has but one."""
    key = material.like or material.key
    if material.parts or key not in FRESH | WOOD | MANURE | HALF_ROTTED | {"compost", "leaf_mould"}:
        return ()
    return RIPENESS[1:] if key in HALF_ROTTED | {"leaf_mould"} else RIPENESS


def usual_state(material: Material) -> Ripeness:
    """The state that the shelf's own figures stand for, of a material that has several."""
    key = material.like or material.key
    if key in HALF_ROTTED:
        return "half"
    return "finished" if key in {"compost", "leaf_mould"} else "fresh"


def ripened(material: Material, ripeness: Ripeness) -> Material:
    """The material in another state: the same key, another name, and figures that have moved.

    Half rotted: 0.6 of the fresh decay and settling; density and nitrogen midway to finished as a ratio, the rest
    midway as a sum; what keeps its volume has half its mass left. Finished: the figures of compost, or of leaf
    mould. Figures that the gardener gave stay. Raises StateProblem where it can't be in that state.
    """
    states = states_of(material)
    if ripeness not in states:
        raise StateProblem(_refusal(material, ripeness, states))
    if ripeness == usual_state(material):
        return material
    base = standard_shelf()[material.like or material.key]
    named = replace(_in_state(base, ripeness), name=f"{material.name.removesuffix(', fresh')}, {_word(base, ripeness)}")
    given = {name: each.value for name, each in material.properties.items() if each.source == YOURS}
    if not material.like:
        return named
    return replace(own_material(material.key, named.name, named, given, None), like=material.like)


def _refusal(material: Material, ripeness: str, states: Iterable[str]) -> str:
    known = " or ".join(states)
    if not known:
        return f"{material.key} has no state of rot; leave it out"
    return f"{material.key} is never {ripeness}: it can be {known}; name what it was made from instead"


def _word(base: Material, ripeness: Ripeness) -> str:
    if base.key == "compost":
        return "unripe" if ripeness == "fresh" else "half ripe"
    return {"fresh": "fresh", "half": "half rotted", "finished": "rotted down"}[ripeness]


def _in_state(base: Material, ripeness: Ripeness) -> Material:
    if ripeness == "finished":
        end = _end_of(base)
        traits = end.traits | (base.traits & LASTING)
        return replace(base, group=end.group, grain=end.grain, traits=traits, properties=end.properties)
    fresh = _fresh_of(base)
    if ripeness == "fresh":
        return _moved(base, fresh, base.traits | {"unripe"}, "fresh")
    return _moved(base, _halfway(base, fresh, _end_of(base)), _half_traits(base), HALF)


def _half_traits(base: Material) -> frozenset[str]:
    own = base.traits & STILL_RAW
    if base.key == "compost":
        return own | {"unripe", "growing"}
    return own | {"crumbles"} if base.keeps_volume else own


def _end_of(base: Material) -> Material:
    """What it is once it has rotted down."""
    if base.key in ("compost", "leaf_mould"):
        return base
    return standard_shelf()["leaf_mould" if base.key in TO_LEAF_MOULD else "compost"]


def _fresh_of(base: Material) -> Mapping[str, float]:
    """Its figures when fresh."""
    if base.key == "compost":
        return RAW_HEAP
    source = standard_shelf()["leaves"] if base.key == "leaf_mould" else base
    return {name: source.properties[name].value if name in source.properties else 0.0 for name in RAW_HEAP}


def _halfway(base: Material, fresh: Mapping[str, float], end: Material) -> dict[str, float]:
    done = {name: end.properties[name].value if name in end.properties else 0.0 for name in fresh}
    half = {name: (value + done[name]) / 2 for name, value in fresh.items()}
    half["dry_density_kg_m3"] = math.sqrt(fresh["dry_density_kg_m3"] * done["dry_density_kg_m3"])
    if base.keeps_volume:
        half |= {name: fresh[name] for name in ("void_share", "loose_factor")}
        half["dry_density_kg_m3"] = HALF_GONE * fresh["dry_density_kg_m3"]
        half["moisture"] = standard_shelf()["rotted_wood"].moisture
    half["nitrogen"] = math.sqrt(fresh["nitrogen"] * done["nitrogen"])
    for name in ("decay_per_year", "settles_share"):
        half[name] = HALF_PACE * fresh[name]
    return half


def _moved(base: Material, figures: Mapping[str, float], traits: frozenset[str], source: str) -> Material:
    """A material with other figures, as sure as they were, and the densities that follow from them."""
    typed = {name: each for name, each in base.properties.items() if name not in (*FOLLOWING, "container_capacity")}
    for name, value in figures.items():
        typed[name] = _spread(base.properties.get(name), name, value, source)
    if typed["void_share"].value <= 0:
        del typed["void_share"]
    properties = with_densities(typed)
    return replace(base, traits=traits, properties={name: properties[name] for name in UNITS if name in properties})


def _spread(was: Property | None, name: str, value: float, source: str) -> Property:
    if was is None or was.value <= 0:
        return Property(value, UNITS[name], 0.7 * value, 1.3 * value, source)
    scale = value / was.value
    top = MOST.get(name, math.inf)
    return Property(value, was.unit, was.low * scale, min(was.high * scale, top), source)
