"""Spirals: by small steps, in a ring, by a tape across, with pots in them, within reach."""

from __future__ import annotations

import itertools
import math
from typing import Any

import pytest

from nolbet_core.plan.defaults import shape_facts
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.shapes.ring_spiral import RingSpiral
from nolbet_core.shapes.spiral import HerbSpiral
from nolbet_core.shapes.vessel import Vessel
from tests.core import zoo
from tests.core.ask import bed_of, mended_by
from tests.core.shapes import built, shape


def whole(vessel: Vessel) -> float:
    """Volume up to the highest surface [m3]."""
    return vessel.hollow.volume_between(0.0, vessel.hollow.rim_m)


def test_a_spiral_in_a_ring_by_small_steps() -> None:
    # a ring of 2 m across and 0.1 m thick: inside it a spiral of 0.9 m, and a foot that is the disc less its first turn
    ring, spiral = built("ring_spiral"), built("herb_spiral", outer_height_m=0.25)
    assert isinstance(ring, RingSpiral) and isinstance(spiral, HerbSpiral)
    first_turn = sum((0.9 - 0.45 * (i + 0.5) / 100_000) ** 2 / 2 * 2 * math.pi / 100_000 for i in range(100_000))
    foot_m2 = math.pi * 0.9**2 - first_turn
    assert ring.hollow.foot_m2 == pytest.approx(foot_m2, rel=1e-6)
    assert ring.top_area_m2 == pytest.approx(spiral.top_area_m2 + foot_m2, rel=1e-6)
    assert whole(ring) == pytest.approx(whole(spiral) + foot_m2 * 0.25, rel=1e-6)
    assert ring.hollow.volume_between(0.1, 0.2) == pytest.approx(ring.top_area_m2 * 0.1)
    assert ring.hollow.volume_between(0.3, 0.5) == pytest.approx(spiral.hollow.volume_between(0.3, 0.5))
    assert ring.footprint_m2 == pytest.approx(math.pi)
    # the ring stands 0.25 m high; the inner run stands on the ground and rises from there to 0.80 m
    assert ring.wall_face_m2 == pytest.approx(2 * math.pi * 0.25 + ring.hollow.run.length_m * (0.25 + 0.80) / 2)
    assert ring.across_m == pytest.approx(2.0)


def test_a_tape_across_a_spiral_shows_less_than_twice_its_radius() -> None:
    spiral = built("herb_spiral", diameter_m=2.0, path_width_m=0.6, wall_m=0.1)
    assert isinstance(spiral, HerbSpiral)
    assert spiral.across_m == pytest.approx(2.0 - 0.7 / 2)
    points = spiral.hollow.run.curve(0.0, 1.0, 0.3)
    through = max(math.dist(one, (-other[0], -other[1])) for one in points[:1] for other in points[20:28])
    widest = max(abs(one[0] - other[0]) for one in points for other in points)
    assert spiral.across_m == pytest.approx(widest, abs=0.01)
    assert through > 0
    figures = bed_of({"key": "s", "shape": shape("herb_spiral"), "layers": []}).spiral
    assert figures is not None
    assert figures.across_m == pytest.approx(1.8 - shape_facts()["herb_spiral"]["across_less"] * 0.45)


@pytest.mark.parametrize("kind", ["herb_spiral", "ring_spiral"])
def test_pots_sunk_in_a_spiral_take_room_from_its_fill(kind: str) -> None:
    pot = {"kind": "pot", "diameter_m": 0.2, "height_m": 0.15, "bottom_m": 0.0, "count": 3}
    bare, sunk = built(kind), built(kind, {"buried": [pot]})
    assert whole(bare) - whole(sunk) == pytest.approx(3 * math.pi * 0.01 * 0.15)
    half_m = sunk.hollow.height_for_volume(0.0, whole(sunk) / 2)
    assert sunk.hollow.volume_between(0.0, half_m) == pytest.approx(whole(sunk) / 2)


def test_the_middle_of_a_wide_spiral_is_out_of_reach() -> None:
    for kind, changes in (
        ("herb_spiral", {"diameter_m": 3.2, "path_width_m": 0.6}),
        ("ring_spiral", {"diameter_m": 2.6}),
    ):
        found = bed_of({"key": "s", "shape": shape(kind, **changes), "layers": []}).findings
        assert "too_wide" in [each.code for each in found], kind
    small = bed_of({"key": "s", "shape": shape("herb_spiral", diameter_m=1.2, path_width_m=0.3), "layers": []})
    assert "too_wide" not in [each.code for each in small.findings]


def test_a_spiral_by_small_steps() -> None:
    spiral = built("herb_spiral")
    assert isinstance(spiral, HerbSpiral)
    steps, pitch = 200_000, 0.45
    turns = 0.9 / pitch
    run = volume = area = 0.0
    pieces = []
    for i in range(steps):
        turn = (i + 0.5) / steps * turns
        r, step = 0.9 - pitch * turn, turns / steps * 2 * math.pi
        length = math.hypot(r, pitch / (2 * math.pi)) * step
        band = (max(r - 0.1, 0) ** 2 - max(r - pitch, 0) ** 2) / 2 * step
        pieces.append((run + length / 2, band))
        run += length
        area += band
    volume = sum(band * (0.2 + 0.6 * at / run) for at, band in pieces)
    assert spiral.hollow.run.length_m == pytest.approx(run, rel=1e-8)
    assert spiral.top_area_m2 == pytest.approx(area, rel=1e-8)
    assert whole(spiral) == pytest.approx(volume, rel=1e-8)
    low = sum(band * min(0.2 + 0.6 * at / run, 0.4) for at, band in pieces)
    assert spiral.hollow.volume_between(0, 0.4) == pytest.approx(low, rel=1e-8)
    assert spiral.wall_face_m2 == pytest.approx(run * 0.5)


@pytest.mark.parametrize("kind", ["herb_spiral", "ring_spiral"])
@pytest.mark.parametrize(("diameter_m", "height_m", "count"), [(3.0, 0.5, 1), (0.3, 0.4, 40), (0.3, 2.0, 1)])
def test_pots_that_leave_a_spiral_no_room_are_refused(
    kind: str, diameter_m: float, height_m: float, count: int
) -> None:
    pot = {"kind": "pot", "diameter_m": diameter_m, "height_m": height_m, "bottom_m": 0.0, "count": count}
    with pytest.raises(PlanProblem, match="leaves no room for fill"):
        built(kind, {"buried": [pot]})


@pytest.mark.parametrize("kind", ["herb_spiral", "ring_spiral"])
def test_a_spiral_of_a_millimetre_is_refused_at_once(kind: str) -> None:
    with pytest.raises(PlanProblem, match=r"winds round 2[0-9]+ times; up to 20"):
        built(kind, diameter_m=2.0, path_width_m=0.002, wall_m=0.002)
    assert built(kind, diameter_m=3.0, path_width_m=0.06, wall_m=0.02).top_area_m2 > 1.0


SPIRAL = {"kind": "herb_spiral", "diameter_m": 1.8, "path_width_m": 0.35, "wall_m": 0.12, "outer_height_m": 0.15,
          "centre_height_m": 0.75}  # fmt: skip
SPIRAL_BED = {"key": "coil", "shape": SPIRAL, "layers": [{"material": "topsoil", "fill": True}]}


def test_stone_of_a_spiral_follows_its_run_and_is_as_thick_as_its_wall() -> None:
    """Radius 0.9 m, pitch 0.47 m: r = 0.9 - 0.47 turns, so 1.9149 turns; the run in 100,000 steps by chords.

    Face = run x (0.15 + 0.75) / 2; stone = face x 0.12 m x 0.75 x 2,500 kg/m3 x 1.1. A straight ring as high as the
    middle would take half as much again and more.
    """
    stone = {"kind": "dry_stone", "material": "stone", "thickness_m": 0.12}
    figures = bed_of(SPIRAL_BED | {"frame": stone})
    turns = 0.9 / 0.47
    at = [turns * i / 100_000 for i in range(100_001)]
    points = [((0.9 - 0.47 * t) * math.cos(2 * math.pi * t), (0.9 - 0.47 * t) * math.sin(2 * math.pi * t)) for t in at]
    run_m = sum(math.dist(one, two) for one, two in itertools.pairwise(points))
    assert figures.frame is not None
    assert figures.frame.fixings.stone_kg == pytest.approx(run_m * 0.45 * 0.12 * 0.75 * 2500 * 1.1, rel=1e-4)
    assert figures.frame.mass_kg == pytest.approx(figures.frame.fixings.stone_kg / 1.1)
    thicker = bed_of(SPIRAL_BED | {"frame": stone | {"thickness_m": 0.3}})
    assert thicker.frame is not None
    # stone is counted for the wall that the shape leaves room for, and the difference is asked about
    assert thicker.frame.fixings.stone_kg == figures.frame.fixings.stone_kg
    asked = next(each for each in thicker.findings if each.code == "wall_differs")
    assert asked.message == "Wall of the spiral: 120 mm, its frame: 300 mm. Which is it?"
    agreed = mended_by(SPIRAL_BED | {"frame": stone | {"thickness_m": 0.3}}, asked)
    assert not [each for each in bed_of(agreed).findings if each.code == "wall_differs"]


@pytest.mark.parametrize(
    ("document", "kinds"),
    [
        (SPIRAL_BED, ["dry_stone", "units"]),
        (zoo.bed(), ["boards", "units", "dry_stone", "sheet", "logs", "pallets", "hurdle", "bought"]),
        (zoo.bed(shape={"kind": "circle", "diameter_m": 1.4, "depth_m": 0.4}), ["units", "dry_stone", "sheet", "hurdle",
                                                                               "bought"]),
        (zoo.bed(shape={"kind": "round_mound", "length_m": 4, "width_m": 1.6, "height_m": 0.8}), []),
        (zoo.bed(shape={"kind": "hipped_mound", "length_m": 4, "width_m": 1.8, "height_m": 0.7, "slope_deg": 50}), []),
        (zoo.bed(shape={"kind": "round_tub", "base_diameter_m": 0.3, "rim_diameter_m": 0.5, "depth_m": 0.4}), []),
    ],
)  # fmt: skip
def test_only_frames_that_go_round_the_shape_are_offered_each_as_thick_as_its_wall(
    document: dict[str, Any], kinds: list[str]
) -> None:
    """Every frame offered is taken without a problem, and a spiral's begins with its own wall."""
    offered = bed_of(document).first_frames
    assert [each["kind"] for each in offered] == kinds
    for each in offered:
        figures = bed_of(document | {"frame": each, "wall_m": 0})
        assert figures.frame is not None
        assert not [finding for finding in figures.findings if finding.code == "wall_differs"]


def test_a_frame_begins_as_thick_as_the_beds_wall() -> None:
    thick = {each["kind"]: each for each in bed_of(zoo.bed(wall_m=0.089, measured="inside")).first_frames}
    assert thick["boards"] == {"kind": "boards", "material": "larch", "nominal": "4x8"}
    assert thick["units"]["unit_m"][1] == 0.089
    odd = {each["kind"]: each for each in bed_of(zoo.bed(wall_m=0.05, measured="inside")).first_frames}
    assert odd["boards"]["thickness_m"] == 0.05
