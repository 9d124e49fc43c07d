"""What a number without a unit means by the field it stands in, and measures said in bags, handfuls and by weight."""

from __future__ import annotations

import pytest

from nolbet_core.plan.defaults import USUAL_M
from nolbet_core.quantities.limits import LIMITS, Kind
from nolbet_core.quantities.reading import Context, Meaning, read
from nolbet_core.quantities.units import CU_FT_M3, INCH_M, POUND_KG, SHORT_TON_KG, System
from nolbet_core.quantities.writing import show_length

FT_IN = Context(System.FT_IN)
METRIC = Context(System.METRIC)
FOOT_M = 12 * INCH_M


def meanings(text: str, limit: str, context: Context, kind: Kind | None = None) -> tuple[Meaning, ...]:
    """All that a text may mean."""
    reading = read(text, LIMITS[limit], context, kind)
    assert reading.problem is None, reading.problem
    return reading.meanings


@pytest.mark.parametrize(
    ("text", "limit", "context", "value_m"),
    [
        ("8", "bed", FT_IN, 8 * FOOT_M),
        ("10", "depth", FT_IN, 10 * INCH_M),
        ("4", "layer", FT_IN, 4 * INCH_M),
        ("60", "ground", FT_IN, 60 * FOOT_M),
        ("3", "place", FT_IN, 3 * FOOT_M),
        ("240", "bed", METRIC, 2.4),
        ("30", "depth", METRIC, 0.30),
        ("12", "ground", METRIC, 12.0),
        ("6 to 8", "bed", FT_IN, 7 * FOOT_M),
        ("96 in", "bed", FT_IN, 96 * INCH_M),
    ],
)
def test_a_bare_number_is_in_the_unit_of_its_field(text: str, limit: str, context: Context, value_m: float) -> None:
    (meaning,) = meanings(text, limit, context)
    assert meaning.values == pytest.approx((value_m,), rel=1e-12)


@pytest.mark.parametrize(
    ("text", "limit", "context", "both_m"),
    [
        ("96", "bed", FT_IN, (96 * FOOT_M, 96 * INCH_M)),
        ("2", "depth", FT_IN, (2 * INCH_M, 2 * FOOT_M)),
        ("8", "bed", METRIC, (0.08, 8.0)),
        ("0.3", "depth", METRIC, (0.003, 0.3)),
        ("1,2", "bed", METRIC, (0.012, 1.2)),
    ],
)
def test_an_odd_one_is_asked_about(text: str, limit: str, context: Context, both_m: tuple[float, float]) -> None:
    assert tuple(value for meaning in meanings(text, limit, context) for value in meaning.values) == pytest.approx(
        both_m, rel=1e-12
    )


def test_with_its_unit_nothing_is_asked() -> None:
    (meaning,) = meanings("96 ft", "bed", FT_IN)
    assert meaning.values == pytest.approx((96 * FOOT_M,))


@pytest.mark.parametrize(
    ("text", "context", "wanted_m"),
    [
        ("4 x 8", FT_IN, (4 * FOOT_M, 8 * FOOT_M)),
        ("4 x 8 x 10", FT_IN, (4 * FOOT_M, 8 * FOOT_M, 10 * INCH_M)),
        ("4 x 8 x 2 ft", FT_IN, (4 * FOOT_M, 8 * FOOT_M, 2 * FOOT_M)),
        ("120 x 240 x 30", METRIC, (1.2, 2.4, 0.3)),
        ("1.2 x 2.4 x 0.3 m", METRIC, (1.2, 2.4, 0.3)),
    ],
)
def test_sides_and_depth_in_one_field(text: str, context: Context, wanted_m: tuple[float, ...]) -> None:
    (meaning,) = meanings(text, "bed", context, Kind.DIMENSIONS)
    assert meaning.values == pytest.approx(wanted_m, rel=1e-12)


def test_metres_without_their_unit_are_asked_about_as_a_whole() -> None:
    _cm, metres = meanings("1.2 x 2.4 x 0.3", "bed", METRIC, Kind.DIMENSIONS)
    assert metres.values == pytest.approx((1.2, 2.4, 0.3), rel=1e-12)


def test_the_unit_before_typing_is_the_one_that_is_taken() -> None:
    for limit in LIMITS.values():
        for system in System:
            unit = limit.bare_unit(system)
            if unit is None or limit.usual is not None:
                continue
            reading = read("3", limit, Context(system))
            if limit.kind is Kind.TEMPERATURE:
                said = (3.0 - 32.0) * 5 / 9 if system is System.FT_IN else 3.0
                assert [meaning.values for meaning in reading.meanings] == [pytest.approx((said,))]
                continue
            assert [meaning.values for meaning in reading.meanings] in ([], [pytest.approx((3 * unit.size,))])


@pytest.mark.parametrize(
    ("text", "limit", "context", "value"),
    [
        ("30 bags", "stock", FT_IN, 30 * 1.5 * CU_FT_M3),
        ("30 bags", "stock", METRIC, 30 * 0.04),
        ("7 barrows", "stock", METRIC, 7 * 0.085),
        ("10 lb", "stock", Context(System.FT_IN, density_kg_m3=640.0), 10 * POUND_KG / 640.0),
        ("6 handfuls", "meal", Context(System.FT_IN, density_kg_m3=650.0), 6 * 6.0e-5 * 650.0),
        ("6 handfuls", "meal", Context(System.METRIC, handful_kg=0.055), 6 * 0.055),
        ("6 handfuls", "meal", METRIC, 6 * 0.04),
    ],
)
def test_by_the_bag_the_barrow_the_hand_and_the_scales(text: str, limit: str, context: Context, value: float) -> None:
    (meaning,) = meanings(text, limit, context)
    assert meaning.values == pytest.approx((value,), rel=1e-9)
    assert meaning.assumed


@pytest.mark.parametrize(
    ("text", "context", "value_kg_m3"),
    [
        ("40", FT_IN, 40 * POUND_KG / CU_FT_M3),
        ("40 lb a cu ft", METRIC, 40 * POUND_KG / CU_FT_M3),
        ("640", METRIC, 640.0),
        ("640 kg/m3", FT_IN, 640.0),
    ],
)
def test_a_density_is_in_the_gardens_units(text: str, context: Context, value_kg_m3: float) -> None:
    (meaning,) = meanings(text, "density", context)
    assert meaning.values == pytest.approx((value_kg_m3,), rel=1e-9)


@pytest.mark.parametrize(
    ("text", "context", "value_c"),
    [("54", FT_IN, 110 / 9), ("12 C", FT_IN, 12.0), ("12", METRIC, 12.0), ("41 °F", METRIC, 5.0)],
)
def test_a_temperature_is_on_the_gardens_scale(text: str, context: Context, value_c: float) -> None:
    (meaning,) = meanings(text, "temperature", context)
    assert meaning.values == pytest.approx((value_c,), rel=1e-9)


def test_bulk_is_priced_by_the_ton_once_it_is_known_what_it_is() -> None:
    (meaning,) = meanings("45 a ton", "unit_price", Context(System.FT_IN, density_kg_m3=640.0))
    assert float(meaning.money or 0) == pytest.approx(45.0 * 640.0 / SHORT_TON_KG, abs=1e-6)
    assert meaning.assumed and "640" in meaning.understood
    problem = read("45 a ton", LIMITS["unit_price"], FT_IN).problem
    assert problem is not None and "how heavy" in problem


def test_pounds_are_no_volume_while_nobody_knows_of_what() -> None:
    problem = read("10 lb", LIMITS["stock"], FT_IN).problem
    assert problem is not None and "mass" in problem


def test_what_is_new_gets_whole_numbers_in_either_system() -> None:
    shown = {
        system: [show_length(value, system) for value in measures.values()] for system, measures in USUAL_M.items()
    }
    assert shown[System.FT_IN] == ["2'", "2'", '6"', '4"', '1"']
    assert shown[System.METRIC] == ["60 cm", "60 cm", "15 cm", "10 cm", "2.5 cm"]
