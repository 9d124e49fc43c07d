"""What stands beside a haul: the trips that fetch it, what was spent already, and the budget."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace
from datetime import date
from decimal import Decimal

from nolbet_core.built.buying import loose_density
from nolbet_core.built.names import name_of
from nolbet_core.figure.buying_figures import (
    BatchOfLine,
    DeliveredBatch,
    HaulFigures,
    HaulLine,
    LoadedFigures,
    SpentFigures,
    TripFigures,
)
from nolbet_core.haul.trips import Carried, Carrier, Trip, least_trips, loose_pieces, trips_for
from nolbet_core.plan.garden import Plan
from nolbet_core.plan.log import Purchase
from nolbet_core.shelf.material import Material


def told_beside(haul: HaulFigures, plan: Plan, materials: Mapping[str, Material]) -> HaulFigures:
    """A haul with its trips, what was spent and the budget. materials: by key."""
    trips, least = _trips(haul.lines, plan, materials)
    spent = _spent(plan)
    spent_total = sum((each.price for each in spent), Decimal(0))
    budget = plan.garden.budget
    over = None if budget is None else haul.total + spent_total - budget
    return replace(
        haul,
        batches=_batches(plan, materials),
        trips=trips,
        least_trips=least,
        spent=spent,
        spent_total=spent_total,
        budget=budget,
        over_budget=over if over is not None and over > 0 else None,
    )


def _trips(
    lines: Sequence[HaulLine], plan: Plan, materials: Mapping[str, Material]
) -> tuple[list[TripFigures], int | None]:
    """Trips of every supplier that something is fetched from, and the least that they could be."""
    if plan.garden.vehicle is None:
        return [], None
    vehicle = Carrier(plan.garden.vehicle.payload_kg, plan.garden.vehicle.space_m3)
    fetched: dict[str, list[Carried]] = {}
    for line in lines:
        if line.fetch and line.material in materials:
            fetched.setdefault(line.supplier, []).extend(_pieces(line, materials[line.material]))
    found, least = [], 0
    for supplier, pieces in fetched.items():
        if not pieces:
            continue
        least += least_trips(pieces, vehicle)
        found += [_trip(each, vehicle, materials) for each in trips_for(supplier, pieces, vehicle)]
    return found, least


def _pieces(line: HaulLine, material: Material) -> list[Carried]:
    """What of a line goes in whole: its bags, or what is shovelled in at once."""
    density_kg_m3 = loose_density(material)
    if line.form == "bulk":
        return loose_pieces(line.material, line.volume_m3, density_kg_m3)
    if line.form != "bag" or line.bag_m3 is None:
        return []
    mass_kg = line.bag_kg if line.bag_kg is not None else line.bag_m3 * density_kg_m3
    return [Carried(line.material, True, mass_kg, line.bag_m3)] * (line.count or 0)


def _trip(trip: Trip, vehicle: Carrier, materials: Mapping[str, Material]) -> TripFigures:
    keys = dict.fromkeys((*trip.bags_of, *trip.loose_m3_of))
    return TripFigures(
        supplier=trip.supplier,
        mass_kg=trip.mass_kg,
        space_m3=trip.space_m3,
        bags=trip.bags,
        loads=[
            LoadedFigures(key, name_of(key, materials), trip.bags_of.get(key, 0), trip.loose_m3_of.get(key, 0.0))
            for key in keys
        ],
        over=trip.mass_kg > vehicle.payload_kg * (1 + 1e-9) or trip.space_m3 > vehicle.space_m3 * (1 + 1e-9),
    )


def _batches(plan: Plan, materials: Mapping[str, Material]) -> list[DeliveredBatch]:
    """What came, by supplier and day, the last first."""
    came: dict[tuple[str, str], list[Purchase]] = {}
    for entry in plan.log:
        if isinstance(entry, Purchase):
            came.setdefault((entry.on, entry.supplier), []).append(entry)
    return [
        DeliveredBatch(
            supplier,
            date.fromisoformat(on),
            [
                BatchOfLine(
                    each.material, name_of(each.material, materials), each.form, each.count, each.volume_m3, each.used
                )
                for each in entries
            ],
            [f"{name_of(each.material, materials)}: {each.arrival}" for each in entries if each.arrival],
        )
        for (on, supplier), entries in sorted(came.items(), reverse=True)
    ]


def _spent(plan: Plan) -> list[SpentFigures]:
    """What was bought of each supplier, used up or not."""
    sums: dict[str, tuple[Decimal, Decimal]] = {}
    for entry in plan.log:
        if not isinstance(entry, Purchase) or entry.price is None:
            continue
        price, paid = sums.get(entry.supplier, (Decimal(0), Decimal(0)))
        sums[entry.supplier] = (price + entry.price, paid + (entry.price if entry.paid else Decimal(0)))
    return [SpentFigures(key, price, paid) for key, (price, paid) in sums.items()]
