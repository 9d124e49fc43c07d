"""The plot over saves: two windows, the line down, undo of a move, turning by hand, a phone."""

from __future__ import annotations

import re
from typing import Any

import pytest
from django.contrib.auth.models import User
from playwright.sync_api import Page, expect

from nolbet.gardens.models import Bed, Garden
from tests.browser.finding import choose
from tests.browser.gardens import keep, open_section, saved, told_as
from tests.core import zoo
from tests.core.shapes import shape

pytestmark = pytest.mark.browser

GROUND: dict[str, Any] = {"corners_m": [[0, 0], [12, 0], [12, 9], [0, 9]]}
ONE = zoo.bed(key="one", name="One", places=[{"x_m": 3.0, "y_m": 3.0}])


def open_plot(page: Page, home: str, garden: Garden) -> None:
    """A garden's plot, its figures there."""
    page.goto(f"{home}/garden/{garden.pk}/plot")
    expect(page.locator("[data-part=bed-on-plot]").first).to_be_visible()
    expect(page.get_by_role("region", name="The ground", exact=True)).to_contain_text("m²")


def add_course(page: Page, name: str) -> None:
    """Lay something on the paths."""
    choose(page.get_by_role("combobox", name=re.compile("^Lay on")), name)
    expect(page.get_by_label(re.compile(f"^Thickness of {name}.* on the paths", re.I))).to_be_visible()


def courses(garden: Garden) -> list[str]:
    """Materials of the kept courses."""
    plot = Garden.objects.get(pk=garden.pk).plot or {}
    return [course["material"] for course in plot.get("courses", [])]


def test_two_windows_on_one_plot_lose_nothing_in_silence(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, ONE, ground=GROUND)
    open_plot(app, home, garden)
    other = app.context.new_page()
    open_plot(other, home, garden)
    add_course(other, "wood chips")
    saved(other)
    add_course(app, "path base")
    notice = app.get_by_role("alert").filter(has_text="changed elsewhere")
    expect(notice).to_be_visible()
    expect(app.get_by_role("status").filter(has_text="Not saved: changed elsewhere")).to_be_visible()
    assert courses(garden) == ["wood_chips"]
    notice.get_by_role("button", name="Take the newer one").click()
    expect(app.get_by_label(re.compile("^Thickness of Wood chips"))).to_be_visible()
    expect(app.get_by_label(re.compile("^Thickness of Path base"))).to_have_count(0)
    add_course(app, "path base")
    saved(app)
    assert courses(garden) == ["wood_chips", "path_base"]


def test_a_plot_changed_with_the_line_down_is_saved_when_it_is_back(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, ONE, ground=GROUND)
    open_plot(app, home, garden)
    app.route("**/plot", lambda route: route.abort() if route.request.method == "PUT" else route.fallback())
    add_course(app, "wood chips")
    expect(app.get_by_role("status").filter(has_text="No connection")).to_be_visible()
    assert courses(garden) == []
    app.reload()
    expect(app.get_by_label(re.compile("^Thickness of Wood chips"))).to_be_visible()
    app.unroute("**/plot")
    saved(app)
    assert courses(garden) == ["wood_chips"]


def test_a_move_is_a_step_of_the_beds_own_history(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, ONE, ground=GROUND)
    open_plot(app, home, garden)
    app.locator('[data-bed="one 0"]').focus()
    app.keyboard.press("Shift+ArrowRight")
    expect(app.get_by_label("Along", exact=True)).to_have_value("3.5 m")
    saved(app)
    assert Bed.objects.get(key="one").cut["places"][0]["x_m"] == 3.5
    app.get_by_role("link", name="Cut it open").click()
    expect(app.locator("[data-part=tally-volume]")).to_be_visible()
    app.keyboard.press("Control+z")
    saved(app)
    assert Bed.objects.get(key="one").cut["places"][0]["x_m"] == 3.0
    app.get_by_role("link", name="Plot").click()
    app.locator('[data-bed="one 0"]').click()
    expect(app.get_by_label("Along", exact=True)).to_have_value("3 m")


def test_moves_and_changes_of_the_ground_are_undone_in_turn(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, ONE, ground=GROUND)
    open_plot(app, home, garden)
    app.locator('[data-bed="one 0"]').focus()
    app.keyboard.press("Shift+ArrowUp")
    expect(app.get_by_label("Up", exact=True)).to_have_value("3.5 m")
    add_course(app, "wood chips")
    app.locator('[data-bed="one 0"]').focus()
    app.keyboard.press("Control+z")
    expect(app.get_by_label(re.compile("^Thickness of Wood chips"))).to_have_count(0)
    expect(app.get_by_label("Up", exact=True)).to_have_value("3.5 m")
    app.keyboard.press("Control+z")
    expect(app.get_by_label("Up", exact=True)).to_have_value("3 m")
    app.keyboard.press("Control+Shift+Z")
    app.keyboard.press("Control+Shift+Z")
    expect(app.get_by_label(re.compile("^Thickness of Wood chips"))).to_be_visible()
    saved(app)
    assert courses(garden) == ["wood_chips"]
    assert Bed.objects.get(key="one").cut["places"][0]["y_m"] == 3.5


def test_a_bed_is_turned_by_its_handle_taken_off_and_put_back(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, ONE, ground=GROUND)
    open_plot(app, home, garden)
    app.locator('[data-bed="one 0"]').click()
    handle = app.locator("[data-part=plot-turn] circle").bounding_box()
    body = app.locator('[data-bed="one 0"] [data-part=plot-edge]').bounding_box()
    assert handle is not None and body is not None
    middle = (body["x"] + body["width"] / 2, body["y"] + body["height"] / 2)
    app.mouse.move(handle["x"] + handle["width"] / 2, handle["y"] + handle["height"] / 2)
    app.mouse.down()
    app.mouse.move(middle[0] + 2, middle[1] - 120, steps=6)
    app.mouse.up()
    expect(app.get_by_label("Turned, °")).to_have_value("90")
    app.get_by_role("button", name="Take it off the plot").click()
    expect(app.locator("[data-part=bed-on-plot]")).to_have_count(0)
    app.get_by_role("button", name="Put One on it").click()
    expect(app.locator("[data-part=bed-on-plot]")).to_have_count(1)
    saved(app)
    assert Bed.objects.get(key="one").cut["places"] == [{"x_m": 6.0, "y_m": 4.5, "turn_deg": 0.0}]


def test_a_bed_is_moved_on_a_phone_and_the_page_still_scrolls(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, ONE, ground=GROUND)
    app.set_viewport_size({"width": 390, "height": 844})
    open_plot(app, home, garden)
    box = app.locator('[data-bed="one 0"] [data-part=plot-edge]').bounding_box()
    assert box is not None
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    app.mouse.move(x, y)
    app.mouse.down()
    app.mouse.move(x + 60, y, steps=4)
    app.mouse.up()
    saved(app)
    assert Bed.objects.get(key="one").cut["places"][0]["x_m"] > 4
    touch = app.evaluate("getComputedStyle(document.querySelector('[data-part=plot-sheet]')).touchAction")
    assert touch == "pan-y"


def test_what_is_buried_takes_room_and_is_drawn(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, zoo.bed(key="one", name="One"))
    open_section(app, home, garden, "one")
    holds = told_as(app, "Volume in the bed")
    expect(holds).to_have_text("1.00 m³")
    app.get_by_role("button", name="More measures").click()
    app.get_by_role("button", name="+ Basket").click()
    across = app.get_by_label("Basket 1, across")
    across.fill("60 cm")
    across.press("Enter")
    high = app.get_by_label("Basket 1, high")
    high.fill("50 cm")
    high.press("Enter")
    # pi 0.3^2 x 0.5 = 141 L
    expect(holds).to_have_text("859 L")
    expect(app.locator("[data-part=drawing-solid]")).to_have_count(1)
    high.fill("50 m")
    high.press("Enter")
    across.fill("3 m")
    across.press("Enter")
    expect(app.get_by_role("alert").filter(has_text="leaves no room for fill")).to_be_visible()
    app.get_by_role("button", name="Remove Basket 1").click()
    expect(holds).to_have_text("1.00 m³")
    saved(app)
    assert Bed.objects.get(key="one").cut.get("buried", []) == []


def test_a_mound_off_the_contour_is_turned_from_the_finding(app: Page, home: str, gardener: User) -> None:
    spots = [{"at_m": [x, y], "height_m": 0.04 * x} for x in (0, 12) for y in (0, 9)]
    mound = {"key": "mound", "name": "Mound", "shape": shape("round_mound"), "places": [{"x_m": 6.0, "y_m": 4.5}],
             "layers": [{"material": "topsoil", "fill": True}]}  # fmt: skip
    garden = keep(gardener, mound, ground=GROUND | {"spots": spots})
    open_plot(app, home, garden)
    finding = app.locator("[data-part=finding]", has_text="off the contour")
    finding.get_by_role("button", name="Turn it along the contour").click()
    expect(finding).to_have_count(0)
    saved(app)
    assert Bed.objects.get(key="mound").cut["places"][0]["turn_deg"] == 90.0


def test_a_path_drawn_through_a_patch_is_in_its_figures_at_once(app: Page, home: str, gardener: User) -> None:
    patch = zoo.bed(key="one", name="One", shape=shape("flat_area", length_m=5.0, width_m=4.0, feather_m=0.0),
                    layers=[{"material": "compost", "thickness_m": 0.1}],
                    places=[{"x_m": 6.0, "y_m": 4.5}])  # fmt: skip
    garden = keep(gardener, patch, ground=GROUND)
    open_section(app, home, garden, "one")
    holds = told_as(app, "Volume in the bed")
    expect(holds).to_contain_text("2.00 m³")
    app.get_by_role("link", name="Plot", exact=True).click()
    app.get_by_role("button", name="Only some of it").click()
    app.get_by_role("button", name="+ Path along a line").click()
    sheet = app.locator("[data-part=plot-sheet]")
    sheet.scroll_into_view_if_needed()
    area = sheet.bounding_box()
    assert area is not None
    for share in (0.15, 0.85):
        app.mouse.click(area["x"] + share * area["width"], area["y"] + 0.5 * area["height"])
    app.get_by_role("button", name="Done").click()
    wide = app.locator("[data-part=own-path]").get_by_label("Wide")
    wide.fill("80 cm")
    wide.press("Enter")
    saved(app)
    app.get_by_role("link", name="Section", exact=True).click()
    expect(holds).to_contain_text("1.60 m³")
    expect(app.locator("[data-part=tally-volume]")).to_contain_text("1.84 m³")
