"""A real server of its own, started, killed and started again, and a gardener's client over HTTP."""

from __future__ import annotations

import atexit
import hashlib
import http.client
import json
import os
import re
import shutil
import signal
import socket
import sqlite3
import subprocess
import sys
import tempfile
import time
from contextlib import closing, suppress
from functools import cache
from pathlib import Path
from types import TracebackType
from typing import Any

PROJECT = Path(__file__).resolve().parents[2]
TRIES = 3000


def free_port() -> int:
    """A port that nobody listens on."""
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        return int(probe.getsockname()[1])


class Serving:
    """gunicorn on a data folder, as in production but for TLS."""

    def __init__(self, data: Path, **environment: str) -> None:
        self.data = data
        self.port = free_port()
        self.environment = os.environ | {
            "NOLBET_DATA": str(data),
            "DJANGO_SETTINGS_MODULE": "nolbet.settings.test",
            "PYTHONPATH": "core:server",
            **environment,
        }
        self.process: subprocess.Popen[bytes] | None = None

    @property
    def database(self) -> Path:
        """Where the database is."""
        return self.data / "nolbet.sqlite3"

    def manage(self, *arguments: str) -> str:
        """Run a management command on the same data."""
        command = [sys.executable, "server/manage.py", *arguments]
        return subprocess.run(
            command, cwd=PROJECT, env=self.environment, check=True, capture_output=True, text=True
        ).stdout

    def command(self) -> list[str]:
        """What starts it."""
        command = [sys.executable, "-m", "gunicorn", "--bind", f"127.0.0.1:{self.port}"]
        command += ["--worker-class", "gthread", "--threads", "8", "--log-level", "error"]
        return [*command, "--no-control-socket", "nolbet.wsgi:application"]

    def start(self) -> None:
        """Start and wait until it answers."""
        with (self.data / "log").open("ab") as log:
            self.process = subprocess.Popen(
                self.command(), cwd=PROJECT, env=self.environment, start_new_session=True, stderr=log
            )
        self.wait_until_it_answers()

    def wait_until_it_answers(self) -> None:
        """Wait for the first answer. Raises RuntimeError where none comes."""
        for _ in range(TRIES):
            try:
                connection = http.client.HTTPConnection("127.0.0.1", self.port, timeout=5)
                connection.request("GET", "/api/account")
                if connection.getresponse().status == 200:
                    return
            except OSError:
                pass
            time.sleep(0.02)
        raise RuntimeError("the server did not start")

    def log(self) -> str:
        """What the server wrote to its log."""
        return (self.data / "log").read_text(encoding="utf-8", errors="replace")

    def kill_worker(self) -> None:
        """Kill the process that answers, as running out of memory would; the one above starts another."""
        if self.process is None:
            return
        children = Path(f"/proc/{self.process.pid}/task/{self.process.pid}/children").read_text().split()
        for child in children:
            with suppress(ProcessLookupError):
                os.kill(int(child), signal.SIGKILL)

    def kill(self) -> None:
        """Kill the server and its workers at once, as a power cut would."""
        if self.process:
            os.killpg(self.process.pid, signal.SIGKILL)
            self.process.wait()
            self.process = None

    def __enter__(self) -> Serving:
        if not self.database.exists():
            shutil.copyfile(_migrated(), self.database)
        self.start()
        return self

    def __exit__(self, kind: type[BaseException] | None, error: BaseException | None, at: TracebackType | None) -> None:
        self.kill()


@cache
def _migrated() -> Path:
    """A database with nothing in it, set up once for all servers of a run: that takes longer than starting one."""
    folder = tempfile.mkdtemp(prefix="nolbet-empty-")
    atexit.register(shutil.rmtree, folder, ignore_errors=True)
    empty = Serving(Path(folder))
    empty.manage("migrate", "--verbosity", "0")
    with closing(sqlite3.connect(empty.database)) as connection:
        # the copy is of one file: nothing may be left in the log beside it
        connection.execute("PRAGMA wal_checkpoint(TRUNCATE)")
    return empty.database


KEPT_OPEN_S = 1.0
"""After so long the server may be closing a connection that nobody asked on; a browser opens another too."""


class Gardener:
    """A signed-in client with one bed to save over and over."""

    def __init__(self, port: int, name: str) -> None:
        self.port = port
        self.name = name
        # each lives somewhere else: few accounts are opened from one address
        digest = hashlib.sha256(name.encode()).digest()
        self.address = f"10.{digest[0]}.{digest[1]}.{digest[2]}"
        self.cookies: dict[str, str] = {}
        self.connection = http.client.HTTPConnection("127.0.0.1", port, timeout=30)
        self.asked_at = time.monotonic()
        self.garden = 0
        self.revision = 1

    def ask(self, method: str, path: str, body: dict[str, Any] | None = None) -> tuple[int, Any]:
        """Send a request, on the open connection where it was used just now; status and answer."""
        headers = {
            "Content-Type": "application/json",
            "Cookie": "; ".join(f"{key}={value}" for key, value in self.cookies.items()),
            "X-CSRFToken": self.cookies.get("nolbet_csrf", ""),
            "X-Forwarded-For": self.address,
        }
        if time.monotonic() - self.asked_at > KEPT_OPEN_S:
            self.connection.close()
        self.asked_at = time.monotonic()
        self.connection.request(method, path, json.dumps(body) if body is not None else None, headers)
        answer = self.connection.getresponse()
        for header in answer.headers.get_all("Set-Cookie") or []:
            key, _, value = header.split(";")[0].partition("=")
            self.cookies[key] = value
        content = answer.read()
        return answer.status, json.loads(content) if content else None

    def move_in(self) -> None:
        """Open an account, start a garden, measure a bed."""
        self.ask("GET", "/api/account")
        self._done(self.ask("POST", "/api/account/sign-up", {"name": self.name, "password": "a long enough phrase"}))
        _, garden = self.ask("POST", "/api/gardens", {"garden": {"name": f"Garden of {self.name}"}})
        self.garden = garden["id"]
        self._done(self.ask("POST", f"/api/gardens/{self.garden}/beds", {"bed": bed(1)}))

    def save(self, count: int) -> tuple[int, Any]:
        """Save the bed with a count, on the revision last answered."""
        body = {"revision": self.revision, "bed": bed(count)}
        status, answer = self.ask("PUT", f"/api/gardens/{self.garden}/beds/stream", body)
        if status == 200:
            self.revision = answer["revision"]
        return status, answer

    def kept(self) -> tuple[int, int]:
        """Revision and count as they are kept."""
        _, garden = self.ask("GET", f"/api/gardens/{self.garden}")
        (found,) = garden["beds"]
        return found["revision"], found["bed"]["count"]

    def reconnect(self) -> None:
        """Open a new connection after the server went."""
        self.connection.close()
        self.connection = http.client.HTTPConnection("127.0.0.1", self.port, timeout=30)

    @staticmethod
    def _done(answered: tuple[int, Any]) -> None:
        if answered[0] not in {200, 201}:
            raise RuntimeError(f"answered {answered}")


def bed(count: int) -> dict[str, Any]:
    """A bed whose count tells one save from the next."""
    return {
        "key": "stream",
        "name": "Stream",
        "count": count,
        "shape": {"kind": "box", "length_m": 2.0, "width_m": 1.0, "depth_m": 0.5},
        "layers": [{"material": "topsoil", "fill": True}],
    }


def held_mb(serving: Serving) -> int:
    """What the server and its processes hold [MB]."""
    if serving.process is None:
        return 0
    total = 0
    for entry in Path("/proc").iterdir():
        try:
            if entry.name.isdigit() and os.getpgid(int(entry.name)) == serving.process.pid:
                found = re.search(r"VmRSS:\s+(\d+) kB", (entry / "status").read_text())
                total += int(found[1]) if found else 0
        except OSError:
            continue
    return total // 1024
