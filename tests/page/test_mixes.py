"""Edits of a mix as the page makes them: each leaves one that the core takes, and none loses what was typed."""

from __future__ import annotations

from typing import Any

import pytest

from nolbet_core.built.plan_file import read_plan
from tests.core import zoo
from tests.page.asking import ask_page

FILE = "blend/edits.ts"
MIX: dict[str, Any] = {
    "key": "half",
    "name": "Half",
    "parts": [{"material": "topsoil", "parts": 1}, {"material": "compost", "parts": 1}],
    "bucket_test": {"parts_in": 2, "level_out": 1.8},
    "target": {"use": "raised_bed", "ph": [5.0, 6.0], "limits": []},
}


def done(name: str, *given: Any) -> dict[str, Any]:
    """A mix after it; the core has to take it."""
    (after,) = ask_page(FILE, [(name, MIX, *given)])
    read_plan(zoo.plan(mixes=[after]))
    return dict(after)


def counts(mix: dict[str, Any]) -> dict[str, float]:
    """Parts by material."""
    return {part["material"]: part["parts"] for part in mix["parts"]}


def test_parts_are_stepped_added_and_taken_out() -> None:
    assert counts(done("stepped", 0, 0.5)) == {"topsoil": 1.5, "compost": 1}
    assert counts(done("stepped", 0, -0.5)) == {"topsoil": 0.5, "compost": 1}
    assert ask_page(FILE, [("stepped", MIX, 0, -5)])[0]["parts"][0]["parts"] == 0
    assert counts(done("added", "coir")) == {"topsoil": 1, "compost": 1, "coir": 1}
    assert counts(done("added", "compost")) == {"topsoil": 1, "compost": 2}
    assert counts(done("without", 0)) == {"compost": 1}
    alone = MIX | {"parts": MIX["parts"][:1]}
    assert ask_page(FILE, [("without", alone, 0)]) == [alone]


@pytest.mark.parametrize(("given", "kept"), [(1.1, 1.0), (1.13, 1.25), (-3, 0), (5000, 1000)])
def test_a_dragged_bucket_stands_in_quarters(given: float, kept: float) -> None:
    assert ask_page(FILE, [("toStep", given)]) == [kept]


def test_another_use_begins_with_its_own_bands_and_the_same_use_keeps_them() -> None:
    assert done("withTarget", {"use": "dry_herb"})["target"] == {"use": "dry_herb", "limits": []}
    assert done("withTarget", {"use": "raised_bed"})["target"]["ph"] == [5.0, 6.0]


def test_a_bands_edge_moves_and_the_other_gives_way() -> None:
    assert done("withEdge", "ph", "least", 5.5, [6.0, 7.0])["target"]["ph"] == [5.5, 6.0]
    assert done("withEdge", "ph", "least", 6.5, [6.0, 7.0])["target"]["ph"] == [6.5, 6.5]
    assert done("withEdge", "water_held", "most", 0.2, [0.35, 0.6])["target"]["water_held"] == [0.2, 0.2]


def test_another_recipe_forgets_what_the_bucket_showed() -> None:
    taken = done("withRecipe", [{"material": "coir", "name": "Coir", "parts": 100}])
    assert (counts(taken), taken["bucket_test"]) == ({"coir": 100}, None)
    assert done("copyOf")["name"] == "Half copy"
    (first,) = ask_page(FILE, [("firstMix", "New mix")])
    read_plan(zoo.plan(mixes=[first]))


def test_limits_are_set_changed_and_taken_away() -> None:
    limited = done("withLimit", "coir", {"most": 0.3})
    assert limited["target"]["limits"] == [{"material": "coir", "least": 0, "most": 0.3}]
    (both,) = ask_page(FILE, [("withLimit", limited, "coir", {"least": 0.4})])
    assert both["target"]["limits"] == [{"material": "coir", "least": 0.4, "most": 0.4}]
    (lower,) = ask_page(FILE, [("withLimit", both, "coir", {"most": 0.2})])
    assert lower["target"]["limits"] == [{"material": "coir", "least": 0.2, "most": 0.2}]
    assert ask_page(FILE, [("withoutLimit", lower, "coir")])[0]["target"]["limits"] == []
    assert ask_page(FILE, [("withTarget", limited, {"use": "dry_herb"})])[0]["target"]["limits"]
