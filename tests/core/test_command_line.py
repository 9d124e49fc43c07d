"""`nolbet` as a person or a script runs it."""

from __future__ import annotations

import json
import re
import subprocess
import sys
from decimal import Decimal
from pathlib import Path
from typing import Any

import pytest

from nolbet_cli.main import main
from nolbet_core.figure.written import written_json
from tests.core import zoo
from tests.core.ask import figures_of

DEMO = Path(__file__).resolve().parents[2] / "server" / "nolbet" / "demo" / "brackwater.nolbet.json"

BED_KEYS = {
    "key", "inside_volume_m3", "fill_volume_m3", "top_area_m2", "footprint_m2", "layers", "over_m", "over_m3",
    "void_drop_m", "mass_saturated_kg", "c_to_n", "nitrogen_gap_kg", "surface_m", "findings",
}  # fmt: skip
LAYER_KEYS = {
    "material", "bottom_m", "top_m", "placed_m3", "infill_m3", "loose_m3", "mass_moist_kg", "sheet_area_m2",
}  # fmt: skip
NEED_KEYS = {"placed_m3", "loose_m3", "stock_m3", "to_buy_m3", "area_m2", "mass_kg"}
HAUL_KEYS = {"lines", "delivery", "total", "proven_optimal", "all_bags_total", "all_bulk_total"}


def written(tmp_path: Path, document: Any) -> str:
    """A plan file with a document, or with a text as it is."""
    file = tmp_path / "plan.nolbet.json"
    file.write_text(document if isinstance(document, str) else json.dumps(document), encoding="utf-8")
    return str(file)


def test_figures_have_the_documented_keys(capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["figure", str(DEMO), "--json"]) == 0
    printed = json.loads(capsys.readouterr().out)
    assert set(printed) == {"beds", "plot", "needs", "haul", "cuts", "works", "zones"}
    for bed in printed["beds"]:
        assert set(bed) >= BED_KEYS
        assert all(set(layer) >= LAYER_KEYS for layer in bed["layers"])
    assert all(set(need) >= NEED_KEYS for need in printed["needs"])
    assert set(printed["haul"]) >= HAUL_KEYS
    total = sum(Decimal(line["price"]) for line in printed["haul"]["lines"]) + Decimal(printed["haul"]["delivery"])
    assert Decimal(printed["haul"]["total"]) == total


def test_one_bed_alone(capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["figure", str(DEMO), "--bed", "ferry_box", "--json"]) == 0
    assert [bed["key"] for bed in json.loads(capsys.readouterr().out)["beds"]] == ["ferry_box"]


def test_text_names_every_layer_with_its_unit(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["figure", written(tmp_path, zoo.plan(zoo.FOUR_BY_EIGHT, garden={"name": "G", "units": "ft_in"}))]) == 0
    printed = capsys.readouterr().out
    assert "26.67 cu ft, 0.988 cu yd, 755.1 L" in printed
    assert "Topsoil" in printed


BROKEN = [
    ("not json", "isn't JSON"),
    ("[]", "one JSON object"),
    ("{}", "format: has to be there"),
    ({"format": "other/1"}, "format: has to be"),
    (zoo.plan() | {"bedz": []}, "bedz: isn't a key"),
    (
        zoo.plan() | {"format": "nolbet-plan/2", "tides": {}},
        "tides: isn't a key of this format; the file's format is newer",
    ),
    (zoo.plan(zoo.bed(layers=[{"material": "topsoil", "thickness_m": -1}])), "beds[0].layers[0].thickness_m"),
    (zoo.plan(zoo.bed(layers=[{"material": "topsoil", "thickness_m": "1"}])), "beds[0].layers[0].thickness_m"),
    (zoo.plan(zoo.bed(shape={"kind": "lying_barrel"})), "beds[0].shape.diameter_m"),
    (zoo.plan(zoo.bed(shape={"kind": "blob"})), "beds[0].shape.kind"),
    (zoo.plan(zoo.bed(), zoo.bed()), "beds[1].key"),
    (zoo.plan(zoo.bed(layers=[{"material": "cardboard", "thickness_m": 0.1}])), "beds[0].layers[0].thickness_m"),
    (zoo.plan(zoo.bed(layers=[{"material": "nosuch", "fill": True}])), "beds[0].layers[0].material"),
    (zoo.plan(mixes=[{"key": "m", "parts": [{"material": "m", "parts": 1}]}]), "mixes[0].parts[0].material"),
    (zoo.plan(suppliers=[{"key": "s", "delivery": 45.0}]), "suppliers[0].delivery"),
    ('{"format": "nolbet-plan/1", "garden": {"name": "a", "mean_temp_c": NaN}}', "NaN is no number"),
]


@pytest.mark.parametrize(("document", "said"), BROKEN, ids=[said[:40] for _, said in BROKEN])
def test_a_broken_file_exits_2_with_one_line(
    tmp_path: Path, capsys: pytest.CaptureFixture[str], document: Any, said: str
) -> None:
    assert main(["figure", written(tmp_path, document)]) == 2
    printed = capsys.readouterr()
    assert printed.out == ""
    assert len(printed.err.splitlines()) == 1
    assert said in printed.err


def test_a_file_that_is_not_there_and_a_bed_that_is_not_in_it(capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["figure", "no-such-file.json"]) == 2
    assert "can't be read" in capsys.readouterr().err
    assert main(["figure", str(DEMO), "--bed", "nosuch"]) == 2
    assert "long_table" in capsys.readouterr().err


def test_the_console_script_runs() -> None:
    script = Path(sys.executable).with_name("nolbet")
    done = subprocess.run(
        [script, "figure", "-", "--json"], input=json.dumps(zoo.plan()), capture_output=True, text=True, check=True
    )
    assert json.loads(done.stdout)["beds"][0]["inside_volume_m3"] == 1.0


def test_a_garden_without_a_plot_has_no_figures_of_one(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["figure", written(tmp_path, zoo.plan()), "--json"]) == 0
    assert set(json.loads(capsys.readouterr().out)) == {"beds", "needs", "haul", "works"}


def test_the_text_tells_of_shapes_and_of_the_plot(capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["figure", str(DEMO)]) == 0
    printed = capsys.readouterr().out
    assert "Plot" in printed and "paths" in printed
    assert "in 2.1 turns" in printed
    assert "of loose soil from digging" in printed


def test_a_mix_tried_in_a_bucket_needs_more_of_its_parts(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    parts = [{"material": "topsoil", "parts": 1}, {"material": "garden_soil", "parts": 2, "rejected": 0.5}]
    bed = zoo.bed(layers=[{"material": "sieved", "fill": True}])

    def needs(**more: Any) -> dict[str, float]:
        document = zoo.plan(bed, mixes=[{"key": "sieved", "parts": parts} | more])
        assert main(["figure", written(tmp_path, document), "--json"]) == 0
        return {need["material"]: need["loose_m3"] for need in json.loads(capsys.readouterr().out)["needs"]}

    plain, tested = needs(), needs(bucket_test={"parts_in": 2, "level_out": 1.6})
    # a cubic metre placed is 1.15 loose: half of each, and the sieve keeps half of what was dug
    assert plain == pytest.approx({"topsoil": 0.575, "garden_soil": 1.15})
    assert tested == pytest.approx({"topsoil": 0.575 / 0.8, "garden_soil": 1.15 / 0.8})


@pytest.mark.parametrize(
    ("mix", "said"),
    [
        ({"parts": [{"material": "topsoil", "parts": 0}]}, "mixes[0].parts: the parts of a mix add up to nothing"),
        ({"parts": [{"material": "odd", "parts": 1}]}, "mixes[0].parts[0].material: 'odd' would contain itself"),
        ({"parts": [{"material": "topsoil", "parts": 1}], "target": {"use": "lawn"}}, "mixes[0].target.use"),
        ({"parts": [{"material": "topsoil", "parts": 1}], "target": {"ph": [7, 6]}}, "mixes[0].target.ph"),
        ({"parts": [{"material": "topsoil", "parts": 1, "rejected": 1}]}, "mixes[0].parts[0].rejected"),
        (
            {
                "parts": [{"material": "topsoil", "parts": 1}],
                "target": {"limits": [{"material": "coir", "least": 0.5, "most": 0.2}]},
            },
            "mixes[0].target.limits[0]: the least, 0.5, is over the most, 0.2",
        ),
    ],
)
def test_a_mix_that_cannot_be_exits_2(
    tmp_path: Path, capsys: pytest.CaptureFixture[str], mix: dict[str, Any], said: str
) -> None:
    assert main(["figure", written(tmp_path, zoo.plan(mixes=[{"key": "odd"} | mix]))]) == 2
    assert said in capsys.readouterr().err


def test_the_shelf_prints_figures_of_soil(capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["shelf", "--json"]) == 0
    shelf = {row["key"]: row["properties"] for row in json.loads(capsys.readouterr().out)["materials"]}
    # starting values: porosity, water at 1 kPa, dry mass, pH, rise
    rows = {
        "topsoil": (0.52, 0.42, 1150, 6.5, 0.30), "compost": (0.75, 0.52, 400, 7.2, 0.25),
        "peat": (0.93, 0.72, 100, 4.0, 0.35), "coir": (0.94, 0.68, 80, 6.0, 0.40),
        "perlite": (0.77, 0.28, 100, 7.0, 0.15),
        "vermiculite": (0.85, 0.50, 110, 7.5, 0.25), "coarse_sand": (0.40, 0.14, 1500, 7.0, 0.10),
        "grit": (0.42, 0.05, 1500, 7.0, 0.02), "pumice": (0.65, 0.33, 650, 7.0, 0.10),
        "composted_bark": (0.80, 0.45, 230, 5.5, 0.12), "leaf_mould": (0.85, 0.60, 250, 6.3, 0.25),
        "worm_compost": (0.80, 0.60, 400, 7.0, 0.30),
    }  # fmt: skip
    names = ("porosity", "container_capacity", "loose_dry_kg_m3", "ph", "capillary_rise_m")
    found = {key: tuple(shelf[key][name]["value"] for name in names) for key in rows}
    assert found == rows
    for key, properties in shelf.items():
        if "container_capacity" in properties:
            porosity, held, wilting = (
                properties[name]["value"] for name in ("porosity", "container_capacity", "wilting_point")
            )
            assert 0 < wilting < held < porosity < 1, key


@pytest.mark.parametrize("document", [zoo.EMPTY, zoo.WOODY, zoo.OVERFULL, zoo.MIXED_AMOUNTS, zoo.bed()])
def test_nothing_is_written_with_a_minus(document: dict[str, Any]) -> None:
    written = written_json(figures_of(zoo.plan(document)))
    assert re.search(r"-0\.0(?!\d)", written) is None
    assert json.loads(written)["beds"][0]["nitrogen_gap_kg"] >= 0
