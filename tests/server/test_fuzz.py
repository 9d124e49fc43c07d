"""The API against whatever its own description allows, and what it doesn't: never a server error."""

from __future__ import annotations

import json
from typing import Any
from urllib.parse import quote, urlencode

import pytest
import schemathesis
from django.contrib.auth.models import User
from django.test import Client
from hypothesis import HealthCheck, Phase, settings

from nolbet.api.api import api
from nolbet.gardens.models import Garden

GARDEN = "/api/gardens/{garden_id}"
SWEPT_ELSEWHERE = (
    "/beds/{key}", "/figure/buying", "/figure/sunken", "/figure/compared", "/figure/schools", "/figure/spread",
    "/mixes/{key}", "/figure/mix/amounts", "/figure/mix/batch", "/sources", "/materials/{key}",
)  # fmt: skip
"""Where a body is a model that is swept, value by value, at another door already; made-up bodies go to all of them."""

config = schemathesis.config.SchemathesisConfig.from_dict(
    {
        "operations": [
            {"include-path": GARDEN + path, "phases": {"coverage": {"enabled": False}}} for path in SWEPT_ELSEWHERE
        ]
    }
)
schema = schemathesis.openapi.from_dict(api.get_openapi_schema(path_prefix="/api/"), config=config)


@pytest.fixture
def client_of_gardener(gardener: User) -> Client:
    """A signed-in client that answers errors as a server would."""
    client = Client(raise_request_exception=False)
    client.force_login(gardener)
    return client


def sent(client: Client, case: Any, garden: Garden) -> Any:
    """Send a made-up case, to the gardener's own garden where it names one."""
    parameters = {name: str(value) for name, value in (case.path_parameters or {}).items()}
    if "garden_id" in parameters:
        parameters["garden_id"] = str(garden.pk)
    path = case.path
    for name, value in parameters.items():
        path = path.replace("{" + name + "}", quote(value, safe=""))
    query = urlencode({name: str(value) for name, value in (case.query or {}).items()})
    given = isinstance(case.body, dict | list | str | int | float | bool)
    body = json.dumps(case.body) if given else ""
    return client.generic(case.method, f"{path}?{query}", body, content_type="application/json")


@schema.parametrize()
@settings(
    max_examples=15, deadline=None, phases=[Phase.explicit, Phase.generate], suppress_health_check=list(HealthCheck)
)
def test_nothing_that_is_sent_breaks_the_server(case: Any, client_of_gardener: Client, garden: Garden) -> None:
    answer = sent(client_of_gardener, case, garden)
    assert answer.status_code < 500, answer.content[:500]
    if answer.status_code >= 400 and answer["Content-Type"] != "text/html; charset=utf-8":
        assert answer["Content-Type"].startswith("application/problem+json") or answer.json()["detail"]
