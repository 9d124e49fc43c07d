"""`manage.py clear`: forget what has lain long enough, as the server does by itself once a day."""

from __future__ import annotations

from typing import Any

from django.core.management.base import BaseCommand
from django.utils import timezone

from nolbet.daily.clearing import clear


class Command(BaseCommand):
    """Clear."""

    help = "Forgets run-out sessions, traces of sign-ins, what lay in the bin for 30 days, accounts that are to go."

    def handle(self, *args: Any, **options: Any) -> None:
        """Clear now."""
        clear(timezone.now())
        self.stdout.write("Cleared.")
