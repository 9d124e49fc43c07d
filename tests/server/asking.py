"""Asking the API in tests."""

from __future__ import annotations

import json
from typing import Any

from django.test import Client


def send(client: Client, method: str, path: str, body: dict[str, Any]) -> Any:
    """Send JSON and give the answer."""
    return client.generic(method, path, json.dumps(body), content_type="application/json")
