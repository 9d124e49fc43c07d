"""What materials a document names: told by the types of its keys, so that a new key can't be forgotten."""

from __future__ import annotations

import typing
from collections.abc import Iterator
from functools import cache
from typing import Any

from pydantic import BaseModel

from nolbet_core.plan.fields import NamesMaterial


def materials_named(part: BaseModel, path: str = "") -> Iterator[tuple[str, str]]:
    """The path and the value of every key in a part of a plan that names a material or a mix, in the order written.

    path: how the part is called itself.
    """
    for name in naming_fields(type(part)):
        yield from _in_value(getattr(part, name), f"{path}.{name}" if path else name)


def material_keys(part: BaseModel) -> set[str]:
    """The materials and mixes that a part of a plan names."""
    return {key for _, key in materials_named(part)}


def _in_value(value: Any, path: str) -> Iterator[tuple[str, str]]:
    if isinstance(value, str):
        yield path, value
    elif isinstance(value, BaseModel):
        yield from materials_named(value, path)
    elif isinstance(value, list):
        for index, each in enumerate(value):
            yield from _in_value(each, f"{path}[{index}]")


@cache
def naming_fields(model: type[BaseModel]) -> tuple[str, ...]:
    """Fields of a model that name a material, or hold something that does."""
    return tuple(
        name
        for name, field in model.model_fields.items()
        if any(isinstance(each, NamesMaterial) for each in field.metadata) or _names_within(field.annotation)
    )


def _names_within(annotation: Any) -> bool:
    if isinstance(annotation, type) and issubclass(annotation, BaseModel):
        return bool(naming_fields(annotation))
    if any(isinstance(each, NamesMaterial) for each in getattr(annotation, "__metadata__", ())):
        return True
    return any(_names_within(each) for each in typing.get_args(annotation))
