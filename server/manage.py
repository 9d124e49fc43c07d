#!/usr/bin/env python
"""Django's command line."""

import os
import sys

from django.conf import settings
from django.core.management import execute_from_command_line

from nolbet.keeping.folder import prepare_folder

if __name__ == "__main__":
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "nolbet.settings.demo")
    prepare_folder(settings.DATA, settings.DATABASE)
    execute_from_command_line(sys.argv)
