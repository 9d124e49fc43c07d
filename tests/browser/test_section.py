"""Working on a bed: by keyboard alone, with nonsense in a field, from a finding, with undo, with the line down."""

from __future__ import annotations

import re

import pytest
from django.contrib.auth.models import User
from playwright.sync_api import Page, expect

from nolbet.gardens.models import Bed
from tests.browser.gardens import BRANCHY, keep, open_section, saved
from tests.core import zoo

pytestmark = pytest.mark.browser


def test_a_bed_is_measured_and_filled_by_keyboard_alone(  # noqa: PLR0915 - one job, key by key
    app: Page, home: str, gardener: User
) -> None:
    garden = keep(gardener, units="ft_in")
    app.goto(f"{home}/garden/{garden.pk}/new")
    app.get_by_label("What it is called").focus()
    keys = app.keyboard
    keys.type("By keys")
    keys.press("Tab")
    expect(app.get_by_label("How many alike")).to_be_focused()
    keys.press("Tab")
    keys.press("ArrowRight")
    expect(app.get_by_role("radio", name="L-shaped box")).to_be_focused()
    keys.press("ArrowLeft")
    expect(app.get_by_role("radio", name="Box", exact=True)).to_be_checked()
    keys.press("Tab")
    keys.type("4 x 8 x 10")
    keys.press("Tab")
    expect(app.get_by_label("Depth")).to_have_value('10"')
    for _ in range(3):
        keys.press("Tab")
    expect(app.get_by_role("button", name="inside")).to_be_focused()
    keys.press("Tab")
    keys.type("1 1/2 in")
    expect(app.locator("[data-part=holds] b")).to_be_visible()
    keys.press("Tab")
    keys.press("Tab")
    expect(app.get_by_role("combobox", name="Filled with")).to_be_focused()
    keys.type("top soil")
    keys.press("Enter")
    expect(app.get_by_role("combobox", name="Filled with")).to_have_value("Topsoil")
    keys.press("Enter")
    expect(app.get_by_label("Name of the bed")).to_have_value("By keys")
    expect(app.locator("[data-part=layer-card]")).to_have_count(1)

    keys.press("a")
    keys.type("black gold")
    keys.press("Enter")
    thickness = app.get_by_label("Thickness of Compost")
    expect(thickness).to_have_value('4"')
    keys.press("Escape")
    app.evaluate("document.activeElement.blur()")
    keys.press("Shift+ArrowUp")
    expect(thickness).to_have_value('4 1/2"')
    keys.press("Alt+ArrowDown")
    expect(app.locator("[data-part=layer-card]").first).to_contain_text("Topsoil")
    keys.press("ArrowDown")
    keys.press("ArrowUp")
    keys.press("s")
    expect(app.locator("[data-part=layer-card]")).to_have_count(3)
    keys.press("Delete")
    expect(app.locator("[data-part=layer-card]")).to_have_count(2)
    keys.press("Control+z")
    expect(app.locator("[data-part=layer-card]")).to_have_count(3)
    keys.press("Control+Shift+Z")
    expect(app.locator("[data-part=layer-card]")).to_have_count(2)
    saved(app)
    keys.press("?")
    expect(app.get_by_role("dialog")).to_contain_text("nudge the top of the chosen layer")


NONSENSE = [
    ("4 x", "beside the x"),
    ("-3 in", "less than nothing"),
    ("9999 m", "more than the 3 m that a layer may be"),
    ("abc", "no number"),
]


@pytest.mark.parametrize(("text", "said"), NONSENSE)
def test_nonsense_stays_and_says_what_would_do(app: Page, home: str, gardener: User, text: str, said: str) -> None:
    garden = keep(gardener, BRANCHY)
    open_section(app, home, garden, "branchy")
    field = app.get_by_label("Thickness of Compost")
    placed = (
        app.locator("[data-part=layer-card]", has_text="Compost").locator("[data-part=layer-figure] b").inner_text()
    )
    field.fill(text)
    field.press("Enter")
    note = app.get_by_role("alert")
    expect(note).to_contain_text(said)
    expect(note).to_contain_text("Try 45 cm")
    app.get_by_label("Thickness of Branches").focus()
    expect(field).to_have_value(text)
    expect(field).to_have_attribute("aria-invalid", "true")
    expect(
        app.locator("[data-part=layer-card]", has_text="Compost").locator("[data-part=layer-figure] b")
    ).to_have_text(placed)
    field.press("Escape")
    expect(field).to_have_value("10 cm")


def test_an_unclear_comma_offers_both(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    open_section(app, home, garden, "branchy")
    field = app.get_by_label("Depth", exact=True)
    field.fill("1,200 mm")
    app.get_by_role("button", name="1,200 mm").click()
    expect(field).to_have_value("1.2 m")


def test_the_branches_are_packed_from_the_finding_and_undo_unpacks_them(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    open_section(app, home, garden, "branchy")
    finding = app.locator("[data-part=finding]", has_text="its gaps will swallow")
    # 2 x 1 x 0.15 m of branches, 70 % voids
    expect(finding).to_contain_text("Branches: its gaps will swallow up to 189 L of what lies above")
    expect(finding).to_contain_text("drops by 2 cm to 9.5 cm")
    before = app.locator("[data-part=fact]", has_text="Bought in bags").inner_text()
    finding.get_by_role("button", name="Pack it").click()
    expect(finding).to_have_count(0)
    expect(app.locator("[data-part=layer-card]", has_text="Branches")).to_contain_text("packed 100 %")
    expect(app.locator("[data-part=fact]", has_text="Bought in bags")).not_to_have_text(before)
    saved(app)
    app.evaluate("document.activeElement.blur()")
    app.keyboard.press("Control+z")
    expect(finding).to_have_count(1)
    saved(app)
    assert "infill" not in Bed.objects.get(key="branchy").cut["layers"][1]


def test_a_finding_can_be_seen_with_a_reason_that_stays(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, zoo.bed(name="Plain"))
    open_section(app, home, garden, "plain")
    finding = app.locator("[data-part=finding]", has_text="below the rim")
    finding.get_by_role("button", name="Seen, because").click()
    app.get_by_label("Why it can stay").fill("it settles by then")
    app.keyboard.press("Enter")
    expect(finding).to_contain_text("Seen: it settles by then")
    saved(app)
    app.reload()
    expect(finding).to_contain_text("Seen: it settles by then")


def test_a_dropped_line_keeps_the_edit_and_saves_it_later(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    open_section(app, home, garden, "branchy")
    app.context.set_offline(True)
    field = app.get_by_label("Thickness of Compost")
    field.fill("20 cm")
    expect(app.get_by_role("status").filter(has_text="Not read yet")).to_be_visible()
    expect(field).to_have_value("20 cm")
    app.evaluate("document.activeElement.blur()")
    app.locator("[data-part=layer-card]", has_text="Topsoil").locator("[data-part=layer-name]").click()
    app.locator("[data-part=layer-card]", has_text="Topsoil").get_by_role("button", name="Split").click()
    expect(app.locator("[data-part=save-note]")).to_contain_text("No connection")
    app.context.set_offline(False)
    expect(app.locator("[data-part=layer-card]")).to_have_count(5)
    expect(app.locator("[data-part=layer-card]", has_text="Compost")).to_contain_text("400 L")
    saved(app)
    layers = Bed.objects.get(key="branchy").cut["layers"]
    assert len(layers) == 5
    assert layers[2]["thickness_m"] == pytest.approx(0.2)


def test_a_stale_save_offers_both_and_loses_neither(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    open_section(app, home, garden, "branchy")
    kept = Bed.objects.get(key="branchy")
    kept.cut["layers"] = kept.cut["layers"][1:]
    kept.revision += 1
    kept.save()
    field = app.get_by_label("Thickness of Compost")
    field.fill("20 cm")
    field.press("Enter")
    notice = app.get_by_role("alert").filter(has_text="changed elsewhere")
    notice.get_by_role("button", name="Take the newer one").click()
    expect(app.locator("[data-part=layer-card]")).to_have_count(3)
    saved(app)
    app.evaluate("document.activeElement.blur()")
    app.keyboard.press("Control+z")
    expect(app.locator("[data-part=layer-card]")).to_have_count(4)
    expect(field).to_have_value("20 cm")
    saved(app)


def test_both_unit_systems_show_the_same_bed(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    open_section(app, home, garden, "branchy")
    expect(app.get_by_label("Thickness of Compost")).to_have_value("10 cm")
    app.get_by_role("button", name="ft in").click()
    expect(app.get_by_label("Thickness of Compost")).to_have_value('3 7/8"')
    expect(app.locator("[data-part=finding]", has_text="its gaps").first).to_contain_text("6.7 cu ft")
    app.reload()
    expect(app.get_by_label("Thickness of Compost")).to_have_value('3 7/8"')
    assert re.fullmatch(r"\d+(\.\d)? cu ft", app.locator("[data-part=layer-figure] b").first.inner_text())
