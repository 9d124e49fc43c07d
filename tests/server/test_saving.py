"""What a save rests on: the revision it was made from, and all that it was checked against."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.test import Client

from nolbet.gardens.errors import Busy, Missing
from nolbet.gardens.history import MOST_STEPS, thin_versions
from nolbet.gardens.models import Bed, BedVersion, Garden
from nolbet.gardens.rows import bed_plan
from nolbet.plans.saving import MOST_TRIES, save_bed, save_checked
from nolbet.plans.storing import store_plan
from nolbet.plans.whole import plan_to_take_out
from nolbet_core.built.plan_file import read_plan
from tests.core import zoo
from tests.core.test_upgrade import LOG
from tests.server.asking import send


def at(garden: Garden, path: str) -> str:
    """An address within a garden."""
    return f"/api/gardens/{garden.pk}{path}"


def test_a_head_saved_from_an_older_revision_is_refused(signed_in: Client, garden: Garden) -> None:
    head = {"name": "Renamed", "units": "metric"}
    first = send(signed_in, "PUT", at(garden, ""), {"revision": 0, "garden": head})
    assert (first.status_code, first.json()["head_revision"]) == (200, 1)
    stale = send(signed_in, "PUT", at(garden, ""), {"revision": 0, "garden": head | {"name": "Other"}})
    assert stale.status_code == 409
    assert "changed elsewhere" in stale.json()["detail"]
    assert send(signed_in, "PUT", at(garden, "/units"), {"units": "ft_in"}).json()["head_revision"] == 2
    kept = signed_in.get(at(garden, "")).json()
    assert (kept["garden"]["name"], kept["garden"]["units"]) == ("Renamed", "ft_in")


def test_what_is_deleted_stays_away_whatever_is_saved_late(signed_in: Client, garden: Garden) -> None:
    row = garden.beds.get(key="plain")
    Garden.objects.filter(pk=garden.pk).update(deleted_at=datetime.now(tz=UTC))
    with pytest.raises(Missing):
        save_bed(row, 1, bed_plan(row))
    for path, body in (
        ("", {"revision": 0, "garden": {"name": "Back"}}),
        ("/units", {"units": "metric"}),
        ("/plot", {"revision": 0, "plot": {"corners_m": [[0, 0], [9, 0], [9, 6]]}}),
    ):
        assert send(signed_in, "PUT", at(garden, path), body).status_code == 404
    assert Garden.objects.get(pk=garden.pk).deleted_at is not None


def test_a_check_is_made_again_when_what_it_rested_on_has_changed(garden: Garden) -> None:
    seen: list[Any] = []

    def check(now: Garden) -> int:
        seen.append(now.shelf_stamp)
        if len(seen) < 3:
            Garden.objects.get(pk=garden.pk).shelf_changed()
        return len(seen)

    assert save_checked(garden.pk, "shelf_stamp", check, lambda _, tries: tries) == 3
    assert len(set(seen)) == 3


def test_who_is_never_let_through_is_told_so(garden: Garden) -> None:
    tries = []

    def check(_: Garden) -> None:
        tries.append(1)
        Garden.objects.get(pk=garden.pk).changed()

    with pytest.raises(Busy):
        save_checked(garden.pk, "changes", check, lambda _, __: None)
    assert len(tries) == MOST_TRIES


def test_a_changed_material_is_checked_against_all_that_is_made_of_it(signed_in: Client, garden: Garden) -> None:
    send(signed_in, "POST", at(garden, "/materials"), {"key": "x", "like": "compost", "name": "Heap"})
    bed = zoo.bed(name="Plain", layers=[{"material": "heap", "fill": True}])
    assert send(signed_in, "PUT", at(garden, "/beds/plain"), {"revision": 1, "bed": bed}).status_code == 200
    sheet = {"material": {"key": "heap", "like": "geotextile"}, "revision": 1}
    refused = send(signed_in, "PUT", at(garden, "/materials/heap"), sheet)
    assert refused.status_code == 409
    assert "Heap can't be changed so" in refused.json()["detail"]
    assert "Plain" in refused.json()["detail"]
    lighter = {"material": {"key": "heap", "like": "compost", "bulk_density_kg_m3": 500}, "revision": 1}
    assert send(signed_in, "PUT", at(garden, "/materials/heap"), lighter).status_code == 200
    stale = send(signed_in, "PUT", at(garden, "/materials/heap"), lighter)
    assert stale.status_code == 409
    assert "Heap was changed elsewhere" in stale.json()["detail"]


def test_a_material_in_a_mix_can_not_become_a_sheet(signed_in: Client, garden: Garden) -> None:
    send(signed_in, "POST", at(garden, "/materials"), {"key": "x", "like": "compost", "name": "Heap"})
    parts = [{"material": "heap", "parts": 2}, {"material": "topsoil", "parts": 3}]
    assert (
        send(signed_in, "POST", at(garden, "/mixes"), {"key": "x", "name": "Half", "parts": parts}).status_code == 201
    )
    sheet = {"material": {"key": "heap", "like": "cardboard"}}
    refused = send(signed_in, "PUT", at(garden, "/materials/heap"), sheet)
    assert refused.status_code == 422
    assert refused.json()["errors"][0]["path"] == "mixes[0].parts[0].material"


def test_mixes_in_mixes_hold_each_material_once_and_go_ten_deep(signed_in: Client, garden: Garden) -> None:
    inside = ["topsoil", "compost", "perlite"]
    for deep in range(1, 11):
        parts = [{"material": key, "parts": 2 + place} for place, key in enumerate(inside)] * 5
        body = {"key": "x", "name": f"Deep {deep}", "parts": parts}
        made = send(signed_in, "POST", at(garden, "/mixes"), body)
        assert made.status_code == 201, made.json()
        inside = [made.json()["mix"]["key"], "compost", "coir"]
        figured = send(signed_in, "POST", at(garden, "/figure/mix/amounts"), {"mix": made.json()["mix"]})
        plain = [each["material"] for each in figured.json()["amounts"][0]["taken"]]
        assert len(plain) == len(set(plain)) <= 4
    too_deep = {"key": "x", "name": "Deep 11", "parts": [{"material": "deep_10", "parts": 2}]}
    refused = send(signed_in, "POST", at(garden, "/mixes"), too_deep)
    assert refused.status_code == 422
    assert "10 deep already" in refused.json()["errors"][0]["message"]


def test_a_copy_and_a_plan_file_carry_weather_dips_and_probes(signed_in: Client, gardener: User) -> None:
    plan = read_plan(zoo.plan(zoo.bed(name="Plain"), **LOG)).plan
    garden = store_plan(gardener.pk, plan)
    assert plan_to_take_out(garden).model_copy(update={"edition": plan.edition}) == plan
    copied = send(signed_in, "POST", at(garden, "/copy"), {}).json()
    copy = Garden.objects.get(pk=copied["id"])
    assert copy.weather_days.count() == 2
    assert [dip.level_m for dip in copy.beds.get().dips.all()] == [0.12]
    assert copy.beds.get().probe.leak_m3_day == 0.002
    text = signed_in.get(at(garden, "/plan")).content.decode()
    again = send(signed_in, "POST", at(garden, "/import"), {"text": text})
    assert again.status_code == 200
    assert garden.beds.get().dips.count() == 1
    preview = send(signed_in, "POST", at(garden, "/import/preview"), {"text": text}).json()
    assert {change["state"] for change in preview["changes"]} == {"same"}


def test_versions_that_undo_does_not_reach_are_thinned_to_one_a_day(garden: Garden) -> None:
    bed = garden.beds.get(key="plain")
    bed.versions.all().delete()
    start = datetime(2026, 3, 1, 7, tzinfo=UTC)
    BedVersion.objects.bulk_create(
        BedVersion(bed=bed, revision=number + 1, name="Plain", cut={}, saved_at=start + timedelta(hours=6 * number))
        for number in range(MOST_STEPS + 40)
    )
    thin_versions(bed)
    revisions = list(bed.versions.values_list("revision", flat=True))
    assert revisions[:MOST_STEPS] == list(range(MOST_STEPS + 40, 40, -1))
    # four saves a day from 7 o'clock on, of which the third is the day's last but one: the last one is kept
    older = bed.versions.filter(revision__lte=40)
    days = [each.saved_at.date() for each in older]
    assert len(days) == len(set(days)) == 11
    thin_versions(bed)
    assert bed.versions.count() == MOST_STEPS + 11


def test_a_bed_of_the_same_name_gets_a_key_of_its_own(signed_in: Client, garden: Garden) -> None:
    made = [send(signed_in, "POST", at(garden, "/beds"), {"bed": zoo.bed(name="Plain")}).json()["key"] for _ in "ab"]
    assert made == ["plain_2", "plain_3"]
    assert Bed.objects.filter(garden=garden).count() == 4
