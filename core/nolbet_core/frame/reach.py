"""How high a bed is worked at: kneeling, seated on its rim, from a wheelchair, standing without a stoop."""

from __future__ import annotations

from nolbet_core.record import record


@record
class Posture:
    """A way to work at a bed. height_m: of its rim over the path, the least and the most [m] (estimates).

    knee_m: room that knees want below the floor of a box [m]; None where they stay outside.
    """

    key: str
    name: str
    height_m: tuple[float, float]
    knee_m: float | None = None

    @property
    def middle_m(self) -> float:
        """The height to aim at [m]."""
        return sum(self.height_m) / 2


POSTURES: tuple[Posture, ...] = (
    Posture("kneeling", "kneeling", (0.20, 0.35)),
    Posture("on_the_rim", "seated on its rim", (0.42, 0.50)),
    # a chair beside the bed, worked sideways
    Posture("beside_a_chair", "from a chair beside it", (0.60, 0.70)),
    # ISO 21542 asks for 0.70 m of clear height for knees; the rim follows with the box on top
    Posture("wheelchair", "from a wheelchair, knees under it", (0.80, 0.95), knee_m=0.70),
    Posture("standing", "standing, without a stoop", (0.80, 0.95)),
)
"""Working heights: 0.6 to 0.9 m for whoever sits or doesn't stoop."""

POSTURE_NAMES: dict[str, str] = {each.key: each.name for each in POSTURES}
"""What they are called, by key."""


SHORTEST_LEG_M = 0.05


@record
class AtHeight:
    """How a box of boards gets to a working height: so many courses [m] on the ground, or legs below those it has.

    rim_m: over the path then [m]. leg_m: how long legs are [m]; None where it stands on the ground.
    """

    posture: Posture
    courses: int
    depth_m: float
    leg_m: float | None
    rim_m: float

    @property
    def fits(self) -> bool:
        """Whether the rim comes to lie between the least and the most, with room for knees where they go under it."""
        least, most = self.posture.height_m
        return least - 1e-9 <= self.rim_m <= most + 1e-9


def at_heights(courses: int, board_m: float, on_legs: bool) -> list[AtHeight]:
    """How a box gets to each working height.

    courses: it has. board_m: how high one of them stands [m]. on_legs: whether it has legs; heights that it reaches
    without any are then left out.
    """
    if not on_legs:
        return [_on_ground(each, board_m) for each in POSTURES if each.knee_m is None]
    lifted = [_on_legs(each, courses, board_m) for each in POSTURES]
    return [each for each in lifted if (each.leg_m or 0.0) >= SHORTEST_LEG_M]


def _on_ground(posture: Posture, board_m: float) -> AtHeight:
    count = max(round(posture.middle_m / board_m), 1)
    return AtHeight(posture, count, count * board_m, None, count * board_m)


def _on_legs(posture: Posture, courses: int, board_m: float) -> AtHeight:
    depth_m = courses * board_m
    leg_m = max(posture.middle_m - depth_m, posture.knee_m or 0.0, 0.0)
    return AtHeight(posture, courses, depth_m, leg_m, depth_m + leg_m)
