"""Classes of results: read only to the type checker, and no dearer to define and to make than their fields.

A frozen data class writes six functions when it is defined and calls one for each field when one is made. An answer is
made of thousands of such fields and a start defines every class of it; nobody compares two, or takes one for a key.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import TypeVar, dataclass_transform

Result = TypeVar("Result")


@dataclass_transform(frozen_default=True, eq_default=False)
def record(result: type[Result]) -> type[Result]:
    """A class of results out of its fields. result: [class] with its fields named and typed."""
    return dataclass(slots=True, repr=False, eq=False)(result)
