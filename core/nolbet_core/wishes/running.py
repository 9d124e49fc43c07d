"""Looking for beds to the end, each word said as a line of JSON: what a process of its own runs."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from datetime import date
from typing import Any

from nolbet_core.built.plan_file import read_plan
from nolbet_core.figure.written import written_line
from nolbet_core.plan.wishes import Wishes
from nolbet_core.wishes.figures import looked_figures
from nolbet_core.wishes.search import Search


def look_aloud(document: Mapping[str, Any], wishes: Mapping[str, Any], today: str, say: Callable[[str], None]) -> None:
    """Look for beds that wishes allow, and say how far it has come line by line.

    document: the garden's plan, for its prices and climate. wishes: in the plan file's words. today: the day it is.
    """
    built = read_plan(dict(document))
    search = Search(built.plan, Wishes.model_validate(wishes), built.supplies, date.fromisoformat(today))
    for looked in search.look():
        say(written_line(looked_figures(looked, search.judge.around, built.supplies)))
