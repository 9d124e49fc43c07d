"""The real interface in Chromium: a live server, a signed-in page, and no request beyond this machine."""

from __future__ import annotations

import os
from collections.abc import Iterator
from typing import Any
from urllib.parse import urlsplit

import pytest
from django.contrib.auth.models import User
from django.test import Client
from playwright.sync_api import Browser, BrowserContext, Page, Request, expect

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


@pytest.fixture(scope="session")
def kept_context(browser: Browser) -> Iterator[BrowserContext]:
    """One context for all tests of a run: it keeps the page's files, compiled, as the browser of a gardener does."""
    context = browser.new_context(**CONTEXT)
    yield context
    context.close()


@pytest.fixture
def context(kept_context: BrowserContext) -> Iterator[BrowserContext]:
    """The kept context, given back with nothing open and nobody signed in."""
    yield kept_context
    for page in kept_context.pages:
        page.close()
    kept_context.set_offline(False)
    kept_context.unroute_all()
    kept_context.clear_cookies()


@pytest.fixture
def page(context: BrowserContext, live_server: Any) -> Page:
    """A page of a browser that keeps nothing of what gardeners before did."""
    page = context.new_page()
    session = context.new_cdp_session(page)
    session.send("Storage.clearDataForOrigin", {"origin": str(live_server.url), "storageTypes": "all"})
    session.detach()
    return page


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
    context.remove_listener("request", watch)
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
