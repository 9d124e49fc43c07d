"""A bed many times over: its layers as they may turn out, and what they weigh, give, hold and come to."""

from __future__ import annotations

import itertools
from collections.abc import Mapping, Sequence
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from nolbet_core.built.worked import WorkedBed
from nolbet_core.draws.each import as_draws, as_figure
from nolbet_core.draws.inputs import Inputs
from nolbet_core.draws.raking import raking_error
from nolbet_core.draws.shapes import Drawn
from nolbet_core.nutrients.season import SeasonNitrogen, season_nitrogen
from nolbet_core.settling.clock import decay_factor
from nolbet_core.settling.spread import drawn_pace
from nolbet_core.shelf.material import Material
from nolbet_core.stack.fill import bulk_standing
from nolbet_core.stack.layers import Bulk, Packing, Scattered, Standing
from nolbet_core.sure.drawn_shelf import DrawnShelf
from nolbet_core.sure.measured import measures_of

Rows = NDArray[np.float64]

LEAST_TIMES = 0.05
"""However wrongly it is raked, something of a layer lies there: the least share of what was asked [0-1]."""


class DrawnBed:
    """A bed in as many gardens as are drawn. What isn't asked for isn't worked out."""

    def __init__(self, worked: WorkedBed, shelf: DrawnShelf, inputs: Inputs, materials: Mapping[str, Material]) -> None:
        self.worked = worked
        self._shelf, self._inputs, self._materials = shelf, inputs, materials

    @cached_property
    def times(self) -> Rows:
        """How many times as much as planned each layer comes to: layers x draws, by the tape and the rake."""
        bed = self.worked.bed
        taped = np.zeros((len(self.worked.filled.layers), self._inputs.draws))
        for measure in measures_of(self.worked, self._materials):
            off_m = self._inputs.normal(f"tape {bed.key} {measure.name}", measure.sd_m)
            taped += np.outer(measure.by_layer, off_m)
        times: Rows = np.exp(taped) * self._raked
        return times

    @cached_property
    def _raked(self) -> Rows:
        """By the rake: each boundary between two layers is off, the floor and the surface are not, and the sum holds.

        The thickness of a layer is the mean of all places where it was measured.
        """
        layers = self.worked.filled.layers
        raked = np.ones((len(layers), self._inputs.draws))
        thick = [index for index, layer in enumerate(layers) if layer.thickness_m > 0]
        bed = self.worked.bed
        for boundary, (below, above) in enumerate(itertools.pairwise(thick)):
            off_m = raking_error(self._inputs, bed.key, boundary, bed.depth_places, bed.count)
            raked[below] += off_m / layers[below].thickness_m
            raked[above] -= off_m / layers[above].thickness_m
        raked = np.maximum(raked, LEAST_TIMES)
        placed = np.array([layer.placed_m3 for layer in layers])
        whole = placed @ raked
        held: Rows = raked * np.where(whole > 0, placed.sum() / np.maximum(whole, 1e-300), 1.0)
        return held

    @cached_property
    def layers(self) -> list[Standing]:
        """Its layers as they may stand, each figure of theirs drawn; sheets as they are."""
        return [
            self._drawn(layer, times) if isinstance(layer.asked, Bulk) else layer
            for layer, times in zip(self.worked.filled.layers, self.times, strict=True)
        ]

    def _drawn(self, layer: Standing, times: Drawn) -> Standing:
        asked = layer.asked
        infill = asked.infill if isinstance(asked, Bulk) else None
        drawn = Bulk(
            self._shelf.of(asked.material),
            "volume",
            layer.placed_m3,
            Packing(self._shelf.of(infill.material), infill.share) if infill else None,
            scattered=tuple(Scattered(self._shelf.of(each.material), each.mass_kg) for each in asked.scattered),
        )
        placed_m3 = as_figure(layer.placed_m3 * times)
        return bulk_standing(drawn, (layer.bottom_m, layer.top_m), placed_m3, layer.vanishing_m3)

    def _sum(self, values: Sequence[float]) -> Drawn:
        return as_draws(sum(values), self._inputs.draws)

    @cached_property
    def placed_m3(self) -> Drawn:
        """What lies in it [m3]."""
        return self._sum([layer.placed_m3 for layer in self.layers])

    @cached_property
    def loose_m3(self) -> Drawn:
        """What it takes loose, with what packs its voids [m3]."""
        return self._sum([layer.loose_m3 + layer.infill_loose_m3 for layer in self.layers])

    @cached_property
    def mass_moist_kg(self) -> Drawn:
        """Weight of its fill and of the parts of its reservoir, as delivered [kg]."""
        usual = self.worked.filled.mass_moist_kg
        fill = self._sum([each.mass_moist_kg + each.infill_mass_moist_kg + each.amendment_kg for each in self.layers])
        beside: Drawn = fill + (self.worked.mass_moist_kg - usual)
        return beside

    @cached_property
    def mass_saturated_kg(self) -> Drawn:
        """What it weighs wet through, with the water of its reservoir [kg]."""
        usual = self.worked.filled.mass_saturated_kg
        fill = self._sum(
            [each.mass_saturated_kg + each.infill_mass_saturated_kg + each.amendment_kg for each in self.layers]
        )
        beside: Drawn = fill + (self.worked.mass_saturated_kg - usual)
        return beside

    @cached_property
    def season(self) -> SeasonNitrogen:
        """Its first season's nitrogen, each figure of it drawn."""
        worked, feeding = self.worked, self.worked.feeding
        pace = drawn_pace(self._inputs)
        yearly = decay_factor(worked.year.mean_temp_c, worked.bed.dampness)
        return season_nitrogen(
            self._whole_layers,
            [each.contact for each in feeding.ledger],
            feeding.zone_shares,
            as_figure(feeding.season_factor * pace),
            as_figure(yearly * pace),
            feeding.season.wanted_kg,
            feeding.ground_kg(as_figure(yearly * pace)),
        )

    @cached_property
    def _whole_layers(self) -> list[Standing]:
        """Its layers with those of the pit below, which are drawn by their materials alone."""
        below = self.worked.whole.filled.layers[: self.worked.pit_layers]
        ones = np.ones(self._inputs.draws)
        pit = [self._drawn(layer, ones) if isinstance(layer.asked, Bulk) else layer for layer in below]
        return [*pit, *self.layers]

    @cached_property
    def nitrogen_short_kg(self) -> Drawn:
        """Nitrogen that plants go short of in the first season [kg]."""
        return as_draws(self.season.short_kg, self._inputs.draws)
