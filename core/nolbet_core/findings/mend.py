"""The one click that mends a finding: a few small steps on the bed's words, each touching as little as it can."""

from __future__ import annotations

import re
from collections.abc import Iterable, Mapping
from dataclasses import replace
from typing import Any, Literal

from nolbet_core.built.worked import WorkedBed
from nolbet_core.record import record

PART = re.compile(r"\.?(?P<key>[a-z_0-9]+)|\[(?P<place>\d+)\]")
AMOUNTS = ("volume_m3", "share", "fill")


@record
class MendStep:
    """One step, by the path of what it changes, as in layers[2].thickness_m.

    do: set a key to a value (None takes it away), add a value to a list at a place, remove what stands at one.
    """

    do: Literal["set", "add", "remove"]
    path: str
    value: Any = None


@record
class Mend:
    """What the click says, and its steps in the order they are taken."""

    label: str
    steps: tuple[MendStep, ...]


def set_keys(path: str, **values: Any) -> tuple[MendStep, ...]:
    """Steps that set keys of what stands at a path ("" for the bed itself)."""
    return tuple(MendStep("set", f"{path}.{key}" if path else key, value) for key, value in values.items())


def change_layer(index: int, **values: Any) -> tuple[MendStep, ...]:
    """Steps that set keys of one layer."""
    return set_keys(f"layers[{index}]", **values)


def thickness_of(worked: WorkedBed, index: int, thickness_m: float) -> tuple[MendStep, ...]:
    """Steps that give a layer a thickness of its own [m], whatever it was given by before."""
    layer = worked.bed.layers[index]
    gone = {key: None for key in AMOUNTS if getattr(layer, key) is not None}
    return change_layer(index, thickness_m=thickness_m, **gone)


LAYER = re.compile(r"layers\[(\d+)\]")


def above_pit(steps: Iterable[MendStep], pit_layers: int) -> tuple[MendStep, ...] | None:
    """Steps on a bed and its pit as one, as steps on the bed alone; None where one of them changes the pit.

    pit_layers: how many layers of the one are the pit's.
    """
    own = []
    for step in steps:
        found = LAYER.match(step.path)
        place = int(found[1]) - pit_layers if found else 0
        if place < 0:
            return None
        own.append(replace(step, path=LAYER.sub(f"layers[{place}]", step.path, count=1)) if found else step)
    return tuple(own)


def mended(document: Mapping[str, Any], steps: Iterable[MendStep]) -> dict[str, Any]:
    """A bed's document with the steps taken.

    Raises KeyError or IndexError where a path leads nowhere.
    """
    done = dict(document)
    for step in steps:
        parts = [found["key"] or int(found["place"]) for found in PART.finditer(step.path)]
        done = _stepped(done, parts, step)
    return done


def _stepped(thing: Any, parts: list[str | int], step: MendStep) -> Any:
    """A part of a document, of which no more is copied than the step goes through."""
    first, *rest = parts
    copied: Any = list(thing) if isinstance(thing, list | tuple) else dict(thing)
    if rest:
        copied[first] = _stepped(copied[first], rest, step)
    elif step.do == "add":
        copied.insert(first, step.value)
    elif step.do == "remove":
        del copied[first]
    elif step.value is None:
        copied.pop(first, None)
    else:
        copied[first] = step.value
    return copied
