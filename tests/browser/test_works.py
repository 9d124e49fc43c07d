"""Works in the browser: planned for May, broken off, a gate not yet passed, layers ticked on a phone, paper."""

from __future__ import annotations

import io
import re
from datetime import date
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.utils import timezone
from icalendar import Calendar
from PIL import Image
from playwright.sync_api import Browser, Page, expect

from nolbet.gardens.models import Bed, Garden
from nolbet.plans.storing import store_plan
from nolbet.works.models import KeptWorks
from nolbet_core.built.plan_file import read_plan
from tests.browser.chromium import CONTEXT
from tests.core import zoo
from tests.core.test_works import BOARDS, FILL, WICKING
from tests.server.asking import picture

pytestmark = pytest.mark.browser

HEAD = {"name": "Test ground", "units": "metric", "last_frost": "05-12", "first_frost": "10-03"}
WET = zoo.bed(
    key="wet",
    name="Wet bed",
    shape=zoo.shape(2.4, 1.2, 0.6),
    reservoir=WICKING,
    layers=[{"material": "topsoil", "fill": True}],
)
YARD = {"key": "yard", "name": "Tide yard", "delivery": "30.00", "offers": [
    {"material": "compost", "form": "bag", "volume_m3": 0.04, "price": "6.20"},
    {"material": "topsoil", "form": "bulk", "price_per_m3": "60.00", "step_m3": 0.25},
]}  # fmt: skip


def works_of(app: Page, home: str, gardener: User, *beds: dict[str, Any], **head: Any) -> Garden:
    """Open the works of a garden."""
    document = zoo.plan(*beds, garden=HEAD | head, suppliers=[YARD])
    kept = store_plan(gardener.pk, read_plan(document).plan)
    app.goto(f"{home}/garden/{kept.pk}/works")
    expect(app.locator("[data-part=works-view]")).to_be_visible()
    return kept


def step(app: Page, key: str) -> Any:
    """The row of a step."""
    return app.locator(f'[data-part=work-step][data-key="{key}"]')


def said(garden: Garden) -> dict[str, Any]:
    """What is said of a garden's works, as it is kept."""
    return dict(KeptWorks.objects.get(garden=garden).words)


def next_may() -> date:
    """The next 12 May, far enough off to build a bed before."""
    today = timezone.localdate()
    this_year = date(today.year, 5, 12)
    return this_year if (this_year - today).days > 60 else date(today.year + 1, 5, 12)


def test_a_garden_is_planned_for_the_twelfth_of_may_by_two_on_weekends(app: Page, home: str, gardener: User) -> None:
    garden = works_of(app, home, gardener, zoo.bed(name="Long bed", frame=BOARDS, layers=FILL), WET)
    app.get_by_role("button", name="Days and people").click()
    side = app.get_by_role("dialog", name="Days and people")
    side.get_by_label("All sown by").fill(next_may().isoformat())
    side.get_by_role("group", name="Helpers").get_by_role("button", name="1", exact=True).click()
    aside = app.locator("[data-part=works-aside]")
    expect(aside).to_contain_text("2 people")
    side.get_by_role("button", name="Close").click()
    assert said(garden)["helpers"] == 1
    assert said(garden)["sow_on"] == next_may().isoformat()
    expect(aside.locator("[data-part=late]")).to_have_count(0)
    # every day with work is a Saturday or a Sunday
    days = app.locator("[data-part=works-calendar] [data-work]")
    expect(days.first).to_contain_text(re.compile("Sat|Sun"))
    assert all(re.search(r"(Sat|Sun) \d+", text) for text in days.all_text_contents())
    app.get_by_role("button", name="All to come").click()
    expect(step(app, "plain.plant")).to_be_visible()
    app.get_by_role("button", name="Undo").click()
    expect(aside).not_to_contain_text("2 people")


def tick(app: Page, key: str) -> None:
    """Tick a step that has no gate."""
    step(app, key).get_by_role("checkbox").click()
    expect(step(app, key).get_by_role("checkbox")).to_be_checked()


def answer(app: Page, key: str, how: str, measured: str = "") -> None:
    """Answer a step's hold point."""
    step(app, key).get_by_role("checkbox").click()
    gate = step(app, key).locator("[data-part=hold-gate]")
    gate.get_by_label("What you measured or saw").fill(measured)
    gate.get_by_role("button", name=how).click()
    expect(gate.locator("[data-part=answer]").last).to_contain_text("right" if how == "It is right" else "not yet")


def test_it_is_broken_off_after_the_liner_and_the_level_is_not_yet_right(app: Page, home: str, gardener: User) -> None:
    garden = works_of(app, home, gardener, WET)
    app.get_by_role("button", name="All to come").click()
    for key in ("wet.set_out", "wet.turf"):
        step(app, key).get_by_role("checkbox").click()
        expect(step(app, key)).to_have_count(0)
    # a gate isn't ticked, it is answered
    answer(app, "wet.level", "Not yet", "14 mm out at the north end")
    expect(step(app, "wet.level").get_by_role("checkbox")).not_to_be_checked()
    expect(step(app, "wet.level")).to_contain_text("Not yet right")
    (kept,) = [each for each in said(garden)["steps"] if each["step"] == "wet.level"]
    assert kept["answers"][0]["measured"] == "14 mm out at the north end"
    gate = step(app, "wet.level").locator("[data-part=hold-gate]")
    gate.get_by_role("button", name="It is right").click()
    expect(step(app, "wet.level")).to_have_count(0)
    for key in ("wet.place", "wet.underlay"):
        step(app, key).get_by_role("checkbox").click()
        step(app, key).get_by_role("button", name="It is right").click()
        expect(step(app, key)).to_have_count(0)
    step(app, "wet.liner").get_by_role("checkbox").click()
    left = app.locator("[data-part=broken-off]")
    expect(left).to_contain_text("left halfway")
    expect(left).to_contain_text("drown")
    expect(left).to_contain_text("held for 24 h")


def test_layers_ticked_on_a_phone_are_laid_in_section_and_off_the_haul(
    browser: Browser, app: Page, home: str, gardener: User
) -> None:
    garden = works_of(app, home, gardener, zoo.bed(name="Long bed", layers=FILL))
    phone = browser.new_context(**{**CONTEXT, "viewport": {"width": 390, "height": 844}, "has_touch": True})
    phone.add_cookies(app.context.cookies())
    page = phone.new_page()
    page.goto(f"{home}/garden/{garden.pk}/haul")
    expect(page.locator("[data-part=haul-view]")).to_contain_text("Compost")
    page.get_by_role("link", name="Works").tap()
    page.get_by_role("button", name="All to come").tap()
    for key in ("plain.layer.0", "plain.layer.1"):
        step(page, key).get_by_role("checkbox").tap()
        expect(step(page, key)).to_have_count(0)
    kept = Bed.objects.get(garden=garden)
    assert kept.cut["laid"] == [1.0, 1.0, 0.0]
    assert kept.cut["state"] == "filling"
    page.get_by_role("link", name="Haul").tap()
    expect(page.locator("[data-part=haul-view]")).to_contain_text("Topsoil")
    expect(page.locator("[data-part=haul-view] [data-part=need]", has_text="Compost")).to_have_count(0)
    page.get_by_role("link", name="Section").tap()
    laid = page.get_by_role("checkbox", name="laid")
    expect(laid.nth(1)).to_be_checked()
    phone.close()


def test_a_step_is_timed_photographed_put_off_and_left_out(app: Page, home: str, gardener: User) -> None:
    garden = works_of(app, home, gardener, zoo.bed(name="Long bed", frame=BOARDS, layers=FILL))
    app.get_by_role("button", name="All to come").click()
    row = step(app, "plain.set_out")
    row.get_by_role("button", name=re.compile("Set out Long bed")).click()
    row.get_by_role("button", name="Start the clock").click()
    expect(row.get_by_role("button", name=re.compile(r"Stop at 0:0\d"))).to_be_visible()
    app.reload()
    app.get_by_role("button", name="All to come").click()
    row.get_by_role("button", name=re.compile("Set out Long bed")).click()
    row.get_by_role("button", name=re.compile("Stop at")).click()
    row.get_by_label("Took, hours").fill("0.8")
    row.get_by_label("Took, hours").blur()
    expect(row.locator("[data-part=time-taken]")).to_contain_text("kept: 50 min")
    exif = Image.Exif()
    exif.get_ifd(0x8825)[2] = (44.0, 12.0, 30.0)
    row.get_by_label("A photograph of this step").set_input_files(
        {"name": "pegs.jpg", "mimeType": "image/jpeg", "buffer": picture(2600, 1300, "JPEG", exif=exif)}
    )
    shown = row.get_by_alt_text("Photograph 1 of this step")
    expect(shown).to_be_visible()
    assert shown.evaluate("image => image.naturalWidth") == 2000
    kept = garden.step_photos.get()
    with Image.open(io.BytesIO(bytes(kept.picture))) as read:
        assert not read.getexif()
    row.get_by_text("Put off, other hours, leave out").click()
    row.get_by_label("Leave it out, because").fill("the old pegs still stand")
    row.get_by_role("button", name="Leave it out", exact=True).click()
    expect(row).to_have_count(0)
    app.get_by_role("group", name="Which steps").get_by_role("button", name="Done").click()
    expect(row).to_contain_text("Left out: the old pegs still stand")
    assert KeptWorks.objects.get(garden=garden).hours[0]["hours"] == 0.8


def test_a_step_of_ones_own_comes_between_and_the_calendar_and_the_paper_have_it(
    app: Page, home: str, gardener: User
) -> None:
    garden = works_of(app, home, gardener, zoo.bed(name="Long bed", frame=BOARDS, layers=FILL))
    app.get_by_role("button", name="Add a step").click()
    side = app.get_by_role("dialog", name="A step of your own")
    side.get_by_label("What is done").fill("Fetch the neighbour's roller")
    side.get_by_label("For", exact=True).select_option("plain")
    side.get_by_label("After", exact=True).select_option("plain.set_out")
    side.get_by_label("Before", exact=True).select_option("plain.level")
    side.get_by_role("button", name="Add the step").click()
    app.get_by_role("button", name="All to come").click()
    expect(step(app, "plain.own.1")).to_contain_text("Fetch the neighbour's roller")
    with app.expect_download() as taken:
        app.get_by_role("link", name="As a calendar file").click()
    first = Calendar.from_ical(taken.value.path().read_bytes())
    titles = [str(event["summary"]) for event in first.walk("VEVENT")]
    assert titles.count("Fetch the neighbour's roller") == 1
    with app.expect_download() as again:
        app.get_by_role("link", name="As a calendar file").click()
    second = Calendar.from_ical(again.value.path().read_bytes())
    # what a calendar keeps by id after both
    ids = {str(event["uid"]) for each in (first, second) for event in each.walk("VEVENT")}
    assert len(ids) == len(titles)
    app.get_by_role("link", name="On paper").click()
    app.get_by_label("Day", exact=True).select_option("")
    app.get_by_label("Bed", exact=True).select_option("plain")
    papers = app.locator("[data-part=paper-step]")
    expect(papers.filter(has_text="Fetch the neighbour's roller")).to_have_count(1)
    app.emulate_media(media="print")
    expect(app.get_by_role("button", name="Print")).not_to_be_visible()
    expect(papers.first).to_contain_text("Done when")
    assert garden.beds.count() == 1


def test_what_is_late_is_mended_by_a_click_and_autumn_is_told_apart(app: Page, home: str, gardener: User) -> None:
    woody = zoo.bed(
        name="Wood bed",
        shape=zoo.shape(2.4, 1.2, 0.6),
        layers=[{"material": "shredded_hardwood", "thickness_m": 0.3}, {"material": "topsoil", "fill": True}],
    )
    beds = [zoo.bed(key=f"soil_{index}", name=f"Soil {index}", layers=FILL, count=3) for index in range(5)]
    garden = works_of(app, home, gardener, woody, *beds, works={"sow_on": timezone.localdate().isoformat()})
    late = app.locator("[data-part=late]")
    expect(late).to_contain_text("late")
    late.get_by_text("What would mend it").click()
    helper = app.locator("[data-part=mend]", has_text="One more helper")
    helper.get_by_role("button", name="Take it").click()
    expect(app.locator("[data-part=works-aside]")).to_contain_text("2 people")
    assert said(garden)["helpers"] == 1
    app.get_by_text("Autumn or spring").click()
    expect(app.locator("[data-part=build-when]")).to_contain_text("Better in autumn")
