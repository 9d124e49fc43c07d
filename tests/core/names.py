"""Every public name of the core, gathered for the glossary's test."""

from __future__ import annotations

import dataclasses
import importlib
import inspect
import pkgutil
from collections.abc import Iterator
from types import ModuleType

from pydantic import BaseModel

import nolbet_core

UNITS = {
    "_m": "m", "_m2": "m2", "_m3": "m3", "_kg": "kg", "_kg_m3": "kg/m3", "_kg_m2": "kg/m2", "_mg_kg": "mg/kg",
    "_deg": "deg", "_c": "deg C", "_per_m3": "money/m3", "_per_m2": "money/m2",
}  # fmt: skip
"""What a name's ending says of its unit."""


def core_modules() -> Iterator[ModuleType]:
    """Every module of the core."""
    for info in pkgutil.walk_packages(nolbet_core.__path__, "nolbet_core."):
        yield importlib.import_module(info.name)


def public_definitions() -> dict[str, str]:
    """Public functions and classes of the core by name, with the package they live in."""
    found: dict[str, str] = {}
    for module in core_modules():
        for name, thing in vars(module).items():
            own = getattr(thing, "__module__", None) == module.__name__
            if own and not name.startswith("_") and (inspect.isfunction(thing) or inspect.isclass(thing)):
                found[name] = module.__name__.split(".")[1]
    return found


def model_fields() -> set[str]:
    """Keys of the plan file and of the figures."""
    return {
        field
        for module in core_modules()
        if module.__name__.split(".")[1] in {"plan", "figure"}
        for thing in vars(module).values()
        if inspect.isclass(thing) and thing.__module__ == module.__name__ and not thing.__name__.startswith("_")
        for field in (thing.model_fields if issubclass(thing, BaseModel) else written_fields(thing))
    }


def written_fields(thing: type) -> list[str]:
    """Fields of a dataclass."""
    return [field.name for field in dataclasses.fields(thing)] if dataclasses.is_dataclass(thing) else []


def unit_of(name: str) -> str | None:
    """The unit that a name's ending says, the longest ending first."""
    for ending in sorted(UNITS, key=len, reverse=True):
        if name.endswith(ending):
            return UNITS[ending]
    return None
