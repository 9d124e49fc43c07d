"""The console script: a start that does no more than the command asks."""

from __future__ import annotations

import gc
import os
import sys


def run() -> None:
    """Run one command and leave with its exit status."""
    # threads for matrices of a few hundred numbers, a search for plugins, and a collector of garbage that a run of a
    # second never piles up cost a start more than the figures do
    os.environ.setdefault("OPENBLAS_NUM_THREADS", "1")
    os.environ.setdefault("PYDANTIC_DISABLE_PLUGINS", "__all__")
    gc.disable()
    from nolbet_cli.main import main  # noqa: PLC0415 - after the settings above

    try:
        sys.exit(main(sys.argv[1:]))
    except BrokenPipeError:
        sys.exit(0)
