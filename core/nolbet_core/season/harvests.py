"""What a bed gave: by crop and season, by weight or by count, and what it was worth at the prices that were said."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from datetime import date
from decimal import Decimal

from nolbet_core.record import record

CENT = Decimal("0.01")
SOUTHERN_START = 7
"""The month a season begins with in the south; in the north it is the calendar's year."""


@record
class Picked:
    """One harvest of a crop, by weight or by count. worth: of all of it, where it was said."""

    on: date
    crop: str
    mass_kg: float | None
    count: int | None
    worth: Decimal | None


@record
class CropPrice:
    """What a kilogram and a piece of a crop are worth, as far as harvests with a worth tell."""

    of_kg: Decimal | None
    of_piece: Decimal | None


@record
class CropYield:
    """What a crop gave in a season. times: how often it was picked. unpriced: harvests that no worth is known of."""

    crop: str
    season: int
    times: int
    mass_kg: float
    count: int
    worth: Decimal
    unpriced: int


def season_of(day: date, southern: bool) -> int:
    """The year of the spring that a day's season began with."""
    return day.year - 1 if southern and day.month < SOUTHERN_START else day.year


def same_crop(name: str) -> str:
    """A crop's name as it is told apart from others."""
    return " ".join(name.split()).casefold()


def crop_prices(picked: Iterable[Picked]) -> dict[str, CropPrice]:
    """What crops are worth by the kilogram and by the piece, from harvests whose worth was said, over all seasons."""
    sums: dict[str, tuple[Decimal, Decimal, Decimal, Decimal]] = {}
    nothing = Decimal(0)
    for each in picked:
        if each.worth is None:
            continue
        by_mass, mass, by_piece, pieces = sums.get(same_crop(each.crop), (nothing,) * 4)
        if each.mass_kg is not None:
            by_mass, mass = by_mass + each.worth, mass + Decimal(repr(each.mass_kg))
        elif each.count is not None:
            by_piece, pieces = by_piece + each.worth, pieces + each.count
        sums[same_crop(each.crop)] = (by_mass, mass, by_piece, pieces)
    return {
        crop: CropPrice(by_mass / mass if mass else None, by_piece / pieces if pieces else None)
        for crop, (by_mass, mass, by_piece, pieces) in sums.items()
    }


def worth_of(each: Picked, prices: dict[str, CropPrice]) -> Decimal | None:
    """What a harvest was worth: as said, else at what the crop was worth otherwise; None where nothing is known."""
    if each.worth is not None:
        return each.worth
    price = prices.get(same_crop(each.crop))
    if price is None:
        return None
    if each.mass_kg is not None and price.of_kg is not None:
        return price.of_kg * Decimal(repr(each.mass_kg))
    if each.count is not None and price.of_piece is not None:
        return price.of_piece * each.count
    return None


def crop_yields(picked: Sequence[Picked], prices: dict[str, CropPrice], southern: bool) -> list[CropYield]:
    """What each crop gave in each season, the last season first, then by what it was worth."""
    groups: dict[tuple[int, str], list[Picked]] = {}
    for each in picked:
        groups.setdefault((season_of(each.on, southern), same_crop(each.crop)), []).append(each)
    found = [_yield(season, group, prices) for (season, _), group in groups.items()]
    return sorted(found, key=lambda each: (-each.season, -each.worth, each.crop))


def _yield(season: int, group: Sequence[Picked], prices: dict[str, CropPrice]) -> CropYield:
    worths = [worth_of(each, prices) for each in group]
    known = [each for each in worths if each is not None]
    return CropYield(
        crop=group[0].crop,
        season=season,
        times=len(group),
        mass_kg=sum(each.mass_kg or 0.0 for each in group),
        count=sum(each.count or 0 for each in group),
        worth=sum(known, Decimal(0)).quantize(CENT),
        unpriced=len(worths) - len(known),
    )
