"""`manage.py write_openapi FILE`: the API's own description, from which the page's types are generated."""

from __future__ import annotations

import json
from argparse import ArgumentParser
from pathlib import Path
from typing import Any

from django.core.management.base import BaseCommand

from nolbet.api.api import api


class Command(BaseCommand):
    """Write the OpenAPI document."""

    help = "Writes the OpenAPI document to a file."

    def add_arguments(self, parser: ArgumentParser) -> None:
        """The file to write."""
        parser.add_argument("file", type=Path)

    def handle(self, *args: Any, **options: Any) -> None:
        """Write it, keys sorted, so that a change shows as one."""
        document = api.get_openapi_schema(path_prefix="/api/")
        options["file"].write_text(json.dumps(document, indent=2, sort_keys=True) + "\n", encoding="utf-8")
