"""Crops where they stand: after one another, in regions, up a spiral, towards the pole, past what shades them."""

from __future__ import annotations

import math
from datetime import date
from itertools import combinations

import numpy as np
import pytest
import shapely
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.figure.sun_map import sun_map
from nolbet_core.planting.along import parted_along, placed_along
from nolbet_core.planting.parting import Want, parted_in_order
from nolbet_core.planting.sun import sun_over_day
from tests.core import zoo
from tests.core.planting import GARDEN, PLOT, SOIL, SPIRAL, at_work, codes, ends_x, figured, planted


def test_what_follows_stands_where_the_first_stood() -> None:
    garlic = {"crop": "garlic", "count": 20, "from": "2026-03-20", "until": "2026-07-10"}
    beside = {"crop": "kale", "count": 4, "from": "2026-05-01"}
    follows = {"crop": "lettuce", "count": 8, "from": "2026-07-12"}
    bed = figured(planted([garlic, beside, follows]))
    assert ends_x(bed, 2)[0] < ends_x(bed, 0)[1] < ends_x(bed, 1)[0]
    assert "crops_in_one_spot" not in codes(bed)
    # a day sooner the ground isn't free: it stands beside both
    sooner = figured(planted([garlic, beside, follows | {"from": "2026-07-09"}]))
    assert ends_x(sooner, 2)[0] > ends_x(sooner, 1)[1]


def test_two_crops_put_into_one_spot_are_told_and_only_while_both_stand() -> None:
    here = {"at_m": [1.5, 0.6], "count": 3}
    bed = figured(planted([{"crop": "kale", **here, "from": "2026-05-01"}, {"crop": "chard", **here}]))
    assert "crops_in_one_spot" in codes(bed)
    later = [
        {"crop": "lettuce", **here, "from": "2026-05-01", "until": "2026-07-01"},
        {"crop": "kale", **here, "from": "2026-07-01"},
    ]
    assert "crops_in_one_spot" not in codes(figured(planted(later)))


def test_a_region_is_filled_and_no_more() -> None:
    corners = [[0.2, 0.1], [1.3, 0.1], [1.3, 1.1], [0.2, 1.1]]
    (lettuce,) = figured(planted([{"crop": "lettuce", "within_m": corners}])).planting
    # 1.1 x 1 m at 25 cm: four by four, or offset 4 + 3 + 4 + 3 + 4 of which five rows of 0.2165 m fit into 0.75 m: no
    assert lettuce.count == 16
    assert all(0.32 < x < 1.18 and 0.22 < y < 0.98 for x, y in lettuce.points)


@pytest.mark.parametrize(
    ("north_deg", "latitude_deg", "tall_last"), [(90, 50, True), (-90, 50, False), (90, -35, False)]
)
def test_tall_crops_stand_towards_the_pole(north_deg: float, latitude_deg: float, tall_last: bool) -> None:
    # north is to the right of the sheet, to its left, and to the right in the south, where the pole is the other way
    frosts = {"last_frost": "09-15", "first_frost": "05-10"} if latitude_deg < 0 else {}
    garden = {"latitude_deg": latitude_deg, **frosts}
    crops = [{"crop": "sweetcorn", "count": 6}, {"crop": "lettuce", "count": 8}, {"crop": "pepper", "count": 2}]
    bed = figured(planted(crops, {**PLOT, "north_deg": north_deg}, garden=garden))
    middles = [np.mean([x for x, _ in each.points]) for each in bed.planting]
    assert (middles[0] > middles[1]) == tall_last
    assert "tall_on_sun_side" not in codes(bed)


def test_sun_behind_a_wall_is_what_a_drawing_gives() -> None:
    # a wall 40 m long and 3 m high, a metre south of the bed's middle: the sun clears it when its height over
    # 2.4 m (from the rim on) and its way there agree: tan(elevation) >= 2.4 cos(azimuth from south) / distance
    wall = {"kind": "wall", "line_m": [[-15, 3.0], [25, 3.0]], "height_m": 3.0, "across_m": 0.01}
    told = sun_map(at_work(planted([], {**PLOT, "fixed": [wall]})))
    assert told.why_not is None
    place = min(range(len(told.points)), key=lambda each: math.dist(told.points[each], (1.55, 0.65)))
    x, y = told.points[place]
    off_m = (4.0 - 0.6 + y) - 3.005
    for month, day in ((5, 166), (8, 258)):
        elevation, azimuth = sun_over_day(day, 50.0)
        from_south = np.cos(azimuth - math.pi)
        clears = (from_south <= 0) | (np.tan(elevation) * off_m >= 2.4 * from_south)
        assert told.hours[place][month] == pytest.approx(clears.sum() / 6, abs=0.34)
    assert x == pytest.approx(1.55, abs=0.06)


def test_only_what_stands_on_a_day_shades_it() -> None:
    corn = {"crop": "sweetcorn", "count": 4, "at_m": [1.5, 0.3], "from": "2026-05-20"}
    worked = at_work(planted([corn], PLOT))
    spring, summer, always = (sun_map(worked, on) for on in (date(2026, 4, 15), date(2026, 7, 15), None))
    hours = [min(row[5] for row in each.hours) for each in (spring, summer, always)]
    assert hours[0] > 14
    assert hours[1] == hours[2] < 10


def test_a_spiral_has_three_zones_and_each_crop_goes_to_its_own() -> None:
    crops = [{"crop": "thyme", "count": 2}, {"crop": "parsley", "count": 2}, {"crop": "mint", "count": 1}]
    document = zoo.plan(zoo.bed(shape=SPIRAL, layers=SOIL, crops=crops), garden=GARDEN)
    bed = figured(document)
    assert [each.zone for each in bed.water_zones] == ["moist", "plain", "dry"]
    grounds = {
        each.zone: shapely.union_all([shapely.Polygon(ring) for ring in each.outlines]) for each in bed.water_zones
    }
    for crop, zone in zip(bed.planting, ("dry", "plain", "moist"), strict=True):
        assert all(grounds[zone].distance(shapely.Point(at)) < 0.01 for at in crop.points)
    foot = bed.planting[2].points[0]
    moved = zoo.plan(
        zoo.bed(shape=SPIRAL, layers=SOIL, crops=[{"crop": "thyme", "count": 1, "at_m": list(foot)}]), garden=GARDEN
    )
    (told,) = [each for each in figured(moved).findings if each.code == "crop_off_its_zone"]
    assert told.message == "Thyme likes it dry, and stands where it is moist."


@given(st.floats(0.3, 1.2), st.floats(0.1, 0.6), st.floats(1.0, 8.0))
def test_plants_up_a_band_keep_their_spacing(width_m: float, spacing_m: float, length_m: float) -> None:
    line = shapely.LineString([(0, 0), (length_m, 0)])
    placed = placed_along(line, width_m, spacing_m)
    rows = max(math.floor(width_m / spacing_m + 1e-9), 1)
    assert placed.count == rows * math.floor(length_m / spacing_m + 1e-9)
    for one, other in combinations(placed.points.tolist(), 2):
        assert math.dist(one, other) >= spacing_m - 1e-6
    assert all(abs(y) <= width_m / 2 for _, y in placed.points)


def test_a_band_is_parted_without_a_gap() -> None:
    line = shapely.LineString([(0, 0), (3, 0), (3, 2)])
    pieces = parted_along(line, [1.0, None, None])
    assert [each.length for each in pieces] == pytest.approx([1.0, 2.0, 2.0])
    # what is asked beyond the line gets nothing
    assert [each.length for each in parted_along(line, [4.0, 3.0, 1.0])] == pytest.approx([4.0, 1.0, 0.0])


def test_strips_in_an_order_take_what_they_took() -> None:
    ground = shapely.box(0, 0, 4, 1)
    wants = [Want(1.2, lambda strip: strip.area > 0.5), Want(None, lambda strip: strip.area > 0.1)]
    found = parted_in_order(ground, wants, [1, 0], lengthwise=True)
    assert found is not None
    assert found[0].bounds[0] == pytest.approx(2.8)
    greedy = [Want(3.9, lambda strip: strip.area > 3), Want(1.0, lambda strip: strip.area > 0.5)]
    assert parted_in_order(ground, greedy, [1, 0], lengthwise=True) is None


def test_pockets_take_what_they_hold() -> None:
    mound = {"kind": "hipped_mound", "length_m": 3.0, "width_m": 1.6, "height_m": 0.7, "slope_deg": 60.0}
    faced = {"with": "pallets", "pocket_m3": 0.004, "pockets": 8}
    bed = zoo.bed(shape=mound, layers=[{"material": "topsoil", "fill": True}], faced=faced,
                  crops=[{"crop": "strawberry", "count": 10, "pockets": True}])  # fmt: skip
    told = figured(zoo.plan(bed, garden=GARDEN))
    (berry,) = told.planting
    assert (berry.count, berry.in_pockets, berry.points) == (8, True, ())
    assert "10 are too many: there are pockets for 8." in berry.because


@pytest.mark.parametrize("count", [60, 5_000, 100_000])
def test_too_many_are_counted_as_asked_and_told_once(count: int) -> None:
    (told,) = figured(planted([{"crop": "lettuce", "count": count}])).planting
    assert told.count == count
    assert told.because == [f"{count} are too many: 58 go in 25 cm apart."]


def test_more_than_a_drawn_region_or_a_bed_holds_is_told() -> None:
    corner = [[0.0, 0.0], [0.6, 0.0], [0.6, 0.6], [0.0, 0.6]]
    (kale,) = figured(planted([{"crop": "kale", "count": 3, "within_m": corner}])).planting
    assert kale.because[0] == "3 are too many: 1 goes in 45 cm apart."
    (lettuce,) = figured(planted([{"crop": "lettuce", "area_m2": 9.0}])).planting
    assert lettuce.because[0] == "9.00 m² are more than the 3.60 m² of the bed."
