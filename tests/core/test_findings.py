"""Each finding where it shows, and where it does not; each mend mends."""

from __future__ import annotations

from typing import Any

import pytest

from nolbet_core.figure.found import FindingFigures
from nolbet_core.findings.pattern import DEFER, LEVELS
from tests.core import zoo
from tests.core.ask import bed_of, figures_of

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
    ("too_wide", wide(1.25), "advice"),
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
    assert of_code(document | finding.mend.changes, code) == []


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
    # topsoil 1450 kg/m3 placed, loose factor 1.15: 0.0212 m3 weigh 26.7 kg, 0.0158 m3 19.9 kg
    assert [f.message for f in with_bags(0.0212) if f.code == "heavy_lift"] == ["A bag of topsoil weighs about 27 kg."]
    assert [f for f in with_bags(0.0158) if f.code == "heavy_lift"] == []


def test_what_nobody_offers_is_named_where_it_is_used() -> None:
    document = zoo.plan(
        zoo.bed(), zoo.bed(key="other", layers=[{"material": "compost", "fill": True}]), suppliers=zoo.SUPPLIERS
    )
    first, second = figures_of(document).beds
    assert [f.message for f in first.findings if f.code == "no_offer"] == ["Nobody you entered offers topsoil."]
    assert [f for f in second.findings if f.code == "no_offer"] == []
