"""Loads the demo household once; what a person has changed since is left alone."""

from __future__ import annotations

from datetime import UTC, datetime
from pathlib import Path

from django.contrib.auth import get_user_model
from django.db import transaction

from nolbet.clock import today
from nolbet.demo.sign_in import GARDENER
from nolbet.gardens.models import Garden
from nolbet.plans.storing import store_plan
from nolbet.water.models import Dip, Probe
from nolbet_core.built.plan_file import load_plan

TANK = "winch_tank"
DIPS = {(5, 30): 0.215, (6, 20): 0.16, (7, 8): 0.115, (7, 29): 0.07, (9, 12): 0.175}

LEAK_M3_DAY = 0.004
"""What a seam by the overflow loses."""

PLAN_FILE = Path(__file__).with_name("brackwater.nolbet.json")


@transaction.atomic
def load_demo() -> bool:
    """Make the demo gardener with the household's garden. False where the gardener is there already."""
    users = get_user_model().objects
    if users.filter(username=GARDENER).exists():
        return False
    gardener = users.create(username=GARDENER)
    gardener.set_unusable_password()
    gardener.save()
    garden = store_plan(gardener.pk, load_plan(PLAN_FILE.read_bytes()).plan)
    _set_instruments(garden)
    return True


def _set_instruments(garden: Garden) -> None:
    """A probe in the tank, and what a stick read of it over the summer."""
    tank = garden.beds.get(key=TANK)
    Probe.objects.create(bed=tank, seed=4, leak_m3_day=LEAK_M3_DAY)
    for (month, day), level_m in DIPS.items():
        at = datetime(today().year, month, day, 8, tzinfo=UTC)
        Dip.objects.create(bed=tank, at=at, level_m=level_m)
