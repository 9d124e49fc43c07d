"""Packages that cost a start more than most runs ask of them."""

from __future__ import annotations

import importlib.util
import sys
from types import ModuleType


def lazily(name: str) -> ModuleType:
    """A package that is loaded when something of it is first used. name: of the package, not of a part of it.

    For a process of one thread: where there are several, import the package before the first of them starts.

    Raises ImportError where it isn't installed.
    """
    if name in sys.modules:
        return sys.modules[name]
    spec = importlib.util.find_spec(name)
    if spec is None or spec.loader is None:
        raise ImportError(f"{name} isn't installed", name=name)
    spec.loader = importlib.util.LazyLoader(spec.loader)
    module = importlib.util.module_from_spec(spec)
    sys.modules[name] = module
    spec.loader.exec_module(module)
    return module
