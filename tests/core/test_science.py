"""The tables of docs/science.md are the model's own."""

from __future__ import annotations

import re
from pathlib import Path

import numpy as np
import pytest

from nolbet_core.climate.radiation import extraterrestrial_radiation
from nolbet_core.climate.weather import MONTH_DAYS
from nolbet_core.settling.clock import steady
from nolbet_core.settling.curve import remaining_shares
from nolbet_core.shelf.library import standard_shelf

TOLD = (Path(__file__).resolve().parents[2] / "docs" / "science.md").read_text()
LEFT = re.findall(
    r"^\| (\w+) \| ([\d.]+) \([\d.]+-[\d.]+\) \| (\d+) \| (\d+) \| (\d+) \| (\d+) \| (\d+) \|$", TOLD, re.M
)


@pytest.mark.parametrize("row", LEFT, ids=[row[0] for row in LEFT])
def test_what_is_left_of_a_layer_is_as_told(row: tuple[str, ...]) -> None:
    key, decay, *shares = row
    material = standard_shelf()[key]
    left = remaining_shares(material, steady(1.0))
    assert float(decay) == material.decay_per_year
    assert [round(100 * float(left[month])) for month in (3, 12, 36, 60, 120)] == [int(each) for each in shares]


def test_sunlight_is_as_told_and_as_published() -> None:
    assert len(LEFT) == 8
    rows = {name: [float(each) for each in re.findall(r"\d+\.\d", cells)] for name, cells in re.findall(
        r"^\| (FAO-56|model) \| (.+) \|$", TOLD, re.M
    )}  # fmt: skip
    middles = np.cumsum(MONTH_DAYS) - 15.0
    model = extraterrestrial_radiation(40.0, middles)
    assert [round(float(each), 1) for each in model] == rows["model"]
    assert model == pytest.approx(np.array(rows["FAO-56"]), rel=0.026)
