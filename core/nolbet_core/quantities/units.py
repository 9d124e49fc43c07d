"""Units that a gardener types or reads, each by its exact size in the SI base unit of its kind."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum

INCH_M = 0.0254
FOOT_M = 0.3048
YARD_M = 0.9144
CU_IN_M3 = 1.6387064e-05
CU_FT_M3 = 0.028316846592
CU_YD_M3 = 0.764554857984
LITRE_M3 = 0.001
US_BUSHEL_M3 = 0.03523907016688
USUAL_BARROW_M3 = 0.085
"""What a builder's barrow holds heaped [m3]."""
US_DRY_QUART_M3 = 0.001101220942715
US_LIQUID_QUART_M3 = 0.000946352946
US_GALLON_M3 = 0.003785411784
IMPERIAL_GALLON_M3 = 0.00454609
POUND_KG = 0.45359237
OUNCE_KG = 0.028349523125
SHORT_TON_KG = 907.18474
TONNE_KG = 1000.0
SQ_FT_M2 = 0.09290304


class System(StrEnum):
    """The unit system a garden is measured in."""

    FT_IN = "ft_in"
    METRIC = "metric"


class Contents(StrEnum):
    """What a volume holds: growing media go by dry quarts, liquids by liquid ones."""

    MEDIA = "media"
    LIQUID = "liquid"


@dataclass(frozen=True, slots=True)
class Unit:
    """A unit: its name in full (singular, plural) and its size [SI base unit of its kind].

    usual: it has no size of its own, as a barrow, and the usual one is taken.
    """

    one: str
    many: str
    size: float
    usual: bool = False

    def named(self, amount: float) -> str:
        """The unit's name as it follows an amount."""
        return self.one if amount == 1 else self.many


INCH = Unit("in", "in", INCH_M)
FOOT = Unit("ft", "ft", FOOT_M)
YARD = Unit("yard", "yards", YARD_M)
MILLIMETRE = Unit("mm", "mm", 0.001)
CENTIMETRE = Unit("cm", "cm", 0.01)
METRE = Unit("m", "m", 1.0)
CU_FT = Unit("cu ft", "cu ft", CU_FT_M3)
CU_YD = Unit("cu yd", "cu yd", CU_YD_M3)
CUBIC_METRE = Unit("m³", "m³", 1.0)
LITRE = Unit("L", "L", LITRE_M3)
POUND = Unit("lb", "lb", POUND_KG)
KILOGRAM = Unit("kg", "kg", 1.0)
SHORT_TON = Unit("short ton", "short tons", SHORT_TON_KG)
TONNE = Unit("tonne", "tonnes", TONNE_KG)
DRY_QUART = Unit("US dry quart", "US dry quarts", US_DRY_QUART_M3)
LIQUID_QUART = Unit("US liquid quart", "US liquid quarts", US_LIQUID_QUART_M3)


def _aliases(*rows: tuple[Unit, str]) -> dict[str, Unit]:
    return {alias.strip(): unit for unit, names in rows for alias in names.split(",")}


LENGTH_UNITS = _aliases(
    (INCH, 'in, ins, inch, inches, "'),
    (FOOT, "ft, foot, feet, '"),
    (YARD, "yd, yds, yard, yards"),
    (MILLIMETRE, "mm, millimetre, millimetres, millimeter, millimeters"),
    (CENTIMETRE, "cm, cms, centimetre, centimetres, centimeter, centimeters"),
    (Unit("dm", "dm", 0.1), "dm, decimetre, decimetres"),
    (METRE, "m, metre, metres, meter, meters, mtr"),
)

VOLUME_UNITS = _aliases(
    (Unit("mL", "mL", 1e-6), "ml, millilitre, millilitres, milliliter, milliliters, cm3, cc"),
    (Unit("dL", "dL", 1e-4), "dl, decilitre, decilitres"),
    (LITRE, "l, lt, ltr, ltrs, litre, litres, liter, liters, dm3"),
    (Unit("hL", "hL", 0.1), "hl, hectolitre, hectolitres"),
    (CUBIC_METRE, "m3, cu m, cubic m, cubic metre, cubic metres, cubic meter, cubic meters, cbm"),
    (
        Unit("cu in", "cu in", CU_IN_M3),
        "cu in, in3, cubic in, cubic inch, cubic inches",
    ),
    (CU_FT, "cu ft, cuft, ft3, cf, cubic ft, cubic foot, cubic feet, cu foot, cu feet"),
    (
        Unit("cubic yard", "cubic yards", CU_YD_M3),
        "yd, yds, yard, yards, cu yd, cu yds, cuyd, yd3, cy, cubic yd, cubic yard, cubic yards, cu yard, cu yards",
    ),
    (Unit("US bushel", "US bushels", US_BUSHEL_M3), "bu, bushel, bushels, us bushel, us bushels"),
    (
        Unit("US gallon", "US gallons", US_GALLON_M3),
        "gal, gals, gallon, gallons, us gal, us gallon, us gallons",
    ),
    (
        Unit("imperial gallon", "imperial gallons", IMPERIAL_GALLON_M3),
        "imp gal, imp gallon, imp gallons, imperial gallon, imperial gallons, uk gal, uk gallon, uk gallons",
    ),
    (
        Unit("barrow of 85 L", "barrows of 85 L", USUAL_BARROW_M3, usual=True),
        "barrow, barrows, barrowload, barrowloads, barrow load, barrow loads, wheelbarrow, wheelbarrows",
    ),
    (Unit("bucket of 10 L", "buckets of 10 L", 0.01, usual=True), "bucket, buckets, bucketful, bucketfuls"),
    (DRY_QUART, "dry qt, dry qts, dry quart, dry quarts"),
    (LIQUID_QUART, "liquid qt, liquid qts, liquid quart, liquid quarts"),
)
SQ_FT = Unit("sq ft", "sq ft", SQ_FT_M2)
SQ_METRE = Unit("m²", "m²", 1.0)

AREA_UNITS = _aliases(
    (SQ_METRE, "m2, sqm, sq m, square m, square metre, square metres, square meter, square meters"),
    (SQ_FT, "sq ft, sqft, ft2, sf, square ft, square foot, square feet, sq foot, sq feet"),
)

QUART_ALIASES = ("qt", "qts", "quart", "quarts")

MASS_UNITS = _aliases(
    (Unit("g", "g", 0.001), "g, gr, gram, grams, gramme, grammes"),
    (KILOGRAM, "kg, kgs, kilo, kilos, kilogram, kilograms, kilogramme, kilogrammes"),
    (Unit("oz", "oz", OUNCE_KG), "oz, ounce, ounces"),
    (POUND, "lb, lbs, pound, pounds"),
    (TONNE, "t, tonne, tonnes, metric ton, metric tons"),
    (SHORT_TON, "short ton, short tons, us ton, us tons"),
    (Unit("long ton", "long tons", 1016.0469088), "long ton, long tons"),
)
TON_ALIASES = ("ton", "tons")


USUAL_BAG_M3 = {System.FT_IN: 1.5 * CU_FT_M3, System.METRIC: 0.04}
"""A bag whose size isn't told."""
HANDFUL_M3 = 6.0e-5
"""A handful of meal until the gardener weighs one [m3] (estimate; about 40 g)."""
CUP_M3 = 2.365882365e-4
"""A US cup [m3]."""
USUAL_HANDFUL_KG = 0.04


def bag_units(system: System) -> dict[str, Unit]:
    """The spellings of a bag whose size isn't told: the usual one of a garden's system is taken, and told."""
    size = USUAL_BAG_M3[system]
    shown = "1.5 cu ft" if system is System.FT_IN else "40 L"
    bag = Unit(f"bag of {shown}", f"bags of {shown}", size, usual=True)
    return dict.fromkeys(("bag", "bags", "sack", "sacks"), bag)


def weighed_volume_units(density_kg_m3: float, system: System) -> dict[str, Unit]:
    """Units of mass as units of a volume, by the bulk density of what is measured [kg/m3]: told, since it varies."""
    return {
        name: Unit(
            f"{unit.one} at {density_kg_m3:.0f} kg/m³",
            f"{unit.many} at {density_kg_m3:.0f} kg/m³",
            unit.size / density_kg_m3,
            usual=True,
        )
        for name, unit in mass_units(system).items()
    }


def scooped_mass_units(density_kg_m3: float | None, handful_kg: float | None) -> dict[str, Unit]:
    """Handfuls and cups as units of mass [kg]: the gardener's own handful where it was weighed [kg], else by the bulk
    density of what is scattered [kg/m3], else the usual one."""
    usual_kg = USUAL_HANDFUL_KG if density_kg_m3 is None else HANDFUL_M3 * density_kg_m3
    hand_kg = handful_kg or usual_kg
    hand = Unit(f"handful of {hand_kg * 1000:.0f} g", f"handfuls of {hand_kg * 1000:.0f} g", hand_kg, usual=True)
    cup_kg = CUP_M3 * (density_kg_m3 or USUAL_HANDFUL_KG / HANDFUL_M3)
    cup = Unit(f"cup of {cup_kg * 1000:.0f} g", f"cups of {cup_kg * 1000:.0f} g", cup_kg, usual=True)
    return dict.fromkeys(("handful", "handfuls"), hand) | dict.fromkeys(("cup", "cups"), cup)


def area_units() -> dict[str, Unit]:
    """Every accepted spelling of a unit of area."""
    return AREA_UNITS


def length_units() -> dict[str, Unit]:
    """Every accepted spelling of a unit of length."""
    return LENGTH_UNITS


def volume_units(contents: Contents) -> dict[str, Unit]:
    """Every accepted spelling of a unit of volume; a plain quart is dry for media and liquid for liquids."""
    quart = DRY_QUART if contents is Contents.MEDIA else LIQUID_QUART
    return VOLUME_UNITS | dict.fromkeys(QUART_ALIASES, quart)


def mass_units(system: System) -> dict[str, Unit]:
    """Every accepted spelling of a unit of mass; a plain ton is short in feet and inches, else a tonne."""
    ton = SHORT_TON if system is System.FT_IN else TONNE
    return MASS_UNITS | dict.fromkeys(TON_ALIASES, ton)
