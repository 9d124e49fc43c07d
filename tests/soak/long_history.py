"""A bed saved ten thousand times: what its history takes, and how much the server holds before and after.

By hand: python -m tests.soak.long_history [SAVES]
"""

from __future__ import annotations

import sqlite3
import sys
import tempfile
import time
from contextlib import closing
from pathlib import Path

from tests.soak.serving import Gardener, Serving, held_mb

WARM = 500


def save_long(saves: int) -> dict[str, int]:
    """Save so often; how many versions are kept, what they take [bytes], and memory once warm and at the end [MB]."""
    with tempfile.TemporaryDirectory() as folder, Serving(Path(folder)) as serving:
        gardener = Gardener(serving.port, "saver")
        gardener.move_in()
        warm_mb = 0
        for each in range(saves):
            status, answer = gardener.save(2 + each % 900)
            if status != 200:
                raise RuntimeError(f"answered {status}: {answer}")
            if each == WARM:
                warm_mb = held_mb(serving)
        with closing(sqlite3.connect(serving.database)) as connection:
            versions, size = connection.execute("SELECT count(*), sum(length(cut)) FROM gardens_bedversion").fetchone()
        return {"versions": versions, "bytes": size, "warm_mb": warm_mb, "end_mb": held_mb(serving)}


if __name__ == "__main__":
    start = time.monotonic()
    print(save_long(int(sys.argv[1]) if len(sys.argv) > 1 else 10_000), f"{time.monotonic() - start:.0f} s")
