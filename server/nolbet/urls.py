"""Addresses: the API, and the page for everything else."""

from __future__ import annotations

from django.urls import path, re_path

from nolbet.api.api import api
from nolbet.page.view import page, worker
from nolbet.watching.views import health, metrics, ready

urlpatterns = [
    path("api/", api.urls),
    path("sw.js", worker),
    path("health", health),
    path("ready", ready),
    path("metrics", metrics),
    re_path(r"^(?!static/|api/).*$", page),
]

handler500 = "nolbet.api.problems.server_error"
handler400 = "nolbet.api.problems.bad_request"
