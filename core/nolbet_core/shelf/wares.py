"""What is bought beside soil and sheets and counted in pieces: pipes and crates."""

from __future__ import annotations

from nolbet_core.record import record

DRAIN_PIPE = "drain_pipe"
CRATE = "void_crate"


@record
class Ware:
    """Something sold by the piece. mass_kg_m2: of a pipe, of a metre for each metre of its diameter [kg/m2].

    mass_kg_m3: of a crate, for each m3 it takes up [kg/m3].
    """

    key: str
    name: str
    mass_kg_m2: float = 0.0
    mass_kg_m3: float = 0.0

    def mass_of_length(self, diameter_m: float, length_m: float) -> float:
        """Mass [kg] of a length [m] of pipe of a diameter [m]."""
        return self.mass_kg_m2 * diameter_m * length_m

    def mass_of_room(self, volume_m3: float) -> float:
        """Mass [kg] of crates that take up a volume [m3]."""
        return self.mass_kg_m3 * volume_m3


WARES: dict[str, Ware] = {
    each.key: each
    for each in (
        # corrugated drain pipe of 100 mm weighs about 0.45 kg a metre (estimate, 0.35 to 0.6)
        Ware(DRAIN_PIPE, "Drain pipe", mass_kg_m2=4.5),
        # plastic void crates weigh about 45 kg for each m3 they take up (estimate, 30 to 60)
        Ware(CRATE, "Void crates", mass_kg_m3=45.0),
    )
}
"""By key."""
