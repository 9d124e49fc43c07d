"""Takes the pictures of the documentation: `pictures.py ADDRESS FOLDER` (see bin/pictures)."""

from __future__ import annotations

import re
import sys
from collections.abc import Callable
from pathlib import Path

from playwright.sync_api import Error as PlaywrightError
from playwright.sync_api import Page, ViewportSize, expect, sync_playwright

from tests.browser.chromium import ARGUMENTS, CHROMIUM, CONTEXT

TRIES = 50


def section(page: Page) -> None:
    """The first bed, cut open."""
    page.get_by_role("link", name="Section").click()
    page.locator("[data-part=tally] dd").first.wait_for()
    page.locator("[data-part=ghost-name]").nth(1).wait_for()


def plot(page: Page) -> None:
    """The plot with a bed chosen, and what to pack under its corners."""
    page.get_by_role("link", name="Plot").click()
    page.locator("[data-part=plot-aisle]").first.wait_for(state="attached")
    page.locator('[data-bed="brick_court 0"]').click()
    page.get_by_text("pack under its corners").wait_for()


def open_bed(page: Page, name: str) -> None:
    """A bed cut open, found by its name."""
    page.get_by_role("button", name="Find a bed, a view or a material").click()
    page.get_by_role("dialog").get_by_role("combobox").fill(name)
    page.get_by_role("option", name=re.compile(name)).first.click()
    expect(page.get_by_label("Name of the bed")).to_have_value(name)
    page.locator("[data-part=tally] dd").first.wait_for()


def bed_named(page: Page, name: str) -> None:
    """A bed cut open, with its plan and its ghosts."""
    open_bed(page, name)
    page.locator("[data-part=from-above]").wait_for()
    page.locator("[data-part=ghost-name]").nth(1).wait_for()


def compare(page: Page) -> None:
    """Four ways to fill the first bed, side by side."""
    open_bed(page, "Long table")
    page.get_by_role("link", name="Compare 4").click()
    page.locator("[data-part=compare-name]").nth(3).wait_for()


def schools(page: Page) -> None:
    """The schools that suit a brick bed."""
    open_bed(page, "Brick court")
    page.get_by_role("link", name="Sheet layers").click()
    page.locator("[data-part=school-card]").nth(2).wait_for()


def blend(page: Page) -> None:
    """The mix of the tubs on the bands of a deep container, and what to buy for all four."""
    open_bed(page, "Net-loft tubs")
    page.get_by_role("link", name="Blend").click()
    page.locator("[data-part=blend-needle]").nth(5).wait_for()
    page.locator("[data-part=blend-recipe] tbody tr").nth(5).wait_for()


def water(page: Page) -> None:
    """The tank's water: its year, its probe, its dips."""
    open_bed(page, "Winch tank")
    page.locator("[data-part=rail]").get_by_role("link", name="Water").click()
    page.locator("[data-part=water-year] svg").wait_for()
    page.locator("[data-part=water-told]").wait_for()
    page.locator("[data-part=water-dip]").first.wait_for()


def frame(page: Page) -> None:
    """A box on legs: its boards, what they cost, what is judged."""
    open_bed(page, "Ferry box")
    page.locator("[data-part=rail]").get_by_role("link", name="Frame").click()
    page.locator("[data-part=saw-board]").first.wait_for()


def planting(page: Page) -> None:
    """A brick bed planted for a year, on a day in June, with its sun."""
    page.locator("[data-part=rail]").get_by_role("link", name="Section").click()
    page.locator("[data-part=tally] dd").first.wait_for()
    open_bed(page, "Brick court")
    page.locator("[data-part=rail]").get_by_role("link", name="Planting").click()
    page.locator("[data-part=planted-crop] circle").first.wait_for()
    page.get_by_label("Sun and shade").check()
    page.locator("[data-part=sun-shading] rect").first.wait_for()
    slider = page.get_by_label("Day of the year")
    slider.focus()
    for _ in range(36):
        slider.press("ArrowRight")
    page.get_by_text("the sun shines 0.0 to").wait_for()
    page.get_by_role("heading", level=1).click()


def lines(page: Page) -> None:
    """Zones of drip lines on the plot, with their minutes."""
    page.get_by_role("link", name="Sowing calendar").click()
    page.get_by_role("link", name="Watering zones").click()
    page.locator("[data-part=zone-run]").first.wait_for(state="attached")


def haul(page: Page) -> None:
    """What to buy where, one line ticked off."""
    page.get_by_role("link", name="Haul").click()
    page.get_by_text("No other choice over all suppliers").wait_for()
    page.locator("[data-part=haul-tick] input").first.check()
    page.locator("[data-part=bought-line]").first.wait_for()
    page.get_by_text("No other choice over all suppliers").wait_for()
    page.locator("h1").click()


def shelf(page: Page) -> None:
    """The gardener's own compost, defaults and own figures side by side."""
    page.get_by_role("link", name="Shelf").click()
    page.get_by_label("Search the shelf").fill("heap compost")
    page.get_by_role("gridcell", name="Heap compost").first.click()
    expect(page.get_by_label("What you call it")).to_have_value("Heap compost")


def works(page: Page) -> None:
    """The next day of work: its way through the plot, the calendar, a gate not yet passed."""
    page.get_by_role("link", name="Works").click()
    page.locator("[data-part=works-path] [data-part=stop]").first.wait_for()
    page.locator("[data-part=works-calendar] [data-work]").first.wait_for()


def year(page: Page) -> None:
    """The year at a glance, as it is printed."""
    page.goto(f"{page.url.split('/garden')[0]}/garden/1/season/year")
    page.locator("[data-part=time-line] polygon").first.wait_for()
    page.locator("[data-part=spring-order]").wait_for()
    page.emulate_media(media="print")
    page.set_viewport_size({"width": 794, "height": 1123})


def papers(page: Page) -> None:
    """A bed's build sheet, chosen among all that can be printed."""
    page.goto(f"{page.url.split('/garden')[0]}/garden/1/papers?sheet=build:winch_tank&sheet=zones")
    page.locator("[data-part=paper-layers]").wait_for()
    page.locator("[data-part=zone-run]").first.wait_for(state="attached")


def outdoors(page: Page) -> None:
    """One step at a time, with its mark and its bags."""
    page.goto(f"{page.url.split('/garden')[0]}/garden/1/outdoors?step=winch_tank.layer.1")
    page.locator("[data-part=depth-mark]").wait_for()


def works_phone(page: Page) -> None:
    """The day first, with large ticks."""
    page.goto(f"{page.url.split('/garden')[0]}/garden/1/works")
    page.locator("[data-part=work-step]").first.wait_for()


def season(page: Page) -> None:
    """All beds on one line of time, one reading of them off, and what the log teaches."""
    page.get_by_role("link", name="Season").click()
    page.locator("[data-part=time-line] polygon").first.wait_for()
    page.locator("[data-part=lesson]").first.wait_for()


def sure(page: Page) -> None:
    """How sure a bed's figures are, one of them opened, and what would narrow them."""
    page.get_by_role("link", name="How sure").click()
    page.locator("[data-figure=mass_moist_kg] button").first.click()
    page.locator("[data-part=rests-on]").wait_for()


def wish(page: Page) -> None:
    """Beds that three hundred dollars and what lies on hand could become."""
    page.get_by_role("link", name="Wishes").click()
    for label, text in (("To spend now", "300"), ("To grow on, at least", "24 sq ft")):
        page.get_by_label(label).fill(text)
        page.get_by_label(label).press("Tab")
    page.get_by_role("button", name="Look for beds").click()
    expect(page.locator("[data-part=looked]")).to_contain_text("ways judged.", timeout=120_000)
    page.locator("[data-part=wishes-view]").evaluate("view => view.scrollIntoView()")


PICTURES: dict[str, Callable[[Page], None]] = {
    "section": section,
    "compare": compare,
    "schools": schools,
    "blend": blend,
    "water": water,
    "plot": plot,
    "frame": frame,
    "planting": planting,
    "lines": lines,
    "haul": haul,
    "season": season,
    "year": year,
    "works": works,
    "papers": papers,
    "shelf": shelf,
    "sure": sure,
    "wish": wish,
}


ON_A_PHONE: dict[str, Callable[[Page], None]] = {
    "works-phone": works_phone,
    "outdoors": outdoors,
}
SCREEN: ViewportSize = {"width": 1280, "height": 800}
PHONE = {"viewport": {"width": 390, "height": 844}, "has_touch": True, "is_mobile": True}
DAY = "2026-10-20T10:00:00"


def main(address: str, folder: Path) -> None:
    """Take every picture at 1280 x 800, and those of a phone at 390 x 844."""
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=ARGUMENTS)
        page = browser.new_context(**CONTEXT).new_page()
        page.clock.set_fixed_time(DAY)
        open_when_ready(page, address)
        for name, show in PICTURES.items():
            show(page)
            page.wait_for_load_state("networkidle")
            page.screenshot(path=folder / f"{name}.png")
            page.emulate_media(media="screen")
            page.set_viewport_size(SCREEN)
        phone = browser.new_context(**(CONTEXT | PHONE)).new_page()
        phone.clock.set_fixed_time(DAY)
        open_when_ready(phone, address)
        for name, show in ON_A_PHONE.items():
            show(phone)
            phone.wait_for_load_state("networkidle")
            phone.screenshot(path=folder / f"{name}.png")
        browser.close()


def open_when_ready(page: Page, address: str) -> None:
    """Open the page as soon as the server answers."""
    for _ in range(TRIES):
        try:
            page.goto(address)
            break
        except PlaywrightError:
            page.wait_for_timeout(200)
    page.get_by_role("button", name="Look round first").click()


if __name__ == "__main__":
    main(sys.argv[1], Path(sys.argv[2]))
