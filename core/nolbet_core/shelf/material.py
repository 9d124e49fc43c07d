"""A material as the rules see it, and each of its figures as the gardener sees it."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import asdict, dataclass
from functools import cached_property
from typing import Literal

from nolbet_core.draws.each import larger
from nolbet_core.shelf.densities import densities, dry_of, grain_density_of_loose

Grain = Literal["fine", "coarse"]
Ripeness = Literal["fresh", "half", "finished"]
"""How far a layer's material has rotted."""

SoilFigure = Literal["loose_dry_kg_m3", "porosity", "container_capacity", "wilting_point", "ph"]

YOURS = "yours"
"""The source of a figure that the gardener gave."""

FOLLOWS = "worked out from its other figures"
"""The source of a figure that follows from others."""


@dataclass(frozen=True, slots=True)
class Property:
    """One figure of a material: value, unit, the range it is met in, and its source."""

    value: float
    unit: str
    low: float
    high: float
    source: str

    @property
    def is_default(self) -> bool:
        """Whether the figure is a starting value, not the gardener's own."""
        return self.source != YOURS


@dataclass(frozen=True, slots=True)
class PartShare:
    """What a mix holds of one of its parts: share of its volume [0-1], and dry mass in a placed volume [kg/m3]."""

    material: Material
    volume_share: float
    dry_density_kg_m3: float


@dataclass(frozen=True)
class Material:
    """A material of the shelf or of the gardener.

    group: soil, organic, wood, mineral, meal or sheet. grain: fine runs into voids, coarse has them. traits: what
    findings look for. like: key of the shelf material that an own one takes its figures from. parts: of a mix, down to
    plain materials; nothing else has any.
    """

    key: str
    name: str
    group: str
    grain: Grain
    synonyms: tuple[str, ...]
    traits: frozenset[str]
    properties: Mapping[str, Property]
    like: str | None = None
    parts: tuple[PartShare, ...] = ()

    @cached_property
    def is_sheet(self) -> bool:
        """Whether it lies in the stack as a sheet, without thickness."""
        return self.group == "sheet"

    @cached_property
    def is_liner(self) -> bool:
        """Whether it is cut as one piece that holds water."""
        return "liner" in self.traits

    @cached_property
    def bulk_density_kg_m3(self) -> float:
        """Moist density as placed [kg/m3]; nothing for sheets."""
        return self._figure("bulk_density_kg_m3", 0.0)

    @cached_property
    def dry_density_kg_m3(self) -> float:
        """Dry mass in a placed volume [kg/m3]: the moist density less its moisture."""
        return self.bulk_density_kg_m3 * (1 - self.moisture)

    @cached_property
    def saturated_density_kg_m3(self) -> float:
        """Density as placed and wet through, coarse voids drained [kg/m3], never below the moist one."""
        return larger(self._figure("saturated_density_kg_m3", 0.0), self.bulk_density_kg_m3)

    @cached_property
    def moisture(self) -> float:
        """Water as a share of the moist mass [0-1]."""
        return self._figure("moisture", 0.0)

    @cached_property
    def loose_factor(self) -> float:
        """Loose volume for each placed volume."""
        return self._figure("loose_factor", 1.0)

    @cached_property
    def void_share(self) -> float:
        """Share of the placed volume that fines can run down into [0-1]."""
        return self._figure("void_share", 0.0)

    @cached_property
    def mass_per_area_kg_m2(self) -> float:
        """Mass of one ply of a sheet [kg/m2]."""
        return self._figure("mass_per_area_kg_m2", 0.0)

    @cached_property
    def carbon(self) -> float:
        """Carbon as a share of dry mass [0-1]."""
        return self._figure("carbon", 0.0)

    @cached_property
    def nitrogen(self) -> float:
        """Nitrogen as a share of dry mass [0-1]."""
        return self._figure("nitrogen", 0.0)

    @cached_property
    def decay_per_year(self) -> float:
        """First-order decay at 12 degrees C, moist [1/year]."""
        return self._figure("decay_per_year", 0.0)

    @cached_property
    def settling(self) -> tuple[float, float, float]:
        """Share lost by settling, share that stays [0-1], and decay [1/year]; what has none of them stays as it is."""
        return self._figure("settles_share", 0.0), self._figure("stays_share", 1.0), self.decay_per_year

    @cached_property
    def label(self) -> tuple[float, float, float] | None:
        """N, P2O5 and K2O as the bag says [share of mass as sold]; None where no label is known."""
        if "label_n" not in self.properties:
            return None
        return self._figure("label_n", 0.0), self._figure("label_p2o5", 0.0), self._figure("label_k2o", 0.0)

    @cached_property
    def water_share(self) -> float:
        """Water that its placed volume holds as a reservoir's medium [0-1]: its own share, else that of its voids."""
        return self._figure("water_share", self.void_share)

    @cached_property
    def capillary_rise_m(self) -> float:
        """How high water wicks in it [m]; in a mix the mean of its parts by volume, an estimate."""
        if self.parts:
            return sum(each.volume_share * each.material.capillary_rise_m for each in self.parts)
        return self._figure("capillary_rise_m", 0.0)

    def soil_figure(self, name: SoilFigure) -> float | None:
        """A figure of its loose volume as soil, that mixes are judged by; None where it isn't known."""
        found = self.properties.get(name)
        return None if found is None else found.value

    @cached_property
    def runs_into_voids(self) -> bool:
        """Whether it trickles down into the voids of what lies below."""
        return self.grain == "fine" and not self.is_sheet

    @cached_property
    def takes_fines(self) -> bool:
        """Whether fines above run down into its voids; what lies in mats (leaves, straw, turf) lets none through."""
        return self.void_share > 0 and "mats" not in self.traits

    @property
    def keeps_volume(self) -> bool:
        """Whether it loses density before volume as it rots, as logs do until half of their mass is gone."""
        return "logs" in self.traits and "crumbles" not in self.traits

    def _figure(self, name: str, otherwise: float) -> float:
        found = self.properties.get(name)
        return otherwise if found is None else found.value


def own_material(
    key: str, name: str | None, like: Material, figures: Mapping[str, float], grain: Grain | None
) -> Material:
    """A gardener's own material: like one of the shelf, save for the figures given.

    figures: property name to value [in the property's unit]. Any of the densities moves the others, since all rest on
    the same solids; the moist one comes before the dry one, and that before the loose one. Moist and dry together give
    the moisture. What is given stands as it is.
    """
    base = {each: found.value for each, found in like.properties.items()}
    given = dict(figures)
    if "moisture" not in given and "bulk_density_kg_m3" in given and "dry_density_kg_m3" in given:
        given["moisture"] = max(1 - given["dry_density_kg_m3"] / given["bulk_density_kg_m3"], 0.0)
    properties = dict(like.properties)
    for figure, value in given.items():
        found = like.properties.get(figure)
        properties[figure] = Property(value, found.unit if found else UNITS[figure], value, value, YOURS)
    if not like.is_sheet:
        worked = _worked_anew(base, given)
        for figure, value in worked.items():
            if figure not in given and value != base.get(figure):
                properties[figure] = Property(value, UNITS[figure], value, value, FOLLOWS)
    return Material(key, name or like.name, like.group, grain or like.grain, (), like.traits, properties, like.key)


def _worked_anew(base: Mapping[str, float], given: Mapping[str, float]) -> dict[str, float]:
    """Every density and the porosity, with what is given in the place of what stood there."""
    own = {**base, **given}
    moisture, loose_factor = own["moisture"], own["loose_factor"]
    dry = dry_of(given, moisture, loose_factor)
    dry = own["dry_density_kg_m3"] if dry is None else dry
    grain = grain_density_of_loose(base["loose_dry_kg_m3"], base["porosity"])
    if "porosity" in given:
        grain = grain_density_of_loose(dry / loose_factor, given["porosity"])
    following = densities(dry, moisture, loose_factor, own.get("void_share", 0.0), grain)
    return {"dry_density_kg_m3": dry, **asdict(following)}


UNITS: dict[str, str] = {
    "dry_density_kg_m3": "kg/m3",
    "bulk_density_kg_m3": "kg/m3",
    "saturated_density_kg_m3": "kg/m3",
    "moisture": "share of moist mass",
    "loose_factor": "loose volume per placed volume",
    "void_share": "share of placed volume",
    "carbon": "share of dry mass",
    "nitrogen": "share of dry mass",
    "mass_per_area_kg_m2": "kg/m2",
    "settles_share": "share of volume",
    "stays_share": "share of volume",
    "decay_per_year": "1/year at 12 degrees C",
    "water_share": "share of placed volume",
    "capillary_rise_m": "m",
    "loose_dry_kg_m3": "kg/m3",
    "porosity": "share of loose volume",
    "container_capacity": "share of loose volume, at 1 kPa",
    "wilting_point": "share of loose volume, at 1.5 MPa",
    "ph": "pH",
    "label_n": "share of mass as sold",
    "label_p2o5": "share of mass as sold",
    "label_k2o": "share of mass as sold",
}
"""Unit of each property a material may have."""
