"""Loads the demo household once; what a person has changed since is left alone."""

from __future__ import annotations

from pathlib import Path

from django.contrib.auth import get_user_model
from django.db import transaction

from nolbet.demo.sign_in import GARDENER
from nolbet.gardens.plans import store_plan
from nolbet_core.plan.load import load_plan

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
    plan, _ = load_plan(PLAN_FILE.read_bytes())
    store_plan(gardener.pk, plan)
    return True
