"""A season's log as a file: CSV with a row for each entry; read row by row, each bad row named."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterable
from typing import Annotated, Any, get_args

from pydantic import BaseModel, Field, TypeAdapter, ValidationError

from nolbet_core.plan.log import SeasonEntry
from nolbet_core.plan.problems import from_validation
from nolbet_core.record import record

FIRST = ("key", "kind", "bed", "on", "who")
MOST_ROWS = 20_000
MOST_TEXT = 4_000_000
"""Characters of one file."""
LONGEST_CELL = 5_000
STARTS_FORMULA = ("=", "+", "-", "@", "\t", "\r")
SHOWN_MARK = "'"
"""Stands before a text that a spreadsheet would take for a formula, and is taken off again."""

_entries: TypeAdapter[SeasonEntry] = TypeAdapter(Annotated[SeasonEntry, Field(discriminator="kind")])
WORDS = frozenset({"text", "who", "crop"})
"""Columns that hold a gardener's own words."""


@record
class LeftOut:
    """A row of a log that could not be taken: its line in the file, and why."""

    line: int
    reason: str


def log_columns() -> tuple[str, ...]:
    """What the columns of a log are called: what all entries have, then what each kind says beside."""
    kinds: tuple[type[BaseModel], ...] = get_args(SeasonEntry)
    return tuple(dict.fromkeys([*FIRST, *(name for kind in kinds for name in kind.model_fields)]))


def written_log(entries: Iterable[SeasonEntry]) -> str:
    """Entries as a CSV text."""
    out = io.StringIO(newline="")
    writer = csv.DictWriter(out, log_columns())
    writer.writeheader()
    for each in entries:
        said = each.model_dump(mode="json", exclude_none=True, exclude_defaults=True) | {"kind": each.kind}
        writer.writerow({name: _cell(name, value) for name, value in said.items()})
    return out.getvalue()


def _cell(name: str, value: Any) -> Any:
    if name in WORDS and isinstance(value, str) and value.startswith((*STARTS_FORMULA, SHOWN_MARK)):
        return SHOWN_MARK + value
    return value


def read_log(text: str) -> tuple[list[tuple[int, SeasonEntry]], list[LeftOut]]:
    """Entries of a CSV text with their lines, and the rows that could not be taken; good rows are kept beside bad ones.

    Raises ValueError where the columns aren't there, or it is larger than what is read.
    """
    if len(text) > MOST_TEXT:
        raise ValueError(f"a file of more than {MOST_TEXT:,} characters is more than is read")
    reader = csv.DictReader(io.StringIO(text.lstrip("\ufeff"), newline=""))
    taken: list[tuple[int, SeasonEntry]] = []
    bad: list[LeftOut] = []
    try:
        names = [name.strip().lower() for name in reader.fieldnames or []]
        if "kind" not in names or "on" not in names:
            raise ValueError("the first line has to name the columns; kind and on have to be there")
        reader.fieldnames = names
        for row in reader:
            if len(taken) + len(bad) >= MOST_ROWS:
                raise ValueError(f"a file of more than {MOST_ROWS:,} rows is more than is read")
            try:
                taken.append((reader.line_num, _entry(row)))
            except ValueError as problem:
                bad.append(LeftOut(reader.line_num, str(problem)))
    except csv.Error as problem:
        raise ValueError(f"line {reader.line_num + 1} is no row of a CSV file: {problem}") from problem
    return taken, bad


def _entry(row: dict[str, Any]) -> SeasonEntry:
    if None in row:
        raise ValueError("has more cells than there are columns")
    said = {name: _typed(name, value) for name, value in row.items() if value is not None and value.strip()}
    try:
        return _entries.validate_strings(said, strict=False)
    except ValidationError as error:
        found = from_validation(error)
        raise ValueError("; ".join(f"{each.path.rpartition('.')[2]}: {each.message}" for each in found[:3])) from error


def _typed(name: str, value: str) -> str:
    if len(value) > LONGEST_CELL:
        raise ValueError(f"{name}: holds more than {LONGEST_CELL:,} characters")
    if name in WORDS and value.startswith(SHOWN_MARK):
        return value[1:]
    return value if name in WORDS else value.strip()
