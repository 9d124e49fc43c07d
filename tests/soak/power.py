"""Power cuts: every write of a server to its database is recorded, and replayed up to moments at which power goes.

What was synced by then is on the disk; of what was written after, any part may be, in any order, to the sector. Each
time the database opens whole, and holds every save that was answered before that moment.

By hand, where strace is installed: python -m tests.soak.power [CUTS] [SAVES]
"""

from __future__ import annotations

import random
import re
import sqlite3
import sys
import tempfile
import time
from collections.abc import Iterator
from contextlib import closing
from dataclasses import dataclass, field
from pathlib import Path

from tests.soak.serving import Gardener, Serving

CALLS = "openat,pwrite64,fdatasync,fsync,ftruncate,close"
SECTOR_BYTES = 512
LINE = re.compile(r"^(\d+) +([0-9.]+) (.*)$")
OPENED = re.compile(r'openat\(.*?, "((?:\\x[0-9a-f]{2})*)".*\) = (\d+)$')
WROTE = re.compile(r'pwrite64\((\d+), "((?:\\x[0-9a-f]{2})*)", \d+, (\d+)(?:\) = \d+)?')
SYNCED = re.compile(r"f(?:data)?sync\((\d+)")
CUT_TO = re.compile(r"ftruncate\((\d+), (\d+)")
CLOSED = re.compile(r"close\((\d+)\)")


class Traced(Serving):
    """A server whose writes are recorded."""

    def command(self) -> list[str]:
        """As it is started, under strace."""
        trace = ["strace", "-f", "-ttt", "-xx", "-s", "200000", "-e", f"trace={CALLS}", "-o", str(self.data / "trace")]
        return [*trace, *super().command()]


@dataclass
class Disk:
    """A file: what is on the disk for sure, and what was written since, in order."""

    sure: bytearray
    since: list[tuple[int, bytes]] = field(default_factory=list)

    def sync(self) -> None:
        """All that was written is on the disk."""
        for at, content in self.since:
            _put(self.sure, at, content)
        self.since = []

    def after_a_cut(self, chance: random.Random) -> bytes:
        """What is found when power comes back: of what wasn't synced any part, down to the sector."""
        found = bytearray(self.sure)
        some = chance.choice([0.0, 0.3, 0.7, 1.0])
        for at, content in chance.sample(self.since, len(self.since)):
            for begin in range(0, len(content), SECTOR_BYTES):
                if chance.random() < some:
                    _put(found, at + begin, content[begin : begin + SECTOR_BYTES])
        return bytes(found)


def _put(file: bytearray, at: int, content: bytes) -> None:
    if len(file) < at:
        file.extend(bytes(at - len(file)))
    file[at : at + len(content)] = content


def record(folder: Path, saves: int) -> tuple[dict[str, bytes], list[tuple[float, int, int]]]:
    """Save so often with every write recorded; what lay there before, and when which revision was answered."""
    with Serving(folder) as serving:
        gardener = Gardener(serving.port, "saver")
        gardener.move_in()
    before = {name: file.read_bytes() for name in ("", "-wal") if (file := _part(folder, name)).exists()}
    _part(folder, "-shm").unlink(missing_ok=True)
    traced = Traced(folder)
    with traced:
        gardener.port = traced.port
        gardener.reconnect()
        answered = []
        for count in range(2, saves + 2):
            status, _ = gardener.save(count)
            if status != 200:
                raise RuntimeError(f"answered {status}")
            answered.append((time.time(), gardener.revision, count))
    return before, answered


def _part(folder: Path, tail: str) -> Path:
    return folder / f"nolbet.sqlite3{tail}"


def _events(trace: Path) -> Iterator[tuple[float, str]]:
    """Calls as they ended, each with its time; one that others came between is put together again."""
    begun: dict[str, str] = {}
    with trace.open(encoding="ascii", errors="replace") as lines:
        for line in lines:
            found = LINE.match(line.rstrip("\n"))
            if found is None:
                continue
            thread, at, call = found[1], float(found[2]), found[3]
            if call.endswith("<unfinished ...>"):
                begun[thread] = call.removesuffix("<unfinished ...>").rstrip()
                continue
            if call.startswith("<... "):
                call = begun.pop(thread, "") + call.partition("resumed>")[2]
            yield at, call


def replay(
    folder: Path, before: dict[str, bytes], moments: int, seed: int = 5
) -> Iterator[tuple[float, dict[str, bytes]]]:
    """What is on the disk at so many moments spread over a recording, each with its time."""
    chance = random.Random(seed)  # noqa: S311 - when power goes is no secret
    events = list(_events(folder / "trace"))
    writes = [at for at, (_, call) in enumerate(events) if call.startswith(("pwrite64", "fdatasync", "fsync"))]
    cuts = set(chance.sample(writes, min(moments, len(writes))))
    disks = {tail: Disk(bytearray(content)) for tail, content in before.items()}
    names: dict[int, str] = {}
    for at, (moment, call) in enumerate(events):
        _apply(call, names, disks)
        if at in cuts:
            yield moment, {tail: disk.after_a_cut(chance) for tail, disk in disks.items()}


def _apply(call: str, names: dict[int, str], disks: dict[str, Disk]) -> None:
    if opened := OPENED.search(call):
        path = bytes.fromhex(opened[1].replace("\\x", "")).decode("utf-8", "replace")
        _, mark, tail = path.rpartition("nolbet.sqlite3")
        names[int(opened[2])] = tail if mark else "elsewhere"
    elif closed := CLOSED.match(call):
        names.pop(int(closed[1]), None)
    elif wrote := WROTE.match(call):
        disk = _disk(names, disks, wrote[1])
        if disk:
            disk.since.append((int(wrote[3]), bytes.fromhex(wrote[2].replace("\\x", ""))))
    elif synced := SYNCED.match(call):
        disk = _disk(names, disks, synced[1])
        if disk:
            disk.sync()
    elif cut := CUT_TO.match(call):
        disk = _disk(names, disks, cut[1])
        if disk:
            disk.sync()
            del disk.sure[int(cut[2]) :]


def _disk(names: dict[int, str], disks: dict[str, Disk], number: str) -> Disk | None:
    tail = names.get(int(number), "elsewhere")
    return disks.setdefault(tail, Disk(bytearray())) if tail in {"", "-wal", "-journal"} else None


def cut_power(cuts: int, saves: int) -> dict[str, int]:
    """Cut power so often in a stream of saves; counts of cuts, of damaged databases, of lost saves."""
    told = {"cuts": 0, "answered": 0, "damaged": 0, "lost": 0}
    with tempfile.TemporaryDirectory() as folder:
        before, answered = record(Path(folder), saves)
        told["answered"] = len(answered)
        for moment, files in replay(Path(folder), before, cuts):
            told["cuts"] += 1
            promised = max((revision for at, revision, _ in answered if at <= moment), default=1)
            revision = _found(files)
            told["damaged"] += revision is None
            told["lost"] += revision is not None and revision < promised
    return told


def _found(files: dict[str, bytes]) -> int | None:
    """The revision that a database holds when it is opened after a cut; None where it isn't whole."""
    with tempfile.TemporaryDirectory() as folder:
        for tail, content in files.items():
            _part(Path(folder), tail).write_bytes(content)
        try:
            with closing(sqlite3.connect(_part(Path(folder), ""))) as connection:
                if connection.execute("PRAGMA integrity_check").fetchone() != ("ok",):
                    return None
                return int(connection.execute("SELECT revision FROM gardens_bed").fetchone()[0])
        except sqlite3.Error:
            return None


if __name__ == "__main__":
    start = time.monotonic()
    numbers = [int(each) for each in sys.argv[1:]] + [1500, 400][len(sys.argv) - 1 :]
    print(cut_power(*numbers), f"{time.monotonic() - start:.0f} s")
