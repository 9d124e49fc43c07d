"""`python -m bench.before OTHER`: CPU time of the commands and of a bed's figures in an earlier checkout and in this.

OTHER: the folder of the earlier checkout, whose packages are those of this one. A bed's figures are told by what a plan
of many copies takes longer than a plan of one, so that both are asked through the same door.
"""

from __future__ import annotations

import json
import os
import subprocess
import sys
import tempfile
from pathlib import Path
from typing import Any

from bench.measure import children_cpu_seconds
from bench.same_figures import PROJECT, RUN

DEMO = PROJECT / "server" / "nolbet" / "demo" / "brackwater.nolbet.json"
COPIES = 12
ROUNDS = 7


def _copies(document: dict[str, Any], number: int) -> dict[str, Any]:
    """A plan of a document's beds, each so many times, without what isn't a bed's own."""
    beds = [bed | {"key": f"{bed['key']}_{at}"} for bed in document["beds"] for at in range(number)]
    for bed in beds:
        bed.pop("places", None)
    kept = {key: document[key] for key in ("format", "materials", "mixes") if key in document}
    return kept | {"garden": {"name": "Copies"}, "beds": beds}


def cpu_seconds(checkout: Path, *arguments: str) -> float:
    """The least CPU time [s] of a command over some runs, in a checkout's own code."""
    least = float("inf")
    for _ in range(ROUNDS):
        start = children_cpu_seconds()
        subprocess.run(  # noqa: S603 - our own interpreter and code
            [sys.executable, "-c", RUN, *arguments],
            cwd=checkout,
            env={**os.environ, "PYTHONPATH": str(checkout / "core")},
            stdout=subprocess.DEVNULL,
            check=True,
        )
        least = min(least, children_cpu_seconds() - start)
    return least


def main(arguments: list[str]) -> int:
    """Print each time before and now, with the ratio."""
    other = Path(arguments[0]).resolve()
    document = json.loads(DEMO.read_text())
    with tempfile.TemporaryDirectory() as folder:
        one, many = Path(folder) / "one.json", Path(folder) / "many.json"
        one.write_text(json.dumps(_copies(document, 1)))
        many.write_text(json.dumps(_copies(document, 1 + COPIES)))
        told = {}
        for name, checkout in (("before", other), ("now", PROJECT)):
            start = cpu_seconds(checkout, "figure", str(one))
            beds = COPIES * len(document["beds"])
            told[name] = {
                "nolbet shelf": cpu_seconds(checkout, "shelf"),
                "nolbet figure, one box": cpu_seconds(
                    checkout, "figure", str(PROJECT / "docs/examples/trial-box.nolbet.json")
                ),
                "nolbet figure, the demo's beds": start,
                "one bed read and figured": (cpu_seconds(checkout, "figure", str(many)) - start) / beds,
            }
    for what, before in told["before"].items():
        now = told["now"][what]
        print(f"{what:<32} {before * 1000:8.1f} ms before {now * 1000:8.1f} ms now  {now / before:5.2f}")
    return 0


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
