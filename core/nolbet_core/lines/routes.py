"""How supply pipes run from the tap to the beds of a zone: as little pipe as joins them all."""

from __future__ import annotations

from collections.abc import Sequence
from typing import TYPE_CHECKING

from nolbet_core.lazy import lazily
from nolbet_core.record import record

if TYPE_CHECKING:
    import shapely
    from shapely.geometry.base import BaseGeometry
else:
    shapely = lazily("shapely")


@record
class PipeRun:
    """A straight piece of pipe between two things by their places in a list, the tap or a bed nearer to it first."""

    start: int
    end: int
    line: BaseGeometry

    @property
    def length_m(self) -> float:
        """How long it is."""
        return float(self.line.length)


def shortest_runs(grounds: Sequence[BaseGeometry]) -> list[PipeRun]:
    """Runs that join all grounds, the first of them the tap, with as little pipe as can be (Prim 1957).

    grounds: outlines or points on the plot [m].
    """
    joined, runs = [0], []
    nearest = dict.fromkeys(range(1, len(grounds)), 0)
    far_m = {place: float(shapely.distance(grounds[0], grounds[place])) for place in nearest}
    while far_m:
        place = min(far_m, key=lambda each: (far_m[each], each))
        runs.append(PipeRun(nearest[place], place, shapely.shortest_line(grounds[nearest[place]], grounds[place])))
        joined.append(place)
        del far_m[place]
        for other, known_m in list(far_m.items()):
            apart_m = float(shapely.distance(grounds[place], grounds[other]))
            if apart_m < known_m:
                far_m[other], nearest[other] = apart_m, place
    return runs
