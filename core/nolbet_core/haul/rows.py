"""Columns and rows of a mixed-integer programme, named as they are written, for HiGHS to solve."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass, field

import numpy as np
from numpy.typing import NDArray

Values = NDArray[np.float64]
Terms = Mapping[int, float]
"""Columns with what they count for."""


@dataclass(slots=True)
class Rows:
    """A programme as it grows: columns with their bounds and costs, rows with theirs."""

    costs: list[float] = field(default_factory=list)
    least: list[float] = field(default_factory=list)
    most: list[float] = field(default_factory=list)
    whole: list[bool] = field(default_factory=list)
    rows: list[tuple[Terms, float, float]] = field(default_factory=list)

    def column(self, cost: float, most: float = math.inf, *, whole: bool = True) -> int:
        """A new column of no less than nothing: its cost, the most it may be, and whether it is a whole number."""
        self.costs.append(cost)
        self.least.append(0.0)
        self.most.append(most)
        self.whole.append(whole)
        return len(self.costs) - 1

    def row(self, terms: Terms, least: float = -math.inf, most: float = math.inf) -> None:
        """A sum of columns that lies between a least and a most."""
        self.rows.append((terms, least, most))


@dataclass(frozen=True, slots=True)
class Solved:
    """What each column comes to, what that costs, and what nothing costs less."""

    values: Values
    cost: float
    bound: float


def solve(rows: Rows, seconds: float, costs: Mapping[int, float] | None = None) -> Solved | None:
    """The cheapest values; None where none hold, or none were found in time.

    seconds: as long as it may take [s]. costs: others than the columns' own, nothing for those not named.
    """
    from scipy.optimize import Bounds, LinearConstraint, milp  # noqa: PLC0415 - dear to load, and not always asked
    from scipy.sparse import csr_matrix  # noqa: PLC0415 - as above

    count = len(rows.costs)
    if count == 0:
        return Solved(np.zeros(0), 0.0, 0.0)
    paid = np.array(rows.costs) if costs is None else np.array([costs.get(index, 0.0) for index in range(count)])
    places = [(row, column, value) for row, (terms, _, _) in enumerate(rows.rows) for column, value in terms.items()]
    matrix = csr_matrix(
        ([value for _, _, value in places], ([row for row, _, _ in places], [column for _, column, _ in places])),
        shape=(len(rows.rows), count),
    )
    answer = milp(
        paid,
        constraints=LinearConstraint(matrix, [row[1] for row in rows.rows], [row[2] for row in rows.rows]),
        integrality=np.array([int(each) for each in rows.whole]),
        bounds=Bounds(np.array(rows.least), np.array(rows.most)),
        options={"time_limit": seconds, "mip_rel_gap": 0.0},
    )
    if answer.x is None:
        return None
    bound = answer.mip_dual_bound if answer.mip_dual_bound is not None else answer.fun
    return Solved(np.asarray(answer.x), float(answer.fun), float(bound))
