"""A bed is planted: what suits it is drawn and counted, what doesn't says why and from when."""

from __future__ import annotations

import re

from django.contrib.auth.models import User
from playwright.sync_api import Page, expect

from nolbet.plans.storing import store_plan
from nolbet_core.built.plan_file import read_plan
from tests.core import zoo
from tests.core.test_planting_figures import LOGS

GARDEN = {"name": "Test ground", "units": "metric", "last_frost": "05-10", "first_frost": "10-05"}


def plant(app: Page, words: str, name: str) -> None:
    """Find a crop and put it into the bed."""
    app.get_by_label("Plant", exact=True).fill(words)
    app.get_by_role("option", name=re.compile(f"^{name}")).click()


def test_a_log_bed_is_planted_and_refuses_carrots_with_reason_and_date(app: Page, home: str, gardener: User) -> None:
    bed = zoo.bed(key="log_bed", name="Log bed", shape=zoo.shape(2.4, 1.2, 0.6), layers=LOGS, built_on="2026-03-01")
    garden = store_plan(gardener.pk, read_plan(zoo.plan(bed, garden=GARDEN)).plan)
    app.goto(f"{home}/garden/{garden.pk}/planting/bed/log_bed")
    expect(app.get_by_text("Nothing is planted here yet.")).to_be_visible()
    plant(app, "carr", "Carrot")
    carrot = app.get_by_label("Carrot", exact=True)
    expect(carrot).to_contain_text(re.compile(r"Carrot can go in from \d+ \w+ 20\d\d: "))
    carrot.get_by_role("button", name="Take Carrot out").click()
    expect(app.locator("[data-part=crop-line]")).to_have_count(0)
    # found by another name that people use
    plant(app, "zucchini", "Courgette")
    plant(app, "lett", "Lettuce")
    lettuce = app.get_by_label("Lettuce", exact=True)
    lettuce.get_by_label("How many").fill("6")
    lettuce.get_by_label("How many").press("Enter")
    expect(app.locator("[data-part=planted-crop]").nth(1).locator("circle")).to_have_count(6)
    lettuce.get_by_label("Again, weeks").fill("2")
    lettuce.get_by_label("Again, weeks").press("Enter")
    expect(lettuce).to_contain_text(re.compile(r"Sow from .* until .*, \d+ times"))
    expect(app.get_by_text(re.compile("^Saved"))).to_be_visible()
    app.reload()
    expect(app.locator("[data-part=crop-line]")).to_have_count(2)
    kept = garden.beds.get().cut["crops"]
    assert [each["crop"] for each in kept] == ["courgette", "lettuce"]
    assert (kept[1]["count"], kept[1]["every_weeks"]) == (6, 2)
