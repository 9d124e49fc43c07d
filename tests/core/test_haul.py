"""Buying: whole bags, bulk in steps, deliveries by the drop, stock first, mixes down to their parts."""

from __future__ import annotations

from decimal import Decimal
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.figure.buying_figures import HaulFigures
from nolbet_core.figure.figures import Figures
from nolbet_core.haul.offers import BagOffer, BulkOffer, Supplier, bags_for, bulk_for, drops_for, line_for
from nolbet_core.haul.wanted import Wanted
from tests.core import zoo
from tests.core.ask import figures_of


def bought(loose_m3: float, *offers: dict[str, Any], delivery: str = "0.00", stock_m3: float = 0.0) -> HaulFigures:
    """The haul for a loose volume of compost from one supplier."""
    layers = [{"material": "compost", "volume_m3": loose_m3 / 1.15}]
    suppliers = [
        {"key": "yard", "delivery": delivery, "offers": [{"material": "compost", **offer} for offer in offers]}
    ]
    stock = [{"material": "compost", "volume_m3": stock_m3}]
    document = zoo.plan(zoo.bed(layers=layers, shape=zoo.shape(4, 2, 2)), suppliers=suppliers, stock=stock)
    haul = figures_of(document).haul
    assert haul
    return haul


BAG = {"form": "bag", "volume_m3": 0.04, "price": "6.20"}
BULK = {"form": "bulk", "step_m3": 0.5, "minimum_m3": 1.0, "price_per_m3": "48.00", "load_m3": 4.0}


def test_bags_are_whole() -> None:
    haul = bought(0.41, BAG)
    (line,) = haul.lines
    assert (line.count, line.price) == (11, Decimal("68.20"))
    assert line.left_over_m3 == pytest.approx(0.03)


def test_a_need_that_fills_its_bags_takes_none_more() -> None:
    assert bought(0.4, BAG).lines[0].count == 10


def test_bulk_comes_in_steps_and_not_below_the_least_sold() -> None:
    assert bought(0.2, BULK).lines[0].volume_m3 == 1.0
    assert bought(1.2, BULK).lines[0].volume_m3 == pytest.approx(1.5)
    assert bought(1.2, BULK).lines[0].price == Decimal("72.00")


def test_delivery_is_paid_once_a_drop() -> None:
    haul = bought(9.0, BULK, delivery="45.00")
    assert haul.suppliers[0].drops == 3
    assert haul.delivery == Decimal("135.00")
    assert haul.total == 9 * Decimal(48) + 135


@pytest.mark.parametrize(("loose_m3", "form"), [(0.2, "bag"), (2.0, "bulk")])
def test_the_cheaper_of_bags_and_bulk_is_taken(loose_m3: float, form: str) -> None:
    haul = bought(loose_m3, BAG, BULK, delivery="45.00")
    assert [line.form for line in haul.lines] == [form]
    assert haul.total == min(total for total in (haul.all_bags_total, haul.all_bulk_total) if total is not None)


def test_fetched_goods_pay_no_delivery() -> None:
    assert bought(0.3, BAG | {"fetch": True}, delivery="45.00").total == 8 * Decimal("6.20")


def test_stock_comes_first() -> None:
    assert bought(0.41, BAG, stock_m3=0.2).lines[0].count == 6
    assert bought(0.41, BAG, stock_m3=0.5).lines == []


def test_two_materials_share_a_delivery() -> None:
    layers = [{"material": "compost", "volume_m3": 0.5}, {"material": "topsoil", "volume_m3": 0.5}]
    offers = [BULK | {"material": "compost"}, BULK | {"material": "topsoil"}]
    suppliers = [{"key": "yard", "delivery": "45.00", "offers": offers}]
    haul = figures_of(zoo.plan(zoo.bed(layers=layers), suppliers=suppliers)).haul
    assert haul
    assert haul.delivery == Decimal("45.00")


def mixed(**changes: Any) -> Figures:
    """A bed of a mix of mixes: half even thirds, half compost."""
    mixes = [
        {"key": "thirds", "parts": [{"material": each, "parts": 1} for each in ("topsoil", "compost", "coarse_sand")]},
        {"key": "rich", "parts": [{"material": "thirds", "parts": 1}, {"material": "compost", "parts": 1}]},
    ]
    return figures_of(zoo.plan(zoo.bed(layers=[{"material": "rich", "fill": True}]), mixes=mixes, **changes))


def test_a_mix_breaks_down_to_its_parts_with_nothing_lost() -> None:
    figures = mixed()
    needs = {need.material: need.loose_m3 for need in figures.needs}
    total = figures.beds[0].loose_m3
    # all parts are fine, so nothing falls between coarse grains
    assert needs == pytest.approx({"compost": total * (1 / 2 + 1 / 6), "topsoil": total / 6, "coarse_sand": total / 6})
    assert sum(need.mass_kg for need in figures.needs) == pytest.approx(figures.beds[0].mass_moist_kg, rel=1e-9)


def test_stock_of_a_mix_is_used_before_its_parts() -> None:
    plain, stocked = mixed(), mixed(stock=[{"material": "thirds", "volume_m3": 0.3}])
    needs = {need.material: need for need in stocked.needs}
    assert needs["topsoil"].loose_m3 == pytest.approx(plain.needs[1].loose_m3 - 0.1)


def test_needs_count_every_bed_alike() -> None:
    one, three = (figures_of(zoo.plan(zoo.bed(count=count))).needs[0] for count in (1, 3))
    assert three.loose_m3 == pytest.approx(3 * one.loose_m3)
    assert three.mass_kg == pytest.approx(3 * one.mass_kg)


def test_no_supplier_no_haul() -> None:
    assert figures_of(zoo.plan()).haul is None


offers = st.one_of(
    st.builds(
        lambda volume, cents, fetch: {
            "form": "bag",
            "volume_m3": volume,
            "price": f"{cents / 100:.2f}",
            "fetch": fetch,
        },
        st.floats(0.01, 0.1),
        st.integers(100, 3000),
        st.booleans(),
    ),
    st.builds(
        lambda cents, step, least, load: {
            "form": "bulk",
            "price_per_m3": f"{cents / 100:.2f}",
            "step_m3": step,
            "minimum_m3": least,
            "load_m3": load,
        },
        st.integers(1000, 20_000),
        st.one_of(st.none(), st.floats(0.1, 1)),
        st.floats(0, 2),
        st.one_of(st.none(), st.floats(1, 8)),
    ),
)
MATERIALS = ("compost", "topsoil", "bark_mulch")
sellers = st.lists(
    st.tuples(st.integers(0, 9000), st.lists(st.tuples(st.sampled_from(MATERIALS), offers), max_size=4)),
    min_size=1,
    max_size=3,
)
wants = st.dictionaries(st.sampled_from(MATERIALS), st.floats(0.05, 4), min_size=1)


def hauled(wanted: dict[str, float], sold: list[tuple[int, list[tuple[str, dict[str, Any]]]]]) -> Figures:
    """Figures of a bed that wants loose volumes, with such sellers about."""
    layers = [{"material": key, "volume_m3": volume} for key, volume in wanted.items()]
    suppliers = [
        {
            "key": f"seller_{index}",
            "delivery": f"{cents / 100:.2f}",
            "offers": [{"material": material, **offer} for material, offer in offered],
        }
        for index, (cents, offered) in enumerate(sold)
    ]
    return figures_of(zoo.plan(zoo.bed(layers=layers, shape=zoo.shape(4, 2, 3)), suppliers=suppliers))


@given(wants, sellers)
def test_a_haul_meets_every_need_that_somebody_offers(wanted: dict[str, float], sold: Any) -> None:
    figures = hauled(wanted, sold)
    assert figures.haul
    needs = {need.material: need.to_buy_m3 for need in figures.needs}
    offered = {material for _, each in sold for material, _ in each}
    bought = {line.material: line for line in figures.haul.lines}
    assert set(bought) == set(needs) & offered
    assert set(figures.haul.unmet) == set(needs) - offered
    for material, line in bought.items():
        assert line.volume_m3 >= needs[material] - 1.1e-6
        assert line.left_over_m3 == pytest.approx(max(line.volume_m3 - needs[material], 0), abs=1e-9)


@given(wants, sellers)
def test_a_haul_adds_up_and_is_no_dearer_than_all_bags_or_all_loose(wanted: dict[str, float], sold: Any) -> None:
    haul = hauled(wanted, sold).haul
    assert haul
    assert haul.total == sum((line.price for line in haul.lines), haul.delivery)
    assert haul.delivery == sum((supplier.delivery for supplier in haul.suppliers), Decimal(0))
    assert haul.total == sum((supplier.total for supplier in haul.suppliers), Decimal(0))
    if len(wanted) == 1:
        for total in (haul.all_bags_total, haul.all_bulk_total):
            assert total is None or haul.total <= total


@given(st.floats(0.001, 40), st.floats(0.005, 2))
def test_one_bag_less_would_not_do(need_m3: float, bag_m3: float) -> None:
    count = bags_for(need_m3, bag_m3)
    assert count * bag_m3 >= need_m3 - 1.1e-6
    assert (count - 1) * bag_m3 < need_m3


@given(st.floats(0.01, 40), st.floats(0.05, 3), st.floats(0, 5))
def test_one_step_less_would_not_do(need_m3: float, step_m3: float, minimum_m3: float) -> None:
    offer = BulkOffer("compost", Decimal(10), step_m3, minimum_m3)
    volume_m3 = bulk_for(need_m3, offer)
    assert volume_m3 >= max(need_m3, minimum_m3) - 1.1e-6
    assert volume_m3 / step_m3 == pytest.approx(round(volume_m3 / step_m3), abs=1e-6)
    assert volume_m3 - step_m3 < max(need_m3, minimum_m3)


@pytest.mark.parametrize(
    ("volumes_m3", "load_m3", "drops"),
    [([1.0], 4.0, 1), ([4.0], 4.0, 1), ([4.1], 4.0, 2), ([2.0, 3.0], 4.0, 2), ([9.0], None, 1), ([1.0, 1.0], 8.0, 1)],
)
def test_drops_are_the_loads_added_up_and_rounded_up_once(
    volumes_m3: list[float], load_m3: float | None, drops: int
) -> None:
    offered = [BulkOffer(f"m{index}", Decimal(1), load_m3=load_m3) for index in range(len(volumes_m3))]
    supplier = Supplier("yard", "Yard", Decimal(45), tuple(offered))
    lines = [
        line
        for offer, volume in zip(offered, volumes_m3, strict=True)
        if (line := line_for(supplier, offer, Wanted(offer.material, volume)))
    ]
    assert drops_for(lines) == drops


def test_bags_ride_along_with_a_load() -> None:
    bulk, bag = BulkOffer("compost", Decimal(48), load_m3=4.0), BagOffer("topsoil", 0.05, Decimal("8.90"))
    supplier = Supplier("yard", "Yard", Decimal(45), (bulk, bag))
    loose = line_for(supplier, bulk, Wanted("compost", 3.0))
    bagged = line_for(supplier, bag, Wanted("topsoil", 1.0))
    assert loose
    assert bagged
    assert drops_for([loose, bagged]) == 1
    assert drops_for([bagged]) == 1
    assert drops_for([]) == 0
