"""What was bought already: less to get, boards that are cut, trips that fetch, and the budget."""

from __future__ import annotations

import math
from decimal import Decimal
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.built.plan_file import read_plan
from nolbet_core.figure.buying_figures import HaulFigures, HaulLine
from nolbet_core.figure.figures import Figures
from nolbet_core.figure.walk import figure_plan
from nolbet_core.haul.trips import Carried, Carrier, least_trips, loose_pieces, trips_for
from tests.core import zoo

LARCH = {"material": "larch", "thickness_m": 0.038, "width_m": 0.19}
BAG = {"material": "topsoil", "form": "bag", "volume_m3": 0.04, "price": "6.20", "fetch": True}
CARD = {"material": "cardboard", "form": "roll", "width_m": 1.1, "length_m": 3.0, "price": "4.50"}
BOX = {"kind": "box", "length_m": 2.0, "width_m": 1.0, "depth_m": 0.38}


def garden(*offers: dict[str, Any], log: list[dict[str, Any]] | None = None, **words: Any) -> Figures:
    """A framed box of 2 x 1 m outside on cardboard, and a yard with offers; `garden` for words of its head."""
    layers = [{"material": "cardboard"}, {"material": "topsoil", "fill": True}]
    bed = zoo.bed(
        shape=BOX, measured="outside", layers=layers, frame={"kind": "boards"} | LARCH, **words.pop("bed", {})
    )
    yard = [{"key": "yard", "name": "Tide yard", "delivery": "30.00", "offers": list(offers)}]
    bought = [{"kind": "purchase", "on": "2026-10-18", "supplier": "yard"} | each for each in log or ()]
    return figure_plan(read_plan(zoo.plan(bed, suppliers=yard, log=bought) | words), None, 5.0, 2.0)


def haul_of(figures: Figures) -> HaulFigures:
    """The haul of a garden that knows a supplier."""
    assert figures.haul is not None
    return figures.haul


def line_of(figures: Figures, material: str) -> HaulLine | None:
    """What is still to be got of a material."""
    return next((each for each in haul_of(figures).lines if each.material == material), None)


def test_bags_that_were_bought_are_taken_off_what_is_to_be_got() -> None:
    before = line_of(garden(BAG), "topsoil")
    assert before is not None
    assert before.count is not None
    after = line_of(garden(BAG, log=[{"material": "topsoil", "form": "bag", "count": 5}]), "topsoil")
    assert after is not None
    assert after.count == before.count - 5
    all_there = garden(BAG, log=[{"material": "topsoil", "form": "bag", "count": before.count}])
    assert line_of(all_there, "topsoil") is None
    # used up they lie there no more
    used = line_of(garden(BAG, log=[{"material": "topsoil", "form": "bag", "count": 5, "used": True}]), "topsoil")
    assert used is not None
    assert used.count == before.count


def test_a_loose_load_counts_by_its_volume_even_where_nobody_offers_it_now() -> None:
    (need,) = [each for each in garden(BAG).needs if each.material == "topsoil"]
    bought = {"material": "topsoil", "form": "bulk", "volume_m3": 0.25, "supplier": "gone"}
    (left,) = [each for each in garden(BAG, log=[bought]).needs if each.material == "topsoil"]
    assert left.to_buy_m3 == pytest.approx(need.to_buy_m3 - 0.25)


def test_boards_that_were_bought_are_cut_before_any_other() -> None:
    offer = LARCH | {"form": "piece", "length_m": 2.4, "price": "9.60"}
    before, after = garden(offer), garden(offer, log=[{"material": "larch", "form": "piece", "count": 3}])
    assert before.cuts is not None
    assert after.cuts is not None
    bought = sum(each.count for each in before.cuts.boards)
    assert [sum(each.count for each in after.cuts.boards if each.source == kind) for kind in ("stock", "bought")] == [
        3, bought - 3,
    ]  # fmt: skip
    assert before.cuts.price is not None
    assert after.cuts.price == before.cuts.price - 3 * Decimal("9.60")


def test_rolls_screws_and_pipes_that_were_bought_are_not_bought_again() -> None:
    screws = {"material": "screw", "form": "pack", "count": 20, "length_m": 0.08, "price": "7.00"}
    before = garden(CARD, screws)
    rolls, packs = line_of(before, "cardboard"), line_of(before, "screw")
    assert rolls is not None
    assert packs is not None
    assert rolls.count is not None
    assert packs.count is not None
    assert packs.count > 1
    log = [
        {"material": "cardboard", "form": "roll", "count": rolls.count},
        {"material": "screw", "form": "pack", "count": packs.count - 1},
    ]
    after = garden(CARD, screws, log=log)
    assert line_of(after, "cardboard") is None
    left = line_of(after, "screw")
    assert left is not None
    assert left.count == 1


def test_spent_with_what_is_still_to_be_got_is_held_against_the_budget() -> None:
    head = {"name": "Test ground", "units": "metric", "budget": "100.00"}
    log = [
        {"material": "topsoil", "form": "bag", "count": 3, "price": "18.60", "paid": True},
        {"material": "cardboard", "form": "roll", "count": 2, "price": "9.00"},
    ]
    haul = haul_of(garden(BAG, log=log, garden=head))
    assert [(each.supplier, each.price, each.paid) for each in haul.spent] == [
        ("yard", Decimal("27.60"), Decimal("18.60"))
    ]
    assert haul.over_budget == haul.total + Decimal("27.60") - 100
    (batch,) = haul.batches
    assert (batch.supplier, batch.on.isoformat(), [line.count for line in batch.lines]) == (
        "yard",
        "2026-10-18",
        [3, 2],
    )
    rich = haul_of(garden(BAG, log=log, garden=head | {"budget": "5000"}))
    assert rich.over_budget is None


def test_bags_are_fetched_in_trips_that_the_vehicle_takes() -> None:
    head = {"name": "Test ground", "units": "metric", "vehicle": {"payload_kg": 300, "space_m3": 0.9}}
    figures = garden(BAG, garden=head)
    haul, line = haul_of(figures), line_of(figures, "topsoil")
    assert line is not None
    assert sum(trip.bags for trip in haul.trips) == line.count
    assert all(trip.mass_kg <= 300 and trip.space_m3 <= 0.9 and not trip.over for trip in haul.trips)
    assert haul.least_trips is not None
    assert haul.least_trips <= len(haul.trips)
    assert haul.trips[0].loads[0].bags == haul.trips[0].bags
    # what is delivered takes no trip
    assert haul_of(garden(BAG | {"fetch": False}, garden=head)).trips == []


@given(
    st.lists(st.tuples(st.floats(2, 60), st.floats(0.01, 0.3)), min_size=2, max_size=30),
    st.floats(70, 400),
    st.floats(0.31, 2),
)
def test_trips_bring_all_and_take_no_fewer_than_the_least(
    sizes: list[tuple[float, float]], payload_kg: float, space_m3: float
) -> None:
    pieces = [Carried(f"m{index % 3}", index % 2 == 0, *size) for index, size in enumerate(sizes)]
    vehicle = Carrier(payload_kg, space_m3)
    trips = trips_for("yard", pieces, vehicle)
    assert sum(trip.mass_kg for trip in trips) == pytest.approx(sum(mass for mass, _ in sizes))
    assert sum(trip.bags for trip in trips) == math.ceil(len(sizes) / 2)
    assert all(trip.mass_kg <= payload_kg + 1e-6 and trip.space_m3 <= space_m3 + 1e-6 for trip in trips)
    assert least_trips(pieces, vehicle) <= len(trips)


def test_a_loose_load_is_shovelled_in_and_a_bag_too_heavy_goes_alone() -> None:
    vehicle = Carrier(500, 1.0)
    loose = loose_pieces("gravel_20", 0.75, 1500.0)
    # 1125 kg at up to 500 kg: three trips of whole shovelled parts
    assert len(trips_for("yard", loose, vehicle)) == least_trips(loose, vehicle) == 3
    heavy = [Carried("rubble", True, 600.0, 0.4), Carried("rubble", True, 20.0, 0.4)]
    assert [trip.bags for trip in trips_for("yard", heavy, vehicle)] == [1, 1]
