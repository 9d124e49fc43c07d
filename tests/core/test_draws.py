"""Draws of inputs by name, bands over them, and the shares of variance that inputs take."""

from __future__ import annotations

import numpy as np
import pytest
from scipy import stats

from nolbet_core.draws.bands import Ranked, band_of, is_spread
from nolbet_core.draws.each import as_draws, as_figure, exponential, is_nothing, larger, smaller
from nolbet_core.draws.inputs import Inputs, OneOf


def test_an_input_is_the_same_whatever_else_is_drawn() -> None:
    alone, among = Inputs(400), Inputs(400)
    among.normal("tape box length_m", 2.0)
    among.uniform("label compost", 0.95, 1.0)
    assert np.array_equal(alone.normal("warmth", 3.0), among.normal("warmth", 3.0))
    assert not np.array_equal(alone.normal("warmth", 3.0), alone.normal("weather", 3.0))
    assert not np.array_equal(alone.normal("warmth", 3.0), Inputs(400, 7).normal("warmth", 3.0))
    assert set(among.asked) == {"tape box length_m", "label compost", "warmth"}


def test_each_slice_of_a_spread_is_drawn_once() -> None:
    inputs = Inputs(2000)
    assert np.sort((inputs.uniform("a", 0.0, 1.0) * 2000).astype(int)).tolist() == list(range(2000))
    normal = inputs.normal("b", 5.0)
    assert normal.mean() == pytest.approx(0.0, abs=0.01) and normal.std() == pytest.approx(5.0, rel=0.005)
    drawn = inputs.triangular("c", 2.0, 3.0, 7.0)
    known = stats.triang(c=0.2, loc=2.0, scale=5.0)
    assert np.quantile(drawn, [0.1, 0.5, 0.9]) == pytest.approx(known.ppf([0.1, 0.5, 0.9]), rel=0.002)
    assert np.bincount(inputs.pick("d", 8)).tolist() == [250] * 8


def test_what_has_no_range_is_no_input() -> None:
    inputs = Inputs(50)
    assert inputs.triangular("sure", 2.0, 2.0, 2.0).tolist() == [2.0] * 50
    assert inputs.normal("sure too", 0.0).tolist() == [0.0] * 50
    assert not inputs.asked


def test_one_of_the_gardens_is_drawn_as_among_all() -> None:
    inputs = Inputs(300)
    whole = inputs.triangular("moisture compost", 0.3, 0.4, 0.55)
    assert [float(OneOf(inputs, at).triangular("moisture compost", 0.3, 0.4, 0.55)[0]) for at in (0, 7, 299)] == [
        float(whole[at]) for at in (0, 7, 299)
    ]


def test_a_band_holds_four_draws_of_five() -> None:
    drawn = Inputs(2000).normal("x", 2.0) + 30.0
    band = band_of(drawn)
    assert (band.low, band.high) == pytest.approx((30 - 2 * 1.28155, 30 + 2 * 1.28155), abs=0.02)
    assert np.mean((drawn >= band.low) & (drawn <= band.high)) == pytest.approx(0.8, abs=0.002)


def test_shares_of_variance_are_those_of_a_sum() -> None:
    inputs = Inputs(4000)
    # variances 16, 4 and 9 * 1/12 * 16 = 12
    drawn = inputs.normal("wide", 4.0) + inputs.normal("narrow", 2.0) + inputs.uniform("even", 0.0, 12.0)
    inputs.normal("unrelated", 3.0)
    shares = Ranked(inputs.asked).shares(drawn)
    assert shares["wide"] == pytest.approx(0.5, abs=0.03)
    assert shares["narrow"] == pytest.approx(0.125, abs=0.03)
    assert shares["even"] == pytest.approx(0.375, abs=0.03)
    assert shares.get("unrelated", 0.0) < 0.02
    assert Ranked(inputs.asked).shares(np.full(4000, 3.0)) == {}
    assert not is_spread(np.full(4000, 3.0)) and is_spread(drawn)


def test_rules_hold_for_numbers_and_draws_alike() -> None:
    drawn = as_figure(np.array([-2.0, 0.0, 3.0]))
    assert as_draws(larger(drawn, 0.0), 3).tolist() == [0.0, 0.0, 3.0]
    assert as_draws(smaller(drawn, 0.0), 3).tolist() == [-2.0, 0.0, 0.0]
    assert (larger(-2.0, 0.5), smaller(4, 2.5)) == (0.5, 2.5)
    assert as_draws(exponential(drawn), 3) == pytest.approx(np.exp([-2.0, 0.0, 3.0]))
    assert exponential(2.0) == pytest.approx(7.389056)
    assert not is_nothing(drawn) and is_nothing(as_figure(np.zeros(3))) and is_nothing(0)
    assert as_draws(2.5, 4).tolist() == [2.5] * 4
