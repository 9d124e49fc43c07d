"""How `bin/keep` serves: threads in one process on loopback, behind a proxy that ends TLS."""

from __future__ import annotations

import os
from typing import Any

PORT = int(os.environ.get("NOLBET_PORT", "8000"))

bind = f"127.0.0.1:{PORT}"
worker_class = "gthread"
workers = 1
threads = 8
loglevel = "warning"
# an upgrade ends the server: who is being answered is answered first
graceful_timeout = 20
control_socket_disable = True


def when_ready(server: Any) -> None:
    """Say where."""
    print(f"Nolbet is kept at http://{bind}/", flush=True)  # noqa: T201 - said to the person who started it
