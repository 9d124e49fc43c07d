"""A season is written down, with and without a connection, and the bed's forecast follows."""

from __future__ import annotations

import io
import re
from datetime import date, timedelta
from typing import Any

import pytest
from django.contrib.auth.models import User
from PIL import Image
from playwright.sync_api import FilePayload, Page, Route, expect

from nolbet.gardens.models import Garden
from nolbet.plans.storing import store_plan
from nolbet_core.built.plan_file import read_plan
from tests.core import zoo
from tests.core.test_season import BED, FIVE
from tests.core.test_works import WICKING
from tests.server.asking import placed

ON_THE_WAY = 20


@pytest.fixture
def season(gardener: User) -> Garden:
    """A garden with a filled bed on logs that nothing was read of."""
    garden = {"name": "Test ground", "units": "metric"}
    return store_plan(gardener.pk, read_plan(zoo.plan({**BED, "name": "Log bed"}, garden=garden)).plan)


def write_surface(app: Page, on: str, height: str) -> None:
    """Write a reading of the surface down."""
    app.get_by_label("On", exact=True).fill(on)
    app.get_by_label("Surface over the floor").fill(height)
    app.get_by_role("button", name="Keep it").click()


def lost_on_the_way_back(route: Route) -> None:
    """Let a request reach the server, and its answer nobody."""
    route.fetch()
    route.abort()


def test_five_readings_are_told_and_a_wild_one_is_named(app: Page, home: str, season: Garden) -> None:
    app.goto(f"{home}/garden/{season.pk}/season")
    expect(app.get_by_text("Nothing was read of it yet")).to_be_visible()
    for count, entry in enumerate(FIVE, start=1):
        write_surface(app, entry["on"], f"{entry['height_m'] * 100:.1f} cm")
        expect(app.locator("[data-part=surface-reading]")).to_have_count(count)
    expect(app.get_by_text("By 5 readings it settles")).to_be_visible()
    write_surface(app, "2026-12-15", "47 cm")
    expect(app.get_by_text("The reading of 47 cm is off by")).to_be_visible()
    expect(app.get_by_text("By 5 of 6 readings it settles")).to_be_visible()
    app.get_by_role("button", name="Change: Surface, 15 Dec 2026").click()
    app.get_by_role("button", name="Take out: Surface, 15 Dec 2026").click()
    expect(app.get_by_text("The reading of 47 cm is off by")).to_have_count(0)


def test_entries_without_a_connection_arrive_once_and_in_order(app: Page, home: str, season: Garden) -> None:
    app.set_viewport_size({"width": 390, "height": 844})
    app.goto(f"{home}/garden/{season.pk}/season")
    expect(app.locator("[data-part=surface-line] [data-part=chart]")).to_be_visible()
    app.get_by_role("button", name="Note").click()
    app.context.set_offline(True)
    for number in range(ON_THE_WAY):
        app.get_by_label("In your words").fill(f"Seen from the path, number {number + 1}")
        app.get_by_role("button", name="Keep it").click()
    expect(app.locator("[data-part=entry-waiting]")).to_have_count(ON_THE_WAY)
    assert season.entries.count() == 0
    app.context.set_offline(False)
    expect(app.locator("[data-part=entry]")).to_have_count(ON_THE_WAY)
    expect(app.locator("[data-part=entry-waiting]")).to_have_count(0)
    # opened again nothing is sent a second time
    app.reload()
    expect(app.locator("[data-part=entry]")).to_have_count(ON_THE_WAY)
    told = [entry.said["text"] for entry in season.entries.order_by("id")]
    assert told == [f"Seen from the path, number {number + 1}" for number in range(ON_THE_WAY)]


def test_what_waits_outlives_the_page_and_what_is_refused_says_why(app: Page, home: str, season: Garden) -> None:
    app.goto(f"{home}/garden/{season.pk}/season")
    app.get_by_role("button", name="Harvest").click()
    # the line breaks where the answer would come back: it is there, and arrives again
    app.route("**/season/*", lost_on_the_way_back)
    app.get_by_label("What", exact=True).fill("Beans")
    app.get_by_label("Weighs").fill("1.25 kg")
    with app.expect_event("requestfailed"):
        app.get_by_role("button", name="Keep it").click()
    expect(app.locator("[data-part=entry-waiting]")).to_contain_text("Beans, 1.25 kg")
    app.unroute("**/season/*")
    app.reload()
    expect(app.locator("[data-part=entry]")).to_have_count(1)
    expect(app.locator("[data-part=entry-waiting]")).to_have_count(0)
    assert season.entries.count() == 1
    season.beds.update(key="gone")
    app.get_by_role("button", name="Watered").click()
    app.get_by_role("button", name="Keep it").click()
    expect(app.locator("[data-part=entry-waiting]")).to_contain_text("Watered")
    app.get_by_role("button", name="Take back").click()
    expect(app.locator("[data-part=entry-waiting]")).to_have_count(0)


def photograph() -> FilePayload:
    """A photograph as a phone held upright takes it."""
    return {"name": "bed.jpg", "mimeType": "image/jpeg", "buffer": placed()}


def test_a_photograph_taken_without_a_connection_arrives_with_its_entry(app: Page, home: str, season: Garden) -> None:
    app.set_viewport_size({"width": 390, "height": 844})
    app.goto(f"{home}/garden/{season.pk}/season")
    expect(app.locator("[data-part=surface-line] [data-part=chart]")).to_be_visible()
    app.get_by_role("button", name="Note").click()
    app.context.set_offline(True)
    app.get_by_label("In your words").fill("Beans climb the poles")
    app.get_by_label("A photograph of it").set_input_files([photograph()])
    expect(app.get_by_text("bed.jpg goes with it")).to_be_visible()
    app.get_by_role("button", name="Keep it").click()
    expect(app.get_by_text("it is kept in this browser with its photographs")).to_be_visible()
    # not the page but the browser has it: the page is closed, and opened again when the line is back
    app.goto("about:blank")
    app.context.set_offline(False)
    app.goto(f"{home}/garden/{season.pk}/season")
    expect(app.get_by_alt_text("Photograph 1 of it")).to_be_visible()
    expect(app.locator("[data-part=entry-waiting]")).to_have_count(0)
    kept = season.entry_photos.get()
    with Image.open(io.BytesIO(kept.picture)) as shown:
        assert shown.size == (1000, 2000)
        assert not shown.getexif()


def test_an_entry_is_changed_in_its_place_and_what_it_said_stays_at_hand(app: Page, home: str, season: Garden) -> None:
    app.goto(f"{home}/garden/{season.pk}/season")
    write_surface(app, "2027-05-02", "52 cm")
    app.get_by_role("button", name="Change: Surface, 2 May 2027").click()
    card = app.locator("[data-part=entry]")
    expect(card.get_by_label("Surface over the floor")).to_have_value("52 cm")
    card.get_by_label("Surface over the floor").fill("54.3 cm")
    card.get_by_label("Who, if you like").fill("Ilse")
    card.get_by_role("button", name="Keep the change").click()
    expect(card).to_contain_text("Log bed, Ilse")
    app.get_by_role("button", name="Change: Surface, 2 May 2027").click()
    expect(card.get_by_text("Before: 2 May 2027, stands 52 cm over the floor")).to_be_visible()
    entry = season.entries.get()
    assert (entry.revision, entry.said["height_m"], entry.said["who"]) == (2, pytest.approx(0.543), "Ilse")


def harvests() -> list[dict[str, Any]]:
    """Seven weeks of beans from both halves of the bed, the left one giving more each time."""
    weeks = [date(2027, 7, 5) + timedelta(weeks=week) for week in range(7)]
    return [
        {"kind": "harvest", "bed": "plain", "on": str(on), "crop": "Beans", "mass_kg": kg + 0.1 * (week % 2),
         "half": half, "worth": "2.50"}
        for week, on in enumerate(weeks)
        for half, kg in (("left", 0.9), ("right", 0.5))
    ]  # fmt: skip


def test_what_the_log_comes_to_is_taken_over_ticked_off_and_printed(app: Page, home: str, gardener: User) -> None:
    differently = {"kind": "note", "bed": "plain", "on": "2027-09-20", "text": "Less straw, more leaf.",
                   "differently": True}  # fmt: skip
    bed = {**BED, "name": "Log bed", "built_on": "2026-03-01"}
    unread = {**BED, "key": "second", "name": "Second bed", "built_on": "2026-03-01"}
    document = zoo.plan(bed, unread, garden={"name": "Test ground", "units": "metric"},
                        log=[*harvests(), *FIVE, differently])  # fmt: skip
    garden = store_plan(gardener.pk, read_plan(document).plan)
    app.goto(f"{home}/garden/{garden.pk}/season")
    expect(app.locator("[data-part=time-row]")).to_have_count(2)
    app.get_by_role("button", name="Reckon so in beds that nothing was read of").click()
    expect(app.get_by_text("The garden reckons with it.")).to_be_visible()
    garden.refresh_from_db()
    assert garden.facts["sinking"]["readings"] == len(FIVE)
    app.get_by_role("button", name="Side by side").click()
    expect(app.locator("[data-part=trial]")).to_contain_text("Log bed, left half gave more")
    app.get_by_role("button", name="Upkeep due").click()
    due = app.locator("[data-part=upkeep-due]")
    first = due.get_by_role("button", name="Done: ").first
    title = (first.get_attribute("aria-label") or "").removeprefix("Done: ")
    first.click()
    expect(due.get_by_text(re.compile(r"^done \d"))).to_be_visible()
    assert garden.entries.get(said__upkeep__isnull=False).said["text"] == title
    app.get_by_role("link", name="The year").click()
    app.get_by_label("Year", exact=True).select_option("2027")
    expect(app.locator("[data-part=yields]")).to_contain_text("14 times")
    expect(app.get_by_text("Less straw, more leaf.")).to_be_visible()
    expect(app.get_by_label("Forecast and what happened")).to_contain_text("15 Sep 2027")
    app.goto(f"{home}/garden/{garden.pk}/new")
    expect(app.get_by_text("Less straw, more leaf.")).to_be_visible()


def test_a_stump_met_in_the_ground_is_marked_on_the_plot(app: Page, home: str, gardener: User) -> None:
    ground = {"corners_m": [[0, 0], [8, 0], [8, 6], [0, 6]]}
    garden = {"name": "Test ground", "units": "metric", "plot": ground}
    kept = store_plan(gardener.pk, read_plan(zoo.plan(BED, garden=garden)).plan)
    app.goto(f"{home}/garden/{kept.pk}/season")
    app.get_by_role("button", name="Note").click()
    app.get_by_role("link", name="A stump").click()
    expect(app.get_by_text("Click where the stump stands.")).to_be_visible()


def test_a_dip_without_a_connection_reaches_the_reservoir_once(app: Page, home: str, gardener: User) -> None:
    wet = zoo.bed(key="wet", name="Wet bed", shape=zoo.shape(2.4, 1.2, 0.6), reservoir=WICKING,
                  layers=[{"material": "topsoil", "fill": True}])  # fmt: skip
    document = zoo.plan({**BED, "name": "Log bed"}, wet, garden={"name": "Test ground", "units": "metric"})
    garden = store_plan(gardener.pk, read_plan(document).plan)
    app.goto(f"{home}/garden/{garden.pk}/season")
    app.get_by_role("button", name="Dip", exact=True).click()
    # a stick goes into a reservoir, and nowhere else
    assert app.get_by_label("Where").locator("option").all_inner_texts() == ["Wet bed"]
    app.get_by_label("Water stands at").fill("12 cm")
    expect(app.get_by_role("button", name="Keep it")).to_be_enabled()
    # emptied again nothing is left to keep
    app.get_by_label("Water stands at").fill("")
    expect(app.get_by_role("button", name="Keep it")).to_be_disabled()
    app.get_by_label("Water stands at").fill("14 cm")
    expect(app.get_by_role("button", name="Keep it")).to_be_enabled()
    app.context.set_offline(True)
    app.get_by_role("button", name="Keep it").click()
    expect(app.locator("[data-part=entry-waiting]")).to_contain_text("water stands at 14 cm")
    app.context.set_offline(False)
    expect(app.locator("[data-part=entry-waiting]")).to_have_count(0)
    app.reload()
    expect(app.locator("[data-part=time-row]")).to_have_count(2)
    assert [dip.level_m for dip in garden.beds.get(key="wet").dips.all()] == [pytest.approx(0.14)]
