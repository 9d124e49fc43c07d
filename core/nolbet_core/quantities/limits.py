"""The largest figures that make sense, so that a slip of the finger never enters a plan.

Each limit is in the SI base unit of its kind; the plan file's models and the typed fields both read them here.
"""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum

from nolbet_core.quantities.units import (
    CENTIMETRE,
    CU_FT,
    CU_YD,
    FOOT,
    INCH,
    KILOGRAM,
    LITRE,
    METRE,
    MILLIMETRE,
    POUND,
    SQ_FT,
    SQ_METRE,
    System,
    Unit,
)


class Kind(StrEnum):
    """What a typed text is a measure of."""

    LENGTH = "length"
    DIMENSIONS = "dimensions"
    VOLUME = "volume"
    MASS = "mass"
    AREA = "area"
    LOAD = "load"
    DENSITY = "density"
    MIXED_IN = "mixed_in"
    TEMPERATURE = "temperature"
    MONEY = "money"
    UNIT_PRICE = "unit_price"
    COUNT = "count"
    SHARE = "share"
    PH = "ph"
    NUMBER = "number"


@dataclass(frozen=True, slots=True)
class Limit:
    """A named range: what it is called on the screen, its kind, its least and greatest value [SI base unit].

    `above_least` says that the least value itself is refused too (a bed has some length, a layer may have none).
    bare: the units that a number without one is taken in, in a garden of feet and in a metric one, where they are not
    its kind's. usual: between what such a number comes out as a rule [SI base unit]; beyond it is asked about.
    """

    label: str
    kind: Kind
    most: float
    least: float = 0.0
    above_least: bool = False
    bare: tuple[Unit, Unit] | None = None
    usual: tuple[float, float] | None = None

    def bare_unit(self, system: System) -> Unit | None:
        """The unit that a number without one is taken in; None where a number needs none."""
        units = self.bare or _BARE.get(self.kind)
        if units is None:
            return None
        return units[0] if system is System.FT_IN else units[1]

    def holds(self, value: float) -> bool:
        """Whether a value [SI base unit] lies within the limit."""
        if self.above_least and value <= self.least:
            return False
        return self.least <= value <= self.most


_BARE: dict[Kind, tuple[Unit, Unit]] = {
    Kind.LENGTH: (INCH, CENTIMETRE),
    Kind.VOLUME: (CU_FT, LITRE),
    Kind.MASS: (POUND, KILOGRAM),
    Kind.AREA: (SQ_FT, SQ_METRE),
    Kind.DENSITY: (Unit("lb a cu ft", "lb a cu ft", POUND.size / CU_FT.size), Unit("kg a m³", "kg a m³", 1.0)),
    Kind.MIXED_IN: (Unit("lb a cu yd", "lb a cu yd", POUND.size / CU_YD.size), Unit("kg a m³", "kg a m³", 1.0)),
    Kind.TEMPERATURE: (Unit("°F", "°F", 5 / 9), Unit("°C", "°C", 1.0)),
}

SHORTEST_M = 0.001
"""Nothing in a garden is measured finer than a millimetre, and below it areas come to nothing."""

LENGTH_M = Limit("a length", Kind.LENGTH, 100.0, least=SHORTEST_M)
BED_SIDE_M = Limit("a side of a bed", Kind.LENGTH, 100.0, SHORTEST_M, bare=(FOOT, CENTIMETRE), usual=(0.2, 15.0))
BED_DEPTH_M = Limit("the depth of a bed", Kind.LENGTH, 5.0, least=SHORTEST_M, usual=(0.055, 1.6))
GROUND_M = Limit("a side of the ground", Kind.LENGTH, 200.0, SHORTEST_M, bare=(FOOT, METRE))
LAYER_M = Limit("a layer", Kind.LENGTH, 3.0)
BOARD_M = Limit("the thickness and width of a board", Kind.LENGTH, 1.0, SHORTEST_M, bare=(INCH, MILLIMETRE))
WALL_M = Limit("a wall", Kind.LENGTH, 1.0)
REACH_M = Limit("a reach", Kind.LENGTH, 1.5, least=0.1)
OFFSET_M = Limit("a lap or run", Kind.LENGTH, 5.0)
PLACE_M = Limit("a place on the plot", Kind.LENGTH, 200.0, bare=(FOOT, METRE))
LEVEL_M = Limit("a height of the ground", Kind.LENGTH, 50.0)
SLOPE_DEG = Limit("a slope", Kind.NUMBER, 80.0, least=5.0)
FACING_DEG = Limit("the angle of a facing", Kind.NUMBER, 85.0, least=30.0)
TURN_DEG = Limit("a turn", Kind.NUMBER, 360.0)
BAG_M3 = Limit("a bag", Kind.VOLUME, 2.0, least=0.0001)
BULK_M3 = Limit("a bulk load", Kind.VOLUME, 500.0, least=0.001)
STOCK_M3 = Limit("a heap", Kind.VOLUME, 500.0)
MASS_KG = Limit("a mass", Kind.MASS, 1_000_000.0)
PRICE = Limit("a price", Kind.MONEY, 1_000_000.0)
UNIT_PRICE = Limit("a price", Kind.UNIT_PRICE, 1_000_000.0)
COUNT = Limit("a count", Kind.COUNT, 1000.0, least=1.0)
PLANTS = Limit("a number of plants", Kind.COUNT, 100_000.0, least=1.0)
WEEKS_APART = Limit("a number of weeks", Kind.COUNT, 52.0, least=1.0)
PLANT_SIZES = Limit("a number of sizes", Kind.COUNT, 5.0, least=1.0)
DRIP_ROWS = Limit("a number of rows", Kind.COUNT, 100.0, least=1.0)
TAP_L_MIN = Limit("what a tap gives", Kind.NUMBER, 500.0, above_least=True)
EMITTER_L_H = Limit("what an emitter gives", Kind.NUMBER, 100.0, above_least=True)
SHARE = Limit("a share", Kind.SHARE, 1.0)
PH = Limit("pH", Kind.PH, 14.0)
DENSITY_KG_M3 = Limit("a density", Kind.DENSITY, 5000.0, above_least=True)
MIXED_IN_KG_M3 = Limit("what is mixed in", Kind.MIXED_IN, 200.0, above_least=True)
LOOSE_FACTOR = Limit("a loose factor", Kind.NUMBER, 5.0, least=1.0)
DECAY = Limit("a rate of rotting", Kind.NUMBER, 20.0)
TEMPERATURE_C = Limit("a mean temperature", Kind.TEMPERATURE, 45.0, least=-30.0)
DAY_TEMPERATURE_C = Limit("a temperature", Kind.TEMPERATURE, 60.0, least=-70.0)
RAIN_M = Limit("rain of a month", Kind.LENGTH, 5.0, bare=(INCH, MILLIMETRE))
LATITUDE_DEG = Limit("a latitude", Kind.NUMBER, 90.0)
MEAL_KG = Limit("what is scattered", Kind.MASS, 10_000.0, above_least=True)
HANDFUL_KG = Limit("a handful", Kind.MASS, 0.5, least=0.005)
CATCHMENT_M2 = Limit("a roof led in", Kind.AREA, 1000.0)
BEARS_KG_M2 = Limit("what it may bear", Kind.LOAD, 20_000.0, above_least=True)
PARTS = Limit("parts", Kind.NUMBER, 1000.0)
CARBON = Limit("carbon to one of nitrogen", Kind.NUMBER, 1000.0, above_least=True)
RISE_M = Limit("how high it wicks", Kind.LENGTH, 1.0)
GROWING_M2 = Limit("a growing area", Kind.AREA, 500.0, above_least=True)
WORK_DAYS = Limit("days of work", Kind.NUMBER, 400.0, above_least=True)
WORK_H = Limit("hours of work", Kind.NUMBER, 2000.0)
DAY_H = Limit("hours a day", Kind.NUMBER, 16.0, least=0.25)
RATE_M3 = Limit("a volume in an hour", Kind.VOLUME, 1000.0, above_least=True)
RATE_M2 = Limit("an area in an hour", Kind.AREA, 1000.0, above_least=True)
RATE = Limit("how many in an hour", Kind.NUMBER, 1000.0, above_least=True)
PACE = Limit("a pace", Kind.NUMBER, 20.0, least=0.05)
MG_KG = Limit("milligrams in a kilogram", Kind.NUMBER, 1_000_000.0)
SHEET_KG_M2 = Limit("a sheet's mass", Kind.NUMBER, 50.0, above_least=True)

LIMITS: dict[str, Limit] = {
    "length": LENGTH_M,
    "bed": BED_SIDE_M,
    "ground": GROUND_M,
    "depth": BED_DEPTH_M,
    "layer": LAYER_M,
    "wall": WALL_M,
    "board": BOARD_M,
    "reach": REACH_M,
    "offset": OFFSET_M,
    "place": PLACE_M,
    "level": LEVEL_M,
    "slope": SLOPE_DEG,
    "facing": FACING_DEG,
    "turn": TURN_DEG,
    "bag": BAG_M3,
    "bulk": BULK_M3,
    "stock": STOCK_M3,
    "mass": MASS_KG,
    "price": PRICE,
    "unit_price": UNIT_PRICE,
    "count": COUNT,
    "plants": PLANTS,
    "weeks_apart": WEEKS_APART,
    "plant_sizes": PLANT_SIZES,
    "drip_rows": DRIP_ROWS,
    "tap": TAP_L_MIN,
    "emitter": EMITTER_L_H,
    "share": SHARE,
    "ph": PH,
    "density": DENSITY_KG_M3,
    "mixed_in": MIXED_IN_KG_M3,
    "factor": LOOSE_FACTOR,
    "sheet_mass": SHEET_KG_M2,
    "decay": DECAY,
    "temperature": TEMPERATURE_C,
    "day_temperature": DAY_TEMPERATURE_C,
    "rain": RAIN_M,
    "latitude": LATITUDE_DEG,
    "meal": MEAL_KG,
    "handful": HANDFUL_KG,
    "catchment": CATCHMENT_M2,
    "bears": BEARS_KG_M2,
    "parts": PARTS,
    "carbon": CARBON,
    "rise": RISE_M,
    "growing": GROWING_M2,
    "days": WORK_DAYS,
    "hours": WORK_H,
    "day_hours": DAY_H,
    "rate_m3": RATE_M3,
    "rate_m2": RATE_M2,
    "rate": RATE,
    "pace": PACE,
    "mg_kg": MG_KG,
}
