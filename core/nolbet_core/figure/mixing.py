"""A soil mix in figures: its marks on their bands, and what is said of it."""

from __future__ import annotations

import math
from collections.abc import Mapping

from nolbet_core.blend.dosing import Weighed, lime_for, lime_in, lime_spread
from nolbet_core.blend.mix import Mix, Part, yield_volume
from nolbet_core.blend.soil import KEPT, PH_SPREAD, Soil, soil_of
from nolbet_core.blend.target import Target
from nolbet_core.built.mixes import draft_mix, target_of
from nolbet_core.built.supplies import Supplies
from nolbet_core.figure.blend_figures import (
    MarkFigures,
    MarkName,
    MarkState,
    MixFigures,
    PartFigures,
    WeighedFigures,
)
from nolbet_core.figure.findings import finding_figures, gravest_first
from nolbet_core.findings.blend import C_TO_N_SLACK, PH_SLACK, SLACK, TriedMix
from nolbet_core.findings.every import look_for
from nolbet_core.plan.garden import USUAL_HEAP_M3
from nolbet_core.plan.mix import MixTarget, PlanMix
from nolbet_core.quantities.units import USUAL_BARROW_M3, System
from nolbet_core.shelf.material import Material

SLACKS: Mapping[str, float] = {"ph": PH_SLACK, "c_to_n": C_TO_N_SLACK}
"""Half of the last digit shown; all others are shares to a tenth of a per cent, or metres."""


def figure_mix(
    entry: PlanMix, supplies: Supplies, system: System, soil_over_water_m: float | None = None
) -> MixFigures:
    """A mix in figures. soil_over_water_m: of the bed it is for, where that has a reservoir [m].

    Raises PlanProblem where it can't be mixed.
    """
    mix = draft_mix(entry, supplies.materials, supplies.mixes, "mix")
    return mix_figures(entry, mix, supplies, system, target_of(entry, soil_over_water_m))


def mix_figures(entry: PlanMix, mix: Mix, supplies: Supplies, system: System, target: Target) -> MixFigures:
    """A mix that was made in figures, against a target."""
    materials, use = supplies.materials, (entry.target or MixTarget()).use
    parts = [Part(materials[each.material], each.parts, each.rejected or 0.0) for each in entry.parts]
    whole = sum(part.volume for part in parts)
    test = entry.bucket_test
    soil = soil_of(mix.material)
    volumes = [(part.material, part.volume / whole) for part in parts]
    weighed = [dose.material for dose in mix.doses]
    spread = PH_SPREAD + lime_spread(lime_in(mix.doses))
    tried = TriedMix(mix.material, soil, volumes, use, target, system, weighed, spread)
    return MixFigures(
        key=entry.key,
        name=mix.material.name,
        use=use,
        parts=[
            PartFigures(
                part.material.key,
                part.material.name,
                part.parts,
                part.volume / whole,
                part.parts - part.volume,
                part.material.key in supplies.mixes,
            )
            for part in parts
        ],
        parts_in=sum(part.parts for part in parts),
        parts_out=whole * test.level_out / test.parts_in if test else yield_volume(parts),
        measured=test is not None,
        doses=[_dose_figures(dose) for dose in mix.doses],
        lime_kg_m3=_lime_to_band(soil, target),
        marks=marks_of(mix.material, soil, target, lime_in(mix.doses)),
        unknown=unknown_soils([part.material for part in parts if part.parts > 0]),
        findings=gravest_first(finding_figures(finding, found) for finding, found in look_for("mix", tried)),
    )


def _dose_figures(dose: Weighed) -> WeighedFigures:
    in_barrow, in_bucket = dose.dose_kg_m3 * USUAL_BARROW_M3, dose.dose_kg_m3 * USUAL_HEAP_M3["bucket"]
    return WeighedFigures(dose.material.key, dose.material.name, dose.dose_kg_m3, in_barrow, in_bucket)


def _lime_to_band(soil: Soil, target: Target) -> float | None:
    """Limestone that brings a mix up to its band of pH [kg/m3], to a tenth more; None where it needs none."""
    if soil.ph is None or soil.ph >= target.ph[0] - PH_SLACK:
        return None
    return math.ceil(lime_for(soil.ph, target.ph[0]) * 10) / 10


def marks_of(material: Material, soil: Soil, target: Target | None, lime_kg_m3: float = 0.0) -> list[MarkFigures]:
    """Figures of a soil against a target's bands; free where there is none. lime_kg_m3: limestone mixed in [kg/m3]."""
    bands: dict[MarkName, tuple[float | None, float | None]] = {}
    if target is not None:
        bands = {
            "air_filled": target.air_filled,
            "water_held": target.water_held,
            "ph": target.ph,
            "c_to_n": (None, target.c_to_n_most),
            "rise_m": (target.rise_least_m, None),
            "compost_share": (None, target.compost_most),
            "organic_matter": target.organic_matter or (None, None),
        }
    moist = material.bulk_density_kg_m3 / material.loose_factor
    values: dict[MarkName, float | None] = {
        "air_filled": soil.air_filled,
        "water_held": soil.water_held,
        "ph": soil.ph,
        "c_to_n": soil.c_to_n,
        "rise_m": soil.rise_m,
        "compost_share": soil.compost_share,
        "available": soil.available,
        "porosity": soil.porosity,
        "organic_matter": soil.organic_matter,
        "loose_dry_kg_m3": soil.loose_dry_kg_m3,
        "loose_moist_kg_m3": moist,
    }
    spread = PH_SPREAD + lime_spread(lime_kg_m3)
    return [
        _mark(name, value, *bands.get(name, (None, None)), spread if name == "ph" else 0.0)
        for name, value in values.items()
    ]


def _mark(name: MarkName, value: float | None, least: float | None, most: float | None, spread: float) -> MarkFigures:
    slack = SLACKS.get(name, SLACK)
    state: MarkState = "in"
    if least is None and most is None:
        state = "free"
    elif value is None:
        state = "unknown"
    elif least is not None and value < least - slack:
        state = "under"
    elif most is not None and value > most + slack:
        state = "over"
    return MarkFigures(name, value, least, most, state, spread)


def unknown_soils(materials: list[Material]) -> list[str]:
    """Names of materials of which some figure as soil isn't known."""
    return [each.name for each in materials if any(each.soil_figure(name) is None for name in KEPT)]
