"""The garden's year and the shelf's figures, changed where a gardener finds them, and what the bed then does."""

from __future__ import annotations

import re

import pytest
from django.contrib.auth.models import User
from playwright.sync_api import Page, expect

from tests.browser.finding import choose
from tests.browser.gardens import keep, open_section, saved
from tests.core import zoo

pytestmark = pytest.mark.browser

CHIPS = zoo.bed(
    key="chips",
    name="Chip box",
    headspace_m=0.025,
    layers=[{"material": "own_chips", "thickness_m": 0.25}, {"material": "topsoil", "fill": True}],
)
OWN = [{"key": "own_chips", "like": "wood_chips", "name": "Own chips"}]


def sunk(app: Page) -> str:
    """How far the surface sinks by the first spring, as the tally says it."""
    return (
        app.locator("[data-part=prospects] button[aria-expanded]")
        .filter(has_text="Surface after the first winter")
        .inner_text()
    )


def test_a_warmer_garden_sinks_faster(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, CHIPS, materials=OWN)
    open_section(app, home, garden, "chips")
    before = sunk(app)
    app.goto(f"{home}/gardens")
    card = app.locator("[data-part=garden-card]")
    card.get_by_text("Climate and frosts").click()
    card.get_by_label("Mean of the year").fill("21")
    app.keyboard.press("Enter")
    expect(card.get_by_label("Mean of the year")).to_have_value("21 °C")
    card.get_by_label("Last frost in spring, day").select_option(label="12")
    card.get_by_label("Last frost in spring, month").select_option(label="May")
    card.get_by_label("First frost in autumn, month").select_option(label="October")
    with app.expect_response(lambda answer: "10-03" in (answer.request.post_data or "")):
        card.get_by_label("First frost in autumn, day").select_option(label="3")
    garden.refresh_from_db()
    assert (garden.mean_temp_c, garden.last_frost, garden.first_frost) == (21.0, "05-12", "10-03")
    open_section(app, home, garden, "chips")
    assert sunk(app) != before
    app.get_by_text("Surface after the first winter").click()
    expect(app.locator("[data-part=prospects] tbody tr").first).to_contain_text("May 2027")


def test_an_own_rate_of_rotting_is_yours_and_counts(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, CHIPS, materials=OWN)
    open_section(app, home, garden, "chips")
    before = sunk(app)
    app.goto(f"{home}/garden/{garden.pk}/shelf/own_chips")
    rots = app.get_by_role("row", name=re.compile("^Rots in a year at 12 °C"))
    expect(rots).to_contain_text("default, estimate")
    app.get_by_label("Sinks at first").fill("30 %")
    app.keyboard.press("Enter")
    expect(app.get_by_role("row", name=re.compile("^Sinks at first"))).to_contain_text("yours")
    open_section(app, home, garden, "chips")
    assert sunk(app) != before


def test_a_meal_is_scattered_and_taken_off_on_the_card(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, CHIPS, materials=OWN)
    open_section(app, home, garden, "chips")
    app.get_by_role("button", name="Own chips").click()
    card = app.locator("[data-part=layer-card][data-selected]")
    card.get_by_label("Goes to lay it in").fill("2")
    app.keyboard.press("Enter")
    choose(card.get_by_role("combobox", name="Scattered on it"), "feather", "Feather meal")
    card.get_by_label("in all").fill("400 g")
    app.keyboard.press("Enter")
    expect(card.locator("[data-part=layer-scattered]")).to_have_text("+ 400 g feather meal, 200 g each time")
    saved(app)
    layer = garden.beds.get(key="chips").cut["layers"][0]
    assert layer["amendment"] == {"material": "feather_meal", "mass_kg": 0.4}
    card.get_by_role("button", name="Scatter none").click()
    expect(card.locator("[data-part=layer-scattered]")).to_have_count(0)


def test_the_years_are_walked_by_keys_and_on_a_phone(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, CHIPS, materials=OWN)
    app.set_viewport_size({"width": 390, "height": 844})
    app.goto(f"{home}/garden/{garden.pk}/section/bed/chips")
    slider = app.get_by_label("Months after filling")
    slider.scroll_into_view_if_needed()
    slider.focus()
    filled = app.locator("[data-part=layer-shape] path").first.get_attribute("d") or ""
    for _ in range(3):
        app.keyboard.press("ArrowRight")
    expect(app.locator("[data-part=years-label]")).to_contain_text("3 months on:")
    app.keyboard.press("End")
    expect(app.locator("[data-part=years-label]")).to_contain_text("10 years on:")
    expect(app.locator("[data-part=layer-shape] path").first).not_to_have_attribute("d", filled)
    app.keyboard.press("Home")
    expect(app.locator("[data-part=years-label]")).to_have_text("As filled")
    expect(app.locator("[data-part=layer-shape] path").first).to_have_attribute("d", filled)
