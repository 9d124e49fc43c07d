"""The demo signs in without a password, so it answers this machine alone."""

from __future__ import annotations

import pytest
from django.core.exceptions import PermissionDenied
from django.http import HttpResponse
from django.test import Client, RequestFactory
from pytest_django.fixtures import Settings

from nolbet.demo.load import load_demo
from nolbet.demo.sign_in import DemoSignIn

MIDDLEWARE = "nolbet.demo.sign_in.DemoSignIn"


@pytest.fixture
def demo(settings: Settings, db: None) -> None:
    """The demo's settings with its garden."""
    settings.DEMO = True
    settings.MIDDLEWARE = [*settings.MIDDLEWARE, MIDDLEWARE]
    load_demo()


def test_loopback_is_the_demo_gardener(demo: None) -> None:
    (garden,) = Client(REMOTE_ADDR="127.0.0.1").get("/api/gardens").json()
    assert garden["name"] == "Brackwater cottage"


@pytest.mark.parametrize(
    "asking", [{"REMOTE_ADDR": "192.0.2.7"}, {"REMOTE_ADDR": "127.0.0.1", "HTTP_X_FORWARDED_FOR": "192.0.2.7"}]
)
def test_nobody_else_gets_in(demo: None, asking: dict[str, str]) -> None:
    assert Client(**asking).get("/api/gardens").status_code == 403  # type: ignore[arg-type]  # request headers


def test_it_refuses_to_run_outside_the_demo() -> None:
    with pytest.raises(RuntimeError, match="demo's settings alone"):
        DemoSignIn(lambda request: HttpResponse())


def test_an_address_that_is_none_is_refused(demo: None) -> None:
    request = RequestFactory().get("/", REMOTE_ADDR="")
    with pytest.raises(PermissionDenied):
        DemoSignIn(lambda request: HttpResponse())(request)
