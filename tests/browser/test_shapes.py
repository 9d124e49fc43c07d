"""Every shape: made, drawn, filled and saved; free outlines; a plan file with all of them out and in again."""

from __future__ import annotations

import json
import re
from pathlib import Path
from typing import Any

import pytest
from django.contrib.auth.models import User
from playwright.sync_api import Page, expect

from nolbet.gardens.models import Bed, Garden
from nolbet.gardens.rows import bed_plan
from nolbet_core.quantities.units import System
from nolbet_core.quantities.writing import show_volume
from tests.browser.finding import choose
from tests.browser.gardens import keep, open_section, saved, warned
from tests.core import zoo
from tests.core.ask import bed_of
from tests.core.shapes import EVERY_SHAPE, layers, shape
from tests.core.test_plot import GROUND

pytestmark = pytest.mark.browser

MEASURED: dict[str, tuple[str, dict[str, str]]] = {
    "l_box": ("L-shaped box", {"Length": "2.4 m", "Width": "1.8 m", "Notch length": "1.2 m", "Notch width": "80 cm",
                               "Depth": "50 cm"}),
    "polygon": ("Corners as measured", {"Depth": "40 cm"}),
    "circle": ("Round", {"Across": "1.2 m", "Depth": "50 cm"}),
    "ellipse": ("Oval", {"Length": "2 m", "Width": "1.1 m", "Depth": "40 cm"}),
    "stadium": ("Tank with round ends", {"Length": "1.8 m", "Width": "60 cm", "Depth": "60 cm"}),
    "regular_polygon": ("Even sides", {"Sides": "6", "Across the flats": "1.4 m", "Depth": "40 cm"}),
    "keyhole": ("Keyhole", {"Across": "2.2 m", "Path width": "45 cm", "Basket across": "50 cm", "Depth": "60 cm"}),
    "round_tub": ("Round tub or pot", {"Base across": "40 cm", "Rim across": "55 cm", "Depth": "45 cm"}),
    "trough": ("Trough", {"Base length": "80 cm", "Base width": "30 cm", "Rim length": "1 m", "Rim width": "40 cm",
                          "Depth": "35 cm"}),
    "lying_barrel": ("Barrel on its side", {"Across": "60 cm", "Length": "90 cm", "Opening width": "50 cm"}),
    "crates": ("Crates", {"Crates along": "3", "Crates across": "2", "One crate's length": "60 cm",
                          "One crate's width": "40 cm", "Depth": "30 cm"}),
    "trench": ("Trench", {"Top length": "4 m", "Top width": "80 cm", "Bottom length": "3.8 m", "Bottom width": "60 cm",
                          "Depth": "50 cm"}),
    "hipped_mound": ("Mound, straight sides", {"Length": "4 m", "Width": "1.8 m", "Height": "70 cm",
                                               "Slope of the sides": "50°"}),
    "round_mound": ("Mound, rounded", {"Length": "4 m", "Width": "1.6 m", "Height": "80 cm"}),
    "herb_spiral": ("Spiral", {"Across": "1.575 m", "Bed width": "35 cm", "Wall thickness": "10 cm",
                               "Height outside": "20 cm", "Height in the middle": "80 cm"}),
    "ring_spiral": ("Spiral in a ring", {"Across": "2 m", "Bed width": "35 cm", "Wall thickness": "10 cm",
                                         "Height of the ring": "25 cm", "Height in the middle": "80 cm"}),
    "flat_area": ("Flat patch", {"Length": "5 m", "Width": "3 m", "Its edge slopes out": "30 cm"}),
}  # fmt: skip


CORNERS = [[0.0, 0.0], [2.4, 0.0], [2.4, 1.2], [0.0, 1.2]]
"""The free outline that a new bed begins with."""


def measure(app: Page, name: str, kind: str) -> None:
    """Enter a new bed of a kind, as its tape reads."""
    label, tape = MEASURED[kind]
    app.get_by_label("What it is called").fill(name)
    app.get_by_role("radio", name=label, exact=True).click()
    for measure, text in tape.items():
        app.get_by_label(re.compile(rf"^{measure}")).fill(text)
    app.get_by_role("button", name="Cut it open").click()
    expect(app.get_by_label("Name of the bed")).to_have_value(name)


@pytest.mark.parametrize("kinds", [list(MEASURED)[:6], list(MEASURED)[6:12], list(MEASURED)[12:]], ids=" ".join)
def test_every_shape_is_made_drawn_filled_and_saved(app: Page, home: str, gardener: User, kinds: list[str]) -> None:
    garden = keep(gardener)
    app.goto(f"{home}/garden/{garden.pk}/new")
    for kind in kinds:
        make(app, kind)
        app.get_by_role("link", name="New bed").click()
    for kind in kinds[-2:]:
        app.goto(f"{home}/garden/{garden.pk}/section/bed/odd_{kind}")
        expect(app.locator("[data-part=layer-shape]")).to_have_count(2)


def make(app: Page, kind: str) -> None:
    """Make a bed of a kind, fill it, and find it kept as it was measured, with what is worked out for it shown."""
    expect(app.get_by_role("img", name="Where the tape goes")).to_be_visible()
    key, name = f"odd_{kind}", f"Odd {kind}"
    measure(app, name, kind)
    app.get_by_role("button", name="Add a layer").click()
    choose(app.get_by_role("combobox", name="New layer"), "compost")
    thickness = app.get_by_label("Thickness of Compost")
    thickness.fill("8 cm")
    thickness.press("Enter")
    below = app.locator("[data-part=layer-card]").nth(1)
    first = {"thickness_m": 0.1} if kind == "flat_area" else {"fill": True}
    wanted = [{"material": "raised_bed_mix", **first}, {"material": "compost", "thickness_m": 0.08}]
    measures = shape(kind) | ({"corners_m": CORNERS} if kind == "polygon" else {})
    figures = bed_of({"key": key, "shape": measures, "layers": wanted})
    for card, layer in zip((app.locator("[data-part=layer-card]").first, below), reversed(figures.layers), strict=True):
        expect(card).to_contain_text(show_volume(layer.placed_m3, System.METRIC))
    saved(app)
    kept = bed_plan(Bed.objects.get(key=key)).model_dump(mode="json", exclude_none=True)
    assert kept["shape"] == {key: pytest.approx(at) if isinstance(at, float) else at for key, at in measures.items()}
    assert [layer.get("thickness_m") for layer in kept["layers"]] == [first.get("thickness_m"), 0.08]
    expect(app.locator("[data-part=layer-shape]")).to_have_count(2)
    expect(app.get_by_role("img", name=f"{name} from above")).to_be_visible()


def test_a_free_outline_by_corners_or_sides_and_what_does_not_close(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener)
    app.goto(f"{home}/garden/{garden.pk}/new")
    measure(app, "Odd corner", "polygon")
    app.get_by_role("button", name="More measures").click()
    # corner 3 pulled over the first side
    field = app.get_by_label("Corner 3, along")
    field.fill("0 m")
    field.press("Enter")
    field = app.get_by_label("Corner 4, along")
    field.fill("2 m")
    field.press("Enter")
    warned(app, re.compile(r"side 2–3 crosses side 4–1 near \(\d\.\d\d, \d\.\d\d\) m"))
    app.get_by_role("button", name="sides and diagonals").click()
    for label, text in (("Side 1–2", "4 m"), ("Side 2–3", "3 m"), ("Side 3–4", "4 m"), ("Side 4–1", "3 m"),
                        ("Diagonal 1–3", "8 m")):  # fmt: skip
        app.get_by_label(label).fill(text)
    app.get_by_role("button", name="Close it").click()
    refused = app.get_by_role("alert").filter(has_text="don't close")
    expect(refused).to_contain_text(
        "corners 1, 2 and 3 don't close: side 2–3 is 3 m and would have to be between 4 and 12 m"
    )
    app.get_by_label("Diagonal 1–3").fill("5 m")
    close = app.get_by_role("button", name="Close it")
    expect(close).to_be_enabled()
    close.click()
    expect(app.get_by_role("alert")).to_have_count(0)
    saved(app)
    corners = Bed.objects.get(key="odd_corner").cut["shape"]["corners_m"]
    assert corners == [[0.0, 0.0], [4.0, 0.0], [4.0, 3.0], [0.0, 3.0]]


def test_a_bed_becomes_another_shape_and_undo_brings_it_back(app: Page, home: str, gardener: User) -> None:
    garden = keep(gardener, zoo.bed(name="Plain", wall_m=0.05, corner_depths_m=[0.4, 0.4, 0.5, 0.5]))
    open_section(app, home, garden, "plain")
    app.get_by_role("button", name="More measures").click()
    app.get_by_role("button", name="Another shape").click()
    app.get_by_role("radio", name="Mound, rounded").click()
    expect(app.get_by_label("Height", exact=True)).to_be_visible()
    expect(app.get_by_label("Wall thickness")).to_have_count(0)
    saved(app)
    assert Bed.objects.get(key="plain").cut["shape"]["kind"] == "round_mound"
    app.get_by_role("button", name="Undo").click()
    expect(app.get_by_label("Depth")).to_be_visible()
    saved(app)
    kept = Bed.objects.get(key="plain").cut
    assert (kept["shape"]["kind"], kept["wall_m"], kept["corner_depths_m"]) == ("box", 0.05, [0.4, 0.4, 0.5, 0.5])


def test_a_shell_is_dragged_by_its_grip(app: Page, home: str, gardener: User) -> None:
    shells = [{"material": "broadleaf_logs", "fill": True}, {"material": "topsoil", "thickness_m": 0.1}]
    mound = {"key": "mound", "name": "Mound", "shape": shape("hipped_mound"), "layers": shells}
    garden = keep(gardener, mound)
    open_section(app, home, garden, "mound")
    grip = app.get_by_role("slider", name="Top of Logs, ash and birch")
    box = grip.bounding_box()
    assert box is not None
    app.mouse.move(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)
    app.mouse.down()
    app.mouse.move(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2 + 30, steps=5)
    app.mouse.up()
    saved(app)
    layer = Bed.objects.get(key="mound").cut["layers"][1]
    assert 0.13 < layer["thickness_m"] < 0.35


def test_a_plan_file_with_every_shape_comes_back_without_loss(
    app: Page, home: str, gardener: User, tmp_path: Path
) -> None:
    document = every_shape()
    file = tmp_path / "every.nolbet.json"
    file.write_text(json.dumps(document))
    app.goto(f"{home}/gardens")
    app.get_by_label("The file").set_input_files(file)
    review = app.locator("[data-part=import-review]")
    expect(review.locator("li[data-state=new]")).to_have_count(len(EVERY_SHAPE) + 1)
    review.get_by_role("button", name="Bring it in").click()
    expect(app.locator("[data-part=bed-on-plot]")).to_have_count(len(EVERY_SHAPE))
    app.get_by_role("link", name="Test ground").click()
    with app.expect_download() as download:
        app.get_by_role("link", name="Plan file").click()
    back = json.loads(Path(download.value.path()).read_text())
    assert back["garden"]["plot"]["corners_m"] == document["garden"]["plot"]["corners_m"]
    assert [without_defaults(bed) for bed in back["beds"]] == [without_defaults(bed) for bed in document["beds"]]
    again = tmp_path / "again.nolbet.json"
    again.write_text(json.dumps(back))
    app.locator("[data-part=import-row] select").select_option(label="into Test ground")
    app.get_by_label("The file").set_input_files(again)
    expect(review.locator("li[data-state=same]")).to_have_count(len(EVERY_SHAPE) + 1)
    assert Garden.objects.filter(owner=gardener).count() == 1


def every_shape() -> dict[str, Any]:
    """A plan with a bed of every shape, each somewhere on the plot."""
    beds = []
    for index, kind in enumerate(EVERY_SHAPE):
        place = {"x_m": 1.0 + 2.0 * (index % 5), "y_m": 1.0 + 2.0 * (index // 5), "turn_deg": 15.0 * index}
        beds.append({"key": kind, "name": kind, "shape": shape(kind), "layers": layers(kind), "places": [place]})
    return zoo.plan(*beds, garden={"name": "Test ground", "plot": {"corners_m": GROUND}})


def without_defaults(bed: dict[str, Any]) -> dict[str, Any]:
    """A bed's own words: what was given, as the application writes it."""
    given = {"key", "name", "shape", "layers", "places"}
    for layer in bed["layers"]:
        layer.pop("lap_m", None)
    return {key: value for key, value in bed.items() if key in given}
