"""The WSGI application that gunicorn serves."""

from __future__ import annotations

import os

import shapely  # noqa: F401 - whole before the first thread: the core's late loading is made for one thread alone
from django.core.wsgi import get_wsgi_application

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "nolbet.settings.production")
application = get_wsgi_application()
