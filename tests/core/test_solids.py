"""Curved and sloping solids against the same solids cut into many small pieces."""

from __future__ import annotations

import math

import numpy as np
import pytest

from nolbet_core.shapes.barrel import lying_barrel
from nolbet_core.shapes.invert import invert_rising
from nolbet_core.shapes.mound import hipped_mound
from nolbet_core.shapes.quadrature import integral
from nolbet_core.shapes.round_mound import round_mound

STEPS = 240


@pytest.mark.parametrize("cover_m", [0.0, 0.1, 0.3, 0.5])
@pytest.mark.parametrize(("length_m", "height_m", "slope_deg"), [(4.0, 0.7, 50.0), (2.4, 0.3, 30.0), (4.0, 0.6, 35.0)])
def test_a_hipped_core_is_what_lies_so_deep_under_every_plane(
    cover_m: float, length_m: float, height_m: float, slope_deg: float
) -> None:
    width_m, slope = 1.8, math.radians(slope_deg)
    mound = hipped_mound(length_m, width_m, height_m, slope_deg)
    x = (np.arange(STEPS) + 0.5) / STEPS * length_m / 2
    y = (np.arange(STEPS) + 0.5) / STEPS * width_m / 2
    from_end, from_side = np.meshgrid(x, y)
    # the highest point of the core over each place: under both side planes and the top, each moved in by the cover
    sides = np.minimum(from_end, from_side) * math.tan(slope) - cover_m / math.cos(slope)
    heights = np.clip(np.minimum(sides, height_m - cover_m), 0, None)
    volume = 4 * heights.sum() * (length_m / 2 / STEPS) * (width_m / 2 / STEPS)
    assert mound.hollow.core_volume(cover_m) == pytest.approx(volume, rel=2e-3, abs=1e-5)
    assert mound.crest_of(cover_m) == pytest.approx(heights.max(), abs=8e-3)


@pytest.mark.parametrize("slope_deg", [30.0, 45.0, 60.0])
def test_a_hipped_mound_up_to_its_ridge_and_a_millimetre_over(slope_deg: float) -> None:
    ridge_m = 0.9 * math.tan(math.radians(slope_deg))
    exact = hipped_mound(4.0, 1.8, ridge_m, slope_deg)
    over = hipped_mound(4.0, 1.8, ridge_m + 0.0009, slope_deg)
    assert over.hollow.height_m == pytest.approx(ridge_m)
    assert exact.hollow.core_volume(0) == pytest.approx(over.hollow.core_volume(0))
    # a roof: a prism between two half pyramids
    assert exact.hollow.core_volume(0) == pytest.approx(ridge_m * (2.2 * 1.8 / 2 + 1.8 * 1.8 / 3))
    with pytest.raises(ValueError, match=f"meet {ridge_m:.3f} m up"):
        hipped_mound(4.0, 1.8, ridge_m + 0.002, slope_deg)


def test_a_rounded_mound_by_level_slices() -> None:
    mound = round_mound(4.0, 1.6, 0.8)
    slices = sum(mound.solid.area_at((i + 0.5) / 4000 * 0.8) for i in range(4000)) * 0.8 / 4000
    assert mound.solid.volume_between(0, 0.8) == pytest.approx(slices, rel=1e-5)
    assert mound.solid.area_at(0.6) == pytest.approx(2.4 * 0.8 + math.pi * 0.16)
    assert mound.solid.height_for_volume(0.0, mound.solid.volume_between(0, 0.3)) == pytest.approx(0.3)
    assert mound.solid.perimeter_at(0) == pytest.approx(4.8 + math.pi * 1.6)


@pytest.mark.parametrize("height_m", [0.2, 0.6, 1.2])
def test_a_rounded_mounds_core_vanishes_where_it_says(height_m: float) -> None:
    shells = round_mound(3.0, 1.6, height_m).hollow
    assert shells.core_volume(shells.rim_m * 0.999) < 1e-3 * shells.core_volume(0.0)
    assert shells.core_volume(shells.rim_m) == 0.0
    # the nearest point of the surface to the middle of the base
    nearest = min(math.hypot(x, height_m * (1 - (x / 0.8) ** 2)) for x in np.linspace(0, 0.8, 20001))
    assert shells.rim_m == pytest.approx(nearest, rel=1e-6)


def test_a_rounded_mound_grows_by_an_even_coat() -> None:
    shells = round_mound(4.0, 1.6, 0.8).hollow
    coat = shells.core_volume(-1e-4) - shells.core_volume(0.0)
    assert coat / 1e-4 == pytest.approx(shells.core_surface(0.0), rel=1e-3)
    assert shells.core_perimeter(-0.1) > shells.core_perimeter(0.0) > shells.core_perimeter(0.1)
    assert shells.core_perimeter(0.0) == pytest.approx(4.8 + math.pi * 1.6)


@pytest.mark.parametrize(("opening_m", "level_m"), [(0.6, 0.1), (0.5, 0.3), (0.3, 0.55), (0.3, 0.7)])
def test_a_lying_barrel_by_level_slices(opening_m: float, level_m: float) -> None:
    hollow = lying_barrel(0.6, 0.9, opening_m, "inside", 0.0).hollow
    steps = 20_000
    slices = sum(hollow.area_at((i + 0.5) / steps * level_m) for i in range(steps)) * level_m / steps
    assert hollow.volume_between(0, level_m) == pytest.approx(slices, rel=1e-4)
    assert hollow.height_for_volume(0.05, hollow.volume_between(0.05, level_m)) == pytest.approx(level_m)


def test_half_a_barrel_holds_half_a_cylinder() -> None:
    half = lying_barrel(0.6, 0.9, 0.6, "outside", 0.02)
    assert half.hollow.rim_m == pytest.approx(0.28)
    assert half.hollow.volume_between(0, half.hollow.rim_m) == pytest.approx(math.pi * 0.28**2 / 2 * 0.86)
    assert (half.outside.length_m, half.outside.width_m) == (pytest.approx(0.9), pytest.approx(0.6))


def test_smooth_functions_are_integrated_to_the_last_digits() -> None:
    assert integral(np.sin, 0.0, math.pi) == pytest.approx(2.0, rel=1e-14)
    assert integral(lambda x: x**7, -1.0, 2.0) == pytest.approx((2**8 - 1) / 8, rel=1e-13)


@pytest.mark.parametrize("wanted", [0.0, 1e-9, 0.3, 0.999999, 1.0])
def test_a_rising_function_is_inverted_even_where_it_is_flat(wanted: float) -> None:
    for rising in (lambda x: x**3, lambda x: x, lambda x: math.sin(x * math.pi / 2), lambda x: min(2 * x, 1.0)):
        found = invert_rising(rising, 0.0, 1.0, wanted)
        assert rising(found) == pytest.approx(wanted, abs=1e-12)
    assert invert_rising(lambda x: x, 0.0, 1.0, 2.0) == 1.0
    assert invert_rising(lambda x: x, 0.0, 1.0, -2.0) == 0.0
