"""Haul through the API: what was bought, looking for the cheapest haul line by line, prices, lists to take along."""

from __future__ import annotations

import io
import json
from datetime import date
from decimal import Decimal
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.test import Client
from openpyxl import load_workbook

from nolbet.gardens.models import Garden
from nolbet.haul.price_feed import PriceFault, prices_text
from nolbet.haul.rows import suppliers_plan
from nolbet.plans.storing import store_plan
from nolbet.plans.whole import plan_to_take_out
from nolbet_core.built.plan_file import read_plan
from nolbet_core.built.price_list import read_price_list
from nolbet_core.figure.walk import figure_plan
from nolbet_core.shelf.library import standard_shelf
from tests.core import zoo
from tests.server.asking import send

YARD = {"key": "yard", "name": "=Tide yard", "delivery": "30.00", "offers": [
    {"material": "topsoil", "form": "bulk", "price_per_m3": "60.00", "step_m3": 0.5},
    {"material": "topsoil", "form": "bag", "volume_m3": 0.04, "price": "5.00", "fetch": True, "key": "soil_bag"},
    {"material": "compost", "form": "bag", "volume_m3": 0.04, "price": "6.20", "priced_on": "2026-09-01"},
]}  # fmt: skip
LAYERS = [{"material": "compost", "thickness_m": 0.1}, {"material": "topsoil", "fill": True}]


@pytest.fixture
def priced(gardener: User) -> Garden:
    """A garden of one bed with a yard."""
    document = zoo.plan(zoo.bed(layers=LAYERS), suppliers=[YARD], garden={"name": "Test ground", "units": "metric"})
    return store_plan(gardener.pk, read_plan(document).plan)


def lines_of(client: Client, garden: Garden, **query: Any) -> list[dict[str, Any]]:
    """What looking for the cheapest haul tells, line by line."""
    answer = client.get(f"/api/gardens/{garden.pk}/figure/haul", query)
    assert answer.status_code == 200
    text = b"".join(answer.streaming_content).decode()  # type: ignore[attr-defined]
    return [json.loads(line) for line in text.splitlines()]


def test_the_last_line_is_the_cheapest_haul_of_the_core(signed_in: Client, priced: Garden) -> None:
    last = lines_of(signed_in, priced)[-1]
    core = figure_plan(read_plan(plan_to_take_out(priced).model_dump(mode="json", exclude_none=True)), None, 5.0, 5.0)
    assert core.haul is not None
    assert last["kind"] == "found"
    assert Decimal(last["found"]["figures"]["haul"]["total"]) == core.haul.total
    assert Decimal(last["total"]) == core.haul.total


def test_a_look_ended_by_hand_or_by_a_newer_plan_leaves_off(
    signed_in: Client, priced: Garden, monkeypatch: pytest.MonkeyPatch
) -> None:
    # a look that goes on until it is ended
    def waits(built: object, today: date, saw_s: float, haul_s: float, watch: Any) -> Any:
        while not watch.ends():
            watch.bound(Decimal("12.50"))
        return figure_plan(read_plan(zoo.plan(suppliers=[YARD])), today, saw_s, haul_s)

    monkeypatch.setattr("nolbet.api.looking.figure_plan", waits)
    told = signed_in.get(f"/api/gardens/{priced.pk}/figure/haul").streaming_content  # type: ignore[attr-defined]
    assert json.loads(next(told))["kind"] == "looking"
    assert signed_in.post(f"/api/gardens/{priced.pk}/figure/haul/end").status_code == 204
    rest = [json.loads(line) for line in told]
    assert rest[0]["lower_bound"] == "12.50"
    assert rest[-1]["kind"] == "found"
    told = signed_in.get(f"/api/gardens/{priced.pk}/figure/haul").streaming_content  # type: ignore[attr-defined]
    next(told)
    priced.changed()
    assert [json.loads(line)["kind"] for line in told] == ["newer"]


@pytest.mark.parametrize("seconds", [0, 500])
def test_no_look_takes_forever(signed_in: Client, priced: Garden, seconds: int) -> None:
    answer = signed_in.get(f"/api/gardens/{priced.pk}/figure/haul", {"seconds": seconds})
    assert answer.status_code == 422
    assert "seconds" in answer.json()["errors"][0]["path"]


def test_what_was_bought_is_kept_taken_out_and_brought_in_elsewhere(signed_in: Client, priced: Garden) -> None:
    path = f"/api/gardens/{priced.pk}/sources"
    kept = signed_in.get(path).json()
    bought = {
        "kind": "purchase", "on": "2026-10-18", "supplier": "yard", "material": "topsoil", "form": "bag", "count": 4,
        "price": "20.00", "paid": True, "arrival": "two torn",
    }  # fmt: skip
    sent = {"revision": kept["revision"], "sources": kept["sources"] | {"bought": [bought]}}
    saved = send(signed_in, "PUT", path, sent).json()
    assert saved["sources"]["bought"] == [bought | {"used": False}]
    plan = plan_to_take_out(Garden.objects.get(pk=priced.pk))
    again = store_plan(priced.owner_id, read_plan(plan.model_dump(mode="json", exclude_none=True)).plan)
    assert again.bought == [bought | {"used": False}]
    haul = lines_of(signed_in, again)[-1]["found"]["figures"]["haul"]
    assert haul["spent"] == [{"supplier": "yard", "price": "20.00", "paid": "20.00"}]
    wrong = sent | {"revision": saved["revision"]}
    wrong["sources"] = kept["sources"] | {"bought": [bought | {"material": "moon_dust"}]}
    refused = send(signed_in, "PUT", path, wrong)
    assert refused.status_code == 422
    assert refused.json()["errors"][0]["path"] == "bought[0].material"


def test_the_workbook_reads_back_as_the_haul_with_words_shielded(signed_in: Client, priced: Garden) -> None:
    haul = lines_of(signed_in, priced)[-1]["found"]["figures"]["haul"]
    answer = signed_in.get(f"/api/gardens/{priced.pk}/shopping-list.xlsx")
    book = load_workbook(io.BytesIO(answer.content))
    (page,) = book.worksheets
    rows = list(page.iter_rows(values_only=True))
    assert rows[0][0] == "Test ground: =Tide yard"
    own = rows[2 : 2 + len(haul["lines"])]
    assert [row[6] for row in own] == [float(line["price"]) for line in haul["lines"]]
    assert [row[3] for row in own] == [line["count"] for line in haul["lines"]]
    assert rows[-1][6] == float(haul["total"])
    assert not any(isinstance(each, str) and each.startswith("=") for row in rows for each in row)
    text = signed_in.get(f"/api/gardens/{priced.pk}/shopping-list.csv").content.decode("utf-8-sig")
    assert text.splitlines()[1].startswith("'=Tide yard,")


def test_prices_go_out_and_come_back_as_they_were(signed_in: Client, priced: Garden) -> None:
    text = signed_in.get(f"/api/gardens/{priced.pk}/prices.csv").content.decode()
    read = send(signed_in, "POST", f"/api/gardens/{priced.pk}/prices/read", {"text": text}).json()
    assert read["bad"] == []
    assert [row["same"] for row in read["rows"]] == [True, True, True]
    refused = send(signed_in, "POST", f"/api/gardens/{priced.pk}/prices/read", {"text": "price,thing\n1,2\n"})
    assert refused.status_code == 422
    assert refused.json()["errors"][0]["path"] == "text"
    assert "supplier" in refused.json()["detail"]


@pytest.mark.parametrize(
    ("fault", "rows", "doubted"), [("none", 3, 0), ("late", 0, 0), ("stale", 3, 3), ("absurd", 3, 1), ("partial", 2, 0)]
)
def test_the_price_service_is_read_as_guardedly_as_a_file(
    signed_in: Client, priced: Garden, fault: PriceFault, rows: int, doubted: int
) -> None:
    # the first seed whose list has both rows that are as they should be and, where asked for, ones that are not
    def doubts(seed: int) -> tuple[int, int]:
        text = prices_text(suppliers_plan(priced), date(2026, 10, 20), fault, seed)
        read = read_price_list(text, suppliers_plan(priced), standard_shelf(), date(2026, 10, 20))
        return len(read.rows), sum(bool(row.doubt) for row in read.rows)

    seed = next(each for each in range(200) if doubts(each) == (rows, doubted))
    asked = {"fault": fault, "seed": seed}
    read = send(signed_in, "POST", f"/api/gardens/{priced.pk}/prices/service", asked).json()
    assert len(read["rows"]) == rows
    assert read["bad"] == []
    assert Garden.objects.get(pk=priced.pk).sources_revision == priced.sources_revision


def test_ways_to_pay_less_and_what_is_set_down_are_the_cores(signed_in: Client, priced: Garden) -> None:
    swaps = signed_in.get(f"/api/gardens/{priced.pk}/figure/swaps").json()
    assert {swap["part"] for swap in swaps["swaps"]} == {"bed"}
    beside = signed_in.get(f"/api/gardens/{priced.pk}/figure/set-down").json()
    assert [bed["bed"] for bed in beside["beds"]] == ["plain"]
    curve = signed_in.get(f"/api/gardens/{priced.pk}/figure/cost-curve/topsoil").json()
    assert curve["break_even_m3"] > 0
    assert signed_in.get(f"/api/gardens/{priced.pk}/figure/cost-curve/compost").json() is None
    assert signed_in.get(f"/api/gardens/{priced.pk}/figure/cost-curve/moon_dust").status_code == 422
