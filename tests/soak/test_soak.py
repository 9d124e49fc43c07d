"""The short forms of the soak runs, and copies taken and put back while gardeners save."""

from __future__ import annotations

import os
import random
import shutil
import sqlite3
import subprocess
import threading
from contextlib import closing
from pathlib import Path

import pytest

from nolbet.keeping.copies import CopyProblem, check_copy, put_back, take_copy
from nolbet.keeping.folder import prepare_folder
from tests.soak.beside import beside
from tests.soak.crowd import crowd
from tests.soak.every_place import try_every_place
from tests.soak.fuzz import fuzz
from tests.soak.imports import kill_imports
from tests.soak.kill import kill_and_look
from tests.soak.power import Disk, cut_power
from tests.soak.races import races
from tests.soak.restores import put_back_again_and_again
from tests.soak.rising_thirst import CASES, share_told
from tests.soak.serving import Gardener, Serving
from tests.soak.sinking import cover, fits


def test_a_killed_server_has_every_save_it_answered() -> None:
    told = kill_and_look(1)
    assert told["kills"] == 1
    assert told["answered"] > 0
    assert (told["lost"], told["damaged"]) == (0, 0)


def test_gardeners_saving_at_once_lose_nothing() -> None:
    told = crowd(6, 1)
    assert told["saves"] > 6
    assert (told["errors"], told["lost"]) == (0, 0)


def test_saves_that_race_lose_nothing_bring_nothing_back_and_break_nothing() -> None:
    told = races(6)
    assert told["answered"] > 6 * 7
    assert {key: told[key] for key in ("lost", "back", "broken", "errors")} == dict.fromkeys(
        ("lost", "back", "broken", "errors"), 0
    )


def test_a_plan_file_is_brought_in_whole_or_not_at_all() -> None:
    told = kill_imports(1)
    assert told["kills"] == 1
    assert told["part"] == 0


def test_a_copy_taken_under_load_is_put_back_into_the_running_application(tmp_path: Path) -> None:
    with Serving(tmp_path) as serving:
        gardener = Gardener(serving.port, "saver")
        gardener.move_in()
        stop = threading.Event()

        def stream() -> None:
            while not stop.is_set():
                assert gardener.save(min(gardener.revision + 1, 1000))[0] == 200

        saver = threading.Thread(target=stream)
        saver.start()
        while gardener.revision < 5:
            stop.wait(0.01)
        copy = tmp_path / "copies" / "copy.sqlite3"
        copy.parent.mkdir()
        said = serving.manage("backup", str(copy))
        stop.set()
        saver.join()
        gardener.reconnect()
        assert "Copied and checked" in said
        last, _ = gardener.kept()
        with closing(sqlite3.connect(copy)) as connection:
            ((copied, count),) = connection.execute("SELECT revision, count FROM gardens_bed").fetchall()
        assert 5 <= copied <= last
        assert copied == count
        assert gardener.save(777)[0] == 200
        said = serving.manage("restore", str(copy))
        gardener.reconnect()  # the server closes connections that were idle meanwhile
        assert "What was there before" in said
        assert gardener.kept() == (copied, count)
        gardener.revision = copied
        assert gardener.save(42)[0] == 200
        assert gardener.kept() == (copied + 1, 42)
        (aside,) = tmp_path.glob("before-restore-*.sqlite3")
        with closing(sqlite3.connect(aside)) as connection:
            assert connection.execute("SELECT count FROM gardens_bed").fetchone() == (777,)
        assert [each.name for each in tmp_path.rglob("*unfinished*")] == []


def test_a_save_answered_while_a_copy_is_put_back_is_in_what_is_put_aside_or_comes_after() -> None:
    told = put_back_again_and_again(2, 3)
    assert told["restores"] == 2
    assert told["answered"] > 2 * 3
    assert {key: told[key] for key in ("lost", "wrong", "refused")} == {"lost": 0, "wrong": 0, "refused": 0}


@pytest.fixture
def database(tmp_path: Path) -> Path:
    """A small database with the table that marks one of Nolbet."""
    file = tmp_path / "nolbet.sqlite3"
    with closing(sqlite3.connect(file)) as connection:
        connection.executescript("CREATE TABLE gardens_garden (name TEXT); INSERT INTO gardens_garden VALUES ('one');")
    return file


def test_a_copy_is_never_written_over(database: Path, tmp_path: Path) -> None:
    copy = tmp_path / "copy.sqlite3"
    take_copy(database, copy)
    with pytest.raises(CopyProblem, match="there already"):
        take_copy(database, copy)
    with pytest.raises(CopyProblem, match="no database at"):
        take_copy(tmp_path / "gone.sqlite3", tmp_path / "other.sqlite3")


@pytest.mark.parametrize(
    ("content", "said"),
    [(b"", "no database of Nolbet"), (b"nonsense" * 200, "is no database"), (None, "is damaged|is no database")],
    ids=["empty", "nonsense", "cut"],
)
def test_what_is_no_whole_copy_is_not_put_back(
    database: Path, tmp_path: Path, content: bytes | None, said: str
) -> None:
    copy = tmp_path / "copy.sqlite3"
    if content is None:
        with closing(sqlite3.connect(database)) as connection:
            connection.executemany("INSERT INTO gardens_garden VALUES (?)", [("x" * 900,) for _ in range(200)])
            connection.commit()
        take_copy(database, copy)
        whole = copy.read_bytes()
        copy.write_bytes(whole[: len(whole) // 2])
    else:
        copy.write_bytes(content)
    before = database.read_bytes()
    with pytest.raises(CopyProblem, match=said):
        put_back(copy, database, tmp_path / "aside.sqlite3")
    assert database.read_bytes() == before
    assert not (tmp_path / "aside.sqlite3").exists()


def test_a_damaged_database_is_moved_aside_as_it_is(database: Path, tmp_path: Path) -> None:
    copy, aside = tmp_path / "copy.sqlite3", tmp_path / "aside.sqlite3"
    take_copy(database, copy)
    database.write_bytes(b"nonsense" * 300)
    database.with_name("nolbet.sqlite3-wal").write_bytes(b"half a log")
    assert put_back(copy, database, aside)
    check_copy(database)
    assert aside.read_bytes() == b"nonsense" * 300
    assert (tmp_path / "aside.sqlite3-wal").read_bytes() == b"half a log"
    assert not put_back(copy, database, tmp_path / "second.sqlite3")


def test_the_folder_is_made_and_closed_to_others(tmp_path: Path) -> None:
    data = tmp_path / "there" / "data"
    data.mkdir(parents=True, mode=0o755)
    database = data / "nolbet.sqlite3"
    database.touch(mode=0o644)
    before = os.umask(0o022)
    try:
        prepare_folder(data, database)
        prepare_folder(tmp_path / "new" / "data", tmp_path / "new" / "data" / "nolbet.sqlite3")
        copy = data / "copy"
        copy.touch()
    finally:
        os.umask(before)
    modes = [each.stat().st_mode & 0o777 for each in (data, tmp_path / "new" / "data", database, copy)]
    assert modes == [0o700, 0o700, 0o600, 0o600]


def test_a_copy_put_back_where_there_was_none(database: Path, tmp_path: Path) -> None:
    put_back(database, tmp_path / "new.sqlite3", tmp_path / "aside.sqlite3")
    check_copy(tmp_path / "new.sqlite3")
    assert not (tmp_path / "aside.sqlite3").exists()


def test_heavy_figures_beside_saves_cost_nobody_a_save_and_are_worked_out() -> None:
    told = beside(savers=6, heavy=3, seconds=8)
    assert told.lost == 0
    assert {name: status for name, status in told.statuses if status not in {200, 429, 503}} == {}
    assert min(told.statuses[name, 200] for name in ("save", "look", "preview", "sure", "schools", "compared")) > 0


def test_whatever_two_gardeners_send_is_no_error_and_shows_nothing_of_the_other() -> None:
    told = fuzz(300)
    assert told.statuses.total() == 300
    assert told.statuses[200] > 20
    assert told.errors == []
    assert told.leaked == []


def test_no_odd_value_anywhere_in_a_body_is_an_error() -> None:
    told = try_every_place("figure/what-if")
    assert told.statuses.total() > 400
    assert told.statuses[422] > 200
    assert told.errors == []


TRIED = ["strace", "-o", "/dev/null", "true"]
CAN_TRACE = shutil.which("strace") is not None and subprocess.run(TRIED, check=False).returncode == 0


@pytest.mark.skipif(not CAN_TRACE, reason="writes are recorded by strace, which isn't there or may not")
def test_power_that_goes_at_any_moment_takes_no_answered_save_along() -> None:
    told = cut_power(cuts=60, saves=8)
    assert (told["cuts"], told["answered"]) == (60, 8)
    assert (told["damaged"], told["lost"]) == (0, 0)


def test_what_was_not_synced_may_be_lost_and_what_was_is_not() -> None:
    disk = Disk(bytearray(b"a" * 1024))
    disk.since.append((0, b"b" * 1024))
    found = {disk.after_a_cut(random.Random(seed)) for seed in range(40)}  # noqa: S311 - no secret
    assert found == {old + new for old in (b"a" * 512, b"b" * 512) for new in (b"a" * 512, b"b" * 512)}
    disk.sync()
    assert disk.after_a_cut(random.Random(1)) == b"b" * 1024  # noqa: S311 - as above


def test_a_thirst_that_rises_is_not_taken_for_a_leak() -> None:
    """Forty seeds of the long run, in which at most 5 in 100 are told falsely."""
    assert share_told(range(40), CASES["rising from 0.7 to 1.3, scatter 10 %"], 0.0) <= 0.1
    assert share_told(range(20), CASES["as forecast, scatter 10 %"], 0.004) >= 0.9


@pytest.mark.parametrize("error_mm", [4, 8, 16])
def test_bands_of_sinking_hold_the_truth_whatever_the_ruler(error_mm: int) -> None:
    """200 seeds of the long run: three standard errors of 0.8 are 8 in 100; no bias over 3 %."""
    truth, found, spread = fits(200, error_mm / 1000)
    assert all(0.70 <= each <= 0.90 for each in cover(truth, found, spread))
    assert abs(float((found - truth)[:, 0].mean())) < 0.04
