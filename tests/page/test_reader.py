"""The page's reader of typed measures, used without a connection, understands and refuses what the core does."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import Phase, given, settings
from hypothesis import strategies as st

from nolbet_core.quantities import units
from nolbet_core.quantities.limits import LIMITS, Kind
from nolbet_core.quantities.reading import Context, read
from nolbet_core.quantities.units import Contents, System
from tests.core import typed
from tests.page.asking import ask_page

FURTHER = [
    *(
        (text, "bears")
        for text in ("40 psf", "200 kg/m2", "40 lb a sq ft", "150", "1,5 kg per m2", "3 lb on a sq foot")
    ),
    *(
        (text, "density")
        for text in ("40 lb a cu ft", "640 kg/m3", "35", "650 kg per cu m", "1 lb/yd3", "0,6 kg a litre")
    ),
    *((text, "mixed_in") for text in ("2 lb a cu yd", "1.2 kg/m³", "3", "1-2 kg/m3", "half a pound a yard")),
    *((text, "day_temperature") for text in ("54 F", "12 °C", "-3", "12,5", "30 degrees", "−40 f", "21.25 C")),
    *((text, "unit_price") for text in ("48 a yd", "62.80 a m3", "55", "$3.20/cu ft", "1,200 a m3", "12 per bushel")),
    *((text, "unit_price") for text in ("45 a ton", "0.10 a litre", "33.33 for a yard", "9.99 / cu yd", "7 a bag")),
    *((text, "bed") for text in ("4", "120", "1.2", "8", "1,2", "4 x 8", "2.4", "96", "15 m", "1,200", "0.3")),
    *((text, "depth") for text in ("30", "12", "0.3", "40 cm", "1", "5", "1.5 ft", "4'", "55", "6 1/2")),
    *((text, "meal") for text in ("2 handfuls", "a cup", "3 cups", "half a handful", "12 oz", "1 lb 4", "250 g")),
    *((text, "stock") for text in ("3 bags", "a sack", "2 barrows", "half a ton", "200 kg", "1 1/2 yd", "2-3 bushels")),
    *((text, "board") for text in ("38", "2", "1 1/2", "45 mm", "5/4", "7 1/4 in", "0.5 mm")),
    *((text, "count") for text in ("12", "twelve", "1,5", "2.5", "1001", "0", "-1", "1/2", "3 boxes")),
    *((text, "share") for text in ("60 %", "0.6", "60", "a half", "12.5 per cent", "1", "101 %", "⅓", "-5 %")),
    *((text, "ph") for text in ("6.5", "pH 7", "ph6,8", "15", "acid", "7 or 8")),
    *((text, "factor") for text in ("1.15", "640 kg/m3", "12°", "1,25", "0.5", "6")),
]
DENSITIES = (None, 612.5, 800.0)


def single_forms() -> list[tuple[str, str, bool]]:
    """Each text that tables of the core's own tests name, with the limit that it is typed in."""
    forms = [(text, "length", False) for text, _ in (*typed.LENGTHS_IN_FT_IN, *typed.LENGTHS_IN_METRIC)]
    forms += [(text, "stock", False) for text, _ in typed.VOLUMES]
    forms += [(text, "mass", False) for text, _ in typed.MASSES]
    forms += [(text, limit, False) for text, limit, _ in typed.PLAIN]
    forms += [(row[0], "bed", True) for row in (*typed.DIMENSIONS, *typed.REFUSED_DIMENSIONS)]
    forms += [(row[0], "price", False) for row in typed.MONEY]
    forms += [(row[0], row[1], False) for row in (*typed.EITHER, *typed.REFUSED)]
    forms += [(text, limit, False) for text, limit in FURTHER]
    return list(dict.fromkeys(forms + spellings()))


def spellings() -> list[tuple[str, str, bool]]:
    """Every spelling of every unit where it belongs and where it doesn't."""
    spelled = {
        "length": units.length_units(),
        "stock": units.volume_units(Contents.MEDIA),
        "mass": units.mass_units(System.METRIC),
        "catchment": units.area_units(),
    }
    rooms = list(spelled)
    return [
        (f"{count} {name}", room, False)
        for index, (limit, names) in enumerate(spelled.items())
        for name in names
        for count, room in (("2 1/2", limit), ("3", rooms[(index + 1) % len(rooms)]))
    ]


def by_the_core(text: str, limit: str, is_pair: bool, context: Context) -> dict[str, Any]:
    """What the core answers, as the API tells it."""
    told = read(text, LIMITS[limit], context, Kind.DIMENSIONS if is_pair else None)
    meanings = [
        {
            "values": list(each.values),
            "understood": each.understood,
            "shown": each.shown,
            "other": each.other,
            "assumed": each.assumed,
            "money": None if each.money is None else str(each.money),
        }
        for each in told.meanings
    ]
    return {"typed": text, "meanings": meanings, "problem": told.problem}


def asked(text: str, limit: str, is_pair: bool, context: Context) -> tuple[Any, ...]:
    """The same question to the page."""
    given = {
        "units": context.system.value,
        "currency": context.currency,
        "contents": context.contents.value,
        "density_kg_m3": context.density_kg_m3,
        "handful_kg": context.handful_kg,
    }
    return ("readHere", text, limit, is_pair, given)


def unlike(questions: list[tuple[str, str, bool, Context]]) -> list[tuple[Any, Any]]:
    """Where page and core part: values to the last digit, and every word beside them."""
    here = ask_page("quantities/reader/read.ts", [asked(*each) for each in questions])
    there = [by_the_core(*each) for each in questions]
    return [(one, other) for one, other in zip(here, there, strict=True) if one != other]


def test_page_and_core_understand_and_refuse_alike() -> None:
    contexts = [
        Context(system, "USD", contents, density_kg_m3=density, handful_kg=handful)
        for system in System
        for contents, density, handful in zip(Contents, DENSITIES[:2], (None, 0.052), strict=True)
    ]
    questions = [(*form, context) for form in single_forms() for context in contexts]
    assert unlike(questions) == []
    told = {each[:3]: by_the_core(*each) for each in questions if each[3] is contexts[0]}
    understood = [text for text, each in told.items() if each["meanings"]]
    assert len(understood) >= 400
    assert len(told) - len(understood) >= 100


NUMBERS = ["1", "2.5", "2,5", "1,200", "1.200", "½", "1 1/2", "3-1/2", "twelve", "a half", "0", "007", "1 200,5", "1/0"]
UNITS = [
    "",
    " in",
    '"',
    "'",
    " ft",
    " cm",
    "m",
    " L",
    " cu ft",
    " yd",
    " kg",
    "lb",
    " %",
    " each",
    " qt",
    " m2",
    " bags",
]
LINKS = ["", " ", " x ", " by ", " to ", "-", " and ", "+", " a ", "/", " or ", ", "]
JOINED = st.lists(st.tuples(st.sampled_from(NUMBERS), st.sampled_from(UNITS)), min_size=1, max_size=3)


@settings(max_examples=4, deadline=None, phases=(Phase.explicit, Phase.reuse, Phase.generate))
@given(st.lists(st.tuples(JOINED, st.sampled_from(LINKS)), min_size=120, max_size=120))
def test_page_and_core_take_whatever_is_put_together_alike(texts: list[tuple[list[tuple[str, str]], str]]) -> None:
    names = sorted(LIMITS)
    questions = [
        (link.join(number + unit for number, unit in parts), names[index % len(names)], index % 9 == 0, context)
        for index, (parts, link) in enumerate(texts)
        for context in (Context(System.FT_IN), Context(System.METRIC, "EUR", Contents.LIQUID, DENSITIES[2]))
    ]
    assert unlike(questions) == []


@pytest.mark.parametrize("text", ["constructor", "3 toString", "1 __proto__", "9" * 81, "(" * 80, "1" + "," * 79])
def test_what_no_measure_is_stays_refused(text: str) -> None:
    questions = [(text, limit, False, Context(System.FT_IN)) for limit in LIMITS]
    assert unlike(questions) == []
    assert not any(by_the_core(*each)["meanings"] for each in questions)
