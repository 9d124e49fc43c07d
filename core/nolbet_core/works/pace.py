"""The gardener's own pace: what was logged against what the usual rates say, one factor for each kind of work."""

from __future__ import annotations

from collections.abc import Iterable, Mapping

from nolbet_core.plan.works import WorkKind
from nolbet_core.record import record

LEAST, MOST = 0.05, 20.0
"""Between which a factor may be."""


@record
class Spent:
    """Time that one step took. usual_hours: what the usual rates say for it. hours: what it took."""

    work: WorkKind
    usual_hours: float
    hours: float


@record
class Pace:
    """How many times as long as usual a kind of work takes. hours: logged, that it rests on; 0 where it is as given."""

    work: WorkKind
    factor: float
    hours: float
    steps: int


def paces_logged(spent: Iterable[Spent], given: Mapping[WorkKind, float]) -> dict[WorkKind, Pace]:
    """A factor for each kind of work: all hours logged of it over what the usual rates say for the same steps.

    given: factors that the gardener says; they hold for kinds of work of which nothing is logged.
    """
    sums: dict[WorkKind, tuple[float, float, int]] = {}
    for each in spent:
        if each.usual_hours > 0 and each.hours > 0:
            usual, hours, steps = sums.get(each.work, (0.0, 0.0, 0))
            sums[each.work] = (usual + each.usual_hours, hours + each.hours, steps + 1)
    paces = {work: Pace(work, factor, 0.0, 0) for work, factor in given.items()}
    for work, (usual, hours, steps) in sums.items():
        paces[work] = Pace(work, min(max(hours / usual, LEAST), MOST), hours, steps)
    return paces
