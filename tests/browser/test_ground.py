"""Beds in and over the ground: a soak pit below one, paths through a patch and of stone, a mound along a contour."""

from __future__ import annotations

import itertools
import math
import re

import pytest
from django.contrib.auth.models import User
from playwright.sync_api import Locator, Page, expect

from nolbet.gardens.models import Bed, Garden
from nolbet.plans.whole import whole_garden
from nolbet_core.figure.walk import figure_plan
from nolbet_core.quantities.units import System
from nolbet_core.quantities.writing import show_area, show_bulk_volume, show_length, show_volume
from tests.browser.finding import choose
from tests.browser.gardens import keep, saved
from tests.core import zoo
from tests.core.ask import figures_of

pytestmark = pytest.mark.browser

METRIC = System.METRIC
GROUND = [[0.0, 0.0], [10.0, 0.0], [10.0, 8.0], [0.0, 8.0]]
PIT = {
    "kind": "trench", "top_length_m": 1.6, "top_width_m": 0.8, "bottom_length_m": 1.4, "bottom_width_m": 0.6,
    "depth_m": 0.5,
}  # fmt: skip


def soak_pit() -> dict[str, object]:
    """A pit of gravel with branches over it."""
    return zoo.bed(
        key="pit",
        name="Soak pit",
        shape=PIT,
        headspace_m=None,
        layers=[{"material": "gravel_20", "thickness_m": 0.2}, {"material": "branches", "fill": True}],
        places=[{"x_m": 3.0, "y_m": 3.0}],
    )


def with_ground(garden: Garden, **plot: object) -> None:
    """Give a garden a plot."""
    garden.plot = {"corners_m": GROUND, **plot}
    garden.save()


def open_measures(app: Page, home: str, garden: Garden, key: str) -> None:
    """Open all that can be said of a bed."""
    app.goto(f"{home}/garden/{garden.pk}/section/bed/{key}")
    app.get_by_role("button", name="More measures").click()


def typed(field: Locator, text: str) -> None:
    """Type into a field and take it."""
    field.fill(text)
    field.press("Enter")


def test_a_bed_over_a_soak_pit_sinks_and_feeds_as_one(app: Page, home: str, gardener: User) -> None:
    bed = zoo.bed(key="bed", name="Over it", places=[{"x_m": 3.0, "y_m": 3.0}])
    garden = keep(gardener, soak_pit(), bed)
    with_ground(garden)
    app.goto(f"{home}/garden/{garden.pk}/plot")
    findings = app.get_by_role("region", name=re.compile("^Worth a look"))
    expect(findings).to_contain_text("take the same")
    open_measures(app, home, garden, "bed")
    app.get_by_label("It lies over").select_option("pit")
    expect(app.locator("[data-part=over-pit]")).to_contain_text("50 cm deep, and this bed are one profile")
    expect(app.get_by_role("img", name="Soak pit, below the bed")).to_be_visible()
    saved(app)
    figures = figure_plan(whole_garden(Garden.objects.get(pk=garden.pk)).built)
    pit, over = figures.beds
    assert over.surface_m[120] < figures_of(zoo.plan(bed)).beds[0].surface_m[120]
    assert "soil_thin_over_wood" not in [each.code for each in pit.findings]
    app.goto(f"{home}/garden/{garden.pk}/plot")
    expect(app.locator('[data-bed="pit 0"]')).to_be_visible()
    expect(app.locator("main")).not_to_contain_text("take the same")
    open_measures(app, home, garden, "pit")
    app.get_by_role("button", name="+ Pipe").click()
    typed(app.get_by_label("Pipe 1, long"), "1.2 m")
    typed(app.get_by_label("Pipe 1, inlet tube"), "60 cm")
    typed(app.get_by_label("Pipe 1, takes rain off"), "24 m2")
    app.get_by_label("Pipe 1, off what").select_option("drive")
    expect(app.locator("[data-part=runoff]")).to_contain_text("A rain of 25 mm brings 480 L")
    expect(app.locator("main")).to_contain_text("of drive is led under what is grown")
    saved(app)
    app.get_by_role("link", name="Haul").click()
    needs = app.locator("main")
    expect(needs).to_contain_text("Drain pipe")
    expect(needs).to_contain_text("Water tube")


def test_a_chip_path_leads_through_a_patch(app: Page, home: str, gardener: User) -> None:
    patch = zoo.bed(
        key="patch",
        name="Patch",
        shape={"kind": "flat_area", "length_m": 6.0, "width_m": 4.0},
        headspace_m=None,
        layers=[{"material": "cardboard"}, {"material": "compost", "thickness_m": 0.1}],
        places=[{"x_m": 5.0, "y_m": 4.0}],
    )
    garden = keep(gardener, patch)
    with_ground(garden, paths=[])
    app.goto(f"{home}/garden/{garden.pk}/plot")
    app.get_by_role("button", name="+ Path along a line").click()
    sheet = app.locator("[data-part=plot-sheet]")
    ground = sheet.locator("[data-part=plot-ground]").bounding_box()
    assert ground is not None
    for up in (1.0, 7.0):
        # from the front of the patch to its back, in its middle
        app.mouse.click(ground["x"] + ground["width"] * 0.5, ground["y"] + ground["height"] * (1 - up / 8))
    app.get_by_role("button", name="Done").click()
    typed(app.get_by_label("Wide", exact=True), "50 cm")
    app.get_by_role("button", name="courses as on all paths").click()
    choose(app.get_by_role("combobox", name="Lay on Path 1"), "Wood chips")
    typed(app.get_by_label("Thickness of Wood chips on Path 1"), "8 cm")
    saved(app)
    plot = figure_plan(whole_garden(Garden.objects.get(pk=garden.pk)).built).plot
    assert plot is not None
    assert plot.path_m2 == pytest.approx(6.0 * 0.5, abs=0.06)
    assert plot.ground_m2 == pytest.approx(plot.beds_m2 + plot.path_m2 + plot.rest_m2)
    figures = figure_plan(whole_garden(Garden.objects.get(pk=garden.pk)).built).beds[0]
    assert figures.placed_m3 == pytest.approx((6.0 * 4.0 - 4.0 * 0.5) * 0.1, abs=0.01)
    assert figures.path_saves_m3 == pytest.approx(4.0 * 0.5 * 0.1, abs=0.01)
    own = app.locator("[data-part=own-path]")
    expect(own).to_contain_text(show_area(plot.path_m2, METRIC))
    expect(own).to_contain_text(show_bulk_volume(plot.paths[0].courses[0].loose_m3, METRIC))
    app.get_by_role("link", name="Patch").first.click()
    expect(app.locator("main")).to_contain_text(show_volume(figures.placed_m3, METRIC))


def test_gravel_paths_in_two_courses_and_lawn_elsewhere(app: Page, home: str, gardener: User) -> None:
    beds = [zoo.bed(key=key, name=name, places=[{"x_m": x, "y_m": 4.0, "turn_deg": 90.0}])
            for key, name, x in (("one", "One", 3.0), ("two", "Two", 5.0))]  # fmt: skip
    garden = keep(gardener, *beds)
    with_ground(garden, paths=[], courses=[
        {"material": "path_base", "thickness_m": 0.1}, {"material": "pea_gravel", "thickness_m": 0.04}])  # fmt: skip
    app.goto(f"{home}/garden/{garden.pk}/plot")
    app.get_by_role("button", name="+ Path along a line").click()
    ground = app.locator("[data-part=plot-ground]").bounding_box()
    assert ground is not None
    for up in (0.5, 7.5):
        app.mouse.click(ground["x"] + ground["width"] * 0.4, ground["y"] + ground["height"] * (1 - up / 8))
    app.get_by_role("button", name="Done").click()
    typed(app.get_by_label("Dug out"), "14 cm")
    expect(app.locator("[data-part=own-path]")).to_contain_text("finished level with the ground")
    expect(app.locator("main")).to_contain_text("Path 1: gravel without fabric below it.")
    barrow = app.get_by_role("region", name="Barrow, mower and ways")
    typed(barrow.get_by_label("Mower, wide"), "1.2 m")
    expect(app.locator("main")).to_contain_text("and the mower is 1.2 m wide")
    saved(app)
    plot = figure_plan(whole_garden(Garden.objects.get(pk=garden.pk)).built).plot
    assert plot is not None
    path = plot.paths[0]
    assert path.spoil_m3 == pytest.approx(path.area_m2 * 0.14 * 1.25)
    base, top = path.courses
    assert base.placed_m3 == pytest.approx(path.area_m2 * 0.1)
    assert top.placed_m3 == pytest.approx(path.area_m2 * 0.04)
    assert plot.rest_m2 == pytest.approx(80 - plot.path_m2 - sum(each.footprint_m2 for each in plot.placed))


def test_a_mound_lies_along_a_contour_with_pallet_sides(app: Page, home: str, gardener: User) -> None:
    mound = zoo.bed(
        key="mound",
        name="Long mound",
        shape={"kind": "hipped_mound", "length_m": 4.0, "width_m": 1.2, "height_m": 0.7, "slope_deg": 50.0},
        headspace_m=None,
        layers=[{"material": "broadleaf_logs", "thickness_m": 0.2}, {"material": "topsoil", "fill": True}],
        places=[{"x_m": 5.0, "y_m": 4.0}],
    )
    garden = keep(gardener, mound)
    # the ground rises to the right and falls off upwards, so that a contour bends
    spots = [{"at_m": [x, y], "height_m": round(0.05 * x + 0.01 * (y - 4) ** 2, 3)}
             for x in (0.0, 2.5, 5.0, 7.5, 10.0) for y in (0.0, 2.0, 4.0, 6.0, 8.0)]  # fmt: skip
    with_ground(garden, spots=spots)
    app.goto(f"{home}/garden/{garden.pk}/plot")
    expect(app.locator("[data-part=plot-lowest]")).to_be_visible()
    app.locator('[data-bed="mound 0"]').click()
    contours = app.get_by_label("or lay it along a contour")
    contours.select_option(contours.locator("option", has_text="at 30 cm").first.get_attribute("value"))
    expect(app.get_by_text("It follows a line")).to_be_visible()
    app.get_by_role("link", name="Cut it open").click()
    app.get_by_role("button", name="More measures").click()
    app.get_by_label("Its sides are faced with").select_option("pallets")
    expect(app.get_by_label("Sides rise at, °")).to_have_value("75")
    typed(app.get_by_label("Pockets to plant"), "12")
    typed(app.get_by_label("Soil in each"), "3 L")
    facing = app.locator("[data-part=facing]")
    expect(facing).to_contain_text("the pockets take 36")
    expect(app.locator("main")).to_contain_text("The sides are faced with pallets.")
    expect(app.locator("main")).not_to_contain_text("loose moist soil lies at 35 to 40")
    saved(app)
    line = Bed.objects.get(key="mound").cut["along_m"]
    length_m = sum(math.dist(one, two) for one, two in itertools.pairwise(line))
    figures = figure_plan(whole_garden(Garden.objects.get(pk=garden.pk)).built)
    told = figures.beds[0]
    assert told.mound is not None
    assert told.mound.length_m == pytest.approx(length_m)
    run = 0.7 / math.tan(math.radians(75))
    assert told.inside_volume_m3 == pytest.approx(
        0.7 * (length_m * 1.2 - run * (length_m + 1.2) + 4 / 3 * run**2), rel=1e-3
    )
    expect(facing).to_contain_text(show_area(told.mound.face_m2, METRIC))
    assert any(need.material == "topsoil" and need.loose_m3 > told.layers[1].loose_m3 for need in figures.needs)
    app.goto(f"{home}/garden/{garden.pk}/plot")
    box = app.locator("[data-part=plot-ground]").bounding_box()
    assert box is not None
    x, y = line[len(line) // 2]
    app.mouse.click(box["x"] + box["width"] * x / 10, box["y"] + box["height"] * (1 - y / 8))
    expect(app.locator("main")).to_contain_text(f"{show_length(length_m, METRIC)} along its middle")
