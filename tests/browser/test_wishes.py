"""From what there is to a bed: proposals are looked for, one is taken, changed and hauled; or what to ease is told."""

from __future__ import annotations

from typing import Any

import pytest
from django.contrib.auth.models import User
from playwright.sync_api import Page, expect

from nolbet.gardens.models import Garden
from nolbet.plans.storing import store_plan
from nolbet.plans.whole import whole_plan
from nolbet_core.built.plan_file import read_plan
from tests.browser.gardens import saved
from tests.core import zoo

pytestmark = pytest.mark.browser

STORES: list[dict[str, Any]] = [
    {
        "key": "stores",
        "name": "Saltgrass stores",
        "offers": [
            {"material": "compost", "form": "bag", "volume_m3": 0.04, "price": "6.20", "fetch": True},
            {"material": "topsoil", "form": "bag", "volume_m3": 0.04, "price": "4.90", "fetch": True},
            {"material": "raised_bed_mix", "form": "bulk", "price_per_m3": "70.00", "fetch": True},
        ],
    }
]


def keep_sellers(gardener: User, **changes: Any) -> Garden:
    """A garden of one bed whose stores sell soil and compost."""
    head = {"name": "Test ground", "units": "metric"}
    document = zoo.plan(zoo.bed(name="Old bed"), suppliers=STORES, garden=head, **changes)
    return store_plan(gardener.pk, read_plan(document).plan)


def open_wishes(app: Page, home: str, garden: Garden) -> None:
    app.goto(f"{home}/garden/{garden.pk}/wishes")
    expect(app.get_by_role("heading", name="Wishes")).to_be_visible()


def enter(app: Page, label: str, text: str) -> None:
    field = app.get_by_label(label, exact=True)
    field.fill(text)
    field.press("Tab")


def enter_what_there_is(app: Page) -> None:
    """Eight boards of 2.4 m, a heap of logs, thirty bags of leaves."""
    app.get_by_role("button", name="Enter boards").click()
    app.get_by_label("Boards of").select_option("larch")
    enter(app, "How many", "8")
    enter(app, "True thickness × width", "38 x 190 mm")
    enter(app, "Length", "2.4 m")
    app.get_by_role("button", name="Keep").click()
    expect(app.locator("[data-part=lying]")).to_contain_text(["8 boards of larch"])
    for name, way, much in (("Logs, ash and birch", "volume", "0.6 m3"), ("Leaves", "bag", "30")):
        app.get_by_role("button", name="Enter a heap").click()
        app.get_by_role("combobox", name="A heap of").fill(name)
        app.get_by_role("listbox", name="A heap of").get_by_role("option", name=name).first.click()
        app.get_by_label("Counted in").select_option(way)
        if way == "volume":
            enter(app, "Loose volume", much)
        else:
            enter(app, "How many", much)
            enter(app, "One bag holds", "50 L")
        app.get_by_role("button", name="Keep").click()
    expect(app.locator("[data-part=lying]")).to_have_count(3)


def test_a_proposal_is_taken_changed_and_hauled(app: Page, home: str, gardener: User) -> None:
    garden = keep_sellers(gardener)
    open_wishes(app, home, garden)
    enter(app, "To spend now", "300")
    enter_what_there_is(app)
    enter(app, "To grow on, at least", "2 m2")
    app.get_by_label("Ready to sow by").fill("2027-05-20")
    app.get_by_role("button", name="Look for beds").click()
    looked = app.locator("[data-part=looked]")
    expect(looked).to_contain_text("ways judged.", timeout=90_000)
    proposals = app.locator("[data-part=proposal]")
    assert proposals.count() >= 3
    expect(app.locator("[data-part=proposal-spot]")).to_have_count(proposals.count())
    app.get_by_label("Across").select_option("hours")
    wooden = proposals.filter(has_text="Wood in a box")
    (wooden if wooden.count() else proposals).first.get_by_role("button", name="Take it").click()
    expect(app.locator("[data-part=tally-volume]")).not_to_be_empty()
    plan = whole_plan(Garden.objects.get(pk=garden.pk))
    assert len(plan.stock) == 3
    bed = plan.beds[-1]
    assert bed.frame is not None
    name = app.get_by_label("Name of the bed")
    name.fill("From what there was")
    name.press("Enter")
    saved(app)
    app.get_by_role("link", name="Haul").first.click()
    expect(app.locator("[data-part=haul-pay] b").first).to_contain_text("$")
    assert whole_plan(Garden.objects.get(pk=garden.pk)).beds[-1].name == "From what there was"


def test_nothing_goes_for_twenty_dollars_and_what_to_ease_is_told(app: Page, home: str, gardener: User) -> None:
    garden = keep_sellers(gardener)
    open_wishes(app, home, garden)
    enter(app, "To spend now", "20")
    enter(app, "To grow on, at least", "4 m2")
    app.get_by_role("button", name="Look for beds").click()
    expect(app.locator("[data-part=looked]")).to_contain_text("none can be built", timeout=90_000)
    expect(app.locator("[data-part=ease]").filter(has_text="instead of $20.00")).to_be_visible()
    # what was typed is there again
    app.reload()
    expect(app.get_by_label("To spend now")).to_have_value("$20.00")


def test_a_wish_that_is_not_understood_is_named_and_a_line_that_is_down_told(
    app: Page, home: str, gardener: User
) -> None:
    garden = keep_sellers(gardener)
    open_wishes(app, home, garden)
    enter(app, "To grow on, at least", "as much as goes")
    app.get_by_role("button", name="Look for beds").click()
    expect(app.get_by_text("To grow on, at least isn't understood yet.")).to_be_visible()
    expect(app.get_by_label("To grow on, at least")).to_have_value("as much as goes")
    enter(app, "To grow on, at least", "2 1/2 m2")
    expect(app.get_by_label("To grow on, at least")).to_have_value("2.50 m²")
    app.context.set_offline(True)
    app.get_by_role("button", name="Look for beds").click()
    expect(app.locator("[data-part=wishes-found]").get_by_role("alert")).to_be_visible()
    expect(app.get_by_text("isn't understood yet")).to_have_count(0)
    app.context.set_offline(False)
    app.get_by_role("button", name="Look for beds").click()
    expect(app.locator("[data-part=looked]")).to_contain_text("ways judged.", timeout=90_000)


def test_a_look_is_left_off(app: Page, home: str, gardener: User) -> None:
    board = {"material": "larch", "thickness_m": 0.038, "width_m": 0.19, "count": 40}
    garden = keep_sellers(gardener, stock=[board | {"length_m": length_m} for length_m in (2.4, 3.0, 3.6, 4.2)])
    open_wishes(app, home, garden)
    enter(app, "To grow on, at least", "3 m2")
    app.get_by_role("button", name="Look for beds").click()
    expect(app.locator("[data-part=looked]")).to_contain_text("ways judged")
    app.get_by_role("button", name="Leave off").click()
    expect(app.get_by_role("button", name="Look for beds")).to_be_enabled()
