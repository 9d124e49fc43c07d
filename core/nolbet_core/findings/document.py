"""The list of findings as a document for people."""

from __future__ import annotations

from nolbet_core.findings.every import FINDINGS

HEAD = """# Findings

A finding is a judgement: a level, one sentence with the figure that triggered it, why it matters, what to do, and where
one click can mend it, that click. One on a bed can be marked as seen, with a reason. Levels: *stop* can't work,
*caution* goes wrong often, *advice* could be better, *note* is good to know. `.venv/bin/nolbet findings` prints this
page.

| code | level | on | when |
|---|---|---|---|
"""

SUBJECTS = {"bed": "a bed", "plot": "beds side by side", "haul": "what is bought", "mix": "a mix", "works": "the works"}


def findings_document() -> str:
    """All findings in a table: code, levels, what they look at, and when they show."""
    rows = [
        f"| `{each.code}` | {', '.join(each.level)} | {SUBJECTS[each.subject]} | {each.when} |" for each in FINDINGS
    ]
    return HEAD + "\n".join(rows) + "\n"
