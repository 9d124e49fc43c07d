"""A bed at work: built and filled, with what follows from it, as findings and figures look at it."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from datetime import date
from functools import cached_property
from typing import Any

import numpy as np

from nolbet_core.built.bed import BuiltBed, build_bed
from nolbet_core.built.feeding import BedFeeding
from nolbet_core.built.footing import below_of, on_open_ground
from nolbet_core.built.frame import BuiltFrame
from nolbet_core.built.ground import less_paths, placed_beds
from nolbet_core.built.growing import BedGrowing
from nolbet_core.built.lined import lies_somewhere, pockets_m3
from nolbet_core.built.profiles import OneProfile, bed_over, one_profile, pit_under
from nolbet_core.built.seen import NOTHING_SEEN, SeenOfBed
from nolbet_core.built.settling import BedSettling
from nolbet_core.built.sowing import BedSowing
from nolbet_core.built.state import laid_shares, state_of, still_to_lay
from nolbet_core.built.stores import base_of
from nolbet_core.built.suits import BedSuits, Suited
from nolbet_core.built.supplies import Supplies
from nolbet_core.built.surroundings import Surroundings
from nolbet_core.built.water import WATER_KG_M3, BedWater, bed_water
from nolbet_core.built.wraps import wraps_of
from nolbet_core.climate.year import Year, coming_spring, months_between, spring_months
from nolbet_core.frame.bowing import Fill
from nolbet_core.frame.strength import heaviest_leg_share
from nolbet_core.nutrients.season import WANTED_KG_M2, WANTED_LIGHT_KG_M2
from nolbet_core.plan.bed import Bed, Layer, State
from nolbet_core.plot.ground import Ground
from nolbet_core.plot.paths import widest_between
from nolbet_core.plot.placed import PlacedBed
from nolbet_core.quantities.units import System
from nolbet_core.season.fit import SinkingFit, SurfaceReading, fit_factors
from nolbet_core.settling.factors import Factors
from nolbet_core.shapes.flat import FlatArea
from nolbet_core.shapes.vessel import Vessel
from nolbet_core.shelf.material import Material
from nolbet_core.stack.fill import Filled, bulk_standing, fill_bed
from nolbet_core.stack.layers import Bulk, Standing, materials_in

LAST_MONTH = 120
"""How far surfaces are forecast [months]."""

CLOSED_BELOW = frozenset({"round_tub", "trough", "lying_barrel", "crates"})
"""Shapes that have a bottom of their own."""

PLANTS_KG_M2 = 5.0
"""What plants weigh in full leaf [kg/m2] (estimate)."""

HERB_SHAPES = frozenset({"herb_spiral", "ring_spiral"})
"""Shapes that herbs are grown in, which feed lightly."""


@dataclass(frozen=True)
class WorkedBed:
    """A bed as planned, as built and as filled, in its surroundings. water: None without a reservoir.

    scoop: what goes into its planting holes beside; None where none are planned. wraps: sheets that its buried pipes
    are wrapped in. profile: it and the pit that it lies over as one, where it lies over one. lined_with: the sheet
    inside its frame.

    What follows is worked out when it is first asked for, in parts by what they serve: feeding, settling, sowing.
    """

    bed: Bed
    vessel: Vessel
    filled: Filled
    around: Surroundings
    water: BedWater | None
    scoop: Material | None = None
    wraps: tuple[Standing, ...] = ()
    profile: OneProfile | None = None
    lined_with: Material | None = None

    @cached_property
    def whole(self) -> WorkedBed:
        """The bed with the pit it lies over as one; itself where it lies over none."""
        one = self.profile
        return self if one is None else WorkedBed(one.bed, one.vessel, one.filled, self.around, None)

    @property
    def pit_layers(self) -> int:
        """How many layers of the whole are the pit's below."""
        return self.profile.pit_layers if self.profile else 0

    @property
    def ground_m(self) -> float:
        """Height of its floor above the floor of the pit below [m]."""
        return self.profile.vessel.ground_m if self.profile else 0.0

    @cached_property
    def lies_under(self) -> Bed | None:
        """The bed that lies over it, where one does."""
        return bed_over(self.bed, self.around.beside)

    @property
    def is_dug(self) -> bool:
        """Whether it is a hole in the ground: a trench, or a pit that another bed lies over."""
        return self.vessel.form == "trench" or self.lies_under is not None

    @cached_property
    def framed(self) -> BuiltFrame | None:
        """Its frame; None where none is said."""
        if self.bed.frame is None:
            return None
        layers = [
            (layer.thickness_m, (layer.mass_saturated_kg + layer.infill_mass_saturated_kg) / layer.placed_m3)
            for layer in reversed(self.filled.layers)
            if layer.placed_m3 > 0
        ]
        water_m = None if self.water is None else self.vessel.hollow.rim_m - self.water.store.overflow_m
        fill = Fill(tuple(layers), water_m)
        return BuiltFrame(self.bed, self.bed.frame, self.vessel, fill, self.lined_with, self._over_floor_kg)

    @cached_property
    def width_to_reach_m(self) -> float:
        """Width of the ground that has to be reached from its sides [m]; paths through a patch are stood on."""
        whole_m = 2 * self.vessel.inside.inradius_m
        taken = self.around.path_ground
        if not isinstance(self.vessel, FlatArea) or self.vessel.path_m2 <= 0 or taken is None:
            return whole_m
        return min(whole_m, widest_between(taken, [each.outline for each in self.placed]))

    @property
    def hole_count(self) -> int:
        """How many planting holes it gets: as said, else one for each that is planted."""
        holes = self.bed.holes
        if holes is None:
            return 0
        planted = sum(each.placed.count for each in self.growing.grown if each.crop.start == "planted")
        return planted if holes.count is None else holes.count

    @cached_property
    def scooped(self) -> Standing | None:
        """What goes into the planting holes, as it is bought; None where there are none."""
        holes, material = self.bed.holes, self.scoop
        if holes is None or material is None or not self.hole_count:
            return None
        placed_m3 = self.hole_count * holes.each_m3 / material.loose_factor
        return bulk_standing(Bulk(material, "volume", placed_m3), (0.0, 0.0), placed_m3, 0.0)

    @cached_property
    def pockets(self) -> Standing | None:
        """Soil for the pockets of a faced mound, of its topmost soil, as it is bought; None where it has none."""
        volume_m3 = pockets_m3(self.bed)
        soils = [layer.material for layer in self.filled.layers if layer.material.group == "soil"]
        if volume_m3 <= 0 or not soils:
            return None
        return bulk_standing(Bulk(soils[-1], "volume", volume_m3), (0.0, 0.0), volume_m3, 0.0)

    @property
    def system(self) -> System:
        """The units it is told in."""
        return self.around.system

    @property
    def year(self) -> Year:
        """The garden's year."""
        return self.around.year

    @property
    def ground(self) -> Ground | None:
        """The measured ground; None where there is none, or the bed lies nowhere on it."""
        return self.around.ground if lies_somewhere(self.bed) else None

    @cached_property
    def placed(self) -> tuple[PlacedBed, ...]:
        """The bed and those alike where they lie on the ground."""
        return placed_beds(self.bed, self.vessel)

    @cached_property
    def mass_saturated_kg(self) -> float:
        """Mass of all that is in the bed wet through, its water with it [kg]; gaps that nothing drains are full."""
        fill_kg = self.filled.mass_saturated_kg + WATER_KG_M3 * self.drowned_m3
        return fill_kg + self.water.water_kg + self.water.parts_kg if self.water else fill_kg

    @property
    def mass_moist_kg(self) -> float:
        """Mass as delivered of all that is in the bed, the parts of its reservoir with it [kg]."""
        return self.filled.mass_moist_kg + (self.water.parts_kg if self.water else 0.0)

    @property
    def drowned_m3(self) -> float:
        """Open gaps over a liner in the stack, which hold water that nothing drains [m3]."""
        layers = self.filled.layers
        lined = next((index for index, layer in enumerate(layers) if layer.holds_water), len(layers))
        return sum(layer.void_m3 - layer.infill_m3 for layer in layers[lined:])

    @property
    def standing_kg(self) -> float:
        """All that weighs on what it stands on [kg]: fill and water, its frame, and plants at their usual weight."""
        frame_kg = self.framed.mass_kg if self.framed else 0.0
        return self._over_floor_kg + frame_kg

    @property
    def _over_floor_kg(self) -> float:
        """Fill, water and plants at their usual weight [kg]."""
        return self.mass_saturated_kg + PLANTS_KG_M2 * self.vessel.top_area_m2

    @property
    def heaviest_leg_kg(self) -> float | None:
        """Load on the leg that bears most, wet through [kg]; None where it stands on none."""
        return None if self.legs is None else self.standing_kg * heaviest_leg_share(self.legs)

    @property
    def legs(self) -> int | None:
        """How many legs it stands on, where it does."""
        if self.bed.frame is not None and self.bed.frame.legs is not None:
            return self.bed.frame.legs.count
        return self.bed.stand.legs if self.bed.stand else None

    @cached_property
    def materials(self) -> tuple[Material, ...]:
        """What its layers are made of, packed and fed with, bottom to top; as often as it lies there."""
        return tuple(material for layer in self.filled.layers for material in materials_in(layer))

    @property
    def open_below(self) -> bool:
        """Whether the bed lies on open ground that roots can go into."""
        return self.water is None and on_open_ground(self.bed) and self.bed.shape.kind not in CLOSED_BELOW

    @property
    def below_m(self) -> float:
        """How deep roots find soil under the floor [m]; nothing where it is closed."""
        return below_of(self.bed) if self.open_below else 0.0

    @property
    def built_on(self) -> date | None:
        """The day of filling: as given, else today where that is known."""
        return date.fromisoformat(self.bed.built_on) if self.bed.built_on else self.year.today

    @property
    def state(self) -> State:
        """How far it has come."""
        return state_of(self.bed, self.year.today)

    @cached_property
    def still_to_lay(self) -> list[float]:
        """Share of each layer that isn't laid yet [0-1], bottom to top."""
        return still_to_lay(self.bed, self.state)

    @property
    def age_months(self) -> float | None:
        """Months since it was filled, up to ten years; None where it isn't, or the day or today isn't known."""
        if self.state != "filled" or self.bed.built_on is None or self.year.today is None:
            return None
        months = months_between(date.fromisoformat(self.bed.built_on), self.year.today)
        return min(max(months, 0.0), float(LAST_MONTH))

    @property
    def spring_months(self) -> list[int]:
        """Whole months from filling to each spring after a winter that doesn't lie in the past."""
        months = spring_months(self.built_on, self.year)
        if self.age_months is None or self.built_on is None or self.year.today is None:
            return months
        next_one = round(months_between(self.built_on, coming_spring(self.year.today, self.year)))
        return [month for month in months if month >= next_one]

    @cached_property
    def laid(self) -> Filled:
        """The bed with what is laid of it so far."""
        parts = [
            replace(layer.asked, by="volume", amount=layer.placed_m3 * share) if isinstance(layer.asked, Bulk) else None
            for layer, share in zip(self.filled.layers, laid_shares(self.bed), strict=True)
        ]
        asked = [each for each in parts if each is not None and each.amount > 0]
        return fill_bed(self.vessel, self.bed.kept_empty_m, asked, self.filled.base_m)

    @cached_property
    def today_m(self) -> float | None:
        """Height of the surface above the floor today [m]; None where nothing lies there or its age isn't known."""
        if self.state == "filling":
            return self.vessel.height_of(self.laid.top_m)
        if self.age_months is None:
            return None
        return float(np.interp(self.age_months, range(LAST_MONTH + 1), self.settling.surface_m))

    @cached_property
    def settling(self) -> BedSettling:
        """How the bed sinks: as its readings say where there are any, else as the garden's do, else as is usual."""
        if self.bed.sinks == "as_usual":
            return self.forecast_alone
        if self.fitted is not None:
            return replace(self.forecast_alone, factors=self.fitted.factors)
        if self.sinks_as_garden is not None:
            return replace(self.forecast_alone, factors=self.sinks_as_garden)
        return self.forecast_alone

    @property
    def sinks_as_garden(self) -> Factors | None:
        """What the garden's beds taught of how they sink, where it holds for this one; None where nothing does."""
        said = self.around.garden.sinking if self.around.garden is not None else None
        if said is None or self.bed.sinks == "as_usual" or self.fitted is not None:
            return None
        return Factors(said.settling_factor, said.decay_factor)

    @cached_property
    def forecast_alone(self) -> BedSettling:
        """How it sinks by its materials' figures alone, with what was laid on since."""
        whole, dampness = self.whole, self.bed.dampness
        laid = self._seen.laid_since(self.built_on) if self.built_on and self._seen.laid_on else ()
        return BedSettling(
            whole.vessel,
            whole.filled,
            self.year,
            dampness,
            self.built_on,
            self.pit_layers,
            self.ground_m,
            laid_on=tuple(laid),
        )

    @property
    def _seen(self) -> SeenOfBed:
        return self.around.seen.get(self.bed.key, NOTHING_SEEN)

    @cached_property
    def read_surfaces(self) -> list[SurfaceReading]:
        """Readings of its surface since it was filled, oldest first; none of one that isn't filled."""
        if self.state != "filled" or self.bed.built_on is None or not self.filled.layers:
            return []
        return self._seen.readings_since(date.fromisoformat(self.bed.built_on))

    @cached_property
    def fitted(self) -> SinkingFit | None:
        """The factors that fit its readings; None where there are none."""
        readings = self.read_surfaces
        if not readings:
            return None
        months = np.array([each.months for each in readings])
        return fit_factors(readings, lambda factors: self.forecast_alone.heights_by(factors, months))

    @cached_property
    def feeding(self) -> BedFeeding:
        """What feeds in the bed, and what starves."""
        return BedFeeding(
            self.whole.vessel,
            self.whole.filled,
            self.year,
            self.bed.dampness,
            self.around.handful_kg,
            self.whole.below_m,
            self._wanted_kg_m2,
        )

    @property
    def _wanted_kg_m2(self) -> float:
        """Nitrogen that its crop wants [kg/m2]; none grows in a pit that a bed lies over."""
        if self.lies_under is not None:
            return 0.0
        usual = WANTED_LIGHT_KG_M2 if self.bed.shape.kind in HERB_SHAPES else WANTED_KG_M2
        return self.growing.wanted_nitrogen(usual)

    @cached_property
    def growing(self) -> BedGrowing:
        """What grows in it, where it stands."""
        place = self.placed[0] if self.placed else None
        faced = self.bed.faced
        pockets = (faced.pockets or 1) if faced and faced.pocket_m3 else 0
        return BedGrowing(self.bed, self.vessel, self.around, place, pockets)

    @cached_property
    def suits(self) -> tuple[Suited, ...]:
        """Whether the bed suits each of its crops."""
        raw = any(each.material.group == "organic" or "raw_wood" in each.material.traits for each in self.filled.layers)
        short_kg_m2 = self.feeding.season.short_kg / self.vessel.top_area_m2
        return BedSuits(
            self.growing, self.sowing.ready, raw, short_kg_m2, self.built_on, self.year, self.system, self._seen.sown
        ).suited

    @cached_property
    def sowing(self) -> BedSowing:
        """From when the bed can be sown."""
        short_kg_m2 = self.feeding.season.short_kg / self.vessel.top_area_m2
        clock, whole = self.settling.clock, self.whole
        return BedSowing(whole.filled, self.bed.school, short_kg_m2, whole.below_m, clock, self.built_on, self.year)


def written_layer(layer: Layer) -> dict[str, Any]:
    """A layer in the plan file's words."""
    return layer.model_dump(mode="json", exclude_none=True)


def worked_bed(built: BuiltBed, around: Surroundings, materials: Mapping[str, Material]) -> WorkedBed:
    """A built bed filled. materials: by key."""
    bed, vessel = built.bed, less_paths(built.vessel, built.bed, around.path_ground)
    filled = fill_bed(vessel, bed.kept_empty_m, built.layers, base_of(bed))
    water = bed_water(built, filled, materials)
    wraps = wraps_of(bed.buried, materials)
    pit = pit_under(bed, around.beside) if bed.over else None
    one = one_profile(built, filled, pit, materials) if pit else None
    lining = materials.get(bed.frame.lining) if bed.frame is not None and bed.frame.lining is not None else None
    scoop = materials[bed.holes.material] if bed.holes is not None else None
    return WorkedBed(bed, vessel, filled, around, water, scoop, wraps, one, lining)


def work_bed(bed: Bed, around: Surroundings, supplies: Supplies, path: str = "bed") -> WorkedBed:
    """A bed of the plan built and filled. path: how it is called in an error.

    Raises PlanProblem where it doesn't hold together.
    """
    built = build_bed(bed, supplies.materials, path).holding()
    return worked_bed(built, around, supplies.materials)
