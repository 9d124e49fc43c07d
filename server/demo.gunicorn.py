"""How `bin/demo` serves: loopback only, threads in one process, the address printed once it answers."""

from __future__ import annotations

import os
import socket
from typing import Any

HOST = "127.0.0.1"
FIRST_PORT = 8311
PORTS_TRIED = 40


def _port() -> int:
    asked = os.environ.get("NOLBET_PORT")
    if asked:
        return int(asked)
    for port in range(FIRST_PORT, FIRST_PORT + PORTS_TRIED):
        with socket.socket() as probe:
            probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
            try:
                probe.bind((HOST, port))
            except OSError:
                continue
            return port
    raise SystemExit("No free port found: set NOLBET_PORT.")


bind = f"{HOST}:{_port()}"
worker_class = "gthread"
workers = 1
threads = 8
loglevel = "warning"
graceful_timeout = 1
control_socket_disable = True


def when_ready(server: Any) -> None:
    """Print the address."""
    print(f"Nolbet is ready: http://{bind}/  (Ctrl+C ends it)", flush=True)  # noqa: T201 - said to the person who started it
