"""A gardener mixes soil: thirds for a bed, a bucket test, the cheapest that fits, whole bags, and what is refused."""

from __future__ import annotations

import re
from typing import Any

import pytest
from django.contrib.auth.models import User
from playwright.sync_api import Locator, Page, expect

from nolbet.gardens.models import Garden
from nolbet.plans.storing import store_plan
from nolbet_core.built.plan_file import read_plan
from tests.browser.finding import choose
from tests.browser.gardens import open_section, saved, warned
from tests.core import zoo

pytestmark = pytest.mark.browser

YARD = {
    "key": "yard",
    "name": "Pennyfold yard",
    "offers": [
        {"material": key, "form": "bag", "volume_m3": size, "price": price, "fetch": True}
        for key, size, price in (
            ("topsoil", 0.02, "4.00"), ("compost", 0.04, "6.00"), ("coarse_sand", 0.0125, "4.00"),
            ("coir", 0.07, "17.00"), ("perlite", 0.1, "27.00"),
        )
    ],
}  # fmt: skip
WET = zoo.bed(
    key="wet",
    name="Wet bed",
    shape=zoo.shape(2.0, 1.0, 0.5),
    layers=[{"material": "plain", "thickness_m": 0.28}],
    reservoir={"height_m": 0.2, "overflow_m": 0.2, "medium": "gravel_20"},
)
BOX = zoo.bed(key="box", name="Shed box", layers=[{"material": "topsoil", "fill": True}])
PLAIN = {"key": "plain", "name": "Plain mix", "parts": [{"material": "topsoil", "parts": 1}]}


def keep_plan(gardener: User, *beds: dict[str, Any], **changes: Any) -> Garden:
    """A garden with beds and a supplier, in metric units."""
    plan = read_plan(
        zoo.plan(*beds, suppliers=[YARD], garden={"name": "Test ground", "units": "metric"}, **changes)
    ).plan
    return store_plan(gardener.pk, plan)


def mark(app: Page, name: str) -> Locator:
    """A figure on its band."""
    return app.locator("[data-part=blend-like] [data-part=blend-mark]").filter(has_text=name)


def add(app: Page, name: str) -> None:
    """Add a part."""
    choose(app.get_by_label("Add a part"), name)


def test_thirds_for_a_bed_and_a_bucket_test_changes_the_bags(app: Page, home: str, gardener: User) -> None:
    garden = keep_plan(gardener, BOX)
    app.goto(f"{home}/garden/{garden.pk}/blend")
    app.get_by_role("button", name="Mix the first soil").click()
    name = app.get_by_label("Name of the mix")
    expect(name).to_have_value("First mix")
    name.fill("Even thirds")
    add(app, "Coarse sand")
    expect(app.locator("[data-part=blend-part-foot]").filter(has_text="33.3 %")).to_have_count(3)
    expect(mark(app, "Water held")).to_contain_text("36 %")
    expect(mark(app, "Air once drained")).to_contain_text("19.7 %")
    saved(app)
    assert garden.mixes.get().name == "Even thirds"

    open_section(app, home, garden, "box")
    app.locator("[data-part=layer-name]").first.click()
    app.get_by_role("combobox", name="Made of").fill("Even thirds")
    app.get_by_role("option", name="Even thirds").click()
    saved(app)
    app.get_by_role("link", name="Blend").click()
    recipe = app.locator("[data-part=blend-recipe]")
    expect(recipe.get_by_label("Recipe for")).to_have_value("box")
    # a third of 1.133 m3 loose: 0.378 m3 each
    expect(recipe.get_by_text("19 bags of 20 L")).to_be_visible()
    expect(recipe.get_by_text("10 bags of 40 L")).to_be_visible()
    expect(recipe.get_by_text("31 bags of 13 L")).to_be_visible()

    app.get_by_text("Bucket test").click()
    app.get_by_label("Buckets in").fill("6")
    app.keyboard.press("Enter")
    app.get_by_label("Buckets out").fill("4.8")
    app.keyboard.press("Enter")
    expect(recipe.get_by_text("24 bags of 20 L")).to_be_visible()
    expect(app.locator("[data-part=tally-volume]")).to_contain_text("2.4 of 3 parts")
    saved(app)
    app.get_by_role("link", name="Haul").click()
    expect(app.locator("[data-part=haul-view]")).to_contain_text("24")
    app.get_by_role("link", name="Blend").click()
    app.get_by_role("button", name="Forget it").click()
    expect(recipe.get_by_text("19 bags of 20 L")).to_be_visible()


def test_the_cheapest_wicking_mix_is_found_and_taken_over(app: Page, home: str, gardener: User) -> None:
    garden = keep_plan(gardener, WET, mixes=[PLAIN])
    app.goto(f"{home}/garden/{garden.pk}/blend/plain")
    app.get_by_label("What it is for").select_option("wicking_bed")
    # the soil stands 28 cm over the water of its own bed
    expect(mark(app, "Wicks up")).to_contain_text("28 cm or more, fits")
    expect(mark(app, "Water held")).to_contain_text("too little")
    app.get_by_role("button", name="Find it").click()
    found = app.locator("[data-part=blend-found]")
    expect(found).to_contain_text("a cheaper one would leave the band of")
    expect(found.locator("tr").filter(has_text="Topsoil")).to_contain_text("100 %")
    found.get_by_role("button", name="Take it over").click()
    expect(app.locator("[data-part=blend-like] [data-under], [data-part=blend-like] [data-over]")).to_have_count(0)
    expect(mark(app, "Water held")).to_contain_text(re.compile(r"4[5-9]|5\d"))
    zone = app.locator("[data-part=blend-zones] li").filter(has_text="Plain mix")
    saved(app)
    expect(zone).to_contain_text("wicking bed: fits")
    app.get_by_role("button", name="Undo").click()
    expect(mark(app, "Water held")).to_contain_text("too little")
    app.get_by_role("button", name="In whole bags").click()
    expect(found).to_contain_text(re.compile(r"\d+ bags for \$\d+"))
    expect(found.locator("li").first).to_contain_text("Pennyfold yard")


def test_what_no_mix_can_do_names_its_band(app: Page, home: str, gardener: User) -> None:
    garden = keep_plan(gardener, BOX, mixes=[PLAIN])
    app.goto(f"{home}/garden/{garden.pk}/blend/plain")
    app.get_by_text("Change the bands").click()
    water = app.get_by_role("group", name="Water")
    water.get_by_label("to", exact=True).fill("95 %")
    app.keyboard.press("Enter")
    water.get_by_label("Water from").fill("90 %")
    app.keyboard.press("Enter")
    expect(mark(app, "Water held")).to_contain_text("90 % to 95 %, too little")
    app.get_by_role("button", name="Find it").click()
    expect(app.locator("[data-part=blend-found]")).to_contain_text("No mix of these can:")
    expect(app.locator("[data-part=blend-found]")).to_contain_text("water held")
    app.get_by_role("button", name="Usual bands").click()
    expect(mark(app, "Water held")).to_contain_text("35 % to 60 %, fits")
    app.get_by_label("Limit a material").fill("Topsoil")
    app.get_by_role("option", name="Topsoil").click()
    app.get_by_role("group", name="Limits of Topsoil").get_by_label("to", exact=True).fill("40 %")
    app.keyboard.press("Enter")
    app.get_by_role("button", name="Find it").click()
    expect(app.locator("[data-part=blend-found] tr").filter(has_text="Topsoil")).to_contain_text("40 %")
    expect(app.locator("[data-part=blend-found]")).to_contain_text("a limit of a single material")


def test_nothing_and_loops_are_refused_and_nothing_typed_is_lost(app: Page, home: str, gardener: User) -> None:
    outer = {"key": "outer", "name": "Outer mix", "parts": [{"material": "plain", "parts": 1}]}
    garden = keep_plan(gardener, BOX, mixes=[PLAIN, outer])
    app.goto(f"{home}/garden/{garden.pk}/blend/plain")
    parts = app.get_by_label("Parts of Topsoil")
    parts.fill("0")
    app.keyboard.press("Enter")
    problem = app.get_by_role("alert")
    expect(problem).to_contain_text("the parts of a mix add up to nothing")
    expect(parts).to_have_value("0")
    expect(mark(app, "Water held")).to_be_visible()
    assert garden.mixes.get(key="plain").parts[0]["parts"] == 1
    app.get_by_role("button", name="More Topsoil").click()
    expect(problem).to_have_count(0)
    app.get_by_text("Bucket test").click()
    for label, buckets in (("Buckets in", "5"), ("Buckets out", "9")):
        app.get_by_label(label).fill(buckets)
        app.keyboard.press("Enter")
    expect(problem).to_contain_text("more than went in")
    expect(app.get_by_label("Buckets out")).to_have_value("9")
    app.get_by_label("Buckets out").fill("4 1/2")
    app.keyboard.press("Enter")
    expect(problem).to_have_count(0)
    app.get_by_role("button", name="Forget it").click()
    add(app, "Outer mix")
    expect(problem).to_contain_text("'outer' would contain itself")
    app.get_by_role("button", name="Take Outer mix out").click()
    expect(problem).to_have_count(0)
    saved(app)
    app.get_by_role("button", name="Forget").click()
    warned(app, "Plain mix is used in Outer mix")


def test_buckets_are_dragged_and_pushed_by_keys_and_a_mix_is_copied(app: Page, home: str, gardener: User) -> None:
    mix = PLAIN | {"parts": [{"material": "garden_soil", "parts": 2}, {"material": "compost", "parts": 1}]}
    garden = keep_plan(gardener, BOX, mixes=[mix])
    app.goto(f"{home}/garden/{garden.pk}/blend/plain")
    bucket = app.get_by_role("slider", name="Compost")
    bucket.focus()
    bucket.press("ArrowUp")
    expect(app.get_by_label("Parts of Compost")).to_have_value("1.25")
    box = bucket.bounding_box()
    assert box
    app.mouse.move(box["x"] + box["width"] / 2, box["y"] + box["height"] * 0.8)
    app.mouse.down()
    app.mouse.move(box["x"] + box["width"] / 2, box["y"] + box["height"] * 0.3, steps=6)
    app.mouse.up()
    dragged = app.get_by_label("Parts of Compost")
    # 30 % down a drawing of 120 px that holds five parts in 92 px: 3.80, in quarters
    expect(dragged).to_have_value("3.75")
    expect(app.locator("[data-part=finding]").filter(has_text="of it is compost")).to_be_visible()
    app.get_by_role("button", name="Undo").click()
    expect(dragged).to_have_value("1.25")
    app.get_by_label("Kept by the sieve").fill("25 %")
    app.keyboard.press("Enter")
    expect(app.locator("[data-part=tally-volume]")).to_contain_text("2.75 of 3.25 parts")
    expect(app.locator("[data-part=tally]")).to_contain_text("stones stay on the sieve")
    saved(app)
    app.get_by_role("button", name="Copy").click()
    expect(app.get_by_label("Name of the mix")).to_have_value("Plain mix copy")
    app.get_by_role("button", name="Forget").click()
    told = app.get_by_role("alert").filter(has_text="is forgotten")
    told.get_by_role("button", name="Undo").click()
    expect(app.get_by_label("Name of the mix")).to_have_value("Plain mix copy")
    assert garden.mixes.get(key="plain").parts[0]["rejected"] == 0.25


def test_on_a_phone_a_mix_is_reached_from_the_shelf_and_read_for_a_barrow(app: Page, home: str, gardener: User) -> None:
    half = PLAIN | {"parts": [{"material": key, "parts": 1} for key in ("topsoil", "compost")]}
    garden = keep_plan(gardener, BOX, WET, mixes=[half])
    app.set_viewport_size({"width": 390, "height": 844})
    app.goto(f"{home}/garden/{garden.pk}/shelf/plain")
    app.get_by_role("link", name="Open it in Blend").click()
    app.get_by_role("button", name="More Compost").click()
    expect(app.get_by_label("Parts of Compost")).to_have_value("1.5")
    recipe = app.locator("[data-part=blend-recipe]")
    recipe.get_by_label("Recipe for").select_option("barrow")
    # 85 L of two fifths and three fifths
    expect(recipe.locator("tr").filter(has_text="Topsoil").first).to_contain_text("34 L")
    expect(recipe.locator("tr").filter(has_text="Compost").first).to_contain_text("51 L")
    zones = app.locator("[data-part=blend-zones]")
    expect(zones.get_by_label("Bed", exact=True)).to_have_value("wet")
    zones.get_by_label("Bed", exact=True).select_option("box")
    expect(zones.locator("li")).to_have_text(re.compile("Topsoil.*not a mix"))
    options = recipe.get_by_label("Recipe for").locator("option")
    expect(options.filter(has_text="Shed box")).to_have_text("Shed box, in place of its soil")
    saved(app)
    wide = app.evaluate("document.scrollingElement.scrollWidth")
    assert wide <= 390


def test_what_is_mixed_while_the_line_is_down_is_kept_and_saved_in_order(app: Page, home: str, gardener: User) -> None:
    garden = keep_plan(gardener, BOX, mixes=[PLAIN])
    app.goto(f"{home}/garden/{garden.pk}/blend/plain")
    expect(mark(app, "Water held")).to_contain_text("42 %")
    app.route("**/api/**", lambda route: route.abort())
    more = app.get_by_role("button", name="More Topsoil")
    more.click()
    expect(app.get_by_role("status").filter(has_text="No connection: kept here")).to_be_visible()
    more.click()
    app.unroute("**/api/**")
    saved(app)
    assert garden.mixes.get(key="plain").parts[0]["parts"] == 2

    app.route("**/mixes/**", lambda route: route.abort())
    more.click()
    expect(app.get_by_role("status").filter(has_text="No connection: kept here")).to_be_visible()
    app.unroute("**/mixes/**")
    app.reload()
    expect(app.get_by_label("Parts of Topsoil")).to_have_value("2.5")
    saved(app)
    assert garden.mixes.get(key="plain").parts[0]["parts"] == 2.5
    app.get_by_role("button", name="Undo").click()
    expect(app.get_by_label("Parts of Topsoil")).to_have_value("2")
