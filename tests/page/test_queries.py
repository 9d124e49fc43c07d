"""What the page asks for while something changes: no answer from before the change stands after it."""

from __future__ import annotations

import pytest

from tests.page.asking import ask_page

FILE = "../testing/queries.ts"


@pytest.mark.parametrize("shown", [False, True], ids=["for the first time", "once more"])
@pytest.mark.parametrize("change", ["saved", "answered"])
def test_what_was_on_its_way_when_it_changed_is_asked_for_anew(change: str, shown: bool) -> None:
    ((told, asked),) = ask_page(FILE, [(change, shown)])
    assert told == "after"
    assert asked == (3 if shown else 2)


def test_a_view_that_waits_for_a_save_shows_nothing_from_before_it() -> None:
    """Asked, asked again before the save, and asked once more when the view no longer waits."""
    assert ask_page(FILE, [("waiting",)]) == [["after", 3]]


def test_what_nothing_changed_is_not_asked_for_anew() -> None:
    assert ask_page(FILE, [("elsewhere", False), ("elsewhere", True)]) == [["before", 1], ["before", 2]]
