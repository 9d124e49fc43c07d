"""Boards before they are bought: sizes that waste none, prices, floors that hold, fixings, posts in the fill."""

from __future__ import annotations

import math
from collections import Counter
from decimal import Decimal
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from nolbet_core.built.plan import build_plan
from nolbet_core.built.plan_file import read_plan
from nolbet_core.figure.figures import BedFigures, Figures
from nolbet_core.figure.frame_figures import FrameFigures
from nolbet_core.frame.corners import Corner
from nolbet_core.frame.floors import FloorWood, bearer_most, bearers_for, floor_spans
from nolbet_core.frame.reach import POSTURES, at_heights
from nolbet_core.frame.whole import Boarded, box_sizes, wastes_nothing
from nolbet_core.plan.garden import Plan
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.shelf.timber import C16
from tests.core import zoo
from tests.core.ask import figures_of

SOFT = {"material": "softwood", "thickness_m": 0.038, "width_m": 0.19}
BOX = {"kind": "box", "length_m": 2.4, "width_m": 1.2, "depth_m": 0.38}


def boards(**words: Any) -> dict[str, Any]:
    """A frame of boards of 38 x 190 mm."""
    return {"kind": "boards"} | SOFT | words


def garden(frame: dict[str, Any], offers: list[dict[str, Any]] | None = None, **words: Any) -> Figures:
    """A garden of one framed box of 2.4 x 1.2 m outside, and a yard that sells boards; its boards are cut."""
    bed = zoo.bed(shape=BOX, measured="outside", frame=frame) | words.pop("bed", {})
    yard = [{"key": "yard", "name": "Tide yard", "delivery": "30.00", "offers": offers}] if offers else []
    from nolbet_core.figure.walk import figure_plan  # noqa: PLC0415 - with the time that cutting may take

    return figure_plan(read_plan(zoo.plan(bed, suppliers=yard) | words), None, 5.0)


def piece(length_m: float, price: str, **words: Any) -> dict[str, Any]:
    """An offer of boards of 38 x 190 mm."""
    return SOFT | {"form": "piece", "length_m": length_m, "price": price} | words


def frame_in(figures: Figures | BedFigures) -> FrameFigures:
    """The frame of the one bed."""
    bed = figures.beds[0] if isinstance(figures, Figures) else figures
    assert bed.frame is not None
    return bed.frame


def found(figures: Figures, code: str) -> Any:
    """What is found under a code; None where nothing is."""
    return next((each for each in figures.beds[0].findings if each.code == code), None)


def boarded(corner: Corner, *lengths_m: float, thick_m: float = 0.089) -> Boarded:
    """Three courses cut from boards of some lengths."""
    return Boarded(corner, thick_m, 0.0, 0.0, 3, lengths_m, 0.003, 0.003)


def test_boards_of_seven_and_three_feet_make_one_size_by_each_corner() -> None:
    long_m, short_m, t = 2.1336, 0.9144, 0.089
    sizes = box_sizes(boarded("pinwheel", long_m, short_m), (2.0, 0.8), most=12)
    # each runs past at one end: outside a thickness longer than its boards, inside one shorter
    assert any(
        (each.length_m, each.width_m) == (pytest.approx(long_m - t, abs=1e-3), pytest.approx(short_m - t, abs=1e-3))
        and each.whole
        for each in sizes
    )
    # by turns the boards of neighbouring courses differ by two thicknesses: no size takes them all as they are
    assert not any(each.whole for each in box_sizes(boarded("alternate", long_m, short_m), (2.0, 0.8), most=12))


@given(
    st.sampled_from(["butt", "butt_short", "pinwheel", "mitre", "alternate"]),
    st.lists(st.floats(1.5, 5.0), min_size=1, max_size=4),
    st.floats(1.0, 3.5),
    st.floats(0.6, 1.6),
)
def test_every_size_told_is_near_and_wastes_nothing(
    corner: Corner, lengths_m: list[float], length_m: float, width_m: float
) -> None:
    made = boarded(corner, *lengths_m, thick_m=0.038)
    for size in box_sizes(made, (length_m, width_m)):
        assert abs(max(size.length_m, size.width_m) / max(length_m, width_m) - 1) <= 0.1 + 1e-3
        assert abs(min(size.length_m, size.width_m) / min(length_m, width_m) - 1) <= 0.1 + 2e-3
        for one, other in made.pieces((size.length_m, size.width_m)):
            alone = all((left := made.least_offcut(side)) is not None and left <= 0.052 for side in (one, other))
            together = made.offcut([one, other])
            assert alone or (together is not None and together <= 0.053)


def test_a_size_that_wastes_a_board_is_told_before_it_is_bought() -> None:
    yard = [piece(2.6, "11.00"), piece(1.2, "5.00")]
    figures = garden(boards(), yard)
    told = found(figures, "boards_cut")
    assert told is not None
    size = frame_in(figures).sizes[0]
    assert (size.length_m, size.width_m, size.whole) == (2.6, pytest.approx(1.2 + 2 * 0.038), True)
    taken = garden(boards(), yard, bed={
        "shape": BOX | {"length_m": size.length_m, "width_m": size.width_m}})  # fmt: skip
    assert found(taken, "boards_cut") is None
    assert taken.cuts is not None
    assert taken.cuts.offcuts_m <= 0.05 * sum(each.count for each in taken.cuts.boards)
    # where nobody has said what boards there are, nothing is said of their offcuts
    assert found(garden(boards()), "boards_cut") is None


def test_corners_by_turns_are_told_with_their_four_lengths() -> None:
    told = found(garden(boards(corner="alternate")), "corners_by_turns")
    assert told is not None
    assert "4 lengths: 2,400 mm, 2,324 mm, 1,200 mm, 1,124 mm" in told.message
    assert "38 mm longer and wider" in told.why
    assert found(garden(boards(corner="alternate", courses=1)), "corners_by_turns") is None
    assert found(garden(boards(corner="pinwheel")), "corners_by_turns") is None


def test_a_side_over_the_longest_board_is_joined_and_a_post_never() -> None:
    post = {
        "form": "piece",
        "material": "softwood",
        "thickness_m": 0.09,
        "width_m": 0.09,
        "length_m": 0.6,
        "price": "4.00",
    }
    figures = garden(boards(corner="corner_post", post_m=0.09), [piece(1.5, "6.00"), post])
    assert found(figures, "joints_in_line") is not None
    assert figures.cuts is not None
    # posts of 0.38 + 0.45 m don't come out of 0.6 m
    assert [(each.length_m, each.count) for each in figures.cuts.uncut] == [(pytest.approx(0.83), 4)]
    assert found(garden(boards(), [piece(2.4, "9.00")]), "joints_in_line") is None


def test_a_frame_is_priced_by_the_metre_and_by_the_year() -> None:
    figures = frame_in(garden(boards(), [piece(2.4, "9.60"), piece(3.6, "13.68")]))
    # two courses of 2 x 2.4 and 2 x 1.124 m at 3.80 a metre, the cheaper of 4.00 and 3.80
    price = Decimal("53.56")
    assert figures.price == price
    assert figures.price_a_year == ((price / 7).quantize(Decimal("0.01")), (price / 3).quantize(Decimal("0.01")))
    assert [(each.courses, each.price) for each in figures.choices[:3]] == [
        (1, Decimal("26.78")), (2, price), (3, Decimal("80.35"))]  # fmt: skip
    assert figures.unpriced == ["Screws"]
    screws = {"form": "pack", "material": "screw", "length_m": 0.08, "count": 100, "price": "12.00"}
    # four corners, two courses, three screws each, at 12 cents
    assert frame_in(garden(boards(), [piece(3.6, "13.68"), screws])).price == price + 24 * Decimal("0.12")
    assert frame_in(garden(boards())).price is None


def test_boards_are_part_of_the_haul_with_their_delivery() -> None:
    soil = {"form": "bulk", "material": "topsoil", "price_per_m3": "40.00"}
    with_boards = garden(boards(), [piece(3.6, "13.68"), soil])
    bare = garden(boards(), [soil])
    assert with_boards.haul is not None
    assert bare.haul is not None
    assert with_boards.cuts is not None
    # a 2.4 and a 1.124 m come out of each board of 3.6 m
    assert with_boards.cuts.price == 4 * Decimal("13.68")
    assert with_boards.haul.total - bare.haul.total == with_boards.cuts.price
    assert "softwood" in bare.haul.unpriced
    assert "softwood" not in with_boards.haul.unpriced


def test_what_is_left_of_boards_lies_on_hand_once_they_are_sawn() -> None:
    stock = [SOFT | {"length_m": 3.0, "count": 3}, SOFT | {"length_m": 2.4, "count": 5}]
    cuts = garden(boards(), [piece(3.6, "50.00")], stock=stock).cuts
    assert cuts is not None
    assert cuts.price == 0
    used = sum(each.length_m * each.count for each in cuts.boards)
    lying = sum(each.length_m * each.count for each in cuts.lying_after)
    asked = 4 * 2.4 + 4 * (1.2 - 2 * 0.038)
    assert (
        used + sum(each.length_m * each.count for each in cuts.lying_after if each.length_m in (3.0, 2.4)) == 9.0 + 12.0
    )
    assert lying == pytest.approx(21.0 - asked, abs=0.6)


def test_a_floor_holds_up_to_where_it_bends_by_a_150th() -> None:
    wood = FloorWood(0.025, 0.14, C16)
    load_pa, apart_m = 6000.0, 0.4
    span_m = bearer_most(load_pa * apart_m, wood)
    # simply supported, evenly loaded, three times as far in the end: 5 w L4 / 384 E I
    inertia = 0.025 * 0.14**3 / 12
    assert 3 * 5 * load_pa * apart_m * span_m**4 / (384 * 8e9 * inertia) == pytest.approx(span_m / 150)
    three = floor_spans(load_pa, 1.6, 0.8, 3, 2, wood)
    assert (three.slats.is_m, three.bearers.is_m) == (pytest.approx(0.4), pytest.approx(0.8))
    enough = bearers_for(load_pa, 1.6, 0.8, 2, wood)
    assert enough is not None
    assert floor_spans(load_pa, 1.6, 0.8, enough, 2, wood).holds
    assert enough == 2 or not floor_spans(load_pa, 1.6, 0.8, enough - 1, 2, wood).holds
    assert bearers_for(1e9, 1.6, 0.8, 2, wood) is None


def test_a_weak_floor_is_told_and_mended() -> None:
    legs = {"count": 6, "length_m": 0.6, "section_m": [0.09, 0.09]}
    floor = {"thickness_m": 0.019, "width_m": 0.14, "gap_m": 0.005}
    told = found(garden(boards(legs=legs, floor=floor)), "floor_weak")
    assert told is not None
    assert told.mend is not None
    bearers = told.mend.steps[0].value
    assert bearers > 2
    assert found(garden(boards(legs=legs, floor=floor | {"bearers": bearers})), "floor_weak") is None


def test_the_cheapest_way_to_hold_a_side_comes_first() -> None:
    thin = {"material": "softwood", "thickness_m": 0.019, "width_m": 0.14}
    tie = thin | {"form": "piece", "length_m": 3.0, "price": "30.00"}
    thick = {"form": "piece", "material": "softwood", "thickness_m": 0.089, "width_m": 0.14, "length_m": 3.0,
             "price": "34.00"}  # fmt: skip
    told = found(garden({"kind": "boards", **thin, "courses": 3}, [tie, thick]), "brace_far")
    assert told is not None
    # three courses of 7.05 m at 1.33 more a metre cost less than three ties of the same board
    assert told.advice.startswith("Cheapest first: take 4x6 boards, 89 mm thick ($28.")
    assert told.mend is not None
    assert {step.path: step.value for step in told.mend.steps} == {
        "frame.nominal": "4x6", "frame.thickness_m": None, "frame.width_m": None}  # fmt: skip
    unpriced = found(garden({"kind": "boards", **thin, "courses": 3}), "brace_far")
    assert unpriced is not None
    assert unpriced.mend is not None
    assert unpriced.mend.steps[0].path == "frame.ties"


def test_posts_inside_take_their_room_and_pierce_a_liner() -> None:
    plain, posted = garden(boards()), garden(boards(corner="corner_post", post_m=0.09))
    taken = plain.beds[0].inside_volume_m3 - posted.beds[0].inside_volume_m3
    assert taken == pytest.approx(4 * 0.09**2 * 0.38)
    slotted = garden(boards(corner="slotted_post", post_m=0.1, slot_m=0.03))
    assert plain.beds[0].inside_volume_m3 - slotted.beds[0].inside_volume_m3 == pytest.approx(4 * 0.031**2 * 0.38)
    water = {"reservoir": {"height_m": 0.12, "overflow_m": 0.12, "medium": "gravel_20", "liner_lap_m": 0.15}}
    wicking = [
        found(figures_of(zoo.plan(zoo.bed(shape=BOX, measured="outside", frame=frame) | water)), "liner_pierced")
        for frame in (boards(), boards(corner="corner_post", post_m=0.09))
    ]
    assert wicking[0] is None
    assert wicking[1].message.startswith("4 posts stand in the water")


@pytest.mark.parametrize(
    ("frame", "units"),
    [
        # logs of 15 cm: three on each other for 38 cm, four sides of one log each, two stakes a log
        ({"kind": "logs", "thickness_m": 0.15}, {"wall_log": 12, "stake": 24}),
        # 7.2 m round at 38 cm, 25 rods a square metre; a stake every 35 cm
        ({"kind": "hurdle", "thickness_m": 0.05}, {"hurdle_rod": math.ceil(7.2 * 0.38 / 0.04), "stake": 21}),
        # panels 0.762 m wide with a lap of 0.076 m, each cut into four lengths of 38 cm
        ({"kind": "sheet"}, {"sheet_metal": math.ceil(math.ceil(7.2 / 0.686) / 4)}),
        ({"kind": "pallets"}, {"pallet": 6}),
    ],
)
def test_walls_of_no_boards_are_counted(frame: dict[str, Any], units: dict[str, int]) -> None:
    figures = garden(frame)
    assert frame_in(figures).units == units
    needs = {each.material: each.units for each in figures.needs}
    assert {key: needs[key] for key in units} == units
    assert frame_in(figures).mass_kg > 0


def test_a_dry_wall_by_the_tonne_leans_on_stone_with_a_tenth_to_spare() -> None:
    figures = garden({"kind": "dry_stone", "thickness_m": 0.3})
    # 7.2 m outside, 6.0 m along its middle; 38 cm high, 30 cm thick, a quarter gaps, 2.5 t/m3
    assert frame_in(figures).fixings.stone_kg == pytest.approx(6.0 * 0.38 * 0.3 * 0.75 * 2500 * 1.1)
    stone = next(each for each in figures.needs if each.material == "walling_stone")
    assert stone.mass_kg == pytest.approx(frame_in(figures).fixings.stone_kg, rel=0.03)


def test_mortar_concrete_and_adhesive_come_in_whole_bags_and_tubes() -> None:
    brick = frame_in(garden({"kind": "units", "material": "brick"}))
    assert brick.fixings.mortar_bags == math.ceil(brick.mortar_m3 / 0.0095)
    glued = frame_in(garden({"kind": "units", "material": "block", "joint_m": 0.0, "courses": 3}))
    # two beds of adhesive between three courses, 7.2 m each, one bead of 10 m a tube
    assert (glued.fixings.adhesive_tubes, glued.fixings.mortar_bags) == (2, 0)
    posts = frame_in(garden(boards(corner="corner_post", post_m=0.09)))
    assert posts.fixings.concrete_bags == math.ceil(posts.concrete_m3 / 0.0095)
    assert posts.fixings.post_gravel_m3 == pytest.approx(4 * 0.1 * math.pi * 0.27**2 / 4)
    assert (posts.fixings.brackets, frame_in(garden(boards())).fixings.brackets) == (0, 8)
    spiked = frame_in(garden(boards(thickness_m=0.089)))
    # spikes one and a half times as long as the beam is high, and a stake at each end of the lowest ones
    assert [each.length_m for each in spiked.screws] == [pytest.approx(0.285)]
    assert (spiked.fixings.stakes, spiked.fixings.pilot_m) == (8, None)


def test_a_height_to_work_at_by_courses_or_by_legs() -> None:
    on_ground = {each.posture.key: each for each in at_heights(2, 0.19, on_legs=False)}
    assert on_ground["on_the_rim"].courses == 2
    assert on_ground["standing"].rim_m == pytest.approx(5 * 0.19)
    assert "wheelchair" not in on_ground
    chair = next(each for each in at_heights(1, 0.19, on_legs=True) if each.posture.key == "wheelchair")
    assert chair.leg_m == pytest.approx(0.70)
    assert chair.fits
    # a deep box on legs that leave room for knees stands too high for them
    deep = next(each for each in at_heights(3, 0.19, on_legs=True) if each.posture.key == "wheelchair")
    assert (deep.rim_m, deep.fits) == (pytest.approx(1.27), False)
    assert all(least < most for least, most in (each.height_m for each in POSTURES))


@pytest.mark.parametrize(
    ("frame", "words", "path", "said"),
    [
        (boards(courses=0), {}, "beds[0].frame.courses", "1"),
        (boards(thickness_m=0.003), {}, "beds[0].frame.thickness_m", "the saw takes 0.003"),
        ({"kind": "boards", "nominal": "2x8", "thickness_m": 0.05}, {}, "beds[0].frame.thickness_m", "a 2x8 is 0.038"),
        (
            boards(legs={"count": 4, "length_m": 0.6, "section_m": [0.09, 0.09]}),
            {"stand": {"on": "legs", "legs": 6}},
            "beds[0].frame.legs.count",
            "stand.legs says 6",
        ),
        (boards(), {"wall_m": 0.1}, "beds[0].wall_m", "its frame is 0.038 thick"),
    ],
)
def test_what_no_frame_can_be_is_told_with_its_field_and_what_would_do(
    frame: dict[str, Any], words: dict[str, Any], path: str, said: str
) -> None:
    with pytest.raises(PlanProblem) as told:
        read_plan(zoo.plan(zoo.bed(frame=frame) | words))
    assert told.value.path == path
    assert said in told.value.message


def test_a_board_thinner_than_a_wide_kerf_is_told() -> None:
    plan = Plan.model_validate(zoo.plan(zoo.bed(frame=boards(thickness_m=0.006)), cutting={"kerf_m": 0.008}))
    assert [each.path for each in build_plan(plan).problems] == ["beds[0].frame.thickness_m"]
    assert wastes_nothing(boarded("mitre", 2.4, 1.2, thick_m=0.038), (2.4 - 0.076, 1.2 - 0.076))


def limited(*offers: dict[str, Any]) -> Figures:
    """The box of four sides of 2.4 m and four of 1.124 m, by a yard with few boards."""
    return garden({"kind": "boards", **SOFT, "courses": 2}, list(offers))


def bought(figures: Figures) -> dict[tuple[str, float], int]:
    """Boards that are bought, by what one costs and its length."""
    assert figures.cuts is not None
    found: Counter[tuple[str, float]] = Counter()
    for each in figures.cuts.boards:
        if each.source == "bought":
            found[str(each.price), each.length_m] += each.count
    return dict(found)


@pytest.mark.parametrize(("at_most", "reaches"), [(5, False), (6, True), (7, True)])
def test_no_more_boards_are_bought_than_a_shop_has(at_most: int, reaches: bool) -> None:
    """2.4 x 1.2 m of 38 mm boards, butted, two courses: four of 2.4 m and four of 1.124 m.

    From 2.4 m: four boards whole, two of the short pieces to a board (2 x 1.124 + 0.003 = 2.251 m): two more, six in
    all.
    """
    figures = limited(piece(2.4, "6.00", at_most=at_most))
    assert figures.haul is not None
    assert figures.cuts is not None
    if reaches:
        assert bought(figures) == {("6.00", 2.4): 6}
        assert [(each.material, each.count) for each in figures.haul.lines if each.material == "softwood"] == [
            ("softwood", 6)
        ]
        assert "softwood" not in figures.haul.unmet
        return
    # five don't reach: what can't be cut is told, and the wood is left out of the total and named
    assert sum(each.count for each in figures.cuts.uncut) > 0
    assert "softwood" in figures.haul.unmet
    assert [each for each in figures.haul.lines if each.material == "softwood"] == []


def test_what_a_shop_lacks_comes_from_the_next_cheapest() -> None:
    """Six boards of 2.4 m, of which the cheap offer has four: two more at the dear one: 4 x 6.00 + 2 x 7.50 = 39.00."""
    figures = limited(piece(2.4, "6.00", at_most=4), piece(2.4, "7.50"), piece(2.4, "9.00"))
    assert bought(figures) == {("6.00", 2.4): 4, ("7.50", 2.4): 2}
    assert figures.cuts is not None
    assert figures.cuts.price == Decimal("39.00")
    assert figures.cuts.proven_optimal
    assert figures.haul is not None
    assert sum(each.price for each in figures.haul.lines if each.material == "softwood") == Decimal("39.00")


def test_a_pack_counts_its_boards() -> None:
    """Packs of two boards, of which there are two: four of the six boards; the other two come one by one."""
    pack = piece(2.4, "10.00", at_most=2) | {"form": "pack", "count": 2}
    figures = limited(pack, piece(2.4, "6.00"))
    assert figures.cuts is not None
    assert figures.cuts.price == Decimal("32.00")


def test_pallets_have_a_size_and_stand_on_edge_or_lie() -> None:
    """2.4 x 1.2 m outside, 0.38 m high: round it 7.2 m.

    On edge: 7.2 / 1.2 = 6, one row of 1.0 m. Flat, 0.144 m high: three rows (0.432 m), 18. Of 0.8 m: 9 on edge.
    """
    assert frame_in(garden({"kind": "pallets"})).units == {"pallet": 6}
    outside = {"bed": {"shape": BOX | {"length_m": 6.0, "width_m": 5.0}}}
    flat = frame_in(garden({"kind": "pallets", "unit_m": [1.2, 1.0, 0.144]}, **outside))
    # 22 m round: 19 a row
    assert flat.units == {"pallet": 57}
    assert frame_in(garden({"kind": "pallets", "unit_m": [0.8, 0.144, 1.2]})).units == {"pallet": 9}
