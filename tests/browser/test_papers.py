"""Sheets of paper: chosen in one place, nothing cut off, drawn to the scale they say."""

from __future__ import annotations

import re
from pathlib import Path
from typing import Any

import pypdfium2
import pypdfium2.raw
import pytest
from django.contrib.auth.models import User
from playwright.sync_api import Page, expect

from nolbet.gardens.models import Garden
from nolbet.plans.storing import store_plan
from nolbet_core.built.plan_file import read_plan
from tests.core import zoo

POINT_M = 0.0254 / 72
BED = zoo.bed(
    key="long",
    name="Long bed",
    shape={"kind": "box", "length_m": 3.0, "width_m": 1.2, "depth_m": 0.4},
    places=[{"x_m": 3.0, "y_m": 2.5}],
    layers=[
        {"material": "cardboard"},
        {"material": "compost", "thickness_m": 0.1},
        {"material": "topsoil", "fill": True},
    ],
    frame={"kind": "boards", "material": "larch", "thickness_m": 0.028, "width_m": 0.19},
    crops=[{"crop": "lettuce"}, {"crop": "kale"}],
)
GROUND = {"corners_m": [[0.0, 0.0], [8.0, 0.0], [8.0, 6.0], [0.0, 6.0]]}


@pytest.fixture
def garden(gardener: User) -> Garden:
    """A bed with boards and crops on a plot, one supplier."""
    head: dict[str, Any] = {
        "name": "Test ground",
        "units": "metric",
        "plot": GROUND,
        "last_frost": "05-10",
        "first_frost": "10-05",
    }
    stores = [{"key": "yard", "name": "Pennyfold yard", "offers": [
        {"material": "compost", "form": "bulk", "price_per_m3": "48.00"},
        {"material": "topsoil", "form": "bulk", "price_per_m3": "40.00"},
    ]}]  # fmt: skip
    return store_plan(gardener.pk, read_plan(zoo.plan(BED, garden=head, suppliers=stores)).plan)


def printed(app: Page, path: Path) -> pypdfium2.PdfDocument:
    """What the browser prints of the page."""
    expect(app.get_by_role("button", name=re.compile(r"^Print \d+ sheet"))).to_be_enabled()
    path.write_bytes(app.pdf(prefer_css_page_size=True))
    return pypdfium2.PdfDocument(path)


def bars_m(page: pypdfium2.PdfPage) -> list[float]:
    """How long the black bars on a page are [m]."""
    found = []
    for each in page.get_objects(filter=[pypdfium2.raw.FPDF_PAGEOBJ_PATH]):
        left, bottom, right, top = each.get_bounds()
        if right - left > 8 * (top - bottom) and 3 < top - bottom < 5:
            found.append((right - left) * POINT_M)
    return found


@pytest.mark.parametrize(("paper", "size_mm"), [("a4", (210.0, 297.0)), ("letter", (215.9, 279.4))])
def test_sheets_fit_their_paper_and_are_drawn_to_the_scale_they_say(
    app: Page, home: str, garden: Garden, tmp_path: Path, paper: str, size_mm: tuple[float, float]
) -> None:
    sheets = ["build:long", "planting:long", "setting-out", "zones"]
    asked = "&".join(f"sheet={each}" for each in sheets)
    app.goto(f"{home}/garden/{garden.pk}/papers?{asked}&paper={paper}")
    expect(app.locator("[data-part=paper]")).to_have_count(len(sheets))
    expect(app.locator("[data-part=set-out-bed]")).to_be_visible()
    told = [
        (float(bar.get_attribute("data-length-m") or 0), re.search(r"1 : (\d+)", bar.text_content() or ""))
        for bar in app.locator("[data-part=scale-bar]").all()
    ]
    said = [length_m / int(times[1]) for length_m, times in told if times]
    assert len(said) == 3
    for paper_box in app.locator("[data-part=paper]").all():
        for drawn in paper_box.locator("svg").all():
            box, room = drawn.bounding_box(), paper_box.bounding_box()
            assert box is not None and room is not None
            assert box["x"] + box["width"] <= room["x"] + room["width"] + 1
    document = printed(app, tmp_path / "papers.pdf")
    for page in document:
        assert [each * POINT_M * 1000 for each in page.get_size()] == pytest.approx(size_mm, abs=0.3)
    found = [length for page in document for length in bars_m(page)]
    for length_m in said:
        assert any(length == pytest.approx(length_m, rel=0.005) for length in found), (length_m, found)
    texts = [page.get_textpage().get_text_range() for page in document]
    assert f"page 1 of {len(document)}" in texts[0]
    assert all(any(title in text for text in texts) for title in ("Build sheet", "Planting plan", "Setting out"))


def test_what_to_print_is_chosen_and_each_sheet_says_what_is_wanted_by_the_bed(
    app: Page, home: str, garden: Garden
) -> None:
    app.goto(f"{home}/garden/{garden.pk}/haul")
    app.get_by_role("link", name="Print").click()
    sheet = app.locator("[data-part=paper]")
    expect(sheet).to_contain_text("Shopping list: Pennyfold yard")
    expect(sheet.get_by_role("row", name=re.compile("^Compost"))).to_contain_text("0.41 m³")
    app.get_by_role("checkbox", name="Shopping list: Pennyfold yard").uncheck()
    expect(app.locator("[data-part=paper]")).to_have_count(0)
    app.get_by_role("checkbox", name="Pile sheet").check()
    expect(sheet).to_contain_text("Long bed")
    expect(sheet).not_to_contain_text("Lettuce")
    app.get_by_role("checkbox", name="Build sheet: Long bed").check()
    build = sheet.filter(has_text="Build sheet")
    expect(build.get_by_role("row", name=re.compile("Compost"))).to_contain_text("10 cm")
    expect(build.get_by_role("row", name=re.compile("Compost"))).to_contain_text("30 cm")
    expect(build).to_contain_text(f"/garden/{garden.pk}/section/bed/long")
    app.get_by_role("button", name="Black", exact=True).click()
    ink = app.evaluate("getComputedStyle(document.querySelector('#hatch-compost rect')).fill")
    assert ink == "rgb(255, 255, 255)"
    app.emulate_media(color_scheme="dark")
    assert app.evaluate("getComputedStyle(document.querySelector('[data-part=paper]')).backgroundColor") == (
        "rgb(255, 255, 255)"
    )
