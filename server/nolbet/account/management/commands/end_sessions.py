"""`manage.py end_sessions [NAME]`: sign one gardener out everywhere, or all of them."""

from __future__ import annotations

from argparse import ArgumentParser
from typing import Any

from django.contrib.auth import get_user_model
from django.core.management.base import BaseCommand, CommandError

from nolbet.account.models import Session


class Command(BaseCommand):
    """End sessions."""

    help = "Signs a gardener out on every device; without a name, everybody."

    def add_arguments(self, parser: ArgumentParser) -> None:
        """Whose."""
        parser.add_argument("name", nargs="?")

    def handle(self, *args: Any, **options: Any) -> None:
        """End them, and say how many there were."""
        sessions = Session.objects.all()
        if options["name"] is not None:
            account = get_user_model().objects.filter(username=options["name"]).first()
            if account is None:
                raise CommandError(f"There is no account {options['name']!r}.")
            sessions = sessions.filter(account_id=account.pk)
        self.stdout.write(f"Ended: {sessions.delete()[0]}")
