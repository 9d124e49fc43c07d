"""Work for a process of its own, which knows nothing of the server's tables."""

from __future__ import annotations

import time
from collections.abc import Callable

Say = Callable[[str], None]


def count_up(most: int, say: Say) -> None:
    """Says numbers, one after the other, for a long while where there are many."""
    for number in range(most):
        say(f"{number}\n")
        time.sleep(0.02)


def break_down(say: Say) -> None:
    """Says one thing, and fails."""
    say("begun\n")
    raise ValueError("on purpose")
