"""Light requests beside heavy ones: gardeners save every two seconds while others ask for much.

By hand: python -m tests.soak.beside [SAVERS] [HEAVY_ASKERS] [SECONDS]
"""

from __future__ import annotations

import json
import sys
import tempfile
import threading
import time
from collections import Counter
from dataclasses import dataclass, field
from itertools import cycle
from pathlib import Path
from typing import Any

from tests.core import zoo
from tests.soak.serving import Gardener, Serving

SAVES_EVERY_S = 2.0
LOOKS_EVERY_S = 0.2
IDLE_TIMES = 150
MANY_BEDS = 60
OF_HUNDRED = 95
OK = 200
HEAVY = ("preview", "sure", "schools", "compared")


@dataclass
class Told:
    """What was seen: how long light requests took [s], how heavy ones were answered, and whether a save was lost."""

    idle_s: list[float] = field(default_factory=list)
    light_s: list[float] = field(default_factory=list)
    statuses: Counter[tuple[str, int]] = field(default_factory=Counter)
    lost: int = 0

    @property
    def answered_heavy(self) -> int:
        """How many heavy figures were answered."""
        return sum(times for (name, status), times in self.statuses.items() if name in HEAVY and status == OK)

    @property
    def times_idle(self) -> float:
        """The light requests' 95th percentile beside heavy ones, over what it is when nothing else is asked."""
        return _percentile(self.light_s) / _percentile(self.idle_s)


def beside(savers: int, heavy: int, seconds: float) -> Told:
    """Let so many save every two seconds for so long, and so many ask for heavy figures all the while."""
    told = Told()
    with tempfile.TemporaryDirectory() as folder, Serving(Path(folder), NOLBET_HEAVY_ELSEWHERE="1") as serving:
        people = [Gardener(serving.port, f"gardener{number}") for number in range(savers)]
        askers = [Gardener(serving.port, f"asker{number}") for number in range(heavy)]
        visitor = Gardener(serving.port, "visitor")
        for person in [*people, *askers, visitor]:
            person.move_in()
        for _ in range(IDLE_TIMES):
            told.idle_s += [_timed_save(people[0], told), _timed_look(people[0], told)]
        end = time.monotonic() + seconds
        threads = [
            threading.Thread(target=_saves, args=(each, end, told, SAVES_EVERY_S * at / savers))
            for at, each in enumerate(people)
        ]
        threads += [threading.Thread(target=_looks, args=(visitor, end, told))]
        threads += [threading.Thread(target=_asks, args=(each, end, told)) for each in askers]
        for thread in threads:
            thread.start()
        for thread in threads:
            thread.join()
        for person in people:
            person.reconnect()
            told.lost += person.kept()[0] != person.revision
    return told


def _timed_save(person: Gardener, told: Told) -> float:
    """How long a save takes [s]."""
    began = time.monotonic()
    status, _ = person.save(2 + person.revision % 900)
    told.statuses["save", status] += 1
    return time.monotonic() - began


def _timed_look(person: Gardener, told: Told) -> float:
    """How long it takes to load the garden [s]."""
    began = time.monotonic()
    status, _ = person.ask("GET", f"/api/gardens/{person.garden}")
    told.statuses["look", status] += 1
    return time.monotonic() - began


def _saves(person: Gardener, end: float, told: Told, begins_after_s: float) -> None:
    person.reconnect()
    time.sleep(begins_after_s)
    while time.monotonic() < end:
        took_s = _timed_save(person, told)
        told.light_s.append(took_s)
        time.sleep(max(0.0, SAVES_EVERY_S - took_s))


def _looks(person: Gardener, end: float, told: Told) -> None:
    while time.monotonic() < end:
        told.light_s.append(_timed_look(person, told))
        time.sleep(LOOKS_EVERY_S)


def _asks(person: Gardener, end: float, told: Told) -> None:
    person.reconnect()
    garden = f"/api/gardens/{person.garden}"
    draft: dict[str, Any] = {"bed": zoo.bed(key="stream"), "key": "stream"}
    beds = [zoo.bed(key=f"bed-{number}", name=f"Bed {number}") for number in range(MANY_BEDS)]
    plan = json.dumps(zoo.plan(*beds))
    for name, method, path, body in cycle(
        [
            ("preview", "POST", "/api/gardens/import/preview", {"text": plan}),
            ("sure", "GET", f"{garden}/figure/sure", None),
            ("schools", "POST", f"{garden}/figure/schools", draft),
            ("compared", "POST", f"{garden}/figure/compared", draft),
        ]
    ):
        if time.monotonic() > end:
            return
        status, _ = person.ask(method, path, body)
        told.statuses[name, status] += 1
        if status in {429, 503}:
            time.sleep(0.5)


def _percentile(took_s: list[float]) -> float:
    return sorted(took_s)[len(took_s) * OF_HUNDRED // 100]


if __name__ == "__main__":
    numbers = [int(each) for each in sys.argv[1:]] + [50, 8, 60][len(sys.argv) - 1 :]
    seen = beside(*numbers)
    print(f"idle p95 {_percentile(seen.idle_s) * 1000:.0f} ms, beside {_percentile(seen.light_s) * 1000:.0f} ms")
    print(f"{seen.times_idle:.1f} times, lost {seen.lost}, {dict(seen.statuses)}")
