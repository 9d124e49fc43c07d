"""What gardeners type and what it means: text, limit, value in SI units. One table for the reading tests."""

from __future__ import annotations

from typing import Final

IN: Final = 0.0254
FT: Final = 0.3048
CUFT: Final = 0.028316846592
CUYD: Final = 0.764554857984
LB: Final = 0.45359237

LENGTHS_IN_FT_IN: Final = [
    ("3' 6 1/2\"", 42.5 * IN), ("3'6 1/2\"", 42.5 * IN), ("3ft 6.5in", 42.5 * IN), ("3 ft 6 1/2 in", 42.5 * IN),
    ("42 1/2 in", 42.5 * IN), ("42½\"", 42.5 * IN), ("42 ½ in", 42.5 * IN), ("42½", 42.5 * IN), ("42.5", 42.5 * IN),
    ("42,5", 42.5 * IN), ("42-1/2\"", 42.5 * IN), ("3’ 6½”", 42.5 * IN), ("3′ 6 1/2″", 42.5 * IN),
    ("3' 6½''", 42.5 * IN),
    ("4'", 4 * FT), ("4 ft", 4 * FT), ("4ft.", 4 * FT), ("4 feet", 4 * FT), ("1 foot", FT), ("4 FT", 4 * FT),
    ("10\"", 10 * IN), ("10 inches", 10 * IN), ("10 in.", 10 * IN), ("1/2\"", 0.5 * IN), ("½ in", 0.5 * IN),
    ("3/8\"", 0.375 * IN), ("⅝\"", 0.625 * IN), ("1⅞ in", 1.875 * IN), ("12", 12 * IN), (".5", 0.5 * IN),
    ("1 yd", 3 * FT), ("2 yards", 6 * FT), ("450mm", 0.45), ("450 mm", 0.45), ("45 cm", 0.45), ("45cm", 0.45),
    ("1.2 m", 1.2), ("1,2 m", 1.2), ("1.2m", 1.2), ("1 metre", 1.0), ("2 meters", 2.0), ("0.3 m", 0.3),
    ("6 ft 0 in", 6 * FT), ("5 ft 11", 71 * IN), ("5' 11", 71 * IN), ("2 ft and 3 in", 27 * IN), ("1 m 20", 1.2),
    ("1 m 20 cm", 1.2), ("8 ft long", 8 * FT), ("about 8 ft", 8 * FT), ("~ 8 ft", 8 * FT), ("  8 ft  ", 8 * FT),
    ("12\u00a0in", 12 * IN), ("8 ft,", 8 * FT), ("1 dm", 0.1), ("7 3/4\" thick", 7.75 * IN),
]  # fmt: skip

LENGTHS_IN_METRIC: Final = [
    ("45", 0.45), ("45,5", 0.455), ("120", 1.2), ("4 ft", 4 * FT), ("1,20 m", 1.2), ("1 250 mm", 1.25),
    ("1'250 mm".replace("'", " "), 1.25), ("2,4m", 2.4), ("38 mm", 0.038), ("½ m", 0.5),
]  # fmt: skip

DIMENSIONS: Final = [
    ("4 x 8 ft", (4 * FT, 8 * FT)), ("4x8 ft", (4 * FT, 8 * FT)), ("4 × 8 ft", (4 * FT, 8 * FT)),
    ("4 by 8 ft", (4 * FT, 8 * FT)), ("4' x 8'", (4 * FT, 8 * FT)), ("4 * 8 ft", (4 * FT, 8 * FT)),
    ("4 ft x 8 ft x 10 in", (4 * FT, 8 * FT, 10 * IN)), ("1.2 x 2.4 x 0.3 m", (1.2, 2.4, 0.3)),
    ("1,2 x 2,4 x 0,3 m", (1.2, 2.4, 0.3)), ("120 x 240 cm", (1.2, 2.4)), ("4 ft 6 in x 8 ft", (54 * IN, 8 * FT)),
    ("48 x 96", (48 * IN, 96 * IN)), ("3' 6\" x 7' x 11 1/2\"", (42 * IN, 7 * FT, 11.5 * IN)),
    ("1200 x 2400 mm", (1.2, 2.4)), ("8 ft long x 4 ft wide x 10 in deep", (8 * FT, 4 * FT, 10 * IN)),
    ("2 ft × 90 cm", (2 * FT, 0.9)),
]  # fmt: skip

VOLUMES: Final = [
    ("25 L", 0.025), ("25l", 0.025), ("25 litres", 0.025), ("25 liters", 0.025), ("1.5 cu ft", 1.5 * CUFT),
    ("1.5 ft3", 1.5 * CUFT), ("1.5 ft³", 1.5 * CUFT), ("1 1/2 cubic feet", 1.5 * CUFT), ("1.5 cu. ft.", 1.5 * CUFT),
    ("1½ cu ft", 1.5 * CUFT), ("2 yd", 2 * CUYD), ("2 cu yd", 2 * CUYD), ("2 yards", 2 * CUYD),
    ("2 cubic yards", 2 * CUYD), ("½ yd", 0.5 * CUYD), ("2 yd3", 2 * CUYD), ("1 yard", CUYD), ("0.5 m3", 0.5),
    ("0,5 m³", 0.5), ("0.5 cubic metres", 0.5), ("16 qt", 16 * 0.001101220942715), ("8 quarts", 8 * 0.001101220942715),
    ("1 liquid qt", 0.000946352946), ("1 bushel", 0.03523907016688), ("2 bu", 2 * 0.03523907016688),
    ("5 gal", 5 * 0.003785411784), ("5 gallons", 5 * 0.003785411784), ("5 imp gal", 5 * 0.00454609),
    ("500 ml", 0.0005), ("30 cu in", 30 * 1.6387064e-05), ("3", 3 * CUFT), ("2 cubic ft", 2 * CUFT), ("3 cf", 3 * CUFT),
    ("40 dm3", 0.04),
]  # fmt: skip

MASSES: Final = [
    ("20 kg", 20.0), ("20kg", 20.0), ("20 kilos", 20.0), ("40 lb", 40 * LB), ("40 lbs", 40 * LB),
    ("40 pounds", 40 * LB),
    ("1 t", 1000.0), ("1 tonne", 1000.0), ("1 ton", 907.18474), ("1 short ton", 907.18474), ("500 g", 0.5),
    ("8 oz", 8 * 0.028349523125), ("3 lb 8 oz", 3.5 * LB), ("40", 40 * LB), ("1,5 kg", 1.5),
]  # fmt: skip

PLAIN: Final = [
    ("2", "count", 2.0), ("60 %", "share", 0.6), ("60%", "share", 0.6), ("0.6", "share", 0.6), ("0,6", "share", 0.6),
    ("60 percent", "share", 0.6), ("1", "share", 1.0), ("1/2", "share", 0.5), ("6.5", "ph", 6.5), ("pH 6.5", "ph", 6.5),
    ("0", "share", 0.0), ("1000", "count", 1000.0), ("640", "density", 640.0), ("640 kg/m3", "density", 640.0),
    ("1,15", "factor", 1.15), ("640 kg per m³", "density", 640.0),
]  # fmt: skip

MONEY: Final = [
    ("6.20", "6.20"), ("$6.20", "6.20"), ("6.2", "6.20"), ("6", "6.00"), ("6,20", "6.20"), ("$ 1,200", "1200.00"),
    ("1,200.50", "1200.50"), ("1.200,50", "1200.50"), ("6.20 USD", "6.20"), ("6.20 $", "6.20"), ("0", "0.00"),
    ("1 200", "1200.00"),
]  # fmt: skip

UNIT_PRICES: Final = [
    ("48", "62.781630"), ("$48 a yd", "62.781630"), ("48/yd", "62.781630"), ("48 per cubic yard", "62.781630"),
    ("62.80 a m3", "62.800000"), ("62,80/m³", "62.800000"), ("1 a cu ft", "35.314667"), ("40 per 1", None),
    ("48 a stone", None), ("a yd", None),
]  # fmt: skip
"""Prices of bulk in a feet-and-inches garden, and what a m3 costs; None where they are refused."""

EITHER: Final = [
    ("1,200 mm", "length", (1.2, 0.0012)), ("1,200", "mass", (1200 * LB, 1.2 * LB)),
    ("2,500 L", "stock", (2.5, 0.0025)),
]  # fmt: skip
"""A comma before exactly three digits: both readings are offered."""

REFUSED: Final = [
    ("", "length", "nothing typed"), ("   ", "length", "nothing typed"), ("abc", "length", "no number"),
    ("4 x", "length", "beside the x"), ("-3 in", "length", "less than nothing"),
    ("−3 in", "length", "less than nothing"),
    ("9999 m", "length", "more than the"), ("101 m", "length", "more than the"), ("0", "length", "more than nothing"),
    ("0 in", "depth", "more than nothing"), ("6 m", "depth", "depth of a bed"), ("4 m", "layer", "a layer"),
    ("2 m", "wall", "a wall"), ("3 m3", "bag", "a bag"), ("600 m3", "bulk", "a bulk load"),
    ("2000 t", "mass", "a mass"), ("2000000", "price", "a price"), ("1001", "count", "a count"),
    ("0", "count", "a count"),
    ("2.5", "count", "whole number"), ("15", "ph", "pH"), ("60", "share", "60 %"), ("120 %", "share", "a share"),
    ("4 x 8 ft", "length", "one length"), ("3 kg", "length", "measures mass"), ("3 L", "length", "measures volume"),
    ("3 ft", "mass", "measures length"), ("3 sq ft", "stock", "measures area"), ("3 m2", "length", "measures area"),
    ("3 furlongs", "length", "isn't a unit"), ("1/0 in", "length", "divided by 0"),
    ("3 5/4 in", "length", "one or more"),
    ("3 in 2 ft", "length", "smaller unit"), ("3 4", "length", "two numbers"), ("3.5 ft 2 in", "length", "fraction"),
    ("1.2.3 m", "length", "decimal sign"), ("1,2,3 m", "length", "decimal sign"), ("nan", "length", "no number"),
    ("inf", "length", "no number"), ("1e9 m", "length", ""), ("#5", "stock", "trade class"),
    ("five", "count", "no number"),
    ("6.205", "price", "cent"), ("€6", "price", "counts in USD"), ("6 EUR", "price", "counts in USD"),
    ("-6", "price", "less than nothing"), ("x 8 ft", "length", "beside the x"), ("9" * 90, "length", "longer than"),
    ("8 ft ft", "length", "isn't a unit"), ("ph", "ph", "no number"),
    ("0.9", "factor", "a loose factor"), ("0", "density", "more than nothing"),
    ("640 lb", "density", "only a number"), ("2 in", "reach", "a reach"),
    ("100000000000000 mm", "length", "far too much"),
]  # fmt: skip

REFUSED_DIMENSIONS: Final = [
    ("4 ft", "two or three"), ("4 x 8 x 2 x 1 ft", "two or three"),
    ("4 x", "missing"), ("4 x -8 ft", ""), ("x", "missing"),
]  # fmt: skip
