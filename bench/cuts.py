"""Boards cut together against the bare solver on the same matrices, and a bed with a frame against one without."""

from __future__ import annotations

import json
import random
from decimal import Decimal

import numpy as np
from scipy.optimize import Bounds, LinearConstraint, milp

from bench.api import kept_garden
from bench.measure import Measure, compare
from nolbet_core.cuts.programme import MOST_COLUMNS, cut_plan, hopeful_cost
from nolbet_core.cuts.relaxed import Market, first_columns, generate, matrices, within
from nolbet_core.cuts.stock import CutWish, Length, Saw

CUTS_LIMIT = 1.5
FRAME_LIMIT = 1.2
SAW = Saw()
SECONDS = 20.0


def measure_cuts() -> list[Measure]:
    """Two ratios."""
    return [_cuts_to_bare_solver(), _frame_to_none()]


def _problem() -> tuple[list[CutWish], list[Length]]:
    """200 pieces of 12 lengths, 5 lengths on sale, 20 boards at hand."""
    chance = random.Random(3)  # noqa: S311 - the same problem every time
    lengths = [round(chance.uniform(0.25, 1.9), 3) for _ in range(12)]
    counts = [0] * 12
    for _ in range(200):
        counts[chance.randrange(12)] += 1
    prices = ((1.8, "5.10"), (2.4, "6.30"), (3.0, "8.20"), (3.6, "9.90"), (4.8, "13.60"))
    boards = [Length(length_m, Decimal(price)) for length_m, price in prices]
    boards += [Length(round(chance.uniform(0.6, 3), 2), Decimal(0), 1) for _ in range(20)]
    return [CutWish(length_m, count) for length_m, count in zip(lengths, counts, strict=True)], boards


def _cuts_to_bare_solver() -> Measure:
    wishes, boards = _problem()
    ordered = tuple(sorted(wishes, key=lambda wish: -wish.length_m))
    market = Market(ordered, tuple(boards), SAW)
    columns = first_columns(market)
    relaxed = generate(market, columns)
    if relaxed is None:
        raise RuntimeError("the relaxed programme has no answer")
    hopeful = hopeful_cost(market, relaxed, float("inf"))
    weighed = within(market, relaxed, hopeful - relaxed.cost, MOST_COLUMNS) or columns
    pieces, scarce, _ = matrices(market, weighed)
    costs = np.array([float(boards[each.source].price * 100) for each in weighed])
    demand = np.array([float(wish.count) for wish in ordered])

    def bare() -> None:
        milp(
            costs,
            constraints=[LinearConstraint(pieces, lb=demand), LinearConstraint(scarce, ub=np.ones(len(scarce)))],
            integrality=np.ones(len(weighed)),
            bounds=Bounds(0, np.inf),
            options={"time_limit": SECONDS, "mip_rel_gap": 0.0},
        )

    return compare("cuts_to_bare_solver", CUTS_LIMIT, lambda: cut_plan(wishes, boards, SAW, SECONDS), bare, 3)


def _frame_to_none() -> Measure:
    """The server's answer to a draft, framed and not."""
    shape = {"kind": "box", "length_m": 2.4, "width_m": 1.2, "depth_m": 0.47}
    plain = {"key": "bed", "shape": shape, "measured": "outside", "wall_m": 0.038, "layers": [
        {"material": "broadleaf_logs", "thickness_m": 0.15}, {"material": "topsoil", "fill": True}]}  # fmt: skip
    framed = {key: value for key, value in plain.items() if key != "wall_m"}
    framed["frame"] = {"kind": "boards", "nominal": "2x10", "corner": "corner_post", "post_m": 0.075}
    client, garden = kept_garden(plain, "carpenter")
    token = client.cookies["nolbet_csrf"].value

    def post(body: str) -> None:
        address = f"/api/gardens/{garden.pk}/figure/bed"
        answer = client.post(address, body, content_type="application/json", headers={"X-CSRFToken": token})
        if answer.status_code != 200:
            raise RuntimeError(f"{address} answered {answer.status_code}: {answer.content[:200]!r}")

    drafts = [json.dumps({"bed": each}) for each in (framed, plain)]
    return compare("draft_framed_to_plain", FRAME_LIMIT, lambda: post(drafts[0]), lambda: post(drafts[1]), 200)
