"""A bed's history, undo across saves, the bin, copies, and plan files in and out."""

from __future__ import annotations

import json
from datetime import timedelta
from typing import Any

import pytest
from django.test import Client
from django.utils import timezone
from hypothesis import given
from hypothesis import strategies as st

from nolbet.daily.clearing import clear
from nolbet.daily.days import note_day
from nolbet.gardens.history import walk_steps
from nolbet.gardens.models import Bed, BedVersion, Garden
from nolbet.plans.whole import whole_plan
from tests.core import zoo
from tests.server.asking import send


def save(client: Client, garden: Garden, revision: int, restores: int | None = None, **changes: Any) -> Any:
    """Save the plain bed with changes."""
    body = {"revision": revision, "bed": zoo.bed(name="Plain", **changes), "restores": restores}
    return send(client, "PUT", f"/api/gardens/{garden.pk}/beds/plain", body)


def history(client: Client, garden: Garden) -> Any:
    """The plain bed's history."""
    return client.get(f"/api/gardens/{garden.pk}/beds/plain/history").json()


@pytest.mark.parametrize(
    ("saves", "past", "present", "future"),
    [
        ([], [], None, []),
        ([(1, None)], [], 1, []),
        ([(1, None), (2, None), (3, None)], [1, 2], 3, []),
        ([(1, None), (2, None), (3, 1)], [], 1, [2]),
        ([(1, None), (2, None), (3, 1), (4, 2)], [1], 2, []),
        ([(1, None), (2, None), (3, None), (4, 2), (5, 1)], [], 1, [2, 3]),
        ([(1, None), (2, None), (3, None), (4, 2), (5, 1), (6, 2)], [1], 2, [3]),
        ([(1, None), (2, None), (3, 1), (4, None)], [1], 4, []),
        ([(1, None), (2, None), (3, None), (4, 1)], [1, 2, 3], 4, []),
        ([(7, None), (8, 3)], [7], 8, []),
    ],
)
def test_where_undo_and_redo_stand(
    saves: list[tuple[int, int | None]], past: list[int], present: int | None, future: list[int]
) -> None:
    steps = walk_steps(saves)
    assert (steps.past, steps.present, steps.future) == (past, present, future)


@given(st.lists(st.sampled_from(["edit", "undo", "redo"]), max_size=30))
def test_saves_replayed_lead_where_the_gardener_stood(actions: list[str]) -> None:
    past: list[int] = []
    future: list[int] = []
    present, revision = 1, 1
    saves: list[tuple[int, int | None]] = [(1, None)]
    for action in actions:
        if (action == "undo" and not past) or (action == "redo" and not future):
            continue
        revision += 1
        if action == "edit":
            past, present, future = [*past, present], revision, []
            saves.append((revision, None))
        elif action == "undo":
            future, present, past = [present, *future], past[-1], past[:-1]
            saves.append((revision, present))
        else:
            past, present, future = [*past, present], future[0], future[1:]
            saves.append((revision, present))
    steps = walk_steps(saves)
    assert (steps.past, steps.present, steps.future) == (past, present, future)


def test_every_save_stays_in_the_history(signed_in: Client, garden: Garden) -> None:
    for revision, count in enumerate((2, 3, 4), start=1):
        assert save(signed_in, garden, revision, count=count).status_code == 200
    found = history(signed_in, garden)
    assert [each["revision"] for each in found["versions"]] == [4, 3, 2, 1]
    assert [each["bed"]["count"] for each in found["versions"]] == [4, 3, 2, 1]
    assert (found["past"], found["future"]) == ([3, 2, 1], [])


def test_an_undo_that_was_saved_can_be_redone_tomorrow(signed_in: Client, garden: Garden) -> None:
    save(signed_in, garden, 1, count=2)
    save(signed_in, garden, 2, count=3)
    save(signed_in, garden, 3, restores=2, count=2)
    found = history(signed_in, garden)
    assert (found["past"], found["future"]) == ([1], [3])


def test_a_refused_save_leaves_no_trace(signed_in: Client, garden: Garden) -> None:
    save(signed_in, garden, 1, count=2)
    assert save(signed_in, garden, 1, count=9).status_code == 409
    assert save(signed_in, garden, 2, wall_m=9).status_code == 422
    assert BedVersion.objects.filter(bed__key="plain").count() == 2


def test_a_deleted_bed_comes_back_whole(signed_in: Client, garden: Garden) -> None:
    base = f"/api/gardens/{garden.pk}"
    save(signed_in, garden, 1, count=2)
    assert signed_in.delete(f"{base}/beds/plain").status_code == 204
    assert "plain" not in [bed["key"] for bed in signed_in.get(base).json()["beds"]]
    assert [bed.key for bed in whole_plan(garden).beds] == ["mixed"]
    for method, path in (("GET", "/history"), ("DELETE", "")):
        assert send(signed_in, method, f"{base}/beds/plain{path}", {}).status_code == 404
    assert save(signed_in, garden, 2, count=3).status_code == 404
    (binned,) = signed_in.get(f"{base}/bin").json()
    assert (binned["key"], binned["bed"]["count"]) == ("plain", 2)
    assert send(signed_in, "POST", f"{base}/beds/plain/take-back", {}).json()["revision"] == 2
    assert history(signed_in, garden)["past"] == [1]
    assert signed_in.get(f"{base}/bin").json() == []


def test_a_new_bed_of_a_binned_ones_name_gets_a_key_of_its_own(signed_in: Client, garden: Garden) -> None:
    base = f"/api/gardens/{garden.pk}"
    signed_in.delete(f"{base}/beds/plain")
    made = send(signed_in, "POST", f"{base}/beds", {"bed": zoo.bed(name="Plain")}).json()
    assert made["key"] == "plain_2"
    send(signed_in, "POST", f"{base}/beds/plain/take-back", {})
    assert {bed["key"] for bed in signed_in.get(base).json()["beds"]} == {"plain", "plain_2", "mixed"}


def thirty_days_of_service() -> None:
    """The server ran on each of the last thirty days."""
    for ago in range(31):
        note_day(timezone.now().date() - timedelta(days=ago))


def test_a_deleted_garden_comes_back_whole_and_old_ones_go(signed_in: Client, garden: Garden) -> None:
    before = whole_plan(garden)
    assert signed_in.delete(f"/api/gardens/{garden.pk}").status_code == 204
    assert signed_in.get(f"/api/gardens/{garden.pk}").status_code == 404
    (binned,) = signed_in.get("/api/gardens").json()
    assert binned["deleted_at"]
    assert send(signed_in, "POST", f"/api/gardens/{garden.pk}/take-back", {}).status_code == 200
    assert whole_plan(Garden.objects.get(pk=garden.pk)) == before
    thirty_days_of_service()
    Garden.objects.update(deleted_at=timezone.now() - timedelta(days=29))
    clear(timezone.now())
    assert len(signed_in.get("/api/gardens").json()) == 1
    Garden.objects.update(deleted_at=timezone.now() - timedelta(days=31))
    clear(timezone.now())
    assert signed_in.get("/api/gardens").json() == []
    assert send(signed_in, "POST", f"/api/gardens/{garden.pk}/take-back", {}).status_code == 404


def test_old_beds_go_from_the_bin(signed_in: Client, garden: Garden) -> None:
    thirty_days_of_service()
    Bed.objects.filter(key="plain").update(deleted_at=timezone.now() - timedelta(days=31))
    clear(timezone.now())
    assert not Bed.objects.filter(key="plain").exists()
    assert Bed.objects.filter(key="mixed").exists()


def test_a_garden_is_made_changed_and_copied(signed_in: Client, garden: Garden) -> None:
    made = send(signed_in, "POST", "/api/gardens", {"garden": {"name": "Allotment", "units": "metric"}}).json()
    assert (made["garden"]["name"], made["beds"]) == ("Allotment", [])
    changed = {
        "revision": 0,
        "garden": {"name": "Old allotment", "currency": "EUR", "units": "ft_in", "mean_temp_c": 9.5},
    }
    answer = send(signed_in, "PUT", f"/api/gardens/{made['id']}", changed).json()
    assert answer["garden"] == changed["garden"]
    copied = send(signed_in, "POST", f"/api/gardens/{garden.pk}/copy", {}).json()
    plan, copy = whole_plan(garden), whole_plan(Garden.objects.get(pk=copied["id"]))
    assert copy.garden.name == "Test ground, copy"
    assert copy.model_copy(update={"garden": plan.garden}) == plan


def test_a_garden_goes_out_as_a_plan_file_and_comes_in_again(signed_in: Client, garden: Garden) -> None:
    out = signed_in.get(f"/api/gardens/{garden.pk}/plan")
    assert out["Content-Disposition"] == 'attachment; filename="test_ground.nolbet.json"'
    body = {"text": out.content.decode()}
    same = send(signed_in, "POST", f"/api/gardens/{garden.pk}/import/preview", body).json()
    assert {change["state"] for change in same["changes"]} == {"same"}
    assert same["problems"] == []
    new = send(signed_in, "POST", "/api/gardens/import/preview", body).json()
    assert {change["state"] for change in new["changes"]} == {"new"}
    brought = send(signed_in, "POST", "/api/gardens/import", body).json()
    assert whole_plan(Garden.objects.get(pk=brought["id"])) == whole_plan(garden)


def test_a_plan_file_changes_what_has_its_key_and_nothing_else(signed_in: Client, garden: Garden) -> None:
    document = zoo.plan(
        zoo.bed(name="Plain", count=4),
        zoo.bed(key="brought", name="Brought", layers=[{"material": "heap", "fill": True}]),
        materials=[{"key": "heap", "like": "compost", "name": "Heap"}],
        suppliers=[{"key": "yard", "name": "Pennyfold yard", "delivery": "60.00"}],
    )
    body = {"text": json.dumps(document)}
    base = f"/api/gardens/{garden.pk}"
    preview = send(signed_in, "POST", f"{base}/import/preview", body).json()
    assert [(change["kind"], change["key"], change["state"]) for change in preview["changes"]] == [
        ("material", "heap", "new"),
        ("bed", "plain", "changed"),
        ("bed", "brought", "new"),
        ("supplier", "yard", "changed"),
    ]
    assert whole_plan(garden).suppliers[0].offers
    brought = send(signed_in, "POST", f"{base}/import", body).json()
    assert [bed["key"] for bed in brought["beds"]] == ["plain", "mixed", "brought"]
    plan = whole_plan(garden)
    assert plan.beds[0].count == 4
    assert str(plan.suppliers[0].delivery) == "60.00"
    assert [heap.material for heap in plan.stock] == ["branches"]
    assert history(signed_in, garden)["past"] == [1]


def test_everything_that_is_wrong_with_a_file_is_listed_with_its_place(signed_in: Client, garden: Garden) -> None:
    wrong_form = zoo.plan(zoo.bed(wall_m=9), zoo.bed(key="b", colour="red"))
    wrong_names = zoo.plan(
        zoo.bed(layers=[{"material": "nosuch", "fill": True}, {"material": "topsoyl", "thickness_m": 0.1}]),
        stock=[{"material": "gone", "volume_m3": 1}],
    )
    for document, paths in (
        (wrong_form, {"beds[0].wall_m", "beds[1].colour"}),
        (wrong_names, {"beds[0].layers[0].material", "beds[0].layers[1].material", "stock[0].material"}),
    ):
        body = {"text": json.dumps(document)}
        review = send(signed_in, "POST", f"/api/gardens/{garden.pk}/import/preview", body).json()
        assert {problem["path"] for problem in review["problems"]} == paths
        assert review["changes"] == []
        assert send(signed_in, "POST", f"/api/gardens/{garden.pk}/import", body).status_code == 422
    assert whole_plan(garden).beds[0].wall_m == 0


@pytest.mark.parametrize("text", ["", "{", "[]", "nonsense", "\x00", '{"format": "nolbet-plan/9"}'])
def test_a_file_that_is_no_plan_is_one_problem(signed_in: Client, garden: Garden, text: str) -> None:
    review = send(signed_in, "POST", "/api/gardens/import/preview", {"text": text}).json()
    assert len(review["problems"]) >= 1
    assert review["name"] is None


def test_a_file_over_two_megabytes_is_not_read(signed_in: Client, garden: Garden) -> None:
    answer = send(signed_in, "POST", "/api/gardens/import/preview", {"text": " " * (2 * 1024 * 1024 + 10)})
    assert answer.status_code in {400, 413, 422}


def test_a_history_opens_a_page_at_a_time_and_undo_still_reaches_over_all(signed_in: Client, garden: Garden) -> None:
    for revision in range(1, 31):
        save(signed_in, garden, revision, count=revision + 1)
    path = f"/api/gardens/{garden.pk}/beds/plain/history"
    newest = signed_in.get(f"{path}?most=12").json()
    assert [each["revision"] for each in newest["versions"]] == list(range(31, 19, -1))
    assert newest["past"] == list(range(30, 0, -1))
    earlier = signed_in.get(f"{path}?most=12&before=20").json()
    assert [each["revision"] for each in earlier["versions"]] == list(range(19, 7, -1))
    assert signed_in.get(f"{path}?most=0").status_code == 422
    assert signed_in.get(f"{path}?before=-1").status_code == 422
