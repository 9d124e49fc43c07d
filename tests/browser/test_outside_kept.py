"""Work without a connection arrives once: closed and opened again, the server killed, a new version put in place."""

from __future__ import annotations

import json
import re
import shutil
import sqlite3
from collections.abc import Iterator
from contextlib import closing
from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import Browser, BrowserContext, Page, expect

from tests.browser.chromium import CONTEXT
from tests.browser.test_outside import SETTLED, kept_here
from tests.browser.test_season import photograph
from tests.core import zoo
from tests.soak.serving import PROJECT, Gardener, Serving

pytestmark = pytest.mark.browser

LAYERS = [
    {"material": "cardboard"},
    {"material": "branches", "thickness_m": 0.1},
    {"material": "compost", "thickness_m": 0.1},
    {"material": "topsoil", "fill": True},
]
NAMES = ("North row", "South row", "Long bed")
PLAN = zoo.plan(
    *(zoo.bed(key=name.lower().replace(" ", "_"), name=name, layers=LAYERS) for name in NAMES),
    garden={"name": "Test ground", "units": "metric"},
)
TICKS = 20


def new_version(into: Path) -> Path:
    """The page as a later version: every one of its files has another name, and those of this one are gone."""
    shutil.copytree(PROJECT / "web" / "dist", into)
    files = sorted((into / "assets").iterdir())
    renamed = {file.name: f"{file.stem}n{file.suffix}" for file in files}
    names = re.compile("|".join(re.escape(name) for name in sorted(renamed, key=len, reverse=True)))
    for file in files:
        file.rename(file.with_name(renamed[file.name]))
    for file in into.rglob("*"):
        if file.suffix in {".js", ".css", ".html"}:
            file.write_text(names.sub(lambda found: renamed[found[0]], file.read_text()))
    return into


@pytest.fixture
def serving(tmp_path: Path) -> Iterator[Serving]:
    """A server of its own, which can be killed."""
    data = tmp_path / "data"
    data.mkdir()
    with Serving(data) as each:
        yield each


@pytest.fixture
def helper(serving: Serving) -> Gardener:
    """A gardener with three beds that aren't begun."""
    gardener = Gardener(serving.port, "helper")
    gardener.move_in()
    status, garden = gardener.ask("POST", "/api/gardens/import", {"text": json.dumps(PLAN)})
    assert status == 201
    gardener.garden = garden["id"]
    return gardener


@pytest.fixture
def outside(browser: Browser, serving: Serving, helper: Gardener) -> Iterator[BrowserContext]:
    """A browser that keeps the page's files, signed in as the gardener."""
    context = browser.new_context(**(CONTEXT | {"service_workers": "allow"}))
    address = f"http://127.0.0.1:{serving.port}"
    context.add_cookies([{"name": name, "value": value, "url": address} for name, value in helper.cookies.items()])
    context.set_default_timeout(20_000)
    yield context
    context.close()


def taken_along(context: BrowserContext, helper: Gardener) -> Page:
    """A page that has let the browser keep itself and the garden."""
    page = context.new_page()
    page.goto(f"http://127.0.0.1:{helper.port}/garden/{helper.garden}/section/bed/long_bed")
    page.evaluate(SETTLED)
    page.reload()
    expect(page.get_by_label("Name of the bed")).to_have_value("Long bed")
    # the last that is asked for ahead
    kept_here(page, '"crops"', '"setting out"', "long_bed.layer.0")
    return page


def cut_off(page: Page) -> None:
    """Take the connection away, and wait until nothing gets through any more."""
    page.context.set_offline(True)
    page.wait_for_function("() => fetch('/api/gardens').then(() => false, () => true)")


def goes_to(page: Page, name: str) -> None:
    """Open another view from the rail."""
    page.locator("[data-part=rail]").get_by_role("link", name=name).click()


def tick(page: Page, count: int) -> None:
    """Tick so many steps of all that are to come."""
    goes_to(page, "Works")
    page.get_by_role("button", name="All to come").click()
    steps = page.locator("[data-part=work-step]").filter(has_not=page.get_by_label("To be answered"))
    keys = [each.get_attribute("data-key") for each in steps.all()]
    assert len(keys) >= count
    for key in keys[:count]:
        box = page.locator(f"[data-key='{key}'] input[type=checkbox]")
        box.click()
        expect(box).to_be_checked()


def measure(page: Page, helper: Gardener, bed: str, thick: str) -> None:
    """Type how thick the compost of a bed is."""
    page.get_by_role("link", name=bed).first.click()
    expect(page.get_by_label("Name of the bed")).to_have_value(bed)
    field = page.get_by_label("Thickness of Compost")
    field.fill(thick)
    field.press("Enter")
    expect(page.locator("[data-part=save-note]")).to_contain_text("No connection")


def write_down(page: Page) -> None:
    """A note with a photograph."""
    goes_to(page, "Season")
    page.get_by_role("button", name="Note").click()
    page.get_by_label("In your words").fill("Beans climb the poles")
    page.get_by_label("A photograph of it").set_input_files([photograph()])
    page.get_by_role("button", name="Keep it").click()
    expect(page.get_by_text("it is kept in this browser with its photographs")).to_be_visible()


def kept(helper: Gardener) -> dict[str, Any]:
    """What the server has by now."""
    _, garden = helper.ask("GET", f"/api/gardens/{helper.garden}")
    _, works = helper.ask("GET", f"/api/gardens/{helper.garden}/works")
    _, season = helper.ask("GET", f"/api/gardens/{helper.garden}/season")
    layers = {each["key"]: each["bed"]["layers"] for each in garden["beds"]}
    laid = sum(layer.get("laid", 0) or 0 for each in layers.values() for layer in each)
    said = [step for step in works["words"]["works"].get("steps", []) if step.get("done_on")]
    return {
        "compost_m": {key: each[2]["thickness_m"] for key, each in layers.items()},
        "ticks": len(said) + laid,
        "notes": [(each["entry"].get("text"), len(each["photos"])) for each in season["entries"]],
    }


def all_arrived(page: Page, helper: Gardener, database: Path) -> dict[str, Any]:
    """What the server has once nothing waits in the browser any more."""
    page.wait_for_function(
        """() => JSON.parse(localStorage.getItem("nolbet.works.ticks") ?? "[]").length === 0
            && JSON.parse(localStorage.getItem("nolbet.season.waiting") ?? "[]").length === 0
            && !Object.keys(localStorage).some((name) => name.startsWith("nolbet.draft."))""",
        timeout=60_000,
    )
    with closing(sqlite3.connect(f"file:{database}?mode=ro", uri=True)) as read:
        assert read.execute("pragma integrity_check").fetchone() == ("ok",)
    return kept(helper)


def test_a_day_without_a_connection_arrives_once(outside: BrowserContext, serving: Serving, helper: Gardener) -> None:
    before = kept(helper)
    page = taken_along(outside, helper)
    cut_off(page)
    tick(page, TICKS)
    measure(page, helper, "Long bed", "three quarters of a foot")
    expect(page.get_by_label("Thickness of Compost")).to_have_value("22.86 cm")
    measure(page, helper, "North row", "12 cm")
    write_down(page)
    for view in ("Plot", "Haul", "Papers"):
        if view == "Papers":
            page.keyboard.press("/")
            page.keyboard.type("Papers")
            page.keyboard.press("Enter")
        else:
            goes_to(page, view)
        expect(page.get_by_role("heading", name=view, exact=True)).to_be_visible()
    assert kept(helper) == before
    page.close()

    again = outside.new_page()
    again.goto(f"http://127.0.0.1:{helper.port}/garden/{helper.garden}/section/bed/long_bed")
    expect(again.get_by_label("Thickness of Compost")).to_have_value("22.86 cm")
    outside.set_offline(False)
    after = all_arrived(again, helper, serving.database)
    assert after["compost_m"]["long_bed"] == pytest.approx(0.75 * 0.3048)
    assert after["compost_m"]["north_row"] == pytest.approx(0.12)
    assert after["ticks"] - before["ticks"] == pytest.approx(TICKS)
    assert after["notes"] == [("Beans climb the poles", 1)]
    assert again.evaluate("localStorage.getItem('nolbet.read.here') ?? '[]'") == "[]"


def test_a_killed_server_and_a_new_version_lose_nothing(
    outside: BrowserContext, serving: Serving, helper: Gardener, tmp_path: Path
) -> None:
    before = kept(helper)
    page = taken_along(outside, helper)
    serving.kill()
    tick(page, 5)
    measure(page, helper, "South row", "14 cm")
    write_down(page)
    serving.environment["NOLBET_WEB_DIST"] = str(new_version(tmp_path / "dist"))
    serving.start()
    helper.reconnect()
    # the open page goes on with the files it was opened with, though the server has them no longer
    goes_to(page, "Blend")
    expect(page.get_by_role("button", name="Mix the first soil")).to_be_visible()
    after = all_arrived(page, helper, serving.database)
    assert after["compost_m"]["south_row"] == pytest.approx(0.14)
    assert after["ticks"] - before["ticks"] == pytest.approx(5)
    assert after["notes"] == [("Beans climb the poles", 1)]
    page.evaluate("navigator.serviceWorker.getRegistration().then((each) => each.update()).then(() => undefined)")
    page.close()
    fresh = outside.new_page()
    fresh.goto(f"http://127.0.0.1:{helper.port}/garden/{helper.garden}/works")
    expect(fresh.get_by_role("heading", name="Works", exact=True)).to_be_visible()
    fresh.reload()
    expect(fresh.get_by_role("heading", name="Works", exact=True)).to_be_visible()
    script = fresh.evaluate("document.querySelector('script[type=module]').src")
    assert script.endswith("n.js")
