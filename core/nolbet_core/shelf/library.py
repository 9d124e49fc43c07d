"""The materials that ship with the core, read once from their data file, and finding one by any of its names."""

from __future__ import annotations

import difflib
import json
from collections.abc import Iterable, Mapping
from dataclasses import asdict
from functools import cache
from importlib.resources import files
from typing import Any

from nolbet_core.shelf.densities import densities, grain_density, grain_density_of_loose
from nolbet_core.shelf.material import FOLLOWS, UNITS, Material, Property

NO_GAPS = Property(0.0, UNITS["void_share"], 0.0, 0.0, FOLLOWS)
"""Of a material that has none."""


@cache
def standard_shelf() -> Mapping[str, Material]:
    """Every material of the library by its key, in the order of the data file."""
    text = files("nolbet_core.shelf").joinpath("materials.json").read_text(encoding="utf-8")
    return {row["key"]: _material(row) for row in json.loads(text)}


def _material(row: dict[str, Any]) -> Material:
    properties = _ordered(with_densities(_as_written(row)))
    return Material(
        row["key"],
        row["name"],
        row["group"],
        row.get("grain", "coarse"),
        tuple(row["synonyms"]),
        frozenset(row["traits"]),
        properties,
    )


def _as_written(row: dict[str, Any]) -> dict[str, Property]:
    return {
        name: Property(entry["value"], entry["unit"], entry["range"][0], entry["range"][1], entry["source"])
        for name, entry in row["properties"].items()
    }


def with_densities(typed: Mapping[str, Property]) -> dict[str, Property]:
    """The figures of a material with the densities and pores that follow from them; a sheet has none.

    typed: property name to figure, those that follow left out.
    """
    if "dry_density_kg_m3" not in typed:
        return dict(typed)
    dry, loose = typed["dry_density_kg_m3"], typed["loose_factor"]
    grain = grain_density(typed["carbon"].value)
    if "porosity" in typed:
        grain = grain_density_of_loose(dry.value / loose.value, typed["porosity"].value)
    moisture, gaps = typed["moisture"], typed.get("void_share", NO_GAPS)
    usual = densities(dry.value, moisture.value, loose.value, gaps.value, grain)
    least = densities(dry.low, moisture.low, loose.high, gaps.high, grain)
    most = densities(dry.high, moisture.high, loose.low, gaps.low, grain)
    following = {
        name: Property(value, UNITS[name], *_spanned(value, getattr(least, name), getattr(most, name)), FOLLOWS)
        for name, value in ((name, round(value, EXACT)) for name, value in asdict(usual).items())
    }
    return following | dict(typed)


def _spanned(value: float, *ends: float) -> tuple[float, float]:
    return min(value, *ends), max(value, *ends)


def _ordered(properties: dict[str, Property]) -> dict[str, Property]:
    return {name: properties[name] for name in UNITS if name in properties}


EXACT = 9
"""Digits that a division is held to, so that 460 / 1.15 is 400."""


def search(materials: Iterable[Material], words: str) -> list[Material]:
    """Materials that words may mean, best first: by name, then by synonym, a slip of spelling allowed.

    materials: where to look. words: what was typed; nothing typed finds everything in order.
    """
    wanted = words.casefold().strip()
    shelf = list(materials)
    if not wanted:
        return shelf
    ranked = [(rank, index) for index, material in enumerate(shelf) if (rank := _rank(material, wanted)) is not None]
    return [shelf[index] for _, index in sorted(ranked)]


def _rank(material: Material, wanted: str) -> int | None:
    name = material.name.casefold()
    names = [name, material.key.replace("_", " "), *(synonym.casefold() for synonym in material.synonyms)]
    if wanted in names:
        return 0
    if name.startswith(wanted):
        return 1
    if any(word.startswith(wanted) for each in names for word in each.split()) or any(
        each.startswith(wanted) for each in names
    ):
        return 2
    if any(wanted in each for each in names):
        return 3
    if len(wanted) >= 4 and difflib.get_close_matches(wanted, names, n=1, cutoff=0.8):
        return 4
    return None


def nearest_keys(keys: Iterable[str], wanted: str) -> list[str]:
    """Up to three keys that look like one that isn't there."""
    return difflib.get_close_matches(wanted, list(keys), n=3, cutoff=0.6)
