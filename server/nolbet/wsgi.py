"""The WSGI application that gunicorn serves."""

from __future__ import annotations

import os

import shapely  # noqa: F401 - whole before the first thread: the core's late loading is made for one thread alone
from django.conf import settings
from django.core.wsgi import get_wsgi_application

from nolbet.keeping.folder import prepare_folder

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "nolbet.settings.production")
prepare_folder(settings.DATA, settings.DATABASE)
application = get_wsgi_application()

from nolbet import urls  # noqa: E402, F401 - the whole API, so that who asks first doesn't wait for it
from nolbet.daily import by_itself  # noqa: E402 - its tables are known once Django is set up
from nolbet.plans.apart import warm_up  # noqa: E402 - as above

by_itself.start()
if settings.HEAVY_ELSEWHERE:
    warm_up()
