"""Requests to a real server of one process: an answer of nothing against a bare view's, figures against that one."""

from __future__ import annotations

import itertools
import json
import os
import subprocess
import sys
import tempfile
from collections.abc import Iterator
from contextlib import contextmanager
from http.client import HTTPConnection
from pathlib import Path
from typing import Any

from bench.api import EIGHT_LAYERS
from bench.measure import Measure, compare
from bench.planting import COUNT_LIMIT, counts_of, planted_bed

PROJECT = Path(__file__).resolve().parents[1]
ROUNDS = 300
EMPTY_LIMIT = 2.5
FIGURE_LIMIT = 1.5
TICK_LIMIT = 2.0
PAGE_LIMIT = 3.0
STARTS_WITHIN_S = 60.0


def _python(data: str, *arguments: str) -> list[str]:
    """A command of ours with its settings."""
    return ["env", f"NOLBET_DATA={data}", "DJANGO_SETTINGS_MODULE=bench.settings", sys.executable, "-m", *arguments]


@contextmanager
def _server(data: str) -> Iterator[HTTPConnection]:
    """A connection to a server that keeps its data in a folder."""
    config = str(PROJECT / "server" / "demo.gunicorn.py")
    process = subprocess.Popen(  # noqa: S603 - our own server
        _python(data, "gunicorn", "--config", config, "nolbet.wsgi:application"),
        stdout=subprocess.PIPE,
        text=True,
        env={**os.environ, "PYTHONPATH": f"{PROJECT / 'core'}:{PROJECT / 'server'}:{PROJECT}"},
    )
    try:
        assert process.stdout is not None  # noqa: S101 - asked for above
        said = process.stdout.readline()
        host, port = said.split("http://")[1].split("/")[0].split(":")
        yield HTTPConnection(host, int(port), timeout=STARTS_WITHIN_S)
    finally:
        process.terminate()
        process.wait()


def measure_served() -> list[Measure]:
    """The medians of requests over one kept connection, a bare view's, an empty answer's and figures' in turn."""
    with tempfile.TemporaryDirectory() as data:
        subprocess.run(_python(data, "django", "migrate", "-v0"), check=True)  # noqa: S603 - as above
        told = subprocess.run(_python(data, "bench.seed"), check=True, capture_output=True, text=True)  # noqa: S603
        seed: dict[str, Any] = json.loads(told.stdout)
        with _server(data) as connection:
            return _measured(connection, seed)


def _measured(connection: HTTPConnection, seed: dict[str, Any]) -> list[Measure]:
    body = json.dumps({"bed": EIGHT_LAYERS})
    headers = {
        "Content-Type": "application/json",
        "Cookie": "; ".join(f"{name}={value}" for name, value in seed["cookies"].items()),
        "X-CSRFToken": seed["cookies"]["nolbet_csrf"],
    }

    def post(address: str, sent: str = body) -> None:
        connection.request("POST", address, sent, headers)
        answer = connection.getresponse()
        content = answer.read()
        if answer.status != 200:
            raise RuntimeError(f"{address} answered {answer.status}: {content[:200]!r}")

    def get(address: str) -> None:
        connection.request("GET", address, headers=headers)
        answer = connection.getresponse()
        content = answer.read()
        if answer.status != 200:
            raise RuntimeError(f"{address} answered {answer.status}: {content[:200]!r}")

    page = f"/api/gardens/{seed['garden']}/beds/eight/history?most=12"
    empty, figure = f"/nothing/{seed['garden']}", f"/api/gardens/{seed['garden']}/figure/bed"
    tick = f"/api/gardens/{seed['garden']}/works/tick"
    ticks = itertools.cycle(
        json.dumps({"step": "eight.layer.1", "done": done, "on": "2026-10-24"}) for done in (True, False)
    )
    for _ in range(ROUNDS // 10):
        post(figure)
    bed = planted_bed()
    return [
        compare("counts_in_an_outline_to_nothing", COUNT_LIMIT, lambda: counts_of(bed), lambda: post(empty), ROUNDS),
        compare("served_nothing_to_a_bare_view", EMPTY_LIMIT, lambda: post(empty), lambda: post("/bare"), ROUNDS),
        compare("served_history_page_to_nothing", PAGE_LIMIT, lambda: get(page), lambda: post(empty), ROUNDS),
        compare("served_tick_to_nothing", TICK_LIMIT, lambda: post(tick, next(ticks)), lambda: post(empty), ROUNDS),
        compare("served_figure_to_nothing", FIGURE_LIMIT, lambda: post(figure), lambda: post(empty), ROUNDS),
    ]
