"""How sure figures are: bands are seen, what they rest on is told, and what is measured narrows them at once."""

from __future__ import annotations

import re

import pytest
from django.contrib.auth.models import User
from playwright.sync_api import Locator, Page, expect

from nolbet.gardens.models import Bed
from tests.browser.gardens import keep
from tests.browser.test_water import pushed
from tests.core import zoo

pytestmark = pytest.mark.browser

LONG_BED = zoo.bed(
    name="Long bed", layers=[{"material": "compost", "thickness_m": 0.2}, {"material": "topsoil", "fill": True}]
)


def row(app: Page, figure: str) -> Locator:
    return app.get_by_role("region", name="Long bed").locator(f"[data-figure={figure}]")


def ends(said: str) -> tuple[float, float]:
    """Both ends of a band as it is told."""
    low, high = (float(each.replace(",", "")) for each in re.findall(r"[\d,.]+", said)[:2])
    return low, high


def test_a_bucket_on_the_scales_narrows_the_weight(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, LONG_BED)
    app.goto(f"{home}/garden/{garden.pk}/sure")
    weight = row(app, "mass_moist_kg")
    band = weight.locator("[data-part=band]")
    expect(band).to_contain_text("kg")
    before = ends(band.inner_text())
    weight.get_by_role("button").click()
    expect(weight.locator("[data-part=rests-on]")).to_contain_text("Topsoil: how dense it is")
    way = app.locator("[data-way=weigh_bucket]").filter(has_text="Topsoil")
    way.get_by_label("Loose in the bucket").fill("10 L")
    way.get_by_label("It weighs").fill("13.1 kg")
    way.get_by_role("button", name="Take it in").click()
    expect(band).not_to_have_text(f"{before[0]:,.0f} to {before[1]:,.0f} kg")
    after = ends(band.inner_text())
    assert after[1] - after[0] < 0.7 * (before[1] - before[0])
    expect(app.locator("[data-way=weigh_bucket]").filter(has_text="Topsoil")).to_have_count(0)


def test_a_bucket_trodden_down_narrows_what_is_to_be_bought(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, LONG_BED)
    app.goto(f"{home}/garden/{garden.pk}/haul")
    need = app.locator("[data-part=needs-list] [data-part=need]").filter(has_text="Topsoil")
    band = need.locator("[data-part=likely]")
    expect(band).to_be_visible()
    before = ends(band.inner_text())
    app.get_by_role("link", name="How sure").click()
    way = app.locator("[data-way=tread_bucket]").filter(has_text="Topsoil")
    way.get_by_label("Loose in the bucket").fill("10 L")
    way.get_by_label("Trodden down").fill("8.7 L")
    way.get_by_role("button", name="Take it in").click()
    expect(way).to_have_count(0)
    app.get_by_role("link", name="Haul").click()
    expect(band).to_be_visible()
    expect(band).not_to_have_text(re.compile(f"^{before[0]:g} to {before[1]:g} "))
    after = ends(band.inner_text())
    # how level it is raked spreads it more than how loose it lies
    assert after[1] - after[0] < 0.95 * (before[1] - before[0])


def test_what_if_a_bed_were_deeper_is_told_beside_it_and_taken(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, LONG_BED)
    app.goto(f"{home}/garden/{garden.pk}/sure")
    asked = app.locator("[data-part=what-if]")
    weight = asked.locator("[data-figure=mass_moist_kg] td")
    expect(weight).to_have_count(2)
    expect(weight.nth(1)).to_contain_text(weight.nth(0).inner_text().split("\n")[0])
    pushed(asked.get_by_role("slider", name="Depth"), "ArrowRight", 10)
    expect(asked.get_by_text("Depth: 60 cm")).to_be_visible()
    expect(weight.nth(1)).not_to_contain_text(weight.nth(0).inner_text().split("\n")[0])
    expect(asked).not_to_have_attribute("aria-busy", "true")
    asked.get_by_role("button", name="Make the bed so").click()
    expect(app.get_by_label("Depth", exact=True).first).to_have_value("60 cm")
    assert Bed.objects.get(key="plain").cut["shape"]["depth_m"] == pytest.approx(0.6)


def test_nonsense_stays_where_it_was_typed(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, LONG_BED)
    app.goto(f"{home}/garden/{garden.pk}/sure")
    way = app.locator("[data-way=weigh_bucket]").filter(has_text="Topsoil")
    way.get_by_label("Loose in the bucket").fill("a full one")
    way.get_by_label("It weighs").fill("13 kg")
    expect(way.get_by_role("button", name="Take it in")).to_be_disabled()
    expect(way.get_by_label("Loose in the bucket")).to_have_value("a full one")
    # what was understood before isn't taken in its place
    way.get_by_label("Loose in the bucket").fill("10 L")
    expect(way.get_by_role("button", name="Take it in")).to_be_enabled()
    way.get_by_label("Loose in the bucket").fill("10 buckets of moonlight")
    expect(way.get_by_role("button", name="Take it in")).to_be_disabled()
