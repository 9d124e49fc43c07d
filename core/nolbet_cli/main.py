"""`nolbet`: figures of a plan file, the shelf, the findings and the schema, without server or database."""

from __future__ import annotations

import argparse
import importlib
from collections.abc import Sequence
from datetime import date

MOST_SECONDS = 3600.0


def main(arguments: Sequence[str]) -> int:
    """Run one command; its exit status: 0, or 2 with one line on standard error.

    Each command is a module of its own, loaded when it is asked for: the shelf knows nothing of plans.
    """
    options = _parser().parse_args(arguments)
    command = importlib.import_module(f"nolbet_cli.{options.command}")
    return int(command.run(options))


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(prog="nolbet", description="Works out soil and fill for beds.")
    commands = parser.add_subparsers(required=True, metavar="COMMAND")
    figure = commands.add_parser("figure", help="work out a plan file")
    figure.add_argument("file", metavar="FILE", help="a .nolbet.json plan file, or - for standard input")
    figure.add_argument("--bed", metavar="KEY", help="only this bed")
    figure.add_argument("--json", action="store_true", help="print JSON")
    figure.add_argument("--today", metavar="YYYY-MM-DD", type=_day, help="the day that is now")
    figure.add_argument(
        "--seconds", metavar="N", type=_seconds, default=10.0, help="how long boards may be cut and loads chosen (10)"
    )
    figure.set_defaults(command="figure_command")
    shelf = commands.add_parser("shelf", help="the material library, each figure with unit, range and source")
    shelf.add_argument("words", nargs="*", metavar="WORD", help="only what the words may mean")
    shelf.add_argument("--json", action="store_true", help="print JSON")
    shelf.set_defaults(command="shelf_command")
    findings = commands.add_parser("findings", help="what is judged, and when")
    findings.set_defaults(command="findings_command")
    schema = commands.add_parser("schema", help="the plan file's JSON Schema")
    schema.set_defaults(command="schema_command")
    return parser


def _seconds(text: str) -> float:
    try:
        seconds = float(text)
    except ValueError as problem:
        raise argparse.ArgumentTypeError(f"{text!r} is no number of seconds; write it as 5") from problem
    if not 0 < seconds <= MOST_SECONDS:
        raise argparse.ArgumentTypeError(f"{text} is out of range; give more than 0 and up to {MOST_SECONDS:g} seconds")
    return seconds


def _day(text: str) -> date:
    try:
        return date.fromisoformat(text)
    except ValueError as problem:
        raise argparse.ArgumentTypeError(f"{text!r} is no day; write it as in 2026-10-17") from problem
