"""What can go wrong with what is kept, in words of the work."""

from __future__ import annotations

from nolbet.gardens.models import Bed


class StaleSave(Exception):  # noqa: N818 - it says what happened
    """A bed saved from an older revision; `current` is what is kept now."""

    def __init__(self, current: Bed) -> None:
        super().__init__("changed elsewhere")
        self.current = current


class StaleChange(Exception):  # noqa: N818 - it says what happened
    """Something else saved from an older revision; the message says what and what would do."""

    def __init__(self, what: str) -> None:
        super().__init__(f"{what} changed elsewhere since; look at it as it is now, then change it again.")


class Missing(Exception):  # noqa: N818 - it says what happened
    """Something that isn't there, or isn't this gardener's."""


class InUse(Exception):  # noqa: N818 - it says what happened
    """Something that can't go or change so, since something else is made of it; the message says of what."""


class Full(Exception):  # noqa: N818 - it says what happened
    """As much is kept as may be; the message says of what, and what would do."""


class Busy(Exception):  # noqa: N818 - it says what happened
    """Somebody else kept changing what a save rests on."""


class Unreadable(Exception):  # noqa: N818 - it says what happened
    """A kept document that this version can't read; the message says why."""
