"""Where a plan breaks the format: the path of the key, and what would do."""

from __future__ import annotations

from collections.abc import Iterable, Sequence

from pydantic import ValidationError


class PlanProblem(ValueError):  # noqa: N818 - told to the gardener as such
    """A plan that can't be taken. `path` names the key, as in beds[0].layers[1].thickness_m."""

    def __init__(self, path: str, message: str) -> None:
        super().__init__(f"{path}: {message}" if path else message)
        self.path = path
        self.message = message


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
    return [
        PlanProblem(path_of([*prefix, *_plain_location(entry["loc"])]), _message(entry))  # type: ignore[arg-type]  # pydantic types its entries loosely
        for entry in error.errors(include_url=False)
    ]


def _plain_location(location: Sequence[str | int]) -> list[str | int]:
    """The location without the tags that pydantic adds for the members of a union."""
    plain: list[str | int] = []
    for index, part in enumerate(location):
        after_offer = index >= 2 and location[index - 2] == "offers" and isinstance(location[index - 1], int)
        if after_offer and part in ("bag", "bulk"):
            continue
        plain.append(part)
    return plain


_SAID = {
    "missing": "has to be there",
    "extra_forbidden": "isn't a key of this format",
}


def _message(entry: dict[str, object]) -> str:
    kind = str(entry["type"])
    if kind in _SAID:
        return _SAID[kind]
    message = str(entry["msg"]).removeprefix("Value error, ")
    given = entry.get("input")
    if isinstance(given, str | int | float) or given is None:
        shown = repr(given)
        return f"{_lower(message)}, given {shown[:60]}"
    return _lower(message)


def _lower(message: str) -> str:
    return message[:1].lower() + message[1:]
