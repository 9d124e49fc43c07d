"""`manage.py restore FILE`: a checked copy put back, what was there copied aside."""

from __future__ import annotations

from argparse import ArgumentParser
from pathlib import Path
from typing import Any

from django.conf import settings
from django.core.management import call_command
from django.core.management.base import BaseCommand, CommandError
from django.db import connections
from django.utils import timezone

from nolbet.keeping.copies import CopyProblem, put_back


class Command(BaseCommand):
    """Put a copy back."""

    help = "Puts a checked copy of the database back; what was there is copied aside."
    requires_migrations_checks = False

    def add_arguments(self, parser: ArgumentParser) -> None:
        """The copy to put back."""
        parser.add_argument("file", type=Path)

    def handle(self, *args: Any, **options: Any) -> None:
        """Put it back, bring it up to date, and say where the one before is."""
        database = Path(str(settings.DATABASES["default"]["NAME"]))
        aside = database.with_name(f"before-restore-{timezone.now():%Y%m%d-%H%M%S-%f}.sqlite3")
        connections.close_all()
        try:
            open_anew = put_back(options["file"].resolve(), database, aside)
        except CopyProblem as problem:
            raise CommandError(str(problem)) from problem
        call_command("migrate", verbosity=0)
        self.stdout.write(
            f"Put back: {options['file']}. What was there before: {aside if aside.exists() else 'nothing'}"
        )
        if open_anew:
            self.stdout.write("What was there couldn't be read: start the application anew if it runs.")
