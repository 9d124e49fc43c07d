"""How drawings fit their sheet: one scale both ways, rulers that can be read, loads as large as they are."""

from __future__ import annotations

from itertools import pairwise
from typing import Any

import pytest

from nolbet_core.figure.written import written_document
from nolbet_core.shelf.library import standard_shelf
from tests.core import zoo
from tests.core.ask import bed_of
from tests.core.shapes import EVERY_SHAPE, layers, shape
from tests.page.asking import ask_page

SIZES = [(0.6, 0.3), (1.2, 0.25), (1.2, 0.6), (3.0, 0.2), (0.3, 1.0), (10.0, 0.3)]
SHEETS = [(462, 660), (366, 430), (700, 500)]


def fitted(width_m: float, depth_m: float, sheet: tuple[int, int]) -> dict[str, Any]:
    """A bed's section fitted into a sheet."""
    figures = bed_of(zoo.bed(shape=zoo.shape(max(width_m, 2), width_m, depth_m), wall_m=0.04))
    (geometry,) = ask_page("drawing/geometry.ts", [("fitSection", written_document(figures), *sheet)])
    return dict(geometry)


@pytest.mark.parametrize("sheet", SHEETS)
@pytest.mark.parametrize(("width_m", "depth_m"), SIZES)
def test_a_section_stays_on_its_sheet(width_m: float, depth_m: float, sheet: tuple[int, int]) -> None:
    geometry = fitted(width_m, depth_m, sheet)
    assert 0 <= geometry["left"] <= geometry["insideLeft"] < geometry["insideRight"]
    assert geometry["insideRight"] <= geometry["right"] <= sheet[0]
    assert 0 <= geometry["rim"] < geometry["floor"] <= geometry["height"] <= sheet[1] + 1


@pytest.mark.parametrize(("width_m", "depth_m"), SIZES)
def test_it_is_to_scale_or_broken_and_says_so(width_m: float, depth_m: float) -> None:
    geometry = fitted(width_m, depth_m, SHEETS[0])
    drawn = geometry["right"] - geometry["left"]
    true = (width_m + 0.08) * geometry["scale"]
    assert geometry["floor"] - geometry["rim"] == pytest.approx(depth_m * geometry["scale"])
    if geometry["breakAt"] is None:
        assert drawn == pytest.approx(true, abs=1)
    else:
        assert drawn < true
        assert geometry["left"] < geometry["breakAt"] < geometry["right"]


def test_parts_beside_the_break_leave_room_for_it() -> None:
    geometry = fitted(10.0, 0.3, SHEETS[0])
    floor = [[-5.0, 0.0], [5.0, 0.0], [5.0, 0.2], [-5.0, 0.2]]
    (points,) = ask_page("drawing/geometry.ts", [("onSheet", geometry, floor)])
    (parts,) = ask_page("drawing/geometry.ts", [("drawnParts", geometry, points)])
    assert len(parts) == 2
    assert parts[0]["x"] == pytest.approx(geometry["insideLeft"])
    assert parts[0]["x"] + parts[0]["width"] < parts[1]["x"]
    assert parts[1]["x"] + parts[1]["width"] == pytest.approx(geometry["insideRight"])


def test_places_across_a_broken_bed_keep_their_order_and_its_edges_their_scale() -> None:
    geometry = fitted(10.0, 0.3, SHEETS[0])
    across = [-5 + i * 0.25 for i in range(41)]
    drawn = ask_page("drawing/geometry.ts", [("xOf", geometry, x) for x in across])
    assert drawn == sorted(drawn)
    assert drawn[1] - drawn[0] == pytest.approx(0.25 * geometry["scale"])
    assert drawn[-1] - drawn[-2] == pytest.approx(0.25 * geometry["scale"])


@pytest.mark.parametrize("kind", list(EVERY_SHAPE))
def test_every_shape_is_drawn_on_its_sheet(kind: str) -> None:
    figures = written_document(bed_of({"key": kind, "shape": shape(kind), "layers": layers(kind)}))
    (geometry,) = ask_page("drawing/geometry.ts", [("fitSection", figures, 462, 560)])
    outlines = [outline for layer in figures["layers"] for outline in layer["outlines"]]
    for points in ask_page("drawing/geometry.ts", [("onSheet", geometry, outline) for outline in outlines]):
        assert all(-1 <= x <= 463 and -1 <= y <= 561 for x, y in points)
    grips = ask_page("drawing/geometry.ts", [("xOf", geometry, layer["grip"][0]) for layer in figures["layers"]])
    assert all(geometry["left"] - 1 <= x <= geometry["right"] + 1 for x in grips)


def test_logs_lie_inside_a_slope_and_do_not_overlap() -> None:
    triangle = [[0, 100], [160, 100], [80, 10]]
    rooms = ask_page("drawing/geometry.ts", [("roomIn", triangle, x, y) for x, y in ((80, 90), (80, 5), (0, 50))])
    assert rooms == [pytest.approx(10), 0, 0]
    assert ask_page("drawing/geometry.ts", [("topOver", triangle, 80), ("topOver", triangle, 40)]) == [
        pytest.approx(10),
        pytest.approx(55),
    ]


NEIGHBOUR = {"left": 0, "right": 2, "low": 0, "high": 1}


@pytest.mark.parametrize(
    ("box", "shift"),
    [
        # 0.62 m to the right: drawn back to the aisle of 0.6, and in line below
        ({"left": 2.62, "right": 4.62, "low": 0.03, "high": 1.03}, (-0.02, -0.03)),
        ({"left": 0.05, "right": 2.05, "low": 1.56, "high": 2.56}, (-0.05, 0.04)),
        ({"left": 6, "right": 8, "low": 5, "high": 6}, (0, 0)),
    ],
)
def test_a_dragged_bed_snaps_to_the_aisle_and_into_line(box: dict[str, float], shift: tuple[float, float]) -> None:
    (found,) = ask_page("plot/snap.ts", [("snapShift", box, [NEIGHBOUR], 0.6, 0.1)])
    assert found == [pytest.approx(shift[0]), pytest.approx(shift[1])]


def test_the_box_round_a_turned_bed() -> None:
    upright, turned = ask_page("plot/snap.ts", [("boxRound", 5, 4, 2, 1, 90), ("boxRound", 0, 0, 2, 2, 45)])
    assert upright == {key: pytest.approx(at) for key, at in {"left": 4.5, "right": 5.5, "low": 3, "high": 5}.items()}
    assert turned["right"] == pytest.approx(2**0.5)


def test_the_ground_on_its_sheet_and_back() -> None:
    plot = {"corners_m": [[1, 2], [13, 2], [13, 9], [1, 9]]}
    (sheet,) = ask_page("plot/sheet.ts", [("fitGround", plot, 800, 600)])
    (point,) = ask_page("plot/sheet.ts", [("toSheet", sheet, [4.25, 3.5])])
    assert ask_page("plot/sheet.ts", [("toGround", sheet, *point)]) == [[4.25, 3.5]]
    corners = ask_page("plot/sheet.ts", [("toSheet", sheet, corner) for corner in plot["corners_m"]])
    assert all(0 <= x <= 800 and 0 <= y <= sheet["height"] for x, y in corners)


STEPS = [[1, 0.25], [2, 0.5], [3, 0.5], [6, 1], [12, 2], [24, 4], [36, 6]]


@pytest.mark.parametrize("length", [4, 10, 23.6, 60, 196])
@pytest.mark.parametrize("per_unit", [1.5, 4, 9, 22, 60])
def test_ruler_labels_have_room_between_them(length: float, per_unit: float) -> None:
    (marks,) = ask_page("drawing/geometry.ts", [("rulerMarks", length, per_unit, STEPS, 54)])
    labelled = [mark["at"] for mark in marks if mark["labelled"]]
    assert labelled[0] == 0
    apart = [(after - before) * per_unit for before, after in pairwise(labelled)]
    assert all(gap >= 54 - 1e-9 or per_unit == 1.5 for gap in apart)
    assert all(0 <= mark["at"] <= length + 1e-6 for mark in marks)


@pytest.mark.parametrize("count", [1, 4, 5, 14, 50, 400])
def test_bags_are_stacked_five_high_without_overlap(count: int) -> None:
    bags, width = ask_page("haul/loads.ts", [("stackBags", count), ("stackWidth", count)])
    assert len(bags) == min(count, 50)
    assert len({(bag["x"], bag["y"]) for bag in bags}) == len(bags)
    assert max(bag["x"] for bag in bags) < width


@pytest.mark.parametrize("largest_m3", [3.0, 12.0, 50.0])
def test_a_larger_heap_is_drawn_larger_and_the_largest_still_fits(largest_m3: float) -> None:
    volumes = (0.4, 1.2, largest_m3 / 2, largest_m3)
    sizes = ask_page("haul/loads.ts", [("heapSize", volume, largest_m3) for volume in volumes])
    widths = [size["width"] for size in sizes]
    assert widths == sorted(set(widths))
    assert widths[-1] <= 240 + 1e-9
    assert widths[-1] / widths[-2] == pytest.approx(2 ** (1 / 3))


@pytest.mark.parametrize("volume_m3", [0.05, 0.5, 1, 4, 30])
def test_piled_logs_touch_and_do_not_overlap(volume_m3: float) -> None:
    (logs,) = ask_page("haul/loads.ts", [("pileLogs", volume_m3)])
    assert len(logs) >= 3
    for index, one in enumerate(logs):
        for two in logs[index + 1 :]:
            apart = ((one["x"] - two["x"]) ** 2 + (one["y"] - two["y"]) ** 2) ** 0.5
            assert apart >= one["r"] + two["r"] - 0.1


def test_every_material_has_a_hatch_of_its_own() -> None:

    keys = list(standard_shelf())
    hatches = ask_page("drawing/hatches.ts", [("hatchOf", key, None) for key in keys])
    mixes = ask_page("drawing/hatches.ts", [("hatchOf", f"mix_{i}", None) for i in range(30)])
    assert [key for key, hatch in zip(keys, hatches, strict=True) if hatch in mixes] == []
    looks = [(hatch["mark"], hatch["ground"], hatch["size"], hatch["turn"]) for hatch in hatches]
    assert len(set(looks)) == len(looks)
    without_colour = [(hatch["mark"], hatch["size"], hatch["turn"]) for hatch in hatches]
    assert len(set(without_colour)) == len(without_colour)


def test_an_own_material_is_hatched_like_its_model() -> None:
    own, model = ask_page("drawing/hatches.ts", [("hatchOf", "heap", "compost"), ("hatchOf", "compost", None)])
    assert own == model
