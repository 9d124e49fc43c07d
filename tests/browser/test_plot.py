"""The plot in the browser: ground measured, beds laid on it, moved and turned, paths read off."""

from __future__ import annotations

import re

import pytest
from django.contrib.auth.models import User
from playwright.sync_api import Page, expect

from nolbet.gardens.models import Bed, Garden
from nolbet.plans.whole import whole_garden
from nolbet_core.figure.walk import figure_plan
from nolbet_core.quantities.units import System
from nolbet_core.quantities.writing import show_area, show_bulk_volume, show_mass, show_volume
from tests.browser.finding import choose
from tests.browser.gardens import keep, saved, warned
from tests.core import zoo
from tests.core.ask import figures_of
from tests.core.shapes import layers, shape

pytestmark = pytest.mark.browser

SIX = ("box", "l_box", "circle", "keyhole", "stadium", "herb_spiral")
METRIC = System.METRIC


def lay_out(app: Page, home: str, garden: Garden, size: str) -> None:
    """Measure the ground as a rectangle."""
    app.goto(f"{home}/garden/{garden.pk}/plot")
    app.get_by_label("The ground, along and up").fill(size)
    app.get_by_role("button", name="Lay it out").click()
    expect(app.get_by_role("group", name="The plot from above")).to_be_visible()


def place(app: Page, name: str, along: str, up: str, turn: str = "0") -> None:
    """Put a bed that isn't on the plot yet somewhere, typed."""
    app.get_by_role("button", name=f"Put {name} on it").click()
    expect(app.get_by_role("region", name=name, exact=True)).to_be_visible()
    for label, text in (("Along", along), ("Up", up), ("Turned, °", turn)):
        field = app.get_by_label(label, exact=True)
        field.fill(text)
        field.press("Enter")


def spot(app: Page, key: str, index: int = 0) -> dict[str, float]:
    """Where a kept bed lies."""
    bed = Bed.objects.get(key=key)
    return dict(bed.cut["places"][index])


def test_six_shapes_on_a_plot_and_the_paths_between_them(app: Page, home: str, gardener: User) -> None:
    beds = [{"key": kind, "name": kind.replace("_", " ").capitalize(), "shape": shape(kind), "layers": layers(kind)}
            for kind in SIX]  # fmt: skip
    garden = keep(gardener, *beds)
    lay_out(app, home, garden, "12 x 9 m")
    for index, bed in enumerate(beds):
        place(app, bed["name"], f"{2 + 3.6 * (index % 3)} m", f"{2 + 4 * (index // 3)} m", str(15 * index))
    expect(app.get_by_text("Not on the plot yet")).to_have_count(0)
    for material, thickness in (("path base", "8 cm"), ("wood chips", "5 cm")):
        choose(app.get_by_role("combobox", name=re.compile("^Lay on")), material)
        field = app.get_by_label(re.compile(f"^Thickness of {material}.* on the paths", re.I))
        field.fill(thickness)
        field.press("Enter")
    for index, bed in enumerate(beds):
        bed["places"] = [{"x_m": 2 + 3.6 * (index % 3), "y_m": 2.0 + 4 * (index // 3), "turn_deg": 15.0 * index}]
    ground = {"corners_m": [[0, 0], [12, 0], [12, 9], [0, 9]], "courses": [
        {"material": "path_base", "thickness_m": 0.08}, {"material": "wood_chips", "thickness_m": 0.05}]}  # fmt: skip
    plot = figures_of(zoo.plan(*beds, garden={"name": "Test ground", "plot": ground})).plot
    assert plot is not None
    assert plot.path_m2 == pytest.approx(108 - sum(each.footprint_m2 for each in plot.placed))
    panel = app.get_by_role("region", name=re.compile("^Paths"))
    expect(panel).to_contain_text(show_area(plot.path_m2, METRIC))
    for course in plot.courses:
        line = panel.locator("li", has_text=course.name)
        expect(line).to_contain_text(show_volume(course.placed_m3, METRIC))
        expect(line).to_contain_text(show_bulk_volume(course.loose_m3, METRIC))
        expect(line).to_contain_text(show_mass(course.mass_moist_kg, METRIC))
    saved(app)
    stored = figure_plan(whole_garden(Garden.objects.get(pk=garden.pk)).built).plot
    assert stored is not None
    assert stored.path_m2 == pytest.approx(plot.path_m2)
    app.get_by_role("link", name="Haul").click()
    expect(app.locator("main")).to_contain_text("too little of it: path base, crushed, wood chips")


def test_a_bed_is_dragged_snapped_turned_and_found_again(app: Page, home: str, gardener: User) -> None:
    plain = [zoo.bed(key=key, name=name, places=[{"x_m": x, "y_m": 2.0}])
             for key, name, x in (("one", "One", 2.0), ("two", "Two", 7.0))]  # fmt: skip
    garden = keep(gardener, *plain)
    lay_out(app, home, garden, "12 x 9 m")
    bed = app.locator('[data-bed="two 0"]')
    box = bed.locator("[data-part=plot-edge]").bounding_box()
    assert box is not None
    px_m = box["width"] / 2
    middle = (box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)
    app.mouse.move(*middle)
    app.mouse.down()
    # 2.44 m to the left leaves 0.56 m: it snaps to the aisle of 0.6 m, and into line
    app.mouse.move(middle[0] - 2.44 * px_m, middle[1] - 0.05 * px_m, steps=8)
    app.mouse.up()
    expect(app.locator("[data-part=plot-aisle][data-level=advice]")).to_have_count(1)
    expect(app.locator("[data-part=plot-labels]")).to_contain_text("60 cm")
    expect(app.get_by_label("Along", exact=True)).to_have_value("4.6 m")
    bed.focus()
    app.keyboard.press("ArrowUp")
    app.keyboard.press("[")
    expect(app.get_by_label("Turned, °")).to_have_value("5")
    saved(app)
    app.get_by_role("link", name="Cut it open").click()
    expect(app.get_by_role("status").filter(has_text=re.compile(r"^Saved \d"))).to_be_visible()
    assert spot(app, "two") == {"x_m": pytest.approx(4.6), "y_m": pytest.approx(2.05), "turn_deg": pytest.approx(5)}
    app.get_by_role("link", name="Plot").click()
    expect(app.locator('[data-bed="two 0"]')).to_be_visible()
    # laid on the other bed it clashes, and says so
    place_field = app.get_by_label("Along", exact=True)
    app.locator('[data-bed="two 0"]').click()
    place_field.fill("3 m")
    place_field.press("Enter")
    expect(app.locator("[data-part=finding]", has_text="take the same")).to_contain_text("One and Two")
    expect(app.locator("[data-part=plot-clash]")).to_have_count(1)


def test_things_levels_and_room_for_more(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, zoo.bed(key="one", name="One", places=[{"x_m": 6.0, "y_m": 4.5}]))
    lay_out(app, home, garden, "12 x 9 m")
    sheet = app.get_by_role("group", name="The plot from above")
    app.get_by_role("button", name="+ Tree").click()
    expect(app.get_by_text("Click where the tree stands")).to_be_visible()
    sheet.click(position={"x": 160, "y": 200})
    expect(app.locator("[data-part=plot-thing][data-kind=tree]")).to_have_count(1)
    app.get_by_role("button", name="+ House wall").click()
    for x in (100, 400, 500):
        sheet.click(position={"x": x, "y": 560})
    app.get_by_role("button", name="Done").click()
    expect(app.locator("[data-part=plot-thing][data-kind=house]")).to_have_count(1)
    for x, y, height in ((120, 100, "40 cm"), (640, 100, "20 cm"), (640, 540, "0 cm"), (120, 540, "20 cm")):
        app.get_by_role("button", name="+ Height at a spot").click()
        sheet.click(position={"x": x, "y": y})
        field = app.get_by_label(re.compile("^Height at spot")).last
        field.fill(height)
        field.press("Enter")
    levels = app.get_by_role("region", name="Levels of the ground")
    expect(levels).to_contain_text("Dig off")
    expect(app.locator("[data-part=plot-contour]").first).to_be_visible()
    app.get_by_label("Beds of this outer size").fill("3 x 1 m")
    expect(app.get_by_role("region", name="Room for more")).to_contain_text(re.compile(r"\d+ more fit"))
    expect(app.locator("[data-part=plot-room]").first).to_be_visible()
    saved(app)
    plot = Garden.objects.get(pk=garden.pk).plot
    assert plot is not None
    assert [thing["kind"] for thing in plot["fixed"]] == ["tree", "house"]
    assert len(plot["fixed"][1]["line_m"]) == 3
    assert [spot["height_m"] for spot in plot["spots"]] == [0.4, 0.2, 0.0, 0.2]
    app.locator('[data-bed="one 0"]').click()
    expect(app.get_by_text("pack under its corners")).to_be_visible()


def test_ground_that_crosses_itself_is_refused_and_nothing_is_lost(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, zoo.bed(name="One"))
    lay_out(app, home, garden, "12 x 9 m")
    saved(app)
    app.get_by_role("button", name="Move the corners").click()
    for corner, along in ((3, "0 m"), (4, "12 m")):
        field = app.get_by_label(f"Corner {corner}, along")
        field.fill(along)
        field.press("Enter")
    warned(app, "crosses side")
    assert Garden.objects.get(pk=garden.pk).plot["corners_m"][2] == [12.0, 9.0]  # type: ignore[index]  # measured above
    field = app.get_by_label("Corner 3, along")
    field.fill("12 m")
    field.press("Enter")
    field = app.get_by_label("Corner 4, along")
    field.fill("1 m")
    field.press("Enter")
    saved(app)
    assert Garden.objects.get(pk=garden.pk).plot["corners_m"][3] == [1.0, 9.0]  # type: ignore[index]  # measured above


def test_sizing_from_boards_a_liner_and_pots(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, {"key": "tub", "name": "Tub", "shape": shape("round_tub"), "layers": layers("round_tub")})
    app.goto(f"{home}/garden/{garden.pk}/plot")
    app.get_by_role("button", name="In a bed?").click()
    app.get_by_label("Bags", exact=True).fill("1")
    app.get_by_label("One bag holds").fill("40 L")
    # 34.8 L placed in a tub of 40 to 55 cm across
    expect(app.locator("[data-part=bags-answer]")).to_contain_text("23 cm deep")
    app.get_by_role("button", name="loose").click()
    app.get_by_label("Loose volume").fill("0.04 m3")
    expect(app.locator("[data-part=bags-answer]")).to_contain_text("23 cm deep")
    app.get_by_role("button", name="Boards").click()
    for label, text in (("Boards, one course", "4"), ("One is long", "2.4 m"), ("and thick", "38 mm"),
                        ("Bed wide, outside", "1.2 m")):  # fmt: skip
        app.get_by_label(label).fill(text)
    expect(app.locator("[data-part=bags-answer]")).to_contain_text("3.675 m long at most")
    app.get_by_role("button", name="Liner").click()
    app.get_by_label("The liner").fill("4 x 3 m")
    app.get_by_label("Runs up the inside by").fill("40 cm")
    expect(app.locator("[data-part=bags-answer]")).to_contain_text("2.9 m × 1.9 m inside at most")
    app.get_by_role("button", name="Pots").click()
    expect(app.locator("[data-part=sizing-list]")).to_contain_text("#5")
    expect(app.locator("[data-part=sizing-list] li", has_text="#5")).to_contain_text("13 L to 20 L")


def test_a_path_is_drawn_and_the_plot_is_set_out(app: Page, home: str, gardener: User) -> None:
    ground = {"corners_m": [[0, 0], [12, 0], [12, 8], [0, 8]], "aisle_m": 0.6}
    garden = keep(gardener, zoo.bed(name="Plain", layers=[], places=[{"x_m": 6.0, "y_m": 6.0}]), ground=ground)
    app.goto(f"{home}/garden/{garden.pk}/plot")
    app.get_by_role("button", name="Only some of it").click()
    app.get_by_role("button", name="+ Path along a line").click()
    sheet = app.locator("[data-part=plot-sheet]")
    sheet.scroll_into_view_if_needed()
    area = sheet.bounding_box()
    assert area is not None
    for share in (0.2, 0.8):
        app.mouse.click(area["x"] + share * area["width"], area["y"] + 0.75 * area["height"])
    app.get_by_role("button", name="Done").click()
    path = app.locator("[data-part=own-path]")
    path.get_by_label("Wide").fill("1.2 m")
    path.get_by_label("Dug out").fill("10 cm")
    app.keyboard.press("Enter")
    expect(path).to_contain_text("under it")
    expect(path.get_by_role("button", name="On the heap")).to_be_visible()
    expect(app.locator("[data-part=plot-path]")).to_have_count(1)

    app.get_by_role("link", name="Set it out with two tapes").click()
    expect(app.locator("[data-part=set-out-bed] [data-part=peg]")).to_have_count(4)
    expect(app.locator("[data-part=set-out-bed]")).to_contain_text("To be square: 1 to 3 2.235 m")
