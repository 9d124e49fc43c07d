"""What brings a sunken surface back: the volume to lay on each spring, of a stuff that settles again."""

from __future__ import annotations

from collections.abc import Sequence

from nolbet_core.settling.curve import Shares


def top_ups(target_m3: float, sunken_m3: Shares, months: Sequence[int], remaining: Shares) -> list[float]:
    """Placed volume [m3] to lay on at each of some months so that the bed holds its target again.

    target_m3: what it is to hold [m3]. sunken_m3: what the bed as first filled comes to by month [m3]. remaining: what
    is left by month of what is laid on; every top-up settles from its own spring. A bed that still holds enough gets
    nothing.
    """
    laid: list[tuple[int, float]] = []
    for month in months:
        held = float(sunken_m3[month]) + sum(volume * float(remaining[month - then]) for then, volume in laid)
        laid.append((month, max(target_m3 - held, 0.0)))
    return [volume for _, volume in laid]
