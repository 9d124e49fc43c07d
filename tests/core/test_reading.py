"""Reading what gardeners type: a table of meanings, a table of refusals, and round trips."""

from __future__ import annotations

from decimal import Decimal

import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.quantities import writing
from nolbet_core.quantities.limits import LIMITS, Kind
from nolbet_core.quantities.reading import Context, Reading, read
from nolbet_core.quantities.units import INCH_M, Contents, System
from tests.core import typed

FT_IN = Context(System.FT_IN)
METRIC = Context(System.METRIC)


def the_value(reading: Reading) -> float:
    """The one value that a text was read as."""
    assert reading.problem is None, reading.problem
    (meaning,) = reading.meanings
    (value,) = meaning.values
    return value


SINGLE = [
    *((text, "length", FT_IN, value) for text, value in typed.LENGTHS_IN_FT_IN),
    *((text, "length", METRIC, value) for text, value in typed.LENGTHS_IN_METRIC),
    *((text, "stock", FT_IN, value) for text, value in typed.VOLUMES),
    *((text, "mass", FT_IN, value) for text, value in typed.MASSES),
    *((text, limit, FT_IN, value) for text, limit, value in typed.PLAIN),
]


def test_the_tables_are_as_long_as_they_should_be() -> None:
    assert len(SINGLE) + len(typed.DIMENSIONS) + len(typed.MONEY) + len(typed.EITHER) >= 120
    assert len(typed.REFUSED) + len(typed.REFUSED_DIMENSIONS) >= 40


@pytest.mark.parametrize(("text", "limit", "context", "value"), SINGLE)
def test_a_typed_measure_means_what_it_says(text: str, limit: str, context: Context, value: float) -> None:
    assert the_value(read(text, LIMITS[limit], context)) == pytest.approx(value, rel=1e-9, abs=1e-15)


def test_a_range_is_told_as_its_middle() -> None:
    (meaning,) = read("5 to 7 in", LIMITS["length"], FT_IN).meanings
    assert meaning.understood == "the middle of 5 in to 7 in"
    assert meaning.shown == '6"'
    assert meaning.assumed


@pytest.mark.parametrize(("text", "assumed"), [("7 barrows", True), ("2 buckets", True), ("2.5 cu ft", False)])
def test_what_a_barrow_holds_is_told_as_taken(text: str, assumed: bool) -> None:
    (meaning,) = read(text, LIMITS["stock"], FT_IN).meanings
    assert meaning.assumed is assumed


@given(st.integers(2, 60), st.integers(1, 60), st.sampled_from([" to ", "-", " - ", " or ", ".."]))
def test_the_middle_of_a_range_lies_halfway(least_in: int, more_in: int, between: str) -> None:
    reading = read(f"{least_in}{between}{least_in + more_in} in", LIMITS["length"], METRIC)
    assert the_value(reading) == pytest.approx((2 * least_in + more_in) / 2 * INCH_M)


def test_an_article_in_a_price_stays_one() -> None:
    (meaning,) = read("48 a yd", LIMITS["unit_price"], FT_IN).meanings
    assert meaning.understood == "$48.00 a cubic yard"


@pytest.mark.parametrize(("text", "values"), typed.DIMENSIONS)
def test_a_unit_at_the_end_holds_for_all(text: str, values: tuple[float, ...]) -> None:
    reading = read(text, LIMITS["length"], FT_IN, Kind.DIMENSIONS)
    assert reading.problem is None, reading.problem
    assert reading.meanings[0].values == pytest.approx(values)


@pytest.mark.parametrize(("text", "amount"), typed.MONEY)
def test_money_is_read_to_the_cent(text: str, amount: str) -> None:
    (meaning,) = read(text, LIMITS["price"], FT_IN).meanings
    assert meaning.money == Decimal(amount)


@pytest.mark.parametrize(("text", "per_m3"), typed.UNIT_PRICES)
def test_bulk_is_priced_by_the_yard_or_the_cubic_metre(text: str, per_m3: str | None) -> None:
    reading = read(text, LIMITS["unit_price"], FT_IN)
    assert [str(meaning.money) for meaning in reading.meanings] == ([per_m3] if per_m3 else [])


@given(st.integers(0, 99_999))
def test_a_price_of_a_yard_comes_back_to_the_cent(cents: int) -> None:
    typed_price = f"{Decimal(cents) / 100:.2f}"
    (meaning,) = read(typed_price, LIMITS["unit_price"], FT_IN).meanings
    assert meaning.shown == f"${typed_price} a yd³"


@pytest.mark.parametrize(("text", "limit", "values"), typed.EITHER)
def test_an_unclear_comma_offers_both(text: str, limit: str, values: tuple[float, float]) -> None:
    reading = read(text, LIMITS[limit], FT_IN)
    assert [meaning.values[0] for meaning in reading.meanings] == pytest.approx(values)


@pytest.mark.parametrize(("text", "limit", "said"), typed.REFUSED)
def test_nonsense_is_refused_with_what_would_do(text: str, limit: str, said: str) -> None:
    reading = read(text, LIMITS[limit], FT_IN)
    assert reading.meanings == ()
    assert reading.typed == text
    assert reading.problem is not None
    assert said in reading.problem
    assert ". Try " in reading.problem


@pytest.mark.parametrize(("text", "said"), typed.REFUSED_DIMENSIONS)
def test_a_pair_that_is_none_is_refused(text: str, said: str) -> None:
    reading = read(text, LIMITS["length"], FT_IN, Kind.DIMENSIONS)
    assert reading.meanings == ()
    assert said in (reading.problem or "")


def test_a_ton_is_the_gardens_own_and_said_in_full() -> None:
    short = read("1 ton", LIMITS["mass"], FT_IN).meanings[0]
    metric = read("1 ton", LIMITS["mass"], METRIC).meanings[0]
    assert (short.values[0], short.understood) == (pytest.approx(907.18474), "1 short ton")
    assert (metric.values[0], metric.understood) == (1000.0, "1 tonne")


def test_a_quart_is_dry_for_media_and_liquid_for_liquids() -> None:
    dry = the_value(read("1 qt", LIMITS["stock"], FT_IN))
    liquid = the_value(read("1 qt", LIMITS["stock"], Context(System.FT_IN, contents=Contents.LIQUID)))
    assert dry / liquid == pytest.approx(1.1636, abs=1e-4)


@pytest.mark.parametrize("text", [text for text, limit, _ in typed.REFUSED if limit == "length" and text.strip()])
def test_every_example_offered_is_itself_accepted(text: str) -> None:
    problem = read(text, LIMITS["length"], FT_IN).problem or ""
    for example in problem.rsplit("Try ", 1)[1].rstrip(".").replace(" or ", ", ").split(", "):
        assert read(example, LIMITS["length"], FT_IN).problem is None


@given(st.integers(1, 24_000), st.sampled_from(list(System)))
def test_a_shown_length_reads_back_as_itself(steps: int, system: System) -> None:
    step_m = INCH_M / 8 if system is System.FT_IN else 0.005
    length_m = min(steps * step_m, 99.0)
    shown = writing.show_length(length_m, system)
    assert the_value(read(shown, LIMITS["length"], Context(system))) == pytest.approx(length_m, abs=step_m / 2 + 1e-9)


@given(st.floats(0.0005, 400), st.sampled_from(list(System)))
def test_a_shown_volume_reads_back_within_its_last_digit(volume_m3: float, system: System) -> None:
    shown = writing.show_bulk_volume(volume_m3, system) if volume_m3 >= 1 else writing.show_volume(volume_m3, system)
    reading = read(shown, LIMITS["stock"], Context(system))
    found = [meaning.values[0] for meaning in reading.meanings]
    assert any(value == pytest.approx(volume_m3, rel=0.02, abs=0.0015) for value in found), (shown, found)


@given(st.integers(1, 900_000_00))
def test_shown_money_reads_back_to_the_cent(cents: int) -> None:
    amount = min(Decimal(cents) / 100, Decimal(1_000_000))
    (meaning,) = read(writing.show_money(amount, "USD"), LIMITS["price"], FT_IN).meanings
    assert meaning.money == amount


@pytest.mark.parametrize("text", ["+", "&", "and", "+ x 3", "and and"])
def test_joining_words_alone_are_no_number(text: str) -> None:
    assert "found" in (read(text, LIMITS["depth"], FT_IN).problem or "") or "wanted" in (
        read(text, LIMITS["depth"], FT_IN).problem or ""
    )


@given(st.text(max_size=60), st.sampled_from(sorted(LIMITS)), st.sampled_from(list(System)))
def test_whatever_is_typed_is_answered(text: str, limit: str, system: System) -> None:
    reading = read(text, LIMITS[limit], Context(system))
    assert bool(reading.meanings) != bool(reading.problem)
    for meaning in reading.meanings:
        assert all(LIMITS[limit].least <= value <= LIMITS[limit].most for value in meaning.values)
