"""How sure counts are: what is said of a share of gardens holds in fresh ones."""

from __future__ import annotations

from typing import Any

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.special import ndtri

from nolbet_core.built.plan_file import read_plan
from nolbet_core.figure.buying_figures import HaulFigures
from nolbet_core.figure.walk import figure_plan
from nolbet_core.haul.certainty import BedSpread, NeedSpread, drawn_needs, standard_normal
from nolbet_core.plan.problems import PlanProblem
from tests.core import zoo

OFFERS = [
    {"form": "bag", "material": "topsoil", "volume_m3": 0.04, "price": "5.00", "fetch": True},
    {"form": "bulk", "material": "compost", "price_per_m3": "50.00", "step_m3": 0.1},
]


def spread(**words: Any) -> NeedSpread:
    """A need of two beds, 1.2 and 0.8 m3."""
    beds = (BedSpread("one", 1.2, 0.006, 0.03), BedSpread("two", 0.8, 0.01, 0.05))
    return NeedSpread(**({"material": "topsoil", "beds": beds, "loose": (0.94, 1.0, 1.1), "stock_m3": 0.1} | words))


@settings(max_examples=12, deadline=None)
@given(st.sampled_from([0.5, 0.8, 0.9, 0.95]), st.floats(0.85, 1.0), st.floats(1.0, 1.3), st.integers(1, 10_000))
def test_what_is_said_of_a_share_holds_in_twenty_thousand_fresh_gardens(
    share: float, least: float, most: float, seed: int
) -> None:
    known = drawn_needs([spread(loose=(least, 1.0, most))])["topsoil"]
    fresh = drawn_needs([spread(loose=(least, 1.0, most))], 20_000, seed + 50_000)["topsoil"]
    assert fresh.enough(known.for_share(share), 0.0) == pytest.approx(share, abs=0.01)
    assert fresh.enough(0.0, known.bags_for_share(share)) == pytest.approx(share, abs=0.01)


def test_one_seed_draws_the_same_gardens_and_no_spread_is_sure() -> None:
    one, two = drawn_needs([spread()])["topsoil"], drawn_needs([spread()])["topsoil"]
    assert one.for_share(0.9) == two.for_share(0.9)
    sure = drawn_needs([spread(beds=(BedSpread("one", 1.0, 0.0, 0.0),), loose=(1.0, 1.0, 1.0), stock_m3=0.0)])[
        "topsoil"
    ]
    assert sure.for_share(0.9) == pytest.approx(1.0)
    # a bag that holds 95 to 100 % of its label
    assert sure.bags_for_share(0.5) == pytest.approx(1 / 0.975, rel=1e-3)
    assert sure.enough(0.0, 1.0) == pytest.approx(0.0, abs=0.001)


def haul(**words: Any) -> HaulFigures:
    """A haul of topsoil in bags and compost loose for one bed."""
    bed = zoo.bed(layers=[{"material": "compost", "thickness_m": 0.2}, {"material": "topsoil", "fill": True}])
    yard = [{"key": "yard", "name": "Tide yard", "delivery": "20.00", "offers": OFFERS}]
    figures = figure_plan(read_plan(zoo.plan(bed, suppliers=yard) | words), None, 5.0, 5.0)
    assert figures.haul is not None
    return figures.haul


def test_more_is_bought_to_be_surer_and_the_share_is_told() -> None:
    plain, sure = haul(), haul(certainty=0.9)
    assert (plain.certainty, sure.certainty) == (None, 0.9)
    count = {each.material: each.count for each in plain.lines}["topsoil"]
    more = {each.material: each.count for each in sure.lines}["topsoil"]
    assert count is not None
    assert more is not None
    # 0.6 m3 placed are 0.69 m3 loose: 18 bags by their labels, more by what is in them
    assert more > count == 18
    assert all(share >= 0.9 for share in sure.enough.values())
    assert plain.enough["topsoil"] < 0.9
    assert set(sure.enough) == {"topsoil", "compost"}


def test_a_certainty_that_is_none_is_refused_with_its_field() -> None:
    with pytest.raises(PlanProblem) as told:
        read_plan(zoo.plan(certainty=1.2))
    assert told.value.path == "certainty"


def test_what_would_narrow_a_count_most_is_where_its_spread_comes_from() -> None:
    def shares(tape: float, raked: float, loose: tuple[float, float, float]) -> dict[str, float]:
        spread = NeedSpread("topsoil", (BedSpread("bed", 2.0, tape, raked),), loose, 0.0)
        return dict(drawn_needs([spread])["topsoil"].shares_of_variance())

    raked = shares(0.001, 0.2, (0.99, 1.0, 1.01))
    assert raked["raking"] == pytest.approx(1.0, abs=0.02)
    assert max(raked, key=lambda each: raked[each]) == "raking"
    loose = shares(0.002, 0.01, (0.7, 1.0, 1.3))
    assert max(loose, key=lambda each: loose[each]) == "loose_factor"
    # a normal tape beside a triangle: sd 0.05 against 0.1 / sqrt(6), the label's uniform 0.05 / sqrt(12) of 0.975
    both = shares(0.05, 0.0, (0.9, 1.0, 1.1))
    variances = {"tape": 0.05**2, "loose_factor": 0.1**2 / 6, "label": (0.05 / 0.975) ** 2 / 12}
    whole = sum(variances.values())
    for source, variance in variances.items():
        assert both[source] == pytest.approx(variance / whole, abs=0.03)


def test_the_normal_is_that_of_its_inverse() -> None:
    shares = np.array([1e-9, 2.5e-4, 0.03, 0.0749, 0.0751, 0.5, 0.69, 0.9251, 0.9999, 1 - 1e-9])
    assert standard_normal(shares) == pytest.approx(ndtri(shares), rel=1e-12, abs=1e-12)
