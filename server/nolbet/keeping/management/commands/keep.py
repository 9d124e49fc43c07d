"""`manage.py keep`: everything between a fresh or upgraded checkout and serving, in one go, as often as one likes."""

from __future__ import annotations

from pathlib import Path
from typing import Any

from django.conf import settings
from django.core.management import call_command
from django.core.management.base import BaseCommand, CommandError
from django.db import DatabaseError, connection
from django.db.migrations.executor import MigrationExecutor
from django.utils import timezone

from nolbet.keeping.copies import CopyProblem, take_copy
from nolbet.keeping.folder import prepare_folder


class Command(BaseCommand):
    """Make ready to serve."""

    help = "Makes the data's folder, copies the database before an upgrade, upgrades it, and checks the settings."
    requires_migrations_checks = False

    def handle(self, *args: Any, **options: Any) -> None:
        """Do what is to be done, and say what was."""
        database = Path(str(settings.DATABASES["default"]["NAME"]))
        prepare_folder(settings.DATA, database)
        waiting = self._waiting()
        copy = self._copied(database) if waiting and self._was_there() else None
        if waiting:
            self._upgrade(copy)
        call_command("check", deploy=True, fail_level="WARNING", stdout=self.stdout)
        self.stdout.write(f"Ready: the data lies in {settings.DATA}, and the database is up to date.")

    def _waiting(self) -> bool:
        executor = MigrationExecutor(connection)
        return bool(executor.migration_plan(executor.loader.graph.leaf_nodes()))

    def _was_there(self) -> bool:
        return "gardens_garden" in connection.introspection.table_names()

    def _copied(self, database: Path) -> Path:
        copy = database.with_name(f"before-upgrade-{timezone.now():%Y%m%d-%H%M%S}.sqlite3")
        connection.close()
        try:
            take_copy(database, copy)
        except CopyProblem as problem:
            raise CommandError(f"{problem} Nothing was upgraded.") from problem
        self.stdout.write(f"Copied before the upgrade: {copy}")
        return copy

    def _upgrade(self, copy: Path | None) -> None:
        try:
            call_command("migrate", verbosity=0)
        except (DatabaseError, OSError) as error:
            back = f" Or go back: check out the version before, and bin/restore {copy}." if copy else ""
            said = "Each of its steps was done whole or not at all: once the cause is gone, run this again."
            raise CommandError(f"The upgrade stopped: {error}. {said}{back}") from error
