"""A tank made into a wicking bed: what it holds, how long it lasts, its weather, a dip, and a leak that is told."""

from __future__ import annotations

import re
from datetime import UTC, date, datetime, timedelta
from pathlib import Path

import pytest
from django.contrib.auth.models import User
from playwright.sync_api import Locator, Page, expect

from nolbet.gardens.models import Garden
from nolbet.water.models import Dip, WeatherDay
from tests.browser.gardens import keep, open_section, saved
from tests.core import zoo

pytestmark = pytest.mark.browser

TANK = zoo.bed(
    key="tank",
    name="Old tank",
    shape={"kind": "stadium", "length_m": 1.8, "width_m": 0.8, "depth_m": 0.6},
    headspace_m=0.03,
    layers=[{"material": "topsoil", "thickness_m": 0.25}],
)


def open_water(app: Page, home: str, garden: Garden, key: str) -> None:
    """A bed's water."""
    app.goto(f"{home}/garden/{garden.pk}/water/bed/{key}")
    expect(app.locator("[data-part=water-view] h1")).to_be_visible()


def row(app: Page, name: str) -> Locator:
    """A line of the tally."""
    return app.locator("[data-part=fact]").filter(has_text=name).locator("dd")


def pushed(slider: Locator, key: str, times: int) -> None:
    """Push a slider by its keys."""
    slider.focus()
    for _ in range(times):
        slider.press(key)


def test_a_tank_becomes_a_wicking_bed_and_a_lower_overflow_holds_less(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, TANK)
    open_section(app, home, garden, "tank")
    app.get_by_role("link", name="Water").click()
    expect(app.get_by_text("This bed has no reservoir.")).to_be_visible()
    app.get_by_role("button", name="Make it a wicking bed").click()
    holds = app.locator("[data-part=tally-volume] b")
    # 1.0 x 0.8 m and two half rounds of 0.8 m: 1.3027 m2, 0.2 m deep, 38 % of it
    expect(holds).to_have_text("99 L")
    expect(row(app, "Lasts without rain")).to_contain_text("days")
    lasts = row(app, "Lasts without rain").inner_text()
    saved(app)
    pushed(app.get_by_role("slider", name="Overflow"), "ArrowLeft", 20)
    expect(holds).to_have_text("50 L")
    expect(row(app, "Lasts without rain")).not_to_have_text(lasts)
    expect(app.locator("[data-part=water-cut] text").filter(has_text="overflow, 10 cm")).to_be_visible()
    app.get_by_label("Filled with").select_option("scoria")
    expect(holds).to_have_text("59 L")
    saved(app)
    reservoir = garden.beds.get(key="tank").cut["reservoir"]
    assert (reservoir["overflow_m"], reservoir["medium"]) == (pytest.approx(0.1), "scoria")
    app.get_by_role("link", name="Section").first.click()
    expect(app.locator("[data-part=drawing] [data-part=water-body]")).to_be_visible()
    expect(app.locator("[data-part=finding]").filter(has_text="The reservoir isn't tested")).to_contain_text(
        "after 24 hours"
    )


def test_weather_comes_in_from_a_file_with_bad_rows(app: Page, home: str, gardener: User, tmp_path: Path) -> None:
    garden = keep(gardener, TANK | {"reservoir": {"height_m": 0.2, "overflow_m": 0.2, "medium": "gravel_20"}})
    open_water(app, home, garden, "tank")
    file = tmp_path / "weather.csv"
    file.write_text(
        "date,tmin_c,tmax_c,rain_mm\n2026-07-01,11,24,0\nJuly 2,12,23,4\n2026-07-03,20,12,0\n2026-07-04,9,19,3\n"
    )
    app.get_by_label("Daily file").set_input_files(file)
    weather = app.locator("section").filter(has=app.get_by_role("heading", name="Weather"))
    expect(weather).to_contain_text("2 days taken, 2 rows left out:")
    expect(weather).to_contain_text("line 3: date: 'July 2' is no day; write it as 2026-10-17")
    expect(weather).to_contain_text("line 4: tmax_c: 12 is under the day's tmin_c of 20")
    expect(weather).to_contain_text("2 days kept, 1 Jul 2026 to 4 Jul 2026")
    app.get_by_role("button", name="Stand-ins of the demo").click()
    feed = app.get_by_role("group", name="Simulated weather feed")
    feed.get_by_role("button", name="Late feed").click()
    expect(app.get_by_text("55 days taken")).to_be_visible()


def test_a_dip_is_logged_with_one_hand_on_a_phone(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, TANK | {"reservoir": {"height_m": 0.2, "overflow_m": 0.2, "medium": "gravel_20"}})
    app.set_viewport_size({"width": 390, "height": 844})
    open_water(app, home, garden, "tank")
    log = app.get_by_role("button", name="Log it")
    log.scroll_into_view_if_needed()
    expect(log).to_be_disabled()
    app.get_by_label("Water stands at").fill("12 cm")
    expect(log).to_be_enabled()
    box = log.bounding_box()
    assert box
    assert box["height"] >= 44
    log.click()
    dips = app.locator("section").filter(has=app.get_by_role("heading", name="Dipstick")).locator("li")
    expect(dips).to_have_count(1)
    expect(dips).to_contain_text("12 cm")
    expect(app.locator("[data-part=water-dip]")).to_have_count(1)
    assert [dip.level_m for dip in Dip.objects.all()] == [pytest.approx(0.12)]
    app.get_by_label("Forget this dip").click()
    expect(dips).to_have_count(0)


def test_a_leak_is_met_and_a_sound_liner_is_not_accused(app: Page, home: str, gardener: User) -> None:
    reservoir = {"height_m": 0.25, "overflow_m": 0.25, "medium": "gravel_20", "wicks": [{"kind": "fabric"}]}
    garden = keep(gardener, TANK | {"reservoir": reservoir})
    open_water(app, home, garden, "tank")
    told = app.locator("[data-part=water-told]")
    app.get_by_role("button", name="Stand-ins of the demo").click()
    app.get_by_role("button", name="A sound probe").click()
    expect(told).to_contain_text("No leak over")
    app.get_by_role("button", name="Probe: leaking").click()
    expect(app.get_by_role("alert").filter(has_text="a leak.")).to_contain_text(
        "that no plant takes, at night and in rain too"
    )
    app.get_by_role("button", name="Probe: late").click()
    expect(told).to_contain_text("five days are wanted")


def test_a_legged_box_is_weighed_and_its_liner_measured(app: Page, home: str, gardener: User) -> None:
    box = TANK | {"key": "box", "name": "Legged box", "shape": zoo.shape(1.2, 0.6, 0.45)}
    garden = keep(gardener, box | {"reservoir": {"height_m": 0.12, "overflow_m": 0.12, "medium": "scoria"}})
    open_water(app, home, garden, "box")
    app.get_by_label("It stands on").select_option("legs")
    app.get_by_label("Legs", exact=True).fill("4")
    app.keyboard.press("Enter")
    unknown = app.locator("[data-part=finding]").filter(has_text="Wet through and in leaf it puts")
    expect(unknown).to_contain_text("on the heaviest leg")
    expect(unknown).to_contain_text("licensed engineer")
    app.get_by_label("May bear, a m²").fill("300 kg")
    app.keyboard.press("Enter")
    over = app.locator("[data-part=finding]").filter(has_text="on the legs, which may bear 300 kg a m²")
    expect(over).to_be_visible()
    app.get_by_label("Liner turned over by").fill("10 cm")
    app.keyboard.press("Enter")
    expect(row(app, "Liner sheet")).to_have_text("1.64 m × 1.04 m")
    app.get_by_label("Liner there is").fill("1.5 x 1 m")
    app.keyboard.press("Enter")
    expect(app.locator("[data-part=finding]").filter(has_text="The bed wants a liner of")).to_contain_text(
        "1.06 m x 56 cm inside"
    )
    app.get_by_label("Out of level by").fill("2 cm")
    app.keyboard.press("Enter")
    tilt = app.locator("[data-part=finding]").filter(has_text="out of level and holds")
    tilt.get_by_role("button", name="It is level now").click()
    expect(tilt).to_have_count(0)
    app.get_by_role("button", name="+ Crate").click()
    holds = app.locator("[data-part=tally-volume] b")
    # 45 % of 0.72 m2 x 0.12 m less the crate's 0.12 m2, and 95 % of the crate's own 14.4 L
    expect(holds).to_have_text("46 L")
    app.get_by_label("Take crate 1 out").click()
    expect(holds).to_have_text("39 L")
    app.get_by_role("button", name="+ Soil column").click()
    expect(app.get_by_label("Across column 1")).to_have_value("15 cm")
    expect(row(app, "Lifted a day when full, by soil column")).to_be_visible()
    saved(app)
    cut = garden.beds.get(key="box").cut
    assert cut["stand"] == {"on": "legs", "legs": 4, "limit_kg_m2": 300.0}
    app.get_by_role("button", name="No reservoir after all").click()
    app.get_by_role("button", name="Undo").click()
    expect(row(app, "Liner sheet")).to_be_visible()


def test_rounds_and_mulch_answer_at_once(app: Page, home: str, gardener: User) -> None:
    reservoir = {"height_m": 0.2, "overflow_m": 0.2, "medium": "gravel_20", "wicks": [{"kind": "fabric"}]}
    garden = keep(gardener, TANK | {"reservoir": reservoir})
    open_water(app, home, garden, "tank")
    filled = row(app, "Filled up in a season")
    expect(filled).to_contain_text(re.compile("times|once"))
    before = filled.inner_text()
    pushed(app.get_by_role("slider", name="Filled up"), "ArrowRight", 7)
    expect(app.locator("[data-part=water-sliders]")).to_contain_text("every 7 days")
    expect(filled).not_to_have_text(before)
    soil = app.get_by_role("slider", name="Soil", exact=True)
    pushed(soil, "ArrowLeft", 10)
    expect(row(app, "Soil over the water")).to_have_text("20 cm")
    short = row(app, "Watered from the top").inner_text()
    pushed(app.get_by_role("slider", name="Through the mulch"), "End", 1)
    expect(row(app, "Watered from the top")).not_to_have_text(short)
    app.get_by_text("Days it lasts, by month").click()
    expect(app.locator("[data-part=water-aside] tbody tr")).to_have_count(12)
    app.get_by_text("Refill calendar").click()
    expect(app.locator("[data-part=disclosure] [data-part=water-list] li").first).to_contain_text("L")
    overflow = app.get_by_label("Overflow height")
    overflow.fill("15 cm")
    overflow.press("Enter")
    expect(app.get_by_role("slider", name="Overflow")).to_have_attribute("aria-valuenow", "0.15")
    saved(app)
    kept = garden.beds.get(key="tank").cut
    assert kept["watering"]["every_days"] == 7
    assert kept["reservoir"]["overflow_m"] == pytest.approx(0.15)


def test_a_tub_is_taken_from_dry_to_wicking(app: Page, home: str, gardener: User) -> None:
    tub = {"kind": "round_tub", "base_diameter_m": 0.38, "rim_diameter_m": 0.52, "depth_m": 0.44}
    garden = keep(gardener, TANK | {"key": "tub", "name": "Loft tub", "shape": tub, "count": 4})
    open_water(app, home, garden, "tub")
    app.get_by_role("button", name="Make it a wicking bed").click()
    expect(app.locator("[data-part=tally-volume]")).to_contain_text("of water, each bed")
    pushed(app.get_by_role("slider", name="Reservoir"), "ArrowLeft", 16)
    expect(app.locator("[data-part=water-sliders]")).to_contain_text("9 cm")
    no_test = app.locator("[data-part=finding]").filter(has_text="isn't tested")
    no_test.get_by_role("button", name="It held").click()
    expect(no_test).to_have_count(0)
    deep = app.locator("[data-part=finding]").filter(has_text="of soil stand over the water")
    expect(deep).to_have_count(0)
    pushed(app.get_by_role("slider", name="Soil", exact=True), "End", 1)
    saved(app)
    open_section(app, home, garden, "tub")
    expect(app.locator("[data-part=drawing] [data-kind=filler]")).to_be_visible()
    expect(app.locator("[data-part=drawing] [data-kind=overflow]")).to_be_visible()
    app.get_by_role("link", name="Haul").click()
    expect(app.get_by_role("alert").filter(has_text="too little of it: gravel, 20 mm")).to_be_visible()


def test_the_crop_factor_that_dips_fit_is_taken_over(app: Page, home: str, gardener: User) -> None:
    reservoir = {"height_m": 0.25, "overflow_m": 0.25, "medium": "gravel_20", "wicks": [{"kind": "fabric"}]}
    garden = keep(gardener, TANK | {"reservoir": reservoir, "watering": {"crop_factor": 0.6}})
    tank = garden.beds.get(key="tank")
    for day, level_m in ((1, 0.24), (5, 0.15), (9, 0.06)):
        Dip.objects.create(bed=tank, at=datetime(2026, 7, day, 8, tzinfo=UTC), level_m=level_m)
    days = [date(2026, 7, 1) + timedelta(days=day) for day in range(10)]
    WeatherDay.objects.bulk_create(WeatherDay(garden=garden, day=day, tmin_c=14, tmax_c=27, rain_mm=0) for day in days)
    open_water(app, home, garden, "tank")
    dips = app.locator("section").filter(has=app.get_by_role("heading", name="Dipstick"))
    expect(dips).to_contain_text("By 2 stretches between dips, plants take")
    ask = row(app, "Plants ask on a hot day").inner_text()
    take = dips.get_by_role("button", name="Use the crop factor that fits")
    expect(take).to_contain_text("(now 0.60)")
    take.click()
    expect(take).to_have_count(0)
    expect(row(app, "Plants ask on a hot day")).not_to_have_text(ask)
    saved(app)
    assert garden.beds.get(key="tank").cut["watering"]["crop_factor"] > 0.6
    expect(dips).to_contain_text(re.compile(r"plants take (9[89]|10[012]) % of what the forecast has"))
