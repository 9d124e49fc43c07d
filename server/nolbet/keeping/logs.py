"""The log holds nothing that opens anything: secrets of shared links are taken out of its lines."""

from __future__ import annotations

import logging
import re

SECRET_IN_PATH = re.compile(r"/(look|shared)/[A-Za-z0-9_-]{8,}")


class WithoutSecrets(logging.Filter):
    """Takes the secret of a shared link out of a line before it is written."""

    def filter(self, record: logging.LogRecord) -> bool:
        """Always true: the line is written, without the secret."""
        said = record.getMessage()
        bare = SECRET_IN_PATH.sub(r"/\1/...", said)
        if bare != said:
            record.msg, record.args = bare, None
        return True


class Unforeseen(logging.Filter):
    """Lets what nobody thought of through, and not what was refused or put off in words."""

    def filter(self, record: logging.LogRecord) -> bool:
        """Whether a line is of an error of the server's own."""
        return getattr(record, "status_code", 500) == 500
