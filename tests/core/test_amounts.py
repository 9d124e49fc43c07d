"""Heights, sheets and voids step by step, against figures worked by hand and in properties."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.shapes.angular import Rectangle
from nolbet_core.shapes.vessel import Vessel, straight_vessel
from nolbet_core.shelf.library import standard_shelf
from nolbet_core.stack.fill import fill_bed
from nolbet_core.stack.layers import Asked, Bulk, Packing, Sheet
from nolbet_core.stack.sheets import liner_area, piece_count, sheet_area
from nolbet_core.stack.solve import solve_heights
from nolbet_core.stack.voids import fines_running, packed_volume, received, void_volume

SHELF = standard_shelf()
SOIL, COMPOST, LOGS, BRUSH = (SHELF[key] for key in ("topsoil", "compost", "broadleaf_logs", "brush"))
CARD, CLOTH, LINER = (SHELF[key] for key in ("cardboard", "geotextile", "pond_liner"))


def box(length_m: float = 2.0, width_m: float = 1.0, depth_m: float = 0.5, wall_m: float = 0.0) -> Vessel:
    """A box measured inside."""
    return straight_vessel(Rectangle(length_m, width_m), depth_m, "inside", wall_m)


@pytest.mark.parametrize(
    ("layers", "headspace_m", "tops", "over_m", "to_fill_m"),
    [
        ([], 0.0, [], 0.0, 0.5),
        ([Bulk(SOIL, "thickness", 0.2)], 0.1, [0.2], 0.0, 0.2),
        ([Bulk(SOIL, "volume", 0.4)], 0.0, [0.2], 0.0, 0.3),
        ([Bulk(SOIL, "fill")], 0.1, [0.4], 0.0, 0.0),
        ([Bulk(SOIL, "share", 0.5)], 0.1, [0.2], 0.0, 0.2),
        ([Bulk(SOIL, "share", 0.5), Bulk(COMPOST, "thickness", 0.1)], 0.0, [0.2, 0.3], 0.0, 0.2),
        ([Bulk(SOIL, "fill"), Bulk(COMPOST, "share", 0.25)], 0.0, [0.375, 0.5], 0.0, 0.0),
        ([Bulk(SOIL, "thickness", 0.4), Bulk(COMPOST, "thickness", 0.2)], 0.1, [0.4, 0.6], 0.2, 0.0),
        ([Bulk(SOIL, "thickness", 0.6), Bulk(COMPOST, "fill")], 0.0, [0.6, 0.6], 0.1, 0.0),
        ([Bulk(SOIL, "thickness", 0.6), Bulk(COMPOST, "share", 0.5)], 0.0, [0.6, 0.6], 0.1, 0.0),
        ([Sheet(CARD), Bulk(SOIL, "fill"), Sheet(CLOTH)], 0.0, [0.0, 0.5, 0.5], 0.0, 0.0),
        ([Bulk(SOIL, "thickness", 0.0), Bulk(COMPOST, "fill")], 0.0, [0.0, 0.5], 0.0, 0.0),
        ([Bulk(SOIL, "fill")], 0.6, [0.0], 0.0, 0.0),
    ],
)
def test_heights(layers: list[Asked], headspace_m: float, tops: list[float], over_m: float, to_fill_m: float) -> None:
    heights = solve_heights(box().hollow, headspace_m, layers)
    assert [top for _, top in heights.spans] == pytest.approx(tops)
    assert heights.over_m == pytest.approx(over_m)
    assert heights.over_m3 == pytest.approx(2 * over_m)
    assert heights.to_fill_m == pytest.approx(to_fill_m)


@pytest.mark.parametrize(
    ("sheet", "wall_m", "area_m2"),
    [
        (Sheet(CARD), 0.0, 2.0),
        (Sheet(CARD, plies=3), 0.0, 6.0),
        (Sheet(CLOTH, up_sides_m=0.2), 0.0, 2.0 + 6 * 0.2),
        (Sheet(CLOTH, skirt_m=0.5), 0.0, 2.0 + 3 * 2 - 2),
        (Sheet(CLOTH, skirt_m=0.5), 0.1, 2.0 + 3.2 * 2.2 - 2.2 * 1.2),
        (Sheet(LINER, up_sides_m=0.4, lap_m=0.15), 0.0, 3.1 * 2.1),
        (Sheet(LINER, plies=2, lap_m=0.0), 0.0, 4.0),
    ],
)
def test_sheet_areas(sheet: Sheet, wall_m: float, area_m2: float) -> None:
    assert sheet_area(sheet, 0.0, box(wall_m=wall_m)) == pytest.approx(area_m2)


@pytest.mark.parametrize(
    ("piece_m", "lap_m", "plies", "pieces"),
    [
        (None, 0.15, 1, None),
        ((2.0, 1.0), 0.15, 1, 1),
        ((1.0, 2.0), 0.15, 2, 2),
        ((1.1, 1.0), 0.15, 1, 2),
        ((1.0, 1.0), 0.15, 1, 3),
        ((0.5, 0.5), 0.1, 1, 15),
        ((0.1, 0.1), 0.15, 1, None),
        ((0.1, 3.0), 0.15, 1, None),
    ],
)
def test_piece_counts(piece_m: tuple[float, float] | None, lap_m: float, plies: int, pieces: int | None) -> None:
    assert piece_count(Sheet(CARD, plies, lap_m, piece_m=piece_m), 0.0, box()) == pieces


@given(st.floats(0.3, 3), st.floats(0.3, 3), st.floats(0, 0.25), st.floats(0.5, 6), st.floats(0.5, 3))
def test_pieces_with_their_laps_cover_the_bed(
    along: float, across: float, lap_m: float, length_m: float, width_m: float
) -> None:
    bed = box(length_m, width_m)
    count = piece_count(Sheet(CARD, lap_m=lap_m, piece_m=(along, across)), 0.0, bed)
    assert count is not None
    assert count * along * across >= length_m * width_m * (1 - 1e-9)
    tighter = piece_count(Sheet(CARD, lap_m=0.0, piece_m=(along, across)), 0.0, bed)
    assert tighter is not None
    assert tighter <= count


@given(st.floats(0.1, 10), st.floats(0.1, 10), st.floats(0, 1), st.floats(0, 0.5))
def test_a_liner_grows_alike_both_ways(length_m: float, width_m: float, up_m: float, lap_m: float) -> None:
    assert liner_area(length_m, width_m, up_m, lap_m) == pytest.approx(liner_area(width_m, length_m, up_m, lap_m))
    assert liner_area(length_m, width_m, up_m, lap_m) >= length_m * width_m


def test_voids_packed_and_left() -> None:
    packed = Bulk(LOGS, "thickness", 0.2, Packing(COMPOST, 0.75))
    assert void_volume(packed, 0.4) == pytest.approx(0.144)
    assert packed_volume(packed, 0.4) == pytest.approx(0.108)
    assert packed_volume(Bulk(LOGS, "thickness", 0.2), 0.4) == 0


@pytest.mark.parametrize(
    ("layers", "placed_m3", "vanishing_m3"),
    [
        # soil over logs over brush: the logs right below fill first, the rest goes on down
        ([Bulk(BRUSH, "fill"), Bulk(LOGS, "fill"), Bulk(SOIL, "fill")], [1.0, 1.0, 1.0], [0.64, 0.36, 0.0]),
        ([Bulk(BRUSH, "fill"), Bulk(LOGS, "fill"), Bulk(SOIL, "fill")], [1.0, 1.0, 0.3], [0.0, 0.3, 0.0]),
        # two layers of fines, one after the other
        ([Bulk(LOGS, "fill"), Bulk(SOIL, "fill"), Bulk(COMPOST, "fill")], [1.0, 0.2, 0.5], [0.36, 0.0, 0.0]),
        # what lies under is no matter, and coarse over fine swallows nothing
        ([Bulk(SOIL, "fill"), Bulk(LOGS, "fill")], [1.0, 1.0], [0.0, 0.0]),
        # fabric in between stops it for what is above, not for what is below
        (
            [Bulk(BRUSH, "fill"), Bulk(SOIL, "fill"), Sheet(CLOTH), Bulk(COMPOST, "fill")],
            [1.0, 0.2, 0.0, 1.0],
            [0.2, 0.0, 0.0, 0.0],
        ),
        # packed to the brim takes none
        ([Bulk(LOGS, "fill", 0, Packing(COMPOST)), Bulk(SOIL, "fill")], [1.0, 1.0], [0.0, 0.0]),
        ([Bulk(LOGS, "fill", 0, Packing(COMPOST, 0.5)), Bulk(SOIL, "fill")], [1.0, 1.0], [0.18, 0.0]),
    ],
)
def test_what_vanishes_and_where(layers: list[Asked], placed_m3: list[float], vanishing_m3: list[float]) -> None:
    assert received(fines_running(layers, placed_m3), len(layers)) == pytest.approx(vanishing_m3)


bulks = st.builds(
    Bulk,
    st.sampled_from([SOIL, COMPOST, LOGS, BRUSH, SHELF["gravel_20"]]),
    st.just("thickness"),
    st.floats(0, 0.4),
)


@given(st.lists(bulks, max_size=7))
def test_no_more_vanishes_than_there_are_fines_or_voids(layers: list[Bulk]) -> None:
    placed = [layer.amount * 2 for layer in layers]
    vanishing = received(fines_running(layers, placed), len(layers))
    voids = [void_volume(layer, volume) for layer, volume in zip(layers, placed, strict=True)]
    fines = sum(volume for layer, volume in zip(layers, placed, strict=True) if layer.material.runs_into_voids)
    assert all(0 <= lost <= room + 1e-12 for lost, room in zip(vanishing, voids, strict=True))
    assert sum(vanishing) <= fines + 1e-12


@given(st.lists(bulks, min_size=1, max_size=7), st.floats(0, 0.2))
def test_a_filled_bed_keeps_its_books(layers: list[Bulk], headspace_m: float) -> None:
    filled = fill_bed(box(), headspace_m, layers)
    for layer in filled.layers:
        assert layer.solid_m3 + layer.void_m3 == pytest.approx(layer.placed_m3)
        assert layer.loose_m3 == pytest.approx(layer.placed_m3 * layer.material.loose_factor)
        assert layer.mass_dry_kg <= layer.mass_moist_kg + 1e-9 <= layer.mass_saturated_kg + 2e-9
    assert filled.top_m == pytest.approx(sum(layer.thickness_m for layer in filled.layers))
    assert filled.void_drop_m == pytest.approx(filled.vanishing_m3 / 2, abs=1e-9)
    assert filled.over_m == 0 or filled.to_fill_m == 0
