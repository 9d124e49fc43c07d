"""Work that would hold others up, in a process of its own: what it says comes line by line, and who leaves ends it."""

from __future__ import annotations

import multiprocessing
import os
import threading
from collections.abc import Callable, Iterator
from multiprocessing.connection import Connection
from multiprocessing.context import ForkServerProcess
from time import monotonic
from typing import Any

Say = Callable[[str], None]
Work = Callable[..., None]

PRELOADED = ["nolbet_core.wishes.running", "nolbet.api.ready"]
"""What the process that others are forked from has loaded already, so that they begin at once."""

LOOKS_EVERY_S = 0.25

MOST_AT_ONCE = 4
"""So many gardeners' work goes on at once: each has a process."""

NICE = 10
"""How far it stands back where others want to be answered."""

_context = multiprocessing.get_context("forkserver")
_context.set_forkserver_preload(PRELOADED)
_going: dict[str, ForkServerProcess] = {}
_lock = threading.Lock()


class BrokenOffError(RuntimeError):
    """The work ended without saying that it was done."""


def warm_up() -> None:
    """Start what others are forked from, so that the first to ask doesn't wait for it."""
    from multiprocessing import forkserver  # noqa: PLC0415 - only where such work is asked for

    threading.Thread(target=forkserver.ensure_running, daemon=True).start()


def is_crowded(name: str) -> bool:
    """Whether as much goes on already as may. name: whose work would begin, in place of their own that goes on."""
    with _lock:
        return len(_going.keys() - {name}) >= MOST_AT_ONCE


def lines_apart(name: str, seconds: float, work: Work, *arguments: Any) -> Iterator[str]:
    """What some work says, line by line, until it is done.

    name: whose work it is; what of that name still goes on is ended. seconds: as long as it may take [s]. work: a
    function of a module, given the arguments and what to say lines by; both have to be what can be sent to a process.

    Raises BrokenOffError where it ended before it was done. Who stops listening ends it.
    """
    hears, says = _context.Pipe(duplex=False)
    process = _context.Process(target=_run, args=(says, work, arguments), daemon=True)
    with _lock:
        _end(_going.pop(name, None))
        process.start()
        _going[name] = process
    says.close()
    ends = monotonic() + seconds
    try:
        yield from _heard(hears, process, ends)
    finally:
        hears.close()
        _end(process)
        with _lock:
            if _going.get(name) is process:
                del _going[name]


def end_work(name: str) -> None:
    """End what goes on under a name, if anything does."""
    with _lock:
        _end(_going.pop(name, None))


def _heard(hears: Connection, process: ForkServerProcess, ends: float) -> Iterator[str]:
    while monotonic() < ends:
        if not hears.poll(LOOKS_EVERY_S):
            if not process.is_alive():
                break
            continue
        try:
            line = hears.recv()
        except EOFError:
            break
        if line is None:
            return
        yield line
    raise BrokenOffError


def _end(process: ForkServerProcess | None) -> None:
    if process is not None and process.is_alive():
        process.terminate()


def _run(says: Connection, work: Work, arguments: tuple[Any, ...]) -> None:
    os.nice(NICE)
    work(*arguments, says.send)
    says.send(None)
