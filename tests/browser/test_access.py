"""Every view holds up to axe, its targets are large enough, and on a phone nothing runs off the side."""

from __future__ import annotations

from pathlib import Path
from typing import Any, Literal

import pytest
from django.contrib.auth.models import User
from playwright.sync_api import Page, expect

from nolbet.gardens.models import Garden
from tests.browser.gardens import BRANCHY, keep
from tests.core import zoo

pytestmark = pytest.mark.browser

AXE = Path(__file__).resolve().parents[2] / "web" / "node_modules" / "axe-core" / "axe.min.js"
VIEWS = {
    "plot": "[data-part=bed-on-plot]",
    "plot/setting-out": "[data-part=set-out-bed]",
    "section/bed/branchy": "[data-part=tally-volume]",
    "new": "[data-part=tape-drawing]",
    "haul": "[data-part=haul-lines]",
    "shelf/own_compost": "[data-part=material-sheet]",
    "section/bed/branchy/history": "[data-part=history-list] [data-part=small-section]",
    "section/bed/branchy/schools": "[data-part=school-card]",
    "section/bed/branchy/compare": "[data-part=compare-name]",
    "water/bed/branchy": "[data-part=water-start]",
    "water/bed/tank": "[data-part=water-year] svg",
    "frame/bed/tank": "[data-part=saw-board]",
    "blend/half": "[data-part=blend-needle]",
    "works": "[data-part=work-step]",
    "works/sheet": "[data-part=paper-step]",
    "planting/bed/branchy": "[data-part=planted-crop] circle",
    "season": "[data-part=entries]",
    "outdoors": "[data-part=outdoor-step]",
    "papers?sheet=build:branchy&sheet=pile": "[data-part=paper-layers]",
    "share": "[data-part=share-view]",
    "sure": "[data-part=what-if-figure]",
    "wishes": "[data-part=wishes-view]",
    "/gardens": "[data-part=garden-new]",
    "/sign-in": "[data-part=door-form]",
}
SIZES = {"wide": (1280, 800), "phone": (390, 844), "at twice the size": (640, 400)}
"""A desk's window, a phone, and the desk's window with everything twice as large."""
SCHEMES: dict[str, tuple[Literal["light", "dark"], ...]] = {
    "wide": ("light",),
    "phone": ("dark",),
    "at twice the size": (),
}
"""Colours are the same at every size, so each scheme is looked at once; twice as large targets alone are measured."""

LAID = {
    "crops": [{"crop": "lettuce"}],
    "places": [{"x_m": 5.0, "y_m": 4.0, "turn_deg": 10.0}],
    "set_aside": [{"name": "All soil", "layers": [{"material": "topsoil", "fill": True}]}],
}
GROUND = {
    "corners_m": [[0, 0], [12, 0], [12, 8], [0, 8]],
    "fixed": [{"kind": "tree", "name": "Pear", "at_m": [9, 6]}],
    "courses": [{"material": "wood_chips", "thickness_m": 0.05}],
    "spots": [{"at_m": [0, 0], "height_m": 0.3}, {"at_m": [12, 0], "height_m": 0.2}, {"at_m": [6, 8], "height_m": 0}],
}
TANK = zoo.bed(
    key="tank",
    name="Tank",
    layers=[{"material": "topsoil", "thickness_m": 0.25}],
    reservoir={
        "height_m": 0.15,
        "overflow_m": 0.15,
        "medium": "scoria",
        "wicks": [{"kind": "soil_column", "diameter_m": 0.1}],
    },
    stand={"on": "deck"},
    frame={"kind": "boards", "nominal": "2x10", "legs": {"count": 4, "length_m": 0.6, "section_m": [0.089, 0.089]}},
)
OWN = [{"key": "own_compost", "like": "compost", "name": "Heap compost", "bulk_density_kg_m3": 640}]

MIXES = [{"key": "half", "parts": [{"material": "garden_soil", "parts": 1}, {"material": "compost", "parts": 2}]}]


def address(home: str, garden: Garden, view: str) -> str:
    """Where a view is: in the garden, or outside of all."""
    return home + view if view.startswith("/") else f"{home}/garden/{garden.pk}/{view}"


def violations(app: Page) -> list[str]:
    """What axe finds, of any impact, with where."""
    result: dict[str, Any] = app.evaluate(
        "axe.run(document, {runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'],"
        " preload: false, resultTypes: ['violations']})"
    )
    return [
        f"{found['id']}: {node['html'][:160]} {node.get('failureSummary', '')[:200]}"
        for found in result["violations"]
        for node in found["nodes"]
    ]


SMALL_TARGETS = """least => [...document.querySelectorAll('button, a[href], input, select, textarea, [role=radio]')]
    .filter((each) => each.checkVisibility() && !each.closest("svg"))
    .filter((each) => !each.matches("[aria-hidden=true], [type=file]"))
    .filter((each) => getComputedStyle(each).display !== 'inline')
    .filter((each) => getComputedStyle(each).clipPath === 'none')
    .map((each) => each.closest('.MuiSlider-root, .MuiCheckbox-root, .MuiInputBase-root') ?? each)
    .map((each) => [each, each.getBoundingClientRect()])
    .filter(([, { width, height }]) => width > 0 && height > 0 && (height < least - 0.5 || width < least - 0.5))
    .map(([each, { width, height }]) => `${Math.round(width)}x${Math.round(height)} ${each.outerHTML.slice(0, 140)}`)"""


RUN_OFF = """[...document.querySelectorAll('body, main, #view')]
    .filter((each) => each.scrollWidth > innerWidth)
    .flatMap((each) => [...each.querySelectorAll('*')])
    .filter((each) => each.checkVisibility() && each.getBoundingClientRect().right > innerWidth + 0.5)
    .map((each) => `${Math.round(each.getBoundingClientRect().right)}: ${each.outerHTML.slice(0, 140)}`)"""


def open_up(app: Page, view: str) -> None:
    """Open what can be opened in a view."""
    if view == "section/bed/branchy":
        app.locator("[data-part=layer-card]", has_text="Branches").locator("[data-part=layer-name]").click()
        for panel in ("Carbon to nitrogen", "Surface after the first winter", "Earliest sowing"):
            app.get_by_text(panel).click()
        expect(app.locator("[data-part=chart] svg").first).to_be_visible()
        app.get_by_role("button", name="More measures").click()
        expect(app.get_by_label("How many alike")).to_be_visible()
    if view == "blend/half":
        app.get_by_text("Bucket test").click()
        app.get_by_text("Change the bands").click()
        app.get_by_role("button", name="Find it").click()
        expect(app.locator("[data-part=blend-found] [data-part=blend-needle]").first).to_be_visible()
    if view == "/gardens":
        app.get_by_text("Climate and frosts").click()
    if view == "plot":
        app.locator("[data-part=bed-on-plot]").click()
        app.get_by_text("its place").click()
    if view == "sure":
        app.locator("[data-part=sure-row] button").first.click()
        expect(app.locator("[data-part=rests-on]")).to_be_visible()
    if view == "wishes":
        app.get_by_label("To grow on, at least").fill("2 m2")
        app.get_by_role("button", name="Look for beds").click()
        expect(app.locator("[data-part=proposal]").first).to_be_visible()
    if view == "new":
        app.get_by_role("radio", name="Corners as measured").click()


@pytest.mark.parametrize("view", VIEWS)
def test_axe_finds_nothing_and_targets_are_large_enough(app: Page, home: str, gardener: User, view: str) -> None:
    garden = keep(gardener, BRANCHY | LAID, TANK, zoo.bed(name="Plain"), materials=OWN, mixes=MIXES, ground=GROUND)
    app.goto(address(home, garden, view))
    expect(app.locator(VIEWS[view]).first).to_be_visible()
    open_up(app, view)
    app.evaluate(AXE.read_text())
    found: dict[str, list[str]] = {}
    for name, (width, height) in SIZES.items():
        app.set_viewport_size({"width": width, "height": height})
        for scheme in SCHEMES[name]:
            app.emulate_media(color_scheme=scheme)
            expect(app.locator("html")).to_have_attribute("data-scheme", scheme)
            found[f"{name}, {scheme}"] = violations(app)
        found[f"{name}, small"] = app.evaluate(SMALL_TARGETS, 44 if name == "phone" else 32)
        found[f"{name}, run off"] = app.evaluate(RUN_OFF) if name == "phone" else []
    assert {name: each for name, each in found.items() if each} == {}, found


def test_a_boundary_is_dragged_by_touch_size_on_a_phone(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    app.set_viewport_size({"width": 390, "height": 844})
    app.goto(f"{home}/garden/{garden.pk}/section/bed/branchy")
    handle = app.get_by_role("slider", name="Top of Compost")
    handle.scroll_into_view_if_needed()
    box = handle.bounding_box()
    assert box
    assert box["height"] >= 24
    middle = (box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)
    app.mouse.move(*middle)
    app.mouse.down()
    app.mouse.move(middle[0], middle[1] - 30, steps=4)
    app.mouse.up()
    expect(app.get_by_label("Thickness of Compost")).not_to_have_value("10 cm")
