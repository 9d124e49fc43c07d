"""Ways of filling on a phone, between two windows, and with the line down: none is lost."""

from __future__ import annotations

import re

import pytest
from django.contrib.auth.models import User
from playwright.sync_api import Page, expect

from nolbet.gardens.models import Garden
from tests.browser.gardens import keep, open_section, saved
from tests.core import zoo

pytestmark = pytest.mark.browser

ASIDE = {"name": "All compost", "school": "straight_fill", "layers": [{"material": "compost", "fill": True}]}
BOX = zoo.bed(key="box", name="Shed box", headspace_m=0.025, set_aside=[ASIDE])
NOTHING = {"name": "Bare", "layers": []}


def ways_of(garden: Garden) -> list[list[str]]:
    """Materials of every way that is kept, the bed's own first."""
    cut = garden.beds.get(key="box").cut
    stacks = [cut["layers"], *(each["layers"] for each in cut["set_aside"])]
    return [[layer["material"] for layer in stack] for stack in stacks]


def test_a_way_is_taken_over_on_a_phone(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BOX)
    app.set_viewport_size({"width": 390, "height": 844})
    open_section(app, home, garden, "box")
    app.get_by_role("link", name="Compare 2").click()
    expect(app.locator("[data-part=compare-name]")).to_have_text(["My own layers", "All compost"])
    table = app.locator("[data-part=compare-scroll]")
    assert table.evaluate("each => each.scrollWidth > each.clientWidth")
    assert app.evaluate("document.documentElement.scrollWidth") <= 390
    app.get_by_role("button", name="Take this one").click()
    expect(app.locator("[data-part=layer-name]")).to_have_text(["Compost"])
    saved(app)
    assert ways_of(garden) == [["compost"], ["topsoil"]]


def test_two_windows_swap_ways_and_both_stay(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BOX)
    open_section(app, home, garden, "box")
    other = app.context.new_page()
    open_section(other, home, garden, "box")
    other.get_by_role("link", name="Compare 2").click()
    other.get_by_role("button", name="Take this one").click()
    saved(other)
    app.get_by_label("Name of the bed").fill("Lean-to box")
    app.keyboard.press("Enter")
    notice = app.get_by_role("alert").filter(has_text="changed elsewhere")
    notice.get_by_role("button", name="Keep mine").click()
    saved(app)
    assert ways_of(garden) == [["topsoil"], ["compost"]]
    app.keyboard.press("Control+z")
    saved(app)
    other.close()
    assert sorted(ways_of(garden)) == [["compost"], ["topsoil"]]


def test_with_the_line_down_a_way_is_taken_over_and_kept_later(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BOX)
    open_section(app, home, garden, "box")
    app.get_by_role("link", name="Compare 2").click()
    expect(app.locator("[data-part=compare-name]")).to_have_count(2)
    app.context.set_offline(True)
    app.get_by_role("button", name="Take this one").click()
    expect(app.get_by_role("status").filter(has_text="No connection")).to_be_visible()
    app.context.set_offline(False)
    saved(app)
    expect(app.locator("[data-part=layer-name]")).to_have_text(["Compost"])
    assert ways_of(garden) == [["compost"], ["topsoil"]]


def test_an_empty_way_can_be_compared_and_left_out(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BOX | {"set_aside": [ASIDE, NOTHING]})
    app.goto(f"{home}/garden/{garden.pk}/section/bed/box/compare")
    expect(app.get_by_role("row", name=re.compile("^First sowing"))).to_contain_text("nothing to sow in")
    app.get_by_role("button", name="Leave it out").nth(1).click()
    expect(app.locator("[data-part=compare-name]")).to_have_text(["My own layers", "All compost"])
    app.get_by_role("button", name="Undo").click()
    expect(app.locator("[data-part=compare-name]")).to_have_text(["My own layers", "All compost", "Bare"])
    saved(app)
    assert ways_of(garden) == [["topsoil"], ["compost"], []]
