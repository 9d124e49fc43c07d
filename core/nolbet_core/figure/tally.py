"""What a haul comes to in a few figures: what to bring in, from where, and for how much."""

from __future__ import annotations

from collections.abc import Sequence
from decimal import Decimal
from typing import Literal

from nolbet_core.built.fixings import WALL_STONE
from nolbet_core.figure.buying_figures import HaulFigures, HaulLine, MoneyOut, NeedFigures
from nolbet_core.figure.figures import Figures
from nolbet_core.figure.finding_figures import FindingFigures
from nolbet_core.haul.bags import COMMON_BAG_M3
from nolbet_core.haul.offers import bags_for
from nolbet_core.quantities.units import System
from nolbet_core.record import record


@record
class FillBought:
    """A material of the fill that is bought, loose.

    bags: as many as are bought, else of the usual size; null where it is not sold in bags. bag_m3: volume of one.
    """

    material: str
    name: str
    to_buy_m3: float
    bags: int | None
    bag_m3: float


@record
class FromHeap:
    """A material of the fill that comes from the gardener's own heaps, loose."""

    material: str
    name: str
    volume_m3: float


@record
class TallyFigures:
    """Sums over needs and haul, for all beds of the plan and all that are alike. Volumes are loose.

    bought: the fill to buy, largest volume first; from_heaps: fill from the gardener's own heaps. Stone for walls is no
    fill: no volume here counts it. loose_m3: all fill of the beds. from_stock_m3: of it from the heaps. to_buy_m3: the
    rest. bag_count, bags_price: what comes in bags. bulk_m3, bulk_price: what comes loose. drops: deliveries.
    mass_kg: as delivered, stock included. usual_bag_m3: the bag size most usual in the garden's units.
    """

    bought: list[FillBought]
    from_heaps: list[FromHeap]
    loose_m3: float
    from_stock_m3: float
    to_buy_m3: float
    sheet_area_m2: float
    mass_kg: float
    bag_count: int
    bags_price: MoneyOut
    bulk_m3: float
    bulk_price: MoneyOut
    drops: int
    delivery: MoneyOut
    total: MoneyOut
    usual_bag_m3: float


@record
class TalliedFigures:
    """A plan's figures with their tally."""

    figures: Figures
    tally: TallyFigures


@record
class HaulLooked:
    """How far looking for the cheapest haul has come.

    kind: looking; found, with everything; or newer, where the garden was changed meanwhile and it was left off. total:
    of the best so far, lower_bound: no haul costs less, null where neither is known. seconds: it has taken so far.
    """

    kind: Literal["looking", "found", "newer"]
    total: MoneyOut | None
    lower_bound: MoneyOut | None
    seconds: float
    found: TalliedFigures | None


@record
class BoughtAlone:
    """What one bed asks for and where it is bought, with its tally; the bed's own figures are asked for by themselves.

    findings: of the bed, those that rest on what is bought.
    """

    needs: list[NeedFigures]
    haul: HaulFigures | None
    findings: list[FindingFigures]
    tally: TallyFigures


def bought_alone(figures: Figures, system: System) -> BoughtAlone:
    """What a plan of one bed asks for. system: as in tallied."""
    findings = [each for bed in figures.beds for each in bed.findings if each.subject == "haul"]
    return BoughtAlone(figures.needs, figures.haul, findings, tallied(figures, system).tally)


def tallied(figures: Figures, system: System) -> TalliedFigures:
    """Figures with the sums that a gardener asks for first. system: the units that a usual bag is one of."""
    return TalliedFigures(figures=figures, tally=_tally(figures.needs, figures.haul, COMMON_BAG_M3[system]))


def _tally(needs: Sequence[NeedFigures], haul: HaulFigures | None, bag_m3: float) -> TallyFigures:
    lines = haul.lines if haul else []
    bags = [line for line in lines if line.form == "bag"]
    bulk = [line for line in lines if line.form == "bulk"]
    fill = [need for need in needs if need.by == "volume" and need.material != WALL_STONE]
    return TallyFigures(
        bought=[_bought(need, bags, bag_m3) for need in _largest_first(fill)],
        from_heaps=[FromHeap(each.material, each.name, used) for each in fill if (used := _from_stock(each)) > 0],
        loose_m3=sum(need.loose_m3 for need in fill),
        from_stock_m3=sum(_from_stock(need) for need in fill),
        to_buy_m3=sum(need.to_buy_m3 for need in fill),
        sheet_area_m2=sum(need.area_m2 for need in needs),
        mass_kg=sum(need.mass_kg for need in needs),
        bag_count=sum(line.count or 0 for line in bags),
        bags_price=_price(bags),
        bulk_m3=sum(line.volume_m3 for line in bulk),
        bulk_price=_price(bulk),
        drops=sum(supplier.drops for supplier in haul.suppliers) if haul else 0,
        delivery=haul.delivery if haul else Decimal(0),
        total=haul.total if haul else Decimal(0),
        usual_bag_m3=bag_m3,
    )


def _from_stock(need: NeedFigures) -> float:
    return min(need.stock_m3, need.loose_m3)


def _largest_first(fill: Sequence[NeedFigures]) -> list[NeedFigures]:
    return sorted((need for need in fill if need.to_buy_m3 > 0), key=lambda need: -need.to_buy_m3)


def _bought(need: NeedFigures, bags: Sequence[HaulLine], usual_m3: float) -> FillBought:
    own = [line for line in bags if line.material == need.material]
    if len(own) == 1 and own[0].bag_m3:
        return FillBought(need.material, need.name, need.to_buy_m3, own[0].count, own[0].bag_m3)
    count = bags_for(need.to_buy_m3, usual_m3) if need.bagged else None
    return FillBought(need.material, need.name, need.to_buy_m3, count, usual_m3)


def _price(lines: Sequence[HaulLine]) -> Decimal:
    return sum((line.price for line in lines), Decimal(0))
