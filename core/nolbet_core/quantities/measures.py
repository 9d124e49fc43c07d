"""The grammar of a typed measure: numbers with units, one after another, and pairs or triples of them."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass

from nolbet_core.quantities.limits import Kind
from nolbet_core.quantities.numbers import NUMBER_PATTERN, Comma, NumberProblem, read_number
from nolbet_core.quantities.units import (
    AREA_UNITS,
    CENTIMETRE,
    CUBIC_METRE,
    FOOT,
    INCH,
    KILOGRAM,
    METRE,
    POUND,
    SQ_FT,
    SQ_METRE,
    Contents,
    System,
    Unit,
    area_units,
    length_units,
    mass_units,
    volume_units,
)
from nolbet_core.quantities.writing import trimmed


class Problem(ValueError):  # noqa: N818 - told to the gardener as such
    """A text that can't be taken; its message is the reason, ready to show."""


@dataclass(frozen=True, slots=True)
class Measure:
    """One measure as read: its value [SI base unit] and how it was understood.

    assumed: more was taken for it than was typed: the middle of a range, the usual size of a barrow.
    """

    value: float
    understood: str
    assumed: bool = False


@dataclass(frozen=True, slots=True)
class _Term:
    amount: float
    typed_unit: Unit | None


_TERM = re.compile(rf"\s*(?P<number>{NUMBER_PATTERN})\s*(?P<unit>[\"'%]|[a-zµ]+\.?(?:[ -][a-z]+\.?)*(?:[23](?!\d))?)?")
_AFTER_NUMBER = re.compile(
    r"\s*(?:kg\s*(?:/|per)\s*(?:m[23]|cubic met(?:re|er)|square met(?:re|er))|°|deg(?:rees?)?\.?)$"
)
_CROSS = re.compile(r"\s*(?:x(?![a-z])|\*|\bby\b)\s*")
_NOISE = re.compile(
    r"^(?:about|approx\.?|ca\.?|c\.|≈|~)\s*|\b(?:long(?!\s+tons?\b)|wide|deep|high|thick|tall|of|each)\b|[,;.]$"
)
_FEET_AND_INCHES = re.compile(r"('|\b(?:ft|foot|feet)\b\.?)\s*-\s*(?=\d[^'f]*$)")
_RANGE = re.compile(r"^(?:from |between )?(?P<least>\D*\d.*?)\s*(?:\bto\b|\bor\b|\.\.+|-)\s*(?P<most>[.,]?\d.*)$")
_HYPHENED_FRACTION = re.compile(r"(?:^|[^\d/.,])\d+\s*-\s*\d+\s*/\s*\d+")
_KIND_NAMES = {Kind.LENGTH: "length", Kind.VOLUME: "volume", Kind.MASS: "mass", Kind.AREA: "area"}
_A_KIND = {kind: f"an {name}" if name == "area" else f"a {name}" for kind, name in _KIND_NAMES.items()}


def read_measures(
    text: str, kind: Kind, system: System, units: dict[str, Unit], comma: Comma, bare: Sequence[Unit]
) -> tuple[Measure, ...]:
    """The measures in a spelled-out text: one, or for Kind.DIMENSIONS two or three lengths.

    A measure without a unit takes that of the nearest one to its right, else to its left, else `bare`: one unit for
    each measure there may be, the last for all further ones. units: those a measure may be in, by spelling. Raises
    Problem with the reason.
    """
    single = Kind.LENGTH if kind is Kind.DIMENSIONS else kind
    refuse_below_nothing(text, _A_KIND[single])
    text = _FEET_AND_INCHES.sub(r"\1 ", _NOISE.sub("", text).strip())
    ends = _ends_of_range(text) if kind is not Kind.DIMENSIONS else None
    parts = ends or (_CROSS.split(text) if single is Kind.LENGTH else [text])
    if ends is None:
        _check_parts(parts, kind)
    read_parts = [_read_terms(part, single, units, comma) for part in parts]
    lent = _lend_units(read_parts, bare if ends is None else bare[:1])
    found = tuple(_measure(part, unit, system) for part, unit in zip(read_parts, lent, strict=True))
    return found if ends is None else (_middle(*found),)


def _ends_of_range(text: str) -> list[str] | None:
    """Both ends of a range, where a text is one and no mixed number with a hyphen."""
    found = _RANGE.match(_HYPHENED_FRACTION.sub(lambda mixed: mixed[0].replace("-", " "), text))
    return [found["least"], found["most"]] if found else None


def _middle(least: Measure, most: Measure) -> Measure:
    if least.value >= most.value:
        raise Problem("a range goes from the less to the more, as in 5 to 7")
    said = f"the middle of {least.understood} to {most.understood}"
    return Measure((least.value + most.value) / 2, said, assumed=True)


_ON_AREA = re.compile(r"^(?P<mass>.*?)\s*(?:(?:/|\ban?\b|\bper\b|\bon an?\b)\s*(?P<area>[a-z][a-z2. ]*))?$")


def read_load(text: str, system: System, comma: Comma) -> Measure:
    """A mass on an area in a spelled-out text [kg/m2], as 40 lb a sq ft or 200 kg/m2.

    Where no area is said, pounds are on a square foot, kilograms on a m2, and a bare number on the garden's own. Raises
    Problem with the reason.
    """
    text = re.sub(r"\s*psf$", " lb/sq ft", text)
    found = _ON_AREA.match(text)
    said = found["area"].replace(".", "").strip() if found and found["area"] else ""
    mass_text = found["mass"] if found else text
    area = AREA_UNITS.get(said) if said else _usual_area(mass_text, system)
    if area is None:
        raise Problem(f"“{said}” isn't a unit of area known here")
    own = POUND if system is System.FT_IN else KILOGRAM
    (mass,) = read_measures(mass_text, Kind.MASS, system, mass_units(system), comma, (own,))
    return Measure(mass.value / area.size, f"{mass.understood} a {area.one}")


_OF_VOLUME = re.compile(r"^(?P<mass>.*?)\s*(?:(?:/|\ban?\b|\bper\b)\s*(?P<volume>[a-z][a-z3³. ]*))?$")
_TEMPERATURE = re.compile(
    rf"^(?P<sign>-)?\s*(?P<number>{NUMBER_PATTERN})\s*(?:°|deg(?:rees?)?\.?)?\s*(?P<scale>c|f)?(?:elsius|ahrenheit)?$"
)

PATTERNS = {
    "term": _TERM,
    "after_number": _AFTER_NUMBER,
    "cross": _CROSS,
    "noise": _NOISE,
    "feet_and_inches": _FEET_AND_INCHES,
    "range": _RANGE,
    "hyphened_fraction": _HYPHENED_FRACTION,
    "on_area": _ON_AREA,
    "of_volume": _OF_VOLUME,
    "temperature": _TEMPERATURE,
}
"""Every pattern here by a name of its own."""


def read_density(text: str, system: System, comma: Comma, pounds_of: Unit) -> Measure:
    """A mass of a volume in a spelled-out text [kg/m3], as 40 lb a cu ft or 640 kg/m3.

    Where no volume is said, pounds are of `pounds_of`, kilograms of a m3, and a bare number is the garden's own.
    Raises Problem with the reason.
    """
    text = text.replace("³", "3")
    found = _OF_VOLUME.match(text)
    said = found["volume"].replace(".", "").strip() if found and found["volume"] else ""
    mass_text = found["mass"] if found else text
    own = POUND if system is System.FT_IN else KILOGRAM
    (mass,) = read_measures(mass_text, Kind.MASS, system, mass_units(system), comma, (own,))
    pounds = (own is POUND and not re.search(r"kg|kilo", mass_text)) or bool(re.search(r"lb|pound", mass_text))
    volume = volume_units(Contents.MEDIA).get(said) if said else (pounds_of if pounds else CUBIC_METRE)
    if volume is None:
        raise Problem(f"“{said}” isn't a unit of volume known here")
    return Measure(mass.value / volume.size, f"{mass.understood} a {volume.one}")


def read_temperature(text: str, system: System, comma: Comma) -> Measure:
    """A temperature in a spelled-out text [C], as 54 F or 12 C; a bare number is on the garden's own scale.

    Raises Problem with the reason.
    """
    found = _TEMPERATURE.match(text)
    if not found:
        raise Problem("no temperature found")
    degrees = _number(found["number"], comma) * (-1 if found["sign"] else 1)
    fahrenheit = found["scale"] == "f" or (found["scale"] is None and system is System.FT_IN)
    said = f"{trimmed(degrees, 2)} °{'F' if fahrenheit else 'C'}"
    return Measure((degrees - 32) * 5 / 9 if fahrenheit else degrees, said)


def _usual_area(mass_text: str, system: System) -> Unit:
    if re.search(r"lb|pound|oz|ounce", mass_text):
        return SQ_FT
    metric = system is System.METRIC or re.search(r"\dg|\bg|kg|kilo", mass_text)
    return SQ_METRE if metric else SQ_FT


def read_plain(text: str, kind: Kind, comma: Comma) -> float:
    """A number without a unit: a whole count, a share (0.6 or 60 %), or a pH. Raises Problem with the reason."""
    refuse_below_nothing(text, f"a {kind}" if kind is not Kind.PH else "pH")
    if kind is Kind.PH:
        text = text.removeprefix("ph").strip()
    if kind is Kind.NUMBER:
        text = _AFTER_NUMBER.sub("", text)
    per_cent = kind is Kind.SHARE and re.search(r"\s*(?:%|per ?cent)$", text)
    number_text = text[: per_cent.start()] if per_cent else text
    if not re.fullmatch(NUMBER_PATTERN, number_text):
        raise Problem("no number found" if not re.search(r"\d", text) else "only a number is wanted here")
    value = _number(number_text, comma)
    if kind is Kind.COUNT and value != int(value):
        raise Problem("a count is a whole number")
    if per_cent:
        return value / 100
    if kind is Kind.SHARE and value > 1:
        raise Problem(f"a share goes from 0 to 1; for {trimmed(value, 2)} per cent type {trimmed(value, 2)} %")
    return value


def refuse_below_nothing(text: str, label: str) -> None:
    """Raise Problem when a spelled-out text starts with a minus."""
    if re.match(r"[$€£]?\s*-", text):
        raise Problem(f"{label} can't be less than nothing")


def units_of(kind: Kind, system: System, contents: Contents) -> dict[str, Unit]:
    """The units that a measure of a kind may be in, by spelling; pairs and triples are of lengths."""
    if kind in (Kind.LENGTH, Kind.DIMENSIONS):
        return length_units()
    if kind is Kind.AREA:
        return area_units()
    return volume_units(contents) if kind is Kind.VOLUME else mass_units(system)


def _check_parts(parts: list[str], kind: Kind) -> None:
    if kind is Kind.DIMENSIONS:
        if len(parts) > 1 and not parts[-1]:
            raise Problem("the measure after the last x is missing")
        if len(parts) not in (2, 3):
            raise Problem(f"two or three lengths are wanted here, this has {len(parts)}")
    elif len(parts) > 1:
        if not all(parts):
            raise Problem("a measure beside the x is missing, and one length alone is wanted here")
        raise Problem(f"one length is wanted here, this has {len(parts)}")
    if not all(parts):
        raise Problem("a measure beside the x is missing")


def _read_terms(part: str, kind: Kind, units: dict[str, Unit], comma: Comma) -> list[_Term]:
    terms: list[_Term] = []
    part = re.sub(r"\band\b|\+|&", " ", part).strip()
    if not part:
        raise Problem("no number found")
    position = 0
    while position < len(part):
        match = _TERM.match(part, position)
        if not match:
            raise Problem(_unread(part, position, kind))
        terms.append(_Term(_number(match["number"], comma), _unit(match["unit"], kind, units)))
        position = match.end()
        while position < len(part) and part[position] == " ":
            position += 1
    return _fill_bare_terms(terms, kind)


def _unread(part: str, position: int, kind: Kind) -> str:
    if not re.search(r"\d", part):
        return "no number found"
    rest = part[position:].strip()
    if rest.startswith("#"):
        return "a # pot is a trade class, a range and not a volume: type the litres or quarts it holds"
    return f"“{rest}” can't be read as part of {_A_KIND[kind]}"


def _number(text: str, comma: Comma) -> float:
    try:
        value = read_number(text, comma).value
    except NumberProblem as problem:
        raise Problem(str(problem)) from problem
    if value > 1e12:
        raise Problem("far too much")
    return value


def _unit(name: str | None, kind: Kind, units: dict[str, Unit]) -> Unit | None:
    if name is None:
        return None
    plain = name.replace(".", "").replace("-", " ").strip()
    unit = units.get(plain)
    if unit is not None:
        return unit
    for other in (Kind.LENGTH, Kind.VOLUME, Kind.MASS):
        if other is not kind and plain in units_of(other, System.METRIC, Contents.MEDIA):
            raise Problem(f"“{name}” measures {_KIND_NAMES[other]}, and {_A_KIND[kind]} is wanted here")
    if re.search(r"2$|^sq", plain):
        raise Problem(f"“{name}” measures area, and {_A_KIND[kind]} is wanted here")
    raise Problem(f"“{name}” isn't a unit of {_KIND_NAMES[kind]} known here")


def _fill_bare_terms(terms: list[_Term], kind: Kind) -> list[_Term]:
    if len(terms) < 2:
        return terms
    filled = list(terms)
    for index, term in enumerate(terms):
        before = filled[index - 1].typed_unit if index else None
        if term.typed_unit is None:
            filled[index] = _Term(term.amount, _unit_below(before, term.amount, kind))
        after_larger = before is not None and index and _size(filled[index]) >= before.size
        if after_larger:
            raise Problem("a smaller unit has to follow a larger one, as in 3 ft 6 in")
    if any(term.amount != int(term.amount) for term in filled[:-1]):
        raise Problem("only the last part can have a fraction")
    return filled


def _size(term: _Term) -> float:
    return term.typed_unit.size if term.typed_unit else 0.0


def _unit_below(before: Unit | None, amount: float, kind: Kind) -> Unit:
    if before is FOOT:
        return INCH
    if before is METRE and 10 <= amount < 100 and amount == int(amount):
        return CENTIMETRE
    if before is POUND:
        return Unit("oz", "oz", POUND.size / 16)
    raise Problem(f"two numbers without a unit between them don't make {_A_KIND[kind]}")


def _lend_units(parts: list[list[_Term]], bare: Sequence[Unit]) -> list[Unit]:
    typed = [part[0].typed_unit for part in parts]
    lent: list[Unit] = []
    for index in range(len(parts)):
        to_right = next((unit for unit in typed[index:] if unit), None)
        to_left = next((unit for unit in reversed(typed[:index]) if unit), None)
        lent.append(to_right or to_left or bare[min(index, len(bare) - 1)])
    return lent


def _measure(part: list[_Term], lent: Unit, system: System) -> Measure:
    value, usual = 0.0, False
    said = []
    for term in part:
        unit = term.typed_unit or lent
        value += term.amount * unit.size
        usual = usual or unit.usual
        said.append(f"{trimmed(term.amount, 4)} {unit.named(term.amount)}")
    return Measure(value, " ".join(said), assumed=usual)
