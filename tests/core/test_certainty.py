"""How sure counts are: what is said of a share of gardens holds in fresh ones."""

from __future__ import annotations

from typing import Any

import numpy as np
import pytest
from scipy.special import ndtri

from nolbet_core.built.buying import suppliers_of
from nolbet_core.built.plan_file import read_plan
from nolbet_core.draws.inputs import Inputs
from nolbet_core.draws.shapes import Drawn, standard_normal
from nolbet_core.figure.buying_figures import HaulFigures
from nolbet_core.figure.needed import needed_by
from nolbet_core.figure.walk import around_of, figure_plan
from nolbet_core.haul.certainty import DrawnNeed
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.sure.drawn_needs import drawn_for_haul
from tests.core import zoo

OFFERS = [
    {"form": "bag", "material": "topsoil", "volume_m3": 0.04, "price": "5.00", "fetch": True},
    {"form": "bulk", "material": "compost", "price_per_m3": "50.00", "step_m3": 0.1},
]


LAYERS = [{"material": "compost", "thickness_m": 0.2}, {"material": "topsoil", "fill": True}]


def drawn(inputs: Inputs, bag: dict[str, Any] | None = None, **words: Any) -> DrawnNeed:
    """The topsoil of two beds, one of them twice. bag: how its bags are offered."""
    beds = zoo.bed(key="one", count=2, layers=LAYERS), zoo.bed(key="two", layers=LAYERS, **words)
    yard = [{"key": "yard", "offers": [OFFERS[0] | (bag or {})]}]
    built = read_plan(zoo.plan(*beds, suppliers=yard, stock=[{"material": "topsoil", "volume_m3": 0.1}]))
    materials = built.supplies.materials
    needed = needed_by(built, around_of(built, None))
    suppliers = suppliers_of(built.plan, materials)
    return drawn_for_haul(needed.needs, needed.beds, materials, suppliers, inputs).needs["topsoil"]


class ByChance(Inputs):
    """Draws as they fall, each by itself: what gardens really come to."""

    def _drawn(self, name: str) -> Drawn:
        return np.random.default_rng([self._seed, *name.encode()]).random(self.draws)


@pytest.mark.parametrize("share", [0.5, 0.8, 0.9, 0.95])
@pytest.mark.parametrize("seed", [11, 4711])
def test_what_is_said_of_a_share_holds_in_twenty_thousand_fresh_gardens(share: float, seed: int) -> None:
    known, fresh = drawn(Inputs()), drawn(ByChance(20_000, seed))
    assert fresh.enough(known.for_share(share), 0.0) == pytest.approx(share, abs=0.015)
    assert fresh.enough(0.0, known.bags_for_share(share)) == pytest.approx(share, abs=0.015)


def test_one_seed_draws_the_same_gardens_and_a_bag_that_was_measured_is_sure() -> None:
    one, two = drawn(Inputs()), drawn(Inputs())
    assert one.for_share(0.9) == two.for_share(0.9)
    # a bag holds 95 to 100 % of its label
    assert np.median(one.in_bags_m3 / one.to_buy_m3) == pytest.approx(1 / 0.975, rel=1e-3)
    tipped = drawn(Inputs(), {"checked_m3": 0.039})
    assert np.array_equal(tipped.in_bags_m3, tipped.to_buy_m3)


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
    thin = [{"material": "topsoil", "thickness_m": 0.03}, {"material": "compost", "fill": True}]
    assert haul(beds=[zoo.bed(layers=thin)]).narrows["topsoil"].source == "raking"
    # measured at so many places, the rake says little any more
    layers = [{"material": "compost", "thickness_m": 0.05}, {"material": "topsoil", "fill": True}]
    careful = haul(beds=[zoo.bed(layers=layers, depth_places=50, taped=20)])
    assert careful.narrows["topsoil"].source == "loose_factor"
    assert 0.5 < careful.narrows["topsoil"].share <= 1.0


def test_the_normal_is_that_of_its_inverse() -> None:
    shares = np.array([1e-9, 2.5e-4, 0.03, 0.0749, 0.0751, 0.5, 0.69, 0.9251, 0.9999, 1 - 1e-9])
    assert standard_normal(shares) == pytest.approx(ndtri(shares), rel=1e-12, abs=1e-12)
