"""What can go wrong with what is kept, in words of the work."""

from __future__ import annotations

from nolbet.gardens.models import Bed


class StaleSave(Exception):  # noqa: N818 - it says what happened
    """A save that rests on an older revision; `current` is what is kept now."""

    def __init__(self, current: Bed) -> None:
        super().__init__("changed elsewhere")
        self.current = current


class StalePlot(Exception):  # noqa: N818 - it says what happened
    """A plot saved from an older revision; the message says so."""

    def __init__(self) -> None:
        super().__init__("The plot was changed elsewhere since; look at it as it is now, then change it again.")


class Missing(Exception):  # noqa: N818 - it says what happened
    """Something that isn't there, or isn't this gardener's."""


class InUse(Exception):  # noqa: N818 - it says what happened
    """Something that can't go, since something else is made of it; the message says of what."""
