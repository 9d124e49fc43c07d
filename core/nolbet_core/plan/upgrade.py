"""Documents of older editions read as those of today: one small step for each thing that changed its meaning.

An edition counts over all documents (bed, plot, mix, plan file). A key that is merely new needs no step, since it has a
default that means what older documents meant. A step takes a document and gives another; it never looks at a clock or
another document. Once a step is out it stays as it is.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any, Final, Literal

EDITION: Final = 2
"""The edition that is written."""

OUT_OF_LEVEL_M = 0.010

Kind = Literal["bed", "plot", "mix", "plan"]
Document = dict[str, Any]


class TooNew(ValueError):  # noqa: N818 - told to the gardener as such
    """A document of a later edition than this version reads."""


@dataclass(frozen=True, slots=True)
class UpgradeStep:
    """One change of meaning: of which documents, the edition it leads to, and how they are rewritten."""

    kind: Kind
    to: int
    rewrite: Callable[[Document], Document]


def _part_reservoir_tilted(bed: Document) -> Document:
    """A tilted reservoir was told by the code of unlevel ground; who had seen the one had silenced the other."""
    reservoir, seen = bed.get("reservoir"), bed.get("seen")
    if not isinstance(reservoir, dict) or not isinstance(seen, list):
        return bed
    tilt_m = reservoir.get("tilt_m")
    if not isinstance(tilt_m, int | float) or tilt_m <= OUT_OF_LEVEL_M:
        return bed
    said = [each for each in seen if isinstance(each, dict) and each.get("code") == "not_level"]
    return bed | {"seen": [*seen, *({**each, "code": "reservoir_tilted"} for each in said)]}


LISTED: dict[str, Kind] = {"beds": "bed", "mixes": "mix"}
"""A plan's lists of documents that have steps of their own."""

STEPS: tuple[UpgradeStep, ...] = (UpgradeStep("bed", 2, _part_reservoir_tilted),)


def upgraded(kind: Kind, document: Document, edition: int) -> Document:
    """A document of an edition as it is written today; a plan's beds, plot and mixes go with it.

    Raises TooNew where the edition is later than this version knows.
    """
    if edition > EDITION:
        raise TooNew(f"is of edition {edition}, later than the {EDITION} that this version reads")
    for step in STEPS:
        if step.to > edition and step.kind == kind:
            document = step.rewrite(document)
    return _with_parts(document, edition) if kind == "plan" else document


def _with_parts(plan: Document, edition: int) -> Document:
    parts: Document = {"edition": EDITION}
    for key, kind in LISTED.items():
        listed = plan.get(key)
        if isinstance(listed, list):
            parts[key] = [upgraded(kind, each, edition) if isinstance(each, dict) else each for each in listed]
    garden = plan.get("garden")
    if isinstance(garden, dict) and isinstance(garden.get("plot"), dict):
        parts["garden"] = garden | {"plot": upgraded("plot", garden["plot"], edition)}
    return plan | parts
