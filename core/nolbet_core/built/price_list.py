"""A price list as a table: written for a spreadsheet, and read back row by row, good rows apart from bad ones."""

from __future__ import annotations

import csv
import io
from collections.abc import Mapping, Sequence
from datetime import date
from decimal import Decimal, InvalidOperation

from pydantic import TypeAdapter, ValidationError

from nolbet_core.built.buying import wrong_with_supplier
from nolbet_core.built.names import name_of
from nolbet_core.built.wares import all_wares
from nolbet_core.plan.offers import BulkOfferModel, OfferModel, PlanSupplier
from nolbet_core.plan.problems import PlanProblem, from_validation
from nolbet_core.quantities.cells import cell, cell_read
from nolbet_core.record import record
from nolbet_core.shelf.material import Material
from nolbet_core.shelf.timber import TIMBER

SIZES = ("volume_m3", "mass_kg", "length_m", "width_m", "height_m", "diameter_m", "thickness_m")
NUMBERS = (
    *SIZES, "expands_to_m3", "step_m3", "step_kg", "minimum_m3", "minimum_kg", "load_m3", "at_most", "count",
)  # fmt: skip
MONEY = ("price", "price_per_m3", "price_per_t")
COLUMNS = ("supplier", "material", "form", *MONEY, *NUMBERS, "deal_count", "deal_price", "fetch", "key", "priced_on")
"""Columns of a price list, by the names of the plan file; a deal's two stand side by side."""
FORMS = ("bag", "bulk", "roll", "piece", "pack")
NEEDED = ("supplier", "material", "form")
YES = {"yes", "y", "true", "1", "x"}
MOST_ROWS = 2000
STALE_DAYS = 180
"""A price older than that is doubted [days]."""
CENT = Decimal("0.01")
ABSURD_TIMES = 5
"""A price so many times over or under the one known is doubted."""

_offers: TypeAdapter[OfferModel] = TypeAdapter(OfferModel)


@record
class PricedRow:
    """A row that holds: its line, whose offer it is, and which of the supplier's offers it takes the place of.

    replaces: None for a new one. price_before: of that. doubt: why it had better be looked at, empty where it needn't.
    """

    line: int
    supplier: str
    supplier_name: str
    material_name: str
    offer: OfferModel
    replaces: int | None
    same: bool
    price_before: Decimal | None
    doubt: str


@record
class BadPriceRow:
    """A row that can't be read: its line, what stands there, and why."""

    line: int
    text: str
    reason: str


@record
class PriceListRead:
    """A price list as read."""

    rows: list[PricedRow]
    bad: list[BadPriceRow]


def price_list_csv(suppliers: Sequence[PlanSupplier]) -> str:
    """Every offer of every supplier as CSV, one a row, the columns by their names in the plan file."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow(COLUMNS)
    for supplier in suppliers:
        for offer in supplier.offers:
            said = {**offer.model_dump(mode="json", exclude_none=True), "supplier": supplier.key}
            deal = said.pop("deal", None) or {}
            said |= {"deal_count": deal.get("count"), "deal_price": deal.get("price")}
            said["fetch"] = "yes" if said.get("fetch") else ""
            writer.writerow([cell(_shown(said.get(key))) for key in COLUMNS])
    return out.getvalue()


def _shown(value: object) -> str:
    return "" if value is None else str(value)


def read_price_list(
    text: str, suppliers: Sequence[PlanSupplier], materials: Mapping[str, Material], today: date | None = None
) -> PriceListRead:
    """Read a price list, from a file or pasted from a spreadsheet: columns by commas, semicolons or tabs.

    suppliers: those there are, by key or name. materials: by key; they may be named too. today: prices of long before
    are doubted. Tiers of an offer that a row
    takes the place of stay as they are. Raises PlanProblem where there is no heading, or far too much.
    """
    numbered = [(number, line) for number, line in enumerate(text.splitlines(), start=1) if line.strip()]
    lines = [line for _, line in numbered]
    if not lines:
        raise PlanProblem("text", "there is nothing in it")
    if len(lines) > MOST_ROWS + 1:
        raise PlanProblem("text", f"it has {len(lines) - 1} rows, and up to {MOST_ROWS} are read at once")
    divider = max("\t;,", key=lines[0].count)
    heading = [cell_read(each).lower().replace(" ", "_") for each in next(csv.reader([lines[0]], delimiter=divider))]
    lacking = [key for key in NEEDED if key not in heading]
    if lacking:
        raise PlanProblem(
            "text",
            f"its first row has to name the columns, and {', '.join(lacking)} can't be found there; "
            f"columns are {', '.join(COLUMNS)}",
        )
    unknown = [key for key in heading if key and key not in COLUMNS]
    if unknown:
        raise PlanProblem("text", f"there is no column {unknown[0]!r}; columns are {', '.join(COLUMNS)}")
    rows, bad = [], []
    names = _names(materials)
    for (line, _), cells in zip(numbered[1:], csv.reader(lines[1:], delimiter=divider), strict=False):
        said = {key: cell_read(value) for key, value in zip(heading, cells, strict=False) if key and value.strip()}
        try:
            if any(each.strip() for each in cells[len(heading) :]):
                raise ValueError("has more cells than there are columns: a comma for a point, perhaps")
            rows.append(_row(line, said, suppliers, materials, names, today))
        except ValueError as error:
            bad.append(BadPriceRow(line, divider.join(cells), str(error)))
    return PriceListRead(rows, bad)


def _names(materials: Mapping[str, Material]) -> dict[str, str]:
    """Keys of all that can be offered, by key and by name in small letters."""
    names = {material.name.lower(): key for key, material in materials.items()}
    names |= {ware.name.lower(): key for key, ware in all_wares().items()}
    names |= {wood.name.lower(): key for key, wood in TIMBER.items()}
    return names | {key: key for key in (*materials, *all_wares(), *TIMBER)}


def _row(
    line: int,
    said: Mapping[str, str],
    suppliers: Sequence[PlanSupplier],
    materials: Mapping[str, Material],
    names: Mapping[str, str],
    today: date | None,
) -> PricedRow:
    """A row as an offer. Raises ValueError with the reason where it is none."""
    for key in NEEDED:
        if key not in said:
            raise ValueError(f"{key} is empty")
    if said["form"].lower() not in FORMS:
        raise ValueError(f"form: {said['form']!r} is none of {', '.join(FORMS)}")
    supplier = _supplier(said["supplier"], suppliers)
    material = names.get(said["material"].lower())
    if material is None:
        raise ValueError(f"material: {said['material']!r} is neither a key nor a name on the shelf")
    try:
        offer = _offers.validate_python(_document(said, material))
    except ValidationError as error:
        problem = from_validation(error)[0]
        raise ValueError(str(problem).replace(f"{said['form']}.", "")) from error
    for wrong in wrong_with_supplier(supplier.model_copy(update={"offers": [offer]}), materials, ""):
        raise ValueError(str(wrong).replace(".offers[0].", ""))
    place = _like(offer, supplier.offers)
    before = None if place is None else supplier.offers[place]
    if isinstance(offer, BulkOfferModel) and isinstance(before, BulkOfferModel) and before.tiers:
        offer = offer.model_copy(update={"tiers": before.tiers})
    price, price_before = _price(offer), None if before is None else _price(before)
    return PricedRow(
        line, supplier.key, supplier.name or supplier.key, name_of(material, materials), offer, place, offer == before,
        price_before, _doubt(price, price_before) or _stale(offer, today),
    )  # fmt: skip


def _supplier(said: str, suppliers: Sequence[PlanSupplier]) -> PlanSupplier:
    wanted = said.strip().lower()
    for each in suppliers:
        if wanted in (each.key, (each.name or "").lower()):
            return each
    known = ", ".join(each.name or each.key for each in suppliers) or "nobody yet"
    raise ValueError(f"supplier: {said!r} isn't entered; there are {known}")


def _document(said: Mapping[str, str], material: str) -> dict[str, object]:
    """A row as the plan file writes an offer. Raises ValueError for what is no number."""
    document: dict[str, object] = {"form": said["form"].lower(), "material": material}
    for key in NUMBERS:
        if key in said:
            number = _number(key, said[key])
            document[key] = int(number) if key in ("count",) and number == int(number) else float(number)
    if "at_most" in said and document["form"] != "bulk":
        document["at_most"] = int(_number("at_most", said["at_most"]))
    document |= {key: str(_number(key, said[key])) for key in MONEY if key in said}
    if "deal_count" in said or "deal_price" in said:
        document["deal"] = {
            "count": int(_number("deal_count", said.get("deal_count", ""))),
            "price": str(_number("deal_price", said.get("deal_price", ""))),
        }
    if said.get("fetch", "").lower() in YES:
        document["fetch"] = True
    return document | {key: said[key] for key in ("key", "priced_on") if key in said}


def _number(key: str, text: str) -> Decimal:
    plain = text.strip().lstrip("$€£").replace(" ", "")
    if plain.count(",") == 1 and "." not in plain:
        plain = plain.replace(",", ".")
    try:
        number = Decimal(plain)
    except InvalidOperation as error:
        raise ValueError(f"{key}: {text!r} is no number; write it as in 12.50") from error
    if not number.is_finite():
        raise ValueError(f"{key}: {text!r} is no number; write it as in 12.50")
    return number


def _like(offer: OfferModel, offers: Sequence[OfferModel]) -> int | None:
    """Which offer another takes the place of: the one of its key, else of its material, form and size."""
    for place, other in enumerate(offers):
        if offer.key is not None and other.key == offer.key:
            return place
    for place, other in enumerate(offers):
        if (other.material, other.form) == (offer.material, offer.form) and _size(other) == _size(offer):
            return place
    return None


def _size(offer: OfferModel) -> tuple[object, ...]:
    return tuple(getattr(offer, key, None) for key in (*SIZES, "count"))


def _price(offer: OfferModel) -> Decimal | None:
    if isinstance(offer, BulkOfferModel):
        return offer.price_per_m3 if offer.price_per_m3 is not None else offer.price_per_t
    return offer.price


def _doubt(price: Decimal | None, before: Decimal | None) -> str:
    if price is None or before is None or before <= 0:
        return ""
    if price > before * ABSURD_TIMES:
        return f"about {price / before:.0f} times what it was: a slip of the point?"
    if price * ABSURD_TIMES < before:
        return f"about a {before / max(price, CENT):.0f}th of what it was: a slip of the point?"
    return ""


def _stale(offer: OfferModel, today: date | None) -> str:
    if today is None or offer.priced_on is None:
        return ""
    days = (today - date.fromisoformat(offer.priced_on)).days
    if days > STALE_DAYS:
        return f"the price is of {offer.priced_on}, {days} days ago"
    return f"the price is of {offer.priced_on}, a day that is still to come" if days < 0 else ""
