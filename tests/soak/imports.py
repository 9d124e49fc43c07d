"""Kill the server while a plan file is brought in, over and over: it is there whole or not at all.

By hand: python -m tests.soak.imports [TIMES]
"""

from __future__ import annotations

import contextlib
import http.client
import json
import random
import sys
import tempfile
import threading
import time
from pathlib import Path

from tests.soak.serving import Gardener, Serving, bed

BEDS = 150


def kill_imports(times: int, seed: int = 5) -> dict[str, int]:
    """Kill so many times; counts of kills, of imports that are there whole, aren't there, or are there in part."""
    chance = random.Random(seed)  # noqa: S311 - when to kill is no secret
    told = {"kills": 0, "whole": 0, "none": 0, "part": 0}
    beds = [bed(2) | {"key": f"bed_{number}", "name": f"Bed {number}"} for number in range(BEDS)]
    plan = {"format": "nolbet-plan/1", "garden": {"name": "Brought"}, "beds": beds}
    with tempfile.TemporaryDirectory() as folder, Serving(Path(folder)) as serving:
        gardener = Gardener(serving.port, "bringer")
        gardener.move_in()
        for number in range(times):
            name = f"Brought {number}"
            text = json.dumps(plan | {"garden": {"name": name}})
            killer = threading.Timer(chance.uniform(0.02, 0.35), serving.kill)
            killer.start()
            with contextlib.suppress(OSError, http.client.HTTPException, ValueError):
                gardener.ask("POST", "/api/gardens/import", {"text": text})
            killer.join()
            serving.start()
            gardener.reconnect()
            _, gardens = gardener.ask("GET", "/api/gardens")
            counts = [garden["beds"] for garden in gardens if garden["name"] == name]
            told["kills"] += 1
            told["whole" if counts == [BEDS] else "none" if counts == [] else "part"] += 1
    return told


if __name__ == "__main__":
    start = time.monotonic()
    print(kill_imports(int(sys.argv[1]) if len(sys.argv) > 1 else 50), f"{time.monotonic() - start:.0f} s")
