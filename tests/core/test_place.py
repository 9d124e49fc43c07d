"""What lives and stands round beds is judged, and typical climates are told for both halves of the earth."""

from __future__ import annotations

import typing
from typing import Any

import pytest

from nolbet_core.built.surroundings import climate_basis
from nolbet_core.climate.typical import CLIMATES
from nolbet_core.figure.finding_figures import FindingFigures
from nolbet_core.plan.garden import Garden, Typical
from nolbet_core.plan.problems import PlanProblem
from tests.core import zoo
from tests.core.ask import figures_of, mended_by

SOIL = {"material": "topsoil", "fill": True}
CHIPS = {"material": "wood_chips", "thickness_m": 0.05}
TUB = {"kind": "round_tub", "base_diameter_m": 0.6, "rim_diameter_m": 0.7, "depth_m": 0.5}
WET = {"height_m": 0.15, "medium": "gravel_20", "liner_lap_m": 0.1}


def months(nights_c: float, winter_c: float, july_mm: float) -> list[dict[str, float]]:
    """Normals with nights of a warmth, of three winter months, and rain of July [mm], 40 in the others."""
    return [
        {
            "tmin_c": winter_c if month in (0, 1, 11) else nights_c,
            "tmax_c": 18.0,
            "rain_mm": july_mm if month == 6 else 40.0,
            "rain_days": 8.0,
        }
        for month in range(12)
    ]


COLD = months(6.0, -6.0, 50.0)
SOAKED = months(9.0, 9.0, 130.0)
WATERED = zoo.bed(reservoir=WET, layers=[{"material": "topsoil", "thickness_m": 0.3}])
SOFT = zoo.bed(layers=[{"material": "conifer_logs", "thickness_m": 0.2}, SOIL])
PIT = {
    "kind": "trench", "top_length_m": 2, "top_width_m": 0.8, "bottom_length_m": 2, "bottom_width_m": 0.6,
    "depth_m": 0.7,
}  # fmt: skip


def found(code: str, bed: dict[str, Any], **garden: Any) -> list[FindingFigures]:
    """Findings of one code on a bed in a garden."""
    document = zoo.plan(bed, garden={"name": "Test ground", **garden})
    return [each for each in figures_of(document).beds[0].findings if each.code == code]


def roof(*layers: dict[str, Any]) -> dict[str, Any]:
    return zoo.bed(stand={"on": "roof", "limit_kg_m2": 900}, layers=[*layers, SOIL])


CASES: list[tuple[str, dict[str, Any], dict[str, Any], str | None]] = [
    ("bare_surface", zoo.bed(), {}, "note"),
    ("bare_surface", WATERED, {}, "advice"),
    ("bare_surface", zoo.bed(layers=[SOIL, CHIPS]), {}, None),
    ("bare_surface", zoo.EMPTY, {}, None),
    ("wood_and_ants", zoo.bed(layers=[{"material": "branches", "thickness_m": 0.2}, SOIL]), {"ants": True}, "caution"),
    ("wood_and_ants", zoo.bed(layers=[{"material": "branches", "thickness_m": 0.2}, SOIL]), {"ants": False}, None),
    ("wood_and_ants", zoo.bed(layers=[{"material": "branches", "thickness_m": 0.2}, SOIL]), {}, None),
    ("soft_wood_and_ants", SOFT, {}, "note"),
    (
        "soft_wood_and_ants",
        SOFT,
        {"ants": True},
        "caution",
    ),
    (
        "soft_wood_and_ants",
        SOFT,
        {"ants": False},
        None,
    ),
    ("no_mesh", zoo.bed(), {"burrowers": True}, "advice"),
    ("no_mesh", zoo.bed(), {}, None),
    ("no_mesh", zoo.bed(layers=[{"material": "wire_mesh"}, SOIL]), {"burrowers": True}, None),
    ("no_mesh", zoo.bed(stand={"on": "deck"}), {"burrowers": True}, None),
    ("weed_seed_in_fill", zoo.bed(layers=[{"material": "garden_soil", "fill": True}]), {}, "advice"),
    ("weed_seed_in_fill", zoo.bed(layers=[{"material": "hay", "thickness_m": 0.1}, SOIL]), {}, None),
    ("heavy_tub", zoo.bed(shape=TUB, layers=[SOIL]), {}, "note"),
    ("heavy_tub", zoo.bed(shape=TUB, layers=[{"material": "perlite", "fill": True}]), {}, "note"),
    ("heavy_tub", zoo.bed(), {}, None),
    ("tub_drowns", zoo.bed(shape=TUB, layers=[SOIL]), {"normals": SOAKED}, "note"),
    ("tub_drowns", zoo.bed(shape=TUB, layers=[SOIL]), {"normals": COLD}, None),
    (
        "frost_on_reservoir",
        WATERED,
        {"normals": COLD},
        "note",
    ),
    (
        "frost_on_reservoir",
        WATERED,
        {"normals": SOAKED},
        None,
    ),
    ("no_root_barrier", roof(), {}, "caution"),
    ("no_root_barrier", roof({"material": "pond_liner"}), {}, None),
    ("water_in_trench", zoo.bed(shape=PIT, headspace_m=None, layers=[SOIL]), {"water_table_m": 0.9}, "caution"),
    ("water_in_trench", zoo.bed(shape=PIT, headspace_m=None, layers=[SOIL]), {"water_table_m": 1.1}, None),
]


@pytest.mark.parametrize(("code", "bed", "garden", "level"), CASES)
def test_a_finding_on_the_place_shows_where_it_holds_alone(
    code: str, bed: dict[str, Any], garden: dict[str, Any], level: str | None
) -> None:
    assert [each.level for each in found(code, bed, **garden)] == ([level] if level else [])


def test_mesh_and_mulch_are_laid_by_one_click() -> None:
    bare = zoo.bed()
    (told,) = found("bare_surface", bare)
    assert found("bare_surface", mended_by(bare, told)) == []
    plan = zoo.plan(bare, garden={"name": "Test ground", "burrowers": True})
    (mesh,) = [each for each in figures_of(plan).beds[0].findings if each.code == "no_mesh"]
    assert mesh.mend
    assert [step.value["material"] for step in mesh.mend.steps] == ["wire_mesh"]


def test_fences_and_chips_are_told_where_ants_live() -> None:
    plot = {
        "corners_m": [[0, 0], [9, 0], [9, 6], [0, 6]],
        "fixed": [{"kind": "fence", "name": "River fence", "line_m": [[0, 6], [9, 6]]}],
        "courses": [{"material": "wood_chips", "thickness_m": 0.05}],
    }
    for ants, told in ((True, 1), (None, 0)):
        garden = {"name": "Test ground", "plot": plot} | ({"ants": True} if ants else {})
        figures = figures_of(zoo.plan(zoo.bed(places=[{"x_m": 3, "y_m": 3}]), garden=garden))
        assert figures.plot
        said = [each.finding.message for each in figures.plot.findings if each.finding.code == "wood_round_ants"]
        assert len(said) == told
        if told:
            assert "river fence, wood chips on the paths" in said[0]


def test_typical_climates_have_the_keys_of_the_plan_file() -> None:
    assert set(CLIMATES) == set(typing.get_args(Typical))
    assert len(CLIMATES) >= 12


@pytest.mark.parametrize("key", sorted(CLIMATES))
def test_a_southern_year_is_the_northern_one_half_a_year_later(key: str) -> None:
    climate = CLIMATES[key]
    north, south = climate.normals("north"), climate.normals("south")
    assert list(south) == [*north[6:], *north[:6]]
    assert all(each.tmin_c < each.tmax_c for each in north)
    if climate.swing_c > 3:
        assert max(range(12), key=lambda month: south[month].tmax_c) in (11, 0, 1)
        assert south[0].tmin_c > south[6].tmin_c
    last, first = climate.frosts("south")
    assert (last is None) == (climate.last_frost is None)
    if last and first:
        assert int(last[:2]) > 6 > int(first[:2]) - 1


def test_what_the_climate_rests_on_is_said() -> None:
    assert "No climate is entered" in (climate_basis(Garden(name="A")) or "")
    assert "round a mean of 9.5 °C" in (climate_basis(Garden(name="A", mean_temp_c=9.5)) or "")
    own = Garden.model_validate({"name": "A", "normals": COLD})
    assert climate_basis(own) is None
    typical = Garden.model_validate({"name": "A", "normals": COLD, "typical_climate": "oceanic"})
    assert "typical climate, mild and damp all year (Cfb)" in (climate_basis(typical) or "")


@pytest.mark.parametrize(
    ("garden", "key", "said"),
    [
        ({"latitude_deg": 44.1, "hemisphere": "south"}, "hemisphere", "leave one of them out"),
        ({"typical_climate": "martian"}, "typical_climate", "oceanic"),
        ({"water_table_m": -1.0}, "water_table_m", "0"),
    ],
)
def test_what_makes_no_sense_of_a_garden_is_named_by_its_path(garden: dict[str, Any], key: str, said: str) -> None:
    with pytest.raises(PlanProblem) as problem:
        figures_of(zoo.plan(garden={"name": "Test ground", **garden}))
    assert problem.value.path == f"garden.{key}"
    assert said in str(problem.value)


def test_a_hemisphere_turns_the_seasons() -> None:
    bed = zoo.bed(built_on="2026-09-20", layers=[SOIL])
    north, south = (
        figures_of(zoo.plan(bed, garden={"name": "A", "hemisphere": half})).beds[0].spring_months
        for half in ("north", "south")
    )
    # the next last frost after a winter: 15 April, or 15 October of the year after
    assert (north[0], south[0]) == (7, 13)
