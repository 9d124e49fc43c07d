"""Reading a plan file's text: JSON, then its form, then whether it holds together."""

from __future__ import annotations

import json
import re
from typing import Any

from pydantic import ValidationError

from nolbet_core.plan.check import Supplies, check_plan, gather_supplies
from nolbet_core.plan.garden import FORMAT, Plan
from nolbet_core.plan.problems import PlanProblem, from_validation, path_of, unknown_kind
from nolbet_core.plan.shapes import KINDS

LARGEST_BYTES = 2 * 1024 * 1024


def load_plan(content: bytes) -> tuple[Plan, Supplies]:
    """A plan and everything its layers may name, from the bytes of a plan file.

    Raises PlanProblem with the path of the first key at fault.
    """
    return read_plan(parse_document(content))


def read_plan(document: Any) -> tuple[Plan, Supplies]:
    """A plan and its supplies from parsed JSON. Raises PlanProblem with the path of the first key at fault."""
    if not isinstance(document, dict):
        raise PlanProblem("", "a plan file holds one JSON object")
    newer = _check_format(document)
    _check_shape_kinds(document)
    try:
        plan = Plan.model_validate({**document, "format": FORMAT})
    except ValidationError as error:
        problem = _first(from_validation(error))
        if newer and "isn't a key" in problem.message:
            problem = PlanProblem(problem.path, f"{problem.message}; the file's format is newer than {FORMAT}")
        raise problem from error
    if newer:
        raise PlanProblem("format", f"{document['format']!r} is newer than the {FORMAT} that this version reads")
    supplies = gather_supplies(plan.materials, plan.mixes)
    check_plan(plan, supplies)
    return plan, supplies


def _first(problems: list[PlanProblem]) -> PlanProblem:
    """The problem to tell first: a key that shouldn't be there explains one that is missing."""
    return next((problem for problem in problems if "isn't a key" in problem.message), problems[0])


def parse_document(content: bytes) -> Any:
    """The JSON document of a plan file's bytes. Raises PlanProblem where it is none."""
    if len(content) > LARGEST_BYTES:
        raise PlanProblem("", f"the file is over {LARGEST_BYTES // 1024 // 1024} MB, more than a plan file may be")
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
    version = re.fullmatch(r"nolbet-plan/(\d+)", given) if isinstance(given, str) else None
    if version is None:
        raise PlanProblem("format", f'has to be "{FORMAT}", given {given!r}'[:120])
    return int(version[1]) > 1


def _check_shape_kinds(document: dict[str, Any]) -> None:
    """Name the path of a shape kind that this version doesn't know, before the form of its keys is looked at."""
    beds = document.get("beds")
    if not isinstance(beds, list):
        return
    for index, bed in enumerate(beds):
        shape = bed.get("shape") if isinstance(bed, dict) else None
        kind = shape.get("kind") if isinstance(shape, dict) else None
        if isinstance(kind, str) and kind not in KINDS:
            raise PlanProblem(path_of(["beds", index, "shape", "kind"]), unknown_kind(kind))
