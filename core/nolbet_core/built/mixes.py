"""From mixes as the plan file writes them to the mixes they are."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from nolbet_core.blend.dosing import Weighed
from nolbet_core.blend.mix import Mix, MixProblem, Part, blend
from nolbet_core.blend.target import USUAL_TARGETS, Band, Target
from nolbet_core.plan.mix import MixTarget, PlanMix
from nolbet_core.plan.problems import PlanProblem, unknown_key
from nolbet_core.shelf.material import Material

MOST_DEEP = 10
"""How deep mixes may lie in one another."""

MOST_MIXES = 200
"""How many mixes a garden may have."""


def made_mixes(
    materials: Mapping[str, Material], mixes: Sequence[PlanMix], problems: list[PlanProblem]
) -> dict[str, Mix]:
    """The mixes that can be made of materials, by key, each after those in it.

    problems: takes what is wrong with the others: a key that stands twice, a part that isn't there or can't be mixed,
    mixes that contain each other or lie too deep in one another. A mix of one that can't be made is left out with it.
    """
    paths: dict[str, str] = {}
    entries: dict[str, PlanMix] = {}
    for index, entry in enumerate(mixes):
        path = f"mixes[{index}]"
        if index >= MOST_MIXES:
            problems.append(PlanProblem(path, f"is one over the {MOST_MIXES} mixes that a garden may have"))
            break
        if entry.key in materials or entry.key in paths:
            problems.append(PlanProblem(f"{path}.key", f"'{entry.key}' is taken already"))
            continue
        paths[entry.key], entries[entry.key] = path, entry
    return _Making(materials, entries, paths, problems).all()


class _Making:
    """Makes mixes in the order in which they lie in one another."""

    def __init__(
        self,
        materials: Mapping[str, Material],
        entries: Mapping[str, PlanMix],
        paths: Mapping[str, str],
        problems: list[PlanProblem],
    ) -> None:
        self.materials = dict(materials)
        self.entries = entries
        self.paths = paths
        self.problems = problems
        self.made: dict[str, Mix] = {}
        self.refused: set[str] = set()

    def all(self) -> dict[str, Mix]:
        for key in self.entries:
            self.make(key, ())
        return self.made

    def make(self, key: str, within: tuple[str, ...]) -> None:
        if key in self.made or key in self.refused:
            return
        entry, path = self.entries[key], self.paths[key]
        try:
            for place, part in enumerate(entry.parts):
                self._make_part(part.material, (*within, key), f"{path}.parts[{place}].material")
            self._make_of_parts(entry, path)
        except PlanProblem as problem:
            self.problems.append(problem)
            self.refused.add(key)

    def _make_part(self, key: str, within: tuple[str, ...], path: str) -> None:
        if key in within:
            raise PlanProblem(path, f"'{key}' would contain itself")
        if key in self.entries:
            self.make(key, within)

    def _make_of_parts(self, entry: PlanMix, path: str) -> None:
        if any(part.material in self.refused for part in entry.parts):
            self.refused.add(entry.key)
            return
        mix = draft_mix(entry, self.materials, self.made, path)
        self.made[entry.key], self.materials[entry.key] = mix, mix.material


def draft_mix(entry: PlanMix, materials: Mapping[str, Material], mixes: Mapping[str, Mix], path: str) -> Mix:
    """A mix being drawn up, of what is there already; itself is there too where it is being changed.

    Raises PlanProblem where a part isn't there or can't be mixed, or the mix would contain itself or lie too deep.
    """
    for place, part in enumerate(entry.parts):
        here = f"{path}.parts[{place}].material"
        if part.material == entry.key or entry.key in _held_in(part.material, mixes):
            raise PlanProblem(here, f"'{part.material}' would contain itself")
        if part.material not in materials:
            raise unknown_key(here, part.material, materials)
        if materials[part.material].is_sheet:
            raise PlanProblem(here, f"'{part.material}' is a sheet and can't be mixed")
        deep = mixes[part.material].deep if part.material in mixes else 0
        if deep >= MOST_DEEP:
            raise PlanProblem(here, f"'{part.material}' is mixes in mixes {deep} deep already, and no mix goes deeper")
    for place, dose in enumerate(entry.doses):
        _check_dose(dose.material, materials, f"{path}.doses[{place}].material")
    return _blended(entry, materials, mixes, path)


def _check_dose(key: str, materials: Mapping[str, Material], path: str) -> None:
    if key not in materials:
        raise unknown_key(path, key, materials)
    material = materials[key]
    if material.is_sheet or material.grain != "fine" or material.parts or material.bulk_density_kg_m3 <= 0:
        raise PlanProblem(path, f"'{key}' can't be mixed in by weight; name lime, a meal or a fertiliser")


def doses_of(entry: PlanMix, materials: Mapping[str, Material]) -> list[Weighed]:
    """What a mix takes by weight. materials: by key, all that it names among them."""
    return [Weighed(materials[each.material], each.dose_kg_m3) for each in entry.doses]


def _held_in(key: str, mixes: Mapping[str, Mix]) -> set[str]:
    """Everything that lies in a mix, at any depth."""
    held: set[str] = set()
    waiting = [key]
    while waiting:
        mix = mixes.get(waiting.pop())
        new = mix.recipe.keys() - held if mix else set()
        held |= new
        waiting += new
    return held


def _blended(entry: PlanMix, materials: Mapping[str, Material], mixes: Mapping[str, Mix], path: str) -> Mix:
    parts = [Part(materials[part.material], part.parts, part.rejected or 0.0) for part in entry.parts]
    test = entry.bucket_test
    deep = 1 + max((mixes[part.material].deep for part in entry.parts if part.material in mixes), default=0)
    try:
        measured = test.level_out / test.parts_in if test else None
        return blend(entry.key, title_of(entry), parts, measured, deep, doses_of(entry, materials))
    except MixProblem as problem:
        raise PlanProblem(f"{path}.{problem.key}", str(problem)) from problem


def target_of(entry: PlanMix, soil_over_water_m: float | None = None) -> Target:
    """The bands of a mix: its own where it has any, else what is usual for its use.

    soil_over_water_m: how high it has to wick in the bed it is for, where that is known [m].
    """
    own = entry.target or MixTarget()
    usual = USUAL_TARGETS[own.use]
    rise_least_m = usual.rise_least_m
    if rise_least_m is not None and soil_over_water_m is not None:
        rise_least_m = soil_over_water_m
    return Target(
        _band(own.air_filled, usual.air_filled),
        _band(own.water_held, usual.water_held),
        _band(own.ph, usual.ph),
        usual.c_to_n_most if own.c_to_n_most is None else own.c_to_n_most,
        rise_least_m if own.rise_least_m is None else own.rise_least_m,
        usual.fresh_wood,
        usual.compost_most if own.compost_most is None else own.compost_most,
        usual.organic_matter if own.organic_matter is None else _band(own.organic_matter, (0.0, 1.0)),
    )


def _band(own: Sequence[float] | None, usual: Band) -> Band:
    return usual if own is None else (own[0], own[1])


def title_of(entry: PlanMix) -> str:
    """What a mix is called."""
    return entry.name or entry.key.replace("_", " ").capitalize()
