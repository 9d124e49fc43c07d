"""Finding a material by what people call it, as every finder on every screen does it."""

from __future__ import annotations

import re

from playwright.sync_api import Locator, expect


def choose(finder: Locator, words: str, name: str | None = None) -> None:
    """Type words, wait until the list answers them, and take the first option whose name begins with ``name``."""
    finder.fill(words)
    # until then the whole shelf may stand there, and slides away from under the pointer
    expect(finder.page.locator("[role=listbox][aria-busy=false]")).to_be_visible()
    wanted = re.compile(rf"^{re.escape(name or words)}\b", re.IGNORECASE)
    finder.page.get_by_role("option", name=wanted).first.click()
