"""Typical climates to choose from, for gardens whose own weather isn't known."""

from __future__ import annotations

from dataclasses import asdict
from typing import Any

from django.http import HttpRequest
from ninja import Router, Schema

from nolbet_core.climate.typical import CLIMATES, Hemisphere, TypicalClimate
from nolbet_core.plan.fields import MonthDay
from nolbet_core.plan.garden import Normals, Typical

router = Router(tags=["climates"])


class TypicalOut(Schema):
    """A typical climate as a garden takes it over. latitude_deg: where such places usually lie, south negative."""

    key: Typical
    koppen: str
    name: str
    said: str
    latitude_deg: float
    normals: list[Normals]
    last_frost: MonthDay | None
    first_frost: MonthDay | None


@router.get("/{hemisphere}", response=list[TypicalOut])
def list_climates(request: HttpRequest, hemisphere: Hemisphere) -> list[dict[str, Any]]:
    """Typical climates, their months as they come in that half of the earth."""
    return [_out(each, hemisphere) for each in CLIMATES.values()]


def _out(climate: TypicalClimate, hemisphere: Hemisphere) -> dict[str, Any]:
    last, first = climate.frosts(hemisphere)
    return {
        "key": climate.key,
        "koppen": climate.koppen,
        "name": climate.name,
        "said": climate.said,
        "latitude_deg": climate.latitude_deg * (-1 if hemisphere == "south" else 1),
        "normals": [asdict(month) for month in climate.normals(hemisphere)],
        "last_frost": last,
        "first_frost": first,
    }
