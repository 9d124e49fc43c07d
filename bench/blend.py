"""A mix through the API against nothing, and the cheapest mix against the bare linear programme on the same matrix."""

from __future__ import annotations

import json

import numpy as np
from scipy.optimize import linprog

from bench.api import EIGHT_LAYERS, kept_garden
from bench.measure import Measure, compare
from nolbet_core.blend.cheapest import bounds_of, cheapest
from nolbet_core.blend.programme import Component, Programme
from nolbet_core.blend.target import USUAL_TARGETS
from nolbet_core.shelf.library import standard_shelf

ROUNDS = 300
API_LIMIT = 2.0
PROGRAMME_LIMIT = 3.0

MIX = {
    "key": "half",
    "name": "Half and half",
    "parts": [
        {"material": "topsoil", "parts": 3},
        {"material": "own_compost", "parts": 2},
        {"material": "coir", "parts": 1},
        {"material": "perlite", "parts": 1},
    ],
    "target": {"use": "wicking_bed"},
}
PRICES = {
    "topsoil": 42.0, "compost": 55.0, "coarse_sand": 52.0, "perlite": 270.0, "coir": 240.0, "peat": 130.0,
    "composted_bark": 120.0, "grit": 300.0, "leaf_mould": 90.0, "vermiculite": 310.0,
}  # fmt: skip


def measure_blend() -> list[Measure]:
    """Two ratios."""
    return [_mix_through_the_api(), _cheapest_to_bare_programme()]


def _mix_through_the_api() -> Measure:
    client, garden = kept_garden(EIGHT_LAYERS, "blender")
    token = client.cookies["nolbet_csrf"].value

    def post(address: str, body: str) -> None:
        answer = client.post(address, body, content_type="application/json", headers={"X-CSRFToken": token})
        if answer.status_code != 200:
            raise RuntimeError(f"{address} answered {answer.status_code}: {answer.content[:200]!r}")

    draft, empty = json.dumps({"mix": MIX}), json.dumps({"bed": MIX})
    return compare(
        "api_figure_mix",
        API_LIMIT,
        lambda: post(f"/api/gardens/{garden.pk}/figure/mix", draft),
        lambda: post(f"/nothing/{garden.pk}", empty),
        ROUNDS,
    )


def _cheapest_to_bare_programme() -> Measure:
    components = [Component(standard_shelf()[key], price) for key, price in PRICES.items()]
    target = USUAL_TARGETS["wicking_bed"]
    programme = Programme(components, target)
    rows = programme.rows("fines_fit")
    above = np.vstack([programme.holding("fines_fit"), *(row.coefficients for row in rows)])
    made, bounds = programme.made("fines_fit")[np.newaxis], bounds_of(programme, 1.0)
    zeros = np.zeros(len(above))

    def bare() -> None:
        linprog(programme.prices, A_ub=above, b_ub=zeros, A_eq=made, b_eq=[1.0], bounds=bounds, method="highs")

    return compare("cheapest_mix_to_bare_programme", PROGRAMME_LIMIT, lambda: cheapest(components, target), bare, 60)
