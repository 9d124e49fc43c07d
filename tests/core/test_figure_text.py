"""What `nolbet figure` prints for a person: every figure with its unit, in the garden's units first."""

from __future__ import annotations

import json
from pathlib import Path
from typing import Any

import pytest

from nolbet_cli.main import main
from tests.core import zoo


def printed(tmp_path: Path, capsys: pytest.CaptureFixture[str], *beds: dict[str, Any], **changes: Any) -> str:
    """The text for a plan."""
    file = tmp_path / "plan.nolbet.json"
    file.write_text(json.dumps(zoo.plan(*beds, **changes)))
    assert main(["figure", str(file)]) == 0
    return capsys.readouterr().out


def test_a_metric_garden_is_told_in_metric_first(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    text = printed(tmp_path, capsys, zoo.bed(count=2))
    assert '2 m x 1 m x 50 cm deep (6\' 6 3/4" x 3\' 3 3/8" x 19 5/8")' in text
    assert "2 alike (figures for one)" in text
    assert "1,503 kg as delivered, 1,771 kg wet through" in text


def test_layers_stand_top_to_bottom_with_their_packing(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    lines = [line for line in printed(tmp_path, capsys, zoo.MIXED_AMOUNTS).splitlines() if line.startswith("  - ")]
    assert [line.split()[1] for line in lines] == ["Topsoil", "Leaves", "Compost", "Branches", "Cardboard"]
    assert "packed with 84 L" in lines[3]
    assert lines[4].endswith("5.60 m²")


def test_what_is_over_and_what_is_worth_a_look_is_told(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    text = printed(tmp_path, capsys, zoo.OVERFULL)
    assert "over             10 cm, 200 L" in text
    assert "stop: The layers stand 10 cm, 200 L over the rim." in text


def test_needs_and_haul_are_told_with_their_sums(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    bed = zoo.bed(layers=[{"material": "compost", "volume_m3": 0.1}, {"material": "topsoil", "volume_m3": 0.1}])
    text = printed(tmp_path, capsys, bed, suppliers=zoo.SUPPLIERS, stock=[{"material": "compost", "volume_m3": 0.03}])
    assert "115 L loose, 30 L on hand, 85 L to buy" in text
    assert "Pennyfold yard: Compost, 3 bags of 40 L, $18.60" in text
    assert "delivery $45.00" in text
    assert "total $63.60" in text
    assert "nobody offers topsoil" in text


def test_how_it_feeds_sinks_and_can_be_sown_is_told(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    layers = [{"material": "wood_chips", "thickness_m": 0.3}, {"material": "topsoil", "fill": True}]
    text = printed(tmp_path, capsys, zoo.bed(layers=layers, built_on="2026-10-20"))
    assert "  carbon           70 : 1 to nitrogen, short of " in text
    # 0.3 m of chips and 0.2 m of soil: 0.3 (1 - 0.740) + 0.2 (1 - 0.920) in the first year, and half of what the gaps
    # of the chips hold (0.3 x 0.55) of soil that runs down into them, settled to 0.92
    assert "  sinks            17 cm in a year" in text
    assert "  shallow roots    2027-04-03: fresh wood takes nitrogen" in text
    assert "  deep roots       2030-02-18: what lies below has to rot first" in text
    text = printed(
        tmp_path, capsys, zoo.bed(layers=[{"material": "pond_liner"}, {"material": "topsoil", "volume_m3": 0.5}])
    )
    assert "  shallow roots    after 0.0 years: nothing in the fill has to rot first" in text
    assert "  deep roots       not here: the fill is too shallow for such roots" in text


def test_a_reservoir_is_told_with_the_soil_over_it(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    reservoir = {"height_m": 0.2, "overflow_m": 0.15, "medium": "gravel_20"}
    bed = zoo.bed(reservoir=reservoir, layers=[{"material": "topsoil", "thickness_m": 0.25}])
    text = printed(tmp_path, capsys, bed)
    # 2 m2 x 0.15 m x 38 %
    assert "  water            4.03 cu ft, 0.149 cu yd, 114.0 L held, 30 cm of soil over it that wicks 30 cm" in text
    assert "water" not in printed(tmp_path, capsys, zoo.bed()).split("Needs")[0]


def test_the_schema_is_printed(capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["schema"]) == 0
    assert json.loads(capsys.readouterr().out)["title"] == "Nolbet plan file"


def test_no_command_is_told_what_there_is(capsys: pytest.CaptureFixture[str]) -> None:
    with pytest.raises(SystemExit) as ended:
        main([])
    assert ended.value.code == 2
    assert "COMMAND" in capsys.readouterr().err
