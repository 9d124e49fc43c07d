"""Columns and rows of a mixed-integer programme, named as they are written, for HiGHS to solve."""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field
from typing import TYPE_CHECKING, Protocol

import numpy as np
from numpy.typing import NDArray

if TYPE_CHECKING:
    from highspy import Highs, HighsLp
    from highspy.highs import HighsCallbackEvent

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


class Watch(Protocol):
    """Looks on while a programme is solved."""

    def seen(self, cost: float, bound: float, values: Values | None) -> None:
        """Told of the best so far, infinite where there is none yet, and of what nothing costs less.

        values: what each column comes to, where a better plan was found.
        """

    def ends(self) -> bool:
        """Whether to leave off and take the best so far."""


def solve(
    rows: Rows, seconds: float, costs: Mapping[int, float] | None = None, watch: Watch | None = None
) -> Solved | None:
    """The cheapest values; None where none hold, or none were found in time.

    seconds: as long as it may take [s]. costs: others than the columns' own, nothing for those not named. watch: looks
    on, and may end it sooner.
    """
    import highspy  # noqa: PLC0415 - dear to load, and not always asked

    count = len(rows.costs)
    if count == 0:
        return Solved(np.zeros(0), 0.0, 0.0)
    highs = _quiet()
    for option, value in (("time_limit", seconds), ("mip_rel_gap", 0.0), ("parallel", "off")):
        highs.setOptionValue(option, value)
    paid = rows.costs if costs is None else [costs.get(index, 0.0) for index in range(count)]
    highs.passModel(_model(rows, paid))
    if watch is not None:
        highs.cbMipInterrupt += _looking_on(watch)
        highs.cbMipImprovingSolution += _looking_on(watch)
    highs.run()
    info = highs.getInfo()
    if info.primal_solution_status != highspy.SolutionStatus.kSolutionStatusFeasible:
        return None
    values = np.array(highs.getSolution().col_value)
    found = float(info.objective_function_value)
    bound = float(info.mip_dual_bound) if any(rows.whole) else found
    return Solved(values, found, bound)


def _quiet() -> Highs:
    """HiGHS, which says nothing of itself on the standard output, where figures are written."""
    import highspy  # noqa: PLC0415 - as in solve

    class Quiet(highspy.Highs):
        def enableCallbacks(self) -> None:  # noqa: N802 - its own name
            self.setOptionValue("output_flag", False)
            super().enableCallbacks()  # type: ignore[no-untyped-call]

    return Quiet()  # type: ignore[no-untyped-call]


def _model(rows: Rows, costs: Sequence[float]) -> HighsLp:
    """A programme as HiGHS takes it."""
    import highspy  # noqa: PLC0415 - as in solve

    model = highspy.HighsLp()
    model.num_col_, model.num_row_ = len(costs), len(rows.rows)
    model.col_cost_, model.col_lower_, model.col_upper_ = np.array(costs), np.array(rows.least), np.array(rows.most)
    model.row_lower_ = np.array([least for _, least, _ in rows.rows])
    model.row_upper_ = np.array([most for _, _, most in rows.rows])
    model.a_matrix_.format_ = highspy.MatrixFormat.kRowwise
    lengths = [len(terms) for terms, _, _ in rows.rows]
    model.a_matrix_.start_ = np.concatenate(([0], np.cumsum(lengths))).astype(np.int32)
    model.a_matrix_.index_ = np.array([column for terms, _, _ in rows.rows for column in terms], dtype=np.int32)
    model.a_matrix_.value_ = np.array([value for terms, _, _ in rows.rows for value in terms.values()], dtype=float)
    kinds = highspy.HighsVarType
    model.integrality_ = [kinds.kInteger if whole else kinds.kContinuous for whole in rows.whole]
    return model


def _looking_on(watch: Watch) -> Callable[[HighsCallbackEvent], None]:
    def look(event: HighsCallbackEvent) -> None:
        found = event.data_out
        better = np.array(found.mip_solution) if len(found.mip_solution) else None
        watch.seen(float(found.mip_primal_bound), float(found.mip_dual_bound), better)
        if watch.ends():
            event.interrupt()

    return look
