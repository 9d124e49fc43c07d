"""Looking for beds: until the first proposal, and until all ways are judged."""

from __future__ import annotations

import statistics
import tempfile
import threading
import time
from contextlib import suppress
from datetime import date
from http.client import HTTPException
from pathlib import Path

from bench.measure import Measure
from bench.sure import ten_beds
from nolbet_core.plan.wishes import Wishes
from nolbet_core.wishes.search import Search
from tests.soak.serving import Gardener, Serving

FIRST_SECONDS = 1.0
ALL_SECONDS = 10.0
BESIDE = 2.0
LIGHT = 60
TODAY = date(2026, 10, 20)
WISHES = Wishes.model_validate(
    {
        "have": {
            "money": "300",
            "stock": [
                {"material": "softwood", "thickness_m": 0.038, "width_m": 0.184, "length_m": 2.4, "count": 8},
                {"material": "broadleaf_logs", "volume_m3": 0.6},
                {"material": "leaves", "as": {"unit": "bag", "count": 30, "each_m3": 0.05}},
            ],
        },
        "want": {"area_m2": 2.0, "sow_on": "2027-05-20"},
    }
)


def many_wishes() -> Wishes:
    """The same with boards of six lengths, so that there are more ways than are judged."""
    boards, *others = WISHES.model_dump(mode="json", by_alias=True, exclude_none=True)["have"]["stock"]
    boards = {key: value for key, value in boards.items() if key != "volume_m3"} | {"count": 20}
    stock = [boards | {"length_m": length_m} for length_m in (1.8, 2.1, 2.4, 2.7, 3.0, 3.6)]
    return Wishes.model_validate(
        {
            "have": {"money": "400", "stock": [*stock, *others]},
            "want": {"area_m2": 3.0, "sow_on": "2027-05-20"},
        }
    )


def measure_wishes() -> list[Measure]:
    """Seconds until the first proposal, and until as many ways are judged as ever are."""
    built = ten_beds()
    began = time.perf_counter()
    search = Search(built.plan, WISHES, built.supplies, TODAY)
    next(looked for looked in search.look() if looked.front)
    first_s = time.perf_counter() - began
    began = time.perf_counter()
    search = Search(built.plan, many_wishes(), built.supplies, TODAY)
    *_, last = search.look()
    all_s = time.perf_counter() - began
    detail = f"{last.judged} ways, {len(last.front)} of them beaten by none"
    return [
        Measure("wishes_first_s", first_s, FIRST_SECONDS, "until the first proposal"),
        Measure("wishes_all_s", all_s, ALL_SECONDS, detail),
    ]


def measure_beside_looking() -> list[Measure]:
    """How many times longer a light answer takes while somebody looks for beds, than where nobody does."""
    with tempfile.TemporaryDirectory() as folder, Serving(Path(folder)) as serving:
        light, heavy = Gardener(serving.port, "light"), Gardener(serving.port, "heavy")
        for each in (light, heavy):
            each.move_in()
        _median_s(light)
        idle_s = _median_s(light)
        looks = threading.Thread(target=_look, args=(heavy,), daemon=True)
        looks.start()
        time.sleep(1.0)
        beside_s = _median_s(light)
    detail = f"{beside_s * 1000:.1f} ms against {idle_s * 1000:.1f} ms"
    return [Measure("light_answer_beside_looking", beside_s / idle_s, BESIDE, detail)]


def _look(gardener: Gardener) -> None:
    """Look for beds until the server goes, which is before it is done."""
    with suppress(HTTPException, OSError):
        gardener.ask("POST", f"/api/gardens/{gardener.garden}/figure/wishes", {"want": {"area_m2": 3.0}})


def _median_s(gardener: Gardener) -> float:
    """Median time of a light answer [s]."""
    times = []
    for _ in range(LIGHT):
        began = time.perf_counter()
        status, _ = gardener.ask("GET", f"/api/gardens/{gardener.garden}")
        times.append(time.perf_counter() - began)
        if status != 200:
            raise ArithmeticError(f"the light answer was {status}")
    return statistics.median(times)
