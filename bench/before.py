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
import tomllib
from pathlib import Path
from typing import Any

from bench.measure import children_cpu_seconds
from bench.same_figures import PROJECT

DEMO = PROJECT / "server" / "nolbet" / "demo" / "brackwater.nolbet.json"
BOX = PROJECT / "docs" / "examples" / "trial-box.nolbet.json"
COPIES = 40
ROUNDS = 7


def _copies(document: dict[str, Any], number: int) -> dict[str, Any]:
    """A plan of a document's beds, each so many times, without what isn't a bed's own."""
    beds = [bed | {"key": f"{bed['key']}_{at}"} for bed in document["beds"] for at in range(number)]
    for bed in beds:
        bed.pop("places", None)
    kept = {key: document[key] for key in ("format", "materials", "mixes") if key in document}
    return kept | {"garden": {"name": "Copies"}, "beds": beds}


def _console_script(checkout: Path) -> str:
    """What the `nolbet` command of a checkout runs."""
    project = tomllib.loads((checkout / "pyproject.toml").read_text())["project"]
    module, function = project["scripts"]["nolbet"].split(":")
    return f"from {module} import {function}; {function}()"


def _cpu_seconds(checkout: Path, *arguments: str) -> float:
    """CPU time [s] of a command in a checkout's own code."""
    start = children_cpu_seconds()
    subprocess.run(  # noqa: S603 - our own interpreter and code
        [sys.executable, "-c", _console_script(checkout), *arguments],
        cwd=checkout,
        env={**os.environ, "PYTHONPATH": str(checkout / "core")},
        stdout=subprocess.DEVNULL,
        check=True,
    )
    return children_cpu_seconds() - start


def in_turn(checkouts: list[Path], *arguments: str) -> list[float]:
    """The least CPU time [s] of a command in each checkout, run in turns so that a slow moment meets all."""
    rounds = [[_cpu_seconds(checkout, *arguments) for checkout in checkouts] for _ in range(ROUNDS)]
    return [min(times) for times in zip(*rounds, strict=True)]


def main(arguments: list[str]) -> int:
    """Print each time before and now, with the ratio."""
    checkouts = [Path(arguments[0]).resolve(), PROJECT]
    document = json.loads(DEMO.read_text())
    with tempfile.TemporaryDirectory() as folder:
        one, many = Path(folder) / "one.json", Path(folder) / "many.json"
        one.write_text(json.dumps(_copies(document, 1)))
        many.write_text(json.dumps(_copies(document, 1 + COPIES)))
        few, more = in_turn(checkouts, "figure", str(one)), in_turn(checkouts, "figure", str(many))
        told = {
            "nolbet shelf": in_turn(checkouts, "shelf"),
            "nolbet figure, one box": in_turn(checkouts, "figure", str(BOX)),
            "nolbet figure, the demo's beds": few,
            "one bed read and figured": [
                (later - sooner) / (COPIES * len(document["beds"])) for sooner, later in zip(few, more, strict=True)
            ],
        }
    for what, (before, now) in told.items():
        print(f"{what:<32} {before * 1000:8.1f} ms before {now * 1000:8.1f} ms now  {now / before:5.2f}")
    return 0


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
