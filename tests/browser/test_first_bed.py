"""From an empty garden to a bed that is still there tomorrow."""

from __future__ import annotations

import re

import pytest
from django.contrib.auth.models import User
from playwright.sync_api import Page, expect

from nolbet.gardens.models import Bed
from nolbet.plans.storing import store_plan
from nolbet_core.built.plan_file import read_plan
from tests.browser.finding import choose
from tests.browser.gardens import saved
from tests.core import zoo

pytestmark = pytest.mark.browser

COMPOST_BAGS = [
    {
        "key": "stores",
        "name": "Saltgrass stores",
        "offers": [
            {"material": "compost", "form": "bag", "volume_m3": 0.04, "price": "6.20", "fetch": True},
            {"material": "topsoil", "form": "bag", "volume_m3": 0.05, "price": "8.90", "fetch": True},
        ],
    }
]


def empty_garden(gardener: User) -> None:
    """A garden with a supplier and no bed."""
    document = zoo.plan(suppliers=COMPOST_BAGS, garden={"name": "New ground", "units": "ft_in"})
    plan = read_plan(document | {"beds": []}).plan
    store_plan(gardener.pk, plan)


def bags(app: Page) -> int:
    """Bags to buy, as the tally says."""
    said = app.locator("[data-part=fact]", has_text="Bought in bags").locator("dd").inner_text()
    return int(re.match(r"(\d+) bag", said)[1])  # type: ignore[index]  # a tally without bags fails the test


def test_measure_fill_drag_and_find_again(app: Page, home: str, gardener: User) -> None:
    empty_garden(gardener)
    app.goto(home)
    expect(app.get_by_role("heading", name="Measure the first bed")).to_be_visible()
    app.get_by_label("What it is called").fill("Trial bed")
    app.get_by_label("Length").fill("8 ft")
    app.get_by_label("Width").fill("4 ft")
    app.get_by_label("Depth").fill("10 in")
    choose(app.get_by_label("Filled with"), "loam", "Topsoil")
    app.get_by_role("button", name="Cut it open").click()

    expect(app.get_by_label("Name of the bed")).to_have_value("Trial bed")
    # 4 x 8 ft, less an inch of headspace: 32 sq ft x 9.016 in = 24.0 cu ft placed, 27.6 loose, 16 bags of 50 L
    expect(app.locator("[data-part=layer-card]").first).to_contain_text("24.0 cu ft")
    expect(app.locator("[data-part=tally]")).to_contain_text("16 bags · $142.40")

    app.keyboard.press("Escape")
    app.locator("body").click(position={"x": 700, "y": 760})
    app.keyboard.press("a")
    choose(app.get_by_role("combobox", name="New layer"), "black gold", "Compost")
    thickness = app.get_by_label("Thickness of Compost")
    thickness.fill("3")
    thickness.press("Enter")
    # 8.0 cu ft of compost placed, 9.2 loose, 7 bags of 40 L; topsoil 16.0 placed, 18.4 loose, 11 bags
    expect(app.locator("[data-part=tally]")).to_contain_text("18 bags · $141.30")

    before = bags(app)
    handle = app.get_by_role("slider", name="Top of Topsoil")
    box = handle.bounding_box()
    assert box
    app.mouse.move(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)
    app.mouse.down()
    app.mouse.move(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2 + 90, steps=6)
    app.mouse.up()
    expect(thickness).not_to_have_value('3"')
    expect(app.locator("[data-part=fact]", has_text="Bought in bags")).not_to_contain_text(f"{before} bags")
    dragged = thickness.input_value()
    after = bags(app)
    assert after > before

    saved(app)
    app.reload()
    expect(app.get_by_label("Thickness of Compost")).to_have_value(dragged)
    expect(app.locator("[data-part=tally]")).to_contain_text(f"{after} bags")
    (kept,) = Bed.objects.all()
    assert [layer["material"] for layer in kept.cut["layers"]] == ["topsoil", "compost"]
