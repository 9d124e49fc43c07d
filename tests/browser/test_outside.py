"""Without a connection, and without the page: it opens again, takes what is done by the bed, and brings it in once."""

from __future__ import annotations

import re
from collections.abc import Iterator
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.test import Client
from playwright.sync_api import Browser, BrowserContext, Page, expect

from nolbet.gardens.models import Garden
from nolbet.plans.storing import store_plan
from nolbet.works.rows import kept_works, works_plan
from nolbet_core.built.plan_file import read_plan
from tests.browser.chromium import CONTEXT
from tests.core import zoo

pytestmark = pytest.mark.browser

BED = zoo.bed(
    key="long",
    name="Long bed",
    layers=[
        {"material": "cardboard"},
        {"material": "compost", "thickness_m": 0.1},
        {"material": "topsoil", "fill": True},
    ],
)
SETTLED = "navigator.serviceWorker.ready.then(() => undefined)"


@pytest.fixture
def outside(browser: Browser, home: str, gardener: User) -> Iterator[BrowserContext]:
    """A browser that keeps the page's files, signed in as the gardener."""
    context = browser.new_context(**(CONTEXT | {"service_workers": "allow"}))
    client = Client()
    client.force_login(gardener)
    context.add_cookies([{"name": "nolbet_session", "value": client.cookies["nolbet_session"].value, "url": home}])
    context.set_default_timeout(20_000)
    yield context
    context.close()


@pytest.fixture
def garden(gardener: User) -> Garden:
    """A garden with one bed that isn't begun."""
    head: dict[str, Any] = {"name": "Test ground", "units": "metric"}
    return store_plan(gardener.pk, read_plan(zoo.plan(BED, garden=head)).plan)


def opened(context: BrowserContext, address: str) -> Page:
    """A page that has let the browser keep its files and what it was told."""
    page = context.new_page()
    page.goto(address)
    page.evaluate(SETTLED)
    # fetched once more through the worker, so that the document itself is kept
    page.reload()
    return page


def kept_here(page: Page, *wanted: str) -> None:
    """Wait until what the page was told lies in the browser."""
    page.evaluate(
        """async (wanted) => {
            const asked = (request) => new Promise((done) => (request.onsuccess = () => done(request.result)));
            for (;;) {
                const db = await asked(indexedDB.open("nolbet"));
                const kept = await asked(db.transaction("queries").objectStore("queries").get("page"));
                db.close();
                if (wanted.every((each) => (kept ?? "").includes(each))) return;
                await new Promise((done) => setTimeout(done, 100));
            }
        }""",
        wanted,
    )


def all_kept(page: Page) -> str:
    """All that the page was told and the browser keeps, as it lies there."""
    return str(
        page.evaluate(
            """() => new Promise((done) => {
                const asked = indexedDB.open("nolbet");
                asked.onsuccess = () => {
                    const got = asked.result.transaction("queries").objectStore("queries").getAll();
                    got.onsuccess = () => done(JSON.stringify(got.result));
                };
            })"""
        )
    )


def test_the_page_opens_without_a_connection_and_brings_in_what_was_done(
    outside: BrowserContext, home: str, garden: Garden
) -> None:
    page = opened(outside, f"{home}/garden/{garden.pk}/works")
    expect(page.locator("[data-part=work-step]").first).to_be_visible()
    page.goto(f"{home}/garden/{garden.pk}/section/bed/long")
    expect(page.get_by_label("Name of the bed")).to_have_value("Long bed")
    kept_here(page, "Long bed", "long.layer.0")

    outside.set_offline(True)
    page.close()
    again = outside.new_page()
    again.goto(f"{home}/garden/{garden.pk}/section/bed/long")
    expect(again.get_by_label("Name of the bed")).to_have_value("Long bed")
    again.get_by_label("Name of the bed").fill("Row by the fence")
    again.get_by_label("Name of the bed").press("Enter")
    again.locator("[data-part=rail]").get_by_role("link", name="Works").click()
    step = again.get_by_role("checkbox", name="Get cardboard together")
    step.click()
    expect(step).to_be_checked()
    again.close()
    assert garden.beds.get().name == "Long bed"

    third = outside.new_page()
    third.goto(f"{home}/garden/{garden.pk}/section/bed/long")
    expect(third.get_by_label("Name of the bed")).to_have_value("Row by the fence")
    outside.set_offline(False)
    expect(third.get_by_text(re.compile("^Saved"))).to_be_visible()
    garden.refresh_from_db()
    assert garden.beds.get().name == "Row by the fence"
    third.locator("[data-part=rail]").get_by_role("link", name="Works").click()
    third.get_by_role("button", name="Done", exact=True).click()
    expect(third.get_by_role("checkbox", name="Get cardboard together")).to_be_checked()
    assert [each.step for each in works_plan(kept_works(garden)).steps] == ["garden.gather.cardboard"]


def test_signing_out_leaves_nothing_behind(outside: BrowserContext, home: str, garden: Garden) -> None:
    page = opened(outside, f"{home}/garden/{garden.pk}/section/bed/long")
    expect(page.get_by_label("Name of the bed")).to_have_value("Long bed")
    kept_here(page, "Long bed")
    page.goto(f"{home}/gardens")
    page.get_by_role("button", name="Sign out").click()
    expect(page.get_by_role("button", name="Sign in")).to_be_visible()
    assert "Long bed" not in all_kept(page)
    assert not [name for name in page.evaluate("Object.keys(localStorage)") if name.startswith("nolbet.draft.")]
    cached = page.evaluate(
        """async () => {
            const found = [];
            for (const name of await caches.keys())
                for (const asked of await (await caches.open(name)).keys()) found.push(new URL(asked.url).pathname);
            return found;
        }"""
    )
    assert cached
    assert all(path == "/" or path.startswith("/static/") for path in cached)


def test_the_page_can_be_installed(outside: BrowserContext, home: str, garden: Garden) -> None:
    page = opened(outside, f"{home}/garden/{garden.pk}/section/bed/long")
    address = page.locator("link[rel=manifest]").get_attribute("href")
    assert address is not None
    told = page.evaluate("async (address) => (await fetch(address)).json()", address)
    assert (told["start_url"], told["scope"], told["display"]) == ("/", "/", "standalone")
    sizes = {each["sizes"] for each in told["icons"]}
    assert {"192x192", "512x512"} <= sizes
    for icon in told["icons"]:
        width = page.evaluate(
            """async (source) => {
                const image = await createImageBitmap(await (await fetch(source)).blob());
                return image.width + "x" + image.height;
            }""",
            f"/static/{icon['src']}",
        )
        assert width == icon["sizes"]
    scope = page.evaluate("navigator.serviceWorker.getRegistration().then((each) => new URL(each.scope).pathname)")
    assert scope == "/"
