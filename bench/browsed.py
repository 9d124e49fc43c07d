"""A gardener with an account of their own, signed in at a page in Chromium: what measures of the page start from."""

from __future__ import annotations

import json
import tempfile
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

from playwright.sync_api import Page, sync_playwright

from tests.browser.chromium import ARGUMENTS, CHROMIUM, CONTEXT
from tests.soak.serving import Gardener, Serving


@contextmanager
def browsing(**words: Any) -> Iterator[tuple[Gardener, Page, str]]:
    """The gardener, the page, and the address that the application answers at, until the block ends.

    words: of the browser's context, beside the usual ones.
    """
    with tempfile.TemporaryDirectory() as folder, Serving(Path(folder)) as server, sync_playwright() as playwright:
        gardener = Gardener(server.port, "bench")
        gardener.ask("GET", "/api/account")
        gardener.ask("POST", "/api/account/sign-up", {"name": gardener.name, "password": "a long enough phrase"})
        home = f"http://127.0.0.1:{server.port}"
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=ARGUMENTS)
        context = browser.new_context(**(CONTEXT | words))
        context.add_cookies([{"name": key, "value": value, "url": home} for key, value in gardener.cookies.items()])
        yield gardener, context.new_page(), home
        browser.close()


def bring(gardener: Gardener, plan: dict[str, Any]) -> int:
    """Bring a plan in; the garden's number."""
    status, garden = gardener.ask("POST", "/api/gardens/import", {"text": json.dumps(plan)})
    if status != 201:
        raise RuntimeError(f"the plan wasn't taken: {garden}")
    return int(garden["id"])
