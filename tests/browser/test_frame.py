"""Frames in the browser: a bed from the boards in the shed, corners by turns, a box on legs, bricks, the saw list."""

from __future__ import annotations

import json
import re
import subprocess
import sys
from pathlib import Path
from typing import Any

import pytest
from django.contrib.auth.models import User
from playwright.sync_api import Page, expect

from nolbet.gardens.models import Bed, Garden
from nolbet.plans.storing import store_plan
from nolbet.plans.whole import whole_garden
from nolbet_core.built.plan_file import read_plan
from nolbet_core.figure.walk import figure_plan
from tests.browser.gardens import keep, saved
from tests.core import zoo

pytestmark = pytest.mark.browser

LARCH = {"material": "larch", "thickness_m": 0.038, "width_m": 0.19}


def open_frame(app: Page, home: str, garden: Garden, key: str) -> None:
    """Open a bed's frame."""
    app.goto(f"{home}/garden/{garden.pk}/frame/bed/{key}")
    expect(app.get_by_role("heading", name=re.compile(": frame$"))).to_be_visible()


def type_into(app: Page, label: str, text: str) -> None:
    """Type a measure and take it."""
    field = app.get_by_label(label, exact=True)
    field.fill(text)
    field.press("Enter")


def shed_box(**words: Any) -> dict[str, Any]:
    """A box of 2 x 1 m outside."""
    shape = {"kind": "box", "length_m": 2.0, "width_m": 1.0, "depth_m": 0.4}
    return zoo.bed(key="box", name="Shed box", shape=shape, measured="outside", **words)


def test_a_bed_from_the_boards_in_the_shed(app: Page, home: str, gardener: User) -> None:
    boards = [LARCH | {"length_m": 3.0, "count": 4}, LARCH | {"length_m": 2.4, "count": 2, "usable_m": 1.0}]
    garden = keep(gardener, shed_box(), stock=boards)
    open_frame(app, home, garden, "box")
    app.get_by_role("button", name="Boards or beams").click()
    app.get_by_label("Sold as").select_option("other")
    type_into(app, "True thickness", "38 mm")
    type_into(app, "True width", "19 cm")
    asked = app.locator("[data-part=courses-asked]")
    expect(asked).to_contain_text("2 courses make 38 cm; the bed is 40 cm deep.")
    asked.get_by_role("button", name="Make the bed 38 cm deep").click()
    expect(asked).to_contain_text("as deep as the bed")
    saw = app.locator("[data-part=saw-list]")
    expect(saw.locator("[data-part=saw-board]", has_text="on hand").first).to_be_visible()
    expect(saw).not_to_contain_text("No board is long enough")
    saved(app)
    bed = Bed.objects.get(key="box").cut
    assert bed["shape"]["depth_m"] == pytest.approx(0.38)
    assert bed["frame"]["thickness_m"] == pytest.approx(0.038)
    figures = figure_plan(whole_garden(Garden.objects.get(pk=garden.pk)).built).beds[0]
    assert figures.inside_length_m == pytest.approx(2.0 - 2 * 0.038)
    app.get_by_role("link", name="Section").first.click()
    expect(app.locator("[data-part=tally]")).to_contain_text("Volume in the bed")


def test_boards_on_sale_are_entered_and_cut_from(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, shed_box(frame={"kind": "boards"} | LARCH))
    app.goto(f"{home}/garden/{garden.pk}/haul")
    needs = app.locator("main")
    expect(needs).to_contain_text("4 × 2 m, 38 mm × 190 mm")
    app.get_by_role("button", name="Offers", exact=True).click()
    app.get_by_role("button", name="Add boards, bricks, pipe or crates").click()
    offer = app.get_by_role("group", name=re.compile(r"^Offer \d+$")).last
    offer.get_by_label(re.compile("^What offer")).select_option("larch")
    for label, text in (("Thick", "38 mm"), ("Wide", "190 mm"), ("Long", "3 m"), ("Price each", "12.00")):
        offer.get_by_label(label, exact=True).fill(text)
    app.get_by_role("button", name="Keep these offers").click()
    expect(app.get_by_role("button", name="Keep these offers")).to_have_count(0)
    saved(app)
    open_frame(app, home, garden, "box")
    saw = app.locator("[data-part=saw-list]")
    # two courses: four of 2 m, four of 0.924 m, one of each out of a board of 3 m
    expect(saw).to_contain_text("Boards for $48.00, nothing is cheaper.")
    expect(saw.locator("[data-part=saw-board]")).to_contain_text(["4 × 3,000 mm Larch, 38 mm × 190 mm"])


def test_corners_by_turns_are_seen_before_anything_is_bought(app: Page, home: str, gardener: User) -> None:
    frame = {"kind": "boards", "nominal": "4x8", "material": "larch", "corner": "butt"}
    garden = keep(gardener, shed_box(frame=frame))
    open_frame(app, home, garden, "box")
    pieces = app.locator("[data-part=frame-piece]")
    expect(pieces).to_have_count(2)
    app.get_by_label("At the corners").select_option("alternate")
    # by turns no two courses are alike: four lengths instead of two, and board ends are seen in front
    expect(pieces).to_have_count(4)
    expect(pieces.filter(has_text="2,000 mm")).to_have_count(1)
    expect(pieces.filter(has_text="1,822 mm")).to_have_count(1)
    expect(app.locator("[data-part=front-end]")).to_have_count(2)
    aside = app.get_by_label("What it takes")
    expect(aside).to_contain_text("4 lengths: 2,000 mm, 1,822 mm, 1,000 mm, 822 mm")
    aside.get_by_role("button", name="Let each run past at one end").click()
    expect(aside).not_to_contain_text("4 lengths")
    expect(app.get_by_label("At the corners")).to_have_value("pinwheel")
    expect(pieces).to_have_count(2)
    expect(pieces.filter(has_text="1,911 mm")).to_have_count(1)


def test_a_legged_box_is_judged_for_its_deck(app: Page, home: str, gardener: User) -> None:
    stand = {"on": "deck", "limit_kg_m2": 200.0}
    garden = keep(gardener, shed_box(frame={"kind": "boards", "nominal": "2x8"}, stand=stand))
    open_frame(app, home, garden, "box")
    app.get_by_role("button", name="+ Legs and a floor").click()
    type_into(app, "Leg length", "70 cm")
    aside = app.get_by_label("What it takes")
    expect(aside).to_contain_text("Heaviest leg, wet")
    expect(aside).to_contain_text("It stands on 4 legs of 70 cm")
    saved(app)
    figures = figure_plan(whole_garden(Garden.objects.get(pk=garden.pk)).built).beds[0]
    assert figures.frame is not None
    assert figures.frame.leg_load_kg is not None
    expect(aside).to_contain_text(f"{figures.frame.leg_load_kg:.0f} kg")
    app.get_by_role("link", name="Section").first.click()
    expect(app.locator("main")).to_contain_text("may bear")


def test_a_spirals_bricks_are_counted(app: Page, home: str, gardener: User) -> None:
    spiral = zoo.bed(
        key="spiral",
        name="Spiral",
        shape={"kind": "herb_spiral", "diameter_m": 1.8, "path_width_m": 0.35, "wall_m": 0.1025,
               "outer_height_m": 0.3, "centre_height_m": 0.9},
        headspace_m=None,
    )  # fmt: skip
    garden = keep(gardener, spiral)
    open_frame(app, home, garden, "spiral")
    app.get_by_role("button", name="Bricks, blocks or stones in courses").click()
    saved(app)
    figures = figure_plan(whole_garden(Garden.objects.get(pk=garden.pk)).built)
    frame = figures.beds[0].frame
    assert frame is not None
    spiral_figures = figures.beds[0].spiral
    assert spiral_figures is not None
    face_m2 = spiral_figures.wall_face_m2
    assert frame.units["brick"] == pytest.approx(face_m2 / (0.225 * 0.075) * 1.05, rel=0.02)
    expect(app.locator("[data-part=frame-tally]")).to_contain_text(str(frame.units["brick"]))


def test_the_saw_list_is_that_of_the_command_line(app: Page, home: str, gardener: User, tmp_path: Path) -> None:
    offers = [LARCH | {"form": "piece", "length_m": long_m, "price": price}
              for long_m, price in ((3.6, "14.50"), (2.4, "9.20"))]  # fmt: skip
    frame = {"kind": "boards"} | LARCH
    document = zoo.plan(
        shed_box(frame=frame, count=2),
        suppliers=[{"key": "yard", "name": "Tide yard", "offers": offers}],
        garden={"name": "Test ground", "units": "metric"},
    )
    path = tmp_path / "plan.nolbet.json"
    path.write_text(json.dumps(document))
    command = [str(Path(sys.executable).parent / "nolbet"), "figure", str(path), "--json", "--seconds", "5"]
    cuts = json.loads(subprocess.run(command, capture_output=True, check=True, text=True).stdout)["cuts"]
    assert cuts["proven_optimal"]
    assert {each["from"] for each in cuts["boards"]} == {"bought"}
    garden = store_plan(gardener.pk, read_plan(document).plan)
    open_frame(app, home, garden, "box")
    saw = app.locator("[data-part=saw-list]")
    expect(saw).to_contain_text(f"Boards for ${cuts['price']}, nothing is cheaper.")
    expect(saw.locator("[data-part=saw-board]")).to_have_count(len(cuts["boards"]))
    for board in cuts["boards"]:
        said = ", ".join(f"{round(each * 1000):,} mm" for each in board["pieces_m"])
        expect(saw.get_by_role("img", name=f"Cut into {said}", exact=True).first).to_be_visible()
    # on paper the list stands without its buttons
    app.emulate_media(media="print")
    expect(saw.get_by_role("button", name="Print")).to_be_hidden()
    expect(saw.locator("[data-part=saw-board]").first).to_be_visible()


def test_planned_from_the_boards_there_are_and_a_height_to_work_at(app: Page, home: str, gardener: User) -> None:
    offers = [LARCH | {"form": "piece", "length_m": long_m, "price": price}
              for long_m, price in ((2.1, "8.40"), (1.0, "4.10"))]  # fmt: skip
    frame = {"kind": "boards"} | LARCH
    document = zoo.plan(
        shed_box(frame=frame), suppliers=[{"key": "yard", "name": "Tide yard", "offers": offers}],
        garden={"name": "Test ground", "units": "metric"},
    )  # fmt: skip
    garden = store_plan(gardener.pk, read_plan(document).plan)
    open_frame(app, home, garden, "box")
    tally = app.locator("[data-part=frame-tally]")
    # two courses of 2 x 2 and 2 x 0.924 m at four a metre
    expect(tally).to_contain_text("$46.78")
    app.get_by_label("Plan it from").select_option("boards")
    size = app.locator("[data-part=sizes]").get_by_role("button").first
    expect(size).to_contain_text("no cut")
    size.click()
    saw = app.locator("[data-part=saw-list]")
    expect(saw).to_contain_text("Boards for $50.00, nothing is cheaper.")
    expect(saw).to_contain_text("0 cuts")
    app.get_by_label("Plan it from").select_option("height")
    app.get_by_role("button", name="standing, without a stoop").click()
    # five boards of 19 cm come nearest
    expect(app.locator("[data-part=by-height]")).to_contain_text("rim 95 cm")
    saved(app)
    bed = Bed.objects.get(key="box").cut
    assert bed["frame"]["courses"] == 5
    assert bed["shape"]["depth_m"] == pytest.approx(0.95)


def test_offcuts_lie_on_hand_once_all_is_sawn(app: Page, home: str, gardener: User) -> None:
    stock = [LARCH | {"length_m": 3.6, "count": 6}]
    garden = keep(gardener, shed_box(frame={"kind": "boards"} | LARCH), stock=stock)
    open_frame(app, home, garden, "box")
    keep_offcuts = app.locator("[data-part=keep-offcuts]")
    keep_offcuts.get_by_role("button").click()
    expect(keep_offcuts).to_contain_text("Kept in Haul")
    lying = [heap.more for heap in Garden.objects.get(pk=garden.pk).stock.all()]
    asked_m = 4 * 2.0 + 4 * 0.924
    left_m = sum(each["length_m"] * each["count"] for each in lying)
    assert 6 * 3.6 - asked_m - 0.3 * 4 <= left_m <= 6 * 3.6 - asked_m + 0.03


def test_a_box_pulled_longer_and_a_course_higher_in_its_drawing(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, shed_box(frame={"kind": "boards"} | LARCH))
    open_frame(app, home, garden, "box")
    long_side, high = app.get_by_label("Length of the box"), app.get_by_label("Height in courses")
    expect(long_side).to_have_attribute("aria-valuenow", "2000")
    start = long_side.bounding_box()
    assert start is not None
    x, y = start["x"] + start["width"] / 2, start["y"] + start["height"] / 2
    app.mouse.move(x, y)
    app.mouse.down()
    app.mouse.move(x + 30, y, steps=4)
    app.mouse.move(x + 60, y, steps=4)
    app.mouse.up()
    expect(long_side).not_to_have_attribute("aria-valuenow", "2000")
    saved(app)
    pulled_m = Bed.objects.get(key="box").cut["shape"]["length_m"]
    # sixty pixels of a drawing 380 to 780 px wide for 2 m
    assert 2.1 < pulled_m < 2.4
    app.get_by_role("button", name="Undo").click()
    expect(long_side).to_have_attribute("aria-valuenow", "2000")
    high.focus()
    app.keyboard.press("ArrowUp")
    expect(high).to_have_attribute("aria-valuetext", re.compile("^3 courses"))
    saved(app)
    assert Bed.objects.get(key="box").cut["shape"]["depth_m"] == pytest.approx(0.57)
