"""Each finding where it shows, and where it does not; each mend mends."""

from __future__ import annotations

from typing import Any

import pytest

from nolbet_core.figure.finding_figures import FindingFigures
from nolbet_core.findings.finding import DEFER, LEVELS
from tests.core import zoo
from tests.core.ask import bed_of, figures_of, mended_by

SOIL = {"material": "topsoil", "fill": True}
LOGS = {"material": "broadleaf_logs", "thickness_m": 0.2}


def wide(width_m: float, **changes: Any) -> dict[str, Any]:
    """A bed of a width."""
    return zoo.bed(shape=zoo.shape(3, width_m, 0.5), headspace_m=0.03, **changes)


def card(lap_m: float, **changes: Any) -> dict[str, Any]:
    """A bed on cardboard of a lap."""
    return zoo.bed(headspace_m=0.03, layers=[{"material": "cardboard", "lap_m": lap_m, **changes}, SOIL])


def soil_over_branches(soil_m: float) -> dict[str, Any]:
    """Soil of a depth over packed branches, in a bed just deep enough."""
    packed = {"material": "branches", "thickness_m": 0.2, "infill": {"material": "compost"}}
    return zoo.bed(layers=[packed, SOIL], shape=zoo.shape(2, 1, 0.2 + soil_m + 0.03), headspace_m=0.03)


CASES: list[tuple[str, dict[str, Any], str | None]] = [
    ("over_rim", zoo.OVERFULL, "stop"),
    ("over_rim", zoo.bed(headspace_m=0.05, layers=[{"material": "topsoil", "thickness_m": 0.48}]), "caution"),
    ("over_rim", zoo.bed(layers=[{"material": "topsoil", "thickness_m": 0.5}]), None),
    ("headspace_small", zoo.bed(), "advice"),
    ("headspace_small", zoo.bed(headspace_m=0.01), None),
    ("headspace_small", zoo.OVERFULL, None),
    ("headspace_small", zoo.EMPTY, None),
    ("voids_open", zoo.WOODY, "caution"),
    ("voids_open", zoo.bed(layers=[LOGS | {"infill": {"material": "compost"}}, SOIL]), None),
    ("voids_open", zoo.bed(layers=[LOGS]), None),
    ("voids_open", zoo.bed(layers=[LOGS, {"material": "geotextile"}, SOIL]), None),
    ("voids_open", zoo.bed(layers=[{"material": "gravel_20", "thickness_m": 0.01}, SOIL]), None),
    ("too_wide", wide(1.2), None),
    ("too_wide", wide(1.25), None),
    ("too_wide", wide(1.3), "advice"),
    ("too_wide", wide(1.5), "caution"),
    ("too_wide", wide(0.7, worked_from="one_side"), "caution"),
    ("too_wide", wide(0.6, worked_from="one_side"), None),
    ("too_wide", wide(0.9, reach_m=0.4), "caution"),
    ("lap_small", card(0.15), None),
    ("lap_small", card(0.12), "advice"),
    ("lap_small", card(0.09), "caution"),
    ("lap_small", card(0.05, piece_m=[2.5, 1.5]), None),
    ("lap_small", zoo.bed(layers=[{"material": "pond_liner", "lap_m": 0.05}, SOIL]), None),
    ("soil_thin_over_wood", soil_over_branches(0.2), None),
    ("soil_thin_over_wood", soil_over_branches(0.15), "advice"),
    ("soil_thin_over_wood", soil_over_branches(0.08), "caution"),
    ("soil_thin_over_wood", zoo.bed(layers=[SOIL, {"material": "bark_mulch", "thickness_m": 0.05}]), None),
    ("no_growing_layer", zoo.bed(layers=[LOGS, {"material": "leaves", "fill": True}]), "caution"),
    ("no_growing_layer", zoo.bed(), None),
    ("no_growing_layer", zoo.EMPTY, None),
    ("dust", zoo.bed(layers=[{"material": "perlite", "thickness_m": 0.1}]), "note"),
    ("dust", zoo.bed(layers=[LOGS | {"infill": {"material": "potting_mix"}}]), "note"),
    ("dust", zoo.bed(layers=[{"material": "topsoil", "fill": True}]), None),
]


def of_code(document: dict[str, Any], code: str) -> list[FindingFigures]:
    """A bed's findings of one code."""
    return [finding for finding in bed_of(document).findings if finding.code == code]


@pytest.mark.parametrize(("code", "document", "level"), CASES)
def test_a_finding_shows_where_it_holds_alone(code: str, document: dict[str, Any], level: str | None) -> None:
    assert [finding.level for finding in of_code(document, code)] == ([level] if level else [])


@pytest.mark.parametrize(("code", "document"), [(code, bed) for code, bed, level in CASES if level and code != "dust"])
def test_its_mend_mends(code: str, document: dict[str, Any]) -> None:
    (finding,) = of_code(document, code)
    assert finding.mend is not None
    assert of_code(mended_by(document, finding), code) == []


@pytest.mark.parametrize(("code", "document"), [(code, bed) for code, bed, level in CASES if level])
def test_it_says_its_figure_why_and_what_to_do(code: str, document: dict[str, Any]) -> None:
    (finding,) = of_code(document, code)
    assert any(sign.isdigit() for sign in finding.message) or code == "no_growing_layer"
    assert finding.why.endswith(".")
    assert finding.advice.endswith(".")


def test_the_gravest_come_first() -> None:
    levels = [
        LEVELS.index(finding.level) for finding in bed_of(zoo.OVERFULL | {"shape": zoo.shape(3, 2, 0.5)}).findings
    ]
    assert levels == sorted(levels)
    assert len(set(levels)) > 1


def test_safety_ends_with_local_rules() -> None:
    (dust,) = of_code(
        zoo.bed(layers=[{"material": "grit", "thickness_m": 0.1}, {"material": "peat", "fill": True}]), "dust"
    )
    assert dust.advice.endswith(DEFER)


def test_a_seen_finding_keeps_its_reason() -> None:
    (finding,) = of_code(zoo.WOODY | {"seen": [{"code": "voids_open", "reason": "sand comes later"}]}, "voids_open")
    assert finding.seen == "sand comes later"


def with_bags(volume_m3: float) -> list[FindingFigures]:
    """Findings on a bed whose topsoil comes in bags of a volume."""
    offers = [{"material": "topsoil", "form": "bag", "volume_m3": volume_m3, "price": "4.00"}]
    document = zoo.plan(zoo.bed(), suppliers=[{"key": "stores", "offers": offers}])
    return figures_of(document).beds[0].findings


def test_a_heavy_bag_is_noted_with_its_weight() -> None:
    # topsoil 1150 / 0.88 kg/m3 as bought: 0.0212 m3 weigh 27.7 kg, 0.0152 m3 19.9 kg
    assert [f.message for f in with_bags(0.0212) if f.code == "heavy_lift"] == ["A bag of topsoil weighs about 28 kg."]
    assert [f for f in with_bags(0.0152) if f.code == "heavy_lift"] == []


def test_what_nobody_offers_is_named_where_it_is_used() -> None:
    document = zoo.plan(
        zoo.bed(), zoo.bed(key="other", layers=[{"material": "compost", "fill": True}]), suppliers=zoo.SUPPLIERS
    )
    first, second = figures_of(document).beds
    assert [f.message for f in first.findings if f.code == "no_offer"] == ["Nobody you entered offers topsoil."]
    assert [f for f in second.findings if f.code == "no_offer"] == []


LITTER = {"material": "leaves", "thickness_m": 0.3}
BRANCHY = {"material": "branches", "fill": True, "infill": {"material": "topsoil", "share": 1.0}}
MOUND = {"kind": "hipped_mound", "length_m": 4.0, "width_m": 1.8, "height_m": 0.7, "slope_deg": 38.0}


def over(*layers: dict[str, Any], **changes: Any) -> dict[str, Any]:
    """A bed of layers under soil that fills the rest."""
    return zoo.bed(headspace_m=0.03, layers=[*layers, SOIL], **changes)


def of(material: str, thickness_m: float = 0.1, **more: Any) -> dict[str, Any]:
    """A layer of a material."""
    return {"material": material, "thickness_m": thickness_m, **more}


def fed(mass_kg: float, material: str = "blood_meal") -> dict[str, Any]:
    """A meal on a layer."""
    return {"amendment": {"material": material, "mass_kg": mass_kg}}


def mound(*layers: dict[str, Any]) -> dict[str, Any]:
    """A mound of layers."""
    return {"key": "mound", "shape": MOUND, "layers": list(layers)}


def pieces(on_hand: int | None) -> dict[str, Any]:
    """Cardboard boxes under soil, so many of them there."""
    there = {} if on_hand is None else {"on_hand": on_hand}
    return over({"material": "cardboard", "piece_m": [1.2, 0.9], **there})


FILL_CASES: list[tuple[str, dict[str, Any], str | None]] = [
    ("nitrogen_short", over(of("shredded_hardwood", 0.2)), "caution"),
    ("nitrogen_short", over(of("wood_chips", 0.04)), "advice"),
    ("nitrogen_short", over(of("wood_chips", 0.06, **fed(0.3))), None),
    ("nitrogen_short", zoo.bed(layers=[{"material": "compost", "fill": True}]), None),
    ("overfed", over(of("wood_chips", 0.06, **fed(0.4))), "caution"),
    ("overfed", over(of("topsoil", **fed(0.3))), "advice"),
    ("overfed", over(of("wood_chips", 0.06, **fed(0.15))), None),
    ("root_zone_carbon", zoo.bed(layers=[of("wood_chips", 0.45), {"material": "compost", "fill": True}]), "advice"),
    ("root_zone_carbon", zoo.bed(layers=[{"material": "compost", "fill": True}]), None),
    ("compost_share", zoo.bed(layers=[{"material": "compost", "fill": True}]), "caution"),
    ("compost_share", over(of("gravel_20", 0.1), of("topsoil", 0.2), of("compost", 0.17)), "advice"),
    ("compost_share", zoo.bed(shape=zoo.shape(2, 1, 0.12), layers=[{"material": "compost", "fill": True}]), None),
    ("allelopathic_wood", over(of("walnut_logs")), "caution"),
    ("allelopathic_wood", over(of("broadleaf_logs")), None),
    ("rotproof_wood_fill", over(of("durable_logs")), "advice"),
    ("rotproof_wood_fill", zoo.bed(layers=[SOIL, of("durable_logs", 0.05)]), None),
    ("soft_wood_and_ants", over(of("conifer_logs")), "note"),
    ("soft_wood_and_ants", over(of("broadleaf_logs")), None),
    ("heavy_logs", over(of("broadleaf_logs")), "note"),
    ("heavy_logs", over(of("branches")), None),
    ("raw_manure", over(of("coop_litter")), "caution"),
    ("raw_manure", over(of("aged_manure")), None),
    ("herbicide_carryover", over(of("hay")), "note"),
    ("herbicide_carryover", over(of("leaves")), None),
    ("ground_untested", mound(of("topsoil", 0.3)), "note"),
    ("ground_untested", zoo.bed(shape=zoo.shape(2, 1, 0.25)), "note"),
    ("ground_untested", zoo.bed(shape=zoo.shape(2, 1, 0.25), layers=[{"material": "pond_liner"}, SOIL]), None),
    ("ground_untested", zoo.bed(), None),
    ("tape_and_print", over({"material": "newspaper"}), "note"),
    ("tape_and_print", over({"material": "geotextile"}), None),
    ("not_food_grade", over({"material": "pond_liner"}), "advice"),
    ("not_food_grade", over({"material": "food_film"}), None),
    ("pets_and_meals", over(of("wood_chips", 0.06, **fed(0.2, "bone_meal"))), "note"),
    ("pets_and_meals", over(of("wood_chips", 0.06, **fed(0.2, "feather_meal"))), None),
    ("abrupt_interface", over(of("gravel_20")), "note"),
    ("abrupt_interface", over({"material": "pond_liner"}, of("gravel_20")), None),
    ("abrupt_interface", over(of("gravel_20"), of("leaves")), None),
    ("fabric_under_mound", mound({"material": "weed_mat"}, of("topsoil", 0.3)), "advice"),
    ("fabric_under_mound", over({"material": "weed_mat"}), None),
    ("sheet_bare", pieces(1), "caution"),
    ("sheet_bare", pieces(9), None),
    ("sheet_bare", pieces(None), None),
    ("sinks_much", zoo.bed(layers=[LITTER, SOIL]), "advice"),
    ("sinks_much", zoo.bed(shape=zoo.shape(2, 1, 0.8), layers=[SOIL]), "note"),
    ("sinks_much", zoo.bed(), None),
    ("soil_thin_over_wood", zoo.bed(roots="deep", layers=[of("branches", 0.2), SOIL]), "caution"),
    ("soil_thin_over_wood", zoo.bed(roots="shallow", layers=[of("branches", 0.2), SOIL]), None),
    ("dust", over(of("hay")), "note"),
    ("rich_layer", over(of("poultry_pellets", 0.01)), None),
    ("rich_layer", zoo.bed(layers=[SOIL, of("poultry_pellets", 0.005)]), "caution"),
    ("rich_layer", zoo.bed(layers=[SOIL, of("blood_meal", 0.0005)]), "caution"),
    ("rich_layer", zoo.bed(layers=[SOIL, of("poultry_manure", 0.02), of("topsoil", 0.1)]), "caution"),
    ("rich_layer", zoo.bed(layers=[SOIL, of("aged_manure", 0.05)]), None),
    ("raw_manure", over(of("horse_manure")), "caution"),
]


@pytest.mark.parametrize(("code", "document", "level"), FILL_CASES)
def test_a_finding_on_the_fill_shows_where_it_holds_alone(
    code: str, document: dict[str, Any], level: str | None
) -> None:
    found = of_code(document, code)
    assert [finding.level for finding in found] == ([level] if level else [])
    for finding in found:
        assert any(sign.isdigit() for sign in finding.message)
        assert finding.why.endswith(".")
        assert finding.advice.endswith(".")
        if finding.mend is not None and code != "nitrogen_short":
            assert of_code(mended_by(document, finding), code) == []


SAFETY = ("soft_wood_and_ants", "heavy_logs", "raw_manure", "ground_untested", "pets_and_meals", "dust")
SIDED = (
    "nitrogen_short", "compost_share", "rotproof_wood_fill", "not_food_grade", "abrupt_interface", "sinks_much",
    "tape_and_print",
)  # fmt: skip


@pytest.mark.parametrize(("code", "document"), [(code, bed) for code, bed, level in FILL_CASES if level])
def test_safety_defers_and_both_schools_are_heard(code: str, document: dict[str, Any]) -> None:
    (finding,) = of_code(document, code)
    assert finding.advice.endswith(DEFER) == (code in SAFETY)
    assert bool(finding.sides) == (code in SIDED)


def test_feeding_what_is_short_ends_the_shortage() -> None:
    document = over(of("wood_chips", 0.05))
    (short,) = of_code(document, "nitrogen_short")
    assert short.mend is not None
    mended = bed_of(mended_by(document, short))
    assert mended.nitrogen_short_kg < 0.001
    assert [finding.code for finding in mended.findings if finding.code in {"nitrogen_short", "overfed"}] == []


def test_soil_on_stone_says_whether_a_fabric_lies_between() -> None:
    (straight,) = of_code(over(of("gravel_20")), "abrupt_interface")
    (parted,) = of_code(over(of("gravel_20"), {"material": "geotextile"}), "abrupt_interface")
    assert straight.message.startswith("Topsoil lies straight on ")
    assert parted.message.startswith("Topsoil lies on geotextile over ")


def test_a_mound_on_a_deck_has_no_ground_of_its_own() -> None:
    raised = mound(of("topsoil", 0.3)) | {"stand": {"on": "deck", "limit_kg_m2": 2000.0}}
    assert of_code(raised, "ground_untested") == []


def test_pellets_laid_as_a_layer_are_scattered_instead_in_one_click() -> None:
    document = zoo.bed(layers=[SOIL, of("poultry_pellets", 0.005)])
    (rich,) = of_code(document, "rich_layer")
    assert rich.mend is not None
    mended_bed = bed_of(mended_by(document, rich))
    assert [layer.material for layer in mended_bed.layers] == ["topsoil"]
    assert mended_bed.layers[0].scattered is not None
    assert "rich_layer" not in {each.code for each in mended_bed.findings}
    assert [each.level for each in mended_bed.findings if each.code == "overfed"] in ([], ["advice"])


def test_a_large_gap_is_fed_to_twenty_grams_and_the_rest_waits() -> None:
    document = over(of("shredded_hardwood", 0.2))
    (short,) = of_code(document, "nitrogen_short")
    assert short.mend is not None
    assert "20 g/m²" in short.advice
    fed_once = mended_by(document, short)
    (still,) = of_code(fed_once, "nitrogen_short")
    assert still.mend is None
    assert of_code(fed_once, "overfed") == []


def test_a_dose_passes_by_a_layer_that_is_fed_something_else() -> None:
    document = over(of("wood_chips", 0.1, **fed(0.05, "bone_meal")), of("branches", 0.1))
    (short,) = of_code(document, "nitrogen_short")
    assert short.mend is not None
    chips, branches, _ = mended_by(document, short)["layers"]
    assert chips["amendment"] == {"material": "bone_meal", "mass_kg": 0.05}
    assert branches["amendment"]["material"] == "blood_meal"
