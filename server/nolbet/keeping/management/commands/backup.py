"""`manage.py backup FILE`: a checked copy of the database, the application running or not."""

from __future__ import annotations

from argparse import ArgumentParser
from pathlib import Path
from typing import Any

from django.conf import settings
from django.core.management.base import BaseCommand, CommandError

from nolbet.keeping.copies import CopyProblem, take_copy


class Command(BaseCommand):
    """Take a copy."""

    help = "Copies the database into a new file and checks the copy."
    requires_migrations_checks = False

    def add_arguments(self, parser: ArgumentParser) -> None:
        """The file to write."""
        parser.add_argument("file", type=Path)

    def handle(self, *args: Any, **options: Any) -> None:
        """Take it and say where it is."""
        file = options["file"].resolve()
        try:
            take_copy(Path(str(settings.DATABASES["default"]["NAME"])), file)
        except CopyProblem as problem:
            raise CommandError(str(problem)) from problem
        self.stdout.write(f"Copied and checked: {file} ({file.stat().st_size:,} bytes)")
