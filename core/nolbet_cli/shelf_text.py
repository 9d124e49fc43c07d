"""The shelf as JSON and as text."""

from __future__ import annotations

from collections.abc import Iterable
from typing import Any

from nolbet_core.quantities.writing import trimmed
from nolbet_core.shelf.material import Material


def shelf_json(materials: Iterable[Material]) -> dict[str, Any]:
    """Every material with each figure's value, unit, range and source."""
    return {
        "materials": [
            {
                "key": material.key,
                "name": material.name,
                "group": material.group,
                "grain": None if material.is_sheet else material.grain,
                "sheet": material.is_sheet,
                "synonyms": list(material.synonyms),
                "traits": sorted(material.traits),
                "properties": {
                    name: {
                        "value": each.value,
                        "unit": each.unit,
                        "range": [each.low, each.high],
                        "source": each.source,
                    }
                    for name, each in material.properties.items()
                },
            }
            for material in materials
        ]
    }


def shelf_text(materials: Iterable[Material]) -> str:
    """The same as lines for a terminal."""
    lines: list[str] = []
    for material in materials:
        other = f" ({', '.join(material.synonyms)})" if material.synonyms else ""
        lines.append(f"{material.name}: {material.key}{other}")
        for name, each in material.properties.items():
            span = f"{trimmed(each.low, 4)} to {trimmed(each.high, 4)}"
            lines.append(f"  {name:<24} {trimmed(each.value, 4):>8} {each.unit}, {span}; {each.source}")
    return "\n".join(lines)
