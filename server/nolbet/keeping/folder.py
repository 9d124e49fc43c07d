"""The folder that all data lies in: there before it is needed, and closed to everybody else on the machine."""

from __future__ import annotations

import os
import shutil
from pathlib import Path

FOR_NOBODY_ELSE = 0o077


def prepare_folder(data: Path, database: Path) -> None:
    """Make the folder where it isn't there, and close it, the database and all that is written from now on to others.

    Raises OSError where that can't be.
    """
    os.umask(FOR_NOBODY_ELSE)
    data.mkdir(parents=True, exist_ok=True)
    _close(data, 0o700)
    for name in (database.name, f"{database.name}-wal", f"{database.name}-shm"):
        file = database.with_name(name)
        if file.is_file():
            _close(file, 0o600)


def _close(path: Path, mode: int) -> None:
    """Whoever owns it closes it; what belongs to another stays as that one left it."""
    if path.stat().st_uid == os.geteuid() and path.stat().st_mode & FOR_NOBODY_ELSE:
        path.chmod(mode)


def room_left(data: Path) -> int:
    """How many bytes are left on the disk that a folder lies on."""
    return shutil.disk_usage(data).free
