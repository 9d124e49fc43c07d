"""Light requests while fifty gardeners save and eight ask for heavy figures, against the same when idle."""

from __future__ import annotations

from bench.measure import Measure
from tests.soak.beside import beside

# so long that the start of the processes for heavy figures, once, is a small part of it
SAVERS, HEAVY_ASKERS, SECONDS = 50, 8, 60
LIMIT = 8.0


def measure_beside() -> list[Measure]:
    """The 95th percentile of saves and looks beside all that, over what it is when idle."""
    told = beside(SAVERS, HEAVY_ASKERS, SECONDS)
    detail = f"{len(told.light_s)} light requests, {told.lost} saves lost, {told.answered_heavy} heavy answers"
    return [Measure("light_beside_heavy_to_idle", told.times_idle, LIMIT, detail)]
