"""What keeps which animal off a bed: how fine the mesh, how high it stands, how deep it is buried."""

from __future__ import annotations

from typing import Literal

from nolbet_core.record import record

Animal = Literal["birds", "insects", "cats", "rabbits", "deer", "voles"]


@record
class KeptOut:
    """Mesh against an animal. hole_m: no wider than that. stands_m: how high a fence of it stands; buried_m: how deep
    its foot goes, or how far it is turned outwards (estimates). over: whether it has to close the bed above too.
    """

    hole_m: float
    stands_m: float
    buried_m: float
    over: bool


KEPT_OUT: dict[Animal, KeptOut] = {
    "birds": KeptOut(0.020, 0.5, 0.0, True),
    "insects": KeptOut(0.0013, 0.5, 0.05, True),
    "cats": KeptOut(0.050, 0.6, 0.0, True),
    "rabbits": KeptOut(0.025, 0.9, 0.30, False),
    "deer": KeptOut(0.150, 2.1, 0.0, False),
    "voles": KeptOut(0.010, 0.3, 0.40, False),
}
"""By animal (estimates)."""
