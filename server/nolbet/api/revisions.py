"""Numbers that count what was kept, as they are asked for: none that the database couldn't hold."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

MOST = 2**31 - 1

Revision = Annotated[int, Field(ge=0, le=MOST)]
"""The revision that a change was made from."""

Restored = Annotated[int, Field(ge=1, le=MOST)] | None
"""The earlier revision that a change brings back, where it does."""

After = Annotated[int, Field(ge=0, le=MOST)]
"""How many of a list were told before."""
