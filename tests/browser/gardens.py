"""Gardens that browser tests start from."""

from __future__ import annotations

import re
from typing import Any

from django.contrib.auth.models import User
from playwright.sync_api import Locator, Page, expect

from nolbet.gardens.models import Garden
from nolbet.plans.storing import store_plan
from nolbet_core.built.plan_file import read_plan
from tests.core import zoo

STORES = [
    {
        "key": "stores",
        "name": "Saltgrass stores",
        "offers": [
            {"material": "compost", "form": "bag", "volume_m3": 0.04, "price": "6.20", "fetch": True},
            {"material": "topsoil", "form": "bag", "volume_m3": 0.015, "price": "2.90", "fetch": True},
            {"material": "branches", "form": "bulk", "price_per_m3": "10.00", "fetch": True},
        ],
    }
]

BRANCHY = zoo.bed(
    key="branchy",
    name="Branchy",
    headspace_m=0.03,
    layers=[
        {"material": "cardboard", "plies": 2, "lap_m": 0.15},
        {"material": "branches", "thickness_m": 0.15},
        {"material": "compost", "thickness_m": 0.1},
        {"material": "topsoil", "fill": True},
    ],
)


def keep(
    gardener: User, *beds: dict[str, Any], units: str = "metric", ground: dict[str, Any] | None = None, **changes: Any
) -> Garden:
    """A garden of beds with one supplier, on a plot where one is given."""
    head = {"name": "Test ground", "units": units} | ({"plot": ground} if ground else {})
    document = zoo.plan(suppliers=STORES, garden=head, **changes)
    plan = read_plan(document | {"beds": list(beds)}).plan
    return store_plan(gardener.pk, plan)


def open_section(app: Page, home: str, garden: Garden, key: str, told: str = "Volume in the bed") -> None:
    """A bed's section, figures and buying there. told: what its tally says once it is worked out."""
    app.goto(f"{home}/garden/{garden.pk}/section/bed/{key}")
    expect(app.locator("[data-part=tally]")).to_contain_text(told)


def told_as(app: Page, name: str) -> Locator:
    """A figure by its name, without the band under it."""
    return app.locator("[data-part=fact]", has_text=name).locator("dd > span").first


def saved(app: Page) -> None:
    """Wait until all that was typed is understood, nothing waits to be saved, and the page says that it is saved."""
    expect(app.locator("input[aria-busy=true]")).to_have_count(0)
    app.wait_for_function("() => !Object.keys(localStorage).some((name) => name.startsWith('nolbet.draft.'))")
    expect(app.get_by_role("status").filter(has_text=re.compile(r"^Saved( \d|$)"))).to_be_visible()


def warned(app: Page, told: str | re.Pattern[str]) -> None:
    """Wait until the page warns in such words, whatever else it warns of meanwhile."""
    expect(app.get_by_role("alert").filter(has_text=told).first).to_be_visible()
