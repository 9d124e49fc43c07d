"""Reading a plan file's text: JSON, then its form, then whether it holds together."""

from __future__ import annotations

import json
import re
from collections.abc import Iterator
from typing import Any

from pydantic import ValidationError

from nolbet_core.built.checked import Checked
from nolbet_core.built.plan import BuiltPlan, build_plan
from nolbet_core.plan.garden import FORMAT, Plan
from nolbet_core.plan.problems import PlanProblem, from_validation, path_of, unknown_kind
from nolbet_core.plan.shapes import KINDS
from nolbet_core.plan.upgrade import TooNew, upgraded
from nolbet_core.record import record

LARGEST_BYTES = 2 * 1024 * 1024


MOST_PROBLEMS = 50


@record
class Review:
    """A plan that can be taken, or what is wrong with it (at most 50 problems)."""

    built: BuiltPlan | None
    problems: tuple[PlanProblem, ...]


def load_plan(content: bytes) -> BuiltPlan:
    """A plan as built, from the bytes of a plan file.

    Raises PlanProblem with the path of the first key at fault.
    """
    return read_plan(parse_document(content))


def read_plan(document: Any) -> BuiltPlan:
    """A plan as built, from parsed JSON. Raises PlanProblem with the path of the first key at fault."""
    return _checked(document).holding()


def review_plan(content: bytes) -> Review:
    """A plan file's plan, or all that is wrong with it.

    content: the file's bytes. What breaks the form of a key hides what the keys say together, so that is looked at once
    the form is right.
    """
    try:
        checked = _checked(parse_document(content))
    except PlanProblem as problem:
        return Review(None, (problem,))
    return Review(None if checked.problems else checked.value, checked.problems[:MOST_PROBLEMS])


def _checked(document: Any) -> Checked[BuiltPlan]:
    if not isinstance(document, dict):
        raise PlanProblem("", "a plan file holds one JSON object")
    newer = _check_format(document)
    current = _upgraded(document)
    strange = list(_strange_kinds(current))
    try:
        plan = Plan.model_validate({**current, "format": FORMAT})
    except ValidationError as error:
        return Checked(None, tuple(_in_order(strange, from_validation(error), newer)))
    if newer:
        raise PlanProblem("format", f"{document['format']!r} is newer than the {FORMAT} that this version reads")
    return build_plan(plan)


def _upgraded(document: dict[str, Any]) -> dict[str, Any]:
    edition = document.get("edition", 1)
    if isinstance(edition, bool) or not isinstance(edition, int) or edition < 1:
        raise PlanProblem("edition", f"is a whole number from 1 up, given {edition!r}"[:120])
    try:
        return upgraded("plan", document, edition)
    except TooNew as problem:
        raise PlanProblem("edition", str(problem)) from problem


def _in_order(strange: list[PlanProblem], problems: list[PlanProblem], newer: bool) -> list[PlanProblem]:
    """Problems with those first that explain others: a kind that is none, a key that shouldn't be there."""
    told = {problem.path for problem in strange}
    rest = sorted(problems, key=lambda problem: "isn't a key" not in problem.message)
    if newer:
        rest = [_said_newer(problem) for problem in rest]
    return [*strange, *(problem for problem in rest if problem.path not in told)]


def _said_newer(problem: PlanProblem) -> PlanProblem:
    if "isn't a key" not in problem.message:
        return problem
    return PlanProblem(problem.path, f"{problem.message}; the file's format is newer than {FORMAT}")


def parse_document(content: bytes, most_bytes: int = LARGEST_BYTES) -> Any:
    """The JSON document of a plan file's bytes. Raises PlanProblem where it is none, or has more than most_bytes."""
    if len(content) > most_bytes:
        raise PlanProblem("", f"the file is over {most_bytes // 1024 // 1024} MB, more than a plan file may be")
    try:
        text = content.decode("utf-8-sig")
        return json.loads(text, object_pairs_hook=_once, parse_constant=_no_constant)
    except UnicodeDecodeError as error:
        raise PlanProblem("", f"the file isn't UTF-8 text (byte {error.start})") from error
    except json.JSONDecodeError as error:
        raise PlanProblem("", f"the file isn't JSON: {error.msg} in line {error.lineno}") from error
    except RecursionError as error:
        raise PlanProblem("", "the file is nested too deeply") from error
    except PlanProblem:
        raise
    except ValueError as error:
        raise PlanProblem("", "the file holds a number too long to read") from error


def _once(pairs: list[tuple[str, Any]]) -> dict[str, Any]:
    found: dict[str, Any] = {}
    for key, value in pairs:
        if key in found:
            raise PlanProblem(key, "stands twice in the same place")
        found[key] = value
    return found


def _no_constant(name: str) -> Any:
    raise PlanProblem("", f"{name} is no number that a plan can hold")


def _check_format(document: dict[str, Any]) -> bool:
    """Whether the file's format is newer than the one read here. Raises PlanProblem where it is none at all."""
    given = document.get("format")
    if given is None:
        raise PlanProblem("format", f'has to be there, as "{FORMAT}"')
    version = re.fullmatch(r"nolbet-plan/([0-9]+)", given) if isinstance(given, str) else None
    if version is None:
        raise PlanProblem("format", f'has to be "{FORMAT}", given {given!r}'[:120])
    return version[1].lstrip("0") not in {"", "1"}


def _strange_kinds(document: dict[str, Any]) -> Iterator[PlanProblem]:
    """A problem for each shape kind that this version doesn't know."""
    beds = document.get("beds")
    for index, bed in enumerate(beds if isinstance(beds, list) else ()):
        shape = bed.get("shape") if isinstance(bed, dict) else None
        kind = shape.get("kind") if isinstance(shape, dict) else None
        if isinstance(kind, str) and kind not in KINDS:
            yield PlanProblem(path_of(["beds", index, "shape", "kind"]), unknown_kind(kind))
