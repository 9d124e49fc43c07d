"""`nolbet findings`: what is judged, and when."""

from __future__ import annotations

import argparse

from nolbet_core.findings.document import findings_document


def run(options: argparse.Namespace) -> int:
    """Print docs/findings.md."""
    del options
    print(findings_document(), end="")
    return 0
