"""The commands' CPU time against the least that any such start asks for."""

from __future__ import annotations

import os
import subprocess
import sys
from pathlib import Path

from bench.measure import Measure, children_cpu_seconds, compare

PROJECT = Path(__file__).resolve().parents[1]
PLAN = "docs/examples/trial-box.nolbet.json"
NOLBET = "from nolbet_cli.start import run; run()"
PACKAGES = "import numpy, pydantic; pydantic.BaseModel"
ROUNDS = 9
SHELF_LIMIT = 5.0
FIGURE_LIMIT = 3.2


def _python(code: str, *arguments: str) -> None:
    # as a gardener's machine does: what was compiled once is kept
    kept = {"OPENBLAS_NUM_THREADS": "1", "PYTHONDONTWRITEBYTECODE": ""}
    subprocess.run(  # noqa: S603 - our own interpreter and code
        [sys.executable, "-c", code, *arguments],
        cwd=PROJECT,
        env={**os.environ, **kept},
        stdout=subprocess.DEVNULL,
        check=True,
    )


def measure_start() -> list[Measure]:
    """The shelf against a start of nothing; figures of a box against a start of the packages alone."""
    return [
        compare(
            "command_shelf_to_a_bare_start",
            SHELF_LIMIT,
            lambda: _python(NOLBET, "shelf"),
            lambda: _python("pass"),
            ROUNDS,
            clock=children_cpu_seconds,
        ),
        compare(
            "command_figure_to_its_packages",
            FIGURE_LIMIT,
            lambda: _python(NOLBET, "figure", PLAN),
            lambda: _python(PACKAGES),
            ROUNDS,
            clock=children_cpu_seconds,
        ),
    ]
