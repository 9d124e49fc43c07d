"""The page: one document for every address, with this answer's nonce in it."""

from __future__ import annotations

from functools import cache

from django.conf import settings
from django.http import HttpRequest, HttpResponse
from django.views.decorators.csrf import ensure_csrf_cookie
from django.views.decorators.http import require_GET

NONCE_PLACE = "__NONCE__"


@cache
def _document() -> str:
    file = settings.WEB_DIST / "index.html"
    return str(file.read_text(encoding="utf-8"))


@require_GET
@ensure_csrf_cookie
def page(request: HttpRequest) -> HttpResponse:
    """The built page. It is never kept by the browser, since the nonce is good for one answer only."""
    document = _document().replace(NONCE_PLACE, str(request.csp_nonce))  # type: ignore[attr-defined]  # set by the CSP middleware
    return HttpResponse(document, headers={"Cache-Control": "no-store"})


@cache
def _worker() -> bytes:
    return bytes((settings.WEB_DIST / "sw.js").read_bytes())


@require_GET
def worker(request: HttpRequest) -> HttpResponse:
    """What opens the page without a connection. It lies at the root, since it serves every address."""
    del request
    return HttpResponse(_worker(), content_type="text/javascript", headers={"Cache-Control": "no-cache"})
