"""Where a plan breaks the format: the path of the key, and what would do."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from typing import Any

from pydantic import ValidationError

from nolbet_core.plan.shapes import KINDS
from nolbet_core.shelf.library import nearest_keys


class PlanProblem(ValueError):  # noqa: N818 - told to the gardener as such
    """A plan that can't be taken. `path` names the key, as in beds[0].layers[1].thickness_m."""

    def __init__(self, path: str, message: str) -> None:
        super().__init__(f"{path}: {message}" if path else message)
        self.path = path
        self.message = message


def unknown_key(path: str, wanted: str, keys: Iterable[str]) -> PlanProblem:
    """The problem of a key that names nothing, with those it may have meant."""
    near = nearest_keys(keys, wanted)
    hint = f"; did you mean {' or '.join(near)}?" if near else "; the shelf lists what there is"
    return PlanProblem(path, f"'{wanted}' isn't on the shelf{hint}")


def path_of(parts: Iterable[str | int]) -> str:
    """A path in the plan file's own words: names joined by points, places in brackets."""
    path = ""
    for part in parts:
        if isinstance(part, int):
            path += f"[{part}]"
        else:
            path += f".{part}" if path else part
    return path


def from_validation(error: ValidationError, prefix: Sequence[str | int] = ()) -> list[PlanProblem]:
    """The problems of a model's validation, each with its path. prefix: what the path starts with."""
    problems = []
    for entry in error.errors(include_url=False):
        path = entry_path([*prefix, *entry["loc"]], entry["type"], _discriminator(entry))
        problems.append(PlanProblem(path, _message(entry)))  # type: ignore[arg-type]  # pydantic types its entries loosely
    return problems


_TAG_AT_FAULT = ("union_tag_invalid", "union_tag_not_found")


def entry_path(location: Sequence[str | int], kind: str, tag: str = "kind") -> str:
    """The path of a validation's entry in the plan file's own words.

    kind: what pydantic calls the error. tag: key that tells the members of a union apart.
    """
    return path_of([*_plain_location(location), *([tag] if kind in _TAG_AT_FAULT else [])])


def _discriminator(entry: Any) -> str:
    """Key that tells the members of an entry's union apart."""
    return str(entry.get("ctx", {}).get("discriminator", "kind")).strip("'")


def unknown_kind(kind: str) -> str:
    """What to say of a shape kind that there is none of."""
    near = nearest_keys(KINDS, kind)
    return f"'{kind[:40]}' isn't a shape" + (
        f"; did you mean {' or '.join(near)}?" if near else f"; they are {', '.join(KINDS)}"
    )


def _plain_location(location: Sequence[str | int]) -> list[str | int]:
    """The location without the tags that pydantic adds for the members of a union."""
    plain: list[str | int] = []
    for index, part in enumerate(location):
        listed = location[index - 2] if index >= 2 and isinstance(location[index - 1], int) else None
        if part in _MEMBERS.get(str(listed), ()):
            continue
        if index >= 1 and location[index - 1] == "shape" and part in KINDS:
            continue
        plain.append(part)
    return plain


_MEMBERS = {
    "offers": ("bag", "bulk", "roll", "piece", "pack"),
    "log": (
        "dip",
        "purchase",
        "hours",
        "surface",
        "refill",
        "rain",
        "watered",
        "harvest",
        "sown",
        "soil_test",
        "soil_temperature",
        "note",
        "top_up",
    ),
}
"""Tags of the members of unions in lists, by the list."""

_SAID = {
    "missing": "has to be there",
    "union_tag_not_found": "has to be there",
    "extra_forbidden": "isn't a key of this format",
}

_WANTED = dict.fromkeys(
    ("model_type", "model_attributes_type", "dict_type"), "keys with their values in { } are wanted"
)


def _message(entry: dict[str, object]) -> str:
    kind = str(entry["type"])
    if kind in _SAID:
        return _SAID[kind]
    if kind == "union_tag_invalid":
        given, tag = entry.get("input"), _discriminator(entry)
        said = str(given.get(tag) if isinstance(given, dict) else given)
        location = entry.get("loc")
        if isinstance(location, tuple) and "shape" in location:
            return unknown_kind(said)
        context: Any = entry.get("ctx", {})
        return f"{said[:40]!r} is none of {context.get('expected_tags', '')}"
    message = _WANTED.get(kind, str(entry["msg"])).removeprefix("Value error, ")
    given = entry.get("input")
    if isinstance(given, str | int | float) or given is None:
        shown = repr(given)
        return f"{_lower(message)}, given {shown[:60]}"
    return _lower(message)


def _lower(message: str) -> str:
    return message[:1].lower() + message[1:]
