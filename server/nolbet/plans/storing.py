"""A plan taken apart into the rows of a new garden, all of it or nothing."""

from __future__ import annotations

from django.db import transaction

from nolbet.gardens.models import Bed, BedVersion, Garden
from nolbet.gardens.quotas import check_room_for_garden
from nolbet.gardens.rows import bed_columns, crops_column, head_columns, plot_columns
from nolbet.haul.rows import bought_columns, keep_suppliers, replace_stock
from nolbet.season.rows import keep_season
from nolbet.shelf.rows import keep_materials, keep_mixes
from nolbet.water.rows import keep_log, keep_probes, keep_weather
from nolbet.works.models import KeptWorks
from nolbet.works.rows import works_columns
from nolbet_core.plan.garden import Plan
from nolbet_core.plan.log import Dip, HoursSpent, Purchase, season_entries


def store_plan(owner_id: int, plan: Plan) -> Garden:
    """Keep a checked plan as a new garden of an owner. Raises Full where no more may be kept."""
    columns = {**head_columns(plan.garden), **plot_columns(plan.garden.plot)}
    columns["cutting"] = plan.cutting.model_dump(exclude_unset=True)
    columns["fixed"] = [each.model_dump(mode="json", exclude_none=True) for each in plan.fixed]
    columns["crops"] = crops_column(plan.crops)
    columns["certainty"] = plan.certainty
    columns["bought"] = bought_columns([each for each in plan.log if isinstance(each, Purchase)])
    beds = [{"key": bed.key, "position": place, **bed_columns(bed)} for place, bed in enumerate(plan.beds)]
    with transaction.atomic():
        check_room_for_garden(owner_id)
        garden = Garden.objects.create(owner_id=owner_id, **columns)
        keep_materials(garden, plan.materials)
        keep_mixes(garden, plan.mixes)
        kept = Bed.objects.bulk_create(Bed(garden=garden, **each) for each in beds)
        BedVersion.objects.bulk_create(bed.as_version() for bed in kept)
        replace_stock(garden, plan.stock)
        keep_suppliers(garden, plan.suppliers)
        by_key = {bed.key: bed for bed in kept}
        keep_weather(garden, plan.weather)
        keep_log(by_key, [each for each in plan.log if isinstance(each, Dip)])
        keep_season(garden, by_key, season_entries(plan.log))
        keep_probes(by_key, plan.probes)
        spent = [each for each in plan.log if isinstance(each, HoursSpent)]
        if plan.garden.works or plan.garden.pace or spent:
            KeptWorks.objects.create(garden=garden, **works_columns(plan.garden.works, plan.garden.pace, spent))
    return garden
