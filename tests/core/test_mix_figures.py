"""A mix in figures: marks on bands, findings, amounts and bags, zones of a bed, and wishes over a whole plan."""

from __future__ import annotations

from decimal import Decimal
from typing import Any

import pytest

from nolbet_core.blend.target import USUAL_TARGETS
from nolbet_core.built.mixes import target_of
from nolbet_core.built.plan import BuiltPlan
from nolbet_core.built.plan_file import read_plan
from nolbet_core.figure.blend_figures import MixFigures
from nolbet_core.figure.cheapest_mix import Wish, figure_batch, figure_cheapest
from nolbet_core.figure.mix_amounts import figure_mix_amounts, figure_zones
from nolbet_core.figure.mixing import figure_mix
from nolbet_core.findings.every import BY_SUBJECT
from nolbet_core.plan.mix import PlanMix
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.quantities.units import System
from tests.core import zoo
from tests.core.ask import figures_of

THIRDS = {
    "key": "thirds",
    "name": "Thirds",
    "parts": [{"material": key, "parts": 1} for key in ("topsoil", "compost", "coarse_sand")],
}
SUPPLIERS = [
    {
        "key": "yard",
        "delivery": "20.00",
        "offers": [
            {"material": "topsoil", "form": "bag", "volume_m3": 0.02, "price": "4.00", "fetch": True},
            {"material": "compost", "form": "bag", "volume_m3": 0.04, "price": "6.00", "fetch": True},
            {"material": "coarse_sand", "form": "bag", "volume_m3": 0.0125, "price": "4.00", "fetch": True},
            {"material": "coir", "form": "bag", "volume_m3": 0.07, "price": "16.80", "fetch": True},
            {"material": "perlite", "form": "bulk", "price_per_m3": "200.00"},
        ],
    }
]
BED = zoo.bed(key="box", name="Box", layers=[{"material": "thirds", "fill": True}])


def plan_of(*beds: dict[str, Any], **changes: Any) -> Any:
    """A plan with the thirds, a bed of them and suppliers, and its supplies."""
    built = built_of_plan(*beds, **changes)
    return built.plan, built.supplies


def built_of_plan(*beds: dict[str, Any], **changes: Any) -> BuiltPlan:
    """The same as built."""
    return read_plan(zoo.plan(*(beds or (BED,)), **({"mixes": [THIRDS], "suppliers": SUPPLIERS} | changes)))


_, SUPPLIES = plan_of()


def mix(**changes: Any) -> PlanMix:
    """The thirds with something changed."""
    return PlanMix.model_validate(THIRDS | changes)


def figured(**changes: Any) -> MixFigures:
    """The thirds in figures."""
    return figure_mix(mix(**changes), SUPPLIES, System.METRIC)


def state(figures: MixFigures, name: str) -> str:
    """How a mark stands to its band."""
    return next(each.state for each in figures.marks if each.name == name)


def parts(**counts: float) -> list[dict[str, Any]]:
    """Parts of a mix."""
    return [{"material": key, "parts": count} for key, count in counts.items()]


def test_thirds_suit_a_raised_bed_save_for_what_is_organic() -> None:
    figures = figured()
    values = {each.name: each.value for each in figures.marks}
    assert values["air_filled"] == pytest.approx(0.19667, abs=1e-5)
    assert values["water_held"] == pytest.approx(0.36)
    assert {each.name: each.state for each in figures.marks if each.state not in ("in", "free")} == {
        "organic_matter": "under"
    }
    # dry 1150 + 400 + 1500 kg, of it 1.724 x (23 + 96) organic
    assert values["organic_matter"] == pytest.approx(1.724 * 119 / 3050)
    assert {each.name: each.spread for each in figures.marks if each.spread} == {"ph": 0.5}
    assert [each.share for each in figures.parts] == pytest.approx([1 / 3] * 3)
    assert (figures.parts_in, figures.parts_out, figures.measured) == (3, 3, False)


FOUND: list[tuple[dict[str, Any], str, str]] = [
    ({"parts": parts(compost=3, topsoil=2)}, "mix_compost_share", "advice"),
    ({"parts": parts(compost=4, topsoil=1)}, "mix_compost_share", "caution"),
    ({"parts": parts(topsoil=1, grit=3)}, "drains_fast", "advice"),
    ({"parts": parts(topsoil=1), "target": {"use": "deep_container"}}, "drains_slow", "advice"),
    ({"target": {"use": "wicking_bed"}}, "wicks_little", "caution"),
    ({"parts": parts(peat=1, topsoil=1)}, "ph_out", "advice"),
    ({"parts": parts(composted_bark=1)}, "too_much_carbon", "advice"),
    ({"parts": parts(peat=1, topsoil=2)}, "peat_sheds_water", "note"),
    ({"parts": parts(sawdust=1, compost=4), "target": {"use": "seed_sowing"}}, "raw_wood_in_seed_mix", "caution"),
    ({"parts": parts(garden_soil=1, compost=1)}, "weed_seed", "note"),
    ({"parts": parts(garden_soil=1, compost=1), "target": {"use": "seed_sowing"}}, "weed_seed", "advice"),
    ({}, "mix_dust", "note"),
    ({}, "organic_matter_out", "advice"),
    ({"parts": parts(compost=3, peat=1)}, "organic_matter_out", "advice"),
]


@pytest.mark.parametrize(("change", "code", "level"), FOUND)
def test_each_finding_is_found_where_it_holds(change: dict[str, Any], code: str, level: str) -> None:
    assert (code, level) in [(each.code, each.level) for each in figured(**change).findings]


def test_a_sour_mix_is_told_how_much_limestone() -> None:
    (found,) = [each for each in figured(parts=parts(peat=1, topsoil=1)).findings if each.code == "ph_out"]
    # weights 1824 and 1943: 5.29, so 0.71 under 6
    assert found.message.startswith("Its pH comes to about 5.3, 0.5 either way")
    assert "ground limestone: about 1.4 kg to a m³ (0.7 kg to 2.8 kg)" in found.advice


def test_every_code_is_tried_and_a_good_mix_has_none_but_dust() -> None:
    assert {code for _, code, _ in FOUND} == {finding.code for finding in BY_SUBJECT["mix"]}
    good = figured(parts=parts(topsoil=2, compost=1, coarse_sand=0.25))
    assert [each.code for each in good.findings] == ["mix_dust"]
    (dust,) = good.findings
    assert dust.advice.endswith("Local rules and licensed practice come first.")


def test_bands_are_the_gardeners_to_change() -> None:
    assert state(figured(target={"air_filled": [0.3, 0.5]}), "air_filled") == "under"
    assert state(figured(target={"water_held": [0.1, 0.2]}), "water_held") == "over"
    assert state(figured(target={"c_to_n_most": 10.0}), "c_to_n") == "over"
    assert state(figured(target={"rise_least_m": 0.3}), "rise_m") == "under"
    assert state(figured(target={"compost_most": 0.3}), "compost_share") == "over"
    with pytest.raises(ValueError, match="is over the most"):
        mix(target={"ph": [7.0, 6.0]})


def test_a_wicking_mix_has_to_reach_the_top_of_its_own_bed() -> None:
    wicking = mix(target={"use": "wicking_bed"})
    assert target_of(wicking).rise_least_m == 0.30
    assert target_of(wicking, 0.2).rise_least_m == 0.2
    assert target_of(mix(), 0.2).rise_least_m is None
    assert target_of(mix()) == USUAL_TARGETS["raised_bed"]


def test_what_is_not_known_is_named() -> None:
    figures = figured(parts=parts(topsoil=1, leaves=1))
    assert figures.unknown == ["Leaves"]
    assert state(figures, "air_filled") == "unknown"


REFUSED: list[tuple[dict[str, Any], str, str]] = [
    ({"parts": parts(topsoil=0)}, "mix.parts", "add up to nothing"),
    ({"parts": parts(thirds=1)}, "mix.parts[0].material", "would contain itself"),
    ({"parts": parts(outer=1)}, "mix.parts[0].material", "would contain itself"),
    ({"parts": parts(topsoil=1, moss=1)}, "mix.parts[1].material", "isn't on the shelf"),
    ({"parts": parts(cardboard=1)}, "mix.parts[0].material", "can't be mixed"),
    ({"bucket_test": {"parts_in": 3, "level_out": 6}}, "mix.bucket_test", "more than went in"),
]


@pytest.mark.parametrize(("change", "path", "said"), REFUSED)
def test_what_cannot_be_mixed_names_its_place(change: dict[str, Any], path: str, said: str) -> None:
    outer = {"key": "outer", "parts": parts(thirds=1, compost=1)}
    _, supplies = plan_of(mixes=[THIRDS, outer])
    with pytest.raises(PlanProblem, match=said) as problem:
        figure_mix(mix(**change), supplies, System.METRIC)
    assert problem.value.path == path


def test_a_whole_plan_refuses_what_a_draft_does() -> None:
    with pytest.raises(PlanProblem, match=r"mixes\[0\]\.bucket_test"):
        plan_of(mixes=[THIRDS | {"bucket_test": {"parts_in": 3, "level_out": 0.9}}])


def amounts(entry: PlanMix, bed: str | None = None, **changes: Any) -> Any:
    """What a mix takes in a plan."""
    return figure_mix_amounts(built_of_plan(**changes), entry, bed)


def test_a_bucket_test_changes_the_bags_of_a_bed() -> None:
    plain = amounts(mix()).amounts[-1]
    # a cubic metre placed, 1.133 loose, a third each: 0.378 m3
    assert plain.loose_m3 == pytest.approx(1.0 * (1.15 + 1.15 + 1.1) / 3)
    counts = {line.material: line.count for line in plain.lines}
    assert counts == {"topsoil": 19, "compost": 10, "coarse_sand": 31}
    tested = amounts(mix(bucket_test={"parts_in": 3, "level_out": 2.4})).amounts[-1]
    more = {line.material: line.count for line in tested.lines}
    # 1.25 parts for each of mix: 0.472 m3
    assert more == {"topsoil": 24, "compost": 12, "coarse_sand": 38}
    assert tested.total > plain.total


def test_a_barrow_a_mixer_and_each_bed_take_what_they_hold() -> None:
    found = amounts(mix(), stock=[{"material": "compost", "volume_m3": 0.01}])
    assert [each.what for each in found.amounts] == ["barrow", "mixer", "bed"]
    barrow = {each.material: each for each in found.amounts[0].taken}
    assert barrow["compost"].loose_m3 == pytest.approx(0.085 / 3)
    assert barrow["compost"].to_buy_m3 == pytest.approx(0.085 / 3 - 0.01)
    # (4 / 0.02 + 6 / 0.04 + 4 / 0.0125) / 3
    assert found.price_per_m3 == Decimal("223.33")
    assert found.unpriced == []


def test_amounts_agree_with_the_beds_own_needs() -> None:
    (bed,) = [each for each in amounts(mix()).amounts if each.what == "bed"]
    needs = {each.material: each.loose_m3 for each in figures_of(zoo.plan(BED, mixes=[THIRDS])).needs}
    assert {each.material: each.loose_m3 for each in bed.taken} == pytest.approx(needs)


def test_a_bed_without_the_mix_is_told_of_when_asked() -> None:
    other = zoo.bed(key="other", name="Other")
    found = amounts(mix(), "other", beds=[BED, other])
    (asked,) = [each for each in found.amounts if each.bed == "other"]
    assert (asked.lies, asked.loose_m3) == (False, pytest.approx(1.15))
    assert not [each for each in amounts(mix(), None, beds=[BED, other]).amounts if each.bed == "other"]


def test_mixes_within_mixes_and_what_nobody_offers() -> None:
    outer = {"key": "outer", "name": "Outer", "parts": parts(thirds=1, peat=1)}
    bed = zoo.bed(key="box", layers=[{"material": "outer", "fill": True}])
    found = amounts(mix(), mixes=[THIRDS, outer], beds=[bed])
    assert found.mixed_into == ["Outer"]
    assert found.amounts[-1].loose_m3 == pytest.approx(1.0 * (1.0 * (1.15 + 1.15 + 1.1) / 3 + 1.15) / 2 / 2)
    whole = amounts(PlanMix.model_validate(outer), mixes=[THIRDS, outer], beds=[bed])
    assert whole.price_per_m3 is None
    assert whole.unpriced == ["Peat"]
    assert whole.amounts[-1].unmet == ["Peat"]


def test_zones_stand_top_to_bottom_against_their_use() -> None:
    dry = {"key": "dry", "name": "Dry", "parts": parts(topsoil=1, grit=3), "target": {"use": "dry_herb"}}
    bed = zoo.bed(
        key="box",
        layers=[
            {"material": "rubble", "thickness_m": 0.1},
            {"material": "thirds", "thickness_m": 0.2},
            {"material": "dry", "fill": True},
        ],
    )
    plan, supplies = plan_of(bed, mixes=[THIRDS, dry])
    zones = figure_zones(plan, plan.beds[0], supplies)
    assert [(each.layer, each.material, each.use) for each in zones.zones] == [
        (2, "dry", "dry_herb"),
        (1, "thirds", "raised_bed"),
    ]
    assert zones.soil_over_water_m is None
    assert zones.zones[1].thickness_m == pytest.approx(0.2)


def test_a_bed_over_water_says_how_high_it_has_to_wick() -> None:
    wet = BED | {"reservoir": {"height_m": 0.2, "overflow_m": 0.15, "medium": "gravel_20"}}
    plan, supplies = plan_of(wet)
    zones = figure_zones(plan, plan.beds[0], supplies)
    assert zones.soil_over_water_m == pytest.approx(0.35)


def wish(**changes: Any) -> Wish:
    """A wish for a tenth of a cubic metre of thirds' target."""
    return Wish(**({"entry": mix(), "materials": None, "volume_m3": 0.1} | changes))


def test_the_cheapest_says_what_changed_and_why() -> None:
    plan, supplies = plan_of()
    found = figure_cheapest(plan, wish(entry=mix(target={"use": "moist_herb"})), supplies)
    assert found.fits
    assert found.mix is not None
    assert all(each.state in ("in", "free") for each in found.mix.marks)
    assert found.price_per_m3 is not None and found.before_per_m3 == Decimal("223.33")
    assert {each.material: each.before for each in found.changes}["coarse_sand"] == pytest.approx(1 / 3)
    assert sum(each.after for each in found.changes) == pytest.approx(1.0)
    assert found.held_by
    assert "a cheaper one would leave the band of" in found.message


def test_the_cheapest_uses_up_heaps_first_and_says_so() -> None:
    heaps = [{"material": "topsoil", "volume_m3": 5.0}, {"material": "compost", "volume_m3": 5.0}]
    plan, supplies = plan_of(stock=heaps)
    found = figure_cheapest(plan, wish(), supplies)
    assert found.message.startswith("What is on hand makes it")
    assert {each.material for each in found.parts} == {"topsoil", "compost"}


def test_no_mix_of_these_can_names_the_band_and_the_nearest() -> None:
    plan, supplies = plan_of()
    impossible = mix(target={"water_held": [0.9, 0.95], "air_filled": [0.0, 1.0], "organic_matter": [0.0, 1.0]})
    found = figure_cheapest(plan, wish(entry=impossible, materials=["topsoil", "coarse_sand"]), supplies)
    assert not found.fits
    assert found.missed == ["water_held"]
    assert found.message == "No mix of these can: water held stands in the way. This is the nearest."
    assert [each.material for each in found.parts] == ["topsoil"]


def test_what_has_no_price_or_figures_is_left_aside() -> None:
    plan, supplies = plan_of()
    found = figure_cheapest(plan, wish(materials=["topsoil", "leaves", "grit"]), supplies)
    assert found.left_aside == ["Leaves", "Grit"]
    with pytest.raises(PlanProblem, match="moss"):
        figure_cheapest(plan, wish(materials=["moss"]), supplies)
    none = figure_cheapest(plan, wish(materials=["leaves"]), supplies)
    assert (none.fits, none.mix) == (False, None)


def test_a_batch_comes_in_whole_bags_that_add_up() -> None:
    plan, supplies = plan_of()
    made = figure_batch(plan, wish(entry=mix(target={"use": "moist_herb"})), supplies)
    assert made.fits
    assert made.proven
    assert made.made_m3 == pytest.approx(0.1, rel=0.02)
    assert made.total == sum(each.price for each in made.bags)
    bought = {each.material: each.count * each.bag_m3 for each in made.bags}
    assert all(bought[each.material] >= each.loose_m3 - 1e-9 for each in made.taken)
    assert made.left_m3 == pytest.approx(sum(bought.values()) - sum(each.loose_m3 for each in made.taken))
    assert made.mix is not None
    assert all(each.state in ("in", "free") for each in made.mix.marks)


def test_a_batch_that_no_bags_make_says_so() -> None:
    plan, supplies = plan_of()
    none = figure_batch(plan, wish(materials=["coarse_sand"]), supplies)
    assert not none.fits
    assert "No batch of these bags" in none.message


@pytest.mark.parametrize("figure", [figure_cheapest, figure_batch])
def test_nothing_to_be_made_is_refused(figure: Any) -> None:
    plan, supplies = plan_of()
    with pytest.raises(PlanProblem, match="say how much"):
        figure(plan, wish(volume_m3=0.0), supplies)


def test_a_mix_can_lie_anywhere_a_layer_or_infill_can() -> None:
    layers = [
        {"material": "branches", "thickness_m": 0.2, "infill": {"material": "thirds", "share": 0.5}},
        {"material": "thirds", "fill": True},
    ]
    bed = zoo.bed(key="box", layers=layers)
    found = amounts(mix(), beds=[bed])
    (figures,) = figures_of(zoo.plan(bed, mixes=[THIRDS])).beds
    placed = figures.layers[0].infill_m3 + figures.layers[1].placed_m3
    assert found.amounts[-1].loose_m3 == pytest.approx(placed * (1.15 + 1.15 + 1.1) / 3)


EDGES: list[tuple[float, str]] = [(0.34, "under"), (0.3596, "in"), (0.36, "in"), (0.3604, "in"), (0.37, "over")]


@pytest.mark.parametrize(("value", "expected"), EDGES)
def test_a_figure_on_its_edge_fits_by_the_last_digit_shown(value: float, expected: str) -> None:
    held = {"topsoil": value}
    own = [{"key": "own", "like": "topsoil", "container_capacity": held["topsoil"]}]
    _, supplies = plan_of(materials=own)
    band = {"water_held": [0.36, 0.36], "air_filled": [0.0, 1.0]}
    figures = figure_mix(mix(parts=parts(own=1), target=band), supplies, System.METRIC)
    assert state(figures, "water_held") == expected


def test_findings_are_told_in_the_gardens_units() -> None:
    wicking = mix(target={"use": "wicking_bed"})
    said = {
        system: next(
            each.message for each in figure_mix(wicking, SUPPLIES, system).findings if each.code == "wicks_little"
        )
        for system in System
    }
    assert said[System.METRIC] == "It wicks about 21.5 cm, and the soil stands 30 cm over the water."
    assert said[System.FT_IN] == 'It wicks about 8 1/2", and the soil stands 11 3/4" over the water.'


def test_own_figures_move_marks_and_an_own_peat_still_sheds_water() -> None:
    own = [{"key": "own_peat", "like": "peat", "ph": 5.5}]
    _, supplies = plan_of(materials=own)
    figures = figure_mix(mix(parts=parts(own_peat=1, topsoil=1)), supplies, System.METRIC)
    assert "peat_sheds_water" in [each.code for each in figures.findings]
    ph = next(each.value for each in figures.marks if each.name == "ph")
    # 5.5 and 6.5, weighed 100 x 18.24 and 1150 x 1.6896
    assert ph == pytest.approx(6.0158, abs=1e-4)


def test_limits_of_single_materials_hold_in_a_wish() -> None:
    plan, supplies = plan_of()
    limits = [{"material": "coir", "least": 0.1, "most": 0.2}, {"material": "topsoil", "most": 0.3}]
    found = figure_cheapest(plan, wish(entry=mix(target={"use": "raised_bed", "limits": limits})), supplies)
    assert found.fits
    after = {each.material: each.after for each in found.changes}
    assert 0.1 - 1e-6 <= after["coir"] <= 0.2 + 1e-6
    assert after["topsoil"] <= 0.3 + 1e-6
    assert "limit" in found.held_by
