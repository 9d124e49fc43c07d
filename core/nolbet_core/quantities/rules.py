"""What a reader of typed measures goes by, as plain data, so that another one can go by the same."""

from __future__ import annotations

import re
from typing import Any

from nolbet_core.quantities import measures, money, numbers, units, words
from nolbet_core.quantities.limits import LIMITS, Kind, Limit
from nolbet_core.quantities.reading import BULK_FROM_M3, EXAMPLES, FINE_M, LONGEST_TEXT
from nolbet_core.quantities.units import Contents, System, Unit

_MARKS = re.compile(r"\(\?P<(\w+)>")


def reading_rules() -> dict[str, Any]:
    """Limits, units by their spellings, patterns and examples that typed measures are read by, ready for JSON.

    Patterns name their groups as ECMAScript does. Sizes and limits are in the SI base unit of their kind.
    """
    return {
        "longest_text": LONGEST_TEXT,
        "fine_m": FINE_M,
        "bulk_from_m3": BULK_FROM_M3,
        "limits": {name: _limit(limit) for name, limit in LIMITS.items()},
        "units": {
            "length": _named(units.length_units()),
            "area": _named(units.area_units()),
            "volume": _named(units.VOLUME_UNITS),
            "mass": _named(units.MASS_UNITS),
        },
        "quarts": {each.value: _named(_added(units.volume_units(each), units.VOLUME_UNITS)) for each in Contents},
        "tons": {each.value: _named(_added(units.mass_units(each), units.MASS_UNITS)) for each in System},
        "bags": {each.value: _named(units.bag_units(each)) for each in System},
        "pounds_of": {Kind.DENSITY.value: _unit(units.CU_FT), Kind.MIXED_IN.value: _unit(units.CU_YD)},
        "scooped": {
            "usual_handful_kg": units.USUAL_HANDFUL_KG,
            "handful_m3": units.HANDFUL_M3,
            "cup_m3": units.CUP_M3,
        },
        "vulgar": numbers.VULGAR,
        "plain_signs": {chr(sign): plain for sign, plain in numbers.PLAIN_SIGNS.items()},
        "words": {"numbers": list(words.NUMBERS), "parts": words.PARTS},
        "money_signs": {sign: sorted(codes) for sign, codes in money.SIGNS.items()},
        "examples": {kind.value: {each.value: text for each, text in told.items()} for kind, told in EXAMPLES.items()},
        "patterns": {name: _MARKS.sub(r"(?<\1>", pattern) for name, pattern in _patterns().items()},
    }


def _patterns() -> dict[str, str]:
    compiled = measures.PATTERNS | money.PATTERNS | words.PATTERNS | {"mixed": numbers.MIXED}
    return {"number": numbers.NUMBER_PATTERN} | {name: each.pattern for name, each in compiled.items()}


def _limit(limit: Limit) -> dict[str, Any]:
    bare = {system.value: _unit(unit) for system in System if (unit := limit.bare_unit(system))}
    return {
        "label": limit.label,
        "kind": limit.kind.value,
        "most": limit.most,
        "least": limit.least,
        "above_least": limit.above_least,
        "bare": bare or None,
        "usual": limit.usual,
    }


def _added(all_of_them: dict[str, Unit], without: dict[str, Unit]) -> dict[str, Unit]:
    return {name: unit for name, unit in all_of_them.items() if name not in without}


def _named(named: dict[str, Unit]) -> dict[str, Any]:
    return {name: _unit(unit) for name, unit in named.items()}


def _unit(unit: Unit) -> dict[str, Any]:
    return {"one": unit.one, "many": unit.many, "size": unit.size, "usual": unit.usual}
