"""Figures of a soil mix: what it is like, what it takes, where it lies, and the cheapest that fits."""

from __future__ import annotations

from typing import Literal

from nolbet_core.blend.programme import BandName
from nolbet_core.blend.target import MixUse
from nolbet_core.figure.buying_figures import HaulLine, MoneyOut
from nolbet_core.figure.finding_figures import FindingFigures
from nolbet_core.record import record

MarkName = Literal[
    "air_filled",
    "water_held",
    "ph",
    "c_to_n",
    "rise_m",
    "compost_share",
    "available",
    "porosity",
    "organic_matter",
    "loose_dry_kg_m3",
    "loose_moist_kg_m3",
]
MarkState = Literal["in", "under", "over", "unknown", "free"]


@record
class MarkFigures:
    """A figure of a mix against its band. value: null where a part's isn't known. least, most: null where open.

    state: free where nothing is asked of it. spread: how far it may lie off either way, in its own unit.
    """

    name: MarkName
    value: float | None
    least: float | None
    most: float | None
    state: MarkState
    spread: float


@record
class PartFigures:
    """A part of a mix: so many parts, their share of what goes in [0-1], and of them what the sieve keeps back."""

    material: str
    name: str
    parts: float
    share: float
    rejected_parts: float
    is_mix: bool


@record
class WeighedFigures:
    """What is mixed in by weight, as sold: for each loose m3 of a mix [kg/m3], for a barrow and for a bucket of it."""

    material: str
    name: str
    dose_kg_m3: float
    barrow_kg: float
    bucket_kg: float


@record
class MixFigures:
    """What a mix is like. parts_in, parts_out: what goes in and what it makes, in parts; measured: by a bucket test.

    doses: what is mixed in by weight. lime_kg_m3: ground limestone that would bring its pH up to its band; null where
    it needs none. unknown: materials whose figures as soil aren't known, by name.
    """

    key: str
    name: str
    use: MixUse
    parts: list[PartFigures]
    parts_in: float
    parts_out: float
    measured: bool
    doses: list[WeighedFigures]
    lime_kg_m3: float | None
    marks: list[MarkFigures]
    unknown: list[str]
    findings: list[FindingFigures]


@record
class TakenFigures:
    """What a volume of mix takes of a material, loose: in all, what that weighs, from the heap, and to buy.

    by_weight: whether it is weighed out, as lime and meals are.
    """

    material: str
    name: str
    loose_m3: float
    mass_kg: float
    by_weight: bool
    from_stock_m3: float
    to_buy_m3: float
    to_buy_kg: float
    price: MoneyOut | None


@record
class AmountFigures:
    """A volume of mix and what it takes. bed: its key where it is for one; lies: whether the mix lies there, or would
    take the place of all its soil. price: of what is to buy, before delivery and by volume; null where something has no
    offer. lines: what to buy for it in bags and loads, with delivery; unmet: names of what nobody offers. mass_kg: of
    the moist mix.
    """

    what: Literal["barrow", "mixer", "bed"]
    bed: str | None
    lies: bool
    name: str
    count: int
    loose_m3: float
    mass_kg: float
    taken: list[TakenFigures]
    price: MoneyOut | None
    lines: list[HaulLine]
    delivery: MoneyOut
    total: MoneyOut
    unmet: list[str]


@record
class MixAmounts:
    """What a mix takes and costs. price_per_m3: of loose mix, all bought, before delivery; null where something has no
    offer: unpriced, by name. from_stock_m3: the most that what is on hand makes. mixed_into: other mixes, by name.
    """

    price_per_m3: MoneyOut | None
    unpriced: list[str]
    from_stock_m3: float
    amounts: list[AmountFigures]
    mixed_into: list[str]


@record
class ZoneFigures:
    """A soil layer of a bed: which mix lies there and how it stands to its use. layer: its place, from the bottom."""

    layer: int
    material: str
    name: str
    is_mix: bool
    thickness_m: float
    loose_m3: float
    use: MixUse | None
    marks: list[MarkFigures]


@record
class ZonesFigures:
    """The soil layers of a bed, top to bottom. soil_over_water_m: null where it has no reservoir."""

    soil_over_water_m: float | None
    zones: list[ZoneFigures]


@record
class ChangeFigures:
    """A material's share of a recipe [0-1], before and after."""

    material: str
    name: str
    before: float
    after: float


@record
class WishedPart:
    """A part of a recipe found, in parts of a hundred."""

    material: str
    name: str
    parts: float


@record
class CheapestFigures:
    """The cheapest mix that fits, or the nearest where none does. held_by: bands on whose edge it stands; missed: bands
    that no mix of the materials meets. left_aside: materials whose figures or price aren't known, by name. mix: null
    where nothing can be mixed.
    """

    fits: bool
    message: str
    parts: list[WishedPart]
    price_per_m3: MoneyOut | None
    before_per_m3: MoneyOut | None
    changes: list[ChangeFigures]
    held_by: list[BandName]
    missed: list[BandName]
    left_aside: list[str]
    mix: MixFigures | None


@record
class BoughtBag:
    """Bags of a batch: how many of an offer, their size, and what they cost."""

    supplier: str
    supplier_name: str
    material: str
    name: str
    count: int
    bag_m3: float
    price: MoneyOut


@record
class BatchFigures:
    """One batch in whole bags. left_m3: over in bags. proven: whether nothing cheaper can be had."""

    fits: bool
    message: str
    bags: list[BoughtBag]
    parts: list[WishedPart]
    taken: list[TakenFigures]
    made_m3: float
    left_m3: float
    total: MoneyOut
    proven: bool
    mix: MixFigures | None
