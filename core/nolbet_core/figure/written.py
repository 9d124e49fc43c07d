"""Figures as JSON, in the names of the plan file."""

from __future__ import annotations

import json
import re
from typing import TYPE_CHECKING, Any

from pydantic import TypeAdapter

from nolbet_core.figure.figures import BedFigures, Figures

if TYPE_CHECKING:
    from nolbet_core.figure.blend_figures import BatchFigures, CheapestFigures, MixAmounts, MixFigures, ZonesFigures
    from nolbet_core.figure.forecast_figures import ComparedFigures, ForecastFigures, OfferedSchools, SunkenFigures
    from nolbet_core.figure.plot_figures import PlotFigures
    from nolbet_core.figure.season_figures import SeasonFigures
    from nolbet_core.figure.sun_map import SunMap
    from nolbet_core.figure.sure_figures import SureBed, SureFigures
    from nolbet_core.figure.tally import BoughtAlone, HaulLooked, TalliedFigures
    from nolbet_core.figure.water_figures import DipsFigures, ToldFigures, WaterFigures
    from nolbet_core.figure.what_if import WhatIfFigures
    from nolbet_core.figure.works_figures import WorksFigures

    Written = (
        BatchFigures
        | BedFigures
        | CheapestFigures
        | ComparedFigures
        | DipsFigures
        | Figures
        | HaulLooked
        | ForecastFigures
        | MixAmounts
        | MixFigures
        | OfferedSchools
        | PlotFigures
        | SunkenFigures
        | BoughtAlone
        | TalliedFigures
        | ToldFigures
        | WaterFigures
        | SeasonFigures
        | SunMap
        | SureBed
        | SureFigures
        | WhatIfFigures
        | WorksFigures
        | ZonesFigures
    )


LESS_THAN_NOTHING = re.compile(r"-0\.0(?<=[\[\s:,]-0\.0)(?=[,\]}\s])")
"""A nothing with a minus, as sums leave it: nobody reads it as nothing. Its letters come first: they are soon found."""

_adapters: dict[type[Any], TypeAdapter[Any]] = {}


def _adapter(kind: type[Any]) -> TypeAdapter[Any]:
    """What writes figures of a kind, made when they are first written: a start knows none of them yet."""
    found = _adapters.get(kind)
    if found is None:
        found = _adapters[kind] = TypeAdapter(kind)
    return found


def written_line(figures: object) -> str:
    """Any record of figures as one line of JSON, as rules above these tell what they find."""
    text = _adapter(type(figures)).dump_json(figures, by_alias=True).decode()
    return (LESS_THAN_NOTHING.sub("0.0", text) if "-0.0" in text else text) + "\n"


def written_json(figures: Written, indent: int | None = None) -> str:
    """Figures as JSON text. indent: spaces a level, None for one line."""
    text = (
        _adapter(type(figures))
        .dump_json(figures, indent=indent, exclude=_nothing_there(figures), by_alias=True)
        .decode()
    )
    return LESS_THAN_NOTHING.sub("0.0", text) if "-0.0" in text else text


def written_document(figures: Written) -> dict[str, Any]:
    """Figures as the parsed JSON document."""
    document: dict[str, Any] = json.loads(written_json(figures))
    return document


def _nothing_there(figures: Written) -> set[str]:
    """A garden whose ground isn't measured has no plot to write of, one without a sunken bed no order for spring, one
    without drip lines no zones.
    """
    if not isinstance(figures, Figures):
        return set()
    return {
        key
        for key, part in (
            ("plot", figures.plot),
            ("spring", figures.spring),
            ("cuts", figures.cuts),
            ("works", figures.works),
            ("zones", figures.zones or None),
        )
        if part is None
    }
