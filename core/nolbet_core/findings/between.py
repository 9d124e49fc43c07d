"""What is amiss where layers meet: steps from fine to coarse, fabric under a mound, sheets that don't reach."""

from __future__ import annotations

import itertools
from collections.abc import Iterator

from nolbet_core.built.worked import WorkedBed
from nolbet_core.findings.finding import BedFinding, Found, Level
from nolbet_core.findings.mend import Mend, MendStep, change_layer
from nolbet_core.quantities.writing import show_area, show_length
from nolbet_core.stack.layers import Sheet
from nolbet_core.stack.voids import STOPS_FINES


class AbruptInterface(BedFinding):
    """Fine soil over stone keeps its water instead of draining."""

    code = "abrupt_interface"
    level = ("note",)
    topic = "layers"
    of_profile = True
    when = "soil next above coarse stone, where no liner makes a reservoir of it"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Soil next above coarse mineral, fabric between or not; over a liner it is a reservoir and wanted."""
        bulk = [(i, layer) for i, layer in enumerate(worked.filled.layers) if layer.thickness_m > 0]
        for (low, coarse), (high, fine) in itertools.pairwise(bulk):
            if coarse.material.group != "mineral" or not coarse.material.void_share or fine.material.group != "soil":
                continue
            if any(layer.holds_water for layer in worked.filled.layers[:low]) or coarse.infill_m3 > 0:
                continue
            between = [layer.material.name.lower() for layer in worked.filled.layers[low + 1 : high]]
            how = f"on {' and '.join(between)} over" if between else "straight on"
            yield Found(
                "note",
                f"{fine.material.name} lies {how} {show_length(coarse.thickness_m, worked.system)} of "
                f"{coarse.material.name.lower()}.",
                "Water hangs in fine soil above a step to coarse until the soil is full: it drains later, not sooner.",
                "Blend the two over a hand's depth, or leave the stone out and have deeper soil.",
                layer=low,
                sides=(
                    "Masons and many books: a stone layer keeps the foot of a tall bed dry and saves soil.",
                    "Soil physicists: water only passes the step once the soil above is soaked.",
                ),
            )


class FabricUnderMound(BedFinding):
    """Fabric keeps a mound from the ground it should feed."""

    code = "fabric_under_mound"
    level = ("advice",)
    topic = "layers"
    when = "fabric or film in a mound"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Fabric or film in a mound."""
        if worked.vessel.form != "mound":
            return
        for index, layer in enumerate(worked.filled.layers):
            if STOPS_FINES not in layer.material.traits:
                continue
            yield Found(
                "advice",
                f"Layer {index + 1} of the mound is {layer.material.name.lower()}.",
                "Worms, roots and water have to pass between mound and ground; fabric makes a slide of it, too.",
                "Leave it out; cardboard does against grass, and rots.",
                layer=index,
                mend=Mend("Leave it out", (MendStep("remove", f"layers[{index}]"),)),
            )


class SheetBare(BedFinding):
    """The pieces there are don't cover the ground."""

    code = "sheet_bare"
    level = ("advice", "caution")
    topic = "layers"
    when = "the pieces on hand leave ground bare; over a tenth of it"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Any ground left bare, a caution from a tenth of it up."""
        for index, layer in enumerate(worked.filled.layers):
            sheet = layer.asked
            if layer.bare_m2 <= 0 or not isinstance(sheet, Sheet) or layer.pieces is None:
                continue
            level: Level = "caution" if layer.bare_m2 > worked.vessel.inside.area_m2 / 10 else "advice"
            yield Found(
                level,
                f"{sheet.material.name}: {sheet.on_hand} of {layer.pieces} pieces are there, and "
                f"{show_area(layer.bare_m2, worked.system)} stays bare.",
                "Grass and weeds come up wherever light gets through.",
                "Find more pieces, or let what there is cover the edges, where couch grass creeps in.",
                layer=index,
                mend=Mend(f"I'll get {layer.pieces} pieces", change_layer(index, on_hand=None)),
            )
