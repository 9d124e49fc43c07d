"""The real interface in Chromium: a live server, a signed-in page, and no request beyond this machine."""

from __future__ import annotations

import os
from collections.abc import Iterator
from typing import Any
from urllib.parse import urlsplit

import pytest
from django.contrib.auth.models import User
from django.test import Client
from playwright.sync_api import BrowserContext, Page, Request, expect

from tests.browser.chromium import ARGUMENTS, CHROMIUM, CONTEXT

os.environ.setdefault("DJANGO_ALLOW_ASYNC_UNSAFE", "true")

expect.set_options(timeout=30_000)  # a busy machine is slow, not wrong

LOOPBACK = {"localhost", "127.0.0.1", "[::1]", "::1"}


@pytest.fixture(scope="session")
def browser_type_launch_args() -> dict[str, Any]:
    """Debian's Chromium, without its own background traffic."""
    return {"executable_path": CHROMIUM, "headless": True, "args": ARGUMENTS}


@pytest.fixture(scope="session")
def browser_context_args() -> dict[str, Any]:
    """The size the screens are drawn for, a fixed language, and no movement."""
    return CONTEXT


@pytest.fixture
def strayed(context: BrowserContext) -> Iterator[list[str]]:
    """Addresses that the page asked for beyond loopback; any fails the test."""
    asked: list[str] = []

    def watch(request: Request) -> None:
        address = urlsplit(request.url)
        if address.scheme not in {"data", "blob", "about"} and address.hostname not in LOOPBACK:
            asked.append(request.url)

    context.on("request", watch)
    yield asked
    assert asked == [], f"the page asked beyond this machine: {asked}"


@pytest.fixture
def troubles(page: Page) -> Iterator[list[str]]:
    """Errors of the page's own scripts and what its security policy blocked; any fails the test."""
    heard: list[str] = []
    page.on("pageerror", lambda error: heard.append(str(error)))
    page.on(
        "console",
        lambda message: heard.append(message.text) if "Content Security Policy" in message.text else None,
    )
    yield heard
    assert heard == [], f"the page stumbled: {heard}"


@pytest.fixture
def home(live_server: Any, transactional_db: None) -> str:
    """Where the application answers."""
    return str(live_server.url)


@pytest.fixture
def app(page: Page, home: str, gardener: User, strayed: list[str], troubles: list[str]) -> Page:
    """A page signed in as the gardener."""
    page.set_default_timeout(30_000)
    client = Client()
    client.force_login(gardener)
    page.context.add_cookies([{"name": "nolbet_session", "value": client.cookies["nolbet_session"].value, "url": home}])
    return page
