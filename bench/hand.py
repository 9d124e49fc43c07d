"""The page in a gardener's hand, in Chromium: what is fetched before a bed can be worked on, a drag, and typing."""

from __future__ import annotations

import gzip
import json
import statistics
from pathlib import Path

from playwright.sync_api import Locator, Page, Response

from bench.browsed import bring, browsing
from bench.measure import Measure
from bench.plot import plot_plan, scripting_s

DEMO = Path(__file__).resolve().parents[1] / "server" / "nolbet" / "demo" / "brackwater.nolbet.json"
DEMO_BED, ROW_BED = "long_table", "bed_5"
BEDS = 60
LAYERS = [{"material": "topsoil", "thickness_m": 0.25}, {"material": "compost", "thickness_m": 0.1}]
FRAMES = 40
STARTS = 5
FIRST_VIEW_KB, FRAME_MS, TYPING_MS = 400.0, 16.0, 100.0
REPEAT_START, SLOWED = 2.2, 4


def measure_hand() -> list[Measure]:
    """First view [kB gzipped], a step of a drag [ms of scripting, median], a typed measure [ms of page time]."""
    with browsing() as (gardener, page, home):
        demo = bring(gardener, json.loads(DEMO.read_text(encoding="utf-8")))
        rows = plot_plan(BEDS)
        rows["beds"] = [bed | {"layers": LAYERS} for bed in rows["beds"]]
        many = bring(gardener, rows)
        first_kb = _first_view_kb(page, f"{home}/garden/{demo}/section/bed/{DEMO_BED}")
        demo_ms = _frame_ms(page)
        typing_ms = _typing_ms(page)
        page.goto(f"{home}/garden/{many}/section/bed/{ROW_BED}")
        many_ms = _frame_ms(page)
    return [
        _repeat_start(),
        Measure("page_first_view_kb", first_kb, FIRST_VIEW_KB, f"until the bed {DEMO_BED} is drawn, scripts to fonts"),
        Measure("drag_frame_demo_bed_ms", demo_ms, FRAME_MS, f"median scripting of {FRAMES} frames"),
        Measure("drag_frame_60_beds_ms", many_ms, FRAME_MS, f"median scripting of {FRAMES} frames, {BEDS} beds"),
        Measure("typing_answers_ms", typing_ms, TYPING_MS, "median scripting for one key in a measure field"),
    ]


def _repeat_start() -> Measure:
    """Scripting until a bed is drawn when the page was opened before, its files kept, on a slow device, against that
    until the two fields of the sign-in are: what the libraries alone take.
    """
    with browsing(service_workers="allow") as (gardener, page, home):
        bed = f"{home}/garden/{bring(gardener, json.loads(DEMO.read_text(encoding='utf-8')))}/section/bed/{DEMO_BED}"
        bed_s = _started_s(page, bed, "[data-part=handle]")
        page.context.clear_cookies()
        door_s = _started_s(page, f"{home}/sign-in", "[data-part=door-form]")
    detail = f"{bed_s:.2f} s for a bed, {door_s:.2f} s for the sign-in, {SLOWED} times slowed"
    return Measure("repeat_start_bed_to_sign_in", bed_s / door_s, REPEAT_START, detail)


def _started_s(page: Page, address: str, drawn: str) -> float:
    """Scripting until something is drawn on a page that was opened before [s], the median of some starts."""
    page.goto(address)
    page.evaluate("navigator.serviceWorker.ready.then(() => undefined)")
    page.reload()
    page.locator(drawn).first.wait_for()
    page.wait_for_load_state("networkidle")
    taken = []
    for _ in range(STARTS):
        again = page.context.new_page()
        session = again.context.new_cdp_session(again)
        session.send("Performance.enable")
        session.send("Emulation.setCPUThrottlingRate", {"rate": SLOWED})
        again.goto(address)
        again.locator(drawn).first.wait_for()
        taken.append(scripting_s(session))
        again.close()
    return statistics.median(taken)


def _first_view_kb(page: Page, address: str) -> float:
    """What is fetched until a bed is drawn with its volume [kB gzipped]."""
    fetched: list[Response] = []
    page.on("response", lambda each: fetched.append(each))  # noqa: PLW0108 - it is wrapped, which a builtin is not
    page.goto(address)
    page.locator("[data-part=tally-volume]").wait_for()
    page.locator("[data-part=handle]").first.wait_for()
    until = list(fetched)
    page.wait_for_load_state("networkidle")
    return sum(_kb(each) for each in until)


def _kb(response: Response) -> float:
    path = response.url.partition("?")[0]
    body = response.body() if response.ok else b""
    # fonts are packed already
    return len(body if path.endswith(".woff2") else gzip.compress(body, 9, mtime=0)) / 1000


def _frame_ms(page: Page) -> float:
    """Scripting for each step of dragging a boundary [ms], the median of all steps."""
    handle = page.locator("[data-part=handle]").first
    handle.wait_for()
    return dragged_ms(page, handle)


def dragged_ms(page: Page, held: Locator) -> float:
    """Scripting for each frame of dragging something up and down [ms], the median of all."""
    page.wait_for_load_state("networkidle")
    box = held.bounding_box()
    if box is None:
        raise RuntimeError("nothing is drawn to drag")
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    session = page.context.new_cdp_session(page)
    session.send("Performance.enable")
    page.mouse.move(x, y)
    page.mouse.down()
    spent = []
    for step in range(FRAMES):
        before = scripting_s(session)
        page.mouse.move(x, y + 2 + step % 20)
        page.evaluate("new Promise((done) => requestAnimationFrame(() => done()))")
        spent.append(scripting_s(session) - before)
    page.keyboard.press("Escape")
    page.mouse.up()
    return statistics.median(spent) * 1000


def _typing_ms(page: Page) -> float:
    """Scripting for one key typed in a measure field [ms], the median of some."""
    field = page.get_by_label("Depth", exact=True).first
    field.click()
    session = page.context.new_cdp_session(page)
    session.send("Performance.enable")
    spent = []
    for key in "20 1/2 in":
        before = scripting_s(session)
        page.keyboard.press(key if key != " " else "Space")
        page.evaluate("new Promise((done) => requestAnimationFrame(() => done()))")
        spent.append(scripting_s(session) - before)
    page.keyboard.press("Escape")
    return statistics.median(spent) * 1000
