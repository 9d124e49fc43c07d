"""Materials with their figures drawn over their ranges: what rules take for a material, many gardens at once."""

from __future__ import annotations

from dataclasses import asdict, replace

from nolbet_core.draws.each import as_figure, is_nothing, larger, smaller
from nolbet_core.draws.inputs import Inputs
from nolbet_core.shelf.densities import WATER_KG_M3, densities, grain_density, grain_density_of_loose
from nolbet_core.shelf.material import YOURS, Material, PartShare, Property

DRAWN = ("dry_density_kg_m3", "moisture", "loose_factor", "void_share", "carbon", "nitrogen", "decay_per_year")
"""What is drawn of a material; what else it weighs follows from that."""


class DrawnShelf:
    """Materials as drawn, each once."""

    def __init__(self, inputs: Inputs) -> None:
        self._inputs = inputs
        self._drawn: dict[tuple[str, str], Material] = {}

    def of(self, material: Material) -> Material:
        """A material with its figures drawn; a sheet as it is."""
        if material.is_sheet:
            return material
        told = material.key, material.name
        if told not in self._drawn:
            self._drawn[told] = self._mixed(material) if material.parts else self._plain(material)
        return self._drawn[told]

    def _plain(self, material: Material) -> Material:
        figures = {name: self._draw(material, name) for name in DRAWN if name in material.properties}
        moisture, loose_factor = figures.get("moisture", 0.0), figures.get("loose_factor", 1.0)
        moist, loose = (material.properties.get(name) for name in ("bulk_density_kg_m3", "loose_dry_kg_m3"))
        if moist is not None and moist.source == YOURS:
            figures["dry_density_kg_m3"] = moist.value * (1 - moisture)
        elif loose is not None and loose.source == YOURS:
            figures["dry_density_kg_m3"] = loose.value * loose_factor
        if "moisture" in figures:
            figures["moisture"] = smaller(figures["moisture"], _most_moisture(material, figures))
        return _with(material, figures, material.parts)

    def _draw(self, material: Material, name: str) -> float:
        found = material.properties[name]
        least, most = min(found.low, found.value), max(found.high, found.value)
        if least == most or is_nothing(found.value):
            return found.value
        return as_figure(self._inputs.triangular(f"{name} {material.key}", least, found.value, most))

    def _mixed(self, mix: Material) -> Material:
        """A mix by its parts: what they weigh and hold, and how loose they lie, each in proportion."""
        parts = []
        loose = usual_loose = moist = usual_moist = carbon = nitrogen = 0.0
        for each in mix.parts:
            part = self.of(each.material)
            times = part.dry_density_kg_m3 / each.material.dry_density_kg_m3 if each.material.dry_density_kg_m3 else 1.0
            dry = each.dry_density_kg_m3 * times
            parts.append(PartShare(part, each.volume_share, dry))
            loose += each.volume_share * part.loose_factor
            usual_loose += each.volume_share * each.material.loose_factor
            moist += dry / (1 - part.moisture)
            usual_moist += each.dry_density_kg_m3 / (1 - each.material.moisture)
            carbon += dry * part.carbon
            nitrogen += dry * part.nitrogen
        dry = sum(each.dry_density_kg_m3 for each in parts)
        bulk = mix.bulk_density_kg_m3 * moist / usual_moist if usual_moist else mix.bulk_density_kg_m3
        figures = {
            "dry_density_kg_m3": dry,
            "moisture": 1 - dry / bulk,
            "loose_factor": mix.loose_factor * loose / usual_loose,
            "carbon": carbon / dry,
            "nitrogen": nitrogen / dry,
            "void_share": mix.void_share,
        }
        return _with(mix, figures, tuple(parts))


def _with(material: Material, figures: dict[str, float], parts: tuple[PartShare, ...]) -> Material:
    """A material with figures drawn, and the densities that follow from them unless the gardener gave them."""
    properties = dict(material.properties)
    own = {name for name, found in properties.items() if found.source == YOURS}
    following = _following(material, figures)
    for name, value in {**following, **figures}.items():
        found = properties.get(name)
        if found is not None and name not in own:
            properties[name] = replace(found, value=value)
        elif found is None and name != "void_share":
            properties[name] = Property(value, "", value, value, "")
    return replace(material, properties=properties, parts=parts)


def _most_moisture(material: Material, figures: dict[str, float]) -> float:
    """Moisture at which water fills every pore between the grains, as a share of moist mass [0-1], draw by draw."""
    dry = figures.get("dry_density_kg_m3", material.dry_density_kg_m3)
    if is_nothing(dry):
        return 1.0
    water_kg_m3 = WATER_KG_M3 * larger(1 - dry / _grain(material), 0.0)
    return water_kg_m3 / (water_kg_m3 + dry)


def _grain(material: Material) -> float:
    """Density of a material's grains [kg/m3]: by its own porosity where that is known, else by its carbon."""
    porosity = material.soil_figure("porosity")
    if porosity is None:
        return grain_density(material.carbon)
    return grain_density_of_loose(material.dry_density_kg_m3 / material.loose_factor, porosity)


def _following(material: Material, figures: dict[str, float]) -> dict[str, float]:
    dry = figures.get("dry_density_kg_m3", material.dry_density_kg_m3)
    if is_nothing(dry) or material.soil_figure("porosity") is None:
        return {}
    loose_factor = figures.get("loose_factor", material.loose_factor)
    void_share = figures.get("void_share", material.void_share)
    return asdict(
        densities(dry, figures.get("moisture", material.moisture), loose_factor, void_share, _grain(material))
    )
