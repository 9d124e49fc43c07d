"""What the documents say is so: schema, examples, glossary, finding list, the README's commands."""

from __future__ import annotations

import json
import re
from pathlib import Path

import jsonschema
import pytest

from nolbet_core.built.plan_file import load_plan
from nolbet_core.findings.document import findings_document
from nolbet_core.findings.every import FINDINGS
from nolbet_core.findings.finding import Finding
from nolbet_core.plan.schema import plan_schema
from tests.core.ask import figures_of
from tests.core.names import core_modules, model_fields, public_definitions, unit_of

PROJECT = Path(__file__).resolve().parents[2]
EXAMPLES = [
    *sorted((PROJECT / "docs" / "examples").glob("*.nolbet.json")),
    *PROJECT.glob("server/nolbet/demo/*.nolbet.json"),
]
SCHEMA = json.loads((PROJECT / "docs" / "plan.schema.json").read_text())
VALIDATOR = jsonschema.Draft202012Validator(SCHEMA)


def glossary() -> dict[str, tuple[str, str, str]]:
    """The glossary's rows: name to meaning, unit and room."""
    rows = re.findall(
        r"^\| `(\w+)` \| (.+?) \| (.*?) \| (.+?) \|$", (PROJECT / "docs" / "glossary.md").read_text(), re.M
    )
    return {name: (meaning, unit, room) for name, meaning, unit, room in rows}


def test_the_schema_is_the_models_own() -> None:
    assert plan_schema() == SCHEMA
    assert SCHEMA["$schema"] == jsonschema.Draft202012Validator.META_SCHEMA["$schema"]
    jsonschema.Draft202012Validator.check_schema(SCHEMA)


@pytest.mark.parametrize("file", EXAMPLES, ids=[file.name for file in EXAMPLES])
def test_examples_keep_to_the_schema_and_can_be_worked_out(file: Path) -> None:
    document = json.loads(file.read_text())
    VALIDATOR.validate(document)
    load_plan(file.read_bytes())
    assert figures_of(document).beds


def test_the_schema_refuses_what_the_core_refuses() -> None:
    document = json.loads(EXAMPLES[0].read_text())
    with pytest.raises(jsonschema.ValidationError):
        VALIDATOR.validate(document | {"bedz": []})


def test_every_key_and_public_name_is_in_the_glossary_with_its_unit() -> None:
    rows = glossary()
    assert sorted((model_fields() | public_definitions().keys()) - rows.keys()) == []
    wrong = {name: rows[name][1] for name in model_fields() if (unit := unit_of(name)) and rows[name][1] != unit}
    assert wrong == {}


def test_the_glossary_names_nothing_that_is_gone() -> None:
    assert sorted(glossary().keys() - model_fields() - public_definitions().keys()) == []


def test_the_findings_document_is_the_findings_own() -> None:
    assert (PROJECT / "docs" / "findings.md").read_text() == findings_document()


def test_no_finding_is_forgotten_in_the_list() -> None:
    assert [type(finding) for finding in FINDINGS] == [Finding.by_code[finding.code] for finding in FINDINGS]
    assert {finding.code for finding in FINDINGS} == Finding.by_code.keys()


def test_every_room_of_core_and_server_is_named_in_the_architecture() -> None:
    told = (PROJECT / "docs" / "architecture.md").read_text()
    rooms = {file.parent for tree in ("core", "server") for file in (PROJECT / tree).rglob("__init__.py")}
    parts = {part.name for room in ("built", "plans") for part in PROJECT.glob(f"*/nolbet*/{room}/[a-z]*.py")}
    assert len(rooms) > 30 and len(parts) > 25
    apart = {"migrations", "nolbet", "nolbet_core", "nolbet_cli"}
    assert sorted(name for name in ({room.name for room in rooms} - apart) | parts if name not in told) == []


def test_no_class_of_the_core_has_the_name_of_another() -> None:
    named: dict[str, set[str]] = {}
    for module in core_modules():
        for name, thing in vars(module).items():
            if isinstance(thing, type) and thing.__module__ == module.__name__:
                named.setdefault(name, set()).add(module.__name__)
    assert {name: modules for name, modules in named.items() if len(modules) > 1} == {}


def test_the_readmes_commands_are_there() -> None:
    commands = re.findall(r"^    (bin/\w+|\.venv/bin/nolbet \w+)", (PROJECT / "README.md").read_text(), re.M)
    assert {"bin/demo", "bin/test"} <= set(commands)
    for command in commands:
        if command.startswith("bin/"):
            assert (PROJECT / command).stat().st_mode & 0o111
