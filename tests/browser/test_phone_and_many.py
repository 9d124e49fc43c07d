"""Whole jobs with a thumb, a garden of sixty beds, and measures typed bare."""

from __future__ import annotations

import re

import pytest
from django.contrib.auth.models import User
from playwright.sync_api import Page, expect

from nolbet.gardens.models import Bed
from nolbet.plans.storing import store_plan
from nolbet_core.built.plan_file import read_plan
from tests.browser.gardens import keep, saved
from tests.core import zoo

pytestmark = pytest.mark.browser

PHONE = {"width": 390, "height": 844}
LOW = {"width": 640, "height": 400}


def new_ground(gardener: User) -> None:
    """A garden in feet and inches without a bed."""
    document = zoo.plan(garden={"name": "New ground", "units": "ft_in"})
    store_plan(gardener.pk, read_plan(document | {"beds": []}).plan)


def test_a_bed_from_nothing_to_filled_by_a_school_on_a_phone(app: Page, home: str, gardener: User) -> None:
    new_ground(gardener)
    app.set_viewport_size(PHONE)
    app.goto(home)
    app.get_by_label("What it is called").fill("Herb box")
    app.get_by_label("All measures in one").fill("4 x 8 x 24")
    app.get_by_label("All measures in one").press("Tab")
    # 32 sq ft under 23 of the 24 inches
    expect(app.locator("[data-part=holds]")).to_contain_text("61.3 cu ft")
    app.get_by_role("radio", name=re.compile("^Wood in a box")).click()
    app.get_by_role("button", name="Cut it open").click()
    expect(app.locator("[data-part=layer-name]").last).to_have_text("Cardboard, 2 plies")
    saved(app)
    kept = Bed.objects.get(key="herb_box").cut
    assert [layer["material"] for layer in kept["layers"]][-1] != "topsoil"
    assert kept["shape"]["depth_m"] == pytest.approx(24 * 0.0254)

    app.get_by_role("button", name="More", exact=True).click()
    app.get_by_role("dialog").get_by_role("link", name="Shelf").click()
    expect(app.get_by_role("heading", name="Shelf")).to_be_visible()


def test_the_48th_of_sixty_beds_is_found_by_name(app: Page, home: str, gardener: User) -> None:
    beds = [zoo.bed(key=f"bed_{each}", name=f"Row {each} bed") for each in range(1, 61)]
    garden = keep(gardener, *beds)
    app.goto(f"{home}/garden/{garden.pk}/section/bed/bed_2")
    app.get_by_role("button", name="all 60").click()
    app.get_by_role("combobox").fill("Row 48")
    app.get_by_role("option", name=re.compile("Row 48 bed")).click()
    expect(app.get_by_label("Name of the bed")).to_have_value("Row 48 bed")
    chosen = app.locator("[data-part=bed-strip] [aria-current=page]")
    expect(chosen).to_contain_text("Row 48 bed")
    expect(chosen).to_be_in_viewport()


def test_a_bare_number_is_taken_in_the_unit_that_stands_in_the_field(app: Page, home: str, gardener: User) -> None:
    new_ground(gardener)
    app.goto(home)
    app.get_by_label("All measures in one").fill("4 x 8")
    app.get_by_label("All measures in one").press("Tab")
    expect(app.get_by_label("Length")).to_have_value(re.compile("^8'"))
    expect(app.get_by_label("Width")).to_have_value(re.compile("^4'"))
    app.get_by_label("Length").fill("6")
    app.get_by_label("Depth").fill("8")
    app.get_by_label("Depth").press("Tab")
    # 6 x 4 ft under 7 of the 8 inches
    expect(app.locator("[data-part=holds]")).to_contain_text("14.0 cu ft")
    app.get_by_role("button", name="Cut it open").click()
    expect(app.get_by_label("Length")).to_have_value("6'")
    expect(app.get_by_label("Depth")).to_have_value('8"')


@pytest.mark.parametrize("view", ["section/bed/plain", "plot", "haul", "shelf"])
def test_the_bars_leave_a_low_window_four_fifths(app: Page, home: str, gardener: User, view: str) -> None:
    garden = keep(gardener, zoo.bed(key="plain", name="Plain"))
    app.set_viewport_size(LOW)
    app.goto(f"{home}/garden/{garden.pk}/{view}")
    expect(app.locator("main").first).to_be_visible()
    body = app.locator("#view").bounding_box()
    assert body
    assert body["width"] * body["height"] >= 0.8 * LOW["width"] * LOW["height"]
    rail = app.locator("[data-part=hand-rail]").bounding_box()
    assert rail
    assert rail["y"] == 0
