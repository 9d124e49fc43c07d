"""Keys for the plan file, made from what a person calls a thing."""

from __future__ import annotations

import re
import unicodedata
from collections.abc import Collection

LONGEST_KEY = 50


def key_for(name: str, taken: Collection[str]) -> str:
    """A plan-file key for a name that none of those taken has."""
    plain = unicodedata.normalize("NFKD", name).encode("ascii", "ignore").decode().lower()
    stem = re.sub(r"[^a-z0-9]+", "_", plain).strip("_")[:LONGEST_KEY]
    stem = stem if re.match(r"[a-z]", stem) else f"own_{stem}".rstrip("_")
    key, number = stem, 2
    while key in taken:
        key, number = f"{stem}_{number}", number + 1
    return key
