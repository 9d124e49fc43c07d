"""Taking what was measured into what it is of: the shelf, a bed, or what suppliers offer."""

from __future__ import annotations

from dataclasses import replace

from nolbet.clock import today
from nolbet.gardens.errors import Missing
from nolbet.gardens.models import Garden
from nolbet.gardens.rows import bed_plan
from nolbet.haul.rows import suppliers_plan
from nolbet.plans.haul import haul_words, save_sources
from nolbet.plans.saving import save_bed
from nolbet.plans.shelf import measure_material
from nolbet.plans.supplies import garden_supplies
from nolbet_core.plan.offers import BagOfferModel, PlanSupplier
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.sure.sources import TIMES, Way
from nolbet_core.sure.taken import BucketReadings, measured_figures

BY_BED: dict[Way, str] = {"tape_again": "taped", "depth_places": "depth_places"}
"""What a bed says of how often it was measured."""


def take_measured(garden: Garden, way: Way, of: str, readings: BucketReadings) -> None:
    """Take something measured into a garden. of: key of the bed, material or supplier.

    Raises Missing where there is none of that key, PlanProblem where what was read can't be so.
    """
    if way in BY_BED:
        _take_of_bed(garden, way, of)
    elif way == "ask_price":
        _take_of_suppliers(garden, [_asked_today(each, of) for each in suppliers_plan(garden)])
    elif way == "check_bag":
        _take_of_suppliers(garden, [_checked(each, of, readings) for each in suppliers_plan(garden)])
    elif way == "dip_twice":
        raise PlanProblem("way", "dips are written down where they are read: in the bed's Water, or in Season")
    else:
        material = garden_supplies(garden).materials.get(of)
        if material is None:
            raise Missing
        measure_material(garden.pk, of, measured_figures(way, readings, material))


def _take_of_bed(garden: Garden, way: Way, of: str) -> None:
    kept = garden.beds.filter(key=of, deleted_at=None).first()
    if kept is None:
        raise Missing
    bed, name = bed_plan(kept), BY_BED[way]
    save_bed(kept, kept.revision, bed.model_copy(update={name: max(TIMES[way], getattr(bed, name))}))


def _take_of_suppliers(garden: Garden, suppliers: list[PlanSupplier]) -> None:
    words = haul_words(garden)
    save_sources(garden.pk, garden.sources_revision, replace(words, suppliers=suppliers))


def _asked_today(supplier: PlanSupplier, of: str) -> PlanSupplier:
    if supplier.key != of:
        return supplier
    offers = [each.model_copy(update={"priced_on": today().isoformat()}) for each in supplier.offers]
    return supplier.model_copy(update={"offers": offers})


def _checked(supplier: PlanSupplier, material: str, readings: BucketReadings) -> PlanSupplier:
    """A supplier whose bags of a material hold what one was measured to hold, in proportion to their labels."""
    if readings.volume_m3 is None or readings.trodden_m3 is None or readings.volume_m3 <= 0:
        raise PlanProblem("volume_m3", "has to be read: what the label says, and what the bag holds")
    share = readings.trodden_m3 / readings.volume_m3
    offers = [
        each.model_copy(update={"checked_m3": each.volume_m3 * share})
        if isinstance(each, BagOfferModel) and each.material == material and each.volume_m3 is not None
        else each
        for each in supplier.offers
    ]
    return supplier.model_copy(update={"offers": offers})
