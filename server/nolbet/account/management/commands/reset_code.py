"""`manage.py reset_code NAME`: print a code with which a gardener sets a new password."""

from __future__ import annotations

from argparse import ArgumentParser
from typing import Any

from django.contrib.auth import get_user_model
from django.core.management.base import BaseCommand, CommandError
from django.utils import timezone

from nolbet.account.reset import PRINTED_FOR, make_code


class Command(BaseCommand):
    """Print a code."""

    help = "Prints a code with which a gardener sets a new password once, within a day. Tell it to nobody else."

    def add_arguments(self, parser: ArgumentParser) -> None:
        """Whose password."""
        parser.add_argument("name")

    def handle(self, *args: Any, **options: Any) -> None:
        """Print it."""
        account = get_user_model().objects.filter(username=options["name"]).first()
        if account is None:
            raise CommandError(f"There is no account {options['name']!r}.")
        self.stdout.write(make_code(account, timezone.now(), PRINTED_FOR))
