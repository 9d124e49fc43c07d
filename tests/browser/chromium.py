"""How Chromium is started for tests and pictures."""

from __future__ import annotations

from typing import Any

CHROMIUM = "/usr/bin/chromium-headless-shell"
"""Without the bar and the tabs that a window has: drawing those takes as long as drawing the page."""

ARGUMENTS = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--disable-default-apps",
    "--disable-extensions",
    "--no-default-browser-check",
    "--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE localhost, EXCLUDE 127.0.0.1",
]

CONTEXT: dict[str, Any] = {
    "viewport": {"width": 1280, "height": 800},
    "locale": "en-US",
    "reduced_motion": "reduce",
    # what a test answers for the server has to be asked by the page itself; tests of the worker allow it
    "service_workers": "block",
}
