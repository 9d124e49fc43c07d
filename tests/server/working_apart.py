"""Work for a process of its own, which knows nothing of the server's tables."""

from __future__ import annotations

import os
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


def double(number: int) -> int:
    """Twice a number; told off where there is none."""
    if number < 0:
        raise ValueError(f"{number} is below nothing")
    return 2 * number


def sit(seconds: float) -> int:
    """Sits there for so long, and gives the process's own number."""
    time.sleep(seconds)
    return os.getpid()


def hoard(megabytes: int) -> int:
    """Holds so much at once, and says how much it was."""
    return len(bytearray(megabytes * 1_000_000))


def fall_over(_: int) -> int:
    """Ends its process in the middle."""
    os._exit(3)
