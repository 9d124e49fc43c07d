"""Which crop is meant by a name as gardeners write it down."""

from __future__ import annotations

from collections.abc import Iterator, Mapping

from nolbet_core.planting.crops import Crop

PLURALS = ("es", "s")


def crop_called(name: str, crops: Mapping[str, Crop]) -> Crop | None:
    """The crop of a name, in one or many and by any of its names; of beans or the like the first; None of no other."""
    asked = set(_forms(name))
    for crop in crops.values():
        if not asked.isdisjoint(form for each in (crop.key.replace("_", " "), crop.name, *crop.synonyms)
                                for form in _forms(each)):  # fmt: skip
            return crop
    return next((crop for crop in crops.values() if not asked.isdisjoint(_forms(crop.name.split()[-1]))), None)


def _forms(name: str) -> Iterator[str]:
    plain = " ".join(name.split()).casefold()
    yield plain
    for ending in PLURALS:
        if plain.endswith(ending) and len(plain) > len(ending) + 2:
            yield plain.removesuffix(ending)
