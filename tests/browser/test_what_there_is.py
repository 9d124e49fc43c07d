"""Whole jobs with what there is: beds laid out in rows, a bed broken off and taken up again, a tub emptied."""

from __future__ import annotations

import re
from typing import Any

import pytest
from django.contrib.auth.models import User
from playwright.sync_api import Locator, Page, expect

from nolbet.gardens.models import Bed, Garden
from tests.browser.finding import choose
from tests.browser.gardens import BRANCHY, keep, open_section, saved
from tests.core import zoo

FOOT_M = 0.3048
GROUND = {"corners_m": [[0, 0], [18, 0], [18, 16], [0, 16]], "aisle_m": 3.5 * FOOT_M}


class Hand:
    """Counts what a hand does: each field typed into, each press."""

    def __init__(self) -> None:
        self.actions = 0

    def type(self, field: Locator, text: str) -> None:
        self.actions += 1
        field.fill(text)

    def press(self, button: Locator) -> None:
        self.actions += 1
        button.click()


def kept(key: str) -> dict[str, Any]:
    cut: dict[str, Any] = Bed.objects.get(key=key).cut
    return cut


def card(app: Page, name: str) -> Locator:
    return app.locator("[data-part=layer-card]", has_text=name)


def test_seven_beds_and_three_more_are_laid_out_in_rows(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, units="ft_in", ground=GROUND)
    hand = Hand()
    app.goto(f"{home}/garden/{garden.pk}/new")
    for name, many, length, width in (("Long row", "7", "7 ft", "3 1/2 ft"), ("Herb row", "3", "6 ft", "2 ft")):
        hand.type(app.get_by_label("What it is called"), name)
        hand.type(app.get_by_label("How many alike"), many)
        hand.type(app.get_by_label("Length"), length)
        hand.type(app.get_by_label("Width"), width)
        hand.type(app.get_by_label("Depth"), "11 in")
        hand.press(app.get_by_role("button", name="Cut it open"))
        expect(app.get_by_label("Name of the bed")).to_have_value(name)
        if name == "Long row":
            hand.press(app.get_by_role("link", name="New bed"))
    hand.press(app.get_by_role("link", name="Plot"))
    hand.press(app.get_by_role("button", name="Lay out all of them"))
    expect(app.locator("[data-part=bed-on-plot]")).to_have_count(10)
    expect(app.get_by_text("Not on the plot yet")).to_have_count(0)
    saved(app)
    assert hand.actions < 22
    places = {key: kept(key)["places"] for key in ("long_row", "herb_row")}
    sizes = {"long_row": (7 * FOOT_M, 3.5 * FOOT_M), "herb_row": (6 * FOOT_M, 2 * FOOT_M)}
    boxes = [box(place, *sizes[key]) for key, each in places.items() for place in each]
    assert (len(places["long_row"]), len(places["herb_row"])) == (7, 3)
    for index, one in enumerate(boxes):
        for other in boxes[index + 1 :]:
            assert apart(one, other) > 3.5 * FOOT_M - 0.001


def box(place: dict[str, float], length_m: float, width_m: float) -> tuple[float, float, float, float]:
    """Left, low, right and high of a bed that lies straight or turned a quarter."""
    along, up = (width_m, length_m) if place.get("turn_deg") else (length_m, width_m)
    return place["x_m"] - along / 2, place["y_m"] - up / 2, place["x_m"] + along / 2, place["y_m"] + up / 2


def apart(one: tuple[float, float, float, float], other: tuple[float, float, float, float]) -> float:
    """How far two boxes lie apart along or across, whichever is more."""
    return max(one[0] - other[2], other[0] - one[2], one[1] - other[3], other[1] - one[3])


def test_a_bed_is_broken_off_after_its_third_layer_and_taken_up_again(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    open_section(app, home, garden, "branchy")
    card(app, "Compost").locator("[data-part=layer-name]").click()
    card(app, "Compost").get_by_role("button", name="I have laid this").click()
    expect(app.locator("[data-part=bed-state]")).to_have_text("being filled, 3 of 4 layers")
    saved(app)
    assert kept("branchy")["laid"] == [1.0, 1.0, 1.0, 0.0]

    app.get_by_role("link", name="Haul").click()
    needs = app.locator("[data-part=need]")
    # what isn't laid: topsoil of 2 m2 by 22 cm, 15 % more loose
    expect(needs).to_have_count(1)
    expect(needs.first).to_contain_text("Topsoil")
    expect(needs.first).to_contain_text("506 L")

    app.reload()
    app.get_by_role("link", name="Section").click()
    topsoil = card(app, "Topsoil")
    topsoil.locator("[data-part=layer-name]").click()
    field = topsoil.get_by_label("laid so far")
    field.fill("50 %")
    field.press("Enter")
    expect(topsoil).to_contain_text("253 L loose still to come")
    topsoil.get_by_label("50 % laid").check()
    expect(app.locator("[data-part=bed-state]")).to_have_text("being filled, 4 of 4 layers")
    app.locator("[data-part=bed-state]").click()
    app.get_by_role("button", name="All of it is laid").click()
    expect(app.locator("[data-part=bed-state]")).to_have_text("filled")
    saved(app)
    app.get_by_role("button", name="Close").click()
    app.get_by_role("link", name="Haul").click()
    expect(app.locator("[data-part=needs-list]")).to_contain_text("all that is planned is laid")


TUB = zoo.bed(
    key="old_tub",
    name="Old tub",
    shape={"kind": "round_tub", "base_diameter_m": 0.6, "rim_diameter_m": 0.7, "depth_m": 0.5},
    layers=[{"material": "potting_mix", "fill": True}],
    built_on="2024-10-20",
)
NEW_BOX = zoo.bed(key="box", name="New box", shape=zoo.shape(1.0, 0.8, 0.3), layers=[])


def test_a_tub_is_emptied_into_a_new_bed(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, TUB, NEW_BOX)
    open_section(app, home, garden, "old_tub", told="It lies there")
    app.locator("[data-part=bed-state]").click()
    app.get_by_role("button", name="Onto my heaps").click()
    expect(app.locator("[data-part=bed-state]")).to_have_text("taken apart")
    (heap,) = Garden.objects.get(pk=garden.pk).stock.all()
    assert heap.material == "used_potting_mix_old_tub"

    open_section(app, home, garden, "box")
    app.get_by_role("button", name="Add a layer").click()
    choose(app.get_by_role("combobox", name="New layer"), "used potting", "Used potting mix, Old tub")
    expect(card(app, "Used potting mix")).to_contain_text("fills the rest")
    saved(app)
    app.get_by_role("link", name="Haul").click()
    need = app.locator("[data-part=need]", has_text="Used potting mix")
    expect(need).to_contain_text(re.compile("you have enough|of yours"))
    expect(app.get_by_label("Your own")).to_contain_text("Used potting mix, Old tub")


def test_a_newcomer_reads_the_list_before_any_price(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY)
    garden.suppliers.all().delete()
    app.goto(f"{home}/garden/{garden.pk}/haul")
    rows = app.locator("[data-part=need]")
    expect(rows).to_have_count(4)
    # 2 m2 by 10 cm of compost, 15 % more loose: 230 L, in bags of 20, 25, 40, 50, 60 and 70 L
    compost = rows.filter(has_text="Compost")
    expect(compost.locator("td")).to_have_text(
        [re.compile("^230 L"), "0.23 m³", "200 L", re.compile("kg"), "12", "10", "6", "5", "4", "4"]
    )
    expect(app.get_by_text("Enter a supplier to see what it costs")).to_be_visible()


def test_a_bed_is_copied_and_one_of_two_alike_split_off(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, BRANCHY | {"count": 2})
    open_section(app, home, garden, "branchy")
    app.get_by_role("button", name="More measures").click()
    app.get_by_role("button", name="Split one off").click()
    expect(app.get_by_label("Name of the bed")).to_have_value("Branchy apart")
    app.get_by_role("button", name="More measures").click()
    app.get_by_role("button", name="Copy this bed").click()
    expect(app.get_by_label("Name of the bed")).to_have_value("Branchy apart copy")
    counts = dict(Garden.objects.get(pk=garden.pk).beds.values_list("name", "count"))
    assert counts == {"Branchy": 1, "Branchy apart": 1, "Branchy apart copy": 1}


WICKED = zoo.bed(
    key="wicked",
    name="Wicked",
    shape=zoo.shape(2.4, 1.2, 0.6),
    headspace_m=0.03,
    layers=[{"material": "raised_bed_mix", "thickness_m": 0.28}, {"material": "straw", "thickness_m": 0.04}],
    reservoir={
        "height_m": 0.2, "medium": "scoria", "liner_lap_m": 0.1, "tested": True,
        "wicks": [{"kind": "soil_column", "diameter_m": 0.25, "count": 4}],
    },
)  # fmt: skip


def test_a_southern_gardens_water_year(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, WICKED)
    app.goto(f"{home}/garden/{garden.pk}/water/bed/wicked")
    said = app.locator("[data-part=climate-said]")
    expect(said).to_contain_text("No climate is entered")
    app.get_by_text("Climate and frosts").click()
    app.get_by_role("button", name="southern half").click()
    app.get_by_label("What its year is like").select_option("hot_summer_dry")
    expect(said).to_contain_text("a typical climate, dry hot summer, mild wet winter (Csa), not measured")
    expect(app.get_by_text("each from 1 May on")).to_be_visible()
    app.get_by_text("Refill calendar").click()
    days = app.locator("[data-part=water-list] li")
    expect(days.first).to_be_visible()
    months = {text.split()[1][:3] for text in days.all_inner_texts()}
    assert months & {"Dec", "Jan", "Feb"}
    assert not months & {"Jun", "Jul", "Aug"}
    kept_garden = Garden.objects.get(pk=garden.pk)
    assert kept_garden.facts["hemisphere"] == "south"
    assert kept_garden.normals[0]["tmax_c"] > kept_garden.normals[6]["tmax_c"]
    assert kept_garden.last_frost == "09-10"


def test_beds_are_laid_out_by_one_drag_then_set_in_line_and_twinned(app: Page, home: str, gardener: User) -> None:
    tub = zoo.bed(key="tub", name="Tub", layers=[]) | {"places": [{"x_m": 15.0, "y_m": 12.0}]}
    garden = keep(gardener, zoo.bed(key="row", name="Row", count=4, layers=[]), tub, ground=GROUND)
    app.goto(f"{home}/garden/{garden.pk}/plot")
    app.get_by_role("button", name="Draw where Row goes").click()
    sheet = app.locator("[data-part=plot-sheet]")
    sheet.scroll_into_view_if_needed()
    area = sheet.bounding_box()
    assert area is not None
    left, top = area["x"] + 0.1 * area["width"], area["y"] + 0.45 * area["height"]
    app.mouse.move(left, top)
    app.mouse.down()
    app.mouse.move(left + 0.55 * area["width"], top + 0.45 * area["height"], steps=4)
    expect(app.locator("[data-part=plot-ghost]")).to_have_count(4)
    app.mouse.up()
    expect(app.locator("[data-part=bed-on-plot]")).to_have_count(5)
    saved(app)
    rows = kept("row")["places"]
    assert len({round(place["y_m"], 6) for place in rows}) < len(rows)

    app.locator("[data-bed='tub 0']").click()
    app.get_by_role("button", name="In line, or mirrored").click()
    app.get_by_label("With", exact=True).select_option("Row 1")
    app.get_by_role("button", name="lower edges in line").click()
    app.get_by_label("With", exact=True).select_option("the middle of the plot")
    app.get_by_role("button", name="A twin there, left to right").click()
    expect(app.locator("[data-part=bed-on-plot]")).to_have_count(6)
    saved(app)
    one, twin = kept("tub")["places"]
    assert (one["x_m"] + twin["x_m"], one["y_m"]) == (18.0, twin["y_m"])
    assert Bed.objects.get(key="tub").count == 2
    lows = [box(place, 2.0, 1.0)[1] for place in (one, rows[0])]
    assert lows[0] == pytest.approx(lows[1], abs=0.001)


def test_half_rotted_leaves_limed_mix_and_crooked_boards(app: Page, home: str, gardener: User) -> None:
    layers = [{"material": "leaves", "thickness_m": 0.15}, {"material": "topsoil", "fill": True}]
    sour = {"key": "sour", "name": "Sour mix", "parts": [{"material": "peat", "parts": 1}]}
    garden = keep(gardener, zoo.bed(key="leafy", name="Leafy", layers=layers), mixes=[sour])
    open_section(app, home, garden, "leafy")
    card(app, "Leaves").locator("[data-part=layer-name]").click()
    card(app, "Leaves").get_by_role("button", name="Half rotted").click()
    expect(card(app, "Leaves, half rotted")).to_be_visible()
    saved(app)
    assert kept("leafy")["layers"][0]["ripeness"] == "half"

    app.get_by_role("link", name="Blend").click()
    app.get_by_role("button", name=re.compile("^Lime it")).click()
    expect(app.locator("[data-part=mixed-in-dose]")).to_contain_text("to a barrow")
    expect(app.get_by_role("button", name=re.compile("^Lime it"))).to_have_count(0)
    choose(app.get_by_role("combobox", name="Something else, too"), "feather meal")
    expect(app.locator("[data-part=mixed-in-dose]")).to_have_count(2)
    saved(app)
    doses = garden.mixes.get().more["doses"]
    assert [each["material"] for each in doses] == ["lime", "feather_meal"]
    weighed = app.get_by_role("textbox", name="Feather meal")
    weighed.fill("3 1/2 lb")
    weighed.press("Enter")
    expect(weighed).to_have_accessible_description("2.08 kg a m³")
    saved(app)
    feather = garden.mixes.get().more["doses"][1]
    assert feather["dose_kg_m3"] == pytest.approx(3.5 * 0.45359237 / 0.764554857984)

    app.get_by_role("link", name="Haul").click()
    app.get_by_role("button", name="Enter boards").click()
    for label, text in (
        ("How many", "6"), ("True thickness", "38 x 235 mm"), ("Length", "2.4 m"), ("Good for pieces", "1.1 m"),
    ):  # fmt: skip
        app.get_by_label(label).fill(text)
    app.get_by_role("button", name="Keep", exact=True).click()
    expect(app.get_by_text("boards of 38 mm × 235 mm")).to_be_visible()
    expect(app.get_by_text("good for pieces up to 1.1 m")).to_be_visible()
    saved(app)
    assert garden.stock.get().more["usable_m"] == 1.1
