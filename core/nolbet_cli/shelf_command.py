"""`nolbet shelf`: the material library."""

from __future__ import annotations

import argparse
import json

from nolbet_cli.shelf_text import shelf_json, shelf_text
from nolbet_core.shelf.library import search, standard_shelf


def run(options: argparse.Namespace) -> int:
    """Print every material, or those that some words may mean."""
    found = search(standard_shelf().values(), " ".join(options.words))
    print(json.dumps(shelf_json(found), indent=2, ensure_ascii=False) if options.json else shelf_text(found))
    return 0
