"""What a mix is like as soil: figures of its loose volume, worked out from its parts."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from nolbet_core.shelf.material import Material, SoilFigure

ORGANIC_PER_CARBON = 1.724
"""Organic matter for each mass of organic carbon: the van Bemmelen factor, 1 / 0.58."""

BUFFER_PER_ORGANIC = 20.0
"""How much more organic matter buffers than mineral soil, mass for mass."""

PH_SPREAD = 0.5
"""How far a mix's pH may lie off what is worked out, either way."""

KEPT: tuple[SoilFigure, ...] = ("loose_dry_kg_m3", "porosity", "container_capacity", "wilting_point", "ph")


@dataclass(frozen=True, slots=True)
class Soil:
    """Figures of a loose volume, each None where a part's isn't known.

    loose_dry_kg_m3: dry mass. porosity: all pores. water_held: at container capacity, 1 kPa. available: of that, what
    plants can take, down to 1.5 MPa. air_filled: pores less the water [all of volume, 0-1]. organic_matter: of dry mass
    [0-1]. ph. c_to_n: carbon to nitrogen by mass, None without nitrogen. rise_m: how high water wicks [m].
    compost_share: of the parts by volume [0-1].
    """

    loose_dry_kg_m3: float | None
    porosity: float | None
    water_held: float | None
    available: float | None
    air_filled: float | None
    organic_matter: float
    ph: float | None
    c_to_n: float | None
    rise_m: float
    compost_share: float


def mixed_figure(name: SoilFigure, parts: Sequence[tuple[Material, float]], made: float) -> float | None:
    """A soil figure of parts mixed; None where one of theirs isn't known, or the parts are nothing.

    parts: each with its loose volume. made: the loose volume of the mix [same unit], less than the parts' where fines
    fall between coarse grains.

    Solids, water and dry mass are kept, so that what is lost on mixing is lost from the air: porosity is
    1 - sum v (1 - porosity) / made, the others sum v x / made, water never more than the pores hold. pH is weighted by
    what buffers it: sum v b pH / sum v b, b as buffering() gives it (an estimate, good to half a unit).
    """
    known = [(material.soil_figure(name), volume) for material, volume in parts if volume > 0]
    values = [(value, volume) for value, volume in known if value is not None]
    whole = sum(volume for _, volume in values)
    if len(values) < len(known) or whole <= 0 or made <= 0:
        return None
    if name == "ph":
        weighed = [(each, volume * buffering(each)) for each, volume in parts if volume > 0]
        buffers = sum(weight for _, weight in weighed)
        known_ph = ((each.soil_figure("ph") or 0.0) * weight for each, weight in weighed)
        return sum(known_ph) / buffers if buffers > 0 else None
    if name == "porosity":
        return 1 - sum(volume * (1 - value) for value, volume in values) / made
    mixed = sum(volume * value for value, volume in values) / made
    if name == "loose_dry_kg_m3":
        return mixed
    porosity = mixed_figure("porosity", parts, made)
    return mixed if porosity is None else min(mixed, porosity)


def organic_share(material: Material) -> float:
    """Organic matter as a share of a material's dry mass [0-1]."""
    return min(ORGANIC_PER_CARBON * material.carbon, 1.0)


def buffering(material: Material) -> float:
    """How much a loose volume of a material holds to its pH: dry mass x (1 + 20 x organic share) [kg/m3].

    Source: Magdoff and Bartlett 1985: buffering goes with organic matter.
    """
    loose_dry_kg_m3 = material.dry_density_kg_m3 / material.loose_factor
    return loose_dry_kg_m3 * (1 + BUFFER_PER_ORGANIC * organic_share(material))


def soil_of(material: Material) -> Soil:
    """What a material or a mix is like as soil."""
    porosity, held = material.soil_figure("porosity"), material.soil_figure("container_capacity")
    wilting = material.soil_figure("wilting_point")
    carbon, nitrogen = material.carbon, material.nitrogen
    return Soil(
        loose_dry_kg_m3=material.soil_figure("loose_dry_kg_m3"),
        porosity=porosity,
        water_held=held,
        available=None if held is None or wilting is None else max(held - wilting, 0.0),
        air_filled=None if held is None or porosity is None else porosity - held,
        organic_matter=organic_share(material),
        ph=material.soil_figure("ph"),
        c_to_n=carbon / nitrogen if nitrogen > 0 else None,
        rise_m=material.capillary_rise_m,
        compost_share=share_with(material, "compost"),
    )


def share_with(material: Material, trait: str) -> float:
    """Share of a material's or mix's volume that has a trait [0-1]."""
    if not material.parts:
        return float(trait in material.traits)
    return sum(each.volume_share for each in material.parts if trait in each.material.traits)
