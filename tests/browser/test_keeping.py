"""What a gardener types over a winter is there in spring, and theirs alone."""

from __future__ import annotations

import json
import re
from pathlib import Path

import pytest
from django.contrib.auth.models import User
from playwright.sync_api import Browser, Page, expect

from nolbet.account.sessions import end_other_sessions
from nolbet.gardens.models import Bed, Garden
from tests.browser.chromium import CONTEXT
from tests.browser.gardens import BRANCHY, keep, open_section, saved, warned
from tests.core import zoo

pytestmark = pytest.mark.browser


def set_compost(page: Page, text: str) -> None:
    """Type the compost's thickness and wait until it is kept."""
    field = page.get_by_label("Thickness of Compost")
    with page.expect_response(lambda answer: answer.request.method == "PUT" and "/beds/" in answer.url):
        field.fill(text)
        field.press("Enter")
    expect(field).to_have_value(text)
    saved(page)


def test_an_account_is_opened_a_garden_started_and_left(
    page: Page, home: str, strayed: list[str], troubles: list[str]
) -> None:
    page.goto(home)
    expect(page.get_by_role("button", name="Sign in")).to_be_visible()
    page.get_by_role("button", name="Open an account instead").click()
    page.get_by_label("Name", exact=True).fill("oarsman")
    page.get_by_label("Password").fill("short")
    page.get_by_role("button", name="Open an account", exact=True).click()
    warned(page, "too short")
    page.get_by_label("Password").fill("a long enough phrase")
    page.get_by_role("button", name="Open an account", exact=True).click()
    expect(page.get_by_role("heading", name="Start the first garden")).to_be_visible()
    page.get_by_label("Its name").fill("Slipway")
    page.get_by_role("button", name="metric").click()
    page.get_by_role("button", name="Start it").click()
    expect(page.get_by_role("heading", name="Measure the first bed")).to_be_visible()
    page.get_by_role("link", name="Slipway").click()
    page.get_by_role("button", name=re.compile(r"^\W*Password$")).click()
    page.get_by_label("Password now").fill("a long enough phrase")
    page.get_by_label("New password").fill("quite another phrase")
    page.get_by_role("button", name="Change the password").click()
    expect(page.get_by_text("Changed. Other devices")).to_be_visible()
    page.get_by_role("button", name="Sign out").click()
    page.get_by_label("Name", exact=True).fill("oarsman")
    page.get_by_label("Password").fill("a long enough phrase")
    page.get_by_role("button", name="Sign in").click()
    warned(page, "don't go together")
    page.get_by_label("Password").fill("quite another phrase")
    page.get_by_role("button", name="Sign in").click()
    expect(page.get_by_role("heading", name="Measure the first bed")).to_be_visible()


def test_a_signed_out_page_leads_to_the_door(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    open_section(app, home, garden, "branchy")
    app.context.clear_cookies()
    app.goto(f"{home}/garden/{garden.pk}/plot")
    expect(app.get_by_role("button", name="Sign in")).to_be_visible()


def sign_in_at_the_door(page: Page, name: str) -> None:
    """Type name and password."""
    page.get_by_label("Name", exact=True).fill(name)
    page.get_by_label("Password").fill("a long enough phrase")
    page.get_by_role("button", name="Sign in").click()


def test_what_was_typed_after_the_session_ended_is_saved_after_signing_in_again(
    page: Page, home: str, gardener: User, strayed: list[str], troubles: list[str]
) -> None:
    garden = keep(gardener, BRANCHY)
    page.goto(home)
    sign_in_at_the_door(page, "gardener")
    expect(page.get_by_role("button", name="Sign in")).to_have_count(0)
    open_section(page, home, garden, "branchy")
    end_other_sessions(gardener.pk, None)
    page.get_by_label("Thickness of Compost").fill("17 cm")
    page.get_by_label("Thickness of Compost").press("Enter")
    sign_in_at_the_door(page, "gardener")
    expect(page.get_by_label("Thickness of Compost")).to_have_value("17 cm")
    saved(page)
    layers = Bed.objects.get(key="branchy").cut["layers"]
    assert next(each for each in layers if each["material"] == "compost")["thickness_m"] == pytest.approx(0.17)


def test_undo_and_redo_reach_over_a_reload(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    open_section(app, home, garden, "branchy")
    set_compost(app, "15 cm")
    set_compost(app, "20 cm")
    app.reload()
    expect(app.locator("[data-part=tally-volume]")).to_be_visible()
    app.keyboard.press("Control+z")
    expect(app.get_by_label("Thickness of Compost")).to_have_value("15 cm")
    saved(app)
    app.keyboard.press("Control+z")
    expect(app.get_by_label("Thickness of Compost")).to_have_value("10 cm")
    saved(app)
    app.reload()
    expect(app.locator("[data-part=tally-volume]")).to_be_visible()
    app.keyboard.press("Control+Shift+Z")
    expect(app.get_by_label("Thickness of Compost")).to_have_value("15 cm")
    saved(app)
    app.keyboard.press("Control+Shift+Z")
    expect(app.get_by_label("Thickness of Compost")).to_have_value("20 cm")
    saved(app)
    restored = list(Bed.objects.get(key="branchy").versions.values_list("restores", flat=True))[::-1]
    assert restored == [None, None, None, 2, 1, 2, 3]


def test_two_tabs_collide_both_are_drawn_and_nothing_is_lost(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    open_section(app, home, garden, "branchy")
    other = app.context.new_page()
    open_section(other, home, garden, "branchy")
    set_compost(other, "15 cm")
    field = app.get_by_label("Thickness of Compost")
    field.fill("20 cm")
    field.press("Enter")
    notice = app.get_by_role("alert").filter(has_text="changed elsewhere")
    expect(notice.locator("[data-part=small-section]")).to_have_count(2)
    assert Bed.objects.get(key="branchy").cut["layers"][2]["thickness_m"] == 0.15
    notice.get_by_role("button", name="Keep mine").click()
    saved(app)
    assert Bed.objects.get(key="branchy").cut["layers"][2]["thickness_m"] == 0.2
    thicknesses = {version.cut["layers"][2]["thickness_m"] for version in Bed.objects.get(key="branchy").versions.all()}
    assert thicknesses == {0.1, 0.15, 0.2}


def test_an_edit_made_with_the_line_down_outlives_the_page(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    open_section(app, home, garden, "branchy")
    app.route("**/api/**", lambda route: route.abort())
    app.locator("[data-part=layer-card]", has_text="Topsoil").locator("[data-part=layer-name]").click()
    app.locator("[data-part=layer-card]", has_text="Topsoil").get_by_role("button", name="Split").click()
    expect(app.get_by_role("status").filter(has_text="No connection")).to_be_visible()
    assert len(Bed.objects.get(key="branchy").cut["layers"]) == 4
    app.unroute("**/api/**")
    app.reload()
    expect(app.locator("[data-part=layer-card]")).to_have_count(5)
    saved(app)
    assert len(Bed.objects.get(key="branchy").cut["layers"]) == 5
    app.reload()
    expect(app.locator("[data-part=layer-card]")).to_have_count(5)


def test_a_version_is_brought_back_from_the_history(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    open_section(app, home, garden, "branchy")
    set_compost(app, "15 cm")
    set_compost(app, "20 cm")
    app.get_by_role("button", name="More measures").click()
    app.get_by_role("link", name="History").click()
    versions = app.locator("[data-part=history-list] > li")
    expect(versions).to_have_count(3)
    expect(versions.locator("[data-part=small-section]")).to_have_count(3)
    expect(versions.last).to_contain_text("measured")
    versions.last.get_by_role("button", name="Bring this back").click()
    expect(app.get_by_label("Thickness of Compost")).to_have_value("10 cm")
    saved(app)
    app.evaluate("document.activeElement.blur()")
    app.keyboard.press("Control+z")
    expect(app.get_by_label("Thickness of Compost")).to_have_value("20 cm")


def test_a_bed_goes_to_the_bin_and_comes_back(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY, zoo.bed(name="Plain"))
    open_section(app, home, garden, "branchy")
    app.get_by_role("button", name="More measures").click()
    app.get_by_role("button", name="To the bin").click()
    expect(app.locator("[data-part=plot-beds]")).not_to_contain_text("Branchy")
    bin_ = app.locator("[data-part=plot-bin]")
    expect(bin_).to_contain_text("Branchy")
    bin_.get_by_role("button", name="Take it back").click()
    expect(app.locator("[data-part=plot-beds]")).to_contain_text("Branchy")
    expect(bin_).to_have_count(0)


def test_gardens_are_named_copied_binned_and_taken_back(app: Page, home: str, gardener: User) -> None:
    keep(gardener, BRANCHY)
    app.goto(f"{home}/gardens")
    card = app.locator("[data-part=garden-list] > li", has_text="1 bed").first
    name = card.get_by_label("Name of Test ground")
    name.fill("Slipway")
    name.press("Enter")
    expect(card.get_by_label("Name of Slipway")).to_be_visible()
    card.get_by_role("button", name="Copy").click()
    copied = app.locator("[data-part=garden-list] > li").filter(has=app.get_by_label("Name of Slipway, copy"))
    expect(copied).to_contain_text("1 bed")
    copied.get_by_role("button", name="To the bin").click()
    bin_ = app.locator("[data-part=garden-bin]")
    expect(bin_).to_contain_text("Slipway, copy")
    bin_.get_by_role("button", name="Take it back").click()
    expect(copied).to_contain_text("1 bed")
    assert Garden.objects.filter(deleted_at=None).count() == 2


def test_a_plan_file_goes_out_and_comes_in_with_a_preview(app: Page, home: str, gardener: User, tmp_path: Path) -> None:
    garden = keep(gardener, BRANCHY)
    open_section(app, home, garden, "branchy")
    app.get_by_role("link", name="Test ground").click()
    with app.expect_download() as download:
        app.get_by_role("link", name="Plan file").click()
    assert download.value.suggested_filename == "test_ground.nolbet.json"
    file = tmp_path / "changed.nolbet.json"
    document = json.loads(Path(download.value.path()).read_text())
    document["beds"][0]["count"] = 3
    document["beds"].append(zoo.bed(key="brought", name="Brought along"))
    file.write_text(json.dumps(document))
    app.get_by_label("The file").set_input_files(file)
    review = app.locator("[data-part=import-review]")
    expect(review.locator("li[data-state=new]")).to_have_count(3)
    app.locator("[data-part=import-row] select").select_option(label="into Test ground")
    expect(review.locator("li[data-state=changed]")).to_contain_text("Branchy")
    expect(review.locator("li[data-state=new]")).to_contain_text("Brought along")
    expect(review.locator("li[data-state=same]")).to_contain_text("Saltgrass stores")
    review.get_by_role("button", name="Bring it in").click()
    expect(app.locator("[data-part=plot-beds]")).to_contain_text("Brought along")
    expect(app.locator("[data-part=plot-beds]")).to_contain_text("3 alike")
    assert garden.beds.count() == 2
    app.locator("[data-part=plot-bed]", has_text="Branchy").click()
    expect(app.locator("[data-part=tally] h2")).to_have_text("To buy for all 3 beds")
    set_compost(app, "15 cm")


def test_a_plan_file_with_two_errors_says_where_they_are(app: Page, home: str, gardener: User, tmp_path: Path) -> None:
    keep(gardener, BRANCHY)
    file = tmp_path / "wrong.nolbet.json"
    layers = [{"material": "nosuch", "fill": True}, {"material": "topsoyl", "thickness_m": 0.1}]
    file.write_text(json.dumps(zoo.plan(zoo.bed(layers=layers))))
    app.goto(f"{home}/gardens")
    app.get_by_label("The file").set_input_files(file)
    problems = app.locator("[data-part=import-problems]")
    expect(problems).to_contain_text("2 things are wrong with it")
    expect(problems.locator("li")).to_have_text(
        [
            re.compile(r"beds\[0\]\.layers\[0\]\.material"),
            re.compile(r"beds\[0\]\.layers\[1\]\.material.*did you mean topsoil"),
        ]
    )
    expect(app.get_by_role("button", name="Bring it in")).to_have_count(0)
    large = tmp_path / "large.nolbet.json"
    large.write_text(" " * (2 * 1024 * 1024 + 1))
    app.get_by_label("The file").set_input_files(large)
    warned(app, "over 2 MB")


def test_another_gardener_sees_nothing_of_it(
    app: Page, browser: Browser, home: str, gardener: User, stranger: User
) -> None:
    garden = keep(gardener, BRANCHY)
    context = browser.new_context(**CONTEXT)
    page = context.new_page()
    page.goto(home)
    page.get_by_label("Name", exact=True).fill("stranger")
    page.get_by_label("Password").fill("a long enough phrase")
    page.get_by_role("button", name="Sign in").click()
    expect(page.get_by_role("heading", name="Start the first garden")).to_be_visible()
    page.goto(f"{home}/garden/{garden.pk}/plot")
    expect(page.locator("[data-part=page-note]")).to_contain_text("no such thing in your gardens")
    context.close()


def test_an_undo_not_saved_yet_is_still_an_undo_after_a_reload(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    open_section(app, home, garden, "branchy")
    set_compost(app, "15 cm")
    app.route("**/beds/branchy", lambda route: route.abort())
    app.evaluate("document.activeElement.blur()")
    app.keyboard.press("Control+z")
    expect(app.get_by_label("Thickness of Compost")).to_have_value("10 cm")
    app.unroute("**/beds/branchy")
    app.reload()
    expect(app.get_by_label("Thickness of Compost")).to_have_value("10 cm")
    app.keyboard.press("Control+Shift+Z")
    expect(app.get_by_label("Thickness of Compost")).to_have_value("15 cm")
    saved(app)
    restored = list(Bed.objects.get(key="branchy").versions.values_list("restores", flat=True))[::-1]
    assert restored == [None, None, 1, 2]
