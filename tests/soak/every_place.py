"""Every place of every body that the server takes, with every odd value in it, once: none is an error of the server.

By hand: python -m tests.soak.every_place [PART OF A PATH]
"""

from __future__ import annotations

import copy
import json
import sys
import tempfile
import threading
import time
from http.client import HTTPException
from itertools import product
from pathlib import Path
from queue import Empty, SimpleQueue
from typing import Any

from tests.soak.fuzz import ALLOWED_FAILURES, AT_ONCE, ODD, Seen, filled_for, operations, places_in, sent_as, settled
from tests.soak.serving import Gardener, Serving

Operation = tuple[str, str, Any]
LEFT_OUT = object()


def try_every_place(part_of_path: str = "") -> Seen:
    """Send all of them, of the operations whose path has that part."""
    seen = Seen()
    waiting: SimpleQueue[Operation] = SimpleQueue()
    for operation in operations():
        if operation[2] is not None and part_of_path in operation[1]:
            waiting.put(operation)
    lock = threading.Lock()
    with tempfile.TemporaryDirectory() as folder, Serving(Path(folder)) as serving:
        threads = [threading.Thread(target=_work, args=(serving.port, waiting, seen, lock)) for _ in range(AT_ONCE)]
        for thread in threads:
            thread.start()
        for thread in threads:
            thread.join()
        seen.log = serving.log()
    return seen


def _work(port: int, waiting: SimpleQueue[Operation], seen: Seen, lock: threading.Lock) -> None:
    while True:
        try:
            operation = waiting.get_nowait()
        except Empty:
            return
        found = Seen()
        _try_one(settled(port, f"g{abs(hash(operation[:2]))}"), operation, found)
        with lock:
            seen.statuses += found.statuses
            seen.errors += found.errors


def _try_one(who: Gardener, operation: Operation, seen: Seen) -> None:
    method, path, body = operation
    address = filled_for(path, who)
    revision = body.get("revision") if isinstance(body, dict) else None
    for index, odd in product(range(len(list(places_in(body)))), [*ODD, LEFT_OUT]):
        sent = copy.deepcopy(body)
        if revision is not None:
            sent["revision"] = revision
        holder, key = list(places_in(sent))[index]
        if odd is LEFT_OUT:
            del holder[key]
        else:
            holder[key] = copy.deepcopy(odd)
        try:
            status, answer = sent_as(who, method, address, json.dumps(sent).encode(), "application/json")
        except (HTTPException, OSError) as error:
            who.reconnect()
            status, answer = -1, str(error)
        seen.statuses[status] += 1
        if status == 200 and revision is not None:
            revision = json.loads(answer).get("revision", revision)
        if (status >= 500 and status not in ALLOWED_FAILURES) or status < 0:
            seen.errors.append(f"{status} {method} {address} {str(sent)[:300]} {answer[:200]}")


if __name__ == "__main__":
    start = time.monotonic()
    told = try_every_place(*sys.argv[1:])
    print(f"{time.monotonic() - start:.0f} s", dict(told.statuses))
    print(*[line for line in told.log.splitlines() if "nolbet.security" not in line][-200:], sep="\n")
    print("errors", len(told.errors), *told.errors[:60], sep="\n")
