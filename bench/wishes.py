"""Looking for beds: until the first proposal, and until all ways are judged."""

from __future__ import annotations

import statistics
import tempfile
import threading
import time
from datetime import date
from pathlib import Path

from bench.measure import Measure
from bench.sure import ten_beds
from nolbet_core.plan.wishes import Wishes
from nolbet_core.wishes.search import Search
from tests.soak.serving import Gardener, Serving

FIRST_SECONDS = 1.0
ALL_SECONDS = 10.0
MOST = 5_000
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


def measure_wishes() -> list[Measure]:
    """Seconds until the first proposal; and what 5,000 ways would take at the pace at which those there are took."""
    built = ten_beds()
    began = time.perf_counter()
    search = Search(built.plan, WISHES, built.supplies, TODAY)
    first_s = None
    for looked in search.look():
        if first_s is None and looked.front:
            first_s = time.perf_counter() - began
    all_s = time.perf_counter() - began
    at_most_s = all_s * MOST / len(search.candidates)
    detail = f"{len(search.candidates)} ways in {all_s:.1f} s"
    return [
        Measure("wishes_first_s", first_s or all_s, FIRST_SECONDS, "until the first proposal"),
        Measure("wishes_5000_s", at_most_s, ALL_SECONDS, detail),
    ]


def measure_beside_looking() -> list[Measure]:
    """How many times longer a light answer takes while somebody looks for beds, than where nobody does."""
    with tempfile.TemporaryDirectory() as folder, Serving(Path(folder)) as serving:
        light, heavy = Gardener(serving.port, "light"), Gardener(serving.port, "heavy")
        for each in (light, heavy):
            each.move_in()
        _median_s(light)
        idle_s = _median_s(light)
        looks = threading.Thread(
            target=lambda: heavy.ask("POST", f"/api/gardens/{heavy.garden}/figure/wishes", {"want": {"area_m2": 3.0}}),
            daemon=True,
        )
        looks.start()
        time.sleep(1.0)
        beside_s = _median_s(light)
    detail = f"{beside_s * 1000:.1f} ms against {idle_s * 1000:.1f} ms"
    return [Measure("light_answer_beside_looking", beside_s / idle_s, BESIDE, detail)]


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
