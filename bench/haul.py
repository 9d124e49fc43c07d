"""The cheapest haul against the bare solver on the same programmes, and a garden of many beds against one of half."""

from __future__ import annotations

import random
from collections.abc import Mapping
from decimal import Decimal
from unittest.mock import patch

import numpy as np

from bench.measure import Measure, compare
from nolbet_core.built.plan import BuiltPlan, build_plan
from nolbet_core.figure.walk import figure_cheapest_haul
from nolbet_core.haul import best
from nolbet_core.haul.offers import BagOffer, BulkOffer, Offer, Supplier
from nolbet_core.haul.rows import Rows, Solved, Watch, solve
from nolbet_core.haul.wanted import Wanted, loose_wanted
from nolbet_core.plan.garden import Plan

HAUL_LIMIT = 1.5
BEDS_LIMIT = 2.4
SECONDS = 20.0
MATERIALS, SUPPLIERS, OFFERS = 30, 6, 60


def measure_haul() -> list[Measure]:
    """Two ratios."""
    return [_haul_to_bare_solver(), _beds_to_half()]


def _market() -> tuple[list[Wanted], list[Supplier]]:
    """30 materials, 60 offers in bags and loose, 6 suppliers."""
    chance = random.Random(7)  # noqa: S311 - the same market every time
    offers: list[list[Offer]] = [[] for _ in range(SUPPLIERS)]
    for index in range(OFFERS):
        material = f"m{index % MATERIALS}"
        per_m3 = chance.uniform(90, 160)
        if index % 3:
            size_m3 = chance.choice((0.02, 0.03, 0.04, 0.05, 0.06))
            price = Decimal(round(size_m3 * per_m3 * 1.4 * 100)) / 100
            offers[chance.randrange(SUPPLIERS)].append(BagOffer(material, size_m3, price))
        else:
            price = Decimal(round(per_m3 * 100)) / 100
            offers[chance.randrange(SUPPLIERS)].append(BulkOffer(material, price, 0.25, 0.5, 4.0))
    wants = loose_wanted({f"m{index}": chance.uniform(0.1, 3.0) for index in range(MATERIALS)})
    suppliers = [
        Supplier(f"s{index}", f"Supplier {index}", Decimal(30 + 7 * index), tuple(own), Decimal(400), Decimal(50))
        for index, own in enumerate(offers)
    ]
    return wants, suppliers


def _haul_to_bare_solver() -> Measure:
    wants, suppliers = _market()
    asked: list[tuple[Rows, Mapping[int, float] | None]] = []

    def noted(
        rows: Rows, seconds: float, costs: Mapping[int, float] | None = None, watch: Watch | None = None
    ) -> Solved | None:
        asked.append((rows, costs))
        return solve(rows, seconds, costs, watch)

    with patch.object(best, "solve", noted):
        found = best.best_haul(wants, suppliers, SECONDS)
    if not found.proven_optimal:
        raise RuntimeError("the haul of the measure isn't proven")
    bare = [_matrices(rows, costs) for rows, costs in asked]
    return compare(
        "haul_to_bare_solver",
        HAUL_LIMIT,
        lambda: best.best_haul(wants, suppliers, SECONDS),
        lambda: _all_solved(bare),
        9,
    )


def _matrices(rows: Rows, costs: Mapping[int, float] | None) -> tuple[Rows, list[float]]:
    return rows, rows.costs if costs is None else [costs.get(index, 0.0) for index in range(len(rows.costs))]


def _all_solved(bare: list[tuple[Rows, list[float]]]) -> None:
    for rows, costs in bare:
        _solved(rows, costs)


def _solved(rows: Rows, costs: list[float]) -> None:
    """HiGHS alone, through another door than the core's."""
    from scipy.optimize import Bounds, LinearConstraint, milp  # noqa: PLC0415 - dear to load
    from scipy.sparse import csr_matrix  # noqa: PLC0415 - as above

    places = [(row, column, value) for row, (terms, _, _) in enumerate(rows.rows) for column, value in terms.items()]
    matrix = csr_matrix(
        ([value for _, _, value in places], ([row for row, _, _ in places], [column for _, column, _ in places])),
        shape=(len(rows.rows), len(costs)),
    )
    milp(
        np.array(costs),
        constraints=LinearConstraint(matrix, [row[1] for row in rows.rows], [row[2] for row in rows.rows]),
        integrality=np.array([int(each) for each in rows.whole]),
        bounds=Bounds(np.array(rows.least), np.array(rows.most)),
        options={"time_limit": SECONDS, "mip_rel_gap": 0.0},
    )


def _garden(beds: int) -> BuiltPlan:
    """So many beds of all the shelf's loose soils, and a shop that has them."""
    materials = ("compost", "topsoil", "potting_mix", "coarse_sand", "bark_mulch")
    offers = [
        {"material": key, "form": "bag", "volume_m3": 0.04, "price": f"{5 + place}.20", "fetch": True}
        for place, key in enumerate(materials)
    ]
    document = {
        "format": "nolbet-plan/1",
        "garden": {"name": "Many beds"},
        "suppliers": [{"key": "shop", "name": "Shop", "offers": offers}],
        "beds": [
            {
                "key": f"bed_{index}",
                "shape": {"kind": "box", "length_m": 1.8 + index % 7 * 0.1, "width_m": 1.2, "depth_m": 0.4},
                "layers": [
                    {"material": materials[index % 5], "thickness_m": 0.12},
                    {"material": materials[(index + 2) % 5], "fill": True},
                ],
            }
            for index in range(beds)
        ],
    }
    return build_plan(Plan.model_validate(document)).holding()


def _beds_to_half() -> Measure:
    many, half = _garden(200), _garden(100)
    return compare(
        "haul_200_beds_to_100",
        BEDS_LIMIT,
        lambda: figure_cheapest_haul(many, None, 1.0, SECONDS),
        lambda: figure_cheapest_haul(half, None, 1.0, SECONDS),
        5,
    )
