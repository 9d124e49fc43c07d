"""The line down: the page opens what it has, and what is typed waits; and what is typed reads back as it was typed."""

from __future__ import annotations

import pytest
from django.contrib.auth.models import User
from playwright.sync_api import Page, expect

from nolbet.gardens.models import Bed
from tests.browser.gardens import BRANCHY, keep, open_section, saved
from tests.core import zoo

pytestmark = pytest.mark.browser

OTHER = zoo.bed(key="other", name="Other bed", layers=[{"material": "topsoil", "fill": True}])


def thickness_m() -> float:
    return float(Bed.objects.get(key="branchy").cut["layers"][2]["thickness_m"])


def test_without_a_connection_views_open_and_a_typed_measure_outlasts_its_field(
    app: Page, home: str, gardener: User
) -> None:
    garden = keep(gardener, BRANCHY, OTHER)
    open_section(app, home, garden, "branchy")
    app.get_by_role("link", name="Other bed").click()
    expect(app.get_by_label("Name of the bed")).to_have_value("Other bed")
    app.get_by_role("link", name="Plot", exact=True).click()
    expect(app.get_by_role("heading", name="Plot")).to_be_visible()
    app.get_by_role("link", name="Branchy").first.click()
    field = app.get_by_label("Thickness of Compost")
    expect(field).to_have_value("10 cm")

    app.context.set_offline(True)
    field.fill("20 cm")
    field.press("Enter")
    expect(app.get_by_role("status").filter(has_text="Not read yet")).to_be_visible()
    app.get_by_role("link", name="Other bed").click()
    expect(app.get_by_label("Name of the bed")).to_have_value("Other bed")
    app.get_by_role("link", name="Plot", exact=True).click()
    expect(app.get_by_role("heading", name="Plot")).to_be_visible()
    app.get_by_role("link", name="Branchy").first.click()
    expect(field).to_have_value("20 cm")
    expect(app.get_by_role("status").filter(has_text="Not read yet")).to_be_visible()
    assert thickness_m() == pytest.approx(0.1)

    app.get_by_role("link", name="Other bed").click()
    expect(app.get_by_label("Name of the bed")).to_have_value("Other bed")
    with app.expect_response(lambda answer: answer.request.method == "PUT" and answer.url.endswith("/branchy")):
        app.context.set_offline(False)
    app.get_by_role("link", name="Branchy").first.click()
    expect(field).to_have_value("20 cm")
    saved(app)
    assert thickness_m() == pytest.approx(0.2)


@pytest.mark.parametrize("units", ["metric", "ft_in"])
def test_a_measure_in_mm_reads_back_in_mm(app: Page, home: str, gardener: User, units: str) -> None:
    garden = keep(gardener, BRANCHY, units=units)
    open_section(app, home, garden, "branchy")
    field = app.get_by_label("Thickness of Compost")
    with app.expect_response(lambda answer: answer.request.method == "PUT" and answer.url.endswith("/branchy")):
        field.fill("89 mm")
        field.press("Enter")
    expect(field).to_have_value("89 mm")
    assert thickness_m() == pytest.approx(0.089)
    app.evaluate("document.activeElement.blur()")
    app.keyboard.press("Control+z")
    expect(field).to_have_value({"metric": "10 cm", "ft_in": '3 7/8"'}[units])


def test_a_name_that_is_too_long_is_refused_where_it_stands_and_not_cut(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    open_section(app, home, garden, "branchy")
    name = app.get_by_label("Name of the bed")
    long = "The bed along the south wall " * 3
    name.fill(long)
    name.press("Enter")
    refusal = app.get_by_role("alert").filter(has_text="up to 80 letters; this has 86")
    expect(refusal).to_be_visible()
    field, note = name.bounding_box(), refusal.bounding_box()
    assert field and note
    assert 0 <= note["y"] - (field["y"] + field["height"]) < 30
    expect(name).to_have_value(long)
    with app.expect_response(lambda answer: answer.request.method == "PUT" and answer.url.endswith("/branchy")):
        name.fill(long[:40])
        name.press("Enter")
    assert Bed.objects.get(key="branchy").name == long[:40].strip()
