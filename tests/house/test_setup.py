"""The set-up shared by the two commands: each step is done once for a state, and what is missing gets one line."""

from __future__ import annotations

import os
import shutil
import subprocess
from pathlib import Path

import pytest

PROJECT = Path(__file__).resolve().parents[2]


@pytest.fixture
def house(tmp_path: Path) -> Path:
    """A project folder with the set-up alone."""
    (tmp_path / "bin").mkdir()
    shutil.copy(PROJECT / "bin" / "setup.sh", tmp_path / "bin" / "setup.sh")
    return tmp_path


def run(house: Path, script: str, path: str | None = None) -> subprocess.CompletedProcess[str]:
    """A script that has read the set-up."""
    environment = os.environ | ({"PATH": path} if path is not None else {})
    return subprocess.run(
        ["/bin/bash", "-c", f"set -u; . bin/setup.sh; {script}"],
        cwd=house,
        env=environment,
        capture_output=True,
        text=True,
        check=False,
    )


def test_a_step_is_done_once_for_a_state(house: Path) -> None:
    script = 'step "counting" one sh -c "echo x >>count"; step "counting" one sh -c "echo x >>count"'
    first = run(house, script)
    assert first.stdout == "Nolbet: counting ...\n"
    assert run(house, script).stdout == ""
    assert (house / "count").read_text() == "x\n"
    run(house, script.replace("one", "two"))
    assert (house / "count").read_text() == "x\nx\n"


def test_a_step_that_fails_ends_with_one_line_and_is_tried_again(house: Path) -> None:
    failed = run(house, 'step "breaking" one false; echo after')
    assert failed.returncode == 1
    assert "Nolbet: breaking failed" in failed.stderr
    assert "after" not in failed.stdout
    assert run(house, 'step "breaking" one true').returncode == 0


def test_a_state_changes_with_the_files_and_not_with_what_is_built(house: Path) -> None:
    web = house / "web"
    (web / "dist").mkdir(parents=True)
    (web / "node_modules").mkdir()
    (web / "page.ts").write_text("one")

    def state() -> str:
        return run(house, "state_of web").stdout

    before = state()
    (web / "dist" / "built.js").write_text("x")
    (web / "node_modules" / "package.js").write_text("x")
    assert state() == before
    (web / "page.ts").write_text("two")
    assert state() != before


def tools(folder: Path, **scripts: str) -> str:
    """A folder of stand-in tools to look for, with the few real ones the set-up needs."""
    folder.mkdir()
    for name in ("bash", "dirname", "mkdir", "cat"):
        (folder / name).symlink_to(shutil.which(name) or "")
    for name, script in scripts.items():
        file = folder / name.replace("_", ".")
        file.write_text(f"#!/bin/bash\n{script}\n")
        file.chmod(0o755)
    return str(folder)


FOUND = "exit 0"
OLD_NODE = 'if [ "$1" = --version ]; then echo v18.1.0; fi; exit 1'


@pytest.mark.parametrize(
    ("there", "said"),
    [
        ({}, "git is missing"),
        ({"git": FOUND}, "Python 3.11 or newer is missing"),
        ({"git": FOUND, "python3": "exit 1"}, "Python 3.11 or newer is missing"),
        ({"git": FOUND, "python3": 'case "$2" in *ensurepip*) exit 1;; esac'}, "Python's venv is missing"),
        ({"git": FOUND, "python3": FOUND}, "Node 20 or newer is missing"),
        ({"git": FOUND, "python3": FOUND, "node": OLD_NODE}, "Node v18.1.0 is too old"),
        ({"git": FOUND, "python3": FOUND, "node": FOUND}, "npm is missing"),
    ],
    ids=lambda part: part if isinstance(part, str) else "",
)
def test_a_missing_or_old_tool_gets_one_line(house: Path, tmp_path: Path, there: dict[str, str], said: str) -> None:
    done = run(house, "check_tools", tools(tmp_path / "tools", **there))
    assert done.returncode == 1
    assert len(done.stderr.splitlines()) == 1
    assert said in done.stderr


def test_with_every_tool_there_nothing_is_said(house: Path, tmp_path: Path) -> None:
    there = dict.fromkeys(("git", "python3", "node", "npm"), FOUND)
    done = run(house, "check_tools", tools(tmp_path / "tools", **there))
    assert (done.returncode, done.stderr) == (0, "")


def test_no_lock_file_or_script_names_a_registry() -> None:
    files = ["requirements/run.txt", "requirements/dev.txt", "web/package-lock.json", "web/.npmrc"]
    files += [str(file.relative_to(PROJECT)) for file in (PROJECT / "bin").iterdir() if file.is_file()]
    for name in files:
        text = (PROJECT / name).read_text()
        assert '"resolved": "http' not in text, name
        assert "index-url" not in text.replace("--no-emit-index-url", ""), name
        assert "registry=" not in text, name


def test_every_python_package_is_locked_with_hashes() -> None:
    for name in ("run", "dev"):
        lines = (PROJECT / "requirements" / f"{name}.txt").read_text().splitlines()
        locked = [line for line in lines if "==" in line and not line.lstrip().startswith("#")]
        assert len(locked) > 5
        assert all(line.endswith("\\") for line in locked)
