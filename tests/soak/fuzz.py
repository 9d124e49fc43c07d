"""Two gardeners send whatever comes to a broken or hostile client's mind, to every operation there is.

Nothing of it is an error of the server, nobody sees a word of the other's, and memory stays where it was.

By hand: python -m tests.soak.fuzz [REQUESTS] [SEED]
"""

from __future__ import annotations

import copy
import json
import os
import random
import re
import sys
import tempfile
import threading
import time
from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass, field
from http.client import HTTPException
from pathlib import Path
from typing import Any

from tests.core import zoo
from tests.soak.serving import Gardener, Serving, held_mb

ODD: list[Any] = [
    None, True, False, 0, -1, 1, 0.5, -0.0, 1e308, -1e308, 1e-320, 2**63, -(2**63) - 1, 10**40, "", " ", "\x00", "0",
    "-1", "nan", "1e400", "9" * 5000, "a" * 20_000, "\ud800", "../../etc/passwd", "' OR 1=1 --", "<script>x</script>",
    "=1+1", "2026-02-30", "0001-01-01", "9999-12-31", "2026-03-01T00:00:00+23:59", "& and +", "½ ft", [], {}, [[]],
    [[[[]]]], [0] * 3,
    ["plain"] * 40, {"key": "plain"}, {"": ""}, [{}], "plain", "compost", "topsoil", "metric", "ft_in",
]  # fmt: skip
ENDS = ("sign-out", "leave", "password", "sessions", "{name}", "sign-up", "code", "reset", "sign-in")
METHODS = ("GET", "HEAD", "POST", "PUT", "PATCH", "DELETE", "OPTIONS")
ALLOWED_FAILURES = {503, 507}
AT_ONCE = 3
CHUNK = 2_000


@dataclass
class Seen:
    """What was seen: statuses, errors of the server with what was asked, words of the other's, memory [MB]."""

    statuses: Counter[int] = field(default_factory=Counter)
    errors: list[str] = field(default_factory=list)
    leaked: list[str] = field(default_factory=list)
    memory_mb: list[int] = field(default_factory=list)
    log: str = ""


def fuzz(requests: int, seed: int = 11) -> Seen:
    """Send so many requests of two gardeners. seed: another one sends others."""
    seen = Seen()
    with tempfile.TemporaryDirectory() as folder, Serving(Path(folder)) as serving:
        found = operations()
        lock = threading.Lock()
        for chunk in range(max(requests // CHUNK, 1)):
            # gardens that grow with every bed that is taken would make each request dearer than the last
            pair = [settled(serving.port, f"{name}{chunk}") for name in ("zwibbel", "quorfax")]
            many = min(CHUNK, requests) // AT_ONCE
            threads = [
                threading.Thread(
                    target=_send_many,
                    args=(_twin(pair[at % 2]), pair[1 - at % 2], found, many, seed + chunk * 10 + at, seen, lock),
                )
                for at in range(AT_ONCE)
            ]
            for thread in threads:
                thread.start()
            for thread in threads:
                thread.join()
            seen.memory_mb.append(held_mb(serving))
        seen.log = serving.log()
    return seen


def operations() -> list[tuple[str, str, Any]]:
    """Method, path and a body that would do, of every operation."""
    import django  # noqa: PLC0415 - its settings are needed for the API's description alone

    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "nolbet.settings.test")
    django.setup()
    from nolbet.api.api import api  # noqa: PLC0415 - as above
    from tests.server.test_closed import BODIES  # noqa: PLC0415 - as above

    found = []
    document = json.loads(json.dumps(api.get_openapi_schema(path_prefix="/api/")))
    for path, methods in document["paths"].items():
        for method, operation in methods.items():
            body = operation.get("requestBody", {}).get("content", {}).get("application/json", {}).get("schema", {})
            found.append((method.upper(), path, copy.deepcopy(BODIES.get(body.get("$ref", "").rsplit("/", 1)[-1]))))
    # who is signed out or has put the garden away has nothing more to send
    return [each for each in found if each[:2] != ("DELETE", "/api/gardens/{garden_id}") and not each[1].endswith(ENDS)]


def settled(port: int, name: str) -> Gardener:
    """A new gardener with a bed and a material of their own."""
    gardener = Gardener(port, name)
    gardener.move_in()
    garden = f"/api/gardens/{gardener.garden}"
    gardener.ask("POST", f"{garden}/beds", {"bed": zoo.bed(key="plain", name=f"Bed of {name}")})
    gardener.ask("POST", f"{garden}/materials", {"key": "heap", "like": "compost", "name": f"Heap of {name}"})
    return gardener


def _twin(gardener: Gardener) -> Gardener:
    twin = Gardener(gardener.port, gardener.name)
    twin.cookies, twin.garden = dict(gardener.cookies), gardener.garden
    return twin


def _send_many(
    who: Gardener, other: Gardener, asked: list[Any], times: int, seed: int, seen: Seen, lock: threading.Lock
) -> None:
    chance = random.Random(seed)  # noqa: S311 - what is sent is no secret
    for _ in range(times):
        method, path, body = chance.choice(asked)
        if chance.random() < 0.05:
            method = chance.choice(METHODS)
        address = _filled(path, chance, who, other)
        sent = _mutated(body, chance)
        try:
            status, text = _asked(who, method, address, sent, chance)
        except (HTTPException, OSError) as error:
            who.reconnect()
            status, text = -1, str(error)
        with lock:
            seen.statuses[status] += 1
            if (status >= 500 and status not in ALLOWED_FAILURES) or status < 0:
                seen.errors.append(f"{status} {method} {address} {str(sent)[:300]} {text[:200]}")
            if other.name in text:
                seen.leaked.append(f"{status} {method} {address} {str(sent)[:200]}")


def _asked(who: Gardener, method: str, address: str, body: Any, chance: random.Random) -> tuple[int, str]:
    if chance.random() < 0.03:
        content: bytes | None = bytes(chance.randrange(256) for _ in range(chance.randrange(200)))
    else:
        content = None if body is None else json.dumps(body).encode()
    kind = chance.choice(["application/json"] * 30 + ["text/plain", "multipart/form-data; boundary=x", ""])
    return sent_as(who, method, address, content, kind)


def sent_as(who: Gardener, method: str, address: str, content: bytes | None, kind: str) -> tuple[int, str]:
    """Status and text of what is answered to a body sent as of some media type."""
    headers = {
        "Content-Type": kind,
        "Cookie": "; ".join(f"{key}={value}" for key, value in who.cookies.items()),
        "X-CSRFToken": who.cookies.get("nolbet_csrf", ""),
        "X-Forwarded-For": who.address,
    }
    who.connection.request(method, address, content, headers)
    answer = who.connection.getresponse()
    return answer.status, answer.read().decode("utf-8", "replace")


def filled_for(path: str, who: Gardener) -> str:
    """A path with a gardener's own garden, and with what is there."""
    kept = {"garden_id": str(who.garden), "kind": "plot", "hemisphere": "north"}
    material = "/materials/" in path or "/shelf/" in path
    return re.sub(
        r"\{(\w+)\}",
        lambda each: kept.get(each[1], "1" if each[1].endswith("_id") else "heap" if material else "plain"),
        path,
    )


def _filled(path: str, chance: random.Random, who: Gardener, other: Gardener) -> str:
    def value(match: re.Match[str]) -> str:
        name = match[1]
        if chance.random() < 0.05:
            return chance.choice(["-1", "0", "99999999999999999999", "%00", "..", "a" * 300, "%F0%9F%8C%B1", "1.5"])
        if name == "garden_id":
            return str(chance.choice([who.garden] * 6 + [other.garden]))
        if name == "kind":
            return chance.choice(["plot", "mix", "sources", "odd"])
        if name.endswith("_id"):
            return str(chance.randrange(1, 8))
        return chance.choice(["plain", "stream", "heap", "half", "compost", "odd"])

    address = re.sub(r"\{(\w+)\}", value, path)
    if chance.random() < 0.05:
        address += chance.choice(["?words=%00", "?month=-1", "?seconds=nan", "?step=" + "a" * 500, "?today=9999-99-99"])
    return address


def _mutated(body: Any, chance: random.Random) -> Any:
    """A body with a few of its values changed for odd ones, left out, or doubled."""
    if body is None:
        return chance.choice([None, None, {}, [], 1])
    changed = copy.deepcopy(body)
    for _ in range(chance.choice([0, 1, 1, 1, 2, 3])):
        places = list(places_in(changed))
        if not places:
            break
        holder, key = chance.choice(places)
        how = chance.random()
        if how < 0.7:
            holder[key] = copy.deepcopy(chance.choice(ODD))
        elif how < 0.85 and isinstance(holder, dict):
            del holder[key]
        elif isinstance(holder, list):
            holder.extend([copy.deepcopy(holder[key])] * chance.choice([1, 3, 70]))
    return changed


def places_in(document: Any) -> Iterator[tuple[Any, Any]]:
    """Where values stand in a document: what holds each, and its key or index there."""
    pairs = (
        document.items() if isinstance(document, dict) else enumerate(document) if isinstance(document, list) else ()
    )
    for key, value in list(pairs):
        yield document, key
        yield from places_in(value)


if __name__ == "__main__":
    start = time.monotonic()
    numbers = [int(each) for each in sys.argv[1:]] + [2_000, 11][len(sys.argv) - 1 :]
    told = fuzz(*numbers)
    print(f"{time.monotonic() - start:.0f} s", dict(told.statuses), "memory MB", told.memory_mb)
    print(*[line for line in told.log.splitlines() if "nolbet.security" not in line][-60:], sep="\n")
    print("errors", len(told.errors), *told.errors[:30], sep="\n")
    print("leaked", len(told.leaked), *told.leaked[:30], sep="\n")
