"""docs/security.md names tests that are there."""

from __future__ import annotations

import re
from pathlib import Path

PROJECT = Path(__file__).resolve().parents[2]
ROW = re.compile(r"^\| [0-9a-z][^|]*\| (met|\*\*not met\*\*|doesn't apply) \| ([^|]+)\| (?:`([^`]+)`)? ?\|$")


def test_every_requirement_says_how_it_is_met_and_what_holds_it_is_there() -> None:
    lines = (PROJECT / "docs" / "security.md").read_text(encoding="utf-8").splitlines()
    begins = lines.index("## V1 Encoding and sanitization")
    rows = [line for line in lines[begins:] if re.match(r"\| [0-9a]", line)]
    read = [ROW.match(line) for line in rows]
    assert [line for line, found in zip(rows, read, strict=True) if found is None] == []
    held = [found[3] for found in read if found and found[3]]
    assert len(held) > len(rows) / 2
    for place in held:
        file, _, name = place.partition("::")
        text = (PROJECT / file).read_text(encoding="utf-8")
        assert not name or f"def {name}(" in text, place


def test_what_is_not_met_is_told_at_the_head() -> None:
    text = (PROJECT / "docs" / "security.md").read_text(encoding="utf-8")
    head = text.split("## What is kept of whom")[0]
    unmet = re.findall(r"^\| ([0-9.]+) \| \*\*not met\*\*", text, re.MULTILINE)
    assert len(unmet) == head.count("\n- **")
    assert all(f"**{each}," in head for each in unmet)
