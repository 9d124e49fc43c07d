"""Haul in the browser: bought on a phone, under a budget, a long look ended, prices pasted and taken, lists to take."""

from __future__ import annotations

import io
import re
from datetime import date
from decimal import Decimal
from pathlib import Path
from typing import Any

import pytest
from django.contrib.auth.models import User
from openpyxl import load_workbook
from playwright.sync_api import Browser, Page, Route, expect

from nolbet.gardens.models import Bed, Garden
from nolbet.plans.storing import store_plan
from nolbet_core.built.plan_file import read_plan
from tests.browser.chromium import CONTEXT
from tests.browser.gardens import open_section, saved
from tests.core import zoo

pytestmark = pytest.mark.browser

METRIC = {"name": "Test ground", "units": "metric"}
LAYERS = [{"material": "compost", "thickness_m": 0.1}, {"material": "topsoil", "fill": True}]
YARD = {"key": "yard", "name": "Tide yard", "delivery": "30.00", "offers": [
    {"material": "topsoil", "form": "bulk", "price_per_m3": "60.00", "step_m3": 0.25},
    {"material": "topsoil", "form": "bag", "volume_m3": 0.04, "price": "5.00", "fetch": True},
    {"material": "compost", "form": "bag", "volume_m3": 0.04, "price": "6.20", "fetch": True},
]}  # fmt: skip


def haul_of(app: Page, home: str, gardener: User, *beds: dict[str, Any], **head: Any) -> Garden:
    """Open the haul of a garden with a yard."""
    garden = METRIC | head
    document = zoo.plan(*(beds or (zoo.bed(name="Plain", layers=LAYERS),)), suppliers=[YARD], garden=garden)
    kept = store_plan(gardener.pk, read_plan(document).plan)
    app.goto(f"{home}/garden/{kept.pk}/haul")
    expect(app.locator("[data-part=haul-pay]")).to_contain_text("No other choice over all suppliers costs less.")
    return kept


def hard_market() -> tuple[list[dict[str, Any]], list[dict[str, Any]]]:
    """Beds and yards with bags of nearly the same price a litre, least orders and free deliveries: hard to prove."""
    sizes = (0.02, 0.025, 0.03, 0.035, 0.04, 0.042, 0.05, 0.06, 0.07)
    materials = (
        "compost", "topsoil", "potting_mix", "raised_bed_mix", "coarse_sand", "grit", "perlite", "vermiculite",
        "bark_mulch", "wood_chips", "aged_manure", "leaf_mould", "coir", "peat",
    )  # fmt: skip

    def bag(yard: int, place: int, many: int) -> dict[str, Any]:
        volume_m3 = sizes[(3 * yard + 2 * place + many) % 9]
        per_m3 = 140 + (7 * yard + 5 * place + 3 * many) % 15
        words = {"form": "bag", "volume_m3": volume_m3, "price": f"{volume_m3 * per_m3:.2f}"}
        return {"material": materials[place], **words}

    yards = [
        {
            "key": f"yard_{yard}",
            "name": f"Yard {yard}",
            "delivery": f"{25 + yard}.00",
            "free_over": f"{180 + 70 * yard}.00",
            "minimum_order": f"{60 + 10 * yard}.00",
            "offers": [bag(yard, place, many) for place in range(len(materials)) for many in range(5)],
        }
        for yard in range(14)
    ]
    beds = [
        zoo.bed(
            key=f"bed_{index}", shape=zoo.shape(2.0 + 0.3 * index, 1.1, 0.45), layers=[{"material": key, "fill": True}]
        )
        for index, key in enumerate(materials)
    ]
    return beds, yards


def to_pay(app: Page) -> Decimal:
    """What is to pay, as the page says it."""
    text = app.locator("[data-part=haul-pay] [data-part=tally-volume] b").inner_text()
    return Decimal(text.replace("$", "").replace(",", ""))


def test_ticked_off_on_a_phone_and_what_is_left_worked_out_anew(
    browser: Browser, home: str, gardener: User, app: Page
) -> None:
    shape = {"viewport": {"width": 390, "height": 844}, "has_touch": True, "is_mobile": True}
    context = browser.new_context(**(CONTEXT | shape))
    context.add_cookies(app.context.cookies())  # type: ignore[arg-type]
    phone = context.new_page()
    garden = haul_of(phone, home, gardener)
    # the list to tick off comes first
    lines, needs = phone.locator("[data-part=haul-lines]").first, phone.locator("[data-part=needs-list]").first
    top = lines.bounding_box()
    assert top is not None
    below = needs.bounding_box()
    assert below is None or top["y"] < below["y"]
    before = to_pay(phone)
    phone.get_by_label("Compost: got it").tap()
    bought = phone.locator("[data-part=bought-line]")
    expect(bought).to_contain_text("Compost")
    expect(phone.get_by_label("All of it is to cost at most")).to_be_visible()
    phone.get_by_label("paid").tap()
    phone.get_by_label("How it came").fill("two bags torn")
    phone.get_by_label("How it came").press("Enter")
    saved(phone)
    (kept,) = Garden.objects.get(pk=garden.pk).bought
    assert (kept["material"], kept["paid"], kept["arrival"]) == ("compost", True, "two bags torn")
    expect(phone.locator("[data-part=budget]")).to_contain_text("Bought, Tide yard")
    expect(phone.locator("[data-part=haul-pay]")).to_contain_text("No other choice over all suppliers costs less.")
    assert to_pay(phone) == before - Decimal(kept["price"])
    # the tick taken back, it is to be got again
    bought.get_by_label("Compost: got it").tap()
    expect(bought).to_have_count(0)
    expect(phone.locator("[data-part=haul-lines] tr", has_text="Compost")).to_be_visible()
    saved(phone)
    assert Garden.objects.get(pk=garden.pk).bought == []


def test_under_a_budget_by_one_click_and_back_again(app: Page, home: str, gardener: User) -> None:
    beds = [zoo.bed(key=key, name=name, shape=zoo.shape(length_m, 1.2, 0.4)) for key, name, length_m in
            (("low", "Low one", 1.5), ("long", "Long one", 3.0))]  # fmt: skip
    haul_of(app, home, gardener, *beds)
    before = to_pay(app)
    field = app.get_by_label("All of it is to cost at most")
    field.fill(str(before - 10))
    field.press("Enter")
    expect(app.locator("[data-part=budget]")).to_contain_text("$10.00 over that.")
    app.get_by_role("button", name="Ways to pay less").click()
    proposal = app.locator("[data-part=proposal]")
    expect(proposal).to_contain_text("35 cm deep", timeout=30_000)
    expect(app.locator("[data-part=swap]").first).to_contain_text("put off to next year")
    proposal.get_by_role("button", name="Take it").click()
    expect(app.locator("[data-part=budget]")).to_contain_text("stays under that")
    assert Bed.objects.filter(cut__shape__depth_m=0.35).count() == 1
    app.get_by_role("button", name="Undo").last.click()
    expect(app.locator("[data-part=budget]")).to_contain_text("$10.00 over that.")
    assert not Bed.objects.filter(cut__shape__depth_m=0.35).exists()


def test_a_long_look_is_watched_and_ended_with_the_best_so_far(app: Page, home: str, gardener: User) -> None:
    beds, yards = hard_market()
    document = zoo.plan(*beds, suppliers=yards, garden={"name": "Test ground", "units": "metric"})
    garden = store_plan(gardener.pk, read_plan(document).plan)
    app.goto(f"{home}/garden/{garden.pk}/haul")
    looking = app.locator("[data-part=looking]")
    expect(looking).to_contain_text(re.compile(r"\$[\d,.]+ so far, none under \$[\d,.]+"))
    app.get_by_role("button", name="Stop, and take the best so far").click()
    pay = app.locator("[data-part=haul-pay]")
    expect(pay).to_contain_text("this is the best found so far")
    expect(app.get_by_role("button", name="Look for up to two minutes")).to_be_visible()


def test_prices_pasted_with_three_bad_rows(app: Page, home: str, gardener: User) -> None:
    garden = haul_of(app, home, gardener)
    app.get_by_role("button", name="Prices", exact=True).click()
    app.get_by_label("Rows pasted from a spreadsheet, the names of the columns first").fill(
        "supplier\tmaterial\tform\tprice\tvolume_m3\n"
        "Tide yard\tCompost\tbag\t5.40\t0.04\n"
        "Tide yard\tMoon dust\tbag\t5.40\t0.04\n"
        "Nobody\tCompost\tbag\t5.40\t0.04\n"
        "Tide yard\tTopsoil\tbag\tfive\t0.04\n"
        "Tide yard\tTopsoil\tbag\t60.00\t0.04\n"
        "Tide yard\tBark mulch\tbag\t7.10\t0.06\n"
    )
    app.get_by_role("button", name="Look at what was pasted").click()
    preview = app.locator("[data-part=price-preview]")
    for line, told in ((3, "Moon dust"), (4, "Nobody"), (5, "five")):
        expect(preview.get_by_role("alert").filter(has_text=f"Line {line}:")).to_contain_text(told)
    # the one that is twelve times what it was waits for a tick of its own
    expect(preview.get_by_label("Line 6: take it")).not_to_be_checked()
    expect(preview).to_contain_text("a slip of the point?")
    preview.get_by_role("button", name="Take 2 prices").click()
    saved(app)
    offers = {
        (each.material, each.form): str(each.price)
        for each in Garden.objects.get(pk=garden.pk).suppliers.get(key="yard").offers.all()
    }
    assert offers["compost", "bag"] == "5.40"
    assert offers["bark_mulch", "bag"] == "7.10"
    assert offers["topsoil", "bag"] == "5.00"


def test_a_price_list_as_csv_with_three_bad_rows_waits_for_a_yes(
    app: Page, home: str, gardener: User, tmp_path: Path
) -> None:
    garden = haul_of(app, home, gardener)
    app.get_by_role("button", name="Prices", exact=True).click()
    with app.expect_download() as sent:
        app.get_by_role("link", name="Take them out as CSV").click()
    head, *rows = sent.value.path().read_text().splitlines()
    place = head.split(",").index("price")
    cheaper = [",".join("4.80" if index == place else cell for index, cell in enumerate(row.split(",")))
               if row.split(",")[1] == "compost" else row for row in rows]  # fmt: skip
    wrong = ["yard,,bag,5.00", "yard,compost,sack,5.00", "yard,compost,bag,-5.00"]
    listed = tmp_path / "prices.csv"
    listed.write_text("\n".join([head, *cheaper, *wrong]))
    app.get_by_label("A price list as CSV").set_input_files(listed)
    preview = app.locator("[data-part=price-preview]")
    expect(preview.get_by_role("alert")).to_have_count(3)
    expect(preview.get_by_role("alert").last).to_contain_text(f"Line {len(rows) + 4}:")
    expect(preview).to_contain_text("2 rows are as you have it.")
    assert (
        str(Garden.objects.get(pk=garden.pk).suppliers.get(key="yard").offers.get(material="compost").price) == "6.20"
    )
    preview.get_by_role("button", name="Take 1 price").click()
    saved(app)
    assert (
        str(Garden.objects.get(pk=garden.pk).suppliers.get(key="yard").offers.get(material="compost").price) == "4.80"
    )


def test_the_list_is_taken_along_as_a_workbook_and_on_paper(app: Page, home: str, gardener: User) -> None:
    haul_of(app, home, gardener)
    with app.expect_download() as sent:
        app.get_by_role("link", name="As a workbook").click()
    book = load_workbook(io.BytesIO(sent.value.path().read_bytes()))
    (page,) = book.worksheets
    assert Decimal(str(page.cell(page.max_row, 7).value)) == to_pay(app)
    app.get_by_role("button", name="beside each bed").click()
    label = app.locator("[data-part=bed-label]")
    expect(label).to_contain_text("Plain")
    expect(label).to_contain_text("Compost")
    app.emulate_media(media="print")
    expect(app.get_by_role("button", name="Print the labels")).to_be_hidden()
    expect(label).to_be_visible()


def test_bags_are_fetched_in_trips(app: Page, home: str, gardener: User) -> None:
    garden = haul_of(app, home, gardener)
    fetching = app.locator("[data-part=fetching]")
    field = fetching.get_by_label("Your vehicle carries")
    field.fill("100 kg")
    field.press("Enter")
    expect(fetching).to_contain_text("Enter both")
    assert "vehicle" not in Garden.objects.get(pk=garden.pk).facts
    room = fetching.get_by_label("It has room for")
    room.fill("28 cu ft")
    room.press("Enter")
    expect(fetching.locator("[data-part=trip]").first).to_contain_text("Trip 1, Tide yard")
    assert Garden.objects.get(pk=garden.pk).facts["vehicle"]["payload_kg"] == 100


def test_a_deal_is_typed_and_a_line_held_by_hand_says_what_it_costs(app: Page, home: str, gardener: User) -> None:
    garden = haul_of(app, home, gardener)
    before = to_pay(app)
    app.get_by_role("button", name="Offers", exact=True).click()
    offer = app.get_by_role("group", name="Offer 3", exact=True)
    offer.get_by_label("Price a bag").fill("6.10")
    offer.get_by_role("button", name="Deals and terms").click()
    offer.get_by_label("Together").fill("3")
    offer.get_by_label("they cost").fill("12")
    app.get_by_role("button", name="Keep these offers").click()
    saved(app)
    pay = app.locator("[data-part=haul-pay]")
    expect(pay).to_contain_text("No other choice over all suppliers costs less.")
    expect(pay.locator("[data-part=tally-volume] b")).not_to_have_text(f"${before:,.2f}")
    kept = Garden.objects.get(pk=garden.pk).suppliers.get(key="yard").offers.get(material="compost")
    assert kept.more["deal"] == {"count": 3, "price": "12.00"}
    assert date.fromisoformat(kept.more["priced_on"]) >= date(2026, 10, 1)
    cheapest = to_pay(app)
    # twenty bags of topsoil are held instead of the load
    Garden.objects.filter(pk=garden.pk).update(
        fixed=[{"supplier": "yard", "material": "topsoil", "form": "bag", "count": 20}]
    )
    app.reload()
    expect(pay).to_contain_text("Holding lines by hand costs")
    dearer = to_pay(app)
    expect(pay).to_contain_text(f"costs ${dearer - cheapest:.2f} more")
    app.locator("[data-part=held]").get_by_role("button", name="Let it go").click()
    expect(pay.locator("[data-part=tally-volume] b")).to_have_text(f"${cheapest:,.2f}")
    app.get_by_label("Hold Compost as it is").click()
    expect(app.locator("[data-part=held]")).to_contain_text("Compost, held by hand")
    saved(app)
    (line,) = Garden.objects.get(pk=garden.pk).fixed
    assert (line["material"], line["form"]) == ("compost", "bag")


def test_what_was_asked_before_a_save_does_not_stand_after_it(app: Page, home: str, gardener: User) -> None:
    garden = store_plan(gardener.pk, read_plan(zoo.plan(zoo.bed(name="Plain"), garden=METRIC)).plan)
    open_section(app, home, garden, "plain")
    asked: list[Route] = []
    saves: list[Route] = []

    def answer_later(route: Route) -> None:
        if asked:
            return route.fallback()
        return asked.append(route)

    def save_later(route: Route) -> None:
        saves.append(route)

    app.route(re.compile("/figure$"), answer_later)
    app.route("**/beds/plain", save_later)
    app.get_by_label("Depth", exact=True).fill("30 cm")
    app.get_by_label("Depth", exact=True).press("Tab")
    expect(app.get_by_role("status").filter(has_text="Saving")).to_be_visible()
    app.get_by_role("link", name="Haul").click()
    expect(app.get_by_role("status", name="Working out what to buy")).to_be_visible()
    before = asked[0].fetch()
    saves[0].continue_()
    app.wait_for_function("() => !Object.keys(localStorage).some((name) => name.startsWith('nolbet.draft.'))")
    asked[0].fulfill(response=before)
    # 2 m2 under 30 cm
    expect(app.locator("[data-part=needs-list]")).to_contain_text("600 L")
