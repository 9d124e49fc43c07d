"""What a plan's beds and paths need together: the beds worked out, what lies between them, and the needs of all."""

from __future__ import annotations

from nolbet_core.built.bought import on_hand
from nolbet_core.built.buying import stock_of
from nolbet_core.built.plan import BuiltPlan
from nolbet_core.built.surroundings import Surroundings
from nolbet_core.built.watered import NamedZone, supply_wares, zones_of
from nolbet_core.built.worked import WorkedBed, worked_bed
from nolbet_core.figure.plot import Laid, laid_plot
from nolbet_core.figure.spring import add_bed
from nolbet_core.haul.needs import PATHS, Need, NeedSums
from nolbet_core.record import record


@record
class Needed:
    """A plan's beds, its plot where the ground is measured, its drip zones, and what all of it needs."""

    beds: list[WorkedBed]
    laid: Laid | None
    zones: list[NamedZone]
    needs: tuple[Need, ...]


def needed_by(built: BuiltPlan, around: Surroundings) -> Needed:
    """What a plan's beds are and need. around: what they share."""
    plan, supplies = built.plan, built.supplies
    beds = [worked_bed(each, around, supplies.materials) for each in built.beds]
    sums = NeedSums()
    for worked in beds:
        add_bed(sums, worked)
    zones = zones_of(beds, around)
    if any(each.bed.lines is not None and not each.bed.lines.there for each in beds):
        for ware, part in supply_wares(zones):
            sums.add_ware(1, ware, part, PATHS)
    laid = None if around.plot is None else laid_plot(around, beds, supplies.materials)
    if laid is not None:
        sums.add(1, [*laid.courses, *(each for path in laid.paths for each in path.courses), *laid.brought_in])
    lying = stock_of(on_hand(plan, supplies.materials), around.year.today)
    return Needed(beds, laid, zones, sums.less_stock(lying, supplies.mixes, supplies.materials))
