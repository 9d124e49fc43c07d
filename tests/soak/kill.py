"""Kill the server during a stream of saves, over and over: every save that was answered is there.

By hand: python -m tests.soak.kill [TIMES], which keeps one process that others are forked from, to kill them faster.
"""

from __future__ import annotations

import http.client
import random
import sqlite3
import sys
import tempfile
import threading
import time
from contextlib import closing
from pathlib import Path

from tests.soak.serving import Gardener, Serving


class Forking(Serving):
    """A server whose answering process is forked from one that has loaded everything."""

    def command(self) -> list[str]:
        """As it is started, loaded before it forks."""
        command = super().command()
        return [*command[:-1], "--preload", command[-1]]

    def kill(self) -> None:
        """Kill the process that answers alone."""
        self.kill_worker()

    def start(self) -> None:
        """Start, or wait for the next process."""
        if self.process is None:
            super().start()
        else:
            self.wait_until_it_answers()

    def __exit__(self, *_: object) -> None:
        super().kill()


def kill_and_look(times: int, server: type[Serving] = Serving, seed: int = 7) -> dict[str, int]:
    """Kill so many times; counts of kills, answered saves, lost saves and damaged databases."""
    chance = random.Random(seed)  # noqa: S311 - when to kill is no secret
    told = {"kills": 0, "answered": 0, "lost": 0, "damaged": 0}
    with tempfile.TemporaryDirectory() as folder, server(Path(folder)) as serving:
        gardener = Gardener(serving.port, "streamer")
        gardener.move_in()
        for _ in range(times):
            killer = threading.Timer(chance.uniform(0.05, 0.4), serving.kill)
            killer.start()
            answered = _stream(gardener)
            killer.join()
            serving.start()
            gardener.reconnect()
            revision, count = gardener.kept()
            told["kills"] += 1
            told["answered"] += len(answered)
            # the save under way when the server went may have been kept without its answer
            told["lost"] += bool(answered) and revision < answered[-1][0]
            told["lost"] += bool(answered) and revision == answered[-1][0] and count != answered[-1][1]
            told["damaged"] += not _whole(serving.database)
            gardener.revision = revision
    return told


def _stream(gardener: Gardener) -> list[tuple[int, int]]:
    """Save until the server goes; revision and count of each save that was answered."""
    answered: list[tuple[int, int]] = []
    count = 0
    while True:
        count = count % 900 + 1
        try:
            status, answer = gardener.save(count)
        except (OSError, http.client.HTTPException, ValueError):
            return answered
        if status != 200:
            raise RuntimeError(f"answered {status}: {answer}")
        answered.append((answer["revision"], count))


def _whole(database: Path) -> bool:
    with closing(sqlite3.connect(database, timeout=10)) as connection:
        return bool(connection.execute("PRAGMA integrity_check").fetchone() == ("ok",))


if __name__ == "__main__":
    start = time.monotonic()
    print(kill_and_look(int(sys.argv[1]) if len(sys.argv) > 1 else 50, Forking), f"{time.monotonic() - start:.0f} s")
