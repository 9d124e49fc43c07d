"""What feeds and what starves: nitrogen, carbon, compost, meals."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from nolbet_core.built.worked import WorkedBed
from nolbet_core.findings.finding import DEFER, BedFinding, Found, Level
from nolbet_core.findings.mend import Mend, MendStep, change_layer, set_keys
from nolbet_core.findings.safety import counted, listed
from nolbet_core.nutrients.dose import MOST_AT_ONCE_KG_M2, Dose
from nolbet_core.nutrients.season import SeasonNitrogen
from nolbet_core.plan.bed import Amendment, Layer
from nolbet_core.quantities.limits import MEAL_KG
from nolbet_core.quantities.writing import show_dose, show_length
from nolbet_core.shelf.library import standard_shelf
from nolbet_core.stack.layers import Standing
from nolbet_core.stack.zone import ROOT_ZONE_M, mulch_begins

SHORT_ADVISED_KG_M2 = 0.005
SHORT_MOST_KG_M2 = 0.010
SURPLUS_KG_M2 = 0.005
CARBON_MOST = 30.0
COMPOST_ADVISED = 0.5
COMPOST_MOST = 0.7
RICH = frozenset({"meal", "raw_manure"})
LEAST_WEIGHED_KG = 0.001
USUAL_MEAL = "blood_meal"
SLACK = 1e-9
LEAST_TOLD_KG_M2 = 5e-4


def grams(kg_m2: float) -> str:
    """A mass on an area [kg/m2] as g/m2."""
    return f"{kg_m2 * 1000:.0f} g/m²"


class NitrogenShort(BedFinding):
    """Plants find less nitrogen than a crop wants."""

    code = "nitrogen_short"
    level = ("advice", "caution")
    topic = "feeding"
    of_profile = True
    when = "a crop goes short of over 5 g N/m² in the first season; over 10"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Over 5 g/m2 short in the first season, over 10 graver; the mend scatters a meal on the hungry layers."""
        season, area_m2 = worked.feeding.season, worked.vessel.top_area_m2
        short_kg_m2 = season.short_kg / area_m2
        if short_kg_m2 <= SHORT_ADVISED_KG_M2 + SLACK:
            return
        level: Level = "advice" if short_kg_m2 <= SHORT_MOST_KG_M2 + SLACK else "caution"
        dose = worked.feeding.dose(standard_shelf()[USUAL_MEAL])
        yield Found(
            level,
            f"Nitrogen may be short by {show_dose(season.short_kg, worked.system)} this season, {grams(short_kg_m2)}: "
            f"{_given_and_bound(season, area_m2)}.",
            "What rots wood and litter takes nitrogen before the plants get any, and slows down when it runs out."
            if season.bind_kg > SLACK
            else "There is little among the roots that gives nitrogen.",
            _advice(dose, worked),
            mend=scatter(worked, dose) if dose else None,
            sides=(
                "Some feed at once, so that the first season isn't lost.",
                "Others wait a winter, or sow beans and clover first, and let the wood find its own nitrogen.",
            ),
        )


def _given_and_bound(season: SeasonNitrogen, area_m2: float) -> str:
    given, wanted = grams((season.supply_kg + season.scattered_kg) / area_m2), grams(season.wanted_kg / area_m2)
    said = f"a crop wants about {wanted}, the soil gives about {given}"
    if season.bind_kg / area_m2 < LEAST_TOLD_KG_M2:
        return said
    return f"{said}, decomposers could bind up to {grams(season.bind_kg / area_m2)}"


def _advice(dose: Dose | None, worked: WorkedBed) -> str:
    waiting = "wait until autumn, keep the wood lower or on top as mulch, or feed again each year"
    if dose is None:
        return f"No more than {grams(MOST_AT_ONCE_KG_M2)} of nitrogen at once: {waiting}."
    said = f"{show_dose(dose.mass_kg, worked.system)} of {dose.material.name.lower()} ({dose.handfuls:.0f} handfuls)"
    if dose.waits_kg > SLACK:
        most = grams(MOST_AT_ONCE_KG_M2)
        return f"{said} is as much as goes at once ({most}); feed again when the crop pales, or {waiting}."
    return f"{said}, split over the hungry layers, makes up for it."


def scatter(worked: WorkedBed, dose: Dose) -> Mend | None:
    """Scatter a dose on the layers that it is split over; a layer that is fed something else passes its part on.

    None where nothing takes it, or it is more than a plan can hold.
    """
    layers = worked.bed.layers
    wanted = {i: dose.split_kg[i] for i, layer in enumerate(layers) if _takes(layer, dose) and dose.split_kg[i] > 0}
    if not wanted:
        return None
    steps: list[MendStep] = []
    for i, share in wanted.items():
        added_kg = dose.mass_kg * share / sum(wanted.values())
        steps_here = _more_of(layers[i], i, dose.material.key, added_kg)
        if steps_here is None:
            return None
        steps += steps_here
    return Mend(f"Add {show_dose(dose.mass_kg, worked.system)} of {dose.material.name.lower()}", tuple(steps))


def _takes(layer: Layer, dose: Dose) -> bool:
    return layer.amendment is None or dose.material.key in [each.material for each in layer.scattered]


def _more_of(layer: Layer, index: int, material: str, added_kg: float) -> tuple[MendStep, ...] | None:
    """Steps that scatter more of a meal [kg] on a layer, on top of what lies there; None where it is too much."""
    place = next((at for at, each in enumerate(layer.amendments or []) if each.material == material), None)
    own = layer.amendment if place is None else (layer.amendments or [])[place]
    mass_kg = (own.mass_kg if own else 0.0) + added_kg
    if not MEAL_KG.holds(mass_kg):
        return None
    fed = Amendment(material=material, mass_kg=max(round(mass_kg, 3), LEAST_WEIGHED_KG)).model_dump(mode="json")
    if place is None:
        return change_layer(index, amendment=fed)
    return set_keys(f"layers[{index}].amendments[{place}]", **fed)


class Overfed(BedFinding):
    """More nitrogen is scattered than plants and microbes can take up."""

    code = "overfed"
    level = ("advice", "caution")
    topic = "feeding"
    of_profile = True
    when = "what is scattered brings over 5 g N/m² more than is short; over 20 g N/m² at once"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Over 20 g N/m2 at once, a caution; over 5 g/m2 more than is short, advice."""
        at_once = worked.feeding.fed_kg_m2
        season = worked.feeding.season
        surplus = (season.scattered_kg - season.asked_kg) / worked.vessel.top_area_m2
        if at_once <= 0:
            return
        if at_once > MOST_AT_ONCE_KG_M2 * 1.001:
            level: Level = "caution"
            message = f"What is scattered brings {grams(at_once)} of nitrogen at once."
        elif surplus > SURPLUS_KG_M2 + SLACK:
            level = "advice"
            message = f"What is scattered brings {grams(surplus)} of nitrogen more than is short."
        else:
            return
        yield Found(
            level,
            message,
            "What nobody takes up burns roots, brings leaf instead of fruit, and washes into wells and streams.",
            f"Keep to {grams(MOST_AT_ONCE_KG_M2)} at once, and to what is short.",
            mend=Mend("Scatter nothing", _without_scattered(worked.bed.layers)),
        )


class RichLayer(BedFinding):
    """A meal, pellets or raw manure laid as a layer burn roots."""

    code = "rich_layer"
    level = ("caution",)
    topic = "feeding"
    of_profile = True
    when = "a layer of a meal, pellets or raw manure near the roots sets over 20 g N/m² free in the first season"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Each such layer that reaches into the root zone or lies on it as mulch."""
        area_m2 = worked.vessel.top_area_m2
        zone, layers = worked.feeding.zone_shares, worked.filled.layers
        for index, (layer, season) in enumerate(zip(layers, worked.feeding.ledger, strict=True)):
            if layer.material.traits.isdisjoint(RICH) or layer.thickness_m <= 0:
                continue
            among_roots = zone[index] > 0 or index >= mulch_begins(layers)
            free_kg_m2 = season.net_kg / area_m2
            if not among_roots or free_kg_m2 <= MOST_AT_ONCE_KG_M2 + SLACK:
                continue
            name = layer.material.name.lower()
            most_kg = layer.mass_moist_kg * MOST_AT_ONCE_KG_M2 / free_kg_m2
            label = layer.material.label
            if label and label[0] > 0:
                most_kg = min(most_kg, MOST_AT_ONCE_KG_M2 * area_m2 / label[0])
            yield Found(
                "caution",
                f"{show_length(layer.thickness_m, worked.system)} of {name} set {grams(free_kg_m2)} of nitrogen free "
                f"in the first season; {grams(MOST_AT_ONCE_KG_M2)} is the most at once.",
                "So much burns roots, brings leaf instead of fruit, and washes into wells and streams.",
                f"Scatter up to {show_dose(most_kg, worked.system)} over the bed, or let it rot in a heap first.",
                layer=index,
                mend=_scattered_instead(worked, index, most_kg),
            )


def _scattered_instead(worked: WorkedBed, index: int, most_kg: float) -> Mend | None:
    """Take the layer out and scatter what may lie there on its neighbour; fine stuff can be scattered."""
    layers = worked.bed.layers
    material = worked.filled.layers[index].material
    beside = index - 1 if index > 0 else index + 1
    if material.grain != "fine" or beside >= len(layers) or layers[beside].scattered:
        return None
    if not MEAL_KG.holds(most_kg) or most_kg < LEAST_WEIGHED_KG:
        return None
    scattered = Amendment(material=layers[index].material, mass_kg=round(most_kg, 3))
    steps = (
        *change_layer(beside, amendment=scattered.model_dump(mode="json")),
        MendStep("remove", f"layers[{index}]"),
    )
    return Mend(f"Scatter {show_dose(most_kg, worked.system)} instead", steps)


def _without_scattered(layers: Sequence[Layer]) -> tuple[MendStep, ...]:
    fed = [index for index, layer in enumerate(layers) if layer.scattered]
    return tuple(step for index in fed for step in change_layer(index, amendment=None, amendments=None))


class RootZoneCarbon(BedFinding):
    """Roots stand in stuff too rich in carbon."""

    code = "root_zone_carbon"
    level = ("advice",)
    topic = "feeding"
    of_profile = True
    when = "C:N of the top 0.30 m under the mulch is over 30"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """C:N of the root zone over 30."""
        ratio = worked.feeding.root_zone_c_to_n
        if ratio is None or ratio <= CARBON_MOST + SLACK:
            return
        yield Found(
            "advice",
            f"The root zone has {ratio:.0f} parts of carbon to one of nitrogen; over {CARBON_MOST:.0f} it starves.",
            "The more carbon lies among the roots, the longer rotting holds the nitrogen.",
            "Lay more soil or compost on top, or keep straw and wood further down.",
        )


class CompostShare(BedFinding):
    """Too much of what is grown in is compost."""

    code = "compost_share"
    level = ("advice", "caution")
    topic = "feeding"
    of_profile = True
    when = "over half of the root zone is compost or manure; over 70 % (open ground below counts as soil)"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Compost and manure over half of the root zone, over 70 % graver; open ground below counts as soil."""
        share = _compost_share(worked)
        if share <= COMPOST_ADVISED + SLACK:
            return
        yield Found(
            "advice" if share <= COMPOST_MOST + SLACK else "caution",
            f"{share * 100:.0f} % of the root zone is compost.",
            "Compost alone is rich in salts and phosphorus, shrinks every year and dries out from the top.",
            "Keep it to half or less, with soil for the rest.",
            sides=(
                "No-dig growers: crops do well in pure compost over living ground, year after year.",
                "Growers who test their soil: salts and phosphorus build up; keep compost to a third or half.",
            ),
        )


def _compost_share(worked: WorkedBed) -> float:
    layers = worked.filled.layers
    zone = [share * layer.placed_m3 for layer, share in zip(layers, worked.feeding.zone_shares, strict=True)]
    if sum(zone) <= 0:
        return 0.0
    rich = sum(volume * _compost_in(layer) for layer, volume in zip(layers, zone, strict=True))
    ground_m = min(max(ROOT_ZONE_M - worked.filled.top_m, 0.0), worked.below_m)
    ground = ground_m * worked.vessel.top_area_m2
    return rich / (sum(zone) + ground)


def _compost_in(layer: Standing) -> float:
    parts = layer.material.parts
    if not parts:
        return 1.0 if "compost" in layer.material.traits else 0.0
    return sum(each.volume_share for each in parts if "compost" in each.material.traits)


class PetsAndMeals(BedFinding):
    """Blood and bone draw dogs, foxes and rats."""

    code = "pets_and_meals"
    level = ("note",)
    topic = "feeding"
    when = "blood or bone meal in or on the fill"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """One note for all such meals in or on the fill."""
        names = list(dict.fromkeys(each.name.lower() for each in worked.materials if "pets" in each.traits))
        if not names:
            return
        yield Found(
            "note",
            f"{counted(names)} dogs and foxes dig for: {listed(names)}.",
            "A pet that eats its fill of meal falls ill, and the bed is turned over.",
            "Work it in under 50 mm of soil, keep the bag shut, keep pets off for two weeks. " + DEFER,
        )
