"""Processes that stand by to work something out, so that those who answer are never held up by it.

One job goes to one of them at a time. A job has so long, and ends at once when nobody waits for it any more: its
process is ended with it, and the next job gets a fresh one. What each may hold in memory is bounded.
"""

from __future__ import annotations

import multiprocessing
import os
import resource
import threading
from collections.abc import Callable
from dataclasses import dataclass
from multiprocessing.connection import Connection
from multiprocessing.context import ForkServerProcess
from time import monotonic
from typing import Any

from nolbet.plans.apart import NICE

LOOKS_EVERY_S = 0.1
MOST_BYTES = 1_500_000_000
"""What one of them may hold in memory beyond its code."""

MOST_JOBS = 400
"""After so many a process is replaced by a fresh one, so that nothing adds up in it."""


class TookTooLong(Exception):  # noqa: N818 - it says what happened
    """A job wasn't done in the time it has."""


class NobodyWaits(Exception):  # noqa: N818 - it says what happened
    """Who asked for a job has gone."""


class WorkerEndedError(RuntimeError):
    """A process ended in the middle of a job, or the job failed in a way that nobody thought of."""


@dataclass(slots=True)
class _Worker:
    process: ForkServerProcess
    talks: Connection
    jobs: int = 0


class Workers:
    """Processes that do one kind of work, started as they are needed.

    does: a function of a module, from what it is sent to what it answers. seconds: as long as one job may take [s].
    """

    def __init__(self, does: Callable[[Any], Any], seconds: float) -> None:
        self._does, self._seconds = does, seconds
        self._idle: list[_Worker] = []
        self._lock = threading.Lock()

    def ask(self, job: Any, has_left: Callable[[], bool]) -> Any:
        """What a job comes to. has_left: whether who asked has gone, looked at now and then.

        Raises TookTooLong, NobodyWaits, WorkerEndedError, MemoryError where it needs more than it may have.
        """
        worker = self._take()
        try:
            worker.talks.send(job)
            answer = self._heard(worker, has_left)
        except BaseException:
            _end(worker)
            raise
        worker.jobs += 1
        self._give_back(worker)
        return answer

    def end_all(self) -> None:
        """End those that stand by."""
        with self._lock:
            idle, self._idle = self._idle, []
        for worker in idle:
            _end(worker)

    def _take(self) -> _Worker:
        with self._lock:
            while self._idle:
                worker = self._idle.pop()
                if worker.process.is_alive():
                    return worker
            here, there = multiprocessing.get_context("forkserver").Pipe()
            process = multiprocessing.get_context("forkserver").Process(
                target=_stand_by, args=(there, self._does), daemon=True
            )
            process.start()
        there.close()
        return _Worker(process, here)

    def _give_back(self, worker: _Worker) -> None:
        if worker.jobs >= MOST_JOBS:
            _end(worker)
            return
        with self._lock:
            self._idle.append(worker)

    def _heard(self, worker: _Worker, has_left: Callable[[], bool]) -> Any:
        ends = monotonic() + self._seconds
        while not worker.talks.poll(LOOKS_EVERY_S):
            if has_left():
                raise NobodyWaits
            if monotonic() > ends:
                raise TookTooLong
        try:
            is_done, answer = worker.talks.recv()
        except EOFError as error:
            raise WorkerEndedError("a process ended before its job was done") from error
        if is_done:
            return answer
        raise answer


def _end(worker: _Worker) -> None:
    worker.talks.close()
    if worker.process.is_alive():
        worker.process.kill()


def _stand_by(talks: Connection, does: Callable[[Any], Any]) -> None:
    os.nice(NICE)
    resource.setrlimit(resource.RLIMIT_DATA, (MOST_BYTES, MOST_BYTES))
    while True:
        try:
            job = talks.recv()
        except EOFError:
            return
        talks.send(_done(does, job))


def _done(does: Callable[[Any], Any], job: Any) -> tuple[bool, Any]:
    try:
        return True, does(job)
    except MemoryError:
        return False, MemoryError("needs more memory than it may have")
    except Exception as error:
        return False, WorkerEndedError(f"{type(error).__name__}: {error}")
