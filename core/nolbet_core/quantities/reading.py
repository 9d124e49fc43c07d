"""What a typed text is understood as: a value, two possible values, or a problem with what would do."""

from __future__ import annotations

import re
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from decimal import Decimal

from nolbet_core.quantities import measures, money
from nolbet_core.quantities.limits import BED_DEPTH_M, BED_SIDE_M, Kind, Limit
from nolbet_core.quantities.measures import Problem
from nolbet_core.quantities.numbers import Comma, spell_out
from nolbet_core.quantities.units import (
    CENTIMETRE,
    CU_FT,
    CU_YD,
    FOOT,
    INCH,
    METRE,
    Contents,
    System,
    Unit,
    bag_units,
    scooped_mass_units,
    weighed_volume_units,
)
from nolbet_core.quantities.words import digits_for_words
from nolbet_core.quantities.writing import (
    other_system,
    show_area,
    show_bulk_volume,
    show_density,
    show_length,
    show_load,
    show_mass,
    show_mixed_in,
    show_money,
    show_share,
    show_temperature,
    show_unit_price,
    show_volume,
    trimmed,
)

LONGEST_TEXT = 80
FINE_M = 0.005
BULK_FROM_M3 = 0.5
"""Volumes from here up are told as bulk is ordered."""

EXAMPLES: dict[Kind, dict[System, str]] = {
    Kind.LENGTH: {System.FT_IN: "3' 6 1/2\", 42 in or 45 cm", System.METRIC: "45 cm, 1.2 m or 18 in"},
    Kind.DIMENSIONS: {System.FT_IN: "4 x 8 ft", System.METRIC: "1.2 x 2.4 m"},
    Kind.VOLUME: {System.FT_IN: "1.5 cu ft, 2 yd or 40 L", System.METRIC: "40 L, 0.5 m3 or 1.5 cu ft"},
    Kind.MASS: {System.FT_IN: "40 lb or 20 kg", System.METRIC: "20 kg or 40 lb"},
    Kind.AREA: {System.FT_IN: "120 sq ft or 11 m2", System.METRIC: "11 m2 or 120 sq ft"},
    Kind.LOAD: {System.FT_IN: "40 lb a sq ft or 200 kg/m2", System.METRIC: "200 kg/m2 or 40 lb/sq ft"},
    Kind.DENSITY: {System.FT_IN: "40 lb a cu ft or 640 kg/m3", System.METRIC: "640 kg/m3 or 40 lb a cu ft"},
    Kind.MIXED_IN: {System.FT_IN: "2 lb a cu yd or 1.2 kg/m3", System.METRIC: "1.2 kg/m3 or 2 lb a cu yd"},
    Kind.TEMPERATURE: {System.FT_IN: "54 F or 12 C", System.METRIC: "12 C or 54 F"},
    Kind.MONEY: {System.FT_IN: "6.20", System.METRIC: "6.20"},
    Kind.UNIT_PRICE: {System.FT_IN: "48 a yd or 62.80 a m3", System.METRIC: "62.80 a m3 or 48 a yd"},
    Kind.COUNT: {System.FT_IN: "2", System.METRIC: "2"},
    Kind.SHARE: {System.FT_IN: "60 % or 0.6", System.METRIC: "60 % or 0.6"},
    Kind.PH: {System.FT_IN: "6.5", System.METRIC: "6.5"},
    Kind.NUMBER: {System.FT_IN: "640 or 1.15", System.METRIC: "640 or 1.15"},
}


@dataclass(frozen=True, slots=True)
class Context:
    """What reading depends on besides the text: the garden's units and currency, and what a volume holds.

    density_kg_m3: the moist bulk density of what is measured, where it is known, so that it may be weighed.
    handful_kg: what the gardener's own handful weighs.
    """

    system: System
    currency: str = "USD"
    contents: Contents = Contents.MEDIA
    density_kg_m3: float | None = None
    handful_kg: float | None = None


@dataclass(frozen=True, slots=True)
class Meaning:
    """One meaning of a typed text.

    values: in SI base units (money excepted), one for each measure typed. money: the amount, for Kind.MONEY.
    understood: said in the units typed. shown: in the garden's units. other: in the other system. assumed: more was
    taken for it than was typed, so that what was understood has to be told.
    """

    values: tuple[float, ...]
    understood: str
    shown: str
    other: str
    money: Decimal | None = None
    assumed: bool = False


@dataclass(frozen=True, slots=True)
class Reading:
    """What a text came to. One meaning: it is read. Two: either may be meant. None: `problem` says why."""

    typed: str
    meanings: tuple[Meaning, ...]
    problem: str | None = None


def read(typed: str, limit: Limit, context: Context, kind: Kind | None = None) -> Reading:
    """Read a typed text as a measure.

    typed: as it stands in the field. limit: what it may be and of which kind. kind: Kind.DIMENSIONS to read two
    or three lengths, each within the limit, where that is one of lengths; else the limit's own.

    Returns a Reading; nothing is raised, since nonsense is as usual in a field as sense. A comma before exactly
    three digits gives both meanings where both are within the limit.
    """
    kind = kind if kind is not None and limit.kind is Kind.LENGTH else limit.kind
    try:
        return Reading(typed, _meanings(typed, limit, context, kind))
    except Problem as problem:
        example = EXAMPLES[kind][context.system]
        return Reading(typed, (), f"“{typed.strip()[:LONGEST_TEXT]}”: {problem}. Try {example}.")


def _meanings(typed: str, limit: Limit, context: Context, kind: Kind) -> tuple[Meaning, ...]:
    if len(typed) > LONGEST_TEXT:
        raise Problem(f"longer than the {LONGEST_TEXT} characters that a measure takes")
    text = spell_out(typed)
    if kind not in (Kind.MONEY, Kind.UNIT_PRICE):
        text = digits_for_words(text)
    if not text:
        raise Problem("nothing typed yet")
    found: list[Meaning] = []
    problems: list[Problem] = []
    for bare in _ways_to_take(text, limit, context, kind):
        for comma in (Comma.THOUSANDS, Comma.DECIMAL):
            try:
                meaning = _meaning(text, limit, context, kind, comma, bare)
            except Problem as problem:
                problems.append(problem)
                continue
            if not any(_same(meaning, earlier) for earlier in found):
                found.append(meaning)
        if not found:
            raise problems[-1]
        if any(_usual(meaning, limit) for meaning in found):
            break
    own, *others = found
    return (own, *(other for other in others if "," in text or _usual(other, limit)))


_OTHER_BARE = {System.FT_IN: (FOOT, INCH), System.METRIC: (CENTIMETRE, METRE)}


def _ways_to_take(text: str, limit: Limit, context: Context, kind: Kind) -> list[tuple[Unit, ...]]:
    """The units that numbers without one may be in: the field's own first, then the others of the garden's system."""
    own = limit.bare_unit(context.system)
    if own is None:
        return [()]
    if limit.usual is None or re.search(r"[a-z'\"]", re.sub(r"x|\bby\b", "", text)):
        return [_for_each(own, limit, context, kind)]
    others = [unit for unit in _OTHER_BARE[context.system] if unit is not own]
    return [_for_each(own, limit, context, kind), *((unit,) for unit in others)]


def _for_each(own: Unit, limit: Limit, context: Context, kind: Kind) -> tuple[Unit, ...]:
    """A bed's third measure is its depth, and a number without a unit there is one of a depth."""
    depth = BED_DEPTH_M.bare_unit(context.system)
    if kind is Kind.DIMENSIONS and limit is BED_SIDE_M and depth is not None:
        return own, own, depth
    return (own,)


def _usual(meaning: Meaning, limit: Limit) -> bool:
    if limit.usual is None:
        return True
    least, most = limit.usual
    return all(least <= value <= most for value in meaning.values[:2])


def _same(one: Meaning, two: Meaning) -> bool:
    return one.values == two.values and one.money == two.money


def _meaning(text: str, limit: Limit, context: Context, kind: Kind, comma: Comma, bare: Sequence[Unit]) -> Meaning:
    if kind is Kind.MONEY:
        amount = money.read_money(text, context.currency)
        within(float(amount), limit, context, show_money(Decimal(int(limit.most)), context.currency))
        shown = show_money(amount, context.currency)
        return Meaning((float(amount),), shown, shown, "", amount)
    if kind is Kind.UNIT_PRICE:
        return _unit_price_meaning(text, limit, context)
    if kind in (Kind.COUNT, Kind.SHARE, Kind.PH, Kind.NUMBER):
        return _plain_meaning(text, limit, context, kind, comma)
    found = _measured(text, context, kind, comma, bare)
    for measure in found:
        within(measure.value, limit, context, _show(limit.most, limit.kind, context.system))
    values = tuple(measure.value for measure in found)
    other = other_system(context.system)
    return Meaning(
        values,
        " × ".join(measure.understood for measure in found),
        " × ".join(_show(value, limit.kind, context.system) for value in values),
        " × ".join(_show(value, limit.kind, other) for value in values),
        assumed=any(measure.assumed for measure in found),
    )


def _measured(
    text: str, context: Context, kind: Kind, comma: Comma, bare: Sequence[Unit]
) -> tuple[measures.Measure, ...]:
    if kind is Kind.LOAD:
        return (measures.read_load(text, context.system, comma),)
    if kind is Kind.DENSITY:
        return (measures.read_density(text, context.system, comma, CU_FT),)
    if kind is Kind.MIXED_IN:
        return (measures.read_density(text, context.system, comma, CU_YD),)
    if kind is Kind.TEMPERATURE:
        return (measures.read_temperature(text, context.system, comma),)
    units = measures.units_of(kind, context.system, context.contents) | _further_units(kind, context)
    return measures.read_measures(text, kind, context.system, units, comma, bare)


def _further_units(kind: Kind, context: Context) -> dict[str, Unit]:
    """Units whose size is the usual one, or goes by how heavy the stuff is."""
    if kind is Kind.MASS:
        return scooped_mass_units(context.density_kg_m3, context.handful_kg)
    if kind is not Kind.VOLUME:
        return {}
    weighed = weighed_volume_units(context.density_kg_m3, context.system) if context.density_kg_m3 else {}
    return bag_units(context.system) | weighed


def _unit_price_meaning(text: str, limit: Limit, context: Context) -> Meaning:
    per_m3, understood = money.read_unit_price(text, context.currency, context.system, context.density_kg_m3)
    within(float(per_m3), limit, context, show_money(Decimal(int(limit.most)), context.currency))
    shown = show_unit_price(per_m3, context.system, context.currency)
    other = show_unit_price(per_m3, other_system(context.system), context.currency)
    return Meaning((float(per_m3),), understood, shown, other, per_m3, assumed=" at " in understood)


def _plain_meaning(text: str, limit: Limit, context: Context, kind: Kind, comma: Comma) -> Meaning:
    value = measures.read_plain(text, kind, comma)
    within(value, limit, context, show_share(limit.most) if kind is Kind.SHARE else trimmed(limit.most, 0))
    shown = show_share(value) if kind is Kind.SHARE else trimmed(value, 4)
    return Meaning((value,), shown, shown, "")


def within(value: float, limit: Limit, context: Context, most_shown: str) -> None:
    """Raise Problem when a value [SI base unit] passes its limit, naming the limit."""
    if value > limit.most:
        raise Problem(f"more than the {most_shown} that {limit.label} may be")
    if limit.holds(value):
        return
    if limit.least and value > 0:
        least = _show_least(limit, context)
        raise Problem(f"less than the {least} that {limit.label} must be")
    raise Problem(f"{limit.label} must be more than nothing")


def _show_least(limit: Limit, context: Context) -> str:
    if limit.kind is Kind.LENGTH and limit.least < FINE_M:
        return f"{trimmed(limit.least * 1000, 1)} mm"
    return _show(limit.least, limit.kind, context.system) if limit.kind in _SHOWN else trimmed(limit.least, 2)


_SHOWN: dict[Kind, Callable[[float, System], str]] = {
    Kind.LENGTH: show_length,
    Kind.VOLUME: show_volume,
    Kind.MASS: show_mass,
    Kind.AREA: show_area,
    Kind.LOAD: show_load,
    Kind.DENSITY: show_density,
    Kind.MIXED_IN: show_mixed_in,
    Kind.TEMPERATURE: show_temperature,
}


def _show(value: float, kind: Kind, system: System) -> str:
    if kind is Kind.VOLUME and value >= BULK_FROM_M3:
        return show_bulk_volume(value, system)
    return _SHOWN[kind](value, system)
