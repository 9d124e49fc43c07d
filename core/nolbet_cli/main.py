"""`nolbet`: figures of a plan file and the shelf, without server or database."""

from __future__ import annotations

import argparse
import json
import sys
from collections.abc import Sequence
from dataclasses import replace
from datetime import date
from pathlib import Path

from nolbet_cli.figure_text import figures_text
from nolbet_cli.shelf_text import shelf_json, shelf_text
from nolbet_core.built.plan_file import LARGEST_BYTES, load_plan
from nolbet_core.figure.figures import Figures
from nolbet_core.figure.walk import figure_plan
from nolbet_core.figure.written import written_json
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.plan.schema import plan_schema
from nolbet_core.shelf.library import search, standard_shelf

BROKEN = 2


def main(arguments: Sequence[str]) -> int:
    """Run one command; its exit status: 0, or 2 with one line on standard error."""
    options = _parser().parse_args(arguments)
    try:
        return int(options.command(options))
    except PlanProblem as problem:
        return _fail(str(problem))


def run() -> None:
    """The console script."""
    try:
        sys.exit(main(sys.argv[1:]))
    except BrokenPipeError:
        sys.exit(0)


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(prog="nolbet", description="Works out soil and fill for beds.")
    commands = parser.add_subparsers(required=True, metavar="COMMAND")
    figure = commands.add_parser("figure", help="work out a plan file")
    figure.add_argument("file", metavar="FILE", help="a .nolbet.json plan file, or - for standard input")
    figure.add_argument("--bed", metavar="KEY", help="only this bed")
    figure.add_argument("--json", action="store_true", help="print JSON")
    figure.add_argument(
        "--today", metavar="YYYY-MM-DD", type=_day, help="the day that is now, for what follows from it"
    )
    figure.set_defaults(command=_figure)
    shelf = commands.add_parser("shelf", help="the material library, each figure with unit, range and source")
    shelf.add_argument("words", nargs="*", metavar="WORD", help="only what the words may mean")
    shelf.add_argument("--json", action="store_true", help="print JSON")
    shelf.set_defaults(command=_shelf)
    schema = commands.add_parser("schema", help="the plan file's JSON Schema")
    schema.set_defaults(command=_schema)
    return parser


def _day(text: str) -> date:
    try:
        return date.fromisoformat(text)
    except ValueError as problem:
        raise argparse.ArgumentTypeError(f"{text!r} is no day; write it as in 2026-10-17") from problem


def _figure(options: argparse.Namespace) -> int:
    built = load_plan(_read(options.file))
    figures = figure_plan(built, options.today)
    if options.bed is not None:
        figures = _only(figures, options.bed)
    print(written_json(figures, indent=2) if options.json else figures_text(figures, built.plan.garden))
    return 0


def _shelf(options: argparse.Namespace) -> int:
    found = search(standard_shelf().values(), " ".join(options.words))
    print(json.dumps(shelf_json(found), indent=2, ensure_ascii=False) if options.json else shelf_text(found))
    return 0


def _schema(options: argparse.Namespace) -> int:
    print(json.dumps(plan_schema(), indent=2))
    return 0


def _read(name: str) -> bytes:
    if name == "-":
        return sys.stdin.buffer.read(LARGEST_BYTES + 1)
    try:
        with Path(name).open("rb") as file:
            return file.read(LARGEST_BYTES + 1)
    except OSError as error:
        raise PlanProblem("", f"{name} can't be read: {error.strerror}") from error


def _only(figures: Figures, key: str) -> Figures:
    beds = [bed for bed in figures.beds if bed.key == key]
    if not beds:
        known = ", ".join(bed.key for bed in figures.beds) or "none"
        raise PlanProblem("--bed", f"there is no bed '{key}'; the file's beds: {known}")
    return replace(figures, beds=beds)


def _fail(message: str) -> int:
    print("nolbet: " + " ".join(message.split()), file=sys.stderr)
    return BROKEN
