"""What stands in a candidate's way: each limit with what there is, and what the candidate would take."""

from __future__ import annotations

from typing import Literal

from nolbet_core.record import record

LimitKind = Literal["money", "days", "load", "height", "sow_on", "crops", "offered"]
"""What may stand in the way."""


@record
class Short:
    """A limit that a candidate goes over: what there is of it, and what the candidate takes, in the limit's own unit.

    money [currency], days, load [kg/m2], height [m], sow_on [day of the calendar as its ordinal]; crops that it doesn't
    suit and materials that nobody offers are counted. named: which those are.
    """

    kind: LimitKind
    has: float
    takes: float
    named: tuple[str, ...] = ()
