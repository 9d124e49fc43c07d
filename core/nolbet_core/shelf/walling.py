"""What walls are made of beside boards, by key: its size, how heavy it is, and how long it lasts."""

from __future__ import annotations

from nolbet_core.record import record


@record
class Walling:
    """Bricks, blocks, stone, metal or pallets. density_kg_m3: of one unit as it stands in the wall [kg/m3].

    unit_m: usual length, width and height of one [m]. joint_m: usual between them [m]. life_years: the least and most.
    """

    key: str
    name: str
    density_kg_m3: float
    unit_m: tuple[float, float, float]
    joint_m: float
    life_years: tuple[float, float]


WALLING: dict[str, Walling] = {
    each.key: each
    for each in (
        Walling("brick", "Brick", 1800.0, (0.215, 0.1025, 0.065), 0.010, (50.0, 100.0)),
        Walling("block", "Concrete block", 2000.0, (0.440, 0.100, 0.215), 0.010, (40.0, 80.0)),
        Walling("stone", "Stone", 2500.0, (0.300, 0.200, 0.100), 0.0, (50.0, 100.0)),
        # 0.6 mm sheet, told by what a square metre of it weighs over its depth of wave
        Walling("sheet_metal", "Corrugated metal", 280.0, (0.762, 0.018, 1.800), 0.0, (15.0, 30.0)),
        # a heat-treated pallet weighs about 22 kg
        Walling("pallet", "Pallet", 130.0, (1.200, 0.144, 1.000), 0.0, (2.0, 5.0)),
    )
}
"""By key (estimates; brick and block of the sizes of BS EN 771)."""

LOG = "wall_log"
ROD = "hurdle_rod"
STAKE = "stake"
