"""`nolbet figure`: what a plan file comes to."""

from __future__ import annotations

import argparse
import sys
from dataclasses import replace
from pathlib import Path

from nolbet_core.built.plan_file import LARGEST_BYTES, load_plan
from nolbet_core.figure.figures import Figures
from nolbet_core.figure.walk import figure_whole
from nolbet_core.plan.problems import PlanProblem

BROKEN = 2


def run(options: argparse.Namespace) -> int:
    """Print a plan's figures; exit status 2 with one line on standard error where it can't be taken."""
    try:
        print(_figures_said(options))
    except PlanProblem as problem:
        print("nolbet: " + " ".join(str(problem).split()), file=sys.stderr)
        return BROKEN
    return 0


def _figures_said(options: argparse.Namespace) -> str:
    built = load_plan(_read(options.file))
    figures = figure_whole(built, options.today, options.seconds, options.seconds)
    if options.bed is not None:
        figures = _only(figures, options.bed)
    if options.json:
        from nolbet_core.figure.written import written_json  # noqa: PLC0415 - as text nothing is written as JSON

        return written_json(figures, indent=2)
    from nolbet_cli.figure_text import figures_text  # noqa: PLC0415 - as JSON nothing is said in words

    return figures_text(figures, built.plan.garden)


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
