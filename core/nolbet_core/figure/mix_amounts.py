"""What a mix takes and costs: for a barrow, a mixer load and each bed; where it lies; the soils of one bed."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping, Sequence
from decimal import Decimal
from typing import Literal

from nolbet_core.blend.amounts import Amount, amounts_for, most_from_stock
from nolbet_core.blend.mix import Mix, outermost_first
from nolbet_core.blend.soil import soil_of
from nolbet_core.built.bought import on_hand
from nolbet_core.built.buying import stock_of, suppliers_of
from nolbet_core.built.mixes import draft_mix, target_of
from nolbet_core.built.plan import BuiltPlan
from nolbet_core.built.supplies import Supplies
from nolbet_core.built.surroundings import surroundings_of
from nolbet_core.built.worked import work_bed, worked_bed
from nolbet_core.figure.blend_figures import AmountFigures, MixAmounts, TakenFigures, ZoneFigures, ZonesFigures
from nolbet_core.figure.buying import line_figures
from nolbet_core.figure.mixing import marks_of
from nolbet_core.haul.choose import choose
from nolbet_core.haul.offers import TOLERANCE_M3, Supplier
from nolbet_core.haul.unit_prices import unit_prices
from nolbet_core.haul.wanted import loose_wanted
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.garden import Plan
from nolbet_core.plan.mix import MixTarget, PlanMix
from nolbet_core.quantities.units import USUAL_BARROW_M3
from nolbet_core.record import record
from nolbet_core.shelf.material import Material
from nolbet_core.stack.layers import Bulk, Standing

MIXER_M3 = 0.09
"""What goes into a small mixer at once [m3] (estimate)."""

CENT = Decimal("0.01")
Prices = Mapping[str, Decimal]
What = Literal["barrow", "mixer", "bed"]


@record
class Taking:
    """What is needed to say what a volume of mix takes: the mix, all materials and mixes, heaps, prices, suppliers."""

    mix: Mix
    supplies: Supplies
    stock: Mapping[str, float]
    prices: Prices
    suppliers: Sequence[Supplier]

    def amount(
        self, loose_m3: float, what: What, name: str, bed: Bed | None = None, lies: bool = True
    ) -> AmountFigures:
        """A volume of the mix and what it takes; what lies ready mixed is used for a bed first."""
        material = self.mix.material
        ready_m3 = self.stock.get(material.key, 0.0) if bed else 0.0
        taken = amounts_for(self.mix, max(loose_m3 - ready_m3, 0.0), self.supplies.mixes, self.stock)
        to_buy = {key: each.to_buy_m3 for key, each in taken.items() if each.to_buy_m3 > TOLERANCE_M3}
        chosen = choose(loose_wanted(to_buy), self.suppliers)
        materials = self.supplies.materials
        return AmountFigures(
            what=what,
            bed=bed.key if bed else None,
            lies=lies,
            name=name,
            count=bed.count if bed else 1,
            loose_m3=loose_m3,
            mass_kg=loose_m3 * material.bulk_density_kg_m3 / material.loose_factor,
            taken=taken_figures(taken, materials, self.prices),
            price=_price(taken, self.prices),
            lines=[line_figures(line, materials) for line in chosen.lines],
            delivery=chosen.delivery,
            total=chosen.total,
            unmet=[materials[key].name for key in chosen.unmet],
        )


def figure_mix_amounts(built: BuiltPlan, entry: PlanMix, bed_key: str | None = None) -> MixAmounts:
    """What a mix takes for a barrow, a mixer load and each bed it lies in, and what that costs.

    built: for beds, stock and suppliers. bed_key: a bed that is told of even if the mix doesn't lie there yet. Raises
    PlanProblem where it can't be mixed.
    """
    plan, supplies = built.plan, built.supplies
    mix = draft_mix(entry, supplies.materials, supplies.mixes, "mix")
    materials = {**supplies.materials, entry.key: mix.material}
    drafted = Supplies(materials, {**supplies.mixes, entry.key: mix}, supplies.crops)
    suppliers = suppliers_of(plan, supplies.materials)
    taking = Taking(mix, drafted, stock_of(on_hand(plan, drafted.materials)), unit_prices(suppliers), suppliers)
    plain = amounts_for(mix, 1.0, drafted.mixes, {})
    return MixAmounts(
        price_per_m3=_price(plain, taking.prices),
        unpriced=[supplies.materials[key].name for key in plain if key not in taking.prices],
        from_stock_m3=most_from_stock(mix, drafted.mixes, taking.stock),
        amounts=[
            taking.amount(USUAL_BARROW_M3, "barrow", "A barrow"),
            taking.amount(MIXER_M3, "mixer", "A mixer load"),
            *_in_beds(taking, built, bed_key),
        ],
        mixed_into=[each.material.name for each in supplies.mixes.values() if entry.key in each.recipe],
    )


def _in_beds(taking: Taking, built: BuiltPlan, wanted: str | None) -> Iterator[AmountFigures]:
    around, materials = surroundings_of(built.plan.garden), taking.supplies.materials
    shares = shares_of_mix(taking.mix.material.key, taking.supplies.mixes)
    for each in built.beds:
        bed = each.bed
        lies = any(name in shares for name in _soil_names(bed))
        if not lies and bed.key != wanted:
            continue
        worked = worked_bed(each, around, materials)
        layers = worked.filled.layers if worked.scooped is None else (*worked.filled.layers, worked.scooped)
        loose_m3 = sum(volume * shares.get(name, 0.0) for name, volume in _laid(layers))
        if loose_m3 <= 0 and bed.key == wanted:
            lies, loose_m3 = False, soil_volume(worked.filled.layers)
        if loose_m3 > 0:
            yield taking.amount(loose_m3 * bed.count, "bed", bed.title, bed, lies=lies)


def _soil_names(bed: Bed) -> set[str]:
    packed = {each.infill.material for each in bed.layers if each.infill}
    return {layer.material for layer in bed.layers} | packed | ({bed.holes.material} if bed.holes else set())


def figure_zones(plan: Plan, bed: Bed, supplies: Supplies) -> ZonesFigures:
    """The soil layers of a bed top to bottom, each mix against the bands of its use."""
    worked = work_bed(bed, surroundings_of(plan.garden), supplies)
    entries = {entry.key: entry for entry in plan.mixes}
    over_water_m = worked.water.soil_over_m if worked.water else None
    zones = []
    for index, layer in enumerate(worked.filled.layers):
        material = layer.material
        if material.group != "soil" or layer.placed_m3 <= 0:
            continue
        entry = entries.get(material.key)
        target = target_of(entry, over_water_m) if entry else None
        zones.append(
            ZoneFigures(
                index, material.key, material.name, entry is not None, layer.thickness_m, layer.loose_m3,
                (entry.target or MixTarget()).use if entry else None, marks_of(material, soil_of(material), target),
            )
        )  # fmt: skip
    return ZonesFigures(soil_over_water_m=over_water_m, zones=zones[::-1])


def soil_volume(layers: Iterable[Standing]) -> float:
    """Loose volume of all soil in a bed's layers [m3]."""
    return sum(layer.loose_m3 for layer in layers if layer.material.group == "soil")


def _laid(layers: Iterable[Standing]) -> Iterator[tuple[str, float]]:
    for layer in layers:
        yield layer.material.key, layer.loose_m3
        if isinstance(layer.asked, Bulk) and layer.asked.infill:
            yield layer.asked.infill.material.key, layer.infill_loose_m3


def shares_of_mix(key: str, mixes: Mapping[str, Mix]) -> dict[str, float]:
    """Loose volume of a mix in a loose m3 of each mix that holds it, itself among them [m3]."""
    shares = {key: 1.0}
    for name in reversed(outermost_first(mixes)):
        if name == key:
            continue
        share = sum(part_share * shares.get(part, 0.0) for part, part_share in mixes[name].recipe.items())
        if share > 0:
            shares[name] = share
    return shares


def taken_figures(taken: Mapping[str, Amount], materials: Mapping[str, Material], prices: Prices) -> list[TakenFigures]:
    """What is taken of each material, priced by volume."""
    return [_taken(materials[key], each, prices.get(key)) for key, each in taken.items()]


def _taken(material: Material, amount: Amount, price_per_m3: Decimal | None) -> TakenFigures:
    loose_kg_m3 = material.bulk_density_kg_m3 / material.loose_factor
    return TakenFigures(
        material=material.key,
        name=material.name,
        loose_m3=amount.loose_m3,
        mass_kg=amount.loose_m3 * loose_kg_m3,
        by_weight=material.group == "meal",
        from_stock_m3=amount.from_stock_m3,
        to_buy_m3=amount.to_buy_m3,
        to_buy_kg=amount.to_buy_m3 * loose_kg_m3,
        price=None if price_per_m3 is None else _cents(price_per_m3 * Decimal(repr(amount.to_buy_m3))),
    )


def _price(taken: Mapping[str, Amount], prices: Prices) -> Decimal | None:
    wanted = {key: each.to_buy_m3 for key, each in taken.items() if each.to_buy_m3 > 0}
    if any(key not in prices for key in wanted):
        return None
    return _cents(sum((prices[key] * Decimal(repr(volume)) for key, volume in wanted.items()), Decimal(0)))


def _cents(amount: Decimal) -> Decimal:
    return amount.quantize(CENT)
