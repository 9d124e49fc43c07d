"""What is taken along: outdoors with one thumb, a link for the helper, an archive; and whose browser it is."""

from __future__ import annotations

import re
from pathlib import Path
from typing import Any

import pytest
from django.contrib.auth.models import User
from playwright.sync_api import Browser, BrowserContext, Page, Route, expect

from nolbet.gardens.models import Garden
from nolbet.plans.storing import store_plan
from nolbet.works.rows import kept_works, works_plan
from nolbet_core.built.plan_file import read_plan
from tests.browser.chromium import CONTEXT
from tests.browser.test_outside import all_kept, kept_here, opened
from tests.core import zoo

BED = zoo.bed(
    key="long",
    name="Long bed",
    places=[{"x_m": 3.0, "y_m": 2.5}],
    layers=[
        {"material": "cardboard"},
        {"material": "compost", "thickness_m": 0.1},
        {"material": "topsoil", "fill": True},
    ],
)
GLOVED_PX = 48
AWAKE = """
    window.asked = 0;
    const lock = { request: async () => ((window.asked += 1), { release: async () => undefined }) };
    Object.defineProperty(navigator, "wakeLock", { value: lock });
"""


@pytest.fixture
def garden(gardener: User) -> Garden:
    """A bed that isn't begun, on a plot, with a yard that sells what it takes."""
    head: dict[str, Any] = {
        "name": "Test ground",
        "units": "metric",
        "plot": {"corners_m": [[0, 0], [8, 0], [8, 6], [0, 6]]},
    }
    stores = [
        {
            "key": "yard",
            "name": "Pennyfold yard",
            "offers": [
                {"material": "compost", "form": "bulk", "price_per_m3": "48.00"},
                {"material": "topsoil", "form": "bulk", "price_per_m3": "40.00"},
            ],
        }
    ]
    return store_plan(gardener.pk, read_plan(zoo.plan(BED, garden=head, suppliers=stores)).plan)


def test_one_step_at_a_time_by_the_thumb_of_either_hand(app: Page, home: str, garden: Garden) -> None:
    app.add_init_script(AWAKE)
    app.set_viewport_size({"width": 390, "height": 844})
    app.goto(f"{home}/garden/{garden.pk}/works")
    app.get_by_role("link", name="Outdoors").click()
    step = app.locator("[data-part=outdoor-step]")
    first = step.get_by_role("heading")
    title = first.inner_text()
    expect(app.get_by_text(re.compile(r"^1 of \d+ to do$"))).to_be_visible()
    app.wait_for_function("window.asked > 0")
    for button in app.locator("main button, main a").all():
        box = button.bounding_box()
        assert box is not None and box["height"] >= GLOVED_PX - 4
    done = app.get_by_role("button", name="Done", exact=True)
    box = done.bounding_box()
    assert box is not None and box["height"] >= GLOVED_PX and box["x"] > 120
    app.get_by_role("button", name="Left hand").click()
    expect(done).to_be_visible()
    box = done.bounding_box()
    assert box is not None and box["x"] < 60
    done.click()
    expect(first).not_to_have_text(title)
    app.get_by_role("button", name=f"{title}: not done after all").click()
    expect(first).to_have_text(title)
    while "compost" not in first.inner_text():
        shown = first.inner_text()
        app.get_by_role("button", name="Next").click()
        expect(first).not_to_have_text(shown)
    # 50 cm deep, topsoil over 10 cm of compost on the floor
    expect(app.locator("[data-part=depth-mark]")).to_contain_text("below the rim")
    expect(step).to_contain_text(re.compile(r"0\.\d+ m³ \(\d+ bags of 40 L\) of compost, loose"))
    app.reload()
    expect(first).to_contain_text("compost")


def test_a_step_taken_back_stays_back_while_its_tick_still_arrives(app: Page, home: str, garden: Garden) -> None:
    held: list[Route] = []

    def hold(route: Route) -> None:
        held.append(route)

    app.route("**/works/tick", hold)
    app.goto(f"{home}/garden/{garden.pk}/outdoors")
    heading = app.locator("[data-part=outdoor-step]").get_by_role("heading")
    title = heading.inner_text()
    app.get_by_role("button", name="Done", exact=True).click()
    expect(heading).not_to_have_text(title)
    app.get_by_role("button", name=f"{title}: not done after all").click()
    expect(heading).to_have_text(title)
    # the tick arrives, and days with it, while what takes it back is still on its way
    with app.expect_response("**/figure/works"):
        held[0].continue_()
    expect(heading).to_have_text(title)
    expect(app.get_by_text(re.compile(r"^1 of \d+ to do$"))).to_be_visible()
    with app.expect_response("**/figure/works"):
        held[1].continue_()
    expect(heading).to_have_text(title)
    assert works_plan(kept_works(garden)) is None


def test_a_helper_looks_and_ticks_by_a_link_until_it_is_ended(
    app: Page, browser: Browser, home: str, garden: Garden
) -> None:
    app.goto(f"{home}/gardens")
    app.get_by_role("link", name="Share").click()
    app.get_by_label("Who it is for").fill("Anouk")
    app.get_by_label("Steps may be ticked there").check()
    app.get_by_role("button", name="Make the link").click()
    address = app.get_by_label("The link for Anouk").input_value()
    anouk = browser.new_context(**CONTEXT)
    page = anouk.new_page()
    page.goto(address)
    expect(page.get_by_role("heading", name="Test ground")).to_be_visible()
    expect(page.locator("[data-part=looked-bed]")).to_contain_text("Long bed")
    expect(page.locator("[data-part=zone-map]")).to_contain_text("Long bed")
    box = page.get_by_role("checkbox", name="Get cardboard together")
    box.click()
    expect(box).to_be_checked()
    assert [each.step for each in works_plan(kept_works(garden)).steps] == ["garden.gather.cardboard"]
    page.goto(f"{home}/garden/{garden.pk}/plot")
    expect(page.get_by_role("button", name="Sign in")).to_be_visible()
    app.locator("[data-part=shared-link]", has_text="Anouk").get_by_role("button", name="End it").click()
    expect(app.get_by_text("None.")).to_be_visible()
    page.goto(address)
    expect(page.get_by_text("This link doesn't open anything any more")).to_be_visible()
    app.get_by_label("Who it is for").fill("The yard")
    app.get_by_label("It shows").select_option(label="the list for Pennyfold yard")
    app.get_by_role("button", name="Make the link").click()
    page.goto(app.get_by_label("The link for The yard").input_value())
    expect(page.locator("[data-part=looked-line]").first).to_contain_text(re.compile("Compost|Topsoil"))
    expect(page.locator("main")).not_to_contain_text("Long bed")
    anouk.close()


def test_an_archive_goes_out_and_comes_in(app: Page, home: str, garden: Garden, tmp_path: Path) -> None:
    app.goto(f"{home}/gardens")
    with app.expect_download() as caught:
        app.get_by_role("link", name="Archive").click()
    file = tmp_path / caught.value.suggested_filename
    assert file.name == "test_ground.nolbet.zip"
    caught.value.save_as(file)
    app.get_by_label("The archive").set_input_files(file)
    expect(app.get_by_role("heading", name="Plot")).to_be_visible()
    copy = Garden.objects.exclude(pk=garden.pk).get()
    assert [bed.name for bed in copy.beds.all()] == ["Long bed"]
    app.goto(f"{home}/gardens")
    app.get_by_label("The archive").set_input_files({"name": "x.zip", "mimeType": "application/zip", "buffer": b"x"})
    expect(app.get_by_text("is no archive of a garden that can be read")).to_be_visible()


@pytest.fixture
def shared_browser(browser: Browser, home: str) -> BrowserContext:
    """A browser that keeps the page's files, as one at home that two gardeners use."""
    context = browser.new_context(**(CONTEXT | {"service_workers": "allow"}))
    context.set_default_timeout(20_000)
    return context


def enter(page: Page, name: str) -> None:
    """Sign in at the front door."""
    page.get_by_label("Name").fill(name)
    page.get_by_label("Password").fill("a long enough phrase")
    page.get_by_role("button", name="Sign in").click()


def test_another_gardener_in_the_same_browser_sees_nothing_of_the_first(
    shared_browser: BrowserContext, home: str, garden: Garden, stranger: User
) -> None:
    page = shared_browser.new_page()
    page.goto(f"{home}/sign-in")
    enter(page, "gardener")
    expect(page.get_by_label("Name of the bed")).to_have_value("Long bed")
    page.close()
    page = opened(shared_browser, f"{home}/garden/{garden.pk}/section/bed/long")
    expect(page.get_by_label("Name of the bed")).to_have_value("Long bed")
    kept_here(page, "Long bed")
    # a page that is open goes to the door by itself
    page.close()
    # the session ran out, nobody signed out
    shared_browser.clear_cookies(name="nolbet_session")
    page = shared_browser.new_page()
    page.goto(f"{home}/sign-in")
    enter(page, "stranger")
    expect(page.get_by_role("heading", name="Start the first garden")).to_be_visible()
    assert "Long bed" not in all_kept(page)
    page.goto(f"{home}/garden/{garden.pk}/section/bed/long")
    expect(page.locator("body")).not_to_contain_text("Long bed")
    shared_browser.close()
