"""Copies taken and put back again and again while gardeners save.

What was answered before is in what is put aside, to the last save; what is put back is the copy, and is saved on from.

By hand: python -m tests.soak.restores [TIMES] [GARDENERS]
"""

from __future__ import annotations

import sqlite3
import sys
import tempfile
import threading
import time
from collections.abc import Callable
from contextlib import closing
from pathlib import Path

from tests.soak.serving import Gardener, Serving

Told = dict[str, int]
Kept = dict[str, tuple[int, int]]


class Saver(threading.Thread):
    """A gardener who saves on and on; where the bed is another than was saved last, from what is there."""

    def __init__(self, port: int, name: str) -> None:
        super().__init__(name=name)
        self.gardener = Gardener(port, name)
        self.gardener.move_in()
        self.stopped = threading.Event()
        self.answered = 0
        self.refused = 0
        # the last revision answered before each time the bed was another, and the one it was then
        self.turns: list[tuple[int, int]] = []

    def run(self) -> None:
        """Save until told to stop."""
        self.gardener.reconnect()  # the others took their time to move in
        while not self.stopped.is_set():
            before = self.gardener.revision
            status, answer = self.gardener.save(count_of(before + 1))
            if status == 409:
                self.gardener.revision = answer["current"]["revision"]
                self.turns.append((before, self.gardener.revision))
            self.answered += status == 200
            self.refused += status not in {200, 409}


def count_of(revision: int) -> int:
    """The count that a bed is saved with as so many-th."""
    return 2 + revision % 900


def put_back_again_and_again(times: int, gardeners: int) -> Told:
    """Put copies back so often under so many savers; counts of what was answered, lost, or not as it was copied."""
    told = {"restores": 0, "answered": 0, "lost": 0, "wrong": 0, "refused": 0}
    with tempfile.TemporaryDirectory() as folder, Serving(Path(folder)) as serving:
        savers = [Saver(serving.port, f"saver{number}") for number in range(gardeners)]
        for saver in savers:
            saver.start()
        try:
            for turn in range(times):
                _put_back(serving, savers, turn, told)
        finally:
            for saver in savers:
                saver.stopped.set()
                saver.join()
        for saver in savers:
            saver.gardener.reconnect()
            told["wrong"] += saver.gardener.kept()[0] != saver.gardener.revision
            told["answered"] += saver.answered
            told["refused"] += saver.refused
    return told


def _put_back(serving: Serving, savers: list[Saver], turn: int, told: Told) -> None:
    copy = serving.data / f"copy{turn}.sqlite3"
    serving.manage("backup", str(copy))
    copied = _kept(copy)
    # each has more than the copy has, and so sees that it was put back
    _wait_until(savers, lambda saver: saver.gardener.revision > copied[saver.name][0])
    serving.manage("restore", str(copy))
    _wait_until(savers, lambda saver: len(saver.turns) > turn)
    (aside,) = serving.data.glob("before-restore-*.sqlite3")
    put_aside = _kept(aside)
    for saver in savers:
        last, found = saver.turns[turn]
        told["lost"] += put_aside[saver.name] != (last, count_of(last))
        told["wrong"] += (found, count_of(found)) != copied[saver.name]
    told["restores"] += 1
    aside.unlink()
    copy.unlink()


def _wait_until(savers: list[Saver], holds: Callable[[Saver], bool]) -> None:
    for saver in savers:
        while saver.is_alive() and not holds(saver):
            time.sleep(0.01)
        if not saver.is_alive():
            raise RuntimeError(f"{saver.name} saves no more")


def _kept(database: Path) -> Kept:
    """Revision and count of each gardener's bed, in a copy."""
    words = """SELECT gardens_garden.name, gardens_bed.revision, gardens_bed.count
               FROM gardens_bed JOIN gardens_garden ON gardens_garden.id = garden_id"""
    with closing(sqlite3.connect(database)) as connection:
        rows = connection.execute(words).fetchall()
    return {name.removeprefix("Garden of "): (revision, count) for name, revision, count in rows}


if __name__ == "__main__":
    start = time.monotonic()
    numbers = [int(each) for each in sys.argv[1:]] + [100, 10][len(sys.argv) - 1 :]
    print(put_back_again_and_again(*numbers), f"{time.monotonic() - start:.0f} s")
