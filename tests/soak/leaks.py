"""How well leaks are told, over many seeds: `python -m tests.soak.leaks 300` prints a table for scatters of thirst."""

from __future__ import annotations

import sys

import numpy as np

from nolbet.water.probe import Faults
from tests.core.test_leak import DAYS, said


def leaks_told(seeds: int, scatter: float, leak_m3_day: float, days: int) -> dict[str, float]:
    """Shares in which a leak is told and the error that is said holds the truth; mean and error of the loss [L/day]."""
    told = [said(seed, Faults(leak_m3_day=leak_m3_day, scatter=scatter), days)[0] for seed in range(seeds)]
    loss = np.array([each.loss_m3_day for each in told])
    error = np.array([each.error_m3_day for each in told])
    return {
        "told": float(np.mean([each.leaks for each in told])),
        "holds": float(np.mean(np.abs(loss - leak_m3_day) <= error)),
        "loss": float(loss.mean()) * 1000,
        "error": float(error.mean()) * 1000,
    }


def main(seeds: int) -> None:
    """Print the table."""
    for scatter in (0.0, 0.1, 0.2):
        for leak_m3_day in (0.0, 0.002, 0.004):
            for days in (DAYS, 2 * DAYS):
                found = leaks_told(seeds, scatter, leak_m3_day, days)
                print(f"scatter {scatter:.0%}, leak {leak_m3_day * 1000:.0f} L a day, {days} days:", end=" ")
                print(f"told {found['told']:.0%}, loss {found['loss']:.2f} +- {found['error']:.2f} L,", end=" ")
                print(f"which holds the truth in {found['holds']:.0%}")


if __name__ == "__main__":
    main(int(sys.argv[1]))
