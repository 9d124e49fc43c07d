"""What can hurt someone while the bed is filled."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from nolbet_core.built.worked import WorkedBed
from nolbet_core.findings.finding import DEFER, BedFinding, Found
from nolbet_core.shelf.material import Material
from nolbet_core.stack.layers import Bulk


class Dust(BedFinding):
    """Materials that dust, or may carry what makes people ill when breathed in."""

    code = "dust"
    level = ("note",)
    topic = "safety"
    when = "something in the bed dusts, or may carry legionella or mould spores"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """One note for all such materials of the bed."""
        found = dust_of(_laid(worked))
        if found is not None:
            yield found


def dust_of(materials: Sequence[Material]) -> Found | None:
    """One note for all of some materials that dust, or carry what makes people ill; None where none does."""
    dusty = [material.name.lower() for material in materials if "dusty" in material.traits]
    breathed = [material.name.lower() for material in materials if "legionella" in material.traits]
    mouldy = [material.name.lower() for material in materials if "spores" in material.traits]
    names = list(dict.fromkeys([*dusty, *breathed, *mouldy]))
    if not names:
        return None
    why = "Mineral and plant dust harms lungs and eyes."
    if mouldy:
        why = "Mould spores from litter, hay and compost, and dust, harm lungs and eyes."
    if breathed:
        why = "Dust of composts and potting mixes can carry legionella and mould spores; stone dust harms lungs."
    return Found(
        "note",
        f"{counted(names)} can dust when tipped: {listed(names)}.",
        why,
        "Open bags away from the face, damp the fill down, wear a mask and eye protection in the dry, wash hands. "
        + DEFER,
    )


def _laid(worked: WorkedBed) -> list[Material]:
    found: dict[str, Material] = {}
    for layer in worked.filled.layers:
        found[layer.material.name] = layer.material
        if isinstance(layer.asked, Bulk) and layer.asked.infill:
            found[layer.asked.infill.material.name] = layer.asked.infill.material
    return list(found.values())


def counted(names: list[str]) -> str:
    """How many materials there are, in words."""
    return "1 material" if len(names) == 1 else f"{len(names)} materials"


def listed(names: list[str]) -> str:
    """Names one after the other, the last with "and"."""
    return names[0] if len(names) == 1 else f"{', '.join(names[:-1])} and {names[-1]}"
