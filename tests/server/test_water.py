"""Water through the API: a reservoir's year, weather in and out, dips, and what the simulated probe tells."""

from __future__ import annotations

from datetime import date, timedelta
from typing import Any

import pytest
from django.test import Client

from nolbet.gardens.models import Garden
from nolbet.gardens.rows import garden_plan
from nolbet.plans.supplies import garden_supplies
from nolbet_core.figure.water import figure_water
from nolbet_core.figure.written import written_document
from nolbet_core.plan.bed import Bed
from tests.core import zoo
from tests.server.asking import send

RESERVOIR = {
    "height_m": 0.2, "overflow_m": 0.2, "medium": "gravel_20", "wicks": [{"kind": "fabric"}], "tested": True,
}  # fmt: skip
WICKING = zoo.bed(
    key="wicking",
    name="Wicking",
    shape=zoo.shape(2.4, 1.2, 0.6),
    headspace_m=0.03,
    layers=[{"material": "topsoil", "thickness_m": 0.25}],
    reservoir=RESERVOIR,
)


@pytest.fixture
def wet(signed_in: Client, garden: Garden) -> str:
    """Where a garden with a wicking bed is asked about."""
    path = f"/api/gardens/{garden.pk}"
    assert send(signed_in, "POST", f"{path}/beds", {"bed": WICKING}).status_code == 201
    return path


def asked(client: Client, path: str, **changes: Any) -> Any:
    """A year of water of the bed."""
    answer = send(client, "POST", f"{path}/figure/water", {"bed": WICKING | changes})
    assert answer.status_code == 200
    return answer.json()


def test_a_year_of_water_is_the_cores(signed_in: Client, wet: str, garden: Garden) -> None:
    core = figure_water(Bed.model_validate(WICKING), garden_plan(garden), garden_supplies(garden))
    assert asked(signed_in, wet) == written_document(core)


def test_a_lower_overflow_holds_less_and_lasts_shorter(signed_in: Client, wet: str) -> None:
    high, low = asked(signed_in, wet), asked(signed_in, wet, reservoir=RESERVOIR | {"overflow_m": 0.08})
    assert low["water_m3"] == pytest.approx(high["water_m3"] * 0.4)
    july = 6
    assert low["lasts_days"][july]["middle"] < high["lasts_days"][july]["middle"]
    assert low["refills"]["middle"] >= high["refills"]["middle"]
    assert len(high["middle_m"]) == 365
    assert all(a <= b <= c for a, b, c in zip(high["low_m"], high["middle_m"], high["high_m"], strict=True))


def test_rounds_and_a_roof_change_what_is_filled_up(signed_in: Client, wet: str) -> None:
    plain = asked(signed_in, wet)
    rounds = asked(signed_in, wet, watering={"every_days": 7})
    roofed = asked(signed_in, wet, reservoir=RESERVOIR | {"catchment_m2": 10.0})
    assert rounds["refills"]["middle"] > plain["refills"]["middle"]
    assert roofed["refill_m3"]["middle"] <= plain["refill_m3"]["middle"]
    assert roofed["overflow_m3"]["middle"] > plain["overflow_m3"]["middle"]


def test_a_bed_without_a_reservoir_says_so(signed_in: Client, wet: str) -> None:
    answer = send(signed_in, "POST", f"{wet}/figure/water", {"bed": zoo.bed()})
    assert answer.status_code == 422
    assert "no reservoir" in answer.json()["detail"]


def year_file(year: int, bad: str = "") -> str:
    """A year of steady weather as a daily file."""
    first = date(year, 1, 1)
    rows = [f"{(first + timedelta(days=day)).isoformat()},10,22,{2 if day % 5 == 0 else 0}" for day in range(365)]
    return "date,tmin_c,tmax_c,rain_mm\n" + "\n".join(rows) + "\n" + bad


def test_weather_comes_in_with_bad_rows_named_and_is_used(signed_in: Client, wet: str) -> None:
    assert asked(signed_in, wet)["weather"] == "usual"
    bad = "2026-01-01,1,2,3\nsometime,1,2,3\n"
    kept = send(signed_in, "POST", f"{wet}/weather", {"text": year_file(2025, bad)}).json()
    assert (kept["days"], kept["taken"], kept["first"], kept["last"]) == (366, 366, "2025-01-01", "2026-01-01")
    assert [row["line"] for row in kept["bad"]] == [368]
    year = asked(signed_in, wet)
    assert (year["weather"], year["years"]) == ("daily", 1)
    out = signed_in.get(f"{wet}/weather.csv")
    assert out["Content-Type"].startswith("text/csv")
    assert len(out.content.decode().strip().splitlines()) == 367


def test_a_day_brought_again_takes_the_new_figures(signed_in: Client, wet: str, garden: Garden) -> None:
    head = "date,tmin_c,tmax_c,rain_mm\n"
    send(signed_in, "POST", f"{wet}/weather", {"text": head + "2026-07-01,10,20,0\n"})
    send(signed_in, "POST", f"{wet}/weather", {"text": head + "2026-07-01,11,21,5\n"})
    assert list(garden.weather_days.values_list("tmin_c", "rain_mm")) == [(11.0, 5.0)]


@pytest.mark.parametrize("text", ["", "nothing of weather", "date,tmin_c\n"])
def test_what_is_no_daily_file_is_refused(signed_in: Client, wet: str, text: str) -> None:
    answer = send(signed_in, "POST", f"{wet}/weather", {"text": text})
    assert answer.status_code == 422
    assert "date, tmin_c, tmax_c, rain_mm" in answer.json()["detail"]


@pytest.mark.parametrize(
    ("fault", "least", "most", "bad"), [("none", 60, 60, 0), ("late", 55, 55, 0), ("missing", 35, 59, 0)]
)
def test_the_simulated_feed_is_taken_as_it_comes(
    signed_in: Client, wet: str, fault: str, least: int, most: int, bad: int
) -> None:
    kept = send(signed_in, "POST", f"{wet}/weather/feed", {"fault": fault}).json()
    assert least <= kept["taken"] <= most
    assert len(kept["bad"]) == bad
    wild = send(signed_in, "POST", f"{wet}/weather/feed", {"fault": "absurd"}).json()
    assert all("rain_mm" in row["message"] for row in wild["bad"])


def test_dips_are_kept_and_forgotten(signed_in: Client, wet: str) -> None:
    path = f"{wet}/beds/wicking/dips"
    first = send(signed_in, "POST", path, {"level_m": 0.12}).json()
    send(signed_in, "POST", path, {"level_m": 0.1, "at": "2026-07-01T08:00:00Z"})
    assert [dip["level_m"] for dip in signed_in.get(path).json()] == [0.12, 0.1]
    assert signed_in.delete(f"{path}/{first['id']}").status_code == 204
    assert signed_in.delete(f"{path}/{first['id']}").status_code == 404
    assert len(signed_in.get(path).json()) == 1
    assert send(signed_in, "POST", path, {"level_m": -1}).status_code == 422


def test_the_probe_tells_a_leak_and_no_leak(signed_in: Client, wet: str) -> None:
    path = f"{wet}/beds/wicking"
    assert signed_in.get(f"{path}/told").json() is None
    send(signed_in, "PUT", f"{path}/probe", {"leak_m3_day": 0.004})
    leaking = signed_in.get(f"{path}/told").json()
    assert leaking["leaks"]
    assert leaking["loss_m3_day"] == pytest.approx(0.004, abs=0.0015)
    assert " a day" in leaking["message"] and "a leak" in leaking["message"]
    send(signed_in, "PUT", f"{path}/probe", {"leak_m3_day": 0.0})
    sound = signed_in.get(f"{path}/told").json()
    assert not sound["leaks"]
    assert "No leak" in sound["message"]
    send(signed_in, "PUT", f"{path}/probe", {"late_days": 26})
    late = signed_in.get(f"{path}/told").json()["message"]
    assert "five days are wanted" in late
    assert "The last reading is 26 days old" in late
    assert len(leaking["series"]) > 100


def test_the_crop_factor_that_readings_fit_is_offered(signed_in: Client, wet: str, settings: Any) -> None:
    settings.FIXED_DAY = "2026-07-28"
    path = f"{wet}/beds/wicking"
    assert send(signed_in, "PUT", f"{wet}/beds/wicking", thirsty(signed_in, path, 0.6)).status_code == 200
    send(signed_in, "PUT", f"{path}/probe", {"seed": 3})
    told = signed_in.get(f"{path}/told").json()
    assert not told["leaks"]
    assert told["crop_factor"] == pytest.approx(1.05, abs=0.04)
    assert send(signed_in, "PUT", path, thirsty(signed_in, path, told["crop_factor"])).status_code == 200
    assert signed_in.get(f"{path}/told").json()["thirst"] == pytest.approx(1.0, abs=0.03)


def thirsty(client: Client, path: str, crop_factor: float) -> dict[str, Any]:
    """The bed as it is kept, with another crop factor."""
    beds = {bed["key"]: bed for bed in client.get(path.rsplit("/beds", 1)[0]).json()["beds"]}
    return {"bed": WICKING | {"watering": {"crop_factor": crop_factor}}, "revision": beds["wicking"]["revision"]}


def test_dips_tell_the_thirst(signed_in: Client, wet: str) -> None:
    path = f"{wet}/beds/wicking/dips"
    assert signed_in.get(f"{path}/told").json()["thirst"] is None
    for day, level_m in ((1, 0.19), (5, 0.13), (9, 0.07)):
        send(signed_in, "POST", path, {"level_m": level_m, "at": f"2026-07-0{day}T08:00:00Z"})
    told = signed_in.get(f"{path}/told").json()
    assert told["stretches"] == 2
    assert "between dips" in told["message"]
    send(signed_in, "POST", path, {"level_m": 0.1, "at": "9999-01-01T08:00:00Z"})
    assert signed_in.get(f"{path}/told").json() == told


def test_normals_and_stand_are_kept(signed_in: Client, wet: str, garden: Garden) -> None:
    normals = [{"tmin_c": 5.0, "tmax_c": 15.0, "rain_mm": 60.0, "rain_days": 10.0}] * 12
    head = signed_in.get(wet).json()["garden"]
    assert (
        send(signed_in, "PUT", wet, {"revision": 0, "garden": head | {"normals": normals}}).json()["garden"]["normals"]
        == normals
    )
    assert asked(signed_in, wet)["weather"] == "normals"
    garden.refresh_from_db()
    assert garden.normals == normals
