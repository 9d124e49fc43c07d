"""A disk that fills up under a running server: saves that were answered are there, the others were told in words.

By hand, as root: python -m tests.soak.full_disk [MEGABYTES]. It mounts a small tmpfs for the data.
"""

from __future__ import annotations

import subprocess
import sys
import tempfile
from collections import Counter
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from tests.soak.serving import Gardener, Serving

FULL = 507
MOST_SAVES = 20_000


@contextmanager
def small_disk(megabytes: int) -> Iterator[Path]:
    """A disk of so many megabytes."""
    with tempfile.TemporaryDirectory() as folder:
        subprocess.run(["mount", "-t", "tmpfs", "-o", f"size={megabytes}m", "tmpfs", folder], check=True)
        try:
            yield Path(folder)
        finally:
            subprocess.run(["umount", "-l", folder], check=True)


def fill(megabytes: int) -> dict[str, object]:
    """Save until the disk is full; how saves were answered, whether a copy leaves half files, and what is kept."""
    with small_disk(megabytes) as data, Serving(data) as serving:
        gardener = Gardener(serving.port, "saver")
        gardener.move_in()
        statuses: Counter[int] = Counter()
        while statuses[FULL] < 5 and statuses.total() < MOST_SAVES:
            (data / f"ballast-{statuses.total()}").write_bytes(b"x" * 1_000) if _has_room(data) else None
            status, _ = gardener.save(2 + statuses.total() % 900)
            statuses[status] += 1
        answered = gardener.revision
        backup = subprocess.run(
            [sys.executable, "server/manage.py", "backup", str(data / "copy.sqlite3")],
            env=serving.environment,
            check=False,
            capture_output=True,
            text=True,
        )
        left = sorted(each.name for each in data.iterdir() if "copy" in each.name)
        for each in data.glob("ballast-*"):
            each.unlink()
        status, _ = gardener.save(901)
        statuses[status] += 1
        serving.kill()
        serving.start()
        gardener.reconnect()
        revision, count = gardener.kept()
        return {
            "statuses": dict(statuses),
            "backup_said": backup.stderr.strip().splitlines()[-1:],
            "left_of_the_copy": left,
            "lost": revision != answered + (status == 200) or count != 901,
        }


def _has_room(data: Path) -> bool:
    try:
        (data / "probe").write_bytes(b"x" * 2_000)
        (data / "probe").unlink()
    except OSError:
        return False
    return True


if __name__ == "__main__":
    print(fill(int(sys.argv[1]) if len(sys.argv) > 1 else 6))
