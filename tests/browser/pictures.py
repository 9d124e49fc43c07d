"""Takes the pictures of the documentation: `pictures.py ADDRESS FOLDER` (see bin/pictures)."""

from __future__ import annotations

import sys
from collections.abc import Callable
from pathlib import Path

from playwright.sync_api import Error as PlaywrightError
from playwright.sync_api import Page, sync_playwright

from tests.browser.chromium import ARGUMENTS, CHROMIUM, CONTEXT

TRIES = 50


def section(page: Page) -> None:
    """The first bed, cut open, its logs chosen."""
    page.get_by_role("link", name="Section").click()
    page.locator(".tally-volume").wait_for()


PICTURES: dict[str, Callable[[Page], None]] = {"section": section}


def main(address: str, folder: Path) -> None:
    """Take every picture at 1280 x 800."""
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=ARGUMENTS)
        page = browser.new_context(**CONTEXT).new_page()
        open_when_ready(page, address)
        for name, show in PICTURES.items():
            show(page)
            page.wait_for_load_state("networkidle")
            page.screenshot(path=folder / f"{name}.png")
        browser.close()


def open_when_ready(page: Page, address: str) -> None:
    """Open the page as soon as the server answers."""
    for _ in range(TRIES):
        try:
            page.goto(address)
            break
        except PlaywrightError:
            page.wait_for_timeout(200)
    page.locator(".rail").wait_for()


if __name__ == "__main__":
    main(sys.argv[1], Path(sys.argv[2]))
