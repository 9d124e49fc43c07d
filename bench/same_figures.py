"""`python -m bench.same_figures OTHER [--allow CODE ...]`: the largest difference between two checkouts' figures.

Every plan of docs/examples and the demo's is worked out by both, each in a process of its own; nothing is rounded.
OTHER: the folder of an earlier checkout; a figure that only this one has is no difference. CODE: a finding's code that
one of them may have and the other not.
"""

from __future__ import annotations

import json
import subprocess
import sys
from collections.abc import Iterator
from pathlib import Path
from typing import Any

PROJECT = Path(__file__).resolve().parents[1]
RUN = "from nolbet_cli import main as m; import sys; sys.exit(m.main(sys.argv[1:]))"
PLANS = ("docs/examples/*.nolbet.json", "server/nolbet/demo/*.nolbet.json")
TOLD = {"key", "material", "code", "level", "message", "why", "advice", "seen", "sides", "layer"}
"""Of a finding what a reader is told; how a mend is written may differ."""


def figures_by(checkout: Path, file: Path) -> Any:
    """Figures of a plan file as a checkout's core works them out."""
    run = [
        sys.executable,
        "-c",
        RUN,
        "figure",
        str(file),
        "--json",
    ]
    done = subprocess.run(  # noqa: S603 - our own interpreter on our own files
        run, cwd=checkout, env={"PYTHONPATH": str(checkout / "core")}, capture_output=True, text=True, check=True
    )
    return json.loads(done.stdout)


def differences(one: Any, other: Any, path: str, allowed: frozenset[str]) -> Iterator[tuple[str, float]]:
    """Where two documents differ, with by how much; infinite where they differ in more than a number."""
    if isinstance(one, dict) and isinstance(other, dict):
        for key in sorted(one.keys() & other.keys()):
            yield from differences(one[key], other[key], f"{path}.{key}", allowed)
        yield from ((f"{path}.{key} is gone", float("inf")) for key in sorted(other.keys() - one.keys()))
    elif isinstance(one, list) and isinstance(other, list):
        one, other = (_told(each, path, allowed) for each in (one, other))
        if len(one) != len(other):
            yield f"{path}: {len(one)} against {len(other)}", float("inf")
        for index, (left, right) in enumerate(zip(one, other, strict=False)):
            yield from differences(left, right, f"{path}[{index}]", allowed)
    elif isinstance(one, float | int) and isinstance(other, float | int) and not isinstance(one, bool):
        if one != other:
            yield path, abs(one - other)
    elif one != other:
        yield f"{path}: {one!r} against {other!r}", float("inf")


def _told(things: list[Any], path: str, allowed: frozenset[str]) -> list[Any]:
    """A list as it is held against another: of findings what is told of those not allowed to differ, by code."""
    if not path.endswith("findings"):
        return things
    found = [each.get("finding", each) for each in things]
    told = [{key: each[key] for key in TOLD & each.keys()} for each in found if each["code"] not in allowed]
    return sorted(told, key=lambda each: (each["code"], each["message"]))


def main(arguments: list[str]) -> int:
    """Print each plan's largest difference; exit status 1 where there is any."""
    other, *rest = arguments
    allowed = frozenset(rest[1:])
    largest = 0.0
    for file in sorted(file for plans in PLANS for file in PROJECT.glob(plans)):
        found = list(differences(figures_by(PROJECT, file), figures_by(Path(other).resolve(), file), "", allowed))
        largest = max([largest, *(by for _, by in found)])
        print(f"{file.name}: {len(found)} differences, the largest {max((by for _, by in found), default=0.0):g}")
        for path, by in found[:8]:
            print(f"    {path}  {by:g}")
    print(f"The largest difference of all: {largest:g}")
    return 1 if largest else 0


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
