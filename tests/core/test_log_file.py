"""A season's log as a file: out and in without loss, bad rows named, nothing that a spreadsheet would run."""

from __future__ import annotations

import csv
import io
from typing import Annotated, Any

import pytest
from hypothesis import given
from hypothesis import strategies as some
from pydantic import Field, TypeAdapter

from nolbet_core.plan.log import SeasonEntry
from nolbet_core.plan.log_file import read_log, written_log

ENTRY: TypeAdapter[SeasonEntry] = TypeAdapter(Annotated[SeasonEntry, Field(discriminator="kind")])
WORDS = some.text(
    some.characters(codec="utf-8", exclude_categories=("Cs", "Cc"), include_characters="\n"), min_size=1, max_size=60
).filter(str.strip)
NUMBER = some.floats(0.001, 90)


def entry(kind: str, **said: Any) -> some.SearchStrategy[dict[str, Any]]:
    """Entries of a kind that say such things."""
    given_when = {"kind": some.just(kind), "bed": some.just("plain"), "on": some.just("2026-05-03T10:30:00+02:00")}
    return some.fixed_dictionaries(
        {**given_when, **said}, optional={"key": some.from_regex(r"[a-z]{3,9}", fullmatch=True)}
    )


ENTRIES = some.one_of(
    entry("surface", height_m=some.floats(0, 2)),
    entry("refill", volume_m3=NUMBER),
    entry("rain", mm=NUMBER),
    entry("watered"),
    entry("harvest", crop=WORDS.map(lambda words: words.strip()[:40]).filter(str.strip), count=some.integers(1, 99)),
    entry("soil_test", ph=some.floats(2, 11), lead_mg_kg=NUMBER),
    entry("soil_temperature", temp_c=some.floats(-20, 50)),
    entry("note", text=WORDS, differently=some.booleans()),
    entry("top_up", material=some.just("compost"), volume_m3=NUMBER),
)


@given(some.lists(ENTRIES, max_size=8))
def test_entries_come_back_as_they_went(documents: list[dict[str, Any]]) -> None:
    entries = [ENTRY.validate_python(each) for each in documents]
    rows, bad = read_log(written_log(entries))
    assert bad == []
    assert [each for _, each in rows] == entries


@pytest.mark.parametrize("words", ["=1+1", "+cmd", "-2", "@SUM(A1)", "'quoted", "\tx"])
def test_words_are_never_a_formula(words: str) -> None:
    note = ENTRY.validate_python({"kind": "note", "on": "2026-05-03", "text": words})
    text = written_log([note])
    cell = next(csv.DictReader(io.StringIO(text)))["text"]
    assert cell == "'" + words
    assert read_log(text)[0][0][1] == note


def test_bad_rows_are_named_and_good_ones_taken() -> None:
    rows, bad = read_log(
        "kind,on,bed,height_m,mm\n"
        "surface,2026-01-01,plain,much,\n"
        "surface,2026-01-02,plain,0.3,\n"
        "flood,2026-01-03,plain,,\n"
        "surface,2026-13-01,plain,0.3,\n"
        "rain,2026-01-04,,,12,99\n"
        "rain,2026-01-05,,,12.5\n"
    )
    assert [line for line, _ in rows] == [3, 7]
    assert [each.line for each in bad] == [2, 4, 5, 6]
    assert bad[0].reason.startswith("height_m: ")
    assert "flood" in bad[1].reason


@pytest.mark.parametrize("text", ["", "day,height\n1,2\n", "kind,on\n" + "x" * 200_000 + ",y\n"])
def test_a_file_that_is_none_is_refused(text: str) -> None:
    with pytest.raises(ValueError, match=r"first line|CSV"):
        read_log(text)
