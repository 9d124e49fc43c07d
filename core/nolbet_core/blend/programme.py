"""The bands of a target as rows of a linear programme over loose volumes of components."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from nolbet_core.blend.mix import FALL_IN
from nolbet_core.blend.soil import buffering, organic_share, share_with
from nolbet_core.blend.target import Target
from nolbet_core.shelf.material import Material

FILL_ONLY = "fill_only"
"""What fills a bed and is no part of a soil: rubble, gravel, logs, chips, turf."""

Values = NDArray[np.float64]

Case = Literal["fines_fit", "voids_full"]
"""Whether all fines fall into coarse voids, or there are more of them than voids."""

CASES: tuple[Case, ...] = ("fines_fit", "voids_full")

BandName = Literal["air_filled", "water_held", "ph", "c_to_n", "rise_m", "compost_share", "organic_matter", "limit"]
"""What a row holds; a limit is that of a single material."""

DRY_SCALE = 1e-3
CARBON_SCALE = 1e-2
"""Rows are brought to about one, so that the solver's tolerance means the same in all of them."""


@dataclass(frozen=True, slots=True)
class Component:
    """What a mix may hold: at which price [money/m3 loose], and how much there is of it [m3 loose, None: any amount].

    least, most: share of the mix's parts by volume that its material has to and may be [0-1].
    """

    material: Material
    price_per_m3: float
    most_m3: float | None = None
    least: float = 0.0
    most: float = 1.0


@dataclass(frozen=True, slots=True)
class Row:
    """One side of a band: coefficients . v <= 0. scale: of a miss that counts as one whole band's width."""

    band: BandName
    coefficients: Values
    scale: float


class Programme:
    """Components under a target, in two cases: all fines fall into coarse voids, or the voids fill up.

    Within each of the two the volume made is linear in the volumes that go in, so that figures of the mix, its loss on
    mixing included, are linear rows and the cheapest of the two is the cheapest there is.
    """

    def __init__(self, components: Sequence[Component], target: Target) -> None:
        known = [each for each in components if _is_known(each.material)]
        soil = [each for each in known if not share_with(each.material, FILL_ONLY)]
        fit = [each for each in soil if target.fresh_wood or not share_with(each.material, "raw_wood")]
        self.components = tuple(fit)
        self.target = target

    def made(self, case: Case) -> Values:
        """Volume made for each volume that goes in."""
        return 1 - FALL_IN * (self._room if case == "voids_full" else self._fine)

    def holding(self, case: Case) -> Values:
        """The row that says that a case holds: coefficients . v <= 0."""
        return self._room - self._fine if case == "voids_full" else self._fine - self._room

    @cached_property
    def prices(self) -> Values:
        """Price of each component [money/m3 loose]."""
        return np.array([each.price_per_m3 for each in self.components])

    @cached_property
    def _fine(self) -> Values:
        return np.array([float(each.material.grain == "fine") for each in self.components])

    @cached_property
    def _room(self) -> Values:
        coarse = [each.material.void_share * (each.material.grain == "coarse") for each in self.components]
        return np.array(coarse, dtype=float)

    def _figures(self, name: Literal["porosity", "container_capacity", "ph"]) -> Values:
        return np.array([each.material.soil_figure(name) for each in self.components], dtype=float)

    @cached_property
    def _dry(self) -> Values:
        """Dry mass of a loose volume, brought to about one."""
        materials = [each.material for each in self.components]
        return np.array([each.dry_density_kg_m3 / each.loose_factor for each in materials]) * DRY_SCALE

    @cached_property
    def _buffers(self) -> Values:
        return np.array([buffering(each.material) for each in self.components]) * DRY_SCALE

    def rows(self, case: Case) -> list[Row]:
        """All bands and limits as rows."""
        target, made = self.target, self.made(case)
        held = self._figures("container_capacity")
        not_air = 1 - self._figures("porosity") + held
        air = made - not_air
        rows = [*_between("air_filled", air, made, target.air_filled)]
        rows += _between("water_held", held, made, target.water_held)
        rows += _between("ph", self._buffers * self._figures("ph"), self._buffers, target.ph)
        if target.organic_matter is not None:
            organic = np.array([organic_share(each.material) for each in self.components])
            rows += _between("organic_matter", self._dry * organic, self._dry, target.organic_matter)
        if target.c_to_n_most is not None:
            rows.append(Row("c_to_n", self._carbon_over(target.c_to_n_most), 1.0))
        if target.rise_least_m is not None:
            rise = np.array([each.material.capillary_rise_m for each in self.components])
            rows.append(Row("rise_m", target.rise_least_m - rise, max(target.rise_least_m, 0.01)))
        compost = np.array([share_with(each.material, "compost") for each in self.components])
        rows.append(Row("compost_share", compost - target.compost_most, 1.0))
        return rows + self._limits()

    def _carbon_over(self, c_to_n: float) -> Values:
        materials = [each.material for each in self.components]
        over = np.array([each.carbon - c_to_n * each.nitrogen for each in materials])
        weighed: Values = self._dry / DRY_SCALE * over * CARBON_SCALE
        return weighed

    def _limits(self) -> list[Row]:
        rows = []
        for key in dict.fromkeys(each.material.key for each in self.components):
            own = [each for each in self.components if each.material.key == key]
            column = np.array([float(each.material.key == key) for each in self.components])
            if own[0].most < 1:
                rows.append(Row("limit", column - own[0].most, 1.0))
            if own[0].least > 0:
                rows.append(Row("limit", own[0].least - column, 1.0))
        return rows


def _between(band: BandName, figure: Values, made: Values, limits: tuple[float, float]) -> list[Row]:
    low, high = limits
    width = max(high - low, 0.01)
    return [Row(band, low * made - figure, width), Row(band, figure - high * made, width)]


def _is_known(material: Material) -> bool:
    return all(material.soil_figure(name) is not None for name in ("porosity", "container_capacity", "ph"))
