"""Many gardeners saving at once: no error, no lost update; two devices of one gardener take turns by revision.

By hand: python -m tests.soak.crowd [GARDENERS] [SECONDS]
"""

from __future__ import annotations

import sys
import tempfile
import threading
import time
from pathlib import Path

from tests.soak.serving import Gardener, Serving


def crowd(gardeners: int, seconds: float) -> dict[str, int]:
    """Let so many save for so long; counts of saves, errors, lost updates and refused stale saves."""
    told = {"saves": 0, "errors": 0, "lost": 0, "stale": 0}
    with tempfile.TemporaryDirectory() as folder, Serving(Path(folder)) as serving:
        people = [Gardener(serving.port, f"gardener{number}") for number in range(gardeners)]
        for person in people:
            person.move_in()
        # one gardener is at two devices: both save the same bed
        twin = Gardener(serving.port, people[0].name)
        twin.cookies, twin.garden = dict(people[0].cookies), people[0].garden
        lock = threading.Lock()
        end = time.monotonic() + seconds
        threads = [threading.Thread(target=_save_until, args=(each, end, told, lock)) for each in [*people, twin]]
        for thread in threads:
            thread.start()
        for thread in threads:
            thread.join()
        for person in people:
            person.reconnect()
            revision, count = person.kept()
            told["lost"] += revision != count
    return told


def _save_until(person: Gardener, end: float, told: dict[str, int], lock: threading.Lock) -> None:
    """Save a count that always follows the revision, so that any update lost would show as a gap between the two."""
    person.reconnect()  # the others took their time to move in
    while time.monotonic() < end:
        try:
            status, answer = person.save(min(person.revision + 1, 1000))
        except Exception as error:
            status, answer = 0, error
        if status == 200 and person.revision >= 1000:
            return
        with lock:
            told["saves"] += status == 200
            told["stale"] += status == 409
            told["errors"] += status not in {200, 409}
        if status == 409:
            person.revision = answer["current"]["revision"]
        elif status != 200:
            print(person.name, status, answer, file=sys.stderr)
            return


if __name__ == "__main__":
    print(crowd(int(sys.argv[1]) if len(sys.argv) > 1 else 20, float(sys.argv[2]) if len(sys.argv) > 2 else 60))
