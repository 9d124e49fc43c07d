"""What all tests share: gardeners with gardens, and how hypothesis runs."""

from __future__ import annotations

import pytest
from django.contrib.auth.models import User
from django.test import Client
from hypothesis import HealthCheck, settings

from nolbet.gardens.models import Garden
from nolbet.plans.storing import store_plan
from nolbet_core.built.plan_file import read_plan
from tests.core import zoo

settings.register_profile("nolbet", deadline=None, max_examples=60, suppress_health_check=[HealthCheck.too_slow])
settings.load_profile("nolbet")


@pytest.fixture
def gardener(db: None) -> User:
    """A gardener with an account."""
    return User.objects.create_user("gardener", password="a long enough phrase")


@pytest.fixture
def stranger(db: None) -> User:
    """Another gardener."""
    return User.objects.create_user("stranger", password="a long enough phrase")


@pytest.fixture
def garden(gardener: User) -> Garden:
    """The gardener's garden: a plain bed, one with mixed amounts, a supplier and a heap."""
    document = zoo.plan(
        zoo.bed(name="Plain"),
        zoo.MIXED_AMOUNTS,
        suppliers=zoo.SUPPLIERS,
        stock=[{"material": "branches", "volume_m3": 0.05}],
        garden={"name": "Test ground", "units": "ft_in"},
    )
    plan = read_plan(document).plan
    return store_plan(gardener.pk, plan)


@pytest.fixture
def signed_in(gardener: User) -> Client:
    """A client signed in as the gardener."""
    client = Client()
    client.force_login(gardener)
    return client
