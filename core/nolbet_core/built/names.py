"""Whether what a document names is there, and what it is called."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping

from pydantic import BaseModel

from nolbet_core.built.wares import all_wares
from nolbet_core.plan.named import materials_named
from nolbet_core.plan.problems import PlanProblem, unknown_key
from nolbet_core.shelf.material import Material
from nolbet_core.shelf.timber import TIMBER


def unknown_names(part: BaseModel, known: Mapping[str, object], path: str) -> Iterator[PlanProblem]:
    """A problem for each key of a part of a plan that names a material which isn't there. known: by key."""
    for where, key in materials_named(part, path):
        if key not in known:
            yield unknown_key(where, key, known)


def names_twice(keys: Iterable[str], path: str) -> Iterator[PlanProblem]:
    """A problem for each key of a list that stands there already. path: how the list is called."""
    seen: set[str] = set()
    for index, key in enumerate(keys):
        if key in seen:
            yield PlanProblem(f"{path}[{index}].key", f"'{key}' is taken already")
        seen.add(key)


def name_of(key: str, materials: Mapping[str, Material]) -> str:
    """What a material, a ware or a wood is called."""
    if key in TIMBER:
        return TIMBER[key].name
    wares = all_wares()
    return wares[key].name if key in wares else materials[key].name
