"""A bed's drip lines: rows, emitters, flow, and how much head is lost along one."""

from __future__ import annotations

import math

from nolbet_core.record import record

USUAL_ROW_M = 0.30
USUAL_EMITTER_M = 0.30
USUAL_EMITTER_L_H = 2.0
"""Rows and emitters stand so far apart, and an emitter gives so much, unless said otherwise."""
LATERAL_INSIDE_M = 0.0136
"""Inside of the usual 16 mm drip line [m]."""
SMOOTH = 150.0
"""Hazen-Williams coefficient of polyethylene."""
POWER = 1.852
THIN_POWER = 1.75
"""Power of the flow in the loss of head by Hazen-Williams, and by Blasius."""
THIN_M = 0.020
"""Inside of a pipe under which Hazen-Williams tells too little [m]."""
VISCOSITY_M2_S = 1.0e-6
"""Kinematic viscosity of water at 20 degrees C [m2/s]."""
GRAVITY_M_S2 = 9.81
USUAL_HEAD_M = 10.0
"""Head behind a drip line's pressure reducer, 1 bar [m of water] (estimate)."""
MOST_LOST_SHARE = 0.20
"""Between the first and the last emitter of a line no more of the head may be lost."""
MINUTES_AN_HOUR = 60.0
SECONDS_AN_HOUR = 3600.0
L_A_M3 = 1000.0


@record
class DripLines:
    """The drip lines of a bed. length_m: of one row; flow_l_min: of all; lost_m: head lost along one [m of water].
    emitter_m, emitter_l_h: how far apart emitters are [m], and what one gives [L/h].
    """

    rows: int
    emitters_a_row: int
    emitter_m: float
    emitter_l_h: float
    length_m: float
    flow_l_min: float
    lost_m: float

    @property
    def emitters(self) -> int:
        """In all rows."""
        return self.rows * self.emitters_a_row

    @property
    def lost_share(self) -> float:
        """Of the head before it [0-1]."""
        return self.lost_m / USUAL_HEAD_M

    @property
    def is_even(self) -> bool:
        """Whether its last emitter still gets enough."""
        return self.lost_share <= MOST_LOST_SHARE


def drip_lines(
    length_m: float, width_m: float, rows: int | None, emitter_m: float | None, emitter_l_h: float | None
) -> DripLines:
    """The lines of a bed by its inside measures [m]; what is None is as usual.

    rows: along its length. emitter_m: from emitter to emitter [m]. emitter_l_h: what one gives [L/h].
    """
    many = rows or max(round(width_m / USUAL_ROW_M), 1)
    apart_m = emitter_m or USUAL_EMITTER_M
    each_l_h = emitter_l_h or USUAL_EMITTER_L_H
    a_row = max(math.floor(length_m / apart_m + 1e-9), 1)
    flow_m3_s = a_row * each_l_h / L_A_M3 / SECONDS_AN_HOUR
    lost_m = head_lost(length_m, flow_m3_s, LATERAL_INSIDE_M) * outlets_factor(a_row, THIN_POWER)
    return DripLines(many, a_row, apart_m, each_l_h, length_m, many * a_row * each_l_h / MINUTES_AN_HOUR, lost_m)


def head_lost(length_m: float, flow_m3_s: float, inside_m: float, smooth: float = SMOOTH) -> float:
    """Head lost by friction in a pipe with all of its flow running to the end [m of water].

    Pipes of 20 mm and more: Hazen-Williams, h = 10.67 L Q^1.852 / (C^1.852 d^4.8704), which was measured on such.
    Thinner ones: Darcy-Weisbach, h = f L v^2 / (2 g d), with f = 0.3164 Re^-0.25 (Blasius 1913), or 64 / Re where that
    is more, as in laminar flow.
    """
    if inside_m >= THIN_M:
        return float(10.67 * length_m * flow_m3_s**POWER / (smooth**POWER * inside_m**4.8704))
    speed_m_s = flow_m3_s / (math.pi * inside_m**2 / 4)
    reynolds = speed_m_s * inside_m / VISCOSITY_M2_S
    if reynolds <= 0:
        return 0.0
    friction = max(64 / reynolds, 0.3164 / reynolds**0.25)
    return float(friction * length_m * speed_m_s**2 / (2 * GRAVITY_M_S2 * inside_m))


def outlets_factor(outlets: int, power: float = POWER) -> float:
    """Share of that loss where the flow leaves by so many even outlets [0-1]. power: of the flow in the loss.

    Source: Christiansen (1942), F = 1/(m + 1) + 1/(2 N) + sqrt(m - 1)/(6 N^2).
    """
    return 1 / (power + 1) + 1 / (2 * outlets) + math.sqrt(power - 1) / (6 * outlets**2)
