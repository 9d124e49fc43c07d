"""Copies of the database, taken from and put back into a running application."""

from __future__ import annotations

import os
import sqlite3
from contextlib import closing
from pathlib import Path

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
    unfinished.unlink(missing_ok=True)
    try:
        _copy(database, unfinished)
        check_copy(unfinished)
        unfinished.rename(file)
        _flush_folder(file.parent)
    except (OSError, sqlite3.Error) as error:
        raise CopyProblem(f"The copy could not be written: {error}.") from error
    finally:
        unfinished.unlink(missing_ok=True)


def put_back(file: Path, database: Path, aside: Path) -> None:
    """Put a checked copy in place of a database that may be in use; what was there is copied aside first.

    Raises CopyProblem where the copy is missing or doesn't hold, before anything is changed.
    """
    if not file.is_file():
        raise CopyProblem(f"There is no copy at {file}.")
    check_copy(file)
    if database.is_file():
        take_copy(database, aside)
    try:
        _copy(file, database)
    except (OSError, sqlite3.Error) as error:
        raise CopyProblem(f"The copy could not be put back: {error}. What was there is in {aside}.") from error


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


def _copy(source: Path, target: Path) -> None:
    """SQLite's own online backup, which reads a consistent state however much is being written."""
    with closing(sqlite3.connect(source, timeout=30)) as one, closing(sqlite3.connect(target, timeout=30)) as other:
        one.backup(other)
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
