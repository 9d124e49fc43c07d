"""A whole garden as an archive: all of it comes back, and nothing of one that was tampered with."""

from __future__ import annotations

import hashlib
import io
import json
import zipfile
from collections.abc import Callable
from typing import Any

import numpy as np
import pytest
from django.contrib.auth.models import User
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from PIL import Image

from nolbet.gardens.models import Garden
from nolbet.plans.whole import plan_to_take_out
from nolbet.season.models import EntryPhoto
from tests.server.asking import Files, packed, picture, send


@pytest.fixture
def kept(garden: Garden, signed_in: Client) -> Garden:
    """The garden with weather, an entry and its photograph, a photograph of a step."""
    base = f"/api/gardens/{garden.pk}"
    weather = {"text": "date,tmin_c,tmax_c,rain_mm\n2026-07-01,10,20,3.5\n2026-07-02,11,21,0\n"}
    assert send(signed_in, "POST", f"{base}/weather", weather).status_code in {200, 201}
    entry = {"revision": 0, "entry": {"kind": "surface", "bed": "plain", "on": "2026-03-01", "height_m": 0.42}}
    assert send(signed_in, "PUT", f"{base}/season/read-once", entry).status_code == 200
    shot = SimpleUploadedFile("top.png", picture(300, 200))
    assert signed_in.post(f"{base}/season/read-once/photos/top", {"photo": shot}).status_code == 200
    shot = SimpleUploadedFile("pile.png", picture(120, 80))
    assert signed_in.post(f"{base}/works/photos?step=plain.dig", {"photo": shot}).status_code == 201
    return garden


def taken_out(client: Client, garden: Garden) -> Files:
    """What an archive holds, by name."""
    answer = client.get(f"/api/gardens/{garden.pk}/archive")
    assert answer.status_code == 200
    assert answer["Content-Disposition"].endswith('.nolbet.zip"')
    with zipfile.ZipFile(io.BytesIO(answer.content)) as archive:
        return {name: archive.read(name) for name in archive.namelist()}


def brought(client: Client, content: bytes) -> Any:
    """What bringing an archive in is answered."""
    sent = SimpleUploadedFile("garden.nolbet.zip", content, "application/zip")
    return client.post("/api/gardens/import/archive", {"archive": sent})


def test_all_of_a_garden_comes_back(kept: Garden, signed_in: Client, stranger: User) -> None:
    files = taken_out(signed_in, kept)
    assert {"plan.nolbet.json", "log.json", "weather.json", "photographs.json"} < set(files)
    assert json.loads(files["weather.json"])[0]["rain_mm"] == [3.5, 0.0]
    other = Client()
    other.force_login(stranger)
    answer = brought(other, packed(files))
    assert answer.status_code == 201, answer.content
    copy = Garden.objects.get(pk=answer.json()["id"])
    assert copy.owner == stranger
    assert plan_to_take_out(copy) == plan_to_take_out(kept)
    for before, after in zip(
        [*kept.step_photos.all(), *kept.entry_photos.all()],
        [*copy.step_photos.all(), *copy.entry_photos.all()],
        strict=True,
    ):
        assert bytes(before.picture) == bytes(after.picture)
        assert before.taken_at == after.taken_at
    (photo,) = EntryPhoto.objects.filter(garden=copy)
    assert (photo.entry.key, photo.key) == ("read-once", "top")
    assert taken_out(other, copy) == files


def test_an_archive_is_its_gardeners_alone(kept: Garden, stranger: User) -> None:
    other = Client()
    other.force_login(stranger)
    assert other.get(f"/api/gardens/{kept.pk}/archive").status_code == 404
    assert brought(Client(), b"").status_code in {401, 403}


def _without(name: str) -> Callable[[Files], Files]:
    return lambda files: {key: content for key, content in files.items() if key != name}


def _with(name: str, content: bytes) -> Callable[[Files], Files]:
    return lambda files: files | {name: content}


def _told(**words: Any) -> Callable[[Files], Files]:
    def change(files: Files) -> Files:
        first, *others = json.loads(files["photographs.json"])
        return files | {"photographs.json": json.dumps([first | words, *others]).encode()}

    return change


BAD: list[tuple[Callable[[Files], Files], str]] = [
    (_without("plan.nolbet.json"), "lacks plan.nolbet.json"),
    (_without("photographs/1.jpg"), "lacks photographs/1.jpg"),
    (_with("plan.nolbet.json", b"[]"), "one JSON object"),
    (_with("log.json", b"{}"), "one JSON list"),
    (_with("log.json", b'[{"kind": "surface"}]'), "log"),
    (_with("weather.json", b"[" * 4000), "nested"),
    (_with("photographs/1.jpg", b"no picture"), "changed on its way"),
    (_with("photographs/1.jpg", b"0" * 6_000_000), "more than 5 MB"),
    (_with("log.json", b" " * 17_000_000 + b"[]"), "more than 16 MB"),
    (_told(file="../../etc/passwd"), "photographs.json"),
    (_told(file="photographs/9999.jpg"), "lacks photographs/9999.jpg"),
    (_told(step="no step at all!"), "photographs.json"),
    (_told(taken_at="2026-07-01T10:00:00"), "photographs.json"),
    (lambda files: files | {f"photographs/x{count}.jpg": b"" for count in range(2001)}, "more than the 2000"),
]


@pytest.mark.parametrize(("change", "said"), BAD, ids=[said for _, said in BAD])
def test_what_was_tampered_with_is_refused_whole(
    kept: Garden, signed_in: Client, change: Callable[[Files], Files], said: str
) -> None:
    answer = brought(signed_in, packed(change(taken_out(signed_in, kept))))
    assert answer.status_code == 422, answer.content
    assert said in answer.json()["detail"]
    assert Garden.objects.count() == 1
    assert (kept.step_photos.count(), EntryPhoto.objects.count()) == (1, 1)


def test_what_is_no_archive_is_refused(signed_in: Client, garden: Garden) -> None:
    bomb = packed({f"{count}.txt": b"0" * 20_000_000 for count in range(13)})
    assert len(bomb) < 1_000_000
    for content, said in ((b"", "archive"), (b"PK\x03\x04nonsense", "no archive"), (bomb, "unpacks to more")):
        answer = brought(signed_in, content)
        assert answer.status_code == 422
        assert said in answer.json()["detail"]
    assert Garden.objects.count() == 1


def test_an_archive_with_any_byte_changed_is_whole_or_refused(kept: Garden, signed_in: Client) -> None:
    sound = packed(taken_out(signed_in, kept))
    chance = np.random.default_rng(7)
    refused = 0
    for _ in range(60):
        at, other = int(chance.integers(len(sound))), int(chance.integers(1, 256))
        broken = sound[:at] + bytes([sound[at] ^ other]) + sound[at + 1 :]
        if chance.random() < 0.2:
            broken = broken[: int(chance.integers(len(broken)))]
        answer = brought(signed_in, broken)
        assert answer.status_code in {201, 422}, (at, other, answer.content)
        refused += answer.status_code == 422
    assert refused > 30
    assert Garden.objects.count() == 1 + 60 - refused


def test_what_is_named_twice_or_packed_in_another_way_is_refused(kept: Garden, signed_in: Client) -> None:
    files = taken_out(signed_in, kept)
    first, second = json.loads(files["photographs.json"])
    again = second | {"file": first["file"], "sha256": first["sha256"]}
    for told, said in (
        ([first, first], "names a photograph twice"),
        ([second, again], "names a photograph twice"),
        ([first | {"file": f"photographs/{count}.jpg"} for count in range(4)], "keeps up to 3"),
    ):
        answer = brought(signed_in, packed(files | {"photographs.json": json.dumps(told).encode()}))
        assert answer.status_code == 422
        assert said in answer.json()["detail"]
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_LZMA) as archive:
        for name, content in files.items():
            archive.writestr(name, content)
    assert "no archive" in brought(signed_in, out.getvalue()).json()["detail"]
    assert Garden.objects.count() == 1


def test_a_photograph_that_was_not_kept_so_is_written_anew(kept: Garden, signed_in: Client) -> None:
    files = taken_out(signed_in, kept)
    exif = Image.Exif()
    exif[0x010F] = "a camera"
    out = io.BytesIO()
    Image.new("RGB", (3000, 1000), (10, 90, 20)).save(out, "JPEG", exif=exif)
    told = json.loads(files["photographs.json"])
    told[0]["sha256"] = hashlib.sha256(out.getvalue()).hexdigest()
    files |= {"photographs/1.jpg": out.getvalue(), "photographs.json": json.dumps(told).encode()}
    answer = brought(signed_in, packed(files))
    assert answer.status_code == 201
    photo = Garden.objects.get(pk=answer.json()["id"]).step_photos.get()
    assert (photo.width, photo.height) == (2000, 667)
    with Image.open(io.BytesIO(bytes(photo.picture))) as opened:
        assert not opened.getexif()
