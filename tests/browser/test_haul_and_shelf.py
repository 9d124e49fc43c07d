"""From beds to a shopping list, and figures that are the gardener's own; everything agrees to the last digit."""

from __future__ import annotations

import json
import re
from decimal import Decimal
from pathlib import Path
from typing import Any

import pytest
from django.contrib.auth.models import User
from playwright.sync_api import Page, expect

from nolbet.gardens.models import Garden
from nolbet.plans.storing import store_plan
from nolbet.plans.whole import whole_plan
from nolbet_cli.main import main
from nolbet_core.built.plan_file import read_plan
from tests.browser.finding import choose
from tests.browser.gardens import BRANCHY, keep, open_section, saved, told_as, warned
from tests.core import zoo

pytestmark = pytest.mark.browser


def litres(text: str) -> float:
    """A volume as the page shows it, in litres."""
    number, unit = re.fullmatch(r"([\d,.]+) (L|m³)", text.strip()).groups()  # type: ignore[union-attr]  # else the test fails
    return float(number.replace(",", "")) * (1000 if unit == "m³" else 1)


def test_cards_tally_haul_and_command_line_agree(
    app: Page, home: str, gardener: User, tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    garden = keep(gardener, BRANCHY | {"count": 2}, stock=[{"material": "topsoil", "volume_m3": 0.1}])
    file = tmp_path / "plan.nolbet.json"
    file.write_text(whole_plan(garden).model_dump_json(exclude_none=True))
    assert main(["figure", str(file), "--json"]) == 0
    printed: dict[str, Any] = json.loads(capsys.readouterr().out)
    (bed,) = printed["beds"]

    open_section(app, home, garden, "branchy")
    cards = app.locator(
        "[data-part=layer-card]:has([data-part=layer-bar]) [data-part=layer-figure] b"
    ).all_inner_texts()
    told = [f"{layer['placed_m3'] * 1000:.0f} L" for layer in reversed(bed["layers"]) if layer["placed_m3"]]
    assert cards == told
    held = told_as(app, "Volume in the bed").inner_text()
    assert sum(map(litres, cards)) == pytest.approx(litres(held), abs=1.5)
    # the headline is the largest of what is bought, and nothing else is added to it
    most = max((n for n in printed["needs"] if n["by"] == "volume"), key=lambda n: n["to_buy_m3"])
    expect(app.locator("[data-part=tally-volume]")).to_contain_text(f"{most['to_buy_m3']:.2f} m³")
    expect(app.locator("[data-part=tally-volume]")).to_contain_text(most["name"].lower())
    total = app.locator("[data-part=fact]", has_text="Cost").locator("dd").inner_text()
    assert total == f"${Decimal(printed['haul']['total']):,.2f}"

    app.get_by_role("link", name="Haul").click()
    expect(app.locator("[data-part=haul-pay] [data-part=tally-volume]")).to_contain_text(total)
    lines = printed["haul"]["lines"]
    expect(app.locator("[data-part=haul-tick]")).to_have_count(len(lines))
    for line in lines:
        row = app.locator("[data-part=haul-lines] tr", has_text=f"{line['name']},").first
        expect(row).to_contain_text(f"${Decimal(line['price']):,.2f}")
        expect(row).to_contain_text(f"{line['count']} bags" if line["count"] else f"{line['volume_m3']:.2f} m³")
    row = app.locator("[data-part=haul-lines] tr", has_text="Topsoil,").first
    row.get_by_role("checkbox").check()
    expect(row).to_have_count(0)
    saved(app)
    app.reload()
    bought = app.locator("[data-part=bought-line]", has_text="Topsoil")
    expect(bought.get_by_label("Topsoil: got it")).to_be_checked()


def test_an_offer_is_entered_and_changes_what_is_bought(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY, units="ft_in")
    app.goto(f"{home}/garden/{garden.pk}/haul")
    expect(app.locator("[data-part=haul-lines] tr", has_text="Topsoil, bags of")).to_be_visible()
    app.get_by_role("button", name="Enter another supplier").click()
    app.get_by_label("Supplier", exact=True).fill("Pennyfold yard")
    app.get_by_label("One delivery costs").fill("$45")
    app.get_by_role("button", name="Add an offer").click()
    offer = app.get_by_role("group", name="Offer 1", exact=True)
    choose(offer.get_by_role("combobox", name="Material"), "loam", "Topsoil")
    offer.get_by_role("button", name="loose").click()
    app.get_by_role("button", name="Keep these offers").click()
    warned(app, "Offer 1 still lacks")
    offer.get_by_label("Price").fill("30 a yd")
    offer.get_by_label("In steps of").fill("1/2 yd")
    offer.get_by_label("Not below").fill("1 yd")
    expect(offer.get_by_role("status")).to_contain_text("1 yd³")
    app.get_by_role("button", name="Keep these offers").click()
    row = app.get_by_label("Pennyfold yard").locator("[data-part=haul-lines] tr")
    expect(row).to_contain_text("Topsoil, loose")
    expect(row).to_contain_text("$30.00 a yd³")
    expect(row).to_contain_text("1 yd³")
    expect(app.get_by_label("Pennyfold yard").locator("[data-part=haul-sum]")).to_have_text("$75.00")


def test_a_heap_on_hand_is_used_first(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    app.goto(f"{home}/garden/{garden.pk}/haul")
    app.get_by_role("button", name="Enter a heap").click()
    choose(app.get_by_role("combobox", name="A heap of"), "black gold", "Compost")
    app.get_by_label("Loose volume").fill("1 m3")
    app.get_by_role("button", name="Keep").click()
    own = app.get_by_label("Your own")
    expect(own.locator("tr", has_text="Compost")).to_contain_text("enough")
    expect(app.get_by_label("Saltgrass stores").locator("tr", has_text="Compost")).to_have_count(0)


def test_an_own_material_is_made_changed_used_and_can_not_vanish(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    app.goto(f"{home}/garden/{garden.pk}/shelf")
    app.get_by_label("Search the shelf").fill("loam")
    # once the list has been searched its rows stay where they are
    expect(app.get_by_role("row", name=re.compile("Subsoil"))).to_have_count(0)
    app.get_by_role("row", name=re.compile("Topsoil")).click()
    expect(app.get_by_role("heading", name="Topsoil")).to_be_visible()
    expect(app.locator("[data-part=material-sheet]")).to_contain_text("default, estimate")
    app.get_by_role("button", name="Make one of your own like it").click()
    name = app.get_by_label("What you call it")
    expect(name).to_have_value("Own topsoil")
    density = app.get_by_label("Density, moist")
    density.fill("1,3 x")
    density.press("Enter")
    warned(app, "isn't a unit of mass")
    density.fill("1300 kg/m3")
    density.press("Enter")
    row = app.get_by_role("row", name=re.compile("Density, moist"))
    expect(row).to_contain_text("yours")
    open_section(app, home, garden, "branchy")
    weight = app.locator("[data-part=fact]", has_text="Weight as delivered").locator("dd")
    before = weight.inner_text()
    app.locator("[data-part=layer-card]", has_text="Topsoil").locator("[data-part=layer-name]").click()
    choose(app.get_by_role("combobox", name="Made of"), "own top", "Own topsoil")
    expect(app.locator("[data-part=layer-card]").first).to_contain_text("Own topsoil")
    expect(weight).not_to_have_text(before)
    saved(app)
    app.goto(f"{home}/garden/{garden.pk}/shelf/own_topsoil")
    app.get_by_role("button", name="Take it off the shelf").click()
    warned(app, "used in Branchy")


def test_bags_area_and_depth_both_ways(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    app.goto(f"{home}/garden/{garden.pk}/plot")
    app.get_by_label("Bags", exact=True).fill("23")
    app.get_by_label("One bag holds").fill("40 L")
    app.get_by_label("Spread over").fill("4 x 2 m")
    # 23 bags of 40 L of compost are 800 L placed: 10 cm over 8 m2
    expect(app.locator("[data-part=bags-answer]")).to_contain_text("10 cm deep")
    app.get_by_role("button", name="How much area?").click()
    app.get_by_label("To a depth of").fill("5 cm")
    expect(app.locator("[data-part=bags-answer]")).to_contain_text("16.00 m² covered")


def test_a_bed_and_a_material_are_found_by_slash(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    app.goto(f"{home}/garden/{garden.pk}/plot")
    expect(app.locator("[data-part=small-section]")).to_be_visible()
    app.keyboard.press("/")
    app.keyboard.type("bran")
    app.keyboard.press("Enter")
    expect(app.get_by_label("Name of the bed")).to_have_value("Branchy")
    app.keyboard.press("/")
    app.get_by_role("combobox", name="A bed, a view or a material").fill("landscape fabric")
    expect(app.get_by_role("option")).to_have_count(1)
    app.get_by_role("option", name=re.compile("^Weed mat")).click()
    expect(app.get_by_role("heading", name="Weed mat")).to_be_visible()


def test_the_cheapest_haul_over_all_suppliers_follows_the_quick_one(app: Page, home: str, gardener: User) -> None:
    yard = {"key": "yard", "name": "Tide yard", "delivery": "45.00", "free_over": "400.00", "offers": [
        {"form": "bulk", "material": "topsoil", "price_per_m3": "60.00", "step_m3": 0.5},
    ]}  # fmt: skip
    shop = {"key": "shop", "name": "Reed shop", "offers": [
        {"form": "bag", "material": "topsoil", "volume_m3": 0.04, "price": "5.00", "fetch": True, "at_most": 4,
         "deal": {"count": 4, "price": "16.00"}, "key": "soil_bag"},
    ]}  # fmt: skip
    document = zoo.plan(
        zoo.bed(), suppliers=[yard, shop], garden={"name": "Test ground", "units": "metric"}, edition=1,
    )  # fmt: skip
    garden = store_plan(gardener.pk, read_plan(document).plan)
    app.goto(f"{home}/garden/{garden.pk}/haul")
    pay = app.locator("[data-part=haul-pay]")
    # 1.15 m3 loose: 1.5 m3 for 90.00 and 45.00; or 1.0 m3 and four bags for 16.00
    expect(pay).to_contain_text("No other choice over all suppliers costs less.")
    expect(pay.locator("[data-part=tally-volume]")).to_contain_text("$121.00")
    expect(pay).to_contain_text("Each material from its cheapest offer: $135.00.")
    # what is changed of a supplier leaves the terms of its offers as they were
    app.get_by_role("button", name="Offers", exact=True).nth(1).click()
    app.get_by_label("Supplier", exact=True).fill("Reed and rush")
    app.get_by_role("button", name="Keep these offers").click()
    saved(app)
    expect(pay.locator("[data-part=tally-volume]")).to_contain_text("$121.00")
    (offer,) = Garden.objects.get(pk=garden.pk).suppliers.get(key="shop").offers.all()
    assert offer.more == {"deal": {"count": 4, "price": "16.00"}, "at_most": 4, "key": "soil_bag"}
