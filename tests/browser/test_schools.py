"""A bed filled by a school: packed, fed, looked at through the years, compared with others, and all of it undone."""

from __future__ import annotations

import re

import pytest
from django.contrib.auth.models import User
from playwright.sync_api import Locator, Page, expect

from nolbet.gardens.models import Garden
from tests.browser.gardens import keep, open_section, saved
from tests.core import zoo

pytestmark = pytest.mark.browser

DEEP = zoo.bed(key="deep", name="Deep box", shape=zoo.shape(2.4, 1.1, 0.6), headspace_m=0.025, layers=[])
OWN = DEEP | {"key": "own", "name": "Own box", "layers": [{"material": "topsoil", "fill": True}]}


def schools_of(app: Page, home: str, garden: Garden, key: str) -> None:
    """The schools that suit a bed."""
    app.goto(f"{home}/garden/{garden.pk}/section/bed/{key}/schools")
    expect(app.locator("[data-part=school-card]").first).to_be_visible()


def card(app: Page, name: str) -> Locator:
    """One school's card."""
    return app.locator("[data-part=school-card]").filter(has=app.get_by_role("heading", name=re.compile(f"^{name}")))


def test_a_school_laid_packed_and_looked_at_in_its_third_spring(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, DEEP)
    schools_of(app, home, garden, "deep")
    expect(app.get_by_text("Wood mound isn't laid in a box.")).to_be_visible()
    expect(card(app, "Wood in a box").get_by_text("Against it")).to_be_visible()
    card(app, "Wood in a box").get_by_role("button", name="Lay it").click()
    expect(app.locator("[data-part=layer-name]").first).to_have_text("Raised bed mix")
    # the cards wait for their figures, so the names are waited for too
    expect(app.locator("[data-part=layer-name]").nth(-1)).to_have_text("Cardboard, 2 plies")
    expect(app.locator("[data-part=layer-name]").nth(-2)).to_have_text("Logs, ash and birch")

    card_of_logs = app.locator("[data-part=layer-card]").filter(has_text="Logs, ash and birch")
    expect(card_of_logs).to_contain_text("packed 100 %")
    expect(app.locator("[data-part=finding]").filter(has_text="its gaps will swallow")).to_have_count(0)

    ghosts = app.locator("[data-part=ghost-name]")
    expect(ghosts).to_have_count(2)
    app.get_by_role("button", name="third spring").click()
    expect(app.locator("[data-part=years-label]")).to_contain_text("2 years, 6 months on:")
    expect(ghosts).to_have_count(0)
    expect(app.locator("[data-part=handle]")).to_have_count(0)
    slider = app.get_by_label("Months after filling")
    slider.focus()
    app.keyboard.press("ArrowRight")
    expect(app.locator("[data-part=years-label]")).to_contain_text("2 years, 7 months on:")

    app.get_by_text("Surface after the first winter").click()
    springs = app.locator("[data-part=prospects] tbody tr")
    expect(springs).to_have_count(10)
    expect(springs.nth(2)).to_contain_text("Apr 2029")
    expect(springs.nth(2)).to_contain_text(re.compile(r"\d+ L, \d+ bags?"))
    top_up = app.locator("[data-part=fact]", has_text="Top up next spring")
    expect(top_up).to_contain_text(re.compile(r"\d+ bags? · \$\d"))
    app.get_by_role("button", name="filled", exact=True).click()
    expect(app.locator("[data-part=handle]").first).to_be_visible()


def test_a_fill_that_starves_is_fed_in_one_click(app: Page, home: str, gardener: User) -> None:
    chips = [{"material": "wood_chips", "thickness_m": 0.02}, {"material": "topsoil", "fill": True}]
    garden = keep(gardener, DEEP | {"shape": zoo.shape(2.4, 1.1, 0.3), "layers": chips})
    app.goto(f"{home}/garden/{garden.pk}/section/bed/deep")
    short = app.locator("[data-part=finding]").filter(has_text="Nitrogen may be short by")
    expect(short).to_contain_text("decomposers could bind up to")
    short.get_by_text("Where schools differ").click()
    expect(short).to_contain_text("Others wait a winter")
    short.get_by_role("button", name=re.compile(r"^Add .+ of blood meal")).click()
    expect(app.locator("[data-part=layer-scattered]").first).to_contain_text("blood meal")
    expect(short).to_have_count(0)


def test_three_schools_compared_one_taken_over_and_all_undone(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, OWN)
    schools_of(app, home, garden, "own")
    for name in ("Wood in a box", "Sheet layers"):
        card(app, name).get_by_role("button", name="Keep mine, compare with it").click()
        expect(card(app, name).get_by_text("kept to compare")).to_be_visible()
    app.get_by_role("link", name="Compare 3").click()
    heads = app.locator("[data-part=compare-name]")
    expect(heads).to_have_text(["My own layers", "Wood in a box", "Sheet layers"])
    first_year = app.get_by_role("row", name=re.compile("^Sinks in the first year"))
    expect(first_year.locator("td").first).to_contain_text("best")
    expect(app.get_by_role("row", name=re.compile("^To pay now"))).to_contain_text("without")
    app.get_by_role("button", name="Take this one").nth(0).click()

    expect(app.locator("[data-part=layer-name]").first).to_have_text("Raised bed mix")
    saved(app)
    bed = garden.beds.get(key="own").cut
    assert bed["school"] == "wood_in_a_box"
    assert [each["name"] for each in bed["set_aside"]] == ["My own layers", "Sheet layers"]
    assert bed["set_aside"][0]["layers"] == OWN["layers"]

    app.keyboard.press("Control+z")
    expect(app.locator("[data-part=layer-name]")).to_have_text(["Topsoil"])
    app.keyboard.press("Control+z")
    expect(app.get_by_role("link", name="Compare 2")).to_be_visible()
    app.keyboard.press("Control+z")
    expect(app.get_by_role("link", name=re.compile("^Compare"))).to_have_count(0)
    saved(app)
    assert garden.beds.get(key="own").cut.get("set_aside", []) == []


def test_a_fourth_way_waits_until_one_is_left_out(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, OWN)
    schools_of(app, home, garden, "own")
    for name in ("Straight fill", "Wood in a box", "Sheet layers"):
        card(app, name).get_by_role("button", name="Keep mine, compare with it").click()
    expect(app.get_by_text("Three ways are kept to compare already.")).to_be_visible()
    expect(card(app, "Stone-drained").get_by_role("button", name="Lay it, keep mine to compare")).to_be_disabled()
    app.get_by_role("link", name="Compare", exact=True).click()
    app.get_by_role("button", name="Leave it out").nth(1).click()
    expect(app.locator("[data-part=compare-name]")).to_have_text(["My own layers", "Straight fill", "Sheet layers"])


def test_when_it_is_filled_and_what_grows_there_change_the_forecast(app: Page, home: str, gardener: User) -> None:
    thin = [{"material": "wood_chips", "thickness_m": 0.3}, {"material": "topsoil", "fill": True}]
    garden = keep(gardener, OWN | {"layers": thin})
    open_section(app, home, garden, "own")
    app.get_by_role("button", name="More measures").click()
    app.get_by_label("Filled on").fill("2027-05-20")
    panel = app.locator("[data-part=prospects] [data-part=disclosure]").filter(has_text="Earliest sowing")
    expect(panel.get_by_role("button")).to_contain_text("2028")
    app.get_by_role("button", name="deep", exact=True).click()
    expect(app.locator("[data-part=finding]").filter(has_text="of soil lies over the wood chips")).to_contain_text(
        "deep-rooted crops"
    )
    before = app.locator("[data-part=prospects] button[aria-expanded]").nth(1).inner_text()
    app.get_by_role("button", name="often dry", exact=True).click()
    expect(app.locator("[data-part=prospects] button[aria-expanded]").nth(1)).not_to_have_text(before)


def test_a_meal_is_chosen_weighed_by_hand_and_scattered(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, OWN | {"layers": [{"material": "wood_chips", "thickness_m": 0.3}, *OWN["layers"]]})
    open_section(app, home, garden, "own")
    app.get_by_text("Carbon to nitrogen").click()
    dose = app.locator("[data-part=dose]")
    dose.get_by_label("Fed with").select_option("poultry_pellets")
    expect(dose).to_contain_text(re.compile("g on a m² K2O"))
    expect(dose).to_contain_text("handfuls")
    before = dose.inner_text()
    dose.get_by_label("A handful (default)").fill("60 g")
    app.keyboard.press("Enter")
    expect(dose.get_by_label("A handful (yours)")).to_have_value("60 g")
    app.reload()
    app.get_by_text("Carbon to nitrogen").click()
    dose.get_by_label("Fed with").select_option("poultry_pellets")
    expect(dose).to_contain_text("handfuls")
    assert dose.inner_text() != before
    dose.get_by_role("button", name="Add it").click()
    expect(app.locator("[data-part=layer-scattered]").first).to_contain_text("poultry pellets")


def test_sheets_from_a_roll_and_boxes_that_do_not_reach(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, OWN | {"layers": [{"material": "cardboard", "plies": 1}, *OWN["layers"]]})
    open_section(app, home, garden, "own")
    app.get_by_role("button", name="Cardboard, 1 ply").click()
    app.get_by_label("Or a roll so wide").fill("1.2 m")
    app.keyboard.press("Enter")
    # one strip of 2.4 m covers a bed 1.1 m wide
    expect(app.locator("[data-part=layer-card]").filter(has_text="Cardboard")).to_contain_text("2.4 m of roll")
    app.get_by_label("One piece is").fill("0.9 x 1.2 m")
    app.keyboard.press("Enter")
    app.get_by_label("Pieces there are").fill("2")
    app.keyboard.press("Enter")
    expect(app.locator("[data-part=finding]").filter(has_text="stays bare")).to_contain_text("2 of 3 pieces")


def test_a_tub_becomes_a_wicking_bed_by_its_school_and_back(app: Page, home: str, gardener: User) -> None:
    tub = {"kind": "round_tub", "base_diameter_m": 0.38, "rim_diameter_m": 0.52, "depth_m": 0.44}
    garden = keep(gardener, OWN | {"key": "tub", "name": "Loft tub", "shape": tub, "headspace_m": 0.02})
    schools_of(app, home, garden, "tub")
    expect(card(app, "Wicking bed").locator("[data-part=water-body]")).to_be_visible()
    card(app, "Wicking bed").get_by_role("button", name="Lay it, keep mine to compare").click()
    expect(app.locator("[data-part=drawing] [data-kind=filler]")).to_be_visible()
    saved(app)
    cut = garden.beds.get(key="tub").cut
    # 42 cm to fill: 26 cm of soil and 2.5 cm of mulch leave 13.5 cm of water
    assert cut["reservoir"]["height_m"] == pytest.approx(0.135, abs=0.001)
    assert cut["school"] == "wicking"
    expect(app.locator("[data-part=finding]").filter(has_text="of soil stand over the water")).to_have_count(0)
    expect(app.locator("[data-part=finding]").filter(has_text="isn't tested")).to_be_visible()
    app.get_by_role("link", name="Compare 2").click()
    app.get_by_role("button", name="Take this one").click()
    expect(app.locator("[data-part=layer-name]")).to_have_text(["Topsoil"])
    expect(app.locator("[data-part=drawing] [data-part=water-body]")).to_have_count(0)
    saved(app)
    cut = garden.beds.get(key="tub").cut
    assert cut.get("reservoir") is None
    assert cut["set_aside"][0]["reservoir"]["medium"] == "gravel_20"
