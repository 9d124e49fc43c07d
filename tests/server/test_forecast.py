"""Forecasts, schools and comparison through the API: the core's own answers, of the day that is now."""

from __future__ import annotations

import json
from typing import Any

import pytest
from django.test import Client

from nolbet.clock import today
from nolbet.gardens.models import Garden
from nolbet.plans.supplies import garden_supplies
from nolbet.plans.whole import whole_plan
from nolbet_core.figure.compare import figure_compared, figure_schools
from nolbet_core.figure.forecast import figure_forecast, figure_sunken
from nolbet_core.figure.written import written_document
from nolbet_core.plan.bed import Bed
from tests.core import zoo
from tests.server.asking import send

BED = zoo.WOODY | {"set_aside": [{"name": "All soil", "layers": zoo.bed()["layers"]}]}


def asked(client: Client, garden: Garden, word: str, **more: Any) -> Any:
    """What the API answers about the bed."""
    answer = send(client, "POST", f"/api/gardens/{garden.pk}/figure/{word}", {"bed": BED, **more})
    assert answer.status_code == 200
    return answer.json()


def test_each_answer_is_the_cores(signed_in: Client, garden: Garden) -> None:
    plan, supplies, bed = whole_plan(garden), garden_supplies(garden), Bed.model_validate(BED)
    assert asked(signed_in, garden, "forecast") == written_document(figure_forecast(plan, bed, supplies, today()))
    assert asked(signed_in, garden, "compared") == written_document(figure_compared(plan, bed, supplies, today()))
    assert asked(signed_in, garden, "schools") == written_document(figure_schools(plan, bed, supplies, today()))
    assert asked(signed_in, garden, "sunken", month=30) == written_document(figure_sunken(plan, bed, supplies, 30))


def test_the_day_of_filling_is_today_unless_the_bed_has_its_own(signed_in: Client, garden: Garden) -> None:
    path = f"/api/gardens/{garden.pk}/figure/bed"
    assert send(signed_in, "POST", path, {"bed": zoo.bed()}).json()["ready"]["built_on"] == "2026-10-20"
    own = zoo.bed(built_on="2027-03-01")
    assert send(signed_in, "POST", path, {"bed": own}).json()["ready"]["built_on"] == "2027-03-01"


@pytest.mark.parametrize(
    ("change", "path"),
    [
        ({"built_on": "2026-02-30"}, "bed.built_on"),
        ({"top_up": "moss"}, "bed.top_up"),
        ({"top_up": "cardboard"}, "bed.top_up"),
        ({"set_aside": [{"name": "Bad", "layers": [{"material": "moss", "fill": True}]}]},
         "bed.set_aside[0].layers[0].material"),
        ({"layers": [{"material": "cardboard", "on_hand": 3}]}, "bed.layers[0].on_hand"),
        ({"layers": [{"material": "cardboard", "piece_m": [1.0, 1.0], "roll_width_m": 1.0}]},
         "bed.layers[0].roll_width_m"),
        ({"layers": [{"material": "topsoil", "fill": True, "amendment": {"material": "straw", "mass_kg": 1.0}}]},
         "bed.layers[0].amendment.material"),
        ({"layers": [{"material": "topsoil", "fill": True, "amendment": {"material": "bloood", "mass_kg": 1.0}}]},
         "bed.layers[0].amendment.material"),
    ],
)  # fmt: skip
def test_what_does_not_hold_names_its_place(
    signed_in: Client, garden: Garden, change: dict[str, Any], path: str
) -> None:
    answer = send(signed_in, "POST", f"/api/gardens/{garden.pk}/figure/forecast", {"bed": zoo.bed() | change})
    assert answer.status_code == 422
    (error,) = answer.json()["errors"]
    assert error["path"].endswith(path)


def test_ways_set_aside_and_a_weighed_handful_are_kept(signed_in: Client, garden: Garden) -> None:
    made = send(signed_in, "POST", f"/api/gardens/{garden.pk}/beds", {"bed": BED | {"name": "Woody"}})
    assert made.status_code == 201
    head = signed_in.get(f"/api/gardens/{garden.pk}").json()
    kept = next(each["bed"] for each in head["beds"] if each["key"] == "woody")
    assert [each["name"] for each in kept["set_aside"]] == ["All soil"]
    path = f"/api/gardens/{garden.pk}"
    changed = send(
        signed_in, "PUT", path, {"revision": 0, "garden": head["garden"] | {"handful_kg": 0.05, "mean_temp_c": 8.0}}
    )
    assert changed.json()["garden"]["handful_kg"] == 0.05
    doses = asked(signed_in, garden, "forecast")["doses"]
    assert {dose["handful_kg"] for dose in doses} == {0.05}


FULL = zoo.bed(
    key="full",
    name="Full",
    school="wood_in_a_box",
    built_on="2026-10-03",
    dampness="dry",
    roots="medium",
    top_up="leaf_mould",
    set_aside=[{"name": "All soil", "school": "straight_fill", "layers": [{"material": "topsoil", "fill": True}]}],
    layers=[
        {"material": "cardboard", "roll_width_m": 1.2},
        {"material": "newspaper", "piece_m": [0.4, 0.6], "on_hand": 9},
        {"material": "wood_chips", "thickness_m": 0.2, "lifts": 2,
         "amendment": {"material": "blood_meal", "mass_kg": 0.25}},
        {"material": "topsoil", "fill": True},
    ],
)  # fmt: skip


def test_what_a_bed_plans_goes_out_in_a_file_and_comes_in_again(signed_in: Client, garden: Garden) -> None:
    own = [{"key": "slow", "like": "wood_chips", "name": "Slow chips", "decay_per_year": 0.1, "settles_share": 0.05}]
    document = zoo.plan(FULL, materials=own, garden={"name": "Brought", "handful_kg": 0.045})
    text = json.dumps(document)
    brought = send(signed_in, "POST", "/api/gardens/import", {"text": text}).json()
    out = json.loads(signed_in.get(f"/api/gardens/{brought['id']}/plan").content)
    (bed,) = out["beds"]
    for key, value in FULL.items():
        assert bed[key] == value, key
    assert out["garden"]["handful_kg"] == 0.045
    assert out["materials"][0]["decay_per_year"] == 0.1
    answer = send(signed_in, "POST", f"/api/gardens/{brought['id']}/figure/forecast", {"bed": FULL})
    assert answer.json()["top_up"] == "Leaf mould"


def test_an_own_rate_of_rotting_and_the_gardens_warmth_reach_the_forecast(signed_in: Client, garden: Garden) -> None:
    path = f"/api/gardens/{garden.pk}"
    made = send(
        signed_in, "POST", f"{path}/materials", {"key": "slow", "like": "wood_chips", "name": "Slow chips"}
    ).json()
    bed = zoo.bed(layers=[{"material": made["key"], "fill": True}])

    def after_ten_years() -> float:
        answer = send(signed_in, "POST", f"{path}/figure/bed", {"bed": bed}).json()
        return float(answer["surface_m"][120])

    usual = after_ten_years()
    send(signed_in, "PUT", f"{path}/materials/{made['key']}", {"material": made | {"decay_per_year": 0.05}})
    slow = after_ten_years()
    head = signed_in.get(path).json()["garden"]
    send(signed_in, "PUT", path, {"revision": 0, "garden": head | {"mean_temp_c": 22.0}})
    assert usual < after_ten_years() < slow


def test_undo_of_a_way_taken_over_brings_both_back(signed_in: Client, garden: Garden) -> None:
    path = f"/api/gardens/{garden.pk}/beds/plain"
    first = zoo.bed(name="Plain")
    swapped = first | {
        "layers": [{"material": "compost", "fill": True}],
        "set_aside": [{"name": "My own layers", "layers": first["layers"]}],
    }
    assert send(signed_in, "PUT", path, {"revision": 1, "bed": swapped}).status_code == 200
    assert send(signed_in, "PUT", path, {"revision": 2, "bed": first, "restores": 1}).status_code == 200
    versions = signed_in.get(f"{path}/history").json()["versions"]
    assert [each["bed"]["layers"][0]["material"] for each in versions] == ["topsoil", "compost", "topsoil"]
    assert versions[1]["bed"]["set_aside"][0]["layers"] == first["layers"]


def test_at_most_three_ways_lie_aside(signed_in: Client, garden: Garden) -> None:
    way = {"name": "Again", "layers": []}
    four = zoo.bed(set_aside=[way] * 4)
    answer = send(signed_in, "POST", f"/api/gardens/{garden.pk}/figure/compared", {"bed": four})
    assert answer.status_code == 422
    assert answer.json()["errors"][0]["path"].endswith("bed.set_aside")


NAMES_IT: list[dict[str, Any]] = [
    {"layers": [{"material": "slow", "fill": True}]},
    {"layers": [{"material": "branches", "fill": True, "infill": {"material": "slow"}}]},
    {"layers": [{"material": "topsoil", "fill": True, "amendment": {"material": "slow", "mass_kg": 1.0}}]},
    {"set_aside": [{"name": "Way", "layers": [{"material": "slow", "fill": True}]}]},
    {"top_up": "slow"},
]


@pytest.mark.parametrize("change", NAMES_IT)
def test_a_material_that_a_bed_names_anywhere_stays_on_the_shelf(
    signed_in: Client, garden: Garden, change: dict[str, Any]
) -> None:
    path = f"/api/gardens/{garden.pk}"
    send(signed_in, "POST", f"{path}/materials", {"key": "slow", "like": "compost", "name": "Slow"})
    bed = send(signed_in, "POST", f"{path}/beds", {"bed": zoo.bed(name="Slow", **change)}).json()
    refused = signed_in.delete(f"{path}/materials/slow")
    assert refused.status_code == 409
    assert "Slow is used in Slow" in refused.json()["detail"]
    free = bed["bed"] | {"layers": zoo.bed()["layers"], "set_aside": [], "top_up": "compost"}
    send(signed_in, "PUT", f"{path}/beds/{bed['key']}", {"revision": 1, "bed": free})
    assert signed_in.delete(f"{path}/materials/slow").status_code == 204


def test_a_stone_under_water_or_on_a_path_stays_on_the_shelf(signed_in: Client, garden: Garden) -> None:
    path = f"/api/gardens/{garden.pk}"
    for name in ("Stone", "Sub", "Path"):
        send(signed_in, "POST", f"{path}/materials", {"key": name.lower(), "like": "rubble", "name": name})
    reservoir = {"height_m": 0.1, "medium": "stone", "under": {"material": "sub", "height_m": 0.1}}
    send(signed_in, "POST", f"{path}/beds", {"bed": zoo.bed(name="Wet", layers=[], reservoir=reservoir)})
    plot = {"corners_m": [[0, 0], [9, 0], [9, 6], [0, 6]], "courses": [{"material": "path", "thickness_m": 0.05}]}
    assert send(signed_in, "PUT", f"{path}/plot", {"revision": 0, "plot": plot}).status_code == 200
    said = [signed_in.delete(f"{path}/materials/{key}").json()["detail"] for key in ("stone", "sub", "path")]
    assert ["Wet" in said[0], "Wet" in said[1], "the paths" in said[2]] == [True] * 3
