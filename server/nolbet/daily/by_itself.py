"""The server's own hand: a thread beside those that answer, which looks now and then whether a new day has begun."""

from __future__ import annotations

import logging
import threading

from django.db import DatabaseError, connection

from nolbet.daily.clearing import clear_on_a_new_day

LOOKS_EVERY_S = 1800.0
FIRST_LOOK_AFTER_S = 20.0
"""The first who ask after a start don't wait for it."""

log = logging.getLogger("nolbet.daily")


def start() -> threading.Event:
    """Look from now on; what is given back ends it when it is set."""
    ended = threading.Event()
    threading.Thread(target=_go_on, args=(ended,), name="nolbet-daily", daemon=True).start()
    return ended


def _go_on(ended: threading.Event) -> None:
    pause_s = FIRST_LOOK_AFTER_S
    while not ended.wait(pause_s):
        try:
            clear_on_a_new_day()
        except DatabaseError:
            log.exception("what is old could not be cleared; it is tried again")
        finally:
            connection.close()
        pause_s = LOOKS_EVERY_S
