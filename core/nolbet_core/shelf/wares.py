"""What is bought beside soil and sheets and counted in pieces: pipes, crates, and what lets water in and out."""

from __future__ import annotations

from nolbet_core.record import record
from nolbet_core.shelf.walling import LOG, ROD, STAKE, WALLING

DRAIN_PIPE = "drain_pipe"
CRATE = "void_crate"
TUBE = "water_tube"
WALL_FITTING = "wall_fitting"
TAP = "tap"
PIPE_CAP = "pipe_cap"
SCREW = "screw"
SPIKE = "spike"
ADHESIVE = "wall_adhesive"
MORTAR_BAG = "mortar_bag"
CONCRETE_BAG = "concrete_bag"
HOOP_ROD = "hoop_rod"
RIDGE_LINE = "ridge_line"
PLANT_STAKE = "plant_stake"
PLANT_POT = "sunk_pot"
DRIP_LINE = "drip_line"
SUPPLY_PIPE = "supply_pipe"
PIPE_SLEEVE = "pipe_sleeve"
LINE_SHUT_OFF = "line_shut_off"
LINE_TEE = "line_tee"
LINE_END = "line_end"
LINE_ELBOW = "line_elbow"
LINE_HEAD = "line_head"


@record
class Ware:
    """Something sold by the piece. mass_kg_m2: of a pipe, of a metre for each metre of its diameter [kg/m2].

    mass_kg_m3: of a crate, for each m3 it takes up [kg/m3]. mass_each_kg: of one, whatever its size [kg].
    """

    key: str
    name: str
    mass_kg_m2: float = 0.0
    mass_kg_m3: float = 0.0
    mass_each_kg: float = 0.0

    def mass_of_length(self, diameter_m: float, length_m: float) -> float:
        """Mass [kg] of a length [m] of pipe of a diameter [m]."""
        return self.mass_kg_m2 * diameter_m * length_m

    def mass_of_room(self, volume_m3: float) -> float:
        """Mass [kg] of crates that take up a volume [m3]."""
        return self.mass_kg_m3 * volume_m3


WARES: dict[str, Ware] = {
    each.key: each
    for each in (
        # corrugated drain pipe of 100 mm weighs about 0.45 kg a metre (estimate, 0.35 to 0.6)
        Ware(DRAIN_PIPE, "Drain pipe", mass_kg_m2=4.5),
        # plastic void crates weigh about 45 kg for each m3 they take up (estimate, 30 to 60)
        Ware(CRATE, "Void crates", mass_kg_m3=45.0),
        # a plastic tube of 50 mm weighs about 0.3 kg a metre (estimate, 0.2 to 0.5)
        Ware(TUBE, "Water tube", mass_kg_m2=6.0),
        # fittings of plastic (estimates)
        Ware(WALL_FITTING, "Wall fitting with seal", mass_each_kg=0.15),
        Ware(TAP, "Tap", mass_each_kg=0.2),
        Ware(PIPE_CAP, "Pipe cap", mass_each_kg=0.1),
        # screws of 60 to 120 mm weigh 4 to 11 g, spikes of 200 to 350 mm 70 to 200 g (estimates)
        Ware(SCREW, "Screws", mass_each_kg=0.006),
        Ware(SPIKE, "Spikes", mass_each_kg=0.12),
        Ware(ADHESIVE, "Wall adhesive, 300 mL", mass_each_kg=0.4),
        Ware(MORTAR_BAG, "Dry mortar, 20 kg", mass_each_kg=20.0),
        Ware(CONCRETE_BAG, "Dry concrete, 20 kg", mass_each_kg=20.0),
        # for covers, plants and drip lines: plastic pipe and fittings, cane and clay (estimates)
        Ware(HOOP_ROD, "Rods for hoops", mass_kg_m2=7.0),
        Ware(RIDGE_LINE, "Line along the hoops", mass_kg_m2=4.0),
        Ware(PLANT_STAKE, "Stakes for plants", mass_each_kg=0.3),
        Ware(PLANT_POT, "Pots to sink", mass_each_kg=0.6),
        Ware(DRIP_LINE, "Drip line", mass_kg_m2=3.5),
        Ware(SUPPLY_PIPE, "Supply pipe", mass_kg_m2=6.0),
        Ware(PIPE_SLEEVE, "Sleeve pipe", mass_kg_m2=6.0),
        Ware(LINE_SHUT_OFF, "Shut-offs for lines", mass_each_kg=0.06),
        Ware(LINE_TEE, "Tees for lines", mass_each_kg=0.02),
        Ware(LINE_END, "Line ends", mass_each_kg=0.01),
        Ware(LINE_ELBOW, "Elbows for lines", mass_each_kg=0.02),
        Ware(LINE_HEAD, "Filter and pressure reducer", mass_each_kg=0.3),
        # logs as they are bought, half dry; rods and stakes of coppice (estimates)
        Ware(LOG, "Logs for a wall", mass_kg_m3=550.0),
        Ware(ROD, "Rods for a hurdle", mass_each_kg=0.4),
        Ware(STAKE, "Stakes", mass_each_kg=0.8),
        *(Ware(each.key, each.name, mass_kg_m3=each.density_kg_m3) for each in WALLING.values()),
    )
}
"""By key."""

BY_LENGTH = (HOOP_ROD, RIDGE_LINE, DRIP_LINE, SUPPLY_PIPE, PIPE_SLEEVE)
"""What is bought by its length and diameter, beside pipes of reservoirs."""

BY_COUNT = (PLANT_STAKE, PLANT_POT, LINE_SHUT_OFF, LINE_TEE, LINE_END, LINE_ELBOW, LINE_HEAD)
"""What is counted, whatever its size."""
