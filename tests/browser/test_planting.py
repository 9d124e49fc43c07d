"""A bed is planted: what suits it is drawn and counted, what doesn't says why and from when."""

from __future__ import annotations

import re
from typing import Any

import pytest
from django.contrib.auth.models import User
from playwright.sync_api import Page, expect

from nolbet.plans.storing import store_plan
from nolbet_core.built.plan_file import read_plan
from tests.browser.gardens import saved
from tests.core import zoo
from tests.core.test_planting_figures import LOGS

GARDEN = {"name": "Test ground", "units": "metric", "last_frost": "05-10", "first_frost": "10-05"}


def plant(app: Page, words: str, name: str) -> None:
    """Find a crop and put it into the bed."""
    app.get_by_label("Plant", exact=True).fill(words)
    app.get_by_role("option", name=re.compile(f"^{name}")).click()


def test_a_log_bed_is_planted_and_refuses_carrots_with_reason_and_date(app: Page, home: str, gardener: User) -> None:
    bed = zoo.bed(key="log_bed", name="Log bed", shape=zoo.shape(2.4, 1.2, 0.6), layers=LOGS, built_on="2026-03-01")
    garden = store_plan(gardener.pk, read_plan(zoo.plan(bed, garden=GARDEN)).plan)
    app.goto(f"{home}/garden/{garden.pk}/planting/bed/log_bed")
    expect(app.get_by_text("Nothing is planted here yet.")).to_be_visible()
    plant(app, "carr", "Carrot")
    carrot = app.get_by_label("Carrot", exact=True)
    expect(carrot).to_contain_text(re.compile(r"Carrot can go in from \d+ \w+ 20\d\d: "))
    carrot.get_by_role("button", name="Take Carrot out").click()
    expect(app.locator("[data-part=crop-line]")).to_have_count(0)
    # found by another name that people use
    plant(app, "zucchini", "Courgette")
    plant(app, "lett", "Lettuce")
    lettuce = app.get_by_label("Lettuce", exact=True)
    lettuce.get_by_label("How many").fill("6")
    lettuce.get_by_label("How many").press("Enter")
    expect(app.locator("[data-part=planted-crop]").nth(1).locator("circle")).to_have_count(6)
    lettuce.get_by_role("button", name="More of it").click()
    lettuce.get_by_label("Again, weeks").fill("2")
    lettuce.get_by_label("Again, weeks").press("Enter")
    expect(lettuce).to_contain_text(re.compile(r"Sow from .* until .*, \d+ times"))
    saved(app)
    app.reload()
    expect(app.locator("[data-part=crop-line]")).to_have_count(2)
    kept = garden.beds.get().cut["crops"]
    assert [each["crop"] for each in kept] == ["courgette", "lettuce"]
    assert (kept[1]["count"], kept[1]["every_weeks"]) == (6, 2)


PLOT = {
    "corners_m": [[0, 0], [16, 0], [16, 12], [0, 12]],
    "fixed": [{"kind": "tap", "name": "Yard tap", "at_m": [8.0, 0.5]}],
}
SOIL = [{"material": "topsoil", "fill": True}]
SPIRAL = {
    "kind": "herb_spiral", "diameter_m": 2.4, "path_width_m": 0.4, "wall_m": 0.1, "outer_height_m": 0.2,
    "centre_height_m": 0.9,
}  # fmt: skip


def kept(owner: User, *beds: dict[str, Any], **head: Any) -> int:
    """Keep a garden with these beds."""
    return store_plan(owner.pk, read_plan(zoo.plan(*beds, garden={**GARDEN, **head})).plan).pk


def middle_of(app: Page, crop: str) -> tuple[float, float]:
    """Where the first plant of a crop stands on the screen."""
    circle = app.locator(f"[data-part=planted-crop][data-crop={crop}] circle").first
    box = circle.bounding_box()
    assert box is not None
    return box["x"] + box["width"] / 2, box["y"] + box["height"] / 2


def test_a_stone_bed_with_a_view_kept_open_is_planted_for_a_year(app: Page, home: str, gardener: User) -> None:
    stone = {"kind": "dry_stone", "material": "stone", "thickness_m": 0.3}
    bed = zoo.bed(key="view", name="View bed", shape=zoo.shape(3.0, 1.2, 0.5), layers=SOIL, frame=stone)
    garden = kept(gardener, bed)
    app.goto(f"{home}/garden/{garden}/planting/bed/view")
    app.get_by_label("Keep the view open over").fill("1 m")
    app.get_by_label("Keep the view open over").press("Enter")
    plant(app, "cherry", "Cherry tomato")
    tomato = app.get_by_label("Cherry tomato", exact=True)
    expect(tomato).to_contain_text("over the 1 m that are kept open")
    expect(tomato).to_contain_text("These would do here now:")
    tomato.get_by_role("button", name="Take Cherry tomato out").click()
    # spring, summer on the same ground, and what stands through the winter
    year = {"Spinach": "2027-03-25", "Sweet pepper": "2027-05-20", "Garlic": "2027-10-20"}
    for name, day in year.items():
        plant(app, name.lower(), name)
        line = app.get_by_label(name, exact=True)
        line.get_by_label(re.compile("^(Sown|Planted) on")).fill(day)
        expect(line).not_to_contain_text("can go in from")
    expect(app.locator("[data-part=planted-crop] circle").first).to_be_visible()
    slider = app.get_by_label("Day of the year")
    slider.focus()
    for _ in range(7):
        slider.press("ArrowRight")
    expect(app.get_by_text("What stands on")).to_contain_text("2027")
    standing = app.locator("[data-part=planted-crop]:has(circle)")
    expect(standing).to_have_count(1)
    expect(standing).to_have_attribute("data-crop", "spinach")
    for _ in range(16):
        slider.press("ArrowRight")
    expect(standing).to_have_attribute("data-crop", "pepper")
    app.get_by_role("button", name="All of it").click()
    expect(standing).to_have_count(3)
    app.get_by_role("link", name="Sowing calendar").click()
    rows = app.locator("[data-part=sowing-row]")
    expect(rows.filter(has_text="Sow spinach")).to_contain_text("25 Mar 2027")
    expect(rows.filter(has_text="Plant garlic")).to_contain_text("20 Oct 2027")
    expect(rows.filter(has_text="Clear spinach")).to_have_count(1)


def test_a_spirals_three_zones_take_what_likes_them(app: Page, home: str, gardener: User) -> None:
    garden = kept(gardener, zoo.bed(key="coil", name="Coil", shape=SPIRAL, layers=SOIL))
    app.goto(f"{home}/garden/{garden}/planting/bed/coil")
    expect(app.locator("[data-part=water-zone]")).to_have_count(3)
    for words, name in (("thyme", "Thyme"), ("parsley", "Parsley"), ("mint", "Mint")):
        plant(app, words, name)
        line = app.get_by_label(name, exact=True)
        line.get_by_label("How many").fill("2")
        line.get_by_label("How many").press("Enter")
        expect(app.locator(f"[data-crop={name.lower()}] circle")).to_have_count(2)
    expect(app.get_by_text("stands where it is")).to_have_count(0)
    # thyme carried to the foot is told, and put back by a click
    x, y = middle_of(app, "thyme")
    to_x, to_y = middle_of(app, "mint")
    app.mouse.move(x, y)
    app.mouse.down()
    app.mouse.move(to_x, to_y, steps=4)
    app.mouse.up()
    told = app.locator("[data-part=finding]").filter(has_text="Thyme likes it dry, and stands where it is moist.")
    expect(told).to_be_visible()
    told.get_by_role("button", name="Put it where it likes it").click()
    expect(told).to_have_count(0)


@pytest.mark.parametrize("by", ["mouse", "keys"])
def test_a_crop_is_moved_by_hand_and_stays_there(app: Page, home: str, gardener: User, by: str) -> None:
    crops = [{"crop": "kale", "count": 2}]
    bed = zoo.bed(key="long", shape=zoo.shape(4.0, 1.2, 0.5), layers=SOIL, crops=crops)
    garden = kept(gardener, bed)
    app.goto(f"{home}/garden/{garden}/planting/bed/long")
    x, y = middle_of(app, "kale")
    if by == "mouse":
        app.mouse.move(x, y)
        app.mouse.down()
        app.mouse.move(x + 180, y, steps=5)
        app.mouse.up()
    else:
        for _ in range(20):
            app.locator("[data-crop=kale]").press("ArrowRight")
    saved(app)
    app.reload()
    expect(app.locator("[data-crop=kale] circle")).to_have_count(2)
    assert middle_of(app, "kale")[0] > x + 100
    app.get_by_role("button", name="Mirror left to right").click()
    saved(app)
    app.get_by_label("Kale", exact=True).get_by_role("button", name="More of it").click()
    app.get_by_role("button", name="Leave its place to Nolbet").click()
    expect(app.get_by_role("button", name="Leave its place to Nolbet")).to_have_count(0)


def test_a_region_is_drawn_and_filled(app: Page, home: str, gardener: User) -> None:
    bed = zoo.bed(key="long", shape=zoo.shape(4.0, 1.2, 0.5), layers=SOIL, crops=[{"crop": "lettuce"}])
    garden = kept(gardener, bed)
    app.goto(f"{home}/garden/{garden}/planting/bed/long")
    circles = app.locator("[data-crop=lettuce] circle")
    expect(circles.first).to_be_visible()
    before = circles.count()
    app.get_by_label("Lettuce", exact=True).get_by_role("button", name="More of it").click()
    app.get_by_role("button", name="Draw what it fills").click()
    drawing = app.locator("[data-part=bed-planted] svg").first.bounding_box()
    assert drawing is not None
    app.mouse.move(drawing["x"] + 30, drawing["y"] + 20)
    app.mouse.down()
    app.mouse.move(drawing["x"] + 230, drawing["y"] + 150, steps=4)
    app.mouse.up()
    expect(circles).not_to_have_count(before)
    assert 0 < circles.count() < before
    expect(app.get_by_role("button", name="Draw what it fills")).to_be_visible()


def test_six_beds_drip_from_one_tap(app: Page, home: str, gardener: User) -> None:
    places = [{"x_m": 3.0 + 5.0 * (index % 3), "y_m": 3.5 + 4.0 * (index // 3)} for index in range(6)]
    like = {"shape": zoo.shape(3.0, 1.2, 0.4), "layers": SOIL}
    beds = [
        zoo.bed(key=f"bed_{index}", name=f"Bed {index + 1}", places=[place], lines={} if index else None, **like)
        for index, place in enumerate(places)
    ]
    garden = kept(gardener, *beds, plot=PLOT)
    app.goto(f"{home}/garden/{garden}/planting/bed/bed_0")
    app.get_by_role("button", name="Lines", exact=True).click()
    expect(app.get_by_text("Cans of 10 L a week")).to_be_visible()
    app.get_by_role("button", name="Lay drip lines").click()
    expect(app.get_by_text("4 rows of 3 m, 40 emitters, 1.3 L a minute in all.")).to_be_visible()
    saved(app)
    app.get_by_role("link", name="All zones of the garden").click()
    # six times 1.33 L a minute are 8 of the 11.25 that a zone may take of a usual tap
    zones = app.locator("[data-part=zone]")
    expect(zones).to_have_count(1)
    app.get_by_label("The tap gives, L a minute").fill("6")
    app.get_by_label("The tap gives, L a minute").press("Enter")
    # three beds take 4 of 4.5 L a minute
    expect(zones).to_have_count(2)
    expect(zones.first).to_contain_text("4.0 L a minute")
    expect(app.locator("[data-part=zone-run]")).to_have_count(6)
    expect(app.locator("[data-part=zone-number]")).to_have_count(6)
    app.goto(f"{home}/garden/{garden}/haul")
    expect(app.get_by_text("Drip line", exact=True).first).to_be_visible()
    expect(app.get_by_text("Shut-offs for lines").first).to_be_visible()


def test_a_cover_tells_its_pieces_and_what_it_gains(app: Page, home: str, gardener: User) -> None:
    bed = zoo.bed(key="long", shape=zoo.shape(3.0, 1.2, 0.4), layers=SOIL)
    garden = kept(gardener, bed, mean_temp_c=9.0)
    app.goto(f"{home}/garden/{garden}/planting/bed/long")
    app.get_by_role("button", name="Cover", exact=True).click()
    app.get_by_role("button", name="Cover it").click()
    expect(app.get_by_text(re.compile(r"^5 rods of"))).to_be_visible()
    app.get_by_label("Cover", exact=True).select_option("film")
    expect(app.get_by_text("Days to open it")).to_be_visible()
    app.get_by_label("Cover", exact=True).select_option("mesh_standing")
    app.get_by_label("Keeps out").select_option("rabbits")
    expect(app.get_by_text("Against rabbits: holes of 2.5 cm at most, 90 cm high")).to_be_visible()


def test_a_crop_of_ones_own_is_planted_like_any_other(app: Page, home: str, gardener: User) -> None:
    bed = zoo.bed(key="long", shape=zoo.shape(3.0, 1.2, 0.4), layers=SOIL)
    garden = kept(gardener, bed)
    app.goto(f"{home}/garden/{garden}/planting/bed/long")
    app.get_by_role("button", name="Crops of my own").click()
    app.get_by_label("Its name").fill("Ferry kale")
    app.get_by_label("Like", exact=True).fill("kale")
    app.get_by_role("option", name="Kale").click()
    app.get_by_label("Plant to plant").fill("80 cm")
    app.get_by_label("Plant to plant").press("Enter")
    app.get_by_role("button", name="Keep this crop").click()
    expect(app.locator("[data-part=own-crop]")).to_contain_text("Ferry kale")
    plant(app, "ferry", "Ferry kale")
    expect(app.get_by_label("Ferry kale", exact=True)).to_contain_text("3 ")
    expect(app.locator("[data-part=own-crop]")).to_contain_text("grows here")
