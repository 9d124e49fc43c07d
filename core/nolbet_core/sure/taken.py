"""What a bucket, a bag or the tape says, as the figure that it stands for."""

from __future__ import annotations

from collections.abc import Mapping

from nolbet_core.plan.problems import PlanProblem
from nolbet_core.record import record
from nolbet_core.shelf.material import Material
from nolbet_core.sure.sources import Way


@record
class BucketReadings:
    """What was read: a loose volume, what is left of it trodden [m3], its mass [kg], and water that filled its gaps
    [m3]; None of what wasn't.
    """

    volume_m3: float | None = None
    trodden_m3: float | None = None
    mass_kg: float | None = None
    water_m3: float | None = None


def measured_figures(way: Way, readings: BucketReadings, material: Material) -> Mapping[str, float]:
    """The figures of a material that readings stand for, by name.

    Trodden as in a bed: loose factor = loose volume / what is left of it. Weighed loose: moist density as placed =
    mass / volume x loose factor. Gaps filled with water, as it lies: void share = water / volume.

    Raises PlanProblem where something wasn't read, or can't be so.
    """
    volume_m3 = _read("volume_m3", readings.volume_m3)
    if way == "weigh_bucket":
        return {"bulk_density_kg_m3": _read("mass_kg", readings.mass_kg) / volume_m3 * material.loose_factor}
    if way == "tread_bucket":
        trodden_m3 = _read("trodden_m3", readings.trodden_m3)
        if not volume_m3 / 5 <= trodden_m3 <= volume_m3:
            raise PlanProblem("trodden_m3", "is what is left of the loose volume: no more than it, and over a fifth")
        return {"loose_factor": volume_m3 / trodden_m3}
    if way == "fill_voids":
        water_m3 = _read("water_m3", readings.water_m3)
        if water_m3 >= volume_m3:
            raise PlanProblem("water_m3", "is what filled the gaps of the volume: it can't be all of it")
        return {"void_share": water_m3 / volume_m3}
    raise PlanProblem("way", f"{way} isn't read of a material")


def _read(name: str, value: float | None) -> float:
    if value is None or value <= 0:
        raise PlanProblem(name, "has to be read: more than nothing")
    return value
