"""Soil mixes through the API: kept, refused, and figured as the core does."""

from __future__ import annotations

from typing import Any

import pytest
from django.test import Client

from nolbet.gardens.models import Garden
from nolbet.plans.whole import whole_garden, whole_plan
from nolbet_core.figure.cheapest_mix import Wish, figure_batch, figure_cheapest
from nolbet_core.figure.mix_amounts import figure_mix_amounts, figure_zones
from nolbet_core.figure.mixing import figure_mix
from nolbet_core.figure.written import written_document
from nolbet_core.plan.mix import PlanMix
from nolbet_core.quantities.units import System
from tests.core import zoo
from tests.server.asking import send

THIRDS: dict[str, Any] = {
    "key": "thirds",
    "name": "Even thirds",
    "parts": [{"material": key, "parts": 1.0} for key in ("topsoil", "compost", "coarse_sand")],
    "target": {"use": "moist_herb", "limits": []},
}
YARD = {
    "key": "yard",
    "name": "Yard",
    "delivery": "20.00",
    "offers": [
        {"material": key, "form": "bag", "volume_m3": size, "price": price}
        for key, size, price in (
            ("topsoil", 0.02, "4.00"), ("compost", 0.04, "6.00"), ("coarse_sand", 0.0125, "4.00"),
            ("coir", 0.07, "17.00"),
        )
    ],
}  # fmt: skip


@pytest.fixture
def mixed(signed_in: Client, garden: Garden) -> str:
    """Where a garden with a mix, a bed of it and a supplier is asked about."""
    path = f"/api/gardens/{garden.pk}"
    assert send(signed_in, "POST", f"{path}/mixes", THIRDS | {"key": "new"}).status_code == 201
    bed = zoo.bed(key="box", name="Box", layers=[{"material": "even_thirds", "fill": True}])
    assert send(signed_in, "POST", f"{path}/beds", {"bed": bed}).status_code == 201
    sources = {"revision": 1, "sources": {"suppliers": [YARD], "stock": []}}
    assert send(signed_in, "PUT", f"{path}/sources", sources).status_code == 200
    return path


KEPT = THIRDS | {"key": "even_thirds"}


def change(client: Client, path: str, mix: dict[str, Any], revision: int = 1, key: str = "even_thirds") -> Any:
    """The answer to saving a changed mix."""
    return send(client, "PUT", f"{path}/mixes/{key}", {"revision": revision, "mix": mix})


def test_a_mix_saved_too_late_is_refused_and_its_past_is_kept(signed_in: Client, mixed: str) -> None:
    renamed = KEPT | {"name": "Thirds"}
    assert change(signed_in, mixed, renamed).json()["revision"] == 2
    late = change(signed_in, mixed, KEPT)
    assert late.status_code == 409
    assert "Thirds was changed elsewhere" in late.json()["detail"]
    history = signed_in.get(f"{mixed}/history/mix/even_thirds").json()
    assert [(each["revision"], each["document"]["name"]) for each in history["versions"]] == [
        (2, "Thirds"),
        (1, KEPT["name"]),
    ]
    assert history["past"] == [1]


def test_a_mix_is_kept_under_a_key_of_its_name(signed_in: Client, mixed: str, garden: Garden) -> None:
    (kept,) = [each["mix"] for each in signed_in.get(f"{mixed}/mixes").json()]
    assert kept["key"] == "even_thirds"
    assert kept["target"]["use"] == "moist_herb"
    again = send(signed_in, "POST", f"{mixed}/mixes", THIRDS).json()
    assert again["mix"]["key"] == "even_thirds_2"
    assert {mix.key for mix in whole_plan(Garden.objects.get(pk=garden.pk)).mixes} == {"even_thirds", "even_thirds_2"}


def test_a_changed_mix_changes_what_beds_need(signed_in: Client, mixed: str) -> None:
    def sand() -> float:
        needs = signed_in.get(f"{mixed}/figure").json()["figures"]["needs"]
        return float(next(need["loose_m3"] for need in needs if need["material"] == "coarse_sand"))

    before = sand()
    tested = KEPT | {"bucket_test": {"parts_in": 3.0, "level_out": 2.4}}
    answer = change(signed_in, mixed, tested)
    assert answer.json()["mix"]["bucket_test"] == {"parts_in": 3.0, "level_out": 2.4}
    assert sand() == pytest.approx(before * 1.25)


REFUSED: list[tuple[dict[str, Any], str, str]] = [
    ({"parts": [{"material": "topsoil", "parts": 0}]}, "mixes[0].parts", "add up to nothing"),
    ({"parts": [{"material": "even_thirds", "parts": 1}]}, "mixes[0].parts[0].material", "would contain itself"),
    ({"parts": [{"material": "moss", "parts": 1}]}, "mixes[0].parts[0].material", "isn't on the shelf"),
    ({"parts": []}, "mix.parts", "at least 1"),
    ({"target": {"ph": [7, 6]}}, "mix.target.ph", "is over the most"),
]


@pytest.mark.parametrize(("wrong", "path", "said"), REFUSED)
def test_a_mix_that_cannot_be_is_refused_and_the_old_one_stays(
    signed_in: Client, mixed: str, wrong: dict[str, Any], path: str, said: str
) -> None:
    answer = change(signed_in, mixed, KEPT | wrong)
    assert answer.status_code == 422
    (error,) = answer.json()["errors"]
    assert error["path"].endswith(path.split(".", 1)[1])
    assert said in answer.json()["detail"]
    assert signed_in.get(f"{mixed}/mixes").json()[0]["mix"]["parts"] == KEPT["parts"]


def test_mixes_that_contain_each_other_are_refused(signed_in: Client, mixed: str) -> None:
    outer = {"key": "x", "name": "Outer", "parts": [{"material": "even_thirds", "parts": 1}]}
    assert send(signed_in, "POST", f"{mixed}/mixes", outer).json()["mix"]["key"] == "outer"
    loop = KEPT | {"parts": [{"material": "outer", "parts": 1}]}
    answer = change(signed_in, mixed, loop)
    assert answer.status_code == 422
    assert "would contain itself" in answer.json()["detail"]
    draft = send(signed_in, "POST", f"{mixed}/figure/mix", {"mix": loop})
    assert draft.status_code == 422
    assert draft.json()["errors"][0]["path"] == "mix.parts[0].material"


def test_a_mix_in_use_is_not_forgotten(signed_in: Client, mixed: str) -> None:
    answer = signed_in.delete(f"{mixed}/mixes/even_thirds")
    assert answer.status_code == 409
    assert "Even thirds is used in Box" in answer.json()["detail"]
    spare = send(signed_in, "POST", f"{mixed}/mixes", THIRDS | {"name": "Spare"}).json()["mix"]
    assert signed_in.delete(f"{mixed}/mixes/{spare['key']}").status_code == 204
    assert signed_in.delete(f"{mixed}/mixes/{spare['key']}").status_code == 404
    assert change(signed_in, mixed, KEPT, key="gone").status_code == 404


def test_figures_of_a_draft_are_the_cores(signed_in: Client, mixed: str, garden: Garden) -> None:
    built = whole_garden(Garden.objects.get(pk=garden.pk)).built
    entry, plan, supplies = PlanMix.model_validate(KEPT), built.plan, built.supplies
    system = System(garden.units)
    asked: list[tuple[str, dict[str, Any], Any]] = [
        ("mix", {"soil_over_water_m": 0.25}, figure_mix(entry, supplies, system, 0.25)),
        ("mix/amounts", {"bed": "box"}, figure_mix_amounts(built, entry, "box")),
        ("mix/cheapest", {"volume_m3": 0.2}, figure_cheapest(plan, Wish(entry, None, 0.2), supplies)),
        ("mix/batch", {"volume_m3": 0.2}, figure_batch(plan, Wish(entry, None, 0.2), supplies)),
    ]
    for name, more, core in asked:
        answer = send(signed_in, "POST", f"{mixed}/figure/{name}", {"mix": KEPT} | more)
        assert answer.status_code == 200
        assert answer.json() == written_document(core)
    zones = signed_in.get(f"{mixed}/beds/box/zones").json()
    (box,) = [bed for bed in plan.beds if bed.key == "box"]
    assert zones == written_document(figure_zones(plan, box, supplies))


def test_mixes_go_out_and_come_in_with_the_plan_file(signed_in: Client, mixed: str) -> None:
    parts = [{"material": "garden_soil", "parts": 3.0, "rejected": 0.2}, *KEPT["parts"]]
    full = KEPT | {"parts": parts, "bucket_test": {"parts_in": 4.0, "level_out": 3.5}}
    assert change(signed_in, mixed, full).status_code == 200
    sent = signed_in.get(f"{mixed}/plan").content.decode()
    copy = send(signed_in, "POST", "/api/gardens/import", {"text": sent})
    assert copy.status_code == 201
    (back,) = signed_in.get(f"/api/gardens/{copy.json()['id']}/mixes").json()
    assert back["mix"] == signed_in.get(f"{mixed}/mixes").json()[0]["mix"]
