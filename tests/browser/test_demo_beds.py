"""Three beds of the demo household, each taken from the tape to the shopping list as its gardener would."""

from __future__ import annotations

import json
import re
from pathlib import Path
from typing import Any

import pytest
from django.contrib.auth.models import User
from playwright.sync_api import Page, expect

from nolbet.gardens.models import Bed, Garden
from nolbet.plans.storing import store_plan
from nolbet_core.built.plan_file import read_plan
from tests.browser.finding import choose
from tests.browser.gardens import saved, told_as

pytestmark = pytest.mark.browser

DEMO = Path(__file__).resolve().parents[2] / "server" / "nolbet" / "demo" / "brackwater.nolbet.json"


@pytest.fixture
def brackwater(gardener: User) -> Garden:
    """The household's garden with its suppliers, heaps, own materials and mixes, no bed yet and nothing seen."""
    document: dict[str, Any] = json.loads(DEMO.read_text())
    return store_plan(gardener.pk, read_plan(document | {"beds": [], "log": []}).plan)


def measure(app: Page, name: str, tape: tuple[str, str, str], wall: str, laid: str, fill: str) -> None:
    """Enter a new bed's measures."""
    app.get_by_label("What it is called").fill(name)
    for label, text in zip(("Length", "Width", "Depth"), tape, strict=True):
        app.get_by_label(label).fill(text)
    app.get_by_role("button", name=laid, exact=True).click()
    app.get_by_label("Wall thickness").fill(wall)
    choose(app.get_by_role("combobox", name="Filled with"), fill)
    app.get_by_role("button", name="Cut it open").click()
    expect(app.get_by_label("Name of the bed")).to_have_value(name)


def kept_layers(key: str) -> list[str]:
    """Materials of a kept bed, bottom to top."""
    return [layer["material"] for layer in Bed.objects.get(key=key).cut["layers"]]


def test_long_table_wood_in_a_box(app: Page, home: str, brackwater: Garden) -> None:
    app.goto(f"{home}/garden/{brackwater.pk}/new")
    measure(app, "Long table", ("2.4 m", "3' 9\"", "60 cm"), "47 mm", "inside", "Raised bed mix")
    app.get_by_role("button", name="More measures").click()
    alike = app.get_by_label("How many alike")
    alike.fill("2")
    alike.press("Enter")
    expect(app.locator("[data-part=tally] h2")).to_have_text("To buy for both beds")
    app.get_by_role("button", name="Close").click()
    for name, thickness in (("Compost", "7 cm"), ("Leaves", "8 cm"), ("Branches", "9 cm")):
        app.get_by_role("button", name="Add a layer").click()
        choose(app.get_by_role("combobox", name="New layer"), name)
        field = app.get_by_label(f"Thickness of {name}")
        field.fill(thickness)
        field.press("Enter")
        card = app.locator("[data-part=layer-card]", has_text=name).first
        expect(card).to_contain_text("placed, each bed")
        while card.get_by_role("button", name="Down").is_enabled():
            card.get_by_role("button", name="Down").click()
            card = app.locator("[data-part=layer-card]", has_text=name).first
            card.locator("[data-part=layer-name]").click()
    finding = app.locator("[data-part=finding]", has_text="Branches: its gaps")
    expect(finding).to_contain_text("surface drops")
    finding.get_by_role("button", name="Pack it").click()
    expect(finding).to_have_count(0)
    saved(app)
    assert kept_layers("long_table") == ["branches", "leaves", "compost", "raised_bed_mix"]
    app.get_by_role("link", name="Haul").click()
    expect(app.locator("[data-part=haul-view]")).to_contain_text("2 beds")
    expect(app.get_by_label("Pennyfold yard").locator("tr", has_text="Raised bed mix")).to_contain_text("yd³")
    expect(app.get_by_label("Your own").locator("tr", has_text="Branches")).to_contain_text("enough")


def test_ferry_box_light_and_drained(app: Page, home: str, brackwater: Garden) -> None:
    app.goto(f"{home}/garden/{brackwater.pk}/new")
    measure(app, "Ferry box", ("4 ft", "2 ft", "12 in"), "7/8 in", "outside", "Light box mix")
    for name, thickness in (("Geotextile", None), ("Expanded clay", "1 1/2 in")):
        app.get_by_role("button", name="Add a layer").click()
        choose(app.get_by_role("combobox", name="New layer"), name)
        if thickness:
            field = app.get_by_label(f"Thickness of {name}")
            field.fill(thickness)
            field.press("Enter")
        app.locator("[data-part=layer-card]", has_text=name).locator("[data-part=layer-name]").click()
        card = app.locator("[data-part=layer-card][data-selected]")
        card.get_by_role("button", name="Down").click()
        expect(app.locator("[data-part=layer-card]").first).to_contain_text("Light box mix")
    saved(app)
    assert kept_layers("ferry_box") == ["expanded_clay", "geotextile", "light_mix"]
    # the fabric keeps the mix out of the clay, so nothing is swallowed
    expect(app.locator("[data-part=finding]", has_text="swallow")).to_have_count(0)
    expect(app.locator("[data-part=finding]", has_text="potting mix")).to_have_count(2)
    weight = told_as(app, "Weight, wet through").inner_text()
    assert 250 < float(weight.removesuffix(" lb").replace(",", "")) < 450
    app.get_by_role("link", name="Haul").click()
    stores = app.get_by_label("Saltgrass stores")
    for part in ("Potting mix", "Compost", "Perlite", "Expanded clay"):
        expect(stores.locator("tr", has_text=part)).to_contain_text("bag")
    expect(app.locator("[data-part=need]", has_text="Geotextile")).to_be_visible()


def test_brick_court_sheet_layers(app: Page, home: str, brackwater: Garden) -> None:
    app.goto(f"{home}/garden/{brackwater.pk}/new")
    measure(app, "Brick court", ("3 m", "1.5 m", "42 cm"), "10 cm", "outside", "Compost")
    app.get_by_role("button", name="More measures").click()
    expect(app.locator("[data-part=more-note]")).to_contain_text("The walls take 19 % of the ground")
    app.get_by_role("button", name="Close").click()
    app.get_by_role("button", name="Add a layer").click()
    choose(app.get_by_role("combobox", name="New layer"), "Cardboard")
    laps = app.get_by_label("Laps of Cardboard")
    laps.fill("8 cm")
    laps.press("Enter")
    piece = app.get_by_label("One piece is")
    piece.fill("90 x 120 cm")
    piece.press("Enter")
    expect(app.locator("[data-part=layer-card]", has_text="Cardboard")).to_contain_text("pieces")
    caution = app.locator("[data-part=finding]", has_text="Cardboard: the laps are")
    caution.get_by_role("button", name=re.compile("^Lap ")).click()
    expect(caution).to_have_count(0)
    expect(laps).to_have_value('5 7/8"')
    app.locator("[data-part=layer-card]", has_text="Cardboard").get_by_role("button", name="Down").click()
    saved(app)
    assert kept_layers("brick_court") == ["cardboard", "compost"]
    wide = app.locator("[data-part=finding]", has_text="the far soil is")
    wide.get_by_role("button", name="Seen, because").click()
    app.get_by_label("Why it can stay").fill("there is a plank across")
    app.keyboard.press("Enter")
    expect(wide).to_contain_text("Seen: there is a plank across")
    app.get_by_role("link", name="Haul").click()
    expect(app.locator("[data-part=need]", has_text="Cardboard")).to_contain_text("sq ft")
    expect(app.get_by_label("Pennyfold yard").locator("tr", has_text="Compost, loose")).to_contain_text("$42.00 a yd³")


def add_layer(app: Page, name: str, thickness: str) -> None:
    """Lay a material over what is there, so thick."""
    app.get_by_role("button", name="Add a layer").click()
    choose(app.get_by_role("combobox", name="New layer"), name)
    field = app.get_by_label(f"Thickness of {name}")
    field.fill(thickness)
    field.press("Enter")
    expect(app.locator("[data-part=layer-card]", has_text=name).first).to_contain_text("placed")


def start(app: Page, name: str, label: str, tape: dict[str, str], fill: str) -> None:
    """Measure a bed of another shape than a box."""
    app.get_by_label("What it is called").fill(name)
    app.get_by_role("radio", name=label, exact=True).click()
    for measure_name, text in tape.items():
        app.get_by_label(re.compile(rf"^{measure_name}")).fill(text)
    choose(app.get_by_role("combobox", name="Filled with"), fill)
    app.get_by_role("button", name="Cut it open").click()
    expect(app.get_by_label("Name of the bed")).to_have_value(name)


def test_net_loft_tubs_from_the_tape_to_the_shopping_list(app: Page, home: str, brackwater: Garden) -> None:
    app.goto(f"{home}/garden/{brackwater.pk}/new")
    tape = {"Base across": "15 in", "Rim across": "20 1/2 in", "Depth": "17 1/4 in", "Wall thickness": "1/2 in"}
    start(app, "Net-loft tubs", "Round tub or pot", tape, "Light box mix")
    app.get_by_role("button", name="More measures").click()
    alike = app.get_by_label("How many alike")
    alike.fill("4")
    alike.press("Enter")
    expect(app.locator("[data-part=tally] h2")).to_have_text("To buy for all 4 beds")
    add_layer(app, "Bark mulch", "1 1/4 in")
    saved(app)
    tub = Bed.objects.get(key="net_loft_tubs")
    assert (tub.count, tub.cut["shape"]["kind"]) == (4, "round_tub")
    app.get_by_role("link", name="Haul").click()
    stores = app.get_by_label("Saltgrass stores")
    for part in ("Potting mix", "Compost", "Perlite", "Bark mulch"):
        expect(stores.locator("tr", has_text=part)).to_contain_text("bag")


def test_windbreak_mound_from_the_tape_to_the_shopping_list(app: Page, home: str, brackwater: Garden) -> None:
    app.goto(f"{home}/garden/{brackwater.pk}/new")
    tape = {"Length": "5 m", "Width": "1.7 m", "Height": "30 in", "Slope of the sides": "44"}
    start(app, "Windbreak mound", "Mound, straight sides", tape, "Logs, ash and birch")
    for name, thickness in (("Turf", "8 cm"), ("Compost", "8 cm"), ("Topsoil", "12 cm")):
        app.get_by_role("button", name="Add a layer").click()
        choose(app.get_by_role("combobox", name="New layer"), name)
        field = app.get_by_label(re.compile(rf"^Thickness of {name}"))
        field.fill(thickness)
        field.press("Enter")
        expect(app.locator("[data-part=layer-card]", has_text=name).first).to_contain_text("placed")
    expect(app.locator("[data-part=finding]", has_text="The sides rise at 44°")).to_be_visible()
    pack = app.locator("[data-part=finding]", has_text="Logs, ash and birch: its gaps")
    pack.get_by_role("button", name="Pack it").click()
    expect(pack).to_have_count(0)
    saved(app)
    assert kept_layers("windbreak_mound") == ["broadleaf_logs", "turf", "compost", "topsoil"]
    app.get_by_role("link", name="Haul").click()
    expect(app.get_by_label("Your own").locator("tr", has_text="Logs, ash and birch")).to_contain_text("enough")
    expect(app.get_by_label("Pennyfold yard").locator("tr", has_text="Topsoil")).to_contain_text("yd³")


def test_stair_coil_from_the_tape_to_the_shopping_list(app: Page, home: str, brackwater: Garden) -> None:
    app.goto(f"{home}/garden/{brackwater.pk}/new")
    tape = {"Across": "1.9 m", "Bed width": "14 in", "Wall thickness": "11 cm", "Height outside": "25 cm",
            "Height in the middle": "85 cm"}  # fmt: skip
    start(app, "Stair coil", "Spiral", tape, "Gritty herb mix")
    for name, thickness in (("Plain herb mix", "22 cm"), ("Moist herb mix", "28 cm"), ("Rubble", "12 cm")):
        add_layer(app, name, thickness)
        card = app.locator("[data-part=layer-card]", has_text=name).first
        while card.get_by_role("button", name="Down").is_enabled():
            card.get_by_role("button", name="Down").click()
            card = app.locator("[data-part=layer-card]", has_text=name).first
            card.locator("[data-part=layer-name]").click()
    app.locator("[data-part=layer-card]", has_text="Moist herb mix").first.locator("[data-part=layer-name]").click()
    expect(app.locator("[data-part=layer-card][data-selected]")).to_contain_text("along the run, from the outer end")
    expect(app.locator("[data-part=from-above]")).to_contain_text("in 2.3 turns")
    saved(app)
    assert kept_layers("stair_coil") == ["rubble", "moist_herb", "plain_herb", "gritty_herb"]
    app.get_by_role("link", name="Haul").click()
    expect(app.get_by_label("Your own").locator("tr", has_text="Rubble")).to_contain_text("enough")
    for part in ("Coir", "Grit", "Coarse sand"):
        expect(app.get_by_label("Saltgrass stores").locator("tr", has_text=part)).to_contain_text("bag")


def soil_of(garden: Garden) -> float:
    """What of the gardener's own soil lies on heaps [m3]."""
    return sum(heap.volume_m3 for heap in garden.stock.filter(material="garden_soil"))


def test_a_dug_trench_fills_the_heap(app: Page, home: str, brackwater: Garden) -> None:
    app.goto(f"{home}/garden/{brackwater.pk}/new")
    tape = {"Top length": "4.2 m", "Top width": "80 cm", "Bottom length": "4 m", "Bottom width": "60 cm",
            "Depth": "40 cm"}  # fmt: skip
    start(app, "Windbreak trench", "Trench", tape, "Branches")
    before = soil_of(brackwater)
    app.get_by_role("button", name="On the heap").click()
    expect(app.get_by_text("It lies on your heap of garden soil")).to_be_visible()
    assert soil_of(brackwater) - before == pytest.approx(1.25 * (4.2 * 0.8 + 4 * 4.1 * 0.7 + 4 * 0.6) / 6 * 0.4)
    expect(app.locator("[data-part=finding]", has_text="no depth is safe of itself")).to_be_visible()
