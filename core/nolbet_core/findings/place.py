"""What lives and stands round a bed: ants and burrowers, ground water, frost, bare soil, seed in the fill."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from nolbet_core.blend.soil import soil_of
from nolbet_core.built.footing import on_the_ground
from nolbet_core.built.planted import planted_of
from nolbet_core.built.worked import CLOSED_BELOW, WorkedBed
from nolbet_core.findings.finding import DEFER, BedFinding, Found, Level
from nolbet_core.findings.mend import Mend, MendStep
from nolbet_core.quantities.writing import show_length, show_mass, show_temperature
from nolbet_core.reservoir.drowning import drowned_days
from nolbet_core.reservoir.season import demand_by_day, season_days
from nolbet_core.stack.layers import Standing
from nolbet_core.stack.zone import mulch_begins

FREEZES_C = -2.0
"""Nights of a month that are colder in the mean freeze standing water through [degrees C] (estimate)."""

WET_MONTH_MM = 110.0
"""Rain of a month in the season that drowns pots without a way out [mm] (estimate, 90 to 140)."""

CARRIED_KG = 45.0
"""What two can carry a short way [kg] (estimate)."""

SPROUTS_M = 0.10
"""Weed seed nearer to the surface than this comes up [m] (estimate, 0.05 to 0.10)."""

SEASON_NIGHTS_C = 5.0
"""Months with nights warmer in the mean are of the growing season [degrees C]."""

DRY_FOOT_M = 0.30
"""A pit keeps so far off standing ground water [m]."""

FLAT_M = 1e-6
MESH = "wire_mesh"
MULCH = "straw"
MULCH_M = 0.05


class BareSurface(BedFinding):
    """Bare soil dries, crusts and is splashed about."""

    code = "bare_surface"
    level = ("note", "advice")
    topic = "layers"
    of_profile = True
    when = "no mulch on the soil; over a reservoir"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Soil without mulch on it, graver where a reservoir feeds it from below."""
        layers = worked.filled.layers
        begins = mulch_begins(layers)
        soil = [layer for layer in layers if layer.material.group == "soil" and layer.thickness_m > 0]
        if not soil or begins < len(layers):
            return
        wet = worked.water is not None
        advised = "a thumb's width of straw, leaves or bark"
        yield Found(
            "advice" if wet else "note",
            f"{soil[-1].material.name} lies bare on top"
            + (f", {show_length(worked.water.soil_over_m, worked.system)} over the water." if worked.water else "."),
            "Bare soil loses about twice the water, crusts in rain, and salts rise to it from a reservoir."
            if wet
            else "Bare soil loses about twice the water and crusts in rain.",
            f"Lay on {advised} once plants are up.",
            layer=len(layers) - 1,
            mend=Mend(
                "Lay straw on it",
                (MendStep("add", f"layers[{len(layers)}]", {"material": MULCH, "thickness_m": MULCH_M}),),
            ),
        )


class WoodAndAnts(BedFinding):
    """Buried wood houses ants and termites where they live."""

    code = "wood_and_ants"
    level = ("caution",)
    topic = "wood"
    when = "wood in the fill of a garden where wood-nesting ants or termites live"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Any raw wood in the fill, softwood logs apart, which are told by themselves."""
        if worked.around.garden is None or not worked.around.garden.ants:
            return
        for index, layer in enumerate(worked.filled.layers):
            traits = layer.material.traits
            if "raw_wood" not in traits or traits & {"softwood", "rotproof"} or layer.thickness_m <= 0:
                continue
            yield Found(
                "caution",
                f"{show_length(layer.thickness_m, worked.system)} of {layer.material.name.lower()} lie in the bed.",
                "Where wood-nesting ants or termites live, buried wood is the nest that they go on to houses from.",
                "Fill with leaves, straw and soil instead, and keep wood off the ground. " + DEFER,
                layer=index,
            )


class NoMesh(BedFinding):
    """Animals that dig come up through an open floor."""

    code = "no_mesh"
    level = ("advice",)
    topic = "ground"
    when = "open ground below in a garden where animals dig, and no wire mesh"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """A bed open below without mesh where animals burrow."""
        if worked.around.garden is None or not worked.around.garden.burrowers or not worked.open_below:
            return
        if worked.vessel.form != "vessel" or any(MESH in each.key for each in worked.materials):
            return
        yield Found(
            "advice",
            "Animals dig in this garden, and nothing closes the floor of the bed.",
            "Voles, moles and rats follow the loose soil up and take roots from below.",
            "Lay galvanised mesh of at most 13 mm over the floor and a hand up the walls before filling.",
            mend=Mend("Lay mesh on the floor", (MendStep("add", "layers[0]", {"material": MESH, "up_sides_m": 0.1}),)),
        )


class WeedSeedInFill(BedFinding):
    """Seed near the surface comes up."""

    code = "weed_seed_in_fill"
    level = ("advice",)
    topic = "layers"
    when = "stuff full of weed seed within 10 cm of the surface"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Hay, own soil and the like near the top."""
        top_m = worked.filled.top_m
        for index, layer in enumerate(worked.filled.layers):
            if "weed_seed" not in layer.material.traits or layer.thickness_m <= 0 or top_m - layer.top_m >= SPROUTS_M:
                continue
            deep = show_length(top_m - layer.top_m, worked.system)
            where = "on top" if top_m - layer.top_m < FLAT_M else f"{deep} under the surface"
            yield Found(
                "advice",
                f"{layer.material.name} lies {where}.",
                "It is full of seed, and what lies that near to the light comes up.",
                f"Cover it with {show_length(SPROUTS_M, worked.system)} of compost or mulch, or lay it deeper.",
                layer=index,
            )


class HeavyTub(BedFinding):
    """A full tub stays where it is."""

    code = "heavy_tub"
    level = ("note",)
    topic = "weight"
    when = "a tub with a floor weighs over 45 kg, wet through"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Tubs, troughs, barrels and crates that two can't carry."""
        if worked.bed.shape.kind not in CLOSED_BELOW or worked.mass_saturated_kg <= CARRIED_KG:
            return
        yield Found(
            "note",
            f"Full and wet it weighs {show_mass(worked.mass_saturated_kg, worked.system)}.",
            f"Over {show_mass(CARRIED_KG, worked.system)} two can hardly carry it.",
            "Put it where it stays, or on a board with wheels, before it is filled. " + DEFER,
        )


class TubDrowns(BedFinding):
    """Rain fills a tub that can't drain."""

    code = "tub_drowns"
    level = ("note",)
    topic = "water"
    when = "a tub without a reservoir where a month of the season brings over 110 mm of rain"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Tubs that stand in a wet season."""
        if worked.bed.shape.kind not in CLOSED_BELOW or worked.water is not None:
            return
        season = [each for each in worked.around.normals if each.tmin_c > SEASON_NIGHTS_C]
        wettest = max((each.rain_mm for each in season), default=0.0)
        if wettest <= WET_MONTH_MM:
            return
        drained, blocked = (drowned_in_a_wet_year(worked, share) for share in (DRAINS, 0.0))
        yield Found(
            "note",
            f"A month of the season brings {wettest:.0f} mm of rain. In a wet year its roots stand in water on up to "
            f"{_days(drained)}, and on up to {_days(blocked)} if its holes are blocked.",
            "A tub whose holes are blocked or stand flat on stone fills up, and roots drown in days.",
            "Stand it on feet, keep its holes open, and tip it after a storm.",
        )


DRAINS = 0.9
"""Share of what stands over drained soil that open holes let out in a day (estimate)."""

WET_YEAR = 90.0
USUAL_AIR = 0.15
"""Air pores of drained soil whose figures aren't known, of its volume [0-1] (estimate, 0.10 to 0.25)."""


def drowned_in_a_wet_year(worked: WorkedBed, drains: float) -> float:
    """Days of the season on which a tub's roots stand in water, in the wettest year of ten.

    drains: share of what stands over the drained soil that is gone by the next day [0-1].
    """
    free_m3 = sum(layer.placed_m3 * _air_of(layer) for layer in worked.filled.layers)
    planted = planted_of(worked)
    days = drowned_days(
        worked.around.weather,
        free_m3,
        worked.vessel.top_area_m2,
        demand_by_day(planted),
        drains,
        season_days(planted),
    )
    return float(np.percentile(days, WET_YEAR))


def _air_of(layer: Standing) -> float:
    soil = soil_of(layer.material)
    return USUAL_AIR if soil.air_filled is None else soil.air_filled


def _days(days: float) -> str:
    return "1 day" if round(days) == 1 else f"{days:.0f} days"


class FrostOnReservoir(BedFinding):
    """Standing water that freezes bursts what holds it."""

    code = "frost_on_reservoir"
    level = ("note", "advice")
    topic = "water"
    when = "nights of a month are below -2 degrees C in the mean; a bed that stands above the ground"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Reservoirs where winters freeze; worse off the ground, where frost comes from all sides."""
        if worked.water is None:
            return
        coldest = min((each.tmin_c for each in worked.around.normals), default=None)
        if coldest is None or coldest >= FREEZES_C:
            return
        level: Level = "note" if on_the_ground(worked.bed) else "advice"
        yield Found(
            level,
            f"Nights of the coldest month are {show_temperature(coldest, worked.system)} in the mean.",
            "Water grows by a tenth as it freezes: full, it lifts the soil, splits boards and pipes, tears a liner.",
            "Let it down to a third before the first hard frost, and cover the filler pipe.",
        )


class NoRootBarrier(BedFinding):
    """Roots go into a roof's skin."""

    code = "no_root_barrier"
    level = ("caution",)
    topic = "weight"
    when = "a bed on a roof without a root-proof sheet under it"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Beds on a roof that nothing closes below."""
        stand = worked.bed.stand
        if stand is None or stand.on != "roof" or worked.bed.shape.kind in CLOSED_BELOW or worked.water is not None:
            return
        if any(layer.holds_water for layer in worked.filled.layers):
            return
        yield Found(
            "caution",
            "Nothing root-proof lies between the bed and the roof.",
            "Roots find the seams of a roof's skin and go through it; water follows years later.",
            "Lay a root-proof sheet with a drainage mat over it before filling. " + DEFER,
        )


class WaterInTrench(BedFinding):
    """A trench that reaches ground water is a pond."""

    code = "water_in_trench"
    level = ("caution",)
    topic = "ground"
    when = "a trench comes within 30 cm of the ground water"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Trenches near the water table."""
        garden = worked.around.garden
        if garden is None or garden.water_table_m is None or not worked.is_dug:
            return
        depth_m = worked.vessel.hollow.rim_m
        if depth_m <= garden.water_table_m - DRY_FOOT_M:
            return
        deep, table = (show_length(each, worked.system) for each in (depth_m, garden.water_table_m))
        yield Found(
            "caution",
            f"The trench is {deep} deep, and water stands in the ground at {table}.",
            "It stands full in wet months: wood there pickles instead of rotting, roots drown, and sides slump.",
            f"Stay {show_length(DRY_FOOT_M, worked.system)} above it, or build up instead of down. " + DEFER,
        )
