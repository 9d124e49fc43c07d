"""Cells of a spreadsheet as text: nothing that somebody typed may be run there as a formula."""

from __future__ import annotations

FORMULA_STARTS = ("=", "+", "-", "@", "\t", "\r")
SHIELD = "'"


def cell(text: str) -> str:
    """A text as a cell: one that a spreadsheet would take for a formula is shielded by an apostrophe."""
    return SHIELD + text if text.startswith(FORMULA_STARTS) else text


def cell_read(text: str) -> str:
    """A cell's text, without the apostrophe that shielded it."""
    text = text.strip()
    return text[1:] if text.startswith(SHIELD) and text[1:].startswith(FORMULA_STARTS) else text
