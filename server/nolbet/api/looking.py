"""Looking for the cheapest haul, told line by line while it goes on; a newer plan or the gardener ends it."""

from __future__ import annotations

import queue
import threading
from collections.abc import Iterator
from contextlib import ExitStack
from dataclasses import dataclass, field
from decimal import Decimal
from time import monotonic
from typing import Annotated, Literal

from django.db.models import F
from django.http import HttpRequest, StreamingHttpResponse
from ninja import Query, Router, Status
from pydantic import Field

from nolbet.api.gate import Gate, heavy
from nolbet.clock import today
from nolbet.gardens.models import Garden
from nolbet.gardens.owned import own_garden
from nolbet.plans.whole import whole_garden
from nolbet_core.built.plan import BuiltPlan
from nolbet_core.cuts.programme import SECONDS as SAW_SECONDS
from nolbet_core.figure.buying_figures import HaulFigures
from nolbet_core.figure.cost_curve import CostCurve, figure_curve
from nolbet_core.figure.figures import Figures
from nolbet_core.figure.set_down import SetDown, figure_set_down
from nolbet_core.figure.swap_figures import SwapsFigures
from nolbet_core.figure.swaps import figure_swaps
from nolbet_core.figure.tally import HaulLooked, TalliedFigures, tallied
from nolbet_core.figure.walk import figure_plan
from nolbet_core.figure.written import written_json
from nolbet_core.plan.fields import Key
from nolbet_core.quantities.units import System

router = Router(tags=["haul"])

HAUL_SECONDS = 10.0
"""As long as the cheapest haul is looked for unless the gardener says otherwise."""
MOST_SECONDS = 120.0
TOLD_EVERY_S = 0.25
LOOKS = Gate(each=3, in_all=4, waiting=0, wait_s=0.0)
"""Looks at once: each has a thread of its own, and one that was left is over within moments."""
SWAP_SECONDS = 20.0
"""As long as ways to pay less are worked out."""
LookSeconds = Annotated[float, Query(), Field(gt=0, le=MOST_SECONDS)]


@dataclass
class _Look:
    """One look: what was found so far, and whether to leave off."""

    began: float = field(default_factory=monotonic)
    total: Decimal | None = None
    lower_bound: Decimal | None = None
    ended: threading.Event = field(default_factory=threading.Event)
    answer: queue.SimpleQueue[Figures | Exception] = field(default_factory=queue.SimpleQueue)

    def bound(self, lower_bound: Decimal) -> None:
        """Keep what no haul costs less."""
        self.lower_bound = lower_bound

    def better(self, haul: HaulFigures) -> None:
        """Keep what the best so far costs."""
        self.total, self.lower_bound = haul.total, haul.lower_bound

    def ends(self) -> bool:
        """Whether a newer plan or the gardener ended it."""
        return self.ended.is_set()

    def run(self, built: BuiltPlan, seconds: float, place: ExitStack) -> None:
        """Look, and leave the answer, or what went wrong, for who waits. place: within the gate, left at the end."""
        with place:
            try:
                self.answer.put(figure_plan(built, today(), SAW_SECONDS, seconds, self))
            except Exception as error:
                self.answer.put(error)


@router.get("/{garden_id}/figure/haul", response=HaulLooked)
def figure_best_haul(
    request: HttpRequest, garden_id: int, seconds: LookSeconds = HAUL_SECONDS
) -> StreamingHttpResponse:
    """Figures of a whole garden with its cheapest haul over all suppliers at once, a line of JSON at a time.

    The last line has everything found. Nothing else waits for it. seconds: as long as it may take [s].
    """
    garden = own_garden(request, garden_id)
    seen = (garden.changes, garden.looks_ended)
    built, look, place = whole_garden(garden).built, _Look(), ExitStack()
    place.enter_context(LOOKS.entered(garden.owner_id))
    threading.Thread(target=look.run, args=(built, seconds, place), daemon=True).start()
    lines = _lines(look, garden.pk, seen, System(garden.units))
    return StreamingHttpResponse(lines, content_type="application/x-ndjson; charset=utf-8")


@router.post("/{garden_id}/figure/haul/end", response={204: None})
def end_looking(request: HttpRequest, garden_id: int) -> Status[None]:
    """End every look for a cheaper haul that goes on: each tells the best it has."""
    garden = own_garden(request, garden_id)
    Garden.objects.filter(pk=garden.pk).update(looks_ended=F("looks_ended") + 1)
    return Status(204, None)


@router.get("/{garden_id}/figure/swaps", response=SwapsFigures | None)
@heavy
def figure_ways_to_pay_less(request: HttpRequest, garden_id: int) -> SwapsFigures | None:
    """Ways to pay less for a garden's haul, and the fewest that get under its budget; null where it has no supplier."""
    garden = own_garden(request, garden_id)
    return figure_swaps(whole_garden(garden).built, today(), SWAP_SECONDS)


@router.get("/{garden_id}/figure/set-down", response=SetDown)
@heavy
def figure_beside_beds(request: HttpRequest, garden_id: int) -> SetDown:
    """What of the cheapest haul is set down beside each bed, and what carrying it there takes."""
    garden = own_garden(request, garden_id)
    return figure_set_down(whole_garden(garden).built, today(), SAW_SECONDS, HAUL_SECONDS)


@router.get("/{garden_id}/figure/cost-curve/{key}", response=CostCurve | None)
def figure_cost_curve(request: HttpRequest, garden_id: int, key: Key) -> CostCurve | None:
    """What a material costs by volume in bags and loose; null where it is not sold both ways."""
    return figure_curve(whole_garden(own_garden(request, garden_id)).built, key, today())


def _lines(look: _Look, garden_id: int, seen: tuple[int, int], system: System) -> Iterator[str]:
    """What is known, line by line; the look ends with who listens."""
    try:
        while True:
            try:
                answer = look.answer.get(timeout=TOLD_EVERY_S)
            except queue.Empty:
                now = Garden.objects.values_list("changes", "looks_ended").get(pk=garden_id)
                if now[0] != seen[0]:
                    yield _line(look, "newer")
                    return
                if now[1] != seen[1]:
                    look.ended.set()
                yield _line(look, "looking")
                continue
            if isinstance(answer, Exception):
                raise answer
            yield _line(look, "found", tallied(answer, system))
            return
    finally:
        look.ended.set()


def _line(look: _Look, kind: Literal["looking", "found", "newer"], found: TalliedFigures | None = None) -> str:
    seconds = monotonic() - look.began
    return written_json(HaulLooked(kind, look.total, look.lower_bound, seconds, found)) + "\n"
