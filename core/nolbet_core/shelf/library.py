"""The materials that ship with the core, read once from their data file, and finding one by any of its names."""

from __future__ import annotations

import difflib
import json
from collections.abc import Iterable, Mapping
from functools import cache
from importlib.resources import files
from typing import Any

from nolbet_core.shelf.material import Material, Property


@cache
def standard_shelf() -> Mapping[str, Material]:
    """Every material of the library by its key, in the order of the data file."""
    text = files("nolbet_core.shelf").joinpath("materials.json").read_text(encoding="utf-8")
    return {row["key"]: _material(row) for row in json.loads(text)}


def _material(row: dict[str, Any]) -> Material:
    properties = {
        name: Property(entry["value"], entry["unit"], entry["range"][0], entry["range"][1], entry["source"])
        for name, entry in row["properties"].items()
    }
    return Material(
        row["key"],
        row["name"],
        row["group"],
        row.get("grain", "coarse"),
        tuple(row["synonyms"]),
        frozenset(row["traits"]),
        properties,
    )


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
