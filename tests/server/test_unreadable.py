"""Documents that can't be read: the garden opens, all else in it works, and the bed can be taken out or binned."""

from __future__ import annotations

import json
from typing import Any

import pytest
from django.test import Client

from nolbet.gardens.models import Bed, Garden
from nolbet_core.built.plan_file import load_plan
from nolbet_core.plan.upgrade import EDITION
from tests.core import zoo
from tests.server.asking import send

SPOILT: list[tuple[dict[str, Any], str]] = [
    ({"cut": {"shape": {"kind": "dodecahedron"}, "layers": []}}, "isn't a shape"),
    ({"cut": {"layers": []}}, "shape"),
    ({"cut": [1, 2]}, "isn't what a bed is written as"),
    ({"cut_version": EDITION + 3}, "later than"),
    ({"count": 0}, "count"),
]


@pytest.mark.parametrize(("row", "said"), SPOILT, ids=[said for _, said in SPOILT])
def test_one_bad_bed_takes_nothing_else_down(signed_in: Client, garden: Garden, row: dict[str, Any], said: str) -> None:
    Bed.objects.filter(garden=garden, key="plain").update(**row)
    path = f"/api/gardens/{garden.pk}"
    kept = signed_in.get(path).json()
    assert [bed["key"] for bed in kept["beds"]] == ["mixed"]
    (trouble,) = kept["troubles"]
    assert (trouble["kind"], trouble["key"], trouble["name"], trouble["readable"]) == ("bed", "plain", "Plain", False)
    assert said in trouble["reason"]
    figures = signed_in.get(f"{path}/figure").json()["figures"]
    assert [bed["key"] for bed in figures["beds"]] == ["mixed"]
    assert figures["haul"] is not None
    out = load_plan(signed_in.get(f"{path}/plan").content).plan
    assert [bed.key for bed in out.beds] == ["mixed"]
    mixed = kept["beds"][0]["bed"]
    assert send(signed_in, "POST", f"{path}/figure/buying", {"bed": mixed}).status_code == 200
    body = {"revision": 1, "bed": mixed | {"count": 4}}
    assert send(signed_in, "PUT", f"{path}/beds/mixed", body).status_code == 200
    assert send(signed_in, "POST", f"{path}/copy", {}).status_code == 201


def test_it_is_taken_out_as_it_lies_and_put_into_the_bin_and_back(signed_in: Client, garden: Garden) -> None:
    cut = {"shape": {"kind": "dodecahedron", "edge_m": 0.7}, "layers": []}
    Bed.objects.filter(garden=garden, key="plain").update(cut=cut)
    path = f"/api/gardens/{garden.pk}"
    raw = signed_in.get(f"{path}/beds/plain/raw")
    assert raw["Content-Disposition"] == 'attachment; filename="plain.bed.json"'
    assert json.loads(raw.content)["document"] == cut
    assert signed_in.delete(f"{path}/beds/plain").status_code == 204
    assert signed_in.get(path).json()["troubles"] == []
    (binned,) = signed_in.get(f"{path}/bin").json()
    assert (binned["key"], binned["name"], binned.get("bed")) == ("plain", "Plain", None)
    assert send(signed_in, "POST", f"{path}/beds/plain/take-back", {}).status_code == 204
    assert [each["key"] for each in signed_in.get(path).json()["troubles"]] == ["plain"]


def test_a_version_that_can_not_be_read_is_left_out_of_the_history(signed_in: Client, garden: Garden) -> None:
    path = f"/api/gardens/{garden.pk}/beds/plain"
    for count in (2, 3):
        body = {"revision": count - 1, "bed": zoo.bed(name="Plain", count=count)}
        assert send(signed_in, "PUT", path, body).status_code == 200
    garden.beds.get(key="plain").versions.filter(revision=2).update(cut={"shape": 7})
    shown = signed_in.get(f"{path}/history").json()["versions"]
    assert [version["revision"] for version in shown] == [3, 1]


def test_a_bed_of_a_material_that_is_gone_can_be_opened_and_mended(signed_in: Client, garden: Garden) -> None:
    lost = {key: value for key, value in zoo.bed().items() if key != "key"} | {
        "layers": [{"material": "moon_dust", "fill": True}]
    }
    Bed.objects.filter(garden=garden, key="plain").update(cut=lost)
    path = f"/api/gardens/{garden.pk}"
    kept = signed_in.get(path).json()
    (trouble,) = kept["troubles"]
    assert trouble["readable"]
    assert "moon_dust" in trouble["reason"]
    assert [bed["key"] for bed in kept["beds"]] == ["plain", "mixed"]
    assert signed_in.get(f"{path}/figure").status_code == 200
    mended = {"revision": 1, "bed": zoo.bed(name="Plain")}
    assert send(signed_in, "PUT", f"{path}/beds/plain", mended).status_code == 200
    assert signed_in.get(path).json()["troubles"] == []


def test_a_plot_a_mix_and_a_material_that_can_not_be_read_are_told(signed_in: Client, garden: Garden) -> None:
    garden.materials.create(key="mine", name="Mine", like="compost", figures={"smell": 5})
    garden.mixes.create(key="half", name="Half", parts=[{"material": "topsoil"}])
    garden.mixes.create(key="lost", name="Lost", parts=[{"material": "moon_dust", "parts": 2}], edition=EDITION)
    Garden.objects.filter(pk=garden.pk).update(plot={"corners_m": 4}, normals=[{"tmin_c": 3}])
    path = f"/api/gardens/{garden.pk}"
    kept = signed_in.get(path).json()
    found = {each["name"]: (each["kind"], each["readable"]) for each in kept["troubles"]}
    assert found == {
        "Names and climate": ("head", False),
        "The plot": ("plot", False),
        "Mine": ("material", False),
        "Half": ("mix", False),
        "Lost": ("mix", True),
    }
    assert kept["garden"]["name"] == "Test ground"
    assert len(kept["beds"]) == 2
    assert signed_in.get(f"{path}/raw").json()["plot"] == {"corners_m": 4}
    assert signed_in.get(f"{path}/mixes/half/raw").json()["parts"] == [{"material": "topsoil"}]
    assert signed_in.get(f"{path}/materials/mine/raw").json()["document"] == {"smell": 5}
    assert signed_in.get(f"{path}/mixes/gone/raw").status_code == 404
    assert signed_in.get(f"{path}/figure").status_code == 200
    assert signed_in.get(f"{path}/shelf").status_code == 200


def test_documents_of_the_first_edition_are_read_as_they_meant(signed_in: Client, garden: Garden) -> None:
    cut = zoo.bed(reservoir={"height_m": 0.2, "tilt_m": 0.03}, seen=[{"code": "not_level", "reason": "paved"}])
    cut.pop("key")
    Bed.objects.filter(garden=garden, key="plain").update(cut=cut, cut_version=1)
    kept = signed_in.get(f"/api/gardens/{garden.pk}").json()["beds"][0]["bed"]
    assert {each["code"] for each in kept["seen"]} == {"not_level", "reservoir_tilted"}
    body = {"revision": 1, "bed": kept | {"name": "Plain"}}
    assert send(signed_in, "PUT", f"/api/gardens/{garden.pk}/beds/plain", body).status_code == 200
    assert Bed.objects.get(garden=garden, key="plain").cut_version == EDITION
