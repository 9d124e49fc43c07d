"""What a plan needs and where it is bought, in the names of the plan file."""

from __future__ import annotations

from datetime import date
from decimal import Decimal
from typing import Annotated, Literal

from pydantic import PlainSerializer

from nolbet_core.plan.fields import written_unit_price
from nolbet_core.record import record
from nolbet_core.sure.sources import Source

MoneyOut = Annotated[Decimal, PlainSerializer(lambda value: f"{value:.2f}", return_type=str)]

UnitPriceOut = Annotated[Decimal, PlainSerializer(written_unit_price, return_type=str)]


@record
class BagFigures:
    """So many whole bags of a usual size."""

    volume_m3: float
    count: int


@record
class LengthFigures:
    """So many pieces of a length: of a pipe its diameter, of a board its thickness and width."""

    length_m: float
    count: int
    diameter_m: float | None = None
    thickness_m: float | None = None
    width_m: float | None = None


@record
class ShareFigures:
    """What one bed and those alike take of a need; the paths, where `bed` is empty. Masses as delivered.

    bags: whole bags of each usual size, in the order of the need's own.
    """

    bed: str
    name: str
    placed_m3: float
    loose_m3: float
    area_m2: float
    mass_kg: float
    bags: list[int]


By = Literal["volume", "area", "length", "units", "mass"]


@record
class NeedFigures:
    """A material's need over all beds. Stock and what is to buy are loose volumes.

    by: the measure it is bought by. to_buy_kg: of meals, and of anything else as delivered. bags: what is to buy in
    whole bags of each usual size; bagged: whether it is sold so. lengths, units: of pipes and crates. coming_m3,
    coming_on: what of one's own is ready later, and the day of the first of it. beds: what each takes, before stock.
    """

    material: str
    name: str
    placed_m3: float
    loose_m3: float
    stock_m3: float
    to_buy_m3: float
    area_m2: float
    mass_kg: float
    by: By
    to_buy_kg: float
    bagged: bool
    bags: list[BagFigures]
    lengths: list[LengthFigures]
    units: int
    coming_m3: float
    coming_on: date | None
    beds: list[ShareFigures]


@record
class StripFigures:
    """A strip cut off a roll: for which bed (the paths, where it is empty), how long, and how much of the width it
    covers.
    """

    bed: str
    length_m: float
    width_m: float


@record
class RollFigures:
    """A roll as it is cut. left_m: what is left at its end."""

    strips: list[StripFigures]
    left_m: float


@record
class HaulLine:
    """A line of the haul. `price` is the line's total before delivery.

    volume_m3: loose, nothing for what isn't loose. bag_m3, bag_kg: what one bag holds, bag_kg where its label says a
    mass. size_m, diameter_m: of a roll, a piece, or each in a pack. in_pack: how many come in one.
    rolls: how each is cut, and over which beds.
    """

    supplier: str
    supplier_name: str
    material: str
    name: str
    form: Literal["bag", "bulk", "roll", "piece", "pack"]
    count: int | None
    volume_m3: float
    bag_m3: float | None
    bag_kg: float | None
    size_m: list[float]
    diameter_m: float | None
    in_pack: int | None
    unit_price: UnitPriceOut
    fetch: bool
    left_over_m3: float
    price: MoneyOut
    rolls: list[RollFigures]
    offer: str | None


@record
class SupplierFigures:
    """What one supplier brings: deliveries, their cost, and the sum with its lines. footprint_m2: of what is dropped at
    once on the drive, loose heaps as cones and bags stacked five high.
    """

    supplier: str
    name: str
    drops: int
    delivery: MoneyOut
    total: MoneyOut
    footprint_m2: float


@record
class LoadedFigures:
    """So much of a material in a trip: whole bags, or loose."""

    material: str
    name: str
    bags: int
    volume_m3: float


@record
class TripFigures:
    """One trip that fetches from a supplier: its mass, the room it takes, its bags, and what it brings.

    over: heavier or larger than the vehicle takes, by one thing that can't be parted.
    """

    supplier: str
    mass_kg: float
    space_m3: float
    bags: int
    loads: list[LoadedFigures]
    over: bool


@record
class BatchOfLine:
    """So much of a material in a batch."""

    material: str
    name: str
    form: str
    count: int | None
    volume_m3: float | None
    used: bool


@record
class DeliveredBatch:
    """What came of one supplier on one day, and how it was. arrival: as the gardener wrote it, line by line."""

    supplier: str
    on: date
    lines: list[BatchOfLine]
    arrival: list[str]


@record
class SpentFigures:
    """What was bought so far of one supplier: its price in all, and how much of that is paid."""

    supplier: str
    price: MoneyOut
    paid: MoneyOut


@record
class NarrowFigures:
    """What takes most of how far a need may be off: the source, and its share of the variance [0-1]."""

    source: Source
    share: float


@record
class HaulFigures:
    """What to buy where, and what it costs. unmet: loose materials that nobody offers; unpriced: sheets, pipes and
    crates that nobody does. Neither is in the total.

    proven_optimal: no haul costs less; quick_total: what each thing from its cheapest offer would come to; lower_bound:
    no haul costs less than that; seconds: how long looking took. one_supplier_totals: from each alone, null where it
    can't be had so. break_even_m3: up to which need bags alone cost less than loose alone, of each material bought,
    null where it is sold one way only. unkept: lines held by hand that can't be kept, as "supplier material";
    holding_costs: what holding the others costs beside the haul without, null where none are held.
    certainty: in which share of gardens all of it is to be enough at once, null where that isn't asked. enough: in
    which each loose material bought is; enough_together: in which all are. narrows: what would narrow that most.
    batches: what came, by supplier and day. trips: that fetch, none where no vehicle is known;
    least_trips: no packing takes fewer. spent: on what was bought already, beside the total. budget: what all is to
    cost at most; over_budget: by how much what was spent and the total go over it, null where they don't or none is
    said.
    """

    lines: list[HaulLine]
    suppliers: list[SupplierFigures]
    delivery: MoneyOut
    total: MoneyOut
    proven_optimal: bool
    all_bags_total: MoneyOut | None
    all_bulk_total: MoneyOut | None
    lower_bound: MoneyOut | None
    quick_total: MoneyOut | None
    seconds: float | None
    one_supplier_totals: dict[str, MoneyOut | None]
    break_even_m3: dict[str, float | None]
    unkept: list[str]
    holding_costs: MoneyOut | None
    certainty: float | None
    enough: dict[str, float]
    enough_together: float | None
    narrows: dict[str, NarrowFigures]
    batches: list[DeliveredBatch]
    trips: list[TripFigures]
    least_trips: int | None
    spent: list[SpentFigures]
    spent_total: MoneyOut
    budget: MoneyOut | None
    over_budget: MoneyOut | None
    unmet: list[str]
    unpriced: list[str]


@record
class TopUpOfBed:
    """What one bed and those alike take to stand as high as they were laid. sunk_m: how far one has sunk by then."""

    bed: str
    name: str
    material: str
    sunk_m: float
    placed_m3: float
    loose_m3: float


@record
class SpringOrder:
    """The coming spring's top-ups of all filled beds, as one order after what lies on hand. on: the last frost."""

    on: date
    beds: list[TopUpOfBed]
    needs: list[NeedFigures]
    haul: HaulFigures | None
