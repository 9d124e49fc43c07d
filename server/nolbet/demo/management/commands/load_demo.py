"""`manage.py load_demo`: the invented household, loaded once."""

from __future__ import annotations

from typing import Any

from django.core.management.base import BaseCommand

from nolbet.demo.load import load_demo


class Command(BaseCommand):
    """Load the demo household unless it is there."""

    help = "Loads the demo household once."

    def handle(self, *args: Any, **options: Any) -> None:
        """Load it and say what was done."""
        self.stdout.write("Demo garden loaded." if load_demo() else "Demo garden is there already.")
