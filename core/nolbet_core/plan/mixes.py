"""From mixes as the plan file writes them to the mixes they are."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from nolbet_core.blend.mix import Mix, MixProblem, Part, blend
from nolbet_core.blend.target import USUAL_TARGETS, Band, Target
from nolbet_core.plan.mix import MixPart, MixTarget, PlanMix
from nolbet_core.plan.problems import PlanProblem, unknown_key
from nolbet_core.shelf.material import Material


def with_mixes(materials: dict[str, Material], mixes: list[PlanMix]) -> tuple[dict[str, Material], dict[str, Mix]]:
    """Materials with the mixes made of them, and the mixes by key.

    Raises PlanProblem where a key stands twice, a part isn't there or can't be mixed, or mixes contain each other.
    """
    paths: dict[str, str] = {}
    for index, entry in enumerate(mixes):
        if entry.key in materials or entry.key in paths:
            raise PlanProblem(f"mixes[{index}].key", f"'{entry.key}' is taken already")
        paths[entry.key] = f"mixes[{index}]"
    entries = {entry.key: entry for entry in mixes}
    made: dict[str, Mix] = {}

    def make(key: str, within: tuple[str, ...]) -> None:
        entry = entries[key]
        for place, part in enumerate(entry.parts):
            path = f"{paths[key]}.parts[{place}].material"
            if part.material in (*within, key):
                raise PlanProblem(path, f"'{part.material}' would contain itself")
            if part.material in entries and part.material not in made:
                make(part.material, (*within, key))
            _check_part(part, materials, path)
        made[key] = blended(entry, materials, paths[key])
        materials[key] = made[key].material

    for key in entries:
        if key not in made:
            make(key, ())
    return materials, made


def blended(entry: PlanMix, materials: Mapping[str, Material], path: str) -> Mix:
    """The mix that an entry makes of materials and mixes that are there. path: how it is called in an error."""
    parts = [Part(materials[part.material], part.parts, part.rejected or 0.0) for part in entry.parts]
    test = entry.bucket_test
    try:
        return blend(entry.key, title_of(entry), parts, test.level_out / test.parts_in if test else None)
    except MixProblem as problem:
        raise PlanProblem(f"{path}.{problem.key}", str(problem)) from problem


def draft_mix(entry: PlanMix, materials: Mapping[str, Material], mixes: Mapping[str, Mix], path: str) -> Mix:
    """A mix being drawn up, of what is there already; itself is there too where it is being changed.

    Raises PlanProblem where a part isn't there or can't be mixed, or the mix would contain itself.
    """
    for place, part in enumerate(entry.parts):
        here = f"{path}.parts[{place}].material"
        if part.material == entry.key or _contains(part.material, entry.key, mixes):
            raise PlanProblem(here, f"'{part.material}' would contain itself")
        _check_part(part, materials, here)
    return blended(entry, materials, path)


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
    )


def _band(own: Sequence[float] | None, usual: Band) -> Band:
    return usual if own is None else (own[0], own[1])


def title_of(entry: PlanMix) -> str:
    """What a mix is called."""
    return entry.name or entry.key.replace("_", " ").capitalize()


def _contains(key: str, wanted: str, mixes: Mapping[str, Mix]) -> bool:
    if key not in mixes:
        return False
    return any(part == wanted or _contains(part, wanted, mixes) for part in mixes[key].recipe)


def _check_part(part: MixPart, materials: Mapping[str, Material], path: str) -> None:
    if part.material not in materials:
        raise unknown_key(path, part.material, materials)
    if materials[part.material].is_sheet:
        raise PlanProblem(path, f"'{part.material}' is a sheet and can't be mixed")
