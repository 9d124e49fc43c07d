"""Copies of the database, taken from and put back into a running application."""

from __future__ import annotations

import os
import sqlite3
from collections.abc import Callable
from contextlib import closing
from pathlib import Path
from time import monotonic

WAITS_S = 60.0
"""As long as a copy waits for others who write [s]."""

PARTS = ("", "-wal", "-shm")
"""What a database's files are called after its name."""

MARK = "gardens_garden"
"""A table that every database of Nolbet has."""


class CopyProblem(Exception):  # noqa: N818 - told to the person who asked
    """A copy that can't be taken or put back; the message says why."""


def take_copy(database: Path, file: Path) -> None:
    """Copy a database that may be in use into a new file, and check the copy before it gets its name.

    Raises CopyProblem where the database is missing, the file is there already, or the copy doesn't hold.
    """
    if not database.is_file():
        raise CopyProblem(f"There is no database at {database}.")
    if file.exists():
        raise CopyProblem(f"{file} is there already: choose another name.")
    unfinished = file.with_name(f".{file.name}.unfinished")
    _clear_away(unfinished)
    try:
        _copy(database, unfinished)
        check_copy(unfinished)
        unfinished.rename(file)
        _flush_folder(file.parent)
    except (OSError, sqlite3.Error) as error:
        raise CopyProblem(f"The copy could not be written: {error}.") from error
    finally:
        _clear_away(unfinished)


def _clear_away(unfinished: Path) -> None:
    """Leave nothing of a copy that was being taken, nor what SQLite lays beside a file while it looks into it."""
    for tail in PARTS:
        unfinished.with_name(unfinished.name + tail).unlink(missing_ok=True)


def put_back(file: Path, database: Path, aside: Path) -> bool:
    """Put a checked copy in place of a database that may be in use; what was there is copied aside.

    Both are done under one lock: a save is either in what is put aside, or comes after. What can't be read any more is
    moved aside as it is, and whoever has it open has to open it anew: whether that is so is answered.

    Raises CopyProblem where the copy is missing or doesn't hold, before anything is changed.
    """
    if not file.is_file():
        raise CopyProblem(f"There is no copy at {file}.")
    check_copy(file)
    is_whole = _is_whole(database)
    try:
        if is_whole:
            _copy(file, database, lambda: take_copy(database, aside))
            return False
        _move_aside(database, aside)
        _copy(file, database)
    except (OSError, sqlite3.Error) as error:
        raise CopyProblem(f"The copy could not be put back: {error}. What was there is in {aside}.") from error
    return True


def _is_whole(database: Path) -> bool:
    if not database.is_file():
        return False
    try:
        check_copy(database)
    except CopyProblem:
        return False
    return True


def _move_aside(database: Path, aside: Path) -> None:
    """Move what is left of a database, its log with it, so that it may still be looked into."""
    for tail in PARTS:
        part = database.with_name(database.name + tail)
        if part.exists():
            part.rename(aside.with_name(aside.name + tail))


def check_copy(file: Path) -> None:
    """Raise CopyProblem unless a file is a whole database of Nolbet."""
    try:
        with closing(sqlite3.connect(f"file:{file}?mode=ro", uri=True)) as connection:
            (said,) = connection.execute("PRAGMA integrity_check").fetchone()
            loose = connection.execute("PRAGMA foreign_key_check").fetchone()
            tables = {name for (name,) in connection.execute("SELECT name FROM sqlite_master WHERE type = 'table'")}
    except sqlite3.Error as error:
        raise CopyProblem(f"{file} is no database: {error}.") from error
    if said != "ok":
        raise CopyProblem(f"{file} is damaged: {said}.")
    if loose is not None:
        raise CopyProblem(f"{file} is damaged: a row of {loose[0]} belongs to nothing.")
    if MARK not in tables:
        raise CopyProblem(f"{file} is no database of Nolbet.")


def _copy(source: Path, target: Path, once_locked: Callable[[], None] | None = None) -> None:
    """SQLite's own online backup, which reads a consistent state however much is being written.

    once_locked: done as soon as nobody else can write to the target any more, and before anything of it is changed for
    others; what it raises leaves the target as it was.
    """
    waits = [once_locked] if once_locked else []
    until = monotonic() + WAITS_S

    def step(status: int, remaining: int, total: int) -> None:
        del remaining, total
        if status == sqlite3.SQLITE_OK and waits:
            waits.pop()()
        if status in (sqlite3.SQLITE_BUSY, sqlite3.SQLITE_LOCKED) and monotonic() > until:
            raise TimeoutError(f"others kept it in use for {WAITS_S:.0f} seconds")

    with closing(sqlite3.connect(source, timeout=30)) as one, closing(sqlite3.connect(target, timeout=30)) as other:
        if waits:
            # what is there can be read beside what is being written over it
            other.execute("PRAGMA journal_mode=WAL")
        # the first page takes the lock, which is held until the last
        one.backup(other, pages=1 if waits else -1, progress=step)
    descriptor = os.open(target, os.O_RDONLY)
    try:
        os.fsync(descriptor)
    finally:
        os.close(descriptor)


def _flush_folder(folder: Path) -> None:
    descriptor = os.open(folder, os.O_RDONLY)
    try:
        os.fsync(descriptor)
    finally:
        os.close(descriptor)
