"""Strength of floors, legs, walls and posts: sums by hand with the clauses of EN 1995-1-1, and properties."""

from __future__ import annotations

import math
from typing import Any

import numpy as np
import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st

from nolbet_core.frame.bowing import Fill, post_moment, wall_spacing
from nolbet_core.frame.floors import FloorWood, floor_spans
from nolbet_core.frame.strength import (
    Section,
    angle_leg,
    heaviest_leg_share,
    leg_capacity,
    plate_span,
    solid_leg,
    strong_span,
    support_shares,
)
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.shelf.timber import C16, C18, D24, TIMBER, StrengthClass
from tests.core import zoo
from tests.core.ask import figures_of

DEEP_BOX = {"kind": "box", "length_m": 1.8, "width_m": 1.0, "depth_m": 0.56}
SOIL = [{"material": "topsoil", "thickness_m": 0.5}]


def on_legs(**words: Any) -> dict[str, Any]:
    """A box of 38 x 140 mm boards on legs, filled with half a metre of topsoil, as a bed's document."""
    legs = {"count": 4, "length_m": 0.5, "section_m": [0.089, 0.089]} | words.pop("legs", {})
    floor = {"thickness_m": 0.038, "width_m": 0.14, "bearers": 2} | words.pop("floor", {})
    frame = {"kind": "boards", "thickness_m": 0.038, "width_m": 0.14, "legs": legs, "floor": floor}
    return zoo.bed(shape=DEEP_BOX, measured="inside", frame=frame, layers=SOIL) | words


def looked_at(document: dict[str, Any]) -> Any:
    """Figures of the one bed."""
    return figures_of(zoo.plan(document)).beds[0]


def finding(bed: Any, code: str) -> Any:
    """The finding of a code; None where there is none."""
    return next((each for each in bed.findings if each.code == code), None)


def test_the_wood_of_a_floor_by_its_class() -> None:
    """EN 338: C16 for softwood, C18 for larch and cedar, D24 for oak; treated wood as its kind."""
    assert [TIMBER[key].strength for key in ("softwood", "treated_softwood", "larch", "cedar", "hardwood_durable")] == [
        C16, C16, C18, C18, D24,
    ]  # fmt: skip


def test_a_floor_of_soil_is_too_weak_for_two_bearers() -> None:
    """1.8 x 1.0 x 0.5 m of topsoil on two bearers of 38 x 140 mm, four legs.

    C16, k_mod 0.5: f_m,d = 0.5 x 16 / 1.3 = 6.15 MPa; under 1.35 times the load 4.56 MPa is allowed. Half of the load
    on each bearer gives w = half of all that stands on the floor / 1.8 m, bending = w 1.8^2 / 8 / (38 x 140^2 / 6).
    """
    bed = looked_at(on_legs())
    weak = finding(bed, "floor_weak")
    assert weak is not None
    assert weak.level == "stop"
    assert weak.advice.endswith("This is an estimate, not a design. Local rules and licensed practice come first.")
    standing_kg = bed.frame.leg_load_kg * 4
    line_n_m = standing_kg * 9.81 / 2 / 1.8
    allowed_m = math.sqrt(8 * (0.5 * 16e6 / 1.3 / 1.35) * (0.038 * 0.14**2 / 6) / line_n_m)
    moment_with_person = 0.7 * 16e6 / 1.3 * 0.038 * 0.14**2 / 6
    # 1.35 w L2 / 8 + 1.5 x 1 kN x L / 4 = M, solved for L
    a, b = 1.35 * line_n_m / 8, 1.5 * 1000 / 4
    person_m = (-b + math.sqrt(b * b + 4 * a * moment_with_person)) / (2 * a)
    # shear with the person over a leg: 1.35 w L / 2 + 1.5 kN = 0.7 x 3.2 / 1.3 x 0.67 x 38 x 140 / 1.5
    shear_m = (0.7 * 3.2e6 / 1.3 * 0.67 * 0.038 * 0.14 / 1.5 - 1500) / (1.35 * line_n_m / 2)
    assert allowed_m < 1.1
    assert bed.frame.floor.bearer_most_m == pytest.approx(min(allowed_m, person_m, shear_m))
    enough = weak.mend.steps[0].value
    assert finding(looked_at(on_legs(floor={"bearers": enough})), "floor_weak") is None


def test_a_wicking_box_bears_its_reservoir_and_its_water() -> None:
    """0.12 m of gravel wet through beside 0.3 m of soil: the floor bears both, and its spans are shorter for it."""
    layers = [{"material": "topsoil", "thickness_m": 0.3}]
    dry = looked_at(on_legs(layers=layers))
    wet = looked_at(on_legs(layers=layers, reservoir={"height_m": 0.12, "overflow_m": 0.12, "medium": "gravel_20"}))
    more_kg = 4 * (wet.frame.leg_load_kg - dry.frame.leg_load_kg)
    # 1.8 x 1.0 x 0.12 m of stone at 1,400 to 1,700 kg/m3 with 38 % of water in it
    assert 0.216 * (1400 + 380) < more_kg < 0.216 * (1800 + 380) + 20
    assert wet.frame.floor.slat_most_m < 0.95 * dry.frame.floor.slat_most_m


def test_the_middle_legs_of_six_bear_most() -> None:
    """A beam of two bays puts 3/8, 10/8 and 3/8 of a bay on its supports: 0.625 of half the box in the middle."""
    assert support_shares(2) == pytest.approx((3 / 8, 10 / 8, 3 / 8))
    assert support_shares(3) == pytest.approx((0.4, 1.1, 1.1, 0.4))
    assert heaviest_leg_share(6) == pytest.approx(0.625 / 2)
    assert [heaviest_leg_share(legs) for legs in (1, 2, 3, 4)] == [1.0, 0.5, 0.5, 0.25]
    four, six = (looked_at(on_legs(legs={"count": count})) for count in (4, 6))
    standing_kg = 4 * four.frame.leg_load_kg
    assert six.frame.leg_load_kg == pytest.approx(0.3125 * standing_kg, rel=0.02)
    unbraced = finding(six, "legs_unbraced")
    assert unbraced is not None
    assert "the heaviest under" in unbraced.message


@given(st.integers(1, 60))
def test_the_heaviest_leg_bears_the_average_or_more(legs: int) -> None:
    assert heaviest_leg_share(legs) >= 1 / legs - 1e-12
    if legs > 1:
        # by the stiffness of a beam on rigid supports, beside the theorem of three moments
        rows = [math.ceil(legs / 2), legs // 2]
        by_stiffness = max(0.5 * max(_reactions(count)) for count in rows if count)
        assert heaviest_leg_share(legs) == pytest.approx(by_stiffness)


def _reactions(supports: int) -> list[float]:
    """Shares of a beam's load on its supports by the displacement method: rotations as the unknowns."""
    bays = supports - 1
    if bays == 0:
        return [1.0]
    stiffness, load = np.zeros((supports, supports)), np.zeros(supports)
    for bay in range(bays):
        stiffness[bay : bay + 2, bay : bay + 2] += np.array([[4.0, 2.0], [2.0, 4.0]])
        load[bay] -= 1 / 12
        load[bay + 1] += 1 / 12
    turned = np.linalg.solve(stiffness, load)
    shares = np.zeros(supports)
    for bay in range(bays):
        more = 6 * (turned[bay] + turned[bay + 1])
        shares[bay] += 0.5 + more
        shares[bay + 1] += 0.5 - more
    return [float(each) / bays for each in shares]


WOODS = st.sampled_from([C16, C18, D24])


@given(
    st.floats(500, 25_000), st.floats(0.4, 3.0), st.floats(0.3, 1.5), st.integers(2, 8), st.integers(1, 4),
    st.floats(0.018, 0.06), st.floats(0.08, 0.25), WOODS,
)  # fmt: skip
def test_a_floor_called_strong_passes_both_checks_worked_out_otherwise(
    load_pa: float, long_m: float, wide_m: float, bearers: int, bays: int, thick_m: float, width_m: float,
    wood: StrengthClass,
) -> None:  # fmt: skip
    """Every stress from the forces of beams cut into 400 parts, against f_d of EN 1995-1-1 6.1.6 and 6.1.7."""
    spans = floor_spans(load_pa, long_m, wide_m, bearers, bays, FloorWood(thick_m, width_m, wood))
    slat = _stresses(load_pa, spans.slats.is_m, bearers - 1, 1.0, thick_m, 0.0)
    share = max(_reactions(bearers)) * (bearers - 1)
    inner = _stresses(load_pa * spans.slats.is_m * share, long_m / bays, bays, thick_m, width_m, 0.0)
    outer = _stresses(load_pa * spans.slats.is_m / 2, long_m / bays, 1, thick_m, width_m, 1000.0)
    for bending_pa, shear_pa, k_mod in ((*slat, 0.5), (*inner, 0.5), (*outer, 0.7)):
        passes = bending_pa <= k_mod * wood.bending_pa / 1.3 * 1.001 and (
            shear_pa <= k_mod * wood.shear_pa / 1.3 * 1.001
        )
        assert passes or not spans.is_strong


def _stresses(
    load_n_m: float, span_m: float, bays: int, wide_m: float, high_m: float, person_n: float
) -> tuple[float, float]:
    """Largest bending and shear stress [Pa] under 1.35 of the load and 1.5 of a person in the middle of one bay."""
    ends = [0.0] * (bays + 1)
    shares = _reactions(bays + 1)
    force, at, most_moment, most_shear = 0.0, 0.0, 0.0, 0.0
    for support in range(bays + 1):
        force += shares[support] * bays * load_n_m * span_m
        for part in range(401 if support < bays else 1):
            x = part * span_m / 400
            most_moment = max(most_moment, abs(ends[support] + force * x - load_n_m * x * x / 2))
            most_shear = max(most_shear, abs(force - load_n_m * x))
        if support < bays:
            ends[support + 1] = ends[support] + force * span_m - load_n_m * span_m**2 / 2
            force -= load_n_m * span_m
            at += span_m
    moment = 1.35 * most_moment + 1.5 * person_n * span_m / 4
    shear = 1.35 * most_shear + 1.5 * person_n * (1.0 if person_n else 0.0)
    return moment * 6 / (wide_m * high_m**2), 1.5 * shear / (0.67 * wide_m * high_m)


def test_a_beam_by_hand() -> None:
    """38 x 140 mm of C16 under 4,000 N/m.

    Bending: W = 38 x 140^2 / 6 = 124,133 mm3; M_d = 0.5 x 16 / 1.3 x 124,133 = 763.9 N m; L = sqrt(8 x 763.9 / 5400)
    = 1.064 m. Shear: V_d = 0.5 x 3.2 / 1.3 x 0.67 x 38 x 140 / 1.5 = 2,924 N; L = 2 x 2924 / 5400 = 1.083 m.
    """
    section = Section(0.038, 0.14)
    assert strong_span(4000.0, section, C16) == pytest.approx(1.064, abs=0.001)
    # at 3 times the load shear rules: 2 x 2924 / 16,200 = 0.361 m, where bending would allow 0.614 m
    assert strong_span(12_000.0, section, C16) == pytest.approx(0.361, abs=0.001)
    assert math.isinf(strong_span(0.0, section, C16))


def test_a_wall_is_held_by_the_worse_of_sag_and_strength() -> None:
    """A 50 mm sleeper 0.30 m down sags first: 1.75 m. At 20 kPa strength rules.

    f_d = 6.154 MPa, W = 50^2 / 6 mm3 a mm: L = sqrt(8 x 6.154 x 416.7 / (1.35 x 0.020)) = 872 mm by bending; shear
    allows 2 x 1.231 x 0.67 x 50 / 1.5 / (1.35 x 0.020) = 2,036 mm; sag
    (384 x 8000 x 50^3 / 12 / 150 / (5 x 0.020 x 3))^(1/3) = 892 mm.
    """
    assert wall_spacing(0.5 * 1800 * 9.81 * 0.30, 0.050, C16) == pytest.approx(1.75, abs=0.005)
    assert wall_spacing(20_000.0, 0.050, C16) == pytest.approx(0.872, abs=0.002)
    assert plate_span(20_000.0, 0.050, C16) == wall_spacing(20_000.0, 0.050, C16)


def test_legs_without_a_section_are_two_boards_as_an_angle() -> None:
    """Two boards of 38 x 140 mm: 10,640 mm2 of foot, pieces of the frame's own boards, two a leg.

    The weak axis of an equal angle of legs b and thickness t is near t b^3 / 12 x 0.9: here 38, 140 + 38 beside 140.
    """
    legs = {"count": 4, "length_m": 0.5, "section_m": None}
    bed = looked_at(on_legs(legs=legs))
    assert [(each.width_m, each.count) for each in bed.frame.pieces if each.part == "leg"] == [(0.14, 8)]
    assert bed.frame.foot_pressure_pa == pytest.approx(bed.frame.leg_load_kg * 9.81 / (2 * 0.038 * 0.14))
    angle = angle_leg(0.038, 0.14)
    assert angle.area_m2 == pytest.approx(0.01064)
    points = np.stack(np.meshgrid(np.arange(0.0005, 0.178, 0.001), np.arange(0.0005, 0.14, 0.001)), -1).reshape(-1, 2)
    solid = points[(points[:, 0] < 0.038) | (points[:, 1] < 0.038)]
    weakest = float(np.linalg.eigvalsh(np.cov(solid.T, bias=True))[0]) * len(solid) * 1e-6
    assert angle.inertia_m4 == pytest.approx(weakest, rel=0.01)
    brick = {"kind": "units", "material": "brick", "legs": legs}
    with pytest.raises(PlanProblem, match=r"frame\.legs\.section_m: has to be given"):
        figures_of(zoo.plan(zoo.bed(frame=brick)))


def test_a_slender_leg_buckles() -> None:
    """Euler: pi^2 x 8,000 x 38^4 / 12 / 900^2 = 16,937 N; a third of it, 5,646 N, less a person of 1 kN: 474 kg."""
    assert leg_capacity(solid_leg(0.038, 0.038), 0.9, C16) == pytest.approx(5646, abs=3)
    # short and stout: 0.5 x 17 / 1.3 / 1.35 x 89 x 89 mm = 38.4 kN
    assert leg_capacity(solid_leg(0.089, 0.089), 0.2, C16) == pytest.approx(38_365, abs=40)
    weak = finding(looked_at(on_legs(legs={"section_m": [0.038, 0.038], "length_m": 0.9, "count": 4})), "leg_weak")
    assert weak is None
    weak = finding(looked_at(on_legs(legs={"section_m": [0.030, 0.030], "length_m": 0.9, "count": 4})), "leg_weak")
    assert weak is not None
    assert weak.level == "stop"
    more = weak.mend.steps[0].value
    legs = {"section_m": [0.030, 0.030], "length_m": 0.9, "count": more}
    assert finding(looked_at(on_legs(legs=legs)), "leg_weak") is None


def test_a_middle_post_breaks_off_at_the_ground() -> None:
    """Soil of 1,800 kg/m3: M = K0 rho g s H^3 / 6 = 0.5 x 1800 x 9.81 x 1.2 x 0.9^3 / 6 = 1,287 N m on 1.2 m of wall.

    A 75 mm post resists 6.154 x 75^3 / 6 = 432.7 N m, so 1.35 x 1287 is four times too much.
    """
    assert post_moment(Fill(()), 0.9, 1.2) == pytest.approx(1287, abs=1)
    shape = {"kind": "box", "length_m": 3.6, "width_m": 1.2, "depth_m": 0.84}
    frame = {"kind": "boards", "thickness_m": 0.038, "width_m": 0.14, "middle_posts": 2, "post_m": 0.075}
    soil = [{"material": "topsoil", "thickness_m": 0.8}]
    weak = finding(looked_at(zoo.bed(shape=shape, frame=frame, layers=soil)), "post_weak")
    assert weak is not None
    assert weak.level == "stop"
    tied = frame | {"ties": weak.mend.steps[0].value}
    assert finding(looked_at(zoo.bed(shape=shape, frame=tied, layers=soil)), "post_weak") is None


@settings(max_examples=25)
@given(st.floats(0.8, 2.4), st.floats(0.4, 1.2), st.integers(3, 10), st.floats(0.15, 0.6), st.booleans())
def test_more_on_a_floor_never_makes_it_stronger(
    long_m: float, wide_m: float, legs: int, depth_m: float, wicking: bool
) -> None:
    """Every box on legs: its heaviest leg bears the average or more, and a reservoir shortens every span allowed."""
    assume(wide_m <= long_m)
    shape = {"kind": "box", "length_m": long_m, "width_m": wide_m, "depth_m": 0.8}
    layers = [{"material": "topsoil", "thickness_m": depth_m - 0.1}, {"material": "compost", "thickness_m": 0.1}]
    words: dict[str, Any] = {"shape": shape, "layers": layers, "legs": {"count": legs}}
    bed = looked_at(on_legs(**words))
    standing_kg = bed.mass_saturated_kg + bed.frame.mass_kg + 5.0 * bed.top_area_m2
    assert bed.frame.leg_load_kg * legs >= standing_kg * (1 - 1e-9)
    if wicking:
        tank = {"height_m": 0.1, "overflow_m": 0.1, "medium": "scoria"}
        wet = looked_at(on_legs(**(words | {"legs": {"count": legs}, "reservoir": tank})))
        assert wet.frame.floor.bearer_most_m < bed.frame.floor.bearer_most_m
