"""Everything a layer's card can do, and a bed's measures, each seen in figures and kept."""

from __future__ import annotations

from typing import Any

import pytest
from django.contrib.auth.models import User
from playwright.sync_api import Locator, Page, expect

from nolbet.gardens.models import Bed
from tests.browser.finding import choose
from tests.browser.gardens import BRANCHY, keep, open_section, saved, warned
from tests.core import zoo

pytestmark = pytest.mark.browser


def card(app: Page, name: str) -> Locator:
    """A layer's card, opened."""
    found = app.locator("[data-part=layer-card]", has_text=name).first
    found.locator("[data-part=layer-name]").click()
    expect(found).to_have_attribute("data-selected", "true")
    return found


def type_into(field: Locator, text: str) -> None:
    """Type a measure and take it."""
    field.fill(text)
    field.press("Enter")


def kept(key: str) -> dict[str, Any]:
    """A bed's cut as it is kept."""
    return dict(Bed.objects.get(key=key).cut)


def test_a_layer_by_depth_by_volume_by_share_and_filling(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    open_section(app, home, garden, "branchy")
    compost = card(app, "Compost")
    compost.get_by_role("button", name="Volume", exact=True).click()
    volume = compost.get_by_label("Volume of Compost")
    expect(volume).to_have_value("200 L")
    type_into(volume, "0.3 m3")
    expect(compost).to_contain_text("300 L")
    expect(compost).to_contain_text("15 cm deep")
    compost.get_by_role("button", name="Share", exact=True).click()
    share = compost.get_by_label("Share of Compost")
    type_into(share, "25 %")
    # 47 cm to the line less 15 cm of branches leave 32 cm; a quarter is 8 cm
    expect(compost).to_contain_text("of the rest, 8 cm deep")
    compost.get_by_role("button", name="Fill", exact=True).click()
    expect(compost).to_contain_text("fills the rest")
    expect(app.get_by_label("Thickness of Topsoil")).to_have_value("24 cm")
    saved(app)
    layers = kept("branchy")["layers"]
    assert layers[2] == {"material": "compost", "fill": True}
    assert layers[3]["thickness_m"] == pytest.approx(0.24)


def test_lifts_and_packing_are_set_on_the_card(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    open_section(app, home, garden, "branchy")
    branches = card(app, "Branches")
    type_into(branches.get_by_label("Goes to lay it in"), "3")
    expect(branches).to_contain_text("5 cm each time")
    finder = branches.get_by_role("combobox", name="Gaps packed with")
    finder.fill("grav")
    expect(app.get_by_text("Nothing on the shelf is called that.")).to_be_visible()
    choose(finder, "black gold", "Compost")
    expect(branches).to_contain_text("packed 100 %")
    type_into(branches.get_by_label("to", exact=True), "60 %")
    expect(branches).to_contain_text("packed 60 %")
    saved(app)
    assert kept("branchy")["layers"][1]["infill"] == {"material": "compost", "share": 0.6}
    branches.get_by_role("button", name="Leave open").click()
    expect(branches).to_contain_text("gaps 70 %")
    saved(app)
    assert kept("branchy")["layers"][1] == {"material": "branches", "thickness_m": 0.15, "lifts": 3}


def test_a_sheet_has_plies_laps_sides_a_skirt_and_pieces(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    open_section(app, home, garden, "branchy")
    sheet = card(app, "Cardboard")
    # twice four boxes of 1.0 x 0.7 m over 2 m2
    expect(sheet).to_contain_text("5.60 m²")
    type_into(sheet.get_by_label("Plies"), "1")
    expect(sheet).to_contain_text("Cardboard, 1 ply")
    type_into(sheet.get_by_label("Up the sides"), "10 cm")
    # 2 m2 and 6 m round by 0.1 m
    expect(sheet).to_contain_text("2.60 m²")
    type_into(sheet.get_by_label("Past the edge"), "1 ft")
    expect(sheet.get_by_label("Past the edge")).to_have_value("1 ft")
    type_into(sheet.get_by_label("One piece is"), "60 x 100 cm")
    expect(sheet).to_contain_text("pieces")
    expect(sheet.get_by_label("One piece is")).to_have_value("60 cm × 1 m")
    saved(app)
    assert kept("branchy")["layers"][0]["piece_m"] == pytest.approx([0.6, 1.0])


def test_what_a_layer_is_made_of_can_change_to_a_sheet_and_back(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    open_section(app, home, garden, "branchy")
    branches = card(app, "Branches")
    choose(branches.get_by_role("combobox", name="Made of"), "filter fabric", "Geotextile")
    fabric = card(app, "Geotextile")
    expect(fabric).to_contain_text("2.00 m²")
    choose(fabric.get_by_role("combobox", name="Made of"), "pea gravel")
    expect(app.get_by_label("Thickness of Pea gravel")).to_have_value("10 cm")
    saved(app)


def test_up_down_split_and_remove_keep_the_chosen_layer(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    open_section(app, home, garden, "branchy")
    compost = card(app, "Compost")
    compost.get_by_role("button", name="Up").click()
    expect(app.locator("[data-part=layer-card]").first).to_contain_text("Compost")
    expect(app.locator("[data-part=layer-card][data-selected]")).to_contain_text("Compost")
    expect(compost.get_by_role("button", name="Up")).to_be_disabled()
    compost.get_by_role("button", name="Split").click()
    expect(app.locator("[data-part=layer-card]", has_text="Compost")).to_have_count(2)
    expect(app.get_by_label("Thickness of Compost").first).to_have_value("5 cm")
    app.locator("[data-part=layer-card][data-selected]").get_by_role("button", name="Remove").click()
    expect(app.locator("[data-part=layer-card]", has_text="Compost")).to_have_count(1)
    saved(app)


def test_what_is_typed_and_not_understood_moves_with_its_layer(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    open_section(app, home, garden, "branchy")
    compost = card(app, "Compost")
    field = app.get_by_label("Thickness of Compost")
    field.fill("four fingers")
    compost.get_by_role("button", name="Up").click()
    expect(app.locator("[data-part=layer-card]").first).to_contain_text("Compost")
    expect(field).to_have_value("four fingers")
    warned(app, "“fingers” isn't a unit of length")


def test_outside_measure_walls_and_headspace(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, zoo.bed(name="Plain", shape=zoo.shape(2.4384, 1.2192, 0.254)), units="ft_in")
    open_section(app, home, garden, "plain")
    expect(app.locator("[data-part=layer-card]").first).to_contain_text("26.7 cu ft")
    app.get_by_role("button", name="More measures").click()
    app.get_by_role("button", name="outside", exact=True).click()
    type_into(app.get_by_label("Wall thickness"), "89 mm")
    expect(app.locator("[data-part=more-note]")).to_contain_text("The walls take 21 % of the ground")
    type_into(app.get_by_label("Headspace"), "1 in")
    expect(app.get_by_label("Headspace")).to_have_value('1"')
    saved(app)
    cut = kept("plain")
    assert (cut["measured"], cut["wall_m"]) == ("outside", 0.089)
    assert cut["headspace_m"] == pytest.approx(0.0254)


def test_walls_that_leave_nothing_are_refused_in_place_and_nothing_is_lost(
    app: Page, home: str, gardener: User
) -> None:
    garden = keep(gardener, zoo.bed(name="Plain", measured="outside", wall_m=0.05))
    open_section(app, home, garden, "plain")
    app.get_by_role("button", name="More measures").click()
    type_into(app.get_by_label("Wall thickness"), "60 cm")
    warned(app, "1 m outside leaves nothing between two walls of 0.6 m")
    expect(app.get_by_label("Wall thickness")).to_have_value("60 cm")
    assert kept("plain")["wall_m"] == 0.05
    type_into(app.get_by_label("Wall thickness"), "6 cm")
    expect(app.get_by_role("alert")).to_have_count(0)
    saved(app)
    assert kept("plain")["wall_m"] == 0.06


def test_a_bed_on_uneven_ground_takes_its_corner_depths(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, zoo.bed(name="Plain"))
    open_section(app, home, garden, "plain")
    expect(app.locator("[data-part=layer-card]").first).to_contain_text("1.00 m³")
    app.get_by_role("button", name="More measures").click()
    app.get_by_role("button", name="The ground isn't level").click()
    for corner in ("Left front", "Right front"):
        type_into(app.get_by_label(corner), "30 cm")
    expect(app.locator("[data-part=layer-card]").first).to_contain_text("800 L")
    saved(app)
    assert kept("plain")["corner_depths_m"] == [0.3, 0.3, 0.5, 0.5]
    app.get_by_role("button", name="It is level").click()
    expect(app.locator("[data-part=layer-card]").first).to_contain_text("1.00 m³")


def test_reach_and_sides_are_the_gardeners_own(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    open_section(app, home, garden, "branchy")
    finding = app.locator("[data-part=finding]", has_text="the far soil is")
    expect(finding).to_have_count(0)
    app.get_by_role("button", name="More measures").click()
    app.get_by_role("button", name="one side").click()
    expect(finding).to_contain_text("1 m away and the reach is 60 cm")
    app.get_by_role("button", name="Close").click()
    finding.get_by_role("button", name="Work it from both sides").click()
    expect(finding).to_have_count(0)
    app.get_by_role("button", name="More measures").click()
    type_into(app.get_by_label("Reach over the edge"), "40 cm")
    app.get_by_role("button", name="Close").click()
    expect(finding).to_contain_text("50 cm away and the reach is 40 cm")
    finding.get_by_role("button", name="Make it 80 cm wide inside").click()
    expect(app.get_by_label("Width", exact=True)).to_have_value("80 cm")
    saved(app)


def test_too_much_is_told_in_depth_and_volume_and_thinned_by_a_click(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, zoo.OVERFULL | {"name": "Overfull"})
    open_section(app, home, garden, "overfull")
    over = app.locator("[data-part=finding]", has_text="over the rim")
    expect(over).to_contain_text("The layers stand 10 cm, 200 L over the rim.")
    expect(over.get_by_role("img", name="Stop")).to_be_visible()
    expect(app.locator("[data-part=tally]")).to_contain_text("Over the headspace line")
    over.get_by_role("button", name="Thin the topsoil to 30 cm").click()
    expect(over).to_have_count(0)
    expect(app.get_by_label("Thickness of Topsoil")).to_have_value("30 cm")
    saved(app)


def test_a_new_bed_that_lacks_a_measure_says_which_and_keeps_the_rest(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener)
    app.goto(f"{home}/garden/{garden.pk}/new")
    app.get_by_label("What it is called").fill("Half done")
    app.get_by_label("Length").fill("8 ft")
    app.get_by_label("Width").fill("a few")
    app.get_by_role("button", name="Cut it open").click()
    alert = app.get_by_role("alert").filter(has_text="Still to be measured")
    expect(alert).to_contain_text("width, depth")
    expect(app.get_by_label("Width")).to_have_value("a few")
    expect(app.get_by_label("Length")).to_have_value("8 ft")
    app.get_by_label("Width").fill("4 ft")
    app.get_by_label("Depth").fill("30")
    app.get_by_label("Depth").press("Enter")
    expect(app.get_by_label("Name of the bed")).to_have_value("Half done")
    expect(app.get_by_label("Length", exact=True)).to_have_value("243.84 cm")


def test_a_bed_is_renamed_in_its_title(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    open_section(app, home, garden, "branchy")
    app.get_by_label("Name of the bed").fill("Twiggy")
    app.keyboard.press("Enter")
    expect(app.get_by_role("navigation", name="Beds")).to_contain_text("Twiggy")
    saved(app)
    app.reload()
    expect(app.get_by_label("Name of the bed")).to_have_value("Twiggy")


def test_an_address_of_nothing_says_so(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    app.goto(f"{home}/garden/{garden.pk}/section/bed/nosuch")
    expect(app.locator("[data-part=page-note]")).to_contain_text("no bed called “nosuch”")
    app.goto(f"{home}/garden/{garden.pk + 999}/plot")
    expect(app.locator("[data-part=page-note]")).to_contain_text("no such thing in your gardens")


def test_a_drag_follows_the_pointer_and_is_one_step_for_undo(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    open_section(app, home, garden, "branchy")
    field = app.get_by_label("Thickness of Compost")
    handle = app.get_by_role("slider", name="Top of Compost")
    box = handle.bounding_box()
    assert box
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    app.mouse.move(x, y)
    app.mouse.down()
    for step in range(1, 9):
        app.mouse.move(x, y - step * 10)
    expect(field).not_to_have_value("10 cm")
    app.mouse.up()
    expect(app.locator("[data-part=layer-card][data-selected]")).to_contain_text("Compost")
    app.wait_for_function(
        "wanted => { const box = document.querySelector('[aria-label=\"Top of Compost\"]').getBoundingClientRect();"
        " return Math.abs(box.top + box.height / 2 - wanted) < 8; }",
        arg=y - 80,
    )
    app.evaluate("document.activeElement.blur()")
    app.keyboard.press("Control+z")
    expect(field).to_have_value("10 cm")
    handle.focus()
    app.keyboard.press("ArrowUp")
    expect(field).to_have_value("11 cm")
    saved(app)


def test_edits_in_one_breath_all_count(app: Page, home: str, gardener: User) -> None:
    """Typing, then moving before the core has read what was typed: neither undoes the other."""
    garden = keep(gardener, BRANCHY)
    open_section(app, home, garden, "branchy")
    for text, by in (("7 cm", "Up"), ("8 cm", "Down"), ("9 cm", "Up"), ("11 cm", "Down"), ("12 cm", "Up")):
        compost = card(app, "Compost")
        field = app.get_by_label("Thickness of Compost")
        field.fill(text)
        field.press("Enter")
        compost.get_by_role("button", name=by).click()
        expect(field).to_have_value(text)
        first = app.locator("[data-part=layer-card]").first
        expect(first).to_contain_text("Compost" if by == "Up" else "Topsoil")
    saved(app)
    layers = kept("branchy")["layers"]
    assert [layer["material"] for layer in layers] == ["cardboard", "branches", "topsoil", "compost"]
    assert layers[3]["thickness_m"] == pytest.approx(0.12)
