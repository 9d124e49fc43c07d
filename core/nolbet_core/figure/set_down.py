"""What of the haul is set down beside each bed, and what carrying it there takes, in figures."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from datetime import date
from decimal import ROUND_FLOOR, Decimal

from nolbet_core.built.buying import loose_density
from nolbet_core.built.names import name_of
from nolbet_core.built.plan import BuiltPlan
from nolbet_core.built.surroundings import surroundings_of
from nolbet_core.figure.buying import PATHS_NAME
from nolbet_core.figure.buying_figures import HaulLine, LoadedFigures, MoneyOut
from nolbet_core.figure.figures import BedFigures, Figures
from nolbet_core.figure.walk import figure_plan
from nolbet_core.figure.ways import ways_from_drop
from nolbet_core.haul.set_down import bags_by_bed, barrow_hours, barrow_loads
from nolbet_core.record import record
from nolbet_core.shelf.material import Material
from nolbet_core.works.shovelling import shovelling_hours

CENT = Decimal("0.01")
HEAVY_GROUPS = ("soil", "mineral")


@record
class SetDownFigures:
    """What is set down beside one bed and those alike (the paths, where `bed` is empty).

    price: what it takes of all that is bought, deliveries shared by value; price_per_m2: of growing area; price_a_year:
    over the life of its frame, the least and the most, null where it has none. loads: whole bags and loose volumes of
    what is bought. barrow_loads: that carry the loose of it, bags too. way_m: from where loads are dropped, null where
    that isn't known; by_plot: along the plot's paths, else straight with a third more. hours: of one person,
    shovelling, walking and tipping.
    """

    bed: str
    name: str
    price: MoneyOut
    price_per_m2: MoneyOut | None
    price_a_year: tuple[MoneyOut, MoneyOut] | None
    loads: list[LoadedFigures]
    loose_m3: float
    mass_kg: float
    barrow_loads: int
    way_m: float | None
    by_plot: bool
    hours: float


@record
class SetDown:
    """What of the haul is set down where. price: of all of it, as the haul's."""

    beds: list[SetDownFigures]
    hours: float
    price: MoneyOut


def figure_set_down(
    built: BuiltPlan, today: date | None = None, saw_seconds: float = 5.0, haul_seconds: float = 5.0
) -> SetDown:
    """What of a plan's cheapest haul is set down beside each bed: whole bags that add up to those bought.

    today, saw_seconds, haul_seconds: as in figure_plan.
    """
    figures = figure_plan(built, today, saw_seconds, haul_seconds)
    materials = built.supplies.materials
    lines = [line for line in (figures.haul.lines if figures.haul else []) if line.form in ("bag", "bulk")]
    shares = {need.material: {each.bed: each.loose_m3 for each in need.beds} for need in figures.needs}
    loads: dict[str, list[LoadedFigures]] = {}
    for line in lines:
        for bed, load in _parted(line, shares.get(line.material, {}), materials):
            loads.setdefault(bed, []).append(load)
    around = surroundings_of(built.plan.garden, today)
    ways, prices = ways_from_drop(around, built.beds), bed_prices(figures)
    names = {bed.key: bed.title for bed in built.plan.beds} | {"": PATHS_NAME}
    figured = {bed.key: bed for bed in figures.beds}
    beds = [
        _set_down(
            _Priced(bed, names.get(bed, bed), prices.get(bed, Decimal(0)), figured.get(bed)),
            loads.get(bed, []), ways.get(bed), materials,
        )
        for bed in dict.fromkeys((*loads, *prices))
    ]  # fmt: skip
    total = figures.haul.total if figures.haul else Decimal(0)
    return SetDown(beds, sum(each.hours for each in beds), total)


def bed_prices(figures: Figures) -> dict[str, Decimal]:
    """What each bed takes of a haul's price, to the cent, adding up to all of it.

    Each line is parted by what the beds need of its material, by volume, area or mass; deliveries by value.
    """
    if figures.haul is None:
        return {}
    needs = {need.material: need for need in figures.needs}
    value: dict[str, Decimal] = {}
    for line in figures.haul.lines:
        need = needs.get(line.material)
        if need is None:
            continue
        shares = {each.bed: each.loose_m3 or each.area_m2 or each.mass_kg for each in need.beds}
        whole = sum(shares.values())
        for bed, share in shares.items():
            part = Decimal(repr(share / whole)) if whole > 0 else Decimal(1) / len(shares)
            value[bed] = value.get(bed, Decimal(0)) + line.price * part
    goods = sum(value.values(), Decimal(0))
    if goods <= 0:
        return {}
    paid = goods + figures.haul.delivery
    prices = {bed: (each * paid / goods).quantize(CENT, rounding=ROUND_FLOOR) for bed, each in value.items()}
    cents = int((paid.quantize(CENT) - sum(prices.values(), Decimal(0))) / CENT)
    for bed in sorted(value, key=lambda each: -value[each])[:cents]:
        prices[bed] += CENT
    return prices


@record
class _Priced:
    """A bed with what it costs. figures: None of the paths."""

    key: str
    name: str
    price: Decimal
    figures: BedFigures | None

    @property
    def a_m2(self) -> Decimal | None:
        """Of growing area."""
        if self.figures is None:
            return None
        area_m2 = Decimal(repr(self.figures.top_area_m2 * self.figures.count))
        return (self.price / area_m2).quantize(CENT) if area_m2 > 0 else None

    @property
    def a_year(self) -> tuple[Decimal, Decimal] | None:
        """Over the life of its frame, the least and the most."""
        return frame_a_year(self.price, self.figures) if self.figures else None


def frame_a_year(price: Decimal, bed: BedFigures) -> tuple[Decimal, Decimal] | None:
    """A price a year over the life of a bed's frame, the least and the most; None where it has none."""
    if bed.frame is None:
        return None
    least, most = bed.frame.life_years
    return (price / Decimal(repr(most))).quantize(CENT), (price / Decimal(repr(least))).quantize(CENT)


def _parted(
    line: HaulLine, shares: Mapping[str, float], materials: Mapping[str, Material]
) -> list[tuple[str, LoadedFigures]]:
    """A line over the beds that need its material."""
    name = name_of(line.material, materials)
    if line.form == "bag":
        bags = bags_by_bed(line.count or 0, shares)
        each_m3 = line.bag_m3 or 0.0
        return [(bed, LoadedFigures(line.material, name, many, many * each_m3)) for bed, many in bags.items() if many]
    whole = sum(shares.values())
    return [
        (bed, LoadedFigures(line.material, name, 0, line.volume_m3 * share / whole))
        for bed, share in shares.items()
        if share > 0
    ]


def _set_down(
    bed: _Priced, loads: Sequence[LoadedFigures], way: tuple[float, bool] | None,
    materials: Mapping[str, Material],
) -> SetDownFigures:  # fmt: skip
    volumes: dict[str, float] = {}
    for load in loads:
        volumes[load.material] = volumes.get(load.material, 0.0) + load.volume_m3
    barrows, mass_kg = 0, 0.0
    for key, loose_m3 in volumes.items():
        material = materials[key]
        density = loose_density(material)
        mass_kg += loose_m3 * density
        barrows += barrow_loads(loose_m3, density, heavy=material.group in HEAVY_GROUPS)
    loose_m3 = sum(volumes.values())
    way_m = way[0] if way else None
    hours = shovelling_hours(loose_m3) + barrow_hours(barrows, way_m or 0.0)
    return SetDownFigures(
        bed.key, bed.name, bed.price, bed.a_m2, bed.a_year, list(loads), loose_m3, mass_kg, barrows, way_m,
        bool(way and way[1]), hours,
    )  # fmt: skip
