"""Addresses: the API, and the page for everything else."""

from __future__ import annotations

from django.urls import path, re_path

from nolbet.api.api import api
from nolbet.page.view import page, worker

urlpatterns = [
    path("api/", api.urls),
    path("sw.js", worker),
    re_path(r"^(?!static/|api/).*$", page),
]

handler500 = "nolbet.api.problems.server_error"
handler404 = "nolbet.api.problems.nothing_here"
handler400 = "nolbet.api.problems.bad_request"
