"""Figures as an answer."""

from __future__ import annotations

from typing import TYPE_CHECKING

from django.http import HttpResponse

from nolbet_core.figure.written import written_json

if TYPE_CHECKING:
    from nolbet_core.figure.written import Written


def written(figures: Written) -> HttpResponse:
    """Figures as JSON at once: the core has made them by their models already."""
    return HttpResponse(written_json(figures), content_type="application/json; charset=utf-8")
