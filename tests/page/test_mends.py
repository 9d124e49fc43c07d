"""Mends as the page takes them: the same as the core, step by step, on all that can be mended."""

from __future__ import annotations

from dataclasses import asdict
from typing import Any

from tests.core import zoo
from tests.core.ask import bed_of, mended_by
from tests.core.test_findings import CASES, FILL_CASES
from tests.core.test_water import WATER_CASES
from tests.page.asking import ask_page

FILE = "draft/mend.ts"


def without_nothing(thing: Any) -> Any:
    """A document without keys that are null: the page writes null for what the plan file leaves out."""
    if isinstance(thing, dict):
        return {key: without_nothing(value) for key, value in thing.items() if value is not None}
    return [without_nothing(each) for each in thing] if isinstance(thing, list) else thing


def test_every_mend_is_taken_as_the_core_takes_it() -> None:
    mends = [
        (document, finding)
        for _, document, level in (*CASES, *FILL_CASES, *WATER_CASES)
        if level
        for finding in bed_of(document).findings
        if finding.mend is not None
    ]
    assert len({finding.code for _, finding in mends}) >= 18
    calls: list[tuple[Any, ...]] = []
    for document, finding in mends:
        assert finding.mend is not None
        calls.append(("mended", document, [asdict(step) for step in finding.mend.steps]))
    for (document, finding), after in zip(mends, ask_page(FILE, calls), strict=True):
        assert without_nothing(after) == mended_by(document, finding), finding.code


def test_steps_are_taken_in_turn_and_leave_the_rest_alone() -> None:
    bed = zoo.bed(layers=[{"material": "topsoil", "thickness_m": 0.2}, {"material": "compost", "fill": True}])
    steps = [
        {"do": "add", "path": "layers[0]", "value": {"material": "cardboard", "plies": 2}},
        {"do": "set", "path": "layers[1].thickness_m", "value": 0.15},
        {"do": "remove", "path": "layers[2]", "value": None},
        {"do": "set", "path": "shape.width_m", "value": 0.9},
        {"do": "set", "path": "reach_m", "value": 0.45},
    ]
    (after,) = ask_page(FILE, [("mended", bed, steps)])
    assert after == bed | {
        "layers": [{"material": "cardboard", "plies": 2}, {"material": "topsoil", "thickness_m": 0.15}],
        "shape": bed["shape"] | {"width_m": 0.9},
        "reach_m": 0.45,
    }
