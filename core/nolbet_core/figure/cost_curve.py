"""What a material costs by volume, in bags and loose, with the need there is, in figures."""

from __future__ import annotations

from datetime import date
from decimal import Decimal

from nolbet_core.built.buying import suppliers_of
from nolbet_core.built.names import name_of
from nolbet_core.built.plan import BuiltPlan
from nolbet_core.figure.walk import needs_of
from nolbet_core.haul.break_even import break_even, cost_curve
from nolbet_core.plan.problems import unknown_key
from nolbet_core.record import record

BEYOND = 1.6
"""How far beyond need and break-even the curve is drawn."""
LEAST_M3 = 0.2


@record
class CostCurve:
    """What a material costs by its loose volume, bags alone and loose alone; null where it can't be had so.

    need_m3: what is to be bought of it. break_even_m3: up to which bags cost less.
    """

    material: str
    name: str
    need_m3: float
    break_even_m3: float
    volumes_m3: list[float]
    bags: list[float | None]
    bulk: list[float | None]


def figure_curve(built: BuiltPlan, material: str, today: date | None = None) -> CostCurve | None:
    """What a material costs by volume; None where it isn't sold both ways. today: as in figure_plan.

    Raises PlanProblem where the material isn't on the shelf.
    """
    materials = built.supplies.materials
    if material not in materials:
        raise unknown_key("material", material, materials)
    suppliers = suppliers_of(built.plan, materials)
    even_m3 = break_even(material, suppliers)
    if even_m3 is None:
        return None
    need_m3 = sum(need.to_buy_m3 for need in needs_of(built, today) if need.material == material)
    curve = cost_curve(material, suppliers, BEYOND * max(need_m3, even_m3, LEAST_M3))
    return CostCurve(
        material, name_of(material, materials), need_m3, even_m3, list(curve.volumes_m3), _drawn(curve.bags),
        _drawn(curve.bulk),
    )  # fmt: skip


def _drawn(costs: tuple[Decimal | None, ...]) -> list[float | None]:
    return [None if each is None else float(each) for each in costs]
