"""What a liner lies on, and what goes through it."""

from __future__ import annotations

from collections.abc import Iterator

from nolbet_core.built.fittings import across_of, open_under_water
from nolbet_core.built.footing import PAVED
from nolbet_core.built.worked import WorkedBed
from nolbet_core.findings.finding import BedFinding, Found
from nolbet_core.findings.mend import Mend, MendStep, set_keys
from nolbet_core.quantities.writing import show_length
from nolbet_core.stack.layers import Standing

UNDERLAY = "geotextile"
SHARP_SHEETS = frozenset({"wire_mesh"})


class LinerUnprotected(BedFinding):
    """A liner on stone, wood or wire is worn through from below."""

    code = "liner_unprotected"
    level = ("caution",)
    topic = "water"
    when = "a liner straight on stone, wood or wire, in the stack, under a reservoir, or on gravel or paving"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Liners in the stack by what lies next below them, and the reservoir's by what it stands on."""
        layers = worked.filled.layers
        for index, layer in enumerate(layers):
            if layer.holds_water and (below := _sharp_below(worked, layers[:index])):
                steps = (MendStep("add", f"layers[{index}]", {"material": UNDERLAY}),)
                yield _found(layer.material.name, below, Mend("Lay geotextile under it", steps), index)
        water = worked.water
        if water is None or water.liner_m is None or water.underlay is not None:
            return
        below = water.under.name.lower() if water.under else _stone_under(worked)
        if below:
            yield _found("The liner", below, Mend("Lay geotextile under it", set_keys("reservoir", underlay=UNDERLAY)))


def _found(name: str, below: str, mend: Mend, layer: int | None = None) -> Found:
    return Found(
        "caution",
        f"{name} lies straight on {below}.",
        "With a ton of wet soil on it, every edge and splinter below works through the film, where nobody sees it.",
        "Lay fleece, old carpet or 20 mm of sand between, and sweep the floor first.",
        layer=layer,
        mend=mend,
    )


def _sharp_below(worked: WorkedBed, below: tuple[Standing, ...]) -> str | None:
    """What next below a liner is sharp, by name; None where nothing is."""
    if not below:
        return _stone_under(worked)
    material = below[-1].material
    if material.key in SHARP_SHEETS or (not material.is_sheet and material.void_share > 0 and _is_hard(material.group)):
        return material.name.lower()
    return None


def _is_hard(group: str) -> bool:
    return group in ("mineral", "wood")


def _stone_under(worked: WorkedBed) -> str | None:
    stand = worked.bed.stand
    return stand.on if stand is not None and stand.on in PAVED else None


class OpeningUnsealed(BedFinding):
    """What goes through the wall under water leaks until it is sealed."""

    code = "opening_unsealed"
    level = ("caution",)
    topic = "water"
    when = "an inlet, a drain or an overflow at or under the full water that isn't said to be sealed"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Each such opening."""
        water = worked.water
        if water is None:
            return
        for index in open_under_water(water.reservoir, water.store.overflow_m):
            fitting = water.reservoir.fittings[index]
            across = show_length(across_of(fitting), worked.system)
            yield Found(
                "caution",
                f"The {fitting.kind} ({across} across) goes through the wall under the full water.",
                "Liners leak where they are cut, and a slow leak shows only after planting.",
                "Clamp the liner between two flanges with a seal, fill to the overflow and look a day later.",
                mend=Mend("It is sealed", set_keys(f"reservoir.fittings[{index}]", sealed=True)),
            )
