"""Where gardeners differ about how a layer is laid: unripe compost, leaves loose or trodden, one ply or two."""

from __future__ import annotations

from collections.abc import Iterator

from nolbet_core.built.footing import on_open_ground
from nolbet_core.built.thirst import soaking_water
from nolbet_core.built.worked import WorkedBed, written_layer
from nolbet_core.findings.finding import BedFinding, Found
from nolbet_core.findings.mend import Mend, MendStep
from nolbet_core.quantities.writing import show_length, show_volume, show_water
from nolbet_core.stack.layers import Sheet

LEAVES = frozenset({"leaves", "conifer_needles"})
LEAVES_WORTH_SAYING_M = 0.050
FEW_PLIES = 2
THIRSTY_L_M2 = 50.0
BINDS_FROM = 25
"""C:N from which rotting takes nitrogen from the soil."""


class UnripeCompost(BedFinding):
    """Compost that isn't ripe lies where roots and seeds meet it."""

    code = "unripe_compost"
    level = ("advice", "caution")
    topic = "layers"
    when = "half ripe compost below the top; unripe compost there"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Each layer of unripe compost with anything but its like above it; on top it is mulch, and does no harm."""
        layers = worked.filled.layers
        for index, layer in enumerate(layers):
            above = [each for each in layers[index + 1 :] if each.thickness_m > 0]
            if "unripe" not in layer.material.traits or all("unripe" in each.material.traits for each in above):
                continue
            ratio = layer.material.carbon / layer.material.nitrogen
            yield Found(
                "caution" if ratio > BINDS_FROM else "advice",
                f"Layer {index + 1}, {layer.material.name.lower()}, lies under "
                f"{show_length(sum(each.thickness_m for each in above), worked.system)} of fill, at a C:N of "
                f"{ratio:.0f}.",
                "It goes on heating, takes nitrogen and air from roots, and can keep seed from sprouting.",
                "Lay it on top this year, as mulch; by next year it can be dug in.",
                layer=index,
                mend=_to_the_top(worked, index),
                sides=(
                    "Some keep unripe compost on the surface for a year, and plant through it.",
                    "Others dig it in in autumn, and hold that it is ripe by sowing time.",
                ),
            )


def _to_the_top(worked: WorkedBed, index: int) -> Mend:
    layers = worked.bed.layers
    last = len(layers) - 1
    steps = (MendStep("remove", f"layers[{index}]"), MendStep("add", f"layers[{last}]", written_layer(layers[index])))
    return Mend("Lay it on top", steps)


class LeavesTrodden(BedFinding):
    """Leaves can be laid loose or trodden, and the figures count on one of them."""

    code = "leaves_trodden"
    level = ("note",)
    topic = "layers"
    when = "50 mm of leaves or needles and more that haven't rotted down"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """One note for the thickest such layer."""
        layers = [
            (layer.thickness_m, index)
            for index, layer in enumerate(worked.filled.layers)
            if (layer.material.like or layer.material.key) in LEAVES and layer.material.group != "soil"
        ]
        thick_m, index = max(layers, default=(0.0, 0))
        if thick_m < LEAVES_WORTH_SAYING_M:
            return
        layer = worked.filled.layers[index]
        yield Found(
            "note",
            f"{layer.material.name}: {show_volume(layer.loose_m3, worked.system)} loose are reckoned trodden down to "
            f"{show_volume(layer.placed_m3, worked.system)}.",
            "Laid loose they would fill the same depth with less, and sink as soon as rain has wet them.",
            "Wet and tread them as you lay them, or heap them higher and let them sink.",
            layer=index,
            sides=(
                "Trodden and wet, leaves sink less later, and hold on to their water.",
                "Laid loose and mixed with something coarse, they let air and rain through and don't mat.",
            ),
        )


class PliesFew(BedFinding):
    """One ply of cardboard or two: gardeners differ."""

    code = "plies_few"
    level = ("note",)
    topic = "layers"
    when = "cardboard on the ground in one ply or two"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """The lowest sheet of cardboard, where nothing but sheets lies under it, in a bed on the ground."""
        if not on_open_ground(worked.bed):
            return
        for index, layer in enumerate(worked.filled.layers):
            if not isinstance(layer.asked, Sheet):
                return
            if layer.material.key != "cardboard" or layer.asked.plies > FEW_PLIES:
                continue
            one = layer.asked.plies == 1
            yield Found(
                "note",
                f"{layer.material.name} lies in {'one ply' if one else 'two plies'}.",
                "One ply is soft within a season, two last into the second; roots of the crop wait as long.",
                "Take two where couch, bindweed or the like grow, one over mown grass."
                if one
                else "Over mown grass one would do, and roots come through sooner.",
                layer=index,
                mend=Mend("Lay two plies", (MendStep("set", f"layers[{index}].plies", 2),)) if one else None,
                sides=(
                    "One ply: grass dies in the dark all the same, and roots are down by summer.",
                    "Two plies: what creeps finds every soft spot, and cardboard costs nothing.",
                ),
            )
            return


class DryFill(BedFinding):
    """Dry fill takes much water, and gardeners differ on when it gets it."""

    code = "dry_fill"
    level = ("note",)
    topic = "layers"
    when = "fill that isn't laid yet takes over 50 L of water a m² until it is wet through"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """One note for the whole of what is planned or being filled."""
        if worked.state in ("filled", "emptied"):
            return
        soak_l = sum(soaking_water(layer) for layer in worked.filled.layers)
        if soak_l <= THIRSTY_L_M2 * worked.vessel.top_area_m2:
            return
        tap_l_min = worked.around.garden.tap_l_min if worked.around.garden else None
        minutes = f", {soak_l / tap_l_min:.0f} minutes of your tap" if tap_l_min else ""
        yield Found(
            "note",
            f"Wet through the fill takes up to {show_water(soak_l / 1000, worked.system)}{minutes}.",
            "Dry leaves, wood and peat shed water once they are buried, and rot only where they are moist.",
            "Wet each layer as it is laid, the coarse ones most.",
            sides=(
                "Most wet layer by layer: what is dry below stays dry for a year.",
                "Some fill in autumn and leave it to the winter's rain.",
            ),
        )
